package stillglass.prove.feel;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import org.ejml.simple.SimpleMatrix;
import stillglass.say.Said;

/// Turning moment of a control over the angle it is turned by: what it takes on the way, what it takes to start, how uneven it is, and where it binds.
///
/// The start is what is turned through first, 4 % of the way and 3° at least. The rest is a level, a drift over the way, and waves: as many harmonics of a turn as the way holds half
/// waves of, six at most. What is left is roughness. Neighbouring readings of one place are alike, so the error of the mean counts one reading for each stretch over which they are.
///
/// @param meanNmm on the way, N·mm
/// @param sigmaNmm one standard deviation of it
/// @param breakawayNmm the most it takes to start
/// @param breakawaySigmaNmm one standard deviation of it
/// @param unevenShare root mean square of all waves over the mean
/// @param tightestDeg where the waves are highest, degrees from where it began
/// @param roughShare root mean square of what is left over the mean
/// @param harmonics size of each harmonic of a turn, N·mm, the first first; none where the way is too short
/// @param binds places that stand out of the waves
public record TorqueReading(double meanNmm, double sigmaNmm, double breakawayNmm, double breakawaySigmaNmm, double unevenShare, OptionalDouble tightestDeg, double roughShare, List<Double> harmonics,
        List<Bind> binds, List<Said> diagnostics) {
    private static final double START_SHARE = 0.04;
    private static final double START_DEG = 3;
    private static final int MOST_HARMONICS = 6;
    private static final int FEWEST = 20;
    private static final double LEAST_ALIKE = 0.03;
    /// Waves that are fitted take likeness of neighbours with them: each counts four times.
    private static final double FITTED = 4;
    private static final double BINDS_SIGMAS = 4;
    private static final double BINDS_SHARE = 0.12;
    private static final double STICKS = 1.5;
    private static final double UNEVEN = 0.15;

    /// A place where it is tight.
    /// @param atDeg degrees from where it began
    /// @param wideDeg over how many
    /// @param aboveNmm above the waves
    public record Bind(double atDeg, double wideDeg, double aboveNmm) {}

    public TorqueReading {
        harmonics = List.copyOf(harmonics);
        binds = List.copyOf(binds);
        diagnostics = List.copyOf(diagnostics);
    }

    /// @param deg angles, rising or falling throughout
    /// @param nmm turning moment at each, of either sign
    /// @throws IllegalArgumentException when there are fewer than twenty readings or they go nowhere
    public static TorqueReading of(double[] deg, double[] nmm) {
        int n = deg.length;
        if (n < FEWEST || nmm.length != n) {
            throw new IllegalArgumentException(n + " readings are too few: take at least " + FEWEST + " over the way");
        }
        double way = Math.abs(deg[n - 1] - deg[0]);
        if (!(way > 2 * START_DEG)) {
            throw new IllegalArgumentException("the readings go over " + way + "°: turn the control by more");
        }
        double[] at = new double[n];
        double[] m = new double[n];
        double sign = Math.signum(Arrays.stream(nmm).sum());
        for (int i = 0; i < n; i++) {
            at[i] = Math.abs(deg[i] - deg[0]);
            m[i] = nmm[i] * (sign == 0 ? 1 : sign);
        }
        double start = Math.max(START_DEG, START_SHARE * way);
        int from = 0;
        while (from < n - FEWEST / 2 && at[from] < start) {
            from++;
        }
        double breakaway = Arrays.stream(m, 0, Math.max(1, from)).max().orElse(m[0]);
        double[] a = Arrays.copyOfRange(at, from, n);
        double[] v = Arrays.copyOfRange(m, from, n);
        int waves = Math.min(MOST_HARMONICS, way >= 180 ? (int) Math.floor(way / 90) : 0);
        SimpleMatrix fit = fit(a, v, waves, way);
        double[] left = new double[a.length];
        double[] wave = new double[a.length];
        for (int i = 0; i < a.length; i++) {
            double[] row = row(a[i], waves, way);
            double whole = 0;
            for (int k = 0; k < row.length; k++) {
                whole += row[k] * fit.get(k);
                wave[i] += k >= 2 ? row[k] * fit.get(k) : 0;
            }
            left[i] = v[i] - whole;
        }
        double mean = Arrays.stream(v).average().orElseThrow();
        double rough = rms(left);
        double alike = alike(left);
        List<Double> harmonics = new ArrayList<>();
        for (int k = 1; k <= waves; k++) {
            harmonics.add(Math.hypot(fit.get(2 * k), fit.get(2 * k + 1)));
        }
        int tight = 0;
        for (int i = 0; i < wave.length; i++) {
            tight = wave[i] > wave[tight] ? i : tight;
        }
        List<Bind> binds = binds(a, left, rough, mean);
        double uneven = waves == 0 ? 0 : rms(wave) / mean;
        return new TorqueReading(mean, Math.max(1e-9, rough * Math.sqrt(alike / Math.max(1, a.length - FITTED * alike * (2 + 2 * waves)))), breakaway, rough, uneven, waves == 0 ? OptionalDouble.empty() : OptionalDouble.of(a[tight]), rough / mean, harmonics, binds,
                notes(mean, breakaway, rough, uneven, waves == 0 ? OptionalDouble.empty() : OptionalDouble.of(a[tight]), binds));
    }

    private static List<Said> notes(double mean, double breakaway, double rough, double uneven, OptionalDouble tightest, List<Bind> binds) {
        List<Said> out = new ArrayList<>();
        if (breakaway > STICKS * mean && breakaway - mean > 4 * rough) {
            out.add(Said.of("torque.sticks", "times", breakaway / mean));
        }
        if (uneven > UNEVEN) {
            out.add(Said.of("torque.uneven", "percent", 100 * uneven, "deg", tightest.orElse(0)));
        }
        for (Bind b : binds) {
            out.add(Said.of("torque.binds", "deg", b.atDeg, "wide", b.wideDeg, "above", b.aboveNmm));
        }
        return out;
    }

    private static double[] row(double deg, int waves, double way) {
        double[] row = new double[2 + 2 * waves];
        row[0] = 1;
        row[1] = deg / way - 0.5;
        for (int k = 1; k <= waves; k++) {
            row[2 * k] = Math.cos(Math.toRadians(k * deg));
            row[2 * k + 1] = Math.sin(Math.toRadians(k * deg));
        }
        return row;
    }

    private static SimpleMatrix fit(double[] a, double[] v, int waves, double way) {
        SimpleMatrix x = new SimpleMatrix(a.length, 2 + 2 * waves);
        SimpleMatrix y = new SimpleMatrix(a.length, 1);
        for (int i = 0; i < a.length; i++) {
            x.setRow(i, 0, row(a[i], waves, way));
            y.set(i, v[i]);
        }
        SimpleMatrix normal = x.transpose().mult(x);
        // Over less than a turn waves and drift are nearly alike: a little ridge keeps both small.
        for (int k = 1; k < normal.getNumRows(); k++) {
            normal.set(k, k, normal.get(k, k) + 1e-3 * a.length);
        }
        return normal.solve(x.transpose().mult(y));
    }

    private static double rms(double[] v) {
        return Math.sqrt(Arrays.stream(v).map(x -> x * x).average().orElse(0));
    }

    /// Over how many readings they are alike: one and twice the correlation with those next to it.
    private static double alike(double[] v) {
        double square = Arrays.stream(v).map(x -> x * x).sum();
        double sum = 1;
        for (int lag = 1; lag < v.length / 3 && square > 0; lag++) {
            double product = 0;
            for (int i = 0; i + lag < v.length; i++) {
                product += v[i] * v[i + lag];
            }
            double r = product / square;
            if (r < LEAST_ALIKE) {
                break;
            }
            sum += 2 * r;
        }
        return sum;
    }

    /// Stretches that stand out of a robust spread.
    private static List<Bind> binds(double[] a, double[] left, double rough, double mean) {
        double[] sorted = Arrays.stream(left).map(Math::abs).sorted().toArray();
        double spread = Math.max(1.4826 * sorted[sorted.length / 2], 0.1 * rough);
        double limit = Math.max(BINDS_SIGMAS * spread, BINDS_SHARE * mean);
        List<Bind> out = new ArrayList<>();
        int from = -1;
        for (int i = 0; i <= left.length; i++) {
            boolean above = i < left.length && left[i] > limit / 2;
            if (above && from < 0) {
                from = i;
            } else if (!above && from >= 0) {
                double most = Arrays.stream(left, from, i).max().orElse(0);
                if (most > limit && i - from >= 2) {
                    int top = from;
                    for (int k = from; k < i; k++) {
                        top = left[k] > left[top] ? k : top;
                    }
                    out.add(new Bind(a[top], a[i - 1] - a[from], most));
                }
                from = -1;
            }
        }
        return out;
    }
}
