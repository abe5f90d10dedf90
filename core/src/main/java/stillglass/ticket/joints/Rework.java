package stillglass.ticket.joints;

import java.util.List;
import java.util.Optional;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.look.Progress;
import stillglass.plan.Goal;
import stillglass.plan.PlanCost;
import stillglass.plan.WayIn;

/// What to do about a function that failed: what may be to blame, and the shortest way back to the likeliest from what is open now.
///
/// @param suspects likeliest first
/// @param way joints to open again in order, the likeliest last; empty when none is suspected or trouble bars the way
public record Rework(Trial failed, List<Suspects.Suspect> suspects, List<Joint> way) {
    public Rework {
        suspects = List.copyOf(suspects);
        way = List.copyOf(way);
    }

    /// @return nothing when no function failed, or what failed is being looked after
    /// @throws java.util.concurrent.CancellationException when `progress` asks to stop
    public static Optional<Rework> of(Joints joints, Instrument instrument, Progress progress) {
        return Suspects.failure(joints, instrument).map(failed -> {
            List<Suspects.Suspect> suspects = Suspects.of(joints, instrument, failed);
            List<Joint> way = suspects.stream().findFirst().flatMap(s -> way(List.of(s.joint()), joints, instrument, progress)).orElse(List.of());
            return new Rework(failed, suspects, way);
        });
    }

    /// The shortest way from what is open now until some joints are.
    /// @return nothing where trouble bars it
    /// @throws java.util.concurrent.CancellationException when `progress` asks to stop
    public static Optional<List<Joint>> way(List<Joint> to, Joints joints, Instrument instrument, Progress progress) {
        return WayIn.plan(new WayIn.Request(instrument, to.stream().<Goal>map(j -> new Goal.OpenJoint(j.id())).toList(), joints.openNow(), joints.references().keySet(), joints.barred(),
                WayIn.Hand.after(instrument, joints.order()), PlanCost.USUAL), progress).map(WayIn.Plan::joints);
    }
}
