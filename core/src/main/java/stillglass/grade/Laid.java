package stillglass.grade;

import stillglass.look.Finding;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;
import stillglass.optics.Sighting;

/// A place of a photo laid back onto a surface by rays from a camera held by hand, with its scatter.
///
/// @param x mm from the axis, seen from the front
/// @param y mm
/// @param sigma scatter of the place in one direction, mm: of the middle of an outline, the unknown lean and distance of the camera
/// @param widening area on the surface of a piece of the photo, mm² for a square of one rim radius
record Laid(double x, double y, double sigma, double widening) {
    private static final double NEAR = 0.02;

    /// @param px place in the photo, rim radii to the right
    /// @param py place in the photo, rim radii up
    /// @param rear whether the photo looks in from behind
    static Laid on(LensSection lens, int surface, double behindMm, boolean rear, double px, double py) {
        double share = Math.max(NEAR, Math.hypot(px, py));
        Sighting sight = Sighting.of(lens, surface, behindMm, rear, TwoSights.CAMERA_MM);
        double height = sight.heightMm(share);
        double scale = height / share;
        double unsure = Math.abs(Sighting.of(lens, surface, behindMm, rear, TwoSights.CAMERA_MM * (1 + TwoSights.CAMERA_SPREAD)).heightMm(share) - height);
        // Across the radius a place is moved by its own height, along it by the slope of the height.
        double slope = (sight.heightMm(share + NEAR) - sight.heightMm(share - NEAR)) / (2 * NEAR);
        Paraxial p = Paraxial.of(lens);
        Paraxial.Apparent image = behindMm > 0 ? p.apparentInside(surface, behindMm, rear) : rear ? p.apparentFromRear(surface) : p.apparentFromFront(surface);
        double rim = (rear ? lens.surfaces().getLast() : lens.surfaces().getFirst()).semiDiameterMm();
        // What shifts in the photo shifts on the surface as the photo shows it there.
        double sigma = Math.sqrt((TwoSights.MIDDLE * TwoSights.MIDDLE + Math.pow(TwoSights.LEAN * image.depthMm() / rim, 2)) * Math.abs(scale * slope) + unsure * unsure);
        return new Laid((rear ? -1 : 1) * px * scale, py * scale, sigma, Math.abs(scale * slope));
    }

    static Laid on(LensSection lens, int surface, double behindMm, boolean rear, Finding f) {
        return on(lens, surface, behindMm, rear, f.x(), f.y());
    }

    /// Misfit of lying beyond the clear radius.
    double outside(double clear) {
        double over = Math.max(0, Math.hypot(x, y) - clear) / sigma;
        return over * over;
    }
}
