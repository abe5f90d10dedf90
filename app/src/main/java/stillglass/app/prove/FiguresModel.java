package stillglass.app.prove;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.device.Source;
import stillglass.prove.InfinityShims;
import stillglass.prove.VeilChange;
import stillglass.prove.measure.Quantity;
import stillglass.prove.measure.Verdict;
import stillglass.prove.speed.ShutterSign;
import stillglass.prove.speed.SpeedFault;
import stillglass.prove.speed.SpeedModelText;
import stillglass.prove.speed.SpeedReading;
import stillglass.ticket.Zeroing;
import stillglass.ticket.glass.Veils;
import stillglass.ticket.joints.Suspects;
import stillglass.ticket.joints.Trial;
import stillglass.ticket.proof.CollarSetting;
import stillglass.ticket.proof.Provable;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;

/// Everything that can be shown by a figure on this instrument, and the one that is looked at.
///
/// @param rows in the order they are best measured
/// @param chosen which of them is looked at
public record FiguresModel(List<Row> rows, int chosen) {
    private static final int MOST_SUSPECTS = 2;
    private static final int FEWEST_SPEEDS = 3;

    /// @param name of the quantity
    /// @param said what is known of it, in a line
    /// @param verdict of what was measured after the work, the worst of all its places; empty before there is any
    /// @param mark how the verdict looks: a style
    /// @param columns a column for each place or setting
    /// @param lines a line for each place or setting
    /// @param meaning what it may be when it fails, and the way back in
    public record Row(Quantity quantity, String name, String said, Optional<Verdict> verdict, String mark, List<Column> columns, List<Line> lines, List<String> meaning) {
        public Row {
            columns = List.copyOf(columns);
            lines = List.copyOf(lines);
            meaning = List.copyOf(meaning);
        }
    }

    /// A place or setting in words.
    /// @param source where the figure of now came from; empty when it was typed
    public record Line(String place, String arrived, String now, String source, Optional<Verdict> verdict, String mark) {}

    /// A place or setting: what was measured before and after, as departures from what it should be where that is known.
    /// @param allowed either way, in the same measure
    /// @param departure whether the figures are departures
    public record Column(String label, Optional<Figure> before, Optional<Figure> after, OptionalDouble allowed, boolean departure) {}

    /// @param sigma one standard deviation
    public record Figure(double value, double sigma) {}

    public FiguresModel {
        rows = List.copyOf(rows);
    }

    public Optional<Row> row() {
        return chosen >= 0 && chosen < rows.size() ? Optional.of(rows.get(chosen)) : Optional.empty();
    }

    /// @param chosen quantity that is looked at; the first that wants something where it is none of this instrument
    public static FiguresModel of(Work work, Optional<Quantity> chosen) {
        OptionalDouble hidden = work.section().map(l -> OptionalDouble.of(InfinityShims.hiddenMm(l.fNumber(), InfinityShims.SMALL_FORMAT_CIRCLE_MM))).orElse(OptionalDouble.empty());
        List<Row> rows = Provable.all(work.state().readings(), work.state().joints(), work.instrument()).stream().map(p -> row(p, hidden, work)).toList();
        List<Quantity> all = rows.stream().map(Row::quantity).toList();
        int at = chosen.map(all::indexOf).orElse(-1);
        return new FiguresModel(rows, at >= 0 ? at : first(rows));
    }

    /// What fails, else what was measured, else the first.
    private static int first(List<Row> rows) {
        int fails = IntStream.range(0, rows.size()).filter(i -> rows.get(i).verdict().filter(v -> v == Verdict.FAILS).isPresent()).findFirst().orElse(-1);
        return fails >= 0 ? fails : IntStream.range(0, rows.size()).filter(i -> !rows.get(i).columns().isEmpty()).findFirst().orElse(rows.isEmpty() ? -1 : 0);
    }

    private static Row row(Provable p, OptionalDouble hidden, Work work) {
        Quantity q = p.quantity();
        Optional<VeilChange> photos = q == Quantity.VEIL && p.points().isEmpty() ? Veils.of(work.state().glass()).change() : Optional.empty();
        if (photos.isPresent()) {
            return veil(photos.get());
        }
        Optional<Verdict> verdict = worst(p, hidden);
        List<Line> lines = p.points().stream().map(t -> line(t, hidden)).toList();
        // What holds holds for all places, or only so far.
        boolean all = p.points().stream().allMatch(t -> t.after().isPresent());
        String mark = verdict.map(v -> v == Verdict.HOLDS && !all ? "medium" : mark(v)).orElse("soft");
        return new Row(q, Words.capital(Words.say(q.said())), said(p, verdict, work), verdict, mark,
                p.points().stream().map(t -> column(t, hidden)).toList(), lines, meaning(p, verdict, hidden, work));
    }

