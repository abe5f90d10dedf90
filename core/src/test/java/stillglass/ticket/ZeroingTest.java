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
}
