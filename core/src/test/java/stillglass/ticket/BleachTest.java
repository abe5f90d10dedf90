package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.device.Source;
import stillglass.look.Aperture;
import stillglass.look.Lighting;
import stillglass.look.PhotoLight;
import stillglass.look.ThroughColour;
import stillglass.say.Wording;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;
import stillglass.ticket.words.Reading;

class BleachTest {
    private static void photo(Job job, String id, double yellow) {
        job.tell(new GlassEvent.PhotoKept(id, Phase.BEFORE, false, "", Source.FILE), new GlassEvent.PhotoGraded(id, Lighting.BRIGHT, new Aperture(9, 9, 5, 5, 0), List.of(), 0, List.of(), List.of(),
                Optional.of(new PhotoLight(0.6, Optional.empty(), Optional.of(new ThroughColour(0.2, 0.2 + yellow / 2, 0.2 + yellow, 0.04))))));
    }

    private static void light(Job job, double hours) {
        // As the book writes it: over when it is said.
        job.accept(new CareEvent.Ultraviolet(hours, job.rows().getLast().at()));
    }

    private static String said(Job job) {
        return Wording.core().say(Bleach.of(job.state()).orElseThrow().said());
    }

    @Test
    void photosBetweenDosesTellWhatIsToGo() {
        Job job = Job.unknown();
        photo(job, "p1", 1.1);
        assertThat(Bleach.of(job.state())).as("no light was given").isEmpty();
        light(job, 40);
        assertThat(said(job)).contains("40 h of light").contains("same photo");
        photo(job, "p2", 1.1 / Math.E);
        assertThat(said(job)).contains("0.40 stops").contains("about 56 h more");
        light(job, 56);
        photo(job, "p3", 0.09);
        assertThat(said(job)).contains("Clear after 96 h");
    }

    @Test
    void whatDoesNotClearSaysSo() {
        Job job = Job.unknown();
        photo(job, "p1", 0.8);
        light(job, 48);
        photo(job, "p2", 0.82);
        assertThat(said(job)).contains("no clearer");
        Job late = Job.unknown();
        light(late, 10);
        photo(late, "p1", 0.6);
        assertThat(said(late)).contains("no photo of before");
    }

    @Test
    void lightIsSaidInALine() {
        assertThat(Job.unknown().stage(Stage.CLEAN).read("uv 24 h")).isInstanceOfSatisfying(Reading.Understood.class, u -> assertThat(u.act().intents()).containsExactly(new CareEvent.Ultraviolet(24, Job.NOON)));
    }

    @ParameterizedTest
    @ValueSource(strings = {"uv", "uv 0 h", "uv lots"})
    void lightOfNoLengthIsAsked(String line) {
        assertThat(Job.unknown().read(line)).isInstanceOf(Reading.Unclear.class);
    }
}
