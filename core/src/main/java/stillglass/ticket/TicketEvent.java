package stillglass.ticket;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Side;
import stillglass.grade.CheapTest;
import stillglass.grade.DepthReading;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.plan.Alternatives;

/// Something that happened, never changed once stored.
public sealed interface TicketEvent {

    /// Happenings of the outside world, which are kept as they come; all others follow from a decision.
    sealed interface Plain extends TicketEvent {}

    /// What was seen in the glass, and what was made of it since.
    sealed interface OnGlass extends TicketEvent {}

    /// What was done to joints, noted of them and stated again.
    sealed interface OnJoint extends TicketEvent {}

    record Opened(String number, String title, String instrumentId, String sectionId, String owner, LocalDate due)
            implements TicketEvent {}

    record SymptomNoted(String text) implements Plain {}

    record UseNoted(String text) implements Plain {}

    record OwnerNamed(String owner) implements Plain {}

    /// A function check at arrival or proof, such as iris or feel, in words.
    record FunctionChecked(Phase phase, String check, String found) implements Plain {}

    /// @param errorMm image of infinity minus film plane, positive behind the film
    /// @param uncertaintyMm one standard deviation
    record InfinityMeasured(Phase phase, double errorMm, double uncertaintyMm) implements Plain {
        public InfinityMeasured {
            if (!(Math.abs(errorMm) < 100) || !(uncertaintyMm >= 0 && uncertaintyMm < 10)) {
                throw new IllegalArgumentException("an infinity error of " + errorMm + " ± " + uncertaintyMm
                        + " mm is out of range: give less than 100 mm");
            }
        }
    }

    /// @param fromRear whether it looks in from behind
    /// @param caption what it shows
    record PhotoKept(String photoId, Phase phase, boolean fromRear, String caption) implements Plain {}

    /// A mark was drawn on a photo, or an earlier one with that number changed.
    /// @param number from 0
    record PhotoMarked(String photoId, int number, PhotoMark mark) implements Plain, OnGlass {}

    /// The last mark of a photo was taken off.
    record PhotoUnmarked(String photoId, int number) implements Plain, OnGlass {}

    record PhotoGraded(
            String photoId,
            Lighting lighting,
            Aperture aperture,
            List<Finding> findings,
            double veil,
            List<Double> sectorVeils,
            List<String> remarks)
            implements Plain, OnGlass {
        public PhotoGraded {
            findings = List.copyOf(findings);
            sectorVeils = List.copyOf(sectorVeils);
            remarks = List.copyOf(remarks);
        }
    }

    /// @param findingId photo id and number: `p1#2`
    record FindingRekinded(String findingId, FindingKind kind) implements OnGlass {}

    record FindingDismissed(String findingId) implements OnGlass {}

    record FindingPlaced(String findingId, int surface) implements OnGlass {}

    /// The surface given for a finding no longer holds.
    record FindingUnplaced(String findingId) implements OnGlass {}

    record DepthRead(String findingId, DepthReading reading) implements OnGlass {}

    /// A cheap test was done on a finding.
    /// @param test id in the table of tests
    /// @param kind the likeliest now
    /// @param chances of every kind now
    record FindingTested(String findingId, String test, CheapTest.Answer answer, FindingKind kind, Map<FindingKind, Double> chances)
            implements OnGlass {
        public FindingTested {
            chances = Map.copyOf(chances);
        }
    }

    /// The outline was drawn anew by hand.
    record FindingReshaped(String findingId, List<Finding.Region> regions) implements OnGlass {
        public FindingReshaped {
            regions = List.copyOf(regions);
        }
    }

    /// A finding was drawn by hand on a photo.
    record FindingDrawn(String findingId, String photoId, Finding finding) implements OnGlass {}

    /// Two findings are one fault; the second goes into the first.
    record FindingsMerged(String findingId, String gone) implements OnGlass {}

    /// Every outline of a finding is a fault of its own.
    record FindingSplit(String findingId) implements OnGlass {}

    /// @param depthMm plane behind the rim on which the photo is sharp
    record PhotoFocused(String photoId, double depthMm) implements Plain, OnGlass {
        public PhotoFocused {
            if (!(Math.abs(depthMm) < 500)) {
                throw new IllegalArgumentException("a photo focused at " + depthMm + " mm is out of range: give less than 500 mm");
            }
        }
    }

