package stillglass.look;

import java.util.ArrayList;
import java.util.List;
import stillglass.optics.ExactTrace;
import stillglass.optics.LensSection;
import stillglass.optics.Medium;
import stillglass.optics.RayBundle;
import stillglass.say.Said;

/// Where to put camera, lamp and card for a lens, from its apertures.
///
/// Rays are sent from the camera through the lens and out behind it. Where they land is what the camera sees through the glass: a lamp
/// there shines straight in, a card has to cover all of it. The lamp for work against the light stands just outside, close enough to
/// the axis that faults throw its light towards the camera.
///
/// @param cameraMm distance of the camera before the outer vertex
/// @param behindMm distance of lamp and card behind the last vertex
/// @param seenMm radius of what the camera sees through the glass at that distance
/// @param lampDeg angle of the lamp from the axis, seen from the last vertex
/// @param lampOffMm its distance from the axis
/// @param cardMm width of a card that fills the glass
/// @param rays as polylines along the axis, z from the first vertex and height in turn, for drawing
/// @param remarks what limits it
public record LightingGuide(double cameraMm, double behindMm, double seenMm, double lampDeg, double lampOffMm, double cardMm,
        List<List<Double>> rays, List<Said> remarks) {
    /// Radius of a bench lamp's head.
    private static final double LAMP_RADIUS_MM = 20;
    /// Free space between lamp and what the camera sees.
    private static final double MARGIN = 1.15;
    private static final int FAN = 81;
    /// Beyond this angle little light is thrown forward by fine threads and haze.
    private static final double FAR_DEG = 50;

    public LightingGuide {
        rays = List.copyOf(rays);
        remarks = List.copyOf(remarks);
    }

    /// @param cameraMm distance of the camera before the first vertex, more than 20
    /// @param behindMm distance of lamp and card behind the last vertex
    public static LightingGuide of(LensSection lens, double cameraMm, double behindMm) {
        if (!(cameraMm > 20 && behindMm > 5)) {
            throw new IllegalArgumentException("camera at " + cameraMm + " mm and lamp at " + behindMm
                    + " mm: the camera needs more than 20 mm, the lamp more than 5 mm");
        }
        ExactTrace trace = new ExactTrace(lens, Medium.D_LINE_NM);
        double rim = lens.surfaces().getFirst().semiDiameterMm();
        double widest = 0;
        int passed = 0;
        List<List<Double>> drawn = new ArrayList<>();
        for (int i = 0; i < FAN; i++) {
            double y = rim * (2.0 * i / (FAN - 1) - 1) * 0.995;
            RayBundle ray = new RayBundle(1);
            ray.launch(0, 0, y, 0, y / Math.hypot(y, cameraMm));
            List<Double> line = new ArrayList<>(List.of(-cameraMm, 0.0));
            for (int s = 0; s < trace.surfaces() && ray.fate(0) == RayBundle.TRAVELS; s++) {
                trace.next(s, ray);
                line.add(lens.vertexMm(s) + ray.zMm(0));
                line.add(ray.yMm(0));
            }
            if (!ray.passes(0)) {
                continue;
            }
            passed++;
            double steps = (behindMm - ray.zMm(0)) / Math.max(1e-3, ray.cosZ(0));
            double lands = ray.yMm(0) + steps * ray.cosY(0);
            line.add(lens.lengthMm() + behindMm);
            line.add(lands);
            widest = Math.max(widest, Math.abs(lands));
            if (i % 8 == 0) {
                drawn.add(line);
            }
        }
        List<Said> remarks = new ArrayList<>();
        if (passed == 0) {
            remarks.add(Said.of("light.blocked"));
            widest = lens.surfaces().getLast().semiDiameterMm();
        }
        double off = MARGIN * widest + LAMP_RADIUS_MM;
        double deg = Math.toDegrees(Math.atan2(off, behindMm));
        if (deg > FAR_DEG) {
            remarks.add(Said.of("light.wide", "degrees", deg));
        }
        return new LightingGuide(cameraMm, behindMm, widest, deg, off, 2 * MARGIN * widest, drawn, remarks);
    }
}
