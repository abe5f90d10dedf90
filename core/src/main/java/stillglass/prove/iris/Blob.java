package stillglass.prove.iris;

import java.util.ArrayDeque;
import stillglass.prove.edge.LightPlane;

/// A bright patch of pixels that hang together.
///
/// @param x its middle, pixels
/// @param y the same
/// @param pixels how many
/// @param number it has in `numbers`
/// @param numbers of all patches, row-major
@SuppressWarnings("ArrayRecordComponent")
record Blob(double x, double y, double pixels, int number, int[] numbers, int width) {
    /// The largest that does not touch the edge of the photo; without pixels when there is none.
    static Blob largest(LightPlane p, double limit) {
        int w = p.width();
        int h = p.height();
        int[] numbers = new int[w * h];
        Blob best = new Blob(0, 0, 0, 0, numbers, w);
        ArrayDeque<Integer> next = new ArrayDeque<>();
        int number = 0;
        for (int start = 0; start < numbers.length; start++) {
            if (numbers[start] > 0 || p.light()[start] < limit) {
                continue;
            }
            number++;
            numbers[start] = number;
            next.add(start);
            double n = 0;
            double sx = 0;
            double sy = 0;
            boolean touches = false;
            while (!next.isEmpty()) {
                int at = next.remove();
                int x = at % w;
                int y = at / w;
                n++;
                sx += x;
                sy += y;
                touches |= x == 0 || y == 0 || x == w - 1 || y == h - 1;
                int[] beside = {x > 0 ? at - 1 : -1, x < w - 1 ? at + 1 : -1, y > 0 ? at - w : -1, y < h - 1 ? at + w : -1};
                for (int k : beside) {
                    if (k >= 0 && numbers[k] == 0 && p.light()[k] >= limit) {
                        numbers[k] = number;
                        next.add(k);
                    }
                }
            }
            if (!touches && n > best.pixels) {
                best = new Blob(sx / n, sy / n, n, number, numbers, w);
            }
        }
        return best;
    }

    /// Whether a place is one of its pixels or next to one.
    boolean near(double px, double py) {
        int i = (int) Math.round(px);
        int j = (int) Math.round(py);
        for (int dy = -1; dy <= 1; dy++) {
            for (int dx = -1; dx <= 1; dx++) {
                int at = (j + dy) * width + i + dx;
                if (i + dx >= 0 && i + dx < width && at >= 0 && at < numbers.length && numbers[at] == number) {
                    return true;
                }
            }
        }
        return false;
    }
}
