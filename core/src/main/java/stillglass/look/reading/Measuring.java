package stillglass.look.reading;

import boofcv.alg.filter.binary.Contour;
import boofcv.struct.image.GrayU8;
import georegression.struct.point.Point2D_I32;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.locationtech.jts.algorithm.ConvexHull;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import stillglass.look.LeastSquares;
import stillglass.look.Lighting;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.Features;

/// Takes the measure of candidates. What each number means stands at [Feature].
final class Measuring {
    private static final int SIDE = GlassFrame.SIDE;
    private static final double R = GlassFrame.RADIUS;
    /// Pixels of a skeleton this close that part are one junction.
    private static final int SAME_JUNCTION = 2;
    private static final GeometryFactory GEOMETRY = new GeometryFactory();

    private final Maps maps;

    Measuring(Maps maps) {
        this.maps = maps;
    }

    /// @param regions 1 where a region stands out
    Features fine(int[] pixels, Contour contour, GrayU8 thin, byte[] regions, int neighbours, int crowd) {
        Features f = new Features();
        place(f, pixels);
        shape(f, pixels, contour, true);
        skeleton(f, pixels, thin);
        lines(f, pixels);
        light(f, pixels, maps.fine);
        colour(f, pixels);
        int covered = 0;
        for (int at : pixels) {
            covered += regions[at];
        }
        f.set(Feature.COVERED, covered / (double) pixels.length);
        f.setLog(Feature.HEART, heart(pixels, 0.5 * Math.pow(10, f.get(Feature.EXTENT)) * R));
        return f.setLog(Feature.NEIGHBOURS, 1.0 + neighbours).setLog(Feature.CROWD, 1.0 + crowd);
    }

    /// Mean departure within a third of its radius over the mean departure of its pixels.
    private double heart(int[] pixels, double radiusPx) {
        double x = 0;
        double y = 0;
        double all = 0;
        for (int at : pixels) {
            x += at % SIDE / (double) pixels.length;
            y += at / SIDE / (double) pixels.length;
            all += Math.abs(maps.frame.light[at] - maps.expected[at]) / pixels.length;
        }
        int reach = (int) Math.max(1, radiusPx / 3);
        double sum = 0;
        int n = 0;
        for (int j = (int) y - reach; j <= (int) y + reach; j++) {
            for (int i = (int) x - reach; i <= (int) x + reach; i++) {
                if (i >= 0 && j >= 0 && i < SIDE && j < SIDE && Math.hypot(i - x, j - y) <= reach) {
                    sum += Math.abs(maps.frame.light[j * SIDE + i] - maps.expected[j * SIDE + i]);
                    n++;
                }
            }
        }
        return n == 0 ? 1 : sum / n / Math.max(1e-6, all);
    }

    Features area(int[] pixels, Contour contour, int neighbours, int crowd) {
        Features f = new Features();
        place(f, pixels);
        shape(f, pixels, contour, false);
        light(f, pixels, maps.area);
        colour(f, pixels);
        border(f, pixels, contour);
        lines(f, pixels);
        int lined = 0;
        for (int at : pixels) {
            lined += Math.abs(maps.fine[at]) > 4 * maps.fineScatter(at) ? 1 : 0;
        }
        return f.set(Feature.LINED, lined / (double) pixels.length)
                .setLog(Feature.NEIGHBOURS, 1.0 + neighbours).setLog(Feature.CROWD, 1.0 + crowd);
    }

    Features rim(int[] pixels, Contour contour, float[] excess) {
        Features f = new Features();
        place(f, pixels);
        shape(f, pixels, contour, false);
        double sum = 0;
        double size = 0;
        for (int at : pixels) {
            sum += excess[at];
            size += Math.abs(excess[at]);
        }
        double span = f.get(Feature.SPAN);
        return f.set(Feature.POLARITY, (maps.lighting == Lighting.AGAINST ? 1 : -1) * sum / size)
                .setLog(Feature.CONTRAST, size / pixels.length / (0.02 + around(pixels)))
                .setLog(Feature.WIDTH, pixels.length / R / Math.max(1, Math.toRadians(span) * R));
    }

