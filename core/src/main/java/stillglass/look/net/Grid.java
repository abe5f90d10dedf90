package stillglass.look.net;

import java.util.Arrays;
import java.util.SplittableRandom;

/// Squares of cells with an empty border, kept row by row and one below the other, on which every cell is convolved with its eight neighbours at some distance.
///
/// @param side cells along a side of each
/// @param pad width of the border, as far as any neighbour lies
/// @param count how many squares are convolved at once: small ones take little longer together than one alone
public record Grid(int side, int pad, int count) {
    public static final int TAPS = 9;

    /// A single square.
    public Grid(int side, int pad) {
        this(side, pad, 1);
    }

    /// Cells of all squares.
    public int cells() {
        return count * side * side;
    }

    private int stride() {
        return side + 2 * pad;
    }

    public float[][] blank(int planes) {
        return new float[planes][count * stride() * stride()];
    }

    /// Place of a cell that is counted along rows without the border, square after square.
    public int place(int cell) {
        int row = cell / side;
        return (pad + row + row / side * 2 * pad) * stride() + pad + cell % side;
    }

    private int first() {
        return pad * stride() + pad;
    }

    private int end() {
        return (count * stride() - pad) * stride() - pad;
    }

    private int[] shifts(int apart) {
        int[] out = new int[TAPS];
        for (int t = 0; t < TAPS; t++) {
            out[t] = ((t / 3 - 1) * stride() + t % 3 - 1) * apart;
        }
        return out;
    }

    /// Weights of a layer: for each output those of every input and neighbour, then its constant.
    public static int size(int ins, int outs) {
        return outs * (ins * TAPS + 1);
    }

    /// Places from the first cell to the last, borders between rows included.
    private int span() {
        return end() - first();
    }

    /// A plane as seen from each neighbour's place, so that what is added together lies at one index: only then does the compiler add many at once.
    private void look(float[] plane, int[] shifts, float[][] seen) {
        for (int t = 0; t < TAPS; t++) {
            System.arraycopy(plane, first() + shifts[t], seen[t], 0, span());
        }
    }

    /// Convolves and bends: what is below nothing becomes nothing.
    /// @param at where the layer's weights begin
    public float[][] bent(float[][] from, int outs, float[] weights, int at, int apart) {
        float[][] to = blank(outs);
        int each = from.length * TAPS + 1;
        int[] s = shifts(apart);
        float[][] seen = new float[TAPS][span()];
        float[][] sums = new float[outs][span()];
        for (int c = 0; c < from.length; c++) {
            look(from[c], s, seen);
            for (int o = 0; o < outs; o++) {
                add(sums[o], seen, weights, at + o * each + c * TAPS, 1);
            }
        }
        for (int o = 0; o < outs; o++) {
            float more = weights[at + (o + 1) * each - 1];
            for (int i = 0; i < sums[o].length; i++) {
                to[o][first() + i] = Math.max(0, sums[o][i] + more);
            }
            clear(to[o]);
        }
        return to;
    }

    /// Adds the slope by what a layer was given, from the slope by what it gave.
    public void back(float[][] slope, float[][] into, float[] weights, int at, int apart) {
        int each = into.length * TAPS + 1;
        int[] s = shifts(apart);
        float[][] seen = new float[TAPS][span()];
        float[][] sums = new float[into.length][span()];
        for (int o = 0; o < slope.length; o++) {
            look(slope[o], s, seen);
            for (int c = 0; c < into.length; c++) {
                add(sums[c], seen, weights, at + o * each + c * TAPS, -1);
            }
        }
        for (int c = 0; c < into.length; c++) {
            for (int i = 0; i < sums[c].length; i++) {
                into[c][first() + i] += sums[c][i];
            }
            clear(into[c]);
        }
    }

