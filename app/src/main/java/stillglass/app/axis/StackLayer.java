package stillglass.app.axis;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Path;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import javafx.scene.text.Text;
import stillglass.app.draw.Inked;
import stillglass.app.draw.Silhouette;

/// Draws a [StackModel] into the band of the Axis: what is still together in the middle, what left it beside it on its side, the first that came off farthest away.
final class StackLayer {
    private static final double WIDEST = 104;
    private static final double NARROWEST = 34;

    private final List<Node> into;
    private final NetLayer.Speaker speaker;

    StackLayer(List<Node> into, NetLayer.Speaker speaker) {
        this.into = into;
        this.speaker = speaker;
    }

    void draw(StackModel m, double x0, double x1, double y0, double y1, double em) {
        List<StackModel.Item> front = lane(m, StackModel.Lane.FRONT);
        List<StackModel.Item> rear = lane(m, StackModel.Lane.REAR);
        List<StackModel.Item> above = lane(m, StackModel.Lane.ABOVE);
        List<StackModel.Item> below = lane(m, StackModel.Lane.BELOW);
        double body = Math.clamp((x1 - x0) * 0.16, 110, 190);
        double step = Math.clamp((x1 - x0 - body - 2 * em) / Math.max(1, front.size() + rear.size()), NARROWEST, WIDEST);
        double shift = Math.clamp((front.size() - rear.size()) * step / 2, -(x1 - x0 - body) / 2 + em, (x1 - x0 - body) / 2 - em);
        double mid = (x0 + x1) / 2 + shift;
        double top = y0 + (above.isEmpty() ? 0 : 4.2 * em);
        double bottom = y1 - (below.isEmpty() ? 0 : 3.6 * em);
        double axis = (top + bottom - 2.2 * em) / 2;
        double half = Math.min(58, (bottom - top) / 2 - 1.8 * em);
        Line line = new Line(x0, axis, x1, axis);
        line.getStyleClass().add("axis-line");
        into.add(line);
        together(m, mid, axis, body, half, em);
        for (int i = 0; i < front.size(); i++) {
            item(front.get(i), mid - body / 2 - (front.size() - i - 0.5) * step, axis, half, step, i % 2 == 1, em);
        }
        for (int i = 0; i < rear.size(); i++) {
            item(rear.get(i), mid + body / 2 + (rear.size() - i - 0.5) * step, axis, half, step, i % 2 == 1, em);
        }
        row(above, mid, axis - half - 2.9 * em, x1 - x0, em);
        row(below, mid, axis + half + 3.2 * em, x1 - x0, em);
    }

    private static List<StackModel.Item> lane(StackModel m, StackModel.Lane lane) {
        return m.items().stream().filter(i -> i.lane() == lane).toList();
    }

    /// What nobody has taken apart: a closed outline with a name and no inside.
    private void together(StackModel m, double x, double y, double width, double half, double em) {
        Rectangle r = new Rectangle(x - width / 2 + 6, y - half, width - 12, 2 * half);
        r.setArcWidth(18);
        r.setArcHeight(18);
        r.getStyleClass().add("stack-body");
        into.add(r);
        Text t = Inked.text(into, m.title(), "axis-label-quiet");
        double room = width - 24;
        if (t.getLayoutBounds().getWidth() > room) {
            t.setWrappingWidth(room);
        }
        t.setX(x - Math.min(room, t.getLayoutBounds().getWidth()) / 2);
        t.setY(y - (t.getLayoutBounds().getHeight() - 1.2 * em) / 2);
        into.add(t);
    }

    private void item(StackModel.Item i, double x, double y, double half, double step, boolean lower, double em) {
        Group g = new Group();
        g.getChildren().addAll(shapes(i.form(), x, y, half));
        g.getChildren().forEach(n -> n.getStyleClass().addAll("stack-item", style(i)));
        into.add(g);
        speaker.speak(g, i.spoken(), i.partId());
        if (i.number() > 0) {
            Text n = Inked.text(into, Integer.toString(i.number()), "axis-ghost-number");
            n.setX(x - n.getLayoutBounds().getWidth() / 2);
            n.setY(y - half - 0.8 * em);
            into.add(n);
        }
        name(i, x, y + half + (lower ? 2.1 : 0.95) * em, 2 * step - 8);
    }

