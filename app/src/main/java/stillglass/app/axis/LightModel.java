package stillglass.app.axis;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.app.desk.Beams;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.assembly.Part;
import stillglass.grade.Grader;
import stillglass.grade.Patch;
import stillglass.grade.WhichSurface;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.optics.Element;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;
import stillglass.optics.Sighting;
import stillglass.optics.Surface;
import stillglass.ticket.Assessment;

/// What light and measurement add to the Axis: rays, where a finding probably lies, glasses that are not where they
/// should be, and one surface face-on.
///
/// @param rays at the stop looked at; none while glass is out or they are switched off
/// @param glows where the finding in hand may lie
/// @param should outlines of glasses where they belong, which stand elsewhere
/// @param faces curves of all surfaces, for pointing at one
/// @param rims where only rims are known, those
/// @param face the surface looked at face-on
public record LightModel(
        List<RayLine> rays, List<Glow> glows, List<Should> should, List<FaceCurve> faces, List<Rim> rims, Optional<Face> face) {
    /// How far a glass must stand off before its right place is drawn beside it.
    private static final double SEEN_OFF_MM = 0.1;
    private static final double LEAD_IN_MM = 7;
    private static final int CURVE_STEPS = 12;
    /// Probabilities below this are not drawn.
    private static final double FAINT = 0.02;

    /// @param cut whether a rim stops it on its way
    public record RayLine(boolean oblique, boolean cut, AxisModel.Outline line) {}

    /// @param partId the glass it lies on or in
    public record Glow(String partId, double probability, boolean inside, AxisModel.Outline outline) {}

    public record Should(String label, AxisModel.Outline outline) {}

    /// @param surface index from 0
    public record FaceCurve(int surface, AxisModel.Outline curve) {}

    /// A rim that is all that is known of the glass there.
    public record Rim(double atMm, double clearMm) {}

    /// A surface seen from the front, mm, x to the right and y up.
    /// @param rimMm clear semi-diameter
    /// @param axial outline of the light of the middle of the picture
    /// @param corners outlines of the light of its four corners
    /// @param marks findings on it
    public record Face(String title, double rimMm, List<AxisModel.Point> axial, List<AxisModel.Outline> corners, List<FaceMark> marks) {
        public Face {
            axial = List.copyOf(axial);
            corners = List.copyOf(corners);
            marks = List.copyOf(marks);
        }
    }

    public record FaceMark(FindingKind kind, int number, AxisModel.Outline outline) {}

    public LightModel {
        rays = List.copyOf(rays);
        glows = List.copyOf(glows);
        should = List.copyOf(should);
        faces = List.copyOf(faces);
        rims = List.copyOf(rims);
    }

    public static LightModel of(Work work, double leftMm) {
        if (work.section().isEmpty() || work.asBuilt().isEmpty()) {
            return new LightModel(List.of(), List.of(), List.of(), List.of(), List.of(), Optional.empty());
        }
        LensSection section = work.section().get();
        LensSection built = work.asBuilt().get();
        List<FaceCurve> faces = new ArrayList<>();
        for (int s : built.faces()) {
            faces.add(new FaceCurve(s, curve(built, s, work.shiftMm())));
        }
        Optional<Beams> beams = work.computed().beams();
        return new LightModel(beams.filter(b -> work.viewing().rays() && complete(work)).map(b -> rays(b, work, built, leftMm)).orElse(List.of()),
                glows(work, section, built), should(work, section, built), faces, rims(built),
                work.viewing().face().filter(s -> s < section.surfaces().size()).flatMap(s -> beams.map(b -> face(b, work, section, s))));
    }

    private static List<Rim> rims(LensSection built) {
        return built.basis() != LensSection.Basis.TWO_PLANE ? List.of()
                : built.faces().stream().map(s -> new Rim(built.vertexMm(s), built.surfaces().get(s).semiDiameterMm())).toList();
    }

    /// Light is drawn through a lens that has all its glass.
    private static boolean complete(Work work) {
        return work.ledger().partsOut().stream().noneMatch(p -> work.instrument().withContents(p.id()).stream().anyMatch(q -> q.element().isPresent()));
    }

    private static List<RayLine> rays(Beams beams, Work work, LensSection built, double leftMm) {
        Beams.Fans fans = beams.fans().get(Math.min(work.viewing().stop(), beams.fans().size() - 1));
        List<RayLine> all = new ArrayList<>();
        fans.oblique().forEach(r -> all.add(line(r, built, true, leftMm, work.shiftMm())));
        fans.axial().forEach(r -> all.add(line(r, built, false, leftMm, work.shiftMm())));
        return all;
    }

    private static RayLine line(Footprints.SectionRay ray, LensSection built, boolean oblique, double leftMm, double shiftMm) {
        List<AxisModel.Point> points = new ArrayList<>();
        double x0 = Math.min(leftMm, 0) - LEAD_IN_MM;
        for (int s = 0; s < ray.heightsMm().size(); s++) {
            double x = shiftMm + built.vertexMm(s) + ray.sagsMm().get(s);
            if (s == 0) {
                points.add(new AxisModel.Point(x0, ray.heightsMm().getFirst() - ray.slope() * (x - x0)));
            }
            points.add(new AxisModel.Point(x, ray.heightsMm().get(s)));
        }
        ray.filmMm().ifPresent(y -> points.add(new AxisModel.Point(shiftMm + built.imagePlaneMm(), y)));
        return new RayLine(oblique, ray.filmMm().isEmpty(), new AxisModel.Outline(points));
    }

    private static List<Glow> glows(Work work, LensSection section, LensSection built) {
        List<Glow> all = new ArrayList<>();
        for (Assessment a : work.computed().assessments()) {
            boolean meant = work.selection().finding(a.known().id());
            if (a.where().isEmpty() || !meant && a.known().surface().isPresent()) {
                continue;
            }
            for (WhichSurface.Place p : a.where().get().places()) {
                if (p.probability() >= FAINT) {
                    all.add(new Glow(partAt(work, section, p.surface()), p.probability(), p.inside(), p.inside() ? body(built, p.surface(), work.shiftMm()) : curve(built, p.surface(), work.shiftMm())));
                }
            }
        }
        return all;
    }

    private static String partAt(Work work, LensSection section, int surface) {
        return section.elementsAt(surface).stream().flatMap(e -> work.instrument().partOfElement(e.name()).stream())
                .map(Part::id).findFirst().orElse("");
    }

    private static AxisModel.Outline body(LensSection section, int surface, double shiftMm) {
        return section.elements().stream().filter(e -> e.firstSurface() <= surface && e.lastSurface() > surface).findFirst()
                .map(e -> GlassOutline.of(section, e, shiftMm)).orElse(curve(section, surface, shiftMm));
    }

    private static AxisModel.Outline curve(LensSection section, int surface, double shiftMm) {
        Surface s = section.surfaces().get(surface);
        List<AxisModel.Point> points = new ArrayList<>();
        for (int i = 0; i <= CURVE_STEPS; i++) {
            double y = s.semiDiameterMm() * (1 - 2.0 * i / CURVE_STEPS);
            points.add(new AxisModel.Point(shiftMm + section.vertexMm(surface) + s.sagMm(y), y));
        }
        return new AxisModel.Outline(points);
    }

    private static List<Should> should(Work work, LensSection section, LensSection built) {
        if (work.computed().assembly().isEmpty()) {
            return List.of();
        }
        List<Should> all = new ArrayList<>();
        for (Element right : section.elements()) {
            boolean off = built.element(right.name()).map(e -> standsOff(work, section, right, built, e)).orElse(true);
            if (off) {
                all.add(new Should(right.name(), GlassOutline.of(section, right)));
            }
        }
        return all;
    }

    private static boolean standsOff(Work work, LensSection section, Element right, LensSection built, Element now) {
        double front = Math.abs(section.vertexMm(right.firstSurface()) - work.shiftMm() - built.vertexMm(now.firstSurface()));
        boolean turned = Math.abs(section.surfaces().get(right.firstSurface()).curvature() - built.surfaces().get(now.firstSurface()).curvature()) > 1e-12;
        boolean leaning = built.tilts().stream().anyMatch(t -> t.firstSurface() <= now.firstSurface() && t.lastSurface() >= now.lastSurface());
        return front > SEEN_OFF_MM || turned || leaning;
    }

    private static Face face(Beams beams, Work work, LensSection section, int surface) {
        Footprints prints = beams.prints();
        int stop = Math.min(work.viewing().stop(), prints.stops().size() - 1);
        double half = section.imageCircleMm() / 2 / section.nominalFocalLengthMm();
        List<AxisModel.Outline> corners = new ArrayList<>();
        for (int[] c : new int[][] {{1, 1}, {-1, 1}, {-1, -1}, {1, -1}}) {
            List<AxisModel.Point> beam = beam(prints, surface, stop, c[0] * half * 3 / Math.sqrt(13), c[1] * half * 2 / Math.sqrt(13));
            if (!beam.isEmpty()) {
                corners.add(new AxisModel.Outline(beam));
            }
        }
        return new Face(Words.of("axis.face", Words.capital(section.surfaceName(surface)), Grader.stop(prints.stops().get(stop))),
                section.surfaces().get(surface).semiDiameterMm(), beam(prints, surface, stop, 0, 0), corners, marks(work, section, surface));
    }

    private static List<AxisModel.Point> beam(Footprints prints, int surface, int stop, double slopeX, double slopeY) {
        double[] p = new double[2 * Footprints.CORNERS];
        if (!prints.outline(surface, stop, slopeX, slopeY, p)) {
            return List.of();
        }
        List<AxisModel.Point> points = new ArrayList<>();
        for (int a = 0; a < Footprints.CORNERS; a++) {
            points.add(new AxisModel.Point(p[2 * a], p[2 * a + 1]));
        }
        return points;
    }

    private static List<FaceMark> marks(Work work, LensSection section, int surface) {
        List<FaceMark> marks = new ArrayList<>();
        int number = 1;
        for (Assessment a : work.computed().assessments()) {
            if (a.surface() == surface) {
                boolean rear = work.state().glass().photo(a.known().photoId()).map(p -> p.kept().fromRear()).orElse(false);
                Sighting seen = Sighting.of(section, surface, rear);
                double rim = section.surfaces().get(surface).semiDiameterMm();
                for (Finding.Region r : a.known().finding().regions()) {
                    marks.add(new FaceMark(a.known().finding().kind(), number, new AxisModel.Outline(r.outline().stream()
                            .map(q -> Patch.laid(q, seen, rear ? -1 : 1)).map(q -> within(rim, q.x(), q.y())).toList())));
                }
            }
            number++;
        }
        return marks;
    }

    private static AxisModel.Point within(double rim, double x, double y) {
        double k = Math.min(1, rim / Math.max(1e-9, Math.hypot(x, y)));
        return new AxisModel.Point(k * x, k * y);
    }

    /// The surface whose curve runs nearest to a place.
    /// @param withinMm farther ones do not count
    public Optional<Integer> nearest(double xMm, double yMm, double withinMm) {
        double best = withinMm;
        Optional<Integer> found = Optional.empty();
        for (FaceCurve f : faces) {
            List<AxisModel.Point> c = f.curve().points();
            for (int i = 0; i + 1 < c.size(); i++) {
                if (c.get(i).yMm() >= yMm && c.get(i + 1).yMm() <= yMm) {
                    double t = (c.get(i).yMm() - yMm) / Math.max(1e-9, c.get(i).yMm() - c.get(i + 1).yMm());
                    double off = Math.abs(c.get(i).xMm() + t * (c.get(i + 1).xMm() - c.get(i).xMm()) - xMm);
                    if (off < best) {
                        best = off;
                        found = Optional.of(f.surface());
                    }
                }
            }
        }
        return found;
    }

    /// The surface before or after one, for walking with keys.
    public int step(Optional<Integer> from, int by) {
        List<Integer> all = faces.stream().map(FaceCurve::surface).toList();
        int now = from.map(all::indexOf).orElse(by > 0 ? -1 : all.size());
        return all.get(Math.floorMod(now + by, all.size()));
    }
}
