package stillglass.prove;

import java.util.List;

/// How much less veil there is after than before, sector by sector of the glass, with a 95 % interval.
///
/// The sectors of the two photos are paired; the interval is Student's over the paired differences, together with what is common to a whole photo:
/// the error of its exposure against the other, and light that strays in the room.
///
/// @param before mean veil before, 0 to 1
/// @param after mean veil after
/// @param change after minus before
/// @param halfWidth half the 95 % interval of the change
public record VeilChange(double before, double after, double change, double halfWidth) {
    /// Student's t at 97.5 % for 31 degrees of freedom.
    private static final double T_31 = 2.04;

    /// @param beforeSectors veil per sector, at least 8
    /// @param afterSectors as many
    /// @param ratio half the 95 % interval of each photo's light, as a share of its veil
    /// @param stray half that of light that is no veil, of both together
    public static VeilChange of(List<Double> beforeSectors, List<Double> afterSectors, double ratio, double stray) {
        int n = beforeSectors.size();
        if (n < 8 || afterSectors.size() != n) {
            throw new IllegalArgumentException("veil is compared over equal numbers of at least 8 sectors, not " + n + " and "
                    + afterSectors.size());
        }
        double before = mean(beforeSectors);
        double after = mean(afterSectors);
        double sum = 0;
        for (int i = 0; i < n; i++) {
            double d = afterSectors.get(i) - beforeSectors.get(i) - (after - before);
            sum += d * d;
        }
        double uneven = T_31 * Math.sqrt(sum / (n - 1) / n);
        return new VeilChange(before, after, after - before, Math.hypot(Math.hypot(uneven, stray), ratio * Math.hypot(before, after)));
    }

    private static double mean(List<Double> values) {
        return values.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
    }

    /// Whether the interval lies wholly below zero.
    public boolean clearer() {
        return change + halfWidth < 0;
    }
}
