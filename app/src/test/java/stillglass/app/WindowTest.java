package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.ref.WeakReference;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.event.EventType;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import stillglass.app.desk.Selection;
import stillglass.app.desk.Told;
import stillglass.app.house.House;
import stillglass.app.shell.Shell;
import stillglass.app.theme.Theme;
import stillglass.book.data.Shelf;
import stillglass.say.Said;
import stillglass.sim.DemoTickets;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.story.Phase;

/// The window as somebody meets it who tries everything, bad input included.
@ExtendWith(ApplicationExtension.class)
class WindowTest {
    private Path folder;
    private Path book;
    private Window window;
    private FxRobot robot;
    private Stage stage;

    /// Telling the story takes longer than a window may take to open.
    @BeforeAll
    static void tell() {
        Told.end(stillglass.ticket.story.Stage.LOOK);
    }

    @Start
    void start(Stage shown) throws Exception {
        folder = Files.createTempDirectory("still-glass-window");
        robot = new FxRobot();
        stage = shown;
        book = Told.book(stillglass.ticket.story.Stage.LOOK, folder);
        window = new Window(shown, book, robot);
        window.shell.showBook();
    }

    @AfterEach
    void close() {
        window.close();
    }

    private void openShowpiece() {
        window.click("ticket-" + DemoTickets.SHOWPIECE);
        window.until("the ticket is shown", () -> window.desk.shown().isPresent() && window.shell.lookup("#axis").isVisible());
        window.settle();
    }

    @Test
    void theBookIsSearchedAndOpensTicketsWhereTheyStand() {
        window.settle();
        window.click("search");
        robot.write("teapot");
        assertThat(window.find("ticket-" + DemoTickets.SHOWPIECE)).isEmpty();
        robot.push(KeyCode.CONTROL, KeyCode.A);
        robot.write("puppet");
        openShowpiece();
        assertThat(window.work().stage()).isEqualTo(stillglass.ticket.story.Stage.LOOK);
        window.press(KeyCode.CONTROL, KeyCode.B);
        window.there("search");
        window.click("new-fell_52_f2");
        window.settle();
        assertThat(window.work().state().tag().number()).isEqualTo("T-0143");
    }

    @Test
    void keysReachEveryStageAndTheSheetOfKeys() {
        openShowpiece();
        KeyCode[] digits = {KeyCode.DIGIT1, KeyCode.DIGIT2, KeyCode.DIGIT3, KeyCode.DIGIT4, KeyCode.DIGIT5, KeyCode.DIGIT6, KeyCode.DIGIT7};
        for (int i = 0; i < digits.length; i++) {
            window.press(KeyCode.CONTROL, digits[i]);
            assertThat(window.work().stage()).isEqualTo(stillglass.ticket.story.Stage.values()[i]);
            assertThat(window.say()).isNotBlank();
        }
        window.press(KeyCode.F1);
        assertThat(window.there("keys-sheet").getParent().isVisible()).isTrue();
        window.press(KeyCode.ESCAPE);
        assertThat(window.there("keys-sheet").getParent().isVisible()).isFalse();
        window.press(KeyCode.B);
        assertThat(window.say()).isEqualTo("Bench mode is for Open and Close.");
    }

    @Test
    void textGrowsAndTheWindowRemembersIt() {
        openShowpiece();
        double before = Window.onUi(() -> ((Label) window.shell.lookup("#say")).getFont().getSize());
        window.press(KeyCode.CONTROL, KeyCode.PLUS);
        window.press(KeyCode.CONTROL, KeyCode.PLUS);
        Window.onUi(() -> {
            window.shell.applyCss();
            return true;
        });
        assertThat(Window.onUi(() -> ((Label) window.shell.lookup("#say")).getFont().getSize())).isGreaterThan(before * 1.15);
        assertThat(window.desk.setting("text scale").join()).contains("1.2");
        window.press(KeyCode.CONTROL, KeyCode.MINUS);
        assertThat(window.desk.setting("text scale").join()).contains("1.1");
    }

    @Test
    void theSayLineCompletesAndNeverLosesWhatWasTyped() {
        openShowpiece();
        window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        robot.write("/");
        robot.write("mark inf");
        TextField field = (TextField) window.there("say-field");
        robot.push(KeyCode.ESCAPE);
        assertThat(window.there("say").getParent().isVisible()).isTrue();
        robot.write("/");
        assertThat(Window.<String>onUi(field::getText)).as("kept for later").isEqualTo("mark inf");
        robot.push(KeyCode.CONTROL, KeyCode.A);
        robot.write("name r");
        robot.push(KeyCode.TAB);
        assertThat(Window.<String>onUi(field::getText)).isEqualTo("name ring");
        window.press(KeyCode.ENTER);
        assertThat(window.work().state().joints().order()).containsExactly("name-ring");
        window.press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(window.work().state().joints().order()).isEmpty();
    }

