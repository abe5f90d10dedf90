package stillglass.ticket.course;

import java.util.List;
import stillglass.plan.Alternatives;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Named;
import stillglass.ticket.story.Stage;

/// What was chosen.
public sealed interface CourseEvent extends Event {
    /// @param goals as [stillglass.plan.Goal#parse] reads them
    @Named("goals-chosen")
    record GoalsChosen(List<String> goals) implements CourseEvent {
        public GoalsChosen {
            goals = List.copyOf(goals);
        }
    }

    /// The map of a model built alike is the start, to be corrected by what is found.
    /// @param instrumentId of that model
    /// @param name of it
    /// @param likeness of the two rows of glasses, 0 to 1
    @Named("model-taken")
    record ModelTaken(String instrumentId, String name, double likeness) implements CourseEvent {}

    /// It is taken to be built like a generic construction, to be corrected by what is found.
    @Named("build-chosen")
    record BuildChosen(String build, String name) implements CourseEvent {}

    /// Something that was expected is not there.
    /// @param joint of the construction
    @Named("expected-missing")
    record ExpectedMissing(String joint, String name) implements CourseEvent {}

    /// The way in is to be of this sort.
    @Named("way-chosen")
    record WayChosen(Alternatives.Sort sort) implements CourseEvent {}

    /// The joints ahead in the order the technician prefers.
    @Named("order-chosen")
    record OrderChosen(List<String> joints) implements CourseEvent {
        public OrderChosen {
            joints = List.copyOf(joints);
        }
    }

    @Named("stage-done")
    record StageDone(Stage stage) implements CourseEvent {}
}
