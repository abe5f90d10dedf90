package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// How far it was turned back from its seat.
public record BackedOff(double degrees) implements Fact {
    /// Turning back closer than this agrees.
    private static final double TOLERANCE_DEGREES = 5;
    private static final double WHOLE_TURN = 360;

    public BackedOff {
        Limits.positive(degrees, "turning back in degrees");
    }

    @Override
    public String about() {
        return "turned back";
    }

    @Override
    public Said said() {
        return Said.of("fact.back", "degrees", degrees);
    }

    @Override
    public Said question() {
        return Said.of("fact.back.question");
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        return !(recorded instanceof BackedOff then) || Limits.close(then.degrees, degrees, TOLERANCE_DEGREES) ? Verdict.agrees(this)
                : Verdict.differs(Said.of("fact.back.wrong", "then", then.said()), Said.of(degrees < then.degrees ? "fact.back.nearer" : "fact.back.further"));
    }

    /// `back 15`, `turned back 15°`, `back 1/4 turn`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "backed-off";
        }

        @Override
        public Class<BackedOff> type() {
            return BackedOff.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            if (line.takeOne(List.of("turned back", "turn back", "backed off", "back")).isEmpty()) {
                return List.of();
            }
            line.take("by");
            Optional<Double> degrees = line.degrees().or(() -> Amounts.turns(line).map(t -> t * WHOLE_TURN)).or(line::number);
            if (degrees.filter(d -> Limits.checked(line, d, "turning back")).isEmpty()) {
                line.reset(start);
                return List.of();
            }
            return List.of(new BackedOff(degrees.get()));
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hold() instanceof Hold.Thread t && t.starts() > 1 ? List.of("back 15°") : List.of();
        }
    }
}
