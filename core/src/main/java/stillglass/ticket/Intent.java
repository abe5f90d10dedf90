package stillglass.ticket;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Side;
import stillglass.grade.CheapTest;
import stillglass.grade.DepthReading;
import stillglass.grade.TellApart;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.plan.Alternatives;

/// What the technician wants to have done or recorded.
public sealed interface Intent {

    /// Begin a ticket.
    record Begin(TicketEvent.Opened tag, List<TicketEvent.Plain> first) implements Intent {
        public Begin {
            first = List.copyOf(first);
        }
    }

    /// Keep happenings as they are.
    record Keep(List<TicketEvent.Plain> happened) implements Intent {
        public Keep {
            happened = List.copyOf(happened);
        }

        public Keep(TicketEvent.Plain one) {
            this(List.of(one));
        }
    }

    record Rekind(String findingId, FindingKind kind) implements Intent {}

    /// Answer the question that tells kinds apart.
    /// @param told what is known with the answer
    record AnswerTest(String findingId, String test, CheapTest.Answer answer, TellApart told) implements Intent {}

    record Reshape(String findingId, List<Finding.Region> regions) implements Intent {
        public Reshape {
            regions = List.copyOf(regions);
        }
    }

    /// Draw a fault that was not seen by the application.
    record Draw(String photoId, FindingKind kind, Finding.Region outline) implements Intent {}

    /// @param gone goes into `findingId`
    record Merge(String findingId, String gone) implements Intent {}

    record Split(String findingId) implements Intent {}

    record Dismiss(String findingId) implements Intent {}

    record Place(String findingId, int surface) implements Intent {}

    /// How deep a finding seems to lie.
    record ReadDepth(String findingId, DepthReading reading) implements Intent {}

    /// Say where a photo is sharp.
    /// @param number of the photo among those of the work before, from 1
    /// @param depthMm behind the rim
    record FocusPhoto(int number, double depthMm) implements Intent {}

    /// Something was found assembled wrongly.
    /// @param fault short form of a [stillglass.optics.misassembly.LensFault]
    record FindAssembled(String fault) implements Intent {}

    /// Every glass is where it should be.
    record AssembledRight() implements Intent {}

    record OverruleGrade(String findingId, int grade, String why) implements Intent {}

    record ChooseGoals(List<String> goals) implements Intent {
        public ChooseGoals {
            goals = List.copyOf(goals);
        }
    }

    /// Start from the map of a model built alike.
    record StartFrom(String instrumentId, String name, double likeness) implements Intent {}

    record ChooseWay(Alternatives.Sort sort) implements Intent {}

    /// @param joints those ahead, in the order preferred
    record Reorder(List<String> joints) implements Intent {
        public Reorder {
            joints = List.copyOf(joints);
        }
    }

    record KeepReference(String reference, String how, ClockPosition at) implements Intent {}

    record NoteFacts(String joint, List<Fact> facts) implements Intent {
        public NoteFacts {
            facts = List.copyOf(facts);
        }
    }

    /// Keep a photo of a joint together with what it tells: that it was taken, or how far what it shows is turned.
    /// @param about the photo itself where nothing more is told
    record PhotographStep(TicketEvent.PhotoKept kept, String joint, Fact about) implements Intent {}

    /// @param anyway it is already off, whatever should have come first
    record OpenJoint(String joint, boolean anyway) implements Intent {}

    /// Something that is on no map came off.
    record FindJoint(String name, String hold, Side side, String tool) implements Intent {}

    record Clean(String part, String soil, String agent, boolean gone) implements Intent {}

    record StateFact(String joint, Fact fact) implements Intent {}

    /// @param despite reason for closing although something is missing or differs
    record CloseJoint(String joint, boolean loose, Optional<String> despite) implements Intent {}

    record Tighten(String joint) implements Intent {}

    /// Controls stand where they must before the halves meet.
    record SetControls(String joint) implements Intent {}

    /// Put a joint back for a moment, to hold a reference.
    record Refit(String joint, String during) implements Intent {}

    record TakeOff(String joint) implements Intent {}

    record Zero(String joint) implements Intent {}

    /// Something went wrong at a joint.
    record Report(String joint, Trouble kind, String note) implements Intent {}

    record Mend(String joint) implements Intent {}

    /// @param despite reason for calling it done although the ledger is not at zero
    record FinishStage(Stage stage, Optional<String> despite) implements Intent {}

    record Sign(String by, Instant at) implements Intent {}

    record Undo() implements Intent {}
}
