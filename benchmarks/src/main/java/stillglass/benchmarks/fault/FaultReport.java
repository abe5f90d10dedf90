package stillglass.benchmarks.fault;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import stillglass.book.data.Shelf;
import stillglass.fault.Diagnosis;
import stillglass.fault.Observation;
import stillglass.look.Progress;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Surface;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.sharpness.AssemblyEffect;
import stillglass.optics.sharpness.SpotSurvey;

/// Puts lenses together wrongly, measures them with errors, and asks what is wrong. The lenses are the designs of the shelf with every radius and distance drawn anew by some per cent, which is the real lens nobody has the numbers
/// of: the diagnosis knows the drawn design, the measurements come from one that departs from it once more.
///
/// `java -cp benchmarks/target/benchmarks.jar stillglass.benchmarks.fault.FaultReport [CASES [SEED]]`
public final class FaultReport {
    private static final double VARIED = 0.03;
    /// How far a real lens is from its design: radii and distances.
    private static final double MADE = 0.0005;
    private static final double INFINITY_MM = 0.02;
    private static final int CORNERS = 4;
    private static final double SPOTS = 0.1;
    private static final int BINS = 10;
    private static final double TOLD = 0.8;

    private FaultReport() {}

    /// @param apart whether the figures could tell it at all: free of errors and on the design itself the right one has four fifths
    private record Judged(String kind, boolean first, boolean three, boolean apart, double claimed, double seconds) {}

    public static void main(String[] args) {
        int cases = args.length > 0 ? Integer.parseInt(args[0]) : 200;
        long seed = args.length > 1 ? Long.parseLong(args[1]) : System.nanoTime();
        SplittableRandom random = new SplittableRandom(seed);
        List<LensSection> designs = new Shelf().sectionIds().stream().map(id -> new Shelf().section(id)).toList();
        List<Judged> all = new ArrayList<>();
        for (int i = 0; i < cases; i++) {
            judged(designs.get(i % designs.size()), random).ifPresent(all::add);
        }
        print(all, seed);
    }

    private static Optional<Judged> judged(LensSection shelf, SplittableRandom random) {
        LensSection design = varied(shelf, VARIED, random);
        LensSection made = varied(design, MADE, random);
        LensFault fault = fault(design, random);
        AssemblyEffect truth;
        AssemblyEffect right;
        try {
            truth = AssemblyEffect.of(made, List.of(fault));
            right = AssemblyEffect.of(made, List.of());
        } catch (IllegalArgumentException cannotBe) {
            return Optional.empty();
        }
        if (truth.focusShiftMm().isEmpty() || truth.now().rmsUm().subList(0, 3).stream().anyMatch(OptionalDouble::isEmpty)) {
            return Optional.empty();
        }
        boolean shows = Math.abs(truth.focusShiftMm().getAsDouble()) > 3 * INFINITY_MM;
        for (int f = 0; f < 3; f++) {
            double um = truth.now().rmsUm().get(f).getAsDouble();
            shows |= Math.abs(um / right.now().rmsUm().get(f).orElse(um) - 1) > 3 * SPOTS;
        }
        List<Observation> seen = observed(LensFault.apply(made, List.of(fault), LensFault.Seating.RIM).lens(), made, truth, random, 1);
        if (seen.isEmpty()) {
            return Optional.empty();
        }
        if (!shows) {
            // What changes nothing that anybody measures is no fault to be found.
            return Optional.empty();
        }
        long start = System.nanoTime();
        Diagnosis d = Diagnosis.of(design, seen, LensFault.Seating.RIM, false, Progress.SILENT);
        double seconds = (System.nanoTime() - start) / 1e9;
        String name = family(fault.shortForm());
        List<String> ranked = d.hypotheses().stream().map(h -> family(h.fault())).toList();
        boolean alike = d.alike().stream().anyMatch(c -> c.stream().anyMatch(x -> family(x).equals(name)) && c.stream().anyMatch(x -> family(x).equals(ranked.getFirst())));
        boolean first = ranked.getFirst().equals(name) || alike;
        boolean three = first || ranked.subList(0, Math.min(3, ranked.size())).contains(name);
        return Optional.of(new Judged(fault.shortForm().split(":")[0], first, three, apart(design, fault, name), d.hypotheses().getFirst().probability() + classOf(d), seconds));
    }

