package stillglass.look.kinds;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.net.Softmax;

/// Learns the evidence curves from candidates whose kind is known: maximum likelihood with a penalty on rough curves, then the
/// temperature on candidates that were held back.
public final class KindLearning {
    private static final int KNOTS = 8;
    private static final int ROUNDS = 500;
    /// Probability from which a kind is named. Over photos that were held back the share of right and found kinds hardly changes over a wide range of it; taken is the low end of that range, since outside the world that was learned
    /// chances are lower.
    private static final double USUAL_LEAST = 0.4;
    private static final Map<FindingKind, Double> LEAST = Map.ofEntries(Map.entry(FindingKind.DUST, 0.25), Map.entry(FindingKind.FUNGUS, 0.4),
            Map.entry(FindingKind.HAZE, 0.45), Map.entry(FindingKind.OIL, 0.4), Map.entry(FindingKind.SCRATCH, 0.45), Map.entry(FindingKind.CLEANING_MARKS, 0.45),
            Map.entry(FindingKind.SEPARATION, 0.4), Map.entry(FindingKind.BUBBLE, 0.6), Map.entry(FindingKind.EDGE_PAINT, 0.4), Map.entry(FindingKind.CHIP, 0.5),
            Map.entry(FindingKind.COATING, 0.35));
    /// What haze over a whole glass is told by against the light: nothing that another exposure would change, for cameras expose as they like.
    private static final Set<Feature> OF_HAZE = EnumSet.of(Feature.closeUp(FindingKind.HAZE), Feature.BOWL, Feature.BLADES, Feature.TINT);
    /// The same as [#LEAST] for that: over photos that were held back the share hardly changes from here on.
    private static final double LEAST_OF_HAZE = 0.25;
    /// Logarithm of how much oftener specks of a kind are met than in the scenes.
    private static final Map<FindingKind, Double> MET = Map.of(FindingKind.DUST, 1.1, FindingKind.BUBBLE, -1.1);
    /// Parts into which photos are divided for the second look.
    private static final int FOLDS = 3;
    /// Every so many photos one is held back.
    public static final int HELD_BACK_EVERY = 5;
    private static final double SMOOTH = 4e-4;
    private static final double SMALL = 2e-5;

    private KindLearning() {}

    /// @param photo number of its photo, negative when it stands alone
    /// @param label what it really is; `UNKNOWN` when it is no fault
    /// @param weight how much it counts
    /// @param heldBack not learned from, used for the temperature
    public record Example(long photo, Lighting lighting, Sight sight, Features features, FindingKind label, double weight, boolean heldBack) {
        /// A candidate without company.
        public Example(Lighting lighting, Sight sight, Features features, FindingKind label, double weight, boolean heldBack) {
            this(-1, lighting, sight, features, label, weight, heldBack);
        }

        /// The same with another weight.
        public Example counting(double other) {
            return new Example(photo, lighting, sight, features, label, other, heldBack);
        }
    }

    /// Learns both looks; the second only from candidates that have company.
    /// @param leftOut features that are to have no say
    public static KindModel learn(List<Example> examples, Set<Feature> leftOut) {
        KindModel model = firstLook(examples, leftOut);
        List<Example> inCompany = examples.stream().filter(e -> e.photo >= 0).toList();
        if (!inCompany.isEmpty()) {
            List<Example> told = told(inCompany, leftOut, model);
            parts(told, (lighting, sight, own) -> model.putAgain(lighting, sight, curves(own, leftOut)));
        }
        return model;
    }

    private static KindModel firstLook(List<Example> examples, Set<Feature> leftOut) {
        KindModel model = new KindModel();
        Set<Feature> alone = new java.util.HashSet<>(leftOut);
        Arrays.stream(Feature.values()).filter(Feature::company).forEach(alone::add);
        parts(examples, (lighting, sight, own) -> model.put(lighting, sight, curves(own, alone)));
        return model;
    }

    private interface Part {
        void learn(Lighting lighting, Sight sight, List<Example> own);
    }

    private static void parts(List<Example> examples, Part part) {
        for (Lighting lighting : Lighting.values()) {
            for (Sight sight : Sight.values()) {
                part.learn(lighting, sight, examples.stream().filter(e -> e.lighting == lighting && e.sight == sight).toList());
            }
        }
    }

