package stillglass.app.draw;

import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/// Makes what is drawn work like a control: reached by Tab, pressed by Space, Enter or the mouse, and said to a screen reader.
public final class Operable {
    private static final String MARK = "stillglass.operable";

    private Operable() {}

    /// @param spoken what a screen reader says of it
    public static void make(Node node, String spoken, Runnable act) {
        node.setFocusTraversable(true);
        node.setAccessibleRole(AccessibleRole.BUTTON);
        node.setAccessibleText(spoken);
        node.getProperties().put(MARK, true);
        node.setOnMouseClicked(e -> act.run());
        node.addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.getTarget() == node && (e.getCode() == KeyCode.SPACE || e.getCode() == KeyCode.ENTER)) {
                act.run();
                e.consume();
            }
        });
    }

    public static boolean is(Object node) {
        return node instanceof Node n && n.getProperties().containsKey(MARK);
    }

    /// Whether a key belongs to something that is set along a scale, while it has the focus.
    public static boolean slides(Object node, KeyCode key) {
        return node instanceof Node n && n.getAccessibleRole() == AccessibleRole.SLIDER
                && (key == KeyCode.LEFT || key == KeyCode.RIGHT || key == KeyCode.HOME || key == KeyCode.END || key == KeyCode.ENTER);
    }
}
