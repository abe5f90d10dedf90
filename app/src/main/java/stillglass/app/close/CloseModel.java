package stillglass.app.close;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import stillglass.app.checks.Causes;
import stillglass.app.desk.Say;
import stillglass.app.desk.Work;
import stillglass.app.open.Doing;
import stillglass.app.step.StepPhotos;
import stillglass.app.theme.Words;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.assembly.Point;
import stillglass.care.CareTables;
import stillglass.care.GreaseDose;
import stillglass.care.knack.Act;
import stillglass.care.knack.Knack;
import stillglass.care.knack.Trait;
import stillglass.care.Greasing;
import stillglass.plan.WayBack;
import stillglass.ticket.TicketState;
import stillglass.ticket.Zeroing;
import stillglass.ticket.facts.ThreadSize;
import stillglass.ticket.facts.Clocked;
import stillglass.ticket.facts.Facing;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.LetGo;
import stillglass.ticket.facts.Lubricated;
import stillglass.ticket.joints.Closings;
import stillglass.ticket.RunningIn;
import stillglass.ticket.proof.HoldPoints;
import stillglass.ticket.joints.JointEvent;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.joints.JointStory;
import stillglass.ticket.joints.Ledger;
import stillglass.ticket.joints.Notes;
import stillglass.ticket.joints.Occurrence;
import stillglass.ticket.joints.Rework;
import stillglass.ticket.joints.Statement;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Stage;

