package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.testfx.framework.junit5.ApplicationExtension;
import stillglass.app.desk.Desk;
import stillglass.app.desk.Told;
import stillglass.app.house.House;
import stillglass.app.practice.SimulatedDevices;
import stillglass.app.shell.Shell;
import stillglass.app.theme.Build;
import stillglass.app.theme.Theme;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.book.say.SaySession;
import stillglass.sim.DemoTickets;
import stillglass.ticket.story.Stage;

/// Every stage in small, usual and large windows with usual, larger and largest type: nothing is cut off, outside or faint.
@ExtendWith(ApplicationExtension.class)
class LayoutTest {
    private static final int[][] SIZES = {{1100, 700}, {1280, 800}, {1920, 1080}};
    /// As long as sentences get.
    private static final String LONG = "book.sqlite was removed, moved or replaced while it was open. Everything noted so far was saved as /home/somebody/still-glass/book-rescued-20261127-123928.sqlite:"
            + " open that one to go on, or bring the first one back. Nothing more is noted here.";
    private static final double[] SCALES = {1.0, 1.3, 1.8};

    @TempDir
    Path folder;

    @BeforeAll
    static void tell() {
        Theme.loadFonts();
        Told.end(Stage.PROVE);
    }

    @ParameterizedTest
    @EnumSource(Stage.class)
    void nothingIsCutOffOutsideOrFaint(Stage at) throws Exception {
        List<String> all = new ArrayList<>();
        try (Desk desk = new Desk(Logbook.open(Told.book(at, folder)), new Shelf(), InstantSource.fixed(Told.WHEN), Platform::runLater, new SimulatedDevices())) {
            desk.open(DemoTickets.SHOWPIECE).join();
            for (int[] size : SIZES) {
                for (double scale : SCALES) {
                    faults(desk, at, size, scale, s -> {}).forEach(f -> all.add(size[0] + "x" + size[1] + " at " + scale + ": " + f));
                }
            }
        }
        assertThat(all).isEmpty();
    }

