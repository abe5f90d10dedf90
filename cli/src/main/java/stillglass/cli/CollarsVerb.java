package stillglass.cli;

import java.nio.file.Path;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.data.FaultJson;
import stillglass.fault.CollarTrim;

/// `collars SETTINGS`: where eccentric collars have to stand so that all corners are alike.
@CommandLine.Command(name = "collars", description = "Sets eccentric collars from how sharp the corners were at a few settings.", mixinStandardHelpOptions = true)
final class CollarsVerb extends Verb {
    @CommandLine.Parameters(paramLabel = "SETTINGS", description = "settings that were tried, JSON")
    private Path file = Path.of("");

    @Override
    public Integer call() {
        FaultJson.Collars c = FaultJson.collars(file);
        CollarTrim t;
        try {
            t = CollarTrim.of(c.settings(), c.share());
        } catch (IllegalArgumentException doesNotTell) {
            throw new BadInput(String.valueOf(file.getFileName()), "/settings", String.valueOf(doesNotTell.getMessage()));
        }
        if (json()) {
            out().println(new Answer().put("collars", IntStream.range(0, t.deg().size()).mapToObj(k -> new Answer().number("deg", t.deg().get(k)).number("sigma_deg", t.sigmaDeg().get(k)).fields()).toList())
                    .number("left_share", t.left()).json());
        } else {
            out().println(IntStream.range(0, t.deg().size()).mapToObj(k -> String.format(Locale.ROOT, "collar %d to %.0f° ± %.0f° clockwise of its mark, seen from the front", k + 1, t.deg().get(k), t.sigmaDeg().get(k))).collect(Collectors.joining(System.lineSeparator())));
            out().printf(Locale.ROOT, "%.0f %% of the unevenness of the last setting would be left%n", 100 * t.left());
        }
        return 0;
    }
}
