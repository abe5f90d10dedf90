package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import stillglass.app.practice.DemoBook;
import stillglass.assembly.Joint;
import stillglass.plan.WayBack;
import stillglass.ticket.TicketState;
import stillglass.ticket.facts.Collar;
import stillglass.ticket.facts.Photo;
import stillglass.ticket.facts.Screw;
import stillglass.ticket.facts.Stuck;
import stillglass.ticket.joints.Trouble;

/// The zoom front and the leaf shutter, opened and closed with nothing but the keyboard.
@ExtendWith(ApplicationExtension.class)
class InstrumentsWindowTest {
    private Window window;
    private BenchHands hands;
    private FxRobot robot;
    private Path mat;

    @Start
    void start(Stage stage) throws Exception {
        robot = new FxRobot();
        Path folder = Files.createTempDirectory("still-glass-instruments");
        mat = folder.resolve("mat.pdf");
        window = new Window(stage, folder.resolve("book.sqlite"), robot);
        hands = new BenchHands(window, robot);
        window.shell.showBook();
    }

    @AfterEach
    void close() {
        window.close();
    }

    private void begin(String number) {
        DemoBook.arrive(window.desk, number);
        Window.onUi(() -> {
            window.shell.showBook();
            return true;
        });
        window.openAt(number, KeyCode.DIGIT4);
    }

    private void reach(String goals) {
        hands.type("reach " + goals);
        window.until("the way is planned", () -> window.desk.shown().orElseThrow().computed().plan().isPresent());
    }

    @Test
    void theZoomFrontComesApartAndGoesBackWithItsEccentricCollars() {
        begin("T-0145");
        reach("e1_collar");
        window.press(KeyCode.W);
        window.until("other ways stand beside it", () -> window.shell.lookup("#way-2") != null);
        window.press(KeyCode.DIGIT1);
        window.answers.report = Optional.of(mat);
        window.press(KeyCode.T);
        window.until("the mat is written", () -> Files.exists(mat));
        Window.onUi(() -> {
            window.shell.applyCss();
            window.shell.layout();
            return true;
        });
        window.settle();
        robot.drag("#rung-collar-seat").dropBy(-700, 0);
        window.settle();
        assertThat(window.say()).as("it cannot come first").contains("Not there: the collar of E1 waits for");
        hands.openNext(6);
        // The one that came off stays in hand until the next is taken.
        window.press(KeyCode.I);
        window.press(KeyCode.F2);
        window.until("the caliper has spoken", () -> window.shell.lookup("#say-field").isVisible());
        window.press(KeyCode.ENTER);
        assertThat(window.work().state().joints().facts("filter-screws")).containsExactly(new Screw("A1", "slot", 3));
        markedPhoto();
        hands.openAll(6);
        TicketState open = window.work().state();
        assertThat(open.joints().facts("collar-b-seat")).hasAtLeastOneElementOfType(Collar.class);
        assertThat(open.joints().openNow()).contains("collar-seat");

        window.press(KeyCode.CONTROL, KeyCode.DIGIT6);
        hands.closeAll();
        assertThat(window.work().state().joints().story("collar-a-seat").closing().statements()).anyMatch(f -> f.fact() instanceof Collar);
    }

    /// A photo of the step in hand, and a line on it drawn with keys, then named.
    private void markedPhoto() {
        String joint = window.work().nextToOpen().orElseThrow().id();
        window.press(KeyCode.P);
        window.until("the photo is on the record", () -> window.desk.shown().orElseThrow().state().joints().facts(joint).stream().anyMatch(Photo.class::isInstance));
        window.press(KeyCode.V);
        for (KeyCode key : List.of(KeyCode.LEFT, KeyCode.ENTER, KeyCode.UP, KeyCode.UP, KeyCode.ENTER)) {
            window.press(key);
        }
        String photo = window.work().state().glass().all().getLast().kept().photoId();
        assertThat(window.work().state().glass().marks(photo).get(0)).satisfies(m -> {
            assertThat(m.word()).isEqualTo("A");
            assertThat(m.toY() - m.fromY()).isCloseTo(-0.04, within(1e-9));
        });
        Window.onUi(() -> {
            TextField name = (TextField) window.shell.lookup("#mark-name");
            name.setText("dot of paint");
            name.fireEvent(new javafx.event.ActionEvent());
            return true;
        });
        window.settle();
        assertThat(window.work().state().glass().marks(photo).get(0).word()).isEqualTo("dot of paint");
        window.press(KeyCode.V);
        assertThat(window.find("step-photos")).hasValueSatisfying(n -> assertThat(n.isVisible()).isFalse());
    }

    @Test
    void theLeafShutterIsReachedAroundWhatIsInTrouble() {
        begin("T-0146");
        reach("escapement");
        while (!window.work().nextToOpen().map(Joint::id).orElse("").equals("front-thread")) {
            hands.openNext(8);
        }
        // The fourth key: stuck, the gentlest try first; then something falls and is found again.
        window.press(KeyCode.B);
        window.press(KeyCode.X);
        window.press(KeyCode.SPACE);
        assertThat(window.work().state().joints().facts("front-thread")).hasAtLeastOneElementOfType(Stuck.class);
        window.press(KeyCode.X);
        window.press(KeyCode.X);
        window.press(KeyCode.SPACE);
        assertThat(window.work().state().joints().troubles()).singleElement().satisfies(t -> assertThat(t.kind()).isEqualTo(Trouble.DROPPED));
        window.press(KeyCode.ESCAPE);
        hands.type("found it");
        assertThat(window.work().state().joints().troubles()).isEmpty();
        while (!window.work().nextToOpen().map(Joint::id).orElse("").equals("esc-spring")) {
            hands.openNext(8);
        }
        // It breaks: no way is left to the escapement, so another goal is taken.
        window.press(KeyCode.I);
        hands.type("broken, its hook");
        window.until("it is planned anew", () -> window.desk.shown().orElseThrow().computed().plan().isEmpty());
        assertThat(window.say()).startsWith("No way is left to the goal");
        reach("pallet_spring");
        assertThat(window.work().nextToOpen()).map(Joint::id).contains("pallet-spring");
        hands.type("mended");
        hands.openAll(8);

        window.press(KeyCode.CONTROL, KeyCode.DIGIT6);
        assertThat(window.work().wayBack()).extracting(s -> s.joint().id()).startsWith("pallet-spring").contains("focus-set");
        assertThat(window.work().wayBack().getLast()).isInstanceOf(WayBack.Step.Zero.class);
        hands.closeAll();
    }
}
