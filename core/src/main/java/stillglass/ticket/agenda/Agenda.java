package stillglass.ticket.agenda;

import java.time.Instant;
import java.util.Arrays;
import java.util.Map;
import stillglass.day.Chore;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Grown;

/// What somebody has said about when the work is done. Immutable.
///
/// @param fixed when tasks are to begin
/// @param takes minutes they are said to take
public record Agenda(Map<String, Instant> fixed, Map<String, Double> takes) {
    /// Nobody has said anything.
    public static final Agenda NONE = new Agenda(Map.of(), Map.of());

    public Agenda {
        fixed = Grown.kept(fixed);
        takes = Grown.kept(takes);
    }

    /// The state after one more event.
    public Agenda after(AgendaEvent happened) {
        return switch (happened) {
            case AgendaEvent.TaskFixed e -> new Agenda(Grown.by(fixed, e.task(), e.at()), takes);
            case AgendaEvent.TaskFreed e -> new Agenda(Grown.less(fixed, e.task()), takes);
            case AgendaEvent.TaskTakes e -> new Agenda(fixed, Grown.by(takes, e.task(), e.minutes()));
        };
    }

    /// Decides an intent: an event, or a refusal that says what to do instead.
    public Decision decide(AgendaIntent intent) {
        return switch (intent) {
            case AgendaEvent e when Chore.of(e.task()).isEmpty() -> Decision.refused("task.none", "task", e.task(), "tasks", Arrays.stream(Chore.values()).map(Chore::said).toList());
            case AgendaEvent.TaskFreed e when !fixed.containsKey(e.task()) -> Decision.refused("task.free");
            case AgendaEvent e -> Decision.accepted(e);
        };
    }
}
