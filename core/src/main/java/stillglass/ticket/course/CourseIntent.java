package stillglass.ticket.course;

import java.util.List;
import java.util.Optional;
import stillglass.plan.Alternatives;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Stage;

/// What is to be chosen.
public sealed interface CourseIntent extends Intent {
    record ChooseGoals(List<String> goals) implements CourseIntent {
        public ChooseGoals {
            goals = List.copyOf(goals);
        }
    }

    /// Start from the map of a model built alike.
    record StartFrom(String instrumentId, String name, double likeness) implements CourseIntent {}

    /// Take it to be built like a generic construction.
    record ChooseBuild(String build) implements CourseIntent {}

    /// Something that was expected is not there.
    /// @param joint of the construction
    record MissExpected(String joint) implements CourseIntent {}

    record ChooseWay(Alternatives.Sort sort) implements CourseIntent {}

    /// @param joints those ahead, in the order preferred
    record Reorder(List<String> joints) implements CourseIntent {
        public Reorder {
            joints = List.copyOf(joints);
        }
    }

    /// @param despite reason for calling it done although the ledger is not at zero
    record FinishStage(Stage stage, Optional<String> despite) implements CourseIntent {}
}
