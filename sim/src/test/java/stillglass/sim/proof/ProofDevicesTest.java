package stillglass.sim.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Instrument;
import stillglass.device.PhotoCamera;
import stillglass.device.TorqueGauge;
import stillglass.prove.edge.LightPlane;
import stillglass.prove.edge.SharpnessReading;
import stillglass.prove.feel.TorqueReading;
import stillglass.prove.iris.IrisReading;
import stillglass.prove.trace.ShutterReading;
import stillglass.ticket.TicketState;

/// What the simulated devices show is read by what reads real ones.
class ProofDevicesTest {
    private static final TicketState STATE = TicketState.NONE;

    private static Instrument of(Instrument.Sort sort) {
        return Instrument.unknown("test", "test", sort);
    }

    @Test
    void aLightSensorShowsTheHiddenExposure() {
        HiddenMechanism m = HiddenMechanism.of(STATE, of(Instrument.Sort.CAMERA));
        for (double nominal : new double[] {1 / 8.0, 1 / 30.0, 1 / 125.0}) {
            double truth = m.exposureS(nominal);
            if (Double.isNaN(truth)) {
                continue;
            }
            ShutterReading r = ShutterReading.of(List.of(ProofDevices.light(STATE, of(Instrument.Sort.CAMERA), 3).record(nominal)), ShutterReading.Kind.LEAF, List.of()).orElseThrow();
            assertThat(r.shots()).hasSize(3);
            assertThat(r.effectiveS()).isCloseTo(truth, within(0.01 * truth));
        }
        assertThat(ProofDevices.light(STATE, of(Instrument.Sort.BODY), 3).record(1 / 60.0).channels()).isEqualTo(2);
    }

    @Test
    void aGaugeShowsADryFocus() {
        List<TorqueGauge.Turned> turned = ProofDevices.torque(STATE, of(Instrument.Sort.LENS), 1).turn();
        TorqueReading r = TorqueReading.of(turned.stream().mapToDouble(TorqueGauge.Turned::deg).toArray(), turned.stream().mapToDouble(TorqueGauge.Turned::nmm).toArray());
        assertThat(r.meanNmm()).isBetween(50.0, 105.0);
        assertThat(r.breakawayNmm()).isGreaterThan(1.3 * r.meanNmm());
        assertThat(r.unevenShare()).isGreaterThan(0.1);
    }

    private static LightPlane plane(PhotoCamera.Picture picture) throws IOException {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(picture.bytes()));
        float[] light = new float[image.getWidth() * image.getHeight()];
        for (int i = 0; i < light.length; i++) {
            light[i] = (float) Math.pow(image.getRaster().getSample(i % image.getWidth(), i / image.getWidth(), 0) / 255.0, 2.2);
        }
        return new LightPlane(image.getWidth(), image.getHeight(), light);
    }

    @Test
    void anIrisShowsItsStopsAndTheBladeThatStandsOff() throws IOException {
        List<IrisReading.Taken> taken = new ArrayList<>();
        for (double stop : new double[] {2, 4, 8}) {
            taken.add(new IrisReading.Taken("f" + stop, stop, plane(ProofDevices.iris(STATE, of(Instrument.Sort.LENS), 2, stop, 1).take())));
        }
        IrisReading r = IrisReading.of(taken);
        assertThat(r.stops()).hasSize(3);
        assertThat(r.stops().getLast().blades()).isBetween(5, 8);
        assertThat(r.stops().getLast().errorEv()).isBetween(0.05, 0.4);
        assertThat(r.diagnostics()).anyMatch(d -> d.key().startsWith("iris.blade"));
    }
}
