package stillglass.app.axis;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.assembly.Side;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;

/// What the Axis draws: the instrument to scale in millimetres from the first vertex, y up.
///
/// @param leftMm left end of the instrument
/// @param rightMm right end, the film plane included
/// @param halfMm largest radius
/// @param filmMm film plane, where the section is known
/// @param iris the stop: position and clear radius, where the section is known
/// @param pieces what is in its place, back to front
/// @param ghosts what is out, in the order it left
/// @param faults findings at surface and height
/// @param flangeMm where the mount seats, empty when the instrument's flange distance is not known
/// @param next what opens or closes next, in words
/// @param facts lines of first-order numbers
/// @param references what must be kept, and whether it is
/// @param light rays, glows and the surface looked at
/// @param net the instrument unfolded, when that is shown instead
/// @param stack what came off in order, where no section is known
public record AxisModel(
        double leftMm,
        double rightMm,
        double halfMm,
        Optional<Double> filmMm,
        Optional<Iris> iris,
        List<Piece> pieces,
        List<Ghost> ghosts,
        List<FaultMarks.Fault> faults,
        Optional<Double> flangeMm,
        Optional<String> next,
        List<String> facts,
        List<Reference> references,
        LightModel light,
        Optional<NetModel> net,
        Optional<StackModel> stack) {

    /// Length and half height that are drawn while nothing is known.
    private static final double BLANK_MM = 80;
    private static final double BLANK_HALF_MM = 20;

    public record Iris(double atMm, double clearMm, double outerMm) {}

    /// A closed outline, mm.
    public record Outline(List<Point> points) {
        public Outline {
            points = List.copyOf(points);
        }
    }

    public record Point(double xMm, double yMm) {}

    /// How a piece is drawn.
    public enum Look {
        GLASS,
        METAL,
        SOFT
    }

    /// A part, or a glass of a cemented group.
    /// @param partId part it belongs to
    /// @param label short text on it, empty for none
    /// @param spoken for a screen reader and the tooltip
    public record Piece(
            String partId, String label, String spoken, Look look, List<Outline> outlines, boolean next, boolean selected) {
        public Piece {
            outlines = List.copyOf(outlines);
        }
    }

    /// A part that is out.
    /// @param number order in which it left, from 1
    /// @param toRight whether it left towards the rear
    /// @param pieces itself and what lies within it
    public record Ghost(
            int number, String partId, String name, boolean toRight, double fromMm, double toMm, List<Piece> pieces, boolean selected) {
        public Ghost {
            pieces = List.copyOf(pieces);
        }
    }

    /// Whether a reference is safe.
    public enum Kept {
        KEPT,
        TO_MARK,
        LOST
    }

    public record Reference(String name, Kept kept) {}

    public AxisModel {
        pieces = List.copyOf(pieces);
        ghosts = List.copyOf(ghosts);
        faults = List.copyOf(faults);
        facts = List.copyOf(facts);
        references = List.copyOf(references);
    }

    /// The same without the surface looked at.
    AxisModel faceless() {
        return new AxisModel(leftMm, rightMm, halfMm, filmMm, iris, pieces, ghosts, faults, flangeMm, next, facts, references,
                new LightModel(light.rays(), light.glows(), light.should(), light.faces(), light.rims(), Optional.empty()), net, stack);
    }

    public static AxisModel of(Work work) {
        Instrument instrument = work.instrument();
        Optional<LensSection> section = work.asBuilt();
        Set<String> nextParts = nextParts(work);
        List<Ghost> ghosts = new ArrayList<>();
        Set<String> away = new LinkedHashSet<>();
        Set<String> open = work.state().joints().openNow();
        for (String id : work.state().joints().order()) {
            if (open.contains(id)) {
                instrument.joint(id).ifPresent(j -> j.frees().forEach(away::add));
            }
        }
        int number = 1;
        for (String partId : away) {
            Part part = instrument.part(partId).orElseThrow();
            boolean right = instrument.freedBy(partId).map(j -> j.side() == Side.REAR).orElse(false);
            List<Part> with = instrument.withContents(partId).stream()
                    .filter(p -> p.id().equals(partId) || !away.contains(p.id()) && !containedInOther(p, partId, away, instrument))
                    .toList();
            List<Piece> pieces = with.stream().flatMap(p -> piece(p, section, work, false).stream()).toList();
            ghosts.add(ghost(number++, part, right, pieces, work));
        }
        List<Piece> pieces = instrument.parts().stream()
                .filter(p -> !gone(p, away, instrument))
                .flatMap(p -> piece(p, section, work, nextParts.contains(p.id())).stream())
                .sorted(Comparator.comparing((Piece p) -> p.look() == Look.GLASS))
                .toList();
        List<FaultMarks.Fault> faults = FaultMarks.of(work);
        Optional<Double> film = section.map(l -> l.imagePlaneMm() + work.shiftMm());
        Optional<Double> flange = work.mapped() ? film.flatMap(f -> instrument.flangeFocalMm().map(d -> f - d)) : Optional.empty();
        double left = all(instrument, section, work.shiftMm()).mapToDouble(Point::xMm).min().orElse(0);
        double half = all(instrument, section, work.shiftMm()).mapToDouble(Point::yMm).max().orElse(BLANK_HALF_MM);
        return new AxisModel(Math.min(left, 0), film.orElse(BLANK_MM), section.map(l -> Math.max(half, l.imageCircleMm() / 2)).orElse(half), film,
                section.map(l -> iris(l, work.shiftMm())), pieces, ghosts, faults, flange, nextLine(work),
                facts(section, work), references(work), LightModel.of(work, left), NetModel.of(work), StackModel.of(work));
    }

    private static Iris iris(LensSection section, double shiftMm) {
        double clear = section.surfaces().get(section.stopIndex()).semiDiameterMm();
        return new Iris(section.vertexMm(section.stopIndex()) + shiftMm, clear, Math.max(clear * 1.7, 12));
    }

    private static Stream<Point> all(Instrument instrument, Optional<LensSection> section, double shiftMm) {
        return instrument.parts().stream()
                .flatMap(p -> outlines(p, section, shiftMm).stream())
                .flatMap(o -> o.points().stream());
    }

    private static boolean gone(Part part, Set<String> away, Instrument instrument) {
        return away.contains(part.id()) || part.within().flatMap(instrument::part).filter(c -> gone(c, away, instrument)).isPresent();
    }

    /// Whether a part inside `cell` is rather inside something else that is out by itself.
    private static boolean containedInOther(Part part, String cell, Set<String> away, Instrument instrument) {
        return part.within().filter(w -> !w.equals(cell)).flatMap(instrument::part)
                .filter(w -> away.contains(w.id()) || containedInOther(w, cell, away, instrument))
                .isPresent();
    }

    static Set<String> nextParts(Work work) {
        return switch (work.stage()) {
            case OPEN -> work.nextToOpen().map(j -> about(j, work.instrument())).orElse(Set.of());
            case CLOSE -> work.nextToClose().map(s -> about(s.joint(), work.instrument())).orElse(Set.of());
            case ARRIVE, LOOK, DECIDE, CLEAN, PROVE -> Set.of();
        };
    }

    /// Parts that leave with a joint; those that it holds when none does.
    private static Set<String> about(Joint joint, Instrument instrument) {
        return !joint.frees().isEmpty() ? Set.copyOf(joint.frees())
                : instrument.joints().stream().filter(j -> j.behind().named().contains(joint.id())).flatMap(j -> j.frees().stream()).collect(Collectors.toSet());
    }

    private static Optional<String> nextLine(Work work) {
        return switch (work.stage()) {
            case OPEN -> work.nextToOpen().map(Joint::name).map(n -> Words.of("axis.next.open", n));
            case CLOSE -> work.nextToClose().map(s -> Words.of("axis.next.close", s.joint().name()));
            case ARRIVE, LOOK, DECIDE, CLEAN, PROVE -> Optional.empty();
        };
    }

    private static Ghost ghost(int number, Part part, boolean right, List<Piece> pieces, Work work) {
        double from = pieces.stream().flatMap(p -> p.outlines().stream()).flatMap(o -> o.points().stream())
                .mapToDouble(Point::xMm).min().orElse(0);
        double to = pieces.stream().flatMap(p -> p.outlines().stream()).flatMap(o -> o.points().stream())
                .mapToDouble(Point::xMm).max().orElse(0);
        return new Ghost(number, part.id(), part.name(), right, from, to, pieces, work.selection().part(part.id()));
    }

    private static Optional<Piece> piece(Part part, Optional<LensSection> section, Work work, boolean next) {
        List<Outline> outlines = outlines(part, section, work.shiftMm());
        if (outlines.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new Piece(part.id(), part.element().orElse(""), Words.capital(part.name()), look(part), outlines, next,
                work.selection().part(part.id())));
    }

    static Look look(Part part) {
        boolean glass = part.element().isPresent() || part.materials().contains(Material.COATED_GLASS) || part.materials().contains(Material.SILVERED_MIRROR);
        boolean soft = part.kind() == Part.Kind.COVERING || part.materials().contains(Material.RUBBER);
        return glass ? Look.GLASS : soft ? Look.SOFT : Look.METAL;
    }

    private static List<Outline> outlines(Part part, Optional<LensSection> section, double shiftMm) {
        if (part.element().isPresent()) {
            return section.flatMap(l -> l.element(part.element().get()).map(e -> List.of(GlassOutline.of(l, e, shiftMm)))).orElse(List.of());
        }
        List<Outline> all = new ArrayList<>();
        for (Part.Profile p : part.profile()) {
            for (int side : new int[] {1, -1}) {
                all.add(new Outline(List.of(
                        new Point(p.fromMm(), side * p.innerRadiusMm()), new Point(p.toMm(), side * p.innerRadiusMm()),
                        new Point(p.toMm(), side * p.outerRadiusMm()), new Point(p.fromMm(), side * p.outerRadiusMm()))));
            }
        }
        return all;
    }

    private static List<String> facts(Optional<LensSection> known, Work work) {
        if (work.instrument().sort() == Instrument.Sort.BODY || known.isEmpty()) {
            List<String> lines = new ArrayList<>();
            work.instrument().flangeFocalMm().ifPresent(d -> lines.add(Words.of("axis.fact.flange", d)));
            lines.add(Words.of("axis.fact.parts", work.instrument().parts().size(), work.instrument().joints().size()));
            return lines;
        }
        LensSection section = known.get();
        Paraxial p = Paraxial.of(section);
        if (section.basis() == LensSection.Basis.TWO_PLANE) {
            return List.of(Words.of("axis.fact.efl", p.eflMm()), Words.of("axis.fact.pupil", p.entrancePupil().diameterMm()), Words.of("axis.fact.twoplane"));
        }
        long groups = section.elements().stream().map(e -> e.group()).distinct().count();
        List<String> lines = new ArrayList<>(List.of(
                Words.of("axis.fact.efl", p.eflMm()),
                Words.of("axis.fact.bfd", p.bfdMm()),
                Words.of("axis.fact.pupil", p.entrancePupil().diameterMm()),
                Words.of("axis.fact.glass", section.elements().size(), groups)));
        work.computed().assembly().ifPresent(a -> a.faults().forEach(f -> lines.add(Words.of("axis.fact.asfound", f.said()))));
        if (section.basis().estimate()) {
            lines.add(Words.of("axis.fact.estimate", section.basis().word()));
        }
        return lines;
    }

    private static List<Reference> references(Work work) {
        Set<String> wanted = new LinkedHashSet<>(work.state().joints().references().keySet());
        work.state().joints().order().forEach(id -> work.instrument().joint(id).ifPresent(j -> wanted.addAll(j.loses())));
        work.computed().plan().ifPresent(p -> p.joints().forEach(j -> wanted.addAll(j.loses())));
        List<Reference> list = new ArrayList<>();
        for (Instrument.Reference r : work.instrument().references()) {
            if (wanted.contains(r.id())) {
                boolean kept = work.state().joints().references().containsKey(r.id());
                boolean lost = work.instrument().joints().stream()
                        .anyMatch(j -> j.loses().contains(r.id()) && work.state().joints().openNow().contains(j.id()));
                list.add(new Reference(r.name(), kept ? Kept.KEPT : lost ? Kept.LOST : Kept.TO_MARK));
            }
        }
        return list;
    }

    /// Whether there is nothing to see yet.
    public boolean blank() {
        return pieces.isEmpty() && ghosts.isEmpty() && net.isEmpty() && stack.map(t -> t.items().stream().allMatch(i -> i.standing() == StackModel.Standing.EXPECTED)).orElse(true);
    }

    /// Parts that the step in hand is about.
    Set<String> lit() {
        return pieces.stream().filter(Piece::next).map(Piece::partId).collect(Collectors.toSet());
    }

    /// Parts in axial order, for walking along the axis with keys.
    public List<String> walk() {
        if (net.isPresent()) {
            return net.get().walk().stream().map(NetModel.Tile::partId).distinct().toList();
        }
        List<Piece> sorted = new ArrayList<>(pieces);
        ghosts.forEach(g -> sorted.addAll(g.pieces()));
        sorted.sort(Comparator.comparingDouble(p -> p.outlines().stream()
                .flatMap(o -> o.points().stream()).mapToDouble(Point::xMm).min().orElse(0)));
        return sorted.stream().map(Piece::partId).distinct().toList();
    }

    /// "3 of 5 references kept", for the head of the window.
    public String referenceLine() {
        long kept = references.stream().filter(r -> r.kept() == Kept.KEPT).count();
        return Words.of("axis.references", kept, references.size());
    }
}
