package stillglass.optics.measured;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.Paraxial;
import stillglass.optics.Surface;
import stillglass.say.Said;

/// A section built from loose glasses, and what had to be assumed.
///
/// @param section marked as measured
/// @param remarks assumptions and how well the whole agrees with what is engraved
public record MeasuredSection(LensSection section, List<Said> remarks) {
    private static final List<Double> FCD = List.of(486.1, 587.6, 656.3);
    /// Clear over ground diameter of a seated glass, where nobody measured it.
    private static final double CLEAR_SHARE = 0.93;
    /// An achromatised lens has crown in its collecting and flint in its spreading glasses.
    private static final double CROWN_VD = 55;
    private static final double FLINT_VD = 32;
    /// Faces nearer to each other than this are cemented.
    private static final double CEMENT_MM = 1e-6;

    public MeasuredSection {
        remarks = List.copyOf(remarks);
    }

    /// What is engraved or measured on the whole lens.
    /// @param irisBehind the iris stands behind this many glasses, 0 in front of all
    /// @param irisAfterMm from the rear vertex of the glass before it (or to the first glass when it stands in front)
    public record Whole(String name, double focalLengthMm, double fNumber, double imageCircleMm, int irisBehind, double irisAfterMm) {}

    /// Builds the section.
    /// @param glasses front to rear, at least one
    /// @throws IllegalArgumentException naming the glass and what is wrong with it
    public static MeasuredSection of(Whole whole, List<MeasuredGlass> glasses) {
        if (glasses.isEmpty()) {
            throw new IllegalArgumentException("measure at least one glass");
        }
        if (whole.irisBehind < 0 || whole.irisBehind > glasses.size()) {
            throw new IllegalArgumentException("the iris cannot stand behind glass " + whole.irisBehind + " of " + glasses.size());
        }
        if (!(whole.irisAfterMm >= 0 && whole.irisAfterMm < 1000)) {
            throw new IllegalArgumentException("the iris cannot stand " + whole.irisAfterMm + " mm behind a glass: give 0 to 1000 mm");
        }
        List<Said> remarks = new ArrayList<>();
        List<Surface> surfaces = new ArrayList<>();
        List<Element> elements = new ArrayList<>();
        int group = 1;
        boolean joined = false;
        if (whole.irisBehind == 0) {
            surfaces.add(iris(whole.irisAfterMm));
        }
        for (int i = 0; i < glasses.size(); i++) {
            MeasuredGlass g = glasses.get(i);
            Medium.Glass medium = medium(g, remarks);
            double clear = CLEAR_SHARE * g.diameterMm() / 2;
            boolean joinsNext = i + 1 < glasses.size() && g.gapBehindMm() <= CEMENT_MM;
            if (joined) {
                Surface cement = surfaces.removeLast();
                check(glasses.get(i - 1), g);
                surfaces.add(new Surface(cement.radiusMm(), g.thicknessMm(), medium, Math.min(cement.semiDiameterMm(), clear), false));
            } else {
                surfaces.add(new Surface(g.frontRadiusMm(), g.thicknessMm(), medium, clear, false));
            }
            int first = surfaces.size() - 1;
            boolean irisNext = whole.irisBehind == i + 1;
            if (irisNext && joinsNext) {
                throw new IllegalArgumentException("the iris cannot stand inside the cemented group of " + g.name());
            }
            double gap = irisNext ? whole.irisAfterMm : g.gapBehindMm();
            surfaces.add(new Surface(g.rearRadiusMm(), gap, new Medium.Air(), clear, false));
            elements.add(new Element(g.name(), first, first + 1, g.diameterMm(), "G" + group, g.thicknessMm(), edgeMm(g), partners(glasses, i)));
            if (irisNext) {
                double rest = g.gapBehindMm() - whole.irisAfterMm;
                if (i + 1 < glasses.size() && rest < 0) {
                    throw new IllegalArgumentException(String.format(Locale.ROOT,
                            "the iris stands %.2f mm behind %s, but the next glass is only %.2f mm away", whole.irisAfterMm, g.name(), g.gapBehindMm()));
                }
                surfaces.add(iris(i + 1 < glasses.size() ? rest : 0));
            }
            group += joinsNext ? 0 : 1;
            joined = joinsNext;
        }
        return finished(whole, surfaces, elements, remarks);
    }

