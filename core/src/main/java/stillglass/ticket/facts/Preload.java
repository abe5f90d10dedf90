package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// Turns of load on a spring.
public record Preload(double turns) implements Fact {
    public Preload {
        Limits.positive(turns, "preload in turns");
    }

    @Override
    public String about() {
        return "preload";
    }

    @Override
    public Said said() {
        return Said.of("fact.preload", "turns", turns);
    }

    @Override
    public Said question() {
        return Said.of("fact.preload.question");
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        return !(recorded instanceof Preload then) || Limits.close(then.turns, turns, Turns.TOLERANCE) ? Verdict.agrees(this)
                : Verdict.differs(Said.of("fact.preload.wrong", "then", then.turns), Said.of(turns < then.turns ? "fact.preload.less" : "fact.preload.more"));
    }

    /// `preload 1.5 turns`, `preload 2`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "preload";
        }

        @Override
        public Class<Preload> type() {
            return Preload.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            if (!line.take("preload") && !line.take("preloaded")) {
                return List.of();
            }
            Optional<Double> turns = Amounts.turns(line).or(line::amount);
            if (turns.filter(t -> Limits.checked(line, t, "preload")).isEmpty()) {
                line.reset(start);
                return List.of();
            }
            return List.of(new Preload(turns.get()));
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hold() instanceof Hold.Hook ? List.of("preload 1.5 turns") : List.of();
        }
    }
}
