package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.event.EventTarget;
import javafx.event.EventType;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Devices;
import stillglass.app.desk.Work;
import stillglass.app.house.House;
import stillglass.app.practice.SimulatedDevices;
import stillglass.app.shell.Shell;
import stillglass.app.theme.Theme;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;

/// The real window on a logbook of its own, driven by a robot; files are answered for instead of asked for.
final class Window implements AutoCloseable {
    static final Instant WHEN = Instant.parse("2026-11-24T14:30:00Z");

    /// Answers given instead of the system's choosers.
    static final class Answers implements Asker {
        Optional<Path> photo = Optional.empty();
        Optional<Path> lens = Optional.empty();
        Optional<Path> report = Optional.empty();
        Optional<Path> folder = Optional.empty();
        List<Path> several = List.of();

        @Override
        public List<Path> several(Several what) {
            return several;
        }

        @Override
        public Optional<Path> photo() {
            return photo;
        }

        @Override
        public Optional<Path> lens() {
            return lens;
        }

        @Override
        public Optional<Path> folder() {
            return folder;
        }

        @Override
        public Optional<Path> report(String suggested) {
            return report;
        }
    }

    final Answers answers = new Answers();
    final Desk desk;
    final Shell shell;
    final Scene scene;
    final Theme theme;
    private final FxRobot robot;
    private volatile Instant now = WHEN;

    /// What the clock says from now on.
    void at(Instant moment) {
        now = moment;
    }

    /// The window of the demo, on the interface thread.
    Window(Stage stage, Path book, FxRobot robot) {
        this(stage, book, robot, new Shelf(), new SimulatedDevices());
    }

    /// @param shelf what models are known
    /// @param devices what is connected
    Window(Stage stage, Path book, FxRobot robot, Shelf shelf, Devices devices) {
        this.robot = robot;
        Theme.loadFonts();
        theme = new Theme();
        desk = new Desk(Logbook.open(book), shelf, () -> now, Platform::runLater, devices);
        shell = House.furnish(desk, answers, theme);
        scene = new Scene(shell, 1280, 800);
        theme.dress(scene);
        stage.setScene(scene);
        stage.show();
    }

