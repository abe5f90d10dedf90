package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.photo.PhotoFiles;
import stillglass.prove.edge.LightPlane;
import stillglass.prove.edge.SharpnessReading;
import stillglass.prove.edge.SlantedEdge;
import stillglass.say.Wording;

/// `sharpness PHOTO…`: modulation over frequency from slanted edges.
@CommandLine.Command(name = "sharpness", description = "Measures sharpness from straight, slanted edges in photos.", mixinStandardHelpOptions = true)
final class SharpnessVerb extends Verb {
    private static final double STEP = 0.05;
    private static final double MOST = 0.5;

    @CommandLine.Parameters(arity = "1..*", paramLabel = "PHOTO", description = "PNG, JPEG or TIFF")
    private List<Path> photos = new ArrayList<>();

    @CommandLine.Option(names = "--gamma", paramLabel = "G", description = "light is the stored value to this power: 1 for linear files (default: sRGB)")
    private @Nullable String gamma;

    @CommandLine.Option(names = "--tone", arity = "2", paramLabel = "PHOTO", description = "measure the camera's tone from two photos of one scene at two exposures, instead of --gamma")
    private List<Path> exposures = List.of();

    @CommandLine.Option(names = "--at", paramLabel = "Z,Z…", description = "focus position of each photo, in any unit: field curvature and tilt of the field")
    private @Nullable String positions;

    @CommandLine.Option(names = "--stops", paramLabel = "N,N…", description = "stop of each photo, with --at: focus shift between stops")
    private @Nullable String stops;

    @Override
    public Integer call() {
        PrintWriter out = out();
        OptionalDouble power = power();
        FocusSeries series = FocusSeries.of(positions, stops, photos.size());
        double tone = exposures.isEmpty() ? 1 : ToneOption.power(exposures);
        List<Map<String, Object>> edges = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        List<Double> halves = new ArrayList<>();
        Answer answer = new Answer();
        for (Path photo : photos) {
            String name = String.valueOf(photo.getFileName());
            LightPlane plane = PhotoFiles.plane(name, PhotoFiles.bytes(photo), power);
            SharpnessReading r = SharpnessReading.of(tone == 1 ? plane : plane.toned(tone));
            series.add(plane.width(), plane.height(), r);
            String before = photos.size() > 1 ? name + ": " : "";
            r.diagnostics().forEach(d -> notes.add(before + Wording.core().say(d)));
            r.edges().forEach(e -> edges.add(edge(e, name)));
            r.edges().stream().map(SlantedEdge::mtf50Cpp).filter(Double::isFinite).forEach(halves::add);
            r.sides().ifPresent(s -> answer.put("sides", new Answer().put("photo", name).number("share", s.share()).number("sigma", s.sigma()).number("soft_deg", s.softDeg()).number("soft_sigma_deg", s.softSigmaDeg())));
            if (!json()) {
                print(out, before, r);
            }
        }
        series.answer(answer, notes);
        if (!json()) {
            series.print(out);
        }
        halves.sort(null);
        int n = halves.size();
        OptionalDouble median = n == 0 ? OptionalDouble.empty() : OptionalDouble.of((halves.get(n / 2) + halves.get((n - 1) / 2)) / 2);
        if (!exposures.isEmpty()) {
            answer.number("tone_power", tone);
        }
        if (json()) {
            out.println(answer.put("edges", edges).number("mtf50_cpp", median).put("diagnostics", notes).json());
        } else {
            notes.forEach(d -> out.println("note: " + d));
        }
        return edges.isEmpty() ? 1 : 0;
    }

    private static Map<String, Object> edge(SlantedEdge e, String photo) {
        List<List<Double>> curve = new ArrayList<>();
        for (double f = STEP; f < MOST + STEP / 2; f += STEP) {
            curve.add(List.of(Math.round(f * 100) / 100.0, e.at(f)));
        }
        return new Answer().put("photo", photo).number("x", e.x()).number("y", e.y()).number("angle_deg", e.angleDeg()).number("length_px", e.length()).number("mtf50_cpp", e.mtf50Cpp())
                .number("mtf50_sigma", e.mtf50Sigma()).number("overshoot", e.overshoot()).number("contrast", e.contrast()).put("mtf_cpp", curve).fields();
    }

    private static void print(PrintWriter out, String before, SharpnessReading r) {
        r.mtf50Cpp().ifPresent(m -> out.printf(Locale.ROOT, "%shalf modulation at %.4f cycles a pixel, median of %d edges%n", before, m, r.edges().size()));
        for (SlantedEdge e : r.edges()) {
            String half = Double.isFinite(e.mtf50Cpp()) ? String.format(Locale.ROOT, "half at %.4f ± %.4f", e.mtf50Cpp(), 2 * e.mtf50Sigma()) : "stays above a half";
            out.printf(Locale.ROOT, "  at %5.0f, %5.0f  normal %6.1f°  length %4.0f px  %s  at 0.25: %.3f%n", e.x(), e.y(), e.angleDeg(), e.length(), half, e.at(0.25));
        }
    }

    private OptionalDouble power() {
        if (gamma == null) {
            return OptionalDouble.empty();
        }
        try {
            double g = Double.parseDouble(gamma);
            if (g >= 0.3 && g <= 4) {
                return OptionalDouble.of(g);
            }
        } catch (NumberFormatException e) {
            throw new BadInput("command line", "--gamma", "is \"" + gamma + "\": give a number, 1 for linear files", e);
        }
        throw new BadInput("command line", "--gamma", "is \"" + gamma + "\": give 0.3 to 4, 1 for linear files");
    }
}