    /// Of two photos against the light.
    private static Row veil(VeilChange v) {
        Column column = new Column(Words.say(Quantity.VEIL.said()), Optional.of(new Figure(v.before(), 0)), Optional.of(new Figure(v.after(), v.halfWidth() / 2)), OptionalDouble.empty(), false);
        return new Row(Quantity.VEIL, Words.capital(Words.say(Quantity.VEIL.said())), Words.of("figures.one", Words.say(Quantity.VEIL.figure(v.before())), Words.say(Quantity.VEIL.figure(v.after()))),
                Optional.of(Verdict.COMPARED), mark(Verdict.COMPARED), List.of(column), List.of(), List.of());
    }

    private static Optional<Verdict> worst(Provable p, OptionalDouble hidden) {
        List<Verdict> all = p.points().stream().flatMap(t -> t.verdict(hidden).stream()).toList();
        for (Verdict v : List.of(Verdict.FAILS, Verdict.OPEN, Verdict.COMPARED, Verdict.HOLDS)) {
            if (all.contains(v)) {
                return Optional.of(v);
            }
        }
        return Optional.empty();
    }

    private static String mark(Verdict v) {
        return switch (v) {
            case HOLDS -> "green";
            case FAILS -> "danger";
            case OPEN -> "gold";
            case COMPARED -> "medium";
        };
    }

    /// In a line: figures where there is one place, a count where there are several.
    private static String said(Provable p, Optional<Verdict> verdict, Work work) {
        if (p.points().isEmpty()) {
            int open = work.state().joints().openNow().size();
            return open > 0 ? Words.of("figures.open", open) : Words.of("figures.how." + p.quantity().where().name().toLowerCase(java.util.Locale.ROOT));
        }
        if (p.points().size() == 1) {
            Provable.Point t = p.points().getFirst();
            return Words.of("figures.one", t.before().map(FiguresModel::figure).orElse("–"), t.after().map(FiguresModel::figure).orElse("–"));
        }
        long after = p.points().stream().filter(t -> t.after().isPresent()).count();
        return Words.of("figures.many", p.points().size(), after) + verdict.map(v -> " " + Words.of(v == Verdict.HOLDS && after < p.points().size() ? "figures.worst.so-far" : "figures.worst." + v.name().toLowerCase(java.util.Locale.ROOT))).orElse("");
    }

    private static String figure(ReadingEvent.Measured m) {
        return Words.say(m.quantity().figure(m.value()));
    }

    private static String whole(ReadingEvent.Measured m) {
        return Words.of("figures.value", figure(m), Words.say(m.quantity().figureOfError(m.sigma())));
    }

    private static Line line(Provable.Point t, OptionalDouble hidden) {
        Optional<Verdict> verdict = t.verdict(hidden);
        String source = t.now().filter(m -> m.source().filter(s -> s != Source.TYPED).isPresent()).map(m -> m.from().orElseGet(() -> m.source().map(s -> Words.say(s.said())).orElse(""))).orElse("");
        return new Line(t.at().isEmpty() ? Words.say(t.quantity().said()) : Words.say(t.quantity().place(t.at())), t.before().map(FiguresModel::whole).orElse("–"),
                t.after().map(FiguresModel::whole).orElse(t.withdrawn() ? Words.of("figures.withdrawn") : "–"), source, verdict, verdict.map(FiguresModel::mark).orElse("soft"));
    }

    private static Column column(Provable.Point t, OptionalDouble hidden) {
        Quantity q = t.quantity();
        boolean departure = q.nominal(t.at()).isPresent();
        OptionalDouble allowed = q == Quantity.INFINITY ? hidden : q.allowed(t.at());
        return new Column(t.at().isEmpty() ? Words.say(q.said()) : Words.say(q.place(t.at())).replace(" s", ""), t.before().map(m -> shown(m, departure)), t.after().map(m -> shown(m, departure)), allowed, departure);
    }

