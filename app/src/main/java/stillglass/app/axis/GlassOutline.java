package stillglass.app.axis;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Surface;
import stillglass.optics.Tilt;

/// The true outline of a glass: both sags to the clear height, then flat shoulders out to the ground rim.
public final class GlassOutline {
    private static final int STEPS = 24;
    /// How far polish goes on beyond the clear height before the shoulder.
    private static final double POLISH_MM = 0.3;

    private GlassOutline() {}

    public static AxisModel.Outline of(LensSection section, Element e) {
        return of(section, e, 0);
    }

    /// @param shiftMm where the first vertex stands
    static AxisModel.Outline of(LensSection section, Element e, double shiftMm) {
        double rim = e.diameterMm() / 2;
        List<AxisModel.Point> points = new ArrayList<>(face(section, e.firstSurface(), rim));
        points.addAll(face(section, e.lastSurface(), rim).reversed());
        Optional<Tilt> tilt = section.tilts().stream()
                .filter(t -> t.firstSurface() <= e.firstSurface() && t.lastSurface() >= e.lastSurface())
                .findFirst();
        double pivot = tilt.map(t -> section.vertexMm(t.firstSurface())).orElse(0.0);
        // Only the lean towards 12 or 6 o'clock shows in the plane of the section.
        double lean = tilt.map(t -> t.angleRad() * Math.sin(t.towardsRad())).orElse(0.0);
        double aside = tilt.map(t -> t.asideMm() * Math.sin(t.towardsRad())).orElse(0.0);
        return new AxisModel.Outline(points.stream()
                .map(p -> new AxisModel.Point(
                        shiftMm + pivot + (p.xMm() - pivot) * Math.cos(lean) - p.yMm() * Math.sin(lean),
                        aside + p.yMm() * Math.cos(lean) + (p.xMm() - pivot) * Math.sin(lean)))
                .toList());
    }

    /// From the upper rim to the lower.
    static List<AxisModel.Point> face(LensSection section, int surface, double rimMm) {
        Surface s = section.surfaces().get(surface);
        double at = section.vertexMm(surface);
        double polished = Math.min(rimMm, s.semiDiameterMm() + POLISH_MM);
        List<AxisModel.Point> points = new ArrayList<>();
        points.add(new AxisModel.Point(at + s.sagMm(polished), rimMm));
        for (int i = 0; i <= STEPS; i++) {
            double y = polished * (1 - 2.0 * i / STEPS);
            points.add(new AxisModel.Point(at + s.sagMm(y), y));
        }
        points.add(new AxisModel.Point(at + s.sagMm(polished), -rimMm));
        return points;
    }
}
