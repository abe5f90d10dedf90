package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import javafx.scene.AccessibleAttribute;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;
import stillglass.app.axis.AxisModel;
import stillglass.app.desk.Told;
import stillglass.app.draw.PictureFrame;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import stillglass.sim.DemoTickets;

/// What concerns the glass itself, in the real window: stops, thought-away findings, light, depth, measured lenses.
@ExtendWith(ApplicationExtension.class)
class GlassWindowTest {
    private Window window;
    private FxRobot robot;

    /// Telling the story takes longer than a window may take to open.
    @BeforeAll
    static void tell() {
        Told.end(stillglass.ticket.story.Stage.LOOK);
    }

    @Start
    void start(Stage shown) throws Exception {
        robot = new FxRobot();
        window = new Window(shown, Told.book(stillglass.ticket.story.Stage.LOOK, Files.createTempDirectory("still-glass-glass")), robot);
        window.shell.showBook();
    }

    @AfterEach
    void close() {
        window.close();
    }

    @Test
    void theStopIsTurnedAndAFindingThoughtAway() {
        window.openAt(DemoTickets.SHOWPIECE, KeyCode.DIGIT3);
        assertThat(window.work().viewing().stop()).isZero();
        window.press(KeyCode.RIGHT);
        window.press(KeyCode.RIGHT);
        assertThat(window.work().viewing().stop()).isEqualTo(2);
        Node ring = window.there("stop-ring");
        // The picture above it takes its height in the layouts that follow; then the ring stands still.
        WaitForAsyncUtils.waitForFxEvents(5);
        var bounds = Window.onUi(() -> ring.localToScreen(ring.getBoundsInLocal()));
        robot.clickOn(bounds.getMaxX() - 8, bounds.getCenterY());
        window.settle();
        int last = window.work().section().orElseThrow().stops().size() - 1;
        assertThat(window.work().viewing().stop()).isEqualTo(last);
        assertThat(Window.onUi(() -> ring.queryAccessibleAttribute(AccessibleAttribute.VALUE_STRING))).isEqualTo("f/16");
        window.press(KeyCode.LEFT);
        window.press(KeyCode.LEFT);
        assertThat(window.work().viewing().stop()).as("the ring has the focus").isEqualTo(last - 2);
        PictureFrame picture = (PictureFrame) window.there("picture");
        assertThat(Window.onUi(picture::ringed)).as("the fungus shows at f/8").isTrue();
        int fungus = 1 + window.work().state().glass().findings().stream().map(k -> k.finding().kind()).toList().indexOf(FindingKind.FUNGUS);
        window.fire("cure-" + fungus);
        assertThat(window.work().viewing().cured()).hasSize(1);
        window.until("the ring is gone", () -> !picture.ringed());
        window.fire("cure-" + fungus);
        assertThat(window.work().viewing().cured()).isEmpty();
    }

    @Test
    void lightAndASurfaceFaceOnAreShownOnTheAxis() {
        window.openAt(DemoTickets.SHOWPIECE, KeyCode.DIGIT3);
        window.until(".axis-ray is gone", () -> window.shell.lookup(".axis-ray") == null);
        window.press(KeyCode.L);
        window.until("light is drawn", () -> window.shell.lookup(".axis-ray") != null);
        Node glass = window.there("axis-E1");
        var bounds = Window.onUi(() -> glass.localToScreen(glass.getBoundsInLocal()));
        robot.moveTo(bounds.getMinX() + 2, bounds.getCenterY());
        window.until("a surface is looked at", () -> window.shell.lookup("#face") != null);
        assertThat(window.work().viewing().face()).contains(0);
        robot.moveTo(bounds.getMinX() + 2, bounds.getCenterY() + 400);
        window.until("and left again", () -> window.shell.lookup("#face") == null);
        Window.onUi(() -> {
            window.shell.lookup("#axis").requestFocus();
            return true;
        });
        window.press(KeyCode.DOWN);
        window.press(KeyCode.DOWN);
        assertThat(window.work().viewing().face()).contains(1);
        window.press(KeyCode.L);
        window.until("dark again", () -> window.shell.lookup(".axis-ray") == null);
    }

    @Test
    void aDepthIsTypedAndTheFindingPutWhereItPoints() {
        window.openAt(DemoTickets.SHOWPIECE, KeyCode.DIGIT2);
        window.press(KeyCode.DOWN);
        var before = window.work().selection();
        String id = window.work().state().glass().findings().getFirst().id();
        assertThat(before.finding(id)).isTrue();
        int readings = window.work().state().glass().finding(id).orElseThrow().depths().size();
        window.press(KeyCode.D);
        TextField field = (TextField) window.there("say-field");
        assertThat(Window.<String>onUi(field::getText)).isEqualTo("focus ");
        robot.write(window.work().state().glass().finding(id).orElseThrow().depths().getFirst().valueMm() + " +-0.2");
        window.press(KeyCode.ENTER);
        assertThat(window.work().state().glass().finding(id).orElseThrow().depths()).hasSize(readings + 1);
        window.fire("depth-put");
        assertThat(window.work().state().glass().finding(id).orElseThrow().surface()).isPresent();
        window.choose("kind-menu", "kind-separation");
        assertThat(window.work().state().glass().finding(id).orElseThrow().finding().kind()).isEqualTo(FindingKind.SEPARATION);
        window.choose("surface-menu", "surface-1");
        assertThat(window.say()).startsWith("Not there: nothing is cemented on the front of E1");
    }

