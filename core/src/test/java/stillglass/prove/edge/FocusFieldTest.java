package stillglass.prove.edge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/// Dark squares turned by 5°, each as blurred as its place and the focus position make it, drawn by the error function.
class FocusFieldTest {
    private static final int W = 560;
    private static final int H = 420;
    private static final double HALF = Math.hypot(W, H) / 2;

    /// @param level best focus in the middle
    /// @param bowl by which the corner is beyond it
    /// @param tx slope to the right, to the half diagonal
    private static LightPlane photo(double position, double level, double bowl, double tx, double ty, long seed) {
        Random random = new Random(seed);
        float[] light = new float[W * H];
        Arrays.fill(light, 0.7f);
        double c = Math.cos(Math.toRadians(5));
        double s = Math.sin(Math.toRadians(5));
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                double mx = W * (0.17 + 0.33 * i);
                double my = H * (0.19 + 0.31 * j);
                for (int y = (int) my - 60; y < my + 60; y++) {
                    for (int x = (int) mx - 60; x < mx + 60; x++) {
                        if (x >= 0 && y >= 0 && x < W && y < H) {
                            double x0 = (x - W / 2.0) / HALF;
                            double y0 = (y - H / 2.0) / HALF;
                            double best = level + bowl * (x0 * x0 + y0 * y0) + tx * x0 + ty * y0;
                            double sigma = Math.sqrt(0.64 + Math.pow(9 * (position - best), 2));
                            double u = c * (x - mx) + s * (y - my);
                            double v = -s * (x - mx) + c * (y - my);
                            double in = (step(u + 32, sigma) - step(u - 32, sigma)) * (step(v + 32, sigma) - step(v - 32, sigma));
                            light[y * W + x] -= (float) (0.55 * in);
                        }
                    }
                }
            }
        }
        for (int i = 0; i < light.length; i++) {
            light[i] += (float) (0.004 * random.nextGaussian());
        }
        return new LightPlane(W, H, light);
    }

    /// Share of a bell below x, by its series (Abramowitz and Stegun 26.2.11).
    private static double step(double x, double sigma) {
        double z = x / sigma;
        if (Math.abs(z) > 6) {
            return z > 0 ? 1 : 0;
        }
        double term = z;
        double sum = z;
        for (int k = 1; k < 120; k++) {
            term *= z * z / (2 * k + 1);
            sum += term;
        }
        return 0.5 + sum * Math.exp(-z * z / 2) / Math.sqrt(2 * Math.PI);
    }

    private static FocusField field(double level, double bowl, double tx, double ty, long seed) {
        List<FocusField.Step> steps = new ArrayList<>();
        for (int k = -4; k <= 4; k++) {
            steps.add(new FocusField.Step(0.08 * k, SharpnessReading.of(photo(0.08 * k, level, bowl, tx, ty, seed + k))));
        }
        return FocusField.of(steps, W, H).orElseThrow();
    }

    @Test
    void levelBowlAndSlopeAreFound() {
        FocusField f = field(0.03, -0.18, 0.07, -0.04, 10);
        assertThat(f.points()).hasSizeGreaterThanOrEqualTo(20);
        assertThat(f.middle().value()).isCloseTo(0.03, within(0.008));
        assertThat(f.bowl().value()).isCloseTo(-0.18, within(0.02));
        assertThat(f.slope().value()).isCloseTo(Math.hypot(0.07, 0.04), within(0.012));
        assertThat(f.towardsDeg()).isCloseTo(Math.toDegrees(Math.atan2(0.07, 0.04)), within(12.0));
        assertThat(f.diagnostics()).hasSize(2);
    }

    @Test
    void aFlatFieldIsNotToldAsOneThatBends() {
        FocusField f = field(-0.02, 0, 0, 0, 50);
        assertThat(f.bowl().telling()).isFalse();
        assertThat(f.slope().telling()).isFalse();
        assertThat(f.diagnostics()).isEmpty();
    }

    @Test
    void focusShiftIsTheDifferenceOfTwoStops() {
        FocusField.Value shift = field(0, 0.05, 0, 0, 90).shiftTo(field(0.06, 0.05, 0, 0, 130));
        assertThat(shift.value()).isCloseTo(0.06, within(0.008));
        assertThat(shift.telling()).isTrue();
    }

    @Test
    void threePositionsAreTooFew() {
        List<FocusField.Step> steps = new ArrayList<>();
        for (int k = -1; k <= 1; k++) {
            steps.add(new FocusField.Step(k, SharpnessReading.of(photo(0.1 * k, 0, 0, 0, 0, k + 5))));
        }
        assertThat(FocusField.of(steps, W, H)).isEmpty();
    }
}
