package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instruments;
import stillglass.assembly.ClockPosition;
import stillglass.look.FindingKind;

class DecisionTest {
    private static final Intent MARK_MOUNT = new Intent.KeepReference("mount-clock", "ink", ClockPosition.of(0));
    private static final Intent MARK_ENTRY = new Intent.KeepReference("entry", "ink", ClockPosition.of(4));

    @Test
    void aTicketBeginsOnce() {
        assertThat(Story.begun().refusal(new Intent.Begin(
                        new TicketEvent.Opened("T-2", "", "small", "triplet", "", LocalDate.EPOCH), List.of())))
                .contains("already open as T-1");
    }

    private static Story withDust() {
        stillglass.look.Finding f = new stillglass.look.Finding(FindingKind.DUST, 0.9, List.of(), 0.01, 3, 0, 0, 0.4, 1, List.of());
        return Story.begun().accept(new Intent.Keep(List.of(new TicketEvent.PhotoKept("p1", Phase.BEFORE, false, "x"),
                new TicketEvent.PhotoGraded("p1", stillglass.look.Lighting.AGAINST, new stillglass.look.Aperture(1, 1, 1, 1, 0), List.of(f), 0, List.of(), List.of()))));
    }

    @Test
    void aFindingIsNotPutWhereItsKindCannotBe() {
        assertThat(withDust().refusal(new Intent.Place("p1#1", 4))).isEqualTo("Not there: the cement of E2 and E3 is closed. Change its kind first.");
        assertThat(withDust().refusal(new Intent.Place("p1#1", 9))).contains("no surface 10");
    }

    @Test
    void aKindThatItsSurfaceRulesOutLosesTheSurface() {
        Story story = withDust().accept(new Intent.Place("p1#1", 1), new Intent.Rekind("p1#1", FindingKind.FUNGUS));
        assertThat(story.state().finding("p1#1").orElseThrow().surface()).contains(1);
        story.accept(new Intent.Rekind("p1#1", FindingKind.SEPARATION));
        assertThat(story.state().finding("p1#1").orElseThrow().surface()).isEmpty();
        story.accept(new Intent.Place("p1#1", 4));
        assertThat(story.state().finding("p1#1").orElseThrow().surface()).contains(4);
    }

    @Test
    void depthReadingsGatherOnTheirFinding() {
        Story story = withDust().accept(new Intent.ReadDepth("p1#1", stillglass.grade.DepthReading.focus(false, 3, 0.3)),
                new Intent.ReadDepth("p1#1", stillglass.grade.DepthReading.parallax(false, 10, 0.6, 0.1)));

        assertThat(story.state().finding("p1#1").orElseThrow().depths()).hasSize(2);
        assertThat(story.refusal(new Intent.ReadDepth("p9#1", stillglass.grade.DepthReading.focus(false, 3, 0.3)))).contains("no longer there");
    }

    @Test
    void aJointWaitsForWhatLiesOverIt() {
        assertThat(Story.begun().refusal(Story.open("spacer-seat"))).contains("waits for e1 seat").contains("\"spacer seat anyway\"");
        assertThat(Story.begun().accept(Story.open("ring-thread")).refusal(Story.open("spacer-seat"))).contains("waits for e1 seat");
    }

    @Test
    void aDeviationIsRecordedAsSuch() {
        Story story = Story.begun().accept(new Intent.OpenJoint("e1-seat", true));

        assertThat(story.state().offPlan("e1-seat")).isTrue();
        assertThat(story.state().openNow()).containsExactly("e1-seat");
    }

    @Test
    void aReferenceIsMarkedBeforeItIsLost() {
        Story story = Story.begun();
        assertThat(story.refusal(Story.open("mount-screws"))).isEqualTo("Mark first: mount screws loses mount clocking.");
        story.accept(MARK_MOUNT, Story.open("mount-screws"));
        assertThat(story.state().openNow()).contains("mount-screws");
    }

    @Test
    void openingWithoutTheMarkIsKeptAsAnOverruling() {
        Story story = Story.begun().accept(new Intent.OpenJoint("mount-screws", true));

        assertThat(story.state().overruled()).singleElement().satisfies(o -> assertThat(o.what()).contains("mount-clock"));
    }

    @Test
    void aLostReferenceCannotBeMarkedAfterwards() {
        assertThat(Story.begun().accept(new Intent.OpenJoint("mount-screws", true)).refusal(MARK_MOUNT)).startsWith("Too late");
    }

