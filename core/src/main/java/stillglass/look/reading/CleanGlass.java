package stillglass.look.reading;

import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import stillglass.look.LeastSquares;

/// What the glass would look like without its faults: a low-order surface of light over the aperture, fitted so
/// that bright or dark faults have no say.
///
/// Zernike polynomials to the fourth order (15 terms) span the same space as the powers used here; the fit is
/// reweighted by Tukey's biweight. Coordinates are aperture units.
final class CleanGlass {
    private static final int ORDER = 4;
    private static final int TERMS = (ORDER + 1) * (ORDER + 2) / 2;

    private final double[] p;

    private CleanGlass(double[] p) {
        this.p = p;
    }

    /// @param values what is fitted, one per pixel of the frame
    static CleanGlass fit(float[] values, GlassFrame frame) {
        return fit(values, frame, at -> true);
    }

    /// The same over a part of the glass.
    static CleanGlass fit(float[] values, GlassFrame frame, IntPredicate part) {
        int stride = GlassFrame.RADIUS / 40;
        int count = 0;
        double[][] rows = new double[(GlassFrame.SIDE / stride + 1) * (GlassFrame.SIDE / stride + 1)][];
        double[] value = new double[rows.length];
        for (int y = 0; y < GlassFrame.SIDE; y += stride) {
            for (int x = 0; x < GlassFrame.SIDE; x += stride) {
                int at = y * GlassFrame.SIDE + x;
                if (frame.r[at] < 0.96 && part.test(at)) {
                    rows[count] = powers(GlassFrame.x(at), GlassFrame.y(at));
                    value[count++] = values[at];
                }
            }
        }
        if (count < 4 * TERMS) {
            throw new IllegalArgumentException("the aperture covers too few pixels to judge the glass");
        }
        return new CleanGlass(LeastSquares.robust(rows, value, count, 4.5, 1e-4, 10).coefficients());
    }

    /// The clean glass under every pixel inside the rim, zero elsewhere.
    float[] everywhere(GlassFrame frame) {
        float[] out = new float[GlassFrame.PIXELS];
        IntStream.range(0, GlassFrame.SIDE).parallel().forEach(j -> {
            double[] row = along(GlassFrame.y(j * GlassFrame.SIDE));
            for (int at = j * GlassFrame.SIDE; at < (j + 1) * GlassFrame.SIDE; at++) {
                if (frame.r[at] < 1.02) {
                    double x = GlassFrame.x(at);
                    double sum = row[ORDER];
                    for (int i = ORDER - 1; i >= 0; i--) {
                        sum = sum * x + row[i];
                    }
                    out[at] = (float) sum;
                }
            }
        });
        return out;
    }

    /// The polynomial of x that the surface is along a row, its constant first.
    private double[] along(double y) {
        double[] out = new double[ORDER + 1];
        for (int i = 0; i <= ORDER; i++) {
            for (int j = ORDER - i; j >= 0; j--) {
                int total = i + j;
                out[i] = out[i] * y + p[total * (total + 1) / 2 + j];
            }
        }
        return out;
    }

    private static double[] powers(double x, double y) {
        double[] xs = {1, x, x * x, x * x * x, x * x * x * x};
        double[] ys = {1, y, y * y, y * y * y, y * y * y * y};
        double[] row = new double[TERMS];
        int k = 0;
        for (int total = 0; total <= ORDER; total++) {
            for (int j = 0; j <= total; j++) {
                row[k++] = xs[total - j] * ys[j];
            }
        }
        return row;
    }
}
