package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import stillglass.app.desk.Devices;
import stillglass.book.data.Shelf;
import stillglass.device.Source;
import stillglass.prove.measure.Quantity;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;

/// A leaf shutter nobody has mapped, on an empty book with nothing connected: arrival speeds, a hold point that fails, rework, proof and report.
@ExtendWith(ApplicationExtension.class)
class LeafShutterWindowTest {
    private static final int RATE = 48_000;

    private Path folder;
    private Window window;
    private FxRobot robot;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("still-glass-shutter");
        robot = new FxRobot();
        window = new Window(stage, folder.resolve("book.sqlite"), robot, Shelf.ofShop(folder), Devices.NONE);
        window.shell.showBook();
    }

    @AfterEach
    void close() {
        window.close();
    }

    private void say(String line) {
        window.type(line);
    }

    /// A trace of a light sensor: straight flanks of a millisecond, a little noise.
    private Path trace(String name, double exposureS) throws IOException {
        int frames = (int) (RATE * (exposureS + 0.6));
        byte[] bytes = new byte[2 * frames];
        Random random = new Random(name.hashCode());
        for (int i = 0; i < frames; i++) {
            double t = (double) i / RATE - 0.3;
            short v = (short) Math.round(32_767 * (0.5 * Math.clamp(t / 0.001 + 0.5, 0, 1) * Math.clamp((exposureS - t) / 0.001 + 0.5, 0, 1) + 0.003 * random.nextGaussian()));
            bytes[2 * i] = (byte) v;
            bytes[2 * i + 1] = (byte) (v >> 8);
        }
        Path file = folder.resolve(name);
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(bytes), new AudioFormat(RATE, 16, 1, true, false), frames), AudioFileFormat.Type.WAVE, file.toFile());
        return file;
    }

    private void record(String speed, double exposureS) throws IOException {
        String name = "trace-" + speed.replace('/', '-') + ".wav";
        window.answers.several = List.of(trace(name, exposureS));
        TextField field = (TextField) window.there("figure");
        Window.onUi(() -> {
            field.setText(speed);
            return true;
        });
        window.fire("from-files");
        window.until(speed + " is read", () -> last(Phase.AFTER, speed).isPresent());
    }

    private Optional<Readings.Measurement> last(Phase phase, String speed) {
        return window.desk.shown().flatMap(w -> w.state().readings().last(phase, Quantity.SPEED, speed));
    }

    @Test
    void fromSlowSpeedsToASignedReport() throws Exception {
        window.settle();
        window.click("begin-what");
        robot.write("Corvane leaf shutter, slow speeds hang", 0);
        window.click("begin-shutter");
        window.until("the ticket is shown", () -> window.desk.shown().isPresent());
        window.press(KeyCode.CONTROL, KeyCode.DIGIT1);
        say("speed 1 1.9 s ± 0.02");
        say("speed 1/2 930 ms ± 8");
        say("speed 1/5 360 ms ± 4");
        say("speed 1/10 170 ms ± 2");
        say("speed 1/25 55 ms ± 1");
        say("speed 1/100 10.4 ms ± 0.2");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT7);
        assertThat(texts("figures")).contains("6 places, 0 after the work");
        assertThat(all()).contains("the slow escapement sticks").contains("To reach: the slow-speed escapement");

        window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        say("off cover ring, thread, front");
        say("off cam ring, front");
        say("off escapement, 2 screws, front");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT6);
        closeNext("escapement");
        assertThat(window.find("test-failed")).as("speeds cannot run without their cam").isEmpty();
        closeNext("cam ring");
        window.settle();
        assertThat(window.find("test-failed")).as("the hold point is shown").isPresent();
        assertThat(all()).contains("Slow speeds");
        say("test failed slow speeds: stops half way");
        assertThat(window.work().state().joints().trials()).singleElement().satisfies(t -> assertThat(t.passed()).isFalse());
        window.settle();
        window.press(KeyCode.O);
        assertThat(window.work().state().joints().openNow()).as("the cover and what was closed last").hasSize(2);
        window.work().state().joints().openNow().stream().filter(id -> !id.equals(joint("cover ring"))).map(id -> window.work().world().nameOf(id)).toList().forEach(this::closeNext);
        say("test passed slow speeds");
        closeNext("cover ring");
        assertThat(window.work().state().joints().openNow()).isEmpty();

        window.press(KeyCode.CONTROL, KeyCode.DIGIT7);
        window.settle();
        record("1", 1.01);
        record("1/5", 0.203);
        record("1/100", 0.0102);
        assertThat(last(Phase.AFTER, "1/5").orElseThrow().read()).satisfies(m -> {
            assertThat(m.value()).isCloseTo(0.203, within(0.0003));
            assertThat(m.source()).contains(Source.FILE);
            assertThat(m.from()).contains("trace-1-5.wav");
        });
        say("speed 1/2 505 ms ± 8");
        say("speed 1/10 101 ms ± 2");
        say("speed 1/25 41 ms ± 1");
        assertThat(texts("figures")).contains("6 places, 6 after the work · all within");
        window.click("signature");
        robot.write("M. at the bench", 0);
        window.press(KeyCode.ENTER);
        assertThat(window.work().state().proof().signed(window.work().state().joints())).as("nothing is wanted any more").isPresent();
        Path pdf = folder.resolve("report.pdf");
        window.answers.report = Optional.of(pdf);
        window.fire("write-pdf");
        window.until("the report is written", () -> Files.exists(pdf));
        try (PDDocument d = Loader.loadPDF(pdf.toFile())) {
            assertThat(new PDFTextStripper().getText(d).replaceAll("\\s+", " ")).contains("speed 1/5 s", "360 ms ± 4.0", "203", "trace-1-5.wav", "within ±0.33 EV", "Signed: M. at the bench");
        }
    }

    @Test
    void aRecordingWithoutLightSaysSoAndKeepsNothing() throws Exception {
        window.settle();
        window.click("begin-what");
        robot.write("Corvane leaf shutter", 0);
        window.click("begin-shutter");
        window.until("the ticket is shown", () -> window.desk.shown().isPresent());
        window.press(KeyCode.CONTROL, KeyCode.DIGIT7);
        window.fire("from-files");
        assertThat(all()).as("the speed comes first").contains("Type the speed first");
        window.answers.several = List.of(Files.write(folder.resolve("dark.wav"), new byte[0]));
        TextField field = (TextField) window.there("figure");
        Window.onUi(() -> {
            field.setText("1/60");
            return true;
        });
        window.fire("from-files");
        window.until("it is said", () -> texts(window.scene.getRoot()).contains("dark.wav"));
        assertThat(last(Phase.AFTER, "1/60")).isEmpty();
    }

    private String joint(String name) {
        return window.work().instrument().joints().stream().filter(j -> j.name().equals(name)).findFirst().orElseThrow().id();
    }

    private void closeNext(String name) {
        window.settle();
        say(name + " on");
        assertThat(window.work().state().joints().story(joint(name)).open()).as(name).isFalse();
    }

    private String texts(String id) {
        Node node = window.there(id);
        return Window.onUi(() -> texts(node));
    }

    private String all() {
        return Window.onUi(() -> texts(window.scene.getRoot()));
    }

    private static String texts(Node under) {
        return String.join(" | ", under.lookupAll(".label").stream().map(n -> ((Label) n).getText().replace('\u00a0', ' ')).toList());
    }
}
