package stillglass.look.reading;

import java.util.stream.IntStream;

/// What fine structure before a card stands out of: the median of the light along a row about a pixel, and down a column of those. It keeps the edges of blades and the steps of walls where they are, sharp or soft,
/// and threads, lines and specks narrower than about half its reach have no say in it.
///
/// Reference: P. M. Narendra, IEEE PAMI 3 (1981), for the median by rows and columns, which costs a fraction of that of a square.
final class Background {
    private static final int SIDE = GlassFrame.SIDE;
    /// Of so many pixels along a row and down a column one has a say, four to either side: blurred light needs no more.
    private static final int EVERY = 3;

    private Background() {}

    static float[] of(float[] light) {
        return along(along(light, 1), SIDE);
    }

    /// @param step from a pixel to the next: 1 along a row, a row's length down a column
    private static float[] along(float[] light, int step) {
        float[] out = new float[GlassFrame.PIXELS];
        IntStream.range(0, SIDE).parallel().forEach(line -> {
            int first = step == 1 ? line * SIDE : line;
            float[] seen = new float[SIDE + 8 * EVERY];
            for (int i = 0; i < seen.length; i++) {
                seen[i] = light[first + Math.clamp(i - 4 * EVERY, 0, SIDE - 1) * step];
            }
            for (int i = 0; i < SIDE; i++) {
                out[first + i * step] = median(seen, i);
            }
        });
        return out;
    }

    /// Of nine that lie so far apart: of three each the least, the middle and the largest; the median lies between the largest of the least, the middle of the middles and the least of the largest.
    ///
    /// Reference: A. W. Paeth, *Median finding on a 3x3 grid*, Graphics Gems (1990).
    static float median(float[] of, int from) {
        float least = Float.NEGATIVE_INFINITY;
        float largest = Float.POSITIVE_INFINITY;
        float[] middles = new float[3];
        for (int k = 0; k < 3; k++) {
            float a = of[from + 3 * k * EVERY];
            float b = of[from + (3 * k + 1) * EVERY];
            float c = of[from + (3 * k + 2) * EVERY];
            least = Math.max(least, Math.min(a, Math.min(b, c)));
            largest = Math.min(largest, Math.max(a, Math.max(b, c)));
            middles[k] = middle(a, b, c);
        }
        return middle(least, middle(middles[0], middles[1], middles[2]), largest);
    }

    private static float middle(float a, float b, float c) {
        return Math.max(Math.min(a, b), Math.min(Math.max(a, b), c));
    }
}
