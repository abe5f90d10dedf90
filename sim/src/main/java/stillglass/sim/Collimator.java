package stillglass.sim;

import java.util.SplittableRandom;

/// A simulated collimator: reads where the image of infinity lies, with noise.
public final class Collimator {
    /// Standard deviation of one reading.
    public static final double READING_SIGMA_MM = 0.006;
    private static final int READINGS = 5;

    private Collimator() {}

    /// @param errorMm mean of five readings
    /// @param sigmaMm standard deviation of that mean, from the spread of the readings
    public record Reading(double errorMm, double sigmaMm) {}

    public static Reading read(HiddenTruth truth, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double sum = 0;
        double squares = 0;
        for (int i = 0; i < READINGS; i++) {
            double r = truth.infinityErrorMm() + READING_SIGMA_MM * random.nextGaussian();
            sum += r;
            squares += r * r;
        }
        double mean = sum / READINGS;
        double variance = Math.max(0, squares / READINGS - mean * mean) * READINGS / (READINGS - 1);
        return new Reading(mean, Math.sqrt(variance / READINGS));
    }
}
