package stillglass.sim.photo;

import java.util.List;
import java.util.SplittableRandom;
import stillglass.sim.truth.HiddenTruth;

/// What lies flat on or between glasses: haze, oil, separated cement, damaged coating.
final class Films {
    /// Usual colours of a damaged coating.
    private static final List<Tint> HUES = List.of(new Tint(1.45, 0.95, 0.60), new Tint(0.70, 0.95, 1.50), new Tint(1.30, 0.70, 1.25), new Tint(0.75, 1.35, 0.85));

    private Films() {}

    /// Value of a film at a place of its surface.
    private interface At {
        void lay(int at, double sx, double sy);
    }

    private static void overSurface(Layer layer, SurfaceView view, At film) {
        for (int y = 0; y < layer.height; y++) {
            for (int x = 0; x < layer.width; x++) {
                double sx = view.surfaceX(x, y);
                double sy = view.surfaceY(x, y);
                if (sx * sx + sy * sy < 1) {
                    film.lay(y * layer.width + x, sx, sy);
                }
            }
        }
    }

    /// A veil: even, thicker at the rim or in the middle, cloudy; breath and vapour with fine droplets in it.
    static void haze(Layer layer, SurfaceView view, HiddenTruth.GlassFault f, Looks looks) {
        SplittableRandom random = new SplittableRandom(f.seed());
        Noise cloud = new Noise(random.nextLong());
        double edge = random.nextDouble() < 0.25 ? -0.35 * random.nextDouble() : 0.9 * random.nextDouble();
        double clouds = looks.even(0.25 * random.nextDouble(), 0, 0.6);
        double streaks = looks.even(0, -0.4, 0.4);
        double scale = looks.or(1.6, 0.8, 5);
        double way = looks.even(0, 0, Math.PI);
        double takes = looks.even(0.8, 0.3, 1.2);
        double soft = 0.01 + 0.07 * random.nextDouble();
        double droplets = random.nextDouble() < 0.3 ? 0.25 * random.nextDouble() : 0;
        Noise fine = new Noise(random.nextLong());
        double mean = 1 + edge / 2;
        overSurface(layer, view, (at, sx, sy) -> {
            double r2 = sx * sx + sy * sy;
            double v = (1 + edge * r2) / mean * (1 + clouds * cloud.layered(sx * scale, sy * scale, 2));
            v *= streaks > 0 ? 1 + streaks * fine.layered(18 * (sx * Math.cos(way) + sy * Math.sin(way)), 1.5 * (sy * Math.cos(way) - sx * Math.sin(way)), 2) : 1;
            v *= droplets > 0 ? 1 + droplets * fine.at(sx * 90, sy * 90) : 1;
            double rim = Math.min(1, (1 - Math.sqrt(r2)) / soft);
            layer.scatter[at] = (float) (f.amount() * Math.max(0, v) * rim);
            layer.shade[at] = (float) (takes * f.amount() * Math.max(0, v) * rim);
        });
    }

    /// A film with a smooth edge, or many round droplets; light gathers in their rims.
    static void oil(Layer layer, SurfaceView view, HiddenTruth.GlassFault f, Looks looks, double lampTowardsRad) {
        SplittableRandom random = new SplittableRandom(f.seed());
        if (f.amount() < 0.5) {
            film(layer, view, f, looks, random);
        } else {
            drops(layer, view, f, looks, random, lampTowardsRad);
        }
    }

    private static void film(Layer layer, SurfaceView view, HiddenTruth.GlassFault f, Looks looks, SplittableRandom random) {
        Noise shape = new Noise(random.nextLong());
        double bright = 0.05 + 0.10 * random.nextDouble();
        double soft = looks.or(0.018 + 0.02 * random.nextDouble(), 0.006, 0.06);
        double bead = looks.even(0.4 + 0.8 * random.nextDouble(), 0, 1.4);
        double lobes = looks.or(2.2, 1.2, 5);
        double ragged = looks.even(0.30, 0.1, 0.5);
        double rainbow = random.nextDouble() < 0.4 ? 0.25 : 0;
        Tint cast = looks.cast();
        overSurface(layer, view, (at, sx, sy) -> {
            double d = f.size() * (1 + ragged * shape.at(lobes * sx + 5, lobes * sy)) - Math.hypot(sx - f.x(), sy - f.y());
            double inside = step(d / soft);
            double border = Math.exp(-Math.pow((d - soft) / (1.3 * soft), 2));
            double v = 0.6 * inside * (1 + 0.25 * shape.at(7 * sx, 7 * sy)) + bead * border * inside;
            if (v > 0.01) {
                layer.scatter[at] = (float) (bright * v);
                layer.shade[at] = (float) (bright * (0.8 * inside + 1.4 * border * inside));
                layer.mark[at] = inside > 0.5;
                if (rainbow > 0 || cast != Tint.NONE) {
                    fringe(layer, at, d * 9, rainbow, cast);
                }
            }
        });
    }

