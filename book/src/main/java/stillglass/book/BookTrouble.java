package stillglass.book;

import java.nio.file.Path;

/// The logbook could not be read or written. The message says what happened, what was kept and what to do.
public final class BookTrouble extends RuntimeException {
    public BookTrouble(String message, Throwable cause) {
        super(OneLine.of(message), cause);
    }

    public BookTrouble(String message) {
        super(OneLine.of(message));
    }

    /// Whether somebody else has stored the same row a moment before.
    public boolean clash() {
        return getCause() != null && deepest(getCause()).contains("SQLITE_CONSTRAINT");
    }

    public static BookTrouble of(Path file, Throwable cause) {
        String text = deepest(cause);
        String name = String.valueOf(file.getFileName());
        if (text.contains("SQLITE_FULL") || text.contains("No space left")) {
            return new BookTrouble("The disk is full: this last step was not kept in " + name
                    + ", everything before it is safe. Free some space and do it again.", cause);
        }
        if (text.contains("SQLITE_READONLY") || text.contains("SQLITE_PERM") || text.contains("SQLITE_CANTOPEN")) {
            return new BookTrouble("The logbook " + name + " cannot be written: it or its folder is read-only. "
                    + "Nothing was changed. Allow writing, or open another book.", cause);
        }
        if (text.contains("SQLITE_IOERR")) {
            return new BookTrouble("The disk refused a write to " + name
                    + ": this last step was not kept, everything before it is safe. Check the disk and its free space.", cause);
        }
        if (text.contains("SQLITE_NOTADB") || text.contains("SQLITE_CORRUPT")) {
            return new BookTrouble(name + " is not a Still Glass logbook, or it is damaged. "
                    + "It was left as it is; open another book or a copy.", cause);
        }
        if (text.contains("SQLITE_BUSY")) {
            return new BookTrouble("Another program holds the logbook " + name
                    + ". This step was not kept; close the other window and do it again.", cause);
        }
        return new BookTrouble("The logbook " + name + " could not be used: " + text
                + ". Everything before this step is safe.", cause);
    }

    private static String deepest(Throwable cause) {
        StringBuilder all = new StringBuilder();
        for (Throwable t = cause; t != null; t = t.getCause()) {
            all.append(t.getMessage()).append(' ');
        }
        return all.toString().strip();
    }
}
