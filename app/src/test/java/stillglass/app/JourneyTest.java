package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
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
import stillglass.app.desk.Work;
import stillglass.assembly.Joint;
import stillglass.plan.Step;
import stillglass.plan.WayBack;
import stillglass.sim.VirtualHands;
import stillglass.ticket.Closing;
import stillglass.ticket.Fact;
import stillglass.ticket.Phase;
import stillglass.ticket.TicketState;

/// A technician's whole job, in the real window, with keyboard and mouse: from an empty book to a written report.
@ExtendWith(ApplicationExtension.class)
class JourneyTest {
    private Path folder;
    private Window window;
    private FxRobot robot;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("still-glass-journey");
        robot = new FxRobot();
        window = new Window(stage, folder.resolve("book.sqlite"), robot);
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

    private void finishStage(stillglass.ticket.Stage next) {
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
        robot.write("Milky against the light");
        window.press(KeyCode.ENTER);
        window.click("use");
        robot.write("Stage lamps, wide open");
        window.press(KeyCode.ENTER);
        window.click("iris-check");
        robot.write("snaps");
        window.press(KeyCode.ENTER);
        window.click("feel-check");
        robot.write("dry, scrapes");
        window.press(KeyCode.ENTER);
        window.click("read-collimator");
        window.until("infinity is read", () -> window.desk.shown().orElseThrow().state().infinity(Phase.BEFORE).isPresent());
        TicketState s = window.work().state();
        assertThat(s.symptoms()).containsExactly("Milky against the light");
        assertThat(s.use()).isEqualTo("Stage lamps, wide open");
        assertThat(s.check(Phase.BEFORE, "feel")).contains("dry, scrapes");
        robot.clickOn("#stage-arrive");
        finishStage(stillglass.ticket.Stage.LOOK);
    }

    private void look() {
        window.press(KeyCode.C);
        window.until("the photo is graded", () -> window.desk.shown().orElseThrow().state().gradedPhoto(Phase.BEFORE).isPresent());
        window.settle();
        int found = window.work().state().findings().size();
        assertThat(found).as("every ticket on the virtual bench has at least dust").isPositive();
        window.press(KeyCode.DOWN);
        window.press(KeyCode.RIGHT);
        assertThat(window.work().state().findings().getFirst().surface()).contains(0);
        window.press(KeyCode.RIGHT);
        assertThat(window.work().state().findings().getFirst().surface()).contains(1);
        window.press(KeyCode.DIGIT2);
        assertThat(window.work().state().findings().getFirst().finding().kind().word()).isEqualTo("fungus");
        assertThat(window.find("axis-fault-1")).as("the finding is on the Axis").isPresent();
        window.press(KeyCode.CONTROL, KeyCode.Z);
        window.press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(window.work().state().findings().getFirst().surface()).as("undone").contains(0);
        finishStage(stillglass.ticket.Stage.DECIDE);
    }

    private void decide() {
        window.until("the light is traced", () -> !window.desk.shown().orElseThrow().computed().assessments().isEmpty());
        assertThat(window.find("assessment-1")).isPresent();
        window.press(KeyCode.SPACE);
        assertThat(window.work().state().goals()).contains("inner_helicoid", "middle_helicoid");
        finishStage(stillglass.ticket.Stage.OPEN);
    }

    /// Marks with M, records by shorthand, opens with Space; part of it in bench mode.
    private void open() {
        window.until("the way is planned", () -> window.desk.shown().orElseThrow().computed().plan().isPresent());
        int joints = window.work().computed().plan().orElseThrow().joints().size();
        assertThat(joints).isGreaterThan(10);
        for (int guard = 0; guard < 200; guard++) {
            Work w = window.work();
            Optional<Step> step = w.nextStep();
            if (step.isEmpty()) {
                break;
            }
            switch (step.get()) {
                case Step.Mark m -> window.press(KeyCode.M);
                case Step.Catch c -> open(c.before(), w);
                case Step.Open o -> open(o.joint(), w);
            }
        }
        assertThat(window.work().nextToOpen()).isEmpty();
        assertThat(window.say()).startsWith("You are there");
        assertThat(window.work().state().references()).hasSizeGreaterThan(5);
        finishStage(stillglass.ticket.Stage.CLEAN);
    }

    private void open(Joint joint, Work w) {
        int before = w.state().opened().size();
        List<Fact> facts = VirtualHands.observe(joint, w.instrument(), 3);
        boolean inBenchMode = before % 9 == 4;
        for (Fact f : facts) {
            shorthand(f).ifPresent(line -> {
                robot.write("/");
                window.until("the line is open", () -> window.shell.lookup("#say-field").isVisible());
                robot.write(line);
                window.press(KeyCode.ENTER);
            });
        }
        if (inBenchMode) {
            window.press(KeyCode.B);
            assertThat(window.find("bench")).hasValueSatisfying(n -> assertThat(n.isVisible()).isTrue());
        }
        window.press(KeyCode.SPACE);
        if (inBenchMode) {
            window.press(KeyCode.ESCAPE);
        }
        assertThat(window.work().state().opened()).as("opened " + joint.id() + "; the Say line: " + window.say()).hasSize(before + 1);
    }