    @Test
    void aLineThatIsNotTakenStaysAndAHalfTypedOneSurvivesEverything() {
        openShowpiece();
        window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        robot.write("/");
        TextField field = (TextField) window.there("say-field");
        robot.write("front cell wobbles greenly");
        window.press(KeyCode.ENTER);
        assertThat(Window.<String>onUi(field::getText)).isEqualTo("front cell wobbles greenly");
        Label why = (Label) window.there("say-reading");
        assertThat(Window.<String>onUi(why::getText)).contains("wobbles");
        window.press(KeyCode.CONTROL, KeyCode.DIGIT5);
        assertThat(Window.<String>onUi(why::getText)).as("the complaint stays until the line changes").contains("wobbles");

        robot.push(KeyCode.CONTROL, KeyCode.A);
        robot.write("mount scr");
        robot.push(KeyCode.F2);
        window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        window.press(KeyCode.CONTROL, KeyCode.B);
        openShowpiece();
        robot.write("/");
        assertThat(Window.<String>onUi(field::getText)).isEqualTo("mount scr");
    }

    /// Whatever is typed into the Say line, one letter after the other, is read at every letter.
    @Test
    void noLetterTypedIntoTheSayLineThrows() {
        for (boolean ticket : new boolean[] {false, true}) {
            if (ticket) {
                openShowpiece();
                window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
            }
            robot.write("/");
            TextField field = (TextField) window.there("say-field");
            robot.write(", ,;:.'");
            assertThat(Window.<String>onUi(field::getText)).isEqualTo(", ,;:.'");
            for (String typed : List.of(",", ", ,", "  ", ";,;", "E1,", "begin ,", "3 screws ,,", "\u00bd", "- , +", "at ,", ":")) {
                Window.onUi(() -> {
                    for (int i = 1; i <= typed.length(); i++) {
                        field.setText(typed.substring(0, i));
                    }
                    field.clear();
                    return true;
                });
            }
            window.press(KeyCode.ESCAPE);
        }
        assertThat(window.say()).isNotBlank();
    }

    @Test
    void whatWasUndoneCanBeDoneAgainAndUndoOfTheFieldIsTheFields() {
        openShowpiece();
        window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        robot.write("/");
        robot.write("name ring");
        window.press(KeyCode.ENTER);
        assertThat(window.work().state().joints().order()).containsExactly("name-ring");
        robot.write("/");
        robot.write("abc");
        window.press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(window.work().state().joints().order()).as("the field's own").containsExactly("name-ring");
        robot.push(KeyCode.CONTROL, KeyCode.A);
        robot.push(KeyCode.BACK_SPACE);
        robot.push(KeyCode.ESCAPE);
        window.press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(window.work().state().joints().order()).isEmpty();
        robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
        window.settle();
        assertThat(window.work().state().joints().order()).containsExactly("name-ring");
    }

    @Test
    void theAxisIsWalkedByKeysAndClicked() {
        openShowpiece();
        Window.onUi(() -> {
            window.shell.lookup("#axis").requestFocus();
            return true;
        });
        window.press(KeyCode.RIGHT);
        Selection first = window.work().selection();
        window.press(KeyCode.RIGHT);
        assertThat(window.work().selection()).isNotEqualTo(first).isInstanceOf(Selection.OfPart.class);
        assertThat(Window.onUi(() -> window.shell.lookup("#axis").getAccessibleText())).isNotBlank();
        window.click("axis-E1");
        assertThat(window.work().selection().part("E1")).isTrue();
        double low = Window.onUi(() -> window.shell.lookup("#axis").getLayoutBounds().getHeight());
        window.press(KeyCode.A);
        window.until("the axis has grown", () -> window.shell.lookup("#axis").getLayoutBounds().getHeight() > 1.4 * low);
    }

