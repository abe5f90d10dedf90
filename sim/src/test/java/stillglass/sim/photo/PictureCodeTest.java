package stillglass.sim.photo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class PictureCodeTest {
    @Test
    void lookedUpIsTheCurveItself() {
        SplittableRandom random = new SplittableRandom(5);
        for (int i = 0; i < 200_000; i++) {
            double v = random.nextBoolean() ? random.nextDouble() : Math.pow(random.nextDouble(), 4);
            assertThat(PictureCode.of(v)).isEqualTo((int) Math.round(255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * Math.pow(v, 1 / 2.4) - 0.055)));
        }
    }

    /// Values published with the curve: half of the picture value is about a fifth of the light.
    @Test
    void knownValuesAndWhatIsClipped() {
        assertThat(PictureCode.of(0.2140)).isEqualTo(127);
        assertThat(PictureCode.of(0.2160)).isEqualTo(128);
        assertThat(PictureCode.of(-3)).isZero();
        assertThat(PictureCode.of(7)).isEqualTo(255);
        assertThat(PictureCode.of(Double.POSITIVE_INFINITY)).isEqualTo(255);
        assertThat(PictureCode.of(Double.NaN)).isZero();
    }
}