    private double around(int[] pixels) {
        double sum = 0;
        for (int at : pixels) {
            sum += maps.frame.light[at];
        }
        return sum / pixels.length;
    }

    private void place(Features f, int[] pixels) {
        double nearest = 9;
        double farthest = 0;
        double sx = 0;
        double sy = 0;
        boolean[] degrees = new boolean[360];
        int[] rings = new int[101];
        for (int at : pixels) {
            double x = GlassFrame.x(at);
            double y = GlassFrame.y(at);
            double r = Math.hypot(x, y);
            nearest = Math.min(nearest, r);
            farthest = Math.max(farthest, r);
            sx += x;
            sy += y;
            degrees[Math.floorMod((int) Math.floor(Math.toDegrees(Math.atan2(y, x))), 360)] = true;
            rings[(int) Math.min(100, r * 90)]++;
        }
        Arrays.sort(rings);
        int full = 0;
        for (int i = 1; i <= 5; i++) {
            full += rings[rings.length - i];
        }
        int span = 0;
        for (boolean d : degrees) {
            span += d ? 1 : 0;
        }
        f.set(Feature.RADIUS, Math.hypot(sx, sy) / pixels.length)
                .set(Feature.REACHES_IN, nearest)
                .set(Feature.REACHES_OUT, farthest)
                .set(Feature.SPAN, span)
                .set(Feature.CONCENTRIC, full / (double) pixels.length)
                .setLog(Feature.AREA, pixels.length / (Math.PI * R * R));
    }

    /// @param own the pixels' own hull and filling instead of their joined outline's
    private static void shape(Features f, int[] pixels, Contour contour, boolean own) {
        double mx = 0;
        double my = 0;
        for (int at : pixels) {
            mx += at % SIDE;
            my += at / SIDE;
        }
        mx /= pixels.length;
        my /= pixels.length;
        double xx = 0.1;
        double yy = 0.1;
        double xy = 0;
        for (int at : pixels) {
            double dx = at % SIDE - mx;
            double dy = at / SIDE - my;
            xx += dx * dx / pixels.length;
            yy += dy * dy / pixels.length;
            xy += dx * dy / pixels.length;
        }
        double half = Math.hypot((xx - yy) / 2, xy);
        double middle = (xx + yy) / 2;
        f.setLog(Feature.ELONGATION, Math.sqrt((middle + half) / Math.max(0.05, middle - half)));
        Coordinate[] points = new Coordinate[own ? pixels.length : contour.external.size()];
        for (int i = 0; i < points.length; i++) {
            points[i] = own ? new Coordinate(pixels[i] % SIDE, pixels[i] / SIDE)
                    : new Coordinate(contour.external.get(i).x, contour.external.get(i).y);
        }
        var hull = new ConvexHull(points, GEOMETRY).getConvexHull();
        double hullArea = Math.max(pixels.length, hull.getArea() + hull.getLength() / 2);
        double extent = 0;
        Coordinate[] corners = hull.getCoordinates();
        for (int i = 0; i < corners.length; i++) {
            for (int j = i + 1; j < corners.length; j++) {
                extent = Math.max(extent, corners[i].distance(corners[j]));
            }
        }
        f.set(Feature.SOLIDITY, pixels.length / hullArea).setLog(Feature.EXTENT, (extent + 1) / R);
        double area = 0;
        double length = 0;
        List<Point2D_I32> e = contour.external;
        for (int i = 0; i < e.size(); i++) {
            Point2D_I32 a = e.get(i);
            Point2D_I32 b = e.get((i + 1) % e.size());
            area += (a.x * (double) b.y - b.x * (double) a.y) / 2;
            length += Math.hypot(a.x - b.x, a.y - b.y);
        }
        double filled = Math.abs(area) + length / 2;
        f.set(Feature.ROUNDNESS, 4 * Math.PI * filled / Math.max(1, (length + 2) * (length + 2)));
        f.set(Feature.HOLLOW, 1 - Math.min(1, pixels.length / Math.max(1, filled)));
    }

