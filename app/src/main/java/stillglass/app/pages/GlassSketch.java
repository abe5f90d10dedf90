package stillglass.app.pages;

import java.util.Optional;
import stillglass.app.draw.Painted;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;

/// One loose glass in section as its measures make it, or an empty stand while they are missing.
final class GlassSketch extends Painted {
    private static final int STEPS = 14;
    /// Thickness of the stand-in while it is not measured, share of the diameter.
    private static final double USUAL_THICKNESS = 0.18;

    private Optional<MeasureModel.Shape> shape = Optional.empty();

    GlassSketch() {
        setMinSize(46, 32);
        setPrefSize(46, 32);
        setMouseTransparent(true);
    }

    void show(Optional<MeasureModel.Shape> shown) {
        if (!shape.equals(shown)) {
            shape = shown;
            requestLayout();
        }
    }

    @Override
    protected void ink() {
        getChildren().clear();
        double middle = getHeight() / 2;
        Line axis = new Line(0, middle, getWidth(), middle);
        axis.getStyleClass().add("axis-line");
        getChildren().add(axis);
        shape.ifPresent(s -> {
            double rim = s.diameterMm() / 2;
            double scale = (middle - 2) / rim;
            double thick = s.thicknessMm() > 0 ? s.thicknessMm() : USUAL_THICKNESS * s.diameterMm();
            Polygon p = new Polygon();
            double left = getWidth() / 2 - thick * scale / 2;
            for (int i = 0; i <= STEPS; i++) {
                double y = rim * (1 - 2.0 * i / STEPS);
                p.getPoints().addAll(left + sag(s.frontMm(), y) * scale, middle - y * scale);
            }
            for (int i = STEPS; i >= 0; i--) {
                double y = rim * (1 - 2.0 * i / STEPS);
                p.getPoints().addAll(left + (thick + sag(s.rearMm(), y)) * scale, middle - y * scale);
            }
            p.getStyleClass().add(s.thicknessMm() > 0 ? "axis-glass" : "axis-ghost-glass");
            getChildren().add(p);
        });
    }

    /// Of a radius that is positive when its centre lies to the right.
    private static double sag(double radius, double y) {
        if (Double.isInfinite(radius)) {
            return 0;
        }
        double h = Math.min(Math.abs(y), Math.abs(radius) * 0.999);
        return radius - Math.copySign(Math.sqrt(radius * radius - h * h), radius);
    }
}
