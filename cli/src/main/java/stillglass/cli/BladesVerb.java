package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.photo.PhotoFiles;
import stillglass.prove.iris.BladeFaces;
import stillglass.say.Wording;

/// `blades PHOTO --count 6 --rim 3`: wet and spotted places on closed blades.
@CommandLine.Command(name = "blades", description = "Finds wet and spotted places on the faces of closed blades, in light from the front.", mixinStandardHelpOptions = true)
final class BladesVerb extends Verb {
    @CommandLine.Parameters(arity = "1", paramLabel = "PHOTO", description = "stopped down, lit from the front")
    private Path photo = Path.of("");

    @CommandLine.Option(names = "--count", required = true, paramLabel = "N", description = "how many blades it has, 3 to 24")
    private int count;

    @CommandLine.Option(names = "--rim", required = true, paramLabel = "R", description = "out to where blades are seen, in radii of the opening")
    private double rim;

    @Override
    public Integer call() {
        if (count < 3 || count > 24 || !(rim > 1.3 && rim < 100)) {
            throw new BadInput("command line", count < 3 || count > 24 ? "--count" : "--rim", "give 3 to 24 blades, and a rim beyond 1.3 radii of the opening");
        }
        PrintWriter out = out();
        String name = String.valueOf(photo.getFileName());
        Optional<BladeFaces> found = BladeFaces.of(PhotoFiles.plane(name, PhotoFiles.bytes(photo), OptionalDouble.empty()), count, rim);
        if (found.isEmpty()) {
            String why = Wording.core().say(BladeFaces.NONE);
            out.println(json() ? new Answer().put("places", List.of()).put("diagnostics", List.of(why)).json() : why);
            return 1;
        }
        BladeFaces f = found.get();
        List<String> notes = f.said().stream().map(Wording.core()::say).toList();
        if (json()) {
            out.println(new Answer().put("places", f.places().stream().map(p -> new Answer().number("towards_deg", p.towardsDeg()).number("out", p.out()).number("share", p.share()).number("departs", p.departs()).fields()).toList())
                    .number("wet_share", f.wetShare()).number("spotted_share", f.spottedShare()).put("diagnostics", notes).json());
        } else {
            out.printf(Locale.ROOT, "%d blades: %.1f %% of their faces glint, %.1f %% are darker than the others%n", f.blades(), 100 * f.wetShare(), 100 * f.spottedShare());
            notes.forEach(n -> out.println("note: " + n));
        }
        return 0;
    }
}
