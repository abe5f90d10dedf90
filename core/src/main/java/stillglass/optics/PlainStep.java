package stillglass.optics;

/// One ray after the other, in plain Java.
final class PlainStep implements SphereStep {
    static final SphereStep ONLY = new PlainStep();

    private PlainStep() {}

    @Override
    public void refract(Sphere s, RayBundle rays) {
        refract(s, rays, 0, rays.size());
    }

    /// Some of the rays.
    static void refract(Sphere s, RayBundle rays, int from, int to) {
        double c = s.curvature();
        double gapMm = s.gapMm();
        double before = s.before();
        double after = s.after();
        double inverse = 1 / after;
        double[] x = rays.x;
        double[] y = rays.y;
        double[] z = rays.z;
        double[] l = rays.l;
        double[] m = rays.m;
        double[] n = rays.n;
        for (int i = from; i < to; i++) {
            if (rays.fate[i] != RayBundle.TRAVELS) {
                continue;
            }
            double toPlane = (gapMm - z[i]) / n[i];
            double px = x[i] + toPlane * l[i];
            double py = y[i] + toPlane * m[i];
            double f = c * (px * px + py * py);
            double g = n[i] - c * (l[i] * px + m[i] * py);
            double inside = g * g - c * f;
            if (inside < 0) {
                rays.fate[i] = RayBundle.MISSED;
                continue;
            }
            double cosIn = Math.sqrt(inside);
            double step = f / (g + cosIn);
            px += l[i] * step;
            py += m[i] * step;
            double pz = n[i] * step;
            x[i] = px;
            y[i] = py;
            z[i] = pz;
            rays.pathMm[i] += before * (toPlane + step);
            rays.clip[i] = Math.max(rays.clip[i], (px * px + py * py) * s.inverseSquareSemiDiameter());
            if (before == after) {
                continue;
            }
            double outside = after * after - before * before * (1 - inside);
            if (outside < 0) {
                rays.fate[i] = RayBundle.REFLECTED;
                continue;
            }
            double bend = Math.sqrt(outside) - before * cosIn;
            double k = c * bend;
            l[i] = (before * l[i] - k * px) * inverse;
            m[i] = (before * m[i] - k * py) * inverse;
            n[i] = (before * n[i] - k * pz + bend) * inverse;
        }
    }
}
