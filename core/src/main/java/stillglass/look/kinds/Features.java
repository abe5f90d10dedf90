package stillglass.look.kinds;

import java.util.Arrays;

/// Measurements of one candidate. A feature that does not apply is NaN and has no say.
public final class Features {
    private final double[] values = new double[Feature.values().length];

    public Features() {
        Arrays.fill(values, Double.NaN);
    }

    /// The same measurements, to be added to.
    Features copy() {
        Features out = new Features();
        System.arraycopy(values, 0, out.values, 0, values.length);
        return out;
    }

    public double get(Feature f) {
        return values[f.ordinal()];
    }

    /// @param value anything but finite counts as not measured
    public Features set(Feature f, double value) {
        values[f.ordinal()] = Double.isFinite(value) ? value : Double.NaN;
        return this;
    }

    /// @param value its decimal logarithm is kept
    public Features setLog(Feature f, double value) {
        return set(f, Math.log10(Math.max(1e-6, value)));
    }
}
