package stillglass.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.logging.FileHandler;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.LogRecord;
import java.util.logging.Logger;
import java.util.logging.SimpleFormatter;
import org.jspecify.annotations.Nullable;

/// What goes wrong inside is written to a file, made when there is something to write; nothing is said on standard error. Two files of a megabyte at most.
final class LogFile extends Handler {
    private static final int MOST_BYTES = 1_000_000;
    private static final int FILES = 2;

    private final Path folder;
    private @Nullable FileHandler out;
    private boolean refused;

    private LogFile(Path folder) {
        this.folder = folder;
        setLevel(Level.SEVERE);
    }

    /// From now on everything that is logged goes to that folder and nowhere else.
    /// @return the folder where it is written down
    static Path into(Path folder) {
        Logger root = Logger.getLogger("");
        for (Handler h : root.getHandlers()) {
            root.removeHandler(h);
        }
        root.setLevel(Level.SEVERE);
        LogFile log = new LogFile(folder);
        root.addHandler(log);
        return log.folder;
    }

    @Override
    public synchronized void publish(LogRecord record) {
        if (isLoggable(record)) {
            open().ifPresent(o -> o.publish(record));
        }
    }

    private Optional<FileHandler> open() {
        if (out == null && !refused) {
            try {
                Files.createDirectories(folder);
                out = new FileHandler(folder.resolve("@").toString().replace("%", "%%").replace("@", "still-glass-%g.log"), MOST_BYTES, FILES, true);
                out.setEncoding("UTF-8");
                out.setFormatter(new SimpleFormatter());
            } catch (IOException | SecurityException e) {
                // There is nowhere to write it: the sentence in the window is all there is.
                refused = true;
            }
        }
        return Optional.ofNullable(out);
    }

    @Override
    public synchronized void flush() {
        if (out != null) {
            out.flush();
        }
    }

    @Override
    public synchronized void close() {
        if (out != null) {
            out.close();
        }
    }
}
