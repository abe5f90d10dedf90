package stillglass.day;

import com.google.ortools.Loader;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.CumulativeConstraint;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.IntervalVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import com.google.ortools.sat.Literal;
import com.google.ortools.util.Domain;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;

/// Plans a day with the CP-SAT solver: weighted lateness first, then the finish, then idle hands, each held while the next is lessened.
///
/// Every task is an interval; hands and things are cumulative constraints; what must be kept apart does not overlap; an attended task that a pause may break is as much longer as the pauses it spans. It begins with a plan by urgency ([OrderSearch]).
///
/// Reference: L. Perron, F. Didier, *CP-SAT* (OR-Tools).
public final class DaySolver {
    /// Shares of the time.
    private static final double LIST_SHARE = 0.7;
    private static final double LATENESS_SHARE = 0.2;
    private static final double FINISH_SHARE = 0.05;
    private static final double HANDS_SHARE = 0.05;
    private static final int QUICK_TRIES = 150;
    private static final long MOST_MINUTES_LAID_OUT = 20_000_000;
    /// Workers search in different ways; with fewer a full day is planned much worse in the same time.
    private static final int WORKERS = 8;
    private static final long WATCH_NS = 20_000_000;

    private final Day day;
    private final double seconds;
    private final BooleanSupplier stopped;
    private final CpModel model = new CpModel();
    private final Map<Key, Placed> placed = new LinkedHashMap<>();
    private final int horizon;

    private record Key(String ticket, String task) {}

    /// @param breaks pauses it may go on after, one by one; none for what goes on at a stretch
    private record Placed(Day.Ticket ticket, Day.Task task, IntVar start, IntVar end, IntervalVar span, List<Break> breaks) {}

    /// A pause a task may span.
    /// @param before whether it begins before it
    /// @param after whether it ends after it
    /// @param over whether it spans it
    private record Break(int from, int to, Literal before, Literal after, Literal over) {}

    private DaySolver(Day day, double seconds, BooleanSupplier stopped) {
        this.day = day;
        this.seconds = seconds;
        this.stopped = stopped;
        horizon = horizon(day);
    }

    /// @param seconds how long may be searched
    /// @throws IllegalArgumentException where it cannot all be done in these hours
    public static DayPlan solve(Day day, double seconds) {
        return solve(day, seconds, () -> false);
    }

    /// @param stopped asked again and again, also while the solver searches
    /// @throws CancellationException once it is stopped
    public static DayPlan solve(Day day, double seconds, BooleanSupplier stopped) {
        checked(seconds);
        Loader.loadNativeLibraries();
        return new DaySolver(day, seconds, stopped).solve();
    }

    /// @throws IllegalArgumentException for no time to search in
    public static void checked(double seconds) {
        if (!(seconds > 0 && seconds <= 3600)) {
            throw new IllegalArgumentException("a search of " + seconds + " seconds: give more than 0 and at most 3600");
        }
    }

    private DayPlan solve() {
        long began = System.nanoTime();
        build();
        IntVar lateness = model.newIntVar(0, Long.MAX_VALUE / 1_000_000, "lateness");
        LinearExprBuilder late = LinearExpr.newBuilder();
        for (Day.Ticket t : day.tickets()) {
            if (t.dueMin().isPresent() && !t.tasks().isEmpty()) {
                IntVar over = model.newIntVar(0, horizon, "late " + t.id());
                for (Day.Task k : last(t)) {
                    model.addGreaterOrEqual(over, LinearExpr.newBuilder().addTerm(of(t, k).end, 1).add(-t.dueMin().get()).build());
                }
                late.addTerm(over, t.weight());
            }
        }
        model.addEquality(lateness, late.build());
        long atLeast = HandsBound.of(day).lateness();
        model.addGreaterOrEqual(lateness, atLeast);
        IntVar finish = model.newIntVar(0, horizon, "finish");
        IntVar hands = model.newIntVar(0, horizon, "last attended");
        placed.values().forEach(p -> model.addGreaterOrEqual(finish, p.end));
        placed.values().stream().filter(p -> p.task.attended()).forEach(p -> model.addGreaterOrEqual(hands, p.end));

        Optional<List<DayPlan.Slot>> known = firstPlan();
        known.ifPresent(this::hint);
        model.minimize(lateness);
        long bound = atLeast;
        List<DayPlan.Slot> best;
        try {
            CpSolver first = run(seconds * LATENESS_SHARE);
            bound = Math.max(atLeast, (long) Math.ceil(first.bestObjectiveBound() - 1e-6));
            best = slots(first);
        } catch (NoneInTime notEvenThat) {
            // A busy machine: what was found by urgency stands.
            best = known.orElseThrow(() -> notEvenThat);
        }
        long least = DayPlan.lateness(day, best);
        model.addLessOrEqual(lateness, least);
        best = lessened(finish, FINISH_SHARE, best);
        best = lessened(hands, HANDS_SHARE, best);
        return DayPlan.of(day, best, Math.min(bound, least), (System.nanoTime() - began) / 1e9);
    }

