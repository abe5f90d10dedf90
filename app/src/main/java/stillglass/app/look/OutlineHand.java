package stillglass.app.look;

import java.util.ArrayList;
import java.util.List;
import stillglass.look.Finding;

/// What a hand does to outlines: pulls them, moves them, lets them grow, draws them. Aperture units.
final class OutlineHand {
    /// Reach of a pull along the outline.
    private static final double PULL = 0.10;
    /// Points closer than this along a drawn line are left out.
    private static final double STEP = 0.008;
    private static final int ROUND_POINTS = 36;

    private OutlineHand() {}

    /// Outlines with the part near `from` drawn along to where the hand went, fading out along the outline.
    static List<Finding.Region> pulled(List<Finding.Region> regions, double fromX, double fromY, double toX, double toY) {
        return regions.stream().map(r -> new Finding.Region(r.outline().stream().map(p -> {
            double q = Math.hypot(p.x() - fromX, p.y() - fromY) / PULL;
            double w = q >= 1 ? 0 : (1 - q * q) * (1 - q * q);
            return new Finding.Point(p.x() + w * (toX - fromX), p.y() + w * (toY - fromY));
        }).toList())).toList();
    }

    static List<Finding.Region> moved(List<Finding.Region> regions, double dx, double dy) {
        return regions.stream().map(r -> new Finding.Region(r.outline().stream().map(p -> new Finding.Point(p.x() + dx, p.y() + dy)).toList())).toList();
    }

    /// Outlines larger or smaller about their own middles.
    static List<Finding.Region> grown(List<Finding.Region> regions, double factor) {
        return regions.stream().map(r -> {
            double cx = r.outline().stream().mapToDouble(Finding.Point::x).average().orElse(0);
            double cy = r.outline().stream().mapToDouble(Finding.Point::y).average().orElse(0);
            return new Finding.Region(r.outline().stream().map(p -> new Finding.Point(cx + factor * (p.x() - cx), cy + factor * (p.y() - cy))).toList());
        }).toList();
    }

    /// Distance to the nearest point of any outline.
    static double distance(List<Finding.Region> regions, double x, double y) {
        double least = Double.POSITIVE_INFINITY;
        for (Finding.Region r : regions) {
            for (int i = 0; i < r.outline().size(); i++) {
                Finding.Point a = r.outline().get(i);
                Finding.Point b = r.outline().get((i + 1) % r.outline().size());
                double dx = b.x() - a.x();
                double dy = b.y() - a.y();
                double t = Math.clamp(((x - a.x()) * dx + (y - a.y()) * dy) / Math.max(1e-12, dx * dx + dy * dy), 0, 1);
                least = Math.min(least, Math.hypot(x - a.x() - t * dx, y - a.y() - t * dy));
            }
        }
        return least;
    }

    /// A line being drawn, with the next point of the hand.
    static List<Finding.Point> drawn(List<Finding.Point> line, double x, double y) {
        List<Finding.Point> more = new ArrayList<>(line);
        if (line.isEmpty() || Math.hypot(line.getLast().x() - x, line.getLast().y() - y) > STEP) {
            more.add(new Finding.Point(x, y));
        }
        return more;
    }

    static Finding.Region round(double x, double y, double radius) {
        List<Finding.Point> points = new ArrayList<>();
        for (int i = 0; i < ROUND_POINTS; i++) {
            double t = 2 * Math.PI * i / ROUND_POINTS;
            points.add(new Finding.Point(x + radius * Math.cos(t), y + radius * Math.sin(t)));
        }
        return new Finding.Region(points);
    }
}
