package stillglass.benchmarks.look;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.KindLearning;
import stillglass.look.kinds.KindModel;
import stillglass.optics.LensSection;
import stillglass.sim.photo.RandomScene;

/// How well photos are read, on scenes that nothing was learned from: a report in Markdown on standard output.
///
/// `LookReport SCENES [--model FILE] [--from SEED] [--ablation LEARN [--examples FILE]] [--robustness]`; FILE is what [LearnKinds] kept.
public final class LookReport {
    /// Photos that are changed in every way.
    private static final int MOST_ROBUSTNESS = 40;

    private final StringBuilder out = new StringBuilder();

    private LookReport() {}

    public static void main(String[] args) throws IOException {
        List<String> a = List.of(args);
        if (a.isEmpty()) {
            System.err.println("LookReport SCENES [--model FILE] [--from SEED] [--ablation LEARN [--examples FILE]] [--robustness]");
            System.exit(2);
        }
        int scenes = Integer.parseInt(a.getFirst());
        long from = a.contains("--from") ? Long.parseLong(a.get(a.indexOf("--from") + 1)) : Seeds.REPORT;
        KindModel model = a.contains("--model") ? KindLearning.read(Files.readAllLines(Path.of(a.get(a.indexOf("--model") + 1)))) : KindModel.shipped();
        LookReport report = new LookReport();
        report.write(scenes, from, model);
        if (a.contains("--robustness")) {
            int some = Math.min(MOST_ROBUSTNESS, scenes);
            report.line("").line(Robustness.report(some, from, model)).line(Robustness.areas(some, from, model)).line("").line(NotLenses.report(model));
        }
        if (a.contains("--ablation")) {
            int learn = Integer.parseInt(a.get(a.indexOf("--ablation") + 1));
            Examples photos = new Examples(learn, learn, a.contains("--examples") ? Optional.of(Path.of(a.get(a.indexOf("--examples") + 1))) : Optional.empty());
            List<KindLearning.Example> examples = LearnKinds.examples(photos).stream().filter(e -> e.photo() < learn).toList();
            report.ablation(examples, learn, Math.min(300, scenes), from);
        }
        System.out.write(report.out.toString().getBytes(StandardCharsets.UTF_8));
        System.out.flush();
    }

    private LookReport line(String format, Object... values) {
        out.append(values.length == 0 ? format : String.format(Locale.ROOT, format, values)).append('\n');
        return this;
    }

    static List<Trial> trials(int scenes, long from, KindModel model) {
        List<LensSection> lenses = Seeds.lenses();
        return LongStream.range(from, from + scenes).parallel().mapToObj(seed -> Trial.of(RandomScene.of(seed, lenses), model)).toList();
    }

    private void write(int scenes, long from, KindModel model) {
        List<Trial> trials = trials(scenes, from, model);
        line("%d photos, seeds %d to %d.", scenes, from, from + scenes - 1).line("");
        aperture(trials);
        kinds(trials, from);
        confusion(trials);
        calibration(trials);
        severity(trials);
        clean(trials);
    }

    private void aperture(List<Trial> trials) {
        double[] off = trials.stream().mapToDouble(Trial::apertureOff).sorted().toArray();
        line("Aperture: centre and radius within 1.5 %% of the radius in %.1f %% of photos, within 5 %% in %.1f %%, refused %d. Median error %.2f %%.",
                100 * share(off, 0.015), 100 * share(off, 0.05), trials.stream().filter(t -> Double.isInfinite(t.apertureOff())).count(),
                100 * off[off.length / 2]);
        line("Lighting chosen rightly in %.1f %%.", 100.0 * trials.stream().filter(t -> t.lighting() == t.lightingFound()).count() / trials.size());
        double[] veil = trials.stream().filter(t -> t.lighting() == Lighting.AGAINST && t.veil() > 0).mapToDouble(t -> Math.abs(t.veil() - t.veilFound())).sorted().toArray();
        if (veil.length > 0) {
            line("Veil against the light, haze present: median error %.3f of the light (exposure scattered by half a stop).", veil[veil.length / 2]);
        }
        line("");
    }

