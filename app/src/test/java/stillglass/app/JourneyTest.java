package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import stillglass.ticket.TicketState;
import stillglass.ticket.story.Phase;

/// A technician's whole job, in the real window, with keyboard and mouse: from an empty book to a written report.
@ExtendWith(ApplicationExtension.class)
class JourneyTest {
    private Path folder;
    private Window window;
    private FxRobot robot;
    private BenchHands hands;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("still-glass-journey");
        robot = new FxRobot();
        window = new Window(stage, folder.resolve("book.sqlite"), robot);
        hands = new BenchHands(window, robot);
        window.shell.showBook();
    }

    @AfterEach
    void close() {
        window.close();
    }

    @Test
    void oneLensFromArrivalToProof() throws Exception {
        arrive();
        look();
        decide();
        open();
        clean();
        closeUp();
        prove();
    }

    private void finishStage(stillglass.ticket.story.Stage next) {
        window.press(KeyCode.CONTROL, KeyCode.ENTER);
        window.until("the next stage is shown", () -> window.desk.shown().orElseThrow().stage() == next);
        window.settle();
    }

    private void arrive() {
        window.settle();
        assertThat(window.say()).contains("begin your first ticket");
        window.click("new-fell_52_f2");
        window.until("the ticket is shown", () -> window.desk.shown().isPresent());
        window.settle();
        assertThat(window.say()).isEqualTo("What does the owner complain of?");
        window.click("symptom");
        robot.write("Milky against the light", 0);
        window.press(KeyCode.ENTER);
        window.click("use");
        robot.write("Stage lamps, wide open", 0);
        window.press(KeyCode.ENTER);
        window.click("function-feel-before");
        robot.write("dry, scrapes", 0);
        window.press(KeyCode.ENTER);
        robot.write("snaps", 0);
        window.press(KeyCode.ENTER);
        window.click("read-collimator");
        window.until("infinity is read", () -> window.desk.shown().orElseThrow().state().readings().infinity(Phase.BEFORE).isPresent());
        TicketState s = window.work().state();
        assertThat(s.arrival().symptoms()).containsExactly("Milky against the light");
        assertThat(s.arrival().use()).isEqualTo("Stage lamps, wide open");
        assertThat(s.readings().check(Phase.BEFORE, "feel")).contains("dry, scrapes");
        window.click("stage-arrive");
        finishStage(stillglass.ticket.story.Stage.LOOK);
    }

    private void look() {
        window.press(KeyCode.C);
        window.until("the photo is graded", () -> window.desk.shown().orElseThrow().state().glass().graded(Phase.BEFORE).isPresent());
        window.settle();
        int found = window.work().state().glass().findings().size();
        assertThat(found).as("every ticket on the virtual bench has at least dust").isPositive();
        window.press(KeyCode.DOWN);
        window.press(KeyCode.RIGHT);
        assertThat(window.work().state().glass().findings().getFirst().surface()).contains(0);
        window.press(KeyCode.RIGHT);
        assertThat(window.work().state().glass().findings().getFirst().surface()).contains(1);
        window.press(KeyCode.DIGIT2);
        assertThat(window.work().state().glass().findings().getFirst().finding().kind().word()).isEqualTo("fungus");
        assertThat(window.find("axis-fault-1")).as("the finding is on the Axis").isPresent();
        window.press(KeyCode.CONTROL, KeyCode.Z);
        window.press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(window.work().state().glass().findings().getFirst().surface()).as("undone").contains(0);
        finishStage(stillglass.ticket.story.Stage.DECIDE);
    }

    private void decide() {
        window.until("the light is traced", () -> !window.desk.shown().orElseThrow().computed().assessments().isEmpty());
        window.there("assessment-1");
        window.press(KeyCode.SPACE);
        assertThat(window.work().state().course().goals()).contains("inner_helicoid", "middle_helicoid");
        finishStage(stillglass.ticket.story.Stage.OPEN);
    }

    private void open() {
        window.until("the way is planned", () -> window.desk.shown().orElseThrow().computed().plan().isPresent());
        assertThat(window.work().computed().plan().orElseThrow().joints().size()).isGreaterThan(10);
        hands.openAll(9);
        assertThat(window.say()).startsWith("You are there");
        assertThat(window.work().state().joints().references()).hasSizeGreaterThan(5);
        finishStage(stillglass.ticket.story.Stage.CLEAN);
    }

    private void clean() {
        window.settle();
        int tried = window.work().state().care().cleaned().size();
        window.press(KeyCode.N);
        window.press(KeyCode.T);
        window.press(KeyCode.SPACE);
        TicketState s = window.work().state();
        assertThat(s.care().cleaned()).hasSize(tried + 2);
        assertThat(s.care().cleaned().getFirst().gone()).isFalse();
        assertThat(s.care().cleaned().getLast().gone()).isTrue();
        assertThat(s.care().timers()).hasSize(1);
        finishStage(stillglass.ticket.story.Stage.CLOSE);
    }

    private void closeUp() {
        hands.closeAll();
        finishStage(stillglass.ticket.story.Stage.PROVE);
    }

    private void prove() throws Exception {
        window.press(KeyCode.R);
        window.until("infinity is read", () -> window.desk.shown().orElseThrow().state().readings().infinity(Phase.AFTER).isPresent());
        window.press(KeyCode.C);
        window.until("the photo after is graded", () -> window.desk.shown().orElseThrow().state().glass().graded(Phase.AFTER).isPresent());
        window.click("function-feel-after");
        robot.write("even", 0);
        window.press(KeyCode.ENTER);
        robot.write("snaps", 0);
        window.press(KeyCode.ENTER);
        window.click("signature");
        robot.write("M. at the bench", 0);
        window.press(KeyCode.ENTER);
        assertThat(window.work().state().proof().signed(window.work().state().joints())).isPresent();
        Path pdf = folder.resolve("report.pdf");
        window.answers.report = Optional.of(pdf);
        window.fire("write-pdf");
        window.until("the report is written", () -> Files.exists(pdf));
        try (PDDocument d = Loader.loadPDF(pdf.toFile())) {
            String text = new PDFTextStripper().getText(d);
            assertThat(text).contains("Ostrel 52 mm f/2", "Milky against the light", "Stage lamps, wide open", "Signed: M. at the bench", "Veil", "everything is back");
            assertThat(text).contains("joints opened", "simulated").contains("Inner helicoid greased with");
        }
        window.click("stage-prove");
        window.press(KeyCode.CONTROL, KeyCode.ENTER);
        assertThat(stillglass.ticket.story.Stage.values()).allMatch(st -> window.work().state().done(st));
        Path labels = pdf.resolveSibling("labels");
        window.answers.folder = Optional.of(labels);
        window.press(KeyCode.CONTROL, KeyCode.B);
        window.fire("corrections-export");
        window.until("photos with labels are written", () -> Files.exists(labels.resolve("labels.json")));
        assertThat(Files.readString(labels.resolve("labels.json"))).contains("\"simulated\" : true").contains("fungus");
    }
}
