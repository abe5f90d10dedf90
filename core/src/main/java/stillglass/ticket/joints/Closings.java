package stillglass.ticket.joints;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Point;
import stillglass.plan.Cover;
import stillglass.plan.WayBack;
import stillglass.say.Said;
import stillglass.ticket.facts.Clocked;
import stillglass.ticket.facts.Lubricated;
import stillglass.ticket.facts.Verdict;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Overruled;
import stillglass.ticket.story.World;

/// Decides whether a joint may be closed: nothing is buried, what was recorded was seen again and agrees, and what must be done before it is done.
public final class Closings {
    private Closings() {}

    /// What carries a step of the rebuild out.
    public static JointIntent intent(WayBack.Step step) {
        String id = step.joint().id();
        return switch (step) {
            case WayBack.Step.Close c -> new JointIntent.Close(id, false, Optional.empty());
            case WayBack.Step.LeaveLoose l -> new JointIntent.Close(id, true, Optional.empty());
            case WayBack.Step.Tighten t -> new JointIntent.Tighten(id, Optional.empty());
            case WayBack.Step.Refit r -> new JointIntent.Refit(id, Optional.of(r.during().id()));
            case WayBack.Step.TakeOff t -> new JointIntent.TakeOff(id);
            case WayBack.Step.Zero z -> new JointIntent.Zero(id);
        };
    }

    /// What must be said or done before a joint may be closed, in order, without giving an answer away.
    public static List<Said> asks(Joints joints, Joint joint) {
        JointStory story = joints.story(joint.id());
        List<Said> all = new ArrayList<>(story.waiting().stream().map(o -> o.fact().question()).toList());
        due(joint, story).forEach(p -> all.add(Lubricated.of(p).question()));
        if (joint.close().setFirst().isPresent() && !story.closing().controlsSet()) {
            all.add(Said.of("ask.set", "controls", joint.close().setFirst().get()));
        }
        if (joint.close().greased() && story.closing().greased().isEmpty()) {
            all.add(Said.of("ask.grease", "joint", joint.name()));
        }
        return List.copyOf(all);
    }

    /// Points the map wants laid on, or dry, that were not said to be in this closing.
    public static List<Point> due(Joint joint, JointStory story) {
        return joint.close().points().stream().filter(p -> story.closing().statements().stream().noneMatch(s -> s.matches() && s.fact().about().equals(Lubricated.of(p).about()))).toList();
    }

    static Decision close(Joints joints, JointIntent.Close c, World world) {
        Optional<Joint> found = world.instrument().joint(c.joint());
        if (found.isEmpty() || !joints.story(c.joint()).open()) {
            return Decision.refused("close.not-open", "joint", world.nameOf(c.joint()));
        }
        Joint joint = found.get();
        Optional<Said> objection = objection(joints, joint, c.loose(), world);
        Optional<String> despite = c.despite().map(String::strip).filter(w -> !w.isEmpty());
        if (objection.isPresent() && despite.isEmpty()) {
            return new Decision.Refused(objection.get());
        }
        List<Event> events = new ArrayList<>();
        objection.ifPresent(o -> events.add(new Overruled(o, despite.orElse(""))));
        events.add(new JointEvent.Closed(joint.id(), c.loose()));
        return new Decision.Accepted(events);
    }

    /// What stands against closing a joint now; empty when nothing does.
    public static Optional<Said> objection(Joints joints, Joint joint, boolean loose, World world) {
        JointStory story = joints.story(joint.id());
        return looseUntil(joints, joint, loose, world)
                .or(() -> holdPoint(joints, joint, world))
                .or(() -> WayBack.hindrance(world.instrument(), joints.openNow(), joint))
                .or(() -> unseen(joints, story, joint, world))
                .or(() -> undone(joints, joint, world));
    }

