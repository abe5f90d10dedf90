package stillglass.benchmarks.fault;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import stillglass.book.data.Shelf;
import stillglass.fault.Sign;
import stillglass.fault.Suspicion;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.sharpness.AssemblyEffect;
import stillglass.optics.sharpness.SpotSurvey;

/// How often a lens that is put together wrongly in some way still looks right in the middle, at the edges and alike in all corners, and how far infinity comes to lie: traced through the shelf's designs, each drawn anew. What is known of a lens
/// nobody has a section of stands on these shares.
public final class SymptomShares {
    private static final double VARIED = 0.05;
    /// A spot this much wider than it should be is seen.
    private static final double SEEN = 1.6;
    private static final double SEEN_UM = 12;
    private static final double CORNERS_APART = 1.5;
    private static final double SIZE_PERCENT = 2;
    private static final int CORNERS = 4;
    private static final double SLIP = 0.04;
    private static final double INFINITY_MM = 0.02;

    private SymptomShares() {}

    /// What one fault looks like.
    /// @param infinityMm absent where nothing focuses
    record Look(String kind, OptionalDouble infinityMm, boolean middle, boolean edges, boolean alike, boolean size) {
        /// What changes nothing that anybody sees is no fault to be found.
        boolean shows() {
            return infinityMm.isPresent() && (Math.abs(infinityMm.getAsDouble()) > 3 * INFINITY_MM || !middle || !edges || !alike || !size);
        }
    }

    public static void main(String[] args) {
        int cases = args.length > 0 ? Integer.parseInt(args[0]) : 600;
        SplittableRandom random = new SplittableRandom(args.length > 1 ? Long.parseLong(args[1]) : 1);
        Map<String, List<Look>> kinds = new LinkedHashMap<>();
        for (int i = 0; i < cases; i++) {
            drawn(i, random).ifPresent(l -> kinds.computeIfAbsent(l.kind, k -> new ArrayList<>()).add(l));
        }
        System.out.println("| kind | cases | middle | edges | corners alike | size | infinity median mm | factor of one deviation |");
        System.out.println("|---|---:|---:|---:|---:|---:|---:|---:|");
        kinds.forEach((k, of) -> {
            double[] log = of.stream().filter(l -> l.infinityMm.isPresent()).mapToDouble(l -> Math.log(Math.max(0.005, Math.abs(l.infinityMm.getAsDouble())))).sorted().toArray();
            double median = Math.exp(log[log.length / 2]);
            double mean = Arrays.stream(log).average().orElse(0);
            double spread = Math.sqrt(Arrays.stream(log).map(v -> (v - mean) * (v - mean)).average().orElse(0));
            System.out.printf(Locale.ROOT, "| %s | %d | %.2f | %.2f | %.2f | %.2f | %.2f | %.1f |%n", k, of.size(), share(of.stream().map(Look::middle).toList()), share(of.stream().map(Look::edges).toList()),
                    share(of.stream().map(Look::alike).toList()), share(of.stream().map(Look::size).toList()), median, Math.exp(spread));
        });
        judge(cases, random);
    }

    /// Whether the right kind is named, on draws of their own, each kind as often as it is met.
    private static void judge(int cases, SplittableRandom random) {
        double weights = 0;
        double first = 0;
        double three = 0;
        double claimed = 0;
        List<Look> looks = new ArrayList<>();
        for (int i = 0; i < cases; i++) {
            drawn(i, random).filter(Look::shows).ifPresent(looks::add);
        }
        for (Look l : looks) {
            Suspicion.Kind truth = Suspicion.Kind.valueOf(l.kind.equals("gap") ? "PROUD" : l.kind.toUpperCase(Locale.ROOT));
            Map<Sign, Boolean> signs = new EnumMap<>(Sign.class);
            signs.put(Sign.MIDDLE, l.middle ^ random.nextDouble() < SLIP);
            signs.put(Sign.EDGES, l.edges ^ random.nextDouble() < SLIP);
            signs.put(Sign.CORNERS, l.alike ^ random.nextDouble() < SLIP);
            signs.put(Sign.SIZE, l.size ^ random.nextDouble() < SLIP);
            List<Suspicion.Cause> causes = Suspicion.of(OptionalDouble.of(l.infinityMm.getAsDouble() + INFINITY_MM * random.nextGaussian()), INFINITY_MM, signs, Suspicion.Record.unknown()).causes();
            double w = truth.often() / looks.stream().filter(x -> x.kind.equals(l.kind)).count();
            weights += w;
            first += causes.getFirst().kind() == truth ? w : 0;
            three += causes.subList(0, 3).stream().anyMatch(c -> c.kind() == truth) ? w : 0;
            claimed += w * causes.getFirst().probability();
        }
        System.out.printf(Locale.ROOT, "%d others that show, each kind as often as it is met: first %.0f %%, among three %.0f %%, claimed of the first %.0f %%%n", looks.size(), 100 * first / weights, 100 * three / weights, 100 * claimed / weights);
    }

    private static double share(List<Boolean> of) {
        return of.stream().filter(b -> b).count() / (double) of.size();
    }

    static Optional<Look> drawn(int i, SplittableRandom random) {
        List<String> ids = new Shelf().sectionIds();
        LensSection design = FaultReport.varied(new Shelf().section(ids.get(i % ids.size())), VARIED, random);
        LensFault fault = FaultReport.fault(design, random);
        try {
            AssemblyEffect effect = AssemblyEffect.of(design, List.of(fault));
            LensSection built = LensFault.apply(design, List.of(fault), LensFault.Seating.RIM).lens();
            List<SpotSurvey> around = IntStream.range(0, CORNERS).mapToObj(k -> SpotSurvey.of(built.withTilts(built.tilts().stream().map(t -> t.turned(2 * Math.PI * k / CORNERS)).toList()), design, List.of(0.0, 0.7, 1.0))).toList();
            SpotSurvey right = SpotSurvey.of(design, design, List.of(0.0, 0.7, 1.0));
            boolean middle = fine(around.getFirst().rmsUm().getFirst(), right.rmsUm().getFirst());
            double[] corners = around.stream().mapToDouble(s -> s.rmsUm().get(2).orElse(1e4)).toArray();
            double mean = Math.sqrt(Arrays.stream(corners).map(v -> v * v).average().orElse(0));
            boolean edges = fine(OptionalDouble.of(mean), right.rmsUm().get(2));
            double most = Arrays.stream(corners).max().orElse(1);
            double least = Arrays.stream(corners).min().orElse(1);
            double size = 100 * (Paraxial.of(built).eflMm() / Paraxial.of(design).eflMm() - 1);
            return Optional.of(new Look(kind(fault), effect.focusShiftMm(), middle, edges, most < CORNERS_APART * least, Math.abs(size) < SIZE_PERCENT));
        } catch (IllegalArgumentException cannotBe) {
            return Optional.empty();
        }
    }

    private static boolean fine(OptionalDouble um, OptionalDouble right) {
        return um.isPresent() && um.getAsDouble() < Math.max(SEEN * right.orElse(0), right.orElse(0) + SEEN_UM);
    }

    private static String kind(LensFault fault) {
        return switch (fault) {
            case LensFault.Reversed r -> "reversed";
            case LensFault.Swapped s -> "swapped";
            case LensFault.SpacerMissing s -> "spacer";
            case LensFault.GapChanged g -> "gap";
            case LensFault.Unseated u -> "leans";
            case LensFault.Decentred d -> "leans";
            default -> "shim";
        };
    }
}
