package stillglass.ticket.joints;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.say.Said;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Overruled;
import stillglass.ticket.story.World;

/// Decides what comes off: in turn, with its references marked, or as it happened.
public final class Openings {
    private static final Pattern FASTENERS = Pattern.compile("\\b(screws?|nuts?|bolts?|rivets?|pins?)$", Pattern.CASE_INSENSITIVE);

    private Openings() {}

    static Decision open(Joints joints, JointIntent.Open o, World world) {
        Optional<Joint> found = world.instrument().joint(o.joint());
        if (found.isEmpty()) {
            return noSuch(o.joint());
        }
        Joint joint = found.get();
        if (joints.story(joint.id()).open()) {
            return joints.story(joint.id()).refitted().isPresent() ? Decision.refused("open.on-for-now", "joint", joint.name()) : Decision.refused("open.already", "joint", joint.name());
        }
        Optional<Said> waits = waitsFor(joint, reachable(joints), world);
        if (waits.isPresent() && !o.anyway()) {
            return Decision.refused("open.waits", "joint", joint.name(), "others", waits.get());
        }
        Set<String> lost = new LinkedHashSet<>(joint.loses().stream().sorted().toList());
        lost.removeAll(joints.references().keySet());
        if (!lost.isEmpty() && !o.anyway()) {
            String name = world.instrument().reference(lost.iterator().next()).map(Instrument.Reference::name).orElse("");
            return Decision.refused("open.mark-first", "joint", joint.name(), "reference", name);
        }
        List<Event> events = new ArrayList<>();
        events.add(new JointEvent.Opened(joint.id(), waits.isPresent()));
        lost.forEach(l -> events.add(new Overruled(Said.of("overruled.unmarked", "joint", joint.name(),
                "reference", world.instrument().reference(l).map(Instrument.Reference::name).orElse(l)), "")));
        return new Decision.Accepted(events);
    }

    /// Joints that are open and not covered again for a moment.
    static Set<String> reachable(Joints joints) {
        Set<String> open = new LinkedHashSet<>(joints.openNow());
        open.removeAll(joints.refitted().keySet());
        return open;
    }

    /// What still bars the way to a joint.
    /// @param open joints that are open
    public static Optional<Said> waitsFor(Joint joint, Set<String> open, World world) {
        List<Object> first = new ArrayList<>(joint.behind().all().stream().filter(id -> !open.contains(id)).sorted().map(world::nameOf).toList());
        joint.behind().oneOf().stream().filter(s -> s.stream().noneMatch(open::contains)).forEach(s -> first.add(Said.or(s.stream().sorted().map(world::nameOf).toList())));
        return first.isEmpty() ? Optional.empty() : Optional.of(Said.and(first));
    }

    static Decision find(Joints joints, JointIntent.Find f, World world) {
        String id = LearnedMap.id(f.name());
        if (id.isEmpty()) {
            return Decision.refused("find.name");
        }
        if (world.instrument().joint(id).isPresent()) {
            return Decision.refused("find.on-map", "joint", world.nameOf(id));
        }
        List<Event> events = new ArrayList<>();
        events.add(new JointEvent.Found(id, f.name().strip(), f.hold(), f.side(), f.tool(), f.parts().isEmpty() ? freed(f.name().strip()) : f.parts()));
        events.add(f.off() ? new JointEvent.Opened(id, false) : new JointEvent.Tried(id));
        return new Decision.Accepted(events);
    }

    /// What comes free with a joint of which only the name is known: the thing of that name, unless it is only what holds others.
    private static List<String> freed(String name) {
        return FASTENERS.matcher(name).find() ? List.of() : List.of(name);
    }

    static Decision take(Joints joints, JointIntent.Try t, World world) {
        return world.instrument().joint(t.joint()).isEmpty() ? noSuch(t.joint())
                : joints.story(t.joint()).open() ? Decision.refused("open.already", "joint", world.nameOf(t.joint())) : Decision.accepted(new JointEvent.Tried(t.joint()));
    }

    /// A joint that is put back for a moment, to hold a reference, while opening or closing.
    static Decision refit(Joints joints, JointIntent.Refit r, World world) {
        JointStory story = joints.story(r.joint());
        if (!story.open()) {
            return Decision.refused("refit.closed", "joint", world.nameOf(r.joint()));
        }
        if (story.refitted().isPresent()) {
            return Decision.refused("refit.already", "joint", world.nameOf(r.joint()));
        }
        return r.during().filter(d -> world.instrument().joint(d).isEmpty()).map(Openings::noSuch).orElse(Decision.accepted(new JointEvent.Refitted(r.joint(), r.during())));
    }

    static Decision takeOff(Joints joints, JointIntent.TakeOff t, World world) {
        return joints.story(t.joint()).refitted().isPresent() ? Decision.accepted(new JointEvent.TakenOff(t.joint()))
                : Decision.refused("take-off.not-on", "joint", world.nameOf(t.joint()));
    }

    static Decision keepReference(Joints joints, JointIntent.KeepReference k, World world) {
        if (world.instrument().reference(k.reference()).isEmpty()) {
            return Decision.refused("reference.none", "reference", k.reference());
        }
        Optional<Joint> gone = world.instrument().joints().stream().filter(j -> j.loses().contains(k.reference()) && joints.story(j.id()).open()).findFirst();
        return gone.map(j -> Decision.refused("reference.late", "joint", j.name())).orElse(Decision.accepted(new JointEvent.ReferenceKept(k.reference(), k.how(), k.at())));
    }

    static Decision mark(JointIntent.Mark m, World world) {
        if (m.mark().name().isBlank()) {
            return Decision.refused("mark.name");
        }
        return m.before().filter(b -> world.instrument().joint(b).isEmpty()).map(Openings::noSuch)
                .orElse(Decision.accepted(JointEvent.MarkMade.of(m.mark(), m.before())));
    }

    static Decision noSuch(String joint) {
        return Decision.refused("joint.none", "joint", joint);
    }
}
