package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instrument;
import stillglass.device.Source;
import stillglass.plan.Alternatives;
import stillglass.say.Said;
import stillglass.say.Wording;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.proof.Proof;
import stillglass.ticket.proof.ProofEvent;
import stillglass.ticket.proof.ProofIntent;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// What is decided about arrival, readings, care, course and proof.
class SubjectsTest {
    private static ProofIntent.Sign sign(String by) {
        return new ProofIntent.Sign(by, Instant.EPOCH, Optional.empty());
    }

    private static ReadingEvent.InfinityMeasured sharp() {
        return new ReadingEvent.InfinityMeasured(Phase.AFTER, 0, 0.01, Source.TYPED);
    }

    @Test
    void whatNobodySaidOfATicketIsNotKnownAndCanBeSaidLater() {
        Job job = Job.unknown();
        job.accept(new ArrivalEvent.OwnerNamed("Island weather station"), new ArrivalEvent.DueSet(LocalDate.of(2026, 12, 24)), new ArrivalEvent.SymptomNoted("stiff"));

        assertThat(job.state().tag().owner()).contains("Island weather station");
        assertThat(job.state().tag().due()).contains(LocalDate.of(2026, 12, 24));
        assertThat(job.state().tag().sectionId()).isEmpty();
        assertThat(job.refusal(new ArrivalEvent.SymptomNoted("  "))).isNotBlank();
    }

    @Test
    void aStageIsFinishedWhenTheLedgerIsZeroOrSomebodySaysWhy() {
        Job job = Job.begun().accept(Job.open("ring-thread"));
        assertThat(job.refusal(new CourseIntent.FinishStage(Stage.CLOSE, Optional.empty()))).contains("1 joint");
        job.accept(new CourseIntent.FinishStage(Stage.OPEN, Optional.empty()), new CourseIntent.FinishStage(Stage.CLOSE, Optional.of("the ring is replaced")));

        assertThat(job.state().done(Stage.CLOSE)).isTrue();
        assertThat(job.state().course().overruled()).singleElement().satisfies(o -> assertThat(o.why()).isEqualTo("the ring is replaced"));
    }

    @Test
    void goalsMustBeKnownAndReachable() {
        Job job = Job.begun();
        assertThat(job.refusal(new CourseIntent.ChooseGoals(List.of("S3")))).contains("S3");
        assertThat(job.refusal(new CourseIntent.ChooseGoals(List.of("teapot")))).contains("teapot");
        job.accept(new CourseIntent.ChooseGoals(List.of("S1", "helicoid")));
        assertThat(job.state().course().goals()).containsExactly("S1", "helicoid");
    }

    @Test
    void anOrderOfOnesOwnMustBePossibleAndAnotherWayForgetsIt() {
        Job job = Job.begun().accept(new CourseIntent.ChooseGoals(List.of("E1")));
        assertThat(job.refusal(new CourseIntent.Reorder(List.of("e1-seat", "ring-thread")))).contains("ring thread");
        job.accept(new CourseIntent.Reorder(List.of("ring-thread", "e1-seat")));
        assertThat(job.state().course().order()).containsExactly("ring-thread", "e1-seat");
        job.accept(new CourseIntent.ChooseWay(Alternatives.Sort.FULL_STRIP));
        assertThat(job.state().course().order()).isEmpty();
    }

    @Test
    void onlyWhatThereIsIsCleanedWithWhatThereIs() {
        Job job = Job.begun();
        assertThat(job.refusal(new CareEvent.PartCleaned("teapot", "haze", "water", true))).contains("teapot");
        assertThat(job.refusal(new CareEvent.PartCleaned("E1", "haze", "champagne", true))).contains("champagne").contains("water");
        assertThat(job.refusal(new CareEvent.PartCleaned("E1", "jam", "water", true))).contains("jam");
        job.accept(new CareEvent.PartCleaned("E1", "haze", "water", false));
        assertThat(job.state().care().cleaned()).singleElement().satisfies(c -> assertThat(c.gone()).isFalse());
    }

