package stillglass.day;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import stillglass.day.ListSchedule.Value;

/// A first plan for the solver to better: from tasks by urgency, and from tickets in orders in which the hands are hardly late, orders are changed a little again and again and kept where the plan is hardly worse; many beginnings are tried a little, the best of them farther.
final class OrderSearch {
    private static final double NO_DAY = 1e6;
    private static final double A_TICKET_LATER = 1e4;
    /// Orders of tickets that are good for the hands; those that make the best plans are begun from.
    private static final int ORDERS = 12_000;
    private static final int VALUED = 3000;
    /// How many orders are gone on from, stage by stage, and until what share of the time: many a little, few far.
    private static final int[] KEPT = {32, 8, 3, 1};
    private static final double[] UNTIL = {0.2, 0.45, 0.75, 1};
    private static final int SHUFFLED = 2;
    private static final int MOST_MOVED = 16;
    private static final double MOVING_SHARE = 0.2;
    /// How much worse an order may be, as a share, and still be gone on from; it falls to nothing (threshold accepting, G. Dueck and T. Scheuer, *Journal of Computational Physics* 90 (1990)).
    private static final double WARMTH = 0.02;

    private final Day day;
    private final ListSchedule list;
    private final int tasks;
    /// Minutes of hands each ticket takes.
    private final int[] work;
    /// Minutes from the start of a task to the end of its ticket, at least.
    private final double[] left;

    OrderSearch(Day day, ListSchedule list) {
        this.day = day;
        this.list = list;
        tasks = list.tasks().size();
        work = new int[day.tickets().size()];
        left = new double[tasks];
        for (int i = tasks - 1; i >= 0; i--) {
            work[list.ticketOf(i)] += list.tasks().get(i).attended() ? list.tasks().get(i).minutes() : 0;
            double after = 0;
            for (int j = i + 1; j < tasks; j++) {
                for (int b : list.before(j)) {
                    after = b == i ? Math.max(after, left[j]) : after;
                }
            }
            left[i] = after + list.tasks().get(i).minutes();
        }
    }

    /// The best plan found.
    /// @param seconds how long may be tried
    /// @param tries how many orders at most; with few of them the same day is planned in the same way again
    /// @param seed by which orders are changed
    /// @return nothing where not one was found
    Optional<List<DayPlan.Slot>> best(double seconds, int tries, long seed, BooleanSupplier stopped) {
        if (tasks == 0) {
            return Optional.empty();
        }
        long began = System.nanoTime();
        SplittableRandom random = new SplittableRandom(seed);
        BooleanSupplier enough = () -> stopped.getAsBoolean() || (System.nanoTime() - began) / 1e9 > seconds * MOVING_SHARE;
        // With few tries there is no time to move tickets about.
        List<double[]> starts = tries < Integer.MAX_VALUE ? List.of(urgency(), byTickets(HandsBound.of(day).orders().getFirst())) : starts(random, seed, enough);
        List<Found> pool = new ArrayList<>();
        starts.forEach(o -> pool.add(new Found(o, list.value(o))));
        int tried = pool.size();
        for (int stage = 0; stage < KEPT.length; stage++) {
            // What is no less late is not worth leaving the days that were named for: the first of equals stays first.
            pool.sort(Comparator.comparingLong(f -> f.value.lateness()));
            pool.subList(Math.min(pool.size(), KEPT[stage]), pool.size()).clear();
            int part = tries == Integer.MAX_VALUE ? tries : Math.max(1, (tries - tried) / (KEPT.length - stage) / pool.size());
            double from = (System.nanoTime() - began) / 1e9;
            for (int i = 0; i < pool.size() && pool.stream().allMatch(f -> f.value.lateness() > 0); i++) {
                double until = from + (seconds * UNTIL[stage] - from) * (i + 1) / pool.size();
                Climb climb = new Climb(pool.get(i), WARMTH * (KEPT.length - stage) / KEPT.length, random);
                climb.go(began, until, part, stopped);
                tried += climb.tried;
                pool.set(i, climb.best);
            }
        }
        return list.slots(list.value(pool.getFirst().order));
    }

    @SuppressWarnings("ArrayRecordComponent")
    private record Found(double[] order, Value value) {}

    /// From one order on, changed again and again.
    private final class Climb {
        private final double warmth;
        private final SplittableRandom random;
        private Found at;
        private Found best;
        private int tried;

        Climb(Found from, double warmth, SplittableRandom random) {
            at = from;
            best = from;
            this.warmth = warmth;
            this.random = random;
        }

