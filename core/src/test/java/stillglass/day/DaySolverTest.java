package stillglass.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DaySolverTest {
    private static final List<Day.Pair> APART = List.of(new Day.Pair("solvent", "grease"));

    private static Day.Task task(String id, int minutes, boolean attended, List<String> uses, List<String> after, String... tags) {
        return new Day.Task(id, minutes, attended, uses, after, Set.of(tags), false, Optional.empty());
    }

    private static Day day(List<Day.Span> hours, Day.Ticket... tickets) {
        return new Day(1, Map.of("tin", 1), List.of(tickets), hours, APART, Set.of("flammable"));
    }

    private static Map<String, DayPlan.Slot> slots(DayPlan plan) {
        Map<String, DayPlan.Slot> all = new HashMap<>();
        plan.slots().forEach(s -> all.put(s.ticket() + " " + s.task(), s));
        return all;
    }

    /// Against every rule, told anew.
    private static void holds(Day day, DayPlan plan) {
        Map<String, DayPlan.Slot> slots = slots(plan);
        int last = day.hours().getLast().to() + 5000;
        int[] hands = new int[last];
        Map<String, int[]> used = new HashMap<>();
        boolean[][] open = new boolean[2][last];
        for (Day.Ticket t : day.tickets()) {
            for (Day.Task k : t.tasks()) {
                DayPlan.Slot s = slots.get(t.id() + " " + k.id());
                int pauses = 0;
                for (int m = s.start(); m < s.end(); m++) {
                    int minute = m;
                    boolean there = day.hours().stream().anyMatch(h -> h.from() <= minute && minute < h.to());
                    pauses += there ? 0 : 1;
                    hands[m] += k.attended() && there ? 1 : 0;
                    for (String u : k.uses()) {
                        used.computeIfAbsent(u, x -> new int[last])[m]++;
                    }
                    open[0][m] |= k.tags().contains("solvent");
                    open[1][m] |= k.tags().contains("grease");
                    assertThat(there || !k.tags().contains("flammable")).as("nobody is there at %d for %s", m, k.id()).isTrue();
                    assertThat(there || !k.attended() || k.splits()).as("%s in a pause", k.id()).isTrue();
                }
                assertThat(s.end() - s.start()).as(k.id()).isEqualTo(k.minutes() + (k.attended() && k.splits() ? pauses : 0));
                k.after().forEach(a -> assertThat(slots.get(t.id() + " " + a).end()).isLessThanOrEqualTo(s.start()));
            }
        }
        for (int m = 0; m < last; m++) {
            int minute = m;
            assertThat(hands[m]).isLessThanOrEqualTo(day.hands());
            used.forEach((u, n) -> assertThat(n[minute]).isLessThanOrEqualTo(day.resources().get(u)));
            assertThat(open[0][m] && open[1][m]).as("solvent and grease at %d", m).isFalse();
        }
    }

    private static long lateness(Day day, Map<String, Integer> starts) {
        long sum = 0;
        for (Day.Ticket t : day.tickets()) {
            int end = t.tasks().stream().mapToInt(k -> starts.get(t.id() + " " + k.id()) + k.minutes()).max().orElse(0);
            sum += (long) t.weight() * Math.max(0, end - t.dueMin().orElse(Integer.MAX_VALUE));
        }
        return sum;
    }

    /// While one thing soaks hands do another.
    @Test
    void handsAreNotIdleWhileSomethingSoaks() {
        Day day = day(List.of(new Day.Span(0, 240)), new Day.Ticket("T1", Optional.of(200), 1, List.of(task("strip", 40, true, List.of(), List.of()), task("soak", 60, false, List.of("tin"), List.of("strip"), "solvent", "flammable"),
                task("wipe", 20, true, List.of(), List.of("soak")))), new Day.Ticket("T2", Optional.of(200), 1, List.of(task("look", 30, true, List.of(), List.of()), task("grease", 20, true, List.of(), List.of("look"), "grease"))));
        DayPlan plan = DaySolver.solve(day, 1);
        holds(day, plan);
        assertThat(plan.lateness()).isZero();
        assertThat(plan.finish()).as("strip, soak with a look meanwhile, then grease and wipe one after the other").isEqualTo(140);
    }

    /// On small days, every start of every task is tried: nothing is less late, nor sooner done at that.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void smallDaysAreAsGoodAsTheyCanBe(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Day.Ticket> tickets = new ArrayList<>();
        for (int t = 0; t < 2; t++) {
            List<Day.Task> tasks = new ArrayList<>();
            for (int k = 0; k < 2; k++) {
                boolean attended = random.nextInt(3) > 0;
                String tag = random.nextBoolean() ? "solvent" : "grease";
                tasks.add(task("k" + k, 2 + random.nextInt(4), attended, attended ? List.of() : List.of("tin"), k > 0 && random.nextBoolean() ? List.of("k0") : List.of(), tag));
            }
            tickets.add(new Day.Ticket("T" + t, Optional.of(4 + random.nextInt(6)), 1 + random.nextInt(3), tasks));
        }
        Day day = day(List.of(new Day.Span(0, 9), new Day.Span(12, 24)), tickets.toArray(Day.Ticket[]::new));
        DayPlan plan = DaySolver.solve(day, 1);
        holds(day, plan);
        long[] best = {Long.MAX_VALUE, Long.MAX_VALUE};
        every(day, new HashMap<>(), 0, best);
        assertThat(plan.lateness()).isEqualTo(best[0]);
        assertThat((long) plan.finish()).isEqualTo(best[1]);
        assertThat(plan.latenessBound()).isLessThanOrEqualTo(plan.lateness());
        assertThat(HandsBound.of(day).lateness()).as("a bound").isLessThanOrEqualTo(best[0]);
    }

    private static void every(Day day, Map<String, Integer> starts, int at, long[] best) {
        List<String> names = new ArrayList<>();
        List<Day.Task> tasks = new ArrayList<>();
        day.tickets().forEach(t -> t.tasks().forEach(k -> {
            names.add(t.id() + " " + k.id());
            tasks.add(k);
        }));
        if (at == names.size()) {
            long late = lateness(day, starts);
            long finish = 0;
            for (int i = 0; i < names.size(); i++) {
                finish = Math.max(finish, starts.get(names.get(i)) + tasks.get(i).minutes());
            }
            if (late < best[0] || late == best[0] && finish < best[1]) {
                best[0] = late;
                best[1] = finish;
            }
            return;
        }
        Day.Task k = tasks.get(at);
        for (int s = 0; s <= 24 - k.minutes(); s++) {
            int start = s;
            int end = s + k.minutes();
            boolean within = day.hours().stream().anyMatch(h -> h.from() <= start && end <= h.to());
            boolean fits = within || !k.attended();
            for (int i = 0; i < at && fits; i++) {
                Day.Task o = tasks.get(i);
                int from = starts.get(names.get(i));
                int to = from + o.minutes();
                boolean meet = start < to && from < end;
                boolean clash = k.attended() && o.attended() || !k.attended() && !o.attended() || !k.tags().equals(o.tags());
                fits = !(meet && clash);
                if (k.after().contains(o.id()) && names.get(i).substring(0, 2).equals(names.get(at).substring(0, 2))) {
                    fits &= to <= start;
                }
            }
            if (fits) {
                starts.put(names.get(at), start);
                every(day, starts, at + 1, best);
                starts.remove(names.get(at));
            }
        }
    }

    /// A long job goes on after the pause where it may, and is refused where it may not.
    @Test
    void aPauseBreaksOnlyWhatItMay() {
        List<Day.Span> hours = List.of(new Day.Span(0, 60), new Day.Span(90, 200));
        Day.Task strip = new Day.Task("strip", 100, true, List.of(), List.of(), Set.of(), true, Optional.empty());
        Day day = day(hours, new Day.Ticket("T1", Optional.of(100), 2, List.of(strip)));
        DayPlan plan = DaySolver.solve(day, 1);
        holds(day, plan);
        assertThat(plan.slots().getFirst().end()).isEqualTo(130);
        assertThat(plan.lateness()).isEqualTo(60);
        assertThat(plan.idle()).isZero();
        assertThatThrownBy(() -> day(hours, new Day.Ticket("T1", Optional.empty(), 1, List.of(task("strip", 120, true, List.of(), List.of()))))).hasMessageContaining("strip").hasMessageContaining("120");
    }

    /// What has begun stays where it is; the rest goes about it.
    @Test
    void whatHasBegunIsKept() {
        Day.Task late = new Day.Task("soak", 50, false, List.of("tin"), List.of(), Set.of("solvent"), false, Optional.of(35));
        Day day = day(List.of(new Day.Span(0, 300)), new Day.Ticket("T1", Optional.of(60), 1, List.of(late)), new Day.Ticket("T2", Optional.of(10), 1, List.of(task("grease", 40, true, List.of(), List.of(), "grease"))));
        DayPlan plan = DaySolver.solve(day, 1);
        holds(day, plan);
        assertThat(slots(plan).get("T1 soak").start()).isEqualTo(35);
        assertThat(slots(plan).get("T2 grease").start()).as("after the solvent is away").isEqualTo(85);
    }

    /// The first plan by itself keeps every rule as well, and a heavier ticket goes first where both are late.
    @Test
    void theFirstPlanKeepsTheRules() {
        Day day = day(List.of(new Day.Span(0, 60), new Day.Span(90, 300)), new Day.Ticket("T1", Optional.of(10), 1, List.of(task("a", 40, true, List.of(), List.of(), "grease"))), new Day.Ticket("T2", Optional.of(10), 9, List.of(task("b", 40, true, List.of(), List.of()), task("soak", 30, false, List.of("tin"), List.of("b"), "solvent"))));
        DayPlan plan = DaySolver.quick(day, 0.1).orElseThrow();
        holds(day, plan);
        assertThat(slots(plan).get("T2 b").start()).isZero();
        assertThat(plan.lateness()).isEqualTo(lateness(day, Map.of("T1 a", slots(plan).get("T1 a").start(), "T2 b", 0, "T2 soak", slots(plan).get("T2 soak").start())));
    }

    /// Two people with eleven things to do that wait for nothing: whoever is free takes up the next at once.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void noFreeMinuteIsPassedOver(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Day.Task> tasks = new ArrayList<>();
        for (int i = 0; i < 11; i++) {
            tasks.add(task("k" + i, 1 + random.nextInt(20), true, List.of(), List.of()));
        }
        Day day = new Day(2, Map.of(), List.of(new Day.Ticket("T1", Optional.empty(), 1, tasks)), List.of(new Day.Span(0, 400)), List.of(), Set.of());
        DayPlan plan = DaySolver.quick(day, 0.1).orElseThrow();
        holds(day, plan);
        List<Integer> ends = plan.slots().stream().map(DayPlan.Slot::end).toList();
        assertThat(plan.slots()).allMatch(s -> s.start() == 0 || ends.contains(s.start()));
    }

    /// In no time at all the solver finds nothing; what was found by urgency is a plan all the same, within its bound.
    @Test
    void whereThereIsNoTimeTheFirstPlanStands() {
        SplittableRandom random = new SplittableRandom(3);
        List<Day.Ticket> tickets = new ArrayList<>();
        for (int t = 0; t < 8; t++) {
            List<Day.Task> tasks = new ArrayList<>();
            for (int k = 0; k < 12; k++) {
                tasks.add(new Day.Task("k" + k, 5 + random.nextInt(60), true, List.of(), k == 0 ? List.of() : List.of("k" + (k - 1)), Set.of(), true, Optional.empty()));
            }
            tickets.add(new Day.Ticket("T" + t, Optional.of(30), 1 + t, tasks));
        }
        Day day = day(List.of(new Day.Span(0, 240), new Day.Span(300, 540), new Day.Span(1440, 5000)), tickets.toArray(Day.Ticket[]::new));
        DayPlan plan = DaySolver.solve(day, 0.001);
        holds(day, plan);
        assertThat(plan.latenessBound()).isLessThanOrEqualTo(plan.lateness());
    }

    /// Twenty jobs over fifteen machines would be searched for minutes: stopped once the solver is at it, it gives up and does not go on to the end.
    @Test
    @Timeout(120)
    void aSearchIsStoppedInsideTheSolver() {
        SplittableRandom random = new SplittableRandom(5);
        Map<String, Integer> machines = IntStream.range(0, 15).boxed().collect(Collectors.toMap(m -> "m" + m, m -> 1));
        List<Day.Ticket> tickets = new ArrayList<>();
        for (int t = 0; t < 20; t++) {
            List<String> order = new ArrayList<>(machines.keySet().stream().sorted().toList());
            Collections.shuffle(order, new Random(random.nextLong()));
            List<Day.Task> tasks = new ArrayList<>();
            for (int k = 0; k < order.size(); k++) {
                tasks.add(task("k" + k, 5 + random.nextInt(90), false, List.of(order.get(k)), k == 0 ? List.of() : List.of("k" + (k - 1))));
            }
            tickets.add(new Day.Ticket("T" + t, Optional.empty(), 1, tasks));
        }
        Day day = new Day(1, machines, tickets, List.of(new Day.Span(0, 20_000)), List.of(), Set.of());
        Thread here = Thread.currentThread();
        AtomicInteger asked = new AtomicInteger();
        // Beside the solver it is asked by somebody else than who searches.
        BooleanSupplier stopped = () -> Thread.currentThread().equals(here) ? asked.get() > 40 : asked.incrementAndGet() > 40;
        assertThatThrownBy(() -> DaySolver.solve(day, 3600, stopped)).isInstanceOf(CancellationException.class);
        assertThat(asked.get()).isGreaterThan(40);
    }

    @Test
    void whatCannotBeIsSaid() {
        List<Day.Span> hours = List.of(new Day.Span(0, 60));
        assertThatThrownBy(() -> DaySolver.solve(day(hours, new Day.Ticket("T1", Optional.empty(), 1, List.of(task("a", 40, true, List.of(), List.of()), task("b", 40, true, List.of(), List.of())))), 1)).hasMessageContaining("more hours");
        assertThatThrownBy(() -> day(hours, new Day.Ticket("T1", Optional.empty(), 1, List.of(task("a", 4, true, List.of(), List.of("b")), task("b", 4, true, List.of(), List.of("a")))))).hasMessageContaining("circle");
        assertThatThrownBy(() -> day(hours, new Day.Ticket("T1", Optional.empty(), 1, List.of(task("a", 4, true, List.of("anvil"), List.of()))))).hasMessageContaining("anvil");
        assertThatThrownBy(() -> day(hours, new Day.Ticket("T1", Optional.empty(), 1, List.of(task("a", 4, true, List.of(), List.of("x")))))).hasMessageContaining("“x”");
        assertThatThrownBy(() -> day(List.of(new Day.Span(0, 60), new Day.Span(50, 90)))).hasMessageContaining("begin before");
        assertThat(DaySolver.solve(day(hours), 1).slots()).isEmpty();
    }
}
