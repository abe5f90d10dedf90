package stillglass.look.reading;

import java.util.Arrays;
import java.util.BitSet;
import java.util.stream.IntStream;
import stillglass.look.Aperture;
import stillglass.look.ApertureMap;
import stillglass.look.LinearPhoto;

/// How large fine structure is by the finest pixels at hand: what stands out half as high as the highest near it. The frame finds and tells specks and threads, but spreads them over its own
/// pixels and keeps whatever stands out of the noise, so that a thread is several times too wide there.
///
/// The border of anything wider than the blur of the picture lies at half its height, whatever its contrast; what is narrower is told as wide as the blur, which is the most it can be.
final class OwnPixels {
    private static final int SIDE = GlassFrame.SIDE;
    /// Frame pixels about a candidate in which its light may end.
    private static final int SPREAD = 2;
    /// Frame pixels about a place among which the highest counts for it: over what the blur spreads about a thread.
    private static final int NEAR = 4;
    private static final int MOST_PER_PIXEL = 6;

    private final LinearPhoto photo;
    private final ApertureMap map;
    private final Maps maps;
    /// Places along one frame pixel.
    private final int per;
    /// Of the frame's pixels, zero but for those of the candidate at hand.
    private final float[] heights = new float[GlassFrame.PIXELS];

    OwnPixels(LinearPhoto photo, Aperture aperture, Maps maps) {
        this.photo = photo;
        this.maps = maps;
        map = aperture.map();
        per = (int) Math.clamp(Math.ceil(aperture.meanRadius() * photo.finer() / GlassFrame.RADIUS), 1, MOST_PER_PIXEL);
    }

    /// @param pixels of a candidate that is fine structure
    /// @return its area in pixels of the frame
    double area(int[] pixels) {
        int[] window = about(pixels);
        float[][] places = new float[window.length][];
        IntStream.range(0, window.length).parallel().forEach(i -> {
            places[i] = places(window[i]);
            heights[window[i]] = highest(places[i]);
        });
        int covered = IntStream.range(0, window.length).parallel().map(i -> covered(places[i], near(window[i]) / 2)).sum();
        for (int at : window) {
            heights[at] = 0;
        }
        return covered / (double) (per * per);
    }

    private static int covered(float[] places, float least) {
        int n = 0;
        for (float h : places) {
            n += h >= least ? 1 : 0;
        }
        return n;
    }

    private static int[] about(int[] pixels) {
        BitSet in = new BitSet(GlassFrame.PIXELS);
        for (int at : pixels) {
            int x = at % SIDE;
            int y = at / SIDE;
            for (int j = Math.max(0, y - SPREAD); j <= Math.min(SIDE - 1, y + SPREAD); j++) {
                in.set(j * SIDE + Math.max(0, x - SPREAD), j * SIDE + Math.min(SIDE - 1, x + SPREAD) + 1);
            }
        }
        return in.stream().toArray();
    }

    /// Departure from the glass about it at every place of a frame pixel, of the sign that faults have.
    private float[] places(int at) {
        float sign = maps.sign(at);
        float[] out = new float[per * per];
        for (int k = 0; k < out.length; k++) {
            double x = GlassFrame.x(at) + ((k % per + 0.5) / per - 0.5) / GlassFrame.RADIUS;
            double y = GlassFrame.y(at) + ((k / per + 0.5) / per - 0.5) / GlassFrame.RADIUS;
            out[k] = (float) (sign * (photo.finest(map.pixelX(x, y), map.pixelY(x, y)) - maps.expected[at]) - maps.about[at]);
        }
        return out;
    }

    /// Mean of the highest quarter: a thread as narrow as a place crosses about that many of a pixel.
    private static float highest(float[] places) {
        float[] sorted = places.clone();
        Arrays.sort(sorted);
        int n = Math.max(1, sorted.length / 4);
        float sum = 0;
        for (int i = sorted.length - n; i < sorted.length; i++) {
            sum += sorted[i];
        }
        return sum / n;
    }

    /// Height of the highest pixel near one.
    private float near(int at) {
        int x = at % SIDE;
        int y = at / SIDE;
        float most = 0;
        for (int j = Math.max(0, y - NEAR); j <= Math.min(SIDE - 1, y + NEAR); j++) {
            for (int i = Math.max(0, x - NEAR); i <= Math.min(SIDE - 1, x + NEAR); i++) {
                most = Math.max(most, heights[j * SIDE + i]);
            }
        }
        return most;
    }
}
