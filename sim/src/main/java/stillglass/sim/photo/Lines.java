package stillglass.sim.photo;

import java.awt.geom.Line2D;
import java.awt.geom.QuadCurve2D;
import java.util.SplittableRandom;
import stillglass.sim.truth.HiddenTruth;

/// Lines on coated glass: scratches where a tool slipped, arcs where it was rubbed.
final class Lines {
    private Lines() {}

    /// One line, or a scuff of a few that run side by side; pressed harder in places.
    static void scratch(Layer layer, SurfaceView view, HiddenTruth.GlassFault f, Looks looks) {
        SplittableRandom random = new SplittableRandom(f.seed());
        int lines = (int) Math.clamp(Math.round(f.amount()), 1, 5);
        double turn = random.nextDouble() * Math.PI;
        double bright = 0.18 + 0.32 * random.nextDouble();
        double width = looks.or(0.0016 + 0.0022 * random.nextDouble(), 0.0012, 0.007) * view.pxPerUnit();
        double fan = looks.or(0.05, 0.02, 0.8);
        double curved = looks.or(0.10, 0.03, 0.25);
        layer.draw(bright, 0.3 + 0.25 * random.nextDouble(), 0.15, brush -> {
            for (int i = 0; i < lines; i++) {
                double side = i * 0.03 * (0.6 + random.nextDouble());
                double half = f.size() * (i == 0 ? 1 : 0.3 + 0.6 * random.nextDouble());
                double x = f.x() - side * Math.sin(turn);
                double y = f.y() + side * Math.cos(turn);
                stroke(brush, view, x, y, turn + fan * random.nextGaussian(), half, curved * random.nextGaussian(), width, random);
            }
        });
    }

    private static void stroke(Layer.Brush brush, SurfaceView view, double x, double y, double turn, double half, double bend, double width, SplittableRandom random) {
        Noise press = new Noise(random.nextLong());
        int steps = 80;
        double[] px = new double[steps + 1];
        double[] py = new double[steps + 1];
        for (int k = 0; k <= steps; k++) {
            double s = 2.0 * k / steps - 1;
            double along = half * s;
            double across = half * bend * s * s;
            px[k] = view.pixelX(x + along * Math.cos(turn) - across * Math.sin(turn), y + along * Math.sin(turn) + across * Math.cos(turn));
            py[k] = view.pixelY(x + along * Math.cos(turn) - across * Math.sin(turn), y + along * Math.sin(turn) + across * Math.cos(turn));
        }
        for (int k = 0; k < steps; k++) {
            double level = Math.clamp(0.75 + 0.5 * press.layered(k * 0.12, 0, 3), 0.25, 1) * Math.min(1, 6.0 * Math.min(k + 1, steps - k) / steps);
            brush.stroke(new Line2D.Double(px[k], py[k], px[k + 1], py[k + 1]), width, level);
        }
    }

    /// A great many hair-fine arcs about centres that wander much or hardly at all. An arc glints where it runs across the way to the lamp.
    static void cleaningMarks(Layer layer, SurfaceView view, HiddenTruth.GlassFault f, Looks looks, double lampTowardsRad, boolean against) {
        SplittableRandom random = new SplittableRandom(f.seed());
        int arcs = (int) looks.or(100 + 350 * f.amount(), 18, 450);
        double thick = looks.or(0.0011, 0.0009, 0.004);
        double longest = looks.or(1.1, 0.6, 5);
        double bright = (0.05 + 0.08 * random.nextDouble()) * (0.7 + 0.6 * f.amount());
        double centring = looks.or(0.05 + 0.4 * random.nextDouble(), 0.01, 0.75);
        double even = against ? 0.35 + 0.4 * random.nextDouble() : 1;
        layer.draw(bright, 0.10 + 0.1 * random.nextDouble(), 2, brush -> {
            for (int i = 0; i < arcs; i++) {
                double cx = f.x() + centring * random.nextGaussian() * f.size();
                double cy = f.y() + centring * random.nextGaussian() * f.size();
                double r = f.size() * Math.sqrt(0.02 + random.nextDouble());
                double from = random.nextDouble() * 2 * Math.PI;
                double span = 0.25 + longest * random.nextDouble();
                double level = 0.3 + 0.7 * random.nextDouble();
                int steps = longest > 1.2 ? 30 : 12;
                for (int k = 0; k < steps; k++) {
                    double a = from + span * k / steps;
                    double b = from + span * (k + 1) / steps;
                    double m = from + span * (k + 0.5) / steps;
                    double x0 = cx + r * Math.cos(a);
                    double y0 = cy + r * Math.sin(a);
                    double x1 = cx + r * Math.cos(b);
                    double y1 = cy + r * Math.sin(b);
                    if (Math.hypot(x0 - f.x(), y0 - f.y()) > f.size() * 1.02 || Math.hypot(x0, y0) > 0.985) {
                        continue;
                    }
                    // The normal of the arc points at angle m; the picture's y runs down.
                    double glint = even + (1 - even) * Math.pow(Math.abs(Math.cos(m + lampTowardsRad)), 6);
                    brush.stroke(new QuadCurve2D.Double(view.pixelX(x0, y0), view.pixelY(x0, y0),
                            view.pixelX(cx + r / Math.cos((b - a) / 2) * Math.cos(m), cy + r / Math.cos((b - a) / 2) * Math.sin(m)),
                            view.pixelY(cx + r / Math.cos((b - a) / 2) * Math.cos(m), cy + r / Math.cos((b - a) / 2) * Math.sin(m)),
                            view.pixelX(x1, y1), view.pixelY(x1, y1)), thick * view.pxPerUnit(), level * glint);
                }
            }
        });
        rubbed(layer, view, f);
    }

    private static void rubbed(Layer layer, SurfaceView view, HiddenTruth.GlassFault f) {
        for (int y = 0; y < layer.height; y++) {
            for (int x = 0; x < layer.width; x++) {
                double sx = view.surfaceX(x, y);
                double sy = view.surfaceY(x, y);
                layer.mark[y * layer.width + x] |= Math.hypot(sx - f.x(), sy - f.y()) < f.size() * 1.01 && Math.hypot(sx, sy) < 0.985;
            }
        }
    }
}
