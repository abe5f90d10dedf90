package stillglass.sim.photo;

import java.awt.geom.Arc2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.image.BufferedImage;
import java.util.SplittableRandom;
import stillglass.look.Aperture;
import stillglass.look.ApertureMap;

/// Photographs a step of the bench: a ring or the mount of a glass in its place, seen square, held by hand. The ring turns with the part, the barrel about it
/// with the camera; the sheen of the lathe lines stays with the lamp.
public final class StepCamera {
    private static final int WIDTH = 1200;
    private static final int HEIGHT = 900;
    /// Radius of the opening, pixels.
    private static final double RADIUS = 255;
    /// Edges of the ring and of the barrel about it, radii of the opening.
    private static final double RING_FROM = 1.03;
    private static final double RING_TO = 1.29;
    private static final double BARREL_TO = 1.62;
    /// How far a hand turns the camera from photo to photo, degrees, and moves it, pixels.
    private static final double ROLL_SIGMA_DEG = 4;
    private static final double SHIFT_PX = 12;

    private StepCamera() {}

    /// A photo and where things really were.
    /// @param circle edge of the opening
    /// @param rollDeg how far the camera's picture is turned, clockwise
    public record Taken(BufferedImage picture, Aperture circle, double rollDeg) {}

    /// @param part seed of what the ring looks like
    /// @param barrel seed of what stands about it
    /// @param turnDeg how far the ring is turned on its seat, clockwise
    /// @param moment seed of lamp, hand and noise
    public static Taken photograph(long part, long barrel, double turnDeg, long moment) {
        SplittableRandom random = new SplittableRandom(moment);
        double roll = ROLL_SIGMA_DEG * random.nextGaussian();
        double radius = RADIUS * (0.96 + 0.08 * random.nextDouble());
        Aperture circle = new Aperture(WIDTH / 2.0 + SHIFT_PX * random.nextGaussian(), HEIGHT / 2.0 + SHIFT_PX * random.nextGaussian(), radius, radius, 0);
        ApertureMap map = circle.map();
        double lamp = 2 * Math.PI * random.nextDouble();
        Light light = new Light(WIDTH, HEIGHT);
        ground(light, map, lamp, random.split());
        Layer marks = new Layer(WIDTH, HEIGHT);
        marks.draw(1, 0, 2, brush -> {
            worn(brush, map, new SplittableRandom(part), RING_FROM, RING_TO, roll + turnDeg);
            characters(brush, map, new SplittableRandom(part + 1), (RING_FROM + RING_TO) / 2, roll + turnDeg);
            worn(brush, map, new SplittableRandom(barrel), RING_TO + 0.03, BARREL_TO, roll);
            characters(brush, map, new SplittableRandom(barrel + 1), (RING_TO + BARREL_TO) / 2, roll);
        });
        light.add(marks.scatter, 0.45);
        Layer edges = new Layer(WIDTH, HEIGHT);
        edges.draw(1, 0, 2, brush -> {
            for (double r : new double[] {1.012, RING_TO + 0.012}) {
                rim(brush, map, r, lamp);
            }
        });
        light.add(edges.scatter, 0.30);
        return new Taken(Sensor.expose(light, 0.3 * random.nextGaussian(), random.split()), circle, roll);
    }

    /// Backdrop, metal with lathe lines, and the dark of the opening with a reflection.
    private static void ground(Light light, ApertureMap map, double lamp, SplittableRandom random) {
        Noise mat = new Noise(random.nextLong());
        double dust = 0.30 + 0.10 * random.nextDouble();
        for (int y = 0; y < light.height; y++) {
            for (int x = 0; x < light.width; x++) {
                double ux = map.unitX(x, y);
                double uy = map.unitY(x, y);
                double u = Math.hypot(ux, uy);
                double sheen = Math.pow(0.5 + 0.5 * Math.cos(2 * (Math.atan2(uy, ux) - lamp)), 3);
                double v;
                if (u > BARREL_TO) {
                    v = dust * (1 + 0.12 * mat.layered(x * 0.02, y * 0.02, 3)) * (1 - 0.6 * Math.exp(-(u - BARREL_TO) / 0.06));
                } else if (u > RING_FROM && Math.abs(u - RING_TO - 0.01) > 0.012) {
                    double lathe = 0.5 + 0.5 * Math.sin(2 * Math.PI * u / 0.017);
                    v = 0.030 + 0.06 * sheen * (0.4 + 0.6 * lathe);
                } else {
                    v = u > 1 ? 0.006 : 0.012 + 0.05 * Math.exp(-Math.pow(Math.hypot(ux - 0.35 * Math.cos(lamp), uy - 0.35 * Math.sin(lamp)) / 0.18, 2));
                }
                light.grey(y * light.width + x, v);
            }
        }
    }

