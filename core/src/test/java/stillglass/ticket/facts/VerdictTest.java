package stillglass.ticket.facts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;
import stillglass.say.Wording;

/// What is stated while closing, held against what was noted. Consequences in millimetres are worked out by hand here.
class VerdictTest {
    private static final Instrument SMALL = Instruments.small();

    private static Verdict compare(String joint, Fact recorded, Fact stated, Fact... others) {
        List<Fact> record = new ArrayList<>(List.of(recorded));
        record.addAll(List.of(others));
        return stated.against(recorded, new Scene(SMALL, SMALL.joint(joint).orElseThrow(), record));
    }

    private static String said(Verdict v) {
        Wording w = Wording.core();
        return switch (v) {
            case Verdict.Agrees a -> "agrees: " + w.say(a.said());
            case Verdict.Differs d -> w.say(d.mistake()) + " " + w.say(d.wouldDo());
            case Verdict.Lacks l -> "lacks: " + w.say(l.what());
        };
    }

    private static LetGo at(double hours) {
        return new LetGo(ClockPosition.of(hours));
    }

    @Test
    void aWrongEntryIsPricedInMillimetres() {
        // Six starts, lead 9 mm: two hours are one entry, 1.5 mm.
        assertThat(said(compare("helicoid-thread", at(4), at(6)))).contains("4 o'clock").contains("1 of 6 entries away").contains("1.5");
        assertThat(said(compare("helicoid-thread", at(11), at(3)))).contains("2 of 6").contains("3.0");
    }

    @Test
    void aSmallDifferenceOnTheDialIsTheEyes() {
        assertThat(said(compare("helicoid-thread", at(4), at(4.25)))).startsWith("agrees");
        assertThat(said(compare("ring-thread", at(11.9), at(0.1)))).startsWith("agrees");
    }

    @Test
    void aSingleThreadOffTheMarkMissesItsDents() {
        assertThat(said(compare("ring-thread", at(4), at(7)))).contains("dents");
    }

    @Test
    void fewerTurnsLeaveItStandingOff() {
        // One turn short of a lead of 0.75 mm.
        assertThat(said(compare("ring-thread", new Turns(3.5), new Turns(2.5)))).contains("3.5 turns").contains("0.75 mm short");
        assertThat(said(compare("ring-thread", new Turns(3.5), new Turns(4.5)))).contains("missing under it");
    }

    @Test
    void aLongerScrewBottomsInItsHole() {
        assertThat(said(compare("mount-screws", new Screw("M1", "cross", 4.2), new Screw("M1", "cross", 4.8), new Screw("M2", "cross", 4.8))))
                .contains("M1").contains("4.2").contains("M2").contains("0.2 mm");
    }

    @Test
    void aShorterScrewStripsAndAnotherDriveIsAnotherScrew() {
        assertThat(said(compare("mount-screws", new Screw("M2", "cross", 4.8), new Screw("M2", "cross", 4.2)))).contains("strip");
        assertThat(said(compare("mount-screws", new Screw("M1", "cross", 4.2), new Screw("M1", "slot", 4.2)))).contains("cross");
        assertThat(said(compare("mount-screws", new Screw("M1", "cross", 4.2), new Screw("M1", Optional.of("cross"), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty()))))
                .as("the length is on record and was not looked at").startsWith("lacks");
    }

    @Test
    void whatASpringIsComparedByIsWhatWasNotedOfIt() {
        Spring thin = new Spring("the thin one", Optional.of(0.3), Optional.of(3.0), Optional.of(12.0), Optional.empty());
        assertThat(said(compare("ring-thread", thin, new Spring("the thin one", Optional.of(0.3), Optional.of(3.0), Optional.of(12.1), Optional.empty())))).startsWith("agrees");
        assertThat(said(compare("ring-thread", thin, new Spring("the thin one", Optional.of(0.5), Optional.of(3.0), Optional.of(12.0), Optional.empty())))).contains("0.3");
        assertThat(said(compare("ring-thread", thin, new Spring("the long one", Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty())))).doesNotStartWith("agrees");
    }

