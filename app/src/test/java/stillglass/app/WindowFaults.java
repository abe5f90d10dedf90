package stillglass.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Bounds;
import javafx.geometry.Rectangle2D;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.BackgroundFill;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.shape.Shape;
import javafx.scene.text.Text;
import stillglass.app.draw.Operable;

/// What is wrong with a window as it is laid out: text that is cut off, actions and text outside of what can be seen, text too faint on its ground. What a
/// scroll pane or a list can bring into view is not outside.
final class WindowFaults {
    /// Pixels by which rounding may miss.
    private static final double SLACK = 1.5;
    /// WCAG 2.2, 1.4.3.
    static final double LEAST_CONTRAST = 4.5;

    private static final double SCROLLED = 1e6;
    /// Two lines.
    private static final double LEAST_ROOM = 34;

    private final List<String> faults = new ArrayList<>();

    private WindowFaults() {}

    /// On the interface thread.
    static List<String> of(Scene scene) {
        scene.getRoot().applyCss();
        scene.getRoot().layout();
        WindowFaults all = new WindowFaults();
        all.walk(scene.getRoot(), new Rectangle2D(0, 0, scene.getWidth(), scene.getHeight()), Color.WHITE);
        return all.faults;
    }

    private void walk(Node node, Rectangle2D seen, Color ground) {
        if (!node.isVisible() || node.getOpacity() == 0) {
            return;
        }
        Color on = ground(node).orElse(ground);
        Rectangle2D here = seen;
        if (node.getClip() != null && !node.getStyleClass().contains("viewport") && seen.getHeight() < SCROLLED) {
            here = both(seen, bounds(node));
        }
        switch (node) {
            case Labeled l when l.getText() != null && !l.getText().isEmpty() -> labeled(l, on);
            case Text t when !t.getText().isBlank() && !(t.getParent() instanceof Labeled) && !inField(t) -> {
                outside(t, here, "text");
                faint(name(t), t.getFill(), under(t).orElse(on));
            }
            case ScrollPane s when s.getContent() != null && s.getContent().getLayoutBounds().getHeight() > s.getHeight() + SLACK && s.getHeight() < LEAST_ROOM ->
                faults.add("no room to scroll: " + name(s) + ", " + Math.round(s.getHeight()) + " pixels");
            default -> {}
        }
        if (node instanceof Button || Operable.is(node)) {
            outside(node, here, "action");
        }
        if (node instanceof Label l && l.getText() != null && !l.getText().isBlank()) {
            outside(l, here, "label");
        }
        if (node instanceof Parent p) {
            Rectangle2D within = node instanceof ListView<?> ? new Rectangle2D(-SCROLLED, -SCROLLED, 3 * SCROLLED, 3 * SCROLLED) : node instanceof ScrollPane s ? scrolled(s, here) : here;
            p.getChildrenUnmodifiable().forEach(c -> walk(c, within, on));
        }
    }

    /// The filled shape a text of a drawing stands on.
    private static Optional<Color> under(Text text) {
        if (text.getParent() == null) {
            return Optional.empty();
        }
        Bounds b = text.getBoundsInParent();
        Optional<Color> found = Optional.empty();
        for (Node n : text.getParent().getChildrenUnmodifiable()) {
            if (n == text) {
                break;
            }
            if (n instanceof Shape s && !(s instanceof Text) && s.isVisible() && s.getFill() instanceof Color c && c.getOpacity() > 0.99
                    && s.contains(s.parentToLocal(b.getCenterX(), b.getCenterY()))) {
                found = Optional.of(c);
            }
        }
        return found;
    }

    /// Up and down all of the content can be brought into view, but no more than the content; sideways too where there is a bar to do it with, else only what is seen.
    private static Rectangle2D scrolled(ScrollPane pane, Rectangle2D seen) {
        if (pane.getContent() == null) {
            return seen;
        }
        Bounds all = pane.getContent().localToScene(pane.getContent().getLayoutBounds());
        Bounds port = pane.localToScene(pane.getLayoutBounds());
        if (pane.getHbarPolicy() != ScrollPane.ScrollBarPolicy.NEVER) {
            return new Rectangle2D(all.getMinX(), all.getMinY(), Math.max(0, all.getWidth()), Math.max(0, all.getHeight()));
        }
        double x = Math.max(seen.getMinX(), port.getMinX());
        return new Rectangle2D(x, all.getMinY(), Math.max(0, Math.min(seen.getMaxX(), port.getMaxX()) - x), Math.max(0, all.getHeight()));
    }

