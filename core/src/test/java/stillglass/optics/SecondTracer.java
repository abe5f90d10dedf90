package stillglass.optics;

import java.util.function.DoubleUnaryOperator;

/// A tracer that shares nothing with [ExactTrace]: one frame for the whole lens, faces met by bisection along the ray, normals by
/// differences, refraction by angles. Slow, and plain enough to be believed.
final class SecondTracer {
    private static final double HAIR = 1e-5;

    private SecondTracer() {}

    /// Where a ray ends: place on the vertex plane of the last surface and direction.
    record End(double x, double y, double dx, double dy, double dz) {}

    /// @param slopes dx/dz and dy/dz in front of the lens
    static End trace(LensSection lens, double nm, double x, double y, double slopeX, double slopeY) {
        double norm = Math.sqrt(1 + slopeX * slopeX + slopeY * slopeY);
        double[] p = {x, y, 0};
        double[] d = {slopeX / norm, slopeY / norm, 1 / norm};
        double vertex = 0;
        double n = 1;
        for (int i = 0; i < lens.surfaces().size(); i++) {
            Surface s = lens.surfaces().get(i);
            double[][] frame = frame(lens, i);
            double[] origin = origin(lens, i, vertex, frame);
            double[] local = into(frame, minus(p, origin));
            double[] way = into(frame, d);
            double t = meet(s, local, way);
            local = plus(local, way, t);
            double after = s.after() instanceof Medium.Glass g ? cauchy(g, nm) : 1;
            way = refract(way, normal(s, local), n, after);
            p = plus3(origin, outOf(frame, local));
            d = outOf(frame, way);
            n = after;
            vertex += s.thicknessMm();
        }
        double last = vertex - lens.surfaces().getLast().thicknessMm();
        double back = (last - p[2]) / d[2];
        return new End(p[0] + back * d[0], p[1] + back * d[1], d[0], d[1], d[2]);
    }

    private static double cauchy(Medium.Glass g, double nm) {
        // Two equations, n(d) and n(F) − n(C), solved for A and B in µm².
        double b = (g.nd() - 1) / g.vd() / (1 / (0.4861 * 0.4861) - 1 / (0.6563 * 0.6563));
        double um = nm / 1000;
        return g.nd() + b * (1 / (um * um) - 1 / (0.5876 * 0.5876));
    }

    private static double height(Surface s, double r) {
        double sum = 0;
        for (int k = 0; k < s.asphere().even().size(); k++) {
            sum += s.asphere().even().get(k) * Math.pow(r, 4 + 2 * k);
        }
        if (Double.isInfinite(s.radiusMm())) {
            return sum;
        }
        double radius = s.radiusMm();
        double q = 1 + s.asphere().conic();
        // q z² − 2 R z + r² = 0, the root that is zero on the axis.
        double root = Math.sqrt(radius * radius - q * r * r);
        return sum + (q == 0 ? r * r / (2 * radius) : (radius - Math.signum(radius) * root) / q);
    }

    private static double meet(Surface s, double[] p, double[] d) {
        DoubleUnaryOperator above = t -> p[2] + t * d[2] - height(s, Math.hypot(p[0] + t * d[0], p[1] + t * d[1]));
        double plane = -p[2] / d[2];
        double a = plane;
        double b = plane;
        for (double step = 1e-3; !(above.applyAsDouble(a) <= 0 && above.applyAsDouble(b) >= 0); step *= 1.3) {
            a = above.applyAsDouble(a) <= 0 ? a : plane - step;
            b = above.applyAsDouble(b) >= 0 ? b : plane + step;
            if (step > 200) {
                throw new IllegalStateException("no meeting");
            }
        }
        for (int k = 0; k < 200; k++) {
            double m = (a + b) / 2;
            if (above.applyAsDouble(m) < 0) {
                a = m;
            } else {
                b = m;
            }
        }
        return (a + b) / 2;
    }