    private static void drops(Layer layer, SurfaceView view, HiddenTruth.GlassFault f, Looks looks, SplittableRandom random, double lampTowardsRad) {
        int n = (int) (5 + 60 * (f.amount() - 0.5) * 2);
        double bright = 0.10 + 0.16 * random.nextDouble();
        double coarse = looks.or(1, 0.6, 2);
        Tint cast = looks.cast();
        double lx = Math.cos(lampTowardsRad);
        double ly = -Math.sin(lampTowardsRad);
        for (int i = 0; i < n; i++) {
            double t = random.nextDouble() * 2 * Math.PI;
            double r = f.size() * Math.sqrt(random.nextDouble());
            double x = f.x() + r * Math.cos(t);
            double y = f.y() + r * Math.sin(t);
            double u = random.nextDouble();
            double size = coarse * (0.010 + 0.035 * u * u);
            double long1 = 1 + 0.3 * random.nextDouble();
            drop(layer, view, x, y, size, long1, random.nextDouble() * 3.1, bright, lx, ly, cast);
        }
    }

    private static void drop(Layer layer, SurfaceView view, double x, double y, double size, double stretch, double turn, double bright, double lx, double ly, Tint cast) {
        double px = view.pixelX(x, y);
        double py = view.pixelY(x, y);
        double reach = size * stretch * view.pxPerUnit() * 1.3 + 2;
        for (int j = (int) Math.max(0, py - reach); j < Math.min(layer.height, py + reach); j++) {
            for (int i = (int) Math.max(0, px - reach); i < Math.min(layer.width, px + reach); i++) {
                double sx = view.surfaceX(i, j);
                double sy = view.surfaceY(i, j);
                if (sx * sx + sy * sy > 0.98) {
                    continue;
                }
                double c = Math.cos(turn) * (sx - x) + Math.sin(turn) * (sy - y);
                double s = -Math.sin(turn) * (sx - x) + Math.cos(turn) * (sy - y);
                double q = Math.hypot(c / stretch, s) / size;
                double body = step((1 - q) * size * view.pxPerUnit() / 1.5 + 0.5);
                if (body <= 0) {
                    continue;
                }
                int at = j * layer.width + i;
                // A drop is a small lens: it lights up on the side away from the lamp and keeps an even field from its rim only.
                double toLamp = ((sx - x) * lx + (sy - y) * ly) / size;
                double slope = Math.clamp(q, 0, 1);
                layer.scatter[at] = (float) Math.max(layer.scatter[at], bright * body * (0.25 + 0.9 * slope * slope * (0.5 - 0.5 * toLamp)));
                layer.shade[at] = (float) Math.max(layer.shade[at], body * (0.04 + 0.42 * Math.pow(slope, 4)));
                layer.mark[at] |= body > 0.5;
                if (cast != Tint.NONE) {
                    layer.tint(at, cast.red(), cast.green(), cast.blue());
                }
            }
        }
    }

