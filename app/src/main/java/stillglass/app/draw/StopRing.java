package stillglass.app.draw;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;
import javafx.geometry.VPos;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.layout.Region;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import stillglass.app.theme.Words;

/// The aperture ring of the lens rolled out flat: engraved stops on brass, one of them at the index. Press or drag to
/// choose; left and right while it has the focus.
public final class StopRing extends Region {
    private static final double TOP = 9;

    private final IntConsumer chosen;
    private List<String> stops = List.of();
    private final Rectangle ring = new Rectangle();
    private final Path grooves = new Path();
    private final Polygon pointer = new Polygon();
    private final List<Text> texts = new ArrayList<>();
    private double drawnWidth;
    private int at;

    /// @param chosen hears the index of the stop that was chosen
    public StopRing(IntConsumer chosen) {
        this.chosen = chosen;
        getStyleClass().add("stop-ring");
        ring.getStyleClass().add("stop-ring-metal");
        grooves.getStyleClass().add("stop-ring-groove");
        pointer.getStyleClass().add("stop-ring-index");
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
            int to = switch (e.getCode()) {
                case RIGHT -> at + 1;
                case LEFT -> at - 1;
                case HOME -> 0;
                case END -> stops.size() - 1;
                default -> -1;
            };
            if (to >= 0 && to < stops.size() && to != at) {
                chosen.accept(to);
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

    /// Place along the ring for a screen reader, and the stop engraved there.
    @Override
    public Object queryAccessibleAttribute(AccessibleAttribute attribute, Object... parameters) {
        return switch (attribute) {
            case MIN_VALUE -> 0.0;
            case MAX_VALUE -> Math.max(0.0, stops.size() - 1);
            case VALUE -> (double) at;
            case VALUE_STRING -> at < stops.size() ? "f/" + stops.get(at) : "";
            default -> super.queryAccessibleAttribute(attribute, parameters);
        };
    }

    /// @param names stops as engraved
    public void show(List<String> names, int index) {
        boolean engraved = names.equals(stops);
        stops = List.copyOf(names);
        at = index;
        setAccessibleText(names.isEmpty() ? "" : Words.of("spoken.stop", names.get(index)));
        notifyAccessibleAttributeChanged(AccessibleAttribute.VALUE);
        if (!engraved) {
            texts.clear();
            for (String name : stops) {
                Text t = new Text(name);
                t.setTextOrigin(VPos.CENTER);
                t.setMouseTransparent(true);
                texts.add(t);
            }
            getChildren().setAll(ring, grooves);
            getChildren().addAll(texts);
            getChildren().add(pointer);
        }
        for (int i = 0; i < texts.size(); i++) {
            texts.get(i).getStyleClass().setAll(i == at ? "stop-ring-here" : "stop-ring-name");
        }
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        double w = getWidth();
        double high = getHeight() - TOP - 1;
        ring.setX(0.5);
        ring.setY(TOP);
        ring.setWidth(Math.max(0, w - 1));
        ring.setHeight(Math.max(0, high));
        if (drawnWidth != w) {
            drawnWidth = w;
            // Knurling along the lower edge.
            grooves.getElements().clear();
            for (double x = 4; x < w - 3; x += 4) {
                grooves.getElements().addAll(new MoveTo(x, getHeight() - 8), new LineTo(x, getHeight() - 2));
            }
        }
        double each = w / Math.max(1, stops.size());
        for (int i = 0; i < texts.size(); i++) {
            texts.get(i).setX((i + 0.5) * each - Inked.width(texts.get(i)) / 2);
            texts.get(i).setY(TOP + (high - 8) / 2);
        }
        double x = (at + 0.5) * each;
        pointer.getPoints().setAll(x - 5.5, 0.0, x + 5.5, 0.0, x, 8.0);
    }
}
