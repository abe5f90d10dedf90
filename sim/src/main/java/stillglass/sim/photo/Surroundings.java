package stillglass.sim.photo;

import java.awt.geom.Arc2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.util.SplittableRandom;
import stillglass.look.Aperture;
import stillglass.look.ApertureMap;
import stillglass.look.Lighting;
import stillglass.optics.LensSection;

/// All that a photograph shows besides faults: backdrop, barrel with its threads and engraving, the clean glass, inner rims that
/// catch the lamp, reflections of the lamp, the iris.
final class Surroundings {
    /// Rims that catch the lamp in one photo.
    private static final int MOST_RIMS = 5;

    private final Light light;
    private final Pose pose;
    private final Aperture aperture;
    private final ApertureMap map;
    private final LensSection lens;
    private final SurfaceView stop;
    private final boolean against;
    /// Light of the card before which a lens is held.
    private double card;

    Surroundings(Light light, Pose pose, Aperture aperture, LensSection lens) {
        this.light = light;
        this.pose = pose;
        this.aperture = aperture;
        map = aperture.map();
        this.lens = lens;
        stop = SurfaceView.of(lens, lens.stopIndex(), pose, aperture);
        against = pose.lighting() == Lighting.AGAINST;
    }

    void backdropAndBarrel(SplittableRandom random) {
        Noise clutter = new Noise(random.nextLong());
        double level = against ? 0.004 + 0.05 * Math.pow(random.nextDouble(), 2) : 0.50 + 0.28 * random.nextDouble();
        card = level;
        double mottle = against ? 0.5 : 0.02 + 0.04 * random.nextDouble();
        double phase = random.nextDouble() * 6.3;
        // A lens keeps its mount from photo to photo; where none was named it is as accidental as the rest.
        SplittableRandom own = pose.mount() == pose.seed() ? random : new SplittableRandom(pose.mount());
        double black = 1.03 + 0.10 * own.nextDouble();
        double outer = black + 0.10 + 0.30 * own.nextDouble();
        double pitch = 0.010 + 0.012 * own.nextDouble();
        double gloss = 0.02 + 0.08 * own.nextDouble();
        for (int y = 0; y < light.height; y++) {
            for (int x = 0; x < light.width; x++) {
                double u = map.unitRadius(x, y);
                int at = y * light.width + x;
                if (u > outer) {
                    double v = level * (1 + mottle * clutter.layered(3.0 * x / light.width, 3.0 * y / light.width, 3))
                            * (1 + 0.25 * (x / (double) light.width - 0.5) * Math.cos(phase));
                    double shadow = 1 - 0.5 * Math.exp(-(u - outer) / 0.05);
                    light.grey(at, v * shadow);
                } else {
                    double sheen = Math.pow(0.5 + 0.5 * Math.cos(2 * (Math.atan2(y - aperture.cy(), x - aperture.cx()) - phase)), 2);
                    boolean threads = u > black;
                    double groove = threads ? 0.5 + 0.5 * Math.sin(2 * Math.PI * (u - black) / pitch) : 0;
                    double dome = threads ? Math.sin(Math.PI * (u - black) / (outer - black)) : 0;
                    light.grey(at, 0.004 + (threads ? gloss * (0.15 + sheen * (0.4 * groove + 0.6 * dome * dome)) : 0.006 * sheen));
                }
            }
        }
        engraving(own, black, outer);
    }

    /// Small white characters about the name ring, each a few strokes.
    private void engraving(SplittableRandom random, double black, double outer) {
        if (outer - black < 0.16) {
            return;
        }
        double from = random.nextDouble() * 6.3;
        double span = 1 + 2 * random.nextDouble();
        double size = 0.035;
        double middle = (black + outer) / 2;
        Layer layer = new Layer(light.width, light.height);
        layer.draw(0.35, 0, 2, brush -> {
            for (double t = from; t < from + span; t += size * 1.3 / middle) {
                if (random.nextDouble() < 0.15) {
                    continue;
                }
                for (int s = 0; s < 2 + random.nextInt(2); s++) {
                    double a0 = t + size / middle * random.nextInt(3) / 2.4;
                    double a1 = t + size / middle * random.nextInt(3) / 2.4;
                    double r0 = middle + size * (random.nextInt(3) - 1) / 2;
                    double r1 = middle + size * (random.nextInt(3) - 1) / 2;
                    brush.stroke(new Line2D.Double(map.pixelX(r0 * Math.cos(a0), r0 * Math.sin(a0)), map.pixelY(r0 * Math.cos(a0), r0 * Math.sin(a0)),
                            map.pixelX(r1 * Math.cos(a1), r1 * Math.sin(a1)), map.pixelY(r1 * Math.cos(a1), r1 * Math.sin(a1))),
                            0.006 * aperture.meanRadius(), 1);
                }
            }
        });
        light.add(layer.scatter, against ? 0.25 : 0.8);
    }

