package stillglass.look.reading;

import boofcv.struct.image.GrayU8;
import java.util.Arrays;
import java.util.stream.IntStream;
import stillglass.look.LeastSquares;

/// What stands out along the rim: every narrow ring is compared with its own smooth run around the glass, so that the rim's own step
/// and the lamp's sheen on it do not count.
final class RimArcs {
    private static final double FROM = 0.93;
    private static final double TO = 1.045;
    private static final double STEP = 0.005;
    private static final int RINGS = (int) Math.round((TO - FROM) / STEP);
    private static final int TERMS = 5;

    /// Scatters of its own ring by which light must depart.
    private static final double CLEAR = 4.5;

    /// Light over the smooth run of its ring; zero away from the rim.
    final float[] excess = new float[GlassFrame.PIXELS];
    private final GlassFrame frame;
    private final double[] scatter = new double[RINGS];

    RimArcs(Maps maps) {
        frame = maps.frame;
        float[] light = Maps.gaussian(frame.light, 1);
        double[][] fits = new double[RINGS][];
        IntStream.range(0, RINGS).parallel().forEach(k -> {
            LeastSquares.Robust fit = fit(light, FROM + (k + 0.5) * STEP);
            fits[k] = fit.coefficients();
            scatter[k] = fit.scatter();
        });
        IntStream.range(0, excess.length).parallel().filter(i -> frame.r[i] > FROM && frame.r[i] < TO).forEach(i -> {
            double at = ring(frame.r[i]);
            double[] harmonics = harmonics(Math.atan2(GlassFrame.y(i), GlassFrame.x(i)));
            double low = LeastSquares.dot(fits[(int) at], harmonics);
            double high = LeastSquares.dot(fits[(int) at + 1], harmonics);
            excess[i] = (float) (light[i] - low - (at - (int) at) * (high - low));
        });
    }

    private static double ring(double r) {
        return Math.clamp((r - FROM) / STEP - 0.5, 0, RINGS - 1.001);
    }

    private LeastSquares.Robust fit(float[] light, double r) {
        int n = 240;
        double[] value = new double[n];
        double[][] rows = new double[n][];
        int count = 0;
        for (int k = 0; k < n; k++) {
            double phi = 2 * Math.PI * k / n;
            int at = GlassFrame.at(r * Math.cos(phi), r * Math.sin(phi));
            if (frame.r[at] < 2) {
                rows[count] = harmonics(phi);
                value[count++] = light[at];
            }
        }
        return count < 4 * TERMS ? new LeastSquares.Robust(new double[TERMS], 1) : LeastSquares.robustFromMedian(rows, value, count, 4, 1e-4, 8);
    }

    private static double[] harmonics(double phi) {
        return new double[] {1, Math.cos(phi), Math.sin(phi), Math.cos(2 * phi), Math.sin(2 * phi)};
    }

    /// Where the excess of either sign is well over the scatter of all rings and of its own, and visible at all. A ring that lies on the step
    /// of the rim itself scatters much, for no ellipse fits a rim to a pixel.
    GrayU8 standsOut() {
        double[] sample = new double[excess.length / 7 + 1];
        int n = 0;
        double sum = 0;
        for (int i = 0; i < excess.length; i += 7) {
            if (excess[i] != 0) {
                sample[n++] = Math.abs(excess[i]);
                sum += frame.light[i];
            }
        }
        double all = n == 0 ? 1 : 1.4826 * LeastSquares.median(Arrays.copyOf(sample, n));
        double limit = Math.max(CLEAR * all, 0.012 + 0.05 * sum / Math.max(1, n));
        GrayU8 out = new GrayU8(GlassFrame.SIDE, GlassFrame.SIDE);
        for (int i = 0; i < excess.length; i++) {
            if (excess[i] != 0) {
                int k = (int) Math.round(ring(frame.r[i]));
                double own = CLEAR * Math.max(scatter[k], 0.5 * (scatter[Math.max(0, k - 1)] + scatter[Math.min(RINGS - 1, k + 1)]));
                out.data[i] = (byte) (Math.abs(excess[i]) > Math.max(limit, own) ? 1 : 0);
            }
        }
        return out;
    }
}
