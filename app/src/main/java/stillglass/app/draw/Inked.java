package stillglass.app.draw;

import java.util.List;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.text.Text;

/// Text for drawings: styled before it is placed, so that its size is known.
public final class Inked {
    private Inked() {}

    /// @param children of the drawing it will belong to; it is put among them for a moment to take on its style, and taken out again
    /// @return a text that lets the mouse through, its origin in the middle of its height
    public static Text text(List<Node> children, String words, String style) {
        Text t = new Text(words);
        t.getStyleClass().add(style);
        t.setTextOrigin(VPos.CENTER);
        t.setMouseTransparent(true);
        children.add(t);
        t.applyCss();
        children.remove(t);
        return t;
    }

    public static double width(Text t) {
        return t.getLayoutBounds().getWidth();
    }
}
