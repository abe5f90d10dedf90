package stillglass.benchmarks.look;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.LongStream;
import stillglass.look.Aperture;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.Progress;
import stillglass.look.reading.PhotoGrading;
import stillglass.sim.second.SecondPhoto;

/// How well photos of the second renderer are read, of which nothing was learned: rim, kinds, calibration, and the same with the rim given.
///
/// `JudgeReport PHOTOS SEED`: a seed is used for one report and never again.
public final class JudgeReport {
    private static final double RIGHT = 0.015;
    private static final int FEW = 3;
    private static final int BINS = 5;

    private JudgeReport() {}

    /// @param veil true and read
    @SuppressWarnings("ArrayRecordComponent")
    private record Judged(Set<FindingKind> truth, Set<FindingKind> faint, Set<FindingKind> named, Set<FindingKind> plain, Set<FindingKind> plainlyNamed, List<double[]> claims, int rank, boolean rimShows, Lighting lighting, Optional<Lighting> found, Map<FindingKind, Integer> severities, Map<FindingKind, Integer> read, double[] veil) {}

    public static void main(String[] args) {
        int photos = Integer.parseInt(args[0]);
        long seed = Long.parseLong(args[1]);
        List<Judged> free = new ArrayList<>();
        List<Judged> given = new ArrayList<>();
        LongStream.range(seed, seed + photos).forEach(s -> {
            SecondPhoto p = SecondPhoto.of(s);
            LinearPhoto light = Labels.linear(p.shot().picture());
            List<Aperture> rings = PhotoGrading.apertures(light);
            int rank = Integer.MAX_VALUE;
            for (int i = rings.size() - 1; i >= 0; i--) {
                rank = Labels.off(rings.get(i), p.shot().aperture()) < RIGHT ? i : rank;
            }
            boolean shows = RimShows.on(p.shot().picture(), p.shot().aperture());
            free.add(judged(p, PhotoGrading.grade(light, PhotoGrading.Given.NOTHING, Progress.SILENT), rank, shows));
            given.add(judged(p, PhotoGrading.grade(light, new PhotoGrading.Given(Optional.empty(), Optional.of(p.shot().aperture()), java.util.OptionalDouble.empty()), Progress.SILENT), rank, shows));
        });
        System.out.printf(Locale.ROOT, "%d photos of the second renderer, seed %d%n", photos, seed);
        double n = photos;
        rims("all", free);
        rims("where the rim shows", free.stream().filter(Judged::rimShows).toList());
        rims("where it does not, being as dark as the edge about it", free.stream().filter(j -> !j.rimShows).toList());
        System.out.printf(Locale.ROOT, "refused %d%n", free.stream().filter(j -> j.found.isEmpty()).count());
        System.out.printf(Locale.ROOT, "lighting chosen rightly %.0f %%%n", 100 * free.stream().filter(j -> j.found.filter(l -> l == j.lighting).isPresent()).count() / n);
        print("as it comes", free);
        print("with the rim given", given);
    }

    private static void rims(String which, List<Judged> of) {
        double n = Math.max(1, of.size());
        System.out.printf(Locale.ROOT, "rim within 1.5 %%, %s (%d photos): first %.0f %%, among three %.0f %%, among all offered %.0f %%%n", which, of.size(), 100 * of.stream().filter(j -> j.rank == 0).count() / n,
                100 * of.stream().filter(j -> j.rank < FEW).count() / n, 100 * of.stream().filter(j -> j.rank < Integer.MAX_VALUE).count() / n);
    }

