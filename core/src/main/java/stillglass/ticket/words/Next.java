package stillglass.ticket.words;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.plan.WayBack;
import stillglass.say.Said;
import stillglass.ticket.Pending;
import stillglass.ticket.TicketState;
import stillglass.ticket.Zeroing;
import stillglass.ticket.joints.Closings;
import stillglass.ticket.joints.Expected;
import stillglass.ticket.joints.Ledger;
import stillglass.ticket.joints.Rework;
import stillglass.ticket.proof.Proof;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.World;

/// What to do next, in one sentence.
public final class Next {
    private Next() {}

    /// @param planned joint that is next on the way in, where one is planned
    /// @param rework what to do about a function that failed
    public static Said of(TicketState state, World world, Stage stage, Optional<Joint> planned, Optional<Rework> rework) {
        if (!state.tag().begun()) {
            return Said.of("next.begin");
        }
        return switch (stage) {
            case ARRIVE -> Said.of(state.arrival().symptoms().isEmpty() ? "next.symptom" : state.readings().checks().isEmpty() ? "next.check" : "next.look");
            case LOOK -> Said.of("next.photo");
            case DECIDE -> Said.of(state.course().goals().isEmpty() ? "next.goals" : "next.open");
            case OPEN -> open(state, world, planned);
            case CLEAN -> Said.of("next.clean");
            case CLOSE -> close(state, world, rework);
            case PROVE -> prove(state, world);
        };
    }

    /// What is expected to be met next, where it is taken to be built like something.
    public static Optional<Expected.Next> expected(TicketState state, World world) {
        return state.course().build(world).flatMap(b -> new Expected(b, world.seen()).next(state.joints(), Set.copyOf(state.course().notThere())).stream().findFirst());
    }

    private static Said open(TicketState state, World world, Optional<Joint> planned) {
        if (planned.isEmpty() && expected(state, world).isPresent()) {
            Expected.Next n = expected(state, world).get();
            return n.marks().isEmpty() ? Said.of("next.expected", "expected", n.said()) : Said.of("next.expected.mark", "expected", n.said(), "mark", n.marks().getFirst().name(), "how", n.marks().getFirst().how());
        }
        if (planned.isEmpty()) {
            return Said.of(state.course().goals().isEmpty() || world.instrument().joints().size() <= state.joints().found().size() ? "next.off" : "next.there");
        }
        Joint j = planned.get();
        Optional<String> mark = j.loses().stream().sorted().filter(r -> !state.joints().references().containsKey(r)).findFirst();
        return mark.map(r -> Said.of("next.mark", "joint", j.name(), "reference", world.instrument().reference(r).map(Instrument.Reference::name).orElse(r)))
                .orElse(Said.of("next.off.joint", "joint", j.name()));
    }

    private static Said close(TicketState state, World world, Optional<Rework> rework) {
        if (rework.isPresent()) {
            return failed(rework.get());
        }
        List<Joint> due = Closings.due(state.joints(), world.instrument());
        if (!due.isEmpty()) {
            return Said.of("next.test", "test", due.getFirst().close().test().orElseThrow().what());
        }
        Optional<WayBack.Step> step = WayBack.next(world.instrument(), state.joints().standing());
        if (step.isEmpty()) {
            return Said.of(state.joints().order().isEmpty() ? "next.nothing-open" : "next.closed");
        }
        List<Said> asks = step.get() instanceof WayBack.Step.Close || step.get() instanceof WayBack.Step.LeaveLoose ? Closings.asks(state.joints(), step.get().joint()) : List.of();
        String joint = step.get().joint().name();
        return switch (step.get()) {
            case WayBack.Step.Close c -> asks.isEmpty() ? Said.of("next.on", "joint", joint) : Said.of("next.ask", "joint", joint, "question", asks.getFirst());
            case WayBack.Step.LeaveLoose l -> asks.isEmpty() ? Said.of("next.on.loose", "joint", joint, "until", l.until().name()) : Said.of("next.ask", "joint", joint, "question", asks.getFirst());
            case WayBack.Step.Tighten t -> Said.of("next.tighten", "joint", joint);
            case WayBack.Step.Refit r -> Said.of("next.refit", "joint", joint, "during", r.during().name());
            case WayBack.Step.TakeOff t -> Said.of("next.take-off", "joint", joint);
            case WayBack.Step.Zero z -> {
                Said zero = Said.of("next.zero", "joint", joint, "what", z.joint().close().zeroLast().orElse(""));
                yield Zeroing.of(state, world).map(how -> Said.of("next.zero.how", "zero", zero, "how", how)).orElse(zero);
            }
        };
    }

    private static Said failed(Rework r) {
        String test = r.failed().function();
        if (r.suspects().isEmpty()) {
            return Said.of("next.failed", "test", test);
        }
        Said suspect = r.suspects().getFirst().said();
        return r.way().isEmpty() ? Said.of("next.failed.barred", "test", test, "suspect", suspect)
                : Said.of("next.failed.suspect", "test", test, "suspect", suspect, "joint", r.way().getFirst().name(), "more", r.way().size() - 1);
    }

    private static Said prove(TicketState state, World world) {
        if (state.proof().signed(state.joints()).isPresent()) {
            return Said.of("next.signed");
        }
        List<Said> wanted = Proof.wanted(state.readings(), state.joints(), world);
        Ledger ledger = Pending.ledger(state, world.instrument());
        return !ledger.zero() ? Said.of("next.ledger", "ledger", ledger.said()) : wanted.isEmpty() ? Said.of("next.sign") : Said.of("next.wanted", "wanted", wanted.getFirst());
    }
}
