package stillglass.ticket.glass;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.device.Source;
import stillglass.say.Wording;
import stillglass.ticket.Job;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

class PhotoSetTest {
    private static Job kept() {
        return Job.unknown().accept(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "front", Source.FILE), new GlassEvent.PhotoKept("p2", Phase.BEFORE, false, "rear", Source.FILE)).stage(Stage.LOOK);
    }

    private static Optional<GlassEvent.PhotoSet> set(Job job, String photo) {
        return job.state().glass().photo(photo).orElseThrow().set();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"photo at zoom 80, f/8, near | 80 | 8 | near", "photo at 35 mm, infinity | 35 | | infinity", "photo taken at f/2.8 | | 2.8 | ", "photo at focus 1.5 m | | | 1.5 m"})
    void whereTheControlsStoodGoesToTheLastPhoto(String line, Double zoom, Double stop, String focus) {
        Job job = kept().say(line);
        assertThat(set(job, "p2")).contains(new GlassEvent.PhotoSet("p2", Optional.ofNullable(zoom), Optional.ofNullable(stop), Optional.ofNullable(focus)));
        assertThat(set(job, "p1")).isEmpty();
    }

    @Test
    void whatCannotBeIsSaidSo() {
        assertThat(kept().answer("photo at")).contains("zoom 80");
        assertThat(kept().answer("photo 7 at f/8")).contains("7");
        assertThat(Job.unknown().stage(Stage.LOOK).answer("photo at f/8")).containsIgnoringCase("no photo");
        assertThatThrownBy(() -> new GlassEvent.PhotoSet("p", Optional.of(Double.NaN), Optional.empty(), Optional.empty())).hasMessageContaining("NaN");
    }

    @Test
    void itIsSaidInFull() {
        assertThat(Wording.core().say(new GlassEvent.PhotoSet("p", Optional.of(80.0), Optional.of(5.6), Optional.of("near")).said())).isEqualTo("80 mm, f/5.6, focus near");
    }
}
