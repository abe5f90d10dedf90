package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.testfx.api.FxRobot;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.assembly.Joint;
import stillglass.plan.WayBack;
import stillglass.sim.VirtualHands;
import stillglass.ticket.TicketState;
import stillglass.ticket.facts.BackedOff;
import stillglass.ticket.facts.Ball;
import stillglass.ticket.facts.Clocked;
import stillglass.ticket.facts.Collar;
import stillglass.ticket.facts.Damaged;
import stillglass.ticket.facts.Earlier;
import stillglass.ticket.facts.Facing;
import stillglass.ticket.facts.Fact;
import stillglass.ticket.facts.LetGo;
import stillglass.ticket.facts.Moved;
import stillglass.ticket.facts.Photo;
import stillglass.ticket.facts.Preload;
import stillglass.ticket.facts.Proud;
import stillglass.ticket.facts.Screw;
import stillglass.ticket.facts.Shims;
import stillglass.ticket.facts.Spring;
import stillglass.ticket.facts.Turns;
import stillglass.ticket.joints.Occurrence;
import stillglass.ticket.joints.Statement;

/// A technician who opens and closes with the keyboard alone: keys for what has one, shorthand for the rest.
final class BenchHands {
    private static final long READINGS = 3;

    private final Window window;
    private final FxRobot robot;

    BenchHands(Window window, FxRobot robot) {
        this.window = window;
        this.robot = robot;
    }

    /// Types a line on the Say line and sends it. Most of it is pasted: every key typed costs a reading-back and a layout.
    void type(String line) {
        robot.write("/", 0);
        window.until("the line is open", () -> window.shell.lookup("#say-field").isVisible());
        int typed = Math.max(0, line.length() - 2);
        Window.onUi(() -> {
            TextField field = (TextField) window.shell.lookup("#say-field");
            field.setText(line.substring(0, typed));
            field.end();
            return true;
        });
        robot.write(line.substring(typed), 0);
        window.press(KeyCode.ENTER);
    }

    /// Marks, records and opens until everything that is to be reached is open.
    /// @param benchEvery every so many joints one is opened in bench mode
    void openAll(int benchEvery) {
        for (int guard = 0; guard < 300 && window.work().nextToOpen().isPresent(); guard++) {
            openNext(benchEvery);
        }
        assertThat(window.work().nextToOpen()).isEmpty();
    }

    void openNext(int benchEvery) {
        Work w = window.work();
        Joint joint = w.nextToOpen().orElseThrow();
        int before = w.state().joints().order().size();
        joint.loses().stream().filter(r -> !w.state().joints().references().containsKey(r)).forEach(r -> window.press(KeyCode.M));
        boolean inBenchMode = before % benchEvery == benchEvery / 2;
        if (inBenchMode) {
            window.press(KeyCode.B);
            assertThat(window.find("bench")).hasValueSatisfying(n -> assertThat(n.isVisible()).isTrue());
        }
        window.press(KeyCode.SPACE);
        if (inBenchMode) {
            window.press(KeyCode.ESCAPE);
        }
        assertThat(window.work().state().joints().order()).as("opened " + joint.id() + "; the Say line: " + window.say()).hasSize(before + 1);
        // The joint that just came off stays in hand.
        VirtualHands.observe(joint, w.instrument(), READINGS).forEach(f -> shorthand(f).ifPresent(this::type));
    }

