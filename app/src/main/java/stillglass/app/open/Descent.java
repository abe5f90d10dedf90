package stillglass.app.open;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Tooltip;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Shape;
import javafx.scene.text.Text;
import stillglass.app.draw.Drawing;
import stillglass.app.draw.Inked;
import stillglass.app.theme.Words;

/// The way in as a line that goes down into the instrument: outside at the top left, the goal at the lower right. A diamond
/// wants a mark first, a triangle holds something that jumps or falls, a gap is a turn-over; below, which tool is in hand.
final class Descent extends Drawing {
    private final Consumer<String> picked;
    private final Consumer<List<String>> reordered;
    private Optional<String> dragged = Optional.empty();
    private List<OpenModel.Rung> rungs = List.of();

    /// @param picked hears which joint was clicked
    /// @param reordered hears the joints ahead in a new order, after one was dragged
    Descent(Consumer<String> picked, Consumer<List<String>> reordered) {
        this.picked = picked;
        this.reordered = reordered;
        getStyleClass().add("descent");
        setMinHeight(72);
        setPrefHeight(118);
    }

    void show(List<OpenModel.Rung> shown) {
        rungs = shown;
        StringBuilder spoken = new StringBuilder(Words.of("open.spoken"));
        shown.forEach(r -> spoken.append(' ').append(r.name()).append(','));
        setAccessibleText(spoken.toString());
        redraw();
    }

    @Override
    protected void draw() {
        if (rungs.isEmpty()) {
            return;
        }
        double w = getWidth();
        double bottom = getHeight() - 26;
        int deepest = rungs.stream().mapToInt(OpenModel.Rung::depth).max().orElse(1);
        double each = (w - 30) / rungs.size();
        double[] x = new double[rungs.size()];
        double[] y = new double[rungs.size()];
        for (int i = 0; i < rungs.size(); i++) {
            x[i] = 15 + each * (i + 0.5);
            y[i] = 24 + (bottom - 34) * rungs.get(i).depth() / (double) Math.max(1, deepest);
        }
        levels(deepest, w, bottom);
        for (int i = 1; i < rungs.size(); i++) {
            Polyline stair = new Polyline(x[i - 1], y[i - 1], (x[i - 1] + x[i]) / 2, y[i - 1], (x[i - 1] + x[i]) / 2, y[i], x[i], y[i]);
            stair.getStyleClass().add(rungs.get(i).turnOver() ? "descent-turn" : rungs.get(i).progress() == OpenModel.Progress.AHEAD ? "descent-ahead" : "descent-done");
            getChildren().add(stair);
        }
        tools(x, each, bottom);
        for (int i = 0; i < rungs.size(); i++) {
            getChildren().add(node(rungs.get(i), x[i], y[i]));
        }
        label(x, y, w);
    }

    private void levels(int deepest, double w, double bottom) {
        for (int d = 0; d <= deepest; d++) {
            double at = 24 + (bottom - 34) * d / Math.max(1, deepest);
            Line line = new Line(0, at, w, at);
            line.getStyleClass().add("descent-level");
            getChildren().add(line);
        }
    }

    private Shape node(OpenModel.Rung r, double x, double y) {
        boolean next = r.progress() == OpenModel.Progress.NEXT;
        double s = next ? 8 : 5.5;
        Shape shape = r.mark() ? new Polygon(x, y - s - 1, x + s + 1, y, x, y + s + 1, x - s - 1, y)
                : r.hazard() ? new Polygon(x, y - s, x + s, y + s * 0.8, x - s, y + s * 0.8) : new Circle(x, y, s - 0.5);
        shape.getStyleClass().add("descent-" + r.progress().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-') + "-node");
        Tooltip.install(shape, new Tooltip(r.name() + "  ·  " + r.tool()));
        shape.setOnMouseClicked(e -> {
            if (e.isStillSincePress()) {
                picked.accept(r.joint());
            }
        });
        if (r.progress() == OpenModel.Progress.NEXT || r.progress() == OpenModel.Progress.AHEAD) {
            shape.setId("rung-" + r.joint());
            shape.setOnMouseDragged(e -> {
                dragged = Optional.of(r.joint());
                shape.setTranslateX(shape.getTranslateX() + e.getX() - x);
            });
            shape.setOnMouseReleased(e -> dragged.ifPresent(j -> {
                dragged = Optional.empty();
                drop(j, shape.getTranslateX() + x);
            }));
        }
        return shape;
    }

    /// Lays a dragged joint down between others; where that is not possible it goes back and the reason is said.
    private void drop(String joint, double at) {
        List<String> ahead = new ArrayList<>(rungs.stream()
                .filter(r -> r.progress() == OpenModel.Progress.NEXT || r.progress() == OpenModel.Progress.AHEAD).map(OpenModel.Rung::joint).toList());
        double each = (getWidth() - 30) / rungs.size();
        int first = rungs.size() - ahead.size();
        int to = Math.clamp((int) Math.floor((at - 15) / each) - first, 0, ahead.size() - 1);
        ahead.remove(joint);
        ahead.add(to, joint);
        redraw();
        reordered.accept(ahead);
    }

    /// Consecutive joints with the same tool share one bracket.
    private void tools(double[] x, double each, double bottom) {
        int from = 0;
        for (int i = 1; i <= rungs.size(); i++) {
            if (i == rungs.size() || !rungs.get(i).tool().equals(rungs.get(from).tool())) {
                double left = x[from] - each * 0.42;
                double right = x[i - 1] + each * 0.42;
                Line bracket = new Line(left, bottom + 4, right, bottom + 4);
                bracket.getStyleClass().add("descent-tool");
                getChildren().add(bracket);
                Text t = Inked.text(getChildren(), rungs.get(from).tool(), "descent-tool-name");
                if (t.getLayoutBounds().getWidth() < right - left + 2) {
                    t.setX((left + right - t.getLayoutBounds().getWidth()) / 2);
                    t.setY(bottom + 15);
                    getChildren().add(t);
                }
                from = i;
            }
        }
    }

    private void label(double[] x, double[] y, double w) {
        Optional<OpenModel.Rung> next = rungs.stream().filter(r -> r.progress() == OpenModel.Progress.NEXT).findFirst();
        next.ifPresent(r -> {
            int i = rungs.indexOf(r);
            Text t = Inked.text(getChildren(), (i + 1) + "  " + r.name(), "descent-next-name");
            t.setX(Math.clamp(x[i] - t.getLayoutBounds().getWidth() / 2, 2, Math.max(2, w - t.getLayoutBounds().getWidth() - 2)));
            // In a row of its own, so that it covers no step.
            t.setY(8);
            Inked.line(getChildren(), x[i], 16, x[i], y[i] - 8, "descent-leader");
            getChildren().add(t);
        });
    }
}
