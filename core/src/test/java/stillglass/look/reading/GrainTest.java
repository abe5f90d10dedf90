package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class GrainTest {
    private static final double[] LIGHT = {0.01, 0.1, 0.7};
    private static final double[] SCATTER = {0.002, 0.006, 0.02};

    private static Grain grain(double faults) {
        SplittableRandom random = new SplittableRandom(3);
        GlassFrame frame = Glass.frame(Glass.photo(0, 1, (x, y) -> 0.1));
        float[] light = new float[GlassFrame.PIXELS];
        float[] fine = new float[GlassFrame.PIXELS];
        for (int i = 0; i < light.length; i++) {
            int part = i % GlassFrame.SIDE * 3 / GlassFrame.SIDE;
            light[i] = (float) LIGHT[part];
            fine[i] = (float) (random.nextDouble() < faults ? 1 : SCATTER[part] * random.nextGaussian());
        }
        return new Grain(fine, light, frame);
    }

    @Test
    void tellsTheScatterOfEachLight() {
        for (int k = 0; k < LIGHT.length; k++) {
            assertThat(grain(0).at(LIGHT[k])).isCloseTo(SCATTER[k], within(0.06 * SCATTER[k]));
            assertThat(grain(0.1).at(LIGHT[k])).as("a tenth of it faults").isCloseTo(SCATTER[k], within(0.2 * SCATTER[k]));
        }
    }

    @Test
    void lightThatIsHardlyMetIsTakenForTheNearest() {
        assertThat(grain(0).at(0.12)).isEqualTo(grain(0).at(0.1));
        assertThat(grain(0).at(0.014)).isEqualTo(grain(0).at(0.01));
    }

    @Test
    void noGlassIsTakenForQuieterThanALevelOfThePhoto() {
        Grain still = new Grain(new float[GlassFrame.PIXELS], new float[GlassFrame.PIXELS], Glass.frame(Glass.photo(0, 1, (x, y) -> 0.1)));
        assertThat(still.at(0)).isEqualTo(2e-4);
        assertThat(still.at(1)).isEqualTo(0.003);
    }
}
