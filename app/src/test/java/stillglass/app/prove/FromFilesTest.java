package stillglass.app.prove;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.book.BadInput;
import stillglass.device.Source;
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

    private Path hole(String name, int radius) throws IOException {
        BufferedImage image = new BufferedImage(400, 400, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(java.awt.RenderingHints.KEY_ANTIALIASING, java.awt.RenderingHints.VALUE_ANTIALIAS_ON);
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
        FromFiles read = FromFiles.iris(List.of(hole("b.png", 88), hole("a.png", 160)), List.of("2", "4"), Phase.AFTER);
        ReadingEvent.Measured m = figure(read, Quantity.OPENING);
        assertThat(read.events()).as("the widest is the measure").hasSize(1);
        assertThat(m.at()).isEqualTo("4");
        assertThat(m.value()).isCloseTo(2 * Math.log(1.1) / Math.log(2), within(0.03));
        assertThat(m.source()).contains(Source.FILE);
        assertThat(m.from()).contains("b.png");
        assertThat(read.notes()).anyMatch(n -> n.contains("too wide"));
        assertThatThrownBy(() -> FromFiles.iris(List.of(hole("a.png", 160)), List.of("2", "4"), Phase.AFTER)).isInstanceOf(BadInput.class).hasMessageContaining("1 for 2 stops");
    }

    @Test
    void aGaugesTableBecomesTorqueAndBreakaway() throws IOException {
        String rows = IntStream.range(0, 200).mapToObj(i -> String.format(Locale.ROOT, "%.1f,%.2f", 0.9 * i, (i < 5 ? 80 : 35) + 0.5 * Math.sin(i * 1.7))).collect(Collectors.joining("\n", "angle_deg,torque_nmm\n", "\n"));
        FromFiles read = FromFiles.torque(List.of(Files.writeString(folder.resolve("gauge.csv"), rows)), "focus", Phase.BEFORE);
        assertThat(figure(read, Quantity.TORQUE).value()).isCloseTo(35, within(0.2));
        assertThat(figure(read, Quantity.BREAKAWAY).value()).isCloseTo(80, within(1.0));
        assertThat(figure(read, Quantity.TORQUE).at()).isEqualTo("focus");
        assertThat(read.notes()).anyMatch(n -> n.contains("to start"));
        Path few = Files.writeString(folder.resolve("few.csv"), "0,1\n1,2\n");
        assertThatThrownBy(() -> FromFiles.torque(List.of(few), "focus", Phase.BEFORE)).isInstanceOf(BadInput.class).hasMessageStartingWith("few.csv: readings: ").hasMessageContaining("too few");
        assertThatThrownBy(() -> FromFiles.torque(List.of(Files.writeString(folder.resolve("none.csv"), "nothing here\n")), "focus", Phase.BEFORE)).isInstanceOf(BadInput.class).hasMessageContaining("none.csv");
    }
}