    /// Adds the slope by a layer's weights. What was bent, or not the strongest of its neighbours, has none and costs nothing.
    public void slopes(float[][] from, float[][] slope, float[] into, int at, int apart) {
        int taps = from.length * TAPS;
        int[] s = shifts(apart);
        float[][] sums = new float[slope.length][taps];
        float[] seen = new float[taps];
        for (int cell = 0; cell < cells(); cell++) {
            int place = place(cell);
            boolean looked = false;
            for (int o = 0; o < slope.length; o++) {
                float by = slope[o][place];
                if (by != 0) {
                    if (!looked) {
                        look(from, place, s, seen);
                        looked = true;
                    }
                    add(sums[o], seen, by);
                    into[at + o * (taps + 1) + taps] += by;
                }
            }
        }
        for (int o = 0; o < slope.length; o++) {
            for (int k = 0; k < taps; k++) {
                into[at + o * (taps + 1) + k] += sums[o][k];
            }
        }
    }

    /// What lies about a place in all planes.
    private static void look(float[][] from, int place, int[] shifts, float[] seen) {
        for (int c = 0; c < from.length; c++) {
            for (int t = 0; t < TAPS; t++) {
                seen[c * TAPS + t] = from[c][place + shifts[t]];
            }
        }
    }

    private static void add(float[] to, float[] of, float times) {
        for (int i = 0; i < to.length; i++) {
            to[i] += times * of[i];
        }
    }

    /// to[i] += Σ weight · seen[i], the neighbours in their order or, `way` −1, from the last to the first.
    private static void add(float[] to, float[][] seen, float[] w, int at, int way) {
        int b = way > 0 ? at : at + TAPS - 1;
        add(to, seen[0], seen[1], seen[2], w[b], w[b + way], w[b + 2 * way]);
        add(to, seen[3], seen[4], seen[5], w[b + 3 * way], w[b + 4 * way], w[b + 5 * way]);
        add(to, seen[6], seen[7], seen[8], w[b + 6 * way], w[b + 7 * way], w[b + 8 * way]);
    }

    private static void add(float[] to, float[] a, float[] b, float[] c, float wa, float wb, float wc) {
        for (int i = 0; i < to.length; i++) {
            to[i] += wa * a[i] + wb * b[i] + wc * c[i];
        }
    }

    /// Empties the border on the left and right and between squares, into which rows run over.
    private void clear(float[] plane) {
        for (int y = 0; y < count * stride(); y++) {
            boolean border = y % stride() < pad || y % stride() >= pad + side;
            Arrays.fill(plane, y * stride(), y * stride() + (border ? stride() : pad), 0);
            Arrays.fill(plane, y * stride() + pad + side, (y + 1) * stride(), 0);
        }
    }

    /// Keeps the strongest of every two cells by two.
    /// @param half squares of half the side, as many
    /// @param strongest where it was, for every cell of the half
    /// @return a plane of the half
    public float[] pooled(float[] plane, Grid half, int[] strongest) {
        float[] out = half.blank(1)[0];
        for (int p = 0; p < strongest.length; p++) {
            int corner = place(p / half.side * 2 * side + p % half.side * 2);
            int best = corner;
            for (int k = 1; k < 4; k++) {
                int at = corner + k / 2 * stride() + k % 2;
                best = plane[at] > plane[best] ? at : best;
            }
            strongest[p] = best;
            out[half.place(p)] = plane[best];
        }
        return out;
    }

    /// The slope by a plane, from that by what [#pooled] kept of it and bent.
    public float[] unpooled(float[] slope, float[] plane, Grid half, int[] strongest) {
        float[] out = blank(1)[0];
        for (int p = 0; p < strongest.length; p++) {
            int at = strongest[p];
            out[at] = plane[at] > 0 ? slope[half.place(p)] : 0;
        }
        return out;
    }

    /// The slope by planes before they were bent.
    public static float[][] unbent(float[][] slope, float[][] bent) {
        float[][] out = new float[slope.length][];
        for (int c = 0; c < out.length; c++) {
            out[c] = slope[c].clone();
            for (int i = 0; i < out[c].length; i++) {
                out[c][i] = bent[c][i] > 0 ? out[c][i] : 0;
            }
        }
        return out;
    }

    /// Fills the weights of a layer by chance; its constants stay as they are.
    /// @param ins numbers that each output adds up
    /// @param size scatter
    public static void fill(float[] w, int at, int outs, int ins, double size, SplittableRandom random) {
        for (int o = 0; o < outs; o++) {
            for (int i = 0; i < ins; i++) {
                w[at + o * (ins + 1) + i] = (float) (size * random.nextGaussian());
            }
        }
    }
}
