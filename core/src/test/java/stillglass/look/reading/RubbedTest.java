package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boofcv.struct.image.GrayU8;
import java.util.function.BiPredicate;
import org.junit.jupiter.api.Test;

/// Hairs drawn here about discs of known size.
class RubbedTest {
    /// Share of the glass that is filled.
    private static double filled(BiPredicate<Double, Double> hairs) {
        GrayU8 g = new GrayU8(GlassFrame.SIDE, GlassFrame.SIDE);
        for (int at = 0; at < g.data.length; at++) {
            g.data[at] = (byte) (hairs.test(GlassFrame.x(at), GlassFrame.y(at)) ? 1 : 0);
        }
        Rubbed.fill(g);
        int n = 0;
        for (byte b : g.data) {
            n += b;
        }
        return n / (Math.PI * GlassFrame.RADIUS * GlassFrame.RADIUS);
    }

    /// Arcs of fifteen degrees out of forty-five.
    private static BiPredicate<Double, Double> arcs(double x0, double y0, double radius) {
        return (x, y) -> Math.abs(Math.hypot(x - x0, y - y0) - radius) < 0.004 && Math.floorMod(Math.round(Math.toDegrees(Math.atan2(y - y0, x - x0))), 45) < 15;
    }

    @Test
    void whatLiesWithinHairsWasRubbed() {
        assertThat(filled(arcs(0.1, -0.1, 0.6))).isCloseTo(0.36, within(0.02));
    }

    @Test
    void twoWipingsFarApartAreTwo() {
        assertThat(filled(arcs(-0.6, 0, 0.2).or(arcs(0.6, 0, 0.2)))).isCloseTo(2 * 0.04, within(0.01));
    }

    @Test
    void nothingBeyondTheRimWasRubbed() {
        // Two circles of 1 and 0.6 whose middles lie 0.8 apart share a lens of 0.2320 of the larger.
        assertThat(filled(arcs(0.8, 0, 0.6))).isCloseTo(0.232, within(0.02));
    }

    @Test
    void aStraightHairEnclosesNothingAndNoHairsStayNone() {
        assertThat(filled((x, y) -> Math.abs(y - 0.5 * x) < 0.004 && Math.abs(x) < 0.3)).isLessThan(0.003);
        assertThat(filled((x, y) -> false)).isZero();
    }
}
