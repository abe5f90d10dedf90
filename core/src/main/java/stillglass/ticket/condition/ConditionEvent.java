package stillglass.ticket.condition;

import java.util.Optional;
import stillglass.care.Bump;
import stillglass.care.Covering;
import stillglass.say.Said;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Named;
import stillglass.ticket.story.Phase;

/// What was found at a place that is not glass, or that nothing was.
public sealed interface ConditionEvent extends Event, ConditionIntent {
    Phase phase();

    Place place();

    /// A flaw, as far as it has gone; said again it replaces what was said before.
    /// @param extent empty while nobody said how far; [Extent#NONE] when it is not there, or no longer
    /// @param count of blades, screws or spots it is on
    /// @param note more in the technician's words; empty for none
    @Named("flaw-found")
    record FlawFound(Phase phase, Place place, Flaw flaw, Optional<Extent> extent, Optional<Integer> count, String note) implements ConditionEvent {
        private static final int MOST = 999;
        private static final int LONGEST = 400;

        public FlawFound {
            if (!possible(count)) {
                throw new IllegalArgumentException(count.orElse(0) + " is no number of pieces: give 1 to " + MOST);
            }
            if (note.length() > LONGEST) {
                throw new IllegalArgumentException("a note of " + note.length() + " characters is too long: give at most " + LONGEST);
            }
        }

        /// Whether so many could be counted.
        public static boolean possible(Optional<Integer> count) {
            return count.filter(n -> n < 1 || n > MOST).isEmpty();
        }

        public boolean there() {
            return extent.filter(e -> e == Extent.NONE).isEmpty();
        }

        /// Where and what: `iris blades: wet, marked`.
        public Said saidWhere() {
            return Said.of("say.reads.flaw", "place", place.said(), "flaw", said());
        }

        /// Flaw, extent and count: `wet, marked, 2`.
        public Said said() {
            Said how = extent.map(e -> Said.of("flaw.extent", "flaw", flaw.said(), "extent", e.said())).orElse(flaw.counted() ? flaw.said() : Said.of("flaw.extent.unknown", "flaw", flaw.said()));
            Said counted = count.map(n -> Said.of(flaw.counted() ? "flaw.count.missing" : "flaw.count", "flaw", how, "count", n)).orElse(how);
            return note.isEmpty() ? counted : Said.of("flaw.note", "flaw", counted, "note", note);
        }
    }

    /// How the covering of a face is; said again it replaces what was said before.
    /// @param where which face
    @Named("covering-seen")
    record CoveringSeen(Phase phase, String where, Covering covering) implements ConditionEvent {
        @Override
        public Place place() {
            return Place.COVERING;
        }
    }

    /// A bump under a covering, measured.
    @Named("bump-seen")
    record BumpSeen(Phase phase, String where, Bump.Seen bump) implements ConditionEvent {
        @Override
        public Place place() {
            return Place.COVERING;
        }
    }

    /// A bump that was measured is no longer there: the covering was lifted, what grew was taken off.
    @Named("bump-gone")
    record BumpGone(Phase phase, String where) implements ConditionEvent {
        @Override
        public Place place() {
            return Place.COVERING;
        }
    }

    /// Somebody looked there and found nothing.
    @Named("place-sound")
    record PlaceSound(Phase phase, Place place) implements ConditionEvent {}
}
