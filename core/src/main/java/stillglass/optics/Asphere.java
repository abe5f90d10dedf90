package stillglass.optics;

import java.util.List;

/// How a rotationally symmetric face departs from a sphere: a conic, with even powers of the height added.
///
/// `z = c·h² / (1 + √(1 − (1 + k)·c²·h²)) + A4·h⁴ + A6·h⁶ + …`. Reference: Welford 1986, section 4.6; ISO 10110-12.
///
/// @param conic k: 0 a sphere, −1 a paraboloid, below −1 a hyperboloid
/// @param even A4, A6, A8 …, mm to the power of −3, −5, −7 …; none for a pure conic
public record Asphere(double conic, List<Double> even) {
    /// A sphere or a plane.
    public static final Asphere NONE = new Asphere(0, List.of());
    private static final int MOST_TERMS = 9;

    public Asphere {
        even = List.copyOf(even);
        if (!(Math.abs(conic) < 1e6) || even.size() > MOST_TERMS || even.stream().anyMatch(a -> !Double.isFinite(a))) {
            throw new IllegalArgumentException("a conic of " + conic + " with coefficients " + even + " is no face: give finite numbers, " + MOST_TERMS + " coefficients at most");
        }
    }

    /// Whether this is a sphere or a plane after all.
    public boolean spherical() {
        return conic == 0 && even.stream().allMatch(a -> a == 0);
    }

    /// Seen from the other side.
    Asphere reversed() {
        return new Asphere(conic, even.stream().map(a -> -a).toList());
    }

    /// A face of the same form, `k` times as large.
    Asphere scaled(double k) {
        double[] power = {k};
        return new Asphere(conic, even.stream().map(a -> a / (power[0] *= k * k)).toList());
    }

    /// Height over the vertex plane; beyond the rim of the conic that of its rim.
    double sagMm(double curvature, double h) {
        double square = h * h;
        double sag = curvature * square / (1 + Math.sqrt(Math.max(0, 1 - (1 + conic) * curvature * curvature * square)));
        double power = square;
        for (double a : even) {
            power *= square;
            sag += a * power;
        }
        return sag;
    }

    /// Slope of the face over the height; NaN beyond the rim of the conic.
    double slope(double curvature, double h) {
        double square = h * h;
        double slope = curvature * h / Math.sqrt(1 - (1 + conic) * curvature * curvature * square);
        double power = h;
        for (int i = 0; i < even.size(); i++) {
            power *= square;
            slope += (4 + 2 * i) * even.get(i) * power;
        }
        return slope;
    }
}
