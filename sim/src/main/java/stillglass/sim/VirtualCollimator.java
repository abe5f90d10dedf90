package stillglass.sim;

import java.util.SplittableRandom;
import stillglass.device.Collimator;
import stillglass.sim.truth.HiddenTruth;

/// A simulated collimator: reads where the image of infinity lies, with noise.
public final class VirtualCollimator {
    /// Standard deviation of one reading.
    public static final double READING_SIGMA_MM = 0.006;
    private static final int READINGS = 5;

    private VirtualCollimator() {}

    /// The mean of five readings, with its standard deviation from their spread.
    public static Collimator.Reading read(HiddenTruth truth, long seed) {
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
        return new Collimator.Reading(mean, Math.sqrt(variance / READINGS));
    }
}
