package stillglass.grade;

import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import stillglass.optics.Sighting;

/// A finding laid onto a surface in millimetres, as the light meets it.
///
/// @param kind what it is
/// @param surface index from 0
/// @param outlines closed outlines, mm from the axis, x right and y up seen from the front
/// @param coverage share of the outlines really covered, 0 to 1
/// @param contrast departure in linear light seen in the photo, used for haze
public record Patch(FindingKind kind, int surface, List<Geometry> outlines, double coverage, double contrast) {
    /// Radius of what has no outline, as a share of the rim.
    private static final double SPECK = 0.004;
    private static final GeometryFactory GEOMETRY = new GeometryFactory();

    public Patch {
        outlines = List.copyOf(outlines);
    }

    /// Places what a photo shows on a surface, by rays from the camera through the glass in front ([Sighting]).
    /// @param fromRear whether the photo was taken from behind, which mirrors left and right
    public static Patch place(Finding finding, LensSection lens, int surface, boolean fromRear) {
        Sighting seen = Sighting.of(lens, surface, fromRear);
        double limit = lens.surfaces().get(surface).semiDiameterMm();
        List<Geometry> outlines = finding.regions().stream()
                .map(r -> polygon(r, seen, fromRear ? -1 : 1))
                .map(g -> g.intersection(disc(0, 0, limit)))
                .filter(g -> g.getArea() > 0)
                .toList();
        // How much of an outline is covered does not depend on where it is laid down.
        double inPhoto = finding.regions().stream().mapToDouble(r -> r.outline().size() < 3 ? Math.PI * SPECK * SPECK : polygon(r.outline()).getArea()).sum();
        return new Patch(finding.kind(), surface, outlines, outlines.isEmpty() ? 0 : Math.min(1, finding.areaShare() * Math.PI / Math.max(1e-12, inPhoto)), finding.contrast());
    }

    /// Something whose outline on the surface is known, all of it covered.
    /// @param outline mm from the axis, seen from the front
    /// @throws IllegalArgumentException for less than three corners or none of them on the surface
    public static Patch known(FindingKind kind, LensSection lens, int surface, List<Finding.Point> outline) {
        return onSurface(kind, lens, surface, polygon(outline));
    }

    /// A disc on the surface, all of it covered.
    public static Patch known(FindingKind kind, LensSection lens, int surface, double x, double y, double diameterMm) {
        return onSurface(kind, lens, surface, disc(x, y, diameterMm / 2));
    }

    private static Patch onSurface(FindingKind kind, LensSection lens, int surface, Geometry all) {
        Geometry seen = all.intersection(disc(0, 0, lens.surfaces().get(surface).semiDiameterMm()));
        if (!(seen.getArea() > 0)) {
            throw new IllegalArgumentException("nothing of it lies within the clear " + lens.surfaces().get(surface).semiDiameterMm() + " mm of the " + lens.surfaceName(surface));
        }
        return new Patch(kind, surface, List.of(seen), 1, 1);
    }

    private static Geometry polygon(Finding.Region region, Sighting seen, int mirror) {
        List<Finding.Point> points = region.outline();
        if (points.size() < 3) {
            Finding.Point p = points.isEmpty() ? new Finding.Point(0, 0) : points.getFirst();
            Finding.Point at = laid(p, seen, mirror);
            return disc(at.x(), at.y(), SPECK * Math.abs(seen.heightMm(1)));
        }
        return polygon(points.stream().map(p -> laid(p, seen, mirror)).toList());
    }

    /// A place of the photo on the surface, mm.
    public static Finding.Point laid(Finding.Point p, Sighting seen, int mirror) {
        double share = Math.hypot(p.x(), p.y());
        double scale = share < 1e-9 ? 0 : seen.heightMm(share) / share;
        return new Finding.Point(mirror * p.x() * scale, p.y() * scale);
    }

    static Geometry polygon(List<Finding.Point> points) {
        if (points.size() < 3) {
            return GEOMETRY.createPolygon();
        }
        Coordinate[] ring = new Coordinate[points.size() + 1];
        for (int i = 0; i <= points.size(); i++) {
            Finding.Point p = points.get(i % points.size());
            ring[i] = new Coordinate(p.x(), p.y());
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
