package stillglass.day;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

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

    static DayPlan of(Day day, List<Slot> slots, long bound, double seconds) {
        return new DayPlan(inOrder(slots), lateness(day, slots), finish(slots), idle(day, slots), bound, seconds);
    }

    /// Weighted.
    static long lateness(Day day, List<Slot> slots) {
        long late = 0;
        for (Day.Ticket t : day.tickets()) {
            int end = slots.stream().filter(s -> s.ticket.equals(t.id())).mapToInt(Slot::end).max().orElse(0);
            late += (long) t.weight() * Math.max(0, end - t.dueMin().orElse(Integer.MAX_VALUE));
        }
        return late;
    }

    static List<Slot> inOrder(List<Slot> slots) {
        return slots.stream().sorted(Comparator.comparingInt(Slot::start).thenComparing(Slot::ticket).thenComparing(Slot::task)).toList();
    }

    static int finish(List<Slot> slots) {
        return slots.stream().mapToInt(Slot::end).max().orElse(0);
    }

    static int idle(Day day, List<Slot> slots) {
        int last = 0;
        int attended = 0;
        for (Slot s : slots) {
            Optional<Day.Task> task = day.task(s.ticket, s.task).filter(Day.Task::attended);
            if (task.isPresent()) {
                last = Math.max(last, s.end);
                attended += task.get().minutes();
            }
        }
        int until = last;
        int there = day.hours().stream().mapToInt(h -> Math.max(0, Math.min(h.to(), until) - h.from())).sum();
        return Math.max(0, day.hands() * there - attended);
    }

    /// When a ticket is through; nothing where it has nothing to be done.
    public OptionalInt end(String ticket) {
        return slots.stream().filter(s -> s.ticket.equals(ticket)).mapToInt(Slot::end).max();
    }
}
