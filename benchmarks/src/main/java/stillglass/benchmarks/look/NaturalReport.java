package stillglass.benchmarks.look;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import stillglass.look.kinds.KindModel;

/// How often photographs of anything but lenses are taken for one: each as it is, and its four quarters.
///
/// `NaturalReport FOLDER`: any photographs that can be read, none of which comes with the application.
public final class NaturalReport {
    private NaturalReport() {}

    public static void main(String[] args) throws IOException {
        if (args.length != 1 || !Files.isDirectory(Path.of(args[0]))) {
            System.err.println("NaturalReport FOLDER: a folder of photographs, none of them of a lens");
            System.exit(2);
        }
        System.out.print(report(Path.of(args[0]), KindModel.shipped()));
    }

    static String report(Path folder, KindModel model) throws IOException {
        StringBuilder out = new StringBuilder(NotLenses.HEAD);
        NotLenses.Tried whole = NotLenses.Tried.NONE;
        NotLenses.Tried quarters = NotLenses.Tried.NONE;
        for (Path file : files(folder)) {
            String name = file.getFileName().toString();
            BufferedImage photo = ImageIO.read(file.toFile());
            if (photo == null) {
                out.append(String.format(Locale.ROOT, "| %s | | | no photograph that can be read |%n", name));
                continue;
            }
            NotLenses.Tried its = NotLenses.Tried.of(List.of(photo), model);
            NotLenses.Tried parts = NotLenses.Tried.of(quarters(photo), model);
            out.append(its.row(name)).append(parts.row(name + ", its quarters"));
            whole = whole.and(its);
            quarters = quarters.and(parts);
        }
        return out.append(whole.row("**all as they are**")).append(quarters.row("**all quarters**")).toString();
    }

    private static List<Path> files(Path folder) throws IOException {
        try (Stream<Path> in = Files.list(folder)) {
            return in.filter(Files::isRegularFile).sorted().toList();
        }
    }

    private static List<BufferedImage> quarters(BufferedImage photo) {
        int w = photo.getWidth() / 2;
        int h = photo.getHeight() / 2;
        List<BufferedImage> out = new ArrayList<>();
        for (int k = 0; k < 4 && w > 0 && h > 0; k++) {
            out.add(photo.getSubimage(k % 2 * w, k / 2 * h, w, h));
        }
        return out;
    }
}
