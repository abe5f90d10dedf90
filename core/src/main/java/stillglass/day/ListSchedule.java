package stillglass.day;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/// The plan that takes tasks up in an order, each as early as it fits (serial schedule generation).
///
/// Reference: R. Kolisch, *European Journal of Operational Research* 90 (1996), for the scheme.
final class ListSchedule {
    private static final int NONE = -1;
    static final Value NO_PLAN = new Value(Long.MAX_VALUE, Integer.MAX_VALUE);

    private final Day day;
    private final List<Day.Task> tasks = new ArrayList<>();
    private final List<Integer> ticketOf = new ArrayList<>();
    private final int[][] before;
    private final int[][] uses;
    private final int[][] apartFrom;
    private final int[] capacity;
    private final boolean[] staffed;
    private final int[] start;
    private final int[] end;
    private final int[] hands;
    private final int[][] used;
    /// No task begins before.
    private final int[] floor;
    private final int[] minutes;
    /// Tasks by their place in the order that was gone through last.
    private final int[] inTurn;
    /// When a task begins in any case, or none.
    private final int[] pinned;
    /// For every minute the next one, itself included, at which somebody is there with a free hand; found by following it to a minute that names itself, shortened on the way.
    private final int[] free;
    private final int[] staffedFrom;
    /// Up to here hands and things may be taken from the last time.
    private int laidTo;
    /// Whether what has its time fixed takes more hands or things than there are.
    private boolean crowded;

    ListSchedule(Day day, int horizon) {
        this.day = day;
        Map<String, Integer> index = new HashMap<>();
        for (int t = 0; t < day.tickets().size(); t++) {
            for (Day.Task k : Day.order(day.tickets().get(t))) {
                index.put(t + " " + k.id(), tasks.size());
                tasks.add(k);
                ticketOf.add(t);
            }
        }
        List<String> things = List.copyOf(day.resources().keySet());
        capacity = things.stream().mapToInt(u -> day.resources().getOrDefault(u, 0)).toArray();
        int n = tasks.size();
        before = new int[n][];
        uses = new int[n][];
        apartFrom = new int[n][];
        for (int i = 0; i < n; i++) {
            int t = ticketOf.get(i);
            Day.Task k = tasks.get(i);
            before[i] = k.after().stream().mapToInt(a -> Optional.ofNullable(index.get(t + " " + a)).orElseThrow()).toArray();
            uses[i] = k.uses().stream().distinct().mapToInt(things::indexOf).toArray();
            apartFrom[i] = IntStream.range(0, n).filter(j -> day.apart(k, tasks.get(j))).toArray();
        }
        staffed = new boolean[horizon];
        day.hours().forEach(h -> Arrays.fill(staffed, Math.min(h.from(), horizon), Math.min(h.to(), horizon), true));
        start = new int[n];
        end = new int[n];
        hands = new int[horizon];
        used = new int[things.size()][horizon];
        floor = new int[n];
        inTurn = IntStream.range(0, n).toArray();
        minutes = tasks.stream().mapToInt(Day.Task::minutes).toArray();
        staffedFrom = new int[horizon + 1];
        for (int m = 0; m <= horizon; m++) {
            staffedFrom[m] = m < horizon && !staffed[m] ? m + 1 : m;
        }
        free = staffedFrom.clone();
        pinned = tasks.stream().mapToInt(k -> k.startMin().orElse(NONE)).toArray();
    }

    /// As they are numbered here: each after those it waits for.
    List<Day.Task> tasks() {
        return tasks;
    }

    /// Index of the ticket of a task.
    int ticketOf(int task) {
        return ticketOf.get(task);
    }

    /// Tasks a task waits for.
    int[] before(int task) {
        return before[task];
    }

    /// How good a plan is: lateness, then its finish.
    record Value(long lateness, int finish) {
        boolean better(Value other) {
            return lateness < other.lateness || lateness == other.lateness && finish < other.finish;
        }
    }

    /// What a task is when a day is gone through another time.
    interface Otherwise {
        /// What begins earlier comes first.
        int begins(String ticket, Day.Task task);

        int minutes(String ticket, Day.Task task);
    }

    /// The plan that takes tasks up in an order, each as early as it fits, and not before the time it is fixed to; what goes on already begins when it began.
    /// @return nothing where they do not all fit
    Optional<List<DayPlan.Slot>> inOrder(Otherwise other) {
        double[] order = new double[tasks.size()];
        for (int i = 0; i < order.length; i++) {
            Day.Task k = tasks.get(i);
            String ticket = day.tickets().get(ticketOf.get(i)).id();
            order[i] = other.begins(ticket, k);
            minutes[i] = other.minutes(ticket, k);
            floor[i] = k.startMin().orElse(0);
            pinned[i] = k.goesOn() ? 0 : NONE;
        }
        return slots(value(order));
    }

    /// What was laid out last.
    /// @param v how good that is
    Optional<List<DayPlan.Slot>> slots(Value v) {
        if (v.lateness == Long.MAX_VALUE) {
            return Optional.empty();
        }
        List<DayPlan.Slot> all = new ArrayList<>();
        for (int i = 0; i < start.length; i++) {
            all.add(new DayPlan.Slot(day.tickets().get(ticketOf.get(i)).id(), tasks.get(i).id(), start[i], end[i]));
        }
        return Optional.of(all);
    }

