package stillglass.look.reading;

import boofcv.struct.image.GrayU8;
import java.util.Arrays;

/// What stands out along the rim: every narrow ring is compared with its own smooth run around the glass, so that the rim's own step
/// and the lamp's sheen on it do not count.
final class RimArcs {
    private static final double FROM = 0.93;
    private static final double TO = 1.045;
    private static final double STEP = 0.005;
    private static final int RINGS = (int) Math.round((TO - FROM) / STEP);
    private static final int TERMS = 5;

    private RimArcs() {}

    /// Light over the smooth run of its ring; zero away from the rim.
    static float[] excess(Maps maps) {
        float[] light = Maps.gaussian(maps.frame.light, 1);
        double[][] fits = new double[RINGS][];
        for (int k = 0; k < RINGS; k++) {
            fits[k] = fit(light, maps.frame, FROM + (k + 0.5) * STEP);
        }
        float[] out = new float[GlassFrame.PIXELS];
        for (int i = 0; i < out.length; i++) {
            double r = maps.frame.r[i];
            if (r > FROM && r < TO) {
                double at = Math.clamp((r - FROM) / STEP - 0.5, 0, RINGS - 1.001);
                double phi = Math.atan2(GlassFrame.y(i), GlassFrame.x(i));
                double low = LeastSquares.dot(fits[(int) at], harmonics(phi));
                double high = LeastSquares.dot(fits[(int) at + 1], harmonics(phi));
                out[i] = (float) (light[i] - low - (at - (int) at) * (high - low));
            }
        }
        return out;
    }

    private static double[] fit(float[] light, GlassFrame frame, double r) {
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
        double[] weight = new double[count];
        Arrays.fill(weight, 1);
        double[] p = new double[TERMS];
        for (int round = 0; round < 8 && count > 4 * TERMS; round++) {
            double[][] normal = new double[TERMS][TERMS + 1];
            for (int i = 0; i < count; i++) {
                for (int a = 0; a < TERMS; a++) {
                    for (int b = 0; b < TERMS; b++) {
                        normal[a][b] += weight[i] * rows[i][a] * rows[i][b];
                    }
                    normal[a][TERMS] += weight[i] * rows[i][a] * value[i];
                }
            }
            p = LeastSquares.solve(normal);
            double[] off = new double[count];
            for (int i = 0; i < count; i++) {
                off[i] = Math.abs(value[i] - LeastSquares.dot(p, rows[i]));
            }
            double scale = Math.max(1e-4, 1.4826 * LeastSquares.median(off));
            for (int i = 0; i < count; i++) {
                double t = off[i] / (4 * scale);
                weight[i] = t < 1 ? (1 - t * t) * (1 - t * t) : 0;
            }
        }
        return p;
    }

    private static double[] harmonics(double phi) {
        return new double[] {1, Math.cos(phi), Math.sin(phi), Math.cos(2 * phi), Math.sin(2 * phi)};
    }

    /// Where the excess of either sign is well over its own scatter and visible at all.
    static GrayU8 standsOut(float[] excess, GlassFrame frame) {
        double[] sample = new double[excess.length / 7 + 1];
        int n = 0;
        double sum = 0;
        for (int i = 0; i < excess.length; i += 7) {
            if (excess[i] != 0) {
                sample[n++] = Math.abs(excess[i]);
                sum += frame.light[i];
            }
        }
        double scatter = n == 0 ? 1 : 1.4826 * LeastSquares.median(Arrays.copyOf(sample, n));
        double limit = Math.max(4.5 * scatter, 0.012 + 0.05 * sum / Math.max(1, n));
        GrayU8 out = new GrayU8(GlassFrame.SIDE, GlassFrame.SIDE);
        for (int i = 0; i < excess.length; i++) {
            out.data[i] = (byte) (Math.abs(excess[i]) > limit ? 1 : 0);
        }
        return out;
    }
}
