package stillglass.ticket;

import java.util.Comparator;
import java.util.Locale;
import java.util.Optional;
import stillglass.assembly.Joint;
import stillglass.prove.ZeroTurn;
import stillglass.say.Said;
import stillglass.ticket.facts.ThreadSeen;
import stillglass.ticket.proof.Proof;
import stillglass.ticket.story.World;

/// How a focus ring is zeroed in numbers: the error of infinity through the lead of the thread it moves, as far as both are known.
public final class Zeroing {
    private Zeroing() {}

    /// @return nothing before infinity was measured
    public static Optional<Said> of(TicketState state, World world) {
        return Proof.infinity(state.readings(), state.joints()).map(i -> {
            double error = i.read().errorMm();
            Optional<Named> thread = thread(state, world);
            return thread.map(t -> turn(error, i.read().uncertaintyMm(), t)).orElseGet(() -> Said.of("zero.no-lead", "mm", error));
        });
    }

    private record Named(String joint, ThreadSeen seen) {}

    private static Said turn(double errorMm, double sigmaMm, Named t) {
        ZeroTurn turn = ZeroTurn.of(errorMm, sigmaMm, t.seen.leadMm(), t.seen.sigmaMm());
        return turn.degrees() <= turn.sigmaDegrees() ? Said.of("zero.enough", "mm", errorMm, "sigma", sigmaMm)
                : Said.of(turn.towardsNear() ? "zero.near" : "zero.far", "mm", errorMm, "joint", t.joint, "lead", t.seen.leadMm(), "degrees", turn.degrees(), "sigma", turn.sigmaDegrees());
    }

    /// The focusing thread: a helicoid before anything else that is called after the focus.
    private static Optional<Named> thread(TicketState state, World world) {
        return world.instrument().joints().stream().filter(j -> rank(j) < 3)
                .sorted(Comparator.comparingInt(Zeroing::rank))
                .flatMap(j -> ThreadSeen.of(j, state.joints().facts(j.id())).map(t -> new Named(j.name(), t)).stream())
                .findFirst();
    }

    private static int rank(Joint j) {
        String name = j.name().toLowerCase(Locale.ROOT);
        return name.contains("helicoid") ? 0 : name.contains("focus") ? 1 : name.contains("barrel") ? 2 : 3;
    }
}
