package stillglass.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.say.Wording;

class FixingTest {
    private static Day.Task task(String id, int minutes, boolean attended, List<String> uses, List<String> after, Optional<Integer> start, String... tags) {
        return new Day.Task(id, minutes, attended, uses, after, Set.of(tags), attended, start);
    }

    private static final Day DAY = new Day(1, Map.of("tin", 1), List.of(
            new Day.Ticket("T1", Optional.empty(), 1, List.of(task("open", 40, true, List.of(), List.of(), Optional.empty()), task("soak", 60, false, List.of("tin"), List.of("open"), Optional.empty(), "solvent", "flammable"),
                    task("close", 50, true, List.of(), List.of("soak"), Optional.empty(), "grease"))),
            new Day.Ticket("T2", Optional.empty(), 1, List.of(task("soak", 60, false, List.of("tin"), List.of(), Optional.of(180), "solvent", "flammable"), task("close", 60, true, List.of(), List.of(), Optional.of(300), "grease")))),
            List.of(new Day.Span(0, 240), new Day.Span(300, 540), new Day.Span(1740, 2100)), List.of(new Day.Pair("solvent", "grease")), Set.of("flammable"));

    private static String why(String ticket, String task, int start) {
        return Fixing.refused(DAY, ticket, task, start).map(Wording.core()::sentence).orElse("");
    }

    @Test
    void everyRefusalSaysWhy() {
        assertThat(why("T1", "open", -1)).contains("over");
        assertThat(why("T1", "open", 250)).contains("Nobody is there");
        assertThat(why("T1", "soak", 60)).isEmpty();
        assertThat(why("T1", "soak", 10)).as("opening ends at 40").contains("waits for “open”").contains("30 min");
        assertThat(why("T1", "soak", 200)).contains("must not stand alone").contains("40 min later");
        assertThat(why("T1", "soak", 130)).as("the only tin is taken from 180 on").contains("T2, “soak”");
        assertThat(why("T1", "close", 99)).contains("waits for “soak”").contains("1 min");
        assertThat(why("T1", "close", 100)).isEmpty();
        assertThat(why("T1", "close", 150)).contains("Solvent and grease").contains("T2");
        assertThat(why("T1", "close", 320)).contains("No hand").contains("T2");
        assertThat(why("T2", "close", 300)).as("where it stands already").isEmpty();
    }

    /// What is refused could indeed not be planned, and what is not refused can.
    @Test
    void refusalsAgreeWithThePlanner() {
        for (Day.Ticket t : DAY.tickets()) {
            for (Day.Task k : t.tasks()) {
                for (int start = 0; start < 540; start += 7) {
                    int at = start;
                    Day fixed = DAY.with(DAY.tickets().stream().map(x -> new Day.Ticket(x.id(), x.dueMin(), x.weight(), x.tasks().stream().map(y -> x.id().equals(t.id()) && y.id().equals(k.id()) ? y.at(Optional.of(at)) : y).toList())).toList());
                    boolean possible = Fixing.refused(DAY, t.id(), k.id(), start).isEmpty();
                    if (possible) {
                        assertThat(DaySolver.quick(fixed, 0.1).isPresent()).as("%s %s at %d", t.id(), k.id(), start).isTrue();
                    }
                }
            }
        }
    }
}
