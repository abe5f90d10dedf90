package stillglass.ticket.facts;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// How large a thread is: what grease it takes follows from that.
/// @param diameterMm across
/// @param engagedMm length over which both threads meet when closed
/// @param slopMm play along the axis, degreased, where it was measured
public record ThreadSize(double diameterMm, double engagedMm, Optional<Double> slopMm) implements Fact.Logged {
    private static final double MOST_SLOP_MM = 1;

    public ThreadSize {
        Limits.positive(diameterMm, "diameter of a thread in mm");
        Limits.positive(engagedMm, "engaged length in mm");
        slopMm.ifPresent(s -> Limits.positive(s, "slop in mm"));
        if (slopMm.filter(s -> s > MOST_SLOP_MM).isPresent()) {
            throw new IllegalArgumentException("a slop of " + slopMm.get() + " mm is no thread's: give less than " + MOST_SLOP_MM);
        }
    }

    @Override
    public String about() {
        return "thread size";
    }

    @Override
    public Said said() {
        Said size = Said.of("fact.thread-size", "diameter", diameterMm, "engaged", engagedMm);
        return slopMm.map(s -> Said.of("fact.thread-size.slop", "size", size, "slop", s)).orElse(size);
    }

    /// The last that was noted.
    public static Optional<ThreadSize> of(List<Fact> record) {
        return record.stream().filter(ThreadSize.class::isInstance).map(ThreadSize.class::cast).reduce((a, b) -> b);
    }

    /// `thread 48 mm, 9 engaged, slop 0.08`.
    @AutoService(FactKind.class)
    public static final class Kind implements FactKind {
        @Override
        public String name() {
            return "thread-size";
        }

        @Override
        public Class<ThreadSize> type() {
            return ThreadSize.class;
        }

        @Override
        public List<Fact> hear(Cursor line, Hearing in) {
            int start = line.mark();
            Optional<Double> across = line.take("thread") ? line.lengthMm() : Optional.empty();
            line.take("across");
            line.separators();
            Optional<Double> engaged = across.isPresent() ? line.lengthMm() : Optional.empty();
            if (engaged.isPresent() && line.take("engaged")) {
                int before = line.mark();
                line.separators();
                Optional<Double> slop = line.takeOne(List.of("slop", "play")).isPresent() ? line.lengthMm() : Optional.empty();
                if (slop.isEmpty()) {
                    line.reset(before);
                }
                boolean possible = Limits.checked(line, across.get(), "diameter") && Limits.checked(line, engaged.get(), "engaged length") && slop.filter(s -> !(s > 0 && s <= MOST_SLOP_MM)).isEmpty();
                if (possible) {
                    return List.of(new ThreadSize(across.get(), engaged.get(), slop));
                }
            }
            line.reset(start);
            return List.of();
        }

        @Override
        public List<String> examples(Joint joint) {
            return joint.hold() instanceof Hold.Noted n && n.word().contains("thread") ? List.of("thread 48 mm, 9 engaged, slop 0.08") : List.of();
        }
    }
}
