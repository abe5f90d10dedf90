package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;

class ShorthandTest {
    private static final Instrument SMALL = Instruments.small();

    private static Reading opening(String joint, String line) {
        return new Shorthand(SMALL, SMALL.joint(joint), false, Story.NOON).read(line);
    }

    private static List<Intent> intents(Reading r) {
        return r instanceof Reading.Understood u ? u.intents() : List.of();
    }

    private static List<Fact> facts(Reading r) {
        return intents(r).stream().filter(Intent.NoteFacts.class::isInstance).flatMap(i -> ((Intent.NoteFacts) i).facts().stream()).toList();
    }

    @Test
    void screwsGoToTheCellsOfTheJointInHand() {
        assertThat(facts(opening("mount-screws", "2 screws rear, cross, 4.2 mm")))
                .containsExactly(new Fact.Screw("M1", "cross", 4.2), new Fact.Screw("M2", "cross", 4.2));
        assertThat(facts(opening("mount-screws", "screw m2, cross, 4.8"))).containsExactly(new Fact.Screw("M2", "cross", 4.8));
    }

    @Test
    void inchesBecomeMillimetres() {
        assertThat(facts(opening("mount-screws", "1 screw, slot, 0.25 in"))).containsExactly(new Fact.Screw("M1", "slot", 6.35));
    }

    @Test
    void aCommaIsADecimalPointToo() {
        assertThat(facts(opening("ring-thread", "turns 3,25"))).containsExactly(new Fact.Turns(3.25));
    }

    @Test
    void aGlassIsOutWithItsFacingAndClock() {
        Reading r = opening("e1-seat", "E1 out, front up, 1 o'clock");

        assertThat(facts(r)).containsExactlyInAnyOrder(new Fact.Facing("E1", true), new Fact.LetGo(ClockPosition.of(1)));
        assertThat(intents(r)).endsWith(new Intent.OpenJoint("e1-seat", false));
    }

    @Test
    void whichWayRoundIsAskedWhereItMatters() {
        assertThat(opening("e1-seat", "E1 out")).isInstanceOfSatisfying(Reading.NotYet.class, n -> {
            assertThat(n.hint()).contains("which way round");
            assertThat(n.completions()).anyMatch(c -> c.endsWith("front up"));
        });
    }

    /// Bodies have more screws than the alphabet has letters.
    @Test
    void aCellMayHaveTwoLetters() {
        assertThat(facts(opening("mount-screws", "screw BD1, cross, 3.6"))).containsExactly(new Fact.Screw("BD1", "cross", 3.6));
    }

    /// What is likely to be typed of the joint in hand comes first.
    @Test
    void anUnfinishedLineIsAnsweredByWhatTheJointAsksFor() {
        assertThat(opening("mount-screws", "zz")).isInstanceOfSatisfying(Reading.NotYet.class, n -> assertThat(n.completions()).first().asString().startsWith("screw M1, "));
        assertThat(opening("ring-thread", "zz")).isInstanceOfSatisfying(Reading.NotYet.class, n -> assertThat(n.completions()).contains("turns 3.5", "lets go 4 o'clock"));
        assertThat(opening("ring-thread", "pre")).isInstanceOfSatisfying(Reading.NotYet.class, n -> assertThat(n.completions()).containsExactly("preload 1.5 turns"));
        assertThat(opening("ring-thread", "reach e")).isInstanceOfSatisfying(Reading.Understood.class, u -> assertThat(u.intents()).hasSize(1));
    }

    @Test
    void ringsBallsAndShims() {
        assertThat(facts(opening("ring-thread", "proud 0.3"))).containsExactly(new Fact.Proud(0.3));
        assertThat(facts(opening("ring-thread", "0.2 mm below"))).containsExactly(new Fact.Proud(-0.2));
        assertThat(facts(opening("ring-thread", "lets go 4:30"))).containsExactly(new Fact.LetGo(ClockPosition.of(4.5)));
        assertThat(facts(opening("ring-thread", "ball 1.0"))).containsExactly(new Fact.Ball(1.0));
        assertThat(facts(opening("ring-thread", "shim .05 .10"))).containsExactly(new Fact.Shims(List.of(0.05, 0.10)));
        assertThat(facts(opening("ring-thread", "spring, the thin one"))).containsExactly(new Fact.Spring("the thin one"));
    }

    @Test
    void collarsLoadsMovesAndWhatWasFound() {
        assertThat(facts(opening("ring-thread", "collar 2:30"))).containsExactly(new Fact.Collar(ClockPosition.of(2.5)));
        assertThat(facts(opening("ring-thread", "eccentric collar at 4"))).containsExactly(new Fact.Collar(ClockPosition.of(4)));
        assertThat(facts(opening("ring-thread", "collar 75°"))).as("2:30").containsExactly(new Fact.Collar(ClockPosition.of(2.5)));
        assertThat(facts(opening("ring-thread", "collar at 390 degrees"))).containsExactly(new Fact.Collar(ClockPosition.of(1)));
        assertThat(facts(opening("ring-thread", "back 15°"))).containsExactly(new Fact.BackedOff(15));
        assertThat(facts(opening("ring-thread", "preload 1.5 turns"))).containsExactly(new Fact.Preload(1.5));
        assertThat(facts(opening("ring-thread", "move cam barrel to 4:30"))).containsExactly(new Fact.Moved("cam barrel", ClockPosition.of(4.5)));
        assertThat(facts(opening("ring-thread", "damaged two slots"))).containsExactly(new Fact.Damaged("two slots"));
        assertThat(facts(opening("ring-thread", "earlier scribed lines"))).containsExactly(new Fact.Earlier("scribed lines"));
    }

