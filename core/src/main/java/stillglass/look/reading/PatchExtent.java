package stillglass.look.reading;

import boofcv.alg.filter.binary.BinaryImageOps;
import boofcv.struct.ConnectRule;
import boofcv.struct.image.GrayS32;
import boofcv.struct.image.GrayU8;
import java.util.Arrays;
import java.util.BitSet;
import java.util.function.IntToDoubleFunction;
import stillglass.look.LeastSquares;

/// How far a patch reaches. What stands out of a pool or a separation is its border and what of the inside happens to clear the grain; it ends where it is half as strong as where it was found, and what its border encloses is part of it.
final class PatchExtent {
    private static final int SIDE = GlassFrame.SIDE;
    /// What is smaller is told by its own pixels.
    private static final int LEAST = 60;
    /// A patch ends at this share of its own strength, and in any case so many scatters from clean glass.
    private static final double HALF = 0.5;
    private static final double SCATTERS = 1.5;
    /// A patch that is weaker than this, scatters, is not followed.
    private static final double FOLLOWED = 2;
    /// What grows to more than so many times what was found has run out into something else.
    private static final int MOST_TIMES = 8;
    /// Share of the glass up to which what is enclosed is part of it: all of a glass lies within a separation round its rim.
    private static final double MOST_ENCLOSED = 0.1;
    private static final int[] BESIDE = {-1, 1, -SIDE, SIDE};

    private final Maps maps;

    PatchExtent(Maps maps) {
        this.maps = maps;
    }

    /// Lets patches reach as far as they do.
    /// @param patches 1 where one was found
    void follow(GrayU8 patches) {
        GrayS32 labels = new GrayS32(SIDE, SIDE);
        int n = BinaryImageOps.contour(patches, ConnectRule.EIGHT, labels).size();
        for (int[] part : Morphology.members(labels, n)) {
            if (part.length >= LEAST) {
                followed(part, patches);
            }
        }
        fill(patches);
    }

    private void followed(int[] part, GrayU8 patches) {
        double sign = Math.signum(Arrays.stream(part).mapToDouble(at -> Math.signum(maps.area[at])).sum());
        double strength = median(part, at -> sign * maps.area[at]);
        double scatter = median(part, maps::areaScatter);
        if (strength >= FOLLOWED * scatter) {
            grow(part, patches, at -> sign * maps.area[at] / Math.max(HALF * strength, SCATTERS * scatter));
            return;
        }
        double coloured = median(part, maps::tint);
        if (coloured >= FOLLOWED * maps.tintScatter) {
            grow(part, patches, at -> maps.tint(at) / Math.max(HALF * coloured, SCATTERS * maps.tintScatter));
        }
    }

    private static double median(int[] part, IntToDoubleFunction value) {
        return LeastSquares.median(Arrays.stream(part).mapToDouble(value).toArray());
    }

    /// The edge of an iris, which is judged by nobody, is not crossed.
    /// @param over from 1 on a pixel belongs to it
    private void grow(int[] part, GrayU8 patches, IntToDoubleFunction over) {
        BitSet mine = new BitSet(GlassFrame.PIXELS);
        int[] queue = Arrays.copyOf(part, MOST_TIMES * part.length);
        for (int at : part) {
            mine.set(at);
        }
        int filled = part.length;
        for (int next = 0; next < filled; next++) {
            for (int step : BESIDE) {
                int at = queue[next] + step;
                if (at < 0 || at >= GlassFrame.PIXELS || mine.get(at) || maps.frame.r[at] > 0.985 || over.applyAsDouble(at) < 1) {
                    continue;
                }
                if (filled == queue.length) {
                    return;
                }
                mine.set(at);
                queue[filled++] = at;
            }
        }
        for (int k = 0; k < filled; k++) {
            patches.data[queue[k]] = 1;
        }
    }

    /// Takes what is enclosed, up to a tenth of the glass.
    private static void fill(GrayU8 patches) {
        GrayU8 rest = BinaryImageOps.invert(patches, null);
        GrayS32 labels = new GrayS32(SIDE, SIDE);
        int n = BinaryImageOps.contour(rest, ConnectRule.FOUR, labels).size();
        for (int[] hole : Morphology.members(labels, n)) {
            boolean enclosed = hole.length > 0 && hole.length < MOST_ENCLOSED * Math.PI * GlassFrame.RADIUS * GlassFrame.RADIUS && Arrays.stream(hole).noneMatch(at -> at % SIDE == 0 || at % SIDE == SIDE - 1 || at < SIDE || at >= SIDE * (SIDE - 1));
            for (int k = 0; enclosed && k < hole.length; k++) {
                patches.data[hole[k]] = 1;
            }
        }
    }
}
