package stillglass.look.reading;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import stillglass.look.Aperture;
import stillglass.look.LinearPhoto;

/// Learns which of a photo's rings is the rim.
public final class RimLearning {
    private static final int KNOTS = 7;
    private static final int ROUNDS = 1200;
    private static final double SMALL = 2e-4;
    private static final double SMOOTH = 2e-3;
    /// Error of centre or radius, whichever is larger, up to which a ring is the rim, radii.
    private static final double RIGHT = 0.015;

    private RimLearning() {}

    /// One photo's rings.
    /// @param traits of each, in the order of [RimTrait]
    /// @param right whether it is the rim
    public record Example(List<double[]> traits, List<Boolean> right) {
        public Example {
            traits = List.copyOf(traits);
            right = List.copyOf(right);
        }

        /// Where the rim comes when a model ranks them, from 0; -1 where it is not among them.
        int rank(RimModel model) {
            double[] p = model.chances(traits);
            int best = -1;
            for (int i = 0; i < p.length; i++) {
                if (right.get(i)) {
                    double here = p[i];
                    int before = (int) Arrays.stream(p).filter(v -> v > here).count();
                    best = best < 0 ? before : Math.min(best, before);
                }
            }
            return best;
        }
    }

    /// A photo's rings as one line: for each `1` or `0` and its traits.
    public static String line(Example e) {
        StringBuilder out = new StringBuilder();
        for (int i = 0; i < e.traits.size(); i++) {
            out.append(i == 0 ? "" : " ").append(e.right.get(i) ? 1 : 0);
            for (double v : e.traits.get(i)) {
                out.append(String.format(Locale.ROOT, " %.4f", v));
            }
        }
        return out.toString();
    }

    /// The photo of a line.
    public static Example example(String line) {
        double[] all = line.isBlank() ? new double[0] : Arrays.stream(line.split(" ")).mapToDouble(Double::parseDouble).toArray();
        int step = 1 + RimTrait.values().length;
        List<double[]> traits = new ArrayList<>();
        List<Boolean> right = new ArrayList<>();
        for (int i = 0; i + step <= all.length; i += step) {
            right.add(all[i] > 0);
            traits.add(Arrays.copyOfRange(all, i + 1, i + step));
        }
        return new Example(traits, right);
    }

    /// @param truth in pixels of the stored photo
    public static Example example(LinearPhoto photo, Aperture truth) {
        Aperture t = truth.scaled(1 / photo.scale());
        float[] light = PhotoGrading.blurred(photo.luminance(), photo.width(), photo.height(), PhotoGrading.SMOOTH);
        List<RimCandidates.Candidate> all = ApertureFinder.measured(light, photo.width(), photo.height());
        return new Example(all.stream().map(c -> c.traits).toList(), all.stream().map(c -> off(c.ring, t) < RIGHT).toList());
    }

    private static double off(Aperture a, Aperture t) {
        return Math.max(Math.hypot(a.cx() - t.cx(), a.cy() - t.cy()), Math.abs(a.meanRadius() - t.meanRadius())) / t.meanRadius();
    }

    /// Learns from photos whose rim is among their rings.
    /// @return the model as text
    public static String learn(List<Example> examples) {
        List<Example> use = examples.stream().filter(e -> e.right.contains(true)).toList();
        double[][] knots = new double[RimTrait.values().length][];
        double[][] weights = new double[knots.length][];
        for (int t = 0; t < knots.length; t++) {
            int trait = t;
            double[] values = use.stream().flatMap(e -> e.traits.stream()).mapToDouble(v -> v[trait]).sorted().toArray();
            knots[t] = Arrays.stream(quantiles(values)).distinct().toArray();
            weights[t] = new double[knots[t].length];
        }
        RimModel model = new RimModel(knots, weights);
        double[][] first = like(weights);
        double[][] second = like(weights);
        for (int round = 1; round <= ROUNDS; round++) {
            double[][] slope = slope(model, use);
            double rate = 0.05 * Math.min(1, 2.0 * (ROUNDS - round + 1) / ROUNDS);
            for (int t = 0; t < weights.length; t++) {
                for (int k = 0; k < weights[t].length; k++) {
                    first[t][k] = 0.9 * first[t][k] + 0.1 * slope[t][k];
                    second[t][k] = 0.995 * second[t][k] + 0.005 * slope[t][k] * slope[t][k];
                    weights[t][k] += rate * first[t][k] / (1 - Math.pow(0.9, round)) / (Math.sqrt(second[t][k] / (1 - Math.pow(0.995, round))) + 1e-7);
                }
            }
        }
        return RimModelText.print(model);
    }

    /// How many have the rim first, among three, anywhere, under a model; all photos.
    public static int[] ranks(String model, List<Example> examples) {
        RimModel m = RimModelText.parse(model.lines().toList());
        int[] out = new int[3];
        for (Example e : examples) {
            int r = e.rank(m);
            out[0] += r == 0 ? 1 : 0;
            out[1] += r >= 0 && r < 3 ? 1 : 0;
            out[2] += r >= 0 ? 1 : 0;
        }
        return out;
    }

    /// The model that ships, as text.
    public static String shipped() {
        return RimModelText.print(RimModel.shipped());
    }

    private static double[] quantiles(double[] sorted) {
        List<Double> out = new ArrayList<>();
        for (int k = 0; k < KNOTS; k++) {
            double q = 0.01 + 0.98 * k / (KNOTS - 1);
            double v = sorted[(int) (q * (sorted.length - 1))];
            double told = Math.round(v * 1e4) / 1e4;
            if (out.isEmpty() || told > out.getLast() + 1e-3) {
                out.add(told);
            }
        }
        return out.stream().mapToDouble(v -> v).toArray();
    }

    private static double[][] like(double[][] of) {
        return Arrays.stream(of).map(r -> new double[r.length]).toArray(double[][]::new);
    }

    /// Slope of the mean logarithm of the chance that the rim is what it is, less what keeps curves small and smooth.
    private static double[][] slope(RimModel model, List<Example> use) {
        double[][] slope = use.parallelStream().collect(() -> like(model.weights), (into, e) -> {
            double[] p = model.chances(e.traits);
            double sure = 0;
            for (int i = 0; i < p.length; i++) {
                sure += e.right.get(i) ? p[i] : 0;
            }
            for (int i = 0; i < p.length; i++) {
                double off = ((e.right.get(i) ? p[i] / Math.max(1e-12, sure) : 0) - p[i]) / use.size();
                for (int t = 0; t < into.length; t++) {
                    double[] k = model.knots[t];
                    double v = e.traits.get(i)[t];
                    if (k.length > 1 && !Double.isNaN(v)) {
                        int at = RimModel.segment(k, v);
                        double f = RimModel.share(k, at, v);
                        into[t][at] += off * (1 - f);
                        into[t][at + 1] += off * f;
                    }
                }
            }
        }, (a, b) -> {
            for (int t = 0; t < a.length; t++) {
                for (int k = 0; k < a[t].length; k++) {
                    a[t][k] += b[t][k];
                }
            }
        });
        for (int t = 0; t < slope.length; t++) {
            double[] w = model.weights[t];
            for (int k = 0; k < w.length; k++) {
                slope[t][k] -= SMALL * w[k];
                if (k > 0) {
                    double step = SMOOTH * (w[k] - w[k - 1]);
                    slope[t][k] -= step;
                    slope[t][k - 1] += step;
                }
            }
        }
        return slope;
    }
}
