package stillglass.prove.iris;

import java.util.Arrays;
import java.util.Optional;
import org.ejml.simple.SimpleMatrix;

/// The sides that blades give an opening, straight or a little bowed.
///
/// @param blades how many sides
/// @param towardsDeg where the normal of each side points, degrees clockwise from 12
/// @param distance of each side from the middle, pixels
/// @param bow of each side, pixels: by how much its middle lies farther out than the ends of the part that is fitted; below 0 for one that bows inwards
/// @param sigma one standard deviation of a distance
@SuppressWarnings("ArrayRecordComponent")
record Polygon(int blades, double[] towardsDeg, double[] distance, double[] bow, double sigma) {
    private static final int FEWEST = 4;
    private static final int MOST = 20;
    /// Departure of the edge from a circle in its middle direction, as a share of the radius, at which sides can be told.
    private static final double LEAST = 0.003;
    /// Share of it that a polygon may leave.
    private static final double STRAIGHT = 0.7;
    private static final double FAR_BETTER = 0.6;
    private static final int TURNS = 30;
    /// The part of a side about its middle that is fitted: at corners blades are rounded.
    private static final double MIDDLE = 0.7;
    private static final int ROUNDS = 6;

    /// @return nothing for an opening that is as good as round, or of no regular number of sides
    static Optional<Polygon> of(Opening o) {
        double usual = median(o.radius().clone());
        double round = median(Arrays.stream(o.radius()).map(r -> Math.abs(r / usual - 1)).toArray());
        if (round < LEAST) {
            return Optional.empty();
        }
        int blades = 0;
        double first = 0;
        double least = STRAIGHT * round;
        for (int k = FEWEST; k <= MOST; k++) {
            for (int turn = 0; turn < TURNS; turn++) {
                double towards0 = 360.0 / k * turn / TURNS;
                double left = left(o, k, towards0);
                // Twice as many sides fit an even polygon as well: fewer are taken unless more are better by far.
                if (left < (blades == 0 || k == blades ? least : FAR_BETTER * least)) {
                    least = left;
                    blades = k;
                    first = towards0;
                }
            }
        }
        if (blades == 0) {
            return Optional.empty();
        }
        double[] towards = new double[blades];
        double[] distance = new double[blades];
        double[] bow = new double[blades];
        double square = 0;
        int used = 0;
        for (int s = 0; s < blades; s++) {
            double[] fit = side(o, first + 360.0 * s / blades, 360.0 / blades);
            towards[s] = ((fit[0] % 360) + 360) % 360;
            distance[s] = fit[1];
            bow[s] = bow(o, first + 360.0 * s / blades, 360.0 / blades, fit[0]);
            square += fit[2];
            used += (int) fit[3];
        }
        double noise = Math.sqrt(square / Math.max(1, used));
        return Optional.of(new Polygon(blades, towards, distance, bow, Math.max(0.02, noise / Math.sqrt(Math.max(1, used / (double) blades / 6)))));
    }

    /// How far the edge is from an even polygon in its middle direction, whatever a few sides do, as a share of the radius. The middle of the polygon is where most sides agree, not that of
    /// the area.
    private static double left(Opening o, int blades, double first) {
        double wide = 360.0 / blades;
        int n = Opening.DIRECTIONS;
        double[] distance = new double[n];
        double[][] of = new double[blades][n];
        int[] count = new int[blades];
        int[] side = new int[n];
        for (int i = 0; i < n; i++) {
            double a = 360.0 * i / n;
            side[i] = Math.floorMod((int) Math.rint((a - first) / wide), blades);
            distance[i] = o.radius()[i] * Math.cos(Math.toRadians(Math.IEEEremainder(a - first, wide)));
            of[side[i]][count[side[i]]++] = distance[i];
        }
        double[] middles = new double[blades];
        double[] towards = new double[blades];
        for (int s = 0; s < blades; s++) {
            middles[s] = median(Arrays.copyOf(of[s], count[s]));
            towards[s] = first + wide * s;
        }
        double[] off = off(middles, towards, ROUNDS);
        double whole = off[blades];
        double[] left = new double[n];
        for (int i = 0; i < n; i++) {
            // A side that stands off is no less straight; but it counts as what it is.
            left[i] = Math.abs(distance[i] - middles[side[i]] + off[side[i]]) / whole;
        }
        return median(left);
    }