    @Test
    void noneCanBeRightOrWrong() {
        assertThat(said(compare("ring-thread", new Absent("shims"), new Absent("shims")))).startsWith("agrees");
        assertThat(said(compare("ring-thread", new Shims(List.of(0.1)), new Absent("shims")))).doesNotStartWith("agrees");
        assertThat(said(Absent.but(new Shims(List.of(0.1))))).doesNotStartWith("agrees");
    }

    @Test
    void shimsMoveInfinityByTheirDifference() {
        // 0.3 on record and 0.2 now: the lens sits 0.1 mm nearer to the film.
        assertThat(said(compare("mount-screws", new Shims(List.of(0.1, 0.2)), new Shims(List.of(0.2))))).contains("0.3 mm").contains("0.10");
        assertThat(said(compare("mount-screws", new Shims(List.of(0.1, 0.2)), new Shims(List.of(0.3))))).startsWith("agrees");
    }

    @Test
    void proudHeightsAndBalls() {
        assertThat(said(compare("ring-thread", new Proud(0.3), new Proud(0.6)))).contains("0.3 mm").contains("missing, doubled or turned round");
        assertThat(said(compare("ring-thread", new Ball(1.0), new Ball(1.5)))).contains("1 mm");
    }

    @Test
    void aTurnedSpacerLosesItsSeat() {
        assertThat(said(compare("spacer-seat", new Facing("spacer", true), new Facing("spacer", false)))).contains("bevel");
    }

    @Test
    void questionsDoNotGiveTheAnswerAway() {
        Wording w = Wording.core();
        assertThat(w.say(new Facing("E1", true).question())).contains("E1").doesNotContain("front");
        assertThat(w.say(new Screw("A1", "slot", 3.2).question())).doesNotContain("3.2").doesNotContain("slot").contains("A1");
        assertThat(w.say(at(4).question())).doesNotContain("4");
        assertThat(w.say(new Shims(List.of(0.15)).question())).doesNotContain("0.15");
        assertThat(w.say(new Ball(1.5).question())).doesNotContain("1.5");
        assertThat(w.say(new Spring("the thin one", Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty()).question())).doesNotContain("thin");
    }

    private static String turned(String joint, double deg, int fold) {
        return said(compare(joint, new Photo("p1"), new Clocked("p2", deg, 0.1, fold)));
    }

    @Test
    void twoPhotosPriceATurnByWhatTheJointIs() {
        // Lead 9 mm: eight degrees are 0.2 mm.
        assertThat(turned("helicoid-thread", 8, 1)).contains("8.0°").contains("0.1°").contains("0.20 mm").contains("anticlockwise");
        int holes = ((Hold.Screws) SMALL.joint("mount-screws").orElseThrow().hold()).holes().size();
        assertThat(turned("mount-screws", -360.0 / holes, 1)).contains("1 of " + holes + " screw holes").contains("clockwise");
        assertThat(turned("mount-screws", 0.6, 1)).startsWith("agrees");
    }

    /// Six notches: 61 degrees look like one, and one more notch would not show.
    @Test
    void aRingThatLooksTheSameSeveralTimesIsHeldAgainstTheNearestPlace() {
        assertThat(turned("ring-thread", 60.4, 6)).startsWith("agrees").contains("6");
        assertThat(turned("ring-thread", 65, 6)).contains("5.0° anticlockwise");
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, -1, Double.NaN, Double.POSITIVE_INFINITY, 1e9})
    void whatNoCaliperReadsIsRefusedAtBirth(double value) {
        for (Runnable r : List.<Runnable>of(() -> new Screw("A1", "slot", value), () -> new Turns(value), () -> new Ball(value), () -> new Shims(List.of(value)))) {
            assertThat(catchThrowable(r::run)).as("%s", value).isInstanceOf(IllegalArgumentException.class).hasMessageContaining(Double.isNaN(value) ? "NaN" : "");
        }
    }
}
