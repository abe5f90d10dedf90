package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import stillglass.device.Source;
import stillglass.prove.measure.Quantity;
import stillglass.ticket.readings.Readings;
import stillglass.ticket.story.Phase;

/// Prove with the demo's devices on a shutter nobody has mapped: read by key, counted by key.
@ExtendWith(ApplicationExtension.class)
class ProveWindowTest {
    private Window window;
    private FxRobot robot;

    @Start
    void start(Stage stage) throws Exception {
        Path folder = Files.createTempDirectory("still-glass-prove");
        robot = new FxRobot();
        window = new Window(stage, folder.resolve("book.sqlite"), robot);
        window.shell.showBook();
    }

    @AfterEach
    void close() {
        window.close();
    }

    private Readings readings() {
        return window.desk.shown().orElseThrow().state().readings();
    }

    private void begin() throws Exception {
        window.settle();
        window.click("begin-what");
        robot.write("Corvane leaf shutter", 0);
        window.click("begin-shutter");
        window.until("the ticket is shown", () -> window.desk.shown().isPresent());
        window.press(KeyCode.CONTROL, KeyCode.DIGIT7);
        window.settle();
    }

    @Test
    void aDeviceGoesThroughTheSpeedsAndSaysThatItIsSimulated() throws Exception {
        begin();
        window.fire("from-device");
        window.until("the slowest speed is read", () -> readings().last(Phase.AFTER, Quantity.SPEED, "1").isPresent());
        window.press(KeyCode.R);
        window.until("the next is read", () -> readings().measured().size() == 2);
        assertThat(readings().measured()).allSatisfy(m -> assertThat(m.read().source()).contains(Source.SIMULATED));
        TextField field = (TextField) window.there("figure");
        Window.onUi(() -> {
            field.setText("1/4 sound");
            return true;
        });
        window.press(KeyCode.R);
        window.until("it is heard", () -> readings().last(Phase.AFTER, Quantity.SPEED, "1/4").isPresent());
        assertThat(readings().last(Phase.AFTER, Quantity.SPEED, "1/4").orElseThrow().read().from()).contains("microphone.wav");
    }

    @Test
    void aKeyCountsTries() throws Exception {
        begin();
        Node list = window.there("checks-after");
        window.press(KeyCode.EQUALS);
        window.press(KeyCode.EQUALS);
        window.press(KeyCode.MINUS);
        assertThat(readings().told(Phase.AFTER, "cocking", -1)).contains("2 of 3");
        assertThat(Window.onUi(() -> list.lookupAll(".label").stream().map(n -> ((javafx.scene.control.Label) n).getText()).toList().toString())).contains("2 of 3");
        window.press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(readings().told(Phase.AFTER, "cocking", -1)).contains("2 of 2");
    }
}
