package stillglass.ticket.words;

import java.util.Optional;
import stillglass.assembly.Joint;
import stillglass.plan.WayBack;
import stillglass.ticket.TicketState;
import stillglass.ticket.story.Stage;
import stillglass.ticket.story.World;

/// Which joint is in hand, so that a line need not name it.
public final class InHand {
    private InHand() {}

    /// While closing the next one to be put back. Before that the last that was tried or came off, until something else is; where there is none, the one planned next.
    /// @param planned next on the way in
    public static Optional<Joint> of(TicketState state, World world, Stage stage, Optional<Joint> planned) {
        if (stage == Stage.CLOSE) {
            return WayBack.next(world.instrument(), state.joints().standing()).map(WayBack.Step::joint);
        }
        Optional<Joint> last = state.joints().inHand().flatMap(world.instrument()::joint);
        return last.isPresent() ? last : stage == Stage.OPEN ? planned : Optional.empty();
    }
}