    /// Examples that know what the others in their photo look like to a model that was not learned from that photo.
    private static List<Example> told(List<Example> examples, Set<Feature> leftOut, KindModel whole) {
        List<Example> out = new ArrayList<>();
        for (int fold = -1; fold < FOLDS; fold++) {
            int f = fold;
            Map<Long, List<Example>> photos = examples.stream().filter(e -> (e.heldBack ? -1 : (int) (e.photo / HELD_BACK_EVERY % FOLDS)) == f)
                    .collect(java.util.stream.Collectors.groupingBy(Example::photo, java.util.TreeMap::new, java.util.stream.Collectors.toList()));
            // What was held back was not learned from in any case.
            KindModel model = f < 0 ? whole
                    : firstLook(examples.stream().filter(e -> !e.heldBack && e.photo / HELD_BACK_EVERY % FOLDS != f).toList(), leftOut);
            photos.forEach((photo, all) -> {
                List<Features> more = Company.of(all.stream().map(e -> model.probabilities(e.lighting, e.sight, e.features)).toList(),
                        all.stream().map(Example::features).toList());
                for (int i = 0; i < all.size(); i++) {
                    Example e = all.get(i);
                    out.add(new Example(photo, e.lighting, e.sight, more.get(i), e.label, e.weight, e.heldBack));
                }
            });
        }
        return out;
    }

    /// An example as a line of text.
    public static String line(Example e) {
        StringBuilder out = new StringBuilder(e.photo + " " + e.lighting + " " + e.sight + " " + e.label + " " + e.weight + " " + e.heldBack);
        for (Feature f : Feature.values()) {
            out.append(' ').append((float) e.features.get(f));
        }
        return out.toString();
    }

    /// An example from its line.
    public static Example example(String line) {
        String[] word = line.split(" ");
        Features features = new Features();
        for (Feature f : Feature.values()) {
            // A feature that was added later was not measured then.
            features.set(f, 6 + f.ordinal() < word.length ? Double.parseDouble(word[6 + f.ordinal()]) : Double.NaN);
        }
        return new Example(Long.parseLong(word[0]), Lighting.valueOf(word[1]), Sight.valueOf(word[2]), features, FindingKind.valueOf(word[3]),
                Double.parseDouble(word[4]), Boolean.parseBoolean(word[5]));
    }

    /// The model as the text that ships.
    public static String print(KindModel model) {
        return KindModelText.print(model);
    }

    /// A model from its text.
    /// @throws IllegalArgumentException with the line that is not understood
    public static KindModel read(List<String> lines) {
        return KindModelText.parse(lines);
    }

    private static KindModel.Curves curves(List<Example> all, Set<Feature> leftOut) {
        List<Example> learn = all.stream().filter(e -> !e.heldBack).toList();
        List<Example> check = all.stream().filter(e -> e.heldBack).toList();
        boolean glass = !all.isEmpty() && all.getFirst().lighting == Lighting.AGAINST && all.getFirst().sight == Sight.WHOLE;
        int features = Feature.values().length;
        int classes = KindModel.CLASSES.size();
        double[][] knots = new double[features][];
        double[][][] weights = new double[features][][];
        for (Feature f : Feature.values()) {
            knots[f.ordinal()] = leftOut.contains(f) || glass && !OF_HAZE.contains(f) ? new double[0] : knots(learn, f);
            weights[f.ordinal()] = new double[knots[f.ordinal()].length][classes];
        }
        double[] bias = new double[classes];
        double[] least = new double[classes];
        for (FindingKind k : FindingKind.values()) {
            least[k.ordinal()] = glass && k == FindingKind.HAZE ? LEAST_OF_HAZE : LEAST.getOrDefault(k, USUAL_LEAST);
        }
        fit(new KindModel.Curves(knots, weights, bias, 1, least), learn);
        round(weights);
        // Scenes to learn from show every kind about as often as any other; on a bench small bright things are dust.
        for (FindingKind k : FindingKind.values()) {
            bias[k.ordinal()] += all.isEmpty() || all.getFirst().sight != Sight.FINE ? 0 : MET.getOrDefault(k, 0.0);
        }
        double temperature = temperature(new KindModel.Curves(knots, weights, bias, 1, least), check);
        return new KindModel.Curves(knots, weights, bias, temperature, least);
    }

    /// Quantiles of the feature, those that fall together taken once.
    private static double[] knots(List<Example> examples, Feature f) {
        double[] sorted = examples.stream().mapToDouble(e -> e.features.get(f)).filter(v -> !Double.isNaN(v)).sorted().toArray();
        if (sorted.length < 20) {
            return new double[0];
        }
        double[] quantiles = new double[KNOTS];
        int n = 0;
        for (int k = 0; k < KNOTS; k++) {
            double q = sorted[(int) Math.round((0.01 + 0.98 * k / (KNOTS - 1)) * (sorted.length - 1))];
            double rounded = Math.round(q * 1000) / 1000.0;
            if (n == 0 || rounded > quantiles[n - 1] + 1e-3) {
                quantiles[n++] = rounded;
            }
        }
        return n < 2 ? new double[0] : Arrays.copyOf(quantiles, n);
    }

    private static void round(double[][][] weights) {
        for (double[][] of : weights) {
            for (double[] row : of) {
                for (int i = 0; i < row.length; i++) {
                    row[i] = Math.round(row[i] * 1000) / 1000.0;
                }
            }
        }
    }

