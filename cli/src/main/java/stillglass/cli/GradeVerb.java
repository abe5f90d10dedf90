package stillglass.cli;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.file.SafeFile;
import stillglass.book.photo.LampPhoto;
import stillglass.book.photo.PhotoFiles;
import stillglass.look.Finding;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.reading.PhotoGrading;
import stillglass.look.Progress;
import stillglass.look.ThroughColour;
import stillglass.say.Wording;

/// `grade PHOTO… --out DIR`: findings and mask for each photo.
@CommandLine.Command(name = "grade", description = "Grades what photographs of a lens show.", mixinStandardHelpOptions = true)
final class GradeVerb implements Callable<Integer> {
    private static final Set<String> ENDINGS = Set.of("png", "jpg", "jpeg", "tif", "tiff");

    @CommandLine.Parameters(paramLabel = "PHOTO", arity = "1..*", description = "photos, or folders of photos")
    private List<Path> photos = new ArrayList<>();

    @CommandLine.Option(names = "--out", required = true, description = "folder for NAME.json and NAME.mask.png")
    private Path out = Path.of("");

    @CommandLine.Option(names = "--lighting", description = "against, bright or auto (default)")
    private String lighting = "auto";

    @CommandLine.Option(names = "--diameter-mm", description = "clear diameter of the front glass, for areas in mm²")
    private @Nullable Double diameterMm;

    @CommandLine.Option(names = "--lamp", paramLabel = "PHOTO", description = "photo of the bare lamp or of a white card in the lens' place, against which veil is measured; exposures are read from the files")
    private @Nullable Path lamp;

    /// Read once for all photos.
    private @Nullable LampPhoto reference;

    @CommandLine.Option(names = "--json", description = "one JSON object for all photos on standard output")
    private boolean json;

    @CommandLine.Spec
    private CommandLine.Model.@Nullable CommandSpec spec;

    @Override
    public Integer call() throws IOException {
        if (!Set.of("against", "bright", "auto").contains(lighting)) {
            throw new BadInput("command line", "--lighting", "is \"" + lighting + "\": write against, bright or auto");
        }
        if (diameterMm != null && !(diameterMm > 0 && diameterMm < 2000)) {
            throw new BadInput("command line", "--diameter-mm", "is " + diameterMm + ": give a length in mm");
        }
        List<Path> files = expand();
        Files.createDirectories(out);
        var printer = Objects.requireNonNull(spec).commandLine();
        List<Object> all = new ArrayList<>();
        int refused = 0;
        boolean bad = false;
        Set<String> used = new HashSet<>();
        for (Path file : files) {
            String name = String.valueOf(file.getFileName());
            String base = free(name.replaceFirst("\\.[^.]*$", ""), name, used);
            if (files.size() > 1) {
                printer.getErr().println((all.size() + refused + 1) + " of " + files.size() + ": " + name);
            }
            Optional<Answer> answer;
            try {
                answer = grade(file, name, base);
            } catch (BadInput e) {
                if (files.size() == 1) {
                    throw e;
                }
                // One bad photo does not end a batch.
                printer.getErr().println("still-glass: " + e.getMessage());
                answer = Optional.empty();
                bad = true;
            }
            if (answer.isPresent()) {
                all.add(answer.get().fields());
                if (!json) {
                    printer.getOut().println(name + ": " + summary(answer.get()));
                }
            } else {
                refused++;
            }
        }
        if (json) {
            printer.getOut().println(new Answer().put("photos", all).put("refused", refused).json());
        }
        return bad ? 2 : refused > 0 ? 1 : 0;
    }

    /// A name no other photo of the batch has: its stem, else its name, else that with a number.
    private static String free(String stem, String name, Set<String> used) {
        if (used.add(stem)) {
            return stem;
        }
        String free = name;
        for (int n = 2; !used.add(free); n++) {
            free = name + "-" + n;
        }
        return free;
    }

    private List<Path> expand() throws IOException {
        List<Path> files = new ArrayList<>();
        for (Path p : photos) {
            if (Files.isDirectory(p)) {
                try (Stream<Path> inside = Files.list(p)) {
                    inside.filter(f -> ENDINGS.contains(ending(f)) && !f.toString().endsWith(".mask.png"))
                            .sorted()
                            .forEach(files::add);
                }
            } else {
                files.add(p);
            }
        }
        if (files.isEmpty()) {
            throw new BadInput(photos.getFirst().toString(), "folder", "holds no PNG, JPEG or TIFF photo");
        }
        return files;
    }

    private static String ending(Path f) {
        String name = f.toString();
        return name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
    }

    private static String summary(Answer a) {
        return a.fields().get("findings") instanceof List<?> f ? f.size() + " findings" : "";
    }

