package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.event.Event;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import stillglass.app.desk.Devices;
import stillglass.app.desk.PhotoTaking;
import stillglass.app.desk.Selection;
import stillglass.app.desk.Told;
import stillglass.app.look.LookView;
import stillglass.device.PhotoCamera;
import stillglass.device.Source;
import stillglass.look.Progress;
import stillglass.sim.DemoTickets;
import stillglass.sim.VirtualDevices;
import stillglass.ticket.story.Phase;

/// The focus stays where the hands are, everything can be done by keys, and what is on its way into the book arrives.
@ExtendWith(ApplicationExtension.class)
class FocusTest {
    private Path folder;
    private Window window;

    @BeforeAll
    static void tell() {
        Told.end(stillglass.ticket.story.Stage.LOOK);
    }

    @Start
    void start(Stage shown) throws Exception {
        folder = Files.createTempDirectory("still-glass-focus");
        window = new Window(shown, Told.book(stillglass.ticket.story.Stage.LOOK, folder), new FxRobot());
        window.shell.showBook();
    }

    @AfterEach
    void close() {
        window.close();
    }

    private void open(KeyCode stage) {
        window.openAt(DemoTickets.SHOWPIECE, stage);
        window.settle();
    }

    private Optional<Node> focused() {
        return Window.onUi(() -> Optional.ofNullable(window.scene.getFocusOwner()));
    }

    private void focus(String id) {
        window.until("#" + id + " is there", () -> window.shell.lookup("#" + id) != null);
        Window.onUi(() -> {
            window.shell.lookup("#" + id).requestFocus();
            return true;
        });
    }

    private static boolean within(Node node, Node ancestor) {
        for (Node n = node; n != null; n = n.getParent()) {
            if (n == ancestor) {
                return true;
            }
        }
        return false;
    }

    @Test
    void afterAButtonHasRebuiltItsCardSpaceIsTheNextStepAndNeverTheBook() {
        open(KeyCode.DIGIT2);
        window.press(KeyCode.DOWN);
        window.choose("kind-menu", "kind-haze");
        assertThat(window.work().state().glass().findings()).anyMatch(f -> f.computedKind().isPresent());
        assertThat(focused().map(Node::getId)).isNotEqualTo(Optional.of("ticket-tag"));
        window.press(KeyCode.CONTROL, KeyCode.DIGIT3);
        window.click("take-advice");
        assertThat(window.work().state().course().goals()).isNotEmpty();
        for (int i = 0; i < 3; i++) {
            window.press(KeyCode.SPACE);
            assertThat(Window.onUi(() -> window.shell.lookup("#axis").isVisible())).as("the ticket is still shown").isTrue();
        }
        window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        int off = window.work().state().joints().order().size();
        window.press(KeyCode.SPACE);
        window.press(KeyCode.M);
        window.press(KeyCode.SPACE);
        assertThat(window.work().state().joints().order().size() + window.work().state().joints().references().size()).as("steps were done").isGreaterThan(off);
        assertThat(Window.onUi(() -> window.shell.lookup("#axis").isVisible())).isTrue();
    }

