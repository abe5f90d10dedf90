package stillglass.book.log;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.locks.LockSupport;
import stillglass.book.BookTrouble;
import stillglass.book.file.OpenFiles;
import stillglass.book.file.TempFolder;

/// Looks at a file and at what lies beside it before the database engine does, for the engine changes what it opens: what is no logbook is refused untouched,
/// what does not belong to it is set aside, and one that may only be read is read where it lies or from a copy.
///
/// @param file the file itself, links followed
/// @param at what is to be opened: the file, or a copy of it in a temporary folder
/// @param writable whether acts can be kept
/// @param beside whether some of it is in the write-ahead file and is to be read from there
/// @param schema number of its newest migration; 0 when it was not looked at
/// @param notes sentences about what was found, to be told
record BookOpening(Path file, Path at, boolean writable, boolean beside, int schema, List<String> notes) {
    static final String SCHEMA_NOW = "SELECT max(CAST(version AS INTEGER)) FROM flyway_schema_history WHERE success";
    private static final DateTimeFormatter SEEN = DateTimeFormatter.ofPattern("d MMMM yyyy, HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss", Locale.ROOT);
    private static final int LOOKS = 3;
    private static final long PAUSE_NS = 200_000_000;

    BookOpening {
        notes = List.copyOf(notes);
    }

    boolean copied() {
        return !at.equals(file);
    }

    /// @throws BookTrouble when it is none of ours; it is untouched then
    /// @param reading whether nothing is to be noted in it
    static BookOpening of(Path asked, boolean reading) throws IOException {
        Path file = Files.exists(asked) ? asked.toRealPath() : made(asked.toAbsolutePath().normalize());
        String name = String.valueOf(file.getFileName());
        if (!Files.isRegularFile(file)) {
            throw new BookTrouble(name + " is no file but a folder or a device. Name a logbook, or a file that is not there yet to begin one.");
        }
        if (!Files.isReadable(file)) {
            throw new BookTrouble(name + " may not be read. Allow reading it, or open another book.");
        }
        boolean writable = may(file) && !reading;
        if (OpenFiles.held(file)) {
            return new BookOpening(file, file, writable, true, 0, List.of());
        }
        if (Files.size(file) == 0) {
            throw new BookTrouble(name + " is empty. It was left as it is: remove it to begin a logbook under this name, or bring back a copy.");
        }
        BookHeader header = BookHeader.read(file).orElseThrow(() -> new BookTrouble(name + " is not a Still Glass logbook, or it is damaged. It was left as it is; open another book or a copy."));
        Path journal = file.resolveSibling(name + "-journal");
        if (Files.exists(journal) && Files.size(journal) > 0) {
            throw new BookTrouble("Beside " + name + " lies " + journal.getFileName() + ", which would be written into it and is not its own. Both were left as they are: move it away and open the book again.");
        }
        return header.ours() ? own(file, header, writable) : old(file, header, writable);
    }

    static boolean may(Path file) {
        return Files.isWritable(file) && Files.isWritable(folder(file));
    }

    private static BookOpening own(Path file, BookHeader header, boolean writable) throws IOException {
        List<String> notes = new ArrayList<>();
        Path wal = WalFile.of(file);
        WalFile.Fit fit = fit(file, wal, header);
        if (fit == WalFile.Fit.FOREIGN || fit == WalFile.Fit.DAMAGED) {
            String what = wal.getFileName() + (fit == WalFile.Fit.DAMAGED ? " is damaged" : " was written for another logbook, or for this one at another time");
            if (writable) {
                Path aside = file.resolveSibling(wal.getFileName() + "-aside-" + STAMP.format(LocalDateTime.now()));
                Files.move(wal, aside);
                Files.deleteIfExists(file.resolveSibling(file.getFileName() + "-shm"));
                notes.add(what + ". It was set aside as " + aside.getFileName() + ", and " + file.getFileName() + " is open as it was without it: look whether anything is missing.");
            } else {
                notes.add(what + ": " + file.getFileName() + " is shown without it.");
            }
        }
        // While some of it waits beside it, the file alone need not be whole.
        Tables tables = fit == WalFile.Fit.BELONGS ? Tables.UNKNOWN : tables(file, true);
        checkSchema(file, tables.schema);
        if (fit == WalFile.Fit.EMPTY) {
            tables.benches.stream().findFirst().ifPresent(seen -> notes.add(lost(file, seen)));
        }
        boolean beside = fit == WalFile.Fit.BELONGS;
        // A write-ahead file can be read only where its index may be made beside it.
        boolean here = writable || (beside ? may(file) : tables.schema == BookConnection.SCHEMA);
        return new BookOpening(file, here ? file : copy(file, beside), writable, beside, tables.schema, notes);
    }

    private static String lost(Path file, String seen) {
        return file.getFileName() + " was not closed the last time (a window was at work on it until about " + local(seen) + "), and "
                + WalFile.of(file).getFileName() + ", which held what was noted last, is gone or empty: notes shown about then may be missing. Look through the tickets of that time.";
    }

    /// In the time of this place, as far as it can be read.
    private static String local(String instant) {
        try {
            return SEEN.format(Instant.parse(instant).atZone(ZoneId.systemDefault()));
        } catch (DateTimeParseException e) {
            return instant;
        }
    }