    /// How far out each side is from the middle that most agree on, and behind them the usual distance.
    private static double[] off(double[] distance, double[] towardsDeg, int rounds) {
        int n = distance.length;
        double[] weight = new double[n];
        Arrays.fill(weight, 1);
        double[] out = new double[n + 1];
        for (int round = 0; round < rounds; round++) {
            double[][] a = new double[3][3];
            double[] b = new double[3];
            for (int s = 0; s < n; s++) {
                double t = Math.toRadians(towardsDeg[s]);
                double[] row = {1, Math.sin(t), Math.cos(t)};
                for (int i = 0; i < 3; i++) {
                    b[i] += weight[s] * row[i] * distance[s];
                    for (int j = 0; j < 3; j++) {
                        a[i][j] += weight[s] * row[i] * row[j];
                    }
                }
            }
            SimpleMatrix x = new SimpleMatrix(a).plus(SimpleMatrix.identity(3).scale(1e-9)).solve(new SimpleMatrix(3, 1, true, b));
            out[n] = x.get(0);
            for (int s = 0; s < n; s++) {
                double t = Math.toRadians(towardsDeg[s]);
                out[s] = distance[s] - x.get(0) - x.get(1) * Math.sin(t) - x.get(2) * Math.cos(t);
                weight[s] = 1 / Math.max(1e-3 * Math.abs(x.get(0)), Math.abs(out[s]));
            }
        }
        return out;
    }

    private static double median(double[] v) {
        Arrays.sort(v);
        return v[v.length / 2];
    }

    /// A straight line through the middle part of a side: its direction, its distance, squares left, samples.
    private static double[] side(Opening o, double about, double wide) {
        double towards = about;
        double distance = 0;
        double square = 0;
        int used = 0;
        for (int round = 0; round < ROUNDS; round++) {
            double sxx = 0;
            double sx = 0;
            double sy = 0;
            double sxy = 0;
            double syy = 0;
            int n = 0;
            for (int i = 0; i < Opening.DIRECTIONS; i++) {
                double a = 360.0 * i / Opening.DIRECTIONS;
                double off = Math.IEEEremainder(a - about, 360);
                if (Math.abs(off) > wide / 2 * MIDDLE) {
                    continue;
                }
                double t = Math.toRadians(Math.IEEEremainder(a - towards, 360));
                double along = o.radius()[i] * Math.sin(t);
                double out = o.radius()[i] * Math.cos(t);
                n++;
                sx += along;
                sy += out;
                sxx += along * along;
                sxy += along * out;
                syy += out * out;
            }
            double det = n * sxx - sx * sx;
            double slope = det > 0 ? (n * sxy - sx * sy) / det : 0;
            double at = (sy - slope * sx) / n;
            towards -= Math.toDegrees(Math.atan(slope));
            distance = at * Math.cos(Math.atan(slope));
            square = Math.max(0, syy - 2 * (slope * sxy + at * sy) + slope * slope * sxx + 2 * slope * at * sx + n * at * at);
            used = n;
        }
        return new double[] {towards, distance, square, used};
    }

    /// Parabola along the middle part of a side, square to its direction.
    private static double bow(Opening o, double about, double wide, double towards) {
        SimpleMatrix a = SimpleMatrix.identity(3).scale(1e-9);
        SimpleMatrix b = new SimpleMatrix(3, 1);
        double reach = 1e-9;
        for (int i = 0; i < Opening.DIRECTIONS; i++) {
            double at = 360.0 * i / Opening.DIRECTIONS;
            if (Math.abs(Math.IEEEremainder(at - about, 360)) <= wide / 2 * MIDDLE) {
                double t = Math.toRadians(Math.IEEEremainder(at - towards, 360));
                double along = o.radius()[i] * Math.sin(t);
                SimpleMatrix f = new SimpleMatrix(3, 1, true, 1, along, along * along);
                a = a.plus(f.mult(f.transpose()));
                b = b.plus(f.scale(o.radius()[i] * Math.cos(t)));
                reach = Math.max(reach, Math.abs(along));
            }
        }
        return -a.solve(b).get(2) * reach * reach;
    }

    double usual() {
        return median(distance.clone());
    }

    /// How far each side is out, as a share of the usual distance, from the middle that most sides agree on: one that stands off moves the middle of the area, not theirs.
    double[] departures() {
        double[] off = off(distance, towardsDeg, 20);
        return Arrays.stream(off, 0, blades).map(v -> v / off[blades]).toArray();
    }
}
