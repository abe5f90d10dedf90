package stillglass.prove.iris;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.prove.trace.Recording;
import stillglass.say.Said;

/// Light through blades whose opening falls evenly in radius, so that the light falls with its square: truth in closed form.
class ClosingTraceTest {
    private static final int RATE = 48_000;

    /// @param seconds from open to closed, even in radius, for each closing
    /// @param back share of the radius by which it opens again right after
    private static Recording trace(double[] seconds, double rOpen, double rClosed, double back, double noise, long seed) {
        Random random = new Random(seed);
        float[] out = new float[(int) (RATE * (0.6 * seconds.length + 0.3))];
        for (int i = 0; i < out.length; i++) {
            double t = (double) i / RATE - 0.2;
            int k = (int) Math.floor(t / 0.6);
            double r = rOpen;
            if (k >= 0 && k < seconds.length) {
                double in = t - 0.6 * k;
                double p = Math.clamp(in / seconds[k], 0, 1);
                r = in > 0.35 ? rOpen : rOpen + (rClosed - rOpen) * p;
                double after = in - seconds[k];
                if (after > 0 && after < 0.02 && in < 0.35) {
                    r += back * (rOpen - rClosed) * Math.sin(Math.PI * after / 0.02);
                }
            }
            out[i] = (float) (0.8 * r * r + noise * random.nextGaussian());
        }
        return Recording.of("iris", RATE, 1, out);
    }

    /// Time between 95 % and 5 % of the light, of what is even in radius.
    private static double truth(double seconds, double rOpen, double rClosed) {
        double span = rOpen * rOpen - rClosed * rClosed;
        return seconds * (Math.sqrt(rClosed * rClosed + 0.95 * span) - Math.sqrt(rClosed * rClosed + 0.05 * span)) / (rOpen - rClosed);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.008, 0.02, 0.06, 0.15})
    void timeToCloseIsThatOfTheLight(double seconds) {
        ClosingTrace r = ClosingTrace.of(trace(new double[] {seconds, seconds, seconds}, 1, 0.3, 0, 0.004, 4)).orElseThrow();
        assertThat(r.events()).hasSize(3);
        assertThat(r.meanS()).isCloseTo(truth(seconds, 1, 0.3), within(Math.max(0.0003, 0.03 * seconds)));
        assertThat(r.evClosed()).isCloseTo(2 * Math.log(0.3) / Math.log(2), within(0.05));
        assertThat(r.diagnostics()).isEmpty();
    }

    @Test
    void bladesThatBounceAndBladesThatSlowDownAreSaid() {
        assertThat(ClosingTrace.of(trace(new double[] {0.01, 0.01}, 1, 0.3, 0.4, 0.003, 1)).orElseThrow().diagnostics()).extracting(Said::key).containsExactly("closing.bounce");
        assertThat(ClosingTrace.of(trace(new double[] {0.02, 0.021, 0.028, 0.035}, 1, 0.3, 0, 0.003, 1)).orElseThrow().diagnostics()).extracting(Said::key).contains("closing.slower");
    }

    @Test
    void aBurstOfFramesIsReadToAFrame() {
        double[] areas = {1000, 1002, 998, 1001, 640, 300, 118, 90, 91, 90, 89};
        ClosingTrace r = ClosingTrace.of(areas, 1 / 120.0).orElseThrow();
        assertThat(r.events()).hasSize(1);
        assertThat(r.meanS()).isCloseTo(3.3 / 120, within(0.6 / 120));
        assertThat(r.sigmaS()).isBetween(0.3 / 120, 0.5 / 120);
    }

    @Test
    void steadyLightAndNoiseAloneAreNoClosing() {
        assertThat(ClosingTrace.of(trace(new double[] {0.02}, 1, 1, 0, 0.01, 2))).isEmpty();
        assertThat(ClosingTrace.of(new double[] {1, 2}, 0.01)).isEmpty();
    }
}
