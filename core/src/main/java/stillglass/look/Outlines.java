package stillglass.look;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.union.UnaryUnionOp;

/// Outlines of findings as shapes: areas, union, parts. Aperture units.
public final class Outlines {
    private static final GeometryFactory GEOMETRY = new GeometryFactory();

    private Outlines() {}

    /// Area that outlines cover together, overlaps counted once, as a share of the aperture.
    public static double areaShare(List<Finding.Region> regions) {
        return union(regions).getArea() / Math.PI;
    }

    /// The outlines with those that overlap made one; a hole is given up for a plain outline.
    public static List<Finding.Region> merged(List<Finding.Region> regions) {
        Geometry all = union(regions);
        List<Finding.Region> out = new ArrayList<>();
        for (int i = 0; i < all.getNumGeometries(); i++) {
            if (all.getGeometryN(i) instanceof Polygon p && !p.isEmpty()) {
                Coordinate[] ring = p.getExteriorRing().getCoordinates();
                List<Finding.Point> points = new ArrayList<>();
                for (int k = 0; k + 1 < ring.length; k++) {
                    points.add(new Finding.Point(ring[k].x, ring[k].y));
                }
                out.add(new Finding.Region(points));
            }
        }
        return out;
    }

    /// Whether a place lies inside one of the outlines.
    public static boolean contain(List<Finding.Region> regions, double x, double y) {
        var point = GEOMETRY.createPoint(new Coordinate(x, y));
        return regions.stream().anyMatch(r -> polygon(r).covers(point));
    }

    /// Share of the smaller of two findings that lies in the other, 0 to 1, of their outlines.
    public static double overlap(Finding a, Finding b) {
        Geometry one = union(a.regions());
        Geometry other = union(b.regions());
        double least = Math.min(one.getArea(), other.getArea());
        return least <= 0 ? 0 : one.intersection(other).getArea() / least;
    }

    static Finding reshaped(Finding f, List<Finding.Region> others) {
        Geometry before = union(f.regions());
        Geometry after = union(others);
        if (after.isEmpty()) {
            throw new IllegalArgumentException("an outline without any area");
        }
        // Threads cover less than their outline: the covered share of the outline is kept.
        double filled = before.getArea() > 0 ? Math.min(1, f.areaShare() * Math.PI / before.getArea()) : 1;
        var middle = after.getCentroid();
        return new Finding(f.kind(), f.confidence(), others, filled * after.getArea() / Math.PI, f.count(), middle.getX(), middle.getY(),
                f.contrast(), f.severity(), f.reasons(), f.chances(), f.sharpness());
    }

    private static Geometry union(List<Finding.Region> regions) {
        List<Geometry> shapes = new ArrayList<>();
        regions.forEach(r -> shapes.add(polygon(r)));
        Geometry all = UnaryUnionOp.union(shapes);
        return all == null ? GEOMETRY.createPolygon() : all;
    }

    private static Geometry polygon(Finding.Region r) {
        List<Finding.Point> points = r.outline();
        if (points.size() < 3) {
            return GEOMETRY.createPolygon();
        }
        Coordinate[] ring = new Coordinate[points.size() + 1];
        for (int i = 0; i < ring.length; i++) {
            Finding.Point p = points.get(i % points.size());
            ring[i] = new Coordinate(p.x(), p.y());
        }
        LinearRing closed = GEOMETRY.createLinearRing(ring);
        // A ring drawn by hand or along a border of pixels may touch itself; a buffer of nothing makes it valid.
        return GEOMETRY.createPolygon(closed).buffer(0);
    }
}
