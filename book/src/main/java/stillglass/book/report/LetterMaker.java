package stillglass.book.report;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import stillglass.look.FindingKind;
import stillglass.prove.measure.Quantity;
import stillglass.prove.measure.Verdict;
import stillglass.say.Said;
import stillglass.ticket.TicketState;
import stillglass.ticket.facts.Damaged;
import stillglass.ticket.glass.Called;
import stillglass.ticket.glass.Known;
import stillglass.ticket.joints.JointStory;
import stillglass.ticket.proof.Proof;
import stillglass.ticket.proof.Provable;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.World;

/// A letter to the owner: what was asked for, what was found, what was done, how it is now, what is left and when to look again. In plain words, without a figure where a word does.
public final class LetterMaker {
    /// Findings that can come back.
    private static final Set<FindingKind> ALIVE = Set.of(FindingKind.FUNGUS);

    private final TicketState state;
    private final World world;

    private LetterMaker(TicketState state, World world) {
        this.state = state;
        this.world = world;
    }

    /// @param zone in which days are told
    public static Report of(TicketState state, World world, ZoneId zone) {
        LetterMaker m = new LetterMaker(state, world);
        List<Report.Block> blocks = new ArrayList<>();
        blocks.add(new Report.Block.Lines(Said.of("letter.asked"), m.asked()));
        blocks.add(new Report.Block.Lines(Said.of("letter.found"), m.found()));
        blocks.add(new Report.Block.Lines(Said.of("letter.done"), m.done()));
        blocks.add(new Report.Block.Lines(Said.of("letter.now"), m.now()));
        blocks.add(new Report.Block.Lines(Said.of("letter.left"), m.left()));
        blocks.add(new Report.Block.Lines(Said.of("letter.care"), m.care()));
        Said signature = state.proof().signed(state.joints()).map(s -> Said.of("report.signed", "by", s.by(), "day", s.at().atZone(zone).toLocalDate().toString())).orElse(Said.of("letter.draft"));
        Said owner = state.tag().owner().map(o -> Said.of("letter.dear", "owner", o)).orElse(Said.of("letter.dear.unknown"));
        return new Report(Said.of("letter.title", "title", state.tag().title(), "number", state.tag().number()), owner, blocks, List.of(), signature);
    }

    private List<Said> asked() {
        List<Said> out = new ArrayList<>(state.arrival().symptoms().stream().map(Said::text).toList());
        if (!state.arrival().use().isBlank()) {
            out.add(Said.of("letter.use", "use", state.arrival().use()));
        }
        return out;
    }

    /// What is likelier a fault than nothing: an owner is told of no other.
    private Stream<Known> there() {
        return state.glass().findings().stream().filter(k -> !k.doubtful());
    }

    private List<Said> found() {
        List<Said> out = new ArrayList<>();
        List<Said> kinds = there().map(k -> Called.of(k, world.section())).sorted(Comparator.comparing(Called::kind)).map(Called::fault).distinct().toList();
        if (!kinds.isEmpty()) {
            out.add(Said.of("letter.in-glass", "kinds", Said.and(kinds)));
        }
        for (String f : state.readings().checks(Phase.BEFORE).keySet()) {
            state.readings().last(Phase.BEFORE, f).filter(c -> !c.free() || state.readings().sometimes(f).isPresent()).flatMap(c -> state.readings().told(Phase.BEFORE, f, -1)).ifPresent(how -> out.add(Said.of("letter.function", "function", f, "found", how)));
        }
        for (Provable p : provable()) {
            long off = p.points().stream().filter(t -> t.arrived(OptionalDouble.empty()).filter(v -> v == Verdict.FAILS).isPresent()).count();
            if (off > 0) {
                out.add(Said.of("letter.arrived-off", "what", p.quantity().said(), "off", off, "of", p.points().size()));
            }
        }
        damaged(false, out);
        return out;
    }

    private void damaged(boolean ours, List<Said> out) {
        for (JointStory s : state.joints().stories().values()) {
            s.facts().stream().filter(f -> f instanceof Damaged d && d.ours() == ours).forEach(f -> out.add(Said.of("report.at", "joint", world.nameOf(s.joint()), "what", f.said())));
        }
    }