    private static MeasuredSection finished(Whole whole, List<Surface> surfaces, List<Element> elements, List<Said> remarks) {
        LensSection draft = new LensSection(whole.name, elements.size() + " glasses, measured", whole.focalLengthMm, whole.fNumber,
                whole.imageCircleMm, FCD, surfaces, elements, new LensSection.Focusing("unit", List.of()), LensSection.Basis.MEASURED, List.of());
        Paraxial first = Paraxial.of(draft);
        double efl = first.eflMm();
        if (!(efl > 0 && efl < 1e5)) {
            throw new IllegalArgumentException("these glasses in this order do not form an image: check signs and order");
        }
        remarks.add(Said.of("measured.focal", "mm", efl, "engraved", whole.focalLengthMm, "percent", 100 * Math.abs(efl / whole.focalLengthMm - 1)));
        double iris = whole.focalLengthMm / whole.fNumber / 2 * Math.abs(first.heightsMm(1, 0)[draft.stopIndex()]);
        List<Surface> done = new ArrayList<>(surfaces);
        Surface stop = done.get(draft.stopIndex());
        done.set(draft.stopIndex(), new Surface(stop.radiusMm(), stop.thicknessMm(), stop.after(), iris, true));
        Surface last = done.removeLast();
        done.add(new Surface(last.radiusMm(), first.bfdMm(), last.after(), last.semiDiameterMm(), last.stop()));
        remarks.add(Said.of("measured.clear", "percent", 100 * CLEAR_SHARE));
        return new MeasuredSection(draft.withSurfaces(done, elements), remarks);
    }

    private static Surface iris(double behindMm) {
        return new Surface(Double.POSITIVE_INFINITY, behindMm, new Medium.Air(), 1, true);
    }

    private static void check(MeasuredGlass front, MeasuredGlass rear) {
        double a = Double.isInfinite(front.rearRadiusMm()) ? 0 : 1 / front.rearRadiusMm();
        double b = Double.isInfinite(rear.frontRadiusMm()) ? 0 : 1 / rear.frontRadiusMm();
        double rim = Math.min(front.diameterMm(), rear.diameterMm()) / 2;
        // Cemented faces follow each other to far less than a hundredth of a millimetre at the rim.
        if (Math.abs(a - b) * rim * rim / 2 > 0.05) {
            throw new IllegalArgumentException(front.name() + " and " + rear.name() + " do not fit each other: "
                    + front.rearRadiusMm() + " mm against " + rear.frontRadiusMm() + " mm. Give the gap between them, or measure again");
        }
    }

    private static Medium.Glass medium(MeasuredGlass g, List<Said> remarks) {
        OptionalDouble inferred = g.indexFromFocalLength();
        double n;
        if (g.index().isPresent()) {
            n = g.index().getAsDouble();
        } else if (inferred.isPresent()) {
            n = inferred.getAsDouble();
            remarks.add(Said.of("measured.index", "glass", g.name(), "index", n));
            g.indices().stream().filter(x -> Math.abs(x - n) > 1e-6).findFirst().ifPresent(x -> remarks.add(Said.of("measured.index.two", "glass", g.name(), "index", n, "other", x)));
        } else if (g.focalLengthMm().isPresent()) {
            throw new IllegalArgumentException(String.format(Locale.ROOT,
                    "%s: no glass of this shape has a focal length of %.1f mm; check the signs of its radii", g.name(), g.focalLengthMm().getAsDouble()));
        } else {
            n = MeasuredGlass.USUAL_INDEX;
            remarks.add(Said.of("measured.index.none", "glass", g.name(), "index", MeasuredGlass.USUAL_INDEX));
        }
        double vd = g.power(n) >= 0 ? CROWN_VD : FLINT_VD;
        return new Medium.Glass(n, vd, "");
    }

    private static double edgeMm(MeasuredGlass g) {
        double rim = g.diameterMm() / 2;
        return g.thicknessMm() + new Surface(g.rearRadiusMm(), 0, new Medium.Air(), rim, false).sagMm(rim)
                - new Surface(g.frontRadiusMm(), 0, new Medium.Air(), rim, false).sagMm(rim);
    }

    private static List<String> partners(List<MeasuredGlass> glasses, int i) {
        int from = i;
        while (from > 0 && glasses.get(from - 1).gapBehindMm() <= CEMENT_MM) {
            from--;
        }
        int to = i;
        while (to + 1 < glasses.size() && glasses.get(to).gapBehindMm() <= CEMENT_MM) {
            to++;
        }
        return glasses.subList(from, to + 1).stream().map(MeasuredGlass::name).filter(n -> !n.equals(glasses.get(i).name())).toList();
    }
}