    /// How far a photo is turned against an earlier one, by what turns with the mount.
    /// @param turnDeg clockwise
    /// @param sigmaDeg one standard deviation
    record PhotoTurned(String photoId, String against, double turnDeg, double sigmaDeg) implements Plain, OnGlass {}

    /// @param fault short form of a [stillglass.optics.misassembly.LensFault]
    record MisassemblyFound(String fault) implements TicketEvent {}

    /// Every glass is where it should be.
    record AssemblyPutRight() implements TicketEvent {}

    record GradeOverruled(String findingId, int grade, String why) implements OnGlass {}

    /// @param goals as [stillglass.plan.Goal#parse] reads them
    record GoalsChosen(List<String> goals) implements TicketEvent {
        public GoalsChosen {
            goals = List.copyOf(goals);
        }
    }

    /// The map of a model built alike is the start, to be corrected by what is found.
    /// @param instrumentId of that model
    /// @param name of it
    /// @param likeness of the two rows of glasses, 0 to 1
    record ModelTaken(String instrumentId, String name, double likeness) implements TicketEvent {}

    /// The way in is to be of this sort.
    record WayChosen(Alternatives.Sort sort) implements TicketEvent {}

    /// The joints ahead in the order the technician prefers.
    record OrderChosen(List<String> joints) implements TicketEvent {
        public OrderChosen {
            joints = List.copyOf(joints);
        }
    }

    record ReferenceKept(String reference, String how, ClockPosition at) implements TicketEvent {}

    record FactNoted(String joint, Fact fact) implements OnJoint {}

    /// @param offPlan whether it was opened although something should have come first
    record JointOpened(String joint, boolean offPlan) implements OnJoint {}

    /// A joint that is on no map came off.
    /// @param hold how it holds, in a word
    /// @param part name of what it frees
    record JointFound(String joint, String name, String hold, Side side, String tool, String part) implements OnJoint {}

    /// Something went wrong at a joint.
    /// @param note in the technician's words
    record Troubled(String joint, Trouble kind, String note) implements OnJoint {}

    /// The trouble at a joint is over: found again, replaced, or understood.
    record Mended(String joint) implements OnJoint {}

    record PartCleaned(String part, String soil, String agent, boolean gone) implements TicketEvent {}

    record TimerSet(String timer, String label, Instant ends) implements Plain {}

    record TimerCleared(String timer) implements Plain {}

    /// @param matches whether it agrees with the record
    /// @param verdict what was found, in words
    record FactStated(String joint, Fact fact, boolean matches, String verdict) implements OnJoint {}

    record Greased(String joint, double massMg, String grease) implements Plain, OnJoint {
        public Greased {
            if (!(massMg > 0 && massMg < 1e5)) {
                throw new IllegalArgumentException("a dose of " + massMg + " mg is out of range");
            }
        }
    }

    /// Controls stand where they must before the halves of a joint meet.
    record ControlsSet(String joint) implements OnJoint {}

    record JointClosed(String joint, boolean loose) implements OnJoint {}

    record JointTightened(String joint) implements OnJoint {}

    /// Put back for a moment, to hold a reference while another joint closes.
    record JointRefitted(String joint, String during) implements OnJoint {}

    /// What was put back for a moment is off again.
    record JointTakenOff(String joint) implements OnJoint {}

    record JointZeroed(String joint) implements OnJoint {}

    record TestPassed(String joint, String test) implements Plain, OnJoint {}

    record ShimsFitted(List<Double> pieces) implements Plain {
        public ShimsFitted {
            pieces = List.copyOf(pieces);
        }
    }

    /// The technician knew better; kept beside what was computed.
    record Overruled(String what, String why) implements TicketEvent {}

    record StageDone(Stage stage) implements TicketEvent {}

    record ReportSigned(String by, Instant at) implements TicketEvent {}

    /// A typed line that was kept as it is.
    record LineKept(String text) implements Plain {}

    /// Takes back everything one earlier intent did. Taking back an undo does it again.
    record Undone(long intent) implements TicketEvent {}
}