    @Test
    void whatIsOpenIsNotOpenedTwice() {
        assertThat(Story.begun().accept(Story.open("ring-thread")).refusal(Story.open("ring-thread"))).contains("open already");
        assertThat(Story.begun().refusal(Story.open("no-such"))).contains("no joint no-such");
    }

    @Test
    void theReverseOrderIsEnforced() {
        Story story = Story.begun().accept(Story.open("ring-thread"), Story.open("e1-seat"));

        assertThat(story.refusal(Story.close("ring-thread"))).contains("comes after e1 seat");
        story.accept(Story.close("e1-seat"), Story.close("ring-thread"));
        assertThat(story.state().openNow()).isEmpty();
    }

    @Test
    void whatWasRecordedMustBeSeenAgain() {
        Story story = Story.begun().accept(Story.open("ring-thread"), Story.note("e1-seat", new Fact.Facing("E1", true)), Story.open("e1-seat"));
        assertThat(story.refusal(Story.close("e1-seat"))).isEqualTo("Say what you see first: which face of E1 is up?");

        story.accept(Story.see("e1-seat", new Fact.Facing("E1", false)));
        assertThat(story.refusal(Story.close("e1-seat"))).contains("Wrong way round: E1 came out front up.").contains("smears the edges");

        story.accept(Story.see("e1-seat", new Fact.Facing("E1", true)), Story.close("e1-seat"));
        assertThat(story.state().closed()).contains("e1-seat");
    }

    @Test
    void aReasonOverrulesAndIsKept() {
        Story story = Story.begun().accept(Story.open("ring-thread"), Story.note("e1-seat", new Fact.Facing("E1", true)), Story.open("e1-seat"),
                Story.see("e1-seat", new Fact.Facing("E1", false)));
        story.accept(new Intent.CloseJoint("e1-seat", false, Optional.of("the record was wrong")));

        assertThat(story.state().overruled()).singleElement().satisfies(o -> {
            assertThat(o.what()).contains("Wrong way round");
            assertThat(o.why()).isEqualTo("the record was wrong");
        });
    }

    @Test
    void aBlankReasonIsNone() {
        Story story = Story.begun().accept(Story.open("ring-thread"), Story.note("e1-seat", new Fact.Facing("E1", true)), Story.open("e1-seat"));

        assertThat(story.decide(new Intent.CloseJoint("e1-seat", false, Optional.of("  ")))).isInstanceOf(Decision.Refused.class);
    }

    @Test
    void aHelicoidIsGreasedBeforeItGoesBack() {
        Story story = Story.begun().accept(MARK_MOUNT, MARK_ENTRY, Story.open("ring-thread"), Story.open("mount-screws"), Story.open("helicoid-thread"));
        assertThat(story.refusal(Story.close("helicoid-thread"))).isEqualTo("Set first: Set infinity. Say \"set\" when it stands so.");
        story.accept(new Intent.SetControls("helicoid-thread"));
        assertThat(story.refusal(Story.close("helicoid-thread"))).isEqualTo("Grease helicoid before it is closed.");
        story.accept(new Intent.Keep(new TicketEvent.Greased("helicoid-thread", 120, "light")), Story.close("helicoid-thread"));
        assertThat(story.state().closed()).contains("helicoid-thread");
    }

    @Test
    void aSubAssemblyIsTriedBeforeAnythingIsClosedOverIt() {
        Story story = Story.begun().accept(MARK_MOUNT, MARK_ENTRY, Story.open("ring-thread"), Story.open("mount-screws"), Story.open("helicoid-thread"),
                new Intent.SetControls("helicoid-thread"), new Intent.Keep(new TicketEvent.Greased("helicoid-thread", 120, "light")), Story.close("helicoid-thread"));
        assertThat(story.refusal(Story.close("ring-thread"))).startsWith("Try first: Focus runs freely.");
        story.accept(new Intent.Keep(new TicketEvent.TestPassed("helicoid-thread", "Focus runs freely")), Story.close("ring-thread"));
    }

