package stillglass.optics;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/// Where a point inside a lens seems to lie to somebody who looks in along the axis from far away.
///
/// From the point, the ray is sought that leaves the lens parallel to the axis (secant steps on its direction); two rays
/// close to it, one in the plane of the section and one beside it, show where the light seems to come from, and the mean of
/// both is where a camera finds the sharpest focus. On the axis this is the first-order image ([Paraxial#apparentFromFront]);
/// away from it the sags of all faces count, which first order leaves out.
public final class ApparentPoint {
    private static final double BESIDE = 1e-4;
    private static final int MOST_STEPS = 30;

    private final ExactTrace trace;
    private final RayBundle ray = new RayBundle(1);
    private final double heightMm;

    private ApparentPoint(LensSection outwards, double heightMm) {
        trace = new ExactTrace(outwards, Medium.D_LINE_NM);
        this.heightMm = heightMm;
    }

    /// Apparent depth behind the outermost vertex on the side looked in from, mm.
    /// @param surface the surface it lies on, or the front face of the glass it lies in
    /// @param behindMm depth in that glass behind the vertex; 0 on the surface itself
    /// @param heightMm distance from the axis
    /// @param fromRear looked in from behind
    public static double depthMm(LensSection lens, int surface, double behindMm, double heightMm, boolean fromRear) {
        Surface s = lens.surfaces().get(surface);
        double h = Math.min(Math.abs(heightMm), s.semiDiameterMm());
        double at = behindMm > 0 ? behindMm : s.sagMm(h);
        boolean outermost = behindMm == 0 && surface == (fromRear ? lens.surfaces().size() - 1 : 0);
        if (outermost) {
            return fromRear ? -at : at;
        }
        ApparentPoint point = new ApparentPoint(
                fromRear ? rearwards(lens, surface, behindMm > 0, at) : frontwards(lens, surface, behindMm > 0, at), h);
        double depth = point.depth();
        return Double.isNaN(depth) ? firstOrder(lens, surface, behindMm, fromRear) : depth;
    }

    /// How far a point on the axis wanders against the middle of the rim when the instrument is turned, across the line of sight, mm. Near the axis this is its apparent depth times the sine of the turn; under larger turns the glass bends
    /// the line of sight more than first order knows.
    /// @param tiltDeg turn, below 60
    /// @return nothing where no ray leaves at that angle
    public static OptionalDouble wanderMm(LensSection lens, int surface, double behindMm, double tiltDeg, boolean fromRear) {
        Surface outer = fromRear ? lens.surfaces().getLast() : lens.surfaces().getFirst();
        double rim = outer.sagMm(outer.semiDiameterMm());
        // Along the way out, from the outermost vertex.
        double rimOut = fromRear ? rim : -rim;
        double sine = Math.sin(Math.toRadians(tiltDeg));
        double cosine = Math.cos(Math.toRadians(tiltDeg));
        if (behindMm == 0 && surface == (fromRear ? lens.surfaces().size() - 1 : 0)) {
            return OptionalDouble.of(rimOut * sine);
        }
        ApparentPoint point = new ApparentPoint(fromRear ? rearwards(lens, surface, behindMm > 0, behindMm) : frontwards(lens, surface, behindMm > 0, behindMm), 0);
        if (Double.isNaN(point.leaving(sine))) {
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(point.ray.yMm(0) * cosine - (point.ray.zMm(0) - rimOut) * sine);
    }

    private static double firstOrder(LensSection lens, int surface, double behindMm, boolean fromRear) {
        Paraxial p = Paraxial.of(lens);
        return (behindMm > 0
                        ? p.apparentInside(surface, behindMm, fromRear)
                        : fromRear ? p.apparentFromRear(surface) : p.apparentFromFront(surface))
                .depthMm();
    }

    /// The lens in front of the point as light meets it on its way out, beginning with a plane through the point.
    private static LensSection frontwards(LensSection lens, int surface, boolean inside, double atMm) {
        int first = inside ? surface : surface - 1;
        Medium start = lens.surfaces().get(first).after();
        double toFirst = inside ? atMm : atMm + lens.surfaces().get(first).thicknessMm();
        List<Surface> out = new ArrayList<>();
        out.add(plane(toFirst, start));
        for (int i = first; i >= 0; i--) {
            Surface s = lens.surfaces().get(i);
            Medium next = lens.before(i);
            double gap = i > 0 ? lens.surfaces().get(i - 1).thicknessMm() : 0;
            out.add(s.reversed(next).withThickness(gap).asFace());
        }
        return lens.withTilts(List.of()).withSurfaces(out, List.of());
    }

    private static LensSection rearwards(LensSection lens, int surface, boolean inside, double atMm) {
        Surface behind = lens.surfaces().get(surface);
        List<Surface> out = new ArrayList<>();
        out.add(plane(behind.thicknessMm() - atMm, behind.after()));
        for (int i = surface + 1; i < lens.surfaces().size(); i++) {
            Surface s = lens.surfaces().get(i);
            out.add(s.asFace());
        }
        return lens.withTilts(List.of()).withSurfaces(out, List.of());
    }

    private static Surface plane(double toNextMm, Medium medium) {
        return new Surface(Double.POSITIVE_INFINITY, toNextMm, medium, 1000, true);
    }

    private boolean send(double cosX, double cosY) {
        ray.launch(0, 0, heightMm, cosX, cosY);
        trace.through(ray);
        return ray.fate(0) == RayBundle.TRAVELS;
    }

    private double depth() {
        double a = leaving(0);
        return Double.isNaN(a) ? Double.NaN : meeting(a);
    }

    /// The direction of a ray that leaves the lens at an angle of that sine; NaN where none does. The ray stands where it left.
    private double leaving(double sine) {
        double a = 0;
        if (!send(0, a)) {
            return Double.NaN;
        }
        double leanA = ray.cosY(0) - sine;
        double b = -0.05 * Math.signum(leanA == 0 ? 1 : leanA);
        for (int step = 0; step < MOST_STEPS && Math.abs(leanA) > 1e-12; step++) {
            if (!send(0, b)) {
                b = (a + b) / 2;
                continue;
            }
            double leanB = ray.cosY(0) - sine;
            if (Math.abs(leanB - leanA) < 1e-15) {
                break;
            }
            double next = b - leanB * (b - a) / (leanB - leanA);
            a = b;
            leanA = leanB;
            b = Math.clamp(next, -0.9, 0.9);
        }
        return send(0, a) && Math.abs(ray.cosY(0) - sine) < 1e-6 ? a : Double.NaN;
    }

    /// Mean of where a neighbour in the plane of the section and one beside it meet the ray, in front of the last vertex.
    private double meeting(double cosY) {
        double y0 = ray.yMm(0);
        if (!send(0, cosY + BESIDE)) {
            return Double.NaN;
        }
        // The ray leaves parallel to the axis at the height y0.
        double inPlane = ray.zMm(0) - (ray.yMm(0) - y0) / ray.cosY(0) * ray.cosZ(0);
        if (!send(BESIDE, cosY)) {
            return Double.NaN;
        }
        double beside = ray.zMm(0) - ray.xMm(0) / ray.cosX(0) * ray.cosZ(0);
        return -(inPlane + beside) / 2;
    }
}
