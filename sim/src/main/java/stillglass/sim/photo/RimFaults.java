package stillglass.sim.photo;

import java.util.SplittableRandom;
import stillglass.sim.truth.HiddenTruth;

/// Faults of the rim: lost edge paint, chips.
final class RimFaults {
    private RimFaults() {}

    /// A bright broken arc where the black is missing.
    static void edgePaint(Layer layer, SurfaceView view, HiddenTruth.GlassFault f, Looks looks) {
        SplittableRandom random = new SplittableRandom(f.seed());
        Noise ragged = new Noise(random.nextLong());
        Noise broken = new Noise(random.nextLong());
        double middle = Math.atan2(f.y(), f.x());
        double half = Math.clamp(f.size(), 0.06, 3) / 2;
        double bright = (0.12 + 0.3 * random.nextDouble()) * (0.6 + 0.6 * f.amount());
        double depth = looks.or(0.012 + 0.016 * random.nextDouble(), 0.01, 0.055);
        double gaps = -0.5 + 0.3 * random.nextDouble();
        for (int y = 0; y < layer.height; y++) {
            for (int x = 0; x < layer.width; x++) {
                double sx = view.surfaceX(x, y);
                double sy = view.surfaceY(x, y);
                double r = Math.hypot(sx, sy);
                if (r < 0.93 || r > 1.012) {
                    continue;
                }
                double t = Math.IEEEremainder(Math.atan2(sy, sx) - middle, 2 * Math.PI);
                double inner = 1.004 - depth * (1 + 0.8 * ragged.layered(t * 14, 1, 3));
                boolean there = Math.abs(t) < half * (1 + 0.05 * ragged.at(3 * t, 9)) && broken.layered(t * 9, 4, 2) > gaps;
                if (there && r > inner && r < 1.006) {
                    double soft = Math.min(1, Math.min(r - inner, 1.006 - r) * view.pxPerUnit());
                    int at = y * layer.width + x;
                    layer.scatter[at] = (float) (bright * soft * (0.7 + 0.3 * ragged.at(t * 40, r * 60)));
                    // Before a card bare ground glass is a grey fringe: it throws light about that came straight.
                    layer.shade[at] = (float) (0.35 * soft);
                    layer.mark[at] = soft > 0.4;
                }
            }
        }
    }

    /// A shell-shaped bite at the rim with curved steps in it.
    static void chip(Layer layer, SurfaceView view, HiddenTruth.GlassFault f, Looks looks) {
        SplittableRandom random = new SplittableRandom(f.seed());
        double turn = Math.atan2(f.y(), f.x());
        double cx = 1.01 * Math.cos(turn);
        double cy = 1.01 * Math.sin(turn);
        double size = Math.clamp(f.size(), 0.02, 0.3);
        Noise ragged = new Noise(random.nextLong());
        double bright = looks.or(0.15 + 0.3 * random.nextDouble(), 0.1, 0.8);
        double wide = looks.or(1.1 + 0.7 * random.nextDouble(), 0.8, 2.4);
        double steps = looks.even(2.5 + 3 * random.nextDouble(), 0.2, 6);
        double ripples = looks.even(1, 0, 1.2);
        double body = looks.even(0.18, 0.1, 0.6);
        for (int y = 0; y < layer.height; y++) {
            for (int x = 0; x < layer.width; x++) {
                double sx = view.surfaceX(x, y);
                double sy = view.surfaceY(x, y);
                if (sx * sx + sy * sy > 1) {
                    continue;
                }
                double in = -((sx - cx) * Math.cos(turn) + (sy - cy) * Math.sin(turn));
                double across = -(sx - cx) * Math.sin(turn) + (sy - cy) * Math.cos(turn);
                double q = Math.hypot(in, across / wide) / (size * (1 + 0.12 * ragged.layered(across * 30, in * 30, 2)));
                double inside = Math.clamp((1 - q) * size * view.pxPerUnit() + 0.5, 0, 1);
                if (inside > 0) {
                    int at = y * layer.width + x;
                    double ripple = Math.pow(0.5 + 0.5 * Math.cos(2 * Math.PI * steps * q), 4);
                    double border = Math.exp(-Math.pow((1 - q) / 0.10, 2));
                    layer.scatter[at] = (float) (bright * inside * (body + 0.55 * ripples * ripple * (0.7 + 0.3 * ragged.at(sx * 40, sy * 40)) + 0.8 * border));
                    layer.shade[at] = (float) (inside * (0.18 + 0.35 * ripple + 0.4 * border));
                    layer.mark[at] = inside > 0.5;
                }
            }
        }
    }
}