    /// Another window may be about to begin the write-ahead file anew.
    private static WalFile.Fit fit(Path file, Path wal, BookHeader header) throws IOException {
        WalFile.Fit fit = WalFile.fit(wal, header);
        for (int i = 1; i < LOOKS && fit != WalFile.Fit.BELONGS; i++) {
            if (fit == WalFile.Fit.EMPTY && tables(file, true).benches.isEmpty()) {
                return fit;
            }
            LockSupport.parkNanos(PAUSE_NS);
            fit = WalFile.fit(wal, BookHeader.read(file).orElse(header));
        }
        return fit;
    }

    /// A logbook from before they carried an application id; everything of it may still be in the write-ahead file.
    private static BookOpening old(Path file, BookHeader header, boolean writable) throws IOException {
        String name = String.valueOf(file.getFileName());
        if (header.application() != 0) {
            throw new BookTrouble(name + " is the database of another program. It was left as it is; open another book.");
        }
        boolean wal = Files.exists(WalFile.of(file)) && Files.size(WalFile.of(file)) > 0;
        Path at = wal ? copy(file, true) : file;
        Tables tables = tables(at, !wal);
        if (wal && (writable || !tables.book())) {
            discard(at);
            at = file;
        }
        if (!tables.book()) {
            throw new BookTrouble(name + " is a database, but not a Still Glass logbook. It was left as it is; open another book.");
        }
        checkSchema(file, tables.schema);
        if (!writable && !wal && tables.schema != BookConnection.SCHEMA) {
            at = copy(file, false);
        }
        return new BookOpening(file, at, writable, wal, tables.schema, List.of());
    }

    static void checkSchema(Path file, int schema) {
        if (schema > BookConnection.SCHEMA) {
            throw new BookTrouble(file.getFileName() + " was written by a newer Still Glass (its form is " + schema + ", this one knows up to " + BookConnection.SCHEMA
                    + "). It was left as it is: use the newer one, or open another book.");
        }
    }

    /// What a database holds, read without touching it.
    private record Tables(Set<String> names, int schema, List<String> benches) {
        static final Tables UNKNOWN = new Tables(Set.of(), 0, List.of());

        boolean book() {
            return names.containsAll(Set.of("flyway_schema_history", "photo", "setting")) && (names.contains("happened") || names.contains("event"));
        }
    }

    private static Tables tables(Path file, boolean untouched) {
        try (Connection c = BookConnection.connect(file, untouched); Statement s = c.createStatement()) {
            Set<String> names = new HashSet<>(strings(s, "SELECT name FROM sqlite_master WHERE type = 'table'"));
            int schema = names.contains("flyway_schema_history") ? strings(s, SCHEMA_NOW).stream().mapToInt(Integer::parseInt).findFirst().orElse(0) : 0;
            return new Tables(names, schema, names.contains("bench") ? strings(s, "SELECT seen FROM bench ORDER BY seen DESC") : List.of());
        } catch (SQLException e) {
            throw BookTrouble.of(file, e);
        }
    }

    private static List<String> strings(Statement s, String query) throws SQLException {
        List<String> all = new ArrayList<>();
        try (ResultSet r = s.executeQuery(query)) {
            while (r.next()) {
                Optional.ofNullable(r.getString(1)).ifPresent(all::add);
            }
        }
        return all;
    }

    private static Path copy(Path file, boolean wal) throws IOException {
        Path folder = TempFolder.make("reading");
        Path copy = folder.resolve(String.valueOf(file.getFileName()));
        Files.copy(file, copy);
        if (wal) {
            Files.copy(WalFile.of(file), WalFile.of(copy));
        }
        copy.toFile().setWritable(true);
        return copy;
    }

    /// Removes a copy with its folder.
    static void discard(Path copy) {
        TempFolder.remove(folder(copy));
    }

    /// Makes a new logbook aside and puts it in its place whole, so that there is never half of one.
    private static Path made(Path file) throws IOException {
        Path folder = folder(file);
        Files.createDirectories(folder);
        Path wal = WalFile.of(file);
        if (Files.exists(wal) && Files.size(wal) > 0) {
            throw new BookTrouble("There is no " + file.getFileName() + ", but " + wal.getFileName() + ", which holds notes of it. Bring the book back, or move that file away to begin a new one.");
        }
        Path real = folder.toRealPath().resolve(String.valueOf(file.getFileName()));
        Path aside = Files.createTempDirectory(folder, ".still-glass-new");
        Path part = aside.resolve("book.sqlite");
        try {
            BookConnection.make(part);
            put(part, real);
        } finally {
            discard(part);
        }
        return real;
    }

    /// Another window may have been quicker: then its book is the one.
    private static void put(Path made, Path real) throws IOException {
        try {
            Files.createLink(real, made);
        } catch (FileAlreadyExistsException e) {
            // It is there.
        } catch (UnsupportedOperationException | FileSystemException e) {
            // A disk without links.
            try {
                Files.move(made, real);
            } catch (FileAlreadyExistsException there) {
                // It is there.
            }
        }
    }

    static Path folder(Path file) {
        Path folder = file.toAbsolutePath().getParent();
        return folder == null ? file.toAbsolutePath().getRoot() : folder;
    }
}
