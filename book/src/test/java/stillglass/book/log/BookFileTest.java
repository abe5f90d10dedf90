package stillglass.book.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.InstantSource;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Instrument;
import stillglass.book.BookTrouble;
import stillglass.book.data.Shelf;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.story.Act;

/// What else can lie where a logbook is looked for, and what can happen to its files while it is open or after it was killed.
class BookFileTest {
    @TempDir
    Path folder;

    private static Tickets tickets(Logbook log) {
        Tickets t = new Tickets(log, new Shelf(), InstantSource.system(), "", "bench " + log.hashCode());
        t.present();
        return t;
    }

    private static Tickets.Ticket begun(Tickets tickets, String number) {
        return tickets.begin(Act.of(new ArrivalIntent.Begin(new Tag(number, "Brook", "own-brook", Instrument.Sort.LENS, Optional.empty(), Optional.empty(), Optional.empty())))).ticket();
    }

    private static void note(Tickets tickets, String text) {
        assertThat(tickets.act(tickets.open("T-1"), Act.of(new ArrivalEvent.SymptomNoted(text)), List.of()).accepted()).isTrue();
    }

    private static List<String> noted(Path book) {
        try (Logbook log = Logbook.open(book)) {
            return tickets(log).open("T-1").state().arrival().symptoms();
        }
    }

    /// A logbook with one note, closed.
    private Path book(String name, String... notes) {
        Path file = folder.resolve(name);
        try (Logbook log = Logbook.open(file)) {
            Tickets tickets = tickets(log);
            begun(tickets, "T-1");
            for (String n : notes) {
                note(tickets, n);
            }
        }
        return file;
    }

    /// Files of a logbook as a killed process leaves them: copied while it is open.
    private Path killed(String name, String... notes) throws IOException {
        Path work = Files.createDirectories(folder.resolve("work-" + name));
        Path file = work.resolve(name);
        Path left = folder.resolve(name);
        try (Logbook log = Logbook.open(file)) {
            Tickets tickets = tickets(log);
            begun(tickets, "T-1");
            for (String n : notes) {
                note(tickets, n);
            }
            Files.copy(file, left);
            Files.copy(wal(file), wal(left));
        }
        return left;
    }

    private static Path wal(Path file) {
        return file.resolveSibling(file.getFileName() + "-wal");
    }

    private static List<String> beside(Path folder) throws IOException {
        try (var files = Files.list(folder)) {
            return files.filter(Files::isRegularFile).map(f -> f.getFileName().toString()).sorted().toList();
        }
    }

    private static void refused(Path file, String why) throws IOException {
        byte[] before = Files.readAllBytes(file);
        List<String> files = beside(file.getParent());
        assertThatThrownBy(() -> Logbook.open(file)).isInstanceOf(BookTrouble.class).hasMessageContaining(why).hasMessageContaining(file.getFileName().toString());
        assertThat(Files.readAllBytes(file)).isEqualTo(before);
        assertThat(beside(file.getParent())).isEqualTo(files);
    }

