package stillglass.grade;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import stillglass.look.FindingKind;
import stillglass.optics.ApparentPoint;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Sighting;
import stillglass.say.Said;

/// Where in the lens a fault lies, as probabilities, from how deep it seems to lie.
///
/// Bayes over all surfaces and the inside of every glass. Traced rays give the depth that would be read for each, at the
/// height where the fault stands in the photo ([ApparentPoint]); readings are independent and normal; places that the kind
/// rules out keep a small chance, because the kind may be wrong. Depth inside a glass is integrated over its thickness.
///
/// @param places every place with its probability, from front to rear
/// @param remarks what to know: readings that fit nowhere, an estimate underneath
public record WhichSurface(List<Place> places, List<Said> remarks) {
    /// Weight of a place that the kind rules out: about one kind in fifty is misjudged so grossly.
    private static final double MISJUDGED = 0.02;
    private static final int INSIDE_STEPS = 16;
    /// Beyond this many standard deviations of all readings together, nothing fits.
    private static final double FAR = 3.5;

    /// One place a fault can be.
    /// @param surface index of the surface, or of the front face of the glass it is inside of
    /// @param inside within the glass behind that surface
    /// @param probability 0 to 1
    /// @param impossible why the stated kind cannot be there, empty when it can
    public record Place(int surface, boolean inside, Said name, double probability, Optional<Said> impossible) {}

    public WhichSurface {
        places = List.copyOf(places);
        remarks = List.copyOf(remarks);
    }

    /// @param share how far from the middle of the photo it stands, 0 to 1 at the rim
    /// @param photoFromRear whether that photo looks in from behind
    /// @param readings none: only the structure speaks
    public static WhichSurface of(
            LensSection lens, FindingKind kind, double share, boolean photoFromRear, List<DepthReading> readings) {
        return of(lens, kind, share, photoFromRear, readings, List.of());
    }

    /// The same, with what several photos show of it.
    /// @param seen its places from both sides, or at several zoom settings; taken as independent of the readings and of each other
    public static WhichSurface of(
            LensSection lens, FindingKind kind, double share, boolean photoFromRear, List<DepthReading> readings, List<PlaceEvidence> seen) {
        List<Place> raw = new ArrayList<>();
        double best = Double.POSITIVE_INFINITY;
        String nearest = "";
        List<Integer> places = new ArrayList<>(lens.faces());
        places.add(lens.stopIndex());
        places.sort(null);
        for (int s : places) {
            Optional<Said> not = MayLie.notOn(kind, lens, s);
            double height = readings.isEmpty() ? 0 : Math.abs(Sighting.of(lens, s, photoFromRear).heightMm(share));
            double chi = misfit(lens, s, 0, height, readings) + misfit(seen, lens, s, 0);
            if (chi < best) {
                best = chi;
                nearest = lens.surfaceName(s);
            }
            raw.add(new Place(s, false, Said.text(lens.surfaceName(s)), prior(not) * likelihood(misfit(lens, s, 0, height, readings), seen, lens, s, 0), not));
            Optional<Element> glass = glassBehind(lens, s);
            if (glass.isPresent()) {
                Optional<Said> notInside = MayLie.notInside(kind);
                double sum = 0;
                for (int i = 0; i < INSIDE_STEPS; i++) {
                    double behind = lens.surfaces().get(s).thicknessMm() * (i + 0.5) / INSIDE_STEPS;
                    double inner = misfit(lens, s, behind, height, readings) + misfit(seen, lens, s, behind);
                    best = Math.min(best, inner);
                    sum += likelihood(misfit(lens, s, behind, height, readings), seen, lens, s, behind) / INSIDE_STEPS;
                }
                raw.add(new Place(s, true, Said.of("lie.place.inside", "glass", glass.get().name()), prior(notInside) * sum, notInside));
            }
        }
        List<Said> remarks = new ArrayList<>();
        if (!seen.isEmpty() && readings.isEmpty() && best > FAR * FAR) {
            remarks.add(Said.of(seen.stream().anyMatch(BothSides.class::isInstance) ? "lie.two" : "lie.zoom"));
        } else if (best > FAR * FAR * Math.max(1, readings.size() + seen.size())) {
            remarks.add(Said.of("lie.none", "nearest", nearest, "errors", Math.min(99, Math.sqrt(best))));
        }
        if (lens.basis().estimate() && !readings.isEmpty()) {
            remarks.add(Said.of("lie.estimate", "basis", lens.basis().word()));
        }
        double total = raw.stream().mapToDouble(Place::probability).sum();
        if (!(total > 0)) {
            // Every place is so far off that its likelihood vanished.
            return new WhichSurface(raw.stream().map(p -> new Place(p.surface, p.inside, p.name, 0, p.impossible)).toList(), remarks);
        }
        return new WhichSurface(
                raw.stream().map(p -> new Place(p.surface, p.inside, p.name, p.probability / total, p.impossible)).toList(), remarks);
    }

    private static double misfit(List<PlaceEvidence> seen, LensSection lens, int surface, double behindMm) {
        return seen.stream().mapToDouble(e -> e.misfit(lens, surface, behindMm)).sum();
    }

    private static double likelihood(double chi, List<PlaceEvidence> seen, LensSection lens, int surface, double behindMm) {
        return Math.exp(-chi / 2 + seen.stream().mapToDouble(e -> e.logDensity(lens, surface, behindMm)).sum());
    }

    private static double prior(Optional<Said> impossible) {
        return impossible.isPresent() ? MISJUDGED : 1;
    }

    private static Optional<Element> glassBehind(LensSection lens, int surface) {
        return lens.elements().stream().filter(e -> e.firstSurface() <= surface && e.lastSurface() > surface).findFirst();
    }

    /// Sum over the readings of ((read − expected) / error)².
    private static double misfit(LensSection lens, int surface, double behindMm, double heightMm, List<DepthReading> readings) {
        double sum = 0;
        for (DepthReading r : readings) {
            double off = (r.valueMm() - r.expectedMm(lens, surface, behindMm, heightMm)) / r.sigmaMm();
            sum += off * off;
        }
        return sum;
    }

    /// Apparent depth behind the rim of the outermost glass on the side looked in from, mm.
    /// @param behindMm depth inside the glass behind the surface, 0 on it
    /// @param heightMm distance from the axis
    public static double depth(LensSection lens, int surface, double behindMm, double heightMm, boolean fromRear) {
        var outer = fromRear ? lens.surfaces().getLast() : lens.surfaces().getFirst();
        double rim = outer.sagMm(outer.semiDiameterMm());
        return ApparentPoint.depthMm(lens, surface, behindMm, heightMm, fromRear) + (fromRear ? rim : -rim);
    }

    /// The most probable place.
    public Place likeliest() {
        return places.stream().max(Comparator.comparingDouble(Place::probability)).orElseThrow();
    }

    /// Probability that it lies on that very surface.
    public double on(int surface) {
        return places.stream().filter(p -> !p.inside && p.surface == surface).mapToDouble(Place::probability).sum();
    }
}
