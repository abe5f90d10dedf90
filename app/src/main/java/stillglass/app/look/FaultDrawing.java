package stillglass.app.look;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Shape;
import stillglass.look.Finding;
import stillglass.look.FindingKind;

/// Draws faults so that kinds differ in line and hatch, not in colour alone.
final class FaultDrawing {
    /// Outlines narrower than this have no room for a hatch, pixels.
    private static final double HATCH_ROOM = 14;

    private FaultDrawing() {}

    /// Where a place of the glass lies on the screen.
    interface Plane {
        double x(double ux, double uy);

        double y(double ux, double uy);
    }

    /// @param degrees direction of the lines
    /// @param gap between them, pixels
    private record Hatch(double degrees, double gap) {}

    private static List<Hatch> hatch(FindingKind kind) {
        return switch (kind) {
            case OIL -> List.of(new Hatch(90, 9));
            case SEPARATION -> List.of(new Hatch(45, 11), new Hatch(135, 11));
            case COATING -> List.of(new Hatch(135, 8));
            case CLEANING_MARKS -> List.of(new Hatch(20, 13));
            case CHIP -> List.of(new Hatch(0, 4));
            case EDGE_PAINT -> List.of(new Hatch(60, 5));
            case DUST, FUNGUS, HAZE, SCRATCH, BUBBLE, UNKNOWN -> List.of();
        };
    }

    /// The shapes of one outline; the first is the outline itself.
    static List<Node> outline(Finding.Region region, FindingKind kind, Plane plane) {
        if (kind == FindingKind.DUST || kind == FindingKind.BUBBLE) {
            double cx = region.outline().stream().mapToDouble(Finding.Point::x).average().orElse(0);
            double cy = region.outline().stream().mapToDouble(Finding.Point::y).average().orElse(0);
            List<Node> rings = new ArrayList<>();
            rings.add(styled(new Circle(plane.x(cx, cy), plane.y(cx, cy), kind == FindingKind.DUST ? 6 : 9), kind));
            if (kind == FindingKind.BUBBLE) {
                rings.add(styled(new Circle(plane.x(cx, cy), plane.y(cx, cy), 12), kind));
            }
            return rings;
        }
        Polygon p = polygon(region, plane);
        List<Node> all = new ArrayList<>();
        all.add(styled(p, kind));
        for (Hatch h : hatch(kind)) {
            hatched(region, plane, p, h).ifPresent(all::add);
        }
        return all;
    }

    static Polygon polygon(Finding.Region region, Plane plane) {
        Polygon p = new Polygon();
        region.outline().forEach(q -> p.getPoints().addAll(plane.x(q.x(), q.y()), plane.y(q.x(), q.y())));
        return p;
    }

    private static Shape styled(Shape shape, FindingKind kind) {
        shape.getStyleClass().addAll("photo-finding", "photo-" + kind.word());
        return shape;
    }

    private static java.util.Optional<Node> hatched(Finding.Region region, Plane plane, Polygon outline, Hatch h) {
        var b = outline.getLayoutBounds();
        if (Math.min(b.getWidth(), b.getHeight()) < HATCH_ROOM) {
            return java.util.Optional.empty();
        }
        Group lines = new Group();
        double c = Math.cos(Math.toRadians(h.degrees));
        double s = Math.sin(Math.toRadians(h.degrees));
        double reach = Math.hypot(b.getWidth(), b.getHeight()) / 2;
        for (double d = -reach; d <= reach; d += h.gap) {
            Line line = new Line(b.getCenterX() - s * d - c * reach, b.getCenterY() + c * d - s * reach,
                    b.getCenterX() - s * d + c * reach, b.getCenterY() + c * d + s * reach);
            line.getStyleClass().add("photo-hatch");
            lines.getChildren().add(line);
        }
        lines.setClip(polygon(region, plane));
        lines.setMouseTransparent(true);
        return java.util.Optional.of(lines);
    }
}