    /// It stays loose until another joint is done.
    private static Optional<Said> looseUntil(Joints joints, Joint joint, boolean loose, World world) {
        return joint.close().looseUntil().filter(until -> !loose && joints.story(until).open())
                .map(until -> Said.of("close.loose-until", "joint", joint.name(), "until", world.nameOf(until)));
    }

    /// A function is tried before anything is closed over what it is tried on.
    private static Optional<Said> holdPoint(Joints joints, Joint joint, World world) {
        Cover cover = new Cover(world.instrument());
        Set<String> open = joints.openNow();
        return due(joints, world.instrument()).stream().filter(j -> cover.buries(joint.id(), j.id(), open)).findFirst()
                .map(j -> j.close().test().filter(t -> joints.trial(j.id()).filter(trial -> !trial.passed()).isPresent())
                        .map(t -> Said.of("close.test-failed", "test", t.what())).orElse(Said.of("close.test", "test", j.close().test().orElseThrow().what())));
    }

    /// Joints whose function can be tried now and was not, or failed: closed tight, and closed all that the trial needs.
    public static List<Joint> due(Joints joints, Instrument instrument) {
        return joints.order().stream().filter(id -> joints.story(id).closed() && !joints.story(id).loose() && !joints.passed(id)).flatMap(id -> instrument.joint(id).stream())
                .filter(j -> j.close().test().filter(t -> t.needs().stream().noneMatch(n -> joints.story(n).open() || joints.story(n).loose())).isPresent()).toList();
    }

    /// What was recorded and not seen again, or seen otherwise.
    private static Optional<Said> unseen(Joints joints, JointStory story, Joint joint, World world) {
        Set<Long> waiting = new LinkedHashSet<>(story.waiting().stream().map(Occurrence::seq).toList());
        Optional<Statement> wrong = story.wrong().stream().filter(s -> s.fact() instanceof Clocked || s.answers().filter(waiting::contains).isPresent()).reduce((a, b) -> b);
        if (wrong.isPresent() && !clockedRight(story, wrong.get())) {
            Said verdict = said(Notes.verdict(wrong.get(), story, joint, world));
            return Optional.of(Alike.home(wrong.get().fact(), joint.id(), joints, world).map(home -> Said.of("alike.wrong", "verdict", verdict, "home", home)).orElse(verdict));
        }
        return story.waiting().stream().findFirst().map(o -> Said.of("close.see", "question", o.fact().question()));
    }

    /// A later comparison by photo takes the place of an earlier one.
    private static boolean clockedRight(JointStory story, Statement wrong) {
        return wrong.fact() instanceof Clocked
                && story.closing().statements().stream().anyMatch(s -> s.fact() instanceof Clocked && s.matches() && s.seq() > wrong.seq());
    }

    /// A verdict in one breath.
    public static Said said(Verdict verdict) {
        return switch (verdict) {
            case Verdict.Agrees a -> a.said();
            case Verdict.Differs d -> Said.of("verdict.differs", "mistake", d.mistake(), "does", d.wouldDo());
            case Verdict.Lacks l -> l.what();
        };
    }

    private static Optional<Said> undone(Joints joints, Joint joint, World world) {
        JointStory story = joints.story(joint.id());
        if (joint.close().setFirst().isPresent() && !story.closing().controlsSet()) {
            return Optional.of(Said.of("close.set-first", "controls", joint.close().setFirst().get()));
        }
        Optional<Joint> held = joint.close().refit().flatMap(world.instrument()::joint)
                .filter(r -> joints.story(r.id()).open() && joints.story(r.id()).refitted().isEmpty());
        if (held.isPresent()) {
            return Optional.of(Said.of("close.refit-first", "other", held.get().name(), "joint", joint.name()));
        }
        Optional<Point> point = due(joint, story).stream().findFirst();
        if (point.isPresent()) {
            return Optional.of(Said.of("close.point-first", "point", Lubricated.of(point.get()).said(), "why", point.get().why()));
        }
        return joint.close().greased() && story.closing().greased().isEmpty() ? Optional.of(Said.of("close.grease-first", "joint", joint.name())) : Optional.empty();
    }