    /// What a technician types.
    private static Optional<String> shorthand(Fact f) {
        return switch (f) {
            case Fact.Turns t -> Optional.of("turns " + Fact.trim(t.turns()));
            case Fact.LetGo l -> Optional.of("lets go " + l.at());
            case Fact.Proud p -> Optional.of((p.mm() < 0 ? "below " : "proud ") + Fact.trim(Math.abs(p.mm())));
            case Fact.Screw s -> Optional.of("screw " + s.cell() + ", " + s.drive() + ", " + Fact.trim(s.lengthMm()));
            case Fact.Facing x -> Optional.of(x.part() + (x.frontUp() ? " front up" : " rear up"));
            case Fact.Shims s -> Optional.of("shim " + String.join(" ", s.thicknessesMm().stream().map(Fact::trim).toList()));
            case Fact.Ball b -> Optional.of("ball " + Fact.trim(b.diameterMm()));
            case Fact.Spring s -> Optional.of("spring " + s.what());
            case Fact.Stuck s -> Optional.empty();
            case Fact.Photo p -> Optional.empty();
            case Fact.Note n -> Optional.empty();
        };
    }

    private void clean() {
        window.settle();
        int tried = window.work().state().cleaned().size();
        window.press(KeyCode.N);
        window.press(KeyCode.T);
        window.press(KeyCode.SPACE);
        TicketState s = window.work().state();
        assertThat(s.cleaned()).hasSize(tried + 2);
        assertThat(s.cleaned().getFirst().gone()).isFalse();
        assertThat(s.cleaned().getLast().gone()).isTrue();
        assertThat(s.timers()).hasSize(1);
        finishStage(stillglass.ticket.Stage.CLOSE);
    }

    private void closeUp() {
        boolean wrongOnce = false;
        for (int guard = 0; guard < 300; guard++) {
            Work w = window.work();
            if (window.find("test-passed").isPresent()) {
                window.press(KeyCode.T);
                continue;
            }
            Optional<WayBack.Step> step = w.nextToClose();
            if (step.isEmpty()) {
                break;
            }
            Joint joint = step.get().joint();
            for (Fact f : step.get() instanceof WayBack.Step.Tighten ? List.<Fact>of() : Closing.wanted(w.state(), joint.id())) {
                if (f instanceof Fact.Facing x && !wrongOnce) {
                    wrongOnce = true;
                    window.press(KeyCode.R);
                    window.press(KeyCode.SPACE);
                    assertThat(window.work().state().openNow()).as("a glass the wrong way round stays open").contains(joint.id());
                    assertThat(window.say()).contains("Wrong way round: " + x.part());
                }
                if (f instanceof Fact.Facing) {
                    window.press(KeyCode.F);
                } else {
                    robot.write("/");
                    robot.write(shorthand(f).orElseThrow());
                    window.press(KeyCode.ENTER);
                }
            }
            if (joint.close().greased() && w.state().greased(joint.id()).isEmpty()) {
                window.press(KeyCode.G);
            }
            int open = window.work().state().openNow().size() + window.work().state().loose().size();
            window.press(KeyCode.SPACE);
            TicketState now = window.work().state();
            assertThat(now.openNow().size() + now.loose().size()).as("closing " + joint.id() + "; the Say line: " + window.say()).isLessThanOrEqualTo(open);
        }
        assertThat(window.work().ledger().zero()).as(window.work().ledger().say()).isTrue();
        finishStage(stillglass.ticket.Stage.PROVE);
    }

    private void prove() throws Exception {
        window.press(KeyCode.R);
        window.until("infinity is read", () -> window.desk.shown().orElseThrow().state().infinity(Phase.AFTER).isPresent());
        window.press(KeyCode.C);
        window.until("the photo after is graded", () -> window.desk.shown().orElseThrow().state().gradedPhoto(Phase.AFTER).isPresent());
        window.click("signature");
        robot.write("M. at the bench");
        window.press(KeyCode.ENTER);
        assertThat(window.work().state().signed()).isPresent();
        Path pdf = folder.resolve("report.pdf");
        window.answers.report = Optional.of(pdf);
        window.fire("write-pdf");
        window.until("the report is written", () -> Files.exists(pdf));
        try (PDDocument d = Loader.loadPDF(pdf.toFile())) {
            String text = new PDFTextStripper().getText(d);
            assertThat(text).contains("Ostrel 52 mm f/2", "Milky against the light", "Stage lamps, wide open", "Signed: M. at the bench", "Infinity error", "Veil", "everything is back");
            assertThat(text).contains("joints opened").contains("Greased the inner helicoid");
        }
        robot.clickOn("#stage-prove");
        window.press(KeyCode.CONTROL, KeyCode.ENTER);
        assertThat(stillglass.ticket.Stage.values()).allMatch(window.work().state()::done);
    }
}
