package stillglass.ticket.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Side;
import stillglass.grade.DepthReading;
import stillglass.plan.WayBack;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.course.CourseIntent;
import stillglass.ticket.facts.Absent;
import stillglass.ticket.facts.BackedOff;
import stillglass.ticket.facts.Ball;
import stillglass.ticket.facts.CameBy;
import stillglass.ticket.facts.Collar;
import stillglass.ticket.facts.Damaged;
import stillglass.ticket.facts.Earlier;
import stillglass.ticket.facts.Facing;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.FoundLoose;
import stillglass.ticket.facts.LetGo;
import stillglass.ticket.facts.Mark;
import stillglass.ticket.facts.Moved;
import stillglass.ticket.facts.Note;
import stillglass.ticket.facts.Preload;
import stillglass.ticket.facts.Proud;
import stillglass.ticket.facts.Screw;
import stillglass.ticket.facts.Shims;
import stillglass.ticket.facts.Spring;
import stillglass.ticket.facts.Stuck;
import stillglass.ticket.facts.Turns;
import stillglass.ticket.glass.GlassIntent;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.joints.Trouble;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Stage;

class SayLineTest {
    /// With a joint in hand that is still closed.
    private static Job with(String joint) {
        return Job.begun().accept(new JointIntent.Try(joint));
    }

    private static List<Intent> intents(Job job, String line) {
        return job.read(line) instanceof Reading.Understood u ? u.act().intents() : List.of();
    }

    private static List<Intent> intents(String joint, String line) {
        return intents(with(joint), line);
    }

    private static List<Fact> facts(String joint, String line) {
        return intents(joint, line).stream().filter(JointIntent.Note.class::isInstance).flatMap(i -> ((JointIntent.Note) i).facts().stream()).toList();
    }

    private static String reads(String joint, String line) {
        return Wording.core().say(((Reading.Understood) with(joint).read(line)).reads());
    }

    private static String unclear(Job job, String line) {
        return Wording.core().sentence(((Reading.Unclear) job.read(line)).why());
    }

    private static ClockPosition at(double hours) {
        return ClockPosition.of(hours);
    }

    /// "Done" does whatever comes next in a rebuild, as Space does in the window: closing, tightening, taking off again, zeroing.
    @Test
    void doneDoesWhatComesNext() {
        Job job = Job.begun().toTheHelicoid().stage(Stage.CLOSE);
        job.accept(new JointIntent.SetControls("helicoid-thread"), Job.grease("helicoid-thread"));
        for (int i = 0; i < 30 && WayBack.next(job.world().instrument(), job.state().joints().standing()).isPresent(); i++) {
            job.world().instrument().joints().stream().filter(j -> job.state().joints().story(j.id()).closed() && j.close().test().isPresent() && !job.state().joints().passed(j.id()))
                    .forEach(j -> job.accept(Job.passed(j.id(), j.close().test().orElseThrow().what())));
            job.say("done");
        }
        assertThat(job.state().joints().openNow()).isEmpty();
        assertThat(WayBack.next(job.world().instrument(), job.state().joints().standing())).as("zeroed and tightened, too").isEmpty();
    }

    /// Whoever types it by habit is not scolded for saying what is on record; something else is not passed over.
    @Test
    void howAKnownJointHoldsMayBeSaidAgain() {
        Job job = Job.begun();
        String tool = job.world().instrument().joint("ring-thread").orElseThrow().tool();
        assertThat(intents(job, "off ring thread, thread, front, " + tool + ", turns 3")).containsExactly(new JointIntent.Open("ring-thread", false), Job.note("ring-thread", new Turns(3)));
        assertThat(intents(job, "off ring thread, front")).containsExactly(new JointIntent.Open("ring-thread", false));
        assertThat(unclear(job, "off ring thread, snap, front")).contains("snap");
    }

    @Test
    void screwsGoToTheCellsOfTheJointInHand() {
        assertThat(facts("mount-screws", "2 screws rear, cross, 4.2 mm")).containsExactly(new Screw("M1", "cross", 4.2), new Screw("M2", "cross", 4.2));
        assertThat(facts("mount-screws", "screw m2, cross, 4.8")).containsExactly(new Screw("M2", "cross", 4.8));
        assertThat(facts("ring-thread", "screw M2, cross, 4.8")).as("a cell says where it belongs").containsExactly(new Screw("M2", "cross", 4.8));
        assertThat(intents("ring-thread", "screw M2, cross, 4.8")).containsExactly(Job.note("mount-screws", new Screw("M2", "cross", 4.8)));
    }