    private static void sql(Path file, String... statements) throws Exception {
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file); Statement s = c.createStatement()) {
            for (String each : statements) {
                s.execute(each);
            }
        }
    }

    @Test
    void anEmptyFileIsNotTaken() throws IOException {
        refused(Files.createFile(folder.resolve("empty.sqlite")), "is empty");
    }

    @ParameterizedTest
    @ValueSource(strings = {"CREATE TABLE stock (part TEXT)", "PRAGMA application_id = 77", "CREATE TABLE setting (name TEXT)"})
    void theDatabaseOfAnotherProgramIsNotTouched(String statement) throws Exception {
        Path file = folder.resolve("other.sqlite");
        sql(file, "CREATE TABLE other (x)", statement);
        refused(file, "left as it is");
        sql(file, "PRAGMA journal_mode = WAL");
        refused(file, "left as it is");
    }

    @Test
    void aLogbookOfANewerFormIsRefused() throws Exception {
        Path file = book("newer.sqlite");
        sql(file, "INSERT INTO flyway_schema_history (installed_rank, version, description, type, script, installed_by, execution_time, success) VALUES (99, '99', 'later', 'SQL', 'V99.sql', '', 1, 1)",
                "PRAGMA journal_mode = DELETE");
        refused(file, "newer Still Glass");
    }

    @Test
    void theNumberOfTheNewestMigrationIsTheOneThatIsChecked() throws Exception {
        Path file = book("now.sqlite");
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file); Statement s = c.createStatement(); var r = s.executeQuery("SELECT max(version) FROM flyway_schema_history")) {
            assertThat(r.getInt(1)).isEqualTo(BookConnection.SCHEMA);
        }
    }

    @Test
    void aRollbackJournalThatIsNotItsOwnIsNotPlayedInto() throws IOException {
        Path file = book("journal.sqlite", "milky");
        Files.writeString(folder.resolve("journal.sqlite-journal"), "whatever");
        refused(file, "journal.sqlite-journal");
    }

    @Test
    void aBookThatIsGoneIsNotBegunAnewOverItsLastNotes() throws IOException {
        Path file = killed("gone.sqlite", "milky");
        Files.delete(file);
        assertThatThrownBy(() -> Logbook.open(file)).isInstanceOf(BookTrouble.class).hasMessageContaining("gone.sqlite-wal");
        assertThat(Files.size(wal(file))).isPositive();
    }

    @Test
    void whatAKilledWindowLeftIsTakenOverInSilence() throws IOException {
        Path file = killed("left.sqlite", "milky", "slow");
        try (Logbook log = Logbook.open(file)) {
            assertThat(log.notes()).isEmpty();
        }
        assertThat(noted(file)).containsExactly("milky", "slow");
    }

    @Test
    void aWriteAheadFileOfAnotherBookIsSetAside() throws IOException {
        Path file = book("mine.sqlite", "milky");
        Path other = killed("other.sqlite", "theirs");
        Files.move(wal(other), wal(file));
        byte[] foreign = Files.readAllBytes(wal(file));
        try (Logbook log = Logbook.open(file)) {
            assertThat(log.notes()).singleElement().asString().contains("mine.sqlite-wal was written for another logbook").contains("set aside");
        }
        assertThat(noted(file)).containsExactly("milky");
        String aside = beside(folder).stream().filter(n -> n.contains("-aside-")).findFirst().orElseThrow();
        assertThat(Files.readAllBytes(folder.resolve(aside))).isEqualTo(foreign);
    }

    /// A backup put in place of the book, with the write-ahead file of a later day still beside it.
    @Test
    void aWriteAheadFileOfTheSameBookAtAnotherTimeIsSetAside() throws IOException {
        Path file = book("day.sqlite", "monday");
        Path backup = Files.copy(file, folder.resolve("backup.sqlite"));
        try (Logbook log = Logbook.open(file)) {
            note(tickets(log), "tuesday");
        }
        Path left = folder.resolve("left");
        try (Logbook log = Logbook.open(file)) {
            note(tickets(log), "wednesday");
            Files.copy(wal(file), left);
        }
        Files.copy(backup, file, StandardCopyOption.REPLACE_EXISTING);
        Files.copy(left, wal(file), StandardCopyOption.REPLACE_EXISTING);
        assertThat(noted(file)).containsExactly("monday");
        assertThat(beside(folder)).anyMatch(n -> n.startsWith("day.sqlite-wal-aside-"));
    }

    @Test
    void aDamagedWriteAheadFileIsSetAsideAndSaid() throws IOException {
        Path file = killed("torn.sqlite", "milky");
        byte[] bytes = Files.readAllBytes(wal(file));
        bytes[5] ^= 1;
        Files.write(wal(file), bytes);
        try (Logbook log = Logbook.open(file)) {
            assertThat(log.notes()).anyMatch(n -> n.contains("torn.sqlite-wal is damaged"));
        }
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void notesThatWentWithAnEmptiedWriteAheadFileAreSaid(boolean removed) throws IOException {
        Path file = killed("emptied.sqlite", "milky");
        if (removed) {
            Files.delete(wal(file));
        } else {
            Files.write(wal(file), new byte[0]);
        }
        try (Logbook log = Logbook.open(file)) {
            assertThat(log.notes()).singleElement().asString().contains("was not closed the last time").contains("may be missing").contains(DateTimeFormatter.ofPattern("MMMM yyyy, ", Locale.ENGLISH).format(ZonedDateTime.now()));
        }
        try (Logbook log = Logbook.open(file)) {
            assertThat(log.notes()).as("said once").isEmpty();
        }
    }

    @Test
    void aBookThatIsOpenInAnotherWindowIsNotTakenForOneThatWasKilled() {
        Path file = folder.resolve("both.sqlite");
        try (Logbook one = Logbook.open(file)) {
            begun(tickets(one), "T-1");
            try (Logbook two = Logbook.open(file)) {
                assertThat(two.notes()).isEmpty();
                note(tickets(two), "theirs");
            }
            note(tickets(one), "ours");
        }
        assertThat(noted(file)).containsExactly("theirs", "ours");
    }

    @Test
    void aBookThatIsRemovedWhileOpenIsNoticedBeforeTheNextActIsShownAndSavedElsewhere() throws IOException {
        Path file = folder.resolve("removed.sqlite");
        Logbook log = Logbook.open(file);
        Tickets tickets = tickets(log);
        begun(tickets, "T-1");
        note(tickets, "milky");
        Files.delete(file);
        assertThatThrownBy(log::changed).isInstanceOf(BookTrouble.class).hasMessageContaining("removed, moved or replaced");
        assertThatThrownBy(() -> note(tickets, "lost")).isInstanceOf(BookTrouble.class).hasMessageContaining("rescued");
        log.close();
        Path rescued = folder.resolve(beside(folder).stream().filter(n -> n.startsWith("removed-rescued-")).findFirst().orElseThrow());
        try (Logbook saved = Logbook.open(rescued)) {
            assertThat(saved.notes()).as("nothing is missing from it").isEmpty();
        }
        assertThat(noted(rescued)).containsExactly("milky");
    }

    @Test
    void aBookThatIsReplacedWhileOpenIsNotWrittenTo() throws IOException {
        Path other = book("b.sqlite", "other");
        Path file = folder.resolve("a.sqlite");
        Logbook log = Logbook.open(file);
        Tickets tickets = tickets(log);
        begun(tickets, "T-1");
        Files.move(other, file, StandardCopyOption.REPLACE_EXISTING);
        byte[] before = Files.readAllBytes(file);
        assertThatThrownBy(() -> note(tickets, "lost")).isInstanceOf(BookTrouble.class).hasMessageContaining("replaced");
        log.close();
        assertThat(Files.readAllBytes(file)).isEqualTo(before);
        assertThat(noted(file)).containsExactly("other");
    }

    /// A backup copied over an open book: same file for the system, other contents.
    @Test
    void aBookThatIsWrittenOverWhileOpenIsNoticedAndStaysAsItWasPut() throws IOException {
        Path other = book("b.sqlite", "other");
        Path file = folder.resolve("a.sqlite");
        Logbook log = Logbook.open(file);
        Tickets tickets = tickets(log);
        begun(tickets, "T-1");
        byte[] put = Files.readAllBytes(other);
        Files.write(file, put, StandardOpenOption.TRUNCATE_EXISTING);
        assertThatThrownBy(() -> note(tickets, "lost")).isInstanceOf(BookTrouble.class).hasMessageContaining("written over");
        log.close();
        assertThat(Files.readAllBytes(file)).isEqualTo(put);
        // For the test only: a process that ends lets go of it; this one goes on.
        Path after = Files.createDirectories(folder.resolve("after")).resolve("a.sqlite");
        Files.copy(file, after);
        Files.copy(wal(file), wal(after));
        assertThat(noted(after)).containsExactly("other");
    }

    @Test
    void aWriteAheadFileThatIsRemovedWhileOpenLosesNothing() throws IOException {
        Path file = folder.resolve("a.sqlite");
        try (Logbook log = Logbook.open(file)) {
            Tickets tickets = tickets(log);
            begun(tickets, "T-1");
            note(tickets, "one");
            Files.delete(wal(file));
            note(tickets, "two");
            // As it would be found after a kill now.
            Files.copy(file, folder.resolve("copy.sqlite"));
            Files.copy(wal(file), folder.resolve("copy.sqlite-wal"));
            note(tickets, "three");
        }
        assertThat(noted(folder.resolve("copy.sqlite"))).containsExactly("one", "two");
        assertThat(noted(file)).containsExactly("one", "two", "three");
    }

    @Test
    void aWriteAheadFileThatIsEmptiedWhileOpenIsSaid() throws IOException {
        Path file = folder.resolve("a.sqlite");
        Logbook log = Logbook.open(file);
        Tickets tickets = tickets(log);
        begun(tickets, "T-1");
        Files.write(wal(file), new byte[0], StandardOpenOption.TRUNCATE_EXISTING);
        assertThatThrownBy(log::changed).isInstanceOf(BookTrouble.class).hasMessageContaining("emptied");
        assertThatThrownBy(() -> note(tickets, "lost")).isInstanceOf(BookTrouble.class);
        log.close();
    }

    @Test
    void aLockedBookKeepsNothingAndSaysSo() throws Exception {
        Path file = folder.resolve("locked.sqlite");
        try (Logbook log = Logbook.open(file)) {
            Tickets tickets = tickets(log);
            begun(tickets, "T-1");
            try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file); Statement s = c.createStatement()) {
                s.execute("BEGIN IMMEDIATE");
                assertThatThrownBy(() -> note(tickets, "no")).isInstanceOf(BookTrouble.class).hasMessageContaining("Another program holds");
                s.execute("ROLLBACK");
            }
            note(tickets, "yes");
        }
        assertThat(noted(file)).containsExactly("yes");
    }

    @Test
    void muchThatIsNotedGoesIntoTheBookItselfAndStaysRecognisable() throws IOException {
        Path file = folder.resolve("much.sqlite");
        byte[] photo = new byte[3_000_000];
        Arrays.fill(photo, (byte) 7);
        try (Logbook log = Logbook.open(file)) {
            Tickets tickets = tickets(log);
            begun(tickets, "T-1");
            for (int i = 0; i < 4; i++) {
                tickets.act(tickets.open("T-1"), Act.of(new ArrivalEvent.SymptomNoted("n" + i)), List.of(new Logbook.PhotoBytes("p" + i, "a.png", photo)));
            }
            assertThat(Files.size(wal(file))).isLessThan(5_000_000);
            assertThat(Files.size(file)).isGreaterThan(9_000_000);
            Files.copy(file, folder.resolve("copy.sqlite"));
            Files.copy(wal(file), folder.resolve("copy.sqlite-wal"));
        }
        assertThat(noted(folder.resolve("copy.sqlite"))).containsExactly("n0", "n1", "n2", "n3");
    }

    @Test
    void aBookThatIsOnlyLookedAtIsNotChangedWhetherItIsClosedOpenOrWasKilled() throws IOException {
        Path closed = book("closed.sqlite", "milky");
        looked(closed, "milky");
        assertThat(beside(folder)).containsExactly("closed.sqlite");
        looked(killed("killed.sqlite", "slow", "dry"), "slow", "dry");
        Path live = folder.resolve("live.sqlite");
        try (Logbook log = Logbook.open(live)) {
            Tickets tickets = tickets(log);
            begun(tickets, "T-1");
            note(tickets, "now");
            // From another process, as the report verb does: here on a copy, for one process holds a file once.
            Path copy = Files.createDirectories(folder.resolve("copied")).resolve("live.sqlite");
            Files.copy(live, copy);
            Files.copy(wal(live), wal(copy));
            looked(copy, "now");
        }
    }

    private static void looked(Path file, String... notes) throws IOException {
        byte[] before = Files.readAllBytes(file);
        byte[] wal = Files.exists(wal(file)) ? Files.readAllBytes(wal(file)) : new byte[0];
        try (Logbook log = Logbook.forReading(file)) {
            assertThat(log.writable()).isFalse();
            assertThat(log.notes()).isEmpty();
            Tickets tickets = new Tickets(log, new Shelf(), InstantSource.system(), "", "look");
            assertThat(tickets.open("T-1").state().arrival().symptoms()).containsExactly(notes);
        }
        assertThat(Files.readAllBytes(file)).isEqualTo(before);
        assertThat(Files.exists(wal(file)) ? Files.readAllBytes(wal(file)) : new byte[0]).isEqualTo(wal);
    }
}