    /// The same plan, or one no later in which something more is less.
    private List<DayPlan.Slot> lessened(IntVar what, double share, List<DayPlan.Slot> from) {
        hint(from);
        model.minimize(what);
        try {
            CpSolver found = run(seconds * share);
            model.addLessOrEqual(what, found.value(what));
            return slots(found);
        } catch (NoneInTime leftAsItIs) {
            return from;
        }
    }

    /// A plan by urgency; none for days so long that laying them out minute by minute would take too much room.
    private Optional<List<DayPlan.Slot>> firstPlan() {
        if (tooLong(day, horizon)) {
            return Optional.empty();
        }
        // Two searches, each by orders of its own, get to different ends in the time of one.
        CompletableFuture<Optional<List<DayPlan.Slot>>> other = CompletableFuture.supplyAsync(() -> byUrgency(2));
        Optional<List<DayPlan.Slot>> one = byUrgency(1);
        return Stream.concat(one.stream(), other.join().stream()).min(Comparator.comparingLong((List<DayPlan.Slot> s) -> DayPlan.lateness(day, s)).thenComparingInt(DayPlan::finish));
    }

    private Optional<List<DayPlan.Slot>> byUrgency(long seed) {
        return new OrderSearch(day, new ListSchedule(day, horizon)).best(seconds * LIST_SHARE, Integer.MAX_VALUE, seed, stopped);
    }

    private static boolean tooLong(Day day, int horizon) {
        return (long) horizon * (day.resources().size() + 2) > MOST_MINUTES_LAID_OUT;
    }

    private static int horizon(Day day) {
        long all = day.tickets().stream().flatMap(t -> t.tasks().stream()).mapToLong(Day.Task::minutes).sum();
        return (int) Math.min(Integer.MAX_VALUE / 4, day.hours().getLast().to() + all);
    }

    /// A plan by urgency alone, for when things have changed and an answer is wanted at once. What it says of a bound is none.
    /// @param seconds how long it may be bettered at most while something is late
    /// @return nothing where it does not all fit, or not with what is fixed
    public static Optional<DayPlan> quick(Day day, double seconds) {
        long began = System.nanoTime();
        int horizon = horizon(day);
        if (tooLong(day, horizon)) {
            return Optional.empty();
        }
        return new OrderSearch(day, new ListSchedule(day, horizon)).best(seconds, QUICK_TRIES, 1, () -> false).map(slots -> DayPlan.of(day, slots, 0, (System.nanoTime() - began) / 1e9));
    }

    /// For going through a day again and again.
    /// @return nothing where it is so long that laying it out would take too much room
    static Optional<ListSchedule> laidOut(Day day) {
        int horizon = (int) Math.min(Integer.MAX_VALUE / 4, 2L * horizon(day));
        return tooLong(day, horizon) ? Optional.empty() : Optional.of(new ListSchedule(day, horizon));
    }

    /// What was found is where the next search begins.
    private void hint(List<DayPlan.Slot> found) {
        model.clearHints();
        found.forEach(s -> hint(Optional.ofNullable(placed.get(new Key(s.ticket(), s.task()))).orElseThrow(), s.start(), s.end()));
    }

