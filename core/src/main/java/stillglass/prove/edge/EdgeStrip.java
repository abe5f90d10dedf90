package stillglass.prove.edge;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;
import org.ejml.simple.SimpleMatrix;

/// Pixels about an edge with their distance from it, the edge fitted by a line that may bend a little.
///
/// @param distance of each pixel along the normal, pixels, positive to the light
/// @param light of each
/// @param block along the edge that each belongs to
/// @param reach half width, pixels
/// @param dark level of the dark side
/// @param bright level of the bright side
/// @param cosine between the normal and the way the rows were gone along
@SuppressWarnings("ArrayRecordComponent")
record EdgeStrip(double[] distance, double[] light, int[] block, double reach, double dark, double bright, double x, double y, double normalRad) {
    static final int BLOCKS = 10;
    private static final double MOST_REACH = 48;
    private static final double LEAST_REACH = 5;
    private static final int FEWEST_ROWS = 16;
    /// Ends of an edge are often corners.
    private static final double ENDS = 0.06;
    private static final double FLAT = 0.12;
    /// Lenses bend straight lines by no more than this share of their length.
    private static final double BEND = 0.012;
    /// Levels are taken from this share of the reach on.
    private static final double LEVELS = 0.6;
    private static final double MOST_OF_REACH = 0.75;
    private static final int FEWEST_PIXELS = 120;
    private static final double MOST_FALL = 0.5;
    private static final double LEAST_BEND = 0.35;

    static Optional<EdgeStrip> of(LightPlane p, EdgeFinder.Stretch s) {
        double reach = reach(p, s);
        if (reach < LEAST_REACH) {
            return Optional.empty();
        }
        // Rows are gone along x where the edge is steep, along y where it is flat.
        boolean steep = Math.abs(s.nx()) >= Math.abs(s.ny());
        double main = steep ? s.nx() : s.ny();
        double half = s.length() / 2 * (1 - 2 * ENDS) * Math.abs(main);
        double centre = steep ? s.y() : s.x();
        int from = (int) Math.ceil(Math.max(centre - half, 0));
        int to = (int) Math.floor(Math.min(centre + half, (steep ? p.height() : p.width()) - 1));
        if (to - from < FEWEST_ROWS) {
            return Optional.empty();
        }
        double slope = -(steep ? s.ny() / s.nx() : s.nx() / s.ny());
        double[] line = {(steep ? s.x() : s.y()) - slope * centre, slope, 0};
        double wide = reach;
        for (int round = 0; round < 4; round++) {
            Optional<double[]> next = fitted(p, steep, from, to, line, wide / Math.abs(main), Math.signum(main));
            if (next.isEmpty()) {
                return Optional.empty();
            }
            line = next.get();
            wide = Math.max(LEAST_REACH, Math.min(reach, wide * 0.75));
        }
        return gathered(p, steep, from, to, line, reach, Math.signum(main));
    }

    /// How far both sides stay flat: where the profile across leaves its level, there is something else.
    private static double reach(LightPlane p, EdgeFinder.Stretch s) {
        int most = (int) Math.min(MOST_REACH, Math.max(LEAST_REACH + 1, s.length() * 0.6));
        double[] profile = new double[2 * most + 1];
        int along = (int) Math.max(5, s.length() * 0.7 / 3);
        for (int n = -most; n <= most; n++) {
            double sum = 0;
            int count = 0;
            for (int k = -along; k <= along; k++) {
                double t = k * 0.35 * s.length() / along;
                int x = (int) Math.round(s.x() + n * s.nx() - t * s.ny());
                int y = (int) Math.round(s.y() + n * s.ny() + t * s.nx());
                if (x >= 0 && y >= 0 && x < p.width() && y < p.height()) {
                    sum += p.at(x, y);
                    count++;
                }
            }
            profile[n + most] = count > along ? sum / count : Double.NaN;
        }
        return Math.min(flat(profile, most, 1), flat(profile, most, -1));
    }

