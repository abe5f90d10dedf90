package stillglass.ticket.facts;

import static org.assertj.core.api.Assertions.assertThat;
import static stillglass.ticket.Job.close;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import stillglass.ticket.Job;
import stillglass.ticket.story.Stage;

class LedTest {
    private static Job off() {
        return Job.unknown().say("off cam barrel, seat, front");
    }

    private static List<Fact> heard(String line) {
        return off().say(line).state().joints().facts("cam-barrel");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "turn cam barrel right until it stops | cam barrel | RIGHT | | stop",
        "turn the cam barrel clockwise until the pin meets the slot | cam barrel | RIGHT | | pin / slot",
        "push inner barrel back 2 mm | inner barrel | BACK | 2 mm | ''",
        "lift plate | plate | UP | | ''",
        "turn key ring left by 45° until lug clears cut | key ring | LEFT | 45° | lug / cut",
        "pull sleeve until key at groove | sleeve | OUT | | key / groove"
    })
    void aMoveIsHeardWithItsWayAndItsEnd(String line, String what, Led.Way way, String by, String until) {
        assertThat(heard(line)).containsExactly(new Led(what, way, Optional.ofNullable(by), until));
    }

    @Test
    void aTurnToAPlaceOnTheDialStaysWhatItWas() {
        assertThat(heard("turn cam to 4")).hasOnlyElementsOfType(Moved.class);
        assertThat(off().answer("turn cam barrel")).contains("turn");
    }

    @ParameterizedTest
    @EnumSource(Led.Way.class)
    void whatUndoesAWayIsUndoneByIt(Led.Way way) {
        assertThat(way.undone()).isNotEqualTo(way);
        assertThat(way.undone().undone()).isEqualTo(way);
    }

    /// The dance of a cam barrel: three moves forwards, played backwards, each confirmed, none skipped.
    @Test
    void aDanceGoesBackLastInFirstOutTheOtherWayFromWhereItEnded() {
        Job job = off().say("turn cam barrel right until pin meets slot", "push inner barrel back 2 mm", "turn key ring left until it stops", "tape holds lever").stage(Stage.CLOSE);

        assertThat(job.refusal(close("cam-barrel"))).contains("tape");
        job.say("tape off");
        assertThat(job.answer("turn cam barrel left from pin at slot")).as("not its turn yet").contains("key ring");
        job.say("turn key ring left");
        assertThat(job.refusal(close("cam-barrel"))).contains("went left").contains("goes back right");
        job.say("turn key ring right", "push inner barrel forward 2 mm");
        assertThat(job.answer("turn cam barrel left")).contains("from where");
        job.say("turn cam barrel left from slot at rib");
        assertThat(job.refusal(close("cam-barrel"))).contains("pin / slot").contains("wrong entry");
        job.say("turn cam barrel left from slot at pin").accept(close("cam-barrel"));
        assertThat(job.state().joints().openNow()).isEmpty();
    }

    @Test
    void theQuestionNamesTheThingAndNotTheWay() {
        Job job = off().say("turn cam barrel right until pin meets slot").stage(Stage.CLOSE);
        assertThat(job.refusal(close("cam-barrel"))).contains("which way does the cam barrel go back").doesNotContain("right");
    }
}
