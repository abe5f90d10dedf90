package stillglass.ticket.joints;

import static org.assertj.core.api.Assertions.assertThat;
import static stillglass.ticket.Job.close;
import static stillglass.ticket.Job.failed;
import static stillglass.ticket.Job.grease;
import static stillglass.ticket.Job.keep;
import static stillglass.ticket.Job.note;
import static stillglass.ticket.Job.open;
import static stillglass.ticket.Job.passed;
import static stillglass.ticket.Job.see;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;
import stillglass.device.Source;
import stillglass.look.Progress;
import stillglass.optics.Lenses;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.facts.Ball;
import stillglass.ticket.facts.Clocked;
import stillglass.ticket.facts.Damaged;
import stillglass.ticket.facts.Earlier;
import stillglass.ticket.facts.Facing;
import stillglass.ticket.facts.FoundLoose;
import stillglass.ticket.facts.LetGo;
import stillglass.ticket.facts.Moved;
import stillglass.ticket.facts.Photo;
import stillglass.ticket.facts.Screw;
import stillglass.ticket.facts.Turns;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Undo;

class ClosingsTest {
    private static final String FREE = "Focus runs freely";

    private static Job withTheGlassOut() {
        return Job.begun().accept(open("ring-thread"), note("e1-seat", new Facing("E1", true)), open("e1-seat"));
    }

    @Test
    void theReverseOrderIsEnforced() {
        Job job = Job.begun().accept(open("ring-thread"), open("e1-seat"));

        assertThat(job.refusal(close("ring-thread"))).contains("e1 seat");
        job.accept(close("e1-seat"), close("ring-thread"));
        assertThat(job.state().joints().openNow()).isEmpty();
        assertThat(job.refusal(close("ring-thread"))).contains("ring thread");
    }

    @Test
    void whatWasRecordedMustBeSeenAgain() {
        Job job = withTheGlassOut();
        assertThat(job.refusal(close("e1-seat"))).contains("E1: which face is up?");

        job.accept(see("e1-seat", new Facing("E1", false)));
        assertThat(job.refusal(close("e1-seat"))).contains("on record is E1 front up").contains("smears the edges");
        job.accept(see("e1-seat", new Facing("E1", true)), close("e1-seat"));
        assertThat(job.state().joints().closed()).contains("e1-seat");
    }

    /// A wrong statement that was put right is no reason for anything any more.
    @Test
    void noObjectionQuotesWhatWasPutRight() {
        Job job = Job.begun().accept(note("ring-thread", new Turns(3), new LetGo(ClockPosition.of(4))), open("ring-thread"), see("ring-thread", new Turns(5)), see("ring-thread", new Turns(3)));

        assertThat(job.refusal(close("ring-thread"))).doesNotContain("5").doesNotContain("turn short").contains("clock position");
        job.accept(see("ring-thread", new LetGo(ClockPosition.of(4))), close("ring-thread"));
    }

    @Test
    void aReasonOverrulesAndIsKeptABlankOneIsNone() {
        Job job = withTheGlassOut().accept(see("e1-seat", new Facing("E1", false)));
        assertThat(job.decide(Act.of(new JointIntent.Close("e1-seat", false, Optional.of("  "))))).isInstanceOf(Decision.Refused.class);
        job.accept(new JointIntent.Close("e1-seat", false, Optional.of("the record was wrong")));

        assertThat(job.state().course().overruled()).singleElement().satisfies(o -> {
            assertThat(Wording.core().say(o.what())).contains("on record is E1 front up");
            assertThat(o.why()).isEqualTo("the record was wrong");
        });
    }

    @Test
    void everyOccurrenceIsAskedAndTickedOffByItself() {
        Job job = Job.begun().accept(note("ring-thread", new Ball(1), new Ball(1.5)), open("ring-thread"));
        assertThat(job.state().joints().story("ring-thread").waiting()).hasSize(2);

        job.accept(see("ring-thread", new Ball(1.5)));
        assertThat(job.state().joints().story("ring-thread").waiting()).extracting(Occurrence::fact).containsExactly(new Ball(1));
        assertThat(job.refusal(close("ring-thread"))).contains("ball");
        assertThat(job.refusal(new JointIntent.State("e1-seat", new Ball(1)))).contains("e1 seat");
        job.accept(see("ring-thread", new Ball(1)), close("ring-thread"));
        assertThat(job.state().joints().closed()).contains("ring-thread");
    }

    @Test
    void aSecondOfWhatWasRecordedOnceIsNotAgreedTo() {
        Job job = Job.begun().accept(note("ring-thread", new Ball(1)), open("ring-thread"), see("ring-thread", new Ball(1)));

        assertThat(job.refusal(see("ring-thread", new Ball(1)))).contains("ring thread");
    }

