package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// Where a thread let go, or where a ring's mark stood.
public record LetGo(ClockPosition at) implements Fact.OfPiece {
    /// Clock positions closer than this agree: what an eye reads off a dial.
    public static final double TOLERANCE_HOURS = 0.34;

    @Override
    public String about() {
        return "lets go";
    }

    @Override
    public Said said() {
        return Said.of("fact.lets-go", "at", at.toString());
    }

    @Override
    public Said question() {
        return Said.of("fact.lets-go.question");
    }

    @Override
    public Optional<ClockPosition> stands() {
        return Optional.of(at);
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        if (!(recorded instanceof LetGo then) || then.at.apartHours(at) <= TOLERANCE_HOURS) {
            return Verdict.agrees(this);
        }
        Said mistake = Said.of("fact.lets-go.wrong", "then", then.at.toString());
        Optional<ThreadSeen> thread = ThreadSeen.of(scene.joint(), scene.record());
        int starts = thread.flatMap(ThreadSeen::starts).orElse(0);
        if (starts > 1) {
            long entries = Math.max(1, Math.round(then.at.apartHours(at) / 12 * starts));
            return Verdict.differs(mistake, Said.of("fact.lets-go.wrong.entry", "entries", entries, "starts", starts, "mm", entries * thread.map(ThreadSeen::leadMm).orElse(0.0) / starts));
        }
        if (thread.isPresent() && starts == 0) {
            return Verdict.differs(mistake, Said.of("fact.lets-go.wrong.lead", "mm", then.at.apartHours(at) / 12 * thread.get().leadMm()));
        }
        return Verdict.differs(mistake, Said.of("fact.lets-go.wrong.other"));
    }

    /// `lets go 4`, `4:30`, `4.5 o'clock`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "lets-go";
        }

        @Override
        public Class<LetGo> type() {
            return LetGo.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            boolean named = line.takeOne(List.of("lets go", "let go", "takes hold")).isPresent();
            line.take("at");
            Optional<ClockPosition> at = named ? line.position() : line.clock();
            if (at.isEmpty()) {
                line.reset(start);
                return List.of();
            }
            return List.of(new LetGo(at.get()));
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hold() instanceof Hold.Thread || joint.hold() instanceof Hold.Bayonet || joint.hold() instanceof Hold.Noted ? List.of("lets go 4 o'clock") : List.of();
        }
    }
}