/// What Close shows.
///
/// @param now the joint in hand
/// @param ahead names of what follows, in order
/// @param tests tests that wait: joints closed whose function was not tried yet, or failed
/// @param failure the function that failed last, with what may be to blame
/// @param causes what may be wrong with the assembly, by what was measured of it; empty while nothing disagrees
/// @param runIn the thread that is run in, and what to do with it; empty where none is
/// @param ledger what is still open
/// @param knacks what a hand should know at the joint in hand, and at its grease
public record CloseModel(
        Optional<Now> now, List<String> ahead, List<Test> tests, Optional<Failure> failure, List<String> causes, List<String> runIn, LedgerLines ledger, boolean anythingOpened, boolean done,
        List<Knack> knacks) {
    /// A point of contact the map names.
    /// @param fact what is stated when it was seen to
    public record PointItem(String said, String why, boolean done, Fact fact) {}

    private static final int MOST_GREASES = 8;
    /// What is told of too much is told of half as much again.
    private static final double HALF_AGAIN = 1.5;
    private static final int MOST_CAUSES = 5;
    private static final int MOST_PARTS = 12;
    private static final int MOST_TESTS = 3;
    private static final int MOST_SUSPECTS = 3;

    /// @param act what Space does
    /// @param label of that
    /// @param before what differs from plain closing, in words
    /// @param recalled what was noted of it and is worth knowing again
    /// @param toSet controls to be set before the halves meet, until that is said
    /// @param questions what must be stated before it is closed
    /// @param stated what was stated, and whether it agrees
    /// @param facing part whose facing is asked for
    /// @param clock whether a clock position is asked for
    /// @param dose grease it wants now
    /// @param photo whether there is a photo of the record with which it can be compared
    /// @param points what is laid on or kept dry before it closes
    public record Now(
            Joint joint,
            int number,
            int of,
            String doing,
            String tool,
            Intent act,
            String label,
            List<String> before,
            List<String> recalled,
            Optional<String> toSet,
            List<String> questions,
            List<Stated> stated,
            Optional<String> facing,
            boolean clock,
            Optional<Dose> dose,
            Optional<String> greased,
            boolean photo,
            List<PointItem> points) {
        public Now {
            points = List.copyOf(points);
            before = List.copyOf(before);
            recalled = List.copyOf(recalled);
            questions = List.copyOf(questions);
            stated = List.copyOf(stated);
        }

        /// The same although something is missing or differs.
        public Intent despite(String reason) {
            return switch (act) {
                case JointIntent.Close c -> new JointIntent.Close(c.joint(), c.loose(), Optional.of(reason));
                case JointIntent.Tighten t -> new JointIntent.Tighten(t.joint(), Optional.of(reason));
                default -> act;
            };
        }

        /// Whether nothing has to be said or done before.
        public boolean ready() {
            return questions.isEmpty() && dose.filter(Dose::must).isEmpty() && toSet.isEmpty() && points.stream().allMatch(PointItem::done);
        }
    }

    /// @param ofPhoto whether two photos said it
    public record Stated(String said, String verdict, boolean matches, boolean ofPhoto) {}

    /// @param milligrams to be laid on the thread, where its measures are known
    /// @param how area, film, bead
    /// @param must whether it is not closed without
    /// @param greases that were laid on this bench, the last one first; the usual name where none was
    /// @param excess what more of it would do
    public record Dose(Optional<Double> milligrams, String how, List<String> greases, boolean must, String excess) {
        public Dose {
            greases = List.copyOf(greases);
        }
    }

    /// @param joint whose function it is, where a map says so
    /// @param why it is tried now
    /// @param must whether nothing goes over it before it is tried
    public record Test(Optional<String> joint, String test, String why, boolean must) {}

    /// @param said what failed, and how
    /// @param suspects what may be to blame, likeliest first
    /// @param way joints to open again, in order, to get at the likeliest
    public record Failure(String said, List<Suspect> suspects, List<Again> way) {
        public Failure {
            suspects = List.copyOf(suspects);
            way = List.copyOf(way);
        }
    }

    /// @param why it is one
    public record Suspect(String joint, String name, String why) {}

    /// A joint to open again.
    public record Again(String joint, String name) {}

    /// @param count everything not as it should be
    /// @param lines one line each
    public record LedgerLines(int count, List<String> lines) {
        public LedgerLines {
            lines = List.copyOf(lines);
        }
    }

    public CloseModel {
        ahead = List.copyOf(ahead);
        tests = List.copyOf(tests);
        causes = List.copyOf(causes);
        runIn = List.copyOf(runIn);
        knacks = List.copyOf(knacks);
    }

    public static CloseModel of(Work work) {
        TicketState s = work.state();
        List<WayBack.Step> way = work.wayBack();
        List<Test> tests = HoldPoints.due(s.readings(), s.joints(), work.instrument()).stream().map(CloseModel::test).limit(MOST_TESTS).toList();
        Ledger ledger = work.ledger();
        return new CloseModel(
                way.stream().findFirst().map(step -> now(step, s.joints().order().size() - s.joints().openNow().size() + 1, work)),
                way.stream().skip(1).map(CloseModel::ahead).toList(), tests, work.computed().rework().map(CloseModel::failure), Causes.told(s, work).lines().stream().limit(MOST_CAUSES).toList(), runIn(work),
                new LedgerLines(ledger.count(), ledger.lines(MOST_PARTS).stream().map(Words::sentence).toList()), !s.joints().order().isEmpty(), s.done(Stage.CLOSE),
                way.stream().findFirst().map(step -> knacks(step, work)).orElse(List.of()));
    }

    /// Grease first, as it is laid before the halves meet.
    private static List<Knack> knacks(WayBack.Step step, Work work) {
        Joint j = step.joint();
        Set<Trait> traits = Trait.of(j, j.frees().stream().flatMap(p -> work.instrument().part(p).stream()).toList());
        JointStory story = work.state().joints().story(j.id());
        List<Knack> all = new ArrayList<>();
        if (step instanceof WayBack.Step.Close && story.closing().greased().isEmpty() && greasy(j, story, work)) {
            traits.add(Trait.THREAD);
            all.addAll(work.care().knacks().at(Act.GREASE, traits));
        }
        if (!(step instanceof WayBack.Step.TakeOff)) {
            all.addAll(work.care().knacks().at(Act.CLOSE, traits));
        }
        return all;
    }

    private static Test test(HoldPoints h) {
        boolean mapped = h.why().key().equals("hold.mapped") || h.why().key().equals("hold.failed");
        return new Test(mapped ? h.joint() : Optional.empty(), h.function(), Words.sentence(h.why()), mapped);
    }

    /// What must be tried before anything goes on.
    public Optional<Test> due() {
        return tests.stream().filter(Test::must).findFirst();
    }

    private static Failure failure(Rework r) {
        List<Suspect> suspects = r.suspects().stream().limit(MOST_SUSPECTS).map(x -> new Suspect(x.joint().id(), x.joint().name(), Words.sentence(x.said()))).toList();
        return new Failure(Words.of("close.failed", r.failed().function(), r.failed().what()), suspects, r.way().stream().map(j -> new Again(j.id(), j.name())).toList());
    }

    private static Now now(WayBack.Step step, int number, Work work) {
        TicketState s = work.state();
        Joint j = step.joint();
        boolean closes = step instanceof WayBack.Step.Close || step instanceof WayBack.Step.LeaveLoose;
        JointStory story = s.joints().story(j.id());
        List<Fact> wanted = closes ? story.waiting().stream().map(Occurrence::fact).toList() : List.of();
        return new Now(j, number, s.joints().order().size(), doing(step), Doing.with(j), Closings.intent(step), label(step), before(step, work),
                story.recalled().stream().map(o -> Words.sentence(o.fact().said())).toList(),
                j.close().setFirst().filter(p -> closes && !story.closing().controlsSet()),
                wanted.stream().map(Fact::question).map(Words::sentence).toList(),
                story.closing().statements().stream().map(f -> stated(f, story, j, work)).toList(),
                wanted.stream().filter(Facing.class::isInstance).map(f -> ((Facing) f).part()).findFirst(),
                wanted.stream().anyMatch(LetGo.class::isInstance),
                closes && story.closing().greased().isEmpty() && greasy(j, story, work) ? Optional.of(dose(j, story, work.care())) : Optional.empty(),
                story.closing().greased().map(g -> greased(g, j, story)), StepPhotos.recorded(j, s).isPresent(), closes ? points(j, story) : List.of());
    }

    private static Stated stated(Statement f, JointStory story, Joint j, Work work) {
        return new Stated(Words.sentence(f.fact().said()), Words.sentence(Closings.said(Notes.verdict(f, story, j, work.world()))), f.matches(), f.fact() instanceof Clocked);
    }

    private static List<PointItem> points(Joint j, JointStory story) {
        List<Point> due = Closings.due(j, story);
        return j.close().points().stream().map(p -> new PointItem(Words.sentence(Lubricated.of(p).said()), p.why(), !due.contains(p), Lubricated.of(p))).toList();
    }

    /// Whether its thread takes grease, or may: what nobody drew is asked about, not held up.
    private static boolean greasy(Joint j, JointStory story, Work work) {
        return j.close().greased() || ThreadSize.of(story.facts()).isPresent() || j.frees().stream().flatMap(p -> work.instrument().part(p).stream()).anyMatch(p -> p.kind() == Part.Kind.HELICOID);
    }

    /// Where the thread's measures are not known, how much it takes is not either.
    private static Dose dose(Joint j, JointStory story, CareTables care) {
        List<String> greases = care.greases().isEmpty() ? List.of(Words.of("close.grease.usual")) : care.greases().stream().limit(MOST_GREASES).toList();
        Optional<ThreadSize> size = RunningIn.thread(j, story);
        if (size.isEmpty()) {
            return new Dose(Optional.empty(), Words.of("close.dose.unknown"), greases, j.close().greased(), Words.of("close.dose.excess"));
        }
        Greasing g = RunningIn.dose(size.get());
        double full = g.volumeMm3() * GreaseDose.USUAL_DENSITY;
        return new Dose(Optional.of(full), Words.of(g.measured() ? "close.dose.measured" : "close.dose.how", g.areaMm2() / 100, g.filmMm(), g.beadMm(GreaseDose.USUAL_NEEDLE_MM), GreaseDose.USUAL_NEEDLE_MM), greases, j.close().greased(),
                RunningIn.creep(j, story, HALF_AGAIN * full).map(c -> Words.of("close.dose.creep", c.excessMg(), c.standing().low(), c.standing().high(), c.lying().low(), c.lying().high())).orElse(Words.of("close.dose.excess")));
    }

    private static List<String> runIn(Work work) {
        return RunningIn.of(work.state(), work.instrument()).map(r -> Stream.concat(Stream.of(Words.of("close.runin", r.joint().name())), r.next().said().stream().map(Words::say)).toList()).orElse(List.of());
    }

    /// With what the oil of a surplus may do by autumn.
    private static String greased(JointEvent.Greased g, Joint j, JointStory story) {
        String laid = g.massMg().map(mg -> Words.of("close.greased", mg, g.grease())).orElse(Words.of("close.greased.unweighed", g.grease()));
        return g.massMg().flatMap(mg -> RunningIn.creep(j, story, mg)).map(c -> laid + " " + Words.of("close.creep", c.excessMg(), c.standing().low(), c.standing().high(), c.lying().low(), c.lying().high())).orElse(laid);
    }

    private static String ahead(WayBack.Step step) {
        String name = step.joint().name();
        return switch (step) {
            case WayBack.Step.Close c -> name;
            case WayBack.Step.LeaveLoose l -> Words.of("close.ahead.loose", name);
            case WayBack.Step.Tighten t -> Words.of("close.ahead.tight", name);
            case WayBack.Step.Refit r -> Words.of("close.ahead.refit", name);
            case WayBack.Step.TakeOff t -> Words.of("close.ahead.takeoff", name);
            case WayBack.Step.Zero z -> Words.of("close.ahead.zero", name);
        };
    }

    private static String doing(WayBack.Step step) {
        Joint j = step.joint();
        return switch (step) {
            case WayBack.Step.Close c -> Doing.close(j, false);
            case WayBack.Step.LeaveLoose l -> Doing.close(j, true);
            case WayBack.Step.Tighten t -> Words.of("close.tighten", j.name());
            case WayBack.Step.Refit r -> Words.of("close.refit", j.name(), r.during().name());
            case WayBack.Step.TakeOff t -> Words.of("close.takeoff", j.name());
            case WayBack.Step.Zero z -> Words.of("close.zero", j.name(), j.close().zeroLast().orElse(""));
        };
    }

    private static List<String> before(WayBack.Step step, Work work) {
        return switch (step) {
            case WayBack.Step.LeaveLoose l -> List.of(Words.of("close.loose.until", l.until().name()));
            case WayBack.Step.Refit r -> List.of(Words.of("close.refit.why", r.during().name()));
            case WayBack.Step.Zero z -> List.of(Zeroing.of(work.state(), work.world()).map(Words::sentence).orElse(Words.of("close.zero.why")));
            case WayBack.Step.Close c -> List.of();
            case WayBack.Step.Tighten t -> List.of();
            case WayBack.Step.TakeOff t -> List.of();
        };
    }

    private static String label(WayBack.Step step) {
        return Words.of(switch (step) {
            case WayBack.Step.Close c -> "close.do";
            case WayBack.Step.LeaveLoose l -> "close.loose.do";
            case WayBack.Step.Tighten t -> "close.tighten.do";
            case WayBack.Step.Refit r -> "close.refit.do";
            case WayBack.Step.TakeOff t -> "close.takeoff.do";
            case WayBack.Step.Zero z -> "close.zero.do";
        });
    }

    public Say say() {
        if (!anythingOpened) {
            return new Say(Words.of("close.say.nothing"), Words.of("keys.hint.open"));
        }
        if (failure.isPresent()) {
            return new Say(failure.get().said(), Words.of(failure.get().suspects().isEmpty() ? "close.keys.test" : "close.keys.failed"));
        }
        if (due().isPresent()) {
            return new Say(Words.of("close.say.test", due().get().test()), Words.of("close.keys.test"));
        }
        if (now.isEmpty()) {
            return done ? new Say(Words.of("close.say.done"), Words.of("keys.hint.prove")) : new Say(Words.of("close.say.finish"), Words.of("keys.hint.finish"));
        }
        Now n = now.get();
        if (!n.questions().isEmpty()) {
            return new Say(Words.of("close.say.question", n.questions().getFirst()), Words.of(n.facing().isPresent() ? "close.keys.facing" : "close.keys.answer"));
        }
        if (n.toSet().isPresent()) {
            return new Say(Words.of("close.say.set", n.toSet().get()), Words.of("close.keys.set"));
        }
        Optional<PointItem> point = n.points().stream().filter(p -> !p.done()).findFirst();
        if (point.isPresent()) {
            return new Say(point.get().said(), Words.of("close.keys.point"));
        }
        if (n.dose().filter(Dose::must).isPresent()) {
            return new Say(n.dose().get().milligrams().map(mg -> Words.of("close.say.grease", mg, n.joint().name())).orElse(Words.of("close.say.grease.unknown", n.joint().name())), Words.of("close.keys.grease"));
        }
        return new Say(n.doing(), Words.of(n.photo() && n.stated().stream().noneMatch(CloseModel.Stated::ofPhoto) ? "close.keys.photo" : "close.keys"));
    }
}