    @Test
    void troubleIsReportedAndMended() {
        assertThat(intents(opening("ring-thread", "dropped, Click ball"))).containsExactly(new Intent.Report("ring-thread", Trouble.DROPPED, "Click ball"));
        assertThat(intents(opening("ring-thread", "stripped"))).containsExactly(new Intent.Report("ring-thread", Trouble.BROKEN, ""));
        assertThat(intents(opening("ring-thread", "not as drawn, two screws"))).containsExactly(new Intent.Report("ring-thread", Trouble.NOT_AS_DRAWN, "two screws"));
        assertThat(intents(opening("ring-thread", "found it"))).containsExactly(new Intent.Mend("ring-thread"));
    }

    @Test
    void goalsAreSaidByIdElementOrName() {
        assertThat(intents(opening("ring-thread", "reach E1, helicoid"))).containsExactly(new Intent.ChooseGoals(List.of("E1", "helicoid")));
        assertThat(intents(opening("ring-thread", "reach s4"))).containsExactly(new Intent.ChooseGoals(List.of("s4")));
    }

    @Test
    void stuckSetsATimer() {
        Reading r = opening("ring-thread", "stuck, naphtha, wait 10m");

        assertThat(facts(r)).containsExactly(new Fact.Stuck("naphtha", 10));
        assertThat(intents(r)).anySatisfy(i -> assertThat(i).isInstanceOfSatisfying(Intent.Keep.class, k -> assertThat(k.happened().getFirst())
                .isInstanceOfSatisfying(TicketEvent.TimerSet.class, t -> assertThat(t.ends()).isEqualTo(Story.NOON.plus(Duration.ofMinutes(10))))));
    }

    @Test
    void aNamedJointIsOpenedWithItsNote() {
        Reading r = new Shorthand(SMALL, Optional.empty(), false, Story.NOON).read("ring thread, friction, left");

        assertThat(intents(r)).containsExactly(Story.note("ring-thread", new Fact.Note("friction, left")), Story.open("ring-thread"));
    }

    @Test
    void whatIsOffAlreadyIsRecordedAnyway() {
        assertThat(intents(new Shorthand(SMALL, Optional.empty(), false, Story.NOON).read("spacer seat anyway"))).containsExactly(
                new Intent.OpenJoint("spacer-seat", true));
        assertThat(intents(opening("ring-thread", "E1 out, rear up anyway"))).containsExactly(
                Story.note("e1-seat", new Fact.Facing("E1", false)), new Intent.OpenJoint("e1-seat", true));
        assertThat(opening("ring-thread", "teapot anyway")).isInstanceOf(Reading.NotYet.class);
    }

    @Test
    void marksAreKeptAtTheirClockPosition() {
        assertThat(intents(opening("mount-screws", "mark mount-clock 3:30"))).containsExactly(
                new Intent.KeepReference("mount-clock", "marked", ClockPosition.of(3.5)));
        assertThat(intents(opening("mount-screws", "mark infinity"))).containsExactly(
                new Intent.KeepReference("infinity", "marked", ClockPosition.of(12)));
    }

    @Test
    void doneOpensOrClosesWhatIsInHand() {
        assertThat(intents(opening("ring-thread", "done"))).containsExactly(Story.open("ring-thread"));
        assertThat(intents(new Shorthand(SMALL, SMALL.joint("ring-thread"), true, Story.NOON).read("done"))).containsExactly(Story.close("ring-thread"));
    }

    @Test
    void whileClosingALineIsAStatement() {
        Reading r = new Shorthand(SMALL, SMALL.joint("e1-seat"), true, Story.NOON).read("E1 rear up");

        assertThat(intents(r)).containsExactly(Story.see("e1-seat", new Fact.Facing("E1", false)));
        assertThat(r).isInstanceOfSatisfying(Reading.Understood.class, u -> assertThat(u.say()).startsWith("I see"));
    }

    @Test
    void theReadingIsSaidBackInFullWords() {
        assertThat(opening("mount-screws", "2 screws, cross, 4.2")).isInstanceOfSatisfying(Reading.Understood.class,
                u -> assertThat(u.say()).isEqualTo("mount screws: screw M1, cross, 4.2 mm · screw M2, cross, 4.2 mm"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "   ", "xyzzy", "3 screws", "stuck", "25 o'clock", "lets go 13", "shim abc", "900 screws, slot, 3 mm", "ball", "E1 out", "((((", "turns 0"})
    void whatIsNotUnderstoodGetsAHintAndNeverAnException(String line) {
        assertThat(opening("ring-thread", line)).isInstanceOfSatisfying(Reading.NotYet.class, n -> assertThat(n.hint()).isNotBlank());
    }

    @Test
    void completionsBeginWithWhatWasTyped() {
        assertThat(opening("ring-thread", "mou")).isInstanceOfSatisfying(Reading.NotYet.class,
                n -> assertThat(n.completions()).contains("mount screws"));
    }

    @Test
    void aFactWithoutAJointAsksForOne() {
        assertThat(new Shorthand(SMALL, Optional.empty(), false, Story.NOON).read("turns 3")).isInstanceOfSatisfying(Reading.NotYet.class,
                n -> assertThat(n.hint()).contains("no joint is in hand"));
    }

    @Test
    void aNoteKeepsItsCapitals() {
        assertThat(facts(opening("ring-thread", "note Scribed by Somebody"))).containsExactly(new Fact.Note("Scribed by Somebody"));
    }
}