    /// The sheet of keys over a stage, the Book, the day, its hours, and the longest thing that is complained about, spoken and under a line that is being typed.
    @Test
    void theSheetOfKeysAndTheBookAreWholeToo() throws Exception {
        List<String> all = new ArrayList<>();
        try (Desk desk = new Desk(Logbook.open(Told.book(Stage.LOOK, folder)), new Shelf(), InstantSource.fixed(Told.WHEN), Platform::runLater, new SimulatedDevices())) {
            desk.open(DemoTickets.SHOWPIECE).join();
            for (int[] size : SIZES) {
                for (double scale : SCALES) {
                    all.addAll(faults(desk, Stage.OPEN, size, scale, s -> s.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.F1, false, false, false, false))));
                    all.addAll(faults(desk, Stage.OPEN, size, scale, Shell::showBook));
                    all.addAll(faults(desk, Stage.OPEN, size, scale, Shell::showDay));
                    all.addAll(faults(desk, Stage.OPEN, size, scale, s -> {
                        s.showDay();
                        s.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.H, false, false, false, false));
                    }));
                    all.addAll(faults(desk, Stage.OPEN, size, scale, s -> desk.complain(LONG)));
                    all.addAll(faults(desk, Stage.OPEN, size, scale, s -> {
                        s.type("turns 3.5");
                        desk.complain(LONG);
                    }));
                }
            }
        }
        assertThat(all).isEmpty();
    }

    /// A lens nobody knows anything of but its name and what came off.
    @ParameterizedTest
    @EnumSource(Stage.class)
    void anInstrumentNobodyKnowsIsShownWholeToo(Stage at) throws Exception {
        Path book = folder.resolve("unknown.sqlite");
        Shelf shelf = Shelf.ofShop(folder);
        try (Logbook log = Logbook.open(book)) {
            SaySession session = new SaySession(new Tickets(log, shelf, InstantSource.fixed(Told.WHEN), "", "test"), shelf, InstantSource.fixed(Told.WHEN));
            List.of("begin lens, Brook 35 mm f/2.8, stiff focus, oil on the blades", "off name ring, thread, front, friction cup", "turns 3.5, lets go 4", "off front cell, 3 screws 1.4 x 3.0, cross 0").forEach(session::say);
        }
        List<String> all = new ArrayList<>();
        try (Desk desk = new Desk(Logbook.open(book), shelf, InstantSource.fixed(Told.WHEN), Platform::runLater)) {
            desk.open("T-0101").join();
            for (int[] size : SIZES) {
                for (double scale : SCALES) {
                    faults(desk, at, size, scale, s -> {}).forEach(f -> all.add(size[0] + "x" + size[1] + " at " + scale + ": " + f));
                }
            }
        }
        assertThat(all).isEmpty();
    }

    private static List<String> faults(Desk desk, Stage at, int[] size, double scale, Consumer<Shell> then) {
        Theme theme = new Theme();
        Shell shell = Window.onUi(() -> {
            Shell made = House.furnish(desk, new Window.Answers(), theme);
            Scene scene = new Scene(made, size[0], size[1]);
            theme.scale().set(scale);
            theme.dress(scene);
            made.showWork();
            desk.go(at);
            then.accept(made);
            return made;
        });
        for (int quiet = 0; quiet < 3; quiet++) {
            desk.summary(1).join();
            desk.compute(() -> true).join();
            Window.onUi(() -> true);
        }
        List<String> faults = List.of();
        // Some views measure themselves again after they were laid out.
        for (int i = 0; i < 4; i++) {
            faults = Window.onUi(() -> WindowFaults.of(shell.getScene()));
        }
        Window.onUi(() -> {
            shell.dispose();
            return true;
        });
        return faults;
    }

    private static List<String> planted(javafx.scene.Parent root) {
        return Window.onUi(() -> {
            Scene scene = new Scene(root, 400, 300);
            new Theme().dress(scene);
            return WindowFaults.of(scene);
        });
    }

    @Test
    void aCutOffLabelIsFound() {
        Label narrow = Build.line("much longer than its room");
        narrow.setMaxWidth(60);
        assertThat(planted(new VBox(narrow))).singleElement().asString().startsWith("cut off").contains("much longer");
        Label low = Build.label("a sentence that needs two lines at least to be read by anybody at all");
        low.setMinHeight(10);
        low.setMaxSize(150, 12);
        assertThat(planted(new Pane(new VBox(low)))).anyMatch(f -> f.startsWith("cut off"));
    }

    @Test
    void anActionOutsideIsFoundUnlessItCanBeScrolledTo() {
        Button away = Build.button("away", "", () -> {});
        away.setLayoutX(380);
        assertThat(planted(new Pane(away))).singleElement().asString().startsWith("outside: action").contains("away");
        Region high = new Region();
        high.setMinHeight(900);
        assertThat(planted(new VBox(Build.scroll(new VBox(high, Build.button("below", "", () -> {})))))).isEmpty();
        Button lost = Build.button("lost", "", () -> {});
        lost.setTranslateY(900);
        assertThat(planted(new VBox(Build.scroll(new VBox(lost))))).as("beyond what can be scrolled to").singleElement().asString().contains("lost");
    }

    @Test
    void aFaintTextIsFound() {
        Label soft = Build.line("soft", "soft");
        HBox on = new HBox(soft);
        on.getStyleClass().add("say-line");
        assertThat(planted(on)).singleElement().asString().startsWith("faint").contains("soft");
        Label hidden = Build.line("much longer than its room", "soft");
        hidden.setMaxWidth(60);
        hidden.setVisible(false);
        assertThat(planted(new HBox(hidden))).as("what is not shown has no fault").isEmpty();
    }

    @Test
    void aRightWindowHasNone() {
        assertThat(planted(new VBox(Build.line("short"), Build.label("a sentence"), Build.button("go", "G", () -> {})))).isEmpty();
        assertThat(Platform.isFxApplicationThread()).isFalse();
    }
}
