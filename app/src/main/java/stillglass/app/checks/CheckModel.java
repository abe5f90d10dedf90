package stillglass.app.checks;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import stillglass.app.desk.Work;
import stillglass.fault.Sign;
import stillglass.ticket.proof.Suspected;
import stillglass.ticket.readings.Behaves;
import stillglass.ticket.readings.Functions;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;

/// What is tried on this instrument, and how it was found.
/// @param untried how many nobody has tried yet in this phase
public record CheckModel(List<Row> rows, int untried) {
    /// @param name of the function
    /// @param found in this phase, in words
    /// @param free whether those words say that it is; empty when they do not tell
    /// @param before how it was before the work, shown after it
    public record Row(String name, Optional<String> found, Optional<Boolean> free, Optional<String> before) {
        /// For node identifiers.
        public String slug() {
            return name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-");
        }
    }

    public CheckModel {
        rows = List.copyOf(rows);
    }

    public static CheckModel of(Work work, Phase phase) {
        Readings r = work.state().readings();
        Set<String> names = new LinkedHashSet<>(Functions.of(work.instrument().sort()));
        if (phase == Phase.AFTER && work.section().isEmpty() && work.instrument().sort().images() && Suspected.asks(r, work.state().joints())) {
            // What it looks like tells what is wrong where nothing can be traced.
            Arrays.stream(Sign.values()).map(Sign::function).forEach(names::add);
        }
        names.addAll(r.checks(Phase.BEFORE).keySet());
        names.addAll(r.checks(Phase.AFTER).keySet());
        List<Row> rows = names.stream().map(n -> {
            // Tries after the work count from the last opening on; a word that was said before it stays to be seen.
            Optional<String> told = r.told(phase, n, phase == Phase.AFTER ? work.state().joints().lastOpened() : -1).or(() -> r.check(phase, n));
            Optional<Behaves> how = told.flatMap(Behaves::in);
            return new Row(n, told, how.map(h -> h == Behaves.FREE), phase == Phase.AFTER ? r.told(Phase.BEFORE, n, -1) : Optional.empty());
        }).toList();
        return new CheckModel(rows, (int) rows.stream().filter(x -> x.found().isEmpty()).count());
    }
}
