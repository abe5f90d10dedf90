package stillglass.optics;

import java.util.ServiceLoader;

/// Takes a whole block of rays to one spherical or plane surface and refracts them there.
///
/// The plain one goes ray by ray. Where the Java machine was started with its module of vector operations, one that takes several rays at once stands in its place; both do the same operations in
/// the same order, so that not a bit of the numbers differs.
public interface SphereStep {
    /// A surface as the step needs it.
    /// @param curvature 1/mm
    /// @param gapMm from the vertex the rays are counted from to this one
    /// @param before index in front of it
    /// @param after index behind it
    /// @param inverseSquareSemiDiameter 1/mm²
    record Sphere(double curvature, double gapMm, double before, double after, double inverseSquareSemiDiameter) {}

    /// Refracts all rays that travel; the others stay as they are.
    void refract(Sphere s, RayBundle rays);

    /// @return the quickest there is on this machine, found once
    static SphereStep quickest() {
        return Held.QUICKEST;
    }

    /// Some of the rays, one after the other: for blocks in which one has ended or is about to.
    /// @param to the first that is left alone
    static void rayByRay(Sphere s, RayBundle rays, int from, int to) {
        PlainStep.refract(s, rays, from, to);
    }

    /// Ray by ray.
    static SphereStep plain() {
        return PlainStep.ONLY;
    }

    /// Found when first asked for.
    final class Held {
        private static final SphereStep QUICKEST = found();

        private Held() {}

        private static SphereStep found() {
            if (ModuleLayer.boot().findModule("jdk.incubator.vector").isEmpty()) {
                return plain();
            }
            return ServiceLoader.load(SphereStep.class, SphereStep.class.getClassLoader()).findFirst().orElseGet(SphereStep::plain);
        }
    }
}