    @Test
    void screwsOfTwoLengthsInOneJointAreEachAHole() {
        Job job = Job.unknown().say("off mount, screws, rear", "3 screws, slot, 4.2 mm", "2 screws, slot, 5.8 mm");

        assertThat(job.state().joints().facts("mount")).filteredOn(Screw.class::isInstance).extracting(f -> ((Screw) f).lengthMm().orElse(0.0)).containsExactly(4.2, 4.2, 4.2, 5.8, 5.8);
        assertThat(job.state().joints().story("mount").waiting()).hasSize(5);
    }

    @Test
    void movesGoBackLastInFirstOut() {
        ClockPosition two = ClockPosition.of(2);
        ClockPosition five = ClockPosition.of(5);
        Job job = Job.begun().accept(note("ring-thread", new Moved("cam", two), new Moved("lever", five), new Moved("cam", five)), open("ring-thread"));
        assertThat(job.state().joints().story("ring-thread").waiting()).extracting(Occurrence::fact).containsExactly(new Moved("cam", five), new Moved("lever", five), new Moved("cam", two));

        assertThat(job.refusal(see("ring-thread", new Moved("lever", five)))).contains("cam");
        job.accept(see("ring-thread", new Moved("cam", five)), see("ring-thread", new Moved("lever", five)), see("ring-thread", new Moved("cam", two)), close("ring-thread"));
        assertThat(job.state().joints().closed()).contains("ring-thread");
    }

    @Test
    void damageEarlierWorkAndLooseThingsComeBackAtTheirStepAndAreNotAsked() {
        Job job = Job.begun().accept(note("ring-thread", new Damaged("two slots", false), new Earlier("scribed lines"), new FoundLoose(FoundLoose.How.LOOSE, Optional.empty())), open("ring-thread"));

        assertThat(job.state().joints().story("ring-thread").recalled()).hasSize(3);
        assertThat(job.state().joints().story("ring-thread").waiting()).isEmpty();
        job.accept(close("ring-thread"), note("ring-thread", new Damaged("scratched since", true)));
        assertThat(job.state().joints().story("ring-thread").recalled()).as("after it was closed, too").hasSize(4);
        assertThat(job.refusal(note("ring-thread", new Turns(3)))).as("what would have to be asked comes too late").contains("ring thread");
    }

    @Test
    void aHelicoidIsSetAndGreasedBeforeItGoesBack() {
        Job job = Job.begun().toTheHelicoid();
        assertThat(job.refusal(close("helicoid-thread"))).contains("Set infinity");
        job.accept(new JointIntent.SetControls("helicoid-thread"));
        assertThat(job.refusal(close("helicoid-thread"))).contains("Grease").contains("helicoid");
        job.accept(grease("helicoid-thread"), close("helicoid-thread"));
        assertThat(job.state().joints().closed()).contains("helicoid-thread");
    }

    @Test
    void aSubAssemblyIsTriedBeforeAnythingIsClosedOverIt() {
        Job job = Job.begun().toTheHelicoid().helicoidHome();
        assertThat(job.refusal(close("ring-thread"))).contains(FREE);
        job.accept(passed("helicoid-thread", FREE), close("mount-screws"), close("ring-thread"));
        assertThat(job.state().joints().openNow()).isEmpty();
    }

    private static Joint seat(String id, Set<String> after, Joint.Closing close) {
        return new Joint(id, id, new Hold.Seat(), Side.FRONT, "fingers", 1, 0, Joint.Behind.of(after), List.of(), Set.of(), Set.of(), Set.of(), close);
    }

    private static Job on(Joint... joints) {
        return Job.on(Instruments.with(List.of(joints)), Optional.of(Lenses.triplet()));
    }

    @Test
    void aHoldPointBarsWhatWouldBuryItHoweverDeepAndNothingElse() {
        Job job = on(seat("cover", Set.of(), Joint.Closing.PLAIN), seat("plate", Set.of("cover"), Joint.Closing.PLAIN),
                seat("escapement", Set.of("plate"), Joint.Closing.PLAIN.withTest("It ticks")), seat("finder", Set.of(), Joint.Closing.PLAIN))
                .accept(open("cover"), open("plate"), open("escapement"), open("finder"), close("escapement"));

        assertThat(job.refusal(close("plate"))).contains("It ticks");
        job.accept(close("finder"));
        job.accept(failed("escapement", "It ticks", "stops after a second"));
        assertThat(job.refusal(close("plate"))).as("a failed test is no test").contains("It ticks");
        job.accept(passed("escapement", "It ticks"), close("plate"), close("cover"));
    }

