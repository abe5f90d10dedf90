package stillglass.app.decide;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import stillglass.app.checks.Causes;
import stillglass.app.desk.Say;
import stillglass.app.desk.Work;
import stillglass.app.draw.SpeckRow;
import stillglass.app.draw.StopStrip;
import stillglass.app.theme.Words;
import stillglass.assembly.Joint;
import stillglass.grade.Advice;
import stillglass.grade.Flare;
import stillglass.grade.GradeRules;
import stillglass.grade.Grader;
import stillglass.grade.Shades;
import stillglass.grade.ShowThrough;
import stillglass.grade.example.ExamplePicture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import stillglass.ticket.Assessment;
import stillglass.ticket.Recommendation;
import stillglass.ticket.condition.Extent;
import stillglass.ticket.glass.Called;
import stillglass.ticket.glass.Known;
import stillglass.ticket.glass.Veils;
import stillglass.ticket.story.Stage;

/// What Decide shows.
///
/// @param verdict "Clean", "Leave" or "Refer", empty until something was found or tried
/// @param reasons why
/// @param effort hours and risk, computed from the way in
/// @param goals what the advice would reach, and whether it is chosen
/// @param cautions shown where the act is
/// @param unweighed what was found where no optics tell what it does
/// @param opens whether it is worth opening although no map says what is to be reached
/// @param tracing whether newer results are on their way
/// @param assembly what was found assembled wrongly and what it does, when something was
/// @param picture what all findings together do to the picture at the stop looked at, once traced
/// @param specks how large a speck must be to show there, where the section is known
public record DecideModel(
        List<Row> rows,
        List<Unweighed> unweighed,
        Optional<String> verdict,
        List<String> reasons,
        String effort,
        List<GoalChip> goals,
        List<String> cautions,
        double visibleShare,
        boolean tracing,
        boolean opens,
        boolean chosen,
        boolean done,
        Optional<Wrong> assembly,
        Optional<Picture> picture,
        Optional<Specks> specks) {
    /// How many times as strong as they are a shadow and a veil are drawn.
    public static final double SHADOW_DRAWN = 8;
    public static final double VEIL_DRAWN = 3;

    /// @param title what was found
    /// @param sentence what it does, with figures
    public record Wrong(String title, String sentence) {}

    /// @param stops as engraved
    /// @param stop the one looked at
    /// @param shades of all findings that are not thought away
    /// @param shows from which stop a shadow shows, and where
    /// @param figures shadow, light lost and veil at this stop
    /// @param without the same before anything was thought away; empty when nothing is
    /// @param widthDeg angle the picture's width takes in, empty while the beams are being traced
    /// @param layers what lies in the way of a scene, from the front to the rear
    public record Picture(List<String> stops, int stop, Shades shades, String shows, String figures, String without, OptionalDouble widthDeg, List<ExamplePicture.Layer> layers) {
        public Picture {
            stops = List.copyOf(stops);
            layers = List.copyOf(layers);
        }
    }

    /// How large a speck must be to show, face by face, at the stop that is looked at.
    /// @param faces of the glasses that are not cemented, in the order of the axis
    /// @param sentence the face on which the smallest shows
    public record Specks(List<SpeckRow.Speck> faces, String sentence) {
        public Specks {
            faces = List.copyOf(faces);
        }
    }

    /// @param grade the standing grade
    /// @param because which threshold the computed grade reached
    /// @param computed the computed one, where it was overruled
    public record Row(
            String id, int number, FindingKind kind, String title, String sentence, int grade, String computed,
            List<StopStrip.Bar> bars, String advice, String because, boolean cured, boolean selected) {
        public Row {
            bars = List.copyOf(bars);
        }
    }

    /// What was found where no optics tell what it does to a picture.
    /// @param severity by the photo alone or as the technician says, 0 to 4; nothing of what has no kind
    /// @param piece of the photo that shows it
    public record Unweighed(int number, FindingKind kind, String title, String sentence, Optional<Integer> severity, Optional<Piece> piece) {}

    /// A square of a photo about a finding.
    /// @param x its left side, in pixels of the upright photo
    /// @param side of the square
    public record Piece(String ticket, String photoId, double x, double y, double side) {
        /// What lies about the finding is shown as well.
        private static final double ROOM = 1.5;
        /// Half of the smallest piece that is shown, rim radii.
        private static final double LEAST = 0.22;

        private static Optional<Piece> of(Known k, Work work) {
            return work.state().glass().photo(k.photoId()).flatMap(p -> p.graded()).map(g -> {
                double half = LEAST;
                for (Finding.Region r : k.finding().regions()) {
                    for (Finding.Point at : r.outline()) {
                        half = Math.max(half, ROOM * Math.max(Math.abs(at.x() - k.finding().x()), Math.abs(at.y() - k.finding().y())));
                    }
                }
                double pixels = half * g.aperture().meanRadius();
                return new Piece(work.state().tag().number(), k.photoId(), g.aperture().pixelX(k.finding().x(), k.finding().y()) - pixels, g.aperture().pixelY(k.finding().x(), k.finding().y()) - pixels, 2 * pixels);
            });
        }
    }

    public record GoalChip(String goal, String name, boolean chosen) {}

    public DecideModel {
        rows = List.copyOf(rows);
        unweighed = List.copyOf(unweighed);
        reasons = List.copyOf(reasons);
        goals = List.copyOf(goals);
        cautions = List.copyOf(cautions);
    }

    public static DecideModel of(Work work) {
        List<Row> rows = new ArrayList<>();
        int number = 1;
        for (Assessment a : work.computed().assessments()) {
            rows.add(row(a, number++, work));
        }
        Optional<Recommendation> r = work.computed().recommendation();
        Set<String> all = new LinkedHashSet<>(r.map(Recommendation::goals).orElse(List.of()));
        all.addAll(work.state().course().goals());
        return new DecideModel(
                rows, unweighed(work),
                r.map(x -> Words.capital(x.act().word())),
                Stream.of(Causes.lamp(work).stream(), r.stream().flatMap(x -> x.reasons().stream()).map(Words::say), work.state().worth().told().stream().map(Words::say)).flatMap(x -> x).toList(),
                r.flatMap(Recommendation::plan).map(p -> Words.of("decide.effort", 2 * p.minutes() / 60, 100 * p.risk(), p.joints().size()))
                        .orElse(work.mapped() ? "" : Words.of("decide.nomap")),
                all.stream().map(g -> new GoalChip(g, goalName(g, work), work.state().course().goals().contains(g))).toList(),
                cautions(r, work),
                work.rules().visibleShadow(), work.computing(), r.filter(x -> x.act() == Advice.Act.CLEAN && x.goals().isEmpty()).isPresent(), !work.state().course().goals().isEmpty(), work.state().done(Stage.DECIDE),
                work.computed().assembly().map(a -> new Wrong(
                        Words.of("decide.asfound", a.faults().stream().map(f -> Words.say(f.said())).collect(Collectors.joining("; "))), Words.sentence(a.sentence()) + a.diagnostics().stream().map(d -> ". " + Words.sentence(d)).collect(Collectors.joining()))),
                picture(work), specks(work));
    }

    private static Optional<Specks> specks(Work work) {
        return work.computed().beams().map(b -> {
            LensSection lens = b.prints().lens();
            int stop = Math.min(work.viewing().stop(), b.specks().stops().size() - 1);
            List<Integer> faces = lens.faces().stream().filter(s -> !lens.cemented(s)).toList();
            List<SpeckRow.Speck> all = faces.stream().map(s -> new SpeckRow.Speck("S" + (s + 1), b.specks().diametersMm().get(s).get(stop))).toList();
            int least = faces.stream().min(Comparator.comparingDouble(s -> b.specks().diametersMm().get(s).get(stop))).orElseThrow();
            return new Specks(all, Words.of("decide.speck", Grader.stop(b.specks().stops().get(stop)), lens.surfaceName(least), b.specks().diametersMm().get(least).get(stop)));
        });
    }

    /// What is likelier nothing is in no picture: it would show a harm that may not be.
    private static Optional<Picture> picture(Work work) {
        List<Assessment> all = work.computed().assessments().stream().filter(a -> !a.known().doubtful()).toList();
        if (all.isEmpty()) {
            return Optional.empty();
        }
        Shades every = Shades.together(all.stream().map(a -> a.shown().shades()).toList());
        List<Assessment> left = all.stream().filter(a -> !work.viewing().cured().contains(a.known().id())).sorted(Comparator.comparingInt(Assessment::surface)).toList();
        Shades now = left.isEmpty() ? Shades.clear(every.stops()) : Shades.together(left.stream().map(a -> a.shown().shades()).toList());
        int stop = Math.min(work.viewing().stop(), every.stops().size() - 1);
        boolean less = left.size() < all.size();
        OptionalDouble width = work.computed().beams().stream().mapToDouble(b -> ExamplePicture.widthDeg(b.prints().picture().widthMm(), b.prints().lens().nominalFocalLengthMm())).findFirst();
        return Optional.of(new Picture(every.stops().stream().map(Grader::stop).toList(), stop, now, shows(now, work.rules()),
                figures(now.effect(stop), flare(left, stop)), less ? Words.of("decide.before", figures(every.effect(stop), flare(all, stop))) : "", width,
                left.stream().map(a -> new ExamplePicture.Layer(a.shown().shades(), work.rules().optics(a.known().finding().kind()).lobe(), a.shown().streaks())).toList()));
    }

    private static Flare flare(List<Assessment> all, int stop) {
        return Flare.together(all.stream().map(a -> a.flares().get(stop)).toList());
    }

    /// "Shows from f/8 down, upper left."
    private static String shows(Shades shades, GradeRules rules) {
        for (int j = 0; j < shades.stops().size(); j++) {
            ShowThrough.Effect e = shades.effect(j);
            if (e.deepestShadow() >= rules.visibleShadow()) {
                return Words.of("decide.shows", Grader.stop(e.stop()), Grader.place(e));
            }
        }
        return Words.of("decide.shows.never");
    }

    private static String figures(ShowThrough.Effect e, Flare f) {
        return Words.of("decide.figures", 100 * e.deepestShadow(), 100 * e.lightLost(), 100 * f.average(), 100 * f.lamp(), 100 * f.sun());
    }

    private static List<Unweighed> unweighed(Work work) {
        List<Unweighed> all = new ArrayList<>();
        if (work.section().isEmpty()) {
            for (Known k : work.state().glass().findings()) {
                all.add(new Unweighed(all.size() + 1, k.finding().kind(), name(k, work),
                        k.severity().map(s -> Words.of("decide.unweighed", Words.say(Extent.values()[s].ofGlass()), k.computedSeverity().isPresent() ? "said" : "read")).orElseGet(() -> Words.of("decide.unnamed")), k.severity(), Piece.of(k, work)));
            }
        }
        return all;
    }

    private static String name(Known k, Work work) {
        return Words.sentence(Called.of(k, work.told(k)).said());
    }

    private static Row row(Assessment a, int number, Work work) {
        String certainty = a.where().map(w -> Words.of("decide.probable", 100 * w.on(a.surface()))).orElse(Words.of("decide.assumed"));
        String where = work.section().map(l -> l.surfaceName(a.surface()) + (a.assumed() ? certainty : "") + (l.basis().estimate() ? Words.of("decide.estimate") : "")).orElse("");
        return new Row(a.known().id(), number, a.known().finding().kind(),
                Words.of("decide.title", name(a.known(), work), where),
                Words.say(a.grade().sentence()) + (Veils.of(work.state().glass()).asItGlows(a.known()) ? " " + Words.of("decide.glow") : ""), a.standingGrade(),
                a.known().overruled().map(o -> Words.of("decide.overruled", a.grade().grade(), o.why())).orElse(""),
                a.shown().effects().stream()
                        .map(e -> new StopStrip.Bar(Grader.stop(e.stop()), e.deepestShadow(), e.veil()))
                        .toList(),
                Words.of("decide.advice." + a.advice().act().word().replace(' ', '-')),
                Words.of("decide.because", a.grade().grade(), a.grade().because()), work.viewing().cured().contains(a.known().id()), work.selection().finding(a.known().id()));
    }

    /// "both faces of E2", "rear of E1", "inner helicoid".
    static String goalName(String goal, Work work) {
        if (goal.matches("S\\d+")) {
            return work.section().map(l -> l.surfaceName(Integer.parseInt(goal.substring(1)) - 1)).orElse(goal);
        }
        return work.instrument().part(goal).map(p -> p.name()).orElse(goal);
    }

    private static List<String> cautions(Optional<Recommendation> r, Work work) {
        List<String> lines = new ArrayList<>();
        if (work.computed().assessments().stream().anyMatch(a -> a.known().finding().kind() == FindingKind.FUNGUS)) {
            lines.add(Words.of("caution.fungus"));
        }
        boolean springs = r.flatMap(Recommendation::plan).stream()
                .flatMap(p -> p.joints().stream())
                .anyMatch(j -> j.hazards().contains(Joint.Hazard.SPRING));
        if (springs) {
            lines.add(Words.of("caution.spring"));
        }
        return lines;
    }

    public Optional<Row> selected() {
        return rows.stream().filter(Row::selected).findFirst();
    }

    public Say say() {
        if (rows.isEmpty() && verdict.isEmpty()) {
            return new Say(Words.of(tracing ? "decide.say.tracing" : "decide.say.empty"), Words.of("keys.hint.look"));
        }
        if (!chosen && goals.isEmpty() && assembly.isPresent()) {
            return new Say(Words.of("decide.say.wrong"), Words.of("keys.hint.finish"));
        }
        if (!chosen && goals.isEmpty() && opens) {
            return new Say(Words.of("decide.say.open"), Words.of("keys.hint.open"));
        }
        if (!chosen && goals.isEmpty()) {
            return new Say(Words.of("decide.say.leave"), Words.of("keys.hint.finish"));
        }
        if (!chosen) {
            return new Say(Words.of("decide.say.take", verdict.orElse("").toLowerCase(Locale.ROOT)), Words.of("decide.keys"));
        }
        return done ? new Say(Words.of("decide.say.done"), Words.of("keys.hint.open"))
                : new Say(Words.of("decide.say.finish"), Words.of("keys.hint.finish"));
    }
}
