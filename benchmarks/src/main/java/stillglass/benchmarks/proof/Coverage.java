package stillglass.benchmarks.proof;

import java.io.PrintStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.IntStream;

/// Measures of every quantity how often the truth lies within two stated standard deviations.
///
/// `java -cp benchmarks/target/benchmarks.jar stillglass.benchmarks.proof.Coverage [CASES [SEED]]`
public final class Coverage {
    private static final int USUAL = 400;

    private Coverage() {}

    /// One case of a quantity; NaN figures are cases that were refused.
    record Case(double truth, double value, double sigma) {}

    /// Draws and measures one case.
    @FunctionalInterface
    interface Drawn {
        Case next(SplittableRandom random);
    }

    public static void main(String[] args) {
        int cases = args.length > 0 ? Integer.parseInt(args[0]) : USUAL;
        long seed = args.length > 1 ? Long.parseLong(args[1]) : System.nanoTime();
        print(cases, seed, System.out);
    }

    static Map<String, Drawn> quantities() {
        Map<String, Drawn> all = new LinkedHashMap<>();
        all.put("speed", Traces::speed);
        all.put("evenness", Traces::evenness);
        all.put("time to close", Traces::closing);
        all.put("torque", Traces::torque);
        all.put("breakaway", Traces::breakaway);
        all.put("sharpness", Pictures::sharpness);
        all.put("opening", Pictures::opening);
        all.put("veil, one photo", r -> Pictures.veil(r, false));
        all.put("veil, two exposures", r -> Pictures.veil(r, true));
        all.put("turn of a lever", Pictures::lever);
        all.put("distance scale", Traces::scale);
        return all;
    }

    static void print(int cases, long seed, PrintStream out) {
        out.printf(Locale.ROOT, "%d cases each, seed %d%n", cases, seed);
        out.println("| quantity | within two deviations | stated, median | error, root mean square | refused |");
        out.println("|---|---:|---:|---:|---:|");
        quantities().forEach((name, drawn) -> {
            SplittableRandom root = new SplittableRandom(seed + name.hashCode());
            List<SplittableRandom> each = new ArrayList<>();
            IntStream.range(0, cases).forEach(i -> each.add(root.split()));
            List<Case> all = each.parallelStream().map(drawn::next).toList();
            Case[] read = all.stream().filter(c -> Double.isFinite(c.value())).toArray(Case[]::new);
            double within = Arrays.stream(read).filter(c -> Math.abs(c.value() - c.truth()) <= 2 * c.sigma()).count() / (double) read.length;
            double[] shares = Arrays.stream(read).mapToDouble(c -> c.sigma() / Math.max(1e-12, Math.abs(scale(name, c)))).sorted().toArray();
            double rms = Math.sqrt(Arrays.stream(read).mapToDouble(c -> Math.pow((c.value() - c.truth()) / scale(name, c), 2)).average().orElse(Double.NaN));
            String unit = relative(name) ? " %" : name.equals("evenness") || name.equals("opening") ? " EV" : " °";
            double times = relative(name) ? 100 : 1;
            out.printf(Locale.ROOT, "| %s | %.1f %% | %.3g%s | %.3g%s | %d |%n", name, 100 * within, times * shares[shares.length / 2], unit, times * rms, unit, all.size() - read.length);
        });
    }

    private static boolean relative(String name) {
        return !name.equals("evenness") && !name.equals("opening") && !name.startsWith("turn") && !name.equals("distance scale");
    }

    private static double scale(String name, Case c) {
        return relative(name) ? c.truth() : 1;
    }
}
