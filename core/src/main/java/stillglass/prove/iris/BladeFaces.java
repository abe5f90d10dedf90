package stillglass.prove.iris;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.ejml.simple.SimpleMatrix;
import stillglass.prove.edge.LightPlane;
import stillglass.say.Said;

/// Faces of closed blades in a photo by light from the front: where they glint, as a wet film does, and where they are darker, as spots of oil or rust are.
///
/// Blades are alike and lie evenly round the opening, and the light on them changes slowly all round. So every place is compared with the same place of the other blades: their median after a
/// slow wave round the ring was divided out. What all blades share, their edges above all, does not count; a film that covers all of them evenly is therefore not seen.
///
/// @param blades that were compared
/// @param places that stand out, the largest first
/// @param wetShare of the faces that glint
/// @param spottedShare of them that is darker
public record BladeFaces(int blades, List<Place> places, double wetShare, double spottedShare) {
    private static final int ROWS = 24;
    private static final int STEPS = 720;
    private static final double FROM = 1.08;
    private static final int STEEP = 6;
    private static final int WAVES = 2;
    private static final int ROUNDS = 3;
    private static final int BESIDE = 5;
    private static final double LEAST_SHARE = 0.08;
    private static final double SIGMAS = 5;
    private static final double LEAST_AREA = 0.0015;
    private static final int MOST_TOLD = 6;

    /// @param towardsDeg direction, degrees clockwise from 12 as the photo lies
    /// @param out distance from the middle as a share of the way from the opening to the rim
    /// @param share of the faces it covers
    /// @param departs light over that of the other blades, less 1: above 0 for a glint
    public record Place(double towardsDeg, double out, double share, double departs) {
        public Said said() {
            int hour = (int) Math.round(towardsDeg / 30);
            return Said.of(departs > 0 ? "blades.wet" : "blades.spot", "clock", hour == 0 ? 12 : hour, "percent", 100 * share);
        }
    }

    /// What is said when no blades are seen.
    public static final Said NONE = Said.of("blades.none");

    public BladeFaces {
        places = List.copyOf(places);
    }

    /// @param closed blades in reflected light, the opening in the middle of them darker or brighter than they are
    /// @param blades how many there are
    /// @param rim distance to which blades are seen, as a share of the mean radius of the opening, above 1.3
    /// @return empty when no opening is found, or the rim lies beyond the photo
    public static Optional<BladeFaces> of(LightPlane closed, int blades, double rim) {
        if (blades < 3 || blades > 24 || !(rim > 1.3)) {
            return Optional.empty();
        }
        // The dark hole in the middle of lit blades; a bright ground behind it does as well.
        return hole(closed, rim, true).or(() -> hole(closed, rim, false)).map(o -> read(closed, o, blades, rim));
    }

    /// What is darkest or brightest by far, where blades round it would lie in the photo.
    private static Optional<Opening> hole(LightPlane p, double rim, boolean dark) {
        float top = 0;
        for (float v : p.light()) {
            top = Math.max(top, v);
        }
        float[] steep = new float[p.light().length];
        for (int i = 0; i < steep.length && top > 0; i++) {
            double v = Math.max(0, p.light()[i] / top);
            steep[i] = (float) Math.pow(dark ? 1 - v : v, STEEP);
        }
        return Opening.in(new LightPlane(p.width(), p.height(), steep)).filter(o -> {
            double reach = rim * o.meanRadius();
            return o.cx() > reach && o.cy() > reach && o.cx() + reach < p.width() - 1 && o.cy() + reach < p.height() - 1;
        });
    }

    private static BladeFaces read(LightPlane p, Opening o, int blades, double rim) {
        double from = FROM * o.longest();
        double to = rim * o.meanRadius();
        double[][] off = new double[ROWS][];
        for (int r = 0; r < ROWS; r++) {
            double radius = from + (to - from) * (r + 0.5) / ROWS;
            double[] light = new double[STEPS];
            for (int i = 0; i < STEPS; i++) {
                double a = 2 * Math.PI * i / STEPS;
                light[i] = Math.max(1e-6, p.between(o.cx() + radius * Math.sin(a), o.cy() - radius * Math.cos(a)));
            }
            off[r] = departures(light, blades);
        }
        double[] all = Arrays.stream(off).flatMapToDouble(Arrays::stream).map(Math::abs).sorted().toArray();
        double limit = Math.max(LEAST_SHARE, SIGMAS * 1.4826 * all[all.length / 2]);
        List<Place> places = patches(off, limit, from, to);
        double wet = places.stream().filter(x -> x.departs > 0).mapToDouble(Place::share).sum();
        double spotted = places.stream().filter(x -> x.departs < 0).mapToDouble(Place::share).sum();
        return new BladeFaces(blades, places, wet, spotted);
    }

    public List<Said> said() {
        return places.stream().limit(MOST_TOLD).map(Place::said).toList();
    }

