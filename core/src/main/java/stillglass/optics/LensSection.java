package stillglass.optics;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/// An optical section: everything needed to draw a lens to scale and to trace light through it.
///
/// @param name what the lens is called
/// @param form the type of design, in words
/// @param nominalFocalLengthMm engraved focal length; field angles refer to it
/// @param fNumber widest engraved stop
/// @param imageCircleMm diameter of the picture it must cover
/// @param wavelengthsNm design wavelengths, equal weight
/// @param surfaces in the order light meets them
/// @param elements in the order light meets them
/// @param focusing how it focuses, as the section states it
/// @param basis where the numbers come from; everything computed from an estimate says so
/// @param tilts runs of surfaces that do not sit square, in order and apart from each other; none in a right lens
/// @param seats what holds each single glass or cemented group, front to rear, by place: a glass put elsewhere finds the seat that is there. Empty where nothing is known of any
/// @param positions how its gaps change as its zoom or focusing ring is turned
public record LensSection(
        String name,
        String form,
        double nominalFocalLengthMm,
        double fNumber,
        double imageCircleMm,
        List<Double> wavelengthsNm,
        List<Surface> surfaces,
        List<Element> elements,
        Focusing focusing,
        Basis basis,
        List<Tilt> tilts,
        List<Optional<Seat>> seats,
        Positions positions) {

    /// How the lens focuses.
    /// @param kind `unit` or `front-cell`
    /// @param movingGroups group names that move
    public record Focusing(String kind, List<String> movingGroups) {
        public Focusing {
            movingGroups = List.copyOf(movingGroups);
        }
    }

    /// Where the numbers of a section come from.
    public enum Basis {
        /// The design, or a record as good as it.
        DESIGN,
        /// Measured on the loose glasses.
        MEASURED,
        /// Another lens of the same form, scaled.
        GUESS,
        /// Two rims and an iris only.
        TWO_PLANE;

        /// Whether results computed from it are estimates.
        public boolean estimate() {
            return this != DESIGN;
        }

        /// As it is written in files and said in words.
        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
        }
    }

    /// A section as designed, everything square on its seat.
    public LensSection(
            String name,
            String form,
            double nominalFocalLengthMm,
            double fNumber,
            double imageCircleMm,
            List<Double> wavelengthsNm,
            List<Surface> surfaces,
            List<Element> elements,
            Focusing focusing) {
        this(name, form, nominalFocalLengthMm, fNumber, imageCircleMm, wavelengthsNm, surfaces, elements, focusing,
                Basis.DESIGN, List.of());
    }

    /// A section of which nobody knows what holds its glasses.
    public LensSection(String name, String form, double nominalFocalLengthMm, double fNumber, double imageCircleMm, List<Double> wavelengthsNm, List<Surface> surfaces, List<Element> elements,
            Focusing focusing, Basis basis, List<Tilt> tilts) {
        this(name, form, nominalFocalLengthMm, fNumber, imageCircleMm, wavelengthsNm, surfaces, elements, focusing, basis, tilts, List.of(), Positions.NONE);
    }

    public LensSection {
        surfaces = List.copyOf(surfaces);
        elements = List.copyOf(elements);
        wavelengthsNm = List.copyOf(wavelengthsNm);
        tilts = List.copyOf(tilts);
        seats = List.copyOf(seats);
        if (surfaces.size() < 2) {
            throw new IllegalArgumentException("a lens has at least two surfaces, this has " + surfaces.size());
        }
        if (surfaces.stream().filter(Surface::stop).count() != 1) {
            throw new IllegalArgumentException("exactly one surface must be the stop");
        }
        if (wavelengthsNm.isEmpty()) {
            throw new IllegalArgumentException("no design wavelength given");
        }
        if (!(nominalFocalLengthMm > 0) || !(imageCircleMm > 0) || !(fNumber > 0)) {
            throw new IllegalArgumentException("focal length, f-number and image circle must be positive");
        }
        for (Tilt t : tilts) {
            if (t.lastSurface() >= surfaces.size()) {
                throw new IllegalArgumentException("a tilt ends at surface " + t.lastSurface() + ", the last is "
                        + (surfaces.size() - 1));
            }
        }
        for (Element e : elements) {
            if (e.lastSurface() >= surfaces.size()) {
                throw new IllegalArgumentException(e.name() + " ends at surface " + e.lastSurface() + ", the last is "
                        + (surfaces.size() - 1));
            }
        }
        int places = blocks(elements).size();
        if (!seats.isEmpty() && seats.size() != places) {
            throw new IllegalArgumentException("there are " + seats.size() + " seats for " + places + " single glasses and cemented groups: give one for each, front to rear");
        }
    }

    /// First and last surface of each single glass or cemented group, front to rear.
    public List<int[]> blocks() {
        return blocks(elements);
    }

    private static List<int[]> blocks(List<Element> elements) {
        List<int[]> out = new java.util.ArrayList<>();
        for (Element e : elements.stream().sorted(java.util.Comparator.comparingInt(Element::firstSurface)).toList()) {
            if (!out.isEmpty() && out.getLast()[1] == e.firstSurface()) {
                out.getLast()[1] = e.lastSurface();
            } else {
                out.add(new int[] {e.firstSurface(), e.lastSurface()});
            }
        }
        return out;
    }

    /// Whether everything sits square, or leans so that left and right still mirror each other.
    public boolean mirrored() {
        return tilts.stream().allMatch(Tilt::upright);
    }

    /// Index of the iris plane.
    public int stopIndex() {
        return IntStream.range(0, surfaces.size()).filter(i -> surfaces.get(i).stop()).findFirst().orElseThrow();
    }

    /// Surfaces on which something can lie: all but the iris and, where only two rims are known, those.
    public List<Integer> faces() {
        if (basis == Basis.TWO_PLANE) {
            return List.of(0, surfaces.size() - 1);
        }
        return IntStream.range(0, surfaces.size()).filter(i -> !surfaces.get(i).stop()).boxed().toList();
    }

    /// Distance of a surface's vertex from the first vertex.
    public double vertexMm(int surface) {
        return surfaces.subList(0, surface).stream().mapToDouble(Surface::thicknessMm).sum();
    }

    /// First to last vertex.
    public double lengthMm() {
        return vertexMm(surfaces.size() - 1);
    }

    /// First vertex to the image plane the section states.
    public double imagePlaneMm() {
        return lengthMm() + surfaces.getLast().thicknessMm();
    }

    public Optional<Element> element(String elementName) {
        return elements.stream().filter(e -> e.name().equals(elementName)).findFirst();
    }

    /// The glasses that have this surface; two where it is a cement.
    public List<Element> elementsAt(int surface) {
        return elements.stream()
                .filter(e -> e.firstSurface() == surface || e.lastSurface() == surface)
                .toList();
    }

    /// Whether the surface joins two glasses.
    public boolean cemented(int surface) {
        return elementsAt(surface).size() > 1;
    }

    /// Whether it is known where glasses are cemented: of a guess and of two rims with an iris it is not.
    public boolean cementKnown() {
        return basis == Basis.DESIGN || basis == Basis.MEASURED;
    }

    /// The surface in the field's words: "rear of E1", "cement of E2 and E3", "iris".
    public String surfaceName(int surface) {
        if (surfaces.get(surface).stop()) {
            return "iris";
        }
        List<Element> at = elementsAt(surface);
        if (at.size() > 1) {
            return "cement of " + at.getFirst().name() + " and " + at.getLast().name();
        }
        if (at.isEmpty() && basis == Basis.TWO_PLANE && (surface == 0 || surface == surfaces.size() - 1)) {
            return surface == 0 ? "front rim" : "rear rim";
        }
        if (at.isEmpty()) {
            return "surface " + (surface + 1);
        }
        return (at.getFirst().firstSurface() == surface ? "front of " : "rear of ") + at.getFirst().name();
    }

    /// The medium in front of a surface.
    public Medium before(int surface) {
        return surface == 0 ? new Medium.Air() : surfaces.get(surface - 1).after();
    }

    /// The same lens with other surfaces and glasses.
    public LensSection withSurfaces(List<Surface> changed, List<Element> placed) {
        return new LensSection(
                name, form, nominalFocalLengthMm, fNumber, imageCircleMm, wavelengthsNm, changed, placed, focusing,
                basis, tilts, seats, positions);
    }

    /// The same lens with some of its surfaces leaning.
    public LensSection withTilts(List<Tilt> leaning) {
        return new LensSection(
                name, form, nominalFocalLengthMm, fNumber, imageCircleMm, wavelengthsNm, surfaces, elements, focusing,
                basis, leaning, seats, positions);
    }

    /// The same lens, of which it is known what holds its glasses.
    /// @param held one for each single glass or cemented group, front to rear
    public LensSection withSeats(List<Optional<Seat>> held) {
        return new LensSection(name, form, nominalFocalLengthMm, fNumber, imageCircleMm, wavelengthsNm, surfaces, elements, focusing, basis, tilts, held, positions);
    }

    /// The same lens, of which it is known how its gaps change as its rings are turned.
    public LensSection withPositions(Positions known) {
        return new LensSection(name, form, nominalFocalLengthMm, fNumber, imageCircleMm, wavelengthsNm, surfaces, elements, focusing, basis, tilts, seats, known);
    }

    /// The full stops from wide open to f/16 or f/22, beginning with the lens's own widest.
    public List<Double> stops() {
        List<Double> full = List.of(1.0, 1.4, 2.0, 2.8, 4.0, 5.6, 8.0, 11.0, 16.0, 22.0);
        return java.util.stream.Stream.concat(
                        java.util.stream.Stream.of(fNumber),
                        full.stream().filter(s -> s > fNumber * 1.1 && s <= (fNumber < 4 ? 16.5 : 22.5)))
                .toList();
    }
}
