package stillglass.app.draw;

import java.util.List;
import java.util.function.IntConsumer;
import javafx.scene.AccessibleRole;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;

/// The aperture ring of the lens rolled out flat: engraved stops on brass, one of them at the index. Press or drag to
/// choose; left and right while it has the focus.
public final class StopRing extends Region {
    private final IntConsumer chosen;
    private List<String> stops = List.of();
    private int at;

    /// @param chosen hears the index of the stop that was chosen
    public StopRing(IntConsumer chosen) {
        this.chosen = chosen;
        getStyleClass().add("stop-ring");
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.SLIDER);
        setMinHeight(40);
        setPrefHeight(42);
        setOnMousePressed(e -> {
            requestFocus();
            choose(e.getX());
        });
        setOnMouseDragged(e -> choose(e.getX()));
        setOnKeyPressed(e -> {
            int by = e.getCode() == KeyCode.RIGHT ? 1 : e.getCode() == KeyCode.LEFT ? -1 : 0;
            if (by != 0 && !stops.isEmpty()) {
                chosen.accept(Math.clamp(at + by, 0, stops.size() - 1));
                e.consume();
            }
        });
    }

    private void choose(double x) {
        if (!stops.isEmpty()) {
            int index = (int) Math.clamp(Math.floor(x / getWidth() * stops.size()), 0, stops.size() - 1.0);
            if (index != at) {
                chosen.accept(index);
            }
        }
    }

    /// @param names stops as engraved
    public void show(List<String> names, int index) {
        stops = List.copyOf(names);
        at = index;
        setAccessibleText(names.isEmpty() ? "" : "f/" + names.get(index));
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        getChildren().clear();
        double w = getWidth();
        double ringTop = 9;
        double ringHigh = getHeight() - ringTop - 1;
        Rectangle ring = new Rectangle(0.5, ringTop, w - 1, ringHigh);
        ring.getStyleClass().add("stop-ring-metal");
        getChildren().add(ring);
        // Knurling along the lower edge.
        for (double x = 4; x < w - 3; x += 4) {
            Line groove = new Line(x, getHeight() - 8, x, getHeight() - 2);
            groove.getStyleClass().add("stop-ring-groove");
            getChildren().add(groove);
        }
        double each = w / Math.max(1, stops.size());
        for (int i = 0; i < stops.size(); i++) {
            Text t = Inked.text(getChildren(), stops.get(i), i == at ? "stop-ring-here" : "stop-ring-name");
            t.setX((i + 0.5) * each - Inked.width(t) / 2);
            t.setY(ringTop + (ringHigh - 8) / 2);
            getChildren().add(t);
        }
        double x = (at + 0.5) * each;
        Polygon index = new Polygon(x - 5.5, 0, x + 5.5, 0, x, 8);
        index.getStyleClass().add("stop-ring-index");
        getChildren().add(index);
    }
}
