package stillglass.look.reading;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.look.Aperture;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.Progress;

/// Whether a lens was held before a bright field or lit against a dark one, from the light in the glass and about the lens.
///
/// What is seen through a lens before a card is one even, extended patch, however small the iris or an inner glass leaves it; against the light what is bright is a few specks and reflections, or an even veil that is dark beside what it could be.
/// A logistic regression on [#TRAITS] measurements, learned by `LearnLighting`; see docs/methods/look.md.
public final class LightingChoice {
    static final int TRAITS = 8;
    private static final int STEP = 23;
    private static final int ROUNDS = 20_000;
    private static final double RATE = 0.5;
    private static final double PENALTY = 5;
    private static final double DARK = 0.003;
    /// Of the brightest light inside, from which a pixel belongs to the bright patch.
    private static final double BRIGHT = 0.55;

    /// Constant, then one weight for each trait.
    private static final double[] WEIGHTS = {4.116, -0.463, 0.592, -0.664, 1.744, 3.010, -0.330, 0.799, -0.291};

    private LightingChoice() {}

    static Lighting of(GlassFrame frame, double around, double brightest) {
        return score(WEIGHTS, traits(frame, around, brightest)) > 0 ? Lighting.BRIGHT : Lighting.AGAINST;
    }

    private static double score(double[] weights, double[] traits) {
        double sum = weights[0];
        for (int i = 0; i < traits.length; i++) {
            sum += weights[i + 1] * traits[i];
        }
        return sum;
    }

    /// One photo to learn from.
    public record Example(boolean bright, double[] traits) {
        @Override
        public boolean equals(Object o) {
            return o == this;
        }

        @Override
        public int hashCode() {
            return System.identityHashCode(this);
        }
    }

    /// @param truth rim in pixels of the stored photo
    public static Example example(LinearPhoto photo, Aperture truth, Lighting lighting) {
        Survey s = Survey.of(photo, new PhotoGrading.Given(Optional.of(lighting), Optional.of(truth), OptionalDouble.empty()), Progress.SILENT).orElseThrow();
        return new Example(lighting == Lighting.BRIGHT, traits(s.maps.frame, s.around, s.brightest));
    }

    /// Share told rightly by weights.
    public static double right(double[] weights, List<Example> of) {
        return of.stream().filter(e -> score(weights, e.traits) > 0 == e.bright).count() / (double) Math.max(1, of.size());
    }

    public static double[] shipped() {
        return WEIGHTS.clone();
    }

    /// Maximum likelihood with a small penalty on standardised traits, by steepest ascent.
    /// @return a constant, then one weight for each trait
    public static double[] learn(List<Example> all) {
        double[] mean = new double[TRAITS];
        double[] scale = new double[TRAITS];
        for (int t = 0; t < TRAITS; t++) {
            int trait = t;
            mean[t] = all.stream().mapToDouble(e -> e.traits[trait]).average().orElse(0);
            double m = mean[t];
            scale[t] = Math.sqrt(all.stream().mapToDouble(e -> Math.pow(e.traits[trait] - m, 2)).average().orElse(1)) + 1e-9;
        }
        double[] w = new double[TRAITS + 1];
        for (int round = 0; round < ROUNDS; round++) {
            double[] slope = new double[TRAITS + 1];
            for (Example e : all) {
                double z = w[0];
                for (int t = 0; t < TRAITS; t++) {
                    z += w[t + 1] * (e.traits[t] - mean[t]) / scale[t];
                }
                double off = (e.bright ? 1 : 0) - 1 / (1 + Math.exp(-z));
                slope[0] += off;
                for (int t = 0; t < TRAITS; t++) {
                    slope[t + 1] += off * (e.traits[t] - mean[t]) / scale[t];
                }
            }
            for (int t = 0; t <= TRAITS; t++) {
                w[t] += RATE / all.size() * (slope[t] - (t == 0 ? 0 : PENALTY * w[t]));
            }
        }
        double[] plain = new double[TRAITS + 1];
        plain[0] = w[0];
        for (int t = 0; t < TRAITS; t++) {
            plain[t + 1] = w[t + 1] / scale[t];
            plain[0] -= w[t + 1] * mean[t] / scale[t];
        }
        return plain;
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
