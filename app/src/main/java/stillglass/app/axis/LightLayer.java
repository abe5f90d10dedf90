package stillglass.app.axis;

import java.util.List;
import java.util.function.ToDoubleBiFunction;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Shape;
import javafx.scene.text.Text;
import stillglass.app.draw.Inked;
import stillglass.app.theme.Words;

/// Draws a [LightModel] into the Axis: rays over the glass, glows along surfaces, dashed outlines of where glass belongs.
final class LightLayer {
    /// How far a rim is drawn beyond its clear radius.
    private static final double RIM_SHARE = 1.18;

    private final List<Node> into;
    private final AxisFrame frame;

    LightLayer(List<Node> into, AxisFrame frame) {
        this.into = into;
        this.frame = frame;
    }

    /// Under the glass names.
    void rays(LightModel m) {
        for (LightModel.RayLine r : m.rays()) {
            Polyline line = line(r.line());
            line.getStyleClass().addAll("axis-ray", r.oblique() ? "axis-ray-oblique" : "axis-ray-axial", r.cut() ? "axis-ray-cut" : "axis-ray-whole");
            into.add(line);
            if (r.cut() && !r.line().points().isEmpty()) {
                AxisModel.Point end = r.line().points().getLast();
                Polyline stub = new Polyline(frame.x(end.xMm()) - 3, frame.y(end.yMm()) - 3, frame.x(end.xMm()) + 3, frame.y(end.yMm()) + 3);
                stub.getStyleClass().add("axis-ray-end");
                stub.setMouseTransparent(true);
                into.add(stub);
            }
        }
    }

    /// @param x where a height in millimetres of a part stands now, which may have been moved out
    void glows(LightModel m, ToDoubleBiFunction<String, Double> x) {
        for (LightModel.Glow g : m.glows()) {
            Shape shape = g.inside() ? new Polygon() : new Polyline();
            List<Double> points = g.inside() ? ((Polygon) shape).getPoints() : ((Polyline) shape).getPoints();
            g.outline().points().forEach(q -> points.addAll(List.of(x.applyAsDouble(g.partId(), q.xMm()), frame.y(q.yMm()))));
            shape.getStyleClass().add(g.inside() ? "axis-glow-inside" : "axis-glow");
            shape.setOpacity(Math.clamp(0.12 + 0.88 * g.probability(), 0, 1));
            shape.setMouseTransparent(true);
            into.add(shape);
        }
    }

    /// Rims in place of glass that nobody knows.
    void rims(LightModel m) {
        for (LightModel.Rim r : m.rims()) {
            for (int side : new int[] {1, -1}) {
                Polyline edge = new Polyline(frame.x(r.atMm()), frame.y(side * r.clearMm()), frame.x(r.atMm()), frame.y(side * r.clearMm() * RIM_SHARE));
                edge.getStyleClass().add("axis-rim");
                edge.setMouseTransparent(true);
                into.add(edge);
            }
        }
    }

    void should(LightModel m) {
        for (LightModel.Should s : m.should()) {
            Polygon p = new Polygon();
            s.outline().points().forEach(q -> p.getPoints().addAll(frame.x(q.xMm()), frame.y(q.yMm())));
            p.getStyleClass().add("axis-should");
            p.setMouseTransparent(true);
            into.add(p);
        }
        m.should().stream().findFirst().ifPresent(s -> {
            double top = s.outline().points().stream().mapToDouble(AxisModel.Point::yMm).max().orElse(0);
            double middle = s.outline().points().stream().mapToDouble(AxisModel.Point::xMm).average().orElse(0);
            Text t = Inked.text(into, Words.of("axis.should", s.label()), "axis-should-name");
            t.setTextOrigin(VPos.BOTTOM);
            t.setX(frame.x(middle) - Inked.width(t) / 2);
            t.setY(Math.max(14, frame.y(top) - 4));
            into.add(t);
        });
    }

    private Polyline line(AxisModel.Outline o) {
        Polyline line = new Polyline();
        o.points().forEach(q -> line.getPoints().addAll(frame.x(q.xMm()), frame.y(q.yMm())));
        line.setMouseTransparent(true);
        return line;
    }
}
