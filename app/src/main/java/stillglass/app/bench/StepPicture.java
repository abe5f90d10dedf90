package stillglass.app.bench;

import java.util.Optional;
import javafx.scene.shape.Arc;
import javafx.scene.shape.ArcType;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Path;
import javafx.scene.shape.Polygon;
import javafx.scene.text.Text;
import stillglass.app.draw.Drawing;
import stillglass.app.draw.Inked;
import stillglass.app.draw.Silhouette;
import stillglass.app.theme.Words;
import stillglass.assembly.ClockPosition;
import stillglass.assembly.Net;

/// The part of the step, large: which way it turns, where screws sit, which face is which.
final class StepPicture extends Drawing {
    private BenchModel.Picture picture = new BenchModel.Picture.Plain();

    void show(BenchModel.Picture shown) {
        picture = shown;
        redraw();
    }

    @Override
    protected void draw() {
        double cx = getWidth() / 2;
        double cy = getHeight() / 2;
        double r = Math.min(cx, cy) * 0.80;
        if (r < 20) {
            return;
        }
        switch (picture) {
            case BenchModel.Picture.Turn t -> {
                ring(cx, cy, r);
                arrow(cx, cy, r * 1.12, t.anticlockwise());
                t.at().ifPresent(at -> hand(cx, cy, r, at));
            }
            case BenchModel.Picture.Screws s -> {
                if (s.at().ring()) {
                    ring(cx, cy, r);
                }
                for (int i = 0; i < s.at().spots().size(); i++) {
                    screw(cx, cy, r, s.at().spots().get(i), s.at().ring(), s.lengths().get(i));
                }
            }
            case BenchModel.Picture.Standing s -> {
                ring(cx, cy, r);
                hand(cx, cy, r, s.at());
            }
            case BenchModel.Picture.Glass g -> glass(cx, cy, r, g);
            case BenchModel.Picture.Plain p -> {}
        }
    }

    private void ring(double cx, double cy, double r) {
        Circle outer = new Circle(cx, cy, r);
        outer.getStyleClass().add("dial-ring");
        Circle inner = new Circle(cx, cy, r * 0.72);
        inner.getStyleClass().add("dial-hole");
        getChildren().addAll(outer, inner);
        for (int i = 0; i < 12; i++) {
            double s = Math.sin(i * Math.PI / 6);
            double c = Math.cos(i * Math.PI / 6);
            double from = i % 3 == 0 ? 0.90 : 0.94;
            Line tick = new Line(cx + from * r * s, cy - from * r * c, cx + r * s, cy - r * c);
            tick.getStyleClass().add("dial-tick");
            getChildren().add(tick);
        }
        Polygon index = new Polygon(cx, cy - r + 2, cx - 11, cy - r - 18, cx + 11, cy - r - 18);
        index.getStyleClass().add("dial-index");
        getChildren().add(index);
    }

    private void arrow(double cx, double cy, double r, boolean anticlockwise) {
        Arc arc = new Arc(cx, cy, r, r, anticlockwise ? 15 : 165, anticlockwise ? 50 : -50);
        arc.setType(ArcType.OPEN);
        arc.getStyleClass().add("bench-arrow");
        double t = Math.toRadians(anticlockwise ? 65 : 115);
        double way = anticlockwise ? 1 : -1;
        double x = cx + r * Math.cos(t);
        double y = cy - r * Math.sin(t);
        double tx = -way * Math.sin(t);
        double ty = -way * Math.cos(t);
        Polygon head = new Polygon(x + 24 * tx, y + 24 * ty, x + 13 * ty, y - 13 * tx, x - 13 * ty, y + 13 * tx);
        head.getStyleClass().add("bench-arrow-head");
        getChildren().addAll(arc, head);
    }

    private void hand(double cx, double cy, double r, ClockPosition at) {
        double s = Math.sin(at.radians());
        double c = Math.cos(at.radians());
        Line hand = new Line(cx + r * 0.3 * s, cy - r * 0.3 * c, cx + r * 1.05 * s, cy - r * 1.05 * c);
        hand.getStyleClass().add("dial-hand");
        Text t = text(at.toString(), "bench-number", cx + r * 0.56 * s, cy - r * 0.56 * c);
        getChildren().addAll(hand, t);
    }

    /// On a ring the length stands within it, else below the head.
    private void screw(double cx, double cy, double r, Net.Spot at, boolean onRing, String length) {
        Circle head = new Circle(cx + r * 0.86 * at.x(), cy - r * 0.86 * at.y(), Math.max(8, r * 0.055));
        head.getStyleClass().add("tray-screw");
        getChildren().addAll(head, onRing ? text(length, "bench-number", cx + r * 0.56 * at.x(), cy - r * 0.56 * at.y())
                : text(length, "bench-number", head.getCenterX(), head.getCenterY() + head.getRadius() + 22));
    }

    private void glass(double cx, double cy, double r, BenchModel.Picture.Glass g) {
        double h = 1.9 * r;
        // Front up: the section is turned a quarter, its front face to the top.
        Path lens = Silhouette.of(h, g.known() ? g.front() : 0.12, g.known() ? g.rear() : 0.12, 0.12);
        lens.getStyleClass().add("tray-glass");
        lens.setRotate(90);
        lens.relocate(cx - lens.getLayoutBounds().getWidth() / 2, cy - h / 2);
        getChildren().add(lens);
        Optional<String> label = g.known() ? Optional.of(Words.of("bench.front")) : Optional.of(Words.of("bench.whichface"));
        label.ifPresent(l -> getChildren().add(text(l, "bench-caption", cx, cy - r * 0.62)));
        if (g.known()) {
            getChildren().add(text(Words.of("bench.rear"), "bench-caption", cx, cy + r * 0.62));
        }
    }

    private Text text(String words, String style, double x, double y) {
        Text t = Inked.text(getChildren(), words, style);
        t.setX(x - t.getLayoutBounds().getWidth() / 2);
        t.setY(y);
        return t;
    }
}
