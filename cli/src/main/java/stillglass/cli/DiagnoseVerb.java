package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import picocli.CommandLine;
import stillglass.book.data.FaultJson;
import stillglass.book.data.LensJson;
import stillglass.fault.Diagnosis;
import stillglass.fault.Observation;
import stillglass.look.Progress;
import stillglass.optics.LensSection;
import stillglass.optics.Positions;
import stillglass.optics.misassembly.LensFault;
import stillglass.say.Wording;

/// `diagnose SECTION OBSERVATIONS`: which fault of the assembly explains what was measured.
@CommandLine.Command(name = "diagnose", description = "Ranks the faults of an assembly by what was measured on it.", mixinStandardHelpOptions = true)
final class DiagnoseVerb extends Verb {
    private static final int SHOWN = 8;

    @CommandLine.Parameters(index = "0", paramLabel = "SECTION", description = "lens section JSON")
    private Path section = Path.of("");

    @CommandLine.Parameters(index = "1", paramLabel = "OBSERVATIONS", description = "what was measured, JSON")
    private Path observations = Path.of("");

    @CommandLine.Option(names = "--gaps", description = "how a turned or swapped glass seats: rim (default) or vertex")
    private LensFault.Seating gaps = LensFault.Seating.RIM;

    @CommandLine.Option(names = "--pairs", description = "two faults at once are tried as well")
    private boolean pairs;

    @Override
    public Integer call() {
        LensSection lens = LensJson.read(section);
        List<Observation> measured = FaultJson.observations(observations);
        Map<String, LensSection> settings = settings(measured);
        long start = System.nanoTime();
        Diagnosis d = Diagnosis.of(lens, settings, measured, gaps, pairs, Set.of(), Progress.SILENT);
        double seconds = (System.nanoTime() - start) / 1e9;
        List<String> notes = d.diagnostics().stream().map(Wording.core()::say).toList();
        PrintWriter out = out();
        if (json()) {
            Answer answer = new Answer().put("hypotheses", d.likely().stream().map(DiagnoseVerb::hypothesis).toList()).put("alike", d.alike());
            d.next().ifPresent(n -> answer.put("next_check", new Answer().put("what", n.what().word()).number("field", n.what().ofField() ? n.field() : Double.NaN).put("position", n.setting()).number("gain_bits", n.gainBits()).number("minutes", n.minutes())
                    .put("why", Wording.core().say(n.why()))));
            out.println(answer.put("tried", d.tried()).number("seconds", seconds).put("diagnostics", notes).json());
        } else {
            d.likely().stream().limit(SHOWN).forEach(h -> out.printf(Locale.ROOT, "%5.1f %%  %-28s %s%n", 100 * h.probability(), h.fault(), said(d, h)));
            d.alike().forEach(c -> out.println("cannot be told apart: " + String.join(", ", c)));
            d.next().ifPresent(n -> out.println("next: " + Wording.core().say(n.why())));
            notes.forEach(n -> out.println("note: " + n));
        }
        return d.hypotheses().getFirst().fault().equals("none") ? 1 : 0;
    }

    /// Where something was measured, and the ends of the range, where measuring may tell most.
    private Map<String, LensSection> settings(List<Observation> measured) {
        List<String> listed = LensJson.read(section).positions().each().stream().map(Positions.Position::name).toList();
        Stream<String> ends = listed.isEmpty() ? Stream.of() : Stream.of(listed.getFirst(), listed.getLast());
        return Stream.concat(measured.stream().map(Observation::setting).filter(n -> !n.isEmpty()), ends).distinct().collect(Collectors.toMap(n -> n, n -> LensJson.read(section, n)));
    }

    private static String said(Diagnosis d, Diagnosis.Hypothesis h) {
        return h.faults().isEmpty() ? h.fault().equals("none") ? "nothing wrong" : "that figure was read wrongly" : String.join(", ", d.said(h).stream().map(Wording.core()::say).toList());
    }

    private static Map<String, Object> hypothesis(Diagnosis.Hypothesis h) {
        Answer predicts = new Answer();
        h.predicts().forEach(predicts::number);
        return new Answer().put("fault", h.fault()).number("probability", h.probability()).put("predicts", predicts).fields();
    }
}
