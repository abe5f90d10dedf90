package stillglass.app.pages;

import java.util.List;
import java.util.Optional;
import stillglass.app.draw.Painted;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;

/// One loose glass or cemented group in section as its measures make it, or an empty stand while they are missing.
final class GlassSketch extends Painted {
    private static final int STEPS = 14;
    /// Thickness of the stand-in while it is not measured, share of the diameter.
    private static final double USUAL_THICKNESS = 0.18;
    private static final double WIDTH = 46;
    private static final double HEIGHT = 32;

    private List<MeasureModel.Shape> glued = List.of();
    /// Pixels a millimetre; 0 for as large as it fits.
    private double scale;

    GlassSketch() {
        setMinSize(WIDTH, HEIGHT);
        setPrefSize(WIDTH, HEIGHT);
        setMouseTransparent(true);
    }

    void show(Optional<MeasureModel.Shape> shown) {
        show(shown.stream().toList(), 0);
    }

    /// @param together cemented glasses, front to rear
    /// @param pixels a millimetre
    void show(List<MeasureModel.Shape> together, double pixels) {
        if (!glued.equals(together) || scale != pixels) {
            glued = List.copyOf(together);
            scale = pixels;
            requestLayout();
        }
    }

    /// How wide it is drawn at a scale.
    static double lengthMm(List<MeasureModel.Shape> together) {
        return together.stream().mapToDouble(GlassSketch::thickMm).sum();
    }

    private static double thickMm(MeasureModel.Shape s) {
        return s.thicknessMm() > 0 ? s.thicknessMm() : USUAL_THICKNESS * s.diameterMm();
    }

    @Override
    protected void ink() {
        getChildren().clear();
        double middle = getHeight() / 2;
        Line axis = new Line(0, middle, getWidth(), middle);
        axis.getStyleClass().add("axis-line");
        getChildren().add(axis);
        double widest = glued.stream().mapToDouble(MeasureModel.Shape::diameterMm).max().orElse(1) / 2;
        double pixels = scale > 0 ? scale : (middle - 2) / widest;
        double left = getWidth() / 2 - lengthMm(glued) * pixels / 2;
        for (MeasureModel.Shape s : glued) {
            double rim = s.diameterMm() / 2;
            double thick = thickMm(s);
            Polygon p = new Polygon();
            for (int i = 0; i <= STEPS; i++) {
                double y = rim * (1 - 2.0 * i / STEPS);
                p.getPoints().addAll(left + sag(s.frontMm(), y) * pixels, middle - y * pixels);
            }
            for (int i = STEPS; i >= 0; i--) {
                double y = rim * (1 - 2.0 * i / STEPS);
                p.getPoints().addAll(left + (thick + sag(s.rearMm(), y)) * pixels, middle - y * pixels);
            }
            p.getStyleClass().add(s.thicknessMm() > 0 ? "axis-glass" : "axis-ghost-glass");
            getChildren().add(p);
            left += thick * pixels;
        }
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
