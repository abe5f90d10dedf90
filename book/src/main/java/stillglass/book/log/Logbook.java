package stillglass.book.log;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import stillglass.ticket.Card;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.joints.Lesson;
import stillglass.ticket.story.Event;
import stillglass.ticket.story.Recorded;
import stillglass.ticket.story.Who;

/// Every ticket of the bench: append-only stories of events, the photographs, and the tables the Book lists from.
///
/// Every act is one transaction, so what a caller has seen return survives the process being killed. Not thread-safe: one thread owns a logbook. Several
/// programs may have the same one open.
public interface Logbook extends AutoCloseable {
    /// Opens the SQLite file of a bench, creating it and bringing its schema up to date.
    /// One that may only be read is opened for reading and nothing is left beside it.
    /// @throws stillglass.book.BookTrouble when it is no logbook or of a newer form; it is not touched then
    static Logbook open(Path file) {
        return SqliteLogbook.open(file, false);
    }

    /// Opens it to look at only: not a byte of it is changed.
    /// @throws stillglass.book.BookTrouble when it is no logbook or of a newer form
    static Logbook forReading(Path file) {
        return SqliteLogbook.open(file, true);
    }

    /// Whether a file is of the form logbooks have.
    /// @throws IOException when it cannot be read
    static boolean is(Path file) throws IOException {
        return BookHeader.read(file).isPresent();
    }

    /// A photograph to be kept with an act.
    /// @param bytes the file as it came, not changed
    record PhotoBytes(String photoId, String name, byte[] bytes) {
        @Override
        public boolean equals(Object o) {
            return o instanceof PhotoBytes p && photoId.equals(p.photoId);
        }

        @Override
        public int hashCode() {
            return photoId.hashCode();
        }
    }

    /// What happened to a ticket.
    /// @param trouble why it can be read only so far, when a row cannot be read; nothing may be appended then
    record Told(List<Recorded> rows, Optional<String> trouble) {
        public Told {
            rows = List.copyOf(rows);
        }
    }

    /// Events of one act with what goes along in the same transaction.
    /// @param version of the ticket on which they were decided
    /// @param act number of the act
    record Entry(String ticket, long version, long act, Who who, Instant at, List<Event> events, List<PhotoBytes> photos) {
        public Entry {
            events = List.copyOf(events);
            photos = List.copyOf(photos);
        }
    }

    /// A pass of cleaning, grease laid, or the taking back of an act.
    /// @param id rises with every row of the book
    record Pass(long id, String ticket, long act, Instant at, Event event) {}

    /// Tables kept for lists, after an act.
    /// @param lesson what it teaches about its model
    /// @param taken the model built alike from whose map it started
    /// @param judged what was computed and what the technician has, how often; empty while looking is not done
    record Projection(Card card, List<CareEvent.TimerSet> timers, Lesson lesson, Optional<String> taken, Map<Judged, Integer> judged) {}

    /// What the photo has and what the technician has.
    /// @param asked what it is about: a kind, a severity, or only a count
    /// @param setup camera and lighting; empty where nobody knows
    record Judged(String asked, String setup, String computed, String technician) {}

    /// A ticket in a list.
    /// @param trouble why it cannot be opened whole
    record Listed(Card card, Optional<String> trouble) {}

    /// A timer of some ticket.
    record Clock(String ticket, String title, CareEvent.TimerSet timer) {}

    /// What earlier jobs on a model teach.
    /// @param taken the model built alike from whose map the newest that had none started
    record Lessons(List<Lesson> lessons, Optional<String> taken) {
        public Lessons {
            lessons = List.copyOf(lessons);
        }
    }

    /// Figures over all tickets.
    /// @param nextDue earliest day of those not signed
    record Counts(int tickets, int signed, Optional<String> nextDue, int highestNumber) {}

    Path file();

    /// Whether acts can be kept; a book that may only be read is shown and changed by nothing.
    boolean writable();

    /// What was found when it was opened, or since, and has to stay told, a sentence each. From any thread.
    List<String> notes();

    /// What happened to a ticket after a version of it.
    Told story(String ticket, long afterVersion);

    /// Appends the events of one act with its photographs, and keeps the lists, in one transaction.
    /// @return the rows as recorded; empty when the ticket is no longer at that version, and nothing was kept
    /// @throws stillglass.book.BookTrouble when nothing was kept
    Optional<List<Recorded>> append(Entry entry, Projection projection);

    /// Does something while no other program can write to the book.
    <T> T alone(Supplier<T> work);

    /// The file of a photograph, as it came.
    Optional<PhotoBytes> photo(String ticket, String photoId);

    /// Something the window remembers.
    Optional<String> setting(String name);

    void remember(String name, String value);

    /// Tickets that are not signed by due day, then signed ones.
    List<Listed> list(int from, int most);

    /// Tickets in which every word of a search begins some word, newest first.
    List<Listed> search(String words, int most);

    Counts counts();

    /// Timers of all tickets, by when they end.
    List<Clock> clocks();

    /// The newest lessons about a model.
    /// @param but ticket left out
    Lessons lessons(String instrument, String but);

    /// How often what was computed was left or changed, over all tickets.
    Map<Judged, Integer> judged();

    /// Passes of cleaning and greases laid, of all tickets, and what was taken back of them, in the order they were written. Rows that cannot be read are left out.
    /// @param after number of the last that is known; 0 for all
    List<Pass> passes(long after);

    /// Numbers of all tickets, oldest first.
    List<String> numbers();

    /// Says that a bench is at work, and which others are.
    Set<String> others(String bench, Instant now);

    /// A number that changes whenever any other program has changed the book.
    long changed();

    @Override
    void close();
}
