package stillglass.app.station;

import javafx.scene.Node;
import javafx.scene.input.KeyEvent;
import stillglass.app.desk.Say;

/// Something that is shown instead of a ticket.
public interface Page {
    Node node();

    /// Reads anew what it shows.
    void refresh();

    /// What the Say line says here.
    Say say();

    /// A key pressed while no text is being typed.
    /// @return whether it meant something here
    boolean key(KeyEvent event);

    /// Takes back what was done here last, or does it again.
    /// @return whether this page has something of its own to take back
    default boolean undo(boolean again) {
        return false;
    }
}
