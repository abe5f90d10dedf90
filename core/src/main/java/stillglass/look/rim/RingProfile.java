package stillglass.look.rim;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.ddogleg.sorting.QuickSelect;
import stillglass.look.Aperture;
import stillglass.look.ApertureMap;
import stillglass.look.LeastSquares;

/// What lies on the rings about one centre, from the smallest glass to the outside of the largest barrel: for every radius how light it is there, how it changes across the ring, and how alike that is all round.
///
/// Radii stand in a geometric row, so that a lens twice as large on the photo is the same profile moved along.
final class RingProfile {
    /// Radii that are looked at.
    static final int RADII = 440;
    /// Logarithm of the ratio of two radii that follow each other.
    static final double STEP = 0.005;
    /// The first radius, shares of the smaller side of the photo.
    private static final double FIRST = 0.09;
    static final int CHANNELS = RingTrait.values().length;
    private static final int DIRECTIONS = 160;
    /// Least change of light times how far more directions agree than that makes an edge.
    private static final double LEAST_EDGE = 0.002;
    private static final double LEAST_AGREEMENT = 0.15;
    private static final double SOFT = 0.1;
    private static final double MOST = 1;
    private static final int FEWEST = DIRECTIONS / 6;
    private static final double[] COS = IntStream.range(0, DIRECTIONS).mapToDouble(k -> Math.cos(2 * Math.PI * k / DIRECTIONS)).toArray();
    private static final double[] SIN = IntStream.range(0, DIRECTIONS).mapToDouble(k -> Math.sin(2 * Math.PI * k / DIRECTIONS)).toArray();

    /// In radii of the family by row.
    private final double[] u;
    /// Of each [RingTrait] a row for every radius.
    final float[][] channels;
    final Aperture family;

    RingProfile(Aperture family, double[] u, float[][] channels) {
        this.family = family;
        this.u = u;
        this.channels = channels;
    }

    /// The same rings as another camera shows them.
    /// @param contrast logarithms of light and their differences are so many times as large
    /// @param exposure how much lighter all of it is, logarithm
    float[][] taken(double contrast, double exposure) {
        float[][] out = new float[CHANNELS][RADII];
        for (RingTrait t : RingTrait.values()) {
            for (int i = 0; i < RADII; i++) {
                float v = channels[t.ordinal()][i];
                out[t.ordinal()][i] = t.light ? (float) (v * contrast + (t == RingTrait.EXPOSURE ? exposure : 0)) : v;
            }
        }
        return out;
    }

    /// The rows on which light changes most among their neighbours, in most directions to the same side.
    boolean[] edges() {
        boolean[] out = new boolean[RADII];
        for (int i = 1; i + 1 < RADII; i++) {
            double here = strength(i);
            out[i] = here > LEAST_EDGE && here >= strength(i - 1) && here > strength(i + 1);
        }
        return out;
    }

    private double strength(int i) {
        return Math.abs(channels[RingTrait.FINE_STEP.ordinal()][i]) * Math.max(0, Math.abs(channels[RingTrait.AGREEMENT.ordinal()][i]) - LEAST_AGREEMENT);
    }

    /// The ring of a row.
    Aperture ring(int row) {
        return family.about(u[row]);
    }

    /// @param family an ellipse about whose centre several edges lie
    static RingProfile of(EdgePhoto photo, Aperture family) {
        double[] u = new double[RADII];
        float[][] light = new float[RADII][DIRECTIONS];
        ApertureMap map = family.map();
        for (int i = 0; i < RADII; i++) {
            u[i] = FIRST * photo.side() * Math.exp(STEP * i) / family.meanRadius();
            for (int k = 0; k < DIRECTIONS; k++) {
                light[i][k] = (float) photo.at(map, u[i] * COS[k], u[i] * SIN[k]);
            }
        }
        float[][] out = new float[CHANNELS][RADII];
        double[] middles = new double[RADII];
        Row row = new Row(out);
        for (int i = 0; i < RADII; i++) {
            middles[i] = row.middle(light[i]);
        }
        double[] known = Arrays.stream(middles).filter(v -> !Double.isNaN(v)).toArray();
        double usual = known.length == 0 ? 0 : LeastSquares.median(known);
        for (int i = 0; i < RADII; i++) {
            if (!Double.isNaN(middles[i])) {
                row.describe(light, i, usual);
            }
            out[RingTrait.RADIUS.ordinal()][i] = (float) Math.log(u[i] * family.meanRadius() / photo.side());
            out[RingTrait.UNSEEN.ordinal()][i] = Double.isNaN(middles[i]) ? 1 : 0;
        }
        return new RingProfile(family, u, out);
    }

