package stillglass.ticket.care;

import java.util.List;
import java.util.Optional;
import stillglass.care.RunIn;
import stillglass.ticket.story.Grown;

/// A greased thread while it is run in. Immutable.
///
/// @param changes of the dose since it was greased, in mg; what was not weighed is not known
/// @param weighed whether every change was weighed
/// @param judged in order; doses are counted from what was laid first
/// @param band torque that is wanted, where somebody said
public record Running(List<Double> changes, boolean weighed, List<RunIn.Judged> judged, Optional<RunIn.Band> band) {
    /// Nobody has run it in.
    public static final Running NONE = new Running(List.of(), true, List.of(), Optional.empty());

    public Running {
        changes = List.copyOf(changes);
        judged = List.copyOf(judged);
    }

    Running judged(CareEvent.RanIn e) {
        Optional<Double> sum = weighed ? Optional.of(changes.stream().mapToDouble(d -> d).sum()) : Optional.empty();
        return new Running(changes, weighed, Grown.by(judged, new RunIn.Judged(sum, changes.size(), e.travels(), e.nmm(), e.feel())), band);
    }

    Running changed(CareEvent.GreaseChanged e) {
        return new Running(Grown.by(changes, e.mg().orElse(0.0)), weighed && e.mg().isPresent(), judged, band);
    }

    Running wanting(RunIn.Band wanted) {
        return new Running(changes, weighed, judged, Optional.of(wanted));
    }

    /// Greased anew.
    Running anew() {
        return new Running(List.of(), true, List.of(), band);
    }

    /// What to do next; nothing before it was judged.
    /// @param laidMg what was laid first, where it was weighed
    /// @param fullMg what fills the gap, where the thread was measured
    public Optional<RunIn> next(Optional<Double> laidMg, Optional<Double> fullMg) {
        List<RunIn.Judged> all = judged.stream().map(j -> new RunIn.Judged(j.doseMg().flatMap(d -> laidMg.map(l -> l + d)).filter(d -> d > 0), j.changes(), j.travels(), j.nmm(), j.feel())).toList();
        return all.isEmpty() ? Optional.empty() : Optional.of(RunIn.of(all, band, fullMg));
    }
}
