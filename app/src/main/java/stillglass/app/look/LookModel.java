package stillglass.app.look;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import stillglass.app.desk.Say;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.grade.MayLie;
import stillglass.grade.WhichSurface;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.ticket.Phase;
import stillglass.ticket.Stage;
import stillglass.ticket.TicketState;

/// What Look shows.
///
/// @param photo the photo on show, empty when there is none yet
/// @param head how it was taken, what it amounts to
/// @param remarks what the grading assumed or wants better
public record LookModel(
        Optional<Shot> photo, String head, List<String> remarks, List<Row> rows, int photos, boolean done) {

    /// @param aperture in pixels of the stored photo
    public record Shot(String photoId, Aperture aperture) {}

    /// A finding in the list and on the photo.
    /// @param place surface as assigned, or that it is not known yet
    /// @param size area, zone and clock position
    /// @param corrected the kind first computed, where the technician changed it
    /// @param kinds what it may be, with why not where the lens rules it out
    /// @param surfaces where it may lie
    /// @param depth what its depth readings say, empty while there are none
    public record Row(
            String id,
            int number,
            FindingKind kind,
            String title,
            String sure,
            String place,
            String size,
            String reasons,
            String corrected,
            List<Finding.Region> regions,
            double x,
            double y,
            List<KindChip> kinds,
            List<SurfaceChip> surfaces,
            Optional<Depth> depth,
            boolean selected) {
        public Row {
            regions = List.copyOf(regions);
            kinds = List.copyOf(kinds);
            surfaces = List.copyOf(surfaces);
        }
    }

    /// @param not why it cannot be that, empty when it can
    public record KindChip(FindingKind kind, boolean chosen, String not) {}

    /// @param probability by its depth readings, in words; empty without any
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
    }

    public static LookModel of(Work work) {
        TicketState s = work.state();
        Optional<TicketState.Photo> photo = s.gradedPhoto(Phase.BEFORE);
        List<Row> rows = new ArrayList<>();
        int number = 1;
        double diameter = 2 * work.section().surfaces().getFirst().semiDiameterMm();
        for (TicketState.Known k : s.findings()) {
            boolean here = photo.filter(p -> p.kept().photoId().equals(k.photoId())).isPresent();
            rows.add(row(k, number++, work, diameter, here));
        }
        return new LookModel(
                photo.map(p -> new Shot(p.kept().photoId(), p.graded().orElseThrow().aperture())),
                photo.map(p -> head(p, rows.size())).orElse(""),
                photo.map(p -> p.graded().orElseThrow().remarks()).orElse(List.of()),
                rows, s.photos().size(), s.done(Stage.LOOK));
    }

    private static String head(TicketState.Photo p, int findings) {
        var g = p.graded().orElseThrow();
        return Words.of("look.head", Words.of("look." + g.lighting().word()), Words.of(p.kept().fromRear() ? "look.rear" : "look.front"),
                Words.count("look.findings", findings), 100 * g.veil());
    }

    private static Row row(TicketState.Known k, int number, Work work, double diameterMm, boolean here) {
        Finding f = k.finding();
        String counted = f.kind() == FindingKind.DUST ? Words.of("look.specks", f.count()) : "";
        String size = f.kind() == FindingKind.HAZE
                ? String.format(Locale.ROOT, Words.of("look.size.haze"), 100 * f.contrast(), 100 * Math.min(1, f.areaShare()))
                : Words.of("look.size", f.areaMm2(diameterMm), f.zone().word(), f.clock());
        return new Row(k.id(), number, f.kind(), Words.capital(f.kind().word().replace('-', ' ')) + counted,
                k.computedKind().isPresent() ? Words.of("look.byhand") : Words.of("percent.0", 100 * f.confidence()),
                k.surface().map(s -> work.section().surfaceName(s)).orElse(Words.of("look.nosurface")),
                size, String.join(" · ", f.reasons()),
                k.computedKind().map(c -> Words.of("look.corrected", c.word().replace('-', ' '))).orElse(""),
                here ? f.regions() : List.of(), f.x(), f.y(), kinds(k, work), surfaces(k, work), depth(k, work), work.selection().finding(k.id()));
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

    private static List<KindChip> kinds(TicketState.Known k, Work work) {
        return KINDS.stream().map(kind -> new KindChip(kind, kind == k.finding().kind(),
                MayLie.nowhere(kind, work.section())
                        .or(() -> k.surface().filter(s -> kind != k.finding().kind()).flatMap(s -> MayLie.notOn(kind, work.section(), s)))
                        .orElse(""))).toList();
    }

    private static List<SurfaceChip> surfaces(TicketState.Known k, Work work) {
        Optional<WhichSurface> where = where(k, work);
        List<SurfaceChip> chips = new ArrayList<>();
        for (int s = 0; s < work.section().surfaces().size(); s++) {
            int surface = s;
            Optional<String> not = MayLie.notOn(k.finding().kind(), work.section(), s);
            if (work.section().faces().contains(s) || s == work.section().stopIndex() && not.isEmpty()) {
                chips.add(new SurfaceChip(s, work.section().surfaceName(s), k.surface().filter(x -> x == surface).isPresent(),
                        where.filter(w -> w.on(surface) >= NAMED).map(w -> Words.of("percent.0", 100 * w.on(surface))).orElse(""), not.orElse("")));
            }
        }
        return chips;
    }

    /// Computed with the assessment; empty while that is on its way.
    private static Optional<WhichSurface> where(TicketState.Known k, Work work) {
        return work.assessment(k.id()).filter(a -> a.known().depths().equals(k.depths())).flatMap(a -> a.where());
    }

    private static Optional<Depth> depth(TicketState.Known k, Work work) {
        if (k.depths().isEmpty()) {
            return Optional.empty();
        }
        String readings = String.join(" · ", k.depths().stream().map(d -> d.say()).toList());
        return Optional.of(where(k, work).map(w -> new Depth(readings, verdict(w), w.remarks(),
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
        Optional<Row> homeless = rows.stream().filter(r -> r.place().equals(Words.of("look.nosurface"))).findFirst();
        if (selected().isPresent()) {
            return new Say(Words.of("look.say.selected", selected().get().title().toLowerCase(Locale.ROOT)), Words.of("look.keys.selected"));
        }
        if (homeless.isPresent() && !done) {
            return new Say(Words.of("look.say.place", homeless.get().number(), homeless.get().title().toLowerCase(Locale.ROOT)),
                    Words.of("look.keys.walk"));
        }
        return done ? new Say(Words.of("look.say.done"), Words.of("keys.hint.decide"))
                : new Say(Words.of("look.say.finish"), Words.of("keys.hint.finish"));
    }
}
