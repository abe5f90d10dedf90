package stillglass.cli;

import java.nio.file.Path;
import java.util.Locale;
import picocli.CommandLine;
import stillglass.book.data.FaultJson;
import stillglass.book.data.LensJson;
import stillglass.fault.LampLook;
import stillglass.say.Wording;

/// `glints SECTION PHOTOS`: what a lamp's reflections say of a lens that is still closed.
@CommandLine.Command(name = "glints", description = "Ranks faults of a closed lens by where a lamp's reflections stand in it.", mixinStandardHelpOptions = true)
final class GlintsVerb extends Verb {
    private static final int SHOWN = 6;

    @CommandLine.Parameters(index = "0", paramLabel = "SECTION", description = "lens section JSON")
    private Path section = Path.of("");

    @CommandLine.Parameters(index = "1", paramLabel = "PHOTOS", description = "reflections of one or more photos from the front, JSON")
    private Path photos = Path.of("");

    @Override
    public Integer call() {
        LampLook look = LampLook.of(LensJson.read(section), FaultJson.glints(photos));
        if (json()) {
            Answer answer = new Answer().put("hypotheses", look.hypotheses().stream().limit(SHOWN)
                    .map(h -> new Answer().put("fault", h.fault()).number("probability", h.probability()).put("say", Wording.core().say(h.said())).put("predicted", h.predicted()).fields()).toList());
            look.next().ifPresent(n -> answer.put("next_lamp", new Answer().number("lamp_mm", n.lampMm()).number("aside_mm", n.asideMm())));
            out().println(answer.json());
        } else {
            look.hypotheses().stream().limit(SHOWN).forEach(h -> out().printf(Locale.ROOT, "%5.1f %%  %-24s %s%n", 100 * h.probability(), h.fault(), Wording.core().say(h.said())));
            look.said().stream().skip(1).forEach(s -> out().println("next: " + Wording.core().say(s)));
        }
        return look.hypotheses().getFirst().fault().equals("none") ? 1 : 0;
    }
}
