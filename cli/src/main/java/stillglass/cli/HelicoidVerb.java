package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.data.FaultJson;
import stillglass.fault.EntryFinder;
import stillglass.say.Wording;

/// `helicoid FILE`: at which entries a helicoid was started.
@CommandLine.Command(name = "helicoid", description = "Tells at which thread entries a helicoid was started, or in which order to try them.", mixinStandardHelpOptions = true)
final class HelicoidVerb extends Verb {
    private static final int MOST_ENTRIES = 400;
    private static final int SHOWN = 6;
    private static final double USUAL_SIGMA_MM = 0.02;

    @CommandLine.Parameters(paramLabel = "FILE", description = "leads, starts, hands and key slots, JSON")
    private Path file = Path.of("");

    @CommandLine.Option(names = "--infinity-error", paramLabel = "MM", description = "image of infinity minus film, positive behind it")
    private @Nullable Double infinity;

    @CommandLine.Option(names = "--sigma", paramLabel = "MM", description = "one standard deviation of it (default: 0.02)")
    private double sigma = USUAL_SIGMA_MM;

    @Override
    public Integer call() {
        if (infinity != null && !Double.isFinite(infinity)) {
            throw new BadInput("command line", "--infinity-error", "is " + infinity + ": give it in millimetres");
        }
        FaultJson.Helicoid h = FaultJson.helicoid(file);
        EntryFinder found = EntryFinder.of(h.outer(), h.inner(), h.keySlots(), infinity == null ? OptionalDouble.empty() : OptionalDouble.of(infinity), sigma, h.marks());
        PrintWriter out = out();
        if (json()) {
            Answer answer = new Answer().put("entries", found.entries().stream().limit(MOST_ENTRIES).map(e -> entry(e, h)).toList());
            if (h.trialsWanted() || infinity == null) {
                answer.put("trials", found.trials().stream().limit(MOST_ENTRIES).map(HelicoidVerb::trial).toList()).number("expected_trials", found.expectedTrials());
            }
            out.println(answer.json());
        } else {
            found.entries().stream().limit(SHOWN).forEach(e -> out.printf(Locale.ROOT, "%5.1f %%  outer %d, inner %d, key %d: block %+.3f mm. %s%n", 100 * e.probability(), e.outer(), e.inner(), e.key(), e.errorMm(), say(e, h)));
            out.printf(Locale.ROOT, "%d different places of the block, %.1f trials in the mean%n", found.trials().size(), found.expectedTrials());
        }
        return 0;
    }

    private static String say(EntryFinder.Entry e, FaultJson.Helicoid h) {
        return Wording.core().say(e.say(h.outer(), h.inner(), h.keySlots()));
    }

    private static Map<String, Object> entry(EntryFinder.Entry e, FaultJson.Helicoid h) {
        return new Answer().put("outer", e.outer()).put("inner", e.inner()).put("key", e.key()).number("error_mm", e.errorMm()).number("probability", e.probability()).put("say", say(e, h)).fields();
    }

    private static Map<String, Object> trial(EntryFinder.Entry e) {
        return new Answer().put("outer", e.outer()).put("inner", e.inner()).put("key", e.key()).number("error_mm", e.errorMm()).number("probability", e.probability()).number("lets_go_sooner_deg", e.lettingGoDeg()).fields();
    }
}
