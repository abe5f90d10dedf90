package stillglass.look.net;

/// Chances out of scores.
public final class Softmax {
    private Softmax() {}

    /// @param scores of any size; not changed
    /// @return chances that add up to 1, in proportion to e to the scores
    public static double[] of(double[] scores) {
        return of(scores, 1);
    }

    /// @param temperature by which scores are divided: the higher, the less sure
    public static double[] of(double[] scores, double temperature) {
        double most = Double.NEGATIVE_INFINITY;
        for (double s : scores) {
            most = Math.max(most, s);
        }
        double[] out = new double[scores.length];
        double sum = 0;
        for (int k = 0; k < out.length; k++) {
            out[k] = Math.exp((scores[k] - most) / temperature);
            sum += out[k];
        }
        for (int k = 0; k < out.length; k++) {
            out[k] /= sum;
        }
        return out;
    }
}
