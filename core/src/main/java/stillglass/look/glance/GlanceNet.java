package stillglass.look.glance;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import stillglass.look.FindingKind;
import stillglass.look.ModelText;
import stillglass.look.net.Grid;
import stillglass.look.net.NetText;
import stillglass.look.net.Softmax;

/// A convolutional network over the cells of a [Glance]: what each part of the glass looks like, seen with all that lies about it.
///
/// A first layer looks at three cells by three and keeps the strongest of four; layers after it add to what they are given, each looking twice as far as the one before; the last adds up for every kind. Being the same at every place, it does not care where on the glass a fault lies except by what it is told of the distance from the middle.
///
/// Reference: dilated convolutions, F. Yu and V. Koltun, *Multi-scale context aggregation* (2016); what a layer adds to, K. He et al., *Deep residual learning* (2016).
public final class GlanceNet {
    static final int TRAITS = GlanceTrait.values().length;
    static final int KINDS = FindingKind.values().length;
    static final int NARROW = 12;
    static final int WIDE = 20;
    /// How far apart the neighbours lie that each of the later layers looks at.
    static final int[] REACH = {1, 2, 4, 8};
    private static final Grid CELLS = new Grid(Glance.SIDE, 1);
    private static final Grid PARTS = new Grid(Glance.PARTS, 8);
    /// Scatters from the mean beyond which a trait says no more.
    private static final float FAR = 4;
    /// Where the layers' weights begin.
    private static final int JOIN = Grid.size(TRAITS, NARROW);
    private static final int LATER = JOIN + Grid.size(NARROW, WIDE);
    private static final int LAST = LATER + REACH.length * Grid.size(WIDE, WIDE);

    /// What each trait is less.
    final float[] mean;
    /// What it is divided by.
    final float[] scale;
    final float[] weights;

    GlanceNet(float[] mean, float[] scale, float[] weights) {
        this.mean = mean;
        this.scale = scale;
        this.weights = weights;
    }

    private static final class Shipped {
        static final GlanceNet NET = parse(ModelText.lines(GlanceNet.class, "glances.txt"));
    }

    /// The network that ships with the application.
    public static GlanceNet shipped() {
        return Shipped.NET;
    }

    /// @throws IllegalArgumentException with the line that is not understood, or with what is missing
    static GlanceNet parse(List<String> lines) {
        NetText text = NetText.parse(lines, TRAITS, size());
        return new GlanceNet(text.mean, text.scale, text.weights);
    }

    String print() {
        return NetText.print(mean, scale, weights);
    }

    /// What every part of a glass looks like.
    public Seen look(Glance glance) {
        float[] plain = new float[TRAITS];
        Arrays.fill(plain, 1);
        return new Seen(new Pass().forward(glance, plain));
    }

    /// Scores of every kind for every part.
    public static final class Seen {
        private final float[][] scores;

        Seen(float[][] scores) {
            this.scores = scores;
        }

        /// What something looks like, scores of its parts on the mean.
        /// @param places a part for each of its places
        /// @return chances in the order of [FindingKind]; the last is that it is nothing
        public double[] chances(int[] places) {
            return chances(Region.of(places));
        }

        double[] chances(Region region) {
            double[] out = new double[KINDS];
            for (int k = 0; k < KINDS; k++) {
                for (int i = 0; i < region.parts.length; i++) {
                    out[k] += region.shares[i] * scores[k][region.parts[i]];
                }
            }
            return Softmax.of(out);
        }
    }

    /// How many weights there are.
    static int size() {
        return LAST + KINDS * (WIDE + 1);
    }

    /// A network that has learned nothing yet.
    static GlanceNet begun(float[] mean, float[] scale, long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        float[] w = new float[size()];
        Grid.fill(w, 0, NARROW, TRAITS * Grid.TAPS, Math.sqrt(2.0 / (TRAITS * Grid.TAPS)), r);
        Grid.fill(w, JOIN, WIDE, NARROW * Grid.TAPS, Math.sqrt(2.0 / (NARROW * Grid.TAPS)), r);
        for (int l = 0; l < REACH.length; l++) {
            Grid.fill(w, LATER + l * Grid.size(WIDE, WIDE), WIDE, WIDE * Grid.TAPS, 0.5 * Math.sqrt(2.0 / (WIDE * Grid.TAPS)), r);
        }
        Grid.fill(w, LAST, KINDS, WIDE, 0.3 * Math.sqrt(1.0 / WIDE), r);
        return new GlanceNet(mean, scale, w);
    }

