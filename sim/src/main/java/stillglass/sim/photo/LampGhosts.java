package stillglass.sim.photo;

import java.util.SplittableRandom;
import stillglass.look.Aperture;
import stillglass.look.ApertureMap;
import stillglass.look.Lighting;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;

/// Reflections of the lamp as a lens throws them: one for each face, in a row through the middle, as large as the lamp looks in that mirror; crescents where a rim cuts them, mirrored irises where they passed one.
final class LampGhosts {
    private LampGhosts() {}

    /// @param lampMm distance of the lamp aside of the axis
    static void paint(Light light, LensSection lens, Pose pose, Aperture aperture, SplittableRandom random) {
        boolean against = pose.lighting() == Lighting.AGAINST;
        double share = against ? 0.75 : 0.4;
        double lamp = 0.08 + 0.3 * random.nextDouble();
        double aside = 0.1 + 0.6 * random.nextDouble();
        int blades = 5 + random.nextInt(6);
        double turn = 6.3 * random.nextDouble();
        for (int k = 0; k < lens.surfaces().size(); k++) {
            if (k == lens.stopIndex() || random.nextDouble() > share) {
                continue;
            }
            Paraxial.Apparent seen = pose.fromRear() ? Paraxial.of(lens).apparentFromRear(k) : Paraxial.of(lens).apparentFromFront(k);
            double bend = lens.surfaces().get(k).curvature() * lens.surfaces().getFirst().semiDiameterMm() * Math.abs(seen.magnification());
            // The mirror image of a lamp lies where the face is square to the way half between lamp and camera.
            double place = aside * Math.clamp(0.5 / Math.max(0.05, Math.abs(bend)), 0.1, 1.4) * -Math.signum(bend == 0 ? 1 : bend);
            double size = lamp * Math.clamp(0.12 / Math.max(0.04, Math.abs(bend)), 0.05, 0.8) * (0.6 + 0.8 * random.nextDouble());
            if (Math.abs(place) < 1.1) {
                one(light, aperture.map(), pose, place, size, new Look(against, random, blades, turn));
            }
        }
    }

    /// How one reflection looks.
    private record Look(double strength, double soft, int form, int blades, double turn, double cut, Tint hue) {
        Look(boolean against, SplittableRandom random, int blades, double turn) {
            this((against ? 0.01 : 0.02) + Math.exp(-3 + 1.4 * random.nextGaussian()), 0.02 + 0.3 * Math.pow(random.nextDouble(), 2), random.nextInt(4), blades, turn, 0.3 + 0.6 * random.nextDouble(),
                    new Tint(0.6 + 0.7 * random.nextDouble(), 0.6 + 0.7 * random.nextDouble(), 0.6 + 0.7 * random.nextDouble()));
        }
    }

    private static void one(Light light, ApertureMap map, Pose pose, double place, double size, Look look) {
        double cx = place * Math.cos(pose.lampTowardsRad());
        double cy = -place * Math.sin(pose.lampTowardsRad());
        double px = map.pixelX(cx, cy);
        double py = map.pixelY(cx, cy);
        double reach = 1.6 * size * Math.hypot(map.pixelX(1, 0) - map.pixelX(0, 0), map.pixelY(1, 0) - map.pixelY(0, 0)) + 3;
        for (int y = (int) Math.max(0, py - reach); y < Math.min(light.height, py + reach); y++) {
            for (int x = (int) Math.max(0, px - reach); x < Math.min(light.width, px + reach); x++) {
                double ux = map.unitX(x, y) - cx;
                double uy = map.unitY(x, y) - cy;
                double d = Math.hypot(ux, uy) / size;
                if (look.form == 2) {
                    d *= Math.cos(Math.IEEEremainder(Math.atan2(uy, ux) - look.turn, 2 * Math.PI / look.blades)) / Math.cos(Math.PI / look.blades);
                }
                double v = Math.clamp((1 - d) / look.soft + 0.5, 0, 1);
                if (look.form == 1) {
                    double other = Math.hypot(ux - look.cut * size * Math.cos(pose.lampTowardsRad()), uy + look.cut * size * Math.sin(pose.lampTowardsRad())) / size;
                    v *= Math.clamp((other - 0.9) / look.soft + 0.5, 0, 1);
                } else if (look.form == 3) {
                    v *= 0.35 + 0.65 * Math.exp(-Math.pow((d - 0.92) / 0.08, 2));
                }
                if (v > 0 && map.unitRadius(x, y) < 0.995) {
                    for (int c = 0; c < 3; c++) {
                        light.planes[c][y * light.width + x] += (float) (look.strength * v * look.hue.of(c));
                    }
                }
            }
        }
    }
}
