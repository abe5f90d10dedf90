package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;
import static stillglass.ticket.Job.close;

import org.junit.jupiter.api.Test;
import stillglass.say.Wording;
import stillglass.ticket.story.Stage;

class ZeroingTest {
    private static String said(Job job) {
        return Zeroing.of(job.state(), job.world()).map(Wording.core()::sentence).orElse("");
    }

    private static Job closed(String... notes) {
        Job job = Job.unknown().say("off focus ring, seat, front", "off inner helicoid, thread, front").say(notes).stage(Stage.CLOSE);
        for (String n : notes) {
            if (n.startsWith("turns")) {
                job.say(n);
            }
        }
        return job.accept(close("inner-helicoid"), close("focus-ring"));
    }

    @Test
    void withALeadItIsSaidInDegreesAndWhichWay() {
        Job job = closed("turns 0.5", "travel 12 mm");
        assertThat(said(job)).as("before it is measured there is nothing to say").isEmpty();
        job.say("infinity +0.12 ± 0.01");
        assertThat(said(job)).contains("inner helicoid with 24.00 mm a turn").contains("1.8°").contains("towards near");
        job.say("infinity -0.12 ± 0.01");
        assertThat(said(job)).contains("1.8°").contains("beyond infinity");
    }

    @Test
    void whatNobodyNotedIsSaidSo() {
        assertThat(said(closed().say("infinity +0.12 ± 0.01"))).contains("Nobody noted the lead");
    }

    @Test
    void anErrorWithinItsOwnUncertaintyIsNotChased() {
        assertThat(said(closed("turns 0.5", "travel 12 mm").say("infinity +0.005 ± 0.01"))).contains("no turn would be surer");
    }

    /// By hand, for 35 mm: m + 1/m = 1000/35 − 2 gives m = 0.0377 and 1.32 mm of extension; 0.30 mm less leave 1.02 mm, m = 0.0291, and 35 (2 + 34.3 + 0.03) = 1273 mm.
    @Test
    void lostShimsAreTakenUpByTheThreadAtACostAtTheNearEnd() {
        Job job = closed("turns 0.5", "travel 12 mm");
        assertThat(instead(job, 0.3)).contains("4.5°").contains("towards near").contains("1 m becomes 1.27 m");
        assertThat(instead(job, -0.3)).contains("beyond infinity").contains("0.30 mm");
        assertThat(instead(job, 2)).as("nothing is left at a metre").contains("2.00 mm early").doesNotContain("becomes");
        assertThat(instead(closed(), 0.3)).as("no lead, no degrees").isEmpty();
    }

    private static String instead(Job job, double mm) {
        return Zeroing.instead(mm, 0.02, job.state(), job.world()).map(Wording.core()::sentence).orElse("");
    }
}
