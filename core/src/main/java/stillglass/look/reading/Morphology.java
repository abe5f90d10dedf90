package stillglass.look.reading;

import boofcv.alg.filter.binary.BinaryImageOps;
import boofcv.struct.image.GrayS32;
import boofcv.struct.image.GrayU8;
import java.util.stream.IntStream;

/// Grey-scale opening over a square: takes out bright structure narrower than the square and leaves wider regions with their borders
/// where they are, which a blur would not. And the parts of a frame that hang together, one by one.
///
/// Reference: J. Serra, *Image Analysis and Mathematical Morphology* (1982).
final class Morphology {
    private static final int SIDE = GlassFrame.SIDE;

    private Morphology() {}

    /// @param in one value per pixel of the frame, not changed
    /// @param reach half width of the square, pixels
    static float[] opened(float[] in, int reach) {
        return extreme(extreme(in, reach, false), reach, true);
    }

    /// Largest or smallest value in the square about every pixel, rows and columns in turn.
    private static float[] extreme(float[] in, int reach, boolean largest) {
        float[] rows = new float[in.length];
        float[] out = new float[in.length];
        IntStream.range(0, SIDE).parallel().forEach(j -> {
            int start = j * SIDE;
            System.arraycopy(in, start, rows, start, SIDE);
            for (int k = 1; k <= reach; k++) {
                fold(in, start, rows, start + k, SIDE - k, largest);
                fold(in, start + k, rows, start, SIDE - k, largest);
            }
        });
        IntStream.range(0, SIDE).parallel().forEach(j -> {
            System.arraycopy(rows, j * SIDE, out, j * SIDE, SIDE);
            for (int k = Math.max(0, j - reach); k <= Math.min(SIDE - 1, j + reach); k++) {
                fold(rows, k * SIDE, out, j * SIDE, SIDE, largest);
            }
        });
        return out;
    }

    /// What lies within so many pixels of a region, rows and columns in turn: as that many dilations by the eight neighbours of a pixel, whose cost grows with their number.
    /// @param in 0 or 1 per pixel of the frame, not changed
    static GrayU8 wider(GrayU8 in, int by) {
        int[] rows = new int[in.data.length];
        for (int line = 0; line < SIDE; line++) {
            int start = line * SIDE;
            for (int i = -by, sum = 0; i < SIDE; i++) {
                sum += (i + by < SIDE ? in.data[start + i + by] : 0) - (i > by ? in.data[start + i - by - 1] : 0);
                if (i >= 0) {
                    rows[start + i] = sum;
                }
            }
        }
        GrayU8 out = new GrayU8(SIDE, SIDE);
        int[] sum = new int[SIDE];
        for (int j = -by; j < SIDE; j++) {
            for (int i = 0; i < SIDE; i++) {
                sum[i] += (j + by < SIDE ? rows[(j + by) * SIDE + i] : 0) - (j > by ? rows[(j - by - 1) * SIDE + i] : 0);
                if (j >= 0) {
                    out.data[j * SIDE + i] = (byte) (sum[i] > 0 ? 1 : 0);
                }
            }
        }
        return out;
    }

    /// What lies further than so many pixels within a region, which may go on beyond the frame.
    static GrayU8 narrower(GrayU8 in, int by) {
        return BinaryImageOps.invert(wider(BinaryImageOps.invert(in, null), by), null);
    }

    /// Keeps in `into` the larger or smaller of two runs of values.
    private static void fold(float[] from, int at, float[] into, int to, int length, boolean largest) {
        if (largest) {
            for (int i = 0; i < length; i++) {
                into[to + i] = Math.max(into[to + i], from[at + i]);
            }
        } else {
            for (int i = 0; i < length; i++) {
                into[to + i] = Math.min(into[to + i], from[at + i]);
            }
        }
    }

    /// Pixels of every connected part by its label, from 1 on; none under 0, which is no part.
    /// @param labels of the frame, 0 to n
    static int[][] members(GrayS32 labels, int n) {
        int[] size = new int[n + 1];
        for (int label : labels.data) {
            size[label]++;
        }
        int[][] out = new int[n + 1][];
        for (int k = 1; k <= n; k++) {
            out[k] = new int[size[k]];
        }
        out[0] = new int[0];
        int[] fill = new int[n + 1];
        for (int at = 0; at < labels.data.length; at++) {
            int k = labels.data[at];
            if (k > 0) {
                out[k][fill[k]++] = at;
            }
        }
        return out;
    }
}