    private void name(StackModel.Item i, double x, double y, double room) {
        Text t = Inked.text(into, i.name(), i.standing() == StackModel.Standing.IN_HAND ? "axis-label-quiet" : "axis-ruler");
        String words = i.name();
        while (t.getLayoutBounds().getWidth() > room && words.length() > 3) {
            words = words.substring(0, words.length() - 1);
            t.setText(words + "…");
        }
        t.setX(x - t.getLayoutBounds().getWidth() / 2);
        t.setY(y);
        into.add(t);
    }

    /// Things that left around, above or below, side by side with their names after them.
    private void row(List<StackModel.Item> items, double mid, double y, double width, double em) {
        double step = Math.min(11 * em, width / Math.max(1, items.size()));
        for (int k = 0; k < items.size(); k++) {
            StackModel.Item i = items.get(k);
            double x = mid + (k - (items.size() - 1) / 2.0) * step;
            Group g = new Group();
            g.getChildren().addAll(shapes(i.form(), x, y, 1.05 * em));
            g.getChildren().forEach(n -> n.getStyleClass().addAll("stack-item", style(i)));
            into.add(g);
            speaker.speak(g, i.spoken(), i.partId());
            StackModel.Item named = i.number() > 0 ? new StackModel.Item(i.number(), i.number() + "  " + i.name(), i.form(), i.lane(), i.standing(), i.partId()) : i;
            name(named, x, y + 1.75 * em, step - 6);
        }
    }

    private static String style(StackModel.Item i) {
        return switch (i.standing()) {
            case OFF -> i.form() == StackModel.Form.GLASS ? "stack-glass" : "stack-off";
            case IN_HAND -> "stack-in-hand";
            case BACK -> "stack-back";
            case EXPECTED -> "stack-expected";
        };
    }

    /// The thing from the side, cut through its middle where it is round.
    private static List<Shape> shapes(StackModel.Form form, double x, double y, double half) {
        List<Shape> all = new ArrayList<>();
        double wall = Math.max(4, 0.24 * half);
        switch (form) {
            case RING -> {
                all.add(box(x, y - half, 11, wall));
                all.add(box(x, y + half - wall, 11, wall));
            }
            case CELL -> {
                all.add(box(x, y - half, 17, wall));
                all.add(box(x, y + half - wall, 17, wall));
                all.add(glass(x, y, 2 * (half - wall) - 2));
            }
            case GLASS -> all.add(glass(x, y, 1.7 * half));
            case SCREWS -> {
                for (int side = -1; side <= 1; side += 2) {
                    double at = y + side * 0.6 * half;
                    all.add(box(x - 6, at - 4, 3.5, 8));
                    all.add(box(x + 2, at - 1.8, 11, 3.6));
                }
            }
            case SPRING -> {
                Polyline p = new Polyline();
                for (int k = 0; k <= 10; k++) {
                    p.getPoints().addAll(x + (k % 2 == 0 ? -6.0 : 6.0), y - 0.7 * half + k * 0.14 * half);
                }
                all.add(p);
            }
            case BLADES -> {
                for (int k = -1; k <= 1; k++) {
                    all.add(box(x + 5 * k, y - half, 2, 0.75 * half));
                    all.add(box(x + 5 * k, y + 0.25 * half, 2, 0.75 * half));
                }
            }
            case GEAR -> {
                double r = Math.min(14, 0.7 * half);
                all.add(new Circle(x, y, r));
                for (int k = 0; k < 10; k++) {
                    double a = k * Math.PI / 5;
                    all.add(new Line(x + r * Math.cos(a), y + r * Math.sin(a), x + 1.3 * r * Math.cos(a), y + 1.3 * r * Math.sin(a)));
                }
            }
            case COVER -> all.add(box(x, y - half, 7, 2 * half));
            case SHIM -> {
                all.add(box(x, y - half, 3, 2 * wall));
                all.add(box(x, y + half - 2 * wall, 3, 2 * wall));
            }
            case SMALL -> all.add(new Circle(x, y, Math.min(6, 0.5 * half)));
        }
        return all;
    }

    private static Rectangle box(double x, double y, double width, double height) {
        return new Rectangle(x - width / 2, y, width, height);
    }

    private static Path glass(double x, double y, double height) {
        Path p = Silhouette.of(height, 0.11, 0.11, 0.1);
        p.setTranslateX(x);
        p.setTranslateY(y - height / 2);
        return p;
    }
}
