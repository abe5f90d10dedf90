package stillglass.app.pages;

import java.util.ArrayList;
import java.util.List;
import stillglass.app.draw.Painted;
import javafx.scene.shape.Arc;
import javafx.scene.shape.ArcType;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import stillglass.assembly.Instrument;

/// The sort of an instrument of which no section is known, engraved in a few lines: nothing in it is measured.
final class SortPlate extends Painted {
    private final Instrument.Sort sort;

    SortPlate(Instrument.Sort sort) {
        this.sort = sort;
        setMinSize(60, 40);
        setPrefSize(132, 66);
    }

    @Override
    protected void ink() {
        double h = Math.min(getHeight(), getWidth() * 0.6) * 0.86;
        double x = getWidth() / 2;
        double y = getHeight() / 2;
        getChildren().setAll(switch (sort) {
            case LENS -> barrel(x, y, h, 1.1, List.of(0.3));
            case ZOOM -> barrel(x, y, h, 1.6, List.of(0.25, 0.62));
            case CAMERA -> camera(x, y, h);
            case SHUTTER -> shutter(x, y, h);
            case BODY -> body(x, y, h);
            case PAIR -> pair(x, y, h);
            case FINDER -> finder(x, y, h);
            case PART -> part(x, y, h);
        });
        getChildren().forEach(n -> n.getStyleClass().add("sort-line"));
    }

    /// A barrel from the side with its rings.
    private static List<Shape> barrel(double x, double y, double h, double length, List<Double> rings) {
        List<Shape> all = new ArrayList<>();
        double left = x - length * h / 2;
        all.add(new Rectangle(left, y - 0.38 * h, 0.16 * h, 0.76 * h));
        all.add(new Rectangle(left + 0.16 * h, y - 0.44 * h, (length - 0.34) * h, 0.88 * h));
        all.add(new Rectangle(left + (length - 0.18) * h, y - 0.34 * h, 0.18 * h, 0.68 * h));
        for (double at : rings) {
            for (int i = 0; i < 4; i++) {
                double line = left + (0.16 + (length - 0.34) * at + 0.06 * i) * h;
                all.add(new Line(line, y - 0.44 * h, line, y + 0.44 * h));
            }
        }
        return all;
    }

    private static List<Shape> camera(double x, double y, double h) {
        Rectangle box = new Rectangle(x - 0.75 * h, y - 0.36 * h, 1.5 * h, 0.78 * h);
        return List.of(box, new Rectangle(x - 0.24 * h, y - 0.5 * h, 0.48 * h, 0.14 * h), new Circle(x, y + 0.03 * h, 0.3 * h), new Circle(x, y + 0.03 * h, 0.17 * h));
    }

    /// A board with a shutter between two cells.
    private static List<Shape> pair(double x, double y, double h) {
        List<Shape> all = new ArrayList<>(List.of(new Rectangle(x - 0.62 * h, y - 0.5 * h, 0.1 * h, h), new Rectangle(x - 0.5 * h, y - 0.36 * h, 0.42 * h, 0.72 * h)));
        all.add(new Rectangle(x - 0.06 * h, y - 0.28 * h, 0.3 * h, 0.56 * h));
        all.add(new Rectangle(x - 0.9 * h, y - 0.22 * h, 0.26 * h, 0.44 * h));
        return all;
    }

    /// Two windows in a housing.
    private static List<Shape> finder(double x, double y, double h) {
        return List.of(new Rectangle(x - 0.8 * h, y - 0.26 * h, 1.6 * h, 0.52 * h), new Rectangle(x + 0.34 * h, y - 0.14 * h, 0.3 * h, 0.28 * h), new Circle(x - 0.46 * h, y, 0.12 * h));
    }

    /// A toothed wheel.
    private static List<Shape> part(double x, double y, double h) {
        List<Shape> all = new ArrayList<>(List.of(new Circle(x, y, 0.3 * h), new Circle(x, y, 0.08 * h)));
        for (int i = 0; i < 12; i++) {
            double a = i * Math.PI / 6;
            all.add(new Line(x + 0.3 * h * Math.cos(a), y + 0.3 * h * Math.sin(a), x + 0.4 * h * Math.cos(a), y + 0.4 * h * Math.sin(a)));
        }
        return all;
    }

    private static List<Shape> body(double x, double y, double h) {
        Rectangle box = new Rectangle(x - 0.75 * h, y - 0.36 * h, 1.5 * h, 0.78 * h);
        return List.of(box, new Rectangle(x - 0.24 * h, y - 0.5 * h, 0.48 * h, 0.14 * h), new Circle(x, y + 0.03 * h, 0.3 * h),
                new Rectangle(x - 0.15 * h, y - 0.09 * h, 0.3 * h, 0.24 * h));
    }

    /// A leaf shutter from the front: five blades.
    private static List<Shape> shutter(double x, double y, double h) {
        List<Shape> all = new ArrayList<>(List.of(new Circle(x, y, 0.48 * h), new Circle(x, y, 0.33 * h)));
        for (int i = 0; i < 5; i++) {
            double angle = Math.toRadians(72.0 * i + 20);
            Arc edge = new Arc(x + 0.26 * h * Math.cos(angle), y - 0.26 * h * Math.sin(angle), 0.3 * h, 0.3 * h, 72.0 * i + 128, 72);
            edge.setType(ArcType.OPEN);
            all.add(edge);
        }
        return all;
    }
}
