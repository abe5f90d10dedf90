package stillglass.app.wired;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import stillglass.book.BadInput;

@EnabledOnOs(OS.LINUX)
class SerialCaliperTest {
    private final BlockingQueue<Double> readings = new LinkedBlockingQueue<>();
    private final BlockingQueue<String> lost = new LinkedBlockingQueue<>();

    private Double next() throws InterruptedException {
        return readings.poll(20, TimeUnit.SECONDS);
    }

    @Test
    void whatTheCaliperSendsIsReadLineByLine() throws Throwable {
        try (Pty pty = new Pty(); SerialCaliper c = SerialCaliper.open(pty.port(), 9600, readings::add, lost::add)) {
            pty.send("+00004.20 mm\r\n");
            assertThat(next()).isEqualTo(4.2);
            pty.send("01A+000");
            pty.send("12.345\r");
            assertThat(next()).as("a line in two pieces").isEqualTo(12.345);
            pty.send("ERR 02\r\n\r\n" + "x".repeat(5000) + "\r\n0.5 in\r\n");
            assertThat(next()).as("rubbish is passed over").isEqualTo(12.7);
            assertThat(readings).isEmpty();
            assertThat(lost).isEmpty();
        }
    }

    @Test
    void aPortThatIsNotThereIsNamed() {
        assertThatThrownBy(() -> SerialCaliper.open("/dev/ttyNOWHERE7", 9600, readings::add, lost::add)).isInstanceOf(BadInput.class).hasMessageContaining("ttyNOWHERE7");
    }

    @Test
    void aPlugThatIsPulledIsSaid() throws Throwable {
        Pty pty = new Pty();
        try (SerialCaliper c = SerialCaliper.open(pty.port(), 9600, readings::add, lost::add)) {
            pty.send("1.00\r\n");
            assertThat(next()).isEqualTo(1.0);
            pty.close();
            assertThat(lost.poll(20, TimeUnit.SECONDS)).isEqualTo(pty.port());
        }
    }
}