    @Test
    void aDanceGoesBackLastInFirstOut() {
        ClockPosition four = ClockPosition.of(4);
        ClockPosition seven = ClockPosition.of(7);
        Story story = Story.begun().accept(Story.note("ring-thread", new Fact.Moved("cam", four), new Fact.Moved("cylinder", seven)), Story.open("ring-thread"));

        assertThat(story.refusal(Story.see("ring-thread", new Fact.Moved("cam", four)))).contains("the cylinder was moved after it");
        story.accept(Story.see("ring-thread", new Fact.Moved("cylinder", seven)), Story.see("ring-thread", new Fact.Moved("cam", ClockPosition.of(9))));
        assertThat(story.refusal(Story.close("ring-thread"))).contains("The cam stood at 4 o'clock").contains("cannot pass its groove");
        story.accept(Story.see("ring-thread", new Fact.Moved("cam", four)), Story.close("ring-thread"));
    }

    @Test
    void troubleStaysOnTheLedgerUntilItIsMended() {
        Story story = Story.begun().accept(Story.open("ring-thread"), new Intent.Report("e1-seat", Trouble.BROKEN, "slot gone"), new Intent.Report("spacer-seat", Trouble.DROPPED, ""));

        assertThat(story.state().barred()).containsExactly("e1-seat");
        assertThat(Ledger.of(story.state(), Instruments.small()).say()).contains("broken at e1-seat").contains("dropped at spacer-seat");
        story.accept(new Intent.Mend("e1-seat"), new Intent.Mend("spacer-seat"));
        assertThat(story.state().barred()).isEmpty();
        assertThat(story.refusal(new Intent.Mend("e1-seat"))).contains("Nothing is wrong");
    }

    @Test
    void anOrderInWhichSomethingWaitsIsRefusedWithWhatItWaitsFor() {
        Story story = Story.begun();
        assertThat(story.refusal(new Intent.Reorder(List.of("e1-seat", "ring-thread")))).isEqualTo("Not there: e1 seat waits for ring thread.");
        assertThat(story.refusal(new Intent.Reorder(List.of("no-such")))).contains("no joint no-such");
        story.accept(new Intent.Reorder(List.of("mount-screws", "ring-thread", "e1-seat")));
        assertThat(story.state().order()).containsExactly("mount-screws", "ring-thread", "e1-seat");
        story.accept(new Intent.ChooseWay(stillglass.plan.Alternatives.Sort.FROM_REAR));
        assertThat(story.state().order()).as("another way has its own order").isEmpty();
        assertThat(story.state().way()).isEqualTo(stillglass.plan.Alternatives.Sort.FROM_REAR);
    }

    @Test
    void zeroIsSetWhenTheRestIsClosed() {
        Story story = Story.begun().accept(Story.open("ring-thread"));
        assertThat(story.refusal(new Intent.Zero("ring-thread"))).startsWith("It is zeroed last");
        assertThat(story.refusal(new Intent.TakeOff("ring-thread"))).contains("was not put back for a moment");
        assertThat(story.refusal(new Intent.Refit("e1-seat", "ring-thread"))).contains("nothing to put back");
        assertThat(story.refusal(new Intent.SetControls("ring-thread"))).startsWith("Nothing has to be set");
    }

    @Test
    void looseIsTightenedLater() {
        Story story = Story.begun().accept(new Intent.KeepReference("infinity", "ink", ClockPosition.of(0)), Story.open("ring-set"),
                new Intent.CloseJoint("ring-set", true, Optional.empty()));
        assertThat(story.state().loose()).containsExactly("ring-set");
        assertThat(story.refusal(new Intent.Tighten("mount-screws"))).contains("not waiting to be tightened");
        story.accept(new Intent.Tighten("ring-set"));
        assertThat(story.state().loose()).isEmpty();
    }

    @Test
    void closeIsNotDoneWhileAnythingIsOut() {
        Story story = Story.begun().accept(Story.open("ring-thread"));
        assertThat(story.refusal(new Intent.FinishStage(Stage.CLOSE, Optional.empty()))).isEqualTo(
                "Not yet: 1 joint open, 1 part out. Give a reason to call it done all the same.");

        story.accept(new Intent.FinishStage(Stage.CLOSE, Optional.of("the ring is replaced")));
        assertThat(story.state().done(Stage.CLOSE)).isTrue();
        assertThat(story.state().overruled()).singleElement().satisfies(o -> assertThat(o.why()).isEqualTo("the ring is replaced"));
    }

    @Test
    void aReportIsSignedWithANameAndAProof() {
        Story story = Story.begun();
        assertThat(story.refusal(new Intent.Sign("", Story.NOON))).contains("Sign with a name");
        assertThat(story.refusal(new Intent.Sign("M.", Story.NOON))).contains("Measure infinity after the work first");
        story.accept(new Intent.Keep(new TicketEvent.InfinityMeasured(Phase.AFTER, 0, 0.01)), new Intent.Sign(" M. ", Instant.EPOCH));
        assertThat(story.state().signed()).map(TicketEvent.ReportSigned::by).contains("M.");
    }

