package stillglass.ticket;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.assembly.Joint;

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
        return List.copyOf(wanted.values());
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
            case Fact.Stuck s -> Optional.empty();
            case Fact.Photo p -> Optional.empty();
            case Fact.Note n -> Optional.empty();
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

    private static Optional<String> objection(TicketState state, Joint joint, Decision.World world) {
        List<String> later = state.openNow().stream()
                .filter(id -> world.instrument()
                        .joint(id)
                        .filter(j -> j.after().contains(joint.id()))
                        .isPresent())
                .map(id -> Decision.nameOf(id, world))
                .toList();
        if (!later.isEmpty()) {
            return Optional.of(joint.name() + " comes after " + String.join(", ", later) + ", still open behind it.");
        }
        List<Fact> wanted = wanted(state, joint.id());
        if (!wanted.isEmpty()) {
            Optional<TicketEvent.FactStated> wrong = state.stated(joint.id()).stream()
                    .filter(s -> !s.matches())
                    .reduce((a, b) -> b);
            return Optional.of(wrong.map(TicketEvent.FactStated::verdict)
                    .orElseGet(() -> "Say what you see first: " + question(wanted.getFirst())));
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
            case Fact.Stuck s -> "";
            case Fact.Photo p -> "";
            case Fact.Note n -> "";
        };
    }
}
