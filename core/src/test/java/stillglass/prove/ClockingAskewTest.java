package stillglass.prove;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Aperture;
import stillglass.look.LinearPhoto;

/// Rings seen askew through a camera with a perspective of its own, under two lamps, their circles given round and a little off.
class ClockingAskewTest {
    private static final int W = 520;
    private static final int H = 500;
    private static final double R = 155;
    private static final double FAR = 8;

    /// @param towards direction about which the ring leans, degrees
    private record View(double turnDeg, double leanDeg, double towards, double lampDeg, long seed) {}

    private static double[][] strokes(long seed, double arcDeg) {
        SplittableRandom r = new SplittableRandom(seed);
        double[][] out = new double[(int) (44 * arcDeg / 360) + 6][];
        for (int i = 0; i < out.length; i++) {
            out[i] = new double[] {arcDeg * r.nextDouble(), 0.5 + 2 * r.nextDouble(), 0.85 + 0.25 * r.nextDouble(), 0.03 + 0.1 * r.nextDouble()};
        }
        return out;
    }

    private static double paint(double[][] strokes, double r, double deg) {
        for (double[] s : strokes) {
            if (Math.abs(deg - s[0]) < s[1] / 2 && Math.abs(r - s[2]) < s[3] / 2) {
                return 0.85;
            }
        }
        return 0.12;
    }

    private static LinearPhoto photo(double[][] strokes, View v) {
        float[] light = new float[W * H];
        SplittableRandom noise = new SplittableRandom(v.seed);
        double lean = Math.toRadians(v.leanDeg);
        double d = Math.toRadians(v.towards);
        double[] along = {Math.cos(d), Math.sin(d)};
        double[] across = {-Math.sin(d) * Math.cos(lean), Math.cos(d) * Math.cos(lean), Math.sin(lean)};
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double sum = 0;
                for (int k = 0; k < 4; k++) {
                    double px = (x + (k % 2) / 2.0 - 0.25 - W / 2.0) / R;
                    double py = (y + (k / 2) / 2.0 - 0.25 - H / 2.0) / R;
                    // The ray through the pixel meets the leaning plane: u along, w across.
                    double a12 = across[0] - px * across[2] / FAR;
                    double a22 = across[1] - py * across[2] / FAR;
                    double det = along[0] * a22 - a12 * along[1];
                    double u = (px * a22 - a12 * py) / det;
                    double w = (along[0] * py - px * along[1]) / det;
                    double rx = u * Math.cos(d) - w * Math.sin(d);
                    double ry = u * Math.sin(d) + w * Math.cos(d);
                    double clockwise = Math.toDegrees(Math.atan2(rx, -ry));
                    double sheen = Math.pow(0.5 + 0.5 * Math.cos(Math.toRadians(clockwise - v.lampDeg)), 6);
                    sum += (0.15 + 0.5 * sheen) * paint(strokes, Math.hypot(rx, ry), ((clockwise - v.turnDeg) % 360 + 360) % 360) / 4;
                }
                light[y * W + x] = (float) Math.max(0, sum + 0.006 * noise.nextGaussian());
            }
        }
        return new LinearPhoto(W, H, light, light.clone(), light.clone(), W, H);
    }

    private static Clocking turned(double[][] strokes, double turn, double lean, SplittableRandom random) {
        View then = new View(0, 2 * random.nextDouble(), 360 * random.nextDouble(), 30, random.nextLong());
        View now = new View(turn, lean, 360 * random.nextDouble(), 200, random.nextLong());
        return Clocking.between(new Clocking.Ring(photo(strokes, then), about(random), 0.78, 1.2), new Clocking.Ring(photo(strokes, now), about(random), 0.78, 1.2)).orElseThrow();
    }

    /// Round, and off by up to a hundredth of its radius either way.
    private static Aperture about(SplittableRandom random) {
        return new Aperture(W / 2.0 + 0.02 * R * (random.nextDouble() - 0.5), H / 2.0 + 0.02 * R * (random.nextDouble() - 0.5), R, R, 0);
    }

    @ParameterizedTest
    @ValueSource(doubles = {8, 20})
    void aRingThatLeansIsTurnedBackExactly(double lean) {
        SplittableRandom random = new SplittableRandom((long) lean);
        for (int i = 0; i < 2; i++) {
            double turn = 50 * random.nextDouble() - 25;
            Clocking c = turned(strokes(100 + i, 360), turn, lean, random);
            assertThat(Clocking.difference(c.turnDeg(), turn)).as("leaning by %.0f°", lean).isCloseTo(0, within(0.1));
            assertThat(c.sure()).isTrue();
        }
    }

    @Test
    void marksOnOneSideAreKnownLessWellAndThatIsStated() {
        SplittableRandom random = new SplittableRandom(7);
        int inside = 0;
        int all = 0;
        for (double arc : new double[] {60, 90, 120}) {
            for (int i = 0; i < 3; i++) {
                double turn = 50 * random.nextDouble() - 25;
                Clocking c = turned(strokes(300 + i, arc), turn, 3, random);
                inside += Math.abs(Clocking.difference(c.turnDeg(), turn)) < 2 * c.sigmaDeg() ? 1 : 0;
                all++;
            }
        }
        assertThat(inside).as("of %d within two stated deviations", all).isGreaterThanOrEqualTo(8);
    }
}