        /// @param began and until which second after it
        void go(long began, double until, int tries, BooleanSupplier stopped) {
            double from = (System.nanoTime() - began) / 1e9;
            for (; tried < tries && best.value.lateness() > 0 && !stopped.getAsBoolean(); tried++) {
                double now = (System.nanoTime() - began) / 1e9;
                if (now > until) {
                    break;
                }
                double[] other = changed(at.order, random);
                Found f = new Found(other, list.value(other));
                best = f.value.better(best.value) ? f : best;
                double rest = tries < Integer.MAX_VALUE ? 1 : Math.max(0, (until - now) / (until - from));
                if (f.value.lateness() - at.value.lateness() <= warmth * rest * best.value.lateness()) {
                    at = f;
                }
            }
        }
    }

    /// Beginnings that lie far from each other: by urgency, tickets moved about from the order that is best for the hands and from another, and the best of a great many orders that are good for the hands.
    /// @param seed searches side by side take others of the best
    private List<double[]> starts(SplittableRandom random, long seed, BooleanSupplier enough) {
        double[] urgency = urgency();
        if (list.value(urgency).lateness() == 0) {
            return List.of(urgency);
        }
        List<double[]> all = new ArrayList<>(List.of(urgency, byHands(0, random, enough), byHands(SHUFFLED, random, enough)));
        List<List<Integer>> orders = HandsBound.of(day, ORDERS).orders();
        List<Found> good = new ArrayList<>();
        // Where many are alike, one in so many: what lies far from the best is looked at as well.
        int one = Math.max(1, orders.size() / VALUED);
        for (int k = (int) (seed % one); k < orders.size() && !enough.getAsBoolean(); k += one) {
            double[] order = byTickets(orders.get(k));
            good.add(new Found(order, list.value(order)));
        }
        good.sort(Comparator.comparingLong(f -> f.value.lateness()));
        good.stream().limit(KEPT[0]).forEach(f -> all.add(f.order));
        return all;
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
                        other[i] += list.ticketOf(i) == t ? by : 0;
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

    /// Latest start that still meets the due time of its ticket, were it alone; heavier tickets sooner. Tickets without one come last, one after the other, so that none lies open longer than it must.
    private double[] urgency() {
        int n = tasks;
        double[] latest = new double[n];
        for (int i = n - 1; i >= 0; i--) {
            Day.Ticket t = day.tickets().get(list.ticketOf(i));
            double due = t.dueMin().map(d -> d - 60.0 * t.weight()).orElse(NO_DAY + list.ticketOf(i) * A_TICKET_LATER);
            for (int j = i + 1; j < n; j++) {
                for (int b : list.before(j)) {
                    due = b == i ? Math.min(due, latest[j]) : due;
                }
            }
            latest[i] = due - list.tasks().get(i).minutes();
        }
        return latest;
    }

    /// Two tickets change places as a whole.
    private void exchange(double[] order, int one, int two) {
        double by = middle(order, two) - middle(order, one);
        for (int i = 0; i < order.length; i++) {
            order[i] += list.ticketOf(i) == one ? by : list.ticketOf(i) == two ? -by : 0;
        }
    }

    private double middle(double[] order, int ticket) {
        return IntStream.range(0, order.length).filter(i -> list.ticketOf(i) == ticket).mapToDouble(i -> order[i]).average().orElse(0);
    }

    /// Ticket by ticket, as far apart as their work is long, each task as late as its ticket lets it; gaps are filled by the next.
    private double[] byTickets(List<Integer> tickets) {
        double[] order = new double[tasks];
        double from = 0;
        for (int t : tickets) {
            from += work[t];
            for (int i = 0; i < order.length; i++) {
                order[i] = list.ticketOf(i) == t ? from - left[i] : order[i];
            }
        }
        return order;
    }

    /// The order of tickets by which the hands are least late, each put elsewhere as long as that makes the plan less late.
    /// @param shuffled how many tickets change places before: another beginning may end elsewhere
    /// @param enough ends it where it is
    private double[] byHands(int shuffled, SplittableRandom random, BooleanSupplier enough) {
        List<Integer> tickets = new ArrayList<>(HandsBound.of(day).orders().getFirst());
        for (int i = 0; i < shuffled && tickets.size() > 1; i++) {
            Collections.swap(tickets, random.nextInt(tickets.size()), random.nextInt(tickets.size()));
        }
        Value value = list.value(byTickets(tickets));
        for (boolean better = true; better && value.lateness() > 0 && tickets.size() <= MOST_MOVED;) {
            better = false;
            List<Integer> best = tickets;
            for (int from = 0; from < tickets.size(); from++) {
                for (int to = 0; to < tickets.size() && !enough.getAsBoolean(); to++) {
                    List<Integer> other = new ArrayList<>(tickets);
                    other.add(to, other.remove(from));
                    Value v = list.value(byTickets(other));
                    if (v.better(value)) {
                        value = v;
                        best = other;
                        better = true;
                    }
                }
            }
            tickets = best;
        }
        return byTickets(tickets);
    }
}