    @Test
    void whatNobodySaysOfAScrewIsNotMadeUp() {
        assertThat(facts("mount-screws", "2 screws")).containsExactly(bare("M1"), bare("M2"));
        assertThat(facts("mount-screws", "1 screw, 4.2")).containsExactly(new Screw("M1", Optional.empty(), Optional.of(4.2), Optional.empty(), Optional.empty(), Optional.empty()));
        assertThat(facts("mount-screws", "screw M1, cross, M1.7 x 4.2, countersunk, black"))
                .containsExactly(new Screw("M1", Optional.of("cross"), Optional.of(4.2), Optional.of(1.7), Optional.of("countersunk"), Optional.of("black")));
    }

    private static Screw bare(String cell) {
        return new Screw(cell, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {"1 screw, slot, 0.25 in; 6.35", "1 screw, slot, 1/16 in; 1.5875", "1 screw, slot, 4,2; 4.2", "1 screw, slot, 4.2 mm; 4.2", "1 screw, slot, 1/4 inch; 6.35", "1 screw slot 4.2mm long; 4.2"})
    void lengthsInAnyShapeBecomeMillimetres(String line, double mm) {
        assertThat(facts("mount-screws", line)).singleElement().satisfies(f -> assertThat(((Screw) f).lengthMm()).hasValueSatisfying(l -> assertThat(l).isEqualTo(mm)));
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {"turns 3,25; 3.25", "3 1/4 turns; 3.25", "turns 3 1/4; 3.25", "1/2 turn; 0.5", "3.25 turns; 3.25"})
    void turnsInAnyShape(String line, double turns) {
        assertThat(facts("ring-thread", line)).containsExactly(new Turns(turns));
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {"lets go 4:30; 4.5", "lets go 4.5 o'clock; 4.5", "lets go at 4 o'clock; 4", "lets go 135°; 4.5", "lets go 12; 12", "let go at 4 1/2 o'clock; 4.5"})
    void placesOnTheDialInAnyShape(String line, double hours) {
        assertThat(facts("ring-thread", line)).containsExactly(new LetGo(at(hours)));
    }

    @Test
    void aGlassIsOutWithItsFacingAndClockAsOneAct() {
        assertThat(intents("e1-seat", "E1 out, front up, 1 o'clock")).containsExactlyInAnyOrder(Job.note("e1-seat", new Facing("E1", true), new LetGo(at(1))), Job.open("e1-seat"));
        assertThat(unclear(with("e1-seat"), "E1 out")).contains("E1");
        assertThat(((Reading.Unclear) with("e1-seat").read("E1 out")).completions()).anyMatch(c -> c.endsWith("front up"));
    }

    @Test
    void anUnfinishedLineIsAnsweredByWhatTheJointAsksFor() {
        assertThat(((Reading.Unclear) with("mount-screws").read("zz")).completions()).anyMatch(c -> c.startsWith("screw M1, "));
        assertThat(((Reading.Unclear) with("ring-thread").read("zz")).completions()).contains("turns 3.5", "lets go 4 o'clock");
        assertThat(((Reading.Unclear) with("ring-thread").read("pre")).completions()).containsExactly("preload 1.5 turns");
    }

    @Test
    void everythingABenchNotesOfAJoint() {
        String joint = "ring-thread";
        assertThat(facts(joint, "proud 0.3")).containsExactly(new Proud(0.3));
        assertThat(facts(joint, "0.2 mm below")).containsExactly(new Proud(-0.2));
        assertThat(facts(joint, "ball 1.0")).containsExactly(new Ball(1.0));
        assertThat(facts(joint, "2 balls 1.5")).containsExactly(new Ball(1.5), new Ball(1.5));
        assertThat(facts(joint, "shim .05 .10")).containsExactly(new Shims(List.of(0.05, 0.10)));
        assertThat(facts(joint, "no balls")).containsExactly(new Absent("ball"));
        assertThat(facts(joint, "spring, the thin one")).singleElement().isInstanceOfSatisfying(Spring.class, s -> assertThat(s.words()).isEqualTo("the thin one"));
        assertThat(facts(joint, "collar 2:30")).containsExactly(new Collar("", at(2.5)));
        assertThat(facts(joint, "collar 75°")).as("2:30").containsExactly(new Collar("", at(2.5)));
        assertThat(facts(joint, "back 15°")).containsExactly(new BackedOff(15));
        assertThat(facts(joint, "preload 1.5 turns")).containsExactly(new Preload(1.5));
        assertThat(facts(joint, "move cam barrel to 4:30")).containsExactly(new Moved("cam barrel", at(4.5)));
        assertThat(facts(joint, "damaged two slots")).containsExactly(new Damaged("two slots", false));
        assertThat(facts(joint, "earlier scribed lines")).containsExactly(new Earlier("scribed lines"));
        assertThat(facts(joint, "found loose")).containsExactly(new FoundLoose(FoundLoose.How.LOOSE, Optional.empty()));
        assertThat(facts(joint, "with rubber glove")).containsExactly(new CameBy(Optional.of("rubber glove"), Optional.empty(), Optional.empty()));
        assertThat(facts(joint, "note Scribed by Somebody")).as("capitals stay").containsExactly(new Note("Scribed by Somebody"));
    }

    @Test
    void oneLineMaySayManyThings() {
        assertThat(facts("ring-thread", "turns 3.5, lets go 4, proud 0.3, ball 1.0")).containsExactly(new Turns(3.5), new LetGo(at(4)), new Proud(0.3), new Ball(1));
        assertThat(facts("ring-thread", "proud 0.3, rust below")).containsExactly(new Proud(0.3), new Damaged("rust below", false));
        assertThat(facts("mount-screws", "screw M1, cross, 4.2, screw M2, slot, 4.8")).containsExactly(new Screw("M1", "cross", 4.2), new Screw("M2", "slot", 4.8));
    }

    /// A word that was not used makes the line unclear, and is named.
    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {"turns 3.5 banana; banana", "ball 1.0 1.5 teapot; teapot", "done teapot; teapot", "E1 out, front up, teapot; teapot", "undo teapot; teapot",
        "1 ball 1.5, teapot; teapot", "from the rear teapot; teapot", "lets go 4 o'clock sharp; sharp"})
    void nothingIsSwallowed(String line, String unused) {
        assertThat(unclear(with("ring-thread"), line)).contains(unused);
    }

