package stillglass.book.report;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.book.BookWords;
import stillglass.book.data.Shelf;
import stillglass.device.Source;
import stillglass.grade.Grader;
import stillglass.grade.OwnersUse;
import stillglass.look.Progress;
import stillglass.look.ThroughColour;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.sharpness.AssemblyEffect;
import stillglass.prove.InfinityShims;
import stillglass.prove.measure.Quantity;
import stillglass.prove.measure.Verdict;
import stillglass.say.Said;
import stillglass.care.CareTables;
import stillglass.ticket.Assessment;
import stillglass.ticket.Bleach;
import stillglass.ticket.Recommendation;
import stillglass.ticket.Pending;
import stillglass.ticket.TicketState;
import stillglass.ticket.Wet;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.condition.Condition;
import stillglass.ticket.condition.ConditionEvent;
import stillglass.ticket.condition.Flaw;
import stillglass.ticket.condition.Place;
import stillglass.ticket.facts.Damaged;
import stillglass.ticket.facts.Earlier;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.FoundLoose;
import stillglass.ticket.facts.Note;
import stillglass.ticket.facts.Shims;
import stillglass.ticket.glass.Called;
import stillglass.ticket.glass.Known;
import stillglass.ticket.glass.Sights;
import stillglass.ticket.glass.Photo;
import stillglass.ticket.glass.Veils;
import stillglass.ticket.joints.JointStory;
import stillglass.ticket.joints.Ledger;
import stillglass.ticket.joints.ShimStack;
import stillglass.ticket.joints.Trial;
import stillglass.ticket.proof.Proof;
import stillglass.ticket.proof.Provable;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.World;

/// Gathers a ticket into a report. Joints and parts that this job has found are named like any other.
public final class ReportMaker {
    private static final int MOST_PARTS = 200;
    private static final int MOST_PICTURES = 4;

    private final TicketState state;
    private final World world;
    private final Shelf shelf;
    private final ZoneId zone;

    private ReportMaker(TicketState state, World world, Shelf shelf, ZoneId zone) {
        this.state = state;
        this.world = world;
        this.shelf = shelf;
        this.zone = zone;
    }

    /// Gathers a ticket; traces its findings anew, which takes a moment.
    /// @param world with what the ticket has found of its instrument
    /// @param zone in which days are told
    public static Report of(TicketState state, World world, Shelf shelf, ZoneId zone) {
        return new ReportMaker(state, world, shelf, zone).make();
    }

    private Report make() {
        OwnersUse use = OwnersUse.of(state.arrival().use());
        List<Assessment> assessments = world.section().map(section -> state.glass().findings().stream()
                .map(k -> Assessment.of(Sights.of(state.glass()).deep(k, world.section()), state.glass().fromRear(k.photoId()), shelf.footprints(state.tag().sectionId().orElseThrow(), use.picture(section)), world.instrument(), shelf.gradeRules(), use, Progress.SILENT))
                .toList()).orElse(List.of());
        Recommendation advice = Recommendation.of(state, assessments, world.section().flatMap(l -> AssemblyEffect.found(l, state.glass().assembly())), world.section(), world.instrument());
        List<Report.Block> blocks = new ArrayList<>();
        blocks.add(lines("report.arrived", arrived()));
        blocks.add(findings(assessments));
        blocks.add(new Report.Block.Table(Said.of("report.condition"), titles("report.column.where", "report.column.before", "report.column.after", "report.column.meaning"), condition()));
        world.section().ifPresent(l -> blocks.add(ExampleDrawing.of(assessments, l, use.picture(l), shelf.gradeRules())));
        blocks.add(lines("report.advice", advice.reasons()));
        blocks.add(new Report.Block.Table(Said.of("report.measured"), titles("report.column.what", "report.column.before", "report.column.after", "report.column.meaning"), measures()));
        blocks.add(lines("report.work", work()));
        blocks.add(lines("report.found", recalled(f -> f instanceof Damaged d && !d.ours() || f instanceof FoundLoose)));
        blocks.add(lines("report.earlier", recalled(Earlier.class::isInstance)));
        blocks.add(lines("report.ours", ours()));
        blocks.add(lines("report.notes", notes()));
        blocks.add(lines("report.overruled", state.course().overruled().stream()
                .map(o -> o.why().isBlank() ? o.what() : Said.of("report.overruled.why", "what", o.what(), "why", o.why())).toList()));
        blocks.add(lines("report.withdrawn", withdrawn()));
        return new Report(Said.of("report.title", "title", state.tag().title(), "number", state.tag().number()), head(), blocks,
                pictures(), signature());
    }

