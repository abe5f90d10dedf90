package stillglass.care;

import java.util.function.DoubleUnaryOperator;

/// Where a function of one positive figure of any size is least.
final class Least {
    private static final int STEPS = 160;
    private static final int HALVINGS = 60;
    private static final double GOLDEN = 0.382;

    private Least() {}

    /// Even steps of the logarithm, then by golden section between the neighbours of the best.
    static double of(DoubleUnaryOperator function, double from, double to) {
        double best = from;
        double value = Double.MAX_VALUE;
        double ratio = Math.pow(to / from, 1.0 / STEPS);
        for (double t = from; t <= to * 1.0001; t *= ratio) {
            double v = function.applyAsDouble(t);
            if (v < value) {
                value = v;
                best = t;
            }
        }
        double low = best / ratio;
        double high = best * ratio;
        for (int i = 0; i < HALVINGS; i++) {
            double a = low + GOLDEN * (high - low);
            double b = high - GOLDEN * (high - low);
            if (function.applyAsDouble(a) < function.applyAsDouble(b)) {
                high = b;
            } else {
                low = a;
            }
        }
        return (low + high) / 2;
    }
}