    @Test
    void theLongestNameWins() {
        assertThat(intents("ring-thread", "ring set screws")).containsExactly(Job.open("ring-set"));
        assertThat(intents("ring-thread", "ring thread off")).containsExactly(Job.open("ring-thread"));
        Job job = Job.unknown().say("off mount, screws", "off mount screw cover, thread");
        assertThat(job.state().joints().openNow()).containsExactly("mount", "mount-screw-cover");
        assertThat(intents(job.stage(Stage.CLOSE), "mount screw cover on")).containsExactly(Job.close("mount-screw-cover"));
    }

    @Test
    void factsForAnotherJointThanTheOneInHand() {
        assertThat(intents("ring-thread", "for mount screws: screw M1, cross, 4.2")).containsExactly(Job.note("mount-screws", new Screw("M1", "cross", 4.2)));
        assertThat(unclear(with("ring-thread"), "for teapot: ball 1.0")).contains("teapot");
    }

    @Test
    void troubleIsReportedAndMended() {
        assertThat(intents("ring-thread", "dropped, Click ball")).containsExactly(new JointIntent.Report("ring-thread", Trouble.DROPPED, "Click ball"));
        assertThat(intents("ring-thread", "stripped")).containsExactly(new JointIntent.Report("ring-thread", Trouble.BROKEN, ""));
        assertThat(intents("ring-thread", "not as drawn, two screws")).containsExactly(new JointIntent.Report("ring-thread", Trouble.NOT_AS_DRAWN, "two screws"));
        assertThat(intents("ring-thread", "found it")).containsExactly(new JointIntent.Mend("ring-thread", Optional.empty()));
    }

    @Test
    void goalsAreSaidByElementOrName() {
        assertThat(intents("ring-thread", "reach E1, helicoid")).containsExactly(new CourseIntent.ChooseGoals(List.of("E1", "helicoid")));
        assertThat(Job.begun().say("reach S1").state().course().goals()).containsExactly("S1");
    }

