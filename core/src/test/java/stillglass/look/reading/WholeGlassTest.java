package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.Features;
import stillglass.look.kinds.Sight;

/// How far the black of a glass is lifted over that about its rim, against what was drawn.
class WholeGlassTest {
    private static double wall(double x, double y) {
        return x > 0.2 ? 0.02 : 0.005;
    }

    /// @param exposure by which all of the photo is brighter
    private static double lifted(double veil, double exposure) {
        float[][] planes = new float[3][Glass.W * Glass.H];
        for (int i = 0; i < Glass.W * Glass.H; i++) {
            double x = Glass.RIM.unitX(i % Glass.W, i / Glass.W);
            double y = Glass.RIM.unitY(i % Glass.W, i / Glass.W);
            double away = Math.hypot(x, y);
            for (float[] plane : planes) {
                plane[i] = (float) (exposure * (away < 1 ? wall(x, y) + veil : away < 1.3 ? 0.004 : 0.05));
            }
        }
        return whole(new LinearPhoto(Glass.W, Glass.H, planes[0], planes[1], planes[2], Glass.W, Glass.H), Lighting.AGAINST).get(Feature.LIFTED);
    }

    @Test
    void hazeLiftsTheBlackOfTheGlassOverThatOfItsMount() {
        assertThat(lifted(0, 1)).isCloseTo(Math.log10(0.007 / 0.006), within(0.06));
        assertThat(lifted(0.03, 1)).isCloseTo(Math.log10(0.037 / 0.006), within(0.06));
    }

    @Test
    void anotherExposureLiftsBothAlike() {
        for (double veil : new double[] {0, 0.03}) {
            assertThat(lifted(veil, 3)).isCloseTo(lifted(veil, 1), within(0.12));
        }
    }

    @Test
    void nothingIsSaidOfItBeforeACard() {
        assertThat(whole(Glass.photo(0, 1, WholeGlassTest::wall), Lighting.BRIGHT).get(Feature.LIFTED)).isNaN();
    }

    private static Features whole(LinearPhoto photo, Lighting lighting) {
        return CandidateFinder.find(Glass.maps(photo, lighting), 0.05).stream().filter(c -> c.sight() == Sight.WHOLE).findFirst().orElseThrow().features();
    }
}