    private static Report.Block lines(String heading, List<Said> lines) {
        return new Report.Block.Lines(Said.of(heading), lines);
    }

    private static List<Said> titles(String... keys) {
        return List.of(keys).stream().map(k -> Said.of(k)).toList();
    }

    private Said head() {
        Said owner = state.tag().owner().map(Said::text).orElse(Said.of("report.owner.unknown"));
        return state.tag().due().map(d -> Said.of("report.head.due", "owner", owner, "due", d.toString())).orElse(owner);
    }

    private Said signature() {
        return state.proof().signed(state.joints()).map(s -> Said.of("report.signed", "by", s.by(), "day", s.at().atZone(zone).toLocalDate().toString())).orElse(Said.of("report.draft"));
    }

    private List<Said> withdrawn() {
        List<Said> all = new ArrayList<>(state.proof().withdrawn(state.joints()).stream()
                .map(s -> Said.of("report.withdrawn.signature", "by", s.by(), "day", s.at().atZone(zone).toLocalDate().toString())).toList());
        Proof.withdrawnInfinity(state.readings(), state.joints()).ifPresent(i -> all.add(Said.of("report.withdrawn.infinity", "reading", infinity(i.read()))));
        return all;
    }

    private List<Said> arrived() {
        List<Said> all = new ArrayList<>(state.arrival().symptoms().stream().map(Said::text).toList());
        if (!state.arrival().use().isBlank()) {
            all.add(Said.of("report.use", "use", state.arrival().use()));
        }
        if (!state.arrival().with().isEmpty()) {
            all.add(Said.of("report.with", "tickets", state.arrival().with()));
        }
        Optional<Wet> wet = Wet.of(state);
        wet.ifPresent(w -> {
            all.add(w.got().said());
            all.add(w.proven() ? Said.of("report.wet.proven", "count", w.weighings().size()) : Said.of("report.wet.unproven"));
            all.add(Said.of(w.got().water().leavesResidue() ? "report.wet.late.residue" : "report.wet.late"));
        });
        for (String fault : state.glass().assemblyFound()) {
            Said said = LensFault.parse(fault).said();
            all.add(Said.of(state.glass().assembly().contains(fault) ? "report.assembled" : "report.assembled.right", "fault", said));
        }
        world.section().filter(s -> s.basis().estimate()).ifPresent(s -> all.add(Said.of("report.estimate", "basis", s.basis().word())));
        return all;
    }

    /// Damage done here, at joints and in cleaning.
    private List<Said> ours() {
        List<Said> all = new ArrayList<>(recalled(f -> f instanceof Damaged d && d.ours()));
        state.care().harmed().forEach(h -> all.add(harmed(h, world)));
        state.worth().destroyed().forEach(d -> all.add(d.said()));
        return all;
    }

    static Said harmed(CareEvent.PartHarmed h, World world) {
        String part = world.instrument().part(h.part()).map(Part::name).orElse(h.part());
        Said said = Said.of("report.harmed", "part", part, "what", h.what());
        return h.agent().map(a -> Said.of("report.harmed.with", "harmed", said, "agent", world.care().agent(a).map(CareTables.Agent::name).orElse(a))).orElse(said);
    }

    private List<Said> notes() {
        List<Said> all = new ArrayList<>(state.arrival().notes().stream().map(Said::text).toList());
        all.addAll(recalled(Note.class::isInstance));
        return all;
    }

