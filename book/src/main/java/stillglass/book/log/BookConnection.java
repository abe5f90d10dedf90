package stillglass.book.log;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.SecureRandom;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Function;
import java.util.function.Supplier;
import org.flywaydb.core.Flyway;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.jdbi.v3.core.transaction.TransactionIsolationLevel;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;
import stillglass.book.BookTrouble;
import stillglass.book.OneLine;
import stillglass.book.file.OpenFiles;

/// One connection to the file of a logbook: every transaction is stamped with the generation its write-ahead file is for, and before and after each the
/// file is looked at, so that nothing is shown as kept that went into a file nobody will find.
final class BookConnection implements AutoCloseable {
    /// Number of the newest migration.
    static final int SCHEMA = 5;
    private static final int BUSY_MS = 4000;
    private static final int TIDY_BUSY_MS = 100;
    private static final long TIDY_BYTES = 4_000_000;
    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss", Locale.ROOT);
    private static final SecureRandom RANDOM = new SecureRandom();
    /// Connections to files that are no longer there: closing one would remove what now lies beside its old place.
    private static final List<Handle> ABANDONED = new ArrayList<>();

    private final BookOpening opening;
    private final OpenFiles.Hold hold;
    private final List<String> notes;
    private Handle handle;
    private Optional<BookWatch> watch = Optional.empty();
    private Optional<String> lost = Optional.empty();

    private BookConnection(BookOpening opening) throws IOException {
        this.opening = opening;
        notes = new CopyOnWriteArrayList<>(opening.notes());
        hold = OpenFiles.hold(opening.file());
        try {
            if (!opening.writable() && !opening.copied()) {
                handle = Jdbi.create(opening.beside() ? reading(opening.at()) : source(opening.at(), true)).open();
            } else {
                handle = opened();
                if (opening.schema() != SCHEMA) {
                    checkMigrated();
                }
            }
            if (opening.writable()) {
                begin();
                watch = Optional.of(new BookWatch(opening.file(), stored()));
            } else if (!BookOpening.may(opening.file())) {
                notes.add(opening.file().getFileName() + " may only be read: everything can be looked at, nothing can be noted. Allow writing it and its folder, and open it again.");
            }
        } catch (IOException | RuntimeException e) {
            hold.close();
            throw e;
        }
    }

    /// @throws BookTrouble when it cannot be used
    /// @param reading whether nothing is to be noted in it: then it is left as it is
    static BookConnection open(Path file, boolean reading) {
        Engine.load();
        try {
            return new BookConnection(BookOpening.of(file, reading));
        } catch (BookTrouble e) {
            throw e;
        } catch (RuntimeException | IOException e) {
            throw BookTrouble.of(file, e);
        }
    }

    /// Makes the file of a new logbook.
    static void make(Path file) {
        SQLiteDataSource plain = new SQLiteDataSource();
        plain.setUrl(url(file, false));
        try (Connection c = plain.getConnection(); Statement s = c.createStatement()) {
            s.execute("PRAGMA application_id = " + BookHeader.OURS);
            s.execute("PRAGMA user_version = " + generation());
        } catch (SQLException e) {
            throw BookTrouble.of(file, e);
        }
        migrate(file);
    }

    private static int generation() {
        return RANDOM.nextInt(1, Integer.MAX_VALUE);
    }

    private static String url(Path file, boolean untouched) {
        return untouched ? "jdbc:sqlite:file:" + file.toUri().getRawPath() + "?immutable=1" : "jdbc:sqlite:" + file;
    }

    private static SQLiteDataSource source(Path file, boolean untouched) {
        SQLiteConfig config = new SQLiteConfig();
        config.enforceForeignKeys(true);
        if (untouched) {
            config.setReadOnly(true);
        } else {
            config.setJournalMode(SQLiteConfig.JournalMode.WAL);
            config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
            config.setTransactionMode(SQLiteConfig.TransactionMode.IMMEDIATE);
        }
        config.setBusyTimeout(BUSY_MS);
        SQLiteDataSource source = new SQLiteDataSource(config);
        source.setUrl(url(file, untouched));
        return source;
    }

    /// Reads the file with what is in its write-ahead file, and writes neither.
    private static SQLiteDataSource reading(Path file) {
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(true);
        config.setBusyTimeout(BUSY_MS);
        SQLiteDataSource source = new SQLiteDataSource(config);
        source.setUrl(url(file, false));
        return source;
    }

    /// @param untouched reads the file alone and leaves nothing beside it
    static Connection connect(Path file, boolean untouched) throws SQLException {
        return source(file, untouched).getConnection();
    }

    private static void migrate(Path file) {
        Flyway.configure().dataSource(source(file, false)).locations("classpath:stillglass/book/migration").load().migrate();
    }

    private void checkMigrated() {
        int schema = handle.createQuery(BookOpening.SCHEMA_NOW).mapTo(Integer.class).one();
        if (schema > SCHEMA) {
            handle.close();
            BookOpening.checkSchema(opening.file(), schema);
        }
        if (schema < SCHEMA) {
            migrate(opening.at());
        }
    }

    private Handle opened() {
        Handle h = Jdbi.create(source(opening.at(), false)).open();
        h.execute("PRAGMA wal_autocheckpoint = 0");
        return h;
    }

    /// Takes over what an earlier window has left, and begins a generation. A read-only file opens without complaint; this tells.
    private void begin() {
        transacted(h -> {
            h.execute("DELETE FROM bench");
            return h.execute("PRAGMA application_id = " + BookHeader.OURS);
        });
        tidy();
    }

    /// Begins a generation with an empty write-ahead file: what was in it is in the file itself from then on.
    private void tidy() {
        transacted(h -> h.execute("PRAGMA user_version = " + generation()));
        handle.execute("PRAGMA busy_timeout = " + TIDY_BUSY_MS);
        checkpoint();
        handle.execute("PRAGMA busy_timeout = " + BUSY_MS);
        transacted(BookConnection::stamp);
    }

