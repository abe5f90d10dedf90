package stillglass.benchmarks.proof;

/// The bell, by its series (Abramowitz and Stegun 26.2.11).
final class Bell {
    private Bell() {}

    /// Share below z deviations.
    static double below(double z) {
        if (Math.abs(z) > 7) {
            return z > 0 ? 1 : 0;
        }
        double term = z;
        double sum = z;
        for (int k = 1; k < 200 && Math.abs(term) > 1e-17; k++) {
            term *= z * z / (2 * k + 1);
            sum += term;
        }
        return 0.5 + sum * Math.exp(-z * z / 2) / Math.sqrt(2 * Math.PI);
    }
}