    private static boolean apart(LensSection design, LensFault fault, String name) {
        AssemblyEffect e = AssemblyEffect.of(design, List.of(fault));
        if (e.focusShiftMm().isEmpty() || e.now().rmsUm().subList(0, 3).stream().anyMatch(OptionalDouble::isEmpty)) {
            return false;
        }
        List<Observation> clean = observed(LensFault.apply(design, List.of(fault), LensFault.Seating.RIM).lens(), design, e, new SplittableRandom(1), 0);
        if (clean.isEmpty()) {
            return false;
        }
        Diagnosis d = Diagnosis.of(design, clean, LensFault.Seating.RIM, false, Progress.SILENT);
        return d.hypotheses().stream().filter(h -> family(h.fault()).equals(name)).mapToDouble(Diagnosis.Hypothesis::probability).sum() > TOLD;
    }

    /// Infinity, the middle, the field at 0.7 all round and four corners.
    /// @param noise share of the stated errors that is drawn
    private static List<Observation> observed(LensSection built, LensSection right, AssemblyEffect effect, SplittableRandom random, double noise) {
        List<Observation> out = new ArrayList<>();
        out.add(Observation.of(Observation.What.INFINITY_ERROR_MM, effect.focusShiftMm().getAsDouble() + noise * INFINITY_MM * random.nextGaussian(), INFINITY_MM));
        out.add(spot(0, OptionalDouble.empty(), effect.now().rmsUm().getFirst().getAsDouble(), random, noise));
        double square = 0;
        List<Observation> corners = new ArrayList<>();
        for (int k = 0; k < CORNERS; k++) {
            double deg = 360.0 * k / CORNERS;
            LensSection seen = built.withTilts(built.tilts().stream().map(t -> t.turned(Math.toRadians(deg))).toList());
            SpotSurvey s = SpotSurvey.of(seen, right, List.of(0.0, 0.7, 1.0));
            if (s.rmsUm().stream().anyMatch(OptionalDouble::isEmpty)) {
                return List.of();
            }
            square += Math.pow(s.rmsUm().get(1).getAsDouble(), 2) / CORNERS;
            corners.add(spot(1, OptionalDouble.of(deg), s.rmsUm().get(2).getAsDouble(), random, noise));
        }
        out.add(spot(0.7, OptionalDouble.empty(), Math.sqrt(square), random, noise));
        out.addAll(corners);
        return out;
    }

    private static Observation spot(double field, OptionalDouble azimuth, double um, SplittableRandom random, double noise) {
        return new Observation(Observation.What.RMS_UM, field, azimuth, Math.max(0.5, um * (1 + noise * SPOTS * random.nextGaussian())), SPOTS * um, false, 1);
    }

    /// What else of the class of the first is claimed.
    private static double classOf(Diagnosis d) {
        String first = d.hypotheses().getFirst().fault();
        return d.alike().stream().filter(c -> c.contains(first)).flatMap(List::stream).filter(x -> !x.equals(first))
                .mapToDouble(x -> d.hypotheses().stream().filter(h -> h.fault().equals(x)).mapToDouble(Diagnosis.Hypothesis::probability).sum()).sum();
    }

    /// A fault without its magnitude.
    private static String family(String shortForm) {
        String[] p = shortForm.split(":");
        return switch (p[0]) {
            case "gap" -> p[0] + ":" + p[1];
            case "shim-missing", "shim-doubled" -> "shim:" + p[1];
            case "unseated", "decentred" -> p[0] + ":" + p[1];
            case "swap" -> p[0] + ":" + String.join(",", java.util.Arrays.stream(p[1].split(",")).sorted().toList());
            default -> shortForm;
        };
    }

