package stillglass.app.condition;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.say.Said;
import stillglass.ticket.condition.Condition;
import stillglass.ticket.condition.ConditionEvent.FlawFound;
import stillglass.ticket.condition.Extent;
import stillglass.ticket.condition.Flaw;
import stillglass.ticket.condition.Place;
import stillglass.ticket.story.Phase;

/// What the page shows.
///
/// @param rows every place of an instrument of this sort, in the order of looking
public record ConditionModel(List<Row> rows) {
    /// @param sound somebody looked there and found nothing
    /// @param flaws what is looked for there
    /// @param caution before it is touched, empty for none
    /// @param sheets what was measured there and what to do about it
    public record Row(Place place, String name, boolean sound, List<Mark> flaws, String caution, List<Sheet> sheets) {
        public Row {
            sheets = List.copyOf(sheets);
            flaws = List.copyOf(flaws);
        }

        /// What is there.
        public List<Mark> found() {
            return flaws.stream().filter(Mark::there).toList();
        }
    }

    /// @param there whether it is there
    /// @param extent 1 to 4; empty where it is not there or nobody said how far
    /// @param more count, note, and what became of it; empty for none
    public record Mark(Flaw flaw, String name, boolean there, OptionalInt extent, String more) {}

    /// @param name in short
    /// @param lines the first says what to do
    public record Sheet(String name, List<String> lines) {
        public Sheet {
            lines = List.copyOf(lines);
        }
    }

    public ConditionModel {
        rows = List.copyOf(rows);
    }

    public static ConditionModel of(Work work) {
        Condition c = work.state().condition();
        return new ConditionModel(Place.of(work.instrument().sort()).stream()
                .map(p -> new Row(p, Words.capital(Words.say(p.said())), c.sound(Phase.BEFORE, p), p.flaws().stream().map(f -> mark(c, p, f)).toList(), p.caution().map(Words::say).orElse(""), p == Place.COVERING ? coverings(c) : List.of())).toList());
    }

    private static List<Sheet> coverings(Condition c) {
        return c.bumps().keySet().stream().map(b -> new Sheet(Words.say(c.judged(b).inShort(b)), c.bump(b).stream().map(Words::say).toList())).toList();
    }

    private static Mark mark(Condition c, Place place, Flaw flaw) {
        Optional<FlawFound> before = c.said(Phase.BEFORE, place, flaw).filter(FlawFound::there);
        String more = before.map(f -> f.count().map(n -> "× " + n).orElse("") + (f.note().isEmpty() ? "" : (f.count().isPresent() ? ", " : "") + f.note())).orElse("");
        Optional<String> after = c.said(Phase.AFTER, place, flaw).map(f -> Words.of("condition.after", Words.say(f.extent().map(Extent::said).orElse(Said.text("?")))));
        return new Mark(flaw, Words.say(flaw.said()), before.isPresent(), before.flatMap(FlawFound::extent).map(e -> OptionalInt.of(e.ordinal())).orElse(OptionalInt.empty()),
                after.map(a -> more.isEmpty() ? a : more + " " + a).orElse(more));
    }
}