    private static Judged judged(SecondPhoto p, PhotoGrading.Outcome outcome, int rank, boolean rimShows) {
        Set<FindingKind> faint = EnumSet.noneOf(FindingKind.class);
        faint.addAll(p.present());
        faint.removeAll(p.shown());
        if (!(outcome instanceof PhotoGrading.Outcome.Seen s)) {
            return new Judged(p.shown(), faint, Set.of(), p.plain(), Set.of(), List.of(), rank, rimShows, p.lighting(), Optional.empty(), Map.of(), Map.of(), new double[2]);
        }
        Set<FindingKind> named = Trial.named(s.graded().findings());
        Set<FindingKind> plainlyNamed = EnumSet.noneOf(FindingKind.class);
        plainlyNamed.addAll(named);
        plainlyNamed.removeIf(k -> p.present().contains(k) && !p.plain().contains(k));
        named.removeAll(faint);
        List<double[]> claims = new ArrayList<>();
        Map<FindingKind, Integer> read = new EnumMap<>(FindingKind.class);
        for (Finding f : s.graded().findings()) {
            read.merge(f.kind(), f.severity(), Math::max);
            if (f.kind() != FindingKind.UNKNOWN) {
                claims.add(new double[] {f.confidence(), p.present().contains(f.kind()) ? 1 : 0});
            }
        }
        return new Judged(p.shown(), faint, named, p.plain(), plainlyNamed, claims, rank, rimShows, p.lighting(), Optional.of(s.graded().lighting()), TruthSeverity.of(p.shot(), p.shown()), read, new double[] {p.shot().veil(), s.graded().veilFraction()});
    }

    private static void print(String what, List<Judged> all) {
        System.out.println();
        System.out.println("| " + what + " | shown in | precision | recall | F1 |");
        System.out.println("|---|---:|---:|---:|---:|");
        Score score = new Score();
        all.forEach(j -> score.add(j.truth, j.named));
        for (FindingKind k : FindingKind.values()) {
            if (score.shown(k) > 0) {
                System.out.printf(Locale.ROOT, "| %s | %d | %.2f | %.2f | %.2f |%n", k.word(), score.shown(k), score.precision(k), score.recall(k), score.f1(k));
            }
        }
        System.out.printf(Locale.ROOT, "| **macro** | %d | | | **%.3f** |%n", all.size(), score.macro());
        for (Lighting lighting : Lighting.values()) {
            Score of = new Score();
            all.stream().filter(j -> j.lighting == lighting).forEach(j -> of.add(j.truth, j.named));
            System.out.printf(Locale.ROOT, "%s: macro F1 %.3f, precision %.2f, recall %.2f%n", lighting, of.macro(), of.precision(), of.recall());
        }
        Score plain = new Score();
        all.forEach(j -> plain.add(j.plain, j.plainlyNamed));
        System.out.printf(Locale.ROOT, "only what shows plainly: macro F1 %.3f, precision %.2f, recall %.2f%n", plain.macro(), plain.precision(), plain.recall());
        Steps steps = new Steps();
        all.forEach(j -> steps.add(j.severities, j.read));
        System.out.println(steps.said());
        List<Judged> hazy = all.stream().filter(j -> j.lighting == Lighting.AGAINST && j.veil[0] > 0 && j.found.isPresent()).toList();
        System.out.printf(Locale.ROOT, "veil against the light, %d photos with haze: rank correlation with the truth %.2f%n", hazy.size(), Ranks.correlation(hazy.stream().mapToDouble(j -> j.veil[0]).toArray(), hazy.stream().mapToDouble(j -> j.veil[1]).toArray()));
        List<Judged> clean = all.stream().filter(j -> j.truth.isEmpty() && j.faint.isEmpty()).toList();
        System.out.printf(Locale.ROOT, "clean glass (%d photos): %.2f false kinds a photo%n", clean.size(), clean.stream().mapToInt(j -> j.named.size()).average().orElse(Double.NaN));
        List<double[]> claims = all.stream().flatMap(j -> j.claims.stream()).toList();
        double error = 0;
        for (int b = 0; b < BINS; b++) {
            double low = (double) b / BINS;
            List<double[]> in = claims.stream().filter(c -> c[0] >= low && (c[0] < low + 1.0 / BINS || low + 1.0 / BINS > 0.999)).toList();
            if (!in.isEmpty()) {
                double claimed = in.stream().mapToDouble(c -> c[0]).average().orElse(0);
                double right = in.stream().mapToDouble(c -> c[1]).average().orElse(0);
                error += Math.abs(claimed - right) * in.size() / claims.size();
                System.out.printf(Locale.ROOT, "claimed %.2f, right %.2f (%d)%n", claimed, right, in.size());
            }
        }
        System.out.printf(Locale.ROOT, "expected calibration error %.3f over %d findings%n", error, claims.size());
    }
}