    /// Gradient ascent with momentum and a step of its own for every weight (Adam, D. Kingma, J. Ba, ICLR 2015).
    private static void fit(KindModel.Curves c, List<Example> examples) {
        if (examples.isEmpty()) {
            return;
        }
        int classes = c.bias().length;
        List<double[]> parameters = new ArrayList<>();
        parameters.add(c.bias());
        for (double[][] of : c.weights()) {
            parameters.addAll(Arrays.asList(of));
        }
        double[][] first = new double[parameters.size()][classes];
        double[][] second = new double[parameters.size()][classes];
        double total = examples.stream().mapToDouble(Example::weight).sum();
        for (int round = 1; round <= ROUNDS; round++) {
            double[][] slope = slope(c, examples, parameters.size(), total);
            double rate = 0.08 * Math.min(1, 2.0 * (ROUNDS - round + 1) / ROUNDS);
            for (int p = 0; p < slope.length; p++) {
                for (int k = 0; k < classes; k++) {
                    first[p][k] = 0.9 * first[p][k] + 0.1 * slope[p][k];
                    second[p][k] = 0.995 * second[p][k] + 0.005 * slope[p][k] * slope[p][k];
                    double m = first[p][k] / (1 - Math.pow(0.9, round));
                    double v = second[p][k] / (1 - Math.pow(0.995, round));
                    parameters.get(p)[k] += rate * m / (Math.sqrt(v) + 1e-6);
                }
            }
        }
    }

    /// Slope of the mean log-likelihood less the penalties, one row per bias and knot.
    private static double[][] slope(KindModel.Curves c, List<Example> examples, int rows, double total) {
        int classes = c.bias().length;
        int[] start = new int[c.knots().length];
        int row = 1;
        for (int f = 0; f < start.length; f++) {
            start[f] = row;
            row += c.knots()[f].length;
        }
        double[][] slope = examples.parallelStream().collect(() -> new double[rows][classes], (into, e) -> {
            double[] scores = c.bias().clone();
            for (int f = 0; f < start.length; f++) {
                c.add(f, e.features.get(Feature.values()[f]), scores);
            }
            double[] off = Softmax.of(scores, 1);
            for (int k = 0; k < classes; k++) {
                off[k] = e.weight / total * ((KindModel.CLASSES.get(k) == e.label ? 1 : 0) - off[k]);
                into[0][k] += off[k];
            }
            for (int f = 0; f < start.length; f++) {
                double v = e.features.get(Feature.values()[f]);
                double[] k = c.knots()[f];
                if (k.length > 1 && !Double.isNaN(v)) {
                    int i = KindModel.segment(k, v);
                    double t = Math.clamp((v - k[i]) / (k[i + 1] - k[i]), 0, 1);
                    for (int j = 0; j < classes; j++) {
                        into[start[f] + i][j] += off[j] * (1 - t);
                        into[start[f] + i + 1][j] += off[j] * t;
                    }
                }
            }
        }, KindLearning::sum);
        penalise(c, slope, start);
        return slope;
    }

    private static void sum(double[][] into, double[][] other) {
        for (int i = 0; i < into.length; i++) {
            for (int k = 0; k < into[i].length; k++) {
                into[i][k] += other[i][k];
            }
        }
    }

    private static void penalise(KindModel.Curves c, double[][] slope, int[] start) {
        for (int f = 0; f < start.length; f++) {
            double[][] w = c.weights()[f];
            for (int i = 0; i < w.length; i++) {
                for (int k = 0; k < w[i].length; k++) {
                    slope[start[f] + i][k] -= SMALL * w[i][k];
                    if (i > 0) {
                        double step = SMOOTH * (w[i][k] - w[i - 1][k]);
                        slope[start[f] + i][k] -= step;
                        slope[start[f] + i - 1][k] += step;
                    }
                }
            }
        }
    }

    /// The temperature under which the candidates that were held back are likeliest, by golden section in its logarithm.
    private static double temperature(KindModel.Curves c, List<Example> check) {
        if (check.size() < 20) {
            return 1;
        }
        double low = Math.log(0.3);
        double high = Math.log(5);
        double golden = (Math.sqrt(5) - 1) / 2;
        for (int i = 0; i < 40; i++) {
            double a = high - golden * (high - low);
            double b = low + golden * (high - low);
            if (likelihood(c, check, Math.exp(a)) > likelihood(c, check, Math.exp(b))) {
                high = b;
            } else {
                low = a;
            }
        }
        return Math.round(Math.exp((low + high) / 2) * 1e4) / 1e4;
    }

    private static double likelihood(KindModel.Curves c, List<Example> check, double temperature) {
        double sum = 0;
        for (Example e : check) {
            double[] scores = c.bias().clone();
            for (Feature f : Feature.values()) {
                c.add(f.ordinal(), e.features.get(f), scores);
            }
            sum += e.weight * Math.log(Math.max(1e-9, Softmax.of(scores, temperature)[KindModel.CLASSES.indexOf(e.label)]));
        }
        return sum;
    }
}
