package stillglass.optics.measured;

/// A spherometer with three feet on a ring and a plunger in the middle.
///
/// Feet that end in balls touch the glass beside the ring they stand on: their centres lie on a sphere larger than the
/// glass by the ball radius where it is convex, smaller where it is hollow. So R = (r² + s²)/2s − b for a convex and
/// R = (r² + s²)/2s + b for a hollow face. Reference: derivation in docs/methods/optics.md.
///
/// @param ringRadiusMm of the ring through the middles of the feet
/// @param ballRadiusMm of a foot; 0 for sharp feet
/// @param ringSigmaMm how well the ring is known, one standard deviation
public record Spherometer(double ringRadiusMm, double ballRadiusMm, double ringSigmaMm) {
    /// A ring measured with a caliper.
    private static final double CALIPER_MM = 0.02;

    public Spherometer(double ringRadiusMm, double ballRadiusMm) {
        this(ringRadiusMm, ballRadiusMm, CALIPER_MM);
    }

    /// A face flatter than this many reading errors cannot be told from a plane.
    private static final double FLAT_SIGMAS = 2;

    public Spherometer {
        if (!(ringSigmaMm >= 0 && ringSigmaMm < ringRadiusMm / 2)) {
            throw new IllegalArgumentException("a ring known to " + ringSigmaMm + " mm is out of range");
        }
        if (!(ringRadiusMm > 0.5 && ringRadiusMm < 500) || !(ballRadiusMm >= 0 && ballRadiusMm < ringRadiusMm)) {
            throw new IllegalArgumentException("a spherometer with a ring of " + ringRadiusMm + " mm and feet of " + ballRadiusMm
                    + " mm radius is out of range: give both in millimetres, the ring the larger");
        }
    }

    /// A radius with one standard deviation, both infinite for a face that cannot be told from a plane.
    /// @param radiusMm positive for convex, negative for hollow
    public record Radius(double radiusMm, double sigmaMm) {
        public boolean plane() {
            return Double.isInfinite(radiusMm);
        }
    }

    /// Radius of the face from how far the plunger moved against a plane.
    /// @param sagMm positive where the face is convex, negative where it is hollow
    /// @param sigmaMm one standard deviation of the reading
    /// @throws IllegalArgumentException for a reading no sphere can give on this ring
    public Radius radius(double sagMm, double sigmaMm) {
        if (!(Math.abs(sagMm) < ringRadiusMm) || !(sigmaMm >= 0)) {
            throw new IllegalArgumentException("a reading of " + sagMm + " mm is impossible on a ring of " + ringRadiusMm
                    + " mm radius: a hemisphere would give " + ringRadiusMm);
        }
        double s = Math.abs(sagMm);
        if (s <= FLAT_SIGMAS * sigmaMm || s == 0) {
            return new Radius(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY);
        }
        double r2 = ringRadiusMm * ringRadiusMm;
        double sphere = (r2 + s * s) / (2 * s);
        double sigma = Math.hypot(Math.abs(0.5 - r2 / (2 * s * s)) * sigmaMm, ringRadiusMm / s * ringSigmaMm);
        return sagMm > 0 ? new Radius(sphere - ballRadiusMm, sigma) : new Radius(-(sphere + ballRadiusMm), sigma);
    }

    /// What the spherometer would read on a face.
    public double sagMm(double radiusMm) {
        if (Double.isInfinite(radiusMm)) {
            return 0;
        }
        double sphere = Math.abs(radiusMm) + (radiusMm > 0 ? ballRadiusMm : -ballRadiusMm);
        double s = sphere - Math.sqrt(sphere * sphere - ringRadiusMm * ringRadiusMm);
        return radiusMm > 0 ? s : -s;
    }
}
