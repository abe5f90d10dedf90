package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.Rectangle;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import stillglass.app.desk.Devices;
import stillglass.book.data.Shelf;
import stillglass.ticket.BenchDay;
import stillglass.ticket.agenda.Agenda;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Stage;
import stillglass.ticket.worth.WorthEvent;

/// The day of a shop with three things nobody knows, a Tuesday from nine on.
@ExtendWith(ApplicationExtension.class)
class DayWindowTest {
    private static final Instant NINE = Instant.parse("2026-11-24T09:00:00Z");

    private Window window;
    private Path folder;

    @Start
    void start(javafx.stage.Stage shown) throws Exception {
        folder = Files.createTempDirectory("still-glass-day");
        window = new Window(shown, folder.resolve("logbook.sqlite"), new FxRobot(), Shelf.ofShop(folder), Devices.NONE);
        window.at(NINE);
        window.shell.showBook();
    }

    @AfterEach
    void close() {
        window.close();
    }

    private void threeTickets() {
        window.begin("lens", "Brook 35 mm f/2.8", KeyCode.DIGIT1);
        window.type("due 2026-11-24");
        for (String named : List.of("Vale 50 mm", "Fen folding camera")) {
            window.press(KeyCode.CONTROL, KeyCode.B);
            window.begin("lens", named, KeyCode.DIGIT1);
            window.type("due 2026-11-26");
        }
        window.press(KeyCode.CONTROL, KeyCode.D);
        window.until("three tickets are planned", () -> block("T-0103", "prove").isPresent());
    }

    /// Asked on the interface thread.
    private Optional<Rectangle> block(String ticket, String task) {
        return Optional.ofNullable((Rectangle) window.shell.lookup("#block-" + ticket + "-" + task));
    }

    private String spoken(String ticket, String task) {
        return Window.onUi(() -> block(ticket, task).map(Rectangle::getAccessibleText).orElse("none"));
    }

    private boolean said(String words) {
        return window.shell.lookupAll(".label").stream().anyMatch(n -> n instanceof Label l && l.isVisible() && l.getText().contains(words));
    }

    /// Glue is found open at eleven and sets for a day: what hangs on it moves, what was fixed stays, the bench goes on with another ticket, and the one that is late says so.
    @Test
    void aDayThatGoesWrongAtEleven() {
        threeTickets();
        assertThat(spoken("T-0101", "look")).isEqualTo("T-0101, look, from 9:00 to 9:20");
        assertThat(Window.onUi(() -> said("Every ticket is through by its day."))).isTrue();

        // The second ticket is to be closed at two in the afternoon of the day after, by its owner's wish.
        window.press(KeyCode.ENTER);
        window.until("the first ticket is taken up", () -> window.desk.shown().filter(w -> w.state().tag().number().equals("T-0101") && w.stage() == Stage.LOOK).isPresent());
        window.press(KeyCode.CONTROL, KeyCode.B);
        window.openAt("T-0102", KeyCode.DIGIT6);
        window.type("task close in 29 h");

        window.at(NINE.plusSeconds(7200));
        window.press(KeyCode.CONTROL, KeyCode.B);
        window.openAt("T-0101", KeyCode.DIGIT4);
        window.type("wait 25 h for the glue");
        window.until("another ticket is taken up instead", () -> window.shell.lookup("#say-next") instanceof Button b && b.isVisible() && b.getText().equals("now: T-0102 look"));
        window.press(KeyCode.CONTROL, KeyCode.D);
        window.until("what hangs on the glue is moved", () -> block("T-0101", "look").map(Rectangle::getAccessibleText).filter(t -> t.equals("T-0101, look, from Wed 12:00 to Wed 12:20")).isPresent());
        assertThat(spoken("T-0102", "close")).as("what was fixed stays").startsWith("T-0102, close, from Wed 14:00");
        assertThat(Window.onUi(() -> said("too late in all"))).isTrue();
        assertThat(window.say()).isEqualTo("Next on the bench, now: T-0102 look.");
        window.press(KeyCode.CONTROL, KeyCode.B);
        window.click("say-next");
        window.until("it is shown where the work is", () -> window.desk.shown().filter(w -> w.state().tag().number().equals("T-0102") && w.stage() == Stage.LOOK).isPresent());
    }

    @Test
    void aTaskIsMovedByKeysRefusedWithAReasonAndFreedAgain() {
        threeTickets();
        window.press(KeyCode.SHIFT, KeyCode.RIGHT);
        window.until("moved by a quarter of an hour", () -> block("T-0101", "look").map(Rectangle::getAccessibleText).filter(t -> t.contains("from 9:15 to 9:35")).isPresent());
        assertThat(state("T-0101").fixed()).containsEntry("look", NINE.plusSeconds(900));
        window.press(KeyCode.SHIFT, KeyCode.LEFT);
        window.until("moved back", () -> block("T-0101", "look").map(Rectangle::getAccessibleText).filter(t -> t.contains("from 9:00")).isPresent());
        window.press(KeyCode.SHIFT, KeyCode.LEFT);
        assertThat(window.say()).isEqualTo("That time is over.");
        window.press(KeyCode.RIGHT);
        window.press(KeyCode.SHIFT, KeyCode.LEFT);
        assertThat(window.say()).contains("waits for “look”").contains("15 min after");

        window.press(KeyCode.CONTROL, KeyCode.Z);
        window.until("the last move is taken back", () -> block("T-0101", "look").map(Rectangle::getAccessibleText).filter(t -> t.contains("from 9:15")).isPresent());
        window.press(KeyCode.LEFT);
        window.press(KeyCode.X);
        window.until("whenever it fits", () -> block("T-0101", "look").map(Rectangle::getAccessibleText).filter(t -> t.contains("from 9:00")).isPresent());
        assertThat(state("T-0101").fixed()).isEmpty();

        TextField takes = (TextField) window.there("day-takes");
        Window.onUi(() -> {
            takes.requestFocus();
            takes.setText("90");
            return true;
        });
        window.press(KeyCode.ENTER);
        window.until("it takes as long as was said", () -> block("T-0101", "look").map(Rectangle::getAccessibleText).filter(t -> t.contains("to 10:30")).isPresent());
        assertThat(Window.onUi(() -> said("as you said"))).isTrue();
    }