    /// A chamfer catches the lamp on its side and more faintly across.
    private static void rim(Layer.Brush brush, ApertureMap map, double r, double lamp) {
        double rx = Math.abs(map.pixelX(r, 0) - map.pixelX(0, 0));
        double cx = map.pixelX(0, 0);
        double cy = map.pixelY(0, 0);
        for (int deg = 0; deg < 360; deg += 3) {
            double level = 0.25 + 0.75 * Math.pow(0.5 + 0.5 * Math.cos(2 * (Math.toRadians(deg) - lamp)), 2);
            brush.stroke(new Arc2D.Double(cx - rx, cy - rx, 2 * rx, 2 * rx, deg, 3.2, Arc2D.OPEN), 0.012 * rx, level);
        }
    }

    /// Short scratches and rubbed places.
    private static void worn(Layer.Brush brush, ApertureMap map, SplittableRandom random, double from, double to, double turnDeg) {
        for (int i = 0; i < 46; i++) {
            double t = 2 * Math.PI * random.nextDouble() - Math.toRadians(turnDeg);
            double r = from + 0.02 + (to - from - 0.04) * random.nextDouble();
            double along = 0.05 * random.nextGaussian();
            double out = Math.clamp(r + 0.03 * random.nextGaussian(), from + 0.01, to - 0.01);
            brush.stroke(line(map, r, t, out, t + along), 0.5 + 1.3 * random.nextDouble(), 0.15 + 0.5 * random.nextDouble());
        }
        for (int i = 0; i < 3; i++) {
            double t = 2 * Math.PI * random.nextDouble() - Math.toRadians(turnDeg);
            double r = (from + to) / 2;
            double half = 0.02 + 0.02 * random.nextDouble();
            double x = map.pixelX(r * Math.cos(t), r * Math.sin(t));
            double y = map.pixelY(r * Math.cos(t), r * Math.sin(t));
            double px = half * RADIUS;
            brush.fill(new Ellipse2D.Double(x - px, y - px, 2 * px, 2 * px), 0.12);
        }
    }

    /// Engraved characters over part of the ring, each a few strokes.
    private static void characters(Layer.Brush brush, ApertureMap map, SplittableRandom random, double middle, double turnDeg) {
        double size = 0.055;
        double from = 2 * Math.PI * random.nextDouble() - Math.toRadians(turnDeg);
        double span = 1.2 + 1.6 * random.nextDouble();
        for (double t = from; t < from + span; t += size * 1.35 / middle) {
            if (random.nextDouble() < 0.14) {
                continue;
            }
            for (int s = 0; s < 2 + random.nextInt(2); s++) {
                brush.stroke(line(map, middle + size * (random.nextInt(3) - 1) / 2, t + size / middle * random.nextInt(3) / 2.4,
                        middle + size * (random.nextInt(3) - 1) / 2, t + size / middle * random.nextInt(3) / 2.4), 2.2, 1);
            }
        }
    }

    private static Line2D line(ApertureMap map, double r0, double t0, double r1, double t1) {
        return new Line2D.Double(map.pixelX(r0 * Math.cos(t0), r0 * Math.sin(t0)), map.pixelY(r0 * Math.cos(t0), r0 * Math.sin(t0)),
                map.pixelX(r1 * Math.cos(t1), r1 * Math.sin(t1)), map.pixelY(r1 * Math.cos(t1), r1 * Math.sin(t1)));
    }
}
