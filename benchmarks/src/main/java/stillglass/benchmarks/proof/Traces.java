package stillglass.benchmarks.proof;

import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import stillglass.prove.ScaleTurn;
import stillglass.prove.feel.TorqueReading;
import stillglass.prove.iris.ClosingTrace;
import stillglass.prove.trace.Recording;
import stillglass.prove.trace.ShutterReading;

/// Recordings and tables with a truth in closed form.
final class Traces {
    private static final int RATE = 48_000;

    private Traces() {}

    /// Openings with noise between a fiftieth and a thousandth of the light.
    static Coverage.Case speed(SplittableRandom r) {
        int opens = r.nextInt(4);
        int closes = r.nextInt(4);
        double exposure = Math.pow(2, -r.nextDouble(1, 9.5));
        double flank = Math.min(0.6 * exposure, r.nextDouble(0.0006, 0.0018));
        double noise = 0.4 * Math.pow(10, -r.nextDouble(1.7, 3));
        float[] x = trace(r, exposure, flank, noise, 0, opens, closes);
        double truth = exposure + flank * (mean(opens) + mean(closes) - 1);
        return ShutterReading.of(List.of(Recording.of("speed", RATE, 1, x)), ShutterReading.Kind.LEAF, List.of()).map(s -> new Coverage.Case(truth, s.effectiveS(), s.sigmaS()))
                .orElse(new Coverage.Case(truth, Double.NaN, 1));
    }

    private static float[] trace(SplittableRandom r, double exposure, double flank, double noise, double later, int opens, int closes) {
        float[] x = new float[(int) (RATE * (0.5 + exposure + later))];
        for (int i = 0; i < x.length; i++) {
            double t = (double) i / RATE - 0.25 - later;
            double up = Math.clamp(t / flank + 0.5, 0, 1);
            double down = Math.clamp((exposure - t) / flank + 0.5, 0, 1);
            double v = Math.min(flank(up, opens), flank(down, closes));
            x[i] = (float) (0.4 * v + noise * r.nextGaussian());
        }
        return x;
    }

    /// Light of a flank over its time: straight, half a cosine, a power cut at the top, a bell's integral.
    private static double flank(double u, int shape) {
        return switch (shape) {
            case 0 -> u;
            case 1 -> (1 - Math.cos(Math.PI * u)) / 2;
            case 2 -> Math.min(1, 1.15 * Math.pow(u, 1.7));
            default -> Bell.below(6 * (u - 0.5));
        };
    }

    private static double mean(int shape) {
        return IntStream.range(0, 20_000).mapToDouble(i -> flank((i + 0.5) / 20_000, shape)).average().orElseThrow();
    }

    private record Curtains(double truth, ShutterReading read) {}

    private static Curtains curtains(SplittableRandom r, double first, double last, double later) {
        int opens = r.nextInt(4);
        int closes = r.nextInt(4);
        // Curtains run faster at the end of their way.
        double faster = r.nextDouble(0.5, 1);
        double noise = 0.4 * Math.pow(10, -r.nextDouble(1.7, 3));
        double flank = r.nextDouble(0.0003, 0.0006);
        float[] a = trace(r, first, flank, noise, 0.001, opens, closes);
        float[] b = trace(r, last, faster * flank, noise, 0.001 + later, opens, closes);
        int n = Math.max(a.length, b.length);
        float[][] both = new float[2][n];
        for (int i = 0; i < n; i++) {
            both[0][i] = i < a.length ? a[i] : (float) (noise * r.nextGaussian());
            both[1][i] = i < b.length ? b[i] : (float) (noise * r.nextGaussian());
        }
        double more = flank * (mean(opens) + mean(closes) - 1);
        return new Curtains(Math.log((last + faster * more) / (first + more)) / Math.log(2), ShutterReading.of(List.of(Recording.of("curtains", RATE, 1, both)), ShutterReading.Kind.FOCAL_PLANE, List.of(0.1, 0.9)).orElseThrow());
    }

    static Coverage.Case evenness(SplittableRandom r) {
        double first = Math.pow(2, -r.nextDouble(5, 9));
        double ev = r.nextDouble(-0.5, 0.5);
        Curtains c = curtains(r, first, first * Math.pow(2, ev), r.nextDouble(0.006, 0.012));
        return new Coverage.Case(c.truth, c.read.evennessEv().orElse(Double.NaN), c.read.evennessSigmaEv().orElse(1));
    }

