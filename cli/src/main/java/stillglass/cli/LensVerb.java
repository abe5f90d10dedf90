package stillglass.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.data.CheckedJson;
import stillglass.book.data.LensJson;
import stillglass.book.data.LensText;
import stillglass.book.file.SafeFile;
import stillglass.optics.LensSection;
import stillglass.optics.misassembly.LensFault;
import stillglass.optics.sharpness.Colours;
import stillglass.optics.sharpness.LensReport;
import stillglass.optics.sharpness.StoppedDown;
import stillglass.say.Wording;

/// `lens FILE`: focal length, focus and sharpness of a section, as designed or wrongly assembled.
@CommandLine.Command(name = "lens", description = "Traces a lens section, as designed or with assembly faults.",
        mixinStandardHelpOptions = true)
final class LensVerb implements Callable<Integer> {
    @CommandLine.Parameters(paramLabel = "FILE", description = "lens section JSON")
    private Path file = Path.of("");

    @CommandLine.Option(names = "--fault", description = {
        "repeatable, applied in order; gaps are counted from 1 by the surface before them:",
        "reverse:E3  reverse:E4+E5  swap:E1,E6  gap:4:-0.5",
        "spacer-missing:4  spacer-reversed:4:16:14 (seat diameters)  spacers-swapped:2,4",
        "shim-missing:11:0.05  shim-doubled:11:0.05 (the last gap is under the mount)",
        "unseated:E1:0.1:0.3:12 (lift mm, lean degrees, towards o'clock)",
        "decentred:E3:0.2:6 (mm aside, towards o'clock)  plate:2:1.52 (mm and index of a plate behind the glass)",
        "entry:-1:9:6 (front cell: entries off, lead mm, starts)"})
    private List<String> faults = new ArrayList<>();

    @CommandLine.Option(names = "--gaps", description = "how a turned or swapped glass seats: rim (default) or vertex")
    private LensFault.Seating gaps = LensFault.Seating.RIM;

    @CommandLine.Option(names = "--position", paramLabel = "NAME", description = "a zoom or focus position of the section, by name, or by number between two")
    private @Nullable String position;

    @CommandLine.Option(names = "--stop", paramLabel = "N", description = "f-number at which transfer is told (default: wide open)")
    private @Nullable Double stop;

    @CommandLine.Option(names = "--frequency", split = ",", paramLabel = "F", description = "cycles per millimetre at which transfer is told; the first also through focus with --through")
    private List<Double> frequencies = new ArrayList<>();

    @CommandLine.Option(names = "--through", split = ",", paramLabel = "MM", description = "planes beside the best one at which transfer is told")
    private List<Double> through = new ArrayList<>();

    @CommandLine.Option(names = "--weights", paramLabel = "WHICH", description = "how colours count in transfer: equal (default) or as an eye weighs them")
    private @Nullable Colours weights;

    @CommandLine.Option(names = "--save", paramLabel = "OUT", description = "write the section with its faults as lens section JSON")
    private @Nullable Path save;

    @CommandLine.Option(names = "--json", description = "one JSON object")
    private boolean json;

    @CommandLine.Spec
    private CommandLine.Model.@Nullable CommandSpec spec;

    @Override
    public Integer call() {
        LensSection nominal = position == null ? LensJson.read(file) : LensJson.read(file, position);
        LensFault.Misassembled mis = LensFault.apply(
                nominal, faults.stream().map(LensFault::parse).toList(), gaps);
        LensReport report = LensReport.of(mis.lens(), nominal);
        LensReport designed = faults.isEmpty() ? report : LensReport.of(nominal, nominal);
        if (save != null) {
            SafeFile.write(save, LensText.of(mis.lens(), CheckedJson.read(file)).getBytes(StandardCharsets.UTF_8), file);
        }
        boolean asked = stop != null || !frequencies.isEmpty() || !through.isEmpty() || weights != null;
        Optional<StoppedDown> stopped = asked ? Optional.of(StoppedDown.of(mis.lens(), nominal, stop == null ? nominal.fNumber() : stop, frequencies.isEmpty() ? List.of(LensReport.MTF_FREQUENCY) : frequencies, planes(), weights == null ? Colours.EQUAL : weights)) : Optional.empty();
        List<String> diagnostics = Stream.concat(mis.diagnostics().stream(), report.diagnostics().stream()).map(Wording.core()::say).toList();
        PrintWriter out = Objects.requireNonNull(spec).commandLine().getOut();
        if (json) {
            Answer answer = answer(nominal, report, designed, diagnostics);
            stopped.ifPresent(s -> answer.put("stopped_down", told(s)));
            out.println(answer.json());
        } else {
            print(out, nominal, report, diagnostics);
            stopped.ifPresent(s -> print(out, s));
        }
        return 0;
    }

