package stillglass.ticket.story;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// The acts of a ticket, done and taken back. Immutable.
///
/// @param version number of the last row; 0 when there is none
/// @param acts in order
/// @param lastChange when the last row was decided
public record History(long version, List<Act> acts, Instant lastChange) {
    /// Nothing was done.
    public static final History NONE = new History(0, List.of(), Instant.EPOCH);

    /// An act as far as taking back goes.
    /// @param undoes the act it took back, when it is one that does
    public record Act(long number, String bench, Optional<Long> undoes) {}

    public History {
        acts = List.copyOf(acts);
    }

    /// The history after one more row.
    public History after(Recorded row) {
        boolean more = acts.isEmpty() || acts.getLast().number() != row.act();
        Optional<Long> undoes = row.event() instanceof Undone u ? Optional.of(u.act()) : Optional.empty();
        return new History(row.seq(), more ? Grown.by(acts, new Act(row.act(), row.bench(), undoes)) : acts, row.at());
    }

    /// Number the next act gets.
    public long nextAct() {
        return acts.stream().mapToLong(Act::number).max().orElse(0) + 1;
    }

    /// Acts that are taken back. An undo that is itself taken back takes nothing back.
    public Set<Long> undone() {
        Set<Long> undone = new HashSet<>();
        for (Act a : acts.reversed()) {
            if (!undone.contains(a.number())) {
                a.undoes().ifPresent(undone::add);
            }
        }
        return undone;
    }

    /// The newest act that can be taken back. The first one, which began the ticket, never can.
    public Optional<Long> undoable(Who who) {
        Set<Long> undone = undone();
        return acts.reversed().stream().filter(a -> a.undoes().isEmpty() && a.number() > acts.getFirst().number() && !undone.contains(a.number()) && who.owns(a.bench()))
                .map(Act::number).findFirst();
    }

    /// The undo that can be taken back: the newest of one's own that stands, as long as one has done nothing else since.
    public Optional<Long> redoable(Who who) {
        Set<Long> undone = undone();
        for (Act a : acts.reversed()) {
            if (who.owns(a.bench())) {
                boolean redo = a.undoes().filter(u -> acts.stream().anyMatch(o -> o.number() == u && o.undoes().isPresent())).isPresent();
                if (a.undoes().isPresent() && !redo && !undone.contains(a.number())) {
                    return Optional.of(a.number());
                }
                if (a.undoes().isEmpty()) {
                    return Optional.empty();
                }
            }
        }
        return Optional.empty();
    }

    Decision undo(Who who) {
        return undoable(who).map(n -> Decision.accepted(new Undone(n))).orElse(Decision.refused("undo.nothing"));
    }

    Decision redo(Who who) {
        return redoable(who).map(n -> Decision.accepted(new Undone(n))).orElse(Decision.refused("redo.nothing"));
    }

    /// Decides a taking back or doing again.
    public Decision decide(Undo intent, Who who) {
        return undo(who);
    }

    /// Decides a doing again.
    public Decision decide(Redo intent, Who who) {
        return redo(who);
    }
}
