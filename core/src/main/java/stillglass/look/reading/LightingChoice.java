package stillglass.look.reading;

import java.util.Arrays;
import stillglass.look.LeastSquares;
import stillglass.look.Lighting;

/// Whether a lens was held before a bright field or lit against a dark one, from the light in the glass and about the lens.
///
/// What is seen through a lens before a card is one even, extended patch, however small the iris or an inner glass leaves it; against the light what is bright is a few specks and reflections, or an even veil that is dark beside what it could be.
/// A logistic regression on [#TRAITS] measurements, learned by [LightingLearning]; see docs/methods/look.md.
final class LightingChoice {
    static final int TRAITS = 8;
    private static final int STEP = 23;
    private static final double DARK = 0.003;
    /// Of the brightest light inside, from which a pixel belongs to the bright patch.
    private static final double BRIGHT = 0.55;

    /// Constant, then one weight for each trait.
    static final double[] WEIGHTS = {4.116, -0.463, 0.592, -0.664, 1.744, 3.010, -0.330, 0.799, -0.291};

    private LightingChoice() {}

    static Lighting of(GlassFrame frame, double around, double brightest) {
        return score(WEIGHTS, traits(frame, around, brightest)) > 0 ? Lighting.BRIGHT : Lighting.AGAINST;
    }

    /// Above 0 where a bright field is the likelier.
    static double score(double[] weights, double[] traits) {
        double sum = weights[0];
        for (int i = 0; i < traits.length; i++) {
            sum += weights[i + 1] * traits[i];
        }
        return sum;
    }

    /// Decimal logarithms of: the brightest fiftieth, the median and the lower fifth of the glass, the middle of the glass, the brightest fifth and twenty-fifth of what surrounds the lens; then the share of the glass that is about as bright as its brightest,
    /// and how even that patch is.
    static double[] traits(GlassFrame frame, double around, double brightest) {
        double[] values = new double[GlassFrame.PIXELS / STEP + 1];
        double[] middle = new double[values.length];
        int n = 0;
        int m = 0;
        for (int i = 0; i < GlassFrame.PIXELS; i += STEP) {
            if (frame.r[i] < 0.95) {
                values[n++] = frame.light[i];
            }
            if (frame.r[i] < 0.3) {
                middle[m++] = frame.light[i];
            }
        }
        double[] all = Arrays.copyOf(values, n);
        double opening = n == 0 ? 0 : LeastSquares.quantile(all, 0.98);
        int bright = 0;
        double even = 0;
        double scatter = 0;
        for (double v : all) {
            if (v > BRIGHT * opening) {
                bright++;
                double l = Math.log(Math.max(DARK, v));
                even += l;
                scatter += l * l;
            }
        }
        double spread = bright == 0 ? 0 : Math.sqrt(Math.max(0, scatter / bright - Math.pow(even / bright, 2)));
        return new double[] {log(opening), log(n == 0 ? 0 : LeastSquares.quantile(all, 0.5)), log(n == 0 ? 0 : LeastSquares.quantile(all, 0.2)), log(m == 0 ? 0 : LeastSquares.median(Arrays.copyOf(middle, m))), log(around), log(brightest),
            Math.log10(0.005 + bright / (double) Math.max(1, n)), 10 * spread};
    }

    private static double log(double light) {
        return Math.log10(DARK + Math.max(0, light));
    }
}
