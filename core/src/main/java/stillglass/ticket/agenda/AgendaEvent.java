package stillglass.ticket.agenda;

import java.time.Instant;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Named;

/// When the work is done. Kept as it comes, when it can be.
public sealed interface AgendaEvent extends Event, AgendaIntent {
    /// A task of this ticket, as the day names it: `close`, `soak 2`.
    String task();

    /// @param at when it is to begin
    @Named("task-fixed")
    record TaskFixed(String task, Instant at) implements AgendaEvent {}

    /// It may begin whenever it fits.
    @Named("task-freed")
    record TaskFreed(String task) implements AgendaEvent {}

    /// @param minutes the technician says it takes, all of it
    @Named("task-takes")
    record TaskTakes(String task, double minutes) implements AgendaEvent {
        private static final double MOST = 60 * 24 * 30.0;

        public TaskTakes {
            if (!possible(minutes)) {
                throw new IllegalArgumentException("a task of " + minutes + " minutes is out of range: give more than 0 and at most thirty days");
            }
        }

        /// Whether anything takes so long.
        public static boolean possible(double minutes) {
            return minutes > 0 && minutes <= MOST;
        }
    }
}
