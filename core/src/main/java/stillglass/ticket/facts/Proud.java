package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// How far a ring stood proud of its seat; negative below.
public record Proud(double mm) implements Fact {
    /// Heights closer than this agree.
    public static final double TOLERANCE_MM = 0.08;
    private static final double MOST_MM = 50;

    public Proud {
        if (!(Math.abs(mm) < MOST_MM)) {
            throw new IllegalArgumentException(mm + " mm proud is out of range: give less than 50 mm");
        }
    }

    @Override
    public String about() {
        return "proud";
    }

    @Override
    public Said said() {
        return mm == 0 ? Said.of("fact.flush") : Said.of(mm < 0 ? "fact.below" : "fact.proud", "mm", Math.abs(mm));
    }

    @Override
    public Said question() {
        return Said.of("fact.proud.question");
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        return !(recorded instanceof Proud then) || Limits.close(then.mm, mm, TOLERANCE_MM) ? Verdict.agrees(this)
                : Verdict.differs(Said.of("fact.proud.wrong", "then", then.said()), Said.of("fact.proud.wrong.does"));
    }

    /// `proud 0.3`, `0.2 mm below`, `flush`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "proud";
        }

        @Override
        public Class<Proud> type() {
            return Proud.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            if (line.take("flush")) {
                return List.of(new Proud(0));
            }
            Optional<Double> mm = line.take("proud") ? line.lengthMm() : line.take("below") ? line.lengthMm().map(v -> -v) : after(line);
            if (mm.filter(v -> Math.abs(v) < MOST_MM).isPresent()) {
                return List.of(new Proud(mm.get()));
            }
            mm.ifPresent(v -> line.object(Said.of("fact.proud.range", "mm", Math.abs(v), "most", MOST_MM)));
            line.reset(start);
            return List.of();
        }

        private static Optional<Double> after(Cursor line) {
            Optional<Double> mm = line.lengthMm();
            return mm.isEmpty() ? mm : line.take("proud") ? mm : line.take("below") ? mm.map(v -> -v) : Optional.empty();
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hold() instanceof Hold.RetainingRing || joint.hold() instanceof Hold.Noted ? List.of("proud 0.3") : List.of();
        }
    }
}
