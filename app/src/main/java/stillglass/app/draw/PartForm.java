package stillglass.app.draw;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Path;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import stillglass.assembly.Part;

/// What a part looks like from the side when nothing was measured of it: told by the words it was called by.
public enum PartForm {
    RING,
    SCREWS,
    GLASS,
    CELL,
    SPRING,
    BLADES,
    GEAR,
    COVER,
    MOUNT,
    SHIM,
    SMALL;

    private static final Map<String, PartForm> BY_WORD = Map.ofEntries(Map.entry("screw", SCREWS), Map.entry("spring", SPRING), Map.entry("blade", BLADES), Map.entry("curtain", BLADES),
            Map.entry("gear", GEAR), Map.entry("escapement", GEAR), Map.entry("timer", GEAR), Map.entry("cover", COVER), Map.entry("leather", COVER), Map.entry("board", COVER),
            Map.entry("plate", COVER), Map.entry("mount", MOUNT), Map.entry("shim", SHIM), Map.entry("washer", SHIM), Map.entry("spacer", SHIM), Map.entry("foam", SHIM),
            Map.entry("seal", SHIM), Map.entry("cell", CELL), Map.entry("group", CELL), Map.entry("block", CELL), Map.entry("glass", GLASS), Map.entry("lens", GLASS), Map.entry("prism", GLASS),
            Map.entry("screen", GLASS), Map.entry("mirror", GLASS), Map.entry("ring", RING), Map.entry("barrel", RING), Map.entry("helicoid", RING), Map.entry("grip", RING), Map.entry("dial", RING),
            Map.entry("ball", SMALL), Map.entry("pin", SMALL), Map.entry("key", SMALL), Map.entry("lever", SMALL));

    /// @param name what the bench calls it
    public static PartForm of(String name) {
        String n = name.toLowerCase(Locale.ROOT);
        // The last of its words says what it is: a ring spring is no ring.
        return BY_WORD.entrySet().stream()
                .filter(e -> n.contains(e.getKey()))
                .max(Comparator.comparingInt((Map.Entry<String, PartForm> e) -> n.lastIndexOf(e.getKey()) + e.getKey().length()).thenComparing(e -> e.getKey().length()))
                .map(Map.Entry::getValue)
                .orElse(RING);
    }

    /// @param part of a kind that may say more than its name
    public static PartForm of(String name, Part part) {
        return part.kind() == Part.Kind.GLASS ? GLASS : of(name);
    }

    /// Cut through its middle where it is round.
    /// @param half half of its height
    public List<Shape> shapes(double x, double y, double half) {
        List<Shape> all = new ArrayList<>();
        double wall = Math.max(4, 0.24 * half);
        switch (this) {
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
            case COVER, MOUNT -> all.add(box(x, y - half, 7, 2 * half));
            case SHIM -> {
                all.add(box(x, y - half, 3, 2 * wall));
                all.add(box(x, y + half - 2 * wall, 3, 2 * wall));
            }
            case SMALL -> all.add(new Circle(x, y, Math.max(Math.min(6, 0.5 * half), 0.1 * half)));
        }
        return all;
    }

    /// As it lies on the bench: rings seen through, covers as plates; the rest as from the side.
    /// @param half half of its height
    public List<Shape> flat(double x, double y, double half) {
        return switch (this) {
            case RING -> List.of(ring(x, y, half, 0.65));
            case MOUNT -> List.of(ring(x, y, half, 0.78));
            case SHIM -> List.of(ring(x, y, half, 0.9));
            case CELL -> List.of(ring(x, y, half, 0.7), new Circle(x, y, 0.58 * half));
            case COVER -> {
                Rectangle plate = new Rectangle(x - half, y - 0.7 * half, 2 * half, 1.4 * half);
                plate.setArcWidth(0.5 * half);
                plate.setArcHeight(0.5 * half);
                yield List.of(plate);
            }
            case GLASS, SCREWS, SPRING, BLADES, GEAR, SMALL -> shapes(x, y, half);
        };
    }

    private static Shape ring(double x, double y, double radius, double open) {
        return Shape.subtract(new Circle(x, y, radius), new Circle(x, y, open * radius));
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