    private static void skeleton(Features f, int[] pixels, GrayU8 thin) {
        int bones = 0;
        int junctions = 0;
        List<int[]> ends = new ArrayList<>();
        for (int at : pixels) {
            if (thin.data[at] != 0) {
                bones++;
                int branches = branchesAt(thin, at % SIDE, at / SIDE);
                junctions += branches >= 3 && firstOfJunction(thin, at % SIDE, at / SIDE) ? 1 : 0;
                if (branches <= 1) {
                    ends.add(new int[] {at % SIDE, at / SIDE});
                }
            }
        }
        double length = Math.max(1, bones) * 1.1;
        double reach = 0;
        for (int i = 0; i < ends.size() && i < 200; i++) {
            for (int j = i + 1; j < ends.size() && j < 200; j++) {
                reach = Math.max(reach, Math.hypot(ends.get(i)[0] - ends.get(j)[0], ends.get(i)[1] - ends.get(j)[1]));
            }
        }
        f.setLog(Feature.LENGTH, length / R)
                .setLog(Feature.WIDTH, pixels.length / length / R)
                .setLog(Feature.JUNCTIONS, 1 + junctions / Math.max(0.03, length / R))
                .setLog(Feature.ENDS, 1 + ends.size() / Math.max(0.03, length / R))
                .set(Feature.STRAIGHTNESS, Math.min(1, reach / length));
    }

