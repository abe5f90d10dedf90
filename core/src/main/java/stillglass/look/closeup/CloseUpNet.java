package stillglass.look.closeup;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.ModelText;
import stillglass.look.net.Grid;
import stillglass.look.net.NetText;
import stillglass.look.net.Softmax;

/// A convolutional network that says what something is by its [CloseUp].
///
/// Each layer looks at three cells by three; all but the last keep the strongest of every four, so that each looks twice as far as the one before. The mean and the strongest of what the last says over the square, and the facts about the thing, are added up twice for every kind.
///
/// Reference: K. Simonyan, A. Zisserman, *Very deep convolutional networks* (2015), made small.
public final class CloseUpNet {
    static final int TRAITS = CloseUpTrait.values().length;
    static final int KINDS = FindingKind.values().length;
    /// What each layer says of a cell.
    static final int[] WIDTHS = {20, 28, 40, 56};
    /// Sums in between that all kinds are added up of.
    static final int SUMS = 48;
    private static final int LAYERS = WIDTHS.length;
    private static final int TOLD = 2 * WIDTHS[LAYERS - 1] + CloseUp.FACTS;
    /// How many are looked at together.
    static final int TOGETHER = 4;
    private static final int[] LAYER = begins();
    private static final int FIRST_SUMS = LAYER[LAYERS];
    private static final int LAST_SUMS = FIRST_SUMS + SUMS * (TOLD + 1);

    /// What each trait is less.
    final float[] mean;
    /// What it is divided by.
    final float[] scale;
    final float[] weights;

    CloseUpNet(float[] mean, float[] scale, float[] weights) {
        this.mean = mean;
        this.scale = scale;
        this.weights = weights;
    }

    private static final class Shipped {
        static final CloseUpNet AGAINST = parse(ModelText.lines(CloseUpNet.class, "against.txt"));
        static final CloseUpNet BRIGHT = parse(ModelText.lines(CloseUpNet.class, "bright.txt"));
        static final CloseUpNet WHOLES = parse(ModelText.lines(CloseUpNet.class, "wholes.txt"));
    }

    /// The network that ships with the application for a lighting.
    public static CloseUpNet shipped(Lighting lighting) {
        return lighting == Lighting.AGAINST ? Shipped.AGAINST : Shipped.BRIGHT;
    }

    /// The one that tells a hazy glass from a clear one, both seen as a whole against the light.
    public static CloseUpNet ofWholes() {
        return Shipped.WHOLES;
    }

    /// @throws IllegalArgumentException with the line that is not understood, or with what is missing
    static CloseUpNet parse(List<String> lines) {
        NetText text = NetText.parse(lines, TRAITS, size());
        return new CloseUpNet(text.mean, text.scale, text.weights);
    }

    String print() {
        return NetText.print(mean, scale, weights);
    }

    /// What things look like.
    /// @return for each its chances in the order of [FindingKind]; the last is that it is nothing
    public List<double[]> look(List<CloseUp> things) {
        double[][] out = new double[things.size()][];
        IntStream.range(0, (things.size() + TOGETHER - 1) / TOGETHER).parallel().forEach(k -> {
            List<CloseUp> some = things.subList(k * TOGETHER, Math.min(things.size(), (k + 1) * TOGETHER));
            List<View> views = some.stream().map(this::view).toList();
            float[] heard = new float[some.size() * SUMS];
            Arrays.fill(heard, 1);
            double[][] scores = new Pass(some.size()).forward(views, heard);
            for (int i = 0; i < some.size(); i++) {
                out[k * TOGETHER + i] = Softmax.of(scores[i]);
            }
        });
        return List.of(out);
    }

    View view(CloseUp thing) {
        return View.of(thing, mean, scale);
    }

    /// Where the weights of each layer begin, and where the last of them end.
    private static int[] begins() {
        int[] out = new int[LAYERS + 1];
        for (int l = 0; l < LAYERS; l++) {
            out[l + 1] = out[l] + Grid.size(ins(l), WIDTHS[l]);
        }
        return out;
    }

    private static int ins(int layer) {
        return layer == 0 ? TRAITS : WIDTHS[layer - 1];
    }

    /// How many weights there are.
    static int size() {
        return LAST_SUMS + KINDS * (SUMS + 1);
    }

    /// A network that has learned nothing yet.
    static CloseUpNet begun(float[] mean, float[] scale, long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        float[] w = new float[size()];
        for (int l = 0; l < LAYERS; l++) {
            int ins = ins(l) * Grid.TAPS;
            Grid.fill(w, LAYER[l], WIDTHS[l], ins, Math.sqrt(2.0 / ins), r);
        }
        Grid.fill(w, FIRST_SUMS, SUMS, TOLD, Math.sqrt(2.0 / TOLD), r);
        Grid.fill(w, LAST_SUMS, KINDS, SUMS, 0.3 * Math.sqrt(1.0 / SUMS), r);
        return new CloseUpNet(mean, scale, w);
    }

    /// The way of some close-ups through the network, kept so that the slope can be taken.
    final class Pass {
        private final int count;
        private final Grid[] grids = new Grid[LAYERS];
        /// What each layer is given.
        private final float[][][] given = new float[LAYERS][][];
        private final float[][][] bent = new float[LAYERS][][];
        private final List<int[][]> strongest = new ArrayList<>();
        /// For each output of the last layer and close-up, where it is strongest.
        private final int[][] peak;
        private final float[][] told;
        private final float[][] sums;
        private float[] heard = new float[0];

