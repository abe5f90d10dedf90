package stillglass.grade;

import java.util.ArrayList;
import java.util.List;
import stillglass.optics.ExactTrace;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.RayBundle;
import stillglass.optics.Surface;

/// Apparent depth found with an exact ray instead of first-order imaging.
final class WhichSurfaceTruth {
    private WhichSurfaceTruth() {}

    /// A ray leaves the middle of a surface almost along the axis and runs forwards through the lens turned round; where
    /// it seems to come from, measured behind the rim of the front glass.
    static double depthByRay(LensSection lens, int surface) {
        List<Surface> turned = new ArrayList<>();
        for (int i = surface; i >= 0; i--) {
            Surface s = lens.surfaces().get(i);
            Medium after = i > 0 ? lens.surfaces().get(i - 1).after() : new Medium.Air();
            double t = i > 0 ? lens.surfaces().get(i - 1).thicknessMm() : 0;
            turned.add(new Surface(-s.radiusMm(), t, after, s.semiDiameterMm(), i == 0 || s.stop()));
        }
        List<Surface> oneStop = new ArrayList<>();
        for (int i = 0; i < turned.size(); i++) {
            Surface s = turned.get(i);
            oneStop.add(new Surface(s.radiusMm(), s.thicknessMm(), s.after(), s.semiDiameterMm(), i == turned.size() - 1));
        }
        LensSection back = lens.withSurfaces(oneStop, List.of());
        ExactTrace trace = new ExactTrace(back, Medium.D_LINE_NM);
        RayBundle ray = new RayBundle(1);
        ray.launch(0, 0, 0, 0, 1e-4);
        trace.through(ray);
        double behindVertex = -ray.zMm(0) + ray.yMm(0) / ray.cosY(0) * ray.cosZ(0);
        Surface front = lens.surfaces().getFirst();
        return behindVertex - front.sagMm(front.semiDiameterMm());
    }
}
