package stillglass.optics;

/// Traces rays exactly: Snell's law in vector form at every surface of one lens at one wavelength.
///
/// Reference: Welford 1986, section 4.2 to 4.4. Rays that miss a face or are totally reflected keep their last
/// position and carry the reason in [RayBundle#fate]; nothing becomes NaN. Immutable after construction.
public final class ExactTrace {
    private static final int NEWTON = 40;
    private static final double MET_MM = 1e-11;

    private final double[] curvature;
    private final double[] thicknessMm;
    private final double[] indexBefore;
    private final double[] indexAfter;
    private final double[] inverseSquareSemiDiameter;
    private final Asphere[] aspheres;
    private final int stop;
    /// For each surface the tilt that begins or ends there, none for nearly all.
    private final java.util.List<Tilt> tilts;

    private final SphereStep step;

    public ExactTrace(LensSection lens, double wavelengthNm) {
        this(lens, wavelengthNm, SphereStep.quickest());
    }

    /// @param step how blocks of rays are refracted; the numbers are the same with any
    public ExactTrace(LensSection lens, double wavelengthNm, SphereStep step) {
        this.step = step;
        int count = lens.surfaces().size();
        curvature = new double[count];
        thicknessMm = new double[count];
        indexBefore = new double[count];
        indexAfter = new double[count];
        inverseSquareSemiDiameter = new double[count];
        aspheres = new Asphere[count];
        stop = lens.stopIndex();
        tilts = lens.tilts();
        for (int i = 0; i < count; i++) {
            Surface s = lens.surfaces().get(i);
            curvature[i] = s.curvature();
            thicknessMm[i] = s.thicknessMm();
            indexBefore[i] = lens.before(i).index(wavelengthNm);
            indexAfter[i] = s.after().index(wavelengthNm);
            aspheres[i] = s.asphere();
            inverseSquareSemiDiameter[i] = 1 / (s.semiDiameterMm() * s.semiDiameterMm());
        }
    }

    /// Index of the iris.
    public int stop() {
        return stop;
    }

    public int surfaces() {
        return curvature.length;
    }

    /// From the first vertex plane to the iris, ending on it, coordinates relative to its vertex.
    public void toStop(RayBundle rays) {
        for (int s = 0; s <= stop; s++) {
            next(s, rays);
        }
    }

    /// Through all surfaces, ending on the last, refracted, coordinates relative to its vertex.
    public void through(RayBundle rays) {
        for (int s = 0; s < curvature.length; s++) {
            next(s, rays);
        }
    }

    /// On to surface `s` from the one before it, or from the plane of launch for the first; surfaces that lean are
    /// met in their own frame.
    /// @param s the surface after the one the rays stand on
    public void next(int s, RayBundle rays) {
        double gap = s == 0 ? 0 : thicknessMm[s - 1];
        for (Tilt t : tilts) {
            if (t.firstSurface() == s) {
                rays.aside(t.asideMm(), t.towardsRad());
                rays.turn(t.angleRad(), t.towardsRad(), gap, 0);
                gap = 0;
            }
        }
        surface(s, rays, gap);
        for (Tilt t : tilts) {
            if (t.lastSurface() == s) {
                double length = 0;
                for (int i = t.firstSurface(); i < s; i++) {
                    length += thicknessMm[i];
                }
                rays.turn(-t.angleRad(), t.towardsRad(), -length, length);
                rays.aside(-t.asideMm(), t.towardsRad());
            }
        }
    }

    /// Refracts all rays at one surface.
    /// @param s surface index
    /// @param rays positions relative to the previous vertex; changed
    /// @param gapMm distance from that vertex to this one
    public void surface(int s, RayBundle rays, double gapMm) {
        if (!aspheres[s].spherical()) {
            aspheric(s, rays, gapMm);
            return;
        }
        step.refract(new SphereStep.Sphere(curvature[s], gapMm, indexBefore[s], indexAfter[s], inverseSquareSemiDiameter[s]), rays);
    }

    /// The same at a face that is no sphere: Newton's steps along the ray, from the vertex plane on.
    private void aspheric(int s, RayBundle rays, double gapMm) {
        double c = curvature[s];
        double before = indexBefore[s];
        double after = indexAfter[s];
        for (int i = 0; i < rays.x.length; i++) {
            if (rays.fate[i] != RayBundle.TRAVELS) {
                continue;
            }
            double l = rays.l[i];
            double m = rays.m[i];
            double n = rays.n[i];
            double toPlane = (gapMm - rays.z[i]) / n;
            double x0 = rays.x[i] + toPlane * l;
            double y0 = rays.y[i] + toPlane * m;
            double step = 0;
            double move = 1;
            double h = 0;
            double slope = 0;
            for (int k = 0; k < NEWTON && Math.abs(move) > MET_MM; k++) {
                double px = x0 + step * l;
                double py = y0 + step * m;
                h = Math.hypot(px, py);
                slope = aspheres[s].slope(c, h);
                double along = n - (h == 0 ? 0 : slope / h * (px * l + py * m));
                move = (aspheres[s].sagMm(c, h) - step * n) / along;
                step += move;
            }
            // Beyond the rim of a conic there is no slope, and steps that do not settle meet nothing.
            if (!(Math.abs(move) <= MET_MM)) {
                rays.fate[i] = RayBundle.MISSED;
                continue;
            }
            double px = x0 + step * l;
            double py = y0 + step * m;
            rays.x[i] = px;
            rays.y[i] = py;
            rays.z[i] = step * n;
            rays.pathMm[i] += before * (toPlane + step);
            rays.clip[i] = Math.max(rays.clip[i], (px * px + py * py) * inverseSquareSemiDiameter[s]);
            // The normal looks along the light.
            double length = Math.sqrt(1 + slope * slope);
            double nx = h == 0 ? 0 : -slope * px / h / length;
            double ny = h == 0 ? 0 : -slope * py / h / length;
            double nz = 1 / length;
            double cosIn = l * nx + m * ny + n * nz;
            double outside = after * after - before * before * (1 - cosIn * cosIn);
            if (outside < 0 || cosIn <= 0) {
                rays.fate[i] = cosIn <= 0 ? RayBundle.MISSED : RayBundle.REFLECTED;
                continue;
            }
            double bend = Math.sqrt(outside) - before * cosIn;
            rays.l[i] = (before * l + bend * nx) / after;
            rays.m[i] = (before * m + bend * ny) / after;
            rays.n[i] = (before * n + bend * nz) / after;
        }
    }
}