    /// Whether no pixel before it in reading order belongs to the same junction: where threads part, several pixels beside each other do.
    private static boolean firstOfJunction(GrayU8 thin, int x, int y) {
        for (int dy = -SAME_JUNCTION; dy <= 0; dy++) {
            for (int dx = -SAME_JUNCTION; dx <= SAME_JUNCTION; dx++) {
                boolean before = dy < 0 || dx < 0;
                if (before && set(thin, x + dx, y + dy) && branchesAt(thin, x + dx, y + dy) >= 3) {
                    return false;
                }
            }
        }
        return true;
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

    private void lines(Features f, int[] pixels) {
        double[] middle = GlassFrame.middle(pixels);
        double radiating = 0;
        double circling = 0;
        double c = 0;
        double s = 0;
        for (int at : pixels) {
            double lc = maps.lineCos[at];
            double ls = maps.lineSin[at];
            c += lc;
            s += ls;
            double own = Math.atan2(GlassFrame.y(at) - middle[1], GlassFrame.x(at) - middle[0]);
            double axis = Math.atan2(GlassFrame.y(at), GlassFrame.x(at));
            radiating += 0.5 + 0.5 * (lc * Math.cos(2 * own) + ls * Math.sin(2 * own));
            circling += 0.5 - 0.5 * (lc * Math.cos(2 * axis) + ls * Math.sin(2 * axis));
        }
        f.set(Feature.RADIATING, radiating / pixels.length)
                .set(Feature.CIRCLING, circling / pixels.length)
                .set(Feature.PARALLEL, Math.hypot(c, s) / pixels.length);
    }

    private void light(Features f, int[] pixels, float[] map) {
        double sum = 0;
        double size = 0;
        double squares = 0;
        double peak = 0;
        double clean = 0;
        int clipped = 0;
        int dark = 0;
        for (int at : pixels) {
            dark += maps.dark(at) ? 1 : 0;
            double d = map[at];
            sum += d;
            size += Math.abs(d);
            squares += d * d;
            peak = Math.max(peak, Math.abs(d));
            clean += Math.max(0, maps.expected[at]);
            clipped += maps.frame.light[at] > 0.93 ? 1 : 0;
        }
        int n = pixels.length;
        double mean = Math.max(1e-6, size / n);
        f.set(Feature.BLADES, maps.lighting == Lighting.BRIGHT ? dark / (double) n : Double.NaN)
                .setLog(Feature.CONTRAST, mean / (0.01 + clean / n))
                .setLog(Feature.PEAK, peak / mean)
                .set(Feature.POLARITY, sum / Math.max(1e-9, size))
                .set(Feature.MOTTLED, Math.sqrt(Math.max(0, squares / n - mean * mean)) / mean)
                .set(Feature.CLIPPED, clipped / (double) n);
    }

    private void colour(Features f, int[] pixels) {
        double r = 0;
        double b = 0;
        for (int at : pixels) {
            r += maps.redTint[at] / pixels.length;
            b += maps.blueTint[at] / pixels.length;
        }
        double spread = 0;
        for (int at : pixels) {
            spread += (Math.pow(maps.redTint[at] - r, 2) + Math.pow(maps.blueTint[at] - b, 2)) / pixels.length;
        }
        f.set(Feature.TINT, Math.hypot(r, b)).set(Feature.RAINBOW, Math.sqrt(spread));
    }

    /// Sharpness and brightness of the outline, from the light just inside and outside of it.
    private void border(Features f, int[] pixels, Contour contour) {
        boolean[] inside = new boolean[GlassFrame.PIXELS];
        for (int at : pixels) {
            inside[at] = true;
        }
        double steep = 0;
        int n = 0;
        for (Point2D_I32 p : contour.external) {
            int at = p.y * SIDE + p.x;
            if (p.x < 4 || p.y < 4 || p.x >= SIDE - 4 || p.y >= SIDE - 4 || maps.frame.r[at] > 0.96) {
                continue;
            }
            steep += steepest(at);
            n++;
        }
        double[] bands = bands(pixels, inside);
        double mean = Math.max(1e-5, bands[2]);
        f.set(Feature.CRISP, n == 0 ? Double.NaN : Math.min(3, steep / n * 0.01 * R / mean))
                .setLog(Feature.BEADED, Math.max(0.02, bands[0]) / Math.max(0.02, bands[1]));
    }

    /// Steepest slope of the light within a few pixels of the border, smoothed lightly.
    private double steepest(int at) {
        double most = 0;
        float[] l = maps.frame.light;
        for (int dy = -3; dy <= 3; dy++) {
            for (int dx = -3; dx <= 3; dx++) {
                int k = at + dy * SIDE + dx;
                if (k > 2 * SIDE + 2 && k < GlassFrame.PIXELS - 2 * SIDE - 3) {
                    double gx = l[k + 1] + l[k + 1 + SIDE] + l[k + 1 - SIDE] - l[k - 1] - l[k - 1 + SIDE] - l[k - 1 - SIDE];
                    double gy = l[k + SIDE] + l[k + SIDE + 1] + l[k + SIDE - 1] - l[k - SIDE] - l[k - SIDE + 1] - l[k - SIDE - 1];
                    most = Math.max(most, Math.hypot(gx, gy) / 6);
                }
            }
        }
        return most;
    }

    /// Mean departure in the outer band over the mean inside (both relative to the whole), and the mean of the whole.
    private double[] bands(int[] pixels, boolean[] inside) {
        double outer = 0;
        double inner = 0;
        int no = 0;
        int ni = 0;
        int reach = 6;
        double sum = 0;
        for (int at : pixels) {
            double d = Math.abs(maps.frame.light[at] - maps.expected[at]);
            sum += d;
            int x = at % SIDE;
            int y = at / SIDE;
            boolean deep = x >= reach && y >= reach && x < SIDE - reach && y < SIDE - reach && inside[at - reach] && inside[at + reach]
                    && inside[at - reach * SIDE] && inside[at + reach * SIDE];
            if (deep) {
                inner += d;
                ni++;
            } else {
                outer += d;
                no++;
            }
        }
        double mean = Math.max(1e-5, sum / pixels.length);
        return new double[] {no == 0 ? 1 : outer / no / mean, ni == 0 ? 1 : inner / ni / mean, mean};
    }
}
