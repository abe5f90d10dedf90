package stillglass.day;

import java.util.List;

/// When everything is done.
///
/// @param slots by when they begin
/// @param lateness weighted minutes past due of all tickets
/// @param finish when the last task ends
/// @param idle minutes within hours in which a hand has nothing to do before its last task
/// @param latenessBound no plan is less late than this
/// @param seconds it took
public record DayPlan(List<Slot> slots, long lateness, int finish, int idle, long latenessBound, double seconds) {
    /// A task in its time.
    public record Slot(String ticket, String task, int start, int end) {}

    public DayPlan {
        slots = List.copyOf(slots);
    }
}