    private static Figure shown(ReadingEvent.Measured m, boolean departure) {
        Quantity q = m.quantity();
        return departure ? new Figure(q.departure(m.at(), m.value()).orElse(0), q.departureSigma(m.at(), m.value(), m.sigma())) : new Figure(m.value(), m.sigma());
    }

    /// What a figure that fails may mean: the pattern over all speeds, and what was closed last of what the quantity hangs on.
    private static List<String> meaning(Provable p, Optional<Verdict> verdict, OptionalDouble hidden, Work work) {
        List<String> out = new ArrayList<>();
        if (p.quantity() == Quantity.SPEED) {
            pattern(p, work.state().readings(), out);
        }
        if (p.quantity() == Quantity.SCALE) {
            Zeroing.scale(p.points().stream().flatMap(t -> t.now().stream()).toList(), work.state(), work.world()).ifPresent(said -> out.add(Words.sentence(said)));
        }
        if (p.quantity() == Quantity.SHARPNESS) {
            CollarSetting.of(work.state().readings(), work.state().joints()).forEach(said -> out.add(Words.sentence(said)));
        }
        if (verdict.filter(v -> v == Verdict.FAILS).isPresent()) {
            List<String> suspects = suspects(p.quantity(), work);
            out.addAll(suspects);
            if (!suspects.isEmpty()) {
                out.add(Words.of("figures.back"));
            } else if (p.points().stream().noneMatch(t -> t.arrived(hidden).filter(v -> v == Verdict.FAILS).isPresent())) {
                out.add(Words.of("figures.back.unknown"));
            }
        }
        return out;
    }

    /// The pattern of the figures of now, or of arrival while too few of them are there, together with the functions that were tried then.
    private static void pattern(Provable p, Readings readings, List<String> out) {
        List<SpeedReading.Point> now = points(p, true);
        boolean after = now.size() >= FEWEST_SPEEDS;
        List<SpeedReading.Point> read = after ? now : points(p, false);
        Set<ShutterSign> tried = EnumSet.noneOf(ShutterSign.class);
        Phase when = after ? Phase.AFTER : Phase.BEFORE;
        readings.checks(when).keySet().forEach(f -> readings.last(when, f).flatMap(c -> ShutterSign.of(f, c.found(), c.free())).ifPresent(tried::add));
        if (read.size() < FEWEST_SPEEDS && tried.stream().allMatch(ShutterSign::well)) {
            return;
        }
        List<SpeedReading.Likely> ranked = SpeedReading.of(read, SpeedModelText.shipped(), tried).ranked();
        SpeedReading.Likely first = ranked.getFirst();
        SpeedReading.Likely second = ranked.get(1);
        if (first.fault() == SpeedFault.NONE) {
            return;
        }
        String as = Words.of(after ? "figures.pattern.now" : "figures.pattern.arrived");
        out.add(Words.of("figures.pattern", as, Words.say(first.fault().said()), 100 * first.probability(), Words.say(second.fault().said()), 100 * second.probability()));
        out.add(Words.of("figures.pattern.settle", Words.say(first.fault().settles())));
        out.add(Words.of("figures.pattern.reach", Words.say(first.fault().reach())));
    }

    private static List<SpeedReading.Point> points(Provable p, boolean after) {
        return p.points().stream().flatMap(t -> (after ? t.after() : t.before()).stream()).map(m -> new SpeedReading.Point(Quantity.SPEED.nominal(m.at()).orElseThrow(),
                Quantity.SPEED.departure(m.at(), m.value()).orElseThrow(), Quantity.SPEED.departureSigma(m.at(), m.value(), m.sigma()))).toList();
    }

    private static List<String> suspects(Quantity q, Work work) {
        String function = switch (q) {
            case SPEED, EVENNESS -> "speed";
            case OPENING, CLOSING -> "iris";
            case INFINITY, SHARPNESS, FLANGE, VEIL -> "infinity";
            case TORQUE, BREAKAWAY, SCALE, PLAY, WEIGHT -> "focus";
            case FINDER -> "finder";
        };
        Trial failed = new Trial(Long.MAX_VALUE, Optional.empty(), function, false, "");
        return Suspects.of(work.state().joints(), work.instrument(), failed).stream().limit(MOST_SUSPECTS).map(s -> Words.sentence(s.said())).toList();
    }
}