    @Test
    void clocksAreSetAnewAndTakenOff() {
        Job job = Job.begun().accept(new CareEvent.TimerSet("soak", Said.text("naphtha"), Job.NOON), new CareEvent.TimerSet("soak", Said.text("naphtha"), Job.NOON.plusSeconds(60)));
        assertThat(job.state().care().timers()).hasSize(1);
        job.accept(new CareEvent.TimerCleared("soak"));
        assertThat(job.state().care().timers()).isEmpty();
        assertThat(job.refusal(new CareEvent.TimerCleared("soak"))).isNotBlank();
    }

    @Test
    void aReportIsSignedWithANameAndTheProofsThatFit() {
        Job job = Job.begun();
        assertThat(job.refusal(sign(""))).contains("name");
        assertThat(job.refusal(sign("M."))).contains("nfinity");
        job.accept(sharp(), sign(" M. "));
        assertThat(job.state().proof().signed(job.state().joints())).map(ProofEvent.Signed::by).contains("M.");

        Job finder = Job.on(Instrument.unknown("own-finder", "Finder", Instrument.Sort.BODY), Optional.empty());
        assertThat(finder.refusal(sign("M."))).contains("functions");
        finder.accept(new ReadingEvent.FunctionChecked(Phase.BEFORE, "wind", "stiff"));
        assertThat(finder.refusal(sign("M."))).as("how it came is no proof of how it goes").contains("wind");
        finder.accept(new ReadingEvent.FunctionChecked(Phase.AFTER, "wind", "free"), sign("M."));
        assertThat(finder.state().proof().signatures()).as("a body makes no picture of its own").hasSize(1);
    }

    @Test
    void whatWasTriedWhenItCameIsTriedAgainBeforeItIsSigned() {
        Job job = Job.begun().accept(new ReadingEvent.FunctionChecked(Phase.BEFORE, "iris", "sticks"), sharp());
        assertThat(Proof.wanted(job.state().readings(), job.state().joints(), job.world()).stream().map(Wording.core()::say)).singleElement().asString().contains("iris");
        assertThat(job.refusal(sign("M."))).contains("iris");
        job.accept(new ReadingEvent.FunctionChecked(Phase.AFTER, "iris", "snaps shut"), sign("M."));
    }

    @Test
    void anythingReopenedOrShimmedWithdrawsSignatureAndInfinityVisibly() {
        Job job = Job.begun().accept(sharp(), sign("M."), Job.open("ring-thread"), Job.close("ring-thread"));

        assertThat(job.state().proof().signed(job.state().joints())).isEmpty();
        assertThat(job.state().proof().withdrawn(job.state().joints())).extracting(ProofEvent.Signed::by).containsExactly("M.");
        assertThat(Proof.infinity(job.state().readings(), job.state().joints())).isEmpty();
        assertThat(job.refusal(sign("M."))).contains("nfinity");
        job.accept(sharp(), sign("R."));
        assertThat(job.state().proof().signed(job.state().joints())).map(ProofEvent.Signed::by).contains("R.");

        job.accept(new JointIntent.FitShims(Optional.empty(), List.of(0.2)));
        assertThat(job.state().proof().signed(job.state().joints())).as("shims move what was proved").isEmpty();
    }

    @Test
    void aReasonSignsInSpiteOfWhatIsMissingAndIsKept() {
        Job job = Job.begun().accept(Job.open("ring-thread"), new ProofIntent.Sign("M.", Instant.EPOCH, Optional.of("goes back unrepaired")));

        assertThat(job.state().course().overruled()).singleElement().satisfies(o -> {
            assertThat(o.why()).isEqualTo("goes back unrepaired");
            assertThat(Wording.core().say(o.what())).contains("joint").contains("nfinity");
        });
    }

    @Test
    void aReadingNeedsItsWords() {
        assertThat(Job.begun().refusal(new ReadingEvent.FunctionChecked(Phase.BEFORE, " ", "sticks"))).isNotBlank();
        assertThatThrownBy(() -> new ReadingEvent.InfinityMeasured(Phase.BEFORE, Double.POSITIVE_INFINITY, 0.01, Source.TYPED)).hasMessageContaining("out of range");
    }
}
