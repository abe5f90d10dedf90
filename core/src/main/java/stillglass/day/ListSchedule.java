package stillglass.day;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
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
    private final boolean[] attended;
    private final boolean[] splits;
    private final boolean[] whole;
    private final int[][] apartFrom;
    private final int[] capacity;
    private final int horizon;
    private final BitSet staffed = new BitSet();
    /// Staffed minutes, one after the other, and how many have gone by every minute.
    private final int[] staffedMinute;
    private final int[] gone;
    private final int[] start;
    private final int[] end;
    private final int[] hands;
    private final int[][] used;
    /// Staffed minutes in which no hand is free, and minutes in which no more of a thing is: what looks for a time looks at these, sixty-four minutes at a glance.
    private final BitSet handsFull = new BitSet();
    private final BitSet[] full;
    /// Minutes in which no hand is free or nobody is there.
    private final BitSet taken = new BitSet();
    private final BitSet nobody = new BitSet();
    /// No task begins before.
    private final int[] floor;
    private final int[] minutes;
    /// Tasks by their place in the order that was gone through last.
    private final int[] inTurn;
    /// When a task begins in any case, or none.
    private final int[] pinned;
    /// Places in the order of tasks that wait for nothing any more and have no time yet.
    private final BitSet ready = new BitSet();
    private final int[] place;
    private final int[] waitsFor;
    private final int[][] next;
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
        attended = new boolean[n];
        splits = new boolean[n];
        whole = new boolean[n];
        for (int i = 0; i < n; i++) {
            int t = ticketOf.get(i);
            Day.Task k = tasks.get(i);
            before[i] = k.after().stream().mapToInt(a -> Optional.ofNullable(index.get(t + " " + a)).orElseThrow()).toArray();
            uses[i] = k.uses().stream().distinct().mapToInt(things::indexOf).toArray();
            attended[i] = k.attended();
            splits[i] = k.attended() && k.splits();
            whole[i] = day.within(k);
            apartFrom[i] = IntStream.range(0, n).filter(j -> day.apart(k, tasks.get(j))).toArray();
        }
        this.horizon = horizon;
        day.hours().forEach(h -> staffed.set(Math.min(h.from(), horizon), Math.min(h.to(), horizon)));
        nobody.set(0, horizon);
        nobody.andNot(staffed);
        staffedMinute = staffed.stream().toArray();
        gone = new int[horizon + 1];
        for (int m = 0; m < horizon; m++) {
            gone[m + 1] = gone[m] + (staffed.get(m) ? 1 : 0);
        }
        start = new int[n];
        end = new int[n];
        hands = new int[horizon];
        used = new int[things.size()][horizon];
        full = things.stream().map(u -> new BitSet()).toArray(BitSet[]::new);
        floor = new int[n];
        inTurn = IntStream.range(0, n).toArray();
        place = new int[n];
        waitsFor = new int[n];
        next = new int[n][];
        for (int i = 0; i < n; i++) {
            int one = i;
            next[i] = IntStream.range(0, n).filter(j -> Arrays.stream(before[j]).anyMatch(b -> b == one)).toArray();
        }
        minutes = tasks.stream().mapToInt(Day.Task::minutes).toArray();
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
        empty();
        for (int i = 0; i < n; i++) {
            if (pinned[i] != NONE) {
                take(i, pinned[i]);
            }
        }
        if (crowded) {
            return NO_PLAN;
        }
        sort(order);
        for (int at = 0; at < n; at++) {
            int i = inTurn[at];
            place[i] = at;
            waitsFor[i] = 0;
            for (int b : before[i]) {
                waitsFor[i] += start[b] == NONE ? 1 : 0;
            }
            ready.set(at, start[i] == NONE && waitsFor[i] == 0);
        }
        for (int at = ready.nextSetBit(0); at >= 0; at = ready.nextSetBit(0)) {
            int i = inTurn[at];
            int from = fit(i, earliest(i));
            if (from == NONE) {
                return NO_PLAN;
            }
            take(i, from);
            ready.clear(at);
            for (int j : next[i]) {
                waitsFor[j]--;
                if (waitsFor[j] == 0 && start[j] == NONE) {
                    ready.set(place[j]);
                }
            }
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

    private void empty() {
        Arrays.fill(start, NONE);
        crowded = false;
        Arrays.fill(hands, 0, laidTo, 0);
        handsFull.clear();
        taken.clear();
        taken.or(nobody);
        for (int u = 0; u < used.length; u++) {
            Arrays.fill(used[u], 0, laidTo, 0);
            full[u].clear();
        }
        laidTo = 0;
        ready.clear();
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

    private int earliest(int i) {
        int at = floor[i];
        for (int b : before[i]) {
            at = Math.max(at, end[b]);
        }
        return at;
    }

    /// The earliest start at which it fits.
    private int fit(int i, int earliest) {
        int from = attended[i] ? freeFrom(earliest) : earliest;
        while (from + minutes[i] <= horizon) {
            int clash = clash(i, from);
            if (clash == NONE) {
                return from;
            }
            from = attended[i] ? freeFrom(clash + 1) : clash + 1;
        }
        return NONE;
    }

    private int freeFrom(int minute) {
        return Math.min(horizon, taken.nextClearBit(Math.min(minute, horizon)));
    }

    /// When it is over that begins then; a pause breaks what may be broken, and it takes so much longer.
    private int over(int i, int from) {
        if (!splits[i] || from >= horizon) {
            return from + minutes[i];
        }
        int last = gone[from] + minutes[i] - 1;
        return last < staffedMinute.length ? staffedMinute[last] + 1 : horizon + last + 1 - staffedMinute.length;
    }

    /// The last minute known to clash when it begins then: whatever begins between goes over that minute as well. None when it fits.
    private int clash(int i, int from) {
        if (attended[i] && !staffed.get(from)) {
            return from;
        }
        int to = over(i, from);
        if (to > horizon) {
            return horizon;
        }
        int last = whole[i] ? within(nobody, from, to) : NONE;
        if (attended[i]) {
            last = Math.max(last, within(handsFull, from, to));
        }
        for (int u : uses[i]) {
            last = Math.max(last, within(full[u], from, to));
        }
        for (int j : apartFrom[i]) {
            if (start[j] != NONE && start[j] < to && from < end[j]) {
                last = Math.max(last, end[j] - 1);
            }
        }
        return last;
    }

    /// The last minute of a stretch that is one of these.
    private static int within(BitSet minutes, int from, int to) {
        int last = minutes.previousSetBit(to - 1);
        return last >= from ? last : NONE;
    }

    private void take(int i, int from) {
        int to = over(i, from);
        int shown = Math.min(to, horizon);
        if (splits[i]) {
            for (int at = gone[Math.min(from, horizon)]; at < staffedMinute.length && staffedMinute[at] < shown; at++) {
                hand(staffedMinute[at]);
            }
        } else if (attended[i]) {
            for (int m = from; m < shown; m++) {
                hand(m);
            }
        }
        for (int u : uses[i]) {
            for (int m = from; m < shown; m++) {
                used[u][m]++;
                crowded |= used[u][m] > capacity[u];
                full[u].set(m, used[u][m] >= capacity[u]);
            }
        }
        start[i] = from;
        end[i] = to;
        laidTo = Math.max(laidTo, shown);
    }

    private void hand(int minute) {
        hands[minute]++;
        crowded |= hands[minute] > day.hands();
        if (hands[minute] >= day.hands()) {
            handsFull.set(minute, staffed.get(minute));
            taken.set(minute);
        }
    }
}
