package stillglass.ticket;

import stillglass.ticket.agenda.Agenda;
import stillglass.ticket.agenda.AgendaEvent;
import stillglass.ticket.arrival.Arrival;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.care.Care;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.condition.Condition;
import stillglass.ticket.condition.ConditionEvent;
import stillglass.ticket.course.Course;
import stillglass.ticket.course.CourseEvent;
import stillglass.ticket.glass.Glass;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.joints.JointEvent;
import stillglass.ticket.joints.Joints;
import stillglass.ticket.proof.Proof;
import stillglass.ticket.proof.ProofEvent;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.History;
import stillglass.ticket.story.Overruled;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Recorded;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undone;
import stillglass.ticket.worth.Worth;
import stillglass.ticket.worth.WorthEvent;

/// Everything known about a ticket, a record for each subject it speaks of. Immutable; made by a [Story].
public record TicketState(Arrival arrival, Readings readings, Glass glass, Condition condition, Joints joints, Care care, Course course, Agenda agenda, Worth worth, Proof proof, History history) {
    /// Nothing has begun.
    public static final TicketState NONE =
            new TicketState(Arrival.NONE, Readings.NONE, Glass.NONE, Condition.NONE, Joints.NONE, Care.NONE, Course.NONE, Agenda.NONE, Worth.NONE, Proof.NONE, History.NONE);

    /// The state after one more event; the history is kept by the story.
    TicketState after(Recorded row) {
        Event event = row.event();
        return switch (event) {
            case ArrivalEvent e -> new TicketState(arrival.after(e), readings, glass, condition, joints, care, course, agenda, worth, proof, history);
            case ReadingEvent e -> new TicketState(arrival, readings.after(row, e), glass, condition, joints, care, course, agenda, worth, proof, history);
            case GlassEvent e -> new TicketState(arrival, readings, glass.after(row, e), condition, joints, care, course, agenda, worth, proof, history);
            case ConditionEvent e -> new TicketState(arrival, readings, glass, condition.after(e), joints, care, course, agenda, worth, proof, history);
            case JointEvent e -> new TicketState(arrival, readings, glass, condition, joints.after(row, e), e instanceof JointEvent.Greased g ? care.greasedAnew(g.joint()) : care, course, agenda, worth, proof, history);
            case CareEvent e -> new TicketState(arrival, readings, glass, condition, joints, care.after(e), course, agenda, worth, proof, history);
            case CourseEvent e -> new TicketState(arrival, readings, glass, condition, joints, care, course.after(row, e), agenda, worth, proof, history);
            case AgendaEvent e -> new TicketState(arrival, readings, glass, condition, joints, care, course, agenda.after(e), worth, proof, history);
            case WorthEvent e -> new TicketState(arrival, readings, glass, condition, joints, care, course, agenda, worth.after(e), proof, history);
            case Overruled e -> new TicketState(arrival, readings, glass, condition, joints, care, course.after(e), agenda, worth, proof, history);
            case ProofEvent e -> new TicketState(arrival, readings, glass, condition, joints, care, course, agenda, worth, proof.after(row, e), history);
            case Undone e -> this;
            default -> throw new IllegalStateException(event.getClass().getName() + " belongs to no subject");
        };
    }

    TicketState with(History happened) {
        return new TicketState(arrival, readings, glass, condition, joints, care, course, agenda, worth, proof, happened);
    }

    public Tag tag() {
        return arrival.tag();
    }

    /// Whether a stage was called done and nothing has been opened since that it had closed.
    public boolean done(Stage stage) {
        Long when = course.done().get(stage);
        boolean reopened = (stage == Stage.CLOSE || stage == Stage.PROVE) && when != null && when < joints.lastOpened();
        return when != null && !reopened;
    }

    /// Whether a stage has been begun: anything of its own was recorded.
    public boolean begun(Stage stage) {
        return switch (stage) {
            case ARRIVE -> tag().begun();
            case LOOK -> !glass.photos().isEmpty() || !condition.told().isEmpty();
            case DECIDE -> !course.goals().isEmpty();
            case OPEN -> joints.opening();
            case CLEAN -> !care.cleaned().isEmpty();
            case CLOSE -> joints.closing();
            case PROVE -> readings.infinity(Phase.AFTER).isPresent() || !proof.signatures().isEmpty();
        };
    }
}