    private List<Said> recalled(Predicate<Fact> which) {
        List<Said> all = new ArrayList<>();
        for (JointStory s : state.joints().stories().values()) {
            s.facts().stream().filter(which).forEach(f -> all.add(Said.of("report.at", "joint", world.nameOf(s.joint()), "what", f.said())));
        }
        return all;
    }

    private Report.Block findings(List<Assessment> assessments) {
        List<List<Said>> rows = new ArrayList<>();
        world.section().ifPresent(section -> assessments.forEach(a -> rows.add(row(a, section))));
        if (world.section().isEmpty()) {
            state.glass().findings().forEach(k -> rows.add(List.of(kind(k), place(k, Said.of("report.surface.unknown")), Said.of("report.grade.none"), Said.of("report.effect.none"))));
        }
        return new Report.Block.Table(Said.of("report.findings"), titles("report.column.kind", "report.column.where", "report.column.grade", "report.column.effect"), rows);
    }

    /// What was found beside the glass, before and after. Places nobody looked at do not appear.
    private List<List<Said>> condition() {
        List<List<Said>> rows = new ArrayList<>();
        Condition c = state.condition();
        for (Place place : c.told()) {
            List<Flaw> said = place.flaws().stream().filter(f -> c.said(Phase.BEFORE, place, f).isPresent() || c.said(Phase.AFTER, place, f).isPresent()).toList();
            for (Flaw f : said) {
                Optional<ConditionEvent.FlawFound> worst = c.said(Phase.BEFORE, place, f).filter(ConditionEvent.FlawFound::there).or(() -> c.said(Phase.AFTER, place, f).filter(ConditionEvent.FlawFound::there));
                Said means = worst.map(w -> w.extent().map(e -> Said.of("report.condition.means", "extent", f.at(e), "cure", f.cure())).orElse(f.cure())).orElse(Said.text(""));
                rows.add(List.of(place.said(), condition(c, Phase.BEFORE, place, f), condition(c, Phase.AFTER, place, f), means));
            }
            List<List<Said>> bumps = place == Place.COVERING ? bumps(c) : List.of();
            rows.addAll(bumps);
            if (said.isEmpty() && bumps.isEmpty()) {
                rows.add(List.of(place.said(), looked(c, Phase.BEFORE, place), looked(c, Phase.AFTER, place), Said.text("")));
            }
        }
        return rows;
    }

    /// Bumps under a covering, those that stand with what they ask for.
    private static List<List<Said>> bumps(Condition c) {
        List<List<Said>> rows = new ArrayList<>();
        c.bumps().forEach((where, seen) -> rows.add(List.of(Place.COVERING.said(), seen.getLast().said(where), Said.text(""), c.bump(where).getFirst())));
        c.lifted().forEach((where, seen) -> rows.add(List.of(Place.COVERING.said(), seen.said(where), Said.of("say.reads.bump.gone", "where", where), Said.text(""))));
        return rows;
    }

    private static Said condition(Condition c, Phase phase, Place place, Flaw flaw) {
        return c.said(phase, place, flaw).map(f -> f.there() ? f.said() : Said.of("report.condition.gone", "flaw", flaw.said())).orElseGet(() -> looked(c, phase, place));
    }

    private static Said looked(Condition c, Phase phase, Place place) {
        return Said.of(c.sound(phase, place) ? "report.condition.sound" : "report.condition.unlooked");
    }

    private Said kind(Known k) {
        Called c = Called.of(k, world.section());
        return c.orNothing() ? Said.of("report.doubtful", "called", c.said(), "percent", 100 * c.other()) : c.said();
    }

    private static Said place(Known k, Said surface) {
        return Said.of("report.place", "surface", surface, "zone", k.finding().zone().word(), "clock", k.finding().clock().toString());
    }

