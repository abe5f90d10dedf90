package stillglass.look;

import java.util.Arrays;
import org.ejml.simple.SimpleMatrix;

/// Small normal equations and order statistics shared by the fits to photos.
public final class LeastSquares {
    private LeastSquares() {}

    /// A robust fit.
    public static final class Robust {
        private final double[] coefficients;
        private final double scatter;

        public Robust(double[] coefficients, double scatter) {
            this.coefficients = coefficients;
            this.scatter = scatter;
        }

        /// One for each column of the rows.
        public double[] coefficients() {
            return coefficients;
        }

        /// Robust deviation of the values about it.
        public double scatter() {
            return scatter;
        }
    }

    /// Fits values by rows, reweighted by Tukey's biweight, so that what lies far off has no say.
    /// Reference: P. Huber, *Robust Statistics* (1981), reweighted least squares.
    /// @param count rows that are used
    /// @param cut deviations, in scatters, from which a value counts nothing
    /// @param leastScatter the scatter is never taken smaller
    public static Robust robust(double[][] rows, double[] values, int count, double cut, double leastScatter, int rounds) {
        double[] weight = new double[count];
        Arrays.fill(weight, 1);
        return robust(rows, values, weight, cut, leastScatter, rounds);
    }

    /// The same, begun with what lies about the median of the values: for runs that are nearly level, of which much may lie off.
    public static Robust robustFromMedian(double[][] rows, double[] values, int count, double cut, double leastScatter, int rounds) {
        double[] used = Arrays.copyOf(values, count);
        double middle = median(used);
        double[] off = new double[count];
        for (int i = 0; i < count; i++) {
            off[i] = Math.abs(used[i] - middle);
        }
        double reach = Math.max(leastScatter, 1.4826 * median(off)) * cut;
        double[] weight = new double[count];
        for (int i = 0; i < count; i++) {
            weight[i] = off[i] < reach ? 1 : 0;
        }
        return robust(rows, values, weight, cut, leastScatter, rounds);
    }

    private static Robust robust(double[][] rows, double[] values, double[] weight, double cut, double leastScatter, int rounds) {
        int count = weight.length;
        int terms = rows[0].length;
        double[] p = new double[terms];
        double scatter = 0;
        for (int round = 0; round < rounds; round++) {
            double[][] normal = new double[terms][terms + 1];
            for (int i = 0; i < count; i++) {
                if (weight[i] > 0) {
                    accumulate(normal, rows[i], values[i], weight[i]);
                }
            }
            mirror(normal);
            p = solve(normal);
            double[] off = new double[count];
            for (int i = 0; i < count; i++) {
                off[i] = Math.abs(values[i] - dot(p, rows[i]));
            }
            scatter = Math.max(leastScatter, 1.4826 * median(off));
            for (int i = 0; i < count; i++) {
                double t = off[i] / (cut * scatter);
                weight[i] = t < 1 ? (1 - t * t) * (1 - t * t) : 0;
            }
        }
        return new Robust(p, scatter);
    }

    /// Adds one weighted row to the upper half of the normal equations.
    private static void accumulate(double[][] normal, double[] row, double value, double weight) {
        for (int r = 0; r < row.length; r++) {
            double[] into = normal[r];
            double w = weight * row[r];
            for (int c = r; c < row.length; c++) {
                into[c] += w * row[c];
            }
            into[row.length] += w * value;
        }
    }

    /// Fills the lower half of normal equations of which only the upper was added up.
    private static void mirror(double[][] normal) {
        for (int r = 0; r < normal.length; r++) {
            for (int c = 0; c < r; c++) {
                normal[r][c] = normal[c][r];
            }
        }
    }

    /// Solves the augmented normal equations `[A | b]`, with a trace of damping against a singular system.
    public static double[] solve(double[][] augmented) {
        int n = augmented.length;
        SimpleMatrix a = new SimpleMatrix(n, n);
        SimpleMatrix b = new SimpleMatrix(n, 1);
        double size = 0;
        for (int i = 0; i < n; i++) {
            size = Math.max(size, Math.abs(augmented[i][i]));
        }
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                a.set(i, j, augmented[i][j] + (i == j ? 1e-12 * size + 1e-300 : 0));
            }
            b.set(i, 0, augmented[i][n]);
        }
        return a.solve(b).getDDRM().getData().clone();
    }

    public static double dot(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            sum += a[i] * b[i];
        }
        return sum;
    }

    /// Median of a non-empty array, which is not changed.
    public static double median(double[] values) {
        return quantile(values, 0.5);
    }

    public static double quantile(double[] values, double q) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[(int) Math.min(sorted.length - 1, Math.round(q * (sorted.length - 1)))];
    }
}
