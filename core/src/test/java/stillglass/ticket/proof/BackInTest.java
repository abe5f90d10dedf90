package stillglass.ticket.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static stillglass.ticket.Job.close;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.fault.Diagnosis;
import stillglass.fault.Observation;
import stillglass.look.Progress;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.sharpness.AssemblyEffect;
import stillglass.ticket.Job;
import stillglass.ticket.story.Stage;

/// A lens on no map that was closed with its front glass turned.
class BackInTest {
    private static final LensSection LENS = Lenses.triplet();

    private static Diagnosis diagnosed(double infinityMm) {
        return Diagnosis.of(LENS, List.of(Observation.of(Observation.What.INFINITY_ERROR_MM, infinityMm, 0.02)), LensFault.Seating.RIM, false, Progress.SILENT);
    }

    private static Optional<List<String>> way(Job job, double infinityMm) {
        return BackIn.of(diagnosed(infinityMm), LENS, job.state().joints(), job.world().instrument(), Progress.SILENT).map(b -> b.way().stream().map(Joint::name).toList());
    }

    @Test
    void whatCameOffBeforeTheGlassIsOpenedAgainBeforeIt() {
        double turned = AssemblyEffect.of(LENS, List.of(LensFault.parse("reverse:E1"))).focusShiftMm().orElseThrow();
        Job job = Job.on(Instrument.unknown("own-brook-35", "Brook 35 mm f/2.8", Instrument.Sort.LENS), Optional.of(LENS))
                .say("off name ring, thread, front", "off E1, ring, front", "off mount ring, screws, rear").stage(Stage.CLOSE);
        assertThat(diagnosed(turned).hypotheses().getFirst().fault()).isEqualTo("reverse:E1");
        assertThat(way(job, turned)).as("it lies on the tray").hasValueSatisfying(w -> assertThat(w).isEmpty());
        job = job.accept(close("mount-ring"), close("e1"), close("name-ring"));
        assertThat(way(job, turned)).hasValueSatisfying(w -> assertThat(w).containsExactly("name ring", "E1"));
        assertThat(way(job, 0)).as("nothing is wrong").isEmpty();
    }
}
