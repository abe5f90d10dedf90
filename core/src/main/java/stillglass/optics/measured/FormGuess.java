package stillglass.optics.measured;

import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Surface;

/// A section guessed from the form alone: a known lens of that form, scaled to the engraved focal length and opened to the
/// engraved f-number. Marked as a guess.
public final class FormGuess {
    /// Glass with a thinner edge chips when it is ground.
    private static final double LEAST_EDGE_MM = 0.3;
    private static final double CLEAR = 0.98;
    private static final int HALVINGS = 40;

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
                .map(s -> s.scaled(k, s.stop() ? s.semiDiameterMm() * k * form.fNumber() / fNumber : clear(s, k, wider)))
                .toList();
        List<Element> elements = form.elements().stream().map(e -> glass(e, surfaces, e.diameterMm() * k * wider / 2)).toList();
        List<Surface> clear = IntStream.range(0, surfaces.size()).mapToObj(i -> {
            double rim = elements.stream().filter(e -> e.firstSurface() <= i && e.lastSurface() >= i).mapToDouble(e -> e.diameterMm() / 2).min().orElse(Double.MAX_VALUE);
            Surface s = surfaces.get(i);
            return s.scaled(1, Math.min(s.semiDiameterMm(), CLEAR * rim));
        }).toList();
        return new LensSection(name, String.format(Locale.ROOT, "guessed: %s, scaled by %.3f", form.name(), k), focalLengthMm, fNumber,
                imageCircleMm, form.wavelengthsNm(), clear, elements, form.focusing(), LensSection.Basis.GUESS, List.of());
    }

    /// A glass no wider than its faces leave it an edge.
    private static Element glass(Element e, List<Surface> surfaces, double wantedMm) {
        double centre = IntStream.range(e.firstSurface(), e.lastSurface()).mapToDouble(i -> surfaces.get(i).thicknessMm()).sum();
        double low = 0;
        double high = wantedMm;
        for (int i = 0; i < HALVINGS && edge(e, surfaces, centre, high) < LEAST_EDGE_MM; i++) {
            double mid = (low + high) / 2;
            if (edge(e, surfaces, centre, mid) < LEAST_EDGE_MM) {
                high = mid;
            } else {
                low = mid;
                if (high - low < 1e-3) {
                    high = low;
                }
            }
        }
        double rim = edge(e, surfaces, centre, high) < LEAST_EDGE_MM ? Math.max(low, LEAST_EDGE_MM) : high;
        return new Element(e.name(), e.firstSurface(), e.lastSurface(), 2 * rim, e.group(), centre, Math.max(0, edge(e, surfaces, centre, rim)), e.cementedWith());
    }

    private static double edge(Element e, List<Surface> surfaces, double centre, double rim) {
        return centre + surfaces.get(e.lastSurface()).sagMm(rim) - surfaces.get(e.firstSurface()).sagMm(rim);
    }

    /// No face reaches beyond its own hemisphere.
    private static double clear(Surface s, double k, double wider) {
        double limit = Double.isInfinite(s.radiusMm()) ? Double.MAX_VALUE : 0.98 * Math.abs(s.radiusMm()) * k;
        return Math.min(limit, s.semiDiameterMm() * k * wider);
    }
}
