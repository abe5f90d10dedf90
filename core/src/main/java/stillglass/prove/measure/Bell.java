package stillglass.prove.measure;

/// The bell-shaped density of errors (normal distribution), of mean 0 and deviation 1.
public final class Bell {
    private static final double FAR = 8;
    private static final int HALVINGS = 50;

    private Bell() {}

    /// Share below so many standard deviations.
    /// Source: C. Hastings' form in Abramowitz and Stegun, *Handbook of Mathematical Functions*, 7.1.26, error below 1.5e-7.
    public static double below(double z) {
        double x = Math.abs(z) / Math.sqrt(2);
        double t = 1 / (1 + 0.3275911 * x);
        double tail = ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t * Math.exp(-x * x) / 2;
        return z < 0 ? tail : 1 - tail;
    }

    /// Density at a distance from the middle, for a unit of that distance.
    /// @param sigma one standard deviation, above 0
    public static double density(double off, double sigma) {
        double z = off / sigma;
        return Math.exp(-z * z / 2) / sigma / Math.sqrt(2 * Math.PI);
    }

    /// Standard deviations below which a share lies, by halving.
    /// @param share above 0 and below 1
    public static double quantile(double share) {
        if (!(share > 0 && share < 1)) {
            throw new IllegalArgumentException("a share of " + share + " lies below no number of deviations");
        }
        double low = -FAR;
        double high = FAR;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (below(middle) < share) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }
}
