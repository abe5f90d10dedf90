package stillglass.prove.iris;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.prove.edge.LightPlane;
import stillglass.say.Said;

/// Closed blades drawn: each a little brighter towards its edge, lit from one side, with patches that shine or are dull.
class BladeFacesTest {
    private static final int SIZE = 420;
    private static final double C = 209.6;

    private record Patch(double deg, double r, double size, double times) {}

    private static LightPlane photo(int blades, double side, long seed, Patch... patches) {
        Random random = new Random(seed);
        float[] light = new float[SIZE * SIZE];
        for (int y = 0; y < SIZE; y++) {
            for (int x = 0; x < SIZE; x++) {
                double r = Math.hypot(x - C, y - C);
                double a = Math.toDegrees(Math.atan2(x - C, C - y));
                // Edges of blades run out in spirals.
                double phase = ((a + 0.35 * r) / 360 * blades) % 1;
                phase = phase < 0 ? phase + 1 : phase;
                double v = (0.2 + 0.1 * phase + (phase < 0.05 ? 0.2 : 0)) * (1 + side * (x - C) / SIZE);
                for (Patch p : patches) {
                    double px = C + p.r * Math.sin(Math.toRadians(p.deg));
                    double py = C - p.r * Math.cos(Math.toRadians(p.deg));
                    v *= Math.hypot(x - px, y - py) < p.size ? p.times : 1;
                }
                v = r < 55 ? 0.02 : r > 190 ? 0.5 : v;
                light[y * SIZE + x] = (float) Math.max(0, v + 0.004 * random.nextGaussian());
            }
        }
        return new LightPlane(SIZE, SIZE, light);
    }

    @ParameterizedTest
    @ValueSource(ints = {5, 6, 8, 9})
    void cleanBladesShowNothing(int blades) {
        BladeFaces f = BladeFaces.of(photo(blades, 0.5, blades), blades, 3).orElseThrow();
        assertThat(f.places()).isEmpty();
    }

    @Test
    void wetAndSpottedPlacesAreFoundWhereTheyAre() {
        BladeFaces f = BladeFaces.of(photo(6, 0.3, 3, new Patch(95, 120, 16, 1.7), new Patch(230, 100, 11, 0.6)), 6, 3).orElseThrow();
        assertThat(f.places()).hasSize(2);
        assertThat(f.places().getFirst().towardsDeg()).isCloseTo(95, within(3.0));
        assertThat(f.places().get(1).towardsDeg()).isCloseTo(230, within(3.0));
        double faces = Math.PI * (165 * 165 - 59.4 * 59.4);
        assertThat(f.wetShare()).isCloseTo(Math.PI * 16 * 16 / faces, within(0.002));
        assertThat(f.spottedShare()).isCloseTo(Math.PI * 11 * 11 / faces, within(0.002));
        assertThat(f.said()).extracting(Said::key).containsExactly("blades.wet", "blades.spot");
    }

    @Test
    void whatIsNoIrisIsNotRead() {
        assertThat(BladeFaces.of(photo(6, 0, 1), 6, 9)).isEmpty();
        assertThat(BladeFaces.of(photo(6, 0, 1), 2, 3)).isEmpty();
    }
}
