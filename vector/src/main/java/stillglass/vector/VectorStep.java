package stillglass.vector;

import com.google.auto.service.AutoService;
import jdk.incubator.vector.DoubleVector;
import jdk.incubator.vector.VectorSpecies;
import stillglass.optics.RayBundle;
import stillglass.optics.SphereStep;

/// As many rays at once as the processor has lanes. Blocks in which a ray no longer travels, or is about to end, go ray by ray; operations and their order are those of the plain step, none of them
/// fused, so the numbers are the same to the last bit.
@AutoService(SphereStep.class)
public final class VectorStep implements SphereStep {
    private static final VectorSpecies<Double> LANES = DoubleVector.SPECIES_PREFERRED;

    @Override
    public void refract(Sphere s, RayBundle rays) {
        RayBundle.Lanes a = rays.lanes();
        int whole = LANES.loopBound(a.x().length);
        double c = s.curvature();
        double gap = s.gapMm();
        double before = s.before();
        double after = s.after();
        double inverse = 1 / after;
        double squareBefore = before * before;
        double squareAfter = after * after;
        for (int i = 0; i < whole; i += LANES.length()) {
            if (!travel(a.fate(), i)) {
                SphereStep.rayByRay(s, rays, i, i + LANES.length());
                continue;
            }
            DoubleVector l = DoubleVector.fromArray(LANES, a.l(), i);
            DoubleVector m = DoubleVector.fromArray(LANES, a.m(), i);
            DoubleVector n = DoubleVector.fromArray(LANES, a.n(), i);
            DoubleVector toPlane = DoubleVector.broadcast(LANES, gap).sub(DoubleVector.fromArray(LANES, a.z(), i)).div(n);
            DoubleVector px = DoubleVector.fromArray(LANES, a.x(), i).add(toPlane.mul(l));
            DoubleVector py = DoubleVector.fromArray(LANES, a.y(), i).add(toPlane.mul(m));
            DoubleVector f = px.mul(px).add(py.mul(py)).mul(c);
            DoubleVector g = n.sub(l.mul(px).add(m.mul(py)).mul(c));
            DoubleVector inside = g.mul(g).sub(f.mul(c));
            DoubleVector outside = DoubleVector.broadcast(LANES, squareAfter).sub(DoubleVector.broadcast(LANES, 1).sub(inside).mul(squareBefore));
            if (inside.min(outside).lt(0).anyTrue()) {
                SphereStep.rayByRay(s, rays, i, i + LANES.length());
                continue;
            }
            DoubleVector cosIn = inside.sqrt();
            DoubleVector step = f.div(g.add(cosIn));
            px = px.add(l.mul(step));
            py = py.add(m.mul(step));
            DoubleVector pz = n.mul(step);
            px.intoArray(a.x(), i);
            py.intoArray(a.y(), i);
            pz.intoArray(a.z(), i);
            DoubleVector.fromArray(LANES, a.pathMm(), i).add(toPlane.add(step).mul(before)).intoArray(a.pathMm(), i);
            DoubleVector.fromArray(LANES, a.clip(), i).max(px.mul(px).add(py.mul(py)).mul(s.inverseSquareSemiDiameter())).intoArray(a.clip(), i);
            if (before != after) {
                DoubleVector bend = outside.sqrt().sub(cosIn.mul(before));
                DoubleVector k = bend.mul(c);
                l.mul(before).sub(k.mul(px)).mul(inverse).intoArray(a.l(), i);
                m.mul(before).sub(k.mul(py)).mul(inverse).intoArray(a.m(), i);
                n.mul(before).sub(k.mul(pz)).add(bend).mul(inverse).intoArray(a.n(), i);
            }
        }
        SphereStep.rayByRay(s, rays, whole, a.x().length);
    }

    private static boolean travel(byte[] fate, int from) {
        int any = 0;
        for (int k = 0; k < LANES.length(); k++) {
            any |= fate[from + k];
        }
        return any == RayBundle.TRAVELS;
    }
}
