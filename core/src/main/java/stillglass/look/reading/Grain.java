package stillglass.look.reading;

import java.util.Arrays;
import java.util.stream.IntStream;
import stillglass.look.LeastSquares;

/// How much fine structure of clean glass scatters, by how light it is there: grain of a photo grows with light, and before a card one glass holds both the card and black walls.
final class Grain {
    /// Added to light before its logarithm is taken, share of full exposure.
    private static final double DARK = 0.004;
    /// Width of a step of light, logarithm.
    private static final double STEP = 0.35;
    private static final int STEPS = 1 + (int) (Math.log((1 + DARK) / DARK) / STEP);
    /// Of so many pixels one is looked at, and a step of light has so many of them at least to be told by itself.
    private static final int EVERY = 23;
    private static final int LEAST = 80;
    /// Share of the light that it scatters at least: a level of 255 is a hundredth of a light one.
    private static final double LEAST_SHARE = 0.003;
    /// Robust scatter over the median size.
    private static final double NORMAL = 1.4826;

    private final double[] scatter;

    /// @param fine what stands out of `light`, both for every pixel of the frame
    Grain(float[] fine, float[] light, GlassFrame frame) {
        double[][] sizes = new double[STEPS][GlassFrame.PIXELS / EVERY + 1];
        int[] n = new int[STEPS];
        for (int at = 0; at < fine.length; at += EVERY) {
            if (frame.r[at] < 0.94) {
                int step = step(light[at]);
                sizes[step][n[step]++] = Math.abs(fine[at]);
            }
        }
        int[] told = IntStream.range(0, STEPS).filter(k -> n[k] >= LEAST).toArray();
        double[] own = IntStream.of(told).mapToDouble(k -> NORMAL * LeastSquares.median(Arrays.copyOf(sizes[k], n[k]))).toArray();
        scatter = IntStream.range(0, STEPS).mapToDouble(k -> told.length == 0 ? 0 : own[nearest(told, k)]).toArray();
    }

    private static int nearest(int[] told, int step) {
        return IntStream.range(0, told.length).boxed().min((a, b) -> Math.abs(told[a] - step) - Math.abs(told[b] - step)).orElseThrow();
    }

    private static int step(double light) {
        return (int) Math.clamp(Math.log((Math.max(0, light) + DARK) / DARK) / STEP, 0, STEPS - 1);
    }

    /// @param light of the glass there, share of full exposure
    /// @return robust scatter in the same unit, at least what a photo can hold
    double at(double light) {
        return Math.max(LEAST_SHARE * light, Math.max(Maps.LEAST_SCATTER, scatter[step(light)]));
    }
}