    private Optional<Answer> grade(Path file, String name, String base) throws IOException {
        long start = System.nanoTime();
        byte[] bytes = PhotoFiles.bytes(file);
        LinearPhoto photo = PhotoFiles.linear(name, bytes);
        Optional<Lighting> given = lighting.equals("auto")
                ? Optional.empty()
                : Optional.of(Lighting.valueOf(lighting.toUpperCase(Locale.ROOT)));
        PhotoGrading.Outcome outcome = PhotoGrading.grade(
                photo,
                new PhotoGrading.Given(given, Optional.empty(), reference(name, bytes)),
                Progress.SILENT);
        return switch (outcome) {
            case PhotoGrading.Outcome.Refused r -> {
                Objects.requireNonNull(spec).commandLine().getErr().println("still-glass: " + name + ": photo: " + Wording.core().say(r.why()));
                yield Optional.empty();
            }
            case PhotoGrading.Outcome.Seen s -> {
                double seconds = (System.nanoTime() - start) / 1e9;
                Answer answer = answer(name, photo, s.graded(), seconds);
                ByteArrayOutputStream png = new ByteArrayOutputStream();
                if (!ImageIO.write(mask(photo, s.graded()), "png", png)) {
                    throw new IOException("no PNG writer");
                }
                // The mask first: a JSON file stands for a pair that is whole.
                SafeFile.write(out.resolve(base + ".mask.png"), png.toByteArray(), file);
                SafeFile.write(out.resolve(base + ".json"), (answer.json() + "\n").getBytes(StandardCharsets.UTF_8), file);
                yield Optional.of(answer);
            }
        };
    }

    /// Light of the lamp or the card at the exposure of a photo.
    private OptionalDouble reference(String name, byte[] bytes) {
        if (lamp == null) {
            return OptionalDouble.empty();
        }
        if (reference == null) {
            reference = LampPhoto.of(String.valueOf(lamp.getFileName()), PhotoFiles.bytes(lamp));
        }
        String of = reference.name();
        return OptionalDouble.of(reference.at(PhotoFiles.exposure(bytes)).orElseThrow(() -> new BadInput(name, "exposure",
                "is known of one of " + name + " and " + of + " only: take both with the camera's exposure kept in the file, or both without at the same exposure")));
    }

    private Answer answer(String name, LinearPhoto photo, PhotoGrading.Graded g, double seconds) {
        Answer answer = new Answer()
                .put("photo", name)
                .put("lighting", g.lighting().word())
                .put("aperture", new Answer()
                        .number("cx", g.aperture().cx())
                        .number("cy", g.aperture().cy())
                        .number("rx", g.aperture().rx())
                        .number("ry", g.aperture().ry())
                        .number("theta_deg", Math.toDegrees(g.aperture().thetaRad())))
                .put("findings", g.findings().stream().map(f -> finding(f, g).fields()).toList())
                .number("veil_fraction", g.veilFraction());
        answer.fields().put("yellowing", g.light().through().map(ThroughColour::blueOverRed).orElse(null));
        g.light().through().ifPresent(t -> answer.put("stops_lost", new Answer().number("red", t.red()).number("green", t.green()).number("blue", t.blue()).number("error", t.error()).put("yellow", t.said().word())));
        return answer.number("megapixels", photo.megapixels())
                .number("seconds", seconds)
                .put("diagnostics", g.diagnostics().stream().map(Wording.core()::say).toList());
    }

    private Answer finding(Finding f, PhotoGrading.Graded g) {
        double x = g.aperture().pixelX(f.x(), f.y());
        double y = g.aperture().pixelY(f.x(), f.y());
        Answer a = new Answer()
                .put("kind", f.kind().word())
                .number("confidence", f.confidence())
                .put("centre_px", List.of(x, y))
                .number("area_px", f.areaShare() * g.aperture().areaPx());
        if (diameterMm != null) {
            a.number("area_mm2", f.areaMm2(diameterMm));
        }
        return a.put("zone", f.zone().word())
                .number("clock", f.clock().hours() == 0 ? 12 : Math.round(f.clock().hours() * 100) / 100.0)
                .put("severity", f.severity())
                .put("count", f.count())
                .put("reasons", f.reasons().stream().map(Wording.core()::say).toList());
    }

    private static BufferedImage mask(LinearPhoto photo, PhotoGrading.Graded g) {
        BufferedImage image =
                new BufferedImage(photo.storedWidth(), photo.storedHeight(), BufferedImage.TYPE_BYTE_GRAY);
        var raster = image.getRaster();
        byte[] row = new byte[photo.storedWidth()];
        int working = g.mask().size() / g.maskWidth();
        int shown = -1;
        for (int y = 0; y < photo.storedHeight(); y++) {
            int my = Math.min(working - 1, (int) ((long) y * working / photo.storedHeight()));
            for (int x = 0; my != shown && x < row.length; x++) {
                int mx = Math.min(g.maskWidth() - 1, (int) ((long) x * g.maskWidth() / row.length));
                row[x] = (byte) g.mask().level(my * g.maskWidth() + mx);
            }
            shown = my;
            raster.setDataElements(0, y, row.length, 1, row);
        }
        return image;
    }
}
