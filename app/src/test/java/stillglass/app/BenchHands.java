package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.testfx.api.FxRobot;
import stillglass.app.desk.Work;
import stillglass.assembly.Joint;
import stillglass.plan.WayBack;
import stillglass.sim.VirtualHands;
import stillglass.ticket.Closing;
import stillglass.ticket.Fact;
import stillglass.ticket.TicketEvent;
import stillglass.ticket.TicketState;

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
        int before = w.state().opened().size();
        joint.loses().stream().filter(r -> !w.state().references().containsKey(r)).forEach(r -> window.press(KeyCode.M));
        VirtualHands.observe(joint, w.instrument(), READINGS).forEach(f -> shorthand(f).ifPresent(this::type));
        boolean inBenchMode = before % benchEvery == benchEvery / 2;
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
            for (Fact f : closes ? Closing.wanted(w.state(), joint.id()) : List.<Fact>of()) {
                if (f instanceof Fact.Facing x && !wrongOnce) {
                    wrongOnce = true;
                    window.press(KeyCode.R);
                    window.press(KeyCode.SPACE);
                    assertThat(window.work().state().openNow()).as("what lies the wrong way round stays open").contains(joint.id());
                    assertThat(window.say()).contains("Wrong way round: " + x.name());
                }
                if (f instanceof Fact.Facing) {
                    window.press(KeyCode.F);
                } else {
                    type(shorthand(f).orElseThrow());
                }
            }
            if (closes && w.state().facts(joint.id()).stream().anyMatch(Fact.Photo.class::isInstance)) {
                comparePhotos(joint);
            }
            if (closes && joint.close().setFirst().isPresent()) {
                window.press(KeyCode.S);
            }
            if (closes && joint.close().greased() && w.state().greased(joint.id()).isEmpty()) {
                window.press(KeyCode.G);
            }
            window.press(KeyCode.SPACE);
            assertThat(window.work().nextToClose()).as("after " + step.get() + "; the Say line: " + window.say()).isNotEqualTo(step);
        }
        TicketState closed = window.work().state();
        assertThat(closed.openNow()).isEmpty();
        assertThat(window.work().ledger().zero()).as(window.work().ledger().say()).isTrue();
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
                assertThat(window.work().state().openNow()).as("what is turned stays open").contains(joint.id());
                assertThat(window.say()).contains("against the photo");
            }
        }
        int before = window.work().state().stated(joint.id()).size();
        window.press(KeyCode.ADD);
        window.until("they are compared by a wider ring", () -> window.desk.shown().orElseThrow().state().stated(joint.id()).size() > before);
        assertThat(clocked(joint).orElseThrow().matches()).isTrue();
        window.press(KeyCode.V);
    }

    private Optional<TicketEvent.FactStated> clocked(Joint joint) {
        return window.desk.shown().orElseThrow().state().stated(joint.id()).stream().filter(f -> f.fact() instanceof Fact.Clocked).reduce((a, b) -> b);
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
            case Fact.Collar c -> Optional.of("collar " + c.at());
            case Fact.BackedOff b -> Optional.of("back " + Fact.trim(b.degrees()));
            case Fact.Preload p -> Optional.of("preload " + Fact.trim(p.turns()));
            case Fact.Moved m -> Optional.of("move " + m.what() + " to " + m.to());
            case Fact.Damaged d -> Optional.of("damaged " + d.what());
            case Fact.Earlier e -> Optional.of("earlier " + e.what());
            case Fact.Stuck s -> Optional.empty();
            case Fact.Photo p -> Optional.empty();
            case Fact.Clocked c -> Optional.empty();
            case Fact.Note n -> Optional.empty();
        };
    }
}