    private static double share(double[] sorted, double limit) {
        return IntStream.range(0, sorted.length).filter(i -> sorted[i] <= limit).count() / (double) sorted.length;
    }

    private void kinds(List<Trial> trials, long from) {
        Score all = Score.of(trials, Trial::found);
        Score against = Score.of(trials.stream().filter(t -> t.lighting() == Lighting.AGAINST).toList(), Trial::found);
        Score bright = Score.of(trials.stream().filter(t -> t.lighting() == Lighting.BRIGHT).toList(), Trial::found);
        Score plain = new Score();
        List<LensSection> lenses = Seeds.lenses();
        LongStream.range(from, from + Math.min(200, trials.size())).parallel().mapToObj(seed -> {
            RandomScene scene = RandomScene.of(seed, lenses);
            var shot = scene.shoot();
            return Map.entry(scene.shown(shot), Baseline.kinds(Labels.linear(shot.picture()), shot.aperture(), scene.pose().lighting()));
        }).toList().forEach(e -> plain.add(e.getKey(), e.getValue()));
        line("| kind | shown in | precision | recall | F1 | F1 against | F1 bright | baseline F1 |").line("|---|---|---|---|---|---|---|---|");
        for (FindingKind k : FindingKind.values()) {
            if (k != FindingKind.UNKNOWN) {
                line("| %s | %d | %.2f | %.2f | %.2f | %.2f | %.2f | %.2f |", k.word(), all.shown(k), all.precision(k), all.recall(k), all.f1(k),
                        against.f1(k), bright.f1(k), plain.f1(k));
            }
        }
        line("| **macro** | %d | | | **%.3f** | %.3f | %.3f | %.3f |", trials.size(), all.macro(), against.macro(), bright.macro(), plain.macro()).line("");
    }

    /// Photos that show exactly one kind, by the kinds that were named.
    private void confusion(List<Trial> trials) {
        line("Photos that show one kind only (rows), by what was named (columns, share of the row):").line("");
        StringBuilder head = new StringBuilder("| |");
        List<FindingKind> kinds = java.util.Arrays.stream(FindingKind.values()).filter(k -> k != FindingKind.UNKNOWN).toList();
        kinds.forEach(k -> head.append(' ').append(k.word()).append(" |"));
        line(head + " nothing |").line("|---".repeat(kinds.size() + 2) + "|");
        for (FindingKind row : kinds) {
            List<Trial> own = trials.stream().filter(t -> t.truth().equals(Set.of(row))).toList();
            StringBuilder cells = new StringBuilder("| " + row.word() + " (" + own.size() + ") |");
            for (FindingKind c : kinds) {
                cells.append(own.isEmpty() ? " |" : String.format(Locale.ROOT, " %.2f |", own.stream().filter(t -> t.found().contains(c)).count() / (double) own.size()));
            }
            line(cells + (own.isEmpty() ? " |" : String.format(Locale.ROOT, " %.2f |", own.stream().filter(t -> t.found().isEmpty()).count() / (double) own.size())));
        }
        line("");
    }

    private void calibration(List<Trial> trials) {
        Map<Integer, double[]> bins = new TreeMap<>();
        int all = 0;
        for (Trial t : trials) {
            for (int i = 0; i < t.findings().size(); i++) {
                Finding f = t.findings().get(i);
                if (f.kind() != FindingKind.UNKNOWN) {
                    double[] b = bins.computeIfAbsent((int) Math.min(9, f.confidence() * 10), k -> new double[3]);
                    b[0]++;
                    b[1] += f.confidence();
                    b[2] += t.right().get(i) ? 1 : 0;
                    all++;
                }
            }
        }
        line("| confidence | findings | mean confidence | kind is in the photo |").line("|---|---|---|---|");
        double error = 0;
        for (Map.Entry<Integer, double[]> e : bins.entrySet()) {
            double[] b = e.getValue();
            line("| %.1f–%.1f | %.0f | %.2f | %.2f |", e.getKey() / 10.0, (e.getKey() + 1) / 10.0, b[0], b[1] / b[0], b[2] / b[0]);
            error += Math.abs(b[1] - b[2]) / Math.max(1, all);
        }
        line("").line("Expected calibration error %.3f over %d findings.", error, all).line("");
    }

