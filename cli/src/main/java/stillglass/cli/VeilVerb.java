package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import picocli.CommandLine;
import stillglass.book.photo.VeilPhotos;
import stillglass.prove.veil.VeilReading;
import stillglass.say.Wording;

/// `veil PHOTO… [--after PHOTO…]`: light that a lens scatters into a black patch.
@CommandLine.Command(name = "veil", description = "Measures veiling glare from photos of a black patch in a bright surround.", mixinStandardHelpOptions = true)
final class VeilVerb extends Verb {
    private static final double INTERVAL = 1.96;

    @CommandLine.Parameters(arity = "1..*", paramLabel = "PHOTO", description = "photos from one place; two exposures narrow the figure")
    private List<Path> photos = new ArrayList<>();

    @CommandLine.Option(names = "--after", arity = "1..*", paramLabel = "PHOTO", description = "the same after the work: how much less veil there is")
    private List<Path> later = new ArrayList<>();

    @CommandLine.Option(names = "--black", paramLabel = "WHAT", description = "what the patch is: ${COMPLETION-CANDIDATES} (default: ${DEFAULT-VALUE})")
    private VeilReading.Black black = VeilReading.Black.UNKNOWN;

    @Override
    public Integer call() {
        PrintWriter out = out();
        List<String> notes = new ArrayList<>();
        VeilReading before = read(photos, notes);
        Answer answer = new Answer().put("veil", told(before));
        if (!json()) {
            print(out, before);
        }
        if (!later.isEmpty()) {
            VeilReading after = read(later, notes);
            VeilReading.Change change = before.to(after, true);
            answer.put("after", told(after)).put("change", new Answer().number("share", change.value()).number("sigma", change.sigma()).put("telling", change.telling()));
            if (!json()) {
                print(out, after);
                out.printf(Locale.ROOT, "change %+.2f %% ± %.2f %%: %s%n", 100 * change.value(), 100 * INTERVAL * change.sigma(), change.telling() ? change.value() < 0 ? "clearer" : "more veil" : "no change is told");
            }
        }
        if (json()) {
            out.println(answer.put("diagnostics", notes).json());
        } else {
            notes.forEach(n -> out.println("note: " + n));
        }
        return 0;
    }

    private VeilReading read(List<Path> files, List<String> notes) {
        VeilReading r = VeilPhotos.read(files, black);
        r.diagnostics().stream().map(Wording.core()::say).filter(n -> !notes.contains(n)).forEach(notes::add);
        return r;
    }

    private static Answer told(VeilReading r) {
        return new Answer().number("share", r.share()).number("sigma", r.sigma()).put("at_most", r.atMost()).number("patch_of_height", r.patchShare()).number("bright_of_frame", r.brightShare()).number("surround_uneven", r.uneven());
    }

    private static void print(PrintWriter out, VeilReading r) {
        out.printf(Locale.ROOT, "veil %s%.2f %% ± %.2f %%, patch %.0f %% of the height, %.0f %% of the frame bright%n", r.atMost() ? "at most " : "", 100 * r.share(), 100 * INTERVAL * r.sigma(), 100 * r.patchShare(), 100 * r.brightShare());
    }
}
