package stillglass.look;

import boofcv.alg.filter.binary.BinaryImageOps;
import boofcv.alg.filter.binary.Contour;
import boofcv.struct.ConnectRule;
import boofcv.struct.image.GrayS32;
import boofcv.struct.image.GrayU8;
import georegression.struct.point.Point2D_I32;
import java.util.ArrayList;
import java.util.List;

/// Connected patches of a binary picture, gathered into colonies and measured on their skeletons.
final class Patches {
    private static final int OUTLINE_POINTS = 72;

    private Patches() {}

    /// @param found 1 where a pixel departs from clean glass
    /// @param departure how much, row-major
    /// @param joinRadii patches closer than this belong together, aperture radii
    static List<Patch> of(GrayU8 found, float[] departure, Aperture a, UnitFrame frame, double joinRadii) {
        int grow = (int) Math.max(1, Math.round(joinRadii * a.meanRadius() / 2));
        GrayU8 joined = BinaryImageOps.dilate8(found, grow, null);
        GrayS32 labels = new GrayS32(found.width, found.height);
        List<Contour> contours = BinaryImageOps.contour(joined, ConnectRule.EIGHT, labels);
        GrayU8 thin = BinaryImageOps.thin(found, 200, null);
        int[][] members = membersOf(found, labels, contours.size());
        List<Patch> patches = new ArrayList<>();
        for (int k = 0; k < contours.size(); k++) {
            if (members[k].length > 0) {
                patches.add(measure(members[k], thin, departure, a, frame, contours.get(k)));
            }
        }
        return patches;
    }

    private static int[][] membersOf(GrayU8 found, GrayS32 labels, int count) {
        int[] size = new int[count];
        for (int i = 0; i < found.data.length; i++) {
            if (found.data[i] != 0 && labels.data[i] > 0) {
                size[labels.data[i] - 1]++;
            }
        }
        int[][] members = new int[count][];
        for (int k = 0; k < count; k++) {
            members[k] = new int[size[k]];
            size[k] = 0;
        }
        for (int i = 0; i < found.data.length; i++) {
            if (found.data[i] != 0 && labels.data[i] > 0) {
                int k = labels.data[i] - 1;
                members[k][size[k]++] = i;
            }
        }
        return members;
    }

    private static Patch measure(int[] pixels, GrayU8 thin, float[] departure, Aperture a, UnitFrame frame, Contour contour) {
        int width = thin.width;
        int bones = 0;
        int junctions = 0;
        List<int[]> ends = new ArrayList<>();
        double sum = 0;
        double sx = 0;
        double sy = 0;
        double nearest = Double.POSITIVE_INFINITY;
        double farthest = 0;
        for (int at : pixels) {
            int x = at % width;
            int y = at / width;
            sum += departure[at];
            nearest = Math.min(nearest, frame.r[at]);
            farthest = Math.max(farthest, frame.r[at]);
            sx += x;
            sy += y;
            if (thin.data[at] != 0) {
                bones++;
                int branches = branchesAt(thin, x, y);
                junctions += branches >= 3 ? 1 : 0;
                if (branches == 1) {
                    ends.add(new int[] {x, y});
                }
            }
        }
        double r = a.meanRadius();
        double length = Math.max(1, bones) * 1.1;
        double reach = 0;
        for (int i = 0; i < ends.size() && i < 200; i++) {
            for (int j = i + 1; j < ends.size() && j < 200; j++) {
                reach = Math.max(reach, Math.hypot(ends.get(i)[0] - ends.get(j)[0], ends.get(i)[1] - ends.get(j)[1]));
            }
        }
        double cx = sx / pixels.length;
        double cy = sy / pixels.length;
        return new Patch(
                pixels,
                length / r,
                pixels.length / length / r,
                junctions,
                ends.size(),
                Math.min(1, reach / length),
                sum / pixels.length,
                farthest - nearest,
                concentration(pixels, frame),
                a.unitX(cx, cy),
                a.unitY(cx, cy),
                outline(contour, a));
    }

    /// Share of the pixels in the six fullest of a hundred rings: near 1 for arcs about the centre, low for threads.
    private static double concentration(int[] pixels, UnitFrame frame) {
        int[] rings = new int[101];
        for (int at : pixels) {
            rings[Math.min(100, (int) (frame.r[at] * 100))]++;
        }
        java.util.Arrays.sort(rings);
        int full = 0;
        for (int i = 1; i <= 6; i++) {
            full += rings[rings.length - i];
        }
        return full / (double) pixels.length;
    }

    /// Number of 0-to-1 changes around a skeleton pixel: 1 at an end, 2 along a thread, 3 or more where it parts.
    private static int branchesAt(GrayU8 thin, int x, int y) {
        int[][] ring = {{1, 0}, {1, 1}, {0, 1}, {-1, 1}, {-1, 0}, {-1, -1}, {0, -1}, {1, -1}};
        int changes = 0;
        boolean before = set(thin, x + 1, y - 1);
        for (int[] d : ring) {
            boolean now = set(thin, x + d[0], y + d[1]);
            changes += now && !before ? 1 : 0;
            before = now;
        }
        return changes;
    }

    private static boolean set(GrayU8 g, int x, int y) {
        return x >= 0 && y >= 0 && x < g.width && y < g.height && g.data[y * g.width + x] != 0;
    }

    static List<Finding.Point> outline(Contour contour, Aperture a) {
        List<Point2D_I32> external = contour.external;
        int stride = Math.max(1, external.size() / OUTLINE_POINTS);
        List<Finding.Point> points = new ArrayList<>();
        for (int i = 0; i < external.size(); i += stride) {
            Point2D_I32 p = external.get(i);
            points.add(new Finding.Point(a.unitX(p.x, p.y), a.unitY(p.x, p.y)));
        }
        return points;
    }
}
