package stillglass.prove.trace;

import java.util.Arrays;
import java.util.stream.IntStream;

/// What a sensor gives in the dark about a shot: a level that may drift, the hum of the mains, and noise, fitted to what lies before and after.
///
/// @param noise one standard deviation of a sample
/// @param together how much more a sum of samples scatters than independent ones would, as a factor of its variance
/// @param humHz of the mains whose hum was taken away, 0 for none
/// @param levelSigma one standard deviation of the level under the shot
record DarkLevel(double noise, double together, int humHz, double levelSigma) {
    /// Hum is taken away when it is more than this share of the variance.
    private static final double WORTH = 0.15;
    private static final int LAGS = 12;
    private static final int FEW = 4;

    /// Fits the dark and takes it from all samples.
    /// @param y samples, changed in place
    /// @param step of time, s
    /// @param darkTo end of the dark before, index
    /// @param darkFrom begin of the dark after, index
    static DarkLevel remove(double[] y, double step, int darkTo, int darkFrom) {
        int lit = Math.max(darkTo, darkFrom);
        if (darkTo + y.length - lit < FEW) {
            return new DarkLevel(0, 1, 0, 0);
        }
        boolean bothSides = darkTo >= FEW && y.length - lit >= FEW;
        Steady dark = Steady.best(Steady.Points.of(y, step, 0, darkTo, lit, y.length), y.length * step, bothSides, Math.max(darkTo, y.length - lit) * step, WORTH);
        double[] level = dark.at(y.length, step);
        for (int i = 0; i < y.length; i++) {
            y[i] -= level[i];
        }
        double noise = spread(y, darkTo, lit);
        double together = together(y, darkTo, darkFrom, noise);
        return new DarkLevel(noise, together, dark.hz(), noise * Math.sqrt(together / (darkTo + y.length - lit)));
    }

    /// Root mean square of the dark, without what is no noise. Samples of few bits lie on their median, where a median deviation tells nothing.
    private static double spread(double[] y, int darkTo, int darkFrom) {
        double[] off = IntStream.concat(IntStream.range(0, darkTo), IntStream.range(darkFrom, y.length)).mapToDouble(i -> Math.abs(y[i])).toArray();
        double[] sorted = off.clone();
        Arrays.sort(sorted);
        double scale = 1.4826 * sorted[sorted.length / 2];
        double limit = scale > 0 ? 4 * scale : Double.POSITIVE_INFINITY;
        return Math.sqrt(Arrays.stream(off).filter(v -> v < limit).map(v -> v * v).average().orElse(0));
    }

    /// Noise with a colour of its own adds up: one and twice the correlation with the samples next to it.
    private static double together(double[] y, int darkTo, int darkFrom, double noise) {
        double sum = 1;
        for (int lag = 1; lag <= LAGS && noise > 0; lag++) {
            double product = 0;
            int n = 0;
            for (int i = 0; i + lag < y.length; i++) {
                if (i + lag < darkTo || i >= darkFrom) {
                    product += Math.clamp(y[i] / noise, -4, 4) * Math.clamp(y[i + lag] / noise, -4, 4);
                    n++;
                }
            }
            double r = n > 50 ? product / n : 0;
            if (Math.abs(r) < 3 / Math.sqrt(Math.max(1, n))) {
                break;
            }
            sum += 2 * r;
        }
        return Math.clamp(sum, 0.2, 2 * LAGS + 1);
    }
}
