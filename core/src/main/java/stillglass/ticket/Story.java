package stillglass.ticket;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import stillglass.ticket.story.History;
import stillglass.ticket.story.Recorded;
import stillglass.ticket.story.Undone;

/// Everything that happened to a ticket, and the state that follows from it: the fold of all events that are not taken back. Immutable.
public final class Story {
    /// Nothing has happened.
    public static final Story NONE = new Story(List.of(), TicketState.NONE);

    private final List<Recorded> rows;
    private final TicketState state;

    private Story(List<Recorded> rows, TicketState state) {
        this.rows = rows;
        this.state = state;
    }

    /// @param rows of one ticket, in order
    public static Story of(List<Recorded> rows) {
        return NONE.and(rows);
    }

    /// The story with more rows. Cheap, unless something is taken back, when it is folded anew.
    public Story and(List<Recorded> more) {
        List<Recorded> all = new ArrayList<>(rows);
        all.addAll(more);
        History history = state.history();
        for (Recorded r : more) {
            history = history.after(r);
        }
        boolean backwards = more.stream().anyMatch(r -> r.event() instanceof Undone);
        Set<Long> undone = backwards ? history.undone() : Set.of();
        TicketState now = backwards ? TicketState.NONE : state;
        for (Recorded r : backwards ? all : more) {
            if (!undone.contains(r.act())) {
                now = now.after(r);
            }
        }
        return new Story(List.copyOf(all), now.with(history));
    }

    public List<Recorded> rows() {
        return rows;
    }

    public TicketState state() {
        return state;
    }
}