    /// Dragged by three quarters of an hour, three pixels a minute, it is fixed there; dragged into the pause it is refused and goes back.
    @Test
    void aTaskIsDraggedToAnotherTime() {
        threeTickets();
        drag("T-0103", "look", 0);
        assertThat(state("T-0103").fixed()).as("pressed, not dragged").isEmpty();
        window.press(KeyCode.CONTROL, KeyCode.D);
        drag("T-0101", "look", 135);
        window.until("fixed three quarters of an hour later", () -> block("T-0101", "look").map(Rectangle::getAccessibleText).filter(t -> t.contains("from 9:45")).isPresent());
        drag("T-0101", "look", 3 * 200);
        window.until("the pause begins at one", () -> window.shell.lookup("#say") instanceof Label l && l.getText().equals("Nobody is there then."));
        assertThat(spoken("T-0101", "look")).contains("from 9:45");
    }

    private void drag(String ticket, String task, double pixels) {
        Window.onUi(() -> {
            Rectangle r = block(ticket, task).orElseThrow();
            Event.fireEvent(r, mouse(MouseEvent.MOUSE_PRESSED, 5));
            Event.fireEvent(r, mouse(MouseEvent.MOUSE_DRAGGED, 5 + pixels));
            Event.fireEvent(r, mouse(MouseEvent.MOUSE_RELEASED, 5));
            return true;
        });
        window.settle();
    }

    private static MouseEvent mouse(EventType<MouseEvent> type, double x) {
        return new MouseEvent(type, x, 5, x, 5, MouseButton.PRIMARY, 1, false, false, false, false, true, false, false, false, false, false, null);
    }

    private Agenda state(String ticket) {
        return window.desk.benchDays().plan().join().day().open(ticket).map(BenchDay.Open::number).map(n -> agenda(n)).orElseThrow();
    }

    private Agenda agenda(String number) {
        window.desk.open(number).join();
        window.settle();
        return window.work().state().agenda();
    }

    @Test
    void hoursAreTypedAndWhatIsWrongWithThemIsSaid() {
        threeTickets();
        window.press(KeyCode.H);
        TextField tuesday = (TextField) window.there("shop-tuesday");
        Window.onUi(() -> {
            tuesday.setText("13-9");
            return true;
        });
        Window.onUi(() -> {
            tuesday.fireEvent(new javafx.event.ActionEvent());
            return true;
        });
        assertThat(Window.onUi(() -> said("end before they begin"))).isTrue();
        Window.onUi(() -> {
            tuesday.setText("10-16");
            return true;
        });
        Window.onUi(() -> {
            tuesday.fireEvent(new javafx.event.ActionEvent());
            return true;
        });
        window.until("planned by these", () -> block("T-0101", "look").map(Rectangle::getAccessibleText).filter(t -> t.contains("from 10:00")).isPresent());
        assertThat(Window.onUi(() -> said("hours of this shop"))).isTrue();
        assertThat(window.desk.setting("shop").join()).hasValueSatisfying(s -> assertThat(s).contains("tuesday 10:00-16:00").contains("tin 2"));

        assertThat(Window.onUi(() -> said("Stop, or ask the owner"))).as("nobody said what it is worth").isFalse();
        window.desk.submit("T-0101", Act.of(new WorthEvent.WorthSaid(15, Optional.empty())), List.of()).join();
        window.press(KeyCode.H);
        TextField hour = (TextField) window.there("shop-hour");
        Window.onUi(() -> {
            hour.setText("45");
            hour.fireEvent(new javafx.event.ActionEvent());
            return true;
        });
        window.until("whether it pays is weighed", () -> said("Stop, or ask the owner") && said("nobody said how likely that is"));
    }

    @Test
    void theCalendarHoldsEveryTask() throws Exception {
        threeTickets();
        Path file = folder.resolve("day.ics");
        window.answers.report = Optional.of(file);
        window.press(KeyCode.C);
        window.until("it is written", () -> window.desk.shown().isPresent() && Files.exists(file));
        List<String> lines = Files.readAllLines(file);
        assertThat(lines).contains("BEGIN:VCALENDAR", "UID:T-0101-look@still-glass", "DTSTART:20261124T090000Z", "DTEND:20261124T092000Z", "SUMMARY:T-0101 look: Brook 35 mm f/2.8");
        assertThat(lines.stream().filter("BEGIN:VEVENT"::equals)).hasSize(18);
    }

    @Test
    void anEmptyBookHasNothingToPlan() {
        window.press(KeyCode.CONTROL, KeyCode.D);
        window.until("nothing is to be done", () -> said("No ticket has work left."));
        assertThat(window.say()).isEqualTo("Nothing waits for hands.");
        List.of(KeyCode.ENTER, KeyCode.F, KeyCode.X, KeyCode.S, KeyCode.LEFT, KeyCode.RIGHT).forEach(k -> window.press(k));
        assertThat(window.say()).isEqualTo("Nothing waits for hands.");
    }
}
