package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.photo.PhotoFiles;
import stillglass.book.trace.TraceFiles;
import stillglass.prove.iris.ClosingTrace;
import stillglass.prove.iris.Opening;
import stillglass.say.Wording;

/// `closing FILE`, `closing --fps 120 PHOTO…`: how long an iris takes to close.
@CommandLine.Command(name = "closing", description = "Measures how long an iris takes to close: from light through it on a sensor (WAV, CSV), or from photos of a burst.", mixinStandardHelpOptions = true)
final class ClosingVerb extends Verb {
    private static final double MOST_FPS = 100_000;

    @CommandLine.Parameters(arity = "1..*", paramLabel = "FILE", description = "one recording, or the photos of a burst in order")
    private List<Path> files = List.of();

    @CommandLine.Option(names = "--fps", paramLabel = "N", description = "the files are photos, so many a second")
    private @Nullable Double fps;

    @Override
    public Integer call() {
        PrintWriter out = out();
        Optional<ClosingTrace> found = fps == null ? recorded() : burst(fps);
        if (found.isEmpty()) {
            String why = Wording.core().say(ClosingTrace.NONE);
            out.println(json() ? new Answer().put("closings", List.of()).put("diagnostics", List.of(why)).json() : why);
            return 1;
        }
        ClosingTrace r = found.get();
        List<String> notes = r.diagnostics().stream().map(Wording.core()::say).toList();
        if (json()) {
            out.println(new Answer().put("closings", r.events().stream().map(e -> new Answer().number("at_s", e.atS()).number("closing_s", e.seconds()).put("bounce", e.bounce()).fields()).toList())
                    .number("closing_s", r.meanS()).number("sigma_s", r.sigmaS()).number("ev_closed", r.evClosed()).put("diagnostics", notes).json());
        } else {
            out.printf(Locale.ROOT, "closes in %.1f ± %.1f ms (%d times), to %.2f EV%n", 1000 * r.meanS(), 2000 * r.sigmaS(), r.events().size(), r.evClosed());
            notes.forEach(n -> out.println("note: " + n));
        }
        return 0;
    }

    private Optional<ClosingTrace> recorded() {
        if (files.size() > 1) {
            throw new BadInput("command line", "FILE", "names " + files.size() + " files: give one recording, or --fps for photos of a burst");
        }
        return ClosingTrace.of(TraceFiles.open(files.getFirst()));
    }

    private Optional<ClosingTrace> burst(double perSecond) {
        if (!(perSecond > 0 && perSecond <= MOST_FPS)) {
            throw new BadInput("command line", "--fps", "is " + perSecond + ": give how many photos were taken a second");
        }
        List<Double> areas = new ArrayList<>();
        for (Path file : files) {
            String name = String.valueOf(file.getFileName());
            areas.add(Opening.in(PhotoFiles.plane(name, PhotoFiles.bytes(file), OptionalDouble.empty())).map(Opening::area).orElse(0.0));
        }
        return ClosingTrace.of(areas.stream().mapToDouble(d -> d).toArray(), 1 / perSecond);
    }
}
