package stillglass.sim;

import java.util.List;
import stillglass.ticket.Intent;
import stillglass.ticket.Phase;
import stillglass.ticket.PhotoMark;
import stillglass.ticket.Stage;

/// One act of a demo story, to be carried out by the application exactly as if a technician did it.
public sealed interface Act {
    /// The stage it belongs to.
    Stage stage();

    /// Submit an intent.
    record Do(Stage stage, Intent intent) implements Act {}

    /// Take a photograph with the inspection camera, keep it and grade it.
    record Shoot(Stage stage, Phase phase, String caption, long seed) implements Act {}

    /// Take a photo of the joint in hand for the record, and mark it.
    record PhotographStep(Stage stage, String joint, List<PhotoMark> marks) implements Act {
        public PhotographStep {
            marks = List.copyOf(marks);
        }
    }

    /// Read by focus how deep each finding seems to lie.
    record MeasureDepths(Stage stage) implements Act {}

    /// Put each finding where the truth says its kind lies.
    record PlaceFindings(Stage stage) implements Act {}

    /// Choose the goals that the recommendation gives.
    record TakeAdvice(Stage stage) implements Act {}
}
