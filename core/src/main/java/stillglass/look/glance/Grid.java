package stillglass.look.glance;

import java.util.Arrays;

/// A square of cells with an empty border, kept row by row, on which every cell is convolved with its eight neighbours at some distance.
///
/// @param side cells along a side
/// @param pad width of the border, as far as any neighbour lies
record Grid(int side, int pad) {
    static final int TAPS = 9;
    /// Sums are gathered in so many parts, which a machine can add at once.
    private static final int LANES = 8;

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

    /// Convolves and bends: what is below nothing becomes nothing.
    /// @param at where the layer's weights begin
    float[][] bent(float[][] from, int outs, float[] weights, int at, int apart) {
        float[][] to = blank(outs);
        int each = from.length * TAPS + 1;
        int[] s = shifts(apart);
        for (int o = 0; o < outs; o++) {
            for (int c = 0; c < from.length; c++) {
                add(to[o], from[c], weights, at + o * each + c * TAPS, 1, s);
            }
            float more = weights[at + (o + 1) * each - 1];
            for (int i = first(); i < end(); i++) {
                to[o][i] = Math.max(0, to[o][i] + more);
            }
            clear(to[o]);
        }
        return to;
    }

    /// Adds the slope by what a layer was given, from the slope by what it gave.
    void back(float[][] slope, float[][] into, float[] weights, int at, int apart) {
        int each = into.length * TAPS + 1;
        int[] s = shifts(apart);
        for (int c = 0; c < into.length; c++) {
            for (int o = 0; o < slope.length; o++) {
                add(into[c], slope[o], weights, at + o * each + c * TAPS, -1, s);
            }
            clear(into[c]);
        }
    }

    /// Adds the slope by a layer's weights.
    void slopes(float[][] from, float[][] slope, float[] into, int at, int apart) {
        int[] s = shifts(apart);
        int w = at;
        for (float[] out : slope) {
            for (float[] row : from) {
                for (int t = 0; t < TAPS; t += 3) {
                    dots(out, row, s[t], s[t + 1], s[t + 2], into, w);
                    w += 3;
                }
            }
            float sum = 0;
            for (float v : out) {
                sum += v;
            }
            into[w++] += sum;
        }
    }

    /// to[i] += Σ weight · from[i + shift], the neighbours in their order or, `way` −1, from the last to the first.
    private void add(float[] to, float[] from, float[] w, int at, int way, int[] s) {
        int b = way > 0 ? at : at + TAPS - 1;
        add(to, from, w[b], w[b + way], w[b + 2 * way], w[b + 3 * way], w[b + 4 * way], w[b + 5 * way], w[b + 6 * way], w[b + 7 * way], w[b + 8 * way], s);
    }

    private void add(float[] to, float[] from, float w0, float w1, float w2, float w3, float w4, float w5, float w6, float w7, float w8, int[] s) {
        int s0 = s[0];
        int s1 = s[1];
        int s2 = s[2];
        int s3 = s[3];
        int s5 = s[5];
        int s6 = s[6];
        int s7 = s[7];
        int s8 = s[8];
        int end = end();
        for (int i = first(); i < end; i++) {
            to[i] += w0 * from[i + s0] + w1 * from[i + s1] + w2 * from[i + s2] + w3 * from[i + s3] + w4 * from[i] + w5 * from[i + s5] + w6 * from[i + s6] + w7 * from[i + s7] + w8 * from[i + s8];
        }
    }

    /// into[w + k] += Σ out[i] · in[i + shift k], for three shifts.
    private void dots(float[] out, float[] in, int s0, int s1, int s2, float[] into, int w) {
        int from = first();
        int part = (end() - from) / LANES;
        float[] p0 = new float[part];
        float[] p1 = new float[part];
        float[] p2 = new float[part];
        for (int k = 0; k < LANES; k++) {
            gather(out, in, from + k * part, s0, s1, s2, p0, p1, p2);
        }
        float r0 = 0;
        float r1 = 0;
        float r2 = 0;
        for (int i = 0; i < part; i++) {
            r0 += p0[i];
            r1 += p1[i];
            r2 += p2[i];
        }
        for (int i = from + LANES * part; i < end(); i++) {
            r0 += out[i] * in[i + s0];
            r1 += out[i] * in[i + s1];
            r2 += out[i] * in[i + s2];
        }
        into[w] += r0;
        into[w + 1] += r1;
        into[w + 2] += r2;
    }

    private static void gather(float[] out, float[] in, int from, int s0, int s1, int s2, float[] p0, float[] p1, float[] p2) {
        for (int i = 0; i < p0.length; i++) {
            float v = out[from + i];
            p0[i] += v * in[from + i + s0];
            p1[i] += v * in[from + i + s1];
            p2[i] += v * in[from + i + s2];
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
