package stillglass.prove.iris;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import stillglass.prove.edge.LightPlane;
import stillglass.say.Said;

/// Whether a ring, a lever and an iris move together, from two photos of one side at two settings of the ring: how far the lever turned, and how the opening changed against what the ring says.
///
/// Both photos are taken from one place with the same light. What turned about the middle of the opening is looked for outside of it: for every distance from the middle the photos' own ring is the
/// background, and what stands out of it in one photo only is laid over what stands out in the other only.
///
/// @param leverDeg by which the lever turned from the first setting to the second, clockwise as the photo lies; empty when nothing moved outside the opening
/// @param leverSigmaDeg one standard deviation of it
/// @param evChange light at the second setting against the first
/// @param evShould what the ring says
/// @param evSigma one standard deviation of the change
/// @param meets what is concluded
public record CouplingReading(OptionalDouble leverDeg, double leverSigmaDeg, double evChange, double evShould, double evSigma, Meets meets) {
    private static final double LN2 = Math.log(2);
    private static final int STEPS = 1440;
    private static final double OUTSIDE = 1.12;
    private static final int ROWS_PER_GROUP = 4;
    private static final int GROUPS = 8;
    /// What differs by less than so many deviations of the noise has not moved.
    private static final double STANDS_OUT = 5;
    /// A lever is seen when this much of what left one place is found at another.
    private static final double LIKE = 0.5;
    private static final double LEAST_DEG = 0.75;
    private static final double LEAST_SIGMA_DEG = 0.02;
    /// A camera that was touched between both photos, one standard deviation.
    private static final double TOUCHED_PX = 0.18;
    /// An opening that changed by less than this share of what it should has not followed.
    private static final double FOLLOWS = 0.15;
    private static final double OFF_EV = 0.25;

    /// How ring, lever and iris go together.
    public enum Meets {
        /// Lever and opening follow the ring.
        MEETS,
        /// Both follow, but the opening not as the ring says.
        OFF,
        /// The lever moves and the opening does not: fork and pin have not met.
        APART,
        /// The opening follows and no lever is seen.
        NO_LEVER,
        /// Neither moves.
        STILL
    }

    /// @return empty when an opening is not seen whole in both
    public static Optional<CouplingReading> of(IrisReading.Taken first, IrisReading.Taken second) {
        if (first.photo().width() != second.photo().width() || first.photo().height() != second.photo().height()) {
            return Optional.empty();
        }
        Optional<Opening> a = Opening.in(first.photo());
        Optional<Opening> b = Opening.in(second.photo());
        if (a.isEmpty() || b.isEmpty()) {
            return Optional.empty();
        }
        double ev = Math.log(b.get().area() / a.get().area()) / LN2;
        double should = -2 * Math.log(second.fNumber() / first.fNumber()) / LN2;
        double sigma = Math.hypot(IrisReading.sigma(a.get()), IrisReading.sigma(b.get()));
        Opening wide = a.get().meanRadius() > b.get().meanRadius() ? a.get() : b.get();
        Optional<Turn> turn = turn(first.photo(), second.photo(), wide);
        boolean follows = Math.abs(ev) > Math.max(FOLLOWS * Math.abs(should), 2 * sigma);
        boolean off = Math.abs(ev - should) > OFF_EV && Math.abs(ev - should) > 2 * sigma;
        Meets meets = turn.isEmpty() ? follows ? Meets.NO_LEVER : Meets.STILL : !follows ? Meets.APART : off ? Meets.OFF : Meets.MEETS;
        return Optional.of(new CouplingReading(turn.map(t -> OptionalDouble.of(t.deg)).orElse(OptionalDouble.empty()), turn.map(Turn::sigma).orElse(0.0), ev, should, sigma, meets));
    }

    /// Light that the opening lets through against what the ring says, EV.
    public double errorEv() {
        return evChange - evShould;
    }

    public Said said() {
        return Said.of("coupling." + meets.name().toLowerCase(Locale.ROOT).replace('_', '-'), "deg", leverDeg.orElse(0), "ev", evChange, "should", evShould, "off", Math.abs(errorEv()));
    }

    private record Turn(double deg, double sigma) {}

