package stillglass.look;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import stillglass.say.Said;

/// Findings made for tests.
public final class Faults {
    private Faults() {}

    public static Finding round(FindingKind kind, double x, double y, double radius) {
        return round(kind, x, y, radius, 0.9, Map.of());
    }

    public static Finding round(FindingKind kind, double x, double y, double radius, double confidence, Map<FindingKind, Double> chances) {
        return new Finding(kind, confidence, List.of(circle(x, y, radius)), radius * radius, 1, x, y, 0.2, 2, List.of(Said.text("round")), chances, 1);
    }

    public static Finding.Region circle(double x, double y, double radius) {
        List<Finding.Point> points = new ArrayList<>();
        for (int i = 0; i < 90; i++) {
            double t = 2 * Math.PI * i / 90;
            points.add(new Finding.Point(x + radius * Math.cos(t), y + radius * Math.sin(t)));
        }
        return new Finding.Region(points);
    }
}
