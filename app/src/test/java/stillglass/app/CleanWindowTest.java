package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.control.Button;
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
import stillglass.assembly.Material;
import stillglass.book.data.Shelf;
import stillglass.care.CareTables;
import stillglass.ticket.care.Care;
import stillglass.ticket.care.CareEvent;

/// Cleaning a lens nobody knows: where parts go, what they are made of, pass by pass, and an iris flushed where it sits.
@ExtendWith(ApplicationExtension.class)
class CleanWindowTest {
    private Window window;

    @Start
    void start(Stage shown) throws Exception {
        Path folder = Files.createTempDirectory("still-glass-clean");
        window = new Window(shown, folder.resolve("logbook.sqlite"), new FxRobot(), Shelf.ofShop(folder), Devices.NONE);
        window.shell.showBook();
    }

    @AfterEach
    void close() {
        window.close();
    }

    private Care care() {
        return window.work().state().care();
    }

    private String text() {
        return Window.onUi(() -> String.join("\n", window.shell.lookupAll(".label").stream().filter(Label.class::isInstance).map(n -> ((Label) n).getText()).toList()));
    }

    @Test
    void aLensNobodyKnowsIsCleanedPassByPassAndItsIrisFlushed() {
        window.beginLens("Brook 35 mm f/2.8", KeyCode.DIGIT4);
        List.of("off name ring, thread, front", "off E1, retaining ring, front, spanner", "off focusing thread, thread, rear").forEach(window::type);
        window.press(KeyCode.CONTROL, KeyCode.DIGIT5);

        window.click("part-focusing_thread");
        assertThat(text()).contains("Nobody has said what it is made of");
        window.press(KeyCode.DIGIT1);
        assertThat(care().madeOf()).containsEntry("focusing_thread", Set.of(Material.BRASS, Material.ALUMINIUM));
        assertThat(text()).as("bare metal that was greased").contains("Soaking tin");
        assertThat(window.say()).contains("naphtha");
        window.fire("none-here");
        window.until("another is next", () -> !window.desk.shown().orElseThrow().care().lacking().isEmpty() && window.shell.lookup("#have-naphtha") != null);
        assertThat(text()).as("no tin without spirit").doesNotContain("Soaking tin");
        window.fire("have-naphtha");
        window.until("there is some again", () -> window.desk.shown().orElseThrow().care().lacking().isEmpty());
        window.settle();
        window.press(KeyCode.N);
        assertThat(care().cleaned()).singleElement().isEqualTo(new CareEvent.PartCleaned("focusing_thread", "old-grease", "naphtha", false));

        window.click("part-E1");
        window.fireAndPress("face-rear", KeyCode.L);
        assertThat(((TextField) window.there("say-field")).getText()).isEqualTo("cleaned E1 rear of dust with blower, ");
        window.press(KeyCode.ESCAPE);
        window.type("cleaned E1 rear of dust with blower, 3 specks left");
        assertThat(care().cleaned().getLast()).isEqualTo(new CareEvent.PartCleaned("E1", "dust", "blower", false, Optional.of(CareEvent.Face.REAR), Optional.of(3)));
        assertThat(text()).contains("3 left");
        window.press(KeyCode.SPACE);
        assertThat(care().cleaned().getLast()).as("the next pass, on the same face").matches(c -> c.gone() && c.face().equals(Optional.of(CareEvent.Face.REAR)));

        window.press(KeyCode.G);
        assertThat(window.work().care().school()).isEqualTo(CareTables.School.GENTLEST_FIRST);

        window.click("in-place-iris");
        assertThat(text()).contains("take it for cemented").doesNotContain("Gone");
        window.press(KeyCode.SPACE);
        window.type("flushed iris blades with naphtha, 61 ms, no oil");
        assertThat(window.say()).contains("look again");
        window.press(KeyCode.N);
        assertThat(care().flushed()).extracting(CareEvent.Flushed::shows).containsExactly(Optional.of(true), Optional.of(false), Optional.of(false));
        assertThat(window.say()).as("twice in a row without oil").contains("let it stand open");
        window.press(KeyCode.T);
        assertThat(care().timers()).containsKey("dry-iris");
    }

