package stillglass.look.reading;

import java.util.Arrays;
import java.util.stream.IntStream;

/// What fine structure before a card stands out of: the median of the light along a row about a pixel, and down a column of those. It keeps the edges of blades and the steps of walls where they are, sharp or soft,
/// and threads, lines and specks narrower than about half its reach have no say in it.
///
/// Reference: P. M. Narendra, IEEE PAMI 3 (1981), for the median by rows and columns, which costs a fraction of that of a square.
final class Background {
    private static final int SIDE = GlassFrame.SIDE;
    /// Of so many pixels along a row and down a column one has a say: blurred light needs no more.
    private static final int EVERY = 3;
    /// Pixels that have a say to either side.
    private static final int REACH = 4;

    private Background() {}

    static float[] of(float[] light) {
        return along(along(light, 1), SIDE);
    }

    /// @param step from a pixel to the next: 1 along a row, a row's length down a column
    private static float[] along(float[] light, int step) {
        float[] out = new float[GlassFrame.PIXELS];
        IntStream.range(0, SIDE).parallel().forEach(line -> {
            int first = step == 1 ? line * SIDE : line;
            float[] window = new float[2 * REACH + 1];
            for (int i = 0; i < SIDE; i++) {
                for (int k = -REACH; k <= REACH; k++) {
                    window[k + REACH] = light[first + Math.clamp(i + k * EVERY, 0, SIDE - 1) * step];
                }
                Arrays.sort(window);
                out[first + i * step] = window[REACH];
            }
        });
        return out;
    }
}
