package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import picocli.CommandLine;
import stillglass.prove.iris.IrisReading;
import stillglass.say.Wording;

/// `iris --stops 2,2.8,4 PHOTO PHOTO PHOTO`: areas and blades of an iris over its stops.
@CommandLine.Command(name = "iris", description = "Measures an iris from photos through it against the light, all from one place.", mixinStandardHelpOptions = true)
final class IrisVerb extends Verb {
    @CommandLine.Parameters(arity = "1..*", paramLabel = "PHOTO", description = "a photo for each stop, in the order of --stops")
    private List<Path> photos = new ArrayList<>();

    @CommandLine.Option(names = "--stops", required = true, paramLabel = "N,N…", description = "f-number of each photo; the same one twice for closing and opening")
    private String stops = "";

    @Override
    public Integer call() {
        PrintWriter out = out();
        IrisReading r = IrisReading.of(StopPhotos.of(stops, photos));
        List<String> notes = r.diagnostics().stream().map(Wording.core()::say).toList();
        if (json()) {
            out.println(new Answer().put("stops", r.stops().stream().map(s -> new Answer().put("photo", s.photo()).number("f_number", s.fNumber()).number("area_px", s.areaPx()).number("ev", s.ev())
                    .number("ev_error", s.errorEv()).number("ev_sigma", s.sigmaEv()).put("blades", s.blades()).put("departures", s.departures()).put("towards_deg", s.towardsDeg()).fields()).toList())
                    .number("hysteresis_ev", r.hysteresisEv()).put("diagnostics", notes).json());
        } else {
            for (IrisReading.Stop s : r.stops()) {
                out.printf(Locale.ROOT, "f/%-4.1f %10.0f px  %+.2f EV  off by %+.2f ± %.2f EV  %s%n", s.fNumber(), s.areaPx(), s.ev(), s.errorEv(), 2 * s.sigmaEv(), s.blades() == 0 ? "round" : s.blades() + " blades");
            }
            notes.forEach(n -> out.println("note: " + n));
        }
        return r.stops().isEmpty() ? 1 : 0;
    }
}
