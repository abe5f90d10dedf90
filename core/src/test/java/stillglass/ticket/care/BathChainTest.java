package stillglass.ticket.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Material;
import stillglass.care.CareTables;
import stillglass.care.Route;
import stillglass.day.Chore;
import stillglass.day.Day;
import stillglass.day.Durations;
import stillglass.say.Said;
import stillglass.say.Wording;
import stillglass.ticket.Chores;
import stillglass.ticket.Job;

class BathChainTest {
    private static final CareTables CARE = new CareTables(List.of(new CareTables.Agent("naphtha", "naphtha", Map.of(), Map.of(), "", 25, true)), List.of(), List.of());

    @Test
    void aClockThatHasRungBeginsTheNextAndTheLastNone() {
        CareEvent.TimerSet soak = new BathChain(Route.TIN, 2).begin(CARE, Job.NOON);
        assertThat(soak.timer()).isEqualTo("bath-tin-2-soak");
        assertThat(Wording.core().say(soak.label())).isEqualTo("tin 2: soak, then air it and into the tank");
        assertThat(soak.ends()).as("by the table of the shop").isEqualTo(Job.NOON.plusSeconds(25 * 60));
        assertThat(BathChain.next(soak, CARE, Job.NOON.plusSeconds(25 * 60 - 1))).as("taken off before it has rung").isEmpty();
        CareEvent.TimerSet bath = BathChain.next(soak, CARE, soak.ends()).orElseThrow();
        assertThat(bath.timer()).isEqualTo("bath-tin-2-bathe");
        assertThat(bath.ends()).as("a usual time where the table has none").isEqualTo(soak.ends().plusSeconds(10 * 60));
        CareEvent.TimerSet dry = BathChain.next(BathChain.next(bath, CARE, bath.ends()).orElseThrow(), CARE, bath.ends().plusSeconds(3600)).orElseThrow();
        assertThat(dry.timer()).isEqualTo("bath-tin-2-dry");
        assertThat(BathChain.next(dry, CARE, dry.ends())).isEmpty();
        assertThat(new BathChain(Route.TANK, 1).links()).containsExactly(Chore.BATHE, Chore.RINSE, Chore.DRY);
    }

    @Test
    void anyOtherClockBeginsNothing() {
        for (String name : List.of("own-glue", "bath-tin-1-boil", "bath-sink-1-soak", "bath-tin--soak", "bath-tin-99999-soak")) {
            assertThat(BathChain.next(new CareEvent.TimerSet(name, Said.text("x"), Job.NOON), CARE, Job.NOON)).as(name).isEmpty();
        }
        assertThatThrownBy(() -> new BathChain(Route.HAND, 1)).hasMessageContaining("hand");
    }

    /// A part of bare metal that is off soaks, bathes, is rinsed and dries while the rest is cleaned; once its clock runs, only what follows is left to plan, and nothing else waits for it.
    @Test
    void theDayPlansWhatIsLeftOfAChain() {
        Job job = Job.unknown().say("off focusing thread, thread, rear").accept(new CareEvent.MadeOf("focusing_thread", List.of(Material.BRASS)));
        assertThat(names(job)).containsExactly("open", "soak", "bathe", "rinse", "dry", "clean", "close", "prove");
        job.accept(new CareEvent.TimerSet("bath-tin-1-bathe", Said.text("bath"), Job.NOON.plusSeconds(600)));
        Chores c = left(job);
        assertThat(names(job)).containsExactly("wait", "open", "rinse", "dry", "clean", "close", "prove");
        assertThat(c.tasks().stream().filter(k -> k.id().equals("rinse")).findFirst().orElseThrow().after()).containsExactly("wait");
        assertThat(c.tasks().stream().filter(k -> k.id().equals("open")).findFirst().orElseThrow().after()).isEmpty();
        assertThat(c.tasks().stream().filter(k -> k.id().equals("close")).findFirst().orElseThrow().after()).containsExactlyInAnyOrder("dry", "clean");
    }

    private static Chores left(Job job) {
        return Chores.of(job.story(), job.worldWith(Job.BATHS), Optional.empty(), new Durations(), Job.NOON);
    }

    private static List<String> names(Job job) {
        return left(job).tasks().stream().map(Day.Task::id).toList();
    }
}