    @Test
    void stuckNotesWhatWasTriedAndSetsAClock() {
        assertThat(facts("ring-thread", "stuck, naphtha, wait 10m")).containsExactly(new Stuck("naphtha", 10));
        assertThat(intents("ring-thread", "stuck, naphtha, wait 10m")).filteredOn(CareEvent.TimerSet.class::isInstance).singleElement()
                .satisfies(t -> assertThat(((CareEvent.TimerSet) t).ends()).isEqualTo(Job.NOON.plus(Duration.ofMinutes(10))));
        assertThat(facts("ring-thread", "stuck")).as("nothing was tried yet").containsExactly(new Stuck(Optional.empty(), Optional.empty()));
        assertThat(intents("ring-thread", "stuck, warm air")).as("no wait, no clock").hasSize(1);
    }

    @Test
    void whatIsOffAlreadyIsRecordedAnyway() {
        assertThat(intents("ring-thread", "spacer seat anyway")).containsExactly(Job.anyway("spacer-seat"));
        assertThat(intents("ring-thread", "E1 out, rear up anyway")).contains(Job.anyway("e1-seat"));
        assertThat(with("ring-thread").read("teapot anyway")).isInstanceOf(Reading.Unclear.class);
    }

    @Test
    void whatIsOnNoMapIsFound() {
        assertThat(intents(Job.unknown(), "off the Name ring, thread, rear, friction cup"))
                .containsExactly(new JointIntent.Find("Name ring", Optional.of("thread"), Side.REAR, Optional.of("friction cup"), List.of(), true));
        assertThat(intents("ring-thread", "off mount screws")).containsExactly(Job.open("mount-screws"));
        assertThat(intents(Job.unknown(), "trying retainer")).containsExactly(new JointIntent.Find("retainer", Optional.empty(), Side.UNKNOWN, Optional.empty(), List.of(), false));
    }

    @Test
    void marksAreKeptAtTheirClockPositionIfOneWasSaid() {
        assertThat(intents("mount-screws", "mark mount clock 3:30")).containsExactly(new JointIntent.KeepReference("mount-clock", "marked", Optional.of(at(3.5))));
        assertThat(intents("mount-screws", "mark infinity")).as("nobody said where").containsExactly(new JointIntent.KeepReference("infinity", "marked", Optional.empty()));
        assertThat(intents("mount-screws", "mark two dots at 6, pencil")).containsExactly(new JointIntent.Mark(new Mark("two dots", Optional.empty(), Optional.of(at(6)), Optional.empty(), 0, Optional.of("pencil"), true), Optional.empty()));
    }

    @Test
    void doneOpensOrClosesWhatIsInHand() {
        assertThat(intents("ring-thread", "done")).containsExactly(Job.open("ring-thread"));
        assertThat(intents(Job.begun().accept(Job.open("ring-thread")).stage(Stage.CLOSE), "done")).containsExactly(Job.close("ring-thread"));
    }

    @Test
    void whileClosingALineIsAStatementAndItsScrewsAreThoseThatAreWaitedFor() {
        Job job = Job.begun().accept(Job.open("ring-thread"), Job.note("e1-seat", new Facing("E1", true)), Job.open("e1-seat")).stage(Stage.CLOSE);
        assertThat(intents(job, "E1 rear up")).containsExactly(Job.see("e1-seat", new Facing("E1", false)));

        Job screws = Job.begun().accept(Job.keep("mount-clock"), Job.note("mount-screws", new Screw("M1", "cross", 4.2), new Screw("M2", "cross", 4.8)), Job.open("mount-screws")).stage(Stage.CLOSE);
        screws.say("1 screw, cross, 4.8", "1 screw, cross, 4.2");
        assertThat(screws.state().joints().story("mount-screws").waiting()).isEmpty();
    }

    @Test
    void aStatementIsPutRightByAnother() {
        Job job = with("ring-thread").say("turns 3.5", "correct: turns 2.5");
        assertThat(job.state().joints().facts("ring-thread")).containsExactly(new Turns(2.5));
        job.say("withdraw: turns 2.5");
        assertThat(job.state().joints().facts("ring-thread")).isEmpty();
    }

