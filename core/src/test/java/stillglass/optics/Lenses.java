package stillglass.optics;

import java.util.ArrayList;
import java.util.List;

/// Small lenses whose numbers can be worked out on paper.
public final class Lenses {
    public static final Medium GLASS = new Medium.Glass(1.5, 60, "500600");

    private Lenses() {}

    /// A single glass behind an iris that stands 1 mm before it.
    public static LensSection single(double frontMm, double rearMm, double thicknessMm, double index, double semiMm) {
        Medium glass = new Medium.Glass(index, 60, "");
        return section("single", semiMm, List.of(
                new Surface(Double.POSITIVE_INFINITY, 1, new Medium.Air(), semiMm * 0.9, true),
                new Surface(frontMm, thicknessMm, glass, semiMm, false),
                new Surface(rearMm, 50, new Medium.Air(), semiMm, false)),
                List.of(element("E1", 1, 2, semiMm, "G1", List.of())));
    }

    /// Two thin lenses of 100 mm focal length, 20 mm apart, the iris half way: f = 100·100/(200−20) = 55.556 mm.
    public static LensSection twoThin() {
        double r = 100;
        return section("two thin", 10, List.of(
                new Surface(r, 1e-9, GLASS, 12, false),
                new Surface(-r, 10, new Medium.Air(), 12, false),
                new Surface(Double.POSITIVE_INFINITY, 10, new Medium.Air(), 10, true),
                new Surface(r, 1e-9, GLASS, 12, false),
                new Surface(-r, 50, new Medium.Air(), 12, false)),
                List.of(element("E1", 0, 1, 12, "G1", List.of()), element("E2", 3, 4, 12, "G2", List.of())));
    }

    /// A meniscus, an iris, and a cemented pair: asymmetric, so that turning any of it shows.
    public static LensSection triplet() {
        Medium crown = new Medium.Glass(1.62, 60, "620600");
        Medium flint = new Medium.Glass(1.70, 30, "700300");
        return section("triplet", 8, List.of(
                new Surface(30, 4, crown, 11, false),
                new Surface(80, 6, new Medium.Air(), 10, false),
                new Surface(Double.POSITIVE_INFINITY, 5, new Medium.Air(), 6, true),
                new Surface(60, 5, crown, 9, false),
                new Surface(-25, 1.5, flint, 9, false),
                new Surface(-90, 40, new Medium.Air(), 9.5, false)),
                List.of(element("E1", 0, 1, 12, "G1", List.of()),
                        element("E2", 3, 4, 10, "G2", List.of("E3")),
                        element("E3", 4, 5, 10, "G2", List.of("E2"))));
    }

    public static LensSection section(String name, double irisMm, List<Surface> surfaces, List<Element> elements) {
        return new LensSection(name, "", 50, 50 / (2 * irisMm), 43.2, List.of(486.1, 587.6, 656.3), surfaces, elements,
                new LensSection.Focusing("unit", List.of()));
    }

    public static Element element(String name, int first, int last, double rimMm, String group, List<String> partners) {
        return new Element(name, first, last, 2 * rimMm, group, 1, 1, partners);
    }

    /// The section with other surfaces.
    public static LensSection with(LensSection lens, int at, Surface surface) {
        List<Surface> all = new ArrayList<>(lens.surfaces());
        all.set(at, surface);
        return lens.withSurfaces(all, lens.elements());
    }
}
