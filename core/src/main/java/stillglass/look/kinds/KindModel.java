package stillglass.look.kinds;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.net.Softmax;
import stillglass.say.Said;

/// Evidence curves for every kind, way of standing out and lighting.
///
/// Every candidate is looked at twice: by itself, and then with what the others in the photo look like ([Company]). In each look the
/// score of a kind is a constant plus, for each feature, a curve of straight pieces through a few knots; probabilities are the softmax of
/// the scores over a temperature that makes them come true as often as they say.
///
/// Reference: generalized additive models, T. Hastie, R. Tibshirani, *Statistical Science* 1 (1986); calibration by temperature, C. Guo
/// et al., ICML (2017). Differs: curves are piecewise linear and smoothed by a penalty on the steps between neighbouring knots.
public final class KindModel {
    /// What a candidate may be; `UNKNOWN` stands for nothing at all: reflections, rims, edges of the iris.
    static final List<FindingKind> CLASSES = List.of(FindingKind.values());

    /// What a speck may look like, and the chance from which it is that.
    private static final Set<FindingKind> LIKE_SPECKS = EnumSet.of(FindingKind.BUBBLE, FindingKind.FUNGUS);
    private static final double SURE = 0.6;
    /// Evidence below this is no reason, nats.
    private static final double LEAST_VOICE = 0.1;
    /// The same of what a technician can see for himself: a network that sees it, too, takes most of its voice.
    private static final double LEAST_TELLING = 0.04;
    /// What shows a kind to the eye.
    private static final Map<FindingKind, Feature> TELLING = new EnumMap<>(Map.of(FindingKind.FUNGUS, Feature.JUNCTIONS, FindingKind.SCRATCH,
            Feature.ELONGATION, FindingKind.OIL, Feature.BEADED, FindingKind.SEPARATION, Feature.RAINBOW, FindingKind.BUBBLE, Feature.HEART,
            FindingKind.EDGE_PAINT, Feature.SPAN, FindingKind.COATING, Feature.TINT, FindingKind.DUST, Feature.EXTENT));

    private final Map<Lighting, Map<Sight, Curves>> curves = new EnumMap<>(Lighting.class);
    private final Map<Lighting, Map<Sight, Curves>> again = new EnumMap<>(Lighting.class);

    /// A candidate of a photo.
    public record Standing(Sight sight, Features features) {}

    /// One curve per feature and class.
    /// @param knots ascending, per feature; no knots where the feature has no say
    /// @param weights per feature and knot the evidence for each class in nats
    /// @param bias per class
    /// @param temperature divides all scores
    /// @param least probability per class below which a finding of that kind is called unknown
    record Curves(double[][] knots, double[][][] weights, double[] bias, double temperature, double[] least) {
        @Override
        public boolean equals(Object o) {
            return o == this;
        }

        @Override
        public int hashCode() {
            return System.identityHashCode(this);
        }

        /// Evidence of one feature, added into `scores`.
        void add(int feature, double value, double[] scores) {
            double[] k = knots[feature];
            if (k.length == 0 || Double.isNaN(value)) {
                return;
            }
            int i = segment(k, value);
            double t = k.length == 1 ? 0 : Math.clamp((value - k[i]) / (k[i + 1] - k[i]), 0, 1);
            double[] left = weights[feature][i];
            double[] right = weights[feature][Math.min(k.length - 1, i + 1)];
            for (int c = 0; c < scores.length; c++) {
                scores[c] += left[c] * (1 - t) + right[c] * t;
            }
        }
    }

    /// Left end of the piece a value falls into.
    static int segment(double[] knots, double value) {
        int i = Arrays.binarySearch(knots, value);
        return Math.clamp(i >= 0 ? i : -i - 2, 0, Math.max(0, knots.length - 2));
    }

    void put(Lighting lighting, Sight sight, Curves c) {
        curves.computeIfAbsent(lighting, l -> new EnumMap<>(Sight.class)).put(sight, c);
    }

    void putAgain(Lighting lighting, Sight sight, Curves c) {
        again.computeIfAbsent(lighting, l -> new EnumMap<>(Sight.class)).put(sight, c);
    }

    /// Curves of the first look.
    Map<Lighting, Map<Sight, Curves>> all() {
        return curves;
    }

    /// Curves of the second look; empty when there is none.
    Map<Lighting, Map<Sight, Curves>> allAgain() {
        return again;
    }

    /// The model that ships with the application.
    public static KindModel shipped() {
        return Shipped.MODEL;
    }

    private static final class Shipped {
        static final KindModel MODEL = KindModelText.shipped();
    }

    /// Probabilities of all classes by the candidate alone, in the order of [FindingKind]; the last is that it is nothing.
    public double[] probabilities(Lighting lighting, Sight sight, Features f) {
        return probabilities(of(lighting, sight), f);
    }

    private static double[] probabilities(Curves c, Features f) {
        double[] scores = c.bias.clone();
        for (Feature feature : Feature.values()) {
            c.add(feature.ordinal(), f.get(feature), scores);
        }
        return Softmax.of(scores, c.temperature);
    }

