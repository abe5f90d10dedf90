package stillglass.look.glance;

import java.util.Arrays;

/// A square of cells with an empty border, kept row by row, on which every cell is convolved with its eight neighbours at some distance.
///
/// @param side cells along a side
/// @param pad width of the border, as far as any neighbour lies
record Grid(int side, int pad) {
    static final int TAPS = 9;
    /// Sums are gathered in so many parts, which a machine can add at once.
    private static final int PARTS = 16;

    int stride() {
        return side + 2 * pad;
    }

    float[][] blank(int planes) {
        return new float[planes][stride() * stride()];
    }

    /// Place of a cell that is counted along rows without the border.
    int place(int cell) {
        return (pad + cell / side) * stride() + pad + cell % side;
    }

    private int first() {
        return pad * stride() + pad;
    }

    private int end() {
        return (pad + side) * stride() - pad;
    }

    private int[] shifts(int apart) {
        int[] out = new int[TAPS];
        for (int t = 0; t < TAPS; t++) {
            out[t] = ((t / 3 - 1) * stride() + t % 3 - 1) * apart;
        }
        return out;
    }

    /// Weights of a layer: for each output those of every input and neighbour, then its constant.
    static int size(int ins, int outs) {
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
    float[][] bent(float[][] from, int outs, float[] weights, int at, int apart) {
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
    void back(float[][] slope, float[][] into, float[] weights, int at, int apart) {
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

    /// Adds the slope by a layer's weights.
    void slopes(float[][] from, float[][] slope, float[] into, int at, int apart) {
        int each = from.length * TAPS + 1;
        int[] s = shifts(apart);
        int part = span() / PARTS;
        float[][][] outs = new float[slope.length][][];
        for (int o = 0; o < slope.length; o++) {
            outs[o] = parts(slope[o], first(), part);
            into[at + (o + 1) * each - 1] += sum(slope[o]);
        }
        for (int c = 0; c < from.length; c++) {
            for (int t = 0; t < TAPS; t++) {
                float[][] seen = parts(from[c], first() + s[t], part);
                for (int o = 0; o < slope.length; o++) {
                    into[at + o * each + c * TAPS + t] += dot(outs[o], seen);
                }
            }
        }
    }

    /// A plane in parts of the same length, and what is left over.
    private float[][] parts(float[] plane, int from, int part) {
        float[][] out = new float[PARTS + 1][];
        for (int k = 0; k <= PARTS; k++) {
            out[k] = Arrays.copyOfRange(plane, from + k * part, from + (k < PARTS ? (k + 1) * part : span()));
        }
        return out;
    }

    private static float dot(float[][] a, float[][] b) {
        float[] sums = new float[a[0].length];
        for (int k = 0; k < PARTS; k += 4) {
            addProducts(sums, a[k], b[k], a[k + 1], b[k + 1], a[k + 2], b[k + 2], a[k + 3], b[k + 3]);
        }
        float sum = sum(sums);
        for (int i = 0; i < a[PARTS].length; i++) {
            sum += a[PARTS][i] * b[PARTS][i];
        }
        return sum;
    }

    /// Four sums side by side: each addition waits for the one before.
    private static float sum(float[] of) {
        float a = 0;
        float b = 0;
        float c = 0;
        float d = 0;
        int whole = of.length / 4 * 4;
        for (int i = 0; i < whole; i += 4) {
            a += of[i];
            b += of[i + 1];
            c += of[i + 2];
            d += of[i + 3];
        }
        for (int i = whole; i < of.length; i++) {
            a += of[i];
        }
        return a + b + (c + d);
    }

    private static void addProducts(float[] to, float[] a, float[] b, float[] c, float[] d, float[] e, float[] f, float[] g, float[] h) {
        for (int i = 0; i < to.length; i++) {
            to[i] += a[i] * b[i] + c[i] * d[i] + e[i] * f[i] + g[i] * h[i];
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

    /// Empties the border on the left and right, into which rows run over.
    private void clear(float[] plane) {
        for (int y = pad; y < pad + side; y++) {
            Arrays.fill(plane, y * stride(), y * stride() + pad, 0);
            Arrays.fill(plane, y * stride() + pad + side, (y + 1) * stride(), 0);
        }
    }
}
