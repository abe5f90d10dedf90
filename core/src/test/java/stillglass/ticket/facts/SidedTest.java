package stillglass.ticket.facts;

import static org.assertj.core.api.Assertions.assertThat;
import static stillglass.ticket.Job.close;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.assembly.ClockPosition;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.story.Stage;

class SidedTest {
    private static List<Fact> heard(String line) {
        Job job = Job.unknown().say("off shutter cover, screws, front");
        return job.say(line).state().joints().facts("shutter-cover").stream().filter(Sided.class::isInstance).toList();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "ridge inward | | ridge | inward",
        "ring ridge facing in | ring | ridge | inward",
        "blade 3 long pin into the housing | blade 3 | long pin | into housing",
        "adhesive side to the floor | | adhesive | to floor",
        "adhesive onto the floor | | adhesive | to floor",
        "button flat edge out | button | flat edge | outward",
        "washer ledge down | washer | ledge | down",
        "silvered face back | | silvered | back",
        "spring short end under the lever | spring | short end | under lever"
    })
    void aFeatureIsHeardWithItsSide(String line, String item, String feature, String towards) {
        assertThat(heard(line)).containsExactly(new Sided(Optional.ofNullable(item).orElse(""), feature, towards, Optional.empty()));
    }

    @Test
    void itMayStandAtAPlaceOnTheDial() {
        assertThat(heard("ring notch at 2:30")).containsExactly(new Sided("ring", "notch", "", Optional.of(ClockPosition.of(2.5))));
        assertThat(heard("ring lug up at 4")).containsExactly(new Sided("ring", "lug", "up", Optional.of(ClockPosition.of(4))));
    }

    /// What other kinds of fact say stays theirs, and half a sentence is not one.
    @Test
    void nothingElseIsTakenForAFeature() {
        assertThat(heard("turns 3.5, lets go 4, collar 2:30, ball 1")).isEmpty();
        Job job = Job.unknown().say("off shutter cover, screws, front");
        assertThat(job.answer("ridge")).contains("ridge");
        assertThat(job.answer("ridge inward quickly please")).contains("quickly");
    }

    /// Five blades with pins that look alike: each comes back by itself, the wrong way round is named with what it would do, and other words for the same way agree.
    @Test
    void theSideIsAskedWithoutGivingItAwayAndAWrongOneIsNamed() {
        Job job = Job.unknown().say("off shutter cover, screws, front", "blade 1 long pin into the housing", "blade 2 long pin up", "adhesive to the floor").stage(Stage.CLOSE);
        assertThat(job.refusal(close("shutter-cover"))).contains("blade 1 long pin").doesNotContain("housing");

        job.say("blade 1 long pin down");
        assertThat(job.refusal(close("shutter-cover"))).contains("on record is blade 1 long pin into housing").contains("jams");
        job.say("blade 1 long pin in the housing", "blade 2 long pin up", "adhesive against the floor");
        job.accept(close("shutter-cover"));
        assertThat(job.state().joints().closed()).containsExactly("shutter-cover");
    }

    @Test
    void aPlaceLeftOutIsAskedFor() {
        Scene scene = new Scene(Job.begun().world().instrument(), Job.begun().world().instrument().joints().getFirst(), List.of());
        Verdict v = new Sided("ring", "lug", "up", Optional.empty()).against(new Sided("ring", "lug", "up", Optional.of(ClockPosition.of(4))), scene);
        assertThat(v).isInstanceOfSatisfying(Verdict.Lacks.class, l -> assertThat(Wording.core().say(l.what())).contains("ring lug"));
    }
}
