package stillglass.look.rim;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import stillglass.look.ModelText;
import stillglass.look.net.NetText;

/// A small convolutional network along the radius: from the profile of the rings about a centre to how much speaks for each ring's being the rim.
///
/// One layer that mixes the channels over five rows, then layers that add to what they are given, each looking twice as far as the one before, and a last one that adds up. Being the same at every radius it does not care how large the lens is on the photo.
///
/// Reference: dilated convolutions, F. Yu and V. Koltun, *Multi-scale context aggregation* (2016); what a layer adds to, K. He et al., *Deep residual learning* (2016).
final class RimNet {
    static final int WIDTH = 24;
    /// How far apart the three rows lie that each layer looks at.
    static final int[] REACH = {1, 2, 4, 8, 16, 32, 64};
    private static final int FIRST = 5;
    private static final int TAPS = 3;
    /// Empty rows on either side of all that is kept, as far as any layer looks.
    private static final int PAD = 64;
    private static final int ROWS = RingProfile.RADII;
    private static final int QUARTER = ROWS / 4;
    /// Scatters from the mean beyond which a channel says no more.
    private static final float FAR = 4;
    /// What each channel is less.
    final float[] mean;
    /// What it is divided by.
    final float[] scale;
    /// All weights, layer by layer; of each output those of every input and tap, then its constant.
    final float[] weights;

    RimNet(float[] mean, float[] scale, float[] weights) {
        this.mean = mean;
        this.scale = scale;
        this.weights = weights;
    }

    private static final class Shipped {
        static final RimNet NET = parse(ModelText.lines(RimNet.class, "rims.txt"));
        static final RimNet ROOMS = parse(ModelText.lines(RimNet.class, "rooms.txt"));
    }

    /// @throws IllegalArgumentException with the line that is not understood, or with what is missing
    static RimNet parse(List<String> lines) {
        NetText text = NetText.parse(lines, RingProfile.CHANNELS, size());
        return new RimNet(text.mean, text.scale, text.weights);
    }

    String print() {
        return NetText.print(mean, scale, weights);
    }

    /// One learned from rooms alone, without bare mounts drawn ring by ring: it knows better what is no lens.
    static RimNet ofRooms() {
        return Shipped.ROOMS;
    }

    static RimNet shipped() {
        return Shipped.NET;
    }

    /// How many weights there are.
    static int size() {
        return WIDTH * (RingProfile.CHANNELS * FIRST + 1) + REACH.length * WIDTH * (WIDTH * TAPS + 1) + WIDTH + 1;
    }

    /// A network that has learned nothing yet.
    static RimNet begun(float[] mean, float[] scale, long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        float[] w = new float[size()];
        int at = fill(w, 0, WIDTH, RingProfile.CHANNELS * FIRST, Math.sqrt(2.0 / (RingProfile.CHANNELS * FIRST)), r);
        for (int i = 0; i < REACH.length; i++) {
            at = fill(w, at, WIDTH, WIDTH * TAPS, 0.5 * Math.sqrt(2.0 / (WIDTH * TAPS)), r);
        }
        fill(w, at, 1, WIDTH, Math.sqrt(1.0 / WIDTH), r);
        return new RimNet(mean, scale, w);
    }

    /// Weights of a layer by chance; its constants are nothing.
    private static int fill(float[] w, int at, int outs, int ins, double size, SplittableRandom r) {
        for (int o = 0; o < outs; o++) {
            for (int i = 0; i < ins; i++) {
                w[at + o * (ins + 1) + i] = (float) (size * r.nextGaussian());
            }
        }
        return at + outs * (ins + 1);
    }

    /// Scores of all rows of all profiles of a photo as chances that the rim is there.
    static double[][] chances(List<float[]> scores) {
        double most = Double.NEGATIVE_INFINITY;
        for (float[] row : scores) {
            for (float v : row) {
                most = Math.max(most, v);
            }
        }
        double[][] out = new double[scores.size()][ROWS];
        double sum = 0;
        for (int f = 0; f < out.length; f++) {
            for (int i = 0; i < ROWS; i++) {
                out[f][i] = Math.exp(scores.get(f)[i] - most);
                sum += out[f][i];
            }
        }
        for (double[] row : out) {
            for (int i = 0; i < ROWS; i++) {
                row[i] /= sum;
            }
        }
        return out;
    }

    /// One profile's way through the network, kept so that the slope can be taken.
    final class Pass {
        private float[][] in = new float[0][];
        /// After each layer's bend, and what the next is given.
        private final float[][][] bent = new float[REACH.length + 1][][];
        private final float[][][] state = new float[REACH.length + 1][][];

        float[] forward(float[][] channels) {
            in = blank(channels.length);
            for (int c = 0; c < in.length; c++) {
                for (int i = 0; i < ROWS; i++) {
                    in[c][PAD + i] = Math.clamp((channels[c][i] - mean[c]) / scale[c], -FAR, FAR);
                }
            }
            float[][] now = blank(WIDTH);
            int at = convolve(in, now, 0, FIRST, 1);
            bend(now);
            bent[0] = now;
            state[0] = now;
            for (int l = 0; l < REACH.length; l++) {
                float[][] more = blank(WIDTH);
                at = convolve(state[l], more, at, TAPS, REACH[l]);
                bend(more);
                bent[l + 1] = more;
                state[l + 1] = sum(state[l], more);
            }
            float[][] out = blank(1);
            convolve(state[REACH.length], out, at, 1, 1);
            return Arrays.copyOfRange(out[0], PAD, PAD + ROWS);
        }

