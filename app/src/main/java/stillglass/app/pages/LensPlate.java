package stillglass.app.pages;

import stillglass.app.draw.Painted;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import stillglass.app.axis.AxisModel;
import stillglass.app.axis.GlassOutline;
import stillglass.optics.LensSection;

/// A lens section as a small engraved plate: its glasses and iris to scale.
final class LensPlate extends Painted {
    private final LensSection section;

    LensPlate(LensSection section) {
        this.section = section;
        setMinSize(60, 40);
        setPrefSize(150, 74);
    }

    @Override
    protected void ink() {
        getChildren().clear();
        double half = section.elements().stream().mapToDouble(e -> e.diameterMm() / 2).max()
                .orElse(1.2 * section.surfaces().getFirst().semiDiameterMm());
        double scale = Math.min(getHeight() / (2.1 * half), getWidth() / (section.lengthMm() * 1.15));
        double x0 = (getWidth() - section.lengthMm() * scale) / 2;
        double y0 = getHeight() / 2;
        Line axis = new Line(0, y0, getWidth(), y0);
        axis.getStyleClass().add("axis-line");
        getChildren().add(axis);
        section.elements().forEach(e -> {
            Polygon p = new Polygon();
            for (AxisModel.Point q : GlassOutline.of(section, e).points()) {
                p.getPoints().addAll(x0 + q.xMm() * scale, y0 - q.yMm() * scale);
            }
            p.getStyleClass().add("axis-glass");
            getChildren().add(p);
        });
        if (section.basis() == LensSection.Basis.TWO_PLANE) {
            for (int s : section.faces()) {
                double at = x0 + section.vertexMm(s) * scale;
                double rim = section.surfaces().get(s).semiDiameterMm() * scale;
                for (int side : new int[] {-1, 1}) {
                    Line edge = new Line(at, y0 + side * rim, at, y0 + side * rim * 1.18);
                    edge.getStyleClass().add("axis-rim");
                    getChildren().add(edge);
                }
            }
        }
        double stop = x0 + section.vertexMm(section.stopIndex()) * scale;
        double clear = section.surfaces().get(section.stopIndex()).semiDiameterMm() * scale;
        for (int side : new int[] {-1, 1}) {
            Line blade = new Line(stop, y0 + side * clear, stop, y0 + side * Math.min(getHeight() / 2, clear * 1.6));
            blade.getStyleClass().add("axis-iris");
            getChildren().add(blade);
        }
    }
}
