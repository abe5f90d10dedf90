package stillglass.look.reading;

import java.util.Arrays;
import org.ejml.simple.SimpleMatrix;

/// Small normal equations and order statistics shared by the fits of this package.
final class LeastSquares {
    private LeastSquares() {}

    /// Fills the lower half of normal equations of which only the upper was added up.
    static void mirror(double[][] normal) {
        for (int r = 0; r < normal.length; r++) {
            for (int c = 0; c < r; c++) {
                normal[r][c] = normal[c][r];
            }
        }
    }

    /// Solves the augmented normal equations `[A | b]`, with a trace of damping against a singular system.
    static double[] solve(double[][] augmented) {
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

    static double dot(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            sum += a[i] * b[i];
        }
        return sum;
    }

    /// Median of a non-empty array, which is not changed.
    static double median(double[] values) {
        return quantile(values, 0.5);
    }

    static double quantile(double[] values, double q) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[(int) Math.min(sorted.length - 1, Math.round(q * (sorted.length - 1)))];
    }
}
