package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// Something was turned to where the next thing could pass.
public record Moved(String what, ClockPosition to) implements Fact.Move {
    @Override
    public Said said() {
        return Said.of("fact.moved", "what", what, "to", to.toString());
    }

    @Override
    public Said question() {
        return Said.of("fact.moved.question", "what", what);
    }

    @Override
    public Optional<ClockPosition> stands() {
        return Optional.of(to);
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        return !(recorded instanceof Moved then) || then.to.apartHours(to) <= LetGo.TOLERANCE_HOURS ? Verdict.agrees(this)
                : Verdict.differs(Said.of("fact.moved.wrong", "what", what, "then", then.to.toString()), Said.of("fact.moved.wrong.does"));
    }

    /// `move cam to 4`, `turn cam barrel to 4:30`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "moved";
        }

        @Override
        public Class<Moved> type() {
            return Moved.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            if (line.takeOne(List.of("move", "moved", "turn", "turned")).isEmpty()) {
                return List.of();
            }
            line.take("the");
            Optional<String> what = line.until("to");
            Optional<ClockPosition> to = what.isPresent() && line.take("to") ? line.position() : Optional.empty();
            if (to.isEmpty()) {
                line.reset(start);
                return List.of();
            }
            return List.of(new Moved(what.get().toLowerCase(Locale.ROOT), to.get()));
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hold() instanceof Hold.Seat ? List.of("move cam to 4 o'clock") : List.of();
        }
    }
}
