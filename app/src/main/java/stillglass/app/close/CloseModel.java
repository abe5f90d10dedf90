package stillglass.app.close;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.app.desk.Say;
import stillglass.app.desk.Work;
import stillglass.app.open.Doing;
import stillglass.app.step.StepPhotos;
import stillglass.app.theme.Words;
import stillglass.assembly.Hold;
import stillglass.assembly.Joint;
import stillglass.care.GreaseDose;
import stillglass.plan.WayBack;
import stillglass.ticket.Closing;
import stillglass.ticket.Fact;
import stillglass.ticket.Intent;
import stillglass.ticket.Ledger;
import stillglass.ticket.Stage;
import stillglass.ticket.TicketEvent;
import stillglass.ticket.TicketState;

/// What Close shows.
///
/// @param now the joint in hand
/// @param ahead names of what follows, in order
/// @param tests tests that wait: joints closed whose function was not tried yet
/// @param ledger what is still open
public record CloseModel(
        Optional<Now> now, List<String> ahead, List<Test> tests, LedgerLines ledger, boolean anythingOpened, boolean done) {

    /// @param act what Space does
    /// @param label of that
    /// @param before what differs from plain closing, in words
    /// @param toSet controls to be set before the halves meet, until that is said
    /// @param questions what must be stated before it is closed
    /// @param stated what was stated, and whether it agrees
    /// @param facing part whose facing is asked for
    /// @param clock whether a clock position is asked for
    /// @param dose grease it wants now
    /// @param photo whether there is a photo of the record with which it can be compared
    public record Now(
            Joint joint,
            int number,
            int of,
            String doing,
            String tool,
            Intent act,
            String label,
            List<String> before,
            Optional<String> toSet,
            List<String> questions,
            List<Stated> stated,
            Optional<String> facing,
            boolean clock,
            Optional<Dose> dose,
            Optional<String> greased,
            boolean photo) {
        public Now {
            before = List.copyOf(before);
            questions = List.copyOf(questions);
            stated = List.copyOf(stated);
        }

        /// The same although something is missing or differs.
        public Intent despite(String reason) {
            return act instanceof Intent.CloseJoint c ? new Intent.CloseJoint(c.joint(), c.loose(), Optional.of(reason)) : act;
        }

        /// Whether nothing has to be said or done before.
        public boolean ready() {
            return questions.isEmpty() && dose.isEmpty() && toSet.isEmpty();
        }
    }

    /// @param ofPhoto whether two photos said it
    public record Stated(String said, String verdict, boolean matches, boolean ofPhoto) {}

    /// @param milligrams to be laid on the thread
    /// @param how area, film, bead
    public record Dose(double milligrams, String how) {}

    public record Test(String joint, String test) {}

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
    }

    public static CloseModel of(Work work) {
        TicketState s = work.state();
        List<WayBack.Step> way = work.wayBack();
        List<Test> tests = new ArrayList<>();
        for (String id : s.opened()) {
            work.instrument().joint(id)
                    .filter(j -> s.closed().contains(id) && !s.loose().contains(id) && !s.tested(id))
                    .flatMap(j -> j.close().test())
                    .ifPresent(t -> tests.add(new Test(id, t)));
        }
        return new CloseModel(
                way.stream().findFirst().map(step -> now(step, s.opened().size() - s.openNow().size() + 1, work)),
                way.stream().skip(1).map(CloseModel::ahead).toList(), tests, lines(work.ledger()), !s.opened().isEmpty(), s.done(Stage.CLOSE));
    }

    private static LedgerLines lines(Ledger l) {
        List<String> lines = new ArrayList<>();
        if (!l.openJoints().isEmpty()) {
            lines.add(Words.count("ledger.joints", l.openJoints().size()));
        }
        l.partsOut().stream().limit(12).forEach(p -> lines.add(Words.of("ledger.part", p.name())));
        if (l.partsOut().size() > 12) {
            lines.add(Words.of("ledger.more", l.partsOut().size() - 12));
        }
        l.caught().forEach(c -> lines.add(Words.of("ledger.caught", c)));
        if (!l.loose().isEmpty()) {
            lines.add(Words.count("ledger.loose", l.loose().size()));
        }
        l.temporary().forEach(t -> lines.add(Words.of("ledger.temporary", t)));
        l.unzeroed().forEach(z -> lines.add(Words.of("ledger.unzeroed", z)));
        l.troubles().forEach(t -> lines.add(Words.of("ledger.trouble", Words.capital(t.kind().word()), t.note().isEmpty() ? t.joint() : t.note())));
        l.untested().forEach(t -> lines.add(Words.of("ledger.untested", t)));
        return new LedgerLines(l.count(), lines);
    }

    private static Now now(WayBack.Step step, int number, Work work) {
        TicketState s = work.state();
        Joint j = step.joint();
        boolean closes = step instanceof WayBack.Step.Close || step instanceof WayBack.Step.LeaveLoose;
        List<Fact> wanted = closes ? Closing.wanted(s, j.id()) : List.of();
        Optional<Dose> dose = Optional.empty();
        if (closes && j.close().greased() && s.greased(j.id()).isEmpty() && j.hold() instanceof Hold.Thread t) {
            GreaseDose d = GreaseDose.usual(t);
            dose = Optional.of(new Dose(d.massMg(), Words.of("close.dose.how", d.areaMm2() / 100, GreaseDose.USUAL_FILM_MM, d.beadMm(), d.beadDiameterMm())));
        }
        return new Now(j, number, s.opened().size(), doing(step), Words.of("open.tool", j.tool(), Words.of("side." + j.side().word())), Closing.intent(step), label(step), before(step),
                j.close().setFirst().filter(p -> closes && !s.controlsSet(j.id())),
                wanted.stream().map(Closing::question).map(Words::capital).toList(),
                s.stated(j.id()).stream().map(f -> new Stated(Words.capital(f.fact().say()), f.verdict(), f.matches(), f.fact() instanceof Fact.Clocked)).toList(),
                wanted.stream().filter(Fact.Facing.class::isInstance).map(f -> ((Fact.Facing) f).part()).findFirst(),
                wanted.stream().anyMatch(Fact.LetGo.class::isInstance), dose,
                s.greased(j.id()).map(TicketEvent.Greased::massMg).map(mg -> Words.of("close.greased", mg)), StepPhotos.recorded(j, s).isPresent());
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

    private static List<String> before(WayBack.Step step) {
        return switch (step) {
            case WayBack.Step.LeaveLoose l -> List.of(Words.of("close.loose.until", l.until().name()));
            case WayBack.Step.Refit r -> List.of(Words.of("close.refit.why", r.during().name()));
            case WayBack.Step.Zero z -> List.of(Words.of("close.zero.why"));
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
        if (!tests.isEmpty()) {
            return new Say(Words.of("close.say.test", tests.getFirst().test()), Words.of("close.keys.test"));
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
        if (n.dose().isPresent()) {
            return new Say(Words.of("close.say.grease", n.dose().get().milligrams(), n.joint().name()), Words.of("close.keys.grease"));
        }
        return new Say(n.doing(), Words.of(n.photo() && n.stated().stream().noneMatch(CloseModel.Stated::ofPhoto) ? "close.keys.photo" : "close.keys"));
    }
}