    @Test
    void theReadingIsSaidBackInFullWords() {
        assertThat(reads("mount-screws", "2 screws, cross, 4.2")).isEqualTo("mount screws: M1, M2, cross, 4.2 mm");
        assertThat(reads("ring-thread", "turns 3.5, ball 1.0")).contains("3.5 turns").contains("ball 1 mm");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "   ", "xyzzy", "25 o'clock", "lets go 13", "shim abc", "900 screws, slot, 3 mm", "ball", "E1 out", "((((", "turns 0", "turns 1e400", "turns -3", "turns NaN", "1/0 turns", "ball 0",
        "for", "mark", "correct", "reach", "sign", "greased", "test failed focus", "trying", "off", ",,,", "screw", "wait 10m"})
    void whatIsNotUnderstoodGetsASentenceAndNeverAnException(String line) {
        for (Stage stage : List.of(Stage.OPEN, Stage.CLOSE, Stage.PROVE)) {
            Reading r = Job.begun().stage(stage).read(line);
            if (r instanceof Reading.Unclear u) {
                assertThat(Wording.core().sentence(u.why())).isNotBlank();
            } else {
                assertThat(line).as("understood in %s", stage).isEqualTo("screw");
            }
        }
    }

    @Test
    void aLineOfAMegabyteIsRefused() {
        assertThat(unclear(with("ring-thread"), "note " + "x".repeat(1_000_000))).isNotBlank();
    }

    @Test
    void aFactWithoutAJointAsksForOne() {
        assertThat(unclear(Job.begun(), "turns 3")).contains("joint");
    }

    /// Every example the line offers is understood once its blank is filled.
    @Test
    void whateverTheExamplesPromiseIsUnderstood() {
        for (String joint : List.of("ring-thread", "mount-screws", "e1-seat", "helicoid-thread", "ring-set")) {
            Job job = with(joint);
            for (String example : new FactWords().examples(job.setting())) {
                boolean whole = !example.endsWith(" ");
                String line = whole ? example : example + (example.startsWith("screw ") ? "4.2" : "something");
                assertThat(job.read(line)).as("%s at %s", line, joint).isInstanceOf(Reading.Understood.class);
            }
        }
    }

    private static Reading glass(String line, Optional<String> finding) {
        Setting s = Job.begun().stage(Stage.LOOK).setting();
        return SayLine.read(line, new Setting(s.state(), s.world(), s.words(), s.stage(), s.joint(), finding, s.now()));
    }

    private static Intent ofGlass(String line) {
        assertThat(glass(line, Optional.of("p1#1"))).as(line).isInstanceOf(Reading.Understood.class);
        return ((Reading.Understood) glass(line, Optional.of("p1#1"))).act().intents().getFirst();
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {
        "E1 reversed; reverse:E1", "e1 is turned round; reverse:E1", "E2 reversed; reverse:E2+E3", "E2+E3 wrong way round; reverse:E2+E3", "E1 and E3 swapped; swap:E1,E2+E3", "E1, E2+E3 swapped; swap:E1,E2+E3",
        "gap 2 -0.3; gap:2:-0.3", "gap 2 0,5 mm; gap:2:0.5", "E1 not seated 0.2, 0.5°; unseated:E1:0.2:0.5:12.0", "E1 not seated 0.1 mm, 1°, 3 o'clock; unseated:E1:0.1:1.0:3.0", "fault spacer-missing:2; spacer-missing:2"})
    void saysHowTheGlassWasFound(String line, String shortForm) {
        assertThat(ofGlass(line)).isEqualTo(new GlassIntent.FindAssembled(shortForm));
    }

    @Test
    void depthsAreReadWithTheirErrors() {
        assertThat(ofGlass("focus 12.4 ±0.3")).isEqualTo(new GlassIntent.ReadDepth("p1#1", DepthReading.focus(false, 12.4, 0.3)));
        assertThat(ofGlass("focus 3,2 mm +-0.1 rear")).isEqualTo(new GlassIntent.ReadDepth("p1#1", DepthReading.focus(true, 3.2, 0.1)));
        assertThat(ofGlass("parallax 10° 1.8 ±0.2")).isEqualTo(new GlassIntent.ReadDepth("p1#1", DepthReading.parallax(false, 10, 1.8, 0.2)));
        assertThat(ofGlass("as designed")).isEqualTo(new GlassIntent.AssembledRight());
        assertThat(glass("focus 3", Optional.empty())).isInstanceOf(Reading.Unclear.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"E9 reversed", "gap 77 +1", "parallax 80° 2", "fault turn:E1", "E1 and E1 swapped", "fault spacer-missing:1"})
    void whatThisLensCannotHaveIsExplained(String line) {
        assertThat(glass(line, Optional.of("p1#1"))).as(line).isInstanceOfSatisfying(Reading.Unclear.class, u -> assertThat(Wording.core().sentence(u.why())).isNotBlank());
    }
}
