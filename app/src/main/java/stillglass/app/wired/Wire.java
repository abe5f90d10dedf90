package stillglass.app.wired;

import java.util.Optional;
import java.util.function.DoubleConsumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.application.Platform;
import stillglass.app.desk.Desk;
import stillglass.app.theme.Words;

/// The caliper that is connected to this bench, remembered from day to day. On the interface thread but for the port itself.
public final class Wire implements AutoCloseable {
    private static final String SETTING = "caliper port";
    private static final int USUAL_BAUD = 9600;
    private static final Pattern TYPED = Pattern.compile("(\\S+)(?:[ ,]+(\\d{3,7}))?");

    private final Desk desk;
    private final DoubleConsumer reading;
    private Optional<SerialCaliper> caliper = Optional.empty();
    private String port = "";

    /// @param reading hears what the caliper sends, mm
    public Wire(Desk desk, DoubleConsumer reading) {
        this.desk = desk;
        this.reading = reading;
        desk.setting(SETTING).thenAcceptAsync(s -> s.filter(t -> !t.isBlank()).ifPresent(t -> open(t, false)), Platform::runLater);
    }

    /// Connects what was typed: a port, and its speed where that is not the usual. Nothing typed lets go of the one that is connected.
    public void connect(String typed) {
        open(typed.strip(), true);
    }

    private void open(String typed, boolean asked) {
        close();
        Matcher m = TYPED.matcher(typed);
        if (typed.isEmpty()) {
            desk.remember(SETTING, "");
            desk.complain(Words.of("wire.none"));
        } else if (!m.matches()) {
            desk.complain(Words.of("wire.unclear", typed));
        } else {
            String path = m.group(1);
            int baud = m.group(2) == null ? USUAL_BAUD : Integer.parseInt(m.group(2));
            desk.compute(() -> SerialCaliper.open(path, baud, mm -> Platform.runLater(() -> reading.accept(mm)), gone -> Platform.runLater(() -> lost(gone))))
                    .whenCompleteAsync((c, e) -> {
                        if (e != null) {
                            desk.complain(e, Words.of("wire.failed", path));
                        } else {
                            caliper = Optional.of(c);
                            port = path;
                            if (asked) {
                                desk.remember(SETTING, typed);
                                desk.complain(Words.of("wire.connected", path));
                            }
                        }
                    }, Platform::runLater);
        }
    }

    private void lost(String gone) {
        caliper = Optional.empty();
        desk.complain(Words.of("wire.lost", gone));
    }

    /// Port of the caliper that is connected.
    public Optional<String> connected() {
        return caliper.map(c -> port);
    }

    @Override
    public void close() {
        caliper.ifPresent(SerialCaliper::close);
        caliper = Optional.empty();
    }
}