    /// How good the plan is that takes tasks up in an order, each as early as it fits. What it laid out stands until the next.
    /// @param order a number for each task, in the order of [#tasks()]: the least first
    Value value(double[] order) {
        int n = tasks.size();
        Arrays.fill(start, NONE);
        crowded = false;
        System.arraycopy(staffedFrom, 0, free, 0, free.length);
        int upTo = laidTo;
        Arrays.fill(hands, 0, upTo, 0);
        Arrays.stream(used).forEach(u -> Arrays.fill(u, 0, upTo, 0));
        laidTo = 0;
        for (int i = 0; i < n; i++) {
            if (pinned[i] != NONE) {
                take(i, pinned[i]);
            }
        }
        if (crowded) {
            return NO_PLAN;
        }
        sort(order);
        int first = 0;
        while (first < n) {
            if (start[inTurn[first]] != NONE) {
                first++;
                continue;
            }
            int next = NONE;
            for (int at = first; at < n && next == NONE; at++) {
                int i = inTurn[at];
                next = start[i] == NONE && ready(i) ? i : NONE;
            }
            if (next == NONE) {
                break;
            }
            int from = fit(next, earliest(next));
            if (from == NONE) {
                return NO_PLAN;
            }
            take(next, from);
        }
        long late = 0;
        int finish = 0;
        int[] ends = new int[day.tickets().size()];
        for (int i = 0; i < n; i++) {
            if (start[i] < earliest(i)) {
                return NO_PLAN;
            }
            ends[ticketOf.get(i)] = Math.max(ends[ticketOf.get(i)], end[i]);
            finish = Math.max(finish, end[i]);
        }
        for (int t = 0; t < ends.length; t++) {
            Day.Ticket ticket = day.tickets().get(t);
            late += (long) ticket.weight() * Math.max(0, ends[t] - ticket.dueMin().orElse(Integer.MAX_VALUE));
        }
        return new Value(late, finish);
    }

    /// Tasks by their place in an order; from one order to the next little changes, so that little is moved.
    private void sort(double[] order) {
        for (int at = 1; at < inTurn.length; at++) {
            int i = inTurn[at];
            int to = at;
            while (to > 0 && (order[inTurn[to - 1]] > order[i] || order[inTurn[to - 1]] == order[i] && inTurn[to - 1] > i)) {
                inTurn[to] = inTurn[to - 1];
                to--;
            }
            inTurn[to] = i;
        }
    }

    /// Whether all it waits for has its time.
    private boolean ready(int i) {
        for (int b : before[i]) {
            if (start[b] == NONE) {
                return false;
            }
        }
        return true;
    }

    private int earliest(int i) {
        int at = floor[i];
        for (int b : before[i]) {
            at = Math.max(at, end[b]);
        }
        return at;
    }

    /// The earliest start at which it fits.
    private int fit(int i, int earliest) {
        boolean attended = tasks.get(i).attended();
        int from = attended ? freeFrom(earliest) : earliest;
        while (from + minutes[i] <= staffed.length) {
            int clash = clash(i, from);
            if (clash == NONE) {
                return from;
            }
            from = attended ? freeFrom(clash + 1) : clash + 1;
        }
        return NONE;
    }

    private int freeFrom(int minute) {
        int at = Math.min(minute, free.length - 1);
        while (free[at] != at) {
            free[at] = free[free[at]];
            at = free[at];
        }
        return at;
    }

    /// The last minute known to clash when it begins then; none when it fits.
    private int clash(int i, int from) {
        Day.Task k = tasks.get(i);
        boolean within = day.within(k);
        int left = minutes[i];
        int m = from;
        if (k.attended() && !staffed[from]) {
            return from;
        }
        for (; left > 0; m++) {
            if (m >= staffed.length) {
                return m;
            }
            boolean there = staffed[m];
            boolean works = there || !k.attended() || !k.splits();
            if (within && !there || works && k.attended() && hands[m] >= day.hands()) {
                return m;
            }
            for (int u : uses[i]) {
                if (used[u][m] >= capacity[u]) {
                    return m;
                }
            }
            left -= works ? 1 : 0;
        }
        for (int j : apartFrom[i]) {
            if (start[j] != NONE && start[j] < m && from < end[j]) {
                return end[j] - 1;
            }
        }
        return NONE;
    }

    private void take(int i, int from) {
        Day.Task k = tasks.get(i);
        int left = minutes[i];
        int m = from;
        for (; left > 0 && m < staffed.length; m++) {
            boolean works = staffed[m] || !k.attended() || !k.splits();
            if (works && k.attended()) {
                hands[m]++;
                crowded |= hands[m] > day.hands();
                if (hands[m] >= day.hands()) {
                    free[m] = m + 1;
                }
            }
            for (int u : uses[i]) {
                used[u][m]++;
                crowded |= used[u][m] > capacity[u];
            }
            left -= works ? 1 : 0;
        }
        start[i] = from;
        end[i] = m + left;
        laidTo = Math.max(laidTo, m);
    }
}
