package stillglass.sim;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import stillglass.grade.DepthReading;
import stillglass.optics.ExactTrace;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.RayBundle;
import stillglass.optics.Surface;
import stillglass.sim.truth.HiddenTruth;

/// A technician who focuses on the front rim and then on the fault, and reads the rack.
///
/// The depth is found with an exact ray sent from the fault out of the front, not with the imaging formula that the
/// application inverts; the scatter of the hand is added from the seed.
public final class VirtualDepth {
    /// Scatter of a rack read to a tenth of a millimetre.
    private static final double SIGMA_MM = 0.25;
    private static final double NEAR_AXIS = 2e-3;
    private static final int RAYS = 801;

    private VirtualDepth() {}

    /// @param fault where it really is
    public static DepthReading focus(LensSection lens, HiddenTruth.GlassFault fault, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double scatter = SIGMA_MM * Math.sqrt(-2 * Math.log(1 - random.nextDouble())) * Math.cos(2 * Math.PI * random.nextDouble());
        double height = Math.min(0.95, Math.hypot(fault.x(), fault.y())) * lens.surfaces().get(fault.surface()).semiDiameterMm();
        double read = Math.round((depthMm(lens, fault.surface(), height) + scatter) * 10) / 10.0;
        return DepthReading.focus(false, read, SIGMA_MM);
    }

    /// Depth behind the front rim: of a fan of rays from the fault, those that leave the front within a hair of parallel to
    /// the axis are followed back to where they come together.
    static double depthMm(LensSection lens, int surface, double heightMm) {
        Surface front = lens.surfaces().getFirst();
        double rim = front.sagMm(front.semiDiameterMm());
        Surface own = lens.surfaces().get(surface);
        double at = own.sagMm(heightMm);
        if (surface == 0) {
            return at - rim;
        }
        List<Surface> outwards = new ArrayList<>();
        Surface before = lens.surfaces().get(surface - 1);
        outwards.add(new Surface(Double.POSITIVE_INFINITY, at + before.thicknessMm(), before.after(), 1000, true));
        for (int i = surface - 1; i >= 0; i--) {
            Surface s = lens.surfaces().get(i);
            Medium next = i > 0 ? lens.surfaces().get(i - 1).after() : new Medium.Air();
            outwards.add(s.reversed(next).withThickness(i > 0 ? lens.surfaces().get(i - 1).thicknessMm() : 0).asFace());
        }
        ExactTrace trace = new ExactTrace(lens.withSurfaces(outwards, List.of()), Medium.D_LINE_NM);
        RayBundle fan = new RayBundle(RAYS * 3);
        for (int i = 0; i < RAYS; i++) {
            double lean = 1.6 * i / (RAYS - 1) - 0.8;
            for (int j = -1; j <= 1; j++) {
                fan.launch(3 * i + j + 1, 0, heightMm, NEAR_AXIS * j, lean * Math.sqrt(1 - NEAR_AXIS * NEAR_AXIS));
            }
        }
        trace.through(fan);
        int best = 1;
        for (int i = 0; i < RAYS; i++) {
            if (fan.fate(3 * i + 1) == RayBundle.TRAVELS && Math.abs(fan.cosY(3 * i + 1)) < Math.abs(fan.cosY(best))) {
                best = 3 * i + 1;
            }
        }
        // Beside the plane of the section the neighbours cross the ray itself; within it the next rays of the fan do.
        double beside = -fan.zMm(best + 1) + fan.xMm(best + 1) / fan.cosX(best + 1) * fan.cosZ(best + 1);
        double slopeA = fan.cosY(best - 3) / fan.cosZ(best - 3);
        double slopeB = fan.cosY(best + 3) / fan.cosZ(best + 3);
        double ya = fan.yMm(best - 3) - fan.zMm(best - 3) * slopeA;
        double yb = fan.yMm(best + 3) - fan.zMm(best + 3) * slopeB;
        double within = (yb - ya) / (slopeB - slopeA);
        return (beside + within) / 2 - rim;
    }
}