        Pass(int count) {
            this.count = count;
            for (int l = 0; l < LAYERS; l++) {
                grids[l] = new Grid(CloseUp.SIDE >> l, 1, count);
            }
            peak = new int[count][WIDTHS[LAYERS - 1]];
            told = new float[count][TOLD];
            sums = new float[count][SUMS];
        }

        /// @param heard by which each sum of each close-up is multiplied
        /// @return scores of every kind for every close-up
        double[][] forward(List<View> views, float[] heard) {
            this.heard = heard;
            given[0] = grids[0].blank(TRAITS);
            for (int t = 0; t < TRAITS; t++) {
                for (int row = 0; row < count * CloseUp.SIDE; row++) {
                    float[] plane = views.get(row / CloseUp.SIDE).planes()[t];
                    System.arraycopy(plane, row % CloseUp.SIDE * CloseUp.SIDE, given[0][t], grids[0].place(row * CloseUp.SIDE), CloseUp.SIDE);
                }
            }
            for (int l = 0; l < LAYERS; l++) {
                bent[l] = grids[l].bent(given[l], WIDTHS[l], weights, LAYER[l], 1);
                if (l + 1 < LAYERS) {
                    int[][] where = new int[WIDTHS[l]][grids[l + 1].cells()];
                    given[l + 1] = new float[WIDTHS[l]][];
                    for (int c = 0; c < WIDTHS[l]; c++) {
                        given[l + 1][c] = grids[l].pooled(bent[l][c], grids[l + 1], where[c]);
                    }
                    strongest.add(where);
                }
            }
            double[][] out = new double[count][];
            for (int i = 0; i < count; i++) {
                tell(i, views.get(i).facts());
                for (int s = 0; s < SUMS; s++) {
                    sums[i][s] = heard[i * SUMS + s] * Math.max(0, sum(FIRST_SUMS, s, told[i]));
                }
                out[i] = new double[KINDS];
                for (int k = 0; k < KINDS; k++) {
                    out[i][k] = sum(LAST_SUMS, k, sums[i]);
                }
            }
            return out;
        }

        /// Mean and strongest of the last layer, and facts.
        private void tell(int i, float[] facts) {
            Grid last = grids[LAYERS - 1];
            int each = last.side() * last.side();
            int wide = WIDTHS[LAYERS - 1];
            for (int c = 0; c < wide; c++) {
                float[] plane = bent[LAYERS - 1][c];
                int best = last.place(i * each);
                float all = 0;
                for (int p = 0; p < each; p++) {
                    int at = last.place(i * each + p);
                    all += plane[at];
                    best = plane[at] > plane[best] ? at : best;
                }
                peak[i][c] = best;
                told[i][c] = all / each;
                told[i][wide + c] = plane[best];
            }
            System.arraycopy(facts, 0, told[i], 2 * wide, facts.length);
        }

        private float sum(int at, int which, float[] of) {
            int w = at + which * (of.length + 1);
            float sum = weights[w + of.length];
            for (int i = 0; i < of.length; i++) {
                sum += weights[w + i] * of[i];
            }
            return sum;
        }

        /// Adds the slope of the loss by the weights.
        /// @param slope of the loss by the scores of every close-up
        void backward(float[][] slope, float[] into) {
            Grid last = grids[LAYERS - 1];
            int each = last.side() * last.side();
            int wide = WIDTHS[LAYERS - 1];
            float[][] now = last.blank(wide);
            for (int i = 0; i < count; i++) {
                float[] bySums = back(LAST_SUMS, slope[i], sums[i], into);
                for (int s = 0; s < SUMS; s++) {
                    bySums[s] = sums[i][s] > 0 ? heard[i * SUMS + s] * bySums[s] : 0;
                }
                float[] byTold = back(FIRST_SUMS, bySums, told[i], into);
                for (int c = 0; c < wide; c++) {
                    for (int p = 0; p < each; p++) {
                        now[c][last.place(i * each + p)] = byTold[c] / each;
                    }
                    now[c][peak[i][c]] += byTold[wide + c];
                }
            }
            for (int l = LAYERS - 1; l >= 0; l--) {
                float[][] through = Grid.unbent(now, bent[l]);
                grids[l].slopes(given[l], through, into, LAYER[l], 1);
                if (l > 0) {
                    float[][] before = grids[l].blank(WIDTHS[l - 1]);
                    grids[l].back(through, before, weights, LAYER[l], 1);
                    now = new float[WIDTHS[l - 1]][];
                    for (int c = 0; c < now.length; c++) {
                        now[c] = grids[l - 1].unpooled(before[c], bent[l - 1][c], grids[l], strongest.get(l - 1)[c]);
                    }
                }
            }
        }

        /// Adds the slope by the weights of sums.
        /// @return that by what they were given
        private float[] back(int at, float[] slope, float[] given, float[] into) {
            float[] out = new float[given.length];
            for (int o = 0; o < slope.length; o++) {
                int w = at + o * (given.length + 1);
                if (slope[o] != 0) {
                    for (int i = 0; i < given.length; i++) {
                        into[w + i] += slope[o] * given[i];
                        out[i] += slope[o] * weights[w + i];
                    }
                    into[w + given.length] += slope[o];
                }
            }
            return out;
        }
    }
}
