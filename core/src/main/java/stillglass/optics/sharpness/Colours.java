package stillglass.optics.sharpness;

import java.util.List;

/// How the wavelengths of a section are weighed against each other.
public enum Colours {
    /// Each counts the same, as a film that sees all colours alike would have it.
    EQUAL,
    /// As an eye in daylight weighs them, which is what a ground glass or finder is judged by.
    EYE;

    /// Weights that add up to 1.
    public List<Double> weights(List<Double> wavelengthsNm) {
        List<Double> each = wavelengthsNm.stream().map(nm -> this == EQUAL ? 1.0 : luminosity(nm)).toList();
        double all = each.stream().mapToDouble(Double::doubleValue).sum();
        // Light nobody sees is weighed equally.
        return all < 1e-9 ? EQUAL.weights(wavelengthsNm) : each.stream().map(w -> w / all).toList();
    }

    /// The eye's luminosity by two lobed bells, within 0.02 of the table of 1931 (Wyman, Sloan, Shirley, Journal of Computer Graphics Techniques 2, 2013).
    static double luminosity(double nm) {
        return 0.821 * bell(nm, 568.8, 46.9, 40.5) + 0.286 * bell(nm, 530.9, 16.3, 31.1);
    }

    private static double bell(double nm, double middle, double below, double above) {
        double t = (nm - middle) / (nm < middle ? below : above);
        return Math.exp(-t * t / 2);
    }
}
