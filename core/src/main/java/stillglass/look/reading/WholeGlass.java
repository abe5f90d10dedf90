package stillglass.look.reading;

import stillglass.look.LeastSquares;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.Features;

/// Takes the measure of the glass as a whole. What each number means stands at [Feature].
final class WholeGlass {
    private WholeGlass() {}

    /// @param around mean light around the lens
    static Features measured(Maps maps, double around) {
        double[] rings = new double[20];
        int[] count = new int[20];
        double off = 0;
        double blue = 0;
        double red = 0;
        int covered = 0;
        for (int at = 0; at < GlassFrame.PIXELS; at++) {
            double r = maps.frame.r[at];
            boolean blades = r < 0.97 && maps.blades(at);
            covered += blades ? 1 : 0;
            if (r < 0.97 && !blades) {
                rings[(int) (r / 0.97 * 20)] += maps.expected[at];
                count[(int) (r / 0.97 * 20)]++;
                off += Math.abs(maps.fine[at]);
                blue += maps.frame.blue[at];
                red += maps.frame.red[at];
            }
        }
        double[] profile = profile(maps.frame);
        double sum = 0;
        int n = 0;
        for (int k = 0; k < 20; k++) {
            sum += rings[k];
            n += count[k];
            rings[k] /= Math.max(1, count[k]);
        }
        double mean = Math.max(1e-4, sum / Math.max(1, n));
        double step = 0;
        for (int k = 3; k + 3 < profile.length; k++) {
            double jump = profile[k - 1] + profile[k - 2] - profile[k + 1] - profile[k + 2];
            step = Math.abs(jump / 2) > Math.abs(step) ? jump / 2 : step;
        }
        boolean open = covered == 0;
        return new Features().setLog(Feature.VEIL, mean)
                .set(Feature.BOWL, open ? Math.log10(Math.max(1e-4, rings[18]) / Math.max(1e-4, rings[4])) : Double.NaN)
                .setLog(Feature.AROUND, mean / Math.max(1e-3, around))
                .setLog(Feature.GRAIN, off / Math.max(1, n) / mean)
                .set(Feature.TINT, Math.log(Math.max(1e-3, blue) / Math.max(1e-3, red)))
                .set(Feature.RING_STEP, open ? step / mean : Double.NaN)
                .set(Feature.BLADES, covered / (double) Math.max(1, n + covered));
    }

    /// Median light in 40 rings out to 0.96 radii.
    private static double[] profile(GlassFrame frame) {
        double[] out = new double[40];
        for (int k = 0; k < out.length; k++) {
            double r = (k + 0.5) / out.length * 0.96;
            double[] values = new double[90];
            for (int i = 0; i < values.length; i++) {
                double phi = 2 * Math.PI * i / values.length;
                values[i] = frame.light[GlassFrame.at(r * Math.cos(phi), r * Math.sin(phi))];
            }
            out[k] = LeastSquares.median(values);
        }
        return out;
    }
}
