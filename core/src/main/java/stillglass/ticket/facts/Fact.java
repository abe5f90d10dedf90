package stillglass.ticket.facts;

import java.util.Optional;
import stillglass.assembly.ClockPosition;
import stillglass.say.Said;

/// Something observed about a joint. Every one that is noted is an occurrence of its own: two balls are two.
public interface Fact {
    /// Whether, and how, it comes back when the joint is closed.
    enum Again {
        /// It must be seen again, or the joint is not closed.
        ASKED,
        /// It is shown at the closing step and in the report.
        RECALLED,
        /// It is history.
        LOGGED
    }

    /// A wait that begins with it.
    /// @param label what is waited for
    record Wait(Said label, double minutes) {}

    /// What it is about within its joint: a later statement about the same answers it.
    String about();

    default Again again() {
        return Again.ASKED;
    }

    /// Whether there can be only one of it, so that a later one stands instead of it.
    default boolean single() {
        return true;
    }

    /// Whether it is a move of a dance, which goes back last in, first out.
    default boolean move() {
        return false;
    }

    /// Whether it is a thing that lies on the tray by itself: a ball, a spring.
    default boolean thing() {
        return false;
    }

    /// Whether it says something of the model, and not of this one piece only.
    default boolean ofModel() {
        return true;
    }

    /// In the bench's words.
    Said said();

    /// How to ask for it without giving the answer away.
    default Said question() {
        return Said.of("fact.question");
    }

    /// How this, stated while closing, agrees with what was recorded about the same.
    /// @param recorded another fact with the same [#about]
    Verdict against(Fact recorded, Scene scene);

    /// Where on the dial what it speaks of stands, where it says so.
    default Optional<ClockPosition> stands() {
        return Optional.empty();
    }

    /// The wait that begins when it is noted.
    /// @param joint name of its joint
    default Optional<Wait> waits(String joint) {
        return Optional.empty();
    }

    /// A thing that lies on the tray by itself; two of them are two.
    interface Thing extends Fact {
        @Override
        default boolean single() {
            return false;
        }

        @Override
        default boolean thing() {
            return true;
        }
    }

    /// What speaks of this one piece only: later jobs on the model do not hear of it.
    interface OfPiece extends Fact {
        @Override
        default boolean ofModel() {
            return false;
        }
    }

    /// A move of a dance: goes back last in, first out, however often a thing moves.
    interface Move extends Fact {
        /// What was moved.
        String what();

        @Override
        default String about() {
            return "move";
        }

        @Override
        default boolean single() {
            return false;
        }

        @Override
        default boolean move() {
            return true;
        }
    }

    /// What is history: it is not asked again, and nothing can stand against it.
    interface Logged extends Fact {
        @Override
        default Again again() {
            return Again.LOGGED;
        }

        @Override
        default Verdict against(Fact recorded, Scene scene) {
            return Verdict.agrees(this);
        }
    }

    /// What is shown again when the joint is closed, and goes to the report.
    interface Recalled extends Fact {
        @Override
        default Again again() {
            return Again.RECALLED;
        }

        @Override
        default Verdict against(Fact recorded, Scene scene) {
            return Verdict.agrees(this);
        }
    }
}
