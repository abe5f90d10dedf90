package stillglass.app.prove;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CancellationException;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.book.BadInput;
import stillglass.device.Source;
import stillglass.look.Progress;
import stillglass.prove.measure.Quantity;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;

/// Files written here, as cameras and gauges write them.
class FromFilesTest {
    @TempDir
    Path folder;

    private static ReadingEvent.Measured figure(FromFiles read, Quantity q) {
        return (ReadingEvent.Measured) read.events().stream().filter(e -> e instanceof ReadingEvent.Measured m && m.quantity() == q).findFirst().orElseThrow();
    }

    private static FromFiles read(Quantity q, String typed, Phase phase, Path... files) {
        return ((Measuring.Way.Files) Measuring.files(q, typed, phase)).read().apply(List.of(files), Progress.SILENT);
    }

    private Path hole(String name, int radius) throws IOException {
        BufferedImage image = new BufferedImage(400, 400, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setColor(new Color(30, 28, 26));
        g.fillRect(0, 0, 400, 400);
        g.setColor(new Color(200, 200, 195));
        g.fillOval(200 - radius, 200 - radius, 2 * radius, 2 * radius);
        g.dispose();
        Path file = folder.resolve(name);
        ImageIO.write(image, "png", file.toFile());
        return file;
    }

    @Test
    void photosOfAnIrisBecomeDeparturesOfItsStops() throws IOException {
        // f/4 should have half the diameter of f/2, and has 55 %.
        FromFiles read = read(Quantity.OPENING, "2 4", Phase.AFTER, hole("b.png", 88), hole("a.png", 160));
        ReadingEvent.Measured m = figure(read, Quantity.OPENING);
        assertThat(read.events()).as("the widest is the measure").hasSize(1);
        assertThat(m.at()).isEqualTo("4");
        assertThat(m.value()).isCloseTo(2 * Math.log(1.1) / Math.log(2), within(0.03));
        assertThat(m.source()).contains(Source.FILE);
        assertThat(m.from()).contains("b.png");
        assertThat(read.notes()).anyMatch(n -> n.contains("too wide"));
        assertThatThrownBy(() -> read(Quantity.OPENING, "f/2 f/4", Phase.AFTER, hole("a.png", 160))).isInstanceOf(BadInput.class).hasMessageContaining("1 for 2 stops");
    }

    @Test
    void aGaugesTableBecomesTorqueAndBreakaway() throws IOException {
        String rows = IntStream.range(0, 200).mapToObj(i -> String.format(Locale.ROOT, "%.1f,%.2f", 0.9 * i, (i < 5 ? 80 : 35) + 0.5 * Math.sin(i * 1.7))).collect(Collectors.joining("\n", "angle_deg,torque_nmm\n", "\n"));
        FromFiles read = read(Quantity.TORQUE, "focus", Phase.BEFORE, Files.writeString(folder.resolve("gauge.csv"), rows));
        assertThat(figure(read, Quantity.TORQUE).value()).isCloseTo(35, within(0.2));
        assertThat(figure(read, Quantity.BREAKAWAY).value()).isCloseTo(80, within(1.0));
        assertThat(figure(read, Quantity.TORQUE).at()).isEqualTo("focus");
        assertThat(read.notes()).anyMatch(n -> n.contains("to start"));
        Path few = Files.writeString(folder.resolve("few.csv"), "0,1\n1,2\n");
        assertThatThrownBy(() -> read(Quantity.TORQUE, "focus", Phase.BEFORE, few)).isInstanceOf(BadInput.class).hasMessageStartingWith("few.csv: readings: ").hasMessageContaining("too few");
        assertThatThrownBy(() -> read(Quantity.TORQUE, "focus", Phase.BEFORE, Files.writeString(folder.resolve("none.csv"), "nothing here\n"))).isInstanceOf(BadInput.class).hasMessageContaining("none.csv");
    }

    @Test
    void aTraceThroughAClosingIrisBecomesATime() throws IOException {
        String rows = IntStream.range(0, 4000).mapToObj(i -> i * 0.0005 + "," + (0.2 + 0.6 * Math.clamp(1 - (i * 0.0005 - 0.8) / 0.05, 0, 1) + 0.0005 * (i % 3))).collect(Collectors.joining("\n"));
        ReadingEvent.Measured m = figure(read(Quantity.CLOSING, "f/16", Phase.BEFORE, Files.writeString(folder.resolve("iris.csv"), rows)), Quantity.CLOSING);
        assertThat(m.at()).isEqualTo("16");
        assertThat(m.value()).isCloseTo(0.9 * 0.05, within(0.001));
    }

    /// Squares turned by 6°, those on the right smeared over more pixels.
    private Path squares(String name) throws IOException {
        int w = 600;
        int h = 400;
        BufferedImage image = new BufferedImage(w, h, BufferedImage.TYPE_BYTE_GRAY);
        double c = Math.cos(Math.toRadians(6));
        double s = Math.sin(Math.toRadians(6));
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                double mx = (Math.floor(x / 120.0) + 0.5) * 120 - x;
                double my = (Math.floor(y / 133.4) + 0.5) * 133.4 - y;
                double smear = x > 400 ? 6 : 3;
                double in = Math.clamp((30 - Math.abs(c * mx + s * my)) / smear + 0.5, 0, 1) * Math.clamp((30 - Math.abs(c * my - s * mx)) / smear + 0.5, 0, 1);
                image.getRaster().setSample(x, y, 0, Math.round(255 * (1.055 * Math.pow(0.7 - 0.6 * in, 1 / 2.4) - 0.055)));
            }
        }
        Path file = folder.resolve(name);
        ImageIO.write(image, "png", file.toFile());
        return file;
    }

    @Test
    void aPhotoOfEdgesBecomesSharpnessAtTheCentreAndInTheCorners() throws IOException {
        FromFiles read = read(Quantity.SHARPNESS, "f/2.8 5 µm", Phase.AFTER, squares("chart.png"));
        List<ReadingEvent.Measured> all = read.events().stream().map(ReadingEvent.Measured.class::cast).toList();
        assertThat(all).extracting(ReadingEvent.Measured::at).containsExactlyInAnyOrder("centre f/2.8", "top left f/2.8", "top right f/2.8", "bottom left f/2.8", "bottom right f/2.8");
        // sin(x)/x of a smear of d pixels is a half at 0.6034 / d cycles a pixel, of 200 pixels a millimetre.
        assertThat(at(all, "top left f/2.8")).isCloseTo(200 * 0.6034 / 3, within(1.2));
        assertThat(at(all, "bottom right f/2.8")).isCloseTo(200 * 0.6034 / 6, within(1.2));
        assertThat(Measuring.files(Quantity.SHARPNESS, "", Phase.AFTER)).isEqualTo(new Measuring.Way.Wanted("figures.photos.pixels"));
        assertThat(Measuring.files(Quantity.SHARPNESS, "0 µm", Phase.AFTER)).isInstanceOf(Measuring.Way.Wanted.class);
        assertThat(Measuring.files(Quantity.WEIGHT, "", Phase.AFTER)).isInstanceOf(Measuring.Way.None.class);
    }

    private static double at(List<ReadingEvent.Measured> all, String place) {
        return all.stream().filter(m -> m.at().equals(place)).findFirst().orElseThrow().value();
    }

    @Test
    void aReadingThatIsStoppedKeepsNothing() throws IOException {
        String rows = IntStream.range(0, 4000).mapToObj(i -> i * 0.0005 + "," + (i % 2000 > 800 && i % 2000 < 820 ? 1 : 0.01 * (i % 2))).collect(Collectors.joining("\n"));
        Path trace = Files.writeString(folder.resolve("light.csv"), rows);
        BiFunction<List<Path>, Progress, FromFiles> way = ((Measuring.Way.Files) Measuring.files(Quantity.SPEED, "1/125", Phase.AFTER)).read();
        assertThatThrownBy(() -> way.apply(List.of(trace), (share, doing) -> {
            throw new CancellationException();
        })).isInstanceOf(CancellationException.class);
        assertThat(way.apply(List.of(trace), Progress.SILENT).events()).hasSize(1);
        assertThat(Measuring.files(Quantity.SPEED, "1/125 sound", Phase.AFTER)).isInstanceOf(Measuring.Way.Files.class);
        assertThatThrownBy(() -> read(Quantity.SPEED, "1/125 sound", Phase.AFTER, trace)).isInstanceOf(BadInput.class).hasMessageContaining("light.csv: sound");
    }
}
