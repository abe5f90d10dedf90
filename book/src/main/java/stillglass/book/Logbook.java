package stillglass.book;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.flywaydb.core.Flyway;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;
import stillglass.ticket.Recorded;
import stillglass.ticket.TicketEvent;

/// Every ticket of the bench in one SQLite file: an append-only story of events, and the photographs.
///
/// Each intent is one transaction with write-ahead log and full synchronisation, so what a caller has seen return
/// survives the process being killed. Not thread-safe: one thread owns a logbook.
public final class Logbook implements AutoCloseable {
    private final Path file;
    private final Handle handle;

    /// A photograph to be kept with an intent.
    /// @param bytes the file as it came, not changed
    public record PhotoBytes(String photoId, String name, byte[] bytes) {
        @Override
        public boolean equals(Object o) {
            return o instanceof PhotoBytes p && photoId.equals(p.photoId);
        }

        @Override
        public int hashCode() {
            return photoId.hashCode();
        }
    }

    private Logbook(Path file, Handle handle) {
        this.file = file;
        this.handle = handle;
    }

    /// Opens a logbook, creating it and bringing its schema up to date.
    /// @throws BookTrouble when it cannot be written or is no logbook
    public static Logbook open(Path file) {
        try {
            Path folder = file.toAbsolutePath().getParent();
            if (folder != null) {
                Files.createDirectories(folder);
            }
            SQLiteConfig config = new SQLiteConfig();
            config.enforceForeignKeys(true);
            config.setJournalMode(SQLiteConfig.JournalMode.WAL);
            config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
            config.setBusyTimeout(4000);
            config.setTransactionMode(SQLiteConfig.TransactionMode.IMMEDIATE);
            SQLiteDataSource source = new SQLiteDataSource(config);
            source.setUrl("jdbc:sqlite:" + file.toAbsolutePath());
            Flyway.configure()
                    .dataSource(source)
                    .locations("classpath:stillglass/book/migration")
                    .load()
                    .migrate();
            Handle handle = Jdbi.create(source).open();
            // A read-only file opens without complaint; a write that changes nothing tells now.
            handle.execute("UPDATE setting SET value = value WHERE name = 'probe'");
            return new Logbook(file, handle);
        } catch (RuntimeException | java.io.IOException e) {
            throw BookTrouble.of(file, e);
        }
    }

    public Path file() {
        return file;
    }

    /// Ticket numbers, oldest first.
    public List<String> tickets() {
        return guarded(() -> handle.createQuery("SELECT ticket FROM event GROUP BY ticket ORDER BY min(seq)")
                .mapTo(String.class)
                .list());
    }

    /// Everything that happened to a ticket, in order.
    public List<Recorded> story(String ticket) {
        return guarded(() -> handle.createQuery("SELECT intent, at, body FROM event WHERE ticket = ? ORDER BY seq")
                .bind(0, ticket)
                .map((rs, c) -> new Recorded(
                        rs.getLong("intent"), Instant.parse(rs.getString("at")), EventJson.read(rs.getString("body"))))
                .list());
    }

    /// Appends the events of one intent, with its photographs, in one transaction.
    /// @return the rows as recorded
    /// @throws BookTrouble when nothing was kept
    public List<Recorded> append(
            String ticket, long intent, Instant at, List<TicketEvent> events, List<PhotoBytes> photos) {
        return guarded(() -> {
            handle.useTransaction(h -> {
                for (PhotoBytes p : photos) {
                    h.createUpdate("INSERT INTO photo (ticket, photo, name, bytes) VALUES (?, ?, ?, ?)")
                            .bind(0, ticket)
                            .bind(1, p.photoId())
                            .bind(2, p.name())
                            .bind(3, p.bytes())
                            .execute();
                }
                for (TicketEvent e : events) {
                    h.createUpdate("INSERT INTO event (ticket, intent, at, body) VALUES (?, ?, ?, ?)")
                            .bind(0, ticket)
                            .bind(1, intent)
                            .bind(2, at.toString())
                            .bind(3, EventJson.write(e))
                            .execute();
                }
            });
            return events.stream().map(e -> new Recorded(intent, at, e)).toList();
        });
    }

    /// The file of a photograph, as it came.
    public Optional<PhotoBytes> photo(String ticket, String photoId) {
        return guarded(() -> handle.createQuery("SELECT name, bytes FROM photo WHERE ticket = ? AND photo = ?")
                .bind(0, ticket)
                .bind(1, photoId)
                .map((rs, c) -> new PhotoBytes(photoId, rs.getString("name"), rs.getBytes("bytes")))
                .findOne());
    }

    /// Something the window remembers.
    public Optional<String> setting(String name) {
        return guarded(() -> handle.createQuery("SELECT value FROM setting WHERE name = ?")
                .bind(0, name)
                .mapTo(String.class)
                .findOne());
    }

    public void remember(String name, String value) {
        guarded(() -> handle.createUpdate(
                        "INSERT INTO setting (name, value) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET value = excluded.value")
                .bind(0, name)
                .bind(1, value)
                .execute());
    }

    private <T> T guarded(java.util.function.Supplier<T> work) {
        try {
            return work.get();
        } catch (BookTrouble e) {
            throw e;
        } catch (RuntimeException e) {
            throw BookTrouble.of(file, e);
        }
    }

    @Override
    public void close() {
        handle.close();
    }
}
