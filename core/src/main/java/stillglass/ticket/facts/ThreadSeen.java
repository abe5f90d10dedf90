package stillglass.ticket.facts;

import java.util.List;
import java.util.Optional;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;

/// What is known of a joint's thread: from its map, or from travel and turns that were noted. What nobody measured stays unknown.
///
/// @param leadMm travel of one turn
/// @param sigmaMm one standard deviation of the lead; 0 where the map gives it
/// @param starts threads side by side, where that is known
public record ThreadSeen(double leadMm, double sigmaMm, Optional<Integer> starts) {
    /// What turns are counted to by eye.
    private static final double SIGMA_TURNS = 0.06;

    /// @param record facts that stand on record of the joint
    public static Optional<ThreadSeen> of(Joint joint, List<Fact> record) {
        if (joint.hold() instanceof Hold.Thread t) {
            return Optional.of(new ThreadSeen(t.leadMm(), 0, Optional.of(t.starts())));
        }
        Optional<Travel> travel = record.stream().filter(Travel.class::isInstance).map(Travel.class::cast).reduce((a, b) -> b);
        Optional<Turns> turns = record.stream().filter(Turns.class::isInstance).map(Turns.class::cast).reduce((a, b) -> b);
        Optional<Integer> starts = record.stream().filter(Starts.class::isInstance).map(f -> ((Starts) f).count()).reduce((a, b) -> b);
        return travel.flatMap(d -> turns.map(n -> {
            double lead = d.mm() / n.turns();
            return new ThreadSeen(lead, lead * Math.hypot(Travel.SIGMA_MM / d.mm(), SIGMA_TURNS / n.turns()), starts);
        }));
    }
}