    private List<Double> planes() {
        if (through.stream().anyMatch(d -> !(Math.abs(d) < 100))) {
            throw new BadInput("command line", "--through", "give planes within 100 mm of the best one");
        }
        return through;
    }

    private static Answer told(StoppedDown s) {
        return new Answer().number("f_number", s.fNumber()).number("best_focus_mm", s.bestFocusMm()).put("fields", s.fields().stream().map(f -> new Answer().number("field", f.field()).number("rms_um", f.rmsUm())
                .number("vignetting", f.vignetting()).put("mtf", f.transfer().stream().map(LensVerb::told).toList()).put("through_focus", f.through().stream().map(LensVerb::told).toList()).fields()).toList());
    }

    private static Map<String, Object> told(StoppedDown.Transfer t) {
        return new Answer().number("cycles_per_mm", t.frequency()).number("defocus_mm", t.defocusMm()).number("sagittal", t.sagittal()).number("tangential", t.tangential()).fields();
    }

    private static void print(PrintWriter out, StoppedDown s) {
        for (StoppedDown.Field f : s.fields()) {
            f.rmsUm().ifPresent(v -> out.printf(Locale.ROOT, "at f/%.1f field %.1f   spot %7.1f µm%n", s.fNumber(), f.field(), v));
            Stream.concat(f.transfer().stream(), f.through().stream()).forEach(t -> out.printf(Locale.ROOT, "    at %5.1f/mm %+.3f mm   sagittal %.2f   tangential %.2f%n", t.frequency(), t.defocusMm(), t.sagittal(), t.tangential()));
        }
    }

    private Answer answer(LensSection nominal, LensReport report, LensReport designed, List<String> diagnostics) {
        return new Answer()
                .put("name", nominal.name())
                .number("efl_mm", report.eflMm())
                .number("bfd_mm", report.bfdMm())
                .number("best_focus_mm", report.bestFocusMm())
                .put("entrance_pupil_mm", new Answer()
                        .number("position", report.pupil().positionMm())
                        .number("diameter", report.pupil().diameterMm()))
                .put("fields", fields(report.fields()))
                .put("opposite_fields", fields(report.opposite()))
                .put("bfd_mm_per_mm_of_gap", report.bfdPerGap())
                .put("basis", nominal.basis().word())
                .put("nominal", new Answer().number("efl_mm", designed.eflMm()).number("bfd_mm", designed.bfdMm()))
                .put("diagnostics", diagnostics);
    }

    private static List<Map<String, Object>> fields(List<LensReport.FieldQuality> fields) {
        return fields.stream()
                .map(f -> new Answer()
                        .number("field", f.field())
                        .number("rms_um", f.rmsUm())
                        .number("mtf30_sagittal", f.mtfSagittal())
                        .number("mtf30_tangential", f.mtfTangential())
                        .number("mtf30_geometric_sagittal", f.geometricSagittal())
                        .number("mtf30_geometric_tangential", f.geometricTangential())
                        .number("distortion", f.distortion())
                        .number("vignetting", f.vignetting())
                        .fields())
                .toList();
    }

    private void print(PrintWriter out, LensSection nominal, LensReport r, List<String> diagnostics) {
        out.println(nominal.name() + (faults.isEmpty() ? "" : " with " + String.join(", ", faults)));
        r.eflMm().ifPresent(v -> out.printf(Locale.ROOT, "focal length   %9.3f mm%n", v));
        r.bfdMm().ifPresent(v -> out.printf(Locale.ROOT, "back focus     %9.3f mm%n", v));
        r.bestFocusMm().ifPresent(v -> out.printf(Locale.ROOT, "best focus     %9.3f mm%n", v));
        List<LensReport.FieldQuality> all = new ArrayList<>(r.fields());
        all.addAll(r.opposite());
        for (LensReport.FieldQuality f : all) {
            out.printf(Locale.ROOT, "field %.1f", f.field());
            f.rmsUm().ifPresent(v -> out.printf(Locale.ROOT, "   spot %7.1f µm", v));
            f.mtfSagittal().ifPresent(v -> out.printf(Locale.ROOT, "   at 30/mm sagittal %.2f", v));
            f.mtfTangential().ifPresent(v -> out.printf(Locale.ROOT, "   tangential %.2f", v));
            f.distortion().ifPresent(v -> out.printf(Locale.ROOT, "   distortion %+.2f %%", 100 * v));
            out.println();
        }
        diagnostics.forEach(d -> out.println("note: " + d));
    }
}