    static LensFault fault(LensSection lens, SplittableRandom random) {
        List<List<String>> groups = lens.elements().stream().map(Element::group).distinct().map(g -> lens.elements().stream().filter(e -> e.group().equals(g)).map(Element::name).toList()).toList();
        List<Integer> gaps = IntStream.range(1, lens.surfaces().size()).filter(g -> lens.elements().stream().noneMatch(e -> e.firstSurface() <= g - 1 && e.lastSurface() >= g)).boxed().toList();
        List<Integer> spacers = gaps.stream().filter(g -> !lens.surfaces().get(g - 1).stop() && !lens.surfaces().get(g).stop()).toList();
        double mm = Math.pow(10, random.nextDouble(-1.3, 0.1)) * (random.nextBoolean() ? 1 : -1);
        int at = random.nextInt(groups.size());
        return switch (random.nextInt(7)) {
            case 0 -> new LensFault.Reversed(groups.get(at));
            case 1 -> new LensFault.Swapped(groups.get(at), groups.get((at + 1 + random.nextInt(groups.size() - 1)) % groups.size()));
            case 2 -> new LensFault.GapChanged(gaps.get(random.nextInt(gaps.size())), mm);
            case 3 -> mm < 0 ? new LensFault.ShimMissing(lens.surfaces().size(), -mm) : new LensFault.ShimDoubled(lens.surfaces().size(), mm);
            case 4 -> new LensFault.Unseated(groups.get(at), Math.abs(mm) / 2, random.nextDouble(0.1, 1), random.nextDouble(12));
            case 5 -> new LensFault.Decentred(groups.get(at), Math.abs(mm) / 2, random.nextDouble(12));
            default -> new LensFault.SpacerMissing(spacers.get(random.nextInt(spacers.size())));
        };
    }

    /// Radii and distances drawn anew.
    static LensSection varied(LensSection lens, double share, SplittableRandom random) {
        List<Surface> surfaces = lens.surfaces().stream().map(s -> new Surface(s.radiusMm() * (1 + share * random.nextGaussian()), s.thicknessMm() * (1 + share * random.nextGaussian()), s.after(), s.semiDiameterMm(), s.stop())).toList();
        return lens.withSurfaces(surfaces, lens.elements());
    }

    private static String shares(List<Judged> of) {
        double n = Math.max(1, of.size());
        return String.format(Locale.ROOT, "%d | %.0f %% | %.0f %%", of.size(), 100 * of.stream().filter(Judged::first).count() / n, 100 * of.stream().filter(Judged::three).count() / n);
    }

    private static void print(List<Judged> all, long seed) {
        System.out.printf(Locale.ROOT, "%d cases that show, seed %d%n", all.size(), seed);
        System.out.println("| fault | cases | first | among three | that can be told | first | among three |");
        System.out.println("|---|---:|---:|---:|---:|---:|---:|");
        Map<String, List<Judged>> kinds = new LinkedHashMap<>();
        all.forEach(j -> kinds.computeIfAbsent(j.kind, k -> new ArrayList<>()).add(j));
        kinds.put("all", all);
        kinds.forEach((k, of) -> System.out.println("| " + k + " | " + shares(of) + " | " + shares(of.stream().filter(Judged::apart).toList()) + " |"));
        double error = 0;
        for (int b = 0; b < BINS; b++) {
            double low = (double) b / BINS;
            List<Judged> in = all.stream().filter(j -> j.claimed >= low && (j.claimed < low + 1.0 / BINS || low + 1.0 / BINS >= 1)).toList();
            if (!in.isEmpty()) {
                double claimed = in.stream().mapToDouble(Judged::claimed).average().orElse(0);
                double right = in.stream().filter(Judged::first).count() / (double) in.size();
                error += Math.abs(claimed - right) * in.size() / all.size();
                System.out.printf(Locale.ROOT, "claimed %.2f, right %.2f (%d)%n", claimed, right, in.size());
            }
        }
        System.out.printf(Locale.ROOT, "expected calibration error %.3f; %.2f s a lens in the mean%n", error, all.stream().mapToDouble(Judged::seconds).average().orElse(0));
    }
}
