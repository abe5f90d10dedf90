package stillglass.ticket.facts;

import static org.assertj.core.api.Assertions.assertThat;
import static stillglass.ticket.Job.close;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.assembly.ClockPosition;
import stillglass.ticket.Job;
import stillglass.ticket.story.Stage;

class MarkTest {
    private static Mark made(String line) {
        return Job.unknown().say(line).state().joints().marks().getLast().mark();
    }

    private static Optional<ClockPosition> at(double hours) {
        return Optional.of(ClockPosition.of(hours));
    }

    @Test
    void bothPartsTheStrokesTheMediumAndBothPlacesAreHeard() {
        assertThat(made("mark mount across barrel, 2 strokes, ink on tape, at 2:30")).isEqualTo(new Mark("mount", Optional.of("barrel"), at(2.5), Optional.empty(), 2, Optional.of("ink on tape"), true));
        assertThat(made("mark mount at 4 and 6")).isEqualTo(new Mark("mount", Optional.empty(), at(4), at(6), 0, Optional.empty(), true));
        assertThat(made("mark mount with pencil at 4 o'clock")).isEqualTo(new Mark("mount", Optional.empty(), at(4), Optional.empty(), 0, Optional.of("pencil"), true));
        assertThat(made("mark name ring, one stroke, scribed")).isEqualTo(new Mark("name ring", Optional.empty(), Optional.empty(), Optional.empty(), 1, Optional.of("scribed"), true));
        assertThat(made("old scratch mount at 3").ours()).isFalse();
    }

    @Test
    void moreThanAMarkHasIsNotDroppedSilently() {
        assertThat(Job.unknown().answer("mark mount at 4, pencil, red, round")).contains("red");
        assertThat(Job.unknown().answer("mark mount at 14")).contains("14");
    }

    @Test
    void itIsAskedForWhenItsPartsMeetAgainWithoutSayingWhere() {
        Job job = Job.unknown().say("mark mount across barrel, 2 strokes, at 4", "off mount, seat, rear").stage(Stage.CLOSE);
        assertThat(job.refusal(close("mount"))).contains("mount").doesNotContain("4 o'clock");

        job.say("mark mount at 8");
        assertThat(job.refusal(close("mount"))).contains("2 strokes").contains("4 o'clock").contains("another hole");
        job.say("mark mount at 4:15").accept(close("mount"));
        assertThat(job.state().joints().openNow()).isEmpty();
    }

    @Test
    void severalMarksMeetInOneWordAndThoseThatDoNotAreHeld() {
        Job job = Job.unknown().say("mark mount at 4", "mark aperture ring at 7", "off mount, seat, rear").stage(Stage.CLOSE);
        job.say("marks off");
        assertThat(job.refusal(close("mount"))).contains("strokes go on");
        job.say("marks meet").accept(close("mount"));
    }

    @Test
    void whatSomebodyElseLeftIsShownAndNotAskedFor() {
        Job job = Job.unknown().say("old mark mount at 3", "off mount, seat, rear").stage(Stage.CLOSE);
        assertThat(job.state().joints().story("mount").recalled()).extracting(o -> o.fact().about()).containsExactly("mark mount");
        job.accept(close("mount"));
    }

    @Test
    void aMarkForANamedJointWaitsForThatOne() {
        Job job = Job.unknown().say("off barrel, thread, front", "trying mount", "trying name ring", "mark mount at 4 before mount", "off name ring", "off mount");
        assertThat(job.state().joints().facts("name-ring")).isEmpty();
        assertThat(job.state().joints().facts("mount")).filteredOn(Mark.class::isInstance).isEqualTo(List.of(new Mark("mount", at(4))));
    }
}
