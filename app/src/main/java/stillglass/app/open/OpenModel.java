package stillglass.app.open;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.app.desk.Say;
import stillglass.app.desk.Work;
import stillglass.app.step.StepPhotos;
import stillglass.app.theme.Words;
import stillglass.assembly.Build;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;
import stillglass.care.knack.Act;
import stillglass.care.knack.Knack;
import stillglass.care.knack.Trait;
import stillglass.plan.Leaves;
import stillglass.plan.LookAlikes;
import stillglass.plan.Step;
import stillglass.plan.WayIn;
import stillglass.say.Said;
import stillglass.ticket.TicketState;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.LetGo;
import stillglass.ticket.facts.Stuck;
import stillglass.ticket.joints.Expected;
import stillglass.ticket.joints.Inferred;
import stillglass.ticket.joints.LearnedMap;
import stillglass.ticket.joints.LeastMarks;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Stage;

/// What Open shows.
///
/// @param summary goal, length, cost and how sure the order is
/// @param rungs every joint of the way, opened ones first, in order
/// @param now the joint to open next; empty when there is nothing left to open
/// @param record what is on record of the joint in hand: the last that came off until another is taken in hand
/// @param tray what lies on the mat, newest first
/// @param expect what the construction lets expect next, where no way is planned
/// @param start how the record of a model nobody knows begins, before anything came off
/// @param photos whether there is a photo of a step to look at and to mark
/// @param barred whether trouble has closed every way to the goals
/// @param knacks what a hand should know at the joint in hand, while it is not off
public record OpenModel(
        String summary, List<Rung> rungs, Optional<Now> now, Optional<Record> record, List<Tray.Cell> tray, boolean hasGoal, boolean mapped, boolean barred,
        boolean photos, boolean done, Optional<Expect> expect, Optional<Start> start, List<Knack> knacks) {

    private static final int MOST_MORE = 3;

    /// How far a joint of the way is.
    public enum Progress {
        DONE,
        OFF_PLAN,
        NEXT,
        AHEAD
    }

    /// @param depth how many joints lie over it, at least
    /// @param mark whether a reference is marked before it
    /// @param hazard whether something may jump, roll or fall
    public record Rung(String joint, String name, String tool, int depth, boolean mark, boolean hazard, boolean turnOver, Progress progress) {}

    /// The joint to open next.
    /// @param instead what is taken instead of the tool the map names, and why
    /// @param marks references that must be kept before, and are not yet
    /// @param trouble the line that records the next try on it when it is stuck
    /// @param soak the wait that has not begun, where glue is to be softened
    public record Now(
            Joint joint,
            int number,
            int of,
            String doing,
            String tool,
            Optional<String> instead,
            List<Instrument.Reference> marks,
            List<String> cautions,
            List<String> lookAlikes,
            String trouble,
            Optional<Soak> soak) {
        public Now {
            marks = List.copyOf(marks);
            cautions = List.copyOf(cautions);
            lookAlikes = List.copyOf(lookAlikes);
        }
    }

    /// A joint that is expected, and that nobody has seen yet.
    /// @param how it is held and reached, with its chance
    /// @param variant what it may be instead
    /// @param marks references to be marked before
    /// @param hints what earlier jobs met, and the fewest marks it needs
    /// @param more what else may be met now, instead
    /// @param maybe parts that may lie with it, each with what is done when it does
    /// @param asExpected what Space does
    public record Expect(
            String joint, String name, String how, Optional<String> variant, List<Instrument.Reference> marks, List<String> cautions, List<String> hints, List<String> more, List<Also> maybe, Intent asExpected) {
        public Expect {
            marks = List.copyOf(marks);
            cautions = List.copyOf(cautions);
            hints = List.copyOf(hints);
            more = List.copyOf(more);
            maybe = List.copyOf(maybe);
        }
    }

    /// A part that may lie with an expected joint.
    public record Also(String name, double percent, Intent asExpected) {}

    private static Optional<Expect> expect(Work work) {
        return work.state().course().build(work.world()).flatMap(b -> {
            Expected all = new Expected(b, work.world().seen());
            List<Expected.Next> next = all.next(work.state().joints(), Set.copyOf(work.state().course().notThere()));
            return next.stream().findFirst().map(n -> new Expect(n.joint().id(), n.joint().name(),
                    Words.of("open.expect.how", Words.capital(n.joint().hold().said()), n.joint().side().word(), n.joint().tool(), 100 * n.chance()), n.variant(), n.marks(), Doing.cautions(n.joint()), hints(n.joint(), work),
                    next.stream().skip(1).limit(MOST_MORE).map(o -> Words.of("open.expect.more", o.joint().name(), 100 * o.chance())).toList(),
                    all.maybe(n.joint()).entrySet().stream().map(p -> new Also(p.getKey().name(), 100 * p.getValue(), all.met(n.joint(), List.of(p.getKey())))).toList(), all.met(n.joint())));
        });
    }

    private static List<String> hints(Joint expected, Work work) {
        List<String> all = new ArrayList<>(work.world().seen().told(LearnedMap.id(expected.name())).stream().map(Words::sentence).toList());
        LeastMarks.of(expected, work.state().joints(), work.world()).map(l -> Words.sentence(l.said(expected.name()))).ifPresent(all::add);
        return all;
    }

    /// How a record begins.
    /// @param examples lines that fit the sort of instrument
    /// @param builds constructions it may be built like
    public record Start(List<String> examples, List<Build> builds) {
        public Start {
            examples = List.copyOf(examples);
            builds = List.copyOf(builds);
        }
    }

    private static Optional<Start> start(Work work) {
        String sort = work.instrument().sort().name().toLowerCase(Locale.ROOT);
        return work.mapped() || work.state().joints().opening() || work.state().course().build().isPresent() ? Optional.empty()
                : Optional.of(new Start(List.of(Words.of("open.examples." + sort).split("\\|")), Build.of(work.world().builds(), work.instrument().sort())));
    }

    /// What is noted of the joint in hand.
    /// @param off whether it is off already
    /// @param expects what is worth noting
    /// @param noted what was noted so far
    /// @param clock where it let go, if noted
    /// @param facing part whose facing can be noted by a button
    /// @param hints what follows from that
    /// @param next the joint that can be taken in hand instead, with its name
    public record Record(
            String joint, String name, boolean off, String expects, List<String> noted, List<String> hints, Optional<ClockPosition> clock, Optional<String> facing, Optional<String> next) {
        public Record {
            noted = List.copyOf(noted);
            hints = List.copyOf(hints);
        }
    }

    /// A wait before a joint can be opened.
    public record Soak(String joint, Said label, double minutes) {
        /// @param now from which it is counted
        public Intent begin(Instant now) {
            return new CareEvent.TimerSet("soak-" + joint, label, now.plusSeconds(Math.round(60 * minutes)));
        }
    }

    private static Optional<Soak> soak(Joint j, TicketState s) {
        return j.hold() instanceof Hold.Glue g && g.waitMinutes() > 0 && !s.care().timers().containsKey("soak-" + j.id())
                ? Optional.of(new Soak(j.id(), Said.of("fact.stuck.label", "agent", g.softener(), "joint", j.name()), g.waitMinutes())) : Optional.empty();
    }

    public OpenModel {
        rungs = List.copyOf(rungs);
        tray = List.copyOf(tray);
        knacks = List.copyOf(knacks);
    }

    public static OpenModel of(Work work) {
        TicketState s = work.state();
        List<Joint> opened = s.joints().order().stream().flatMap(id -> work.instrument().joint(id).stream()).toList();
        List<Joint> ahead = work.computed().plan().map(WayIn.Plan::joints).orElse(List.of()).stream()
                .filter(j -> !s.joints().openNow().contains(j.id()) && !s.joints().order().contains(j.id()))
                .toList();
        List<Joint> all = new ArrayList<>(opened);
        all.addAll(ahead);
        Optional<Joint> next = ahead.stream().findFirst();
        return new OpenModel(summary(work, opened.size(), ahead.size()), rungs(all, opened.size(), work), next.map(j -> now(j, opened.size() + 1, all, work)),
                work.inHand().map(j -> record(j, next, work)), Tray.cells(work), !s.course().goals().isEmpty(), work.mapped(), !s.joints().barred().isEmpty() && work.computed().plan().isEmpty(), StepPhotos.of(work).isPresent(), s.done(Stage.OPEN),
                next.isPresent() ? Optional.empty() : expect(work), start(work), knacks(next, work));
    }

    /// At the joint that comes next, or else the one in hand that is not off yet, or the one the construction lets expect.
    private static List<Knack> knacks(Optional<Joint> next, Work work) {
        Optional<Joint> inHand = work.inHand().filter(j -> !work.state().joints().story(j.id()).open());
        Set<Trait> traits = inHand.or(() -> next).map(j -> Trait.of(j, j.frees().stream().flatMap(p -> work.instrument().part(p).stream()).toList()))
                .or(() -> work.state().course().build(work.world()).flatMap(b -> new Expected(b, work.world().seen()).next(work.state().joints(), Set.copyOf(work.state().course().notThere())).stream().findFirst()
                        .map(n -> Trait.of(n.joint(), n.joint().frees().stream().flatMap(p -> b.expected().part(p).stream()).toList()))))
                .orElse(Set.of());
        return work.care().knacks().at(Act.OPEN, traits);
    }

    private static String summary(Work work, int opened, int ahead) {
        return work.computed().plan().map(p -> Words.of("open.summary", opened, opened + ahead, p.minutes(), 100 * p.risk(), p.toolChanges(), p.turnOvers(),
                        p.provenBest() ? Words.of("open.proven") : Words.of("open.gap", p.cost() - p.bound())))
                .orElse("");
    }

    private static List<Rung> rungs(List<Joint> all, int opened, Work work) {
        Map<String, Integer> depths = new HashMap<>();
        Map<String, Joint> byId = new HashMap<>();
        work.instrument().joints().forEach(j -> byId.put(j.id(), j));
        List<Rung> rungs = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            Joint j = all.get(i);
            Progress progress = i < opened ? (work.state().joints().story(j.id()).offPlan() ? Progress.OFF_PLAN : Progress.DONE)
                    : i == opened ? Progress.NEXT : Progress.AHEAD;
            rungs.add(new Rung(j.id(), j.name(), j.tool(), depth(j, byId, depths), !j.loses().isEmpty(), !j.hazards().isEmpty(),
                    i > 0 && all.get(i - 1).side() != j.side() && j.side() != Side.AROUND, progress));
        }
        return rungs;
    }

    private static int depth(Joint j, Map<String, Joint> byId, Map<String, Integer> depths) {
        Integer known = depths.get(j.id());
        if (known != null) {
            return known;
        }
        int deepest = 0;
        for (String before : j.after()) {
            Joint other = byId.get(before);
            deepest = other == null ? deepest : Math.max(deepest, depth(other, byId, depths) + 1);
        }
        depths.put(j.id(), deepest);
        return deepest;
    }

    private static Now now(Joint j, int number, List<Joint> all, Work work) {
        TicketState s = work.state();
        List<Instrument.Reference> marks = j.loses().stream()
                .sorted()
                .filter(r -> !s.joints().references().containsKey(r))
                .flatMap(r -> work.instrument().reference(r).stream())
                .toList();
        List<String> alike = LookAlikes.among(work.instrument(), all).stream()
                .filter(p -> p.joint().id().equals(j.id()) || p.other().id().equals(j.id()))
                .sorted(Comparator.comparing(p -> !p.joint().id().equals(p.other().id())))
                .limit(2)
                .map(OpenModel::lookAlike)
                .toList();
        List<String> hints = new ArrayList<>(alike);
        marks.stream().findFirst().flatMap(r -> LeastMarks.of(j, s.joints(), work.world())).map(l -> Words.sentence(l.said(j.name()))).ifPresent(hints::add);
        return new Now(j, number, all.size(), Doing.open(j), Doing.with(j), instead(j, work), marks,
                cautions(j, work), hints, trouble(j, work), soak(j, s));
    }

    private static Record record(Joint j, Optional<Joint> next, Work work) {
        TicketState s = work.state();
        List<Fact> facts = s.joints().facts(j.id());
        Optional<String> facing = j.frees().stream()
                .flatMap(p -> work.instrument().part(p).stream())
                .filter(p -> p.facingMatters())
                .map(p -> p.element().orElse(p.id()))
                .findFirst();
        Optional<ClockPosition> clock = facts.stream()
                .filter(LetGo.class::isInstance)
                .map(f -> ((LetGo) f).at())
                .reduce((a, b) -> b);
        return new Record(j.id(), j.name(), s.joints().story(j.id()).open(), Doing.expects(j), facts.stream().map(Fact::said).map(Words::sentence).toList(), Inferred.of(j, s.joints(), work.world()).stream().map(Words::sentence).toList(), clock, facing,
                next.filter(n -> !n.id().equals(j.id())).map(Joint::name));
    }

    private static Optional<String> instead(Joint j, Work work) {
        return work.tools().instead(j.id()).map(l -> l.instead().map(i -> Words.of("open.instead", Words.capital(i), l.missing(), Words.say(l.why())))
                .orElse(Words.of("open.lacking", l.missing(), Words.say(l.why()))));
    }

    /// What is made safe or covered before the joint, with the reason, and what may jump, roll or harm.
    private static List<String> cautions(Joint j, Work work) {
        List<String> lines = new ArrayList<>();
        for (Step step : work.computed().plan().map(WayIn.Plan::steps).orElse(List.of())) {
            switch (step) {
                case Step.MakeSafe m when m.before().id().equals(j.id()) -> lines.add(Words.of("open.precaution", Words.say(m.what()), Words.say(m.why())));
                case Step.Protect p when p.before().id().equals(j.id()) -> lines.add(Words.of("open.precaution", Words.say(p.what()), Words.say(p.why())));
                case Step.Set m when m.before().id().equals(j.id()) -> lines.add(Words.of("open.precaution", Words.say(m.what()), Words.say(m.why())));
                case Step.MakeSafe m -> {}
                case Step.Set m -> {}
                case Step.Protect p -> {}
                case Step.Mark m -> {}
                case Step.Catch c -> {}
                case Step.Open o -> {}
            }
        }
        lines.addAll(Doing.cautions(j));
        Leaves.among(work.instrument(), work.goals()).stream().filter(l -> j.frees().contains(l.with().id())).map(l -> Words.sentence(l.said())).forEach(lines::add);
        work.state().course().taken().filter(t -> work.state().joints().found().stream().noneMatch(f -> f.joint().equals(j.id()))).ifPresent(t -> lines.add(Words.of("open.taken", t.name())));
        return lines;
    }

    private static String trouble(Joint j, Work work) {
        int tried = (int) work.state().joints().facts(j.id()).stream().filter(Stuck.class::isInstance).count();
        return work.stuck(j).next(tried).map(r -> r.waitMinutes() > 0 ? Words.of("open.trouble.type", r.means(), Words.number(r.waitMinutes())) : Words.of("open.trouble.type.now", r.means()))
                .orElse(Words.of("open.trouble.stop"));
    }

    private static String lookAlike(LookAlikes.Pair p) {
        String text = Words.of("open.alike", p.hole().cell(), p.hole().lengthMm(), p.otherHole().cell(), p.otherHole().lengthMm());
        return p.bottomsByMm() > 0 ? text + " " + Words.of("open.alike.bottoms", p.bottomsByMm()) : text;
    }

    public Say say() {
        if (expect.isPresent()) {
            Expect x = expect.get();
            return x.marks().isEmpty() ? new Say(Words.of("open.say.expect", Words.capital(x.name())), Words.of("open.keys.expect"))
                    : new Say(Words.of("open.say.mark", x.marks().getFirst().name(), x.marks().getFirst().how()), Words.of("open.keys.expect.mark"));
        }
        if (!mapped) {
            return new Say(Words.of("open.say.unmapped"), Words.of("open.keys.type"));
        }
        if (!hasGoal) {
            return new Say(Words.of("open.say.nogoal"), Words.of("keys.hint.decide"));
        }
        if (now.isEmpty() && barred) {
            return new Say(Words.of("open.say.barred"), Words.of("open.keys.type"));
        }
        if (now.isEmpty()) {
            return done ? new Say(Words.of("open.say.done"), Words.of("keys.hint.clean")) : new Say(Words.of("open.say.there"), Words.of("keys.hint.finish"));
        }
        Now n = now.get();
        return n.marks().isEmpty()
                ? new Say(n.doing(), Words.of("open.keys"))
                : new Say(Words.of("open.say.mark", n.marks().getFirst().name(), n.marks().getFirst().how()), Words.of("open.keys.mark"));
    }
}
