package stillglass.look.reading;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import stillglass.look.Aperture;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.Progress;

/// Learns the weights by which [LightingChoice] tells a bright field from light against a dark one.
public final class LightingLearning {
    private static final int ROUNDS = 20_000;
    private static final double RATE = 0.5;
    private static final double PENALTY = 5;

    private LightingLearning() {}

    /// One photo to learn from.
    /// @param traits see [LightingChoice#traits]
    public record Example(boolean bright, List<Double> traits) {
        public Example {
            traits = List.copyOf(traits);
        }
    }

    /// @param truth rim in pixels of the stored photo
    public static Example example(LinearPhoto photo, Aperture truth, Lighting lighting) {
        Survey s = Survey.of(photo, new PhotoGrading.Given(Optional.of(lighting), Optional.of(truth), OptionalDouble.empty()), Progress.SILENT).orElseThrow();
        return new Example(lighting == Lighting.BRIGHT, Arrays.stream(LightingChoice.traits(s.maps.frame, s.around, s.brightest)).boxed().toList());
    }

    /// A photo as one line: `1` before a bright field or `0`, and its traits.
    public static String line(Example e) {
        return (e.bright ? "1 " : "0 ") + e.traits.stream().map(v -> String.format(Locale.ROOT, "%.5f", v)).collect(Collectors.joining(" "));
    }

    /// The photo of a line.
    public static Example example(String line) {
        List<Double> v = Arrays.stream(line.split(" ")).map(Double::valueOf).toList();
        return new Example(v.getFirst() > 0, v.subList(1, v.size()));
    }

    /// Share told rightly by weights.
    public static double right(double[] weights, List<Example> of) {
        return of.stream().filter(e -> LightingChoice.score(weights, e.traits.stream().mapToDouble(v -> v).toArray()) > 0 == e.bright).count() / (double) Math.max(1, of.size());
    }

    public static double[] shipped() {
        return LightingChoice.WEIGHTS.clone();
    }

    /// Maximum likelihood with a small penalty on standardised traits, by steepest ascent.
    /// @return a constant, then one weight for each trait
    public static double[] learn(List<Example> all) {
        int traits = LightingChoice.TRAITS;
        double[] mean = new double[traits];
        double[] scale = new double[traits];
        for (int t = 0; t < traits; t++) {
            mean[t] = values(all, t).average().orElse(0);
            double m = mean[t];
            scale[t] = Math.sqrt(values(all, t).map(v -> (v - m) * (v - m)).average().orElse(1)) + 1e-9;
        }
        double[] w = new double[traits + 1];
        for (int round = 0; round < ROUNDS; round++) {
            double[] slope = new double[traits + 1];
            for (Example e : all) {
                double z = w[0];
                for (int t = 0; t < traits; t++) {
                    z += w[t + 1] * (e.traits.get(t) - mean[t]) / scale[t];
                }
                double off = (e.bright ? 1 : 0) - 1 / (1 + Math.exp(-z));
                slope[0] += off;
                for (int t = 0; t < traits; t++) {
                    slope[t + 1] += off * (e.traits.get(t) - mean[t]) / scale[t];
                }
            }
            for (int t = 0; t <= traits; t++) {
                w[t] += RATE / all.size() * (slope[t] - (t == 0 ? 0 : PENALTY * w[t]));
            }
        }
        double[] plain = new double[traits + 1];
        plain[0] = w[0];
        for (int t = 0; t < traits; t++) {
            plain[t + 1] = w[t + 1] / scale[t];
            plain[0] -= w[t + 1] * mean[t] / scale[t];
        }
        return plain;
    }

    private static DoubleStream values(List<Example> all, int trait) {
        return all.stream().mapToDouble(e -> e.traits.get(trait));
    }
}
