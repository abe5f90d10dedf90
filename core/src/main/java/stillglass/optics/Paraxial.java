package stillglass.optics;

import java.util.List;

/// First-order optics by the y-nu trace.
///
/// Reference: Welford, *Aberrations of Optical Systems*, 1986, section 3. Valid near the axis; exact in the limit.
public final class Paraxial {
    private final LensSection lens;
    private final double wavelengthNm;

    private Paraxial(LensSection lens, double wavelengthNm) {
        this.lens = lens;
        this.wavelengthNm = wavelengthNm;
    }

    /// At the d line.
    public static Paraxial of(LensSection lens) {
        return new Paraxial(lens, Medium.D_LINE_NM);
    }

    public static Paraxial of(LensSection lens, double wavelengthNm) {
        return new Paraxial(lens, wavelengthNm);
    }

    /// A first-order ray: height and slope times index, just behind some surface.
    private record Ray(double yMm, double nu) {}

    private double after(int i) {
        return lens.surfaces().get(i).after().index(wavelengthNm);
    }

    private double before(int i) {
        return lens.before(i).index(wavelengthNm);
    }

    private Ray refract(Ray in, int i) {
        double power = (after(i) - before(i)) * lens.surfaces().get(i).curvature();
        return new Ray(in.yMm, in.nu - in.yMm * power);
    }

    private Ray transfer(Ray in, int i) {
        return new Ray(in.yMm + in.nu * lens.surfaces().get(i).thicknessMm() / after(i), in.nu);
    }

    /// Heights on every surface of the ray that meets the first vertex plane at `yMm` with slope `slope` in air.
    public double[] heightsMm(double yMm, double slope) {
        double[] heights = new double[lens.surfaces().size()];
        Ray ray = new Ray(yMm, slope);
        for (int i = 0; i < heights.length; i++) {
            heights[i] = ray.yMm;
            ray = refract(ray, i);
            if (i + 1 < heights.length) {
                ray = transfer(ray, i);
            }
        }
        return heights;
    }

    private Ray throughAll(double yMm, double slope) {
        Ray ray = new Ray(yMm, slope);
        int last = lens.surfaces().size() - 1;
        for (int i = 0; i < last; i++) {
            ray = transfer(refract(ray, i), i);
        }
        return refract(ray, last);
    }

    /// Equivalent focal length, infinite for an afocal lens.
    public double eflMm() {
        return -1 / throughAll(1, 0).nu;
    }

    /// Distance from the last vertex to the focus of an object at infinity.
    public double bfdMm() {
        Ray ray = throughAll(1, 0);
        return -ray.yMm / ray.nu;
    }

    /// Distance of the front focal point before the first vertex: light from there leaves parallel.
    public double frontFocusMm() {
        return throughAll(0, 1).nu * eflMm();
    }

    /// Height of the ray through the middle of the iris on a plane behind the lens.
    /// @param slope tan of the object angle, travelling towards +y
    /// @param planeMm from the last vertex
    public double chiefHeightMm(double slope, double planeMm) {
        Ray ray = throughAll(-slope * entrancePupil().positionMm(), slope);
        return ray.yMm + planeMm * ray.nu;
    }

    /// How far the back focal distance changes when each gap grows by a millimetre.
    ///
    /// Closed form: the part behind the gap images what lies before it with the longitudinal magnification, so
    /// `dBFD/dt = −n·u²/u′²` with `u` the slope of the axial ray in the gap, `n` its medium and `u′` its slope behind the lens.
    /// @return one figure per surface; the last, to the film, is zero
    public double[] bfdPerGap() {
        int last = lens.surfaces().size() - 1;
        double[] nu = new double[last + 1];
        Ray ray = new Ray(1, 0);
        for (int i = 0; i <= last; i++) {
            ray = refract(ray, i);
            nu[i] = ray.nu;
            if (i < last) {
                ray = transfer(ray, i);
            }
        }
        double[] change = new double[last + 1];
        for (int i = 0; i < last; i++) {
            change[i] = -nu[i] * nu[i] / after(i) / (nu[last] * nu[last]);
        }
        return change;
    }

    /// The image of the iris seen from the front.
    /// @param positionMm from the first vertex, positive behind it
    /// @param diameterMm wide open
    public record EntrancePupil(double positionMm, double diameterMm) {}

    public EntrancePupil entrancePupil() {
        int stop = lens.stopIndex();
        double parallel = heightsMm(1, 0)[stop];
        double tilted = heightsMm(0, 1)[stop];
        return new EntrancePupil(
                tilted / parallel, 2 * lens.surfaces().get(stop).semiDiameterMm() / Math.abs(parallel));
    }

    /// Where a surface seems to lie when seen through the glass in front of it.
    /// @param depthMm apparent depth behind the first vertex
    /// @param magnification apparent over true lateral size
    public record Apparent(double depthMm, double magnification) {}

    /// The image of inner surface `surface` formed by everything in front of it, found by tracing backwards.
    public Apparent apparentFromFront(int surface) {
        // Backwards from a point on the axis at the surface: unit height ray (slope 0) and unit slope ray.
        Ray slope = backFrom(surface, new Ray(0, 1));
        Ray height = backFrom(surface, new Ray(1, 0));
        // In front: y = y0 + nu·z with n = 1. The image of the axial point lies where the slope ray meets the axis.
        double depth = -slope.yMm / slope.nu;
        double magnification = height.yMm + depth * height.nu;
        return new Apparent(depth, magnification);
    }

    /// The image of inner surface `surface` formed by everything behind it.
    /// @return depth in front of the last vertex as it seems from behind, and the magnification
    public Apparent apparentFromRear(int surface) {
        Ray slope = onFrom(surface, new Ray(0, 1));
        Ray height = onFrom(surface, new Ray(1, 0));
        double depth = slope.yMm / slope.nu;
        return new Apparent(depth, height.yMm - depth * height.nu);
    }

    private Ray onFrom(int surface, Ray start) {
        Ray ray = start;
        for (int i = surface + 1; i < lens.surfaces().size(); i++) {
            ray = refract(transfer(ray, i - 1), i);
        }
        return ray;
    }

    /// Where a bubble seems to lie that sits in the glass behind a surface.
    /// @param surface index of the surface in front of it
    /// @param behindMm true distance behind that vertex
    /// @param fromRear seen from behind instead of the front
    public Apparent apparentInside(int surface, double behindMm, boolean fromRear) {
        // A plane without power put where the bubble is, inside the same medium.
        List<Surface> split = new java.util.ArrayList<>(lens.surfaces());
        Surface s = split.get(surface);
        split.set(surface, s.withThickness(behindMm));
        split.add(surface + 1, new Surface(Double.POSITIVE_INFINITY, s.thicknessMm() - behindMm, s.after(), s.semiDiameterMm(), false));
        Paraxial p = new Paraxial(lens.withSurfaces(split, List.of()), wavelengthNm);
        return fromRear ? p.apparentFromRear(surface + 1) : p.apparentFromFront(surface + 1);
    }

    private Ray backFrom(int surface, Ray start) {
        Ray ray = start;
        for (int i = surface - 1; i >= 0; i--) {
            ray = new Ray(ray.yMm - ray.nu * lens.surfaces().get(i).thicknessMm() / after(i), ray.nu);
            double power = (after(i) - before(i)) * lens.surfaces().get(i).curvature();
            ray = new Ray(ray.yMm, ray.nu + ray.yMm * power);
        }
        return ray;
    }
}
