package stillglass.optics.measured;

import java.util.List;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Surface;

/// A stand-in for a lens of which only two rims and the iris are known: one thin lens at the iris between a front and a
/// rear rim in air. Good for where beams cross the outer glasses, useless for sharpness.
///
/// Beams in front of the iris run parallel, behind it they converge to the film, which is what a real lens does on the
/// whole; heights on inner glasses are not known at all. Derivation and limits: docs/methods/show-through.md.
public final class TwoPlane {
    /// A strongly refracting glass keeps the thin lens flat, and so nearly free of aberration.
    private static final double INDEX = 2.5;

    private TwoPlane() {}

    /// @param frontDiameterMm clear diameter of the front glass
    /// @param frontToIrisMm from its rim to the iris as it is, not as it looks
    /// @param rearDiameterMm clear diameter of the rear glass
    /// @param irisToRearMm from the iris to its rim
    /// @throws IllegalArgumentException naming the length that is out of range
    public static LensSection of(
            String name, double focalLengthMm, double fNumber, double imageCircleMm, double frontDiameterMm, double frontToIrisMm,
            double rearDiameterMm, double irisToRearMm) {
        positive(focalLengthMm, "focal length");
        positive(fNumber, "f-number");
        positive(imageCircleMm, "image circle");
        positive(frontDiameterMm, "front diameter");
        positive(rearDiameterMm, "rear diameter");
        positive(frontToIrisMm, "distance from front rim to iris");
        positive(irisToRearMm, "distance from iris to rear rim");
        if (irisToRearMm >= focalLengthMm) {
            throw new IllegalArgumentException("a rear rim " + irisToRearMm + " mm behind the iris stands behind the film of a "
                    + focalLengthMm + " mm lens: check both");
        }
        double radius = 2 * (INDEX - 1) * focalLengthMm;
        double iris = focalLengthMm / fNumber / 2;
        double wide = 4 * (iris + imageCircleMm);
        Medium glass = new Medium.Glass(INDEX, 100, "");
        Medium air = new Medium.Air();
        return new LensSection(name, "two rims and an iris", focalLengthMm, fNumber, imageCircleMm, List.of(587.6),
                List.of(new Surface(Double.POSITIVE_INFINITY, frontToIrisMm, air, frontDiameterMm / 2, false),
                        new Surface(Double.POSITIVE_INFINITY, 0, air, iris, true),
                        new Surface(radius, 0, glass, wide, false),
                        new Surface(-radius, irisToRearMm, air, wide, false),
                        new Surface(Double.POSITIVE_INFINITY, focalLengthMm - irisToRearMm, air, rearDiameterMm / 2, false)),
                List.of(), new LensSection.Focusing("unit", List.of()), LensSection.Basis.TWO_PLANE, List.of());
    }

    private static void positive(double mm, String what) {
        if (!(mm > 0 && mm < 5000)) {
            throw new IllegalArgumentException("a " + what + " of " + mm + " is out of range: give a positive number of millimetres");
        }
    }
}
