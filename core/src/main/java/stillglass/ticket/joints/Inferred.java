package stillglass.ticket.joints;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.facts.Alternation;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.Screw;
import stillglass.ticket.facts.ThreadSeen;
import stillglass.ticket.story.World;

/// What follows from what was said of a joint: the lead of its thread, how deep its holes are at least, which of its screws hold what, before it is off the fewest marks it needs, and what earlier jobs met or had otherwise. Each with how sure it is.
public final class Inferred {
    /// Half width of an interval that holds 95 of a hundred, in standard deviations.
    private static final double WIDE = 1.96;

    private Inferred() {}

    public static List<Said> of(Joint joint, Joints joints, World world) {
        List<Fact> record = joints.facts(joint.id());
        List<Said> all = new ArrayList<>();
        if (!joints.story(joint.id()).everOpened()) {
            LeastMarks.of(joint, joints, world).ifPresent(l -> all.add(l.said(joint.name())));
        }
        if (record.isEmpty()) {
            all.addAll(world.seen().told(joint.id()));
        }
        if (world.seen() instanceof EarlierJobs earlier) {
            all.addAll(earlier.differences(joint, record, world));
        }
        if (joint.hold() instanceof Hold.Noted) {
            ThreadSeen.of(joint, record).ifPresent(t -> all.add(thread(t)));
            depth(record).ifPresent(mm -> all.add(Said.of("inferred.depth", "mm", mm)));
        }
        all.addAll(Alike.near(joint, joints, world));
        Alternation.of(record).flatMap(Alternation::said).ifPresent(all::add);
        return List.copyOf(all);
    }

    private static Said thread(ThreadSeen t) {
        double half = WIDE * t.sigmaMm();
        Said lead = Said.of("inferred.lead", "mm", t.leadMm(), "low", Math.max(0, t.leadMm() - half), "high", t.leadMm() + half);
        return t.starts().filter(n -> n > 1).map(n -> Said.of("inferred.entries", "lead", lead, "starts", n, "mm", t.leadMm() / n)).orElse(lead);
    }

    /// Every hole took its own screw; the shortest of several says what all of them take.
    private static OptionalDouble depth(List<Fact> record) {
        return record.stream().filter(f -> f instanceof Screw s && s.lengthMm().isPresent()).mapToDouble(f -> ((Screw) f).lengthMm().orElse(0.0)).min();
    }
}
