package stillglass.look.reading;

import java.util.Arrays;
import java.util.List;

/// How likely each of a photo's rings is to be the rim: a curve of straight pieces for every trait, their sum softened over the rings of the photo.
///
/// Reference: conditional logit, D. McFadden, in *Frontiers in Econometrics* (1974), with additive curves; made by `LearnRims`.
final class RimModel {
    /// Of each trait, in the order of [RimTrait], the values at which its curve bends.
    final double[][] knots;
    /// Of each trait, the height of its curve at each of them.
    final double[][] weights;

    RimModel(double[][] knots, double[][] weights) {
        this.knots = knots;
        this.weights = weights;
    }

    private static final class Shipped {
        static final RimModel MODEL = RimModelText.shipped();
    }

    static RimModel shipped() {
        return Shipped.MODEL;
    }

    double score(double[] traits) {
        double sum = 0;
        for (int t = 0; t < knots.length; t++) {
            sum += curve(t, traits[t]);
        }
        return sum;
    }

    private double curve(int t, double value) {
        double[] k = knots[t];
        if (k.length == 0 || Double.isNaN(value)) {
            return 0;
        }
        if (k.length == 1) {
            return weights[t][0];
        }
        int i = segment(k, value);
        double f = share(k, i, value);
        return weights[t][i] * (1 - f) + weights[t][i + 1] * f;
    }

    /// Left end of the piece a value falls into.
    static int segment(double[] k, double value) {
        int i = Arrays.binarySearch(k, value);
        return Math.clamp(i >= 0 ? i : -i - 2, 0, k.length - 2);
    }

    static double share(double[] k, int i, double value) {
        return Math.clamp((value - k[i]) / (k[i + 1] - k[i]), 0, 1);
    }

    /// Chance of each to be the rim, given that one of them is.
    double[] chances(List<double[]> traits) {
        double[] s = traits.stream().mapToDouble(this::score).toArray();
        double most = Arrays.stream(s).max().orElse(0);
        double sum = 0;
        for (int i = 0; i < s.length; i++) {
            s[i] = Math.exp(s[i] - most);
            sum += s[i];
        }
        for (int i = 0; i < s.length; i++) {
            s[i] /= sum;
        }
        return s;
    }
}
