package stillglass.ticket;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.assembly.Joint;
import stillglass.plan.WayBack;

/// Decides whether a joint may be closed: what was recorded must have been seen again, and agree.
public final class Closing {
    private Closing() {}

    /// Facts of the record that must be stated again before the joint is closed.
    public static List<Fact> wanted(TicketState state, String joint) {
        Map<String, Fact> wanted = new LinkedHashMap<>();
        for (Fact f : state.facts(joint)) {
            subject(f).ifPresent(s -> wanted.put(s, f));
        }
        for (TicketEvent.FactStated s : state.stated(joint)) {
            subject(s.fact()).ifPresent(k -> {
                if (s.matches()) {
                    wanted.remove(k);
                }
            });
        }
        // A dance goes back last in, first out; the rest as it was noted.
        List<Fact> out = new ArrayList<>(wanted.values().stream().filter(f -> !(f instanceof Fact.Moved)).toList());
        out.addAll(wanted.values().stream().filter(Fact.Moved.class::isInstance).toList().reversed());
        return List.copyOf(out);
    }

    /// What a fact is about, so that a later statement answers an earlier one; empty for facts that nobody need repeat.
    static Optional<String> subject(Fact fact) {
        return switch (fact) {
            case Fact.Facing f -> Optional.of("facing " + f.part());
            case Fact.LetGo l -> Optional.of("lets go");
            case Fact.Turns t -> Optional.of("turns");
            case Fact.Proud p -> Optional.of("proud");
            case Fact.Screw s -> Optional.of("screw " + s.cell());
            case Fact.Shims s -> Optional.of("shims");
            case Fact.Ball b -> Optional.of("ball");
            case Fact.Spring s -> Optional.of("spring");
            case Fact.Collar c -> Optional.of("collar");
            case Fact.BackedOff b -> Optional.of("turned back");
            case Fact.Preload p -> Optional.of("preload");
            case Fact.Moved m -> Optional.of("move " + m.what());
            case Fact.Stuck s -> Optional.empty();
            case Fact.Damaged d -> Optional.empty();
            case Fact.Earlier e -> Optional.empty();
            case Fact.Photo p -> Optional.empty();
            case Fact.Clocked c -> Optional.of("clocking");
            case Fact.Note n -> Optional.empty();
        };
    }

    /// What carries a step of the rebuild out.
    public static Intent intent(WayBack.Step step) {
        String id = step.joint().id();
        return switch (step) {
            case WayBack.Step.Close c -> new Intent.CloseJoint(id, false, Optional.empty());
            case WayBack.Step.LeaveLoose l -> new Intent.CloseJoint(id, true, Optional.empty());
            case WayBack.Step.Tighten t -> new Intent.Tighten(id);
            case WayBack.Step.Refit r -> new Intent.Refit(id, r.during().id());
            case WayBack.Step.TakeOff t -> new Intent.TakeOff(id);
            case WayBack.Step.Zero z -> new Intent.Zero(id);
        };
    }

    static Decision close(TicketState state, Intent.CloseJoint c, Decision.World world) {
        Optional<Joint> found = world.instrument().joint(c.joint());
        if (found.isEmpty() || !state.openNow().contains(c.joint())) {
            return new Decision.Refused(Decision.nameOf(c.joint(), world) + " is not open.");
        }
        Joint joint = found.get();
        Optional<String> objection = objection(state, joint, world);
        boolean despite = c.despite().filter(w -> !w.isBlank()).isPresent();
        if (objection.isPresent() && !despite) {
            return new Decision.Refused(objection.get());
        }
        List<TicketEvent> events = new ArrayList<>();
        objection.ifPresent(o -> events.add(new TicketEvent.Overruled(o, c.despite().orElseThrow())));
        events.add(new TicketEvent.JointClosed(joint.id(), c.loose()));
        return new Decision.Accepted(events);
    }

    /// A sub-assembly is tried before anything is closed over it.
    private static Optional<String> holdPoint(TicketState state, Joint joint, Decision.World world) {
        return state.closed().stream().sorted().filter(id -> !state.loose().contains(id) && !state.tested(id) && !id.equals(joint.id()))
                .flatMap(id -> world.instrument().joint(id).stream())
                .flatMap(j -> j.close().test().map(t -> "Try first: " + t + ". Found out now it costs a minute.").stream())
                .findFirst();
    }

