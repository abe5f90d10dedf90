package stillglass.prove.measure;

/// How many good tries in a row show that a function which failed now and then does so no more.
///
/// Of how often it fails nothing is known but the tries on arrival: its share has a beta distribution with half a try of either sort to begin with (H. Jeffreys). A fault that is still there
/// would pass n good tries with probability E[(1-p)^n] = B(a, b+n) / B(a, b); once that is below 5 %, it is gone at 95 %.
///
/// @param failed tries on arrival that failed
/// @param of tries on arrival
public record Streak(int failed, int of) {
    private static final double LEFT = 0.05;
    private static final int MOST = 2000;

    public Streak {
        if (failed < 0 || of < failed) {
            throw new IllegalArgumentException(failed + " failures of " + of + " tries cannot be");
        }
    }

    /// Probability that a fault of this frequency passes so many good tries in a row.
    public double chance(int good) {
        double a = failed + 0.5;
        double b = of - failed + 0.5;
        double p = 1;
        for (int k = 0; k < good; k++) {
            p *= (b + k) / (a + b + k);
        }
        return p;
    }

    /// Good tries in a row that prove it gone at 95 %, 2000 at most.
    public int needed() {
        int n = 1;
        while (n < MOST && chance(n) > LEFT) {
            n++;
        }
        return n;
    }
}
