package stillglass.day;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import stillglass.day.ListSchedule.Value;

/// A first plan for the solver to better: from tasks by urgency, and from tickets in the order in which the hands are least late, orders are changed a little again and again and kept where the plan is hardly worse.
final class OrderSearch {
    private static final double NO_DAY = 1e6;
    private static final double A_TICKET_LATER = 1e4;
    private static final int ROUNDS = 8;
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
        List<double[]> starts = tries < Integer.MAX_VALUE ? List.of(urgency(), byTickets(HandsBound.of(day).order())) : List.of(urgency(), byHands(0, random, enough), byHands(SHUFFLED, random, enough), byHands(2 * SHUFFLED, random, enough));
        double[] bestOrder = starts.getFirst();
        Value best = ListSchedule.NO_PLAN;
        int tried = 0;
        for (double[] s : starts) {
            Value v = list.value(s);
            tried++;
            // What is no less late by it is not worth leaving the days that were named for.
            if (best == ListSchedule.NO_PLAN || v.lateness() < best.lateness()) {
                best = v;
                bestOrder = s;
            }
        }
        for (int round = 0; round < ROUNDS; round++) {
            // From every beginning; then from the best there is, ever less far from it.
            double[] order = round < starts.size() ? starts.get(round) : bestOrder;
            Value value = list.value(order);
            double warmth = WARMTH * (ROUNDS - round) / ROUNDS;
            double until = seconds * (round + 1) / ROUNDS;
            double from = seconds * round / ROUNDS;
            for (int upTo = tried + Math.max(1, (tries - tried) / (ROUNDS - round)); tried < upTo && best.lateness() > 0 && !stopped.getAsBoolean(); tried++) {
                double now = (System.nanoTime() - began) / 1e9;
                if (now > until) {
                    break;
                }
                double[] other = changed(order, random);
                Value v = list.value(other);
                if (v.better(best)) {
                    best = v;
                    bestOrder = other;
                }
                double rest = tries < Integer.MAX_VALUE ? 1 : Math.max(0, (until - now) / (until - from));
                if (v.lateness() - value.lateness() <= warmth * rest * best.lateness()) {
                    value = v;
                    order = other;
                }
            }
        }
        return list.slots(list.value(bestOrder));
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
        List<Integer> tickets = new ArrayList<>(HandsBound.of(day).order());
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
