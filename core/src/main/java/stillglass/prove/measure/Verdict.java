package stillglass.prove.measure;

import stillglass.say.Said;

/// What a figure with its error says about a limit.
public enum Verdict {
    /// Inside the limit with 95 % probability.
    HOLDS,
    /// Outside it with 95 % probability.
    FAILS,
    /// The error is too large to say.
    OPEN,
    /// There is no limit.
    COMPARED;

    private static final double SURE = 0.95;

    public Said said() {
        return Said.of("verdict." + name().toLowerCase(java.util.Locale.ROOT));
    }

    /// @param departure from what it should be
    /// @param sigma one standard deviation of it
    /// @param allowed either way
    public static Verdict of(double departure, double sigma, double allowed) {
        double inside = inside(departure, sigma, allowed);
        return inside >= SURE ? HOLDS : inside <= 1 - SURE ? FAILS : OPEN;
    }

    /// Probability that the true departure is within what is allowed, for an error of the shape of a bell.
    public static double inside(double departure, double sigma, double allowed) {
        if (!(sigma > 0)) {
            return Math.abs(departure) <= allowed ? 1 : 0;
        }
        return Bell.below((allowed - departure) / sigma) - Bell.below((-allowed - departure) / sigma);
    }
}
