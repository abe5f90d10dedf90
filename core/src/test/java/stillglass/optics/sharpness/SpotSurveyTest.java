package stillglass.optics.sharpness;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.misassembly.LensFault;

class SpotSurveyTest {
    /// The report samples the iris almost twice as finely and aims every ray by itself.
    private static final double AGREEMENT = 0.01;

    private static LensSection wrong(String... faults) {
        return LensFault.apply(Lenses.triplet(), java.util.Arrays.stream(faults).map(LensFault::parse).toList(), LensFault.Seating.RIM).lens();
    }

    @ParameterizedTest
    @ValueSource(strings = {"gap:2:0", "gap:2:0.4", "reverse:E1", "reverse:E2+E3", "swap:E1,E2+E3", "unseated:E1:0.2:0:12", "unseated:E1:0.1:1.5:12"})
    void agreesWithTheFullReport(String fault) {
        LensSection lens = wrong(fault);
        SpotSurvey quick = SpotSurvey.of(lens, Lenses.triplet());
        LensReport full = LensReport.of(lens, Lenses.triplet());

        assertThat(quick.bestFocusMm().orElseThrow()).isCloseTo(full.bestFocusMm().orElseThrow(), within(0.01));
        for (int i = 0; i < 3; i++) {
            double expected = full.fields().get(i).rmsUm().orElseThrow();
            assertThat(quick.rmsUm().get(i).orElseThrow()).as("field %d", i).isCloseTo(expected, within(AGREEMENT * expected));
        }
    }

    @Test
    void aLeaningGlassMakesTheTwoSidesOfThePictureDiffer() {
        SpotSurvey upright = SpotSurvey.of(Lenses.triplet(), Lenses.triplet(), List.of(0.0, 0.7, -0.7));
        SpotSurvey leaning = SpotSurvey.of(wrong("unseated:E1:0:1:12"), Lenses.triplet(), List.of(0.0, 0.7, -0.7));

        assertThat(upright.rmsUm().get(1).orElseThrow()).isCloseTo(upright.rmsUm().get(2).orElseThrow(), within(1e-6));
        assertThat(leaning.rmsUm().get(1).orElseThrow() / leaning.rmsUm().get(2).orElseThrow()).isNotCloseTo(1, within(0.05));
    }

    @Test
    void leaningSidewaysIsTheSameForLeftAndRightFieldsSwapped() {
        // The direction of the lean must not matter on the axis, whichever symmetry the tracing uses.
        double up = SpotSurvey.of(wrong("unseated:E1:0:1:12"), Lenses.triplet()).rmsUm().getFirst().orElseThrow();
        double right = SpotSurvey.of(wrong("unseated:E1:0:1:3"), Lenses.triplet()).rmsUm().getFirst().orElseThrow();
        double oblique = SpotSurvey.of(wrong("unseated:E1:0:1:1.5"), Lenses.triplet()).rmsUm().getFirst().orElseThrow();

        assertThat(right).isCloseTo(up, within(0.002 * up));
        assertThat(oblique).isCloseTo(up, within(0.01 * up));
    }

    @Test
    void aLensWithoutPowerHasNoFocusAndSaysSo() {
        SpotSurvey s = SpotSurvey.of(Lenses.single(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, 5, 1.5, 8), Lenses.triplet());

        assertThat(s.bfdMm()).isEmpty();
        assertThat(s.bestFocusMm()).isEmpty();
        assertThat(s.rmsUm()).allMatch(java.util.OptionalDouble::isEmpty);
    }
}