    @Test
    void aTestWaitsForWhatItNeeds() {
        Job job = on(seat("glass", Set.of(), Joint.Closing.PLAIN), seat("focus", Set.of(), Joint.Closing.PLAIN.withTest("Infinity is sharp", Set.of("glass"))))
                .accept(open("glass"), open("focus"), close("focus"));

        assertThat(job.refusal(passed("focus", "Infinity is sharp"))).contains("glass");
        assertThat(Closings.due(job.state().joints(), job.world().instrument())).isEmpty();
        job.accept(close("glass"));
        assertThat(Closings.due(job.state().joints(), job.world().instrument())).extracting(Joint::id).containsExactly("focus");
        job.accept(passed("focus", "Infinity is sharp"));
    }

    @Test
    void whatNeverStoodOnTheRecordIsNotTakenForDone() {
        Job job = Job.begun().accept(open("ring-thread"));
        assertThat(job.refusal(passed("ring-thread", "turns"))).as("it is open").contains("ring thread");
        assertThat(job.refusal(passed("teapot", "pours"))).contains("teapot");
        assertThat(job.refusal(grease("teapot"))).contains("teapot");
        assertThat(job.refusal(grease("e1-seat"))).contains("e1 seat");
        assertThat(job.refusal(new JointIntent.Grease("ring-thread", Optional.of(-3.0), "light"))).contains("-3");
        assertThat(job.refusal(new JointIntent.SetControls("ring-thread"))).contains("ring thread");
        assertThat(job.refusal(new JointIntent.Zero("ring-thread"))).isNotBlank();
        assertThat(job.refusal(new JointIntent.Test(Optional.empty(), "focus", false, " "))).isNotBlank();
    }

    /// Loosened to be turned, then tight: neither before the other is done.
    @Test
    void looseUntilIsKeptFromBothSides() {
        Job job = Job.begun().accept(keep("infinity"), keep("mount-clock"), open("ring-set"), open("mount-screws"));
        assertThat(job.refusal(close("ring-set"))).contains("mount screws");
        job.accept(new JointIntent.Close("ring-set", true, Optional.empty()));
        assertThat(job.refusal(new JointIntent.Tighten("ring-set", Optional.empty()))).contains("mount screws");
        job.accept(close("mount-screws"), new JointIntent.Tighten("ring-set", Optional.empty()));
        assertThat(job.state().joints().loose()).isEmpty();
    }

    @Test
    void openingAgainBeginsANewClosing() {
        Job job = Job.begun().toTheHelicoid().helicoidHome().accept(passed("helicoid-thread", FREE), open("helicoid-thread"));

        assertThat(job.refusal(close("helicoid-thread"))).as("set again").contains("Set infinity");
        job.helicoidHome();
        assertThat(job.refusal(close("ring-thread"))).as("tried again").contains(FREE);
        assertThat(job.state().joints().story("helicoid-thread").past()).hasSize(1);
    }

    @Test
    void whatWasZeroedIsZeroedAgainAfterAnythingWasOpened() {
        Job job = on(seat("scale", Set.of(), Joint.Closing.PLAIN.withZeroLast("infinity")), seat("grip", Set.of(), Joint.Closing.PLAIN)).accept(open("scale"), close("scale"), new JointIntent.Zero("scale"));
        assertThat(Ledger.of(job.state().joints(), job.world().instrument(), List.of()).zero()).isTrue();

        job.accept(open("grip"), close("grip"));
        assertThat(Ledger.of(job.state().joints(), job.world().instrument(), List.of()).unzeroed()).containsExactly("infinity");
    }

    @Test
    void aRingThatTwoPhotosShowTurnedIsNotClosedUntilTheyAgree() {
        Job s = Job.begun();
        s.tell(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "step", Source.FILE), note("ring-thread", new Photo("p1")));
        s.accept(open("ring-thread"));
        s.tell(new GlassEvent.PhotoKept("p2", Phase.AFTER, false, "step", Source.FILE), see("ring-thread", new Photo("p2")));
        assertThat(s.state().joints().story("ring-thread").wrong()).as("it tells nothing, and bars nothing").isEmpty();

