package stillglass.ticket;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.day.Chore;
import stillglass.day.Durations;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.condition.ConditionEvent;
import stillglass.ticket.course.CourseEvent;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.joints.JointEvent;
import stillglass.ticket.proof.ProofEvent;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Recorded;

/// Minutes worked on a ticket, as far as its record tells: from one act to the next, counted for what the later one did. Where so long lies between two acts that somebody must have been away, nothing is counted.
public final class Spent {
    /// Longer than this nobody works on one thing without writing anything down.
    private static final Duration AWAY = Duration.ofMinutes(45);
    /// Less is no measurement of a chore.
    private static final double FEWEST_MINUTES = 1;

    private Spent() {}

    /// @param rows of a ticket, in order
    public static Map<Chore, Double> of(List<Recorded> rows) {
        Map<Chore, Double> minutes = new EnumMap<>(Chore.class);
        Optional<Instant> before = Optional.empty();
        for (int i = 0; i < rows.size(); ) {
            int end = i;
            while (end < rows.size() && rows.get(end).act() == rows.get(i).act()) {
                end++;
            }
            Instant at = rows.get(i).at();
            Duration since = before.map(b -> Duration.between(b, at)).orElse(Duration.ZERO);
            if (!since.isNegative() && since.compareTo(AWAY) <= 0) {
                rows.subList(i, end).stream().map(Recorded::event).flatMap(e -> chore(e).stream()).findFirst().ifPresent(c -> minutes.merge(c, since.toMillis() / 60_000.0, Double::sum));
            }
            before = Optional.of(at);
            i = end;
        }
        return minutes;
    }

    private static Optional<Chore> chore(Event event) {
        return switch (event) {
            // A photo may be of any step.
            case GlassEvent.PhotoKept e -> Optional.empty();
            case GlassEvent e -> Optional.of(Chore.LOOK);
            case ConditionEvent e -> Optional.of(Chore.LOOK);
            case ReadingEvent.Measured e -> Optional.of(by(e.phase()));
            case ReadingEvent.FunctionChecked e -> Optional.of(by(e.phase()));
            case ReadingEvent.InfinityMeasured e -> Optional.of(by(e.phase()));
            case ReadingEvent.CollarsTried e -> Optional.of(Chore.PROVE);
            case CourseEvent.StageDone e -> Optional.empty();
            case CourseEvent e -> Optional.of(Chore.DECIDE);
            case JointEvent e -> Optional.of(closes(e) ? Chore.CLOSE : Chore.OPEN);
            case CareEvent.TimerSet e -> Optional.empty();
            case CareEvent.TimerCleared e -> Optional.empty();
            case CareEvent e -> Optional.of(Chore.CLEAN);
            case ProofEvent e -> Optional.of(Chore.PROVE);
            default -> Optional.empty();
        };
    }

    private static Chore by(Phase phase) {
        return phase == Phase.AFTER ? Chore.PROVE : Chore.LOOK;
    }

    private static boolean closes(JointEvent e) {
        return switch (e) {
            case JointEvent.Stated s -> true;
            case JointEvent.Greased s -> true;
            case JointEvent.Closed s -> true;
            case JointEvent.Tightened s -> true;
            case JointEvent.Refitted s -> true;
            case JointEvent.TakenOff s -> true;
            case JointEvent.Zeroed s -> true;
            case JointEvent.Tested s -> true;
            case JointEvent.ShimsFitted s -> true;
            default -> false;
        };
    }

    /// What a finished ticket teaches about how long chores take.
    public static List<Durations.Done> taught(Story story, Instrument instrument) {
        TicketState s = story.state();
        List<Durations.Done> all = new ArrayList<>();
        of(story.rows()).forEach((chore, minutes) -> {
            if (minutes >= FEWEST_MINUTES) {
                boolean byMap = chore == Chore.OPEN || chore == Chore.CLOSE;
                all.add(new Durations.Done(chore, minutes, byMap ? byMap(s.joints().order(), s, instrument) : Optional.empty(), s.tag().instrumentId()));
            }
        });
        return all;
    }

    /// Minutes a map gives for some joints; nothing where there is no map, or joints were found that are not on it.
    static Optional<Double> byMap(List<String> joints, TicketState s, Instrument instrument) {
        boolean unmapped = instrument.joints().size() <= s.joints().found().size() || s.joints().found().stream().anyMatch(f -> joints.contains(f.joint()));
        double sum = joints.stream().distinct().flatMap(id -> instrument.joint(id).stream()).mapToDouble(Joint::minutes).sum();
        return unmapped || sum <= 0 ? Optional.empty() : Optional.of(sum);
    }
}