    /// Light of every step over that of the same place on the other blades, less 1.
    private static double[] departures(double[] light, int blades) {
        double[] log = Arrays.stream(light).map(Math::log).toArray();
        boolean[] left = new boolean[STEPS];
        double[] slow = new double[STEPS];
        double[] alike = alike(log, slow, blades);
        double[] out = new double[STEPS];
        for (int round = 0; round < ROUNDS; round++) {
            // The wave is fitted to what the blades do not share: else what is left out would take part of their pattern with it.
            double[] shared = alike;
            slow = slow(IntStream.range(0, STEPS).mapToDouble(i -> log[i] - shared[i]).toArray(), left);
            alike = alike(log, slow, blades);
            for (int i = 0; i < STEPS; i++) {
                out[i] = Math.exp(log[i] - slow[i] - alike[i]) - 1;
            }
            for (int i = 0; i < STEPS; i++) {
                for (int k = -BESIDE; k <= BESIDE; k++) {
                    left[i] |= Math.abs(out[Math.floorMod(i + k, STEPS)]) > LEAST_SHARE;
                }
            }
        }
        return out;
    }

    /// Median over all blades of every place on them.
    private static double[] alike(double[] log, double[] slow, int blades) {
        double[] out = new double[STEPS];
        double[] same = new double[blades];
        for (int i = 0; i < STEPS; i++) {
            for (int b = 0; b < blades; b++) {
                int at = Math.floorMod((int) Math.round(i + (double) b * STEPS / blades), STEPS);
                same[b] = log[at] - slow[at];
            }
            Arrays.sort(same);
            out[i] = (same[blades / 2] + same[(blades - 1) / 2]) / 2;
        }
        return out;
    }

    /// Mean and two waves round the ring, fitted without what stands out.
    private static double[] slow(double[] log, boolean[] without) {
        SimpleMatrix a = SimpleMatrix.identity(2 * WAVES + 1).scale(1e-9);
        SimpleMatrix b = new SimpleMatrix(2 * WAVES + 1, 1);
        for (int i = 0; i < STEPS; i++) {
            if (!without[i]) {
                SimpleMatrix f = wave(i);
                a = a.plus(f.mult(f.transpose()));
                b = b.plus(f.scale(log[i]));
            }
        }
        SimpleMatrix x = a.solve(b);
        return IntStream.range(0, STEPS).mapToDouble(i -> wave(i).dot(x)).toArray();
    }

    private static SimpleMatrix wave(int i) {
        SimpleMatrix f = new SimpleMatrix(2 * WAVES + 1, 1);
        f.set(0, 1);
        for (int k = 1; k <= WAVES; k++) {
            f.set(2 * k - 1, Math.cos(2 * Math.PI * k * i / STEPS));
            f.set(2 * k, Math.sin(2 * Math.PI * k * i / STEPS));
        }
        return f;
    }

    /// Neighbouring steps that stand out on one side.
    private static List<Place> patches(double[][] off, double limit, double from, double to) {
        boolean[][] seen = new boolean[ROWS][STEPS];
        double whole = 0;
        for (int r = 0; r < ROWS; r++) {
            whole += STEPS * (from + (to - from) * (r + 0.5) / ROWS);
        }
        List<Place> out = new ArrayList<>();
        for (int r = 0; r < ROWS; r++) {
            for (int i = 0; i < STEPS; i++) {
                if (!seen[r][i] && Math.abs(off[r][i]) > limit) {
                    Place p = grown(off, seen, r, i, limit, from, to, whole);
                    if (p.share > LEAST_AREA) {
                        out.add(p);
                    }
                }
            }
        }
        out.sort(Comparator.comparingDouble(p -> -p.share));
        return out;
    }

    private static Place grown(double[][] off, boolean[][] seen, int row, int step, double limit, double from, double to, double whole) {
        double sign = Math.signum(off[row][step]);
        ArrayDeque<int[]> next = new ArrayDeque<>();
        next.add(new int[] {row, step});
        seen[row][step] = true;
        double area = 0;
        double sin = 0;
        double cos = 0;
        double far = 0;
        double sum = 0;
        while (!next.isEmpty()) {
            int[] at = next.remove();
            double share = (at[0] + 0.5) / ROWS;
            double w = from + (to - from) * share;
            double a = 2 * Math.PI * at[1] / STEPS;
            area += w;
            sin += w * Math.sin(a);
            cos += w * Math.cos(a);
            far += w * share;
            sum += w * off[at[0]][at[1]];
            for (int[] d : new int[][] {{1, 0}, {-1, 0}, {0, 1}, {0, -1}}) {
                int r = at[0] + d[0];
                int i = Math.floorMod(at[1] + d[1], STEPS);
                if (r >= 0 && r < ROWS && !seen[r][i] && off[r][i] * sign > limit) {
                    seen[r][i] = true;
                    next.add(new int[] {r, i});
                }
            }
        }
        double deg = Math.toDegrees(Math.atan2(sin, cos));
        return new Place(deg < 0 ? deg + 360 : deg, far / area, area / whole, sum / area);
    }
}