    /// The radius falls evenly.
    static Coverage.Case closing(SplittableRandom r) {
        double seconds = r.nextDouble(0.008, 0.12);
        double closed = r.nextDouble(0.1, 0.6);
        double noise = Math.pow(10, -r.nextDouble(2, 3));
        float[] x = new float[(int) (RATE * 1.9)];
        for (int i = 0; i < x.length; i++) {
            double t = (double) i / RATE % 0.6 - 0.15;
            double radius = t > 0.3 ? 1 : 1 - (1 - closed) * Math.clamp(t / seconds, 0, 1);
            x[i] = (float) (0.7 * radius * radius + 0.7 * noise * r.nextGaussian());
        }
        double span = 1 - closed * closed;
        double truth = seconds * (Math.sqrt(closed * closed + 0.95 * span) - Math.sqrt(closed * closed + 0.05 * span)) / (1 - closed);
        return ClosingTrace.of(Recording.of("iris", RATE, 1, x)).map(c -> new Coverage.Case(truth, c.meanS(), c.sigmaS())).orElse(new Coverage.Case(truth, Double.NaN, 1));
    }

    private record Turned(double truth, TorqueReading read) {}

    /// The mean is that over the way which is left after the start: 4 % of it.
    private static Turned turned(SplittableRandom r, double mean, double start) {
        int n = 240;
        double[] deg = new double[n];
        double[] m = new double[n];
        double rough = r.nextDouble(0.01, 0.1) * mean;
        double alike = r.nextDouble(0, 0.8);
        double wave = r.nextDouble(0, 0.2) * mean;
        double phase = r.nextDouble(2 * Math.PI);
        double noise = 0;
        for (int i = 0; i < n; i++) {
            deg[i] = 1.5 * i;
            // Neighbours are alike: a chain whose spread is that of the roughness.
            noise = alike * noise + Math.sqrt(1 - alike * alike) * rough * r.nextGaussian();
            m[i] = (i < 6 ? start : mean) + wave * Math.cos(Math.toRadians(deg[i]) + phase) + noise;
        }
        double whole = 0;
        int counted = 0;
        for (int i = 0; i < n; i++) {
            if (deg[i] >= 0.04 * deg[n - 1]) {
                whole += mean + wave * Math.cos(Math.toRadians(deg[i]) + phase);
                counted++;
            }
        }
        return new Turned(whole / counted, TorqueReading.of(deg, m));
    }

    static Coverage.Case torque(SplittableRandom r) {
        double mean = r.nextDouble(20, 120);
        Turned t = turned(r, mean, 1.6 * mean);
        return new Coverage.Case(t.truth, t.read.meanNmm(), t.read.sigmaNmm());
    }

    /// What it takes to start is the highest of the first readings: the truth holds what the waves add there.
    static Coverage.Case breakaway(SplittableRandom r) {
        double mean = r.nextDouble(20, 120);
        double start = mean * r.nextDouble(1.5, 3);
        int n = 240;
        double[] deg = new double[n];
        double[] m = new double[n];
        double rough = r.nextDouble(0.01, 0.06) * mean;
        for (int i = 0; i < n; i++) {
            deg[i] = 1.5 * i;
            m[i] = (i == 1 ? start : i < 4 ? 0.5 * (start + mean) : mean) + rough * r.nextGaussian();
        }
        TorqueReading t = TorqueReading.of(deg, m);
        return new Coverage.Case(start, t.breakawayNmm(), t.breakawaySigmaNmm());
    }

    /// A ring that slipped by an angle, three distances measured with a tape.
    static Coverage.Case scale(SplittableRandom r) {
        double focal = r.nextDouble(28, 135);
        double lead = r.nextDouble(8, 30);
        double slip = r.nextDouble(-12, 12);
        List<ScaleTurn.At> all = List.of(18.0, 30.0, 60.0).stream().map(k -> {
            double says = k * focal / 1000;
            double extension = thin(says, focal) - slip * lead / 360;
            double magnification = extension / focal;
            double truth = focal * (2 + 1 / magnification + magnification) / 1000;
            double sigma = 0.004 * truth;
            return extension > 0 ? new ScaleTurn.At(says, truth + sigma * r.nextGaussian(), sigma) : new ScaleTurn.At(says, says, 1e6);
        }).toList();
        ScaleTurn t = ScaleTurn.of(all, focal, lead);
        return new Coverage.Case(slip, t.degrees(), t.sigmaDegrees());
    }

    /// Extension of a thin lens for a distance from the film, by halving.
    private static double thin(double distanceM, double focal) {
        double low = 1e-6;
        double high = focal;
        for (int i = 0; i < 80; i++) {
            double middle = (low + high) / 2;
            double image = focal + middle;
            double object = 1 / (1 / focal - 1 / image);
            if (image + object > 1000 * distanceM) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }
}
