package stillglass.app.look;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import stillglass.app.desk.Say;
import stillglass.app.desk.Sourced;
import stillglass.app.desk.Viewing;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.assembly.ClockPosition;
import stillglass.grade.CheapTest;
import stillglass.grade.DepthReading;
import stillglass.grade.MayLie;
import stillglass.grade.TellApart;
import stillglass.grade.WhichSurface;
import stillglass.grade.ZoomPlaces;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.FocusSweep;
import stillglass.look.LightingGuide;
import stillglass.look.PhotoChange;
import stillglass.look.ThroughColour;
import stillglass.optics.LensSection;
import stillglass.say.Said;
import stillglass.ticket.Bleach;
import stillglass.ticket.TicketState;
import stillglass.ticket.condition.Condition;
import stillglass.ticket.condition.Extent;
import stillglass.ticket.glass.Called;
import stillglass.ticket.glass.Glass;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.glass.Known;
import stillglass.ticket.glass.Photo;
import stillglass.ticket.glass.Sights;
import stillglass.ticket.glass.Veils;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// What Look shows.
///
/// @param photo the photo on show, empty when there is none yet
/// @param head how it was taken, what it amounts to
/// @param remarks what the grading assumed or wants better
/// @param shots all photos of the work before, in their order
/// @param hero what is shown large
/// @param question what would settle a doubt
/// @param wipe the two photos that are compared, once there is one after the work
/// @param guide how to light this lens, while it is shown
/// @param images whether the instrument has glass whose veil is worth measuring
/// @param condition what is known of what is not glass
/// @param card whether the card or the lamp was photographed
public record LookModel(
        Optional<Shot> photo, String head, List<String> remarks, List<Row> rows, List<ShotChip> shots, Viewing.Hero hero,
        Optional<Question> question, Optional<Wipe> wipe, Optional<LightingGuide> guide, boolean images, boolean card, boolean done, Condition condition) {

    /// Camera distance the guide is drawn for, mm.
    static final double CAMERA_MM = 250;
    /// Distance of lamp and card behind the lens it is drawn for, mm.
    static final double BEHIND_MM = 120;

    /// @param aperture in pixels of the stored photo
    public record Shot(String photoId, Aperture aperture) {}

    /// @param focus plane it is sharp on, where that was said
    public record ShotChip(String photoId, String caption, boolean chosen, Optional<Double> focus, String set) {}

    /// A question about one finding.
    /// @param caution shown with it, empty where there is none
    public record Question(String findingId, int number, CheapTest test, String caution) {}

    /// @param turnDeg how far the later photo is turned clockwise against the earlier
    /// @param lines what became of every finding
    public record Wipe(Shot before, Shot after, double turnDeg, List<String> lines) {
        public Wipe {
            lines = List.copyOf(lines);
        }
    }

    /// @param probability 0 to 1
    public record Chance(FindingKind kind, double probability) {}

    /// A finding in the list and on the photo.
    /// @param place surface as assigned, or that it is not known yet
    /// @param size area, zone and clock position
    /// @param growth how fast it grew between visits and what zoom and lamp told of it, empty where nothing did
    /// @param corrected the kind first computed, where the technician changed it
    /// @param severity as read, or as the technician says; nothing of what has no kind
    /// @param kinds what it may be, with why not where the lens rules it out
    /// @param surfaces where it may lie
    /// @param depth what its depth readings say, empty while there are none
    /// @param unrolled outlines wherever it was seen, for the unrolled glass; from the front's side
    /// @param chances up to three of the likeliest kinds, likeliest first; where there is no doubt between two none that would read as no chance at all
    /// @param tests answers so far, in words
    public record Row(
            String id,
            int number,
            FindingKind kind,
            String title,
            String sure,
            String place,
            String size,
            String reasons,
            String growth,
            String corrected,
            Optional<Extent> severity,
            boolean severitySaid,
            List<Finding.Region> regions,
            double x,
            double y,
            List<KindChip> kinds,
            List<SurfaceChip> surfaces,
            Optional<Depth> depth,
            List<Finding.Region> unrolled,
            List<Chance> chances,
            String tests,
            boolean selected) {
        public Row {
            regions = List.copyOf(regions);
            kinds = List.copyOf(kinds);
            surfaces = List.copyOf(surfaces);
            unrolled = List.copyOf(unrolled);
            chances = List.copyOf(chances);
        }
    }

    /// @param not why it cannot be that, empty when it can
    public record KindChip(FindingKind kind, boolean chosen, String not) {}

    /// @param probability by depth readings and photos, in words; empty without any
    /// @param not why it cannot lie there, empty when it can
    public record SurfaceChip(int surface, String name, boolean chosen, String probability, String not) {}

    /// @param readings as they were read
    /// @param verdict the likeliest places with their probabilities
    /// @param remarks readings that fit nowhere, an estimate underneath
    /// @param likeliest index of the likeliest surface, empty when it is inside a glass
    public record Depth(String readings, String verdict, List<String> remarks, Optional<Integer> likeliest) {
        public Depth {
            remarks = List.copyOf(remarks);
        }
    }

    public LookModel {
        remarks = List.copyOf(remarks);
        rows = List.copyOf(rows);
        shots = List.copyOf(shots);
    }

    public static LookModel of(Work work) {
        TicketState s = work.state();
        Optional<Photo> photo = shown(work);
        List<Row> rows = new ArrayList<>();
        Optional<Double> diameter = work.section().map(l -> 2 * l.surfaces().getFirst().semiDiameterMm());
        for (Known plain : s.glass().findings()) {
            Optional<FocusSweep> sweep = Sights.of(s.glass()).swept(plain);
            Known k = Sights.of(s.glass()).deep(plain, work.section(), sweep);
            rows.add(row(k, sweep, rows.size() + 1, work, diameter, photo.map(p -> p.kept().photoId())));
        }
        // Where no section is known nothing can be drawn to scale.
        Viewing.Hero hero = work.viewing().hero() == Viewing.Hero.LIGHTING && work.section().isEmpty() ? Viewing.Hero.PHOTO : work.viewing().hero();
        if (hero == Viewing.Hero.PHOTO && photo.isEmpty() && !work.instrument().sort().images()) {
            // There is no glass to begin with.
            hero = Viewing.Hero.CONDITION;
        }
        Optional<Wipe> wipe = s.glass().graded(Phase.AFTER).flatMap(after -> s.glass().earlier(after).map(b -> wipe(b, after, s)));
        return new LookModel(
                photo.map(LookModel::shot),
                photo.map(p -> head(p, s.glass(), rows.size())).orElse(""),
                photo.map(p -> remarks(p, s)).orElse(List.of()),
                rows, shots(s, photo), hero == Viewing.Hero.WIPE && wipe.isEmpty() ? Viewing.Hero.PHOTO : hero,
                question(work), wipe,
                hero == Viewing.Hero.LIGHTING ? work.section().map(l -> LightingGuide.of(l, CAMERA_MM, BEHIND_MM)) : Optional.empty(),
                work.instrument().sort().images(), Veils.of(s.glass()).carded(), s.done(Stage.LOOK), s.condition());
    }

    private static Shot shot(Photo p) {
        return new Shot(p.kept().photoId(), p.graded().orElseThrow().aperture());
    }

    /// The photo that was chosen, or the latest.
    static Optional<Photo> shown(Work work) {
        return work.viewing().photo().flatMap(work.state().glass()::photo).filter(p -> p.graded().isPresent() && p.kept().phase() == Phase.BEFORE)
                .or(() -> work.state().glass().graded(Phase.BEFORE));
    }

    private static List<ShotChip> shots(TicketState s, Optional<Photo> shown) {
        return s.glass().all().stream().filter(p -> p.graded().isPresent() && p.kept().phase() == Phase.BEFORE)
                .map(p -> new ShotChip(p.kept().photoId(), Sourced.caption(p),
                        shown.filter(x -> x.kept().photoId().equals(p.kept().photoId())).isPresent(), s.glass().focusMm(p.kept().photoId()), p.set().map(x -> Words.say(x.said())).orElse("")))
                .toList();
    }

    private static Wipe wipe(Photo before, Photo after, TicketState s) {
        List<Finding> then = before.graded().orElseThrow().findings();
        List<Finding> now = after.graded().orElseThrow().findings();
        Optional<GlassEvent.PhotoTurned> marks = s.glass().turned(after.kept().photoId()).filter(t -> t.against().equals(before.kept().photoId()));
        PhotoChange c = marks.map(t -> PhotoChange.turned(then, now, t.turnDeg())).orElseGet(() -> PhotoChange.of(then, now));
        List<String> lines = new ArrayList<>();
        lines.add(marks.map(t -> Words.of(Math.abs(t.turnDeg()) < 2 * t.sigmaDeg() ? "look.wipe.alike" : "look.wipe.marks", Math.abs(t.turnDeg()) < 0.05 ? 0 : t.turnDeg(), t.sigmaDeg()))
                .orElseGet(() -> Words.of(c.turnKnown() ? "look.wipe.turned" : "look.wipe.unturned", c.turnDeg())));
        for (PhotoChange.Change x : c.changes()) {
            Finding f = x.before().or(x::after).orElseThrow();
            String name = Words.capital(f.kind().word().replace('-', ' ')) + (f.kind() == FindingKind.HAZE ? "" : ", " + f.clock() + " o’clock");
            lines.add(switch (x.outcome()) {
                case GONE -> Words.of("look.wipe.gone", name);
                case NEW -> Words.of("look.wipe.new", name);
                case LESS -> Words.of("look.wipe.less", name, 100 * x.lowShare(), 100 * x.highShare());
                case MORE -> Words.of("look.wipe.more", name, 100 * x.lowShare(), 100 * x.highShare());
                case ABOUT_THE_SAME -> Words.of("look.wipe.same", name, 100 * x.lowShare(), 100 * x.highShare());
            });
        }
        return new Wipe(shot(before), shot(after), c.turnDeg(), lines);
    }

    /// The question for the selected finding, or else for the first that is in doubt.
    private static Optional<Question> question(Work work) {
        List<Known> all = work.state().glass().findings();
        boolean chosen = all.stream().anyMatch(k -> work.selection().finding(k.id()));
        for (int i = 0; i < all.size(); i++) {
            Known k = all.get(i);
            if (k.computedKind().isPresent() || chosen && !work.selection().finding(k.id()) || work.state().done(Stage.LOOK)) {
                continue;
            }
            Optional<CheapTest> next = work.told(k).next();
            if (next.isPresent()) {
                return Optional.of(new Question(k.id(), i + 1, next.get(), next.get().caution()));
            }
        }
        return Optional.empty();
    }

    private static String head(Photo p, Glass glass, int findings) {
        var g = p.graded().orElseThrow();
        return Words.of("look.head", Words.of("look." + g.lighting().word()), Words.of(p.kept().fromRear() ? "look.rear" : "look.front"),
                Words.of("look.findings", findings), light(p, g, Veils.of(glass)));
    }

    private static String light(Photo p, GlassEvent.PhotoGraded g, Veils veils) {
        return veils.of(p).map(v -> Words.of("look.veil.card", 100 * v.veil(), 100 * v.low(), 100 * v.high())).or(() -> veils.glow(p).map(v -> Words.of("look.veil.open", 100 * v)))
                .orElseGet(() -> g.lit().through().map(LookModel::through).orElse(Words.of("look.through.none")));
    }

    private static String through(ThroughColour t) {
        return t.lighterBehind() ? Words.of("look.through.lighter", Math.abs(t.yellow()), t.said().word(), t.error(), t.lostMore()) : Words.of("look.through", t.red(), t.green(), t.blue(), t.said().word(), t.error());
    }

    /// What the photo is measured against is in the head; with what yellow glass may be, and what one more photo would tell.
    private static List<String> remarks(Photo p, TicketState s) {
        var g = p.graded().orElseThrow();
        List<String> all = new ArrayList<>(g.remarks().stream().filter(r -> !(g.light().isPresent() && r.key().equals("photo.no-lamp"))).map(Words::say).toList());
        g.lit().through().filter(t -> t.said().ordinal() >= ThroughColour.Yellow.CLEAR.ordinal()).ifPresent(t -> all.add(Words.of("look.yellow")));
        Bleach.of(s).filter(b -> g.lit().through().isPresent()).ifPresent(b -> all.add(open(b.said())));
        (s.done(Stage.LOOK) ? Optional.<Said>empty() : Sights.of(s.glass()).oneMore(p)).ifPresent(w -> all.add(open(w)));
        return all;
    }

    /// Remarks are closed where they are shown.
    private static String open(Said remark) {
        return Words.say(remark).replaceAll("\\.$", "");
    }

    private static Row row(Known k, Optional<FocusSweep> sweep, int number, Work work, Optional<Double> diameterMm, Optional<String> photo) {
        Finding f = k.finding();
        String counted = f.kind() == FindingKind.DUST ? Words.of("look.specks", f.count()) : "";
        TellApart told = work.told(k);
        Called called = Called.of(k, told);
        // Chances of kinds add up to one by themselves; that it may be nothing at all takes from each alike.
        double none = k.nothing();
        List<Chance> chances = told.ranked().stream().limit(3).map(x -> new Chance(x, (1 - none) * told.chances().getOrDefault(x, 0.0)))
                .filter(c -> c.probability() >= LEAST_SHOWN || called.or().isPresent()).toList();
        List<Finding.Region> here = photo.flatMap(p -> p.equals(k.photoId()) ? Optional.of(f.regions())
                : Optional.ofNullable(k.sights().get(p)).map(Finding::regions)).orElse(List.of());
        String size = f.kind() == FindingKind.HAZE
                ? Words.of(work.state().glass().photo(k.photoId()).flatMap(Veils.of(work.state().glass())::of).isPresent() ? "look.size.haze.card" : "look.size.haze", 100 * f.contrast(), 100 * Math.min(1, f.areaShare()))
                : Words.of("look.size", diameterMm.map(d -> Words.of("mm2.1", f.areaMm2(d))).orElseGet(() -> Words.of("look.size.share", 100 * f.areaShare())), f.zone().word(),
                        ClockPosition.at(rear(k, work) ? -f.x() : f.x(), f.y()));
        return new Row(k.id(), number, f.kind(), Words.sentence(called.said()) + (called.or().isPresent() ? "" : counted),
                k.computedKind().isPresent() ? Words.of("look.byhand")
                        : called.other() > 0 ? Words.of("look.two", 100 * called.chance(), 100 * called.other())
                        : Words.of("percent.0", 100 * called.chance()),
                k.surface().flatMap(s -> work.section().map(l -> l.surfaceName(s))).orElse(Words.of("look.nosurface")),
                size, f.reasons().stream().map(Words::say).collect(Collectors.joining(" · ")), over(k, sweep, work, diameterMm),
                k.computedKind().map(c -> Words.of("look.corrected", c.word().replace('-', ' '))).orElse(""),
                k.severity().map(x -> Extent.values()[x]), k.computedSeverity().isPresent(), here, f.x(), f.y(), kinds(k, work), surfaces(k, work), depth(k, work), fromFront(k, work), chances, tests(k, work),
                work.selection().finding(k.id()));
    }

    /// How it grew, what the zoom, a sweep of the focus and the lamp told of it, and whether it may be nothing.
    private static String over(Known k, Optional<FocusSweep> sweep, Work work, Optional<Double> diameterMm) {
        Sights sights = Sights.of(work.state().glass());
        Optional<String> zoomed = sights.zoomed(k).map(z -> Words.sentence(z.said()));
        Optional<String> lamp = sights.staysAsTheLampMoves(k).map(stays -> Words.of(stays ? "look.lamp.stays" : "look.lamp.goes"));
        Optional<String> swept = sweep.flatMap(s -> s.said(rear(k, work))).map(Words::sentence);
        return Stream.of(Optional.of(growth(k, work, diameterMm)), zoomed, swept, lamp, nothing(k)).flatMap(Optional::stream).filter(l -> !l.isEmpty()).collect(Collectors.joining(" "));
    }

    /// That it may be no fault, which the chances of kinds leave out; what was corrected or answered is one.
    private static Optional<String> nothing(Known k) {
        double none = k.nothing();
        return none < Called.TOLD_NOTHING ? Optional.empty() : Optional.of(Words.of("look.nothing", 100 * none));
    }

    private static String growth(Known k, Work work, Optional<Double> diameterMm) {
        return Sights.of(work.state().glass()).growth(k).map(g -> {
            double unit = diameterMm.map(d -> d / 2).orElse(100.0);
            String how = Words.of(diameterMm.isPresent() ? "look.growth.mm" : "look.growth.share", unit * g.perMonth(), unit * g.low(), unit * g.high(), g.from().toString());
            return switch (g.verdict()) {
                case GROWS -> Words.of("look.growth.grows", how);
                case SHRANK -> Words.of("look.growth.shrank", how);
                case STILL -> Words.of("look.growth.still", how);
                case OPEN -> g.monthsToTell().isPresent() ? Words.of("look.growth.open", how, g.monthsToTell().getAsInt()) : Words.of("look.growth.never", how);
            };
        }).orElse("");
    }

    /// A chance that does not round to nought.
    private static final double LEAST_SHOWN = 0.005;

    private static boolean rear(Known k, Work work) {
        return work.state().glass().fromRear(k.photoId());
    }

    /// Outlines as seen from the front: photos from the rear are mirrored.
    private static List<Finding.Region> fromFront(Known k, Work work) {
        return !rear(k, work) ? k.finding().regions() : k.finding().regions().stream()
                .map(r -> new Finding.Region(r.outline().stream().map(p -> new Finding.Point(-p.x(), p.y())).toList())).toList();
    }

    private static String tests(Known k, Work work) {
        return String.join("  ·  ", k.tests().stream().flatMap(a -> work.tests().stream().filter(t -> t.id().equals(a.test()))
                .map(t -> Words.of(switch (a.answer()) {
                    case YES -> "look.answer.yes";
                    case NO -> "look.answer.no";
                    case UNSURE -> "look.answer.unsure";
                }, t.question()))).toList());
    }

    /// Kinds in the order of their keys, then the rarer ones.
    static final List<FindingKind> KINDS = List.of(FindingKind.DUST, FindingKind.FUNGUS, FindingKind.HAZE, FindingKind.SCRATCH, FindingKind.OIL,
            FindingKind.CLEANING_MARKS, FindingKind.SEPARATION, FindingKind.BUBBLE, FindingKind.COATING, FindingKind.CHIP, FindingKind.EDGE_PAINT);

    /// Places named in the verdict.
    private static final int MOST_PLACES = 3;
    /// Probability from which a place is named.
    private static final double NAMED = 0.01;
    /// Probability from which the likeliest surface is offered.
    private static final double OFFERED = 0.3;

    private static List<KindChip> kinds(Known k, Work work) {
        return KINDS.stream().map(kind -> new KindChip(kind, kind == k.finding().kind(),
                work.section().flatMap(l -> MayLie.nowhere(kind, l).or(() -> k.surface().filter(s -> kind != k.finding().kind()).flatMap(s -> MayLie.notOn(kind, l, s))))
                        .map(Words::say).orElse(""))).toList();
    }

    private static List<SurfaceChip> surfaces(Known k, Work work) {
        Optional<WhichSurface> where = where(k, work);
        List<SurfaceChip> chips = new ArrayList<>();
        if (work.section().isEmpty()) {
            return chips;
        }
        LensSection lens = work.section().get();
        for (int s = 0; s < lens.surfaces().size(); s++) {
            int surface = s;
            Optional<Said> not = MayLie.notOn(k.finding().kind(), lens, s);
            if (lens.faces().contains(s) || s == lens.stopIndex() && not.isEmpty()) {
                chips.add(new SurfaceChip(s, lens.surfaceName(s), k.surface().filter(x -> x == surface).isPresent(),
                        where.filter(w -> w.on(surface) >= NAMED).map(w -> Words.of("percent.0", 100 * w.on(surface))).orElse(""), not.map(Words::say).orElse("")));
            }
        }
        return chips;
    }

    /// Computed with the assessment; empty while that is on its way.
    private static Optional<WhichSurface> where(Known k, Work work) {
        return work.assessment(k.id()).filter(a -> a.known().depths().equals(k.depths()) && a.known().otherSide().equals(k.otherSide()) && a.known().zooms().equals(k.zooms())).flatMap(a -> a.where());
    }

    private static Optional<Depth> depth(Known k, Work work) {
        List<String> seen = new ArrayList<>(k.depths().stream().map(DepthReading::said).map(Words::say).toList());
        k.otherSide().ifPresent(p -> seen.addFirst(Words.of("look.depth.both")));
        work.section().flatMap(l -> ZoomPlaces.of(l, k.finding().kind(), k.zooms(), rear(k, work))).ifPresent(z -> seen.add(Words.of("look.depth.zooms")));
        if (seen.isEmpty()) {
            return Optional.empty();
        }
        String readings = String.join(" · ", seen);
        return Optional.of(where(k, work).map(w -> new Depth(readings, verdict(w), w.remarks().stream().map(Words::say).toList(),
                        Optional.of(w.likeliest()).filter(p -> !p.inside() && p.probability() >= OFFERED).map(WhichSurface.Place::surface)))
                .orElseGet(() -> new Depth(readings, Words.of("status.computing"), List.of(), Optional.empty())));
    }

    private static String verdict(WhichSurface w) {
        return String.join(" · ", w.places().stream()
                .sorted(java.util.Comparator.comparingDouble(WhichSurface.Place::probability).reversed())
                .filter(p -> p.probability() >= NAMED)
                .limit(MOST_PLACES)
                .map(p -> Words.of("look.place", p.name(), 100 * p.probability()) + p.impossible().map(why -> Words.of("look.place.not", why)).orElse(""))
                .toList());
    }

    public Optional<Row> selected() {
        return rows.stream().filter(Row::selected).findFirst();
    }

    public Say say() {
        if (photo.isEmpty()) {
            return new Say(Words.of("look.say.photo"), Words.of("look.keys.photo"));
        }
        if (hero == Viewing.Hero.LIGHTING) {
            return new Say(guide.map(g -> Words.of("look.say.guide", g.lampDeg())).orElse(""), Words.of("look.keys.guide"));
        }
        if (hero == Viewing.Hero.WIPE) {
            return new Say(Words.of("look.say.wipe"), Words.of("look.keys.wipe"));
        }
        if (question.isPresent()) {
            return new Say(Words.of("look.say.question", question.get().number(), question.get().test().question()), Words.of("look.keys.question"));
        }
        Optional<Row> homeless = rows.stream().filter(r -> r.place().equals(Words.of("look.nosurface")) && !r.surfaces().isEmpty()).findFirst();
        if (selected().isPresent()) {
            return new Say(Words.of("look.say.selected", selected().get().title().toLowerCase(Locale.ROOT)), Words.of("look.keys.selected"));
        }
        if (homeless.isPresent() && !done) {
            return new Say(Words.of("look.say.place", homeless.get().number(), homeless.get().title().toLowerCase(Locale.ROOT)),
                    Words.of("look.keys.walk"));
        }
        return done ? new Say(Words.of("look.say.done"), Words.of("keys.hint.decide"))
                : new Say(Words.of(rows.stream().anyMatch(r -> r.place().equals(Words.of("look.nosurface"))) ? "look.say.finish.unplaced" : "look.say.finish"), Words.of("keys.hint.finish"));
    }
}