    static Decision tighten(Joints joints, JointIntent.Tighten t, World world) {
        if (!joints.story(t.joint()).loose()) {
            return Decision.refused("tighten.not-loose", "joint", world.nameOf(t.joint()));
        }
        Optional<Said> early = world.instrument().joint(t.joint()).flatMap(j -> looseUntil(joints, j, false, world));
        Optional<String> despite = t.despite().map(String::strip).filter(w -> !w.isEmpty());
        if (early.isPresent() && despite.isEmpty()) {
            return new Decision.Refused(early.get());
        }
        List<Event> events = new ArrayList<>();
        early.ifPresent(e -> events.add(new Overruled(e, despite.orElse(""))));
        events.add(new JointEvent.Tightened(t.joint()));
        return new Decision.Accepted(events);
    }

    static Decision setControls(Joints joints, JointIntent.SetControls s, World world) {
        return world.instrument().joint(s.joint()).filter(j -> j.close().setFirst().isPresent() && joints.story(j.id()).open()).isPresent()
                ? Decision.accepted(new JointEvent.ControlsSet(s.joint())) : Decision.refused("set.nothing", "joint", world.nameOf(s.joint()));
    }

    static Decision zero(Joints joints, JointIntent.Zero z, World world) {
        if (!joints.openNow().isEmpty() || !joints.loose().isEmpty()) {
            return Decision.refused("zero.early");
        }
        return world.instrument().joint(z.joint()).filter(j -> j.close().zeroLast().isPresent()).isPresent() ? Decision.accepted(new JointEvent.Zeroed(z.joint()))
                : Decision.refused("zero.none", "joint", world.nameOf(z.joint()));
    }

    static Decision grease(Joints joints, JointIntent.Grease g, World world) {
        Optional<Joint> joint = world.instrument().joint(g.joint());
        if (joint.isEmpty()) {
            return Openings.noSuch(g.joint());
        }
        if (!joints.story(g.joint()).open()) {
            return Decision.refused("grease.closed", "joint", joint.get().name());
        }
        if (g.grease().isBlank()) {
            return Decision.refused("grease.which");
        }
        if (g.massMg().filter(mg -> !(mg > 0 && mg < 1e5)).isPresent()) {
            return Decision.refused("grease.range", "mg", g.massMg().get());
        }
        return joint.get().hold() instanceof Hold.Cement ? Decision.refused("grease.cement", "joint", joint.get().name())
                : Decision.accepted(new JointEvent.Greased(g.joint(), g.massMg(), g.grease().strip()));
    }

    /// A trial of a joint's function counts once it is closed and all is closed that the trial needs. A function that hangs on no joint can be tried at any time.
    static Decision test(Joints joints, JointIntent.Test t, World world) {
        if (t.function().isBlank()) {
            return Decision.refused("test.which");
        }
        if (!t.passed() && t.what().isBlank()) {
            return Decision.refused("test.how-failed");
        }
        if (t.joint().isEmpty()) {
            return Decision.accepted(new JointEvent.Tested(t.joint(), t.function().strip(), t.passed(), t.what().strip()));
        }
        String id = t.joint().get();
        Optional<Joint> joint = world.instrument().joint(id);
        if (joint.isEmpty()) {
            return Openings.noSuch(id);
        }
        if (joints.story(id).open() || joints.story(id).loose()) {
            return Decision.refused("test.open", "joint", joint.get().name());
        }
        Optional<String> needs = joint.get().close().test().stream().flatMap(x -> x.needs().stream()).sorted().filter(n -> joints.story(n).open() || joints.story(n).loose()).findFirst();
        return needs.map(n -> Decision.refused("test.needs", "other", world.nameOf(n)))
                .orElse(Decision.accepted(new JointEvent.Tested(t.joint(), t.function().strip(), t.passed(), t.what().strip())));
    }
}
