package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// It would not open, and this was tried.
/// @param agent what was put on it, or done to it; empty while nothing was
/// @param waitMinutes how long that was left alone
public record Stuck(Optional<String> agent, Optional<Double> waitMinutes) implements Fact.Logged {
    public Stuck {
        waitMinutes.ifPresent(m -> Limits.positive(m, "waiting time in minutes"));
    }

    public Stuck(String agent, double waitMinutes) {
        this(Optional.of(agent), Optional.of(waitMinutes));
    }

    @Override
    public String about() {
        return "stuck";
    }

    @Override
    public boolean single() {
        return false;
    }

    @Override
    public Said said() {
        if (agent.isEmpty()) {
            return waitMinutes.map(m -> Said.of("fact.stuck.waited", "minutes", m)).orElse(Said.of("fact.stuck"));
        }
        return waitMinutes.map(m -> Said.of("fact.stuck.wait", "agent", agent.get(), "minutes", m)).orElse(Said.of("fact.stuck.agent", "agent", agent.get()));
    }

    @Override
    public Optional<Wait> waits(String joint) {
        Said label = agent.map(a -> Said.of("fact.stuck.label", "agent", a, "joint", joint)).orElse(Said.of("fact.stuck.label.bare", "joint", joint));
        return waitMinutes.map(m -> new Wait(label, m));
    }

    /// `stuck, naphtha, wait 10m`, `stuck, warm air`, `stuck`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "stuck";
        }

        @Override
        public Class<Stuck> type() {
            return Stuck.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            if (!line.take("stuck")) {
                return List.of();
            }
            line.separators();
            boolean waits = line.next("wait");
            Optional<String> agent = waits ? Optional.empty() : line.before("wait").or(line::clause);
            if (!line.take("wait")) {
                return List.of(new Stuck(agent, Optional.empty()));
            }
            Optional<Double> minutes = line.minutes();
            if (minutes.filter(m -> Limits.checked(line, m, "waiting time")).isEmpty()) {
                line.reset(start);
                return List.of();
            }
            return List.of(new Stuck(agent, minutes));
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hold() instanceof Hold.RetainingRing || joint.hold() instanceof Hold.Thread || joint.hold() instanceof Hold.Screws ? List.of("stuck, naphtha, wait 10m") : List.of();
        }
    }
}
