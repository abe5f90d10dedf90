package stillglass.ticket.joints;

import java.util.List;
import java.util.Optional;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Side;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.story.Intent;

/// What is to be done to joints, or said of them.
public sealed interface JointIntent extends Intent {
    record Note(String joint, List<Fact> facts) implements JointIntent {
        public Note {
            facts = List.copyOf(facts);
        }
    }

    /// @param occurrence number of the row that noted it
    record Correct(String joint, long occurrence, Fact fact) implements JointIntent {}

    record Withdraw(String joint, long occurrence) implements JointIntent {}

    record KeepReference(String reference, String how, Optional<ClockPosition> at) implements JointIntent {}

    /// @param before joint it is made for; empty for the next that comes off
    record Mark(stillglass.ticket.facts.Mark mark, Optional<String> before) implements JointIntent {}

    /// @param anyway it is already off, whatever should have come first
    record Open(String joint, boolean anyway) implements JointIntent {}

    /// Something that is on no map.
    /// @param off whether it came off; else it is only in hand
    record Find(String name, Optional<String> hold, Side side, Optional<String> tool, List<String> parts, boolean off) implements JointIntent {
        public Find {
            parts = List.copyOf(parts);
        }
    }

    /// Takes a joint in hand before it is off.
    record Try(String joint) implements JointIntent {}

    record State(String joint, Fact fact) implements JointIntent {}

    /// @param despite reason for closing although something is missing or differs
    record Close(String joint, boolean loose, Optional<String> despite) implements JointIntent {}

    /// @param despite reason for tightening although it should stay loose
    record Tighten(String joint, Optional<String> despite) implements JointIntent {}

    /// Controls stand where they must before the halves meet.
    record SetControls(String joint) implements JointIntent {}

    /// Puts a joint back for a moment.
    record Refit(String joint, Optional<String> during) implements JointIntent {}

    record TakeOff(String joint) implements JointIntent {}

    record Zero(String joint) implements JointIntent {}

    record Grease(String joint, Optional<Double> massMg, String grease) implements JointIntent {}

    /// @param joint after whose closing it is tried; empty for a function that hangs on no joint
    record Test(Optional<String> joint, String function, boolean passed, String what) implements JointIntent {}

    /// Something went wrong at a joint.
    record Report(String joint, Trouble kind, String note) implements JointIntent {}

    /// @param words of the note it was reported with, where several troubles are meant apart
    record Mend(String joint, Optional<String> words) implements JointIntent {}

    record FitShims(Optional<String> place, List<Double> pieces) implements JointIntent {
        public FitShims {
            pieces = List.copyOf(pieces);
        }
    }

    /// Says which stack moves infinity.
    record NameInfinityShims(String place) implements JointIntent {}
}
