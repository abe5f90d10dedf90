package stillglass.sim.photo;

import java.awt.geom.CubicCurve2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.util.SplittableRandom;
import stillglass.sim.truth.HiddenTruth;

/// Small things: dust, lint, bubbles in the glass.
final class Specks {
    private Specks() {}

    static void dust(Layer layer, SurfaceView view, HiddenTruth.GlassFault f, Looks looks) {
        SplittableRandom random = new SplittableRandom(f.seed());
        double lint = looks.even(random.nextDouble() < 0.4 ? 0.25 * random.nextDouble() : 0.05, 0, 0.3);
        double coarse = looks.or(1, 0.8, 2.2);
        double thick = looks.or(1, 0.8, 2);
        double bright = 0.3 + 0.4 * random.nextDouble();
        layer.draw(bright, 0.35 + 0.3 * random.nextDouble(), 0.25, brush -> {
            for (int i = 0; i < (int) Math.round(f.amount()); i++) {
                double t = random.nextDouble() * 2 * Math.PI;
                double r = Math.sqrt(random.nextDouble()) * 0.95;
                double level = 0.35 + 0.65 * random.nextDouble();
                if (random.nextDouble() < lint) {
                    brush.stroke(fibre(view, r * Math.cos(t), r * Math.sin(t), random), thick * (0.0014 + 0.0016 * random.nextDouble()) * view.pxPerUnit(), level);
                } else {
                    brush.fill(speck(view, r * Math.cos(t), r * Math.sin(t), coarse, random), level);
                }
            }
        });
    }

    private static Path2D speck(SurfaceView view, double x, double y, double coarse, SplittableRandom random) {
        double u = random.nextDouble();
        // Most are fine; now and then a crumb.
        double radius = random.nextDouble() < 0.06 ? 0.008 + 0.009 * u : 0.0014 + 0.0055 * u * u * u;
        double size = Math.max(0.9, coarse * radius * view.pxPerUnit());
        Path2D path = new Path2D.Double();
        int corners = 5 + random.nextInt(4);
        double stretch = 0.6 + 0.4 * random.nextDouble();
        double turn = random.nextDouble() * 6.3;
        for (int k = 0; k < corners; k++) {
            double a = 2 * Math.PI * k / corners;
            double reach = size * (0.7 + 0.6 * random.nextDouble());
            double px = reach * Math.cos(a);
            double py = reach * stretch * Math.sin(a);
            double ax = view.pixelX(x, y) + px * Math.cos(turn) - py * Math.sin(turn);
            double ay = view.pixelY(x, y) + px * Math.sin(turn) + py * Math.cos(turn);
            if (k == 0) {
                path.moveTo(ax, ay);
            } else {
                path.lineTo(ax, ay);
            }
        }
        path.closePath();
        return path;
    }

    private static CubicCurve2D fibre(SurfaceView view, double x, double y, SplittableRandom random) {
        double l = 0.02 + 0.06 * random.nextDouble();
        double turn = random.nextDouble() * 2 * Math.PI;
        double bend = 0.6 * random.nextGaussian();
        double x1 = x + l * 0.4 * Math.cos(turn);
        double y1 = y + l * 0.4 * Math.sin(turn);
        double x2 = x1 + l * 0.4 * Math.cos(turn + bend);
        double y2 = y1 + l * 0.4 * Math.sin(turn + bend);
        double x3 = x2 + l * 0.4 * Math.cos(turn + 2.2 * bend);
        double y3 = y2 + l * 0.4 * Math.sin(turn + 2.2 * bend);
        return new CubicCurve2D.Double(view.pixelX(x, y), view.pixelY(x, y), view.pixelX(x1, y1), view.pixelY(x1, y1),
                view.pixelX(x2, y2), view.pixelY(x2, y2), view.pixelX(x3, y3), view.pixelY(x3, y3));
    }

    /// One to three perfectly round rings with a glint on the side of the lamp.
    static void bubbles(Layer layer, SurfaceView view, HiddenTruth.GlassFault f, Looks looks, double lampTowardsRad) {
        SplittableRandom random = new SplittableRandom(f.seed());
        double bright = looks.or(0.2 + 0.25 * random.nextDouble(), 0.15, 0.9);
        for (int i = 0; i < Math.clamp(Math.round(f.amount()), 1, 6); i++) {
            double t = random.nextDouble() * 2 * Math.PI;
            double spread = i == 0 ? 0 : 0.1 + 0.4 * random.nextDouble();
            double x = view.pixelX(Math.clamp(f.x() + spread * Math.cos(t), -0.65, 0.65), Math.clamp(f.y() + spread * Math.sin(t), -0.65, 0.65));
            double y = view.pixelY(Math.clamp(f.x() + spread * Math.cos(t), -0.65, 0.65), Math.clamp(f.y() + spread * Math.sin(t), -0.65, 0.65));
            double r = Math.max(looks.or(3.2, 2, 3.2), looks.or(0.009 + 0.016 * random.nextDouble(), 0.006, 0.032) * view.pxPerUnit());
            double line = Math.max(1, looks.or(0.24, 0.1, 0.7) * r);
            double filled = looks.even(0, -0.3, 1);
            double glint = looks.even(0.9, 0.3, 1);
            double aside = looks.even(0.45, 0, 0.7) * r;
            double spot = looks.or(0.22, 0.1, 0.4) * r;
            layer.draw(bright, 0.55, 0.9, brush -> {
                brush.fill(new Ellipse2D.Double(x - r, y - r, 2 * r, 2 * r), Math.max(0, filled));
                brush.stroke(new Ellipse2D.Double(x - r, y - r, 2 * r, 2 * r), line, 0.75);
                double gx = x + aside * Math.cos(lampTowardsRad);
                double gy = y + aside * Math.sin(lampTowardsRad);
                brush.fill(new Ellipse2D.Double(gx - spot, gy - spot, 2 * spot, 2 * spot), glint);
            });
            disc(layer, x, y, r + line / 2);
        }
    }

    private static void disc(Layer layer, double cx, double cy, double r) {
        for (int y = (int) Math.max(0, cy - r); y <= Math.min(layer.height - 1, cy + r); y++) {
            for (int x = (int) Math.max(0, cx - r); x <= Math.min(layer.width - 1, cx + r); x++) {
                layer.mark[y * layer.width + x] |= Math.hypot(x - cx, y - cy) <= r;
            }
        }
    }
}