    /// What hinders a step of the rebuild that closes nothing.
    static Decision refit(TicketState state, Intent.Refit r, Decision.World world) {
        Optional<Joint> joint = world.instrument().joint(r.joint());
        return joint.isEmpty() || !state.openNow().contains(r.joint())
                ? new Decision.Refused(Decision.nameOf(r.joint(), world) + " is not open: there is nothing to put back.")
                : Decision.accepted(new TicketEvent.JointRefitted(r.joint(), r.during()));
    }

    static Decision takeOff(TicketState state, Intent.TakeOff t, Decision.World world) {
        return state.refitted().contains(t.joint())
                ? Decision.accepted(new TicketEvent.JointTakenOff(t.joint()))
                : new Decision.Refused(Decision.nameOf(t.joint(), world) + " was not put back for a moment.");
    }

    static Decision setControls(TicketState state, Intent.SetControls s, Decision.World world) {
        return world.instrument().joint(s.joint()).filter(j -> j.close().setFirst().isPresent() && state.openNow().contains(j.id())).isPresent()
                ? Decision.accepted(new TicketEvent.ControlsSet(s.joint()))
                : new Decision.Refused("Nothing has to be set for " + Decision.nameOf(s.joint(), world) + " now.");
    }

    static Decision zero(TicketState state, Intent.Zero z, Decision.World world) {
        if (!state.openNow().isEmpty() || !state.loose().isEmpty()) {
            return new Decision.Refused("It is zeroed last: close and tighten the rest first.");
        }
        return world.instrument().joint(z.joint()).filter(j -> j.close().zeroLast().isPresent()).isPresent()
                ? Decision.accepted(new TicketEvent.JointZeroed(z.joint()))
                : new Decision.Refused(Decision.nameOf(z.joint(), world) + " has no zero.");
    }

    private static Optional<String> objection(TicketState state, Joint joint, Decision.World world) {
        Optional<String> hindrance = holdPoint(state, joint, world).or(() -> WayBack.hindrance(world.instrument(), state.openNow(), joint));
        if (hindrance.isPresent()) {
            return hindrance;
        }
        List<Fact> wanted = wanted(state, joint.id());
        if (!wanted.isEmpty()) {
            Optional<TicketEvent.FactStated> wrong = state.stated(joint.id()).stream()
                    .filter(s -> !s.matches())
                    .reduce((a, b) -> b);
            return Optional.of(wrong.map(TicketEvent.FactStated::verdict)
                    .orElseGet(() -> "Say what you see first: " + question(wanted.getFirst())));
        }
        Optional<TicketEvent.FactStated> turned = state.stated(joint.id()).stream().filter(s -> s.fact() instanceof Fact.Clocked).reduce((a, b) -> b);
        if (turned.filter(t -> !t.matches()).isPresent()) {
            return turned.map(TicketEvent.FactStated::verdict);
        }
        if (joint.close().setFirst().isPresent() && !state.controlsSet(joint.id())) {
            return Optional.of("Set first: " + joint.close().setFirst().get() + ". Say \"set\" when it stands so.");
        }
        Optional<Joint> held = joint.close().refit().flatMap(world.instrument()::joint)
                .filter(r -> state.openNow().contains(r.id()) && !state.refitted().contains(r.id()));
        if (held.isPresent()) {
            return Optional.of("Put " + held.get().name() + " back for a moment first: it holds what " + joint.name() + " is lined up by.");
        }
        if (joint.close().greased() && state.greased(joint.id()).isEmpty()) {
            return Optional.of("Grease " + joint.name() + " before it is closed.");
        }
        return Optional.empty();
    }

    /// How to ask for a fact without giving the answer away.
    public static String question(Fact wanted) {
        return switch (wanted) {
            case Fact.Facing f -> "which face of " + f.name() + " is up?";
            case Fact.LetGo l -> "at which clock position does the thread take hold?";
            case Fact.Turns t -> "how many turns until it is home?";
            case Fact.Proud p -> "how far does the ring stand proud, in mm?";
            case Fact.Screw s -> "how long is the screw for cell " + s.cell() + ", in mm?";
            case Fact.Shims s -> "which shims go under it?";
            case Fact.Ball b -> "which ball goes in?";
            case Fact.Spring s -> "which spring goes in?";
            case Fact.Collar c -> "at which clock position does the eccentric collar stand?";
            case Fact.BackedOff b -> "by how many degrees is it turned back from its seat?";
            case Fact.Preload p -> "how many turns of load are on the spring?";
            case Fact.Moved m -> "to which clock position is the " + m.what() + " turned now?";
            case Fact.Stuck s -> "";
            case Fact.Damaged d -> "";
            case Fact.Earlier e -> "";
            case Fact.Photo p -> "";
            case Fact.Clocked c -> "";
            case Fact.Note n -> "";
        };
    }
}
