package stillglass.app.axis;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import stillglass.app.draw.Inked;
import stillglass.app.draw.PartForm;

/// Draws a [StackModel] into the band of the Axis: what is still together in the middle, what left it beside it on its side, the first that came off farthest away.
final class StackLayer {
    private static final double WIDEST = 104;
    private static final double NARROWEST = 34;
    /// Half height of what is drawn on the Axis.
    static final double ON_AXIS = 58;

    /// Least height with rows above and below, in heights of the type.
    private static final double ROOM_FOR_ROWS = 13;

    private final List<Node> into;
    private final NetLayer.Speaker speaker;

    StackLayer(List<Node> into, NetLayer.Speaker speaker) {
        this.into = into;
        this.speaker = speaker;
    }

    /// @param tallest half height of what is drawn, at most
    void draw(StackModel m, double x0, double x1, double y0, double y1, double em, double tallest) {
        List<StackModel.Item> front = new ArrayList<>(lane(m, StackModel.Lane.FRONT));
        List<StackModel.Item> rear = new ArrayList<>(lane(m, StackModel.Lane.REAR));
        List<StackModel.Item> above = new ArrayList<>(lane(m, StackModel.Lane.ABOVE));
        List<StackModel.Item> below = new ArrayList<>(lane(m, StackModel.Lane.BELOW));
        if (y1 - y0 < ROOM_FOR_ROWS * em) {
            // In a low strip what left around stands in the same line.
            front.addAll(above);
            rear.addAll(below);
            above.clear();
            below.clear();
        }
        double body = Math.clamp((x1 - x0) * 0.16, 110, 190);
        double step = Math.clamp((x1 - x0 - body - 2 * em) / Math.max(1, front.size() + rear.size()), NARROWEST, WIDEST);
        double shift = Math.clamp((front.size() - rear.size()) * step / 2, -(x1 - x0 - body) / 2 + em, (x1 - x0 - body) / 2 - em);
        double mid = (x0 + x1) / 2 + shift;
        double top = y0 + (above.isEmpty() ? 0 : 4.2 * em);
        double bottom = y1 - (below.isEmpty() ? 0 : 3.6 * em);
        double axis = (top + bottom - 2.2 * em) / 2;
        double half = Math.max(0.8 * em, Math.min(tallest, (bottom - top) / 2 - 1.8 * em));
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
        if (half < 1.3 * em) {
            // The name hangs on the tag as well.
            return;
        }
        Text t = Inked.text(into, m.title(), "axis-label-quiet");
        double room = width - 24;
        if (t.getLayoutBounds().getWidth() > room) {
            t.setWrappingWidth(room);
            t.setTextAlignment(TextAlignment.CENTER);
        }
        t.setX(x - Math.min(room, t.getLayoutBounds().getWidth()) / 2);
        t.setY(y - (t.getLayoutBounds().getHeight() - 1.2 * em) / 2);
        into.add(t);
    }

    private void item(StackModel.Item i, double x, double y, double half, double step, boolean lower, double em) {
        Group g = new Group();
        g.getChildren().addAll(i.form().shapes(x, y, half));
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
        Text t = Inked.text(into, i.name(), switch (i.standing()) {
            case IN_HAND -> "axis-label-quiet";
            case EXPECTED -> "axis-next";
            case OFF, BACK -> "axis-ruler";
        });
        Inked.fit(t, room);
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
            g.getChildren().addAll(i.form().shapes(x, y, 1.05 * em));
            g.getChildren().forEach(n -> n.getStyleClass().addAll("stack-item", style(i)));
            into.add(g);
            speaker.speak(g, i.spoken(), i.partId());
            StackModel.Item named = i.number() > 0 ? new StackModel.Item(i.number(), i.number() + "  " + i.name(), i.form(), i.lane(), i.standing(), i.partId()) : i;
            name(named, x, y + 1.75 * em, step - 6);
        }
    }

    private static String style(StackModel.Item i) {
        return switch (i.standing()) {
            case OFF -> i.form() == PartForm.GLASS ? "stack-glass" : "stack-off";
            case IN_HAND -> "stack-in-hand";
            case BACK -> "stack-back";
            case EXPECTED -> "stack-expected";
        };
    }
}
