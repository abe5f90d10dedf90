package stillglass.optics.measured;

import java.util.List;
import java.util.Locale;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Surface;

/// A section guessed from the form alone: a known lens of that form, scaled to the engraved focal length and opened to the
/// engraved f-number. Marked as a guess.
public final class FormGuess {
    private FormGuess() {}

    /// @param form a lens of the same form
    /// @param focalLengthMm engraved
    /// @param fNumber engraved
    /// @param imageCircleMm diagonal of the picture it covers
    /// @throws IllegalArgumentException naming the figure that is out of range
    public static LensSection of(LensSection form, String name, double focalLengthMm, double fNumber, double imageCircleMm) {
        if (!(focalLengthMm > 3 && focalLengthMm < 3000)) {
            throw new IllegalArgumentException("a focal length of " + focalLengthMm + " mm is out of range: give 3 to 3000 mm");
        }
        if (!(fNumber > 0.7 && fNumber < 64)) {
            throw new IllegalArgumentException("an f-number of " + fNumber + " is out of range: give 0.7 to 64");
        }
        if (!(imageCircleMm > 1 && imageCircleMm < 1000)) {
            throw new IllegalArgumentException("an image circle of " + imageCircleMm + " mm is out of range: give 1 to 1000 mm");
        }
        double k = focalLengthMm / form.nominalFocalLengthMm();
        // A faster lens of the same form has larger glasses, a slower one a smaller iris in glasses of its own size.
        double wider = Math.max(1, form.fNumber() / fNumber);
        List<Surface> surfaces = form.surfaces().stream()
                .map(s -> new Surface(s.radiusMm() * k, s.thicknessMm() * k, s.after(),
                        s.stop() ? s.semiDiameterMm() * k * form.fNumber() / fNumber : clear(s, k, wider), s.stop()))
                .toList();
        List<Element> elements = form.elements().stream()
                .map(e -> new Element(e.name(), e.firstSurface(), e.lastSurface(), e.diameterMm() * k * wider, e.group(),
                        e.centreThicknessMm() * k, e.edgeThicknessMm() * k, e.cementedWith()))
                .toList();
        return new LensSection(name, String.format(Locale.ROOT, "guessed: %s, scaled by %.3f", form.name(), k), focalLengthMm, fNumber,
                imageCircleMm, form.wavelengthsNm(), surfaces, elements, form.focusing(), LensSection.Basis.GUESS, List.of());
    }

    /// No face reaches beyond its own hemisphere.
    private static double clear(Surface s, double k, double wider) {
        double limit = Double.isInfinite(s.radiusMm()) ? Double.MAX_VALUE : 0.98 * Math.abs(s.radiusMm()) * k;
        return Math.min(limit, s.semiDiameterMm() * k * wider);
    }
}
