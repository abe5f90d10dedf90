package stillglass.optics.measured;

import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Surface;

/// A stand-in for a lens that stays closed: a thin glass at each outer rim and one at the iris between them, with the powers that give the engraved focal length and the measured back focus, and the
/// iris where it looks to be from the front and from the rear. Good for where beams cross the outer glasses, useless for sharpness.
///
/// To first order the beam on both rims, on the axis and off it, is that of the real lens; heights on inner glasses are not known at all. Where nobody looked from the rear there is no glass at the
/// iris, and beams off the axis cross the rear rim where two thin glasses would have them. Derivation and limits: docs/methods/show-through.md.
public final class TwoPlane {
    /// A strongly refracting glass keeps the thin glasses flat, and so nearly free of aberration.
    private static final double INDEX = 2.5;
    private static final double FLAT = 1e-12;

    private TwoPlane() {}

    /// What a caliper and an eye find on a closed lens, mm.
    /// @param frontDiameterMm clear diameter of the front glass
    /// @param irisLooksMm depth behind the front rim at which the iris appears
    /// @param rearDiameterMm clear diameter of the rear glass
    /// @param backFocusMm from the rear rim to the film with infinity sharp
    /// @param apartMm from the front rim to the rear rim
    /// @param irisFromRearMm depth before the rear rim at which the iris appears from there, where somebody looked
    public record Outside(double frontDiameterMm, double irisLooksMm, double rearDiameterMm, double backFocusMm, double apartMm, OptionalDouble irisFromRearMm) {
        public Outside {
            irisFromRearMm.ifPresent(mm -> positive(mm, "depth of the iris from the rear"));
            positive(frontDiameterMm, "front diameter");
            positive(irisLooksMm, "depth of the iris");
            positive(rearDiameterMm, "rear diameter");
            positive(backFocusMm, "back focus");
            positive(apartMm, "distance from rim to rim");
        }
    }

    /// @throws IllegalArgumentException naming the length that is out of range
    public static LensSection of(String name, double focalLengthMm, double fNumber, double imageCircleMm, Outside seen) {
        positive(focalLengthMm, "focal length");
        positive(fNumber, "f-number");
        positive(imageCircleMm, "image circle");
        // Height of a ray that came in at height 1 when it reaches the rear rim, and the same over the distance to the iris behind it (derivation in the method page).
        double share = seen.backFocusMm / focalLengthMm;
        double p = seen.irisLooksMm;
        double front;
        double middle;
        double rear;
        double iris;
        if (seen.irisFromRearMm.isPresent()) {
            double k = share / seen.irisFromRearMm.getAsDouble() + 1 / focalLengthMm;
            iris = k * seen.apartMm * p / (1 + k * p);
            double behind = seen.apartMm - iris;
            front = 1 / iris - 1 / p;
            rear = 1 / behind - 1 / seen.irisFromRearMm.getAsDouble();
            double height = iris / p;
            middle = -(front + (share - height) / behind) / height;
        } else {
            front = (1 - share) / seen.apartMm;
            rear = (1 / focalLengthMm - front) / share;
            iris = p / (1 + p * front);
            middle = 0;
        }
        if (!(iris > 0 && iris < seen.apartMm)) {
            throw new IllegalArgumentException(String.format(Locale.ROOT, "an iris that looks %.1f mm deep would stand %s: check it, the back focus and the distance from rim to rim", seen.irisLooksMm,
                    iris > 0 ? String.format(Locale.ROOT, "%.1f mm behind the front rim, and the rear rim is at %.1f mm", iris, seen.apartMm) : "in front of the lens"));
        }
        // The beam of the wide stop, f/N across in front of the lens, at the iris.
        double open = focalLengthMm / fNumber / 2 * (1 - iris * front);
        double wide = 4 * (focalLengthMm / fNumber / 2 + imageCircleMm);
        Medium air = new Medium.Air();
        return new LensSection(name, "two rims and an iris", focalLengthMm, fNumber, imageCircleMm, List.of(587.6),
                List.of(new Surface(Double.POSITIVE_INFINITY, 0, air, seen.frontDiameterMm / 2, false),
                        new Surface(radius(front), 0, new Medium.Glass(INDEX, 100, ""), wide, false),
                        new Surface(radius(-front), iris, air, wide, false),
                        new Surface(Double.POSITIVE_INFINITY, 0, air, open, true),
                        new Surface(radius(middle), 0, new Medium.Glass(INDEX, 100, ""), wide, false),
                        new Surface(radius(-middle), seen.apartMm - iris, air, wide, false),
                        new Surface(radius(rear), 0, new Medium.Glass(INDEX, 100, ""), wide, false),
                        new Surface(radius(-rear), 0, air, wide, false),
                        new Surface(Double.POSITIVE_INFINITY, seen.backFocusMm, air, seen.rearDiameterMm / 2, false)),
                List.of(), new LensSection.Focusing("unit", List.of()), LensSection.Basis.TWO_PLANE, List.of());
    }

    private static double radius(double power) {
        return Math.abs(power) < FLAT ? Double.POSITIVE_INFINITY : 2 * (INDEX - 1) / power;
    }

    private static void positive(double mm, String what) {
        if (!(mm > 0 && mm < 5000)) {
            throw new IllegalArgumentException("a " + what + " of " + mm + " is out of range: give a positive number of millimetres");
        }
    }
}