    private Curves of(Lighting lighting, Sight sight) {
        Curves c = curves.getOrDefault(lighting, Map.of()).get(sight);
        if (c == null) {
            throw new IllegalArgumentException("the model has no curves for " + sight + " in " + lighting + " lighting");
        }
        return c;
    }

    /// Judges all candidates of a photo, each among the others.
    /// @return one verdict for each, in their order
    public List<Verdict> judge(Lighting lighting, List<Standing> all) {
        List<double[]> first = all.stream().map(s -> probabilities(lighting, s.sight, s.features)).toList();
        Map<Sight, Curves> second = again.get(lighting);
        List<Features> told = second == null ? List.of() : Company.of(first, all.stream().map(Standing::features).toList());
        List<Verdict> out = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            Sight sight = all.get(i).sight;
            Curves c = second == null ? null : second.get(sight);
            Curves alone = of(lighting, sight);
            // What speaks for a kind is said as it was seen on the thing itself.
            out.add(verdict(lighting == Lighting.AGAINST && sight == Sight.WHOLE, alone, c == null ? alone : c, all.get(i).features, c == null ? first.get(i) : probabilities(c, told.get(i))));
        }
        return out;
    }

    /// Judges a candidate that is alone in its photo.
    public Verdict judge(Lighting lighting, Sight sight, Features f) {
        return judge(lighting, List.of(new Standing(sight, f))).getFirst();
    }

    /// @param dark whether it is the whole glass against the light
    private static Verdict verdict(boolean dark, Curves alone, Curves c, Features f, double[] p) {
        int best = 0;
        for (int i = 1; i < p.length; i++) {
            best = p[i] > p[best] ? i : best;
        }
        int dust = FindingKind.DUST.ordinal();
        // A speck that is likely enough is counted though it is likelier to be nothing, or a bubble or a thread that is not sure: one more speck harms nobody.
        boolean elseUnsure = CLASSES.get(best) == FindingKind.UNKNOWN || LIKE_SPECKS.contains(CLASSES.get(best)) && p[best] < SURE;
        boolean speck = elseUnsure && p[dust] >= c.least[dust];
        // So is haze over the whole glass against the light: it is there or is not, and all that clear glass may look like is the rest.
        int haze = FindingKind.HAZE.ordinal();
        boolean hazy = dark && p[haze] >= c.least[haze];
        best = speck ? dust : hazy ? haze : best;
        FindingKind kind = CLASSES.get(best);
        boolean nothing = kind == FindingKind.UNKNOWN;
        boolean sure = nothing || speck || p[best] >= c.least[best];
        Map<FindingKind, Double> chances = new EnumMap<>(FindingKind.class);
        for (int i = 0; i < p.length; i++) {
            chances.put(CLASSES.get(i), p[i]);
        }
        return new Verdict(nothing, sure ? kind : FindingKind.UNKNOWN, chances, nothing ? List.of() : reasons(alone, f, best, p));
    }

    /// The features that spoke most for the winner over the other kinds as likely as they are, with their values; that it looks little like something else is none, and that it looks like
    /// the winner is one, however often it was looked at. What a technician would look at to see for himself comes first, though it spoke more softly.
    private static List<Said> reasons(Curves c, Features f, int winner, double[] p) {
        record Voice(Feature feature, double nats) {}
        List<Voice> voices = new ArrayList<>();
        for (Feature feature : Feature.values()) {
            double[] alone = new double[CLASSES.size()];
            c.add(feature.ordinal(), f.get(feature), alone);
            double others = 0;
            double rest = 0;
            for (int i = 0; i < alone.length; i++) {
                if (i != winner) {
                    others += (p[i] + 0.02) * alone[i];
                    rest += p[i] + 0.02;
                }
            }
            voices.add(new Voice(feature, alone[winner] - others / rest));
        }
        Feature telling = TELLING.get(CLASSES.get(winner));
        Optional<Feature> look = voices.stream().filter(v -> v.feature.looks(CLASSES.get(winner))).max(Comparator.comparingDouble(Voice::nats)).map(Voice::feature);
        return voices.stream()
                // That no blades lie behind it is nothing to see.
                .filter(v -> v.feature != Feature.BLADES || f.get(v.feature) > 0)
                .filter(v -> v.nats > (v.feature == telling ? LEAST_TELLING : LEAST_VOICE) && (v.feature.measured() || look.filter(v.feature::equals).isPresent()))
                .sorted(Comparator.comparing((Voice v) -> v.feature != telling).thenComparing(Comparator.comparingDouble(Voice::nats).reversed()))
                .limit(3)
                .map(v -> v.feature.said(f.get(v.feature)))
                .toList();
    }

    /// @param nothing it is most likely no fault at all
    /// @param kind most likely kind, `UNKNOWN` where that is not likely enough to be named
    /// @param chances probability of every kind; under `UNKNOWN` that it is no fault
    /// @param reasons what spoke for the kind
    public record Verdict(boolean nothing, FindingKind kind, Map<FindingKind, Double> chances, List<Said> reasons) {
        public Verdict {
            chances = Map.copyOf(chances);
            reasons = List.copyOf(reasons);
        }

        /// Probability of a kind.
        public double chance(FindingKind k) {
            return chances.getOrDefault(k, 0.0);
        }
    }
}