        s.tell(new GlassEvent.PhotoKept("p3", Phase.AFTER, false, "step", Source.FILE), see("ring-thread", new Clocked("p3", 12, 0.1, 1)));
        assertThat(s.refusal(close("ring-thread"))).contains("12").contains("anticlockwise");
        s.accept(new Undo());
        assertThat(s.state().glass().photo("p3")).as("the photo and what it told are one act").isEmpty();
        s.tell(new GlassEvent.PhotoKept("p4", Phase.AFTER, false, "step", Source.FILE), see("ring-thread", new Clocked("p4", 0.3, 0.1, 1)));
        s.accept(close("ring-thread"));
        assertThat(s.state().joints().closed()).contains("ring-thread");
    }

    @Test
    void aFailureNamesWhatWasClosedSinceItLastWorkedNearestFirst() {
        Job job = Job.begun().toTheHelicoid().helicoidHome().accept(passed("helicoid-thread", FREE), close("mount-screws"), close("ring-thread"),
                failed("helicoid-thread", FREE, "grates"));
        Trial failure = Suspects.failure(job.state().joints(), job.world().instrument()).orElseThrow();
        List<Suspects.Suspect> suspects = Suspects.of(job.state().joints(), job.world().instrument(), failure);

        assertThat(suspects).extracting(s -> s.joint().id()).as("the helicoid itself worked after it was closed").doesNotContain("helicoid-thread").contains("mount-screws", "ring-thread");
        job.accept(open("ring-thread"));
        assertThat(Suspects.failure(job.state().joints(), job.world().instrument())).as("it is being looked after").isEmpty();
    }

    /// The way leads from what is open now, over what lies on top, and no farther.
    @Test
    void theWayBackToASuspectOpensOnlyWhatLiesOverIt() {
        Job job = withTheGlassOut().accept(see("e1-seat", new Facing("E1", false)), new JointIntent.Close("e1-seat", false, Optional.of("cannot see it")), close("ring-thread"),
                new JointIntent.Test(Optional.empty(), "infinity", false, "soft"));
        assertThat(rework(job).way()).extracting(Joint::id).containsExactly("ring-thread", "e1-seat");

        job.accept(open("ring-thread"));
        assertThat(rework(job).way()).extracting(Joint::id).as("it is off already").containsExactly("e1-seat");
        job.accept(open("e1-seat"));
        assertThat(Rework.of(job.state().joints(), job.world().instrument(), Progress.SILENT)).as("what may be to blame is in the hand").isEmpty();
        job.accept(see("e1-seat", new Facing("E1", true)), close("e1-seat"));
        assertThat(Suspects.of(job.state().joints(), job.world().instrument(), job.state().joints().trials().getLast())).as("still who it was then").extracting(x -> x.joint().id()).contains("e1-seat");
    }

    @Test
    void puttingSomethingBackAfterAFailureGoesOnWithTheRebuild() {
        Job job = Job.begun().toTheHelicoid().helicoidHome().accept(new JointIntent.Close("mount-screws", false, Optional.of("in a hurry")), failed("helicoid-thread", FREE, "grates"));
        assertThat(Rework.of(job.state().joints(), job.world().instrument(), Progress.SILENT)).as("the closing itself is to blame").isPresent();
        job.accept(open("mount-screws"), new JointIntent.Close("mount-screws", false, Optional.of("looked at, and sound")));
        assertThat(Rework.of(job.state().joints(), job.world().instrument(), Progress.SILENT)).isEmpty();
    }

    private static Rework rework(Job job) {
        return Rework.of(job.state().joints(), job.world().instrument(), Progress.SILENT).orElseThrow();
    }

    @Test
    void whatWasClosedInSpiteOfSomethingIsSuspectedFirst() {
        Job job = withTheGlassOut().accept(see("e1-seat", new Facing("E1", false)), new JointIntent.Close("e1-seat", false, Optional.of("cannot see it")), close("ring-thread"),
                new JointIntent.Test(Optional.empty(), "infinity", false, "soft"));

        assertThat(Suspects.of(job.state().joints(), job.world().instrument(), Suspects.failure(job.state().joints(), job.world().instrument()).orElseThrow()).getFirst())
                .satisfies(s -> assertThat(s.joint().id()).isEqualTo("e1-seat")).satisfies(s -> assertThat(s.overruled()).isTrue());
    }

    @Test
    void anInstrumentOfWhichNothingIsKnownIsClosedLikeAnyOther() {
        Job job = Job.unknown().say("off name ring, thread, front", "turns 3.5", "off E1", "E1 front up");
        Instrument learned = job.world().instrument();
        assertThat(learned.joints()).extracting(Joint::id).containsExactly("name-ring", "e1");

        assertThat(job.refusal(close("name-ring"))).contains("E1");
        job.stage(stillglass.ticket.story.Stage.CLOSE).say("front up", "done", "turns 3.5", "done");
        assertThat(Ledger.of(job.state().joints(), job.world().instrument(), List.of()).zero()).isTrue();
    }
}
