package stillglass.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;

/// The rebuild: what was opened, backwards, with the exceptions that catch people.
public final class WayBack {
    private WayBack() {}

    /// One step of the rebuild.
    public sealed interface Step {
        Joint joint();

        /// Close it for good.
        record Close(Joint joint) implements Step {}

        /// Bring it home but leave it loose until `until` is done.
        record LeaveLoose(Joint joint, Joint until) implements Step {}

        /// Tighten what was left loose.
        record Tighten(Joint joint) implements Step {}
    }

    /// Closing order for the joints that are still open.
    /// @param opened joint ids in the order they were really opened
    /// @param closed those closed again
    /// @param loose those closed but still loose
    public static List<Step> order(Instrument instrument, List<String> opened, Set<String> closed, Set<String> loose) {
        List<Step> steps = new ArrayList<>();
        List<Joint> waiting = new ArrayList<>();
        loose.stream().sorted().forEach(id -> instrument.joint(id).ifPresent(waiting::add));
        for (String id : opened.reversed()) {
            if (closed.contains(id)) {
                continue;
            }
            Joint joint = instrument.joint(id).orElseThrow();
            boolean untilIsOpen = joint.close().looseUntil()
                    .filter(until -> opened.contains(until) && !closed.contains(until))
                    .isPresent();
            if (untilIsOpen) {
                Joint until = instrument.joint(joint.close().looseUntil().orElseThrow()).orElseThrow();
                steps.add(new Step.LeaveLoose(joint, until));
                waiting.add(joint);
            } else {
                steps.add(new Step.Close(joint));
            }
            tightenAfter(id, waiting, steps);
        }
        waiting.forEach(j -> steps.add(new Step.Tighten(j)));
        return steps;
    }

    private static void tightenAfter(String id, List<Joint> waiting, List<Step> steps) {
        for (Joint j : List.copyOf(waiting)) {
            if (j.close().looseUntil().filter(id::equals).isPresent()) {
                steps.add(new Step.Tighten(j));
                waiting.remove(j);
            }
        }
    }
}
