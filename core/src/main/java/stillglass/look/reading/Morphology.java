package stillglass.look.reading;

import boofcv.struct.image.GrayS32;
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