    private void checkpoint() {
        handle.createQuery("PRAGMA wal_checkpoint(TRUNCATE)").mapTo(Integer.class).first();
    }

    private static int seen(Handle h) {
        return h.createQuery("PRAGMA user_version").mapTo(Integer.class).one();
    }

    /// Writes the generation once more, so that the write-ahead file can be told from others.
    private static int stamp(Handle h) {
        return h.execute("PRAGMA user_version = " + seen(h));
    }

    Path file() {
        return opening.file();
    }

    boolean writable() {
        return opening.writable();
    }

    List<String> notes() {
        return List.copyOf(notes);
    }

    <T> T read(Function<Handle, T> work) {
        return guarded(() -> work.apply(handle));
    }

    /// Does work in one transaction, joining one that is under way.
    <T> T write(Function<Handle, T> work) {
        return guarded(() -> {
            if (handle.isInTransaction()) {
                return work.apply(handle);
            }
            if (!writable()) {
                throw new BookTrouble(file().getFileName() + " may only be read: nothing was noted. Allow writing it and its folder, and open it again.");
            }
            look();
            T done = transacted(h -> {
                T made = work.apply(h);
                stamp(h);
                return made;
            });
            look();
            if (size(WalFile.of(file())) > TIDY_BYTES) {
                tidy();
            }
            return done;
        });
    }

    /// A transaction that could not even begin, because another program has the book, leaves the driver believing it has: acts after it would never be kept.
    private <T> T transacted(Function<Handle, T> work) {
        try {
            return handle.inTransaction(TransactionIsolationLevel.SERIALIZABLE, work::apply);
        } catch (RuntimeException e) {
            if (handle.isInTransaction()) {
                try {
                    handle.close();
                } catch (RuntimeException closing) {
                    e.addSuppressed(closing);
                }
                handle = opened();
            }
            throw e;
        }
    }

    /// Puts everything into the file itself.
    void settle() {
        guarded(() -> {
            tidy();
            return true;
        });
    }

    private static long size(Path file) {
        try {
            return Files.size(file);
        } catch (IOException e) {
            return 0;
        }
    }

    /// Looks whether the file is still the one that was opened.
    /// @throws BookTrouble when it is not
    void look() {
        if (lost.isPresent()) {
            throw new BookTrouble(lost.get());
        }
        if (watch.isEmpty()) {
            return;
        }
        try {
            switch (watch.get().look(this::stored, () -> seen(handle))) {
                case SAME -> {}
                case GONE -> {
                    // Whatever lies in its place now is another file.
                    hold.close();
                    lose(" was removed, moved or replaced while it was open. " + rescue() + " Nothing more is noted here.");
                }
                case OVERWRITTEN -> lose(" was written over by another program while it was open. It is left as it now is, and nothing more is noted here: what was noted since it was opened may be missing from it."
                        + " Close this window and open the book again.");
                case WAL_EMPTIED -> lose(": " + WalFile.of(file()).getFileName() + " was emptied by another program while the book was open. What was noted last may be gone, and nothing more is noted here."
                        + " Close this window, open the book again and look through the tickets of today.");
                case WAL_GONE -> {
                    checkpoint();
                    handle.close();
                    handle = opened();
                    begin();
                    watch = Optional.of(new BookWatch(file(), stored()));
                }
            }
        } catch (IOException e) {
            throw BookTrouble.of(file(), e);
        }
    }

    private int stored() {
        try (Connection c = connect(file(), true); Statement s = c.createStatement(); ResultSet r = s.executeQuery("PRAGMA user_version")) {
            return r.next() ? r.getInt(1) : 0;
        } catch (SQLException e) {
            return 0;
        }
    }

    private void lose(String what) {
        lost = Optional.of(OneLine.of(file().getFileName() + what));
        notes.add(lost.get());
        ABANDONED.add(handle);
        throw new BookTrouble(lost.get());
    }

    /// Saves what can still be read of a file that is no longer in its place.
    private String rescue() {
        String name = file().getFileName().toString().replaceFirst("\\.[^.]*$", "") + "-rescued-" + STAMP.format(LocalDateTime.now()) + ".sqlite";
        for (Path folder : List.of(BookOpening.folder(file()), Path.of(System.getProperty("user.home", ".")))) {
            try {
                handle.createUpdate("VACUUM INTO ?").bind(0, folder.resolve(name).toString()).execute();
                nobodyAtWork(folder.resolve(name));
                return "Everything noted so far was saved as " + folder.resolve(name) + ": open that one to go on, or bring the first one back.";
            } catch (RuntimeException e) {
                // the next folder
            }
        }
        return "What it held could not be saved elsewhere; everything noted so far is in the file that was there.";
    }

    /// Nothing is missing from a book that was saved whole, whoever was at work on the first.
    private static void nobodyAtWork(Path saved) {
        try (Connection c = connect(saved, false); Statement s = c.createStatement()) {
            s.execute("DELETE FROM bench");
        } catch (SQLException e) {
            throw BookTrouble.of(saved, e);
        }
    }

    private <T> T guarded(Supplier<T> work) {
        try {
            return work.get();
        } catch (BookTrouble e) {
            throw e;
        } catch (RuntimeException e) {
            throw BookTrouble.of(file(), e);
        }
    }

    @Override
    public void close() {
        try {
            look();
        } catch (BookTrouble e) {
            // It was told when it was found, or there is nobody left to tell.
        }
        if (lost.isPresent()) {
            return;
        }
        handle.close();
        hold.close();
        if (opening.copied()) {
            BookOpening.discard(opening.at());
        }
    }
}
