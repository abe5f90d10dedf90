package stillglass.app.station;

import javafx.scene.Node;
import javafx.scene.input.KeyEvent;
import stillglass.app.desk.Say;
import stillglass.app.desk.Work;
import stillglass.ticket.story.Stage;

/// One of the seven work areas.
public interface Station {
    Stage stage();

    Node node();

    /// Draws a state; cheap when nothing of its own changed.
    void show(Work work);

    /// What the Say line says here.
    Say say(Work work);

    /// A key pressed while no text is being typed.
    /// @return whether it meant something here
    boolean key(KeyEvent event, Work work);

    /// Takes a photo of the step in hand, where this is a station that does.
    default void photograph(Work work) {}
}
