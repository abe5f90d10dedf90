package stillglass.app.step;

import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.stream.Stream;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.assembly.Joint;
import stillglass.ticket.TicketState;
import stillglass.ticket.facts.Clocked;
import stillglass.ticket.facts.Photo;
import stillglass.ticket.glass.PhotoMark;
import stillglass.ticket.joints.Closings;
import stillglass.ticket.joints.Notes;
import stillglass.ticket.joints.Statement;
import stillglass.ticket.story.Stage;

/// The photos of one joint.
///
/// @param joint whose photos they are
/// @param closing whether it is being put back, so that a second photo can be compared
/// @param record photo that was taken when it was opened
/// @param marks drawn on that, by number
/// @param later photo of the joint put back, when one was taken
/// @param verdict what the comparison of the two tells, with the turn; empty before there is one, or where nothing tells a turn
public record StepPhotos(
        String ticket, Joint joint, boolean closing, String record, SortedMap<Integer, PhotoMark> marks, Optional<String> later, Optional<Verdict> verdict) {

    /// @param matches whether it sits as it did
    public record Verdict(String say, boolean matches, double turnDeg) {}

    /// Photos of the joint in hand; while opening, when it has none, of the last joint that has.
    public static Optional<StepPhotos> of(Work work) {
        TicketState s = work.state();
        if (work.stage() == Stage.CLOSE) {
            return work.nextToClose().flatMap(step -> of(step.joint(), work, true));
        }
        Optional<StepPhotos> inHand = work.inHand().flatMap(j -> of(j, work, false));
        return inHand.or(() -> s.joints().order().reversed().stream().flatMap(id -> work.instrument().joint(id).stream())
                .flatMap(j -> of(j, work, false).stream()).findFirst());
    }

    /// The last photo on the record of a joint.
    public static Optional<String> recorded(Joint joint, TicketState state) {
        return state.joints().facts(joint.id()).stream().filter(Photo.class::isInstance).map(f -> ((Photo) f).photoId()).reduce((a, b) -> b);
    }

    private static Optional<StepPhotos> of(Joint joint, Work work, boolean closing) {
        TicketState s = work.state();
        Optional<String> later = s.joints().story(joint.id()).closing().statements().stream().filter(f -> closing).flatMap(f -> switch (f.fact()) {
            case Photo p -> Stream.of(p.photoId());
            case Clocked c -> Stream.of(c.photoId());
            default -> Stream.<String>empty();
        }).reduce((a, b) -> b);
        // A photo that told nothing comes after what an earlier one told.
        Optional<Statement> told = s.joints().story(joint.id()).closing().statements().stream().filter(f -> closing && f.fact() instanceof Clocked c && later.filter(c.photoId()::equals).isPresent()).reduce((a, b) -> b);
        return recorded(joint, s).map(photo -> new StepPhotos(s.tag().number(), joint, closing, photo, s.glass().marks(photo),
                later,
                told.map(f -> new Verdict(Words.say(Closings.said(Notes.verdict(f, s.joints().story(joint.id()), joint, work.world()))), f.matches(), ((Clocked) f.fact()).turnDeg()))));
    }

    /// The number and the word the next mark gets: letters in their order.
    int nextNumber() {
        return marks.isEmpty() ? 0 : marks.lastKey() + 1;
    }

    String nextWord() {
        int n = nextNumber();
        return n < 26 ? String.valueOf((char) ('A' + n)) : Integer.toString(n + 1);
    }

    /// The mark drawn last.
    Optional<PhotoMark> lastMark() {
        return marks.isEmpty() ? Optional.empty() : Optional.ofNullable(marks.get(marks.lastKey()));
    }

    /// Marks as a list for reading aloud: "A name index, B notch".
    String spoken() {
        return Words.of(closing ? "step.spoken.close" : "step.spoken.open", joint.name(), marks.size())
                + (marks.isEmpty() ? "" : " " + String.join(", ", marks.values().stream().map(PhotoMark::word).toList()));
    }

    /// A mark between two places, when it is long enough to be meant.
    Optional<PhotoMark> mark(double fromX, double fromY, double toX, double toY) {
        boolean inside = List.of(fromX, fromY, toX, toY).stream().allMatch(v -> v >= 0 && v <= 20);
        return inside && Math.hypot(toX - fromX, toY - fromY) > 0.01 ? Optional.of(new PhotoMark(fromX, fromY, toX, toY, nextWord())) : Optional.empty();
    }
}
