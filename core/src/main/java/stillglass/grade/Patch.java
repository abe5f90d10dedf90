package stillglass.grade;

import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;

/// A finding laid onto a surface in millimetres, as the light meets it.
///
/// @param kind what it is
/// @param surface index from 0
/// @param outlines closed outlines, mm from the axis, x right and y up seen from the front
/// @param coverage share of the outlines really covered, 0 to 1
/// @param contrast departure in linear light seen in the photo, used for haze
public record Patch(FindingKind kind, int surface, List<Geometry> outlines, double coverage, double contrast) {
    private static final GeometryFactory GEOMETRY = new GeometryFactory();

    public Patch {
        outlines = List.copyOf(outlines);
    }

    /// Places what a photo shows on a surface. The photo's rim is the clear rim of the outermost glass on its side;
    /// the glass in front magnifies, so heights are divided by the magnification of that surface's image.
    /// @param fromRear whether the photo was taken from behind, which mirrors left and right
    public static Patch place(Finding finding, LensSection lens, int surface, boolean fromRear) {
        double scale = rimOnSurfaceMm(lens, surface, fromRear);
        double limit = lens.surfaces().get(surface).semiDiameterMm();
        List<Geometry> outlines = finding.regions().stream()
                .map(r -> polygon(r, scale, fromRear ? -1 : 1))
                .map(g -> g.intersection(disc(0, 0, limit)))
                .filter(g -> g.getArea() > 0)
                .toList();
        double covered = finding.areaShare() * Math.PI * scale * scale;
        double outlined = outlines.stream().mapToDouble(Geometry::getArea).sum();
        return new Patch(
                finding.kind(), surface, outlines, outlined > 0 ? Math.min(1, covered / outlined) : 0, finding.contrast());
    }

    /// Height on a surface of what stands at the rim of the photo, mm.
    public static double rimOnSurfaceMm(LensSection lens, int surface, boolean fromRear) {
        Paraxial p = Paraxial.of(lens);
        return fromRear
                ? lens.surfaces().getLast().semiDiameterMm() / p.apparentFromRear(surface).magnification()
                : lens.surfaces().getFirst().semiDiameterMm() / p.apparentFromFront(surface).magnification();
    }

    private static Geometry polygon(Finding.Region region, double scale, int mirror) {
        List<Finding.Point> points = region.outline();
        if (points.size() < 3) {
            Finding.Point p = points.isEmpty() ? new Finding.Point(0, 0) : points.getFirst();
            return disc(mirror * p.x() * scale, p.y() * scale, 0.004 * scale);
        }
        Coordinate[] ring = new Coordinate[points.size() + 1];
        for (int i = 0; i <= points.size(); i++) {
            Finding.Point p = points.get(i % points.size());
            ring[i] = new Coordinate(mirror * p.x() * scale, p.y() * scale);
        }
        // An outline of one-pixel threads may cross itself; a zero buffer makes it simple.
        return GEOMETRY.createPolygon(ring).buffer(0);
    }

    static Geometry disc(double x, double y, double radius) {
        int corners = 48;
        Coordinate[] ring = new Coordinate[corners + 1];
        // Radius of a polygon of equal area to the circle.
        double r = radius * Math.sqrt(2 * Math.PI / corners / Math.sin(2 * Math.PI / corners));
        for (int i = 0; i < corners; i++) {
            double t = 2 * Math.PI * i / corners;
            ring[i] = new Coordinate(x + r * Math.cos(t), y + r * Math.sin(t));
        }
        ring[corners] = ring[0];
        return GEOMETRY.createPolygon(ring);
    }
}
