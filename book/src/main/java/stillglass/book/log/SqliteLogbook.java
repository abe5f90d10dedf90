package stillglass.book.log;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.flywaydb.core.Flyway;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.jdbi.v3.core.statement.PreparedBatch;
import org.jdbi.v3.core.transaction.TransactionIsolationLevel;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;
import stillglass.assembly.Instrument;
import stillglass.book.BookTrouble;
import stillglass.look.FindingKind;
import stillglass.say.Said;
import stillglass.ticket.Card;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.joints.Lesson;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Recorded;
import stillglass.ticket.story.Stage;

/// The logbook of a bench in one SQLite file, with write-ahead log and full synchronisation.
final class SqliteLogbook implements Logbook {
    /// A bench that was not seen for so long is gone.
    private static final Duration GONE = Duration.ofSeconds(20);
    /// Older jobs on a model teach nothing that so many newer ones have not.
    private static final int MOST_LESSONS = 40;
    private static final int BUSY_MS = 4000;
    private static final String CARD = "number, title, instrument, section, sort, owner, due, stage, done, faults, symptoms, signed, changed, trouble";

    private final Path file;
    private final Handle handle;

    private SqliteLogbook(Path file, Handle handle) {
        this.file = file;
        this.handle = handle;
    }

    static SqliteLogbook open(Path file) {
        try {
            Path folder = file.toAbsolutePath().getParent();
            if (folder != null) {
                Files.createDirectories(folder);
            }
            SQLiteConfig config = new SQLiteConfig();
            config.enforceForeignKeys(true);
            config.setJournalMode(SQLiteConfig.JournalMode.WAL);
            config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
            config.setBusyTimeout(BUSY_MS);
            config.setTransactionMode(SQLiteConfig.TransactionMode.IMMEDIATE);
            SQLiteDataSource source = new SQLiteDataSource(config);
            source.setUrl("jdbc:sqlite:" + file.toAbsolutePath());
            Flyway.configure().dataSource(source).locations("classpath:stillglass/book/migration").load().migrate();
            Handle handle = Jdbi.create(source).open();
            SqliteLogbook log = new SqliteLogbook(file, handle);
            // A read-only file opens without complaint; a write that changes nothing tells now.
            handle.execute("UPDATE setting SET value = value WHERE name = 'probe'");
            return log;
        } catch (RuntimeException | java.io.IOException e) {
            throw BookTrouble.of(file, e);
        }
    }

    @Override
    public Path file() {
        return file;
    }

    @Override
    public Told story(String ticket, long afterVersion) {
        return guarded(() -> {
            List<Recorded> rows = new ArrayList<>();
            Optional<String> trouble = Optional.empty();
            List<Row> stored = handle.createQuery("SELECT seq, act, author, bench, at, name, version, body FROM happened WHERE ticket = ? AND seq > ? ORDER BY seq")
                    .bind(0, ticket).bind(1, afterVersion)
                    .map((rs, c) -> new Row(rs.getLong(1), rs.getLong(2), rs.getString(3), rs.getString(4), rs.getString(5), new EventJson.Stored(rs.getString(6), rs.getInt(7), rs.getString(8))))
                    .list();
            for (Row row : stored) {
                try {
                    rows.add(new Recorded(row.seq, row.act, row.author, row.bench, Instant.parse(row.at), EventJson.read(row.stored)));
                } catch (Unreadable | java.time.DateTimeException e) {
                    trouble = Optional.of("Row " + row.seq + " of ticket " + ticket + " holds " + e.getMessage()
                            + ". The ticket is shown as far as it can be read and nothing was changed; a newer Still Glass may read it.");
                    break;
                }
            }
            return new Told(rows, trouble);
        });
    }

    private record Row(long seq, long act, String author, String bench, String at, EventJson.Stored stored) {}

