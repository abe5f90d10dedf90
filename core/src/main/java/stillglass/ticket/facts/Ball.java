package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// A click or bearing ball that was caught.
/// @param diameterMm empty while nobody has measured it
public record Ball(Optional<Double> diameterMm) implements Fact.Thing {
    /// Diameters closer than this agree.
    private static final double TOLERANCE_MM = 0.05;

    public Ball {
        diameterMm.ifPresent(mm -> Limits.positive(mm, "ball diameter in mm"));
    }

    public Ball(double diameterMm) {
        this(Optional.of(diameterMm));
    }

    @Override
    public String about() {
        return "ball";
    }

    @Override
    public Said said() {
        return diameterMm.map(mm -> Said.of("fact.ball", "mm", mm)).orElse(Said.of("fact.ball.unmeasured"));
    }

    @Override
    public Said question() {
        return Said.of("fact.ball.question");
    }

    @Override
    public Verdict against(Fact recorded, Scene scene) {
        if (!(recorded instanceof Ball then) || then.diameterMm.isEmpty()) {
            return Verdict.agrees(this);
        }
        if (diameterMm.isEmpty()) {
            return new Verdict.Lacks(Said.of("fact.ball.lacks"));
        }
        return Limits.close(then.diameterMm.get(), diameterMm.get(), TOLERANCE_MM) ? Verdict.agrees(this)
                : Verdict.differs(Said.of("fact.ball.wrong", "then", then.said()), Said.of("fact.ball.wrong.does"));
    }

    /// `ball 1.0`, `2 balls 1 mm`, `ball`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        private static final int MOST = 100;

        @Override
        public String name() {
            return "ball";
        }

        @Override
        public Class<Ball> type() {
            return Ball.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            int count = line.count().filter(n -> n > 0 && n <= MOST).orElse(1);
            if (!line.take("balls") && !line.take("ball")) {
                line.reset(start);
                return List.of();
            }
            int before = line.mark();
            Optional<Double> mm = line.lengthMm();
            if (mm.filter(v -> !Limits.checked(line, v, "ball diameter")).isPresent()) {
                line.reset(before);
                mm = Optional.empty();
            }
            return Collections.nCopies(count, new Ball(mm));
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hazards().contains(Joint.Hazard.CLICK_BALL) ? List.of("ball 1.0") : List.of();
        }

        @Override
        public Said together(List<Fact> facts) {
            return facts.size() > 1 && facts.stream().distinct().count() == 1 ? Said.of("fact.times", "count", facts.size(), "fact", facts.getFirst().said())
                    : FactKind.super.together(facts);
        }
    }
}
