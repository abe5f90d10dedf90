package stillglass.benchmarks.look;

import java.util.Arrays;

/// Whether two figures rise together, whatever their scales.
final class Ranks {
    private Ranks() {}

    /// Spearman's rank correlation; equal values share the mean of their ranks.
    /// @return no number for fewer than three pairs, or where one figure never changes
    static double correlation(double[] a, double[] b) {
        if (a.length < 3 || a.length != b.length) {
            return Double.NaN;
        }
        double[] x = ranks(a);
        double[] y = ranks(b);
        double middle = (a.length + 1) / 2.0;
        double both = 0;
        double xx = 0;
        double yy = 0;
        for (int i = 0; i < x.length; i++) {
            both += (x[i] - middle) * (y[i] - middle);
            xx += (x[i] - middle) * (x[i] - middle);
            yy += (y[i] - middle) * (y[i] - middle);
        }
        return both / Math.sqrt(xx * yy);
    }

    private static double[] ranks(double[] v) {
        return Arrays.stream(v).map(x -> 0.5 + Arrays.stream(v).filter(o -> o < x).count() + Arrays.stream(v).filter(o -> o == x).count() / 2.0).toArray();
    }
}
