package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instrument;
import stillglass.assembly.Material;
import stillglass.day.DayPlan;
import stillglass.day.Durations;
import stillglass.day.Shop;
import stillglass.say.Wording;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.story.Stage;

/// A Tuesday, one person, from noon on: nine to one and two to six.
class BenchDayTest {
    private static BenchDay.Read ticket(String number, LocalDate due, String... lines) {
        Job job = Job.on(Instrument.unknown("own-" + number, "Lens " + number, Instrument.Sort.LENS), Optional.empty(), number, due).say(lines);
        return new BenchDay.Read(job.story(), job.world(), Optional.empty());
    }

    private static BenchDay planned(Instant now, BenchDay.Read... tickets) {
        return BenchDay.of(Shop.USUAL, List.of(tickets), new Durations(), now, ZoneOffset.UTC);
    }

    private static DayPlan.Slot slot(BenchDay d, String ticket, String task) {
        return d.plan().orElseThrow().slots().stream().filter(s -> s.ticket().equals(ticket) && s.task().equals(task)).findFirst().orElseThrow();
    }

    @Test
    void whatIsDueFirstIsDoneFirstWithinTheHours() {
        BenchDay d = planned(Job.NOON, ticket("T-1", LocalDate.of(2026, 12, 4)), ticket("T-2", LocalDate.of(2026, 11, 25)));
        assertThat(d.first().orElseThrow()).isEqualTo(new DayPlan.Slot("T-2", "look", 0, 20));
        // 20 + 10 + 45 + 60 + 60 + 30 minutes: 60 before the pause, 165 after it.
        assertThat(d.through("T-2").orElseThrow().planned()).isEqualTo(120 + 165);
        assertThat(d.through("T-2").orElseThrow().promised().orElseThrow()).as("four in five take longer than the middle").isGreaterThan(285);
        assertThat(slot(d, "T-1", "look").start()).isEqualTo(285);
        assertThat(d.plan().orElseThrow().lateness()).isZero();
    }

    /// What corrodes by the hour is taken up before what is due sooner, and is not called late for it.
    @Test
    void whatCameInWetComesFirst() {
        BenchDay d = planned(Job.NOON, ticket("T-1", LocalDate.of(2026, 11, 24)), ticket("T-2", LocalDate.of(2026, 12, 24), "wet salt, 1 h ago"));
        assertThat(d.first().orElseThrow().ticket()).isEqualTo("T-2");
        assertThat(d.late("T-2")).isZero();
        assertThat(d.late("T-1")).isPositive();
        assertThat(d.through("T-2").orElseThrow().promised()).as("nobody knows when it is dry").isEmpty();
    }

    /// Sixty things nobody has begun are more than a month holds: what is due first is planned, the others are counted.
    @Test
    void aMonthThatIsOverfullIsPlannedAsFarAsItGoes() {
        BenchDay.Read[] sixty = IntStream.range(0, 60).mapToObj(i -> ticket("T-" + (100 + i), LocalDate.of(2026, 12, 1).plusDays(i))).toArray(BenchDay.Read[]::new);
        BenchDay d = planned(Job.NOON, sixty);
        assertThat(d.plan()).isPresent();
        assertThat(d.left()).isBetween(15, 35);
        assertThat(d.tickets()).hasSize(60 - d.left()).first().extracting(BenchDay.Open::number).isEqualTo("T-100");
    }

    @Test
    void aDayThousandsOfYearsAwayIsADayLikeAnyOther() {
        BenchDay d = planned(Job.NOON, ticket("T-1", LocalDate.of(9999, 12, 31)), ticket("T-2", LocalDate.of(1, 1, 1)));
        assertThat(d.first().orElseThrow().ticket()).isEqualTo("T-2");
        assertThat(d.late("T-1")).isZero();
        assertThat(d.late("T-2")).isPositive();
    }

    /// A shop without a tank bathes in a bowl; one that is open for a quarter of an hour at a time soaks nothing that burns, and says that it is not planned.
    @Test
    void aShopDoesWithoutWhatItDoesNotHave() {
        Job job = Job.unknown().say("off focusing thread, thread, rear").accept(new CareEvent.MadeOf("focusing_thread", List.of(Material.BRASS)));
        BenchDay.Read soaks = new BenchDay.Read(job.story(), job.worldWith(Job.BATHS), Optional.empty());
        BenchDay bare = BenchDay.of(Shop.parse("hands 1\ntuesday 9-18\nwednesday 9-18"), List.of(soaks), new Durations(), Job.NOON, ZoneOffset.UTC);
        assertThat(bare.plan()).isPresent();
        assertThat(bare.day().task("T-1", "bathe").orElseThrow().uses()).isEmpty();
        BenchDay hurried = BenchDay.of(Shop.parse("hands 1\ntin 1\ntuesday 14-14:15\nwednesday 9-9:15"), List.of(soaks), new Durations(), Job.NOON, ZoneOffset.UTC);
        assertThat(hurried.plan()).isEmpty();
        assertThat(hurried.left()).isEqualTo(1);
    }

    @Test
    void nothingToDoIsNoPlan() {
        BenchDay d = planned(Job.NOON);
        assertThat(d.plan()).isEmpty();
        assertThat(d.first()).isEmpty();
        assertThat(d.searched(1)).isEqualTo(d);
    }