    @Test
    void aReversedGlassIsSaidSeenAndPutRight() {
        window.openAt(DemoTickets.SHOWPIECE, KeyCode.DIGIT3);
        robot.write("/");
        robot.write("E1 reversed");
        window.press(KeyCode.ENTER);
        window.until("its effect is shown", () -> window.shell.lookup("#assembly") != null);
        window.until(".axis-should is shown", () -> window.shell.lookup(".axis-should") != null);
        window.fire("put-right");
        window.until("it is gone", () -> window.shell.lookup("#assembly") == null);
        assertThat(window.work().state().glass().assembly()).isEmpty();
        window.press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(window.work().state().glass().assembly()).containsExactly("reverse:E1");
    }

    @Test
    void aMeasuredLensBecomesATicketMarkedAsAnEstimate() {
        window.settle();
        window.click("new-measured");
        assertThat(window.say()).startsWith("Measure, or guess");
        assertThat(Window.onUi(() -> window.shell.lookup("#measure-begin").isDisabled())).isTrue();
        type("name", "Pellam magnifier");
        type("focal", "50");
        type("f", "5.6");
        for (String[] pair : new String[][] {{"E1-front", "50"}, {"E1-rear", "50"}, {"E1-thick", "4"}, {"E1-diameter", "25"}, {"E1-index", "1.5"},
            {"iris-behind", "0"}, {"iris-after", "2"}}) {
            type(pair[0], pair[1]);
        }
        assertThat(Window.onUi(() -> ((Button) window.shell.lookup("#measure-begin")).isDisabled())).isFalse();
        window.fire("measure-begin");
        window.until("the ticket is open", () -> window.desk.shown().filter(w -> w.section().filter(x -> x.name().equals("Pellam magnifier")).isPresent()).isPresent());
        assertThat(window.work().section().orElseThrow().basis()).isEqualTo(LensSection.Basis.MEASURED);
        assertThat(AxisModel.of(window.work()).facts()).contains("estimate: measured");
        window.press(KeyCode.CONTROL, KeyCode.B);
        window.click("new-measured");
        window.press(KeyCode.ESCAPE);
        window.there("search");
    }

    /// Glasses out of a bag: their order is found, and the sheet takes it.
    @Test
    void aBagOfGlassesIsSorted() {
        window.settle();
        window.click("new-measured");
        for (String[] pair : new String[][] {{"focal", "38.94"}, {"f", "5"}, {"back", "30.08"}, {"E1-front", "141.25"}, {"E1-rear", "17.285"}, {"E1-thick", "2"}, {"E1-diameter", "12"}, {"E1-index", "1.691"}, {"E1-gap", "6"},
            {"E2-front", "158.65"}, {"E2-rear", "21.25"}, {"E2-thick", "2"}, {"E2-diameter", "12"}, {"E2-index", "1.691"}, {"E2-gap", "4.75"}, {"E3-front", "-20.25"}, {"E3-rear", "-19.3"}, {"E3-thick", "2"}, {"E3-diameter", "10"}, {"E3-index", "1.616"}}) {
            type(pair[0], pair[1]);
        }
        window.fire("sort-glasses");
        window.until("orders are told", () -> window.shell.lookup("#sorted-1") != null);
        String first = Window.onUi(() -> ((Button) window.shell.lookup("#sorted-1")).getText());
        assertThat(first).contains("E3").contains("focal length 38.9");
        window.fire("sorted-1");
        assertThat(Window.onUi(() -> ((TextField) window.shell.lookup("#m-E2-front")).getText())).as("the hollow glass lies in the middle").isIn("-20.25", "-19.3");
        assertThat(typed("E1-gap")).isEqualTo("6");
    }

    /// Glasses as cards: moved and turned by keys, dragged by the mouse; gaps belong to places.
    @Test
    void glassesAreMovedAndTurnedAsCards() {
        window.settle();
        window.click("new-measured");
        for (String[] pair : new String[][] {{"E1-front", "30"}, {"E1-rear", "80"}, {"E1-thick", "4"}, {"E1-diameter", "22"}, {"E1-gap", "3"}, {"E2-front", "-40"}, {"E2-rear", "-25"}, {"E2-thick", "2"}, {"E2-diameter", "16"}, {"E2-gap", "0"},
            {"E3-front", "25"}, {"E3-rear", "60"}, {"E3-thick", "3"}, {"E3-diameter", "16"}}) {
            type(pair[0], pair[1]);
        }
        assertThat(window.find("glass-card-3")).as("a cemented pair is one card").isEmpty();
        Window.onUi(() -> {
            window.shell.lookup("#glass-card-1").requestFocus();
            return true;
        });
        window.press(KeyCode.RIGHT);
        assertThat(typed("E3-front")).isEqualTo("30");
        assertThat(typed("E1-gap")).as("cement stays with the pair").isEqualTo("0");
        assertThat(typed("E2-gap")).as("a gap stays with its place").isEqualTo("3");
        window.press(KeyCode.T);
        assertThat(typed("E3-front")).as("the same glass is turned").isEqualTo("80");
        robot.drag("#glass-card-2").dropTo("#glass-card-1");
        window.settle();
        assertThat(typed("E1-front")).isEqualTo("80");
        assertThat(typed("E1-gap")).isEqualTo("3");
        assertThat(typed("E2-gap")).isEqualTo("0");
    }

    private String typed(String field) {
        return Window.onUi(() -> ((TextField) window.shell.lookup("#m-" + field)).getText());
    }

    private void type(String field, String text) {
        Window.onUi(() -> {
            ((TextField) window.shell.lookup("#m-" + field)).setText(text);
            return true;
        });
    }
}