    private static Optional<Turn> turn(LightPlane a, LightPlane b, Opening middle) {
        double from = OUTSIDE * middle.longest();
        double to = Math.min(Math.min(middle.cx(), a.width() - 1 - middle.cx()), Math.min(middle.cy(), a.height() - 1 - middle.cy())) - 1;
        int rows = GROUPS * ROWS_PER_GROUP;
        if (!(to > from + rows / 2.0)) {
            return Optional.empty();
        }
        double[][] left = new double[rows][STEPS];
        double[][] came = new double[rows][STEPS];
        for (int r = 0; r < rows; r++) {
            double radius = from + (to - from) * (r + 0.5) / rows;
            double[] x = ring(a, middle, radius);
            double[] y = ring(b, middle, radius);
            double ground = median(join(x, y));
            double[] change = new double[STEPS];
            for (int i = 0; i < STEPS; i++) {
                change[i] = Math.abs(x[i] - y[i]);
            }
            // Half of a ring and more lies still.
            double limit = STANDS_OUT * 1.4826 * median(change) + 0.01 * Math.max(1e-3, ground);
            for (int i = 0; i < STEPS; i++) {
                if (change[i] > limit) {
                    double in = Math.abs(x[i] - ground);
                    double out = Math.abs(y[i] - ground);
                    left[r][i] = in > out ? x[i] - ground : 0;
                    came[r][i] = out > in ? y[i] - ground : 0;
                }
            }
        }
        OptionalDouble all = laid(left, came, -1);
        if (all.isEmpty()) {
            return Optional.empty();
        }
        // Jackknife over the groups of rows.
        double square = 0;
        int counted = 0;
        for (int g = 0; g < GROUPS; g++) {
            OptionalDouble without = laid(left, came, g);
            if (without.isPresent()) {
                double d = Math.IEEEremainder(without.getAsDouble() - all.getAsDouble(), 360);
                square += d * d;
                counted++;
            }
        }
        double jackknife = Math.sqrt(square * Math.max(1, counted - 1) / Math.max(1, counted));
        double sigma = Math.hypot(Math.max(LEAST_SIGMA_DEG, jackknife), Math.toDegrees(TOUCHED_PX / lever(left, from, to)));
        return Math.abs(all.getAsDouble()) < LEAST_DEG ? Optional.empty() : Optional.of(new Turn(all.getAsDouble(), sigma));
    }

    /// Mean distance from the middle of what moved, pixels.
    private static double lever(double[][] left, double from, double to) {
        double sum = 0;
        double weight = 0;
        for (int r = 0; r < left.length; r++) {
            double w = Arrays.stream(left[r]).map(v -> v * v).sum();
            sum += w * (from + (to - from) * (r + 0.5) / left.length);
            weight += w;
        }
        return weight > 0 ? sum / weight : (from + to) / 2;
    }

    /// The turn at which what left lies best over what came; empty when it is not the same thing.
    /// @param without group of rows that is left out, -1 for none
    private static OptionalDouble laid(double[][] left, double[][] came, int without) {
        double[] score = new double[STEPS];
        double here = 0;
        double there = 0;
        for (int r = 0; r < left.length; r++) {
            if (r / ROWS_PER_GROUP == without) {
                continue;
            }
            int[] lit = IntStream.range(0, STEPS).filter(rowLit(left[r])).toArray();
            for (double v : came[r]) {
                there += v * v;
            }
            for (int i : lit) {
                here += left[r][i] * left[r][i];
                for (int s = 0; s < STEPS; s++) {
                    score[s] += left[r][i] * came[r][(i + s) % STEPS];
                }
            }
        }
        int best = IntStream.range(0, STEPS).boxed().max(Comparator.comparingDouble(s -> score[s])).orElse(0);
        if (!(here > 0 && there > 0) || score[best] < LIKE * Math.sqrt(here * there)) {
            return OptionalDouble.empty();
        }
        double l = score[(best + STEPS - 1) % STEPS];
        double r = score[(best + 1) % STEPS];
        double bend = l - 2 * score[best] + r;
        double fine = best + (bend < 0 ? 0.5 * (l - r) / bend : 0);
        return OptionalDouble.of(Math.IEEEremainder(fine * 360 / STEPS, 360));
    }

    private static IntPredicate rowLit(double[] row) {
        return i -> row[i] != 0;
    }

    /// Light on a circle, the first step upwards, clockwise.
    private static double[] ring(LightPlane p, Opening middle, double radius) {
        double[] out = new double[STEPS];
        for (int i = 0; i < STEPS; i++) {
            double turn = 2 * Math.PI * i / STEPS;
            out[i] = p.between(middle.cx() + radius * Math.sin(turn), middle.cy() - radius * Math.cos(turn));
        }
        return out;
    }

    private static double[] join(double[] a, double[] b) {
        double[] out = Arrays.copyOf(a, a.length + b.length);
        System.arraycopy(b, 0, out, a.length, b.length);
        return out;
    }

    private static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}
