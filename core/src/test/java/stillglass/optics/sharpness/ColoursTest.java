package stillglass.optics.sharpness;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;

class ColoursTest {
    /// Standard luminosity for daylight vision, every 20 nm (CIE 1931).
    private static final double[][] TABLE = {{440, 0.023}, {460, 0.060}, {480, 0.139}, {500, 0.323}, {520, 0.710}, {540, 0.954}, {560, 0.995}, {580, 0.870}, {600, 0.631}, {620, 0.381}, {640, 0.175}, {660, 0.061}, {680, 0.017}};

    @Test
    void anEyeWeighsAsTheTableSays() {
        for (double[] row : TABLE) {
            assertThat(Colours.luminosity(row[0])).as("%.0f nm", row[0]).isCloseTo(row[1], within(0.021));
        }
    }

    @Test
    void weightsAddUpToOneAndWhatNobodySeesIsWeighedEqually() {
        assertThat(Colours.EYE.weights(List.of(486.1, 587.6, 656.3)).stream().mapToDouble(Double::doubleValue).sum()).isCloseTo(1, within(1e-12));
        assertThat(Colours.EYE.weights(List.of(1064.0, 1100.0))).containsExactly(0.5, 0.5);
        assertThat(Colours.EQUAL.weights(List.of(486.1, 587.6))).containsExactly(0.5, 0.5);
    }

    /// A single glass focuses blue before yellow before red; all leave it under much the same angle, so the best plane of all is the mean of their planes, by weight.
    @Test
    void theBestPlaneIsTheWeighedMeanOfTheColours() {
        LensSection lens = Lenses.single(60, -60, 4, 1.6, 4);
        List<Double> weights = Colours.EYE.weights(lens.wavelengthsNm());
        double mean = 0;
        for (int w = 0; w < weights.size(); w++) {
            mean += weights.get(w) * focus(new LensSection("", "", lens.nominalFocalLengthMm(), lens.fNumber(), lens.imageCircleMm(), List.of(lens.wavelengthsNm().get(w)), lens.surfaces(), lens.elements(), lens.focusing()), Colours.EQUAL);
        }
        assertThat(focus(lens, Colours.EYE)).isCloseTo(mean, within(0.004));
        assertThat(focus(lens, Colours.EQUAL)).isNotCloseTo(mean, within(0.02));
    }

    private static double focus(LensSection lens, Colours colours) {
        return StoppedDown.of(lens, lens, lens.fNumber(), List.of(10.0), List.of(), colours).bestFocusMm().orElseThrow();
    }
}
