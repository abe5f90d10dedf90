package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// How far something moved along its thread until it let go. With the turns it took it tells the lead.
public record Travel(double mm) implements Fact.Logged {
    /// What a caliper held beside a ring tells to.
    static final double SIGMA_MM = 0.1;

    public Travel {
        Limits.positive(mm, "travel in mm");
    }

    @Override
    public String about() {
        return "travel";
    }

    @Override
    public Said said() {
        return Said.of("fact.travel", "mm", mm);
    }

    /// `travel 6.2 mm`, `travels 6.2`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "travel";
        }

        @Override
        public Class<Travel> type() {
            return Travel.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            Optional<Double> mm = line.take("travel") || line.take("travels") ? line.lengthMm() : Optional.empty();
            if (mm.filter(v -> Limits.checked(line, v, "travel")).isPresent()) {
                return List.of(new Travel(mm.get()));
            }
            line.reset(start);
            return List.of();
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hold() instanceof Hold.Noted n && n.word().contains("thread") ? List.of("travel 6.2 mm") : List.of();
        }
    }
}
