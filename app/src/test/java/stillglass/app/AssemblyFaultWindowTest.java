package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
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

/// It is closed and it is not right: what is it? On an empty book, with typed figures.
@ExtendWith(ApplicationExtension.class)
class AssemblyFaultWindowTest {
    private Path folder;
    private Window window;

    @Start
    void start(Stage shown) throws Exception {
        folder = Files.createTempDirectory("still-glass-fault");
        window = new Window(shown, folder.resolve("logbook.sqlite"), new FxRobot(), Shelf.ofShop(folder), Devices.NONE);
        window.shell.showBook();
    }

    @AfterEach
    void close() {
        window.close();
    }

    private void put(String id, String text) {
        TextField field = (TextField) window.there(id);
        Window.onUi(() -> {
            field.setText(text);
            field.requestFocus();
            return true;
        });
        window.press(KeyCode.ENTER);
    }

    /// All that stands under infinity.
    private String told() {
        return Window.onUi(() -> String.join("\n", window.shell.lookupAll(".label").stream().filter(n -> shown(n)).map(n -> ((Label) n).getText()).toList()));
    }

    /// Whether a label that is shown has these words; on the interface thread.
    private boolean said(String words) {
        return window.shell.lookupAll(".label").stream().anyMatch(n -> shown(n) && ((Label) n).getText().contains(words));
    }

    private static boolean shown(Node n) {
        return n.isVisible() && (n.getParent() == null || shown(n.getParent()));
    }

    /// A 105 mm somebody else closed with its fourth glass turned: infinity lies where a trace of that lens puts it, at −6.03 mm.
    @Test
    void aLensClosedWithATurnedGlassFromItsArrivalToTheCause() throws Exception {
        window.beginLens("Hawthorn 105 mm f/2.8", KeyCode.DIGIT1);
        Path lens = folder.resolve("section.json");
        try (var in = AssemblyFaultWindowTest.class.getResourceAsStream("/stillglass/book/lenses/hawthorn_105_f28.json")) {
            Files.write(lens, in.readAllBytes());
        }
        window.answers.lens = Optional.of(lens);
        window.fire("add-optics");
        window.until("the section is known", () -> window.desk.shown().orElseThrow().section().isPresent());
        put("infinity-check", "-6.03 ± .02");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT7);
        assertThat(window.say()).isEqualTo("Read infinity as it stands.");
        window.until("a chart is shown", () -> window.shell.lookup("#chart-strip") != null);
        assertThat(told()).contains("E4 reversed (").contains("a chart as designed").contains("If the assembly were wrong, the section says:")
                // By hand: drawn out 6.18 mm for 2 m, and 6.03 more.
                .contains("2 m on the scale is sharp at 1.13 m");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT6);
        window.until("Close says it, too", () -> said("E4 reversed ("));
    }

    /// Reflections of a lamp in a lens nobody has a section of are kept, and it is said what they wait for; nonsense beside the lens hurts nothing.
    @Test
    void reflectionsWaitForASection() throws Exception {
        window.beginLens("Hawthorn 105 mm f/2.8", KeyCode.DIGIT2);
        window.type("glints lamp 3 aside 2 eye 3: 0.1");
        window.type("glints lamp 300 aside 30 eye 300: 0.16 -0.42 0.33 0.55");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT3);
        window.until("it is said what they wait for", () -> said("they say something once the section of this lens is known"));
        Path lens = folder.resolve("section.json");
        try (var in = AssemblyFaultWindowTest.class.getResourceAsStream("/stillglass/book/lenses/hawthorn_105_f28.json")) {
            Files.write(lens, in.readAllBytes());
        }
        window.press(KeyCode.CONTROL, KeyCode.DIGIT1);
        window.answers.lens = Optional.of(lens);
        window.fire("add-optics");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT3);
        window.until("now they say something", () -> said("By the lamp's reflections: "));
    }

    @Test
    void aWrongEntryIsNamedAndPutRight() {
        window.beginLens("Brook 90 mm f/4", KeyCode.DIGIT4);
        window.type("off inner barrel, thread, front");
        window.type("turns 2.5, travel 30 mm, 6 starts");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT6);
        window.type("turns 2.5");
        window.type("inner barrel on");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT7);
        window.until("before anything is measured it is said what would stay silent", () -> said("inner barrel begun an entry off") && said("Infinity would show 1 of 1"));
        put("infinity-after", "2.02 ± .02");
        window.until("the entry is blamed", () -> said("inner barrel begun one entry off"));
        assertThat(told()).contains("2.0 hours further round");
        assertThat(window.say()).isEqualTo("No shim mends that: a thread was begun at another entry.");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        window.type("off inner barrel");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT6);
        window.type("turns 2.5");
        window.type("inner barrel on");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT7);
        put("infinity-after", "0.005 ± .02");
        window.until("nothing is blamed any more", () -> !said("entry off"));
    }
}
