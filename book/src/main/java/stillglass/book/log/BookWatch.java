package stillglass.book.log;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileTime;
import java.util.Optional;
import java.util.concurrent.locks.LockSupport;
import java.util.function.IntSupplier;
import org.jspecify.annotations.Nullable;

/// Watches that the file of an open logbook is still the one that was opened, and its write-ahead file still the one that is written to. The engine itself
/// goes on writing into a file that nobody will find again.
final class BookWatch {
    private static final int LOOKS = 5;
    private static final long PAUSE_NS = 100_000_000;

    private final Path file;
    private final Path wal;
    private final @Nullable Object key;
    private @Nullable Object walKey;
    private FileTime changed;
    private long walBytes;
    private Optional<Integer> generation;
    /// Whether a generation has begun and the write-ahead file was not seen to be emptied for it yet.
    private boolean due;

    /// What has become of the files.
    enum State {
        SAME,
        /// Removed, moved, or another file in its place: what was opened can still be read.
        GONE,
        /// Something else was written into the file itself: what was opened can no longer be read.
        OVERWRITTEN,
        /// The write-ahead file was removed: what is in it can still be read.
        WAL_GONE,
        /// The write-ahead file was emptied: what was in it can no longer be read.
        WAL_EMPTIED
    }

    /// @param file the file of the logbook, which has just been opened and written to
    /// @param generation in the file itself
    BookWatch(Path file, int generation) throws IOException {
        this.file = file;
        this.generation = Optional.of(generation);
        wal = WalFile.of(file);
        BasicFileAttributes now = Files.readAttributes(file, BasicFileAttributes.class);
        key = now.fileKey();
        changed = now.lastModifiedTime();
        Optional<BasicFileAttributes> beside = attributes(wal);
        walKey = beside.map(BasicFileAttributes::fileKey).orElse(null);
        walBytes = beside.map(BasicFileAttributes::size).orElse(0L);
    }

    /// @param stored generation in the file itself; asked for only when the file has changed
    /// @param seen generation as the connection sees it
    State look(IntSupplier stored, IntSupplier seen) throws IOException {
        // First what lies beside it: a window that begins it anew has written into the file itself before.
        Optional<BasicFileAttributes> beside = attributes(wal);
        Optional<BasicFileAttributes> now = attributes(file);
        if (now.isEmpty() || key != null && !key.equals(now.get().fileKey())) {
            return State.GONE;
        }
        if (beside.isEmpty() || walKey != null && !walKey.equals(beside.get().fileKey())) {
            return State.WAL_GONE;
        }
        FileTime written = now.get().lastModifiedTime();
        boolean shorter = beside.get().size() < walBytes;
        // Only with a generation of its own may a write-ahead file begin anew. The time of a file tells too coarsely.
        if (shorter && !due && !moved(stored)) {
            return State.WAL_EMPTIED;
        }
        due &= !shorter;
        boolean fresh = shorter || !written.equals(changed);
        walBytes = beside.get().size();
        if (fresh) {
            Optional<Integer> there = settled(stored, seen);
            if (there.isEmpty()) {
                return State.OVERWRITTEN;
            }
            // The file has the new generation before the write-ahead file is emptied for it.
            due |= !shorter && !generation.equals(there);
            generation = there;
            changed = written;
        }
        return State.SAME;
    }

    /// Whether another generation is in the file than when it was last looked at; what is being written is given time.
    private boolean moved(IntSupplier stored) {
        for (int i = 0; i < LOOKS; i++) {
            if (!generation.equals(Optional.of(stored.getAsInt()))) {
                return true;
            }
            LockSupport.parkNanos(PAUSE_NS);
        }
        return false;
    }

    /// The generation in the file; nothing when it stays another than the connection sees. Another window that begins one is given time; and what it could not
    /// put into the file yet, because somebody reads, leaves the one before there.
    private Optional<Integer> settled(IntSupplier stored, IntSupplier seen) {
        int there = 0;
        for (int i = 0; i < LOOKS; i++) {
            int own = seen.getAsInt();
            there = stored.getAsInt();
            if (there == own || there == seen.getAsInt()) {
                return Optional.of(there);
            }
            LockSupport.parkNanos(PAUSE_NS);
        }
        return Optional.of(there).filter(g -> generation.equals(Optional.of(g)));
    }

    private static Optional<BasicFileAttributes> attributes(Path path) throws IOException {
        try {
            return Optional.of(Files.readAttributes(path, BasicFileAttributes.class));
        } catch (NoSuchFileException e) {
            return Optional.empty();
        }
    }
}
