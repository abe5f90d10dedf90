package stillglass.ticket.joints;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.facts.Ball;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.Scene;
import stillglass.ticket.facts.Screw;
import stillglass.ticket.facts.SmallItem;
import stillglass.ticket.facts.Spring;
import stillglass.ticket.facts.Verdict;
import stillglass.ticket.story.World;

/// Small things on one tray that could be taken for one another: said while they come off, and where one probably belongs when it turns up elsewhere.
public final class Alike {
    /// Lengths that differ by less are told apart by a caliper only, by more at a glance.
    private static final double GLANCE_MM = 2;
    private static final double GLANCE_SHARE = 0.3;

    private Alike() {}

    /// Things of other open joints that look like one of this and are not.
    static List<Said> near(Joint joint, Joints joints, World world) {
        List<Said> all = new ArrayList<>();
        for (String other : joints.openNow()) {
            if (!other.equals(joint.id())) {
                joints.facts(joint.id()).stream().flatMap(mine -> joints.facts(other).stream().filter(theirs -> mistaken(mine, theirs))
                        .map(theirs -> Said.of("alike.near", "mine", mine.said(), "theirs", theirs.said(), "joint", world.nameOf(other)))).findFirst().ifPresent(all::add);
            }
        }
        return List.copyOf(all);
    }

    private static boolean mistaken(Fact a, Fact b) {
        return switch (a) {
            case Screw s when b instanceof Screw o -> Objects.equals(s.drive(), o.drive()) && Objects.equals(s.head(), o.head()) && Objects.equals(s.finish(), o.finish())
                    && differ(s.lengthMm(), o.lengthMm(), Screw.LENGTH_TOLERANCE_MM, GLANCE_MM);
            case Spring s when b instanceof Spring o -> differ(s.wireMm(), o.wireMm()) || differ(s.diameterMm(), o.diameterMm()) || differ(s.lengthMm(), o.lengthMm());
            case Ball s when b instanceof Ball o -> differ(s.diameterMm(), o.diameterMm());
            case SmallItem s when b instanceof SmallItem o -> s.name().equals(o.name()) && differ(s.mm(), o.mm());
            default -> false;
        };
    }

    private static boolean differ(Optional<Double> a, Optional<Double> b) {
        return a.isPresent() && b.isPresent() && differ(a, b, 0.02, GLANCE_SHARE * Math.max(a.get(), b.get()));
    }

    private static boolean differ(Optional<Double> a, Optional<Double> b, double least, double most) {
        double off = a.isPresent() && b.isPresent() ? Math.abs(a.get() - b.get()) : 0;
        return off > least && off <= most;
    }

    /// Where a measured thing probably belongs: another joint that still waits for one that agrees with it.
    static Optional<Said> home(Fact stated, String but, Joints joints, World world) {
        return measured(stated) ? joints.openNow().stream().filter(id -> !id.equals(but))
                .flatMap(id -> world.instrument().joint(id).stream().flatMap(j -> waiting(stated, j, joints, world).map(o -> Said.of("alike.home", "joint", j.name(), "then", o.fact().said()))))
                .findFirst() : Optional.empty();
    }

    private static Stream<Occurrence> waiting(Fact stated, Joint other, Joints joints, World world) {
        JointStory story = joints.story(other.id());
        return story.waiting().stream().filter(o -> o.fact().getClass() == stated.getClass() && measured(o.fact())
                && stated.against(o.fact(), new Scene(world.instrument(), other, story.facts())) instanceof Verdict.Agrees);
    }

    private static boolean measured(Fact f) {
        return switch (f) {
            case Screw s -> s.lengthMm().isPresent();
            case Spring s -> s.wireMm().isPresent() || s.diameterMm().isPresent() || s.lengthMm().isPresent();
            case SmallItem s -> s.mm().isPresent();
            case Ball b -> b.diameterMm().isPresent();
            default -> false;
        };
    }
}
