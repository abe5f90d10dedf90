package stillglass.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.photo.PhotoFiles;
import stillglass.look.Aperture;
import stillglass.look.LinearPhoto;
import stillglass.look.reading.PhotoGrading;
import stillglass.prove.Clocking;

/// `clocking BEFORE AFTER`: how far a ring or glass was turned between two photos.
@CommandLine.Command(name = "clocking", description = "Tells how far a ring or glass is turned between two photos.", mixinStandardHelpOptions = true)
final class ClockingVerb extends Verb {
    @CommandLine.Parameters(index = "0", paramLabel = "BEFORE", description = "photo of the record")
    private Path before = Path.of("");

    @CommandLine.Parameters(index = "1", paramLabel = "AFTER", description = "photo of how it is now")
    private Path after = Path.of("");

    /// Where marks usually are: about the rim, on the mount, inside the glass, all of it.
    private static final double[][] USUAL_RINGS = {{0.9, 1.25}, {1.03, 1.5}, {0.2, 1.3}, {0.4, 0.97}};

    @CommandLine.Option(names = "--ring", paramLabel = "IN,OUT", description = "what is compared, in radii of the circle; without it the ring that tells most is looked for")
    private @Nullable String ring;

    @CommandLine.Option(names = "--circle-before", paramLabel = "X,Y,R", description = "circle that turns with the ring, pixels, or its ellipse as X,Y,RX,RY,DEGREES; without it the clear aperture is looked for")
    private @Nullable String circleBefore;

    @CommandLine.Option(names = "--circle-after", paramLabel = "X,Y,R", description = "the same in the later photo")
    private @Nullable String circleAfter;

    @Override
    public Integer call() throws IOException {
        Seen earlier = seen(before, circleBefore);
        Seen later = seen(after, circleAfter);
        Optional<Clocking> found = Optional.empty();
        for (double[] edges : ring == null ? USUAL_RINGS : new double[][] {edges(ring)}) {
            Optional<Clocking> next = Clocking.between(earlier.photo, earlier.circle, later.photo, later.circle, edges[0], edges[1]);
            if (next.isPresent() && (found.isEmpty() || next.get().sure() || next.get().likeness() > found.get().likeness())) {
                found = next;
            }
            if (found.filter(Clocking::sure).isPresent()) {
                break;
            }
        }
        PrintWriter out = out();
        if (json()) {
            Answer answer = new Answer();
            found.ifPresent(c -> answer.number("turn_deg", c.turnDeg()).number("sigma_deg", c.sigmaDeg()).number("likeness", c.likeness())
                    .put("sure", c.sure()).put("fold", c.fold()).put("others_deg", c.others()));
            out.println(answer.put("found", found.isPresent()).json());
        } else {
            out.println(found.map(ClockingVerb::sentence).orElse("Nothing on the ring tells a turn: the photos show different rings, or no marks that turn with it."));
        }
        return found.filter(Clocking::sure).isPresent() ? 0 : 1;
    }

    private static String sentence(Clocking c) {
        String turn = String.format(Locale.ROOT, "Turned by %.2f° ± %.2f° clockwise (%.0f %% alike).", Math.rint(100 * c.turnDeg()) / 100 + 0.0, c.sigmaDeg(), 100 * c.likeness());
        if (c.sure()) {
            return turn;
        }
        if (c.others().isEmpty()) {
            return turn + " Take it as a hint: too little of what the photos show agrees to be sure.";
        }
        return turn + (c.fold() > 1
                ? String.format(Locale.ROOT, " The ring looks the same %d times round: it may be any multiple of %.1f° more. Mark one place and take both photos again.", c.fold(), 360.0 / c.fold())
                : String.format(Locale.ROOT, " Nearly as likely: %s.", String.join(", ", c.others().stream().map(o -> String.format(Locale.ROOT, "%.1f°", o)).toList())));
    }

    private record Seen(LinearPhoto photo, Aperture circle) {}

    private static double[] edges(String ring) {
        double[] edges = numbers("--ring", ring, 2);
        if (!(edges[0] >= 0 && edges[1] > edges[0] && edges[1] < 20)) {
            throw new BadInput("command line", "--ring", "is " + ring + ": give an inner and a larger outer radius, as 0.9,1.2");
        }
        return edges;
    }

    private static Seen seen(Path file, @Nullable String circle) throws IOException {
        String name = String.valueOf(file.getFileName());
        LinearPhoto photo = PhotoFiles.linear(name, PhotoFiles.bytes(file));
        if (circle == null) {
            return new Seen(photo, PhotoGrading.aperture(photo).orElseThrow(() -> new BadInput(name, "photo", "shows no round glass edge: give the circle with --circle-before and --circle-after")));
        }
        boolean ellipse = circle.chars().filter(c -> c == ',').count() == 4;
        double[] c = numbers("--circle", circle, ellipse ? 5 : 3);
        if (!(c[2] >= 10) || ellipse && !(c[3] >= 10)) {
            throw new BadInput("command line", "--circle", "has a radius of " + Math.min(c[2], c[ellipse ? 3 : 2]) + " pixels: give at least 10");
        }
        return new Seen(photo, new Aperture(c[0], c[1], c[2], ellipse ? c[3] : c[2], ellipse ? Math.toRadians(c[4]) : 0));
    }

    private static double[] numbers(String option, String text, int count) {
        String[] words = text.split(",");
        double[] out = new double[count];
        try {
            for (int i = 0; i < count; i++) {
                out[i] = Double.parseDouble(words[i].strip());
            }
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
            out[0] = Double.NaN;
        }
        if (words.length != count || Arrays.stream(out).anyMatch(v -> !Double.isFinite(v))) {
            throw new BadInput("command line", option, "is \"" + text + "\": give " + count + " numbers with commas between");
        }
        return out;
    }
}
