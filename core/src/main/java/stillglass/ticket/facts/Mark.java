package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.ClockPosition;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// A mark across two parts, made before they were parted; asked for when they meet again. An old one that somebody else left is shown and not asked for.
///
/// @param name the part it is on, or what it marks
/// @param other the part on which it goes on, where that was said
/// @param at where on the first
/// @param otherAt where on the other, where that is another place
/// @param strokes how many; 0 when nobody said
/// @param medium with what, where that was said
/// @param ours whether it was made on this bench
public record Mark(String name, Optional<String> other, Optional<ClockPosition> at, Optional<ClockPosition> otherAt, int strokes, Optional<String> medium, boolean ours) implements Fact.OfPiece {
    public static final int MOST_STROKES = 20;

    public Mark {
        if (strokes < 0 || strokes > MOST_STROKES) {
            throw new IllegalArgumentException(strokes + " strokes: give 0 to " + MOST_STROKES);
        }
    }

    /// One of which only the name and the place are known.
    public Mark(String name, Optional<ClockPosition> at) {
        this(name, Optional.empty(), at, Optional.empty(), 0, Optional.empty(), true);
    }

    @Override
    public String about() {
        return "mark " + name;
    }

    @Override
    public Again again() {
        return ours ? Again.ASKED : Again.RECALLED;
    }

    @Override
    public Optional<ClockPosition> stands() {
        return at;
    }

    @Override
    public Said said() {
        Said on = other.map(o -> Said.of("fact.mark.across", "name", name, "other", o)).orElse(Said.of("fact.mark", "name", name));
        List<Said> all = new ArrayList<>(List.of(ours ? on : Said.of("fact.mark.old", "mark", on)));
        if (strokes > 0) {
            all.add(Said.of("fact.mark.strokes", "count", strokes));
        }
        at.ifPresent(a -> all.add(otherAt.map(b -> Said.of("fact.mark.at.both", "at", a.toString(), "other", b.toString())).orElse(Said.of("fact.mark.at", "at", a.toString()))));
        medium.ifPresent(m -> all.add(Said.text(m)));
        return all.size() == 1 ? all.getFirst() : Said.commas(all);
    }

    @Override
    public Said question() {
        return Said.of("fact.mark.question", "name", name);
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        return Verdict.agrees(this);
    }

    /// Marks are heard with a word of their own, which says for which joint they are.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "mark";
        }

        @Override
        public Class<Mark> type() {
            return Mark.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            return List.of();
        }
    }
}