    private List<Provable> provable() {
        return Provable.all(state.readings(), state.joints(), world.instrument());
    }

    private List<Said> done() {
        List<Said> out = new ArrayList<>();
        int opened = state.joints().firstOrder().size();
        if (opened > 0) {
            out.add(Said.of("letter.opened", "count", opened));
        }
        long gone = state.care().cleaned().stream().filter(c -> c.gone()).map(c -> c.part()).distinct().count();
        if (gone > 0) {
            out.add(Said.of("letter.cleaned", "count", gone));
        }
        long greased = state.joints().stories().values().stream().filter(s -> s.closing().greased().isPresent()).count();
        if (greased > 0) {
            out.add(Said.of("letter.greased", "count", greased));
        }
        return out;
    }

    private List<Said> now() {
        List<Said> out = new ArrayList<>();
        for (String f : state.readings().checks(Phase.AFTER).keySet()) {
            state.readings().told(Phase.AFTER, f, state.joints().lastOpened()).ifPresent(how -> out.add(Said.of("letter.function", "function", f, "found", how)));
        }
        Proof.infinity(state.readings(), state.joints()).ifPresent(i -> out.add(Said.of("letter.infinity")));
        for (Provable p : provable()) {
            if (p.quantity() == Quantity.INFINITY) {
                continue;
            }
            long after = p.points().stream().filter(t -> t.after().isPresent()).count();
            long holds = p.points().stream().filter(t -> t.verdict(OptionalDouble.empty()).filter(v -> v == Verdict.HOLDS).isPresent()).count();
            long fails = p.points().stream().filter(t -> t.verdict(OptionalDouble.empty()).filter(v -> v == Verdict.FAILS).isPresent()).count();
            if (after > 0 && holds == after) {
                out.add(Said.of("letter.holds", "what", p.quantity().said(), "count", after));
            } else if (after > 0 && fails == 0) {
                out.add(Said.of("letter.measured", "what", p.quantity().said(), "count", after));
            }
        }
        return out;
    }

    private List<Said> left() {
        List<Said> out = new ArrayList<>();
        for (Provable p : provable()) {
            p.points().stream().filter(t -> t.verdict(OptionalDouble.empty()).filter(v -> v == Verdict.FAILS).isPresent()).forEach(t -> out.add(plain(t)));
        }
        state.care().cleaned().stream().filter(c -> !c.gone()).filter(c -> state.care().cleaned().stream().noneMatch(d -> d.gone() && d.part().equals(c.part())))
                .forEach(c -> out.add(Said.of("letter.not-gone", "part", world.instrument().part(c.part()).map(x -> x.name()).orElse(c.part()), "soil", world.care().soil(c.soil()).map(x -> x.name()).orElse(c.soil()))));
        damaged(true, out);
        state.care().harmed().forEach(h -> out.add(ReportMaker.harmed(h, world)));
        state.course().overruled().forEach(o -> out.add(o.why().isBlank() ? o.what() : Said.of("report.overruled.why", "what", o.what(), "why", o.why())));
        return out;
    }

    /// What a figure outside its limit means to somebody who takes pictures.
    private static Said plain(Provable.Point t) {
        double departure = t.quantity().departure(t.at(), t.after().orElseThrow().value()).orElse(0);
        return t.quantity() == Quantity.SPEED || t.quantity() == Quantity.OPENING
                ? Said.of(departure > 0 ? "letter.more-light" : "letter.less-light", "what", t.quantity().said(), "at", t.quantity().place(t.at()), "stops", Math.abs(departure))
                : Said.of("letter.outside", "what", t.quantity().said(), "at", t.quantity().place(t.at()));
    }

    private List<Said> care() {
        List<Said> out = new ArrayList<>();
        if (there().anyMatch(k -> ALIVE.contains(k.finding().kind()))) {
            out.add(Said.of("letter.fungus"));
        }
        out.add(Said.of(state.joints().stories().values().stream().anyMatch(s -> s.closing().greased().isPresent()) ? "letter.again.greased" : "letter.again"));
        return out;
    }
}