    static <T> T onUi(Supplier<T> work) {
        try {
            return CompletableFuture.supplyAsync(work, Platform::runLater).get(60, TimeUnit.SECONDS);
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    /// Waits for something to become true; says what never did.
    void until(String what, BooleanSupplier condition) {
        try {
            WaitForAsyncUtils.waitFor(90, TimeUnit.SECONDS, () -> onUi(condition::getAsBoolean));
        } catch (TimeoutException e) {
            throw new AssertionError("never happened: " + what + "; the Say line says: " + say());
        }
    }

    /// Waits until everything sent was stored, computed and drawn.
    void settle() {
        for (int quiet = 0; quiet < 3; ) {
            desk.summary(1).join();
            desk.compute(() -> true).join();
            boolean busy = onUi(() -> desk.shown().map(Work::computing).orElse(false));
            quiet = busy ? 0 : quiet + 1;
        }
        onUi(() -> {
            // The toolkit would lay it out at its next pulse, and a test may look before.
            scene.getRoot().applyCss();
            scene.getRoot().layout();
            return true;
        });
    }

    /// Keys pressed together; returns when all they did was stored, computed and drawn.
    void press(KeyCode... keys) {
        onUi(() -> {
            key(KeyEvent.KEY_PRESSED, keys);
            key(KeyEvent.KEY_TYPED, keys);
            key(KeyEvent.KEY_RELEASED, keys);
            return true;
        });
        settle();
    }

    /// Presses a button that has the focus and a key right after it, before the toolkit draws anything.
    void fireAndPress(String id, KeyCode key) {
        Button button = (Button) there(id);
        onUi(() -> {
            button.requestFocus();
            button.fire();
            key(KeyEvent.KEY_PRESSED, key);
            return true;
        });
        settle();
    }

    /// Sends a key as the window does, to whatever has the focus; the robot would wait a tenth of a second at each.
    private void key(EventType<KeyEvent> type, KeyCode... keys) {
        Set<KeyCode> held = Set.of(keys);
        KeyCode last = keys[keys.length - 1];
        boolean typed = type == KeyEvent.KEY_TYPED;
        String character = last == KeyCode.ENTER ? "\r" : last == KeyCode.SPACE ? " " : last.isLetterKey() ? last.getChar().toLowerCase(Locale.ROOT) : last.getChar();
        Node owner = scene.getFocusOwner();
        EventTarget target = owner == null || owner.getScene() != scene ? scene : owner;
        Event.fireEvent(target, new KeyEvent(type, typed ? character : KeyEvent.CHAR_UNDEFINED, typed ? "" : last.getName(), typed ? KeyCode.UNDEFINED : last,
                held.contains(KeyCode.SHIFT), held.contains(KeyCode.CONTROL), held.contains(KeyCode.ALT), false));
    }

    /// Names a lens on the Book and goes to a stage by its key.
    void beginLens(String named, KeyCode stage) {
        begin("lens", named, stage);
    }

    /// The same with a thing of any sort.
    void begin(String sort, String named, KeyCode stage) {
        settle();
        click("begin-what");
        robot.write(named, 0);
        click("begin-" + sort);
        until("the ticket is shown", () -> desk.shown().isPresent());
        press(KeyCode.CONTROL, stage);
    }

    /// Types a line of bench shorthand, which is taken.
    void type(String line) {
        robot.write("/");
        TextField field = (TextField) find("say-field").orElseThrow();
        onUi(() -> {
            field.setText(line);
            return true;
        });
        press(KeyCode.ENTER);
        // Some lines ask the book first, and go in a moment later.
        String left = onUi(field::getText);
        for (int wait = 0; wait < 100 && !left.isEmpty(); wait++) {
            WaitForAsyncUtils.sleep(50, TimeUnit.MILLISECONDS);
            left = onUi(field::getText);
        }
        assertThat(left).as("“%s” was not taken: %s", line, find("say-reading").map(n -> onUi(() -> ((Label) n).getText()))).isEmpty();
    }

    /// Opens a ticket from the Book and goes to a stage by its key.
    void openAt(String number, KeyCode stage) {
        click("ticket-" + number);
        until("the ticket is shown", () -> desk.shown().isPresent() && shell.lookup("#axis").isVisible());
        press(KeyCode.CONTROL, stage);
    }

    Work work() {
        return onUi(() -> desk.shown().orElseThrow());
    }

    String say() {
        return onUi(() -> ((Label) shell.lookup("#say")).getText());
    }

    Optional<Node> find(String id) {
        return onUi(() -> Optional.ofNullable(shell.lookup("#" + id)));
    }

    /// A node that is shown, or will be as soon as what it stands on is computed.
    Node there(String id) {
        AtomicReference<Node> found = new AtomicReference<>();
        until("#" + id + " is there", () -> {
            found.set(shell.lookup("#" + id));
            return found.get() != null;
        });
        return found.get();
    }

    /// Clicks a node, scrolled into view by its id.
    void click(String id) {
        until("#" + id + " is there", () -> shell.lookup("#" + id) != null && shell.lookup("#" + id).isVisible());
        settle();
        for (int tried = 1; ; tried++) {
            try {
                robot.clickOn("#" + id);
                break;
            } catch (RuntimeException redrawn) {
                // The view was drawn anew between looking and clicking.
                if (tried == 20) {
                    throw redrawn;
                }
                WaitForAsyncUtils.sleep(100, TimeUnit.MILLISECONDS);
                settle();
            }
        }
        settle();
    }

    /// Presses a button by its id without the mouse, as Enter on it would; for what may be scrolled out of sight.
    void fire(String id) {
        Button button = (Button) there(id);
        onUi(() -> {
            button.fire();
            return true;
        });
        settle();
    }

    /// Chooses an item of a button that opens into a list.
    void choose(String menu, String item) {
        MenuButton button = (MenuButton) there(menu);
        onUi(() -> {
            button.getItems().stream().filter(i -> item.equals(i.getId())).findFirst().orElseThrow().fire();
            return true;
        });
        settle();
    }

    @Override
    public void close() {
        onUi(() -> {
            shell.dispose();
            return true;
        });
        desk.close();
    }
}
