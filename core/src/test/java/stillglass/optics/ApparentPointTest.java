package stillglass.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ApparentPointTest {
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 3, 4, 5})
    void onTheAxisItIsTheFirstOrderImage(int surface) {
        LensSection lens = Lenses.triplet();

        assertThat(ApparentPoint.depthMm(lens, surface, 0, 0, false)).isCloseTo(Paraxial.of(lens).apparentFromFront(surface).depthMm(), within(1e-4));
        assertThat(ApparentPoint.depthMm(lens, surface, 0, 0, true)).isCloseTo(Paraxial.of(lens).apparentFromRear(surface).depthMm(), within(1e-4));
    }

    @ParameterizedTest
    @CsvSource({"0", "3", "7"})
    void throughAPlaneItIsDividedByTheIndexAtAnyHeight(double height) {
        LensSection plate = Lenses.single(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, 9, 1.5, 8);

        assertThat(ApparentPoint.depthMm(plate, 2, 0, height, false)).isCloseTo(1 + 9 / 1.5, within(1e-6));
        assertThat(ApparentPoint.depthMm(plate, 1, 4.5, height, false)).isCloseTo(1 + 4.5 / 1.5, within(1e-6));
        assertThat(ApparentPoint.depthMm(plate, 1, 4.5, height, true)).isCloseTo(4.5 / 1.5, within(1e-6));
    }

    @Test
    void behindAConcentricDomeAPointOnTheRearFaceIsSeenRadially() {
        // A shell about one centre: seen along a radius nothing is displaced sideways, but the line of sight is the axis, so
        // only the middle can be checked by hand: 1/d' = n/d − (n−1)/R with d = 5, R = 30, n = 1.7.
        LensSection dome = Lenses.single(30, 25, 5, 1.7, 12);

        assertThat(ApparentPoint.depthMm(dome, 2, 0, 0, false)).isCloseTo(1 + 1 / (1.7 / 5 - 0.7 / 30), within(1e-4));
    }

    @Test
    void onTheOutermostFaceItIsTheSag() {
        LensSection lens = Lenses.triplet();

        assertThat(ApparentPoint.depthMm(lens, 0, 0, 6, false)).isCloseTo(30 - Math.sqrt(900 - 36), within(1e-12));
        assertThat(ApparentPoint.depthMm(lens, 5, 0, 6, true)).isCloseTo(90 - Math.sqrt(8100 - 36), within(1e-12));
    }

    @Test
    void awayFromTheAxisTheSagOfItsOwnFaceIsSeenThroughTheGlass() {
        // A face bent away from the viewer by its sag at the height seems deeper than on the axis by about sag over index.
        LensSection plano = Lenses.single(Double.POSITIVE_INFINITY, 40, 6, 1.5, 10);
        double sag = 40 - Math.sqrt(1600 - 64);

        assertThat(ApparentPoint.depthMm(plano, 2, 0, 8, false) - ApparentPoint.depthMm(plano, 2, 0, 0, false)).isCloseTo(sag / 1.5, within(1e-6));
    }
}
