package stillglass.day;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;

/// A first plan for the solver to better: tasks in an order of urgency, each as early as it fits (serial schedule generation), the order changed a little again and again and kept where the plan is no worse.
///
/// Reference: R. Kolisch, *European Journal of Operational Research* 90 (1996), for the scheme.
final class ListSchedule {
    private static final int NONE = -1;
    private static final double NO_DAY = 1e6;
    private static final double A_TICKET_LATER = 1e4;
    private static final Value NO_PLAN = new Value(Long.MAX_VALUE, Integer.MAX_VALUE);
    /// How much worse an order may be, as a share, and still be gone on from; it falls to nothing (threshold accepting, G. Dueck and T. Scheuer, *Journal of Computational Physics* 90 (1990)).
    private static final double WARMTH = 0.02;
    private static final int ROUNDS = 8;

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

    /// How good a plan is: lateness, then its finish.
    private record Value(long lateness, int finish) {
        boolean better(Value other) {
            return lateness < other.lateness || lateness == other.lateness && finish < other.finish;
        }
    }

    /// The best plan found.
    /// @param seconds how long may be tried
    /// @param tries how many orders at most; with few of them the same day is planned in the same way again
    /// @param seed by which orders are changed
    /// @return nothing where not one was found
    Optional<List<DayPlan.Slot>> best(double seconds, int tries, long seed, BooleanSupplier stopped) {
        int n = tasks.size();
        if (n == 0) {
            return Optional.empty();
        }
        long began = System.nanoTime();
        SplittableRandom random = new SplittableRandom(seed);
        List<double[]> starts = List.of(urgency(), byHands());
        double[] bestOrder = starts.getFirst();
        Value best = NO_PLAN;
        int tried = 0;
        for (double[] s : starts) {
            Value v = value(s);
            tried++;
            // What is no less late by it is not worth leaving the days that were named for.
            if (best == NO_PLAN || v.lateness < best.lateness) {
                best = v;
                bestOrder = s;
            }
        }
        for (int round = 0; round < ROUNDS; round++) {
            // From either beginning, each once more, for the same one leads elsewhere; then from the best there is, ever less far from it.
            double[] order = round < 2 * starts.size() ? starts.get(round % starts.size()) : bestOrder;
            Value value = value(order);
            double warmth = WARMTH * (ROUNDS - round) / ROUNDS;
            double until = seconds * (round + 1) / ROUNDS;
            double from = seconds * round / ROUNDS;
            for (int upTo = tried + Math.max(1, (tries - tried) / (ROUNDS - round)); tried < upTo && best.lateness > 0 && !stopped.getAsBoolean(); tried++) {
                double now = (System.nanoTime() - began) / 1e9;
                if (now > until) {
                    break;
                }
                double[] other = changed(order, random);
                Value v = value(other);
                if (v.better(best)) {
                    best = v;
                    bestOrder = other;
                }
                double left = tries < Integer.MAX_VALUE ? 1 : Math.max(0, (until - now) / (until - from));
                if (v.lateness - value.lateness <= warmth * left * best.lateness) {
                    value = v;
                    order = other;
                }
            }
        }
        return slots(value(bestOrder));
    }

    /// An order a little otherwise.
    private double[] changed(double[] order, SplittableRandom random) {
        int n = order.length;
        double[] other = order.clone();
        int changes = 1 + random.nextInt(3);
        for (int c = 0; c < changes; c++) {
            switch (random.nextInt(7)) {
                case 6 -> exchange(other, random.nextInt(day.tickets().size()), random.nextInt(day.tickets().size()));
                case 0 -> {
                    // A whole ticket sooner or later.
                    int t = random.nextInt(day.tickets().size());
                    double by = random.nextGaussian() * 300;
                    for (int i = 0; i < n; i++) {
                        other[i] += ticketOf.get(i) == t ? by : 0;
                    }
                }
                case 1, 2 -> {
                    // Two tasks change places.
                    int i = random.nextInt(n);
                    int j = random.nextInt(n);
                    double was = other[i];
                    other[i] = other[j];
                    other[j] = was;
                }
                default -> other[random.nextInt(n)] += random.nextGaussian() * 200;
            }
        }
        return other;
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

    private Optional<List<DayPlan.Slot>> slots(Value v) {
        if (v.lateness == Long.MAX_VALUE) {
            return Optional.empty();
        }
        List<DayPlan.Slot> all = new ArrayList<>();
        for (int i = 0; i < start.length; i++) {
            all.add(new DayPlan.Slot(day.tickets().get(ticketOf.get(i)).id(), tasks.get(i).id(), start[i], end[i]));
        }
        return Optional.of(all);
    }

    /// Latest start that still meets the due time of its ticket, were it alone; heavier tickets sooner. Tickets without one come last, one after the other, so that none lies open longer than it must.
    private double[] urgency() {
        int n = tasks.size();
        double[] latest = new double[n];
        for (int i = n - 1; i >= 0; i--) {
            Day.Ticket t = day.tickets().get(ticketOf.get(i));
            double due = t.dueMin().map(d -> d - 60.0 * t.weight()).orElse(NO_DAY + ticketOf.get(i) * A_TICKET_LATER);
            for (int j = i + 1; j < n; j++) {
                for (int b : before[j]) {
                    due = b == i ? Math.min(due, latest[j]) : due;
                }
            }
            latest[i] = due - minutes[i];
        }
        return latest;
    }

    /// Two tickets change places as a whole.
    private void exchange(double[] order, int one, int two) {
        double by = middle(order, two) - middle(order, one);
        for (int i = 0; i < order.length; i++) {
            order[i] += ticketOf.get(i) == one ? by : ticketOf.get(i) == two ? -by : 0;
        }
    }

    private double middle(double[] order, int ticket) {
        return IntStream.range(0, order.length).filter(i -> ticketOf.get(i) == ticket).mapToDouble(i -> order[i]).average().orElse(0);
    }

    /// Ticket by ticket in the order in which the hands are least late, as far apart as their work is long, each task as late as its ticket lets it; gaps are filled by the next.
    private double[] byHands() {
        double[] latest = urgency();
        double[] order = new double[latest.length];
        double from = 0;
        for (int t : HandsBound.of(day).order()) {
            double due = Double.NEGATIVE_INFINITY;
            double work = 0;
            for (int i = 0; i < order.length; i++) {
                if (ticketOf.get(i) == t) {
                    due = Math.max(due, latest[i] + minutes[i]);
                    work += tasks.get(i).attended() ? minutes[i] : 0;
                }
            }
            from += work;
            for (int i = 0; i < order.length; i++) {
                order[i] = ticketOf.get(i) == t ? from + latest[i] - due : order[i];
            }
        }
        return order;
    }

    private Value value(double[] order) {
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