    /// A bay from the rim, an island, or a sheet from the middle: crisp border, silvery or as yellow as old cement, Newton's colours or rings of light and dark along its edge.
    static void separation(Layer layer, SurfaceView view, HiddenTruth.GlassFault f, Looks looks) {
        SplittableRandom random = new SplittableRandom(f.seed());
        Noise shape = new Noise(random.nextLong());
        Noise inner = new Noise(random.nextLong());
        boolean bay = Math.hypot(f.x(), f.y()) > 0.6;
        double bright = looks.or((0.05 + 0.10 * random.nextDouble()) * (0.6 + 0.8 * f.amount()), 0.02, 0.3);
        double colours = random.nextDouble() < 0.75 ? 0.25 + 0.35 * random.nextDouble() : 0.04;
        double crisp = Math.max(0.7 / view.pxPerUnit(), looks.or(0, 0.001, 0.02));
        double ragging = looks.or(0.16, 0.03, 0.4);
        double border = looks.even(0.9, 0, 1.5);
        double patchy = looks.even(0.25, 0, 0.6);
        double orders = 3 + 6 * random.nextDouble();
        double feather = 3 + 4 * random.nextDouble();
        double rings = looks.even(0, -0.5, 0.8);
        double apart = looks.or(1, 0.03, 0.12);
        Tint cast = looks.cast();
        overSurface(layer, view, (at, sx, sy) -> {
            double away = Math.hypot(sx - f.x(), sy - f.y());
            double ragged = 1 + ragging * shape.layered(feather * sx + 3, feather * sy, 3);
            double d = bay ? bay(f, sx, sy, ragged) : f.size() * ragged - away;
            double inside = step(0.5 + d / crisp / 2);
            if (inside > 0) {
                double rim = Math.exp(-Math.abs(d) / 0.012);
                double v = inside * (1 - patchy + patchy * inner.layered(4 * sx, 4 * sy, 2) + border * rim);
                v *= rings > 0 ? 1 + rings * Math.exp(-d / apart / 3) * Math.cos(2 * Math.PI * d / apart) : 1;
                layer.scatter[at] = (float) (bright * v);
                layer.shade[at] = (float) (inside * (0.10 + 0.20 * rim + bright * 0.4));
                layer.mark[at] = inside > 0.5;
                fringe(layer, at, Math.max(0, d) / f.size() * orders, colours * Math.exp(-d / f.size() * 2.2), cast);
            }
        });
    }

    /// Depth into a bay: the lens-shaped overlap of the rim with a disc about the place on it.
    private static double bay(HiddenTruth.GlassFault f, double sx, double sy, double ragged) {
        double turn = Math.atan2(f.y(), f.x());
        double along = sx * Math.cos(turn) + sy * Math.sin(turn);
        double across = -sx * Math.sin(turn) + sy * Math.cos(turn);
        return f.size() * ragged - Math.hypot((1.0 - along) * 1.5, across * 0.75);
    }

    /// Interference: the hue turns with the thickness of the gap, here with the depth behind the border.
    private static void fringe(Layer layer, int at, double order, double strength, Tint cast) {
        layer.tint(at, cast.red() * (1 + strength * Math.cos(2 * Math.PI * order)), cast.green() * (1 + strength * Math.cos(2 * Math.PI * order * 1.18 + 0.6)),
                cast.blue() * (1 + strength * Math.cos(2 * Math.PI * order * 1.42 + 1.3)));
    }

    /// A patch of another tint with a mottled border, faint in scattered light.
    static void coating(Layer layer, SurfaceView view, HiddenTruth.GlassFault f, Looks looks) {
        SplittableRandom random = new SplittableRandom(f.seed());
        Noise shape = new Noise(random.nextLong());
        Noise mottle = new Noise(random.nextLong());
        double bright = 0.025 + 0.05 * f.amount();
        Tint hue = looks.hue(HUES.get(random.nextInt(HUES.size())));
        double strength = 0.5 + 0.5 * random.nextDouble();
        double soft = looks.or(0.02 + 0.06 * random.nextDouble(), 0.004, 0.1);
        double ragging = looks.or(0.35, 0.15, 0.8);
        double lobes = looks.or(4, 1.5, 8);
        double patchy = Math.max(0, looks.even(0.6, -0.4, 0.8));
        double glow = looks.or(1, 0.3, 2.5);
        double takes = looks.or(1, 0.25, 1.5);
        overSurface(layer, view, (at, sx, sy) -> {
            double ragged = 1 + ragging * shape.layered(lobes * sx, lobes * sy + 2, 4);
            double d = f.size() * ragged - Math.hypot(sx - f.x(), sy - f.y());
            double inside = step(0.5 + d / soft) * Math.clamp(0.75 + patchy * mottle.layered(16 * sx, 16 * sy, 3), 0.1, 1.2);
            if (inside > 0.02) {
                layer.scatter[at] = (float) (glow * bright * inside);
                layer.shade[at] = (float) (takes * inside * (0.06 + 0.08 * f.amount()));
                layer.mark[at] = d > 0;
                layer.tint(at, 1 + strength * (hue.red() - 1), 1 + strength * (hue.green() - 1), 1 + strength * (hue.blue() - 1));
            }
        });
    }

    private static double step(double t) {
        double u = Math.clamp(t, 0, 1);
        return u * u * (3 - 2 * u);
    }
}