    private static double flat(double[] profile, int most, int way) {
        double middle = profile[most];
        double extreme = middle;
        int top = 0;
        for (int n = 1; n <= most && !Double.isNaN(profile[most + way * n]); n++) {
            double v = profile[most + way * n];
            // The first level that is reached; what rises much later is another edge.
            if (way * (v - extreme) > 0.01 * Math.abs(extreme - middle) + 1e-6) {
                if (top > 0 && n - top > 6) {
                    break;
                }
                extreme = v;
                top = n;
            }
        }
        double step = Math.abs(extreme - middle);
        if (top == 0 || step < 1e-6) {
            return 0;
        }
        int out = top;
        for (int n = top; n <= most && !Double.isNaN(profile[most + way * n]); n++) {
            if (Math.abs(profile[most + way * n] - extreme) > FLAT * 2 * step) {
                break;
            }
            out = n;
        }
        return out;
    }

    /// Middle of the change in every row, and the line through them.
    private static Optional<double[]> fitted(LightPlane p, boolean steep, int from, int to, double[] line, double wide, double sign) {
        int n = to - from + 1;
        double[] at = new double[n];
        double[] weight = new double[n];
        for (int i = 0; i < n; i++) {
            double expected = place(line, from + i);
            double sum = 0;
            double moment = 0;
            int a = (int) Math.ceil(expected - wide);
            int b = (int) Math.floor(expected + wide);
            if (a < 0 || b + 1 >= (steep ? p.width() : p.height())) {
                continue;
            }
            for (int k = a; k < b; k++) {
                double change = sign * (value(p, steep, k + 1, from + i) - value(p, steep, k, from + i));
                double u = (k + 0.5 - expected) / wide;
                double w = change * (0.54 + 0.46 * Math.cos(Math.PI * u));
                sum += w;
                moment += w * (k + 0.5);
            }
            if (sum > 0) {
                at[i] = moment / sum;
                weight[i] = Math.abs(at[i] - expected) < wide ? 1 : 0;
            }
        }
        return line(at, weight, from);
    }

    private static double value(LightPlane p, boolean steep, int along, int row) {
        return steep ? p.at(along, row) : p.at(row, along);
    }

    private static double place(double[] line, double row) {
        return line[0] + line[1] * row + line[2] * row * row;
    }

    /// Robust fit of a line that bends, when the bend is worth it.
    private static Optional<double[]> line(double[] at, double[] weight, int from) {
        double[] w = weight.clone();
        double[] best = new double[3];
        for (int round = 0; round < 4; round++) {
            if (Arrays.stream(w).filter(v -> v > 0).count() < FEWEST_ROWS) {
                return Optional.empty();
            }
            double middle = from + (at.length - 1) / 2.0;
            double half = Math.max(1, (at.length - 1) / 2.0);
            double[][] a = new double[3][3];
            double[] r = new double[3];
            for (int i = 0; i < at.length; i++) {
                double u = (from + i - middle) / half;
                double[] row = {1, u, u * u};
                for (int j = 0; j < 3; j++) {
                    r[j] += w[i] * row[j] * at[i];
                    for (int k = 0; k < 3; k++) {
                        a[j][k] += w[i] * row[j] * row[k];
                    }
                }
            }
            var x = new SimpleMatrix(a).plus(SimpleMatrix.identity(3).scale(1e-9)).solve(new SimpleMatrix(3, 1, true, r));
            double c2 = x.get(2) / (half * half);
            double c1 = x.get(1) / half - 2 * c2 * middle;
            best = new double[] {x.get(0) - x.get(1) * middle / half + c2 * middle * middle, c1, c2};
            if (Math.abs(x.get(2)) > Math.max(LEAST_BEND, BEND * at.length)) {
                return Optional.empty();
            }
            double[] line = best;
            double[] off = new double[at.length];
            for (int i = 0; i < at.length; i++) {
                off[i] = Math.abs(at[i] - place(line, from + i));
            }
            double[] kept = IntStream.range(0, off.length).filter(i -> weight[i] > 0).mapToDouble(i -> off[i]).sorted().toArray();
            double scale = Math.max(0.02, 1.4826 * kept[kept.length / 2]);
            for (int i = 0; i < w.length; i++) {
                double u = off[i] / (4.7 * scale);
                w[i] = weight[i] > 0 && u < 1 ? (1 - u * u) * (1 - u * u) : 0;
            }
        }
        return Optional.of(best);
    }

