package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
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
        Answer answer = new Answer();
        Optional<VeilReading> before = read(photos, notes);
        Optional<VeilReading> after = later.isEmpty() ? Optional.empty() : read(later, notes);
        before.ifPresent(r -> answer.put("veil", told(r)));
        after.ifPresent(r -> answer.put("after", told(r)));
        Optional<VeilReading.Change> change = before.flatMap(b -> after.map(a -> b.to(a, true)));
        change.ifPresent(c -> answer.put("change", new Answer().number("share", c.value()).number("sigma", c.sigma()).put("telling", c.telling())));
        if (json()) {
            out.println(answer.put("diagnostics", notes).json());
        } else {
            before.ifPresent(r -> print(out, r));
            after.ifPresent(r -> print(out, r));
            change.ifPresent(c -> out.printf(Locale.ROOT, "change %+.2f %% ± %.2f %%: %s%n", 100 * c.value(), 100 * INTERVAL * c.sigma(), c.telling() ? c.value() < 0 ? "clearer" : "more veil" : "no change is told"));
            notes.forEach(n -> out.println("note: " + n));
        }
        return before.isEmpty() || !later.isEmpty() && after.isEmpty() ? 1 : 0;
    }

    private Optional<VeilReading> read(List<Path> files, List<String> notes) {
        return switch (VeilPhotos.read(files, black)) {
            case VeilReading.Answer.Read r -> {
                r.reading().diagnostics().stream().map(Wording.core()::say).filter(n -> !notes.contains(n)).forEach(notes::add);
                yield Optional.of(r.reading());
            }
            case VeilReading.Answer.Refused r -> {
                notes.add(Wording.core().say(r.why()));
                yield Optional.empty();
            }
        };
    }

    private static Answer told(VeilReading r) {
        return new Answer().number("share", r.share()).number("sigma", r.sigma()).put("at_most", r.atMost()).number("patch_of_height", r.patchShare()).number("bright_of_frame", r.brightShare()).number("surround_uneven", r.uneven());
    }

    private static void print(PrintWriter out, VeilReading r) {
        out.printf(Locale.ROOT, "veil %s%.2f %% ± %.2f %%, patch %.0f %% of the height, %.0f %% of the frame bright%n", r.atMost() ? "at most " : "", 100 * r.share(), 100 * INTERVAL * r.sigma(), 100 * r.patchShare(), 100 * r.brightShare());
    }
}
