package stillglass.prove.trace;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/// Recordings at 8 kHz that were cut, overwritten and repeated anywhere: each is read as something or as nothing, never with a figure that is no number.
class DamagedTraceTest {
    private static float[] damaged(Random random) {
        float[] x = new float[1200 + random.nextInt(3000)];
        int period = 500 + random.nextInt(1500);
        int wide = 1 + random.nextInt(300);
        for (int i = 0; i < x.length; i++) {
            x[i] = i % period > period / 3 && i % period < period / 3 + wide ? 0.4f : 0;
        }
        for (int k = random.nextInt(6); k >= 0; k--) {
            int at = random.nextInt(x.length);
            int length = Math.min(x.length - at, 1 + random.nextInt(random.nextBoolean() ? 4 : 600));
            int what = random.nextInt(4);
            for (int i = at; i < at + length; i++) {
                x[i] = what == 0 ? -1 : what == 1 ? 1 : what == 2 ? random.nextFloat() * 2 - 1 : x[(i * 7) % x.length];
            }
        }
        return x;
    }

    @Test
    void everythingIsReadOrNothingAndAllFiguresAreNumbers() {
        Random random = new Random(5);
        int read = 0;
        for (int i = 0; i < 700; i++) {
            List<Recording> one = List.of(Recording.of("damaged", 8000, 1, damaged(random)));
            for (ShutterReading r : ShutterReading.of(one, ShutterReading.Kind.LEAF, List.of()).stream().toList()) {
                read++;
                assertThat(r.effectiveS()).as("recording %d", i).isFinite().isNotNegative();
                assertThat(r.sigmaS()).as("recording %d", i).isFinite().isNotNegative();
            }
        }
        assertThat(read).isGreaterThan(230);
    }
}
