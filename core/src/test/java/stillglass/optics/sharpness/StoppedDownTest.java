package stillglass.optics.sharpness;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.optics.Lenses;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;

class StoppedDownTest {
    private static final LensSection LENS = Lenses.triplet();

    /// Closed far down any lens is as good as its aperture lets it be: 2/π(acos s − s√(1−s²)), s = λ f N.
    @ParameterizedTest
    @ValueSource(doubles = {40, 56})
    void closedDownItIsTheApertureThatLimits(double stop) {
        List<Double> frequencies = List.of(5.0, 10.0, 20.0);
        StoppedDown r = StoppedDown.of(LENS, LENS, stop, frequencies, List.of());
        Paraxial p = Paraxial.of(LENS);
        double working = p.eflMm() / (p.entrancePupil().diameterMm() * LENS.fNumber() / stop);
        for (int i = 0; i < frequencies.size(); i++) {
            double expected = 0;
            for (double nm : LENS.wavelengthsNm()) {
                double s = frequencies.get(i) * nm * 1e-6 * working;
                expected += 2 / Math.PI * (Math.acos(s) - s * Math.sqrt(1 - s * s)) / LENS.wavelengthsNm().size();
            }
            StoppedDown.Transfer t = r.fields().getFirst().transfer().get(i);
            assertThat(t.frequency()).isEqualTo(frequencies.get(i));
            assertThat(t.sagittal()).as("%.0f/mm", t.frequency()).isCloseTo(expected, within(0.03));
            assertThat(t.tangential()).isCloseTo(t.sagittal(), within(0.01));
        }
    }

    /// Beside the best plane a slow lens loses as a round pupil out of focus does: little at first, on both sides alike.
    @Test
    void throughFocusItFallsOnBothSides() {
        List<StoppedDown.Transfer> t = StoppedDown.of(LENS, LENS, 22, List.of(20.0), List.of(-0.8, -0.4, 0.0, 0.4, 0.8)).fields().getFirst().through();
        assertThat(t).hasSize(5);
        assertThat(t.get(2).sagittal()).isGreaterThan(t.get(1).sagittal()).isGreaterThan(t.get(3).sagittal());
        assertThat(t.get(1).sagittal()).isGreaterThan(t.get(0).sagittal());
        assertThat(t.get(1).sagittal()).isCloseTo(t.get(3).sagittal(), within(0.06));
    }

    @Test
    void wideOpenItIsTheFullReport() {
        StoppedDown r = StoppedDown.of(LENS, LENS, LENS.fNumber(), List.of(LensReport.MTF_FREQUENCY), List.of());
        LensReport full = LensReport.of(LENS, LENS);
        assertThat(r.bestFocusMm().orElseThrow()).isCloseTo(full.bestFocusMm().orElseThrow(), within(1e-9));
        for (int f = 0; f < 3; f++) {
            assertThat(r.fields().get(f).rmsUm().orElseThrow()).isCloseTo(full.fields().get(f).rmsUm().orElseThrow(), within(1e-6));
        }
        assertThat(r.fields().getFirst().transfer().getFirst().sagittal()).isCloseTo(full.fields().getFirst().mtfSagittal().orElseThrow(), within(1e-9));
    }

    @Test
    void aStopThatIsNoneIsRefused() {
        assertThatThrownBy(() -> StoppedDown.of(LENS, LENS, 1, List.of(30.0), List.of())).hasMessageContaining("f/1.0 is no stop");
        assertThatThrownBy(() -> StoppedDown.of(LENS, LENS, 8, List.of(-3.0), List.of())).hasMessageContaining("frequencies");
    }
}
