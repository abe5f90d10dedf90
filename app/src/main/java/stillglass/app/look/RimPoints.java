package stillglass.app.look;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.look.Aperture;

/// The rim drawn by three points of it, in pixels of the stored photo.
final class RimPoints {
    private static final int ENOUGH = 3;
    /// Three points whose triangle is flatter than this, against the square of its longest side, are on one line.
    private static final double FLAT = 0.02;

    private final List<double[]> points = new ArrayList<>();
    private boolean wanted;

    void begin(boolean on) {
        wanted = on;
        points.clear();
    }

    boolean wanted() {
        return wanted;
    }

    List<double[]> so() {
        return List.copyOf(points);
    }

    /// @return the circle, once there are three points that are not on one line; after that none are wanted any more
    Optional<Aperture> add(double x, double y) {
        points.add(new double[] {x, y});
        if (points.size() < ENOUGH) {
            return Optional.empty();
        }
        Optional<Aperture> found = through(points.get(0), points.get(1), points.get(2));
        begin(found.isEmpty());
        return found;
    }

    /// The circle through three points, its middle where the perpendicular bisectors meet.
    static Optional<Aperture> through(double[] a, double[] b, double[] c) {
        double bx = b[0] - a[0];
        double by = b[1] - a[1];
        double cx = c[0] - a[0];
        double cy = c[1] - a[1];
        double twice = 2 * (bx * cy - by * cx);
        double longest = Math.max(Math.max(bx * bx + by * by, cx * cx + cy * cy), Math.pow(b[0] - c[0], 2) + Math.pow(b[1] - c[1], 2));
        if (!(Math.abs(twice) > FLAT * longest)) {
            return Optional.empty();
        }
        double ux = (cy * (bx * bx + by * by) - by * (cx * cx + cy * cy)) / twice;
        double uy = (bx * (cx * cx + cy * cy) - cx * (bx * bx + by * by)) / twice;
        double r = Math.hypot(ux, uy);
        return Optional.of(new Aperture(a[0] + ux, a[1] + uy, r, r, 0));
    }
}