    /// At eleven glue is found open and sets till the next day: the rest of that ticket moves, and what is fixed stays.
    @Test
    void aDayThatGoesWrongIsPlannedAnew() {
        Instant nine = Instant.parse("2026-11-24T09:00:00Z");
        BenchDay.Read fixed = ticket("T-2", LocalDate.of(2026, 11, 25), "task look in 5 h");
        BenchDay morning = planned(nine, ticket("T-1", LocalDate.of(2026, 11, 24)), fixed);
        assertThat(slot(morning, "T-2", "look").start()).as("twelve and five hours, told at noon").isEqualTo(480);
        assertThat(morning.through("T-1").orElseThrow().planned()).as("done by two").isLessThanOrEqualTo(300);
        Instant eleven = nine.plus(Duration.ofHours(2));
        BenchDay then = planned(eleven, ticket("T-1", LocalDate.of(2026, 11, 24), "wait 25 h for the glue"), fixed);
        assertThat(slot(then, "T-1", "look").start()).as("noon and 25 h are over at one, the shop is there again at two").isGreaterThanOrEqualTo(26 * 60);
        assertThat(then.at(slot(then, "T-2", "look").start())).as("what is fixed stays").isEqualTo(Instant.parse("2026-11-24T17:00:00Z"));
        assertThat(then.plan().orElseThrow().lateness()).as("and that it is late is said").isPositive();
    }

    @Test
    void aFixedTimeThatCannotBeKeptIsSaidAndLetGo() {
        BenchDay d = planned(Job.NOON, ticket("T-1", LocalDate.of(2026, 12, 4), "task prove in 30 min"), ticket("T-2", LocalDate.of(2026, 12, 4)));
        BenchDay.Slotted prove = new BenchDay.Slotted("T-1", "prove");
        assertThat(d.unfixed()).containsOnlyKeys(prove);
        assertThat(Wording.core().sentence(d.unfixed().get(prove))).contains("waits for “close”");
        assertThat(d.plan()).isPresent();
    }

    /// A soak that is fixed to when nobody is there is let go like anything else; a clock that runs is not asked.
    @Test
    void whatGoesOnByItselfIsLetGoTooUnlessItRuns() {
        Job job = Job.unknown().say("off focusing thread, thread, rear").accept(new CareEvent.MadeOf("focusing_thread", List.of(Material.BRASS))).say("task bathe in 5 min", "wait 3 h for the glue");
        BenchDay d = planned(Job.NOON, new BenchDay.Read(job.story(), job.worldWith(Job.BATHS), Optional.empty()));
        assertThat(d.unfixed().keySet()).extracting(BenchDay.Slotted::task).containsExactly("bathe");
        assertThat(d.plan()).isPresent();
        assertThat(slot(d, "T-1", "wait").start()).isZero();
    }

    @Test
    void aTimeSomebodyWantsIsRefusedWithAReason() {
        BenchDay d = planned(Job.NOON, ticket("T-1", LocalDate.of(2026, 12, 4)));
        assertThat(d.refused(new BenchDay.Slotted("T-1", "look"), Job.NOON.plus(Duration.ofMinutes(90)))).map(Wording.core()::sentence).hasValueSatisfying(w -> assertThat(w).contains("Nobody is there"));
        assertThat(d.refused(new BenchDay.Slotted("T-1", "look"), Job.NOON.plus(Duration.ofMinutes(120)))).isEmpty();
    }

    /// Searched longer, a plan is never worse; with nothing fixed and everything early enough it is as soon through.
    @Test
    void searchingLongerIsNeverWorse() {
        BenchDay d = planned(Job.NOON, ticket("T-1", LocalDate.of(2026, 11, 25)), ticket("T-2", LocalDate.of(2026, 11, 25)), ticket("T-3", LocalDate.of(2026, 11, 25)));
        BenchDay s = d.searched(1);
        assertThat(s.plan().orElseThrow().lateness()).isLessThanOrEqualTo(d.plan().orElseThrow().lateness());
        assertThat(s.plan().orElseThrow().latenessBound()).isLessThanOrEqualTo(s.plan().orElseThrow().lateness());
    }

    /// A search nobody wants any more is given up at once, and the day stays as it is.
    @Test
    void aSearchThatIsStoppedLeavesTheDayAsItIs() {
        BenchDay d = planned(Job.NOON, ticket("T-1", LocalDate.of(2026, 11, 25)), ticket("T-2", LocalDate.of(2026, 11, 25)));
        assertThat(d.searched(3600, () -> true)).isSameAs(d);
    }

    /// What is to be made is weighed once: as what was said of it, and not as one of the chores too.
    @Test
    void aPartToMakeIsNotWeighedTwice() {
        Shop shop = Shop.parse("hands 1\nhour 60\ntuesday 9-18\nwednesday 9-18");
        Job bare = Job.unknown().stage(Stage.DECIDE).say("worth 500, chance 90 %");
        Job making = Job.unknown().stage(Stage.DECIDE).say("worth 500, chance 90 %", "to make name ring, 60 min, costs 5");
        assertThat(leftHours(making, shop) - leftHours(bare, shop)).isCloseTo(1, within(1e-9));
    }

    private static double leftHours(Job job, Shop shop) {
        return BenchDay.of(shop, List.of(new BenchDay.Read(job.story(), job.world(), Optional.empty())), new Durations(), Job.NOON, ZoneOffset.UTC).open("T-1").orElseThrow().outlook().orElseThrow().leftHours();
    }
}
