package stillglass.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class PromisesTest {
    private static Day.Task task(String id, int minutes, String... after) {
        return new Day.Task(id, minutes, true, List.of(), List.of(after), Set.of(), true, Optional.empty());
    }

    private static Day day(Day.Span hours, Day.Ticket... tickets) {
        return new Day(1, Map.of(), List.of(tickets), List.of(hours), List.of(), Set.of());
    }

    private static Day.Ticket ticket(String id, Day.Task... tasks) {
        return new Day.Ticket(id, Optional.empty(), 1, List.of(tasks));
    }

    /// The 80th percentile of a lognormal is exp(0.8416 sigma) times its middle.
    @Test
    void oneTaskIsPromisedByItsOwnQuantile() {
        Day day = day(new Day.Span(0, 10_000), ticket("T1", task("close", 200)));
        assertThat(Promises.of(day, DaySolver.quick(day, 0.1).orElseThrow(), (t, k) -> 0.4, 2000).through().get("T1").orElse(-1)).isCloseTo((int) Math.round(200 * Math.exp(0.8416 * 0.4)), within(10));
        assertThat(Promises.of(day, DaySolver.quick(day, 0.1).orElseThrow(), (t, k) -> 0, 10).through().get("T1").orElse(-1)).as("what takes as long as it takes").isEqualTo(200);
    }

    /// Many tasks in a row are surer together than each alone: their sum, by its own mean and variance.
    @Test
    void whatStandsBehindOthersWaitsForThem() {
        double sigma = 0.4;
        Day.Task[] row = new Day.Task[16];
        for (int i = 0; i < row.length; i++) {
            row[i] = i == 0 ? task("k0", 60) : task("k" + i, 60, "k" + (i - 1));
        }
        Day day = day(new Day.Span(0, 20_000), ticket("T1", row));
        double mean = 16 * 60 * Math.exp(sigma * sigma / 2);
        double sd = 60 * Math.sqrt(16 * (Math.exp(sigma * sigma) - 1)) * Math.exp(sigma * sigma / 2);
        assertThat(Promises.of(day, DaySolver.quick(day, 0.1).orElseThrow(), (t, k) -> sigma, 2000).through().get("T1").orElse(-1)).isCloseTo((int) Math.round(mean + 0.8416 * sd), within(25));
    }

    @Test
    void whatCannotBeThroughInTheHoursThereAreIsNotPromised() {
        Day day = day(new Day.Span(0, 130), ticket("T1", task("close", 120)), ticket("T2", task("look", 10)));
        Promises p = Promises.of(day, DaySolver.quick(day, 0.1).orElseThrow(), (t, k) -> 0.5, 200);
        assertThat(p.through().get("T1")).isEmpty();
    }
}
