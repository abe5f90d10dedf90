package stillglass.grade;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import stillglass.look.FindingKind;

/// A single straight groove: light is thrown across it and hardly along it, so that a lamp gets a streak at right angles to the groove.
///
/// Which way a groove runs is the long axis of its outline (second moments of the polygon). Grooves of a rubbed patch run every way and are no streaks; a bent one would fan out and is taken as straight.
///
/// @param alongRad which way the groove runs, from x to the right seen from the front, radians
/// @param share of the layer's thrown light
public record Streak(double alongRad, double share) {
    /// Long over short axis from which an outline is a line.
    private static final double LINE = 3;
    private static final int MOST = 12;

    private record Axis(double alongRad, double longAxis, double shortAxis) {}

    /// Streaks of what lies on a surface; none where it is no scratch, too many, or not drawn out.
    public static List<Streak> of(Patch patch) {
        if (patch.kind() != FindingKind.SCRATCH || patch.outlines().isEmpty() || patch.outlines().size() > MOST) {
            return List.of();
        }
        List<Axis> axes = new ArrayList<>();
        for (Geometry g : patch.outlines()) {
            Axis a = axis(g instanceof Polygon p ? p.getExteriorRing().getCoordinates() : g.convexHull().getCoordinates());
            if (!(a.longAxis >= LINE * a.shortAxis)) {
                return List.of();
            }
            axes.add(a);
        }
        double sum = axes.stream().mapToDouble(Axis::longAxis).sum();
        return axes.stream().map(a -> new Streak(a.alongRad, a.longAxis / sum)).toList();
    }

    /// Moments of a closed polygon about its own middle, by the sums over its edges (Green's theorem).
    private static Axis axis(Coordinate[] outline) {
        double area = 0;
        double x = 0;
        double y = 0;
        double xx = 0;
        double xy = 0;
        double yy = 0;
        for (int i = 0; i < outline.length; i++) {
            Coordinate p = outline[i];
            Coordinate q = outline[(i + 1) % outline.length];
            double cross = p.x * q.y - q.x * p.y;
            area += cross / 2;
            x += (p.x + q.x) * cross / 6;
            y += (p.y + q.y) * cross / 6;
            xx += (p.x * p.x + p.x * q.x + q.x * q.x) * cross / 12;
            yy += (p.y * p.y + p.y * q.y + q.y * q.y) * cross / 12;
            xy += (p.x * q.y + 2 * p.x * p.y + 2 * q.x * q.y + q.x * p.y) * cross / 24;
        }
        double a = xx / area - x / area * (x / area);
        double b = xy / area - x / area * (y / area);
        double c = yy / area - y / area * (y / area);
        double middle = (a + c) / 2;
        double apart = Math.hypot((a - c) / 2, b);
        return new Axis(Math.atan2(2 * b, a - c) / 2, Math.sqrt(Math.max(0, middle + apart)), Math.sqrt(Math.max(0, middle - apart)));
    }
}