    /// Where a task was: all that follows from that is said as well, or the solver has to find it again.
    private void hint(Placed p, long start, long end) {
        model.addHint(p.start, start);
        model.addHint(p.end, end);
        for (Break b : p.breaks) {
            boolean before = start < b.from;
            boolean after = end > b.to;
            model.addHint(b.before, before);
            model.addHint(b.after, after);
            model.addHint(b.over, before && after);
        }
    }

    /// Nothing was found in the time there was.
    private static final class NoneInTime extends IllegalArgumentException {
        private static final long serialVersionUID = 1;

        NoneInTime(String message) {
            super(message);
        }
    }

    private CpSolver run(double most) {
        CpSolver solver = new CpSolver();
        solver.getParameters().setMaxTimeInSeconds(most).setNumWorkers(WORKERS).setRandomSeed(1);
        CpSolverStatus status = watched(solver);
        if (status == CpSolverStatus.OPTIMAL || status == CpSolverStatus.FEASIBLE) {
            return solver;
        }
        if (status == CpSolverStatus.INFEASIBLE) {
            throw new IllegalArgumentException("it cannot all be done in these hours with what there is: give more hours, or free what is fixed");
        }
        throw new NoneInTime("no plan was found in " + Math.round(most * 10) / 10.0 + " seconds: give more of them");
    }

    /// The solver knows no way to be asked: somebody beside it looks whether it is still wanted, and stops it.
    private CpSolverStatus watched(CpSolver solver) {
        AtomicBoolean over = new AtomicBoolean();
        Thread watch = Thread.ofVirtual().name("day watch").start(() -> {
            while (!over.get()) {
                // Said before it has begun, it would not be heard: so it is said until it is over.
                if (stopped.getAsBoolean()) {
                    solver.stopSearch();
                }
                LockSupport.parkNanos(WATCH_NS);
            }
        });
        try {
            CpSolverStatus status = solver.solve(model);
            if (stopped.getAsBoolean()) {
                throw new CancellationException("the search for a day was stopped");
            }
            return status;
        } finally {
            over.set(true);
            LockSupport.unpark(watch);
        }
    }

    private Placed of(Day.Ticket t, Day.Task k) {
        return Optional.ofNullable(placed.get(new Key(t.id(), k.id()))).orElseThrow();
    }

    private void build() {
        for (Day.Ticket t : day.tickets()) {
            for (Day.Task k : Day.order(t)) {
                placed.put(new Key(t.id(), k.id()), place(t, k));
                Placed here = of(t, k);
                k.after().forEach(a -> model.addGreaterOrEqual(here.start, Optional.ofNullable(placed.get(new Key(t.id(), a))).orElseThrow().end));
            }
        }
        List<IntervalVar> hands = new ArrayList<>(placed.values().stream().filter(p -> p.task.attended()).map(Placed::span).toList());
        if (placed.values().stream().noneMatch(p -> p.task.attended() && !day.within(p.task))) {
            // Nothing goes on over a pause: it is as if the hands were taken, which bounds more than the starts that are left.
            hands.addAll(pauses());
        }
        cumulative(hands, day.hands());
        Map<String, List<Placed>> users = new HashMap<>();
        placed.values().forEach(p -> new HashSet<>(p.task.uses()).forEach(u -> users.computeIfAbsent(u, x -> new ArrayList<>()).add(p)));
        users.forEach((u, all) -> cumulative(all.stream().map(Placed::span).toList(), day.resources().getOrDefault(u, 0)));
        List<Placed> all = List.copyOf(placed.values());
        for (int i = 0; i < all.size(); i++) {
            for (int j = 0; j < i; j++) {
                if (day.apart(all.get(i).task, all.get(j).task) && !follows(all.get(i), all.get(j)) && !follows(all.get(j), all.get(i))) {
                    model.addNoOverlap(List.of(all.get(i).span, all.get(j).span));
                }
            }
        }
    }

    /// Whether one comes after the other anyhow.
    private static boolean follows(Placed later, Placed earlier) {
        return later.ticket.id().equals(earlier.ticket.id()) && later.task.after().contains(earlier.task.id());
    }

