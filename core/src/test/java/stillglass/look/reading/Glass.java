package stillglass.look.reading;

import java.util.SplittableRandom;
import java.util.function.ToDoubleBiFunction;
import stillglass.look.Aperture;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;

/// Photos drawn for tests by functions of the place on the glass, without the inspection camera.
final class Glass {
    static final int W = 900;
    static final int H = 800;
    static final Aperture RIM = new Aperture(450, 400, 360, 360, 0);

    private Glass() {}

    /// @param light in aperture units; beyond the rim the blackened edge and then a mount
    static LinearPhoto photo(double noise, long seed, ToDoubleBiFunction<Double, Double> light) {
        return photo(noise, seed, light, light, light);
    }

    static LinearPhoto photo(double noise, long seed, ToDoubleBiFunction<Double, Double> red, ToDoubleBiFunction<Double, Double> green,
            ToDoubleBiFunction<Double, Double> blue) {
        SplittableRandom random = new SplittableRandom(seed);
        float[][] planes = new float[3][W * H];
        for (int i = 0; i < W * H; i++) {
            double x = RIM.unitX(i % W, i / W);
            double y = RIM.unitY(i % W, i / W);
            double u = Math.hypot(x, y);
            double n = noise * random.nextGaussian();
            double around = u < 1.08 ? 0.004 : 0.05;
            planes[0][i] = (float) ((u < 1 ? red.applyAsDouble(x, y) : around) + n);
            planes[1][i] = (float) ((u < 1 ? green.applyAsDouble(x, y) : around) + n);
            planes[2][i] = (float) ((u < 1 ? blue.applyAsDouble(x, y) : around) + n);
        }
        return new LinearPhoto(W, H, planes[0], planes[1], planes[2], W, H);
    }

    static GlassFrame frame(LinearPhoto photo) {
        return new GlassFrame(photo, RIM);
    }

    static Maps maps(LinearPhoto photo, Lighting lighting) {
        return new Maps(frame(photo), lighting);
    }

    /// A line from place to place, bright within its width.
    static double line(double x, double y, double x0, double y0, double x1, double y1, double width) {
        double dx = x1 - x0;
        double dy = y1 - y0;
        double t = Math.clamp(((x - x0) * dx + (y - y0) * dy) / (dx * dx + dy * dy), 0, 1);
        double d = Math.hypot(x - x0 - t * dx, y - y0 - t * dy);
        return Math.clamp((width / 2 - d) * 360 + 0.5, 0, 1);
    }

    /// A disc with a border a pixel soft.
    static double disc(double x, double y, double cx, double cy, double r) {
        return Math.clamp((r - Math.hypot(x - cx, y - cy)) * 360 + 0.5, 0, 1);
    }

    /// A ring.
    static double ring(double x, double y, double cx, double cy, double r, double width) {
        return disc(x, y, cx, cy, r + width / 2) - disc(x, y, cx, cy, r - width / 2);
    }
}
