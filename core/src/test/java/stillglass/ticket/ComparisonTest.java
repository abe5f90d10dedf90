package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;

class ComparisonTest {
    private static final Instrument SMALL = Instruments.small();

    private static Comparison compare(String joint, Fact recorded, Fact stated) {
        return Comparison.of(List.of(recorded), stated, SMALL.joint(joint).orElseThrow(), SMALL);
    }

    private static String mistake(Comparison c) {
        return c instanceof Comparison.Differs d ? d.mistake() + " " + d.wouldDo() : "agrees: " + c;
    }

    @Test
    void aWrongEntryIsPricedInMillimetres() {
        // Six starts, lead 9 mm: two hours are one entry, 1.5 mm.
        assertThat(mistake(compare("helicoid-thread", new Fact.LetGo(ClockPosition.of(4)), new Fact.LetGo(ClockPosition.of(6)))))
                .contains("let go at 4 o'clock").contains("1 of 6 entries away").contains("1.50 mm");
        assertThat(mistake(compare("helicoid-thread", new Fact.LetGo(ClockPosition.of(11)), new Fact.LetGo(ClockPosition.of(3)))))
                .contains("2 of 6").contains("3.00 mm");
    }

    @Test
    void aSmallDifferenceOnTheDialIsTheEyes() {
        assertThat(compare("helicoid-thread", new Fact.LetGo(ClockPosition.of(4)), new Fact.LetGo(ClockPosition.of(4.25)))).isInstanceOf(Comparison.Agrees.class);
        assertThat(compare("ring-thread", new Fact.LetGo(ClockPosition.of(11.9)), new Fact.LetGo(ClockPosition.of(0.1)))).isInstanceOf(Comparison.Agrees.class);
    }

    @Test
    void aSingleThreadOffTheMarkMissesItsDents() {
        assertThat(mistake(compare("ring-thread", new Fact.LetGo(ClockPosition.of(4)), new Fact.LetGo(ClockPosition.of(7))))).contains("miss their dents");
    }

    @Test
    void fewerTurnsLeaveItStandingOff() {
        // One turn short of a lead of 0.75 mm.
        assertThat(mistake(compare("ring-thread", new Fact.Turns(3.5), new Fact.Turns(2.5)))).contains("3.5 turns").contains("0.75 mm short of home");
        assertThat(mistake(compare("ring-thread", new Fact.Turns(3.5), new Fact.Turns(4.5)))).contains("missing under it");
    }

    @Test
    void aLongerScrewBottomsInItsHole() {
        List<Fact> record = List.of(new Fact.Screw("M1", "cross", 4.2), new Fact.Screw("M2", "cross", 4.8));
        Comparison c = Comparison.of(record, new Fact.Screw("M1", "cross", 4.8), SMALL.joint("mount-screws").orElseThrow(), SMALL);

        assertThat(mistake(c)).contains("Cell M1 gave a screw of 4.2 mm").contains("likely home is cell M2").contains("bottoms 0.2 mm");
    }

    @Test
    void aShorterScrewStrips() {
        assertThat(mistake(compare("mount-screws", new Fact.Screw("M2", "cross", 4.8), new Fact.Screw("M2", "cross", 4.2)))).contains("strips");
    }

    @Test
    void aScrewForAnUnknownCellIsAsked() {
        assertThat(mistake(compare("mount-screws", new Fact.Screw("M1", "cross", 4.2), new Fact.Screw("Z9", "cross", 4.2)))).contains("No screw was recorded for cell Z9");
    }

    @Test
    void shimsMoveInfinityByTheirDifference() {
        assertThat(mistake(compare("mount-screws", new Fact.Shims(List.of(0.1, 0.2)), new Fact.Shims(List.of(0.2))))).contains("0.3 mm").contains("-0.100 mm");
        assertThat(compare("mount-screws", new Fact.Shims(List.of(0.1, 0.2)), new Fact.Shims(List.of(0.3)))).isInstanceOf(Comparison.Agrees.class);
    }

    @Test
    void aProudRingHidesSomethingUnderIt() {
        assertThat(mistake(compare("ring-thread", new Fact.Proud(0.3), new Fact.Proud(0.6)))).contains("0.3 mm proud").contains("missing, doubled or turned round");
    }

    @Test
    void anotherBallClicksWrongly() {
        assertThat(mistake(compare("ring-thread", new Fact.Ball(1.0), new Fact.Ball(1.5)))).contains("ball 1 mm");
    }

    @Test
    void aTurnedSpacerLosesItsSeat() {
        assertThat(mistake(compare("spacer-seat", new Fact.Facing("spacer", true), new Fact.Facing("spacer", false)))).contains("bevel");
    }

    @Test
    void withNothingOnRecordThereIsNothingToSay() {
        Comparison c = Comparison.of(List.of(), new Fact.Turns(2), SMALL.joint("ring-thread").orElseThrow(), SMALL);

        assertThat(c).isInstanceOf(Comparison.NothingRecorded.class);
    }

    @Test
    void theLatestRecordCounts() {
        Comparison c = Comparison.of(List.of(new Fact.Turns(2), new Fact.Turns(3)), new Fact.Turns(3), SMALL.joint("ring-thread").orElseThrow(), SMALL);

        assertThat(c).isInstanceOf(Comparison.Agrees.class);
    }

    @Test
    void questionsDoNotGiveTheAnswerAway() {
        assertThat(Closing.question(new Fact.Facing("E1", true))).isEqualTo("which face of E1 is up?").doesNotContain("front");
        assertThat(Closing.question(new Fact.Screw("A1", "slot", 3.2))).doesNotContain("3.2").contains("A1");
        assertThat(Closing.question(new Fact.LetGo(ClockPosition.of(4)))).doesNotContain("4");
    }

    private static String turned(String joint, double deg, int fold) {
        return mistake(compare(joint, new Fact.Photo("p1"), new Fact.Clocked("p2", deg, 0.1, fold)));
    }

    @Test
    void twoPhotosPriceATurnByWhatTheJointIs() {
        // Lead 9 mm: eight degrees are 0.2 mm.
        assertThat(turned("helicoid-thread", 8, 1)).contains("Turned by 8.0° ± 0.1°").contains("0.20 mm along the axis").contains("8.0° anticlockwise");
        int holes = ((stillglass.assembly.Hold.Screws) SMALL.joint("mount-screws").orElseThrow().hold()).holes().size();
        assertThat(turned("mount-screws", -360.0 / holes, 1)).contains("1 of " + holes + " screw holes on").contains("clockwise");
        assertThat(turned("mount-screws", 0.6, 1)).contains("agrees");
    }

    /// Six notches: 61 degrees look like one, and one more notch would not show.
    @Test
    void aRingThatLooksTheSameSeveralTimesIsHeldAgainstTheNearestPlace() {
        assertThat(turned("ring-thread", 60.4, 6)).contains("agrees").contains("looks the same 6 times round");
        assertThat(turned("ring-thread", 65, 6)).contains("Turn it back 5.0° anticlockwise");
    }

    @Test
    void withoutAPhotoOfTheRecordNothingIsCompared() {
        assertThat(compare("ring-thread", new Fact.Turns(3), new Fact.Clocked("p2", 0, 0.1, 1))).isInstanceOf(Comparison.NothingRecorded.class);
    }
}