    /// Closes everything. The first glass goes in the wrong way round, which is caught.
    void closeAll() {
        boolean wrongOnce = false;
        for (int guard = 0; guard < 400; guard++) {
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
            boolean closes = step.get() instanceof WayBack.Step.Close || step.get() instanceof WayBack.Step.LeaveLoose;
            for (Fact f : closes ? w.state().joints().story(joint.id()).waiting().stream().map(Occurrence::fact).toList() : List.<Fact>of()) {
                if (f instanceof Facing x && !wrongOnce) {
                    wrongOnce = true;
                    window.press(KeyCode.R);
                    window.press(KeyCode.SPACE);
                    assertThat(window.work().state().joints().openNow()).as("what lies the wrong way round stays open").contains(joint.id());
                    assertThat(window.say()).contains("Wrong way round").contains(x.part().replace('_', ' '));
                }
                if (f instanceof Facing) {
                    window.press(KeyCode.F);
                } else {
                    type(shorthand(f).orElseThrow());
                }
            }
            if (closes && w.state().joints().facts(joint.id()).stream().anyMatch(Photo.class::isInstance)) {
                comparePhotos(joint);
            }
            if (closes && joint.close().setFirst().isPresent()) {
                window.press(KeyCode.S);
            }
            for (int i = 0; closes && i < joint.close().points().size(); i++) {
                window.press(KeyCode.D);
            }
            if (closes && joint.close().greased() && w.state().joints().story(joint.id()).closing().greased().isEmpty()) {
                window.press(KeyCode.G);
            }
            window.press(KeyCode.SPACE);
            assertThat(window.work().nextToClose()).as("after " + step.get() + "; the Say line: " + window.say()).isNotEqualTo(step);
        }
        TicketState closed = window.work().state();
        assertThat(closed.joints().openNow()).isEmpty();
        assertThat(window.work().ledger().zero()).as(Words.say(window.work().ledger().said())).isTrue();
    }

    /// Put back without looking it is turned, which two photos tell; turned back, they agree.
    private void comparePhotos(Joint joint) {
        for (boolean right : new boolean[] {false, true}) {
            // The first from bench mode by the third key, the second from the window.
            if (!right) {
                window.press(KeyCode.B);
            }
            window.press(right ? KeyCode.P : KeyCode.M);
            window.until("the photos are compared", () -> clocked(joint).filter(f -> f.matches() == right).isPresent());
            if (!right) {
                window.press(KeyCode.ESCAPE);
                window.press(KeyCode.SPACE);
                assertThat(window.work().state().joints().openNow()).as("what is turned stays open").contains(joint.id());
                assertThat(window.say()).contains("against the photo");
            }
        }
        long before = clocked(joint).orElseThrow().seq();
        window.press(KeyCode.ADD);
        window.until("they are compared by a wider ring", () -> clocked(joint).filter(f -> f.seq() > before).isPresent());
        assertThat(clocked(joint).orElseThrow().matches()).isTrue();
        window.press(KeyCode.V);
    }

    private Optional<Statement> clocked(Joint joint) {
        return window.desk.shown().orElseThrow().state().joints().story(joint.id()).closing().statements().stream().filter(f -> f.fact() instanceof Clocked).reduce((a, b) -> b);
    }

    /// What a technician types.
    private static Optional<String> shorthand(Fact f) {
        return switch (f) {
            case Turns t -> Optional.of("turns " + Words.number(t.turns()));
            case LetGo l -> Optional.of("lets go " + l.at());
            case Proud p -> Optional.of((p.mm() < 0 ? "below " : "proud ") + Words.number(Math.abs(p.mm())));
            case Screw s -> Optional.of("screw " + s.cell() + ", " + s.drive().orElseThrow() + ", " + Words.number(s.lengthMm().orElseThrow()));
            case Facing x -> Optional.of(x.part().replace('_', ' ') + (x.frontUp() ? " front up" : " rear up"));
            case Shims s -> Optional.of("shim " + String.join(" ", s.piecesMm().stream().map(Words::number).toList()));
            case Ball b -> Optional.of("ball " + Words.number(b.diameterMm().orElseThrow()));
            case Spring s -> Optional.of("spring " + s.words());
            case Collar c -> Optional.of("collar " + c.at());
            case BackedOff b -> Optional.of("back " + Words.number(b.degrees()));
            case Preload p -> Optional.of("preload " + Words.number(p.turns()));
            case Moved m -> Optional.of("move " + m.what() + " to " + m.to());
            case Damaged d -> Optional.of("damaged " + d.what());
            case Earlier e -> Optional.of("earlier " + e.what());
            default -> Optional.empty();
        };
    }
}
