package stillglass.look;

import java.util.List;
import java.util.Optional;

/// How deep a fault seems to lie, from how sharp it is in photos focused at different depths.
///
/// Sharpness falls off on both sides of the depth as `1/(1 + (z-z0)²/d²)`; `z0` and `d` are tried on a grid, the height is fitted, and the
/// likelihood of `z0` with the scatter of the logarithms gives depth and error.
///
/// @param depthMm apparent depth behind the rim
/// @param sigmaMm one standard deviation
public record FocusStack(double depthMm, double sigmaMm) {
    /// Scatter of the logarithm of sharpness between photos of the same setting.
    private static final double LOG_SCATTER = 0.12;
    private static final int LEAST_PHOTOS = 3;
    private static final int DEPTHS = 241;

    /// @param focusMm sharp plane behind the rim
    /// @param sharpness of the fault there, any unit, positive
    public record Sight(double focusMm, double sharpness) {}

    /// @return nothing when fewer than three different settings show it, or none is clearly sharper than another
    public static Optional<FocusStack> of(List<Sight> sights) {
        List<Sight> used = sights.stream().filter(s -> s.sharpness > 0 && Double.isFinite(s.focusMm)).toList();
        if (used.stream().mapToDouble(Sight::focusMm).distinct().count() < LEAST_PHOTOS) {
            return Optional.empty();
        }
        double low = used.stream().mapToDouble(Sight::focusMm).min().orElseThrow();
        double high = used.stream().mapToDouble(Sight::focusMm).max().orElseThrow();
        double span = high - low;
        double[] weight = new double[DEPTHS];
        double best = Double.POSITIVE_INFINITY;
        for (int pass = 0; pass < 2; pass++) {
            for (int i = 0; i < DEPTHS; i++) {
                double z0 = low - span / 2 + 2 * span * i / (DEPTHS - 1);
                double least = Double.POSITIVE_INFINITY;
                for (double d = span / 12; d < 3 * span; d *= 1.25) {
                    least = Math.min(least, misfit(used, z0, d));
                }
                best = Math.min(best, least);
                weight[i] = Math.exp(-(least - best) / 2);
            }
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
        return sigma > 0.35 * span ? Optional.empty() : Optional.of(new FocusStack(mean, sigma));
    }

    private static double misfit(List<Sight> used, double z0, double d) {
        double mean = 0;
        double[] off = new double[used.size()];
        for (int i = 0; i < off.length; i++) {
            Sight s = used.get(i);
            off[i] = Math.log(s.sharpness) + Math.log1p(Math.pow((s.focusMm - z0) / d, 2));
            mean += off[i] / off.length;
        }
        double chi = 0;
        for (double o : off) {
            chi += Math.pow((o - mean) / LOG_SCATTER, 2);
        }
        return chi;
    }
}
