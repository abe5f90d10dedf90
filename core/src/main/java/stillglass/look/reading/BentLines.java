package stillglass.look.reading;

import boofcv.alg.filter.binary.BinaryImageOps;
import boofcv.struct.ConnectRule;
import boofcv.struct.image.GrayS32;
import boofcv.struct.image.GrayU8;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/// Scratches that are bent as the rim of an inner glass is, for a part of their way.
///
/// A lamp lights a rim where it faces it, so that it fades to both ends of its arc, and all that hangs together with such an arc lies on it.
/// A scratch is as strong at the end of the arc as in the middle, and goes on off the circle. It has one such arc, where hairs of a wiping that
/// hang together have many.
final class BentLines {
    private static final int SIDE = GlassFrame.SIDE;
    /// Sectors of the turn by which a line is followed.
    private static final int SECTORS = 180;
    /// Sectors that a line lies along a circle: shorter ones are crumbs, over longer ones hardly a scratch stays on a circle about the middle.
    private static final int LEAST = 6;
    private static final int MOST = 35;
    /// Fewer pixels are a crumb of something.
    private static final int LEAST_PIXELS = 50;
    /// With more than this share of what hangs together on the circle nothing leaves it.
    private static final double ON_CIRCLE = 0.8;
    /// Scatter of the logarithm of its strength along an even line, and how strong it still is at the ends, over the middle.
    private static final double EVEN = 0.2;
    private static final double AT_ENDS = 0.75;
    /// Share of a line that is an end.
    private static final int END = 12;

    private final float[] strength;
    /// What hangs together, and the number of its part at every pixel.
    private final int[][] together;
    private final int[] part = new int[GlassFrame.PIXELS];

    /// @param stands 1 where fine structure stands out
    /// @param strength of that structure
    BentLines(byte[] stands, float[] strength) {
        this.strength = strength;
        together = parts(stands);
        for (int k = 0; k < together.length; k++) {
            for (int at : together[k]) {
                part[at] = k;
            }
        }
    }

    /// Adds those of pixels on circles about a centre that are parts of such scratches.
    /// @param on 1 where a pixel lies on a circle about it
    /// @param lines to be added to
    void among(byte[] on, double cx, double cy, boolean[] lines) {
        int all = 0;
        for (byte b : on) {
            all += b;
        }
        List<int[]> arcs = all < LEAST_PIXELS ? List.of() : Arrays.stream(parts(on)).filter(a -> a.length >= LEAST_PIXELS).toList();
        int[] of = new int[together.length];
        arcs.forEach(a -> of[part[a[0]]]++);
        for (int[] arc : arcs) {
            int its = part[arc[0]];
            if (of[its] == 1 && arc.length < ON_CIRCLE * together[its].length && even(arc, cx, cy)) {
                for (int at : arc) {
                    lines[at] = true;
                }
            }
        }
    }

    private boolean even(int[] arc, double cx, double cy) {
        double[] round = new double[SECTORS];
        for (int at : arc) {
            double turn = Math.atan2(GlassFrame.y(at) - cy, GlassFrame.x(at) - cx) / (2 * Math.PI);
            int s = Math.floorMod((int) Math.floor(turn * SECTORS), SECTORS);
            round[s] = Math.max(round[s], strength[at]);
        }
        double[] along = fromEndToEnd(round);
        if (along.length < LEAST || along.length > MOST) {
            return false;
        }
        double middle = Arrays.stream(along).sorted().toArray()[along.length / 2];
        int end = Math.max(1, along.length / END);
        double ends = (strongest(along, 0, end) + strongest(along, along.length - end, along.length)) / 2;
        double scatter = Math.sqrt(Arrays.stream(along, end, along.length - end).map(v -> Math.pow(Math.log(v / middle), 2)).average().orElse(Double.POSITIVE_INFINITY));
        return ends > AT_ENDS * middle && scatter < EVEN;
    }

    /// The sectors that are lit, from the one after the widest gap on.
    private static double[] fromEndToEnd(double[] round) {
        int start = 0;
        int widest = -1;
        for (int s = 0; s < SECTORS; s++) {
            int gap = 0;
            while (round[s] > 0 && gap < SECTORS - 1 && round[Math.floorMod(s - gap - 1, SECTORS)] == 0) {
                gap++;
            }
            if (round[s] > 0 && gap > widest) {
                widest = gap;
                start = s;
            }
        }
        int first = start;
        return IntStream.range(0, SECTORS).mapToDouble(k -> round[(first + k) % SECTORS]).filter(v -> v > 0).toArray();
    }

    private static int[][] parts(byte[] where) {
        GrayU8 frame = new GrayU8(SIDE, SIDE);
        System.arraycopy(where, 0, frame.data, 0, where.length);
        GrayS32 labels = new GrayS32(SIDE, SIDE);
        int n = BinaryImageOps.contour(frame, ConnectRule.EIGHT, labels).size();
        return Morphology.members(labels, n);
    }

    private static double strongest(double[] along, int from, int to) {
        return Arrays.stream(along, from, to).max().orElse(0);
    }
}