    private static boolean inField(Node node) {
        for (Node n = node; n != null; n = n.getParent()) {
            if (n instanceof TextInputControl) {
                return true;
            }
        }
        return false;
    }

    private void labeled(Labeled l, Color on) {
        if (l.getWidth() <= 0 || l.getHeight() <= 0) {
            faults.add("no room for " + name(l));
            return;
        }
        Optional<Text> own = l.getChildrenUnmodifiable().stream().filter(Text.class::isInstance).map(Text.class::cast).findFirst();
        if (own.isPresent() && own.get() instanceof Text t && !squeezed(t.getText()).equals(squeezed(l.getText()))) {
            faults.add("cut off: " + name(l) + " shows “" + t.getText() + "”");
        } else if (l.isWrapText() && l.prefHeight(l.getWidth()) > l.getHeight() + SLACK) {
            faults.add("cut off below: " + name(l));
        }
        faint(name(l), l.getTextFill(), on);
    }

    private static String squeezed(String text) {
        return text.replaceAll("\\s", "");
    }

    private void outside(Node node, Rectangle2D seen, String what) {
        Bounds b = node.localToScene(node.getLayoutBounds());
        if (b.getWidth() > 0 && (b.getMinX() < seen.getMinX() - SLACK || b.getMaxX() > seen.getMaxX() + SLACK || b.getMinY() < seen.getMinY() - SLACK || b.getMaxY() > seen.getMaxY() + SLACK)) {
            faults.add("outside: " + what + " " + name(node) + " at " + Math.round(b.getMinX()) + "," + Math.round(b.getMinY()) + " to " + Math.round(b.getMaxX()) + "," + Math.round(b.getMaxY()) + ", seen is "
                    + Math.round(seen.getMinX()) + "," + Math.round(seen.getMinY()) + " to " + Math.round(seen.getMaxX()) + "," + Math.round(seen.getMaxY()));
        }
    }

    private void faint(String name, javafx.scene.paint.Paint ink, Color on) {
        if (ink instanceof Color c && c.getOpacity() > 0 && contrast(c, on) < LEAST_CONTRAST) {
            faults.add(String.format(java.util.Locale.ROOT, "faint: %s, %.2f:1", name, contrast(c, on)));
        }
    }

    private static Optional<Color> ground(Node node) {
        if (!(node instanceof Region r) || r.getBackground() == null) {
            return Optional.empty();
        }
        List<BackgroundFill> fills = r.getBackground().getFills();
        return fills.isEmpty() || !(fills.getLast().getFill() instanceof Color c) || c.getOpacity() < 0.99 ? Optional.empty() : Optional.of(c);
    }

    private static Rectangle2D bounds(Node node) {
        Bounds b = node.localToScene(node.getClip() == null ? node.getLayoutBounds() : node.getClip().getBoundsInParent());
        return new Rectangle2D(b.getMinX(), b.getMinY(), Math.max(0, b.getWidth()), Math.max(0, b.getHeight()));
    }

    private static Rectangle2D both(Rectangle2D a, Rectangle2D b) {
        double x = Math.max(a.getMinX(), b.getMinX());
        double y = Math.max(a.getMinY(), b.getMinY());
        return new Rectangle2D(x, y, Math.max(0, Math.min(a.getMaxX(), b.getMaxX()) - x), Math.max(0, Math.min(a.getMaxY(), b.getMaxY()) - y));
    }

    /// Contrast of two colours, WCAG 2.2.
    static double contrast(Color a, Color b) {
        double x = luminance(a);
        double y = luminance(b);
        return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
    }

    private static double luminance(Color c) {
        return 0.2126 * linear(c.getRed()) + 0.7152 * linear(c.getGreen()) + 0.0722 * linear(c.getBlue());
    }

    private static double linear(double s) {
        return s <= 0.04045 ? s / 12.92 : Math.pow((s + 0.055) / 1.055, 2.4);
    }

    private static String name(Node node) {
        String text = node instanceof Labeled l ? l.getText() : node instanceof Text t ? t.getText() : "";
        return (node.getId() == null ? "" : "#" + node.getId() + " ") + node.getStyleClass() + (text.isEmpty() ? "" : " “" + text.substring(0, Math.min(60, text.length())) + "”");
    }
}
