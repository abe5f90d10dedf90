package stillglass.sim.photo;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import stillglass.look.Aperture;
import stillglass.look.Lighting;
import stillglass.optics.LensSection;

/// Walls of the barrel between glasses: an inner glass that is smaller than the outer one, or leans away, leaves a crescent of wall to be seen, black or worn, threaded, lit by the lamp.
///
/// @param level light it returns
/// @param arc of its highlight, over that
/// @param lobe how narrow the highlight is
/// @param way in which it lies
/// @param grooves round it, in so many radians a rim radius, or 0
record InnerWalls(double level, double arc, double lobe, double way, double grooves, SurfaceView view) {
    private static final double SMALLER = 0.985;
    private static final int MOST = 4;

    /// @param room light of the card or the room behind the lens
    static List<Curtain> of(Light light, LensSection lens, Pose pose, Aperture aperture, double room, SplittableRandom random) {
        List<Curtain> out = new ArrayList<>();
        double least = 1;
        int last = lens.surfaces().size() - 1;
        for (int k = 1; k <= last && out.size() < MOST; k++) {
            int surface = pose.fromRear() ? last - k : k;
            SurfaceView view = SurfaceView.of(lens, surface, pose, aperture);
            if (surface == lens.stopIndex() || view.scale() > SMALLER * least || view.scale() < 0.3 || random.nextDouble() < 0.25) {
                continue;
            }
            least = view.scale();
            float[] cover = new float[light.width * light.height];
            for (int y = 0; y < light.height; y++) {
                for (int x = 0; x < light.width; x++) {
                    double r = Math.hypot(view.surfaceX(x, y), view.surfaceY(x, y));
                    double edge = Math.clamp((1 - view.map().unitRadius(x, y)) * aperture.meanRadius() + 0.5, 0, 1);
                    cover[y * light.width + x] = (float) (edge * Math.clamp((r - 1) * view.pxPerUnit() + 0.5, 0, 1));
                }
            }
            boolean bright = pose.lighting() == Lighting.BRIGHT;
            double level = 0.003 + 0.035 * Math.pow(random.nextDouble(), 1.5) + (bright ? 0.08 * room * random.nextDouble() : 0);
            float[] seen = Defocus.disc(cover, light.width, light.height, view.blurPx());
            InnerWalls wall = new InnerWalls(level, random.nextDouble() < 0.45 ? 0.02 + 0.8 * Math.pow(random.nextDouble(), 2) : 0,
                    2 + random.nextInt(30), -pose.lampTowardsRad() + (random.nextBoolean() ? 0 : Math.PI) + 0.3 * random.nextGaussian(), random.nextDouble() < 0.4 ? 40 + 80 * random.nextDouble() : 0, view);
            out.add(new Curtain(surface, false, seen, () -> wall.paint(light, pose, seen)));
        }
        return out;
    }

    /// Lays the wall over what has been painted so far, which lies behind it.
    private void paint(Light light, Pose pose, float[] cover) {
        for (int i = 0; i < cover.length; i++) {
            if (cover[i] > 0) {
                double x = view.surfaceX(i % light.width, i / light.width);
                double y = view.surfaceY(i % light.width, i / light.width);
                double r = Math.hypot(x, y);
                double facing = Math.pow(Math.max(0, Math.cos(Math.atan2(y, x) - way)), lobe);
                double v = (level + arc * facing * 0.3) * pose.lampStrength() * (grooves > 0 ? 0.7 + 0.3 * Math.sin(grooves * r) : 1);
                for (float[] p : light.planes) {
                    p[i] = (float) (p[i] * (1 - cover[i]) + v * cover[i]);
                }
            }
        }
    }
}