    /// Tasks of a ticket after which nothing comes.
    private static List<Day.Task> last(Day.Ticket t) {
        return t.tasks().stream().filter(k -> t.tasks().stream().noneMatch(o -> o.after().contains(k.id()))).toList();
    }

    private List<IntervalVar> pauses() {
        List<IntervalVar> all = new ArrayList<>();
        for (int i = 1; i < day.hours().size() && day.hands() == 1; i++) {
            int from = day.hours().get(i - 1).to();
            all.add(model.newFixedInterval(from, day.hours().get(i).from() - (long) from, "pause " + i));
        }
        return all;
    }

    private void cumulative(List<IntervalVar> users, int capacity) {
        if (capacity == 1) {
            model.addNoOverlap(users);
        } else if (users.size() > capacity) {
            CumulativeConstraint c = model.addCumulative(capacity);
            users.forEach(p -> c.addDemand(p, 1));
        }
    }

    private Placed place(Day.Ticket t, Day.Task k) {
        String name = t.id() + " " + k.id();
        boolean whole = day.within(k);
        if (!whole && k.attended()) {
            return broken(t, k, name);
        }
        IntVar start = k.startMin().map(s -> model.newIntVar(s, s, name)).orElseGet(() -> whole ? model.newIntVarFromDomain(starts(k.minutes()), name) : model.newIntVar(0, horizon, name));
        IntVar end = model.newIntVar(0, (long) horizon + k.minutes(), name + " end");
        return new Placed(t, k, start, end, model.newIntervalVar(start, LinearExpr.constant(k.minutes()), end, name), List.of());
    }

    /// Starts from which so many minutes lie within hours.
    private Domain starts(int minutes) {
        return Domain.fromIntervals(day.hours().stream().filter(h -> h.length() >= minutes).map(h -> new long[] {h.from(), h.to() - minutes}).toArray(long[][]::new));
    }

    /// A task that goes on after a pause: longer by every pause it spans.
    private Placed broken(Day.Ticket t, Day.Task k, String name) {
        List<Day.Span> hours = day.hours();
        Domain begins = Domain.fromIntervals(hours.stream().map(h -> new long[] {h.from(), h.to() - 1L}).toArray(long[][]::new));
        Domain ends = Domain.fromIntervals(hours.stream().map(h -> new long[] {h.from() + 1L, h.to()}).toArray(long[][]::new));
        IntVar start = k.startMin().map(s -> model.newIntVar(s, s, name)).orElseGet(() -> model.newIntVarFromDomain(begins, name));
        IntVar end = model.newIntVarFromDomain(ends, name + " end");
        LinearExprBuilder size = LinearExpr.newBuilder().add(k.minutes());
        List<Break> breaks = new ArrayList<>();
        for (int i = 1; i < hours.size(); i++) {
            Literal over = model.newBoolVar(name + " over pause " + i);
            int from = hours.get(i - 1).to();
            int to = hours.get(i).from();
            Literal before = model.newBoolVar(name + " begins before pause " + i);
            model.addLessOrEqual(start, from - 1L).onlyEnforceIf(before);
            model.addGreaterOrEqual(start, to).onlyEnforceIf(before.not());
            Literal after = model.newBoolVar(name + " ends after pause " + i);
            model.addGreaterOrEqual(end, to + 1L).onlyEnforceIf(after);
            model.addLessOrEqual(end, from).onlyEnforceIf(after.not());
            model.addBoolAnd(List.of(before, after)).onlyEnforceIf(over);
            model.addBoolOr(List.of(before.not(), after.not(), over));
            size.addTerm(over, (long) to - from);
            breaks.add(new Break(from, to, before, after, over));
        }
        IntVar length = model.newIntVar(k.minutes(), horizon, name + " length");
        model.addEquality(length, size.build());
        return new Placed(t, k, start, end, model.newIntervalVar(start, length, end, name), breaks);
    }

    private List<DayPlan.Slot> slots(CpSolver solver) {
        return placed.values().stream().map(p -> new DayPlan.Slot(p.ticket.id(), p.task.id(), (int) solver.value(p.start), (int) solver.value(p.end))).toList();
    }
}
