package stillglass.ticket.joints;

import static org.assertj.core.api.Assertions.assertThat;
import static stillglass.ticket.Job.close;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.story.Stage;

class AlikeTest {
    private static List<String> hints(Job job, String joint) {
        return Inferred.of(job.world().instrument().joint(joint).orElseThrow(), job.state().joints(), job.world()).stream().map(Wording.core()::sentence).toList();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"screw A1, cross, 4.2 | screw B1, cross, 5.1 | true", "screw A1, cross, 4.2 | screw B1, cross, 4.25 | false", "screw A1, cross, 4.2 | screw B1, cross, 9 | false",
        "screw A1, cross, 4.2 | screw B1, slot, 5.1 | false", "spring 0.3 x 3 x 8 | spring 0.4 x 3 x 8 | true", "washer 0.3 mm paper | washer 0.35 mm | true", "ball 1 | ball 1.2 | true", "ball 1 | ball 1 | false"})
    void whatIsEasilyMistakenIsSaidWhileItComesOff(String one, String other, boolean said) {
        Job job = Job.unknown().say("off top cover, screws, top", one, "off bottom cover, screws, bottom", other);
        assertThat(hints(job, "bottom-cover").stream().anyMatch(h -> h.contains("Easily mistaken") && h.contains("top cover"))).as("%s, %s", one, other).isEqualTo(said);
    }

    @Test
    void aMeasuredThingInTheWrongPlaceFindsItsLikelyHome() {
        Job job = Job.unknown().say("off top cover, screws, top", "screw A1, cross, 4.2", "spring 0.3 x 3 x 8", "off bottom cover, screws, bottom", "screw B1, cross, 5.1", "spring 0.4 x 3.6 x 9").stage(Stage.CLOSE);
        job.say("screw B1, cross, 4.2");
        assertThat(job.refusal(close("bottom-cover"))).contains("fits the top cover").contains("4.2 mm");
        job.say("screw B1, cross, 5.1", "spring 0.3 x 3 x 8");
        assertThat(job.refusal(close("bottom-cover"))).contains("fits the top cover");
        job.say("spring 0.4 x 3.6 x 9").accept(close("bottom-cover"));
    }

    @Test
    void whatFitsNowhereIsSentNowhere() {
        Job job = Job.unknown().say("off top cover, screws, top", "screw A1, cross, 4.2", "off bottom cover, screws, bottom", "screw B1, cross, 5.1").stage(Stage.CLOSE);
        job.say("screw B1, cross, 7.7");
        assertThat(job.refusal(close("bottom-cover"))).doesNotContain("fits the");
    }
}
