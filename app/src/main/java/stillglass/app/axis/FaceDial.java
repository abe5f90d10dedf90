package stillglass.app.axis;

import java.util.List;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import stillglass.app.draw.Painted;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.text.Text;
import stillglass.app.draw.Inked;
import stillglass.app.theme.Words;

/// One surface face-on, as seen from the front: its clear rim with clock positions, the light of the middle and of the
/// corners of the picture, and what lies on it.
final class FaceDial extends Painted {
    private final LightModel.Face face;

    FaceDial(LightModel.Face face) {
        this.face = face;
        getStyleClass().add("face");
        setMouseTransparent(true);
        setAccessibleRole(AccessibleRole.IMAGE_VIEW);
        setAccessibleText(face.title());
        setId("face");
    }

    @Override
    protected void ink() {
        getChildren().clear();
        double w = getWidth();
        double h = getHeight();
        Text title = Inked.text(getChildren(), face.title(), "axis-head");
        title.setTextOrigin(VPos.TOP);
        title.setX(10);
        title.setY(7);
        Text legend = Inked.text(getChildren(), Words.of("axis.face.legend"), "axis-ruler");
        legend.setTextOrigin(VPos.TOP);
        legend.setWrappingWidth(w - 20);
        legend.setX(10);
        legend.setY(h - 6 - legend.getLayoutBounds().getHeight());
        double top = title.getLayoutBounds().getHeight() + 27;
        double bottom = h - legend.getLayoutBounds().getHeight() - 20;
        double radius = Math.max(10, Math.min(w / 2 - 26, (bottom - top) / 2 - 4));
        double cx = w / 2;
        double cy = (top + bottom) / 2;
        double scale = radius / face.rimMm();
        Circle rim = new Circle(cx, cy, radius);
        rim.getStyleClass().add("face-rim");
        getChildren().addAll(title, legend, rim);
        for (int hour = 1; hour <= 12; hour++) {
            double a = Math.toRadians(90 - 30 * hour);
            double from = radius + 1;
            double to = radius + (hour % 3 == 0 ? 7 : 4);
            Line tick = new Line(cx + from * Math.cos(a), cy - from * Math.sin(a), cx + to * Math.cos(a), cy - to * Math.sin(a));
            tick.getStyleClass().add("axis-tick");
            getChildren().add(tick);
            if (hour % 3 == 0) {
                Text t = Inked.text(getChildren(), Integer.toString(hour), "axis-ruler");
                t.setX(cx + (to + 8) * Math.cos(a) - Inked.width(t) / 2);
                t.setY(cy - (to + 6) * Math.sin(a));
                getChildren().add(t);
            }
        }
        face.corners().forEach(c -> getChildren().add(polygon(c.points(), cx, cy, scale, "face-corner")));
        if (!face.axial().isEmpty()) {
            getChildren().add(polygon(face.axial(), cx, cy, scale, "face-axial"));
        }
        face.marks().forEach(m -> {
            Polygon p = polygon(m.outline().points(), cx, cy, scale, "face-mark");
            p.getStyleClass().add("face-" + m.kind().word());
            getChildren().add(p);
        });
    }

    private static Polygon polygon(List<AxisModel.Point> points, double cx, double cy, double scale, String style) {
        Polygon p = new Polygon();
        points.forEach(q -> p.getPoints().addAll(cx + q.xMm() * scale, cy - q.yMm() * scale));
        p.getStyleClass().add(style);
        return p;
    }
}
