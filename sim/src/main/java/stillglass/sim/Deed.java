package stillglass.sim;

import java.util.List;
import stillglass.ticket.glass.PhotoMark;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Phase;
import stillglass.ticket.story.Stage;

/// One deed of a demo story, to be carried out by the application exactly as if a technician did it.
public sealed interface Deed {
    /// The stage it belongs to.
    Stage stage();

    /// Do something to the ticket.
    record Do(Stage stage, Act act) implements Deed {
        Do(Stage stage, Intent intent) {
            this(stage, Act.of(intent));
        }
    }

    /// Take a photograph with the inspection camera, keep it and grade it.
    record Shoot(Stage stage, Phase phase, String caption, long seed) implements Deed {}

    /// Take a photo of the joint in hand for the record, and mark it.
    record PhotographStep(Stage stage, String joint, List<PhotoMark> marks) implements Deed {
        public PhotographStep {
            marks = List.copyOf(marks);
        }
    }

    /// Read by focus how deep each finding seems to lie.
    record MeasureDepths(Stage stage) implements Deed {}

    /// Put each finding where the truth says its kind lies.
    record PlaceFindings(Stage stage) implements Deed {}

    /// Choose the goals that the recommendation gives.
    record TakeAdvice(Stage stage) implements Deed {}
}
