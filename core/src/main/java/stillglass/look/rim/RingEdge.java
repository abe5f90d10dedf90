package stillglass.look.rim;

import java.util.Arrays;
import stillglass.look.Aperture;
import stillglass.look.ApertureMap;
import stillglass.look.LeastSquares;

/// An elliptical edge in the logarithm of light: fitted along many radii, and measured.
///
/// @param ring the ellipse, pixels
/// @param step median of the logarithm of light outside less inside, over a few percent of the radius
/// @param agree share of directions whose step has that sign
/// @param sharp share of directions whose steepest place lies on the ellipse
/// @param dark logarithm of light just outside over that of the darkest ring about it
/// @param seen share of directions inside the photo
record RingEdge(Aperture ring, double step, double agree, double sharp, double dark, double seen) {
    private static final int DIRECTIONS = 120;
    private static final int RAYS = 200;

    /// Fits an ellipse to the edge near a guess, within shrinking reaches.
    /// @param sign of the step, outside brighter is positive
    static Aperture refine(EdgePhoto photo, Aperture guess, double sign, double share, double... reaches) {
        Aperture now = guess;
        for (double reach : reaches) {
            double[] angle = new double[RAYS];
            double[] radius = new double[RAYS];
            int found = 0;
            for (int k = 0; k < RAYS; k++) {
                double phi = 2 * Math.PI * k / RAYS;
                double r = edgeAlong(photo, now, phi, reach, sign, share);
                if (r > 0) {
                    angle[found] = phi;
                    radius[found++] = r;
                }
            }
            if (found < RAYS / 3) {
                return now;
            }
            now = fit(now.cx(), now.cy(), Arrays.copyOf(angle, found), Arrays.copyOf(radius, found));
        }
        return now;
    }

    /// How well the ellipse follows an edge all the way round, 0 to 1.
    double follows() {
        return Math.max(0, 2 * agree - 1) * sharp;
    }

    static RingEdge measure(EdgePhoto photo, Aperture a) {
        return step(photo, a).comparedWithDarkest(photo);
    }

    /// How dark it is just outside is not measured: `dark` is the plain logarithm of light there.
    static RingEdge step(EdgePhoto photo, Aperture a) {
        ApertureMap map = a.map();
        double[] steps = new double[DIRECTIONS];
        double[] just = new double[DIRECTIONS];
        int n = 0;
        int up = 0;
        int sharp = 0;
        for (int k = 0; k < DIRECTIONS; k++) {
            double phi = 2 * Math.PI * k / DIRECTIONS;
            double inside = (photo.sample(map, phi, 0.985) + photo.sample(map, phi, 0.97) + photo.sample(map, phi, 0.955)) / 3;
            double outside = (photo.sample(map, phi, 1.012) + photo.sample(map, phi, 1.02) + photo.sample(map, phi, 1.028)) / 3;
            if (Double.isNaN(inside + outside)) {
                continue;
            }
            just[n] = outside;
            steps[n++] = outside - inside;
            up += outside > inside ? 1 : 0;
            double across = photo.sample(map, phi, 1.010) - photo.sample(map, phi, 0.990);
            sharp += Math.abs(across) > 0.55 * Math.abs(outside - inside) && across * (outside - inside) > 0 ? 1 : 0;
        }
        if (n < DIRECTIONS / 4) {
            return new RingEdge(a, 0, 0, 0, 9, n / (double) DIRECTIONS);
        }
        double outside = LeastSquares.median(Arrays.copyOf(just, n));
        return new RingEdge(a, LeastSquares.median(Arrays.copyOf(steps, n)), Math.max(up, n - up) / (double) n, sharp / (double) n, outside,
                n / (double) DIRECTIONS);
    }

    /// The same edge with `dark` over the darkest ring about it.
    RingEdge comparedWithDarkest(EdgePhoto photo) {
        return step == 0 ? this : new RingEdge(ring, step, agree, sharp, dark - darkest(photo, ring.map()), seen);
    }

