package stillglass.book.log;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.DateTimeException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.statement.PreparedBatch;
import tools.jackson.core.JacksonException;
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
    private static final String CARD = "number, title, instrument, section, sort, owner, due, stage, done, faults, symptoms, signed, changed, trouble";

    private final BookConnection book;
    /// Benches that were said to be at work through this connection.
    private final Set<String> here = new HashSet<>();

    private SqliteLogbook(BookConnection book) {
        this.book = book;
    }

    static SqliteLogbook open(Path file, boolean reading) {
        return new SqliteLogbook(BookConnection.open(file, reading));
    }

    @Override
    public Path file() {
        return book.file();
    }

    @Override
    public boolean writable() {
        return book.writable();
    }

    @Override
    public List<String> notes() {
        return book.notes();
    }

    @Override
    public Told story(String ticket, long afterVersion) {
        return book.read(h -> {
            List<Recorded> rows = new ArrayList<>();
            Optional<String> trouble = Optional.empty();
            List<Row> stored = h.createQuery("SELECT seq, act, author, bench, at, name, version, body FROM happened WHERE ticket = ? AND seq > ? ORDER BY seq")
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
            return book.write(h -> {
                if (version(h, entry.ticket()) != entry.version()) {
                    return Optional.<List<Recorded>>empty();
                }
                for (PhotoBytes p : entry.photos()) {
                    h.createUpdate("INSERT INTO photo (ticket, photo, name, bytes) VALUES (?, ?, ?, ?)").bind(0, entry.ticket()).bind(1, p.photoId()).bind(2, p.name()).bind(3, p.bytes()).execute();
                }
                insert(h, entry.ticket(), rows);
                Projections.keep(h, projection, Optional.empty());
                return Optional.of(rows);
            });
        } catch (BookTrouble e) {
            // Two at the same moment: the other was quicker.
            if (e.clash() && book.read(h -> version(h, entry.ticket())) != entry.version()) {
                return Optional.empty();
            }
            throw e;
        }
    }

    @Override
    public <T> T alone(Supplier<T> work) {
        return book.write(h -> work.get());
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
        return book.read(h -> h.createQuery("SELECT name, bytes FROM photo WHERE ticket = ? AND photo = ?").bind(0, ticket).bind(1, photoId)
                .map((rs, c) -> new PhotoBytes(photoId, rs.getString("name"), rs.getBytes("bytes"))).findOne());
    }

    @Override
    public Optional<String> setting(String name) {
        return book.read(h -> h.createQuery("SELECT value FROM setting WHERE name = ?").bind(0, name).mapTo(String.class).findOne());
    }

    @Override
    public void remember(String name, String value) {
        if (!writable()) {
            return;
        }
        book.write(h -> h.createUpdate("INSERT INTO setting (name, value) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET value = excluded.value").bind(0, name).bind(1, value).execute());
    }

    @Override
    public List<Listed> list(int from, int most) {
        return book.read(h -> h.createQuery("SELECT " + CARD + " FROM ticket ORDER BY signed, due IS NULL, due, id LIMIT ? OFFSET ?").bind(0, most).bind(1, from)
                .map((rs, c) -> listed(rs)).list());
    }

    @Override
    public List<Listed> search(String words, int most) {
        String query = SearchWords.query(words);
        return query.isEmpty() ? list(0, most)
                : book.read(h -> h.createQuery("SELECT " + CARD.replaceAll("(\\w+)", "t.$1") + " FROM (SELECT rowid FROM ticket_text WHERE ticket_text MATCH ? ORDER BY rowid DESC LIMIT ?) m"
                                + " JOIN ticket t ON t.id = m.rowid ORDER BY t.id DESC")
                        .bind(0, query).bind(1, most).map((rs, c) -> listed(rs)).list());
    }

    /// A row that cannot be read is listed by its number and says so; the others do not mind.
    private static Listed listed(java.sql.ResultSet rs) throws java.sql.SQLException {
        String number = String.valueOf(rs.getString(1));
        try {
            return card(rs);
        } catch (IllegalArgumentException | java.time.DateTimeException | NullPointerException e) {
            Tag bare = new Tag(number, number, "", Instrument.Sort.LENS, Optional.empty(), Optional.empty(), Optional.empty());
            return new Listed(new Card(bare, Stage.ARRIVE, List.of(), List.of(), List.of(), List.of(), false, Instant.EPOCH), Optional.of("What the Book keeps of ticket " + number + " cannot be read ("
                    + e.getMessage() + "); open it to see how far its story can."));
        }
    }

    private static Listed card(java.sql.ResultSet rs) throws java.sql.SQLException {
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
        return book.read(h -> h.createQuery("SELECT count(*), coalesce(sum(signed), 0), (SELECT min(due) FROM ticket WHERE signed = 0 AND due IS NOT NULL), coalesce(max(digits), 0) FROM ticket")
                .map((rs, c) -> new Counts(rs.getInt(1), rs.getInt(2), Optional.ofNullable(rs.getString(3)), rs.getInt(4))).one());
    }

    @Override
    public List<Clock> clocks() {
        return book.read(h -> h.createQuery("SELECT c.ticket, t.title, c.timer, c.label, c.ends FROM timer c JOIN ticket t ON t.number = c.ticket ORDER BY c.ends, c.ticket")
                .map((rs, c) -> clock(rs)).list().stream().flatMap(Optional::stream).toList());
    }

    private static Optional<Clock> clock(java.sql.ResultSet rs) throws java.sql.SQLException {
        try {
            return Optional.of(new Clock(rs.getString(1), rs.getString(2), new CareEvent.TimerSet(rs.getString(3), EventJson.mapper().readValue(rs.getString(4), Said.class), Instant.parse(rs.getString(5)))));
        } catch (JacksonException | java.time.DateTimeException e) {
            // The story of its ticket still has it.
            return Optional.empty();
        }
    }

    @Override
    public Lessons lessons(String instrument, String but) {
        return book.read(h -> {
            List<Lesson> newest = new ArrayList<>();
            Optional<String>[] taken = new Optional[] {Optional.<String>empty()};
            h.createQuery("SELECT l.taken, l.body FROM lesson l JOIN ticket t ON t.number = l.ticket WHERE l.instrument = ? AND l.ticket <> ? ORDER BY t.id DESC LIMIT ?")
                    .bind(0, instrument).bind(1, but).bind(2, MOST_LESSONS)
                    .map((rs, c) -> {
                        try {
                            newest.add(EventJson.mapper().readValue(rs.getString(2), Lesson.class));
                            taken[0] = taken[0].or(() -> optional(rs));
                        } catch (JacksonException e) {
                            // A job whose lesson cannot be read teaches nothing.
                        }
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
    public Map<Judged, Integer> judged() {
        return book.read(h -> {
            Map<Judged, Integer> all = new LinkedHashMap<>();
            h.createQuery("SELECT asked, setup, computed, technician, sum(times) FROM judged GROUP BY asked, setup, computed, technician ORDER BY asked, setup, computed, technician")
                    .map((rs, c) -> all.put(new Judged(rs.getString(1), rs.getString(2), rs.getString(3), rs.getString(4)), rs.getInt(5))).list();
            return all;
        });
    }

    @Override
    public List<Pass> passes(long after) {
        return book.read(h -> h.createQuery("SELECT id, ticket, act, name, version, body, at FROM happened WHERE id > ? AND (name IN ('part-cleaned', 'flushed', 'greased', 'grease-changed', 'undone') OR name = 'fact-stated' AND body LIKE '%\"lubricated\"%') ORDER BY id").bind(0, after)
                .map((rs, c) -> pass(rs.getLong(1), rs.getString(2), rs.getLong(3), rs.getString(7), new EventJson.Stored(rs.getString(4), rs.getInt(5), rs.getString(6)))).list().stream().flatMap(Optional::stream).toList());
    }

    private static Optional<Pass> pass(long id, String ticket, long act, String at, EventJson.Stored row) {
        try {
            return Optional.of(new Pass(id, ticket, act, Instant.parse(at), EventJson.read(row)));
        } catch (Unreadable | DateTimeException notCounted) {
            return Optional.empty();
        }
    }

    @Override
    public List<String> numbers() {
        return book.read(h -> h.createQuery("SELECT ticket FROM happened WHERE seq = 1 ORDER BY id").mapTo(String.class).list());
    }

    @Override
    public Set<String> others(String bench, Instant now) {
        if (!writable()) {
            return Set.of();
        }
        Set<String> others = book.write(h -> {
            h.createUpdate("INSERT INTO bench (name, seen) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET seen = excluded.seen").bind(0, bench).bind(1, now.toString()).execute();
            h.createUpdate("DELETE FROM bench WHERE seen < ?").bind(0, now.minus(GONE).toString()).execute();
            return new HashSet<>(h.createQuery("SELECT name FROM bench WHERE name <> ?").bind(0, bench).mapTo(String.class).list());
        });
        if (here.add(bench)) {
            // Whoever opens the book after this one was killed knows from the file itself that it was at work.
            book.settle();
        }
        return others;
    }

    @Override
    public long changed() {
        book.look();
        return book.read(h -> h.createQuery("PRAGMA data_version").mapTo(Long.class).one());
    }

    /// Tickets whose lists were never kept: those of a book from before there were any.
    List<String> unlisted() {
        return book.read(h -> h.createQuery("SELECT ticket FROM happened WHERE seq = 1 AND ticket NOT IN (SELECT number FROM ticket) ORDER BY id").mapTo(String.class).list());
    }

    /// Keeps the lists of a ticket as they follow from its story.
    void list(Projection projection, Optional<String> trouble) {
        book.write(h -> {
            Projections.keep(h, projection, trouble);
            return true;
        });
    }

    @Override
    public void close() {
        if (!here.isEmpty()) {
            try {
                book.write(h -> here.stream().mapToInt(b -> h.createUpdate("DELETE FROM bench WHERE name = ?").bind(0, b).execute()).sum());
            } catch (BookTrouble e) {
                // The next window takes over from one that could not say that it has ended.
            }
        }
        book.close();
    }

    static String joined(List<? extends Enum<?>> all) {
        return all.stream().map(Enum::name).collect(Collectors.joining("\n"));
    }
}
