package stillglass.optics;

/// Finds where a ray of a distant object must enter so that it crosses the iris at a wanted point.
///
/// Broyden's method in two dimensions, started from the entrance pupil of first-order optics, damped when a
/// trial ray misses a surface. Converges to 1e-9 mm at the iris. Vignetting plays no part in aiming.
public final class RayAim {
    private static final double TOLERANCE_MM = 1e-9;
    private static final int MOST_STEPS = 40;

    private final ExactTrace trace;
    private final RayBundle probe = new RayBundle(1);
    private final double pupilMm;
    private final double perIris;
    private final double cosY;
    private final double slope;
    private double entryX;
    private double entryY;
    private double atX;
    private double atY;

    /// @param slope tan of the object angle, rays travelling towards +y
    public RayAim(LensSection lens, ExactTrace trace, double slope) {
        this.trace = trace;
        this.slope = slope;
        Paraxial first = Paraxial.of(lens);
        pupilMm = first.entrancePupil().positionMm();
        perIris = first.heightsMm(1, 0)[lens.stopIndex()];
        cosY = slope / Math.hypot(1, slope);
    }

    /// Direction cosine along y of every ray of this field.
    public double cosY() {
        return cosY;
    }

    public double entryXMm() {
        return entryX;
    }

    public double entryYMm() {
        return entryY;
    }

    private boolean probe(double x, double y) {
        probe.launch(0, x, y, 0, cosY);
        trace.toStop(probe);
        atX = probe.xMm(0);
        atY = probe.yMm(0);
        return probe.fate(0) == RayBundle.TRAVELS;
    }

    /// Aims at a point of the iris.
    /// @return whether a ray was found; its entry is then in [#entryXMm] and [#entryYMm]
    public boolean at(double stopX, double stopY) {
        double x = stopX / perIris;
        double y = stopY / perIris - slope * pupilMm;
        if (!probe(x, y)) {
            x = 0;
            y = -slope * pupilMm;
            if (!probe(x, y)) {
                return false;
            }
        }
        // Inverse Jacobian, first-order to begin with.
        double jxx = 1 / perIris;
        double jxy = 0;
        double jyx = 0;
        double jyy = 1 / perIris;
        double ex = atX - stopX;
        double ey = atY - stopY;
        for (int step = 0; step < MOST_STEPS; step++) {
            if (ex * ex + ey * ey < TOLERANCE_MM * TOLERANCE_MM) {
                entryX = x;
                entryY = y;
                return true;
            }
            double dx = -(jxx * ex + jxy * ey);
            double dy = -(jyx * ex + jyy * ey);
            int halvings = 0;
            while (!probe(x + dx, y + dy)) {
                dx *= 0.5;
                dy *= 0.5;
                if (++halvings > 20) {
                    return false;
                }
            }
            x += dx;
            y += dy;
            double fx = atX - stopX;
            double fy = atY - stopY;
            double gx = fx - ex;
            double gy = fy - ey;
            // Sherman-Morrison update of the inverse: J += (d - J g) dᵀJ / (dᵀ J g).
            double hx = jxx * gx + jxy * gy;
            double hy = jyx * gx + jyy * gy;
            double denominator = dx * hx + dy * hy;
            if (Math.abs(denominator) > 1e-30) {
                double rx = dx * jxx + dy * jyx;
                double ry = dx * jxy + dy * jyy;
                jxx += (dx - hx) * rx / denominator;
                jxy += (dx - hx) * ry / denominator;
                jyx += (dy - hy) * rx / denominator;
                jyy += (dy - hy) * ry / denominator;
            }
            ex = fx;
            ey = fy;
        }
        return false;
    }
}