    /// The light of what the lens is held before, where somebody else painted it.
    void before(double level) {
        card = against ? card : level;
    }

    /// The glass when nothing is wrong with it.
    void cleanGlass(SplittableRandom random, double yellow) {
        // Half a dozen coated faces keep a few percent of the light.
        double base = against ? 0.006 + 0.022 * random.nextDouble() : card * (0.86 + 0.10 * random.nextDouble());
        double bowl = (against ? 0.4 : -0.16) * random.nextDouble();
        double[] coat = against ? new double[] {0.75 + 0.3 * random.nextDouble(), 0.95, 0.95 + 0.35 * random.nextDouble()} : new double[] {1, 1, 0.985};
        double[] through = {1, Math.sqrt(Math.sqrt(yellow)) * Math.sqrt(Math.sqrt(yellow)), yellow};
        for (int y = 0; y < light.height; y++) {
            for (int x = 0; x < light.width; x++) {
                double r = map.unitRadius(x, y);
                double edge = Math.clamp((1 - r) * aperture.meanRadius() + 0.5, 0, 1);
                if (edge > 0) {
                    double v = base * (1 + bowl * r * r) * (1 + (lamp(x, y) / pose.lampStrength() - 1) * (against ? 1 : 0.35));
                    int at = y * light.width + x;
                    for (int c = 0; c < 3; c++) {
                        light.planes[c][at] = (float) (light.planes[c][at] * (1 - edge) + v * coat[c] * (against ? 1 : through[c]) * edge);
                    }
                }
            }
        }
    }

    /// Strength of the lamp over the glass.
    double lamp(int x, int y) {
        double ux = (x - aperture.cx()) / aperture.meanRadius();
        double uy = (y - aperture.cy()) / aperture.meanRadius();
        return pose.lampStrength() * Math.max(0.2, 1 + pose.lampUnevenness() * (ux * Math.cos(pose.lampTowardsRad()) + uy * Math.sin(pose.lampTowardsRad())));
    }

    /// Inner rims catch the lamp as thin arcs, on the lamp's side and more faintly across from it; before a card they are dark lines.
    void innerRims(SplittableRandom random) {
        int drawn = 0;
        for (int k = 0; k < lens.surfaces().size() && drawn < MOST_RIMS; k++) {
            SurfaceView view = SurfaceView.of(lens, k, pose, aperture);
            if (k == lens.stopIndex() || view.scale() > 0.985 || random.nextDouble() < 0.35) {
                continue;
            }
            drawn++;
            double r = view.pxPerUnit();
            double x = view.pixelX(0, 0);
            double y = view.pixelY(0, 0);
            double span = 50 + 130 * random.nextDouble();
            double strength = (against ? 0.02 + 0.10 * random.nextDouble() : 0.10 + 0.25 * random.nextDouble());
            double width = Math.max(0.8, (0.002 + 0.004 * random.nextDouble()) * r);
            Layer layer = new Layer(light.width, light.height);
            layer.draw(1, 1, 2, brush -> {
                for (double t = -span / 2; t < span / 2; t += 4) {
                    double fall = against ? Math.pow(Math.cos(Math.PI * t / span), 2) : 1;
                    for (double turn : new double[] {0, 180}) {
                        double towards = -Math.toDegrees(pose.lampTowardsRad()) + turn + t;
                        brush.stroke(new Arc2D.Double(x - r, y - r, 2 * r, 2 * r, towards, 4, Arc2D.OPEN), width, fall * (turn == 0 ? 1 : 0.35));
                    }
                }
            });
            float[] soft = Defocus.disc(layer.scatter, light.width, light.height, view.blurPx());
            if (against) {
                light.add(soft, strength);
            } else {
                light.darken(soft, strength, map);
            }
        }
    }

