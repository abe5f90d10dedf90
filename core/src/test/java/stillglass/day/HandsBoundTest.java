package stillglass.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class HandsBoundTest {
    private static Day.Task hand(String id, int minutes, String... after) {
        return new Day.Task(id, minutes, true, List.of(), List.of(after), Set.of(), true, Optional.empty());
    }

    private static Day.Task alone(String id, int minutes, String... after) {
        return new Day.Task(id, minutes, false, List.of(), List.of(after), Set.of(), false, Optional.empty());
    }

    private static Day day(int hands, List<Day.Ticket> tickets) {
        return new Day(hands, Map.of(), tickets, List.of(new Day.Span(0, 200), new Day.Span(260, 2000)), List.of(), Set.of());
    }

    private static long every(List<Integer> order, int from, List<Day.Ticket> tickets) {
        if (from == order.size()) {
            int worked = 0;
            long late = 0;
            for (int t : order) {
                worked += tickets.get(t).tasks().getFirst().minutes();
                late += (long) tickets.get(t).weight() * Math.max(0, (worked <= 200 ? worked : worked + 60) - tickets.get(t).dueMin().orElseThrow());
            }
            return late;
        }
        long best = Long.MAX_VALUE;
        for (int i = from; i < order.size(); i++) {
            Collections.swap(order, from, i);
            best = Math.min(best, every(order, from + 1, tickets));
            Collections.swap(order, from, i);
        }
        return best;
    }

    /// Tickets of one piece of work each, one after the other, a pause between: the least of all orders, and an order that has it.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void ofHandsAloneItIsWhatTheBestOrderLeaves(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Day.Ticket> tickets = new ArrayList<>();
        for (int t = 0; t < 7; t++) {
            tickets.add(new Day.Ticket("T" + t, Optional.of(random.nextInt(400)), 1 + random.nextInt(4), List.of(hand("k", 20 + random.nextInt(100)))));
        }
        HandsBound bound = HandsBound.of(day(1, tickets));
        assertThat(bound.lateness()).isEqualTo(every(new ArrayList<>(IntStream.range(0, 7).boxed().toList()), 0, tickets));
        assertThat(cost(bound.orders().getFirst(), tickets)).isEqualTo(bound.lateness());
    }

    /// Every order of six tickets, by hand.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void ordersThatAreHardlyLaterAreToldInTurnAndNoneIsMissed(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Day.Ticket> tickets = IntStream.range(0, 6).mapToObj(t -> new Day.Ticket("T" + t, Optional.of(random.nextInt(200)), 1 + random.nextInt(4), List.of(hand("k", 20 + random.nextInt(100))))).toList();
        List<Long> costs = new ArrayList<>();
        costs(List.of(), tickets, costs);
        long best = costs.stream().min(Long::compare).orElseThrow();
        List<Long> expected = costs.stream().filter(c -> c <= 1.15 * best).sorted().toList();

        assertThat(HandsBound.of(day(1, tickets), 1000).orders().stream().map(o -> cost(o, tickets)).toList()).isEqualTo(expected).hasSizeGreaterThan(3);
        assertThat(HandsBound.of(day(1, tickets), 2).orders().stream().map(o -> cost(o, tickets)).toList()).isEqualTo(expected.subList(0, 2));
    }

    private static void costs(List<Integer> begun, List<Day.Ticket> tickets, List<Long> out) {
        if (begun.size() == tickets.size()) {
            out.add(cost(begun, tickets));
        }
        for (int t = 0; t < tickets.size(); t++) {
            if (!begun.contains(t)) {
                List<Integer> more = new ArrayList<>(begun);
                more.add(t);
                costs(more, tickets, out);
            }
        }
    }

    private static long cost(List<Integer> order, List<Day.Ticket> tickets) {
        int worked = 0;
        long late = 0;
        for (int t : order) {
            worked += tickets.get(t).tasks().getFirst().minutes();
            late += (long) tickets.get(t).weight() * Math.max(0, (worked <= 200 ? worked : worked + 60) - tickets.get(t).dueMin().orElseThrow());
        }
        return late;
    }

    @Test
    void whatGoesOnByItselfAtTheEndIsLateToo() {
        List<Day.Ticket> one = List.of(new Day.Ticket("T", Optional.of(50), 2, List.of(hand("a", 40), alone("dry", 100, "a"))));
        assertThat(HandsBound.of(day(1, one)).lateness()).as("40 and 100, due at 50, counting twice").isEqualTo(180);
        List<Day.Ticket> two = List.of(one.getFirst(), new Day.Ticket("U", Optional.of(0), 1, List.of(hand("a", 30))));
        assertThat(HandsBound.of(day(1, two)).lateness()).as("the first waits 30 at 2, or the other 40 at 1").isEqualTo(180 + 70);
    }

    @Test
    void twoPairsOfHandsTakeHalfAsLong() {
        List<Day.Ticket> tickets = IntStream.range(0, 4).mapToObj(t -> new Day.Ticket("T" + t, Optional.of(0), 1, List.of(hand("k", 50)))).toList();
        assertThat(HandsBound.of(day(2, tickets)).lateness()).as("alone none is through before 50: 50, 50, 75, 100").isEqualTo(275);
    }

    /// Somebody stays through the pause for it: by then it is done, and no bound may say that it cannot be.
    @Test
    void aTaskThatIsFixedIntoAPauseIsNotCountedInStaffedMinutes() {
        Day.Task fixed = new Day.Task("k", 50, true, List.of(), List.of(), Set.of(), false, Optional.of(200));
        assertThat(HandsBound.of(day(1, List.of(new Day.Ticket("T", Optional.of(240), 1, List.of(fixed))))).lateness()).as("from 200 to 250, due at 240").isEqualTo(10);
    }

    @Test
    void whereNothingIsLateTheDaysComeInTurn() {
        List<Day.Ticket> tickets = IntStream.of(900, 300, 1500, 600).mapToObj(d -> new Day.Ticket("T" + d, Optional.of(d), 1, List.of(hand("k", 50)))).toList();
        assertThat(HandsBound.of(day(1, tickets)).orders().getFirst()).containsExactly(1, 3, 0, 2);
        assertThat(DaySolver.quick(day(1, tickets), 0.1).orElseThrow().slots().stream().map(DayPlan.Slot::ticket)).containsExactly("T300", "T600", "T900", "T1500");
    }

    @Test
    void whatIsEarlyEnoughOrTooMuchIsBoundByNothing() {
        assertThat(HandsBound.of(day(1, List.of())).lateness()).isZero();
        assertThat(HandsBound.of(day(1, List.of(new Day.Ticket("T", Optional.empty(), 1, List.of(hand("k", 50)))))).lateness()).isZero();
        HandsBound many = HandsBound.of(day(1, IntStream.range(0, 30).mapToObj(t -> new Day.Ticket("T" + t, Optional.of(0), 1, List.of(hand("k", 50)))).toList()));
        assertThat(many.lateness()).isZero();
        assertThat(many.orders()).singleElement().satisfies(o -> assertThat(o).hasSize(30));
    }
}
