package stillglass.look.reading;

import boofcv.alg.filter.binary.BinaryImageOps;
import boofcv.struct.ConnectRule;
import boofcv.struct.image.GrayS32;
import boofcv.struct.image.GrayU8;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.locationtech.jts.algorithm.ConvexHull;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;

/// The glass that was rubbed: all that lies within hairs of cleaning marks, of which only the strongest are seen one by one.
final class Rubbed {
    private static final int SIDE = GlassFrame.SIDE;
    /// Hairs no farther apart than this come from one wiping, radii.
    private static final double TOGETHER = 0.3;
    /// The frame is made so much coarser to find which hairs lie together.
    private static final int COARSE = 10;
    private static final int CELLS = (SIDE + COARSE - 1) / COARSE;

    private Rubbed() {}

    /// Fills what hairs lie about; what lies outside the glass stays free.
    /// @param hairs 1 where there is one
    static void fill(GrayU8 hairs) {
        for (List<Coordinate> wiping : wipings(hairs)) {
            Coordinate[] hull = new ConvexHull(wiping.toArray(Coordinate[]::new), new GeometryFactory()).getConvexHull().getCoordinates();
            if (hull.length > 3) {
                for (int y = 0; y < SIDE; y++) {
                    row(hull, y, hairs);
                }
            }
        }
    }

    /// Hairs that lie together, each with all its pixels.
    private static List<List<Coordinate>> wipings(GrayU8 hairs) {
        GrayU8 coarse = new GrayU8(CELLS, CELLS);
        for (int at = 0; at < hairs.data.length; at++) {
            coarse.data[cell(at)] |= hairs.data[at];
        }
        // A cell reaches from its middle half way across the gap.
        int reach = (int) Math.round(TOGETHER * GlassFrame.RADIUS / COARSE / 2);
        GrayS32 labels = new GrayS32(CELLS, CELLS);
        int n = BinaryImageOps.contour(BinaryImageOps.dilate8(coarse, reach, null), ConnectRule.EIGHT, labels).size();
        List<List<Coordinate>> out = new ArrayList<>();
        for (int k = 0; k < n; k++) {
            out.add(new ArrayList<>());
        }
        for (int at = 0; at < hairs.data.length; at++) {
            if (hairs.data[at] != 0) {
                out.get(labels.data[cell(at)] - 1).add(new Coordinate(at % SIDE, at / SIDE));
            }
        }
        return out;
    }

    private static int cell(int at) {
        return at / SIDE / COARSE * CELLS + at % SIDE / COARSE;
    }

    /// Fills one row of what a convex outline encloses.
    private static void row(Coordinate[] hull, int y, GrayU8 into) {
        double[] across = new double[hull.length];
        int n = 0;
        for (int k = 0; k + 1 < hull.length; k++) {
            Coordinate a = hull[k];
            Coordinate b = hull[k + 1];
            if (a.y != b.y && Math.min(a.y, b.y) <= y && y <= Math.max(a.y, b.y)) {
                across[n++] = a.x + (b.x - a.x) * (y - a.y) / (b.y - a.y);
            }
        }
        if (n > 1) {
            double left = Arrays.stream(across, 0, n).min().orElseThrow();
            double right = Arrays.stream(across, 0, n).max().orElseThrow();
            for (int x = (int) Math.ceil(left); x <= right; x++) {
                int at = y * SIDE + x;
                if (GlassFrame.away(at) <= 1) {
                    into.data[at] = 1;
                }
            }
        }
    }
}