    @Override
    public Optional<List<Recorded>> append(Entry entry, Projection projection) {
        List<Recorded> rows = new ArrayList<>();
        long seq = entry.version();
        for (Event e : entry.events()) {
            rows.add(new Recorded(++seq, entry.act(), entry.who().author(), entry.who().bench(), entry.at(), e));
        }
        try {
            return guarded(() -> handle.inTransaction(TransactionIsolationLevel.SERIALIZABLE, h -> {
                if (version(h, entry.ticket()) != entry.version()) {
                    return Optional.<List<Recorded>>empty();
                }
                for (PhotoBytes p : entry.photos()) {
                    h.createUpdate("INSERT INTO photo (ticket, photo, name, bytes) VALUES (?, ?, ?, ?)").bind(0, entry.ticket()).bind(1, p.photoId()).bind(2, p.name()).bind(3, p.bytes()).execute();
                }
                insert(h, entry.ticket(), rows);
                Projections.keep(h, projection, Optional.empty());
                return Optional.of(rows);
            }));
        } catch (BookTrouble e) {
            // Two at the same moment: the other was quicker.
            if (e.clash() && guarded(() -> version(handle, entry.ticket())) != entry.version()) {
                return Optional.empty();
            }
            throw e;
        }
    }

    @Override
    public <T> T alone(Supplier<T> work) {
        return guarded(() -> handle.inTransaction(TransactionIsolationLevel.SERIALIZABLE, h -> work.get()));
    }

    private static long version(Handle h, String ticket) {
        return h.createQuery("SELECT coalesce(max(seq), 0) FROM happened WHERE ticket = ?").bind(0, ticket).mapTo(Long.class).one();
    }

    private static void insert(Handle h, String ticket, List<Recorded> rows) {
        PreparedBatch batch = h.prepareBatch("INSERT INTO happened (ticket, seq, act, author, bench, at, name, version, body) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)");
        for (Recorded r : rows) {
            EventJson.Stored stored = EventJson.write(r.event());
            batch.bind(0, ticket).bind(1, r.seq()).bind(2, r.act()).bind(3, r.author()).bind(4, r.bench()).bind(5, r.at().toString()).bind(6, stored.name()).bind(7, stored.version())
                    .bind(8, stored.body()).add();
        }
        batch.execute();
    }

    @Override
    public Optional<PhotoBytes> photo(String ticket, String photoId) {
        return guarded(() -> handle.createQuery("SELECT name, bytes FROM photo WHERE ticket = ? AND photo = ?").bind(0, ticket).bind(1, photoId)
                .map((rs, c) -> new PhotoBytes(photoId, rs.getString("name"), rs.getBytes("bytes"))).findOne());
    }

    @Override
    public Optional<String> setting(String name) {
        return guarded(() -> handle.createQuery("SELECT value FROM setting WHERE name = ?").bind(0, name).mapTo(String.class).findOne());
    }

    @Override
    public void remember(String name, String value) {
        guarded(() -> handle.createUpdate("INSERT INTO setting (name, value) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET value = excluded.value").bind(0, name).bind(1, value).execute());
    }

    @Override
    public List<Listed> list(int from, int most) {
        return guarded(() -> handle.createQuery("SELECT " + CARD + " FROM ticket ORDER BY signed, due IS NULL, due, id LIMIT ? OFFSET ?").bind(0, most).bind(1, from)
                .map((rs, c) -> listed(rs)).list());
    }

    @Override
    public List<Listed> search(String words, int most) {
        String query = SearchWords.query(words);
        return query.isEmpty() ? list(0, most)
                : guarded(() -> handle.createQuery("SELECT " + CARD.replaceAll("(\\w+)", "t.$1") + " FROM (SELECT rowid FROM ticket_text WHERE ticket_text MATCH ? ORDER BY rowid DESC LIMIT ?) m"
                                + " JOIN ticket t ON t.id = m.rowid ORDER BY t.id DESC")
                        .bind(0, query).bind(1, most).map((rs, c) -> listed(rs)).list());
    }

    private static Listed listed(java.sql.ResultSet rs) throws java.sql.SQLException {
        Tag tag = new Tag(rs.getString(1), rs.getString(2), rs.getString(3), Instrument.Sort.valueOf(rs.getString(5)), Optional.ofNullable(rs.getString(4)), Optional.ofNullable(rs.getString(6)),
                Optional.ofNullable(rs.getString(7)).map(LocalDate::parse));
        Card card = new Card(tag, Stage.valueOf(rs.getString(8)), enums(Stage.class, rs.getString(9)), enums(FindingKind.class, rs.getString(10)), lines(rs.getString(11)), List.of(), rs.getBoolean(12),
                Instant.parse(rs.getString(13)));
        return new Listed(card, Optional.ofNullable(rs.getString(14)));
    }

    private static List<String> lines(String joined) {
        return joined.isEmpty() ? List.of() : List.of(joined.split("\n"));
    }

