package stillglass.ticket.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static stillglass.ticket.Job.close;

import org.junit.jupiter.api.Test;
import stillglass.ticket.Job;
import stillglass.ticket.story.Stage;

/// What on a tray is glass, by its name alone.
class NamedGlassTest {
    @Test
    void glassesLieOnTheTrayInTheOrderTheyCameOut() {
        Job job = Job.unknown().say("off rear glass, ring, rear", "off mount ring, screws, rear", "off ground glass frame, screws, rear", "off front doublet, ring, front");
        assertThat(NamedGlass.out(job.state().joints(), job.world().instrument())).containsExactly("rear glass", "front doublet");
        job = job.stage(Stage.CLOSE).accept(close("front-doublet"));
        assertThat(NamedGlass.out(job.state().joints(), job.world().instrument())).containsExactly("rear glass");
    }
}
