package stillglass.ticket.joints;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.say.Wording;
import stillglass.ticket.Job;

class LeastMarksTest {
    private static Optional<LeastMarks> least(Job job, String joint) {
        return LeastMarks.of(job.world().instrument().joint(joint).orElseThrow(), job.state().joints(), job.world());
    }

    @Test
    void aRingThatStandsAnywhereNeedsOneStroke() {
        Job job = Job.unknown().say("trying scale ring, seat, front");
        assertThat(least(job, "scale-ring")).contains(new LeastMarks(OptionalInt.empty(), 1, false));
    }

    @Test
    void howItFitsIsWhatWasTried() {
        assertThat(least(Job.unknown().say("trying mount, bayonet, rear", "fits 3 ways"), "mount").orElseThrow().ways()).hasValue(3);
        assertThat(least(Job.unknown().say("trying mount, bayonet, rear", "fits one way"), "mount")).isEmpty();
        assertThat(least(Job.unknown().say("trying mount, screws, rear", "fits any way"), "mount").orElseThrow().ways()).isEmpty();
        assertThat(least(Job.unknown().say("trying inner barrel, thread, front", "6 starts"), "inner-barrel").orElseThrow().ways()).hasValue(6);
        assertThat(least(Job.unknown().say("trying mount plate, screws, rear", "5 screws, cross, 4.2 mm"), "mount-plate").orElseThrow().ways()).hasValue(5);
    }

    @Test
    void whatTellsThePoseAlreadyNeedsNoMark() {
        for (String told : List.of("lets go 4 o'clock", "ring notch at 2:30", "mark ring at 3 before scale ring")) {
            assertThat(least(Job.unknown().say("trying scale ring, seat, front", told), "scale-ring")).as(told).isEmpty();
        }
        assertThat(least(Job.unknown().say("trying retainer, retaining ring, front"), "retainer")).as("a retainer is run home").isEmpty();
        assertThat(least(Job.unknown().say("trying cover, magic, front"), "cover")).as("nobody knows how it holds").isEmpty();
    }

    @Test
    void strokesAreTakenForNoOtherMarkOnThatSide() {
        Job job = Job.unknown().say("mark outer ring, one stroke, at 3", "off outer ring, seat, front", "trying scale ring, seat, front");
        assertThat(least(job, "scale-ring").orElseThrow().strokes()).isEqualTo(2);
        job.say("trying mount, seat, rear");
        assertThat(least(job, "mount").orElseThrow().strokes()).as("on the other side nobody takes it for that").isEqualTo(1);
    }

    @Test
    void aSpacerThatTurnsOverNeedsADotUntilItsSideIsSaid() {
        assertThat(least(Job.unknown().say("trying spacer, seat, front"), "spacer").orElseThrow().dot()).isTrue();
        assertThat(least(Job.unknown().say("trying spacer, seat, front", "bevel down"), "spacer").orElseThrow().dot()).isFalse();
    }

    /// Counted by hand from the positions of the holes.
    @ParameterizedTest
    @CsvSource({"0 4 8, 3", "0 3 6 9, 4", "0 6, 2", "0 3 6, 1", "1 5 9 11, 1", "0 2 4 6 8 10, 6", "0 1 6 7, 2"})
    void holesLieOnThemselvesAsOftenAsTheyDo(String holes, int fold) {
        assertThat(LeastMarks.fold(java.util.Arrays.stream(holes.split(" ")).map(Double::valueOf).toList())).isEqualTo(fold);
    }

    @Test
    void itIsSaidOfTheJointInHandAndTheLeadWithItsInterval() {
        Job job = Job.unknown().say("trying inner barrel, thread, front", "6 starts");
        assertThat(said(job, "inner-barrel")).singleElement().asString().contains("6 ways").contains("one stroke across both parts");
        job.say("off inner barrel", "turns 2", "travel 6 mm");
        assertThat(said(job, "inner-barrel")).singleElement().asString().contains("3.00 mm a turn").contains("entries off is 0.50 mm");
        job.say("off mount, screws, rear", "2 screws, cross, 4.2 mm", "2 screws, cross, 4.2 mm");
        assertThat(said(job, "mount")).containsExactly("Every hole takes 4.2 mm at least; deeper nobody knows");
    }

    private static List<String> said(Job job, String joint) {
        return Inferred.of(job.world().instrument().joint(joint).orElseThrow(), job.state().joints(), job.world()).stream().map(Wording.core()::sentence).toList();
    }
}
