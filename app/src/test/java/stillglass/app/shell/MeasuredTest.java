package stillglass.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.book.data.Shelf;
import stillglass.sim.VirtualDevices;
import stillglass.ticket.facts.Screw;

/// What a reading becomes.
class MeasuredTest {
    private static final Instrument LENS = new Shelf().instrument("ostrel_52_f2");

    private static Joint joint(String id) {
        return LENS.joint(id).orElseThrow();
    }

    @Test
    void aReadingBeginsTheLineOfTheJointInHand() {
        assertThat(Measured.line(joint("mount-screws"), List.of(new Screw("M1", "cross", 4.2)), "4.8", false)).as("the next hole").isEqualTo("screw M2, cross, 4.8 mm");
        assertThat(Measured.line(joint("e1-retainer"), List.of(), "0.3", false)).isEqualTo("proud 0.3");
        assertThat(Measured.line(joint("shim-seat"), List.of(), "0.1", true)).isEqualTo("shim 0.1");
    }

    @Test
    void shimsAreMeasuredOneAfterTheOtherAndTheirReadingsKeptApart() {
        assertThat(VirtualDevices.caliper(joint("shim-seat"), LENS, List.of(), 0, 5).readMm()).isEqualTo(0.1);
        assertThat(VirtualDevices.caliper(joint("shim-seat"), LENS, List.of(), 1, 5).readMm()).isEqualTo(0.2);
        assertThat("shim 0.1" + Measured.into("shim 0.1", "0.2")).isEqualTo("shim 0.1 0.2");
        assertThat(Measured.into("shim ", "0.2")).isEqualTo("0.2");
    }
}