    /// Works out one ring after the other in the same memory.
    private static final class Row {
        private final double[] seen = new double[DIRECTIONS];
        private final float[] change = new float[DIRECTIONS];
        private final float[][] out;
        private int row;

        Row(float[][] out) {
            this.out = out;
        }

        private void put(RingTrait trait, double value) {
            out[trait.ordinal()][row] = (float) value;
        }

        /// Keeps what lies inside the photo.
        /// @return how much that is
        private int see(float[] values) {
            int n = 0;
            for (float v : values) {
                if (!Float.isNaN(v)) {
                    seen[n++] = v;
                }
            }
            return n;
        }

        /// Of what lies inside the photo; no number where little does.
        double middle(float[] values) {
            int n = see(values);
            return n < FEWEST ? Double.NaN : QuickSelect.select(seen, n / 2, n);
        }

        /// @param usual the middle of the middles of all rings, this one's among them
        void describe(float[][] light, int i, double usual) {
            row = i;
            int n = see(light[i]);
            double lower = QuickSelect.select(seen, n / 4, n);
            double middle = QuickSelect.select(seen, n / 2, n);
            double upper = QuickSelect.select(seen, 3 * n / 4, n);
            put(RingTrait.LIGHT, middle - usual);
            put(RingTrait.LOWER, lower - middle);
            put(RingTrait.UPPER, upper - middle);
            put(RingTrait.EXPOSURE, middle);
            put(RingTrait.SEEN, n / (double) DIRECTIONS);
            change(light, i, 1, 1);
            put(RingTrait.FINE_STEP, middle());
            change(light, i, 2, 2);
            put(RingTrait.STEP, middle());
            put(RingTrait.AGREEMENT, agreement());
            put(RingTrait.SIZE, size());
            put(RingTrait.ASIDE, harmonic(1));
            change(light, i, 2, 9);
            put(RingTrait.WIDE_STEP, middle());
            put(RingTrait.WIDE_AGREEMENT, agreement());
            change(light, i, 8, 30);
            put(RingTrait.FAR_STEP, middle());
            for (int k = 0; k < DIRECTIONS; k++) {
                change[k] = Math.abs(light[i][(k + 1) % DIRECTIONS] - light[i][k]);
            }
            put(RingTrait.MARKS, middle());
            for (int k = 0; k < DIRECTIONS; k++) {
                change[k] = (float) Math.clamp(light[i][k] - middle, -MOST, MOST);
            }
            put(RingTrait.ONCE, harmonic(1));
            put(RingTrait.TWICE, harmonic(2));
        }

        /// Light further out less light further in, over some rows on either side.
        private void change(float[][] light, int i, int from, int to) {
            Arrays.fill(change, 0);
            int n = 0;
            for (int d = from; d <= to; d += Math.max(1, (to - from) / 4)) {
                int outer = Math.min(RADII - 1, i + d);
                int inner = Math.max(0, i - d);
                for (int k = 0; k < DIRECTIONS; k++) {
                    change[k] += light[outer][k] - light[inner][k];
                }
                n++;
            }
            for (int k = 0; k < DIRECTIONS; k++) {
                change[k] /= n;
            }
        }

        private float middle() {
            double m = middle(change);
            return Double.isNaN(m) ? 0 : (float) m;
        }

        private float agreement() {
            double sum = 0;
            int n = 0;
            for (float v : change) {
                if (!Float.isNaN(v)) {
                    sum += Math.tanh(v / SOFT);
                    n++;
                }
            }
            return n == 0 ? 0 : (float) (sum / n);
        }

        private float size() {
            double sum = 0;
            int n = 0;
            for (float v : change) {
                if (!Float.isNaN(v)) {
                    sum += Math.min(MOST, Math.abs(v));
                    n++;
                }
            }
            return n == 0 ? 0 : (float) (sum / n);
        }

        /// How much of it goes up and down so many times round.
        private float harmonic(int times) {
            double c = 0;
            double s = 0;
            int n = 0;
            for (int k = 0; k < DIRECTIONS; k++) {
                if (!Float.isNaN(change[k])) {
                    double v = Math.clamp(change[k], -MOST, MOST);
                    c += v * COS[times * k % DIRECTIONS];
                    s += v * SIN[times * k % DIRECTIONS];
                    n++;
                }
            }
            return n == 0 ? 0 : (float) (2 * Math.sqrt(c * c + s * s) / n);
        }
    }
}