    @Test
    void findingCardsAreReachedByTabAndChosenBySpaceAndKeepTheFocus() {
        open(KeyCode.DIGIT2);
        focus("finding-2");
        window.press(KeyCode.SPACE);
        String second = window.work().state().glass().findings().get(1).id();
        assertThat(window.work().selection()).isEqualTo(new Selection.OfFinding(second));
        assertThat(focused().map(Node::getId)).as("the card was drawn anew and has the focus again").contains("finding-2");
        focus("finding-1");
        window.press(KeyCode.ENTER);
        assertThat(window.work().selection()).isNotEqualTo(new Selection.OfFinding(second));
        Node card = window.there("finding-1");
        assertThat(card.getAccessibleRole()).isEqualTo(AccessibleRole.BUTTON);
        assertThat(card.getAccessibleText()).startsWith("1 ").contains("chosen");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT3);
        focus("assessment-2");
        window.press(KeyCode.SPACE);
        assertThat(window.work().selection()).isEqualTo(new Selection.OfFinding(window.work().computed().assessments().get(1).known().id()));
        assertThat(focused().map(Node::getId)).contains("assessment-2");
    }

    /// The picture of Decide is a diagram, or by one key a scene with what was found above the same with a clean lens.
    @Test
    void aKeyTurnsTheDiagramIntoAScene() {
        open(KeyCode.DIGIT3);
        window.press(KeyCode.P);
        window.until("both are drawn", () -> drawn("example-found") && drawn("example-clean"));
        assertThat(Window.onUi(() -> window.shell.lookup("#picture").isVisible())).isFalse();
        assertThat(Window.onUi(() -> brightness("example-found"))).as("a veil makes the dark quay paler").isGreaterThan(Window.onUi(() -> brightness("example-clean")));
        window.press(KeyCode.P);
        assertThat(Window.onUi(() -> window.shell.lookup("#picture").isVisible())).isTrue();
    }

    private javafx.scene.image.Image image(String id) {
        return ((javafx.scene.image.ImageView) window.shell.lookup("#" + id).lookup(".image-view")).getImage();
    }

    private boolean drawn(String id) {
        return image(id) != null;
    }

    /// Of the lower left corner.
    private double brightness(String id) {
        javafx.scene.image.Image i = image(id);
        return i.getPixelReader().getColor(12, (int) i.getHeight() - 4).getBrightness();
    }

    @Test
    void theStopRingAndTheDialAreSetByKeysAndSayTheirValue() {
        open(KeyCode.DIGIT3);
        focus("stop-ring");
        Object first = value("stop-ring");
        window.press(KeyCode.RIGHT);
        assertThat(value("stop-ring")).isNotEqualTo(first).asString().startsWith("f/");
        window.press(KeyCode.HOME);
        assertThat(value("stop-ring")).isEqualTo("f/2");
        assertThat(focused().map(Node::getId)).contains("stop-ring");
        window.click("take-advice");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        window.press(KeyCode.SPACE);
        window.press(KeyCode.M);
        window.press(KeyCode.SPACE);
        window.until("a joint is on record", () -> window.shell.lookup("#dial") != null && window.shell.lookup("#dial").getParent().isVisible());
        focus("dial");
        assertThat(focused().map(Node::getId)).contains("dial");
        for (int i = 0; i < 7; i++) {
            window.press(KeyCode.RIGHT);
        }
        assertThat(value("dial")).asString().matches("\\d.* o.clock");
        assertThat(Window.onUi(() -> window.shell.lookup("#dial").queryAccessibleAttribute(AccessibleAttribute.MAX_VALUE))).isEqualTo(12.0);
    }

    private Object value(String id) {
        return Window.onUi(() -> window.shell.lookup("#" + id).queryAccessibleAttribute(AccessibleAttribute.VALUE_STRING));
    }

    /// Whatever Tab reaches says to a screen reader what it is.
    @Test
    void whateverTabReachesHasARoleAndWords() {
        open(KeyCode.DIGIT1);
        List<String> mute = new ArrayList<>();
        for (KeyCode stage : List.of(KeyCode.DIGIT1, KeyCode.DIGIT2, KeyCode.DIGIT3, KeyCode.DIGIT4, KeyCode.DIGIT5, KeyCode.DIGIT6, KeyCode.DIGIT7)) {
            window.press(KeyCode.CONTROL, stage);
            Window.onUi(() -> {
                collect(window.shell, stage.getName(), mute);
                return true;
            });
        }
        assertThat(mute).isEmpty();
    }

    private static void collect(Parent parent, String stage, List<String> mute) {
        for (Node n : parent.getChildrenUnmodifiable()) {
            if (n.isVisible() && n.isFocusTraversable() && !n.isDisabled()) {
                Object text = n.queryAccessibleAttribute(AccessibleAttribute.TEXT);
                boolean spoken = n.getAccessibleText() != null && !n.getAccessibleText().isBlank() || text != null && !text.toString().isBlank()
                        || n instanceof Labeled l && !l.getText().isBlank() || n instanceof javafx.scene.control.TextInputControl t && t.getPromptText() != null && !t.getPromptText().isBlank();
                if (n.getAccessibleRole() == AccessibleRole.NODE || n.getAccessibleRole() == AccessibleRole.PARENT || !spoken) {
                    mute.add(stage + ": " + n.getId() + " " + n.getStyleClass() + " " + n.getAccessibleRole());
                }
            }
            if (n.isVisible() && n instanceof Parent p) {
                collect(p, stage, mute);
            }
        }
    }

    private byte[] photo(long seed) {
        var w = window.work();
        return VirtualDevices.camera(w.state(), w.section().orElseThrow(), w.instrument(), seed).take().bytes();
    }

    @Test
    void oneBadPhotoAmongDroppedOnesIsSaidAndTheOthersAreKept() throws Exception {
        open(KeyCode.DIGIT2);
        int before = window.work().state().glass().all().size();
        Path first = Files.write(folder.resolve("a.png"), photo(5));
        Path torn = Files.write(folder.resolve("b.png"), new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10, 0, 0});
        Path last = Files.write(folder.resolve("c.png"), photo(6));
        List<String> said = new ArrayList<>();
        Window.onUi(() -> {
            window.desk.complain(said::add);
            ((LookView) window.shell.station(stillglass.ticket.story.Stage.LOOK).orElseThrow()).dropped(List.of(first, torn, last));
            return true;
        });
        window.until("both good ones are kept", () -> window.desk.shown().orElseThrow().state().glass().all().size() == before + 2);
        assertThat(said).anyMatch(s -> s.contains("b.png"));
    }

    @Test
    void closingWhileAPhotoIsGradedKeepsItFirst() {
        open(KeyCode.DIGIT2);
        var w = window.work();
        int before = w.state().glass().all().size();
        byte[] bytes = photo(9);
        CountDownLatch shutter = new CountDownLatch(1);
        PhotoCamera slow = () -> {
            try {
                assertThat(shutter.await(60, TimeUnit.SECONDS)).isTrue();
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
            return new PhotoCamera.Picture("slow.png", bytes, Source.FILE);
        };
        PhotoTaking.take(window.desk, w, slow, Phase.BEFORE, false, "slow", Progress.SILENT);
        AtomicInteger closed = new AtomicInteger();
        WindowEvent first = new WindowEvent(window.scene.getWindow(), WindowEvent.WINDOW_CLOSE_REQUEST);
        Window.onUi(() -> {
            window.shell.closing(first, closed::incrementAndGet);
            return true;
        });
        assertThat(first.isConsumed()).isTrue();
        assertThat(closed).hasValue(0);
        assertThat(window.say()).contains("Keeping the photo");
        shutter.countDown();
        window.until("it closes", () -> closed.get() == 1);
        assertThat(window.work().state().glass().all()).hasSize(before + 1);
        Event second = new WindowEvent(window.scene.getWindow(), WindowEvent.WINDOW_CLOSE_REQUEST);
        Window.onUi(() -> {
            window.shell.closing(second, closed::incrementAndGet);
            return true;
        });
        assertThat(second.isConsumed()).as("nothing is on its way").isFalse();
    }

    @Test
    void aStoppedPhotoOfAStepKeepsNothing() {
        open(KeyCode.DIGIT4);
        var w = window.work();
        byte[] bytes = photo(3);
        boolean[] stopped = {false};
        Progress stop = (share, doing) -> {
            if (stopped[0]) {
                throw new java.util.concurrent.CancellationException();
            }
        };
        PhotoCamera camera = () -> {
            stopped[0] = true;
            return new PhotoCamera.Picture("step.png", bytes, Source.FILE);
        };
        assertThat(PhotoTaking.ofStep(window.desk, w, w.instrument().joints().getFirst(), camera, stop)).failsWithin(java.time.Duration.ofSeconds(60));
        window.settle();
        assertThat(window.work().state().glass().all()).hasSameSizeAs(w.state().glass().all());
        assertThat(Devices.NONE.camera(w, Phase.BEFORE, false)).isEmpty();
    }
}