    @Test
    void theAxisStaysAsItWasDrawnInEachStage() {
        openShowpiece();
        double strip = height();
        drawEdge(200);
        window.settle();
        assertThat(height()).isBetween(strip + 190, strip + 210);
        window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        double open = height();
        assertThat(open).isBetween(strip + 20, strip + 150);
        window.press(KeyCode.CONTROL, KeyCode.DIGIT2);
        assertThat(height()).isBetween(strip + 190, strip + 210);

        window.close();
        window = Window.onUi(() -> new Window(stage, book, robot));
        Window.onUi(() -> {
            window.shell.showBook();
            return true;
        });
        openShowpiece();
        window.press(KeyCode.CONTROL, KeyCode.DIGIT2);
        assertThat(height()).isBetween(strip + 190, strip + 210);
        window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        assertThat(height()).isBetween(open - 2, open + 2);
    }

    /// Draws the lower edge of the Axis down.
    private void drawEdge(double by) {
        Window.onUi(() -> {
            Node grip = window.shell.lookup("#edge-of-axis");
            double y = grip.localToScene(0, 0).getY();
            for (double at : new double[] {y, y + by / 2, y + by}) {
                grip.fireEvent(edge(MouseEvent.MOUSE_DRAGGED, at));
            }
            grip.fireEvent(edge(MouseEvent.MOUSE_RELEASED, y + by));
            return true;
        });
    }

    private static MouseEvent edge(EventType<MouseEvent> type, double y) {
        return new MouseEvent(type, 600, y, 600, y, MouseButton.PRIMARY, 1, false, false, false, false, true, false, false, false, false, false, null);
    }

    private double height() {
        return Window.onUi(() -> {
            window.shell.layout();
            return window.shell.lookup("#axis").getLayoutBounds().getHeight();
        });
    }