    private List<Said> row(Assessment a, LensSection section) {
        Said grade = a.known().overruled().map(o -> Said.of("report.grade.overruled", "grade", o.grade(), "computed", a.grade().grade(), "why", o.why()))
                .orElseGet(() -> Said.of("report.grade", "grade", a.grade().grade()));
        String name = section.surfaceName(a.surface());
        Said surface = !a.assumed() ? Said.text(name) : a.where().map(w -> Said.of("report.surface.probable", "surface", name, "percent", 100 * w.on(a.surface())))
                .orElse(Said.of("report.surface.assumed", "surface", name));
        return List.of(kind(a.known()), place(a.known(), surface), grade, Veils.of(state.glass()).asItGlows(a.known()) ? Said.of("report.glow", "sentence", a.grade().sentence()) : a.grade().sentence());
    }

    private List<List<Said>> measures() {
        List<List<Said>> rows = new ArrayList<>();
        Optional<ReadingEvent.InfinityMeasured> before = state.readings().infinity(Phase.BEFORE).map(Readings.Infinity::read);
        Optional<ReadingEvent.InfinityMeasured> after = Proof.infinity(state.readings(), state.joints()).map(Readings.Infinity::read);
        Said unmeasured = Said.of("report.unmeasured");
        if (before.isPresent() || after.isPresent()) {
            rows.add(List.of(Said.of("report.infinity"), before.map(ReportMaker::infinity).orElse(unmeasured), after.map(ReportMaker::infinity).orElse(unmeasured),
                    after.flatMap(m -> world.section().map(s -> meaning(m, s))).orElse(Said.text(""))));
        }
        Veils.of(state.glass()).change().ifPresent(v -> rows.add(List.of(Said.of("report.veil"), Said.of("report.percent", "percent", 100 * v.before()), Said.of("report.percent", "percent", 100 * v.after()),
                Said.of("report.veil.change", "change", 100 * v.change(), "interval", 100 * v.halfWidth()))));
        Optional<ThroughColour> clear = through(Phase.BEFORE);
        Optional<ThroughColour> now = through(Phase.AFTER);
        if (clear.isPresent() || now.isPresent()) {
            rows.add(List.of(Said.of("report.through"), clear.map(ReportMaker::through).orElse(unmeasured), now.map(ReportMaker::through).orElse(unmeasured), now.or(() -> clear).map(t -> Said.of("report.through.yellow", "yellow", t.said().word())).orElseThrow()));
        }
        for (Provable p : Provable.all(state.readings(), state.joints(), world.instrument())) {
            if (p.quantity() != Quantity.INFINITY) {
                p.points().forEach(t -> rows.add(figure(t)));
            }
        }
        Set<String> functions = new LinkedHashSet<>(state.readings().checks(Phase.BEFORE).keySet());
        functions.addAll(state.readings().checks(Phase.AFTER).keySet());
        for (String f : functions) {
            rows.add(List.of(Said.text(f), state.readings().told(Phase.BEFORE, f, -1).map(Said::text).orElse(Said.of("report.untried")),
                    state.readings().told(Phase.AFTER, f, state.joints().lastOpened()).map(Said::text).orElse(Said.of("report.untried")), Said.text("")));
        }
        return rows;
    }

    /// What the glass took of a bright field in the last photo of a phase that tells.
    private Optional<ThroughColour> through(Phase phase) {
        return state.glass().all().stream().filter(p -> p.kept().phase() == phase).flatMap(p -> p.graded().flatMap(g -> g.lit().through()).stream()).reduce((a, b) -> b);
    }

    private static Said through(ThroughColour t) {
        return t.lighterBehind() ? Said.of("report.through.against", "yellow", Math.abs(t.yellow()), "error", t.error(), "more", t.lostMore()) : Said.of("report.through.stops", "red", t.red(), "green", t.green(), "blue", t.blue(), "error", t.error());
    }