    /// Logarithm of light of the darkest of the rings between 0.6 and 1.6 radii.
    private static double darkest(EdgePhoto photo, ApertureMap map) {
        double least = Double.POSITIVE_INFINITY;
        for (double u = 0.6; u < 1.6; u += 0.025) {
            double[] values = new double[48];
            int n = 0;
            for (int k = 0; k < values.length; k++) {
                double v = photo.sample(map, 2 * Math.PI * k / values.length, u);
                if (!Double.isNaN(v)) {
                    values[n++] = v;
                }
            }
            if (n > 20) {
                least = Math.min(least, LeastSquares.median(Arrays.copyOf(values, n)));
            }
        }
        return least;
    }

    /// Radius of the aperture's ellipse in direction phi.
    private static double ellipseRadius(Aperture a, double phi) {
        double c = Math.cos(phi - a.thetaRad()) / a.rx();
        double s = Math.sin(phi - a.thetaRad()) / a.ry();
        return 1 / Math.sqrt(c * c + s * s);
    }

    private static double[] profile(EdgePhoto photo, Aperture a, double phi, double from, int count) {
        double c = Math.cos(phi);
        double s = Math.sin(phi);
        double[] out = new double[count];
        for (int i = 0; i < count; i++) {
            int x = (int) Math.round(a.cx() + (from + i) * c);
            int y = (int) Math.round(a.cy() + (from + i) * s);
            out[i] = photo.at(x, y);
        }
        return out;
    }

    private static double edgeAlong(EdgePhoto photo, Aperture a, double phi, double reach, double sign, double share) {
        double r0 = ellipseRadius(a, phi);
        int span = (int) Math.max(4, r0 * reach);
        double[] along = profile(photo, a, phi, r0 - span - 3, 2 * span + 7);
        double[] steps = new double[2 * span + 1];
        double best = 0.03;
        for (int d = -span; d <= span; d++) {
            int at = d + span + 3;
            // Three places on either side; a place off the picture makes all of it no number, which counts as no step.
            double rise = along[at + 1] + along[at + 2] + along[at + 3] - along[at - 1] - along[at - 2] - along[at - 3];
            steps[d + span] = Double.isNaN(rise) ? 0 : sign * rise / 3 * (1 - 0.3 * Math.abs(d) / span);
            best = Math.max(best, steps[d + span]);
        }
        for (int i = 0; i < steps.length; i++) {
            boolean peak = (i == 0 || steps[i] >= steps[i - 1]) && (i + 1 == steps.length || steps[i] > steps[i + 1]);
            if (peak && steps[i] >= share * best && steps[i] > 0.03) {
                return r0 + i - span + between(steps, i);
            }
        }
        return -1;
    }

    /// Where between pixels the peak lies, by a parabola through three steps.
    private static double between(double[] steps, int i) {
        if (i == 0 || i + 1 == steps.length) {
            return 0;
        }
        double bend = steps[i - 1] - 2 * steps[i] + steps[i + 1];
        return bend >= 0 ? 0 : Math.clamp((steps[i - 1] - steps[i + 1]) / (2 * bend), -0.5, 0.5);
    }

    /// Robust fit of r(φ) = a0 + a1 cos φ + b1 sin φ + a2 cos 2φ + b2 sin 2φ, the ellipse to first order in its flattening.
    private static Aperture fit(double cx, double cy, double[] angle, double[] radius) {
        double[][] rows = new double[angle.length][];
        for (int i = 0; i < rows.length; i++) {
            rows[i] = basis(angle[i]);
        }
        double[] p = LeastSquares.robust(rows, radius, rows.length, 3, 0.4, 8).coefficients();
        double flat = Math.hypot(p[3], p[4]);
        return new Aperture(cx + p[1], cy + p[2], Math.max(1, p[0] + flat), Math.max(1, p[0] - flat), Math.atan2(p[4], p[3]) / 2);
    }

    private static double[] basis(double phi) {
        return new double[] {1, Math.cos(phi), Math.sin(phi), Math.cos(2 * phi), Math.sin(2 * phi)};
    }
}
