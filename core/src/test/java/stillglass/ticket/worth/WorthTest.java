package stillglass.ticket.worth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.day.Durations;
import stillglass.day.Outlook;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.Undo;

/// A wreck nobody has a map of.
class WorthTest {
    private static Job wreck() {
        return Job.unknown().stage(Stage.DECIDE);
    }

    private static Optional<Outlook> outlook(Job job, Optional<Double> hour) {
        return job.state().worth().outlook(List.of(Durations.Estimate.said(60)), hour);
    }

    @Test
    void nothingIsWeighedBeforeSomebodySaysWhatItIsWorthAndWhatAnHourCosts() {
        assertThat(outlook(wreck(), Optional.of(45.0))).isEmpty();
        assertThat(outlook(wreck().say("worth 120"), Optional.empty())).isEmpty();
        assertThat(outlook(wreck().say("worth 120, chance 75 %"), Optional.of(45.0)).orElseThrow().paysHours()).isCloseTo(2, within(1e-12));
    }

    @Test
    void whatNobodySaidIsNamedAndNotTakenForNothing() {
        assertThat(wreck().state().worth().unsaid()).isEmpty();
        Job job = wreck().say("worth 120", "to make name ring, 90 min", "to buy ribbon, 5 min, costs 18");
        assertThat(job.state().worth().unsaid().stream().map(Wording.core()::say)).containsExactly("Taken as sure to come out well, for nobody said how likely that is.", "What name ring takes or costs nobody said in full: that is not in it.");
        job.say("worth 120, chance 70 %", "to make name ring, 90 min, costs 12");
        assertThat(job.state().worth().unsaid()).isEmpty();
    }

    @Test
    void partsToMakeCostTimeAndMoneyUntilTheyAreThere() {
        Job job = wreck().say("worth 120", "to make name ring, 90 min, costs 12", "to buy ribbon, costs 18");
        assertThat(outlook(job, Optional.of(45.0)).orElseThrow()).satisfies(o -> {
            assertThat(o.leftHours()).isCloseTo(2.5, within(1e-9));
            assertThat(o.paysHours()).isCloseTo(2, within(1e-12));
            assertThat(o.verdict()).isEqualTo(Outlook.Verdict.STOP);
        });
        job.say("made Name Ring");
        assertThat(job.state().worth().toMake()).containsOnlyKeys("ribbon");
        assertThat(job.state().worth().spentOn()).isEqualTo(12);
        assertThat(outlook(job, Optional.of(45.0)).orElseThrow().verdict()).as("what was spent is gone either way").isEqualTo(Outlook.Verdict.GO_ON);
        assertThat(job.answer("made name ring")).contains("ribbon");
        job.accept(new Undo());
        assertThat(job.state().worth().toMake()).hasSize(2);
    }

    @Test
    void nothingIsDestroyedWithoutAReasonAndTheCautionIsSaidBefore() {
        Job job = wreck();
        assertThat(job.answer("drill front ring")).contains("seized");
        assertThat(Wording.core().say(((stillglass.ticket.words.Reading.Understood) job.read("drill out the front ring, loses 30, seized after three heats")).reads())).contains("drill out front ring").contains("goggles");
        job.say("drill out the front ring, loses 30, seized after three heats");
        assertThat(job.state().worth().destroyed()).containsExactly(new WorthEvent.DestroyingDecided(How.DRILL, "front ring", Optional.of(30.0), "seized after three heats"));
        assertThat(job.state().worth().told().stream().map(Wording.core()::say)).containsExactly("Decided to drill out front ring; 30 lost by it.");
        assertThat(job.refusal(new WorthEvent.DestroyingDecided(How.CUT, "strap", Optional.empty(), " "))).contains("strap");
    }

    @Test
    void whatCannotBeIsSaidSo() {
        assertThat(wreck().answer("worth")).contains("worth 120");
        assertThat(wreck().answer("worth 120, chance 130 %")).contains("chance");
        assertThat(wreck().answer("to make ring, yesterday")).contains("to make name ring");
        assertThat(wreck().answer("made nothing at all")).contains("no part");
        assertThatThrownBy(() -> new WorthEvent.WorthSaid(Double.NaN, Optional.empty())).hasMessageContaining("NaN");
        assertThatThrownBy(() -> new WorthEvent.PartToMake("x", Optional.of(-1.0), Optional.empty())).isInstanceOf(IllegalArgumentException.class);
    }

    /// Worth 120 at three in four, one hour left at 45: going on leaves 45.
    @Test
    void whatWasBoughtGoesBackWhileItMayAndGoingOnLeavesLess() {
        Job job = wreck().say("worth 120, chance 75 %", "paid 80, back until 2026-12-12");
        Optional<Outlook> going = outlook(job, Optional.of(45.0));
        assertThat(back(job, going, "2026-12-12")).hasValueSatisfying(w -> assertThat(w).startsWith("Send it back by 2026-12-12").contains("returns 80").contains("about 45"));
        assertThat(back(job, going, "2026-12-13")).as("too late").isEmpty();
        assertThat(back(wreck().say("worth 120, chance 75 %", "paid 40, back until 2026-12-12"), going, "2026-12-01")).hasValueSatisfying(w -> assertThat(w).startsWith("Keep it"));
        assertThat(back(wreck().say("worth 120", "paid 80"), going, "2026-12-01")).as("nobody said that it may go back").isEmpty();
        assertThat(back(job, Optional.empty(), "2026-12-01")).as("nothing to weigh it against").isEmpty();
        assertThat(job.state().worth().told().stream().map(Wording.core()::say)).contains("Paid 80; it may go back until 2026-12-12.");
        assertThat(wreck().answer("paid 80, back until Friday")).contains("2026-12-12");
        assertThat(wreck().answer("paid -3")).isNotEmpty();
    }

    private static Optional<String> back(Job job, Optional<Outlook> going, String today) {
        return job.state().worth().back(going, Optional.of(45.0), LocalDate.parse(today)).map(Wording.core()::say);
    }
}