    /// A figure as it arrived and as it is, each with its error and where it came from.
    private static List<Said> figure(Provable.Point t) {
        Quantity q = t.quantity();
        Said what = t.at().isEmpty() ? Said.of("report.figure", "what", q.said()) : Said.of("report.figure.at", "what", q.said(), "at", q.place(t.at()));
        Said meaning = t.verdict(OptionalDouble.empty()).filter(v -> v != Verdict.COMPARED)
                .map(v -> Said.of("report.figure." + v.name().toLowerCase(Locale.ROOT), "allowed", allowed(q, t.at()))).orElse(Said.text(""));
        return List.of(what, t.before().map(ReportMaker::figure).orElse(Said.of("report.unmeasured")), t.after().map(ReportMaker::figure).orElse(Said.of("report.unmeasured")), meaning);
    }

    private static Said allowed(Quantity q, String at) {
        double most = q.allowed(at).orElse(0);
        return q == Quantity.SCALE || q == Quantity.FINDER ? Said.of("report.allowed.share", "percent", 100 * most) : Said.of("report.allowed.ev", "ev", most);
    }

    private static Said figure(ReadingEvent.Measured m) {
        Said value = Said.of("report.figure.value", "value", m.quantity().figure(m.value()), "sigma", m.quantity().figureOfError(m.sigma()));
        Optional<Said> from = m.from().map(Said::text).or(() -> m.source().map(Source::said));
        return from.map(s -> Said.of("report.sourced", "value", value, "source", s)).orElse(value);
    }

    private static Said meaning(ReadingEvent.InfinityMeasured m, LensSection section) {
        double hidden = InfinityShims.hiddenMm(section.fNumber(), InfinityShims.SMALL_FORMAT_CIRCLE_MM);
        return Said.of(Math.abs(m.errorMm()) <= hidden ? "report.infinity.within" : "report.infinity.more", "mm", hidden, "stop", Grader.stop(section.fNumber()));
    }

    /// For each side the first photo before the work beside the last one after it. Where nothing was photographed after it, the first of before.
    private List<Report.Pair> pictures() {
        List<Report.Pair> rows = new ArrayList<>();
        for (boolean rear : new boolean[] {false, true}) {
            Optional<Report.Picture> after = photos(Phase.AFTER, rear).reduce((a, b) -> b).map(ReportMaker::picture);
            if (after.isPresent()) {
                rows.add(new Report.Pair(photos(Phase.BEFORE, rear).findFirst().map(ReportMaker::picture), after));
            }
        }
        if (rows.isEmpty()) {
            List<Report.Picture> all = state.glass().all().stream().filter(p -> p.card().isEmpty()).limit(MOST_PICTURES).map(ReportMaker::picture).toList();
            for (int i = 0; i < all.size(); i += 2) {
                rows.add(new Report.Pair(Optional.of(all.get(i)), all.stream().skip(i + 1L).findFirst()));
            }
        }
        return rows;
    }

    private Stream<Photo> photos(Phase phase, boolean rear) {
        return state.glass().all().stream().filter(p -> p.kept().phase() == phase && p.kept().fromRear() == rear && p.card().isEmpty());
    }

    private static Report.Picture picture(Photo p) {
        return new Report.Picture(p.id(), caption(p));
    }

    private static String caption(Photo p) {
        String caption = p.set().map(s -> p.kept().caption() + " · " + BookWords.wording().say(s.said())).orElse(p.kept().caption());
        return p.kept().source().map(s -> BookWords.wording().say(Said.of("report.sourced", "value", caption, "source", s.said()))).orElse(caption);
    }

    private Said cleaned(CareEvent.PartCleaned c, Instrument instrument) {
        String name = instrument.part(c.part()).map(Part::name).orElse(c.part());
        Said part = c.face().map(f -> Said.of("say.face", "part", name, "side", f.word())).orElse(Said.text(name));
        Said left = c.left().map(n -> Said.of("report.cleaned.count", "count", n)).orElse(Said.of(c.gone() ? "report.cleaned.gone" : "report.cleaned.some"));
        return Said.of("report.cleaned", "part", part, "soil", world.care().soil(c.soil()).map(s -> s.name()).orElse(c.soil()), "agent", agent(c.agent()), "left", left);
    }

    private String agent(String id) {
        return world.care().agent(id).map(a -> a.name()).orElse(id);
    }

