package stillglass.ticket.joints;

import java.util.List;
import java.util.Optional;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Side;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.Mark;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Named;

/// What happened to joints, and what was noted and stated of them.
public sealed interface JointEvent extends Event {

    /// A joint that is on no map came to light; it may still be closed.
    /// @param hold how it holds, in a word, when that was said
    /// @param side from where it is reached, unknown when nobody said
    /// @param tool what opens it, when that was said
    /// @param parts names of what it frees
    @Named(value = "joint-found", version = 2)
    record Found(String joint, String name, Optional<String> hold, Side side, Optional<String> tool, List<String> parts) implements JointEvent {
        public Found {
            parts = List.copyOf(parts);
        }
    }

    /// A joint was taken in hand before it is off.
    @Named("joint-tried")
    record Tried(String joint) implements JointEvent {}

    @Named("fact-noted")
    record Noted(String joint, Fact fact) implements JointEvent {}

    /// An occurrence was something else.
    /// @param occurrence number of the row that noted it
    @Named("fact-corrected")
    record Corrected(String joint, long occurrence, Fact fact) implements JointEvent {}

    /// An occurrence was none.
    @Named("fact-withdrawn")
    record Withdrawn(String joint, long occurrence) implements JointEvent {}

    /// A reference of the map was marked.
    /// @param at where, when that was said
    @Named("reference-kept")
    record ReferenceKept(String reference, String how, Optional<ClockPosition> at) implements JointEvent {}

    /// A mark was made on the spot, or an old one found.
    /// @param name the part it is on, or what it marks
    /// @param other the part on which it goes on
    /// @param strokes how many; empty when nobody said
    /// @param medium with what, when that was said
    /// @param ours whether it was made on this bench
    /// @param before joint it was made for; empty for the next that comes off
    @Named(value = "mark-made", version = 2)
    record MarkMade(
            String name, Optional<String> other, Optional<ClockPosition> at, Optional<ClockPosition> otherAt, Optional<Integer> strokes, Optional<String> medium, boolean ours, Optional<String> before)
            implements JointEvent {
        static MarkMade of(Mark m, Optional<String> before) {
            return new MarkMade(m.name(), m.other(), m.at(), m.otherAt(), Optional.of(m.strokes()).filter(n -> n > 0), m.medium(), m.ours(), before);
        }

        Mark mark() {
            return new Mark(name, other, at, otherAt, strokes.orElse(0), medium, ours);
        }
    }

    /// @param offPlan whether it was opened although something should have come first
    @Named("joint-opened")
    record Opened(String joint, boolean offPlan) implements JointEvent {}

    /// Something was stated while closing.
    /// @param matches whether it agrees with the record
    /// @param answers the occurrence it was held against
    @Named(value = "fact-stated", version = 2)
    record Stated(String joint, Fact fact, boolean matches, Optional<Long> answers) implements JointEvent {}

    /// Controls stand where they must before the halves of a joint meet.
    @Named("controls-set")
    record ControlsSet(String joint) implements JointEvent {}

    /// @param massMg when it was weighed or metered
    @Named(value = "greased", version = 2)
    record Greased(String joint, Optional<Double> massMg, String grease) implements JointEvent {
        private static final double MOST_MG = 1e5;

        public Greased {
            if (massMg.filter(mg -> !(mg > 0 && mg < MOST_MG)).isPresent()) {
                throw new IllegalArgumentException("a dose of " + massMg.get() + " mg is out of range");
            }
        }
    }

    @Named("joint-closed")
    record Closed(String joint, boolean loose) implements JointEvent {}

    @Named("joint-tightened")
    record Tightened(String joint) implements JointEvent {}

    /// Put back for a moment.
    /// @param during joint for whose sake; empty when nobody said, as while opening
    @Named(value = "joint-refitted", version = 2)
    record Refitted(String joint, Optional<String> during) implements JointEvent {}

    /// What was put back for a moment is off again.
    @Named("joint-taken-off")
    record TakenOff(String joint) implements JointEvent {}

    @Named("joint-zeroed")
    record Zeroed(String joint) implements JointEvent {}

    /// A function was tried.
    /// @param joint after whose closing it is tried; empty for one that hangs on no joint
    /// @param what how it failed
    @Named("function-tried")
    record Tested(Optional<String> joint, String function, boolean passed, String what) implements JointEvent {}

    /// Something went wrong at a joint.
    /// @param note in the technician's words
    @Named("troubled")
    record Troubled(String joint, Trouble kind, String note) implements JointEvent {}

    /// Trouble at a joint is over: found again, replaced, or understood.
    /// @param occurrence number of the row that reported it; empty for the last at that joint
    @Named(value = "mended", version = 2)
    record Mended(String joint, Optional<Long> occurrence) implements JointEvent {}

    /// @param place where the stack lies; empty when only one is known
    @Named(value = "shims-fitted", version = 2)
    record ShimsFitted(Optional<String> place, List<Double> pieces) implements JointEvent {
        public ShimsFitted {
            pieces = List.copyOf(pieces);
        }
    }

    /// The stack at a place is the one that moves the whole lens against the film.
    @Named("infinity-shims-named")
    record InfinityShimsNamed(String place) implements JointEvent {}
}