        /// Adds the slope of the loss by the weights.
        /// @param slope of the loss by the score of each row
        void backward(float[] slope, float[] into) {
            int at = weights.length - (WIDTH + 1);
            float[][] last = blank(1);
            System.arraycopy(slope, 0, last[0], PAD, ROWS);
            float[][] now = blank(WIDTH);
            slopes(state[REACH.length], last, at, 1, 1, into);
            back(last, now, at, 1, 1);
            for (int l = REACH.length - 1; l >= 0; l--) {
                at -= WIDTH * (WIDTH * TAPS + 1);
                float[][] through = unbend(now, bent[l + 1]);
                slopes(state[l], through, at, TAPS, REACH[l], into);
                back(through, now, at, TAPS, REACH[l]);
            }
            slopes(in, unbend(now, bent[0]), 0, FIRST, 1, into);
        }

        /// @param at where the layer's weights begin: for each output those of every input and tap, then its constant
        /// @return where the next layer's begin
        private int convolve(float[][] from, float[][] to, int at, int taps, int apart) {
            int each = from.length * taps + 1;
            for (int o = 0; o < to.length; o++) {
                int w = at + o * each;
                int middle = taps / 2;
                for (int c = 0; c < from.length; c++) {
                    for (int t = 0; t < taps; t++) {
                        if (t + 2 < taps) {
                            add(to[o], from[c], weights[w], weights[w + 1], weights[w + 2], (t - middle) * apart, (t + 1 - middle) * apart, (t + 2 - middle) * apart);
                            w += 3;
                            t += 2;
                        } else {
                            add(to[o], from[c], weights[w++], (t - middle) * apart);
                        }
                    }
                }
                for (int i = PAD; i < PAD + ROWS; i++) {
                    to[o][i] += weights[w];
                }
            }
            return at + to.length * each;
        }

        /// The slope by what a layer was given.
        private void back(float[][] slope, float[][] to, int at, int taps, int apart) {
            int each = to.length * taps + 1;
            for (int c = 0; c < to.length; c++) {
                for (int o = 0; o < slope.length; o++) {
                    int w = at + o * each + c * taps;
                    if (taps == TAPS) {
                        add(to[c], slope[o], weights[w + 2], weights[w + 1], weights[w], -apart, 0, apart);
                    } else {
                        add(to[c], slope[o], weights[w], 0);
                    }
                }
                Arrays.fill(to[c], 0, PAD, 0);
                Arrays.fill(to[c], PAD + ROWS, PAD + ROWS + PAD, 0);
            }
        }

        /// The slope by a layer's weights.
        private void slopes(float[][] from, float[][] slope, int at, int taps, int apart, float[] into) {
            float[] parts = new float[QUARTER];
            int w = at;
            for (float[] out : slope) {
                for (float[] row : from) {
                    for (int t = 0; t < taps; t++) {
                        into[w++] += dot(out, row, (t - taps / 2) * apart, parts);
                    }
                }
                float sum = 0;
                for (float v : out) {
                    sum += v;
                }
                into[w++] += sum;
            }
        }
    }

    private static float[][] blank(int channels) {
        return new float[channels][PAD + ROWS + PAD];
    }

    private static float[][] sum(float[][] a, float[][] b) {
        float[][] out = blank(a.length);
        for (int c = 0; c < a.length; c++) {
            for (int i = PAD; i < PAD + ROWS; i++) {
                out[c][i] = a[c][i] + b[c][i];
            }
        }
        return out;
    }

    private static void bend(float[][] values) {
        for (float[] row : values) {
            for (int i = PAD; i < PAD + ROWS; i++) {
                row[i] = Math.max(0, row[i]);
            }
        }
    }

    private static float[][] unbend(float[][] slope, float[][] bent) {
        float[][] out = blank(slope.length);
        for (int c = 0; c < slope.length; c++) {
            for (int i = PAD; i < PAD + ROWS; i++) {
                out[c][i] = bent[c][i] > 0 ? slope[c][i] : 0;
            }
        }
        return out;
    }

    /// to[i] += weight · from[i + shift]
    private static void add(float[] to, float[] from, float weight, int shift) {
        for (int i = PAD; i < PAD + ROWS; i++) {
            to[i] += weight * from[i + shift];
        }
    }

    private static void add(float[] to, float[] from, float w0, float w1, float w2, int s0, int s1, int s2) {
        for (int i = PAD; i < PAD + ROWS; i++) {
            to[i] += w0 * from[i + s0] + w1 * from[i + s1] + w2 * from[i + s2];
        }
    }

    /// Σ a[i] · b[i + shift], a quarter of the rows at a time.
    private static float dot(float[] a, float[] b, int shift, float[] parts) {
        int from = PAD + shift;
        for (int i = 0; i < QUARTER; i++) {
            int j = PAD + i;
            int k = from + i;
            parts[i] = a[j] * b[k] + a[j + QUARTER] * b[k + QUARTER] + a[j + 2 * QUARTER] * b[k + 2 * QUARTER] + a[j + 3 * QUARTER] * b[k + 3 * QUARTER];
        }
        float s0 = 0;
        float s1 = 0;
        for (int i = 0; i < QUARTER; i += 2) {
            s0 += parts[i];
            s1 += parts[i + 1];
        }
        return s0 + s1;
    }
}
