package stillglass.ticket.glass;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.device.Source;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Growth;
import stillglass.look.Lighting;
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

    /// Photos of two visits that show one colony: how fast it grew is known as soon as their days are.
    @Test
    void theDaysOfPhotosTellHowFastAColonyGrew() {
        Job job = Job.unknown().accept(new GlassEvent.PhotoKept("p1", Phase.BEFORE, false, "then", Source.FILE), graded("p1", 0.1), new GlassEvent.PhotoKept("p2", Phase.BEFORE, false, "now", Source.FILE), graded("p2", 0.3)).stage(Stage.LOOK);
        Known colony = job.state().glass().findings().getFirst();
        assertThat(colony.sights()).hasSize(2);
        assertThat(job.state().glass().growth(colony)).as("both of one day").isEmpty();
        job.say("photo 1 of 2026-01-15");
        Growth g = job.state().glass().growth(colony).orElseThrow();
        assertThat(g.from()).isEqualTo(LocalDate.of(2026, 1, 15));
        assertThat(g.verdict()).isEqualTo(Growth.Verdict.GROWS);
        assertThat(job.answer("photo 1 of yesterday")).contains("2025-03-01");
        assertThat(job.answer("photo 1 of 2090-01-01")).contains("2090-01-01");
        assertThat(job.answer("photo 9 of 2026-01-15")).contains("9");
    }

    private static GlassEvent.PhotoGraded graded(String id, double half) {
        List<Finding.Point> square = List.of(new Finding.Point(-half, -half), new Finding.Point(half, -half), new Finding.Point(half, half), new Finding.Point(-half, half));
        Finding fungus = new Finding(FindingKind.FUNGUS, 0.9, List.of(new Finding.Region(square)), 4 * half * half / Math.PI, 1, 0, 0, 0.3, 2, List.of(), Map.of(FindingKind.FUNGUS, 0.9), 0);
        return new GlassEvent.PhotoGraded(id, Lighting.AGAINST, new Aperture(400, 300, 250, 250, 0), List.of(fungus), 0.01, List.of(), List.of());
    }
}