    /// What was flushed in place: how often, whether oil showed at the end, and how closing got quicker.
    private void flushed(List<Said> all) {
        for (Place place : Place.values()) {
            List<CareEvent.Flushed> cycles = state.care().flushed().stream().filter(f -> f.place() == place).toList();
            if (!cycles.isEmpty()) {
                List<Double> times = cycles.stream().flatMap(f -> f.closeMs().stream()).toList();
                Said end = cycles.getLast().shows().map(o -> Said.of(place.train() ? o ? "report.flushed.drags" : "report.flushed.runs" : o ? "report.flushed.oil" : "report.flushed.none"))
                        .orElse(Said.of(place.train() ? "report.flushed.unsaid.train" : "report.flushed.unsaid"));
                Said done = Said.of("report.flushed", "place", place.said(), "agents", cycles.stream().map(f -> agent(f.agent())).distinct().toList(), "count", cycles.size(), "end", end);
                all.add(times.size() > 1 ? Said.of(place.train() ? "report.flushed.down" : "report.flushed.times", "flushed", done, "first", times.getFirst(), "last", times.getLast()) : done);
            }
        }
    }

    private static Said infinity(ReadingEvent.InfinityMeasured m) {
        Said value = Said.of("report.infinity.value", "mm", m.errorMm(), "sigma", m.uncertaintyMm());
        return m.source().map(s -> Said.of("report.sourced", "value", value, "source", s.said())).orElse(value);
    }

    private List<Said> work() {
        Instrument instrument = world.instrument();
        List<Said> all = new ArrayList<>();
        List<String> opened = state.joints().firstOrder();
        if (!opened.isEmpty()) {
            all.add(Said.of("report.opened", "count", opened.size(), "joints", opened.stream().map(world::nameOf).toList()));
            long again = opened.stream().filter(id -> !state.joints().story(id).past().isEmpty()).count();
            if (again > 0) {
                all.add(Said.of("report.reopened", "count", again));
            }
            int marks = state.joints().references().size() + state.joints().marks().size();
            all.add(Said.of("report.marked", "count", marks));
        }
        state.care().cleaned().forEach(c -> all.add(cleaned(c, instrument)));
        flushed(all);
        Bleach.of(state).ifPresent(b -> all.add(b.said()));
        List<Said> channels = state.care().channels().values().stream().map(c -> Said.of("report.channel", "name", c.id(), "length", c.lengthMm(), "width", c.widthMm(), "count", c.count())).toList();
        if (!channels.isEmpty()) {
            all.add(Said.of("report.seals", "channels", Said.commas(channels)));
        }
        for (JointStory s : state.joints().stories().values()) {
            s.closing().greased().ifPresent(g -> all.add(g.massMg().map(mg -> Said.of("report.greased.dose", "joint", world.nameOf(s.joint()), "mg", mg, "grease", g.grease()))
                    .orElse(Said.of("report.greased", "joint", world.nameOf(s.joint()), "grease", g.grease()))));
        }
        for (Joint j : instrument.joints()) {
            j.close().test().filter(t -> state.joints().passed(j.id())).ifPresent(t -> all.add(Said.of("report.passed", "test", t.what())));
        }
        state.joints().trials().stream().filter(t -> t.joint().isEmpty() && t.passed()).map(Trial::function).distinct().forEach(f -> all.add(Said.of("report.passed", "test", f)));
        ShimStack.of(state.joints(), instrument).stream().filter(s -> !s.fitted().isEmpty()).forEach(s -> all.add(Said.of("report.shims", "place",
                instrument.part(s.place()).map(Part::name).orElse(world.nameOf(s.place())), "shims", s.fitted().getLast().isEmpty() ? Said.of("fact.shims.none") : Shims.pieces(s.fitted().getLast()))));
        Ledger ledger = Pending.ledger(state, instrument);
        all.add(Said.of(state.done(Stage.CLOSE) ? "report.ledger.closed" : "report.ledger", "ledger", ledger.zero() ? ledger.said() : Said.commas(ledger.lines(MOST_PARTS))));
        return all;
    }
}
