package stillglass.benchmarks.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.function.DoubleBinaryOperator;
import org.junit.jupiter.api.Test;
import stillglass.look.Aperture;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;

class BaselineTest {
    private static final int SIDE = 400;
    private static final Aperture RIM = new Aperture(200, 200, 170, 170, 0);

    private static LinearPhoto photo(DoubleBinaryOperator light) {
        float[] l = new float[SIDE * SIDE];
        for (int i = 0; i < l.length; i++) {
            l[i] = (float) light.applyAsDouble(RIM.unitX(i % SIDE, i / SIDE), RIM.unitY(i % SIDE, i / SIDE));
        }
        return new LinearPhoto(SIDE, SIDE, l, l.clone(), l.clone(), SIDE, SIDE);
    }

    @Test
    void cleanGlassHasNothing() {
        assertThat(Baseline.kinds(photo((x, y) -> 0.02), RIM, Lighting.AGAINST)).isEmpty();
        assertThat(Baseline.kinds(photo((x, y) -> 0.6), RIM, Lighting.BRIGHT)).isEmpty();
    }

    @Test
    void anEvenGlowIsHazeOnlyAgainstTheLight() {
        assertThat(Baseline.kinds(photo((x, y) -> 0.1), RIM, Lighting.AGAINST)).containsExactly(FindingKind.HAZE);
        assertThat(Baseline.kinds(photo((x, y) -> 0.1), RIM, Lighting.BRIGHT)).isEmpty();
    }

    @Test
    void manySpecksAreDustAndFewAreNot() {
        assertThat(Baseline.kinds(photo((x, y) -> specks(x, y, 6)), RIM, Lighting.AGAINST)).containsExactly(FindingKind.DUST);
        assertThat(Baseline.kinds(photo((x, y) -> specks(x, y, 2)), RIM, Lighting.AGAINST)).isEmpty();
    }

    /// A grid of square specks.
    private static double specks(double x, double y, int across) {
        boolean in = Math.abs(x) < 0.6 && Math.abs(y) < 0.6;
        double u = (x + 0.6) / 1.2 * across % 1;
        double v = (y + 0.6) / 1.2 * across % 1;
        double half = 0.009 / 1.2 * across;
        return in && Math.abs(u - 0.5) < half && Math.abs(v - 0.5) < half ? 0.5 : 0.02;
    }

    @Test
    void aLongThinLineIsAScratch() {
        assertThat(Baseline.kinds(photo((x, y) -> Math.abs(y) < 0.002 && Math.abs(x) < 0.5 ? 0.5 : 0.02), RIM, Lighting.AGAINST))
                .containsExactly(FindingKind.SCRATCH);
    }
}
