package stillglass.cli;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.Objects;
import java.util.stream.Stream;
import javax.imageio.ImageIO;

/// Runs every verb once on small files, so that the Java machine can keep which classes they need and how they are linked: later starts are quicker.
public final class Warm {
    private static final String LINES = "begin lens, Brook 35 mm, stiff\noff name ring, thread, front, friction cup\nturns 3.5, lets go 4\nnext\n";

    private Warm() {}

    public static void main(String[] args) throws IOException {
        Main.quiet();
        Path folder = Files.createTempDirectory("still-glass-warm");
        InputStream in = System.in;
        try {
            Path lens = shipped(folder, "lenses/tarn_50_f35.json");
            Path map = shipped(folder, "instruments/ostrel_52_f2.json");
            Path photo = photo(folder.resolve("a.jpg"), 0);
            Path later = photo(folder.resolve("b.jpg"), 3);
            String book = folder.resolve("book.sqlite").toString();
            System.setIn(new ByteArrayInputStream(LINES.getBytes(StandardCharsets.UTF_8)));
            run("say", "--book", book);
            run("lens", lens.toString(), "--json");
            run("plan", map.toString(), "--reach", "E2", "--json", "--mat", folder.resolve("mat.pdf").toString());
            run("report", "T-0101", "--book", book, "--pdf", folder.resolve("r.pdf").toString(), "--md", folder.resolve("r.md").toString());
            run("grade", photo.toString(), "--out", folder.toString(), "--json");
            run("clocking", photo.toString(), later.toString(), "--json");
        } finally {
            System.setIn(in);
            try (Stream<Path> all = Files.walk(folder)) {
                all.sorted(Comparator.reverseOrder()).forEach(f -> f.toFile().delete());
            }
        }
    }

    private static void run(String... line) {
        PrintWriter nowhere = new PrintWriter(new StringWriter());
        Main.run(nowhere, nowhere, line);
    }

    private static Path shipped(Path folder, String name) {
        try (InputStream in = Objects.requireNonNull(Warm.class.getResourceAsStream("/stillglass/book/" + name), name)) {
            Path file = folder.resolve(Path.of(name).getFileName());
            Files.copy(in, file);
            return file;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /// A bright opening with specks, enough for every step of the reading.
    private static Path photo(Path file, int turn) throws IOException {
        BufferedImage image = new BufferedImage(1600, 1200, BufferedImage.TYPE_3BYTE_BGR);
        Graphics2D g = image.createGraphics();
        g.setColor(new Color(20, 20, 22));
        g.fillRect(0, 0, 1600, 1200);
        g.rotate(Math.toRadians(turn), 800, 600);
        g.setColor(new Color(120, 118, 110));
        g.fillOval(350, 150, 900, 900);
        g.setColor(new Color(210, 208, 200));
        for (int i = 0; i < 40; i++) {
            g.fillOval(500 + i * 37 % 600, 300 + i * 53 % 600, 4 + i % 9, 4 + i % 7);
            g.drawLine(700, 400, 700 + i * 11 % 160 - 80, 400 + i * 17 % 160 - 80);
        }
        g.dispose();
        ImageIO.write(image, "jpeg", file.toFile());
        return file;
    }
}
