package stillglass.benchmarks.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.function.DoubleBinaryOperator;
import stillglass.prove.edge.LightPlane;
import stillglass.prove.edge.SharpnessReading;
import stillglass.prove.iris.CouplingReading;
import stillglass.prove.iris.IrisReading;
import stillglass.prove.veil.VeilReading;

/// Photos with a truth in closed form, stored in 8 bits of sRGB with noise.
final class Pictures {
    private static final int W = 320;
    private static final int H = 260;
    /// sqrt(ln 2 / 2) / pi: a bell is at half modulation at this over its deviation.
    private static final double TOUCHED = 0.2;
    private static final double HALF = 0.18738;

    private Pictures() {}

    private static LightPlane photo(SplittableRandom r, double noise, DoubleBinaryOperator light) {
        float[] out = new float[W * H];
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double v = Math.clamp(light.applyAsDouble(x, y) + noise * r.nextGaussian(), 0, 1);
                double stored = Math.round(255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * Math.pow(v, 1 / 2.4) - 0.055)) / 255.0;
                out[y * W + x] = (float) (stored <= 0.04045 ? stored / 12.92 : Math.pow((stored + 0.055) / 1.055, 2.4));
            }
        }
        return new LightPlane(W, H, out);
    }

    static Coverage.Case sharpness(SplittableRandom r) {
        double sigma = r.nextDouble(0.7, 3);
        double turn = Math.toRadians(r.nextDouble(4, 20));
        double offset = r.nextDouble(-5, 5);
        double noise = Math.pow(10, -r.nextDouble(1.6, 2.4)) * 0.5;
        double slope = r.nextDouble(-0.3, 0.3);
        double bend = r.nextDouble(-3, 3) / (H * H / 4.0);
        LightPlane p = photo(r, noise, (x, y) -> (1 + slope * (x - W / 2.0) / W) * (0.08 + 0.5 * Bell.below(((x - W / 2.0 + offset) * Math.cos(turn) + (y - H / 2.0) * Math.sin(turn) + bend * (y - H / 2.0) * (y - H / 2.0)) / sigma)));
        SharpnessReading s = SharpnessReading.of(p);
        double truth = HALF / sigma;
        return s.edges().isEmpty() ? new Coverage.Case(truth, Double.NaN, 1) : new Coverage.Case(truth, s.edges().getFirst().mtf50Cpp(), s.edges().getFirst().mtf50Sigma());
    }

    /// @param blur over which an edge goes from dark to light, pixels
    private static double inside(double x, double y, int blades, double side, double turn, double rim, double blur) {
        double in = rim - Math.hypot(x, y);
        for (int b = 0; b < blades; b++) {
            double a = turn + 2 * Math.PI * b / blades;
            in = Math.min(in, side - x * Math.sin(a) + y * Math.cos(a));
        }
        return Bell.below(in / blur);
    }

    /// Cameras whose tone is off sRGB by a tenth of its power, edges blurred over 0.4 to 2 pixels.
    static Coverage.Case opening(SplittableRandom r) {
        double cx = W / 2.0 + r.nextDouble(-6, 6);
        double cy = H / 2.0 + r.nextDouble(-6, 6);
        int blades = r.nextInt(5, 10);
        double turn = r.nextDouble(2 * Math.PI);
        double rim = 108;
        double side = r.nextDouble(24, 75);
        double noise = r.nextDouble(0.002, 0.015);
        double slope = r.nextDouble(-0.3, 0.3);
        double blur = r.nextDouble(0.4, 2);
        double power = 1 + 0.1 * r.nextGaussian();
        LightPlane wide = photo(r, noise, (x, y) -> Math.pow(0.02 + 0.5 * (1 + slope * (x - cx) / W) * inside(x - cx, y - cy, 0, 0, 0, rim, blur), power));
        LightPlane closed = photo(r, noise, (x, y) -> Math.pow(0.02 + 0.5 * (1 + slope * (x - cx) / W) * inside(x - cx, y - cy, blades, side, turn, rim, blur), power));
        double ev = Math.log(blades * side * side * Math.tan(Math.PI / blades) / (Math.PI * rim * rim)) / Math.log(2);
        IrisReading i = IrisReading.of(List.of(new IrisReading.Taken("wide", 2, wide), new IrisReading.Taken("closed", 8, closed)));
        return i.stops().size() < 2 ? new Coverage.Case(ev, Double.NaN, 1) : new Coverage.Case(ev, i.stops().get(1).ev(), i.stops().get(1).sigmaEv());
    }

    /// Cameras whose tone is off sRGB by a tenth of its power, exposures that are off by 3 % from what is written.
    static Coverage.Case veil(SplittableRandom r, boolean two) {
        double veil = Math.pow(10, -r.nextDouble(0.9, 2.2));
        double power = 1 + 0.1 * r.nextGaussian();
        double noise = r.nextDouble(0.0005, 0.003);
        double slope = r.nextDouble(-0.2, 0.2);
        double first = r.nextDouble(-0.5, 0.5);
        List<VeilReading.Taken> taken = new ArrayList<>();
        for (double ev : two ? new double[] {first, first + 3} : new double[] {first}) {
            double exposure = Math.pow(2, ev) * (1 + 0.03 * r.nextGaussian());
            LightPlane p = photo(r, noise, (x, y) -> {
                boolean patch = Math.abs(x - W / 2.0) < 15 && Math.abs(y - H / 2.0) < 13;
                return Math.pow(Math.min(1, 0.45 * exposure * ((patch ? 0 : 1 + slope * (x - W / 2.0) / W) + veil) / (1 + veil)), power);
            });
            taken.add(new VeilReading.Taken("veil", p, OptionalDouble.of(Math.pow(2, ev))));
        }
        double truth = veil / (1 + veil);
        return VeilReading.of(taken, VeilReading.Black.UNKNOWN) instanceof VeilReading.Answer.Read read && !read.reading().atMost() ? new Coverage.Case(truth, read.reading().share(), read.reading().sigma())
                : new Coverage.Case(truth, Double.NaN, 1);
    }

    /// The camera was touched between both photos: a fifth of a pixel either way.
    static Coverage.Case lever(SplittableRandom r) {
        double cx = W / 2.0 + r.nextDouble(-4, 4);
        double cy = H / 2.0 + r.nextDouble(-4, 4);
        double from = r.nextDouble(360);
        double turn = r.nextDouble(8, 80) * (r.nextBoolean() ? 1 : -1);
        double wide = r.nextDouble(5, 14);
        double noise = r.nextDouble(0.002, 0.01);
        double bright = r.nextDouble(0.2, 0.45);
        CouplingReading c = CouplingReading.of(new IrisReading.Taken("a", 2.8, lever(r, cx, cy, 55, from, wide, bright, noise)), new IrisReading.Taken("b", 8, lever(r, cx + TOUCHED * r.nextGaussian(), cy + TOUCHED * r.nextGaussian(), 20, from + turn, wide, bright, noise))).orElseThrow();
        return new Coverage.Case(turn, c.leverDeg().orElse(Double.NaN), c.leverSigmaDeg());
    }

    private static LightPlane lever(SplittableRandom r, double cx, double cy, double radius, double deg, double wide, double bright, double noise) {
        double a = Math.toRadians(deg);
        return photo(r, noise, (x, y) -> {
            double far = Math.hypot(x - cx, y - cy);
            double along = (x - cx) * Math.sin(a) - (y - cy) * Math.cos(a);
            double across = (x - cx) * Math.cos(a) + (y - cy) * Math.sin(a);
            double on = Math.clamp(wide / 2 - Math.abs(across) + 0.5, 0, 1) * Math.clamp(along - 75, 0, 1) * Math.clamp(110 - along, 0, 1);
            double in = Math.clamp(radius - far + 0.5, 0, 1);
            return 0.75 * in + (1 - in) * (0.08 + 0.03 * Math.sin(far / 3) + (bright - 0.08) * on);
        });
    }
}
