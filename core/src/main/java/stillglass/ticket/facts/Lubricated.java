package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.assembly.Point;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// A point that takes something that slides, or must stay dry: a lever's pivot, a cam, blades.
///
/// @param point what it is called
/// @param wants what belongs there
/// @param with the agent by its name, where somebody said it
public record Lubricated(String point, Point.Wants wants, Optional<String> with) implements Fact {
    private static final int LONGEST = 80;

    public Lubricated {
        if (point.isBlank() || point.length() > LONGEST) {
            throw new IllegalArgumentException("a point called “" + point + "”: give it a name of at most " + LONGEST + " letters");
        }
    }

    /// What a map wants at a point, as it is said when it is done.
    public static Lubricated of(Point point) {
        return new Lubricated(point.name(), point.wants(), point.with());
    }

    @Override
    public String about() {
        return "point " + point.toLowerCase(Locale.ROOT);
    }

    @Override
    public Said said() {
        Said what = Said.of("fact.point." + wants.word(), "point", point);
        return with.map(w -> Said.of("fact.point.with", "what", what, "with", w)).orElse(what);
    }

    @Override
    public Said question() {
        return Said.of("fact.point.question", "point", point);
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        if (!(recorded instanceof Lubricated then) || then.wants == wants) {
            return Verdict.agrees(this);
        }
        return Verdict.differs(Said.of(then.wants == Point.Wants.DRY ? "fact.point.wrong.dry" : "fact.point.wrong", "then", then.said()), Said.of(then.wants == Point.Wants.DRY ? "fact.point.wipe" : "fact.point.instead", "then", then.said()));
    }

    /// `paste at cocking lever with moly`, `oil at pivots`, `grease at cam`, `dry at blades`.
    @AutoService(FactKind.class)
    public static final class OfPoint implements FactKind {
        @Override
        public String name() {
            return "lubricated";
        }

        @Override
        public Class<Lubricated> type() {
            return Lubricated.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            Optional<Point.Wants> kind = line.takeOne(Arrays.stream(Point.Wants.values()).map(Point.Wants::word).toList()).map(w -> Point.Wants.valueOf(w.toUpperCase(Locale.ROOT)));
            if (kind.isEmpty() || line.takeOne(List.of("at", "on")).isEmpty()) {
                line.reset(start);
                return List.of();
            }
            line.take("the");
            Optional<String> point = line.until("with").filter(p -> p.length() <= LONGEST);
            if (point.isEmpty()) {
                line.reset(start);
                return List.of();
            }
            Optional<String> with = line.take("with") ? line.clause() : Optional.empty();
            return List.of(new Lubricated(point.get(), kind.get(), with));
        }

        @Override
        public List<String> examples(Joint joint) {
            // A thread is asked for other things first.
            return joint.hold() instanceof Hold.Thread ? List.of() : List.of("paste at cocking lever with ", "dry at blades");
        }
    }
}
