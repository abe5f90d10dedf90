package stillglass.day;

import java.util.List;
import java.util.Optional;
import stillglass.say.Said;

/// Whether a task can begin at a time somebody wants, and if not, why.
public final class Fixing {
    private static final double SECONDS = 0.05;

    private Fixing() {}

    /// @param startMin minutes from now
    /// @return why not; nothing where it may be tried with all the rest
    public static Optional<Said> refused(Day day, String ticket, String task, int startMin) {
        Day.Task k = day.task(ticket, task).orElseThrow(() -> new IllegalArgumentException("ticket “" + ticket + "” has no task “" + task + "”"));
        if (startMin < 0) {
            return Optional.of(Said.of("fix.past"));
        }
        Optional<Day.Span> hours = day.hours().stream().filter(h -> h.from() <= startMin && startMin < h.to()).findFirst();
        if (hours.isEmpty() && (k.attended() || day.within(k))) {
            return Optional.of(Said.of("fix.nobody"));
        }
        if (day.within(k) && hours.filter(h -> startMin + k.minutes() <= h.to()).isEmpty()) {
            return Optional.of(Said.of(k.attended() ? "fix.short" : "fix.alone", "minutes", k.minutes(), "left", hours.map(h -> h.to() - startMin).orElse(0)));
        }
        return waits(day, ticket, k, startMin).or(() -> clash(day, ticket, k, startMin));
    }

    /// What comes before it cannot be done by then, were its ticket the only one.
    private static Optional<Said> waits(Day day, String ticket, Day.Task k, int startMin) {
        Day.Ticket own = day.tickets().stream().filter(t -> t.id().equals(ticket)).findFirst().orElseThrow();
        List<Day.Task> rest = own.tasks().stream().filter(o -> before(own, o.id(), k.id())).toList();
        if (rest.isEmpty()) {
            return Optional.empty();
        }
        Optional<DayPlan> alone = DaySolver.quick(day.with(List.of(new Day.Ticket(own.id(), own.dueMin(), own.weight(), rest))), SECONDS);
        if (alone.isEmpty()) {
            return Optional.of(Said.of("fix.never", "task", name(rest.getLast().id())));
        }
        return alone.get().slots().stream().filter(s -> k.after().contains(s.task()) && s.end() > startMin).max((a, b) -> Integer.compare(a.end(), b.end()))
                .map(s -> Said.of("fix.waits", "task", name(s.task()), "minutes", s.end() - startMin));
    }

    /// Whether a task is done before another one begins, near or far.
    private static boolean before(Day.Ticket t, String earlier, String later) {
        return t.tasks().stream().filter(k -> k.id().equals(later)).flatMap(k -> k.after().stream()).anyMatch(a -> a.equals(earlier) || before(t, earlier, a));
    }

    /// Other tasks that have their time fixed.
    private static Optional<Said> clash(Day day, String ticket, Day.Task k, int startMin) {
        int end = end(day, k, startMin);
        int hands = k.attended() ? 1 : 0;
        for (Day.Ticket t : day.tickets()) {
            for (Day.Task o : t.tasks()) {
                boolean same = t.id().equals(ticket) && o.id().equals(k.id());
                boolean meets = o.startMin().filter(s -> s < end && startMin < end(day, o, s)).isPresent();
                if (same || !meets) {
                    continue;
                }
                if (day.apart(k, o)) {
                    return Optional.of(Said.of("fix.apart", "ticket", t.id(), "task", name(o.id())));
                }
                if (o.uses().stream().anyMatch(u -> k.uses().contains(u) && day.resources().getOrDefault(u, 0) == 1)) {
                    return Optional.of(Said.of("fix.taken", "ticket", t.id(), "task", name(o.id())));
                }
                hands += k.attended() && o.attended() && day.hours().stream().anyMatch(h -> Math.max(h.from(), Math.max(startMin, o.startMin().orElse(0))) < Math.min(h.to(), Math.min(end, end(day, o, o.startMin().orElse(0))))) ? 1 : 0;
                if (hands > day.hands()) {
                    return Optional.of(Said.of("fix.hands", "ticket", t.id(), "task", name(o.id())));
                }
            }
        }
        return Optional.empty();
    }

    /// When a task ends that begins then, pauses it is broken by included.
    private static int end(Day day, Day.Task k, int startMin) {
        if (!k.attended() || !k.splits()) {
            return startMin + k.minutes();
        }
        int left = k.minutes();
        int end = startMin;
        for (Day.Span h : day.hours()) {
            int there = Math.max(0, h.to() - Math.max(h.from(), startMin));
            if (there > 0 && left > 0) {
                end = Math.max(h.from(), startMin) + Math.min(left, there);
                left -= Math.min(left, there);
            }
        }
        return end + left;
    }

    /// A task in words, with its number where a ticket has several.
    public static Said name(String task) {
        String number = task.contains(" ") ? task.substring(task.indexOf(' ') + 1) : "";
        return Chore.of(task).map(c -> number.isEmpty() || number.equals("0") ? c.said() : Said.of("chore.numbered", "chore", c.said(), "number", number)).orElse(Said.text(task));
    }
}
