package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import java.util.function.ToDoubleBiFunction;
import org.junit.jupiter.api.Test;

class BackgroundTest {
    private static float[] drawn(ToDoubleBiFunction<Integer, Integer> light) {
        float[] out = new float[GlassFrame.PIXELS];
        for (int i = 0; i < out.length; i++) {
            out[i] = (float) light.applyAsDouble(i % GlassFrame.SIDE, i / GlassFrame.SIDE);
        }
        return out;
    }

    @Test
    void keepsStepsAndSlopesWhereTheyAre() {
        for (ToDoubleBiFunction<Integer, Integer> light : java.util.List.<ToDoubleBiFunction<Integer, Integer>>of((x, y) -> x < 301 ? 0.8 : 0.1, (x, y) -> y < 302 ? 0.1 : 0.8, (x, y) -> Math.clamp((x - 300) / 40.0, 0, 1))) {
            float[] was = drawn(light);
            float[] is = Background.of(was);
            for (int at = 100 * GlassFrame.SIDE; at < 700 * GlassFrame.SIDE; at++) {
                assertThat(is[at]).isCloseTo(was[at], within(1e-6f));
            }
        }
    }

    @Test
    void theMiddleOfNineIsTheFifthOfThemInOrder() {
        SplittableRandom random = new SplittableRandom(4);
        for (int n = 0; n < 2000; n++) {
            float[] of = new float[25];
            float[] nine = new float[9];
            for (int k = 0; k < 9; k++) {
                nine[k] = random.nextInt(n % 2 == 0 ? 5 : 1000);
                of[3 * k] = nine[k];
            }
            Arrays.sort(nine);
            assertThat(Background.median(of, 0)).isEqualTo(nine[4]);
        }
    }

    @Test
    void linesAndSpecksHaveNoSayInIt() {
        float[] is = Background.of(drawn((x, y) -> 0.3 + (Math.abs(x - y) < 4 || Math.hypot(x - 500, y - 200) < 5 ? 0.4 : 0)));
        for (int at = 100 * GlassFrame.SIDE; at < 700 * GlassFrame.SIDE; at++) {
            assertThat(is[at]).isCloseTo(0.3f, within(1e-6f));
        }
    }
}