    @Test
    void goalsMustBeReachable() {
        Story story = Story.begun();
        assertThat(story.refusal(new Intent.ChooseGoals(List.of("S3")))).contains("No joint on the map leads to S3");
        assertThat(story.refusal(new Intent.ChooseGoals(List.of("teapot")))).contains("teapot");
        story.accept(new Intent.ChooseGoals(List.of("S1", "helicoid")));
        assertThat(story.state().goals()).containsExactly("S1", "helicoid");
    }

    @Test
    void findingsThatAreGoneCannotBeTouched() {
        Story story = Story.begun();
        assertThat(story.refusal(new Intent.Rekind("p1#1", FindingKind.OIL))).contains("no longer there");
        assertThat(story.refusal(new Intent.Place("p1#1", 77))).contains("no surface 78");
        assertThat(story.refusal(new Intent.OverruleGrade("p1#1", 7, "x"))).contains("from 0 to 4");
        assertThat(story.refusal(new Intent.OverruleGrade("p1#1", 2, " "))).contains("Say why");
    }

    @Test
    void onlyPartsOfTheMapAreCleaned() {
        assertThat(Story.begun().refusal(new Intent.Clean("teapot", "haze", "water", true))).contains("no part teapot");
    }

    private static TicketEvent.PhotoKept kept(String id, Phase phase) {
        return new TicketEvent.PhotoKept(id, phase, false, "step");
    }

    /// One act each: the photo of a step, and the photo of the joint put back with what it tells.
    @Test
    void aRingThatTwoPhotosShowTurnedIsNotClosedUntilTheyAgree() {
        Story s = Story.begun().accept(new Intent.PhotographStep(kept("p1", Phase.BEFORE), "ring-thread", new Fact.Photo("p1")), new Intent.OpenJoint("ring-thread", true));
        assertThat(s.state().facts("ring-thread")).containsExactly(new Fact.Photo("p1"));

        s.accept(new Intent.PhotographStep(kept("p2", Phase.AFTER), "ring-thread", new Fact.Photo("p2")));
        assertThat(s.state().stated("ring-thread")).singleElement().satisfies(f -> assertThat(f.matches()).as("it tells nothing, and bars nothing").isTrue());
        s.accept(new Intent.PhotographStep(kept("p3", Phase.AFTER), "ring-thread", new Fact.Clocked("p3", 12, 0.1, 1)));
        assertThat(s.refusal(new Intent.CloseJoint("ring-thread", false, Optional.empty()))).contains("Turned by 12.0°").contains("anticlockwise");
        s.accept(new Intent.Undo());
        assertThat(s.state().photo("p3")).as("the photo and what it told are one act").isEmpty();
        s.accept(new Intent.PhotographStep(kept("p4", Phase.AFTER), "ring-thread", new Fact.Clocked("p4", 0.3, 0.1, 1)), new Intent.CloseJoint("ring-thread", false, Optional.empty()));
        assertThat(s.state().closed()).contains("ring-thread");
    }

    @Test
    void marksOnAPhotoAreDrawnRenamedAndTakenOff() {
        Story s = Story.begun().accept(new Intent.PhotographStep(kept("p1", Phase.BEFORE), "ring-thread", new Fact.Photo("p1")),
                new Intent.Keep(new TicketEvent.PhotoMarked("p1", 0, new PhotoMark(0.1, 0.1, 0.4, 0.3, "A"))),
                new Intent.Keep(new TicketEvent.PhotoMarked("p1", 1, new PhotoMark(0.6, 0.1, 0.5, 0.3, "B"))));
        s.accept(new Intent.Keep(new TicketEvent.PhotoMarked("p1", 1, new PhotoMark(0.6, 0.1, 0.5, 0.3, "notch"))), new Intent.Keep(new TicketEvent.PhotoUnmarked("p1", 0)));

        assertThat(s.state().marks("p1").values()).extracting(PhotoMark::word).containsExactly("notch");
        assertThat(s.state().marks("p9")).isEmpty();
        assertThatThrownBy(() -> new PhotoMark(Double.NaN, 0, 0, 0, "A")).hasMessageContaining("outside it");
        assertThatThrownBy(() -> new PhotoMark(0, 0, 1, 1, " ")).hasMessageContaining("needs a word");
    }
}
