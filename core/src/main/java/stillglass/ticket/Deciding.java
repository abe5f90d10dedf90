package stillglass.ticket;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import stillglass.ticket.agenda.AgendaIntent;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.care.CareIntent;
import stillglass.ticket.condition.ConditionIntent;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.glass.GlassDecisions;
import stillglass.ticket.glass.GlassIntent;
import stillglass.ticket.joints.JointDecisions;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.proof.Proof;
import stillglass.ticket.proof.ProofIntent;
import stillglass.ticket.readings.ReadingIntent;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Recorded;
import stillglass.ticket.story.Redo;
import stillglass.ticket.story.Undo;
import stillglass.ticket.story.Who;
import stillglass.ticket.story.World;
import stillglass.ticket.worth.WorthIntent;

/// Decides an act against a state: every intent by its subject, each seeing what those before it in the same act have done. One refusal refuses the whole.
public final class Deciding {
    private Deciding() {}

    /// @param worldAfter what else a decision may look at, for the state as it is when an intent's turn comes: joints that this act has found are in it
    public static Decision decide(TicketState state, Act act, Who who, Function<TicketState, World> worldAfter) {
        if (act.intents().isEmpty()) {
            return Decision.refused("act.nothing");
        }
        List<Event> events = new ArrayList<>();
        TicketState now = state;
        long number = state.history().nextAct();
        for (Intent intent : act.intents()) {
            switch (decide(now, intent, number, who, worldAfter.apply(now))) {
                case Decision.Refused r -> {
                    return r;
                }
                case Decision.Accepted a -> {
                    for (Event e : a.events()) {
                        events.add(e);
                        now = now.after(new Recorded(state.history().version() + events.size(), number, who.author(), who.bench(), Instant.EPOCH, e));
                    }
                }
            }
        }
        return new Decision.Accepted(events);
    }

    private static Decision decide(TicketState s, Intent intent, long act, Who who, World world) {
        if (!s.tag().begun() && !(intent instanceof ArrivalIntent.Begin)) {
            return Decision.refused("ticket.none");
        }
        return switch (intent) {
            case ArrivalIntent i -> s.arrival().decide(i);
            case ReadingIntent i -> s.readings().decide(i);
            case GlassIntent i -> GlassDecisions.decide(s.glass(), i, act, world);
            case ConditionIntent i -> s.condition().decide(i, world.instrument());
            case JointIntent i -> JointDecisions.decide(s.joints(), i, world);
            case CareIntent i -> s.care().decide(i, world);
            case CourseIntent i -> s.course().decide(i, s.joints(), Pending.of(s), world);
            case AgendaIntent i -> s.agenda().decide(i);
            case WorthIntent i -> s.worth().decide(i);
            case ProofIntent.Sign i when i.despite().isEmpty() && Wet.of(s).filter(w -> !w.proven()).isPresent() -> Decision.refused("sign.wet");
            case ProofIntent i -> Proof.decide(i, s.readings(), s.joints(), Pending.of(s), world);
            case Undo i -> s.history().decide(i, who);
            case Redo i -> s.history().decide(i, who);
            default -> throw new IllegalStateException(intent.getClass().getName() + " belongs to no subject");
        };
    }
}
