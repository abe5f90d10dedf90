package stillglass.optics;

import java.util.ArrayList;
import java.util.List;

/// Where what a photo shows lies on a surface inside the lens: exact rays from the camera through the rim of the outermost glass and on.
///
/// A place of the photo is told as its share of the clear rim of the outermost glass, 0 in the middle and 1 at the rim. Near the axis this is first-order magnification ([Paraxial#apparentFromFront]); farther out all sags and
/// the camera's distance count. Where no ray gets through, the last step that did goes on.
public final class Sighting {
    /// Distance of a camera whose distance nobody noted.
    public static final double USUAL_MM = 250;
    private static final int STEPS = 24;
    private static final int FEWEST = 3;

    private final double[] heights;
    private final int known;

    private Sighting(double[] heights, int known) {
        this.heights = heights;
        this.known = known;
    }

    /// @param surface what is looked at
    public static Sighting of(LensSection lens, int surface, boolean fromRear) {
        return of(lens, surface, 0, fromRear, USUAL_MM);
    }

    /// @param behindMm depth in the glass behind the surface; 0 on the surface itself
    /// @param cameraMm entrance pupil of the camera before the plane of the rim
    public static Sighting of(LensSection lens, int surface, double behindMm, boolean fromRear, double cameraMm) {
        if (!(cameraMm > 1 && cameraMm < 1e7)) {
            throw new IllegalArgumentException("a camera " + cameraMm + " mm before the rim is out of range");
        }
        LensSection way = inwards(lens, surface, behindMm, fromRear);
        Surface outer = way.surfaces().get(1);
        double rim = outer.semiDiameterMm();
        double rimZ = outer.sagMm(rim);
        ExactTrace trace = new ExactTrace(way, Medium.D_LINE_NM);
        double[] heights = new double[STEPS + 1];
        int known = 0;
        RayBundle ray = new RayBundle(1);
        for (int i = 1; i <= STEPS; i++) {
            double slope = rim * i / STEPS / cameraMm;
            ray.launch(0, 0, slope * (cameraMm - rimZ), 0, slope / Math.sqrt(1 + slope * slope));
            trace.through(ray);
            if (ray.fate(0) != RayBundle.TRAVELS) {
                break;
            }
            heights[i] = ray.yMm(0);
            known = i;
        }
        if (known < FEWEST) {
            // Nothing to follow: first order.
            Paraxial p = Paraxial.of(lens);
            Paraxial.Apparent image = behindMm > 0 ? p.apparentInside(surface, behindMm, fromRear) : fromRear ? p.apparentFromRear(surface) : p.apparentFromFront(surface);
            double all = rim * (cameraMm + image.depthMm()) / cameraMm / image.magnification();
            for (int i = 1; i <= STEPS; i++) {
                heights[i] = all * i / STEPS;
            }
            known = STEPS;
        }
        return new Sighting(heights, known);
    }

    /// The glass the camera looks through, as its rays meet it, up to a face that bends nothing: the surface itself, or a plane in the glass behind it.
    private static LensSection inwards(LensSection lens, int surface, double behindMm, boolean fromRear) {
        List<Surface> out = new ArrayList<>();
        out.add(new Surface(Double.POSITIVE_INFINITY, 0, new Medium.Air(), 1e3, true));
        boolean inside = behindMm > 0;
        if (fromRear) {
            int last = lens.surfaces().size() - 1;
            int target = inside ? surface + 1 : surface;
            for (int i = last; i >= target; i--) {
                double gap = i > target ? lens.surfaces().get(i - 1).thicknessMm() : inside ? lens.surfaces().get(surface).thicknessMm() - behindMm : 0;
                out.add(lens.surfaces().get(i).reversed(lens.before(i)).withThickness(gap).asFace());
            }
        } else {
            for (int i = 0; i <= surface; i++) {
                Surface s = lens.surfaces().get(i);
                out.add(s.withThickness(i < surface ? s.thicknessMm() : behindMm).asFace());
            }
        }
        if (inside) {
            out.add(new Surface(Double.POSITIVE_INFINITY, 0, out.getLast().after(), 1e3, false));
        }
        return lens.withTilts(List.of()).withSurfaces(out, List.of());
    }

    /// Height on the surface of what stands at a share of the rim in the photo, mm; negative where the glass before it turns it upside down.
    public double heightMm(double share) {
        double at = Math.abs(share) * STEPS;
        int low = Math.min(known - 1, (int) at);
        double height = heights[low] + (at - low) * (heights[low + 1] - heights[low]);
        return share < 0 ? -height : height;
    }

    /// The share of the rim at which a height is seen; 1.5 where none reaches it.
    public double share(double heightMm) {
        double sign = Math.signum(heights[1]) * Math.signum(heightMm);
        double h = Math.abs(heightMm);
        for (int i = 0; i < STEPS + STEPS / 2; i++) {
            double a = Math.abs(heightMm((double) i / STEPS));
            double b = Math.abs(heightMm((i + 1.0) / STEPS));
            if (h <= b && b > a) {
                return sign * (i + (h - a) / (b - a)) / STEPS;
            }
        }
        return 1.5 * sign;
    }
}