    private void severity(List<Trial> trials) {
        Steps steps = new Steps();
        trials.forEach(t -> steps.add(t.truthSeverity(), t.foundSeverity()));
        line(steps.said()).line("");
    }

    private void clean(List<Trial> trials) {
        List<Trial> clean = trials.stream().filter(t -> t.truth().isEmpty()).toList();
        double wrong = clean.stream().mapToLong(t -> t.findings().stream().filter(f -> f.kind() != FindingKind.DUST && f.kind() != FindingKind.UNKNOWN).count()).average().orElse(0);
        double unknown = trials.stream().mapToLong(t -> t.findings().stream().filter(f -> f.kind() == FindingKind.UNKNOWN).count()).average().orElse(0);
        line("Clean glass (%d photos, at most a trace of dust): %.2f false findings other than dust a photo. Unknown findings: %.2f a photo.", clean.size(), wrong, unknown);
    }

    /// Learns again without a family of features and reports what that costs.
    private void ablation(List<KindLearning.Example> examples, int learn, int scenes, long from) {
        Map<String, Set<Feature>> families = new LinkedHashMap<>();
        families.put("none", Set.of());
        families.put("colour", Set.of(Feature.TINT, Feature.RAINBOW));
        families.put("lines (skeleton and direction)", Set.of(Feature.LENGTH, Feature.WIDTH, Feature.JUNCTIONS, Feature.ENDS, Feature.STRAIGHTNESS,
                Feature.RADIATING, Feature.CIRCLING, Feature.PARALLEL, Feature.LINED));
        families.put("place", Set.of(Feature.RADIUS, Feature.REACHES_IN, Feature.REACHES_OUT, Feature.SPAN, Feature.CONCENTRIC));
        families.put("shape", Set.of(Feature.AREA, Feature.EXTENT, Feature.ELONGATION, Feature.SOLIDITY, Feature.ROUNDNESS, Feature.HOLLOW));
        families.put("light and border", Set.of(Feature.CONTRAST, Feature.PEAK, Feature.POLARITY, Feature.CRISP, Feature.BEADED, Feature.MOTTLED, Feature.CLIPPED));
        families.put("neighbours", Set.of(Feature.NEIGHBOURS, Feature.CROWD, Feature.LINES));
        families.put("what covers and fills (heart, covered, blades)", Set.of(Feature.HEART, Feature.COVERED, Feature.BLADES));
        families.put("company (the second look)", Arrays.stream(Feature.values()).filter(Feature::company).collect(Collectors.toSet()));
        families.put("a glance at the whole glass", Arrays.stream(FindingKind.values()).map(Feature::glance).collect(Collectors.toSet()));
        line("").line("| features left out (learned on %d photos, tried on %d) | macro F1 |", learn, scenes).line("|---|---|");
        Map<String, KindModel> models = new LinkedHashMap<>();
        families.forEach((name, without) -> models.put(name, KindLearning.learn(examples, without)));
        List<LensSection> lenses = Seeds.lenses();
        Map<String, Queue<Trial>> trials = new ConcurrentHashMap<>();
        LongStream.range(from, from + scenes).parallel().forEach(seed -> Trial.of(RandomScene.of(seed, lenses), models)
                .forEach((name, t) -> trials.computeIfAbsent(name, n -> new ConcurrentLinkedQueue<>()).add(t)));
        models.keySet().forEach(name -> line("| %s | %.3f |", name, Score.of(trials.getOrDefault(name, new ConcurrentLinkedQueue<>()), Trial::found).macro()));
    }
}
