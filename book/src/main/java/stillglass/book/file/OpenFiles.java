package stillglass.book.file;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;

/// Files this process has open as databases. They are never read or written in another way: on POSIX systems closing any handle on a file lets go of all
/// locks the process holds on it.
public final class OpenFiles {
    private static final List<Hold> HELD = new CopyOnWriteArrayList<>();

    private OpenFiles() {}

    /// One opening of a file; closing it ends it.
    public static final class Hold implements AutoCloseable {
        private final Path file;

        private Hold(Path file) {
            this.file = file;
        }

        @Override
        public void close() {
            HELD.remove(this);
        }
    }

    public static Hold hold(Path file) {
        Hold hold = new Hold(file);
        HELD.add(hold);
        return hold;
    }

    /// Whether that file is open, under whatever name.
    public static boolean held(Path file) {
        return HELD.stream().anyMatch(h -> same(h.file, file));
    }

    private static boolean same(Path a, Path b) {
        try {
            return a.equals(b) || Files.exists(a) && Files.exists(b) && Files.isSameFile(a, b);
        } catch (IOException e) {
            return false;
        }
    }
}
