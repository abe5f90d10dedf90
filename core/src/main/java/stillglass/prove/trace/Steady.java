package stillglass.prove.trace;

import java.util.Arrays;
import org.ejml.simple.SimpleMatrix;

/// A level that may drift, with the waves of the mains on it, fitted to samples by robust least squares.
///
/// @param terms level, drift over the whole window if any, sines and cosines of the harmonics
/// @param drifts whether the drift is among them
/// @param whole length of the window, s
/// @param hz of the first harmonic, 0 for none
/// @param variance of what is left
record Steady(SimpleMatrix terms, boolean drifts, double whole, int hz, double variance) {
    private static final int HARMONICS = 3;
    private static final double TUKEY = 4.7;
    private static final int ROUNDS = 3;
    private static final int MOST_POINTS = 3000;
    private static final int[] MAINS_HZ = {50, 60};

    /// Samples that are fitted, and their times.
    @SuppressWarnings("ArrayRecordComponent")
    record Points(double[] t, double[] v) {
        /// Means of so many samples that no more than some thousand are left.
        /// @param runs begin and end of each run of samples, in turn
        static Points of(double[] y, double step, int... runs) {
            int all = 0;
            for (int r = 0; r < runs.length; r += 2) {
                all += Math.max(0, runs[r + 1] - runs[r]);
            }
            int size = Math.max(1, all / MOST_POINTS);
            double[] t = new double[all / size + runs.length];
            double[] v = new double[t.length];
            int n = 0;
            for (int r = 0; r < runs.length; r += 2) {
                for (int i = runs[r]; i + size <= runs[r + 1]; i += size) {
                    for (int k = i; k < i + size; k++) {
                        v[n] += y[k] / size;
                    }
                    t[n++] = (i + (size - 1) / 2.0) * step;
                }
            }
            return new Points(Arrays.copyOf(t, n), Arrays.copyOf(v, n));
        }
    }

    /// The better of no waves and those of either mains.
    /// @param whole length of the window, s
    /// @param longest run of samples without a gap, s
    /// @param worth share of the variance that waves must explain
    static Steady best(Points points, double whole, boolean drifts, double longest, double worth) {
        Steady plain = fit(points, whole, drifts, 0);
        Steady best = plain;
        for (int hz : MAINS_HZ) {
            if (longest * hz > 1.2 && points.t.length > 40) {
                Steady with = fit(points, whole, drifts, hz);
                if (with.variance < (1 - worth) * plain.variance && with.variance < best.variance) {
                    best = with;
                }
            }
        }
        return best;
    }

    private static Steady fit(Points points, double whole, boolean drifts, int hz) {
        int n = points.t.length;
        int terms = 1 + (drifts ? 1 : 0) + (hz > 0 ? 2 * HARMONICS : 0);
        double[][] rows = new double[n][terms];
        for (int k = 0; k < n; k++) {
            row(rows[k], points.t[k], whole, drifts, hz);
        }
        double[] weight = new double[n];
        Arrays.fill(weight, 1);
        double[] off = new double[n];
        SimpleMatrix x = new SimpleMatrix(terms, 1);
        double scale = 0;
        for (int round = 0; round < ROUNDS; round++) {
            x = solved(points.v, rows, weight, terms);
            for (int k = 0; k < n; k++) {
                off[k] = points.v[k] - product(rows[k], x);
            }
            double[] sorted = Arrays.stream(off).map(Math::abs).sorted().toArray();
            scale = 1.4826 * sorted[sorted.length / 2];
            for (int k = 0; k < off.length; k++) {
                double u = Math.abs(off[k]) / Math.max(1e-12, TUKEY * scale);
                weight[k] = scale <= 0 ? 1 : u < 1 ? (1 - u * u) * (1 - u * u) : 0;
            }
        }
        // Samples of few bits lie on their median, where a median deviation tells nothing.
        double limit = scale > 0 ? 4 * scale : Double.POSITIVE_INFINITY;
        double sum = Arrays.stream(off).filter(v -> Math.abs(v) < limit).map(v -> v * v).sum();
        long used = Arrays.stream(off).filter(v -> Math.abs(v) < limit).count();
        return new Steady(x, drifts, whole, hz, sum / Math.max(1, used - terms));
    }

    private static SimpleMatrix solved(double[] v, double[][] rows, double[] weight, int terms) {
        double[][] normal = new double[terms][terms];
        double[] right = new double[terms];
        for (int k = 0; k < v.length; k++) {
            for (int i = 0; i < terms; i++) {
                double wi = weight[k] * rows[k][i];
                right[i] += wi * v[k];
                for (int j = 0; j <= i; j++) {
                    normal[i][j] += wi * rows[k][j];
                }
            }
        }
        for (int i = 0; i < terms; i++) {
            normal[i][i] = normal[i][i] * (1 + 1e-12) + 1e-15;
            for (int j = i + 1; j < terms; j++) {
                normal[i][j] = normal[j][i];
            }
        }
        return new SimpleMatrix(normal).solve(new SimpleMatrix(terms, 1, true, right));
    }

    private static void row(double[] row, double t, double whole, boolean drifts, int hz) {
        int k = 0;
        row[k++] = 1;
        if (drifts) {
            row[k++] = t / whole - 0.5;
        }
        for (int h = 1; hz > 0 && h <= HARMONICS; h++) {
            double a = 2 * Math.PI * hz * h * t;
            row[k++] = Math.sin(a);
            row[k++] = Math.cos(a);
        }
    }

    private static double product(double[] row, SimpleMatrix x) {
        double sum = 0;
        for (int i = 0; i < row.length; i++) {
            sum += row[i] * x.get(i);
        }
        return sum;
    }

    /// The fit at all samples.
    double[] at(int samples, double step) {
        double[] out = new double[samples];
        double[] row = new double[terms.getNumRows()];
        for (int i = 0; i < samples; i++) {
            row(row, i * step, whole, drifts, hz);
            out[i] = product(row, terms);
        }
        return out;
    }

    double level() {
        return terms.get(0);
    }

    /// Root of the sum of squares of the waves over 2: their effective size.
    double waves() {
        double sum = 0;
        for (int i = drifts ? 2 : 1; i < terms.getNumRows(); i++) {
            sum += terms.get(i) * terms.get(i) / 2;
        }
        return Math.sqrt(sum);
    }
}
