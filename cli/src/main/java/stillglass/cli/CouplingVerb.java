package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.prove.iris.CouplingReading;
import stillglass.prove.iris.IrisReading;
import stillglass.say.Wording;

/// `coupling --stops 2.8,8 PHOTO PHOTO`: whether ring, lever and iris move together.
@CommandLine.Command(name = "coupling", description = "Tells from two photos of one side at two settings whether ring, lever and iris move together.", mixinStandardHelpOptions = true)
final class CouplingVerb extends Verb {
    @CommandLine.Parameters(arity = "2", paramLabel = "PHOTO", description = "both from one place, against the light")
    private List<Path> photos = List.of();

    @CommandLine.Option(names = "--stops", required = true, paramLabel = "N,N", description = "what the ring says in each photo")
    private String stops = "";

    @Override
    public Integer call() {
        PrintWriter out = out();
        List<IrisReading.Taken> taken = StopPhotos.of(stops, photos);
        if (taken.get(0).photo().width() != taken.get(1).photo().width() || taken.get(0).photo().height() != taken.get(1).photo().height()) {
            throw new BadInput(taken.get(1).name(), "size", "differs from that of " + taken.get(0).name() + ": take both from one place with one camera");
        }
        Optional<CouplingReading> found = CouplingReading.of(taken.get(0), taken.get(1));
        if (found.isEmpty()) {
            String why = Wording.core().say(IrisReading.NO_OPENING);
            out.println(json() ? new Answer().put("diagnostics", List.of(why)).json() : why);
            return 1;
        }
        CouplingReading r = found.get();
        String said = Wording.core().say(r.said());
        if (json()) {
            Answer answer = new Answer().number("lever_deg", r.leverDeg());
            r.leverDeg().ifPresent(d -> answer.number("lever_sigma_deg", r.leverSigmaDeg()));
            out.println(answer.number("ev_change", r.evChange()).number("ev_should", r.evShould()).number("ev_error", r.errorEv()).number("ev_sigma", r.evSigma()).put("meets", r.meets().name().toLowerCase(Locale.ROOT).replace('_', '-')).put("diagnostics", List.of(said)).json());
        } else {
            out.println(said);
        }
        return 0;
    }
}
