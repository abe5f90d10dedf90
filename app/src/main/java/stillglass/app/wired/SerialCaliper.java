package stillglass.app.wired;

import com.fazecast.jSerialComm.SerialPort;
import com.fazecast.jSerialComm.SerialPortInvalidPortException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import stillglass.book.BadInput;
import stillglass.device.GaugeLine;

/// A caliper on a serial port that sends a line when its button is pressed.
public final class SerialCaliper implements AutoCloseable {
    private static final int BITS = 8;
    private static final int PAUSE_MS = 200;

    private final SerialPort port;
    private final DoubleConsumer read;
    private final Consumer<String> lost;
    private final Thread reader;
    private volatile boolean closing;

    private SerialCaliper(SerialPort port, DoubleConsumer read, Consumer<String> lost) {
        this.port = port;
        this.read = read;
        this.lost = lost;
        reader = Thread.ofVirtual().name("caliper").unstarted(this::listen);
    }

    /// @param path of the port: `/dev/ttyUSB0`, `COM3`
    /// @param read hears readings in mm, on a thread of its own
    /// @param lost hears in a sentence that the port is gone
    /// @throws BadInput naming the port when it cannot be opened
    public static SerialCaliper open(String path, int baud, DoubleConsumer read, Consumer<String> lost) {
        try {
            SerialPort port = SerialPort.getCommPort(path);
            port.setComPortParameters(baud, BITS, SerialPort.ONE_STOP_BIT, SerialPort.NO_PARITY);
            port.setComPortTimeouts(SerialPort.TIMEOUT_READ_SEMI_BLOCKING, PAUSE_MS, 0);
            if (!port.openPort()) {
                throw new BadInput(path, "port", "it could not be opened: is it there, free, and yours to use?");
            }
            SerialCaliper c = new SerialCaliper(port, read, lost);
            c.reader.start();
            return c;
        } catch (SerialPortInvalidPortException e) {
            throw new BadInput(path, "port", "there is no serial port of that name");
        }
    }

    /// Ports this machine knows of; one that is not among them can still be named.
    public static List<String> ports() {
        return Arrays.stream(SerialPort.getCommPorts()).map(SerialPort::getSystemPortPath).sorted().toList();
    }

    private void listen() {
        byte[] some = new byte[GaugeLine.LONGEST];
        StringBuilder line = new StringBuilder();
        while (!closing) {
            int n = port.readBytes(some, some.length);
            if (n < 0 || !port.isOpen()) {
                break;
            }
            for (char c : new String(some, 0, n, StandardCharsets.US_ASCII).toCharArray()) {
                if (c == '\r' || c == '\n') {
                    GaugeLine.mm(line.toString()).ifPresent(read);
                    line.setLength(0);
                } else if (line.length() <= GaugeLine.LONGEST) {
                    line.append(c);
                }
            }
        }
        if (!closing) {
            port.closePort();
            lost.accept(port.getSystemPortPath());
        }
    }

    @Override
    public void close() {
        closing = true;
        port.closePort();
    }
}