    /// One glance's way through the network, kept so that the slope can be taken.
    final class Pass {
        private final float[][] in = CELLS.blank(TRAITS);
        private float[][] narrow = new float[0][];
        private final float[][] pooled = PARTS.blank(NARROW);
        private final int[][] strongest = new int[NARROW][Glance.PARTS * Glance.PARTS];
        private final float[][][] bent = new float[REACH.length + 1][][];
        private final float[][][] state = new float[REACH.length + 1][][];

        /// @param gain by which each trait is multiplied after it is brought to the mean
        /// @return scores of every kind for every part
        float[][] forward(Glance glance, float[] gain) {
            for (int t = 0; t < TRAITS; t++) {
                for (int i = 0; i < Glance.SIDE * Glance.SIDE; i++) {
                    in[t][CELLS.place(i)] = Math.clamp(gain[t] * (glance.get(t, i) - mean[t]) / scale[t], -FAR, FAR);
                }
            }
            narrow = CELLS.bent(in, NARROW, weights, 0, 1);
            for (int c = 0; c < NARROW; c++) {
                pooled[c] = CELLS.pooled(narrow[c], PARTS, strongest[c]);
            }
            bent[0] = PARTS.bent(pooled, WIDE, weights, JOIN, 1);
            state[0] = bent[0];
            for (int l = 0; l < REACH.length; l++) {
                bent[l + 1] = PARTS.bent(state[l], WIDE, weights, layer(l), REACH[l]);
                state[l + 1] = sum(state[l], bent[l + 1]);
            }
            return scores(state[REACH.length]);
        }

        /// Adds the slope of the loss by the weights.
        /// @param slope of the loss by the scores of every kind and part
        void backward(float[][] slope, float[] into) {
            float[][] now = last(slope, into);
            for (int l = REACH.length - 1; l >= 0; l--) {
                float[][] through = Grid.unbent(now, bent[l + 1]);
                PARTS.slopes(state[l], through, into, layer(l), REACH[l]);
                PARTS.back(through, now, weights, layer(l), REACH[l]);
            }
            float[][] through = Grid.unbent(now, bent[0]);
            PARTS.slopes(pooled, through, into, JOIN, 1);
            float[][] before = PARTS.blank(NARROW);
            PARTS.back(through, before, weights, JOIN, 1);
            float[][] cells = new float[NARROW][];
            for (int c = 0; c < NARROW; c++) {
                cells[c] = CELLS.unpooled(before[c], narrow[c], PARTS, strongest[c]);
            }
            CELLS.slopes(in, cells, into, 0, 1);
        }

        private float[][] scores(float[][] from) {
            float[][] out = new float[KINDS][Glance.PARTS * Glance.PARTS];
            for (int k = 0; k < KINDS; k++) {
                int w = LAST + k * (WIDE + 1);
                for (int p = 0; p < out[k].length; p++) {
                    int at = PARTS.place(p);
                    float sum = weights[w + WIDE];
                    for (int c = 0; c < WIDE; c++) {
                        sum += weights[w + c] * from[c][at];
                    }
                    out[k][p] = sum;
                }
            }
            return out;
        }

        /// The slope by what the last layer was given.
        private float[][] last(float[][] slope, float[] into) {
            float[][] from = state[REACH.length];
            float[][] out = PARTS.blank(WIDE);
            for (int k = 0; k < KINDS; k++) {
                int w = LAST + k * (WIDE + 1);
                for (int p = 0; p < slope[k].length; p++) {
                    float s = slope[k][p];
                    if (s != 0) {
                        int at = PARTS.place(p);
                        for (int c = 0; c < WIDE; c++) {
                            into[w + c] += s * from[c][at];
                            out[c][at] += s * weights[w + c];
                        }
                        into[w + WIDE] += s;
                    }
                }
            }
            return out;
        }
    }

    private static int layer(int l) {
        return LATER + l * Grid.size(WIDE, WIDE);
    }

    private static float[][] sum(float[][] a, float[][] b) {
        float[][] out = new float[a.length][];
        for (int c = 0; c < out.length; c++) {
            out[c] = a[c].clone();
            for (int i = 0; i < out[c].length; i++) {
                out[c][i] += b[c][i];
            }
        }
        return out;
    }
}
