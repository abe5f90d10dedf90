package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import javafx.event.ActionEvent;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import stillglass.app.desk.Devices;
import stillglass.book.data.Shelf;

/// What a hand should know is told at the act, on an instrument nobody knows, until the shop knows it; and the goods of the shop on their sheet.
@ExtendWith(ApplicationExtension.class)
class HandWindowTest {
    private Window window;

    @Start
    void start(Stage shown) throws Exception {
        Path folder = Files.createTempDirectory("still-glass-hand");
        window = new Window(shown, folder.resolve("logbook.sqlite"), new FxRobot(), Shelf.ofShop(folder), Devices.NONE);
        window.shell.showBook();
    }

    @AfterEach
    void close() {
        window.close();
    }

    /// What a box says; nothing while it is not shown.
    private String text(String box) {
        return Window.onUi(() -> told(box));
    }

    /// The same, asked on the interface thread.
    private String told(String box) {
        Node b = window.shell.lookup("#" + box);
        return b == null || !b.isVisible() ? "" : b.lookupAll(".label").stream().filter(Label.class::isInstance).map(n -> ((Label) n).getText()).collect(Collectors.joining("\n"));
    }

    /// Types a line into the sheet of goods and takes it.
    private void line(String text) {
        TextField field = (TextField) window.there("goods-line");
        Window.onUi(() -> {
            field.setText(text);
            field.fireEvent(new ActionEvent());
            return true;
        });
        window.settle();
    }

    @Test
    void whatIsAboutToComeOffIsToldOfUntilTheShopKnowsIt() {
        window.begin("shutter", "Size 0 leaf shutter", KeyCode.DIGIT4);
        assertThat(text("open-hand")).as("nothing is in hand").isEmpty();
        window.type("trying front cell, thread, front, fingers");
        window.until("the joint in hand is told of", () -> told("open-hand").contains("friction cup"));
        window.fire("hand-more");
        window.until("all of it is told", () -> told("open-hand").contains("friction cup") && told("open-hand").contains("which of the two seams"));
        window.fire("known-slotless-grip");
        window.until("it is not told again", () -> !told("open-hand").contains("friction cup"));
        window.until("the other one is", () -> told("open-hand").contains("which of the two seams"));

        window.type("off front cell, thread, front, fingers");
        window.until("it is off", () -> told("open-hand").isEmpty());
        window.press(KeyCode.CONTROL, KeyCode.DIGIT6);
        window.until("what closes is told of", () -> told("close-hand").contains("Finger force"));
        window.press(KeyCode.CONTROL, KeyCode.DIGIT5);
        window.fire("in-place-self-timer");
        window.settle();
        window.until("what is flushed is told of", () -> told("flush-hand").contains("After each drop"));

        window.press(KeyCode.CONTROL, KeyCode.D);
        window.until("the day is there", () -> window.shell.lookup("#day-task") != null);
        window.press(KeyCode.G);
        window.fire("tell-again");
        window.until("all is told again", () -> window.shell.lookup("#tell-again") == null);
        assertThat(window.work().care().knacks().known()).isEmpty();
    }

    @Test
    void whatToLayOutFollowsFromWhatWasFound() {
        window.beginLens("Brook 85 mm f/2", KeyCode.DIGIT2);
        window.type("iris oily, marked");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        window.press(KeyCode.K);
        window.until("it is laid out", () -> told("lay-out").contains("oil film"));
        assertThat(text("lay-out")).contains("lamp").contains("gloves");
        assertThat(text("tool-shelf")).contains("Nothing names a tool yet");
    }

    @Test
    void aTrainGetsDropsUntilItRuns() {
        window.begin("shutter", "Size 0 leaf shutter", KeyCode.DIGIT5);
        window.fire("in-place-escapement");
        window.settle();
        assertThat(window.say()).contains("A drop at each pivot");
        window.press(KeyCode.SPACE);
        window.type("flushed escapement with naphtha, runs free");
        window.type("flushed escapement with naphtha, runs free");
        assertThat(window.say()).contains("It runs free");
        assertThat(window.work().state().care().flushed()).extracting(f -> f.shows().orElseThrow()).containsExactly(true, false, false);
    }

    @Test
    void greasesTheShopOwnsAreOfferedAndWhatWentIsCounted() {
        window.beginLens("Brook 85 mm f/2", KeyCode.DIGIT4);
        List.of("off front ring, thread, front, fingers", "off helicoid, thread, front, fingers").forEach(window::type);
        window.press(KeyCode.CONTROL, KeyCode.D);
        window.until("the day is there", () -> window.shell.lookup("#day-task") != null);
        window.press(KeyCode.G);
        line("grease light damping, 1 g, batch 12, costs 18");
        window.until("it is on the sheet", () -> window.shell.lookup("#good-light-damping-batch-12") != null);
        line("glue super");
        assertThat(text("goods-sheet")).contains("begin with grease or agent");
        window.press(KeyCode.ESCAPE);
        window.press(KeyCode.CONTROL, KeyCode.DIGIT6);
        window.until("it is offered", () -> window.desk.shown().orElseThrow().care().greases().contains("light damping batch 12"));
        window.settle();
        window.type("greased 100 mg with light damping batch 12");
        window.press(KeyCode.CONTROL, KeyCode.D);
        window.until("the day is there", () -> window.shell.lookup("#day-task") != null);
        window.press(KeyCode.G);
        window.until("what went is counted", () -> told("goods-sheet").contains("about 90"));
        assertThat(text("goods-sheet")).contains("used once").contains("1.8 for a thread of 100");
        window.fire("gone-light-damping-batch-12");
        window.until("it is used up", () -> window.shell.lookup("#good-light-damping-batch-12") == null);
    }
}
