package stillglass.app.axis;

import java.util.List;
import java.util.Map;
import javafx.geometry.VPos;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polygon;
import javafx.scene.text.Text;
import stillglass.app.draw.Inked;
import stillglass.app.theme.Words;

/// Draws parts that are out in a row beside the instrument, numbered in the order they left.
final class GhostLayer {
    private static final double GHOST_GAP = 7;

    private final List<Node> into;
    private final AxisFrame f;
    private final Map<String, Moved> moved;
    private final NetLayer.Speaker speaker;

    /// A part drawn elsewhere: its left end in millimetres, where that is on the screen, and pixels per millimetre there.
    record Moved(double fromMm, double left, double stretch) {}

    /// @param into children of the drawing
    /// @param moved where each part is drawn, by its id; added to
    GhostLayer(List<Node> into, AxisFrame f, Map<String, Moved> moved, NetLayer.Speaker speaker) {
        this.into = into;
        this.f = f;
        this.moved = moved;
        this.speaker = speaker;
    }

    /// Parts in a row in the order they left, foreshortened evenly when the room is short.
    void draw(List<AxisModel.Ghost> ghosts, double from, double to, boolean right) {
        if (ghosts.isEmpty() || to - from < 30) {
            return;
        }
        double gap = Math.min(GHOST_GAP, (to - from) * 0.35 / ghosts.size());
        double wanted = ghosts.stream().mapToDouble(g -> length(g)).sum() + gap * (ghosts.size() - 1);
        double squeeze = Math.min(1, (to - from - gap * (ghosts.size() - 1)) / Math.max(1, wanted - gap * (ghosts.size() - 1)));
        double x = right ? from : to;
        double lastMiddle = Double.NEGATIVE_INFINITY;
        double lastTop = 0;
        boolean raised = false;
        for (AxisModel.Ghost g : ghosts) {
            double w = Math.max(2, length(g) * squeeze);
            double left = right ? x : x - w;
            // Numbers in a row stand higher and lower by turns where they would run into each other.
            double top = f.y(Math.max(3, g.pieces().stream().flatMap(p -> p.outlines().stream()).flatMap(o -> o.points().stream()).mapToDouble(AxisModel.Point::yMm).max().orElse(0)));
            raised = Math.abs(left + w / 2 - lastMiddle) < Integer.toString(g.number()).length() * 8 && Math.abs(top - lastTop) < 13 && !raised;
            lastMiddle = left + w / 2;
            lastTop = top;
            into.add(ghost(g, left, w, raised));
            x += right ? w + gap : -(w + gap);
        }
    }

    private double length(AxisModel.Ghost g) {
        return g.pieces().isEmpty() ? 9 : Math.max(6, (g.toMm() - g.fromMm()) * f.scale());
    }

    private Node ghost(AxisModel.Ghost g, double left, double width, boolean raised) {
        Group group = new Group();
        double highest = 0;
        if (g.pieces().isEmpty()) {
            Circle small = new Circle(left + width / 2, f.axisY(), Math.min(4, width / 2 + 1));
            small.getStyleClass().add("axis-ghost-metal");
            group.getChildren().add(small);
        }
        double stretch = g.pieces().isEmpty() ? 1 : width / Math.max(1e-6, (g.toMm() - g.fromMm()));
        double lowest = Double.MAX_VALUE;
        g.pieces().forEach(p -> moved.put(p.partId(), new Moved(g.fromMm(), left, stretch)));
        for (AxisModel.Piece p : g.pieces()) {
            for (AxisModel.Outline o : p.outlines()) {
                Polygon shape = new Polygon();
                for (AxisModel.Point q : o.points()) {
                    shape.getPoints().addAll(left + (q.xMm() - g.fromMm()) * stretch, f.y(q.yMm()));
                    highest = Math.max(highest, q.yMm());
                    lowest = q.yMm() > 0 ? Math.min(lowest, q.yMm()) : lowest;
                }
                shape.getStyleClass().add(p.look() == AxisModel.Look.GLASS ? "axis-ghost-glass" : "axis-ghost-metal");
                if (g.selected()) {
                    shape.getStyleClass().add("axis-piece-selected");
                }
                group.getChildren().add(shape);
            }
        }
        double above = f.y(Math.max(highest, 3)) - (raised ? 15 : 3);
        // A ring as wide as the band carries its number inside.
        Text number = Inked.text(into, Integer.toString(g.number()), "axis-ghost-number");
        number.setMouseTransparent(false);
        number.setY(above > 13 ? above : f.y(lowest == Double.MAX_VALUE ? 0 : lowest) + 14);
        number.setX(left + width / 2 - number.getLayoutBounds().getWidth() / 2);
        number.setTextOrigin(VPos.BOTTOM);
        group.getChildren().add(number);
        speaker.speak(group, Words.of("axis.ghost", g.number(), g.name()), g.partId());
        group.setId("ghost-" + g.partId());
        return group;
    }
}
