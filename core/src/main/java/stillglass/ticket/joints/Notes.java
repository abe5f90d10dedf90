package stillglass.ticket.joints;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Joint;
import stillglass.assembly.Point;
import stillglass.ticket.facts.Absent;
import stillglass.ticket.facts.Clocked;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.Lubricated;
import stillglass.ticket.facts.Photo;
import stillglass.ticket.facts.Scene;
import stillglass.ticket.facts.Verdict;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.World;

/// Decides what is noted of a joint, and holds what is stated against it.
public final class Notes {
    private Notes() {}

    static Decision note(Joints joints, JointIntent.Note n, World world) {
        if (world.instrument().joint(n.joint()).isEmpty()) {
            return Openings.noSuch(n.joint());
        }
        if (n.facts().isEmpty()) {
            return Decision.refused("note.nothing");
        }
        JointStory story = joints.story(n.joint());
        Optional<Fact> late = n.facts().stream().filter(f -> story.closed() && f.again() == Fact.Again.ASKED).findFirst();
        if (late.isPresent()) {
            return Decision.refused("note.closed", "joint", world.nameOf(n.joint()));
        }
        List<Event> events = new ArrayList<>();
        for (Fact f : n.facts()) {
            Optional<Occurrence> against = contradicted(story, f);
            if (against.isPresent() && f instanceof Absent) {
                return Decision.refused("note.contradicts", "joint", world.nameOf(n.joint()), "then", against.get().fact().said(), "now", f.said());
            }
            // Something turned up of which none had been seen.
            against.ifPresent(o -> events.add(new JointEvent.Withdrawn(n.joint(), o.seq())));
            events.add(new JointEvent.Noted(n.joint(), f));
        }
        return new Decision.Accepted(events);
    }

    private static Optional<Occurrence> contradicted(JointStory story, Fact f) {
        return story.noted().stream().filter(o -> o.fact().about().equals(f.about()) && o.fact() instanceof Absent != f instanceof Absent).findFirst();
    }

    static Decision correct(Joints joints, JointIntent.Correct c, World world) {
        Optional<Occurrence> was = joints.story(c.joint()).occurrence(c.occurrence());
        if (was.isEmpty()) {
            return Decision.refused("correct.none", "joint", world.nameOf(c.joint()));
        }
        return was.get().fact().equals(c.fact()) ? Decision.refused("correct.same", "fact", c.fact().said())
                : Decision.accepted(new JointEvent.Corrected(c.joint(), c.occurrence(), c.fact()));
    }

    static Decision withdraw(Joints joints, JointIntent.Withdraw w, World world) {
        return joints.story(w.joint()).occurrence(w.occurrence()).isEmpty() ? Decision.refused("correct.none", "joint", world.nameOf(w.joint()))
                : Decision.accepted(new JointEvent.Withdrawn(w.joint(), w.occurrence()));
    }

    static Decision state(Joints joints, JointIntent.State s, World world) {
        Optional<Joint> joint = world.instrument().joint(s.joint());
        JointStory story = joints.story(s.joint());
        if (joint.isEmpty() || !story.open()) {
            return Decision.refused("state.closed", "joint", world.nameOf(s.joint()));
        }
        Fact fact = s.fact();
        if (fact.again() == Fact.Again.RECALLED) {
            return Decision.accepted(new JointEvent.Noted(s.joint(), fact));
        }
        if (fact.move()) {
            Optional<Decision> early = early(story, fact);
            if (early.isPresent()) {
                return early.get();
            }
        }
        Optional<Occurrence> answered = answered(story, fact, joint.get(), world);
        Optional<Point> point = joint.get().close().points().stream().filter(p -> Lubricated.of(p).about().equals(fact.about())).findFirst();
        if (answered.isEmpty() && point.isPresent() && fact instanceof Lubricated said) {
            return laid(s, said, point.get());
        }
        if (answered.isEmpty()) {
            return fact instanceof Photo ? Decision.accepted(new JointEvent.Stated(s.joint(), fact, true, Optional.empty())) : nothing(story, fact, world);
        }
        return switch (verdict(fact, answered.get(), story, joint.get(), world)) {
            case Verdict.Agrees a -> Decision.accepted(new JointEvent.Stated(s.joint(), fact, true, Optional.of(answered.get().seq())));
            case Verdict.Differs d -> Decision.accepted(new JointEvent.Stated(s.joint(), fact, false, Optional.of(answered.get().seq())));
            case Verdict.Lacks l -> new Decision.Refused(l.what());
        };
    }

    /// What was done at a point the map names: with whatever it is laid on, paste is paste.
    private static Decision laid(JointIntent.State s, Lubricated said, Point point) {
        return said.wants() == point.wants() ? Decision.accepted(new JointEvent.Stated(s.joint(), said, true, Optional.empty()))
                : Decision.refused("state.point-wrong", "wants", Lubricated.of(point).said(), "why", point.why());
    }

    /// A move that was made after another goes back before it.
    private static Optional<Decision> early(JointStory story, Fact fact) {
        Optional<Fact.Move> next = story.waiting().stream().map(Occurrence::fact).filter(Fact.Move.class::isInstance).map(Fact.Move.class::cast).findFirst();
        return next.filter(n -> fact instanceof Fact.Move f && !n.what().equals(f.what())).map(n -> Decision.refused("state.early", "what", n.what()));
    }

    private static Decision nothing(JointStory story, Fact fact, World world) {
        String joint = world.nameOf(story.joint());
        if (fact instanceof Clocked) {
            return Decision.refused("state.no-photo", "joint", joint);
        }
        boolean all = story.noted().stream().anyMatch(o -> o.fact().about().equals(fact.about()));
        return Decision.refused(all ? "state.enough" : "state.nothing", "joint", joint, "fact", fact.said());
    }

    /// The occurrence a statement is about: of those that still wait one that agrees, else the first; when none waits, one that was stated wrongly or is stated again.
    private static Optional<Occurrence> answered(JointStory story, Fact fact, Joint joint, World world) {
        List<Occurrence> about = (fact instanceof Clocked ? story.noted() : story.waiting()).stream().filter(o -> o.fact().about().equals(fact.about())).toList();
        if (about.isEmpty()) {
            about = story.noted().stream().filter(o -> o.fact().about().equals(fact.about()) && o.fact().single()).toList();
        }
        if (fact.move() || fact instanceof Clocked) {
            return fact.move() ? about.stream().findFirst() : about.stream().reduce((a, b) -> b);
        }
        Optional<Occurrence> agrees = about.stream().filter(o -> verdict(fact, o, story, joint, world) instanceof Verdict.Agrees).findFirst();
        return agrees.isPresent() ? agrees : about.stream().findFirst();
    }

    /// How a statement compares with what was recorded.
    public static Verdict verdict(Fact stated, Occurrence recorded, JointStory story, Joint joint, World world) {
        if (recorded.fact() instanceof Absent && !(stated instanceof Absent)) {
            return Absent.but(stated);
        }
        return stated.against(recorded.fact(), new Scene(world.instrument(), joint, story.facts()));
    }

    /// The verdict on a statement of a closing, worded anew from the record; a statement whose occurrence is gone agrees with nothing.
    public static Verdict verdict(Statement statement, JointStory story, Joint joint, World world) {
        return statement.answers().flatMap(story::occurrence).map(o -> verdict(statement.fact(), o, story, joint, world))
                .orElseGet(() -> statement.fact() instanceof Photo p ? p.against(p, new Scene(world.instrument(), joint, story.facts())) : Verdict.agrees(statement.fact()));
    }
}