    @Test
    void badPhotosAreSaidAndNothingIsLost() throws Exception {
        openShowpiece();
        int photos = window.work().state().glass().all().size();
        Path torn = folder.resolve("torn.png");
        Files.write(torn, new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10, 0, 0});
        window.answers.photo = Optional.of(torn);
        window.press(KeyCode.O);
        window.until("it is said", () -> ((Label) window.shell.lookup("#say")).getText().contains("torn.png"));
        window.answers.photo = Optional.of(folder.resolve("none.png"));
        window.press(KeyCode.O);
        window.until("it is said", () -> ((Label) window.shell.lookup("#say")).getText().contains("no such file"));
        assertThat(window.work().state().glass().all()).hasSize(photos);
    }

    @Test
    void aRealPhotoFileIsGradedAndCorrected() throws Exception {
        openShowpiece();
        Path photo = folder.resolve("front.png");
        var w = window.work();
        Files.write(photo, stillglass.sim.VirtualDevices.camera(w.state(), w.section().orElseThrow(), w.instrument(), 77L).take().bytes());
        window.answers.photo = Optional.of(photo);
        window.press(KeyCode.O);
        window.until("it is graded", () -> window.desk.shown().orElseThrow().state().glass().all().size() > w.state().glass().all().size());
        window.settle();
        String last = window.work().state().glass().all().getLast().kept().photoId();
        assertThat(window.work().state().glass().graded(Phase.BEFORE).orElseThrow().kept().photoId()).isEqualTo(last);
        int before = window.work().state().glass().findings().size();
        window.press(KeyCode.DOWN);
        window.press(KeyCode.X);
        assertThat(window.work().state().glass().findings()).hasSize(before - 1);
    }

    @Test
    void theApertureIsDraggedAndGradedAgain() {
        openShowpiece();
        window.until("the photo is drawn", () -> ((Parent) window.shell.lookup("#photo #drawn")).getChildrenUnmodifiable().size() > 5);
        double before = window.work().state().glass().graded(Phase.BEFORE).orElseThrow().graded().orElseThrow().aperture().cx();
        Node photo = window.there("photo");
        var bounds = Window.onUi(() -> photo.localToScreen(photo.getBoundsInLocal()));
        robot.moveTo(bounds.getCenterX(), bounds.getCenterY());
        robot.press(MouseButton.PRIMARY).moveBy(12, 0).release(MouseButton.PRIMARY);
        window.until("it is graded again", () -> window.desk.shown().orElseThrow().state().glass().graded(Phase.BEFORE).orElseThrow()
                .graded().orElseThrow().aperture().cx() > before + 5);
    }

    @Test
    void aLensFileBeginsATicketAndABadOneIsSaid() throws Exception {
        window.settle();
        Path bad = folder.resolve("bad.json");
        String good;
        try (var in = Shelf.class.getResourceAsStream("/stillglass/book/lenses/sedge_75_f45.json")) {
            good = new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
        Files.writeString(bad, good.replaceFirst("\"radius_mm\": [0-9.-]+", "\"radius_mm\": NaN"));
        window.answers.lens = Optional.of(bad);
        window.fire("new-from-file");
        window.until("it is said", () -> ((Label) window.shell.lookup("#say")).getText().startsWith("bad.json"));
        Path own = folder.resolve("own.json");
        Files.writeString(own, good.replace("Sedge 75 mm", "Found at a market 75 mm"));
        window.answers.lens = Optional.of(own);
        window.fire("new-from-file");
        window.until("the ticket is shown", () -> window.desk.shown().isPresent());
        window.settle();
        assertThat(window.work().state().tag().title()).contains("Found at a market");
        assertThat(window.work().mapped()).isFalse();
        window.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        assertThat(window.say()).contains("No map of this model");
    }

    @Test
    void aGradeIsOverruledWithAReasonOnly() {
        openShowpiece();
        window.press(KeyCode.CONTROL, KeyCode.DIGIT3);
        window.until("assessed", () -> window.shell.lookup("#assessment-1") != null);
        window.press(KeyCode.DOWN);
        window.fire("overrule-4");
        assertThat(window.say()).contains("Say why");
        Window.onUi(() -> {
            ((TextField) window.shell.lookup("#why")).setText("seen it grow");
            return true;
        });
        window.fire("overrule-4");
        assertThat(window.work().computed().assessments().getFirst().standingGrade()).isEqualTo(4);
    }

    @Test
    void timersSurviveARestart() throws Exception {
        openShowpiece();
        window.desk.submit(new CareEvent.TimerSet("t", Said.text("naphtha on the rear thread"), Window.WHEN.plusSeconds(402))).join();
        window.close();
        Path book = folder.resolve("told-Look.sqlite");
        window = Window.onUi(() -> new Window(stage, book, robot));
        Window.onUi(() -> {
            window.shell.showBook();
            return true;
        });
        openShowpiece();
        assertThat(Window.onUi(() -> window.shell.lookupAll(".say-timer").stream().map(n -> ((Button) n).getText()).toList()))
                .containsExactly("naphtha on the rear thread  06:42");
    }

    /// Texts of the window's labels that do not fit, at a size.
    private List<String> cutOff(double width, double height) {
        return Window.onUi(() -> {
            // The headless screen is smaller than a large window: the contents are laid out at the size, the stage stays.
            window.shell.resize(width, height);
            window.shell.applyCss();
            window.shell.layout();
            List<String> cut = new ArrayList<>();
            collect(window.shell, cut);
            return cut;
        });
    }

    private static void collect(Parent parent, List<String> cut) {
        for (Node n : parent.getChildrenUnmodifiable()) {
            if (!n.isVisible()) {
                continue;
            }
            if (n instanceof Label l && !l.getText().isEmpty() && l.lookup(".text") instanceof javafx.scene.text.Text t && t.getText().endsWith("…") && !l.getText().endsWith("…")) {
                cut.add(l.getText());
            }
            if (n instanceof Parent p) {
                collect(p, cut);
            }
        }
    }

    @Test
    void nothingIsCutOffBetweenSmallAndLarge() {
        openShowpiece();
        for (KeyCode digit : List.of(KeyCode.DIGIT1, KeyCode.DIGIT2, KeyCode.DIGIT3, KeyCode.DIGIT5, KeyCode.DIGIT7)) {
            window.press(KeyCode.CONTROL, digit);
            for (double[] size : new double[][] {{1100, 700}, {1280, 800}, {1920, 1080}, {2560, 1440}}) {
                assertThat(cutOff(size[0], size[1])).as("%s at %.0f x %.0f", window.work().stage(), size[0], size[1]).isEmpty();
            }
        }
    }

    @Test
    void aWindowThatIsGoneHoldsNothing() throws Exception {
        openShowpiece();
        List<WeakReference<Shell>> gone = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            gone.add(Window.onUi(() -> {
                Shell extra = House.furnish(window.desk, window.answers, new Theme());
                extra.dispose();
                return new WeakReference<>(extra);
            }));
            window.settle();
        }
        for (int i = 0; i < 50 && gone.stream().anyMatch(r -> r.get() != null); i++) {
            System.gc();
            window.settle();
        }
        assertThat(gone.stream().filter(r -> r.get() != null).count()).as("windows still held").isLessThanOrEqualTo(1);
    }
}