    private static Optional<EdgeStrip> gathered(LightPlane p, boolean steep, int from, int to, double[] line, double reach, double sign) {
        int rows = to - from + 1;
        double middle = (from + to) / 2.0;
        double cosine = 1 / Math.hypot(1, line[1] + 2 * line[2] * middle);
        int per = 2 * (int) Math.ceil(reach / cosine) + 2;
        double[] d = new double[rows * per];
        double[] v = new double[d.length];
        int[] block = new int[d.length];
        int n = 0;
        for (int i = 0; i < rows; i++) {
            double at = place(line, from + i);
            double cos = 1 / Math.hypot(1, line[1] + 2 * line[2] * (from + i));
            int a = (int) Math.ceil(at - reach / cos);
            int b = (int) Math.floor(at + reach / cos);
            for (int k = Math.max(0, a); k <= Math.min(b, (steep ? p.width() : p.height()) - 1) && n < d.length; k++) {
                d[n] = sign * (k - at) * cos;
                v[n] = value(p, steep, k, from + i);
                block[n++] = i * BLOCKS / rows;
            }
        }
        double[] dist = Arrays.copyOf(d, n);
        double[] light = Arrays.copyOf(v, n);
        double dark = level(dist, light, -reach, -LEVELS * reach);
        double bright = level(dist, light, LEVELS * reach, reach);
        if (!(bright > dark)) {
            return Optional.empty();
        }
        double across = place(line, middle);
        double slope = line[1] + 2 * line[2] * middle;
        double nx = steep ? sign * cosine : -sign * slope * cosine;
        double ny = steep ? -sign * slope * cosine : sign * cosine;
        return Optional.of(new EdgeStrip(dist, light, Arrays.copyOf(block, n), reach, dark, bright, steep ? across : middle, steep ? middle : across, Math.atan2(ny, nx)));
    }

    /// The same under even light: what lighting adds along the normal is seen on the light side, away from the edge, and divided out of both.
    /// @param from distance beyond which the light side is flat but for the lighting
    EdgeStrip evened(double from) {
        double start = Math.max(LEAST_REACH, from);
        if (start > MOST_OF_REACH * reach) {
            return this;
        }
        double n = 0;
        double sx = 0;
        double sy = 0;
        double sxx = 0;
        double sxy = 0;
        for (int i = 0; i < distance.length; i++) {
            if (distance[i] > start && distance[i] <= reach) {
                n++;
                sx += distance[i];
                sy += light[i];
                sxx += distance[i] * distance[i];
                sxy += distance[i] * light[i];
            }
        }
        double spread = n * sxx - sx * sx;
        if (n < FEWEST_PIXELS || !(spread > 0)) {
            return this;
        }
        double slope = (n * sxy - sx * sy) / spread;
        double atEdge = (sy - slope * sx) / n;
        double share = slope / atEdge;
        if (!(Math.abs(share) * reach < MOST_FALL)) {
            // That is another edge or a curtain, not lighting.
            return this;
        }
        double[] even = new double[light.length];
        for (int i = 0; i < even.length; i++) {
            even[i] = light[i] / (1 + share * distance[i]);
        }
        return new EdgeStrip(distance, even, block, reach, level(distance, even, -reach, -LEVELS * reach), level(distance, even, LEVELS * reach, reach), x, y, normalRad);
    }

    private static double level(double[] d, double[] v, double from, double to) {
        double[] in = IntStream.range(0, d.length).filter(i -> d[i] >= from && d[i] <= to).mapToDouble(i -> v[i]).sorted().toArray();
        return in.length < 4 ? Double.NaN : Arrays.stream(in, in.length / 4, in.length - in.length / 4).average().orElse(Double.NaN);
    }
}