    private static <E extends Enum<E>> List<E> enums(Class<E> type, String joined) {
        return lines(joined).stream().map(n -> Enum.valueOf(type, n)).toList();
    }

    @Override
    public Counts counts() {
        return guarded(() -> handle.createQuery("SELECT count(*), coalesce(sum(signed), 0), (SELECT min(due) FROM ticket WHERE signed = 0 AND due IS NOT NULL), coalesce(max(digits), 0) FROM ticket")
                .map((rs, c) -> new Counts(rs.getInt(1), rs.getInt(2), Optional.ofNullable(rs.getString(3)), rs.getInt(4))).one());
    }

    @Override
    public List<Clock> clocks() {
        return guarded(() -> handle.createQuery("SELECT c.ticket, t.title, c.timer, c.label, c.ends FROM timer c JOIN ticket t ON t.number = c.ticket ORDER BY c.ends, c.ticket")
                .map((rs, c) -> new Clock(rs.getString(1), rs.getString(2),
                        new CareEvent.TimerSet(rs.getString(3), EventJson.mapper().readValue(rs.getString(4), Said.class), Instant.parse(rs.getString(5))))).list());
    }

    @Override
    public Lessons lessons(String instrument, String but) {
        return guarded(() -> {
            List<Lesson> newest = new ArrayList<>();
            Optional<String>[] taken = new Optional[] {Optional.<String>empty()};
            handle.createQuery("SELECT l.taken, l.body FROM lesson l JOIN ticket t ON t.number = l.ticket WHERE l.instrument = ? AND l.ticket <> ? ORDER BY t.id DESC LIMIT ?")
                    .bind(0, instrument).bind(1, but).bind(2, MOST_LESSONS)
                    .map((rs, c) -> {
                        taken[0] = taken[0].or(() -> optional(rs));
                        newest.add(EventJson.mapper().readValue(rs.getString(2), Lesson.class));
                        return true;
                    }).list();
            return new Lessons(newest.reversed(), taken[0]);
        });
    }

    private static Optional<String> optional(java.sql.ResultSet rs) {
        try {
            return Optional.ofNullable(rs.getString(1));
        } catch (java.sql.SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public Map<Pair, Integer> agreement() {
        return guarded(() -> {
            Map<Pair, Integer> all = new LinkedHashMap<>();
            handle.createQuery("SELECT computed, technician, sum(times) FROM agreement GROUP BY computed, technician ORDER BY computed, technician")
                    .map((rs, c) -> all.put(new Pair(rs.getString(1), rs.getString(2)), rs.getInt(3))).list();
            return all;
        });
    }

    @Override
    public List<String> numbers() {
        return guarded(() -> handle.createQuery("SELECT ticket FROM happened WHERE seq = 1 ORDER BY id").mapTo(String.class).list());
    }

    @Override
    public Set<String> others(String bench, Instant now) {
        return guarded(() -> {
            handle.createUpdate("INSERT INTO bench (name, seen) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET seen = excluded.seen").bind(0, bench).bind(1, now.toString()).execute();
            handle.createUpdate("DELETE FROM bench WHERE seen < ?").bind(0, now.minus(GONE).toString()).execute();
            return new HashSet<>(handle.createQuery("SELECT name FROM bench WHERE name <> ?").bind(0, bench).mapTo(String.class).list());
        });
    }

    @Override
    public long changed() {
        return guarded(() -> handle.createQuery("PRAGMA data_version").mapTo(Long.class).one());
    }

    /// Tickets whose lists were never kept: those of a book from before there were any.
    List<String> unlisted() {
        return guarded(() -> handle.createQuery("SELECT ticket FROM happened WHERE seq = 1 AND ticket NOT IN (SELECT number FROM ticket) ORDER BY id").mapTo(String.class).list());
    }

    /// Keeps the lists of a ticket as they follow from its story.
    void list(Projection projection, Optional<String> trouble) {
        guarded(() -> handle.inTransaction(TransactionIsolationLevel.SERIALIZABLE, h -> {
            Projections.keep(h, projection, trouble);
            return true;
        }));
    }

    private <T> T guarded(Supplier<T> work) {
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

    static String joined(List<? extends Enum<?>> all) {
        return all.stream().map(Enum::name).collect(Collectors.joining("\n"));
    }
}
