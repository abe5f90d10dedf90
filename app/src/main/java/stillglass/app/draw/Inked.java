package stillglass.app.draw;

import java.util.List;
import javafx.geometry.Bounds;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;
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

    /// Adds a line in a style.
    public static void line(List<Node> children, double x0, double y0, double x1, double y1, String style) {
        Line line = new Line(x0, y0, x1, y1);
        line.getStyleClass().add(style);
        children.add(line);
    }

    /// Adds words whose left end, middle or right end stands at `x`.
    /// @param anchor share of their width that lies left of it: 0, 0.5 or 1
    public static void words(List<Node> children, String words, double x, double y, double anchor, String style) {
        Text t = text(children, words, style);
        t.setX(x - anchor * width(t));
        t.setY(y);
        children.add(t);
    }

    /// Shortens words that are wider than their room.
    public static void fit(Text t, double room) {
        String words = t.getText();
        for (int keep = words.length() - 1; width(t) > room && keep > 2; keep--) {
            t.setText(words.substring(0, keep) + "…");
        }
    }

    /// Moves words of a drawing that stand partly outside of it back into it.
    /// @param drawing whose texts, however deep, are looked at
    public static void keptIn(Region drawing) {
        kept(drawing, drawing);
    }

    private static void kept(Parent group, Region drawing) {
        for (Node n : group.getChildrenUnmodifiable()) {
            if (n instanceof Text t) {
                Bounds b = drawing.sceneToLocal(t.localToScene(t.getLayoutBounds()));
                t.setTranslateX(t.getTranslateX() + into(b.getMinX(), b.getMaxX(), drawing.getWidth()));
                t.setTranslateY(t.getTranslateY() + into(b.getMinY(), b.getMaxY(), drawing.getHeight()));
            } else if (n instanceof Parent p) {
                kept(p, drawing);
            }
        }
    }

    private static double into(double from, double to, double room) {
        return from < 0 ? -from : to > room ? Math.max(-from, room - to) : 0;
    }

    public static double width(Text t) {
        return t.getLayoutBounds().getWidth();
    }
}