    /// What would spoil the silvered back of a splitter nobody knows is tried on its front all the same.
    @Test
    void eachFaceOfASplitterHasItsOwnLadder() {
        window.beginLens("Brook finder", KeyCode.DIGIT4);
        window.type("off splitter, seat, front");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT5);
        window.type("splitter front is made of coated glass");
        window.type("splitter rear is made of silvered mirror");
        window.click("part-splitter");
        assertThat(text()).as("of the whole the weaker face decides").contains("silvered mirror");
        window.click("face-front");
        assertThat(text()).contains("Made of coated glass").doesNotContain("silvered mirror:");
        window.press(KeyCode.N);
        assertThat(care().cleaned().getLast().face()).contains(CareEvent.Face.FRONT);
    }

    /// Bare metal that was greased soaks, bathes, is rinsed and dries, each clock begun when the one before has rung and was taken off; taken off before it has rung, it begins nothing.
    @Test
    void aTinGoesFromSoakToTankToRinseToDryByTheClock() {
        window.beginLens("Brook 35 mm f/2.8", KeyCode.DIGIT4);
        window.type("off focusing thread, thread, rear");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT5);
        window.click("part-focusing_thread");
        window.press(KeyCode.DIGIT1);
        window.click("bath-tin-1");
        assertThat(care().timers()).containsOnlyKeys("bath-tin-1-soak");
        assertThat(window.find("bath-tin-1")).as("it soaks already").isEmpty();
        Instant now = Window.WHEN;
        for (String next : List.of("bath-tin-1-bathe", "bath-tin-1-rinse", "bath-tin-1-dry")) {
            now = care().timers().values().iterator().next().ends();
            window.at(now);
            window.until("it has rung", () -> clock().isPresent());
            press(clock());
            window.until("the next clock runs", () -> window.desk.shown().filter(w -> w.state().care().timers().keySet().equals(Set.of(next))).isPresent());
        }
        assertThat(care().timers().get("bath-tin-1-dry").ends()).isAfter(now);
        press(Optional.of((Button) window.shell.lookup(".say-timer")));
        window.until("nothing follows", () -> window.desk.shown().filter(w -> w.state().care().timers().isEmpty()).isPresent());
    }

    private Optional<Button> clock() {
        return Optional.ofNullable((Button) window.shell.lookup(".say-timer-over"));
    }

    private static void press(Optional<Button> button) {
        Window.onUi(() -> {
            button.orElseThrow().fire();
            return true;
        });
    }

    /// First acts at once, nothing tried, and how it dries is told by weighings typed as the balance shows them.
    @Test
    void aBodyOutOfACanal() {
        window.begin("body", "Lodestar 2", KeyCode.DIGIT1);
        window.type("wet canal 3 min, 5 h ago, was on");
        assertThat(window.say()).contains("nothing switched on");
        assertThat(text()).contains("Got wet with dirty water or a drink, 3 min under, switched on", "Rinse in distilled water", "5 hours ago", "It was on: battery and cells out at once");
        window.press(KeyCode.DIGIT1);
        assertThat(window.work().state().readings().checks()).as("nothing is tried on what is wet").isEmpty();
        window.press(KeyCode.CONTROL, KeyCode.DIGIT5);
        window.type("weighs 492.00 g");
        assertThat(text()).contains("three weighings tell when it is dry. 1 so far.");
        assertThat(care().weighed()).singleElement().extracting(CareEvent.Weighed::grams).isEqualTo(492.0);
    }

    /// A lens that went under with its body: each says the other, and a press goes there.
    @Test
    void bodyAndLensOfOneAccidentKnowOfEachOther() {
        window.begin("body", "Lodestar 2", KeyCode.DIGIT1);
        window.type("cavity battery box 2 min, cells");
        window.press(KeyCode.CONTROL, KeyCode.B);
        window.beginLens("Brook 35 mm f/2.8", KeyCode.DIGIT1);
        window.type("came with T-0101");
        window.click("with-T-0101");
        window.until("the body is shown, and says so too", () -> window.desk.shown().filter(w -> w.state().tag().number().equals("T-0101") && w.state().arrival().with().equals(List.of("T-0102"))).isPresent());
        window.type("wet salt, 1 h ago");
        assertThat(text()).contains("Open the battery box next");
        TextField field = (TextField) window.there("say-field");
        Window.onUi(() -> {
            window.shell.type("came with T-0999");
            return true;
        });
        window.press(KeyCode.ENTER);
        assertThat(text()).contains("There is no ticket T-0999 in this book.");
        assertThat(Window.<String>onUi(field::getText)).as("a line that was not taken stays").isEqualTo("came with T-0999");
    }

    /// Channels as they were measured, foam as it lies there, strips cut from it, and a template at its true size.
    @Test
    void sealsAreCutForABodyNobodyKnows() throws Exception {
        window.begin("body", "Lodestar 2", KeyCode.DIGIT5);
        window.click("in-place-seals");
        assertThat(text()).contains("Cover shutter and mirror").contains("Measure every channel");
        window.press(KeyCode.C);
        assertThat(((TextField) window.there("say-field")).getText()).isEqualTo("channel ");
        window.press(KeyCode.ESCAPE);
        window.type("channel top rail 96 x 2.1, 2");
        window.until("what is missing", () -> shown("the floor of “top rail”"));
        window.type("channel top rail 96 x 2.1, gap 1.6, 2");
        window.type("channel hinge 40 x 6, gap 1.6");
        window.type("foam 120 x 30, 5 mm");
        window.type("foam 120 x 20, 2.3 mm");
        window.until("how it is cut", () -> shown("Cut 3 strips of 2.3 mm from one piece"));
        assertThat(care().channels()).hasSize(2);
        Path file = Files.createTempDirectory("seals").resolve("strips.pdf");
        window.answers.report = Optional.of(file);
        window.click("seal-template");
        window.until("it is written", () -> shown("Measure its bar"));
        assertThat(Files.readAllBytes(file)).startsWith("%PDF".getBytes(StandardCharsets.US_ASCII));
    }

    /// Asked on the interface thread.
    private boolean shown(String words) {
        return window.shell.lookupAll(".label").stream().anyMatch(n -> n instanceof Label l && l.getText().contains(words));
    }
}
