package stillglass.look;

import java.util.List;
import java.util.Optional;

/// Where something is sharpest, from how sharp it is in photos focused elsewhere each.
///
/// Sharpness falls off on both sides as `1/(1 + (z-z0)²/d²)`, or as its root, as the width of an edge out of focus does; `z0` and `d` are tried on a grid, the height is fitted, and the
/// likelihood of `z0` with the scatter of the logarithms gives place and error.
///
/// @param at in the unit of the settings: depths, or steps of a sweep
/// @param sigma one standard deviation
public record Sharpest(double at, double sigma) {
    /// Scatter of the logarithm of sharpness between photos of the same setting.
    private static final double LOG_SCATTER = 0.12;
    private static final int LEAST_PHOTOS = 3;
    private static final int DEPTHS = 121;
    private static final double ROOT = 0.5;
    /// Figures that are fitted: depth, width, height.
    private static final int FITTED = 3;

    /// @param at where the focus stood, in any unit that goes evenly
    /// @param sharpness of the fault there, any unit, positive
    public record Sight(double at, double sharpness) {}

    /// @return nothing when fewer than three different settings show it, or none is clearly sharper than another
    public static Optional<Sharpest> of(List<Sight> sights) {
        List<Sight> used = sights.stream().filter(s -> s.sharpness > 0 && Double.isFinite(s.at)).toList();
        if (used.stream().mapToDouble(Sight::at).distinct().count() < LEAST_PHOTOS) {
            return Optional.empty();
        }
        double low = used.stream().mapToDouble(Sight::at).min().orElseThrow();
        double high = used.stream().mapToDouble(Sight::at).max().orElseThrow();
        double span = high - low;
        double[] at = used.stream().mapToDouble(Sight::at).toArray();
        double[] height = used.stream().mapToDouble(s -> Math.log(s.sharpness)).toArray();
        double[] least = new double[DEPTHS];
        double best = Double.POSITIVE_INFINITY;
        for (int i = 0; i < DEPTHS; i++) {
            double z0 = low - span / 2 + 2 * span * i / (DEPTHS - 1);
            least[i] = Double.POSITIVE_INFINITY;
            for (double d = span / 12; d < 3 * span; d *= 1.4) {
                least[i] = Math.min(least[i], misfit(at, height, z0, d));
            }
            best = Math.min(best, least[i]);
        }
        // Where no such curve fits, readings scatter more than they should or fall off otherwise: the answer is that much less certain.
        double worse = Math.max(1, best / Math.max(1, used.size() - FITTED));
        double[] weight = new double[DEPTHS];
        for (int i = 0; i < DEPTHS; i++) {
            weight[i] = Math.exp(-(least[i] - best) / 2 / worse);
        }
        double sum = 0;
        double mean = 0;
        for (int i = 0; i < DEPTHS; i++) {
            sum += weight[i];
            mean += weight[i] * (low - span / 2 + 2 * span * i / (DEPTHS - 1));
        }
        mean /= sum;
        double square = 0;
        for (int i = 0; i < DEPTHS; i++) {
            square += weight[i] * Math.pow(low - span / 2 + 2 * span * i / (DEPTHS - 1) - mean, 2);
        }
        double sigma = Math.max(span / DEPTHS, Math.sqrt(square / sum));
        return sigma > 0.35 * span ? Optional.empty() : Optional.of(new Sharpest(mean, sigma));
    }

    /// The smaller of both laws.
    private static double misfit(double[] at, double[] height, double z0, double d) {
        double[] fall = new double[at.length];
        for (int i = 0; i < at.length; i++) {
            double off = (at[i] - z0) / d;
            fall[i] = Math.log1p(off * off);
        }
        return Math.min(scatter(height, fall, ROOT), scatter(height, fall, 1));
    }

    private static double scatter(double[] height, double[] fall, double power) {
        double mean = 0;
        for (int i = 0; i < height.length; i++) {
            mean += (height[i] + power * fall[i]) / height.length;
        }
        double chi = 0;
        for (int i = 0; i < height.length; i++) {
            double off = (height[i] + power * fall[i] - mean) / LOG_SCATTER;
            chi += off * off;
        }
        return chi;
    }
}