    /// Reflections of the lamp between surfaces, strung on the line through the middle of the glass.
    void ghosts(SplittableRandom random) {
        if (!against && random.nextDouble() < 0.5) {
            return;
        }
        int n = 1 + random.nextInt(4);
        for (int g = 0; g < n; g++) {
            double along = (1.5 * random.nextDouble() - 0.75);
            double gx = aperture.cx() + along * aperture.meanRadius() * Math.cos(pose.lampTowardsRad());
            double gy = aperture.cy() + along * aperture.meanRadius() * Math.sin(pose.lampTowardsRad());
            boolean sharp = random.nextDouble() < 0.35;
            double size = (sharp ? 0.015 + 0.05 * random.nextDouble() : 0.10 + 0.25 * random.nextDouble()) * aperture.meanRadius();
            double strength = sharp ? 0.15 + 0.8 * random.nextDouble() : (against ? 0.004 + 0.014 * random.nextDouble() : 0.02);
            double[] hue = {0.7 + 0.6 * random.nextDouble(), 0.7 + 0.6 * random.nextDouble(), 0.7 + 0.6 * random.nextDouble()};
            double squash = 0.8 + 0.2 * random.nextDouble();
            for (int y = (int) Math.max(0, gy - 3 * size); y < Math.min(light.height, gy + 3 * size); y++) {
                for (int x = (int) Math.max(0, gx - 3 * size); x < Math.min(light.width, gx + 3 * size); x++) {
                    double q = Math.hypot(x - gx, (y - gy) / squash) / size;
                    double v = sharp ? Math.clamp((1 - q) * size + 0.5, 0, 1) + 0.06 * Math.exp(-q) : Math.exp(-q * q);
                    if (map.unitRadius(x, y) < 0.99) {
                        for (int c = 0; c < 3; c++) {
                            light.planes[c][y * light.width + x] += (float) (strength * v * (sharp && v > 0.9 ? 1 : hue[c]));
                        }
                    }
                }
            }
        }
    }

    /// The opening of a closed-down iris as it appears through the glass in front, or nothing when it is wide open.
    /// @return 1 on the blades and the barrel about them, 0 elsewhere
    float[] blades(SplittableRandom random) {
        Layer layer = new Layer(light.width, light.height);
        if (pose.irisOpen() >= 1) {
            return layer.scatter;
        }
        int corners = 5 + random.nextInt(5);
        double turn = random.nextDouble() * 6.3;
        Path2D opening = new Path2D.Double(Path2D.WIND_EVEN_ODD);
        for (int k = 0; k < corners; k++) {
            double t = turn + 2 * Math.PI * k / corners;
            double x = stop.pixelX(pose.irisOpen() * Math.cos(t), pose.irisOpen() * Math.sin(t));
            double y = stop.pixelY(pose.irisOpen() * Math.cos(t), pose.irisOpen() * Math.sin(t));
            if (k == 0) {
                opening.moveTo(x, y);
            } else {
                opening.lineTo(x, y);
            }
        }
        opening.closePath();
        // About the blades lies the barrel, black as they are: light comes through the opening only.
        double r = 1.2 * aperture.meanRadius();
        opening.append(new Ellipse2D.Double(aperture.cx() - r, aperture.cy() - r, 2 * r, 2 * r), false);
        layer.draw(1, 1, 2, brush -> brush.fill(opening, 1));
        return withinRim(Defocus.disc(layer.scatter, light.width, light.height, stop.blurPx()));
    }

    /// How bright bare metal is at a pixel: 1 on the blades of the iris, less on the barrel about them.
    double bare(int x, int y) {
        return Math.hypot(stop.surfaceX(x, y), stop.surfaceY(x, y)) < 1 ? 1 : 0.35;
    }

    /// Nothing inside a lens is seen past the rim of its outer glass.
    private float[] withinRim(float[] inside) {
        for (int y = 0; y < light.height; y++) {
            for (int x = 0; x < light.width; x++) {
                double edge = Math.clamp((1 - map.unitRadius(x, y)) * aperture.meanRadius() + 0.5, 0, 1);
                inside[y * light.width + x] *= (float) edge;
            }
        }
        return inside;
    }
}