    private static double[] normal(Surface s, double[] p) {
        double gx = (height(s, Math.hypot(p[0] + HAIR, p[1])) - height(s, Math.hypot(p[0] - HAIR, p[1]))) / (2 * HAIR);
        double gy = (height(s, Math.hypot(p[0], p[1] + HAIR)) - height(s, Math.hypot(p[0], p[1] - HAIR))) / (2 * HAIR);
        double norm = Math.sqrt(1 + gx * gx + gy * gy);
        return new double[] {-gx / norm, -gy / norm, 1 / norm};
    }

    private static double[] refract(double[] d, double[] normal, double before, double after) {
        double cos = d[0] * normal[0] + d[1] * normal[1] + d[2] * normal[2];
        double[] along = {d[0] - cos * normal[0], d[1] - cos * normal[1], d[2] - cos * normal[2]};
        double sin = Math.sqrt(along[0] * along[0] + along[1] * along[1] + along[2] * along[2]);
        if (sin < 1e-15) {
            return d;
        }
        double angle = Math.asin(before / after * sin);
        double[] out = new double[3];
        for (int i = 0; i < 3; i++) {
            out[i] = Math.cos(angle) * normal[i] + Math.sin(angle) * along[i] / sin;
        }
        return out;
    }

    /// Axes of a surface as rows.
    private static double[][] frame(LensSection lens, int surface) {
        for (Tilt t : lens.tilts()) {
            if (t.firstSurface() <= surface && surface <= t.lastSurface()) {
                double c = Math.cos(t.towardsRad());
                double s = Math.sin(t.towardsRad());
                double ca = Math.cos(t.angleRad());
                double sa = Math.sin(t.angleRad());
                // The rim in the direction (c, s) comes towards the object: the axis leans that way behind.
                double[] lean = {ca * c, ca * s, -sa};
                double[] side = {-s, c, 0};
                double[] axis = {sa * c, sa * s, ca};
                double[] ex = combine(lean, c, side, -s);
                double[] ey = combine(lean, s, side, c);
                return new double[][] {ex, ey, axis};
            }
        }
        return new double[][] {{1, 0, 0}, {0, 1, 0}, {0, 0, 1}};
    }

    private static double[] origin(LensSection lens, int surface, double vertex, double[][] frame) {
        for (Tilt t : lens.tilts()) {
            if (t.firstSurface() <= surface && surface <= t.lastSurface()) {
                double behind = vertex - lens.vertexMm(t.firstSurface());
                double[] pivot = {t.asideMm() * Math.cos(t.towardsRad()), t.asideMm() * Math.sin(t.towardsRad()), vertex - behind};
                return plus(pivot, frame[2], behind);
            }
        }
        return new double[] {0, 0, vertex};
    }

    private static double[] combine(double[] a, double p, double[] b, double q) {
        return new double[] {p * a[0] + q * b[0], p * a[1] + q * b[1], p * a[2] + q * b[2]};
    }

    private static double[] into(double[][] frame, double[] v) {
        double[] out = new double[3];
        for (int i = 0; i < 3; i++) {
            out[i] = frame[i][0] * v[0] + frame[i][1] * v[1] + frame[i][2] * v[2];
        }
        return out;
    }

    private static double[] outOf(double[][] frame, double[] v) {
        double[] out = new double[3];
        for (int i = 0; i < 3; i++) {
            out[i] = frame[0][i] * v[0] + frame[1][i] * v[1] + frame[2][i] * v[2];
        }
        return out;
    }

    private static double[] minus(double[] a, double[] b) {
        return new double[] {a[0] - b[0], a[1] - b[1], a[2] - b[2]};
    }

    private static double[] plus(double[] a, double[] way, double t) {
        return new double[] {a[0] + t * way[0], a[1] + t * way[1], a[2] + t * way[2]};
    }

    private static double[] plus3(double[] a, double[] b) {
        return plus(a, b, 1);
    }
}
