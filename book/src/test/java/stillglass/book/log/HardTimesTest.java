package stillglass.book.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.BufferedReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.assembly.Instrument;
import stillglass.book.BookTrouble;
import stillglass.book.data.Shelf;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Recorded;

/// Killed processes, full disks and read-only files.
class HardTimesTest {
    private static final int KILLS = 8;
    private static final int KILLS_OF_TWO = 4;

    @TempDir
    Path folder;

    private static Tickets tickets(Logbook log) {
        return new Tickets(log, new Shelf(), InstantSource.system(), "", "test");
    }

    private static Tickets.Ticket begun(Tickets tickets) {
        return tickets.begin(Act.of(new ArrivalIntent.Begin(new Tag("T-1", "Brook", "own-brook", Instrument.Sort.LENS, Optional.empty(), Optional.empty(), Optional.empty())))).ticket();
    }

    private static Process child(Path book, String bench) throws IOException {
        return new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "--enable-native-access=ALL-UNNAMED", "-XX:TieredStopAtLevel=1", "-cp",
                System.getProperty("java.class.path"), WorksUntilKilled.class.getName(), book.toString(), bench).redirectError(ProcessBuilder.Redirect.DISCARD).start();
    }

    private static void kill(Process child) throws Exception {
        assertThat(run("kill", "-9", Long.toString(child.pid()))).isTrue();
        assertThat(child.waitFor(20, TimeUnit.SECONDS)).isTrue();
    }

    /// A child process works as the window does: decide, store, then show (here: print). It is killed while it works, again and again on the same logbook;
    /// whatever it had shown must be there, whole acts only.
    @Test
    void nothingThatWasShownIsLostWhenTheProcessIsKilled() throws Exception {
        Path book = folder.resolve("killed.sqlite");
        Set<String> shown = new HashSet<>();
        for (int kill = 0; kill < KILLS; kill++) {
            Process child = child(book, "one");
            try (BufferedReader out = child.inputReader()) {
                // Different points of its work: after 1, 4, 7 … shown acts, then at once in the middle of the next.
                for (int line = 0; line < 1 + kill % 7 * 3; line++) {
                    String said = out.readLine();
                    assertThat(said).as("kill %d: the child works", kill).isNotNull();
                    shown.add(said);
                }
                kill(child);
                out.lines().forEach(shown::add);
            }
            checked(book, shown, kill);
        }
        assertThat(shown).hasSizeGreaterThan(KILLS);
    }

    /// The same with two windows on one ticket, killed in turn: neither loses what it has shown, and no act of either is torn.
    @Test
    void neitherOfTwoWindowsLosesWhatItHasShownWhenOneIsKilled() throws Exception {
        Path book = folder.resolve("two.sqlite");
        Set<String> shown = new HashSet<>();
        for (int kill = 0; kill < KILLS_OF_TWO; kill++) {
            Process one = child(book, "one");
            Process two = child(book, "two");
            try (BufferedReader first = one.inputReader(); BufferedReader second = two.inputReader()) {
                for (int line = 0; line < 3; line++) {
                    shown.add(String.valueOf(first.readLine()));
                    shown.add(String.valueOf(second.readLine()));
                }
                kill(kill % 2 == 0 ? one : two);
                // The one that is left goes on.
                shown.add(String.valueOf((kill % 2 == 0 ? second : first).readLine()));
                kill(kill % 2 == 0 ? two : one);
                first.lines().forEach(shown::add);
                second.lines().forEach(shown::add);
            }
            assertThat(shown).doesNotContain("null");
            checked(book, shown, kill);
        }
        assertThat(shown.stream().map(s -> s.substring(0, 3)).distinct()).containsExactlyInAnyOrder("one", "two");
    }

    private static void checked(Path book, Set<String> shown, int kill) {
        try (Logbook log = Logbook.open(book)) {
            Logbook.Told told = log.story(WorksUntilKilled.TICKET, 0);
            assertThat(told.trouble()).isEmpty();
            Set<String> kept = told.rows().stream().map(Recorded::event).filter(ArrivalEvent.SymptomNoted.class::isInstance).map(e -> ((ArrivalEvent.SymptomNoted) e).text().substring(2))
                    .collect(Collectors.toSet());
            assertThat(kept).as("kill %d: everything shown is kept", kill).containsAll(shown);
            Map<Long, Long> sizes = told.rows().stream().filter(r -> r.act() > 1).collect(Collectors.groupingBy(Recorded::act, Collectors.counting()));
            assertThat(sizes.values()).as("kill %d: every act is whole", kill).containsOnly((long) WorksUntilKilled.EVENTS_EACH);
            assertThat(told.rows()).extracting(Recorded::seq).as("no row twice").doesNotHaveDuplicates();
            kept.forEach(photo -> assertThat(log.photo(WorksUntilKilled.TICKET, photo)).as("kill %d: its photo is there", kill).isPresent());
            assertThat(log.list(0, 2)).as("the list is of the same act").singleElement().satisfies(l -> assertThat(l.card().symptoms()).hasSameSizeAs(kept));
        }
    }

    @Test
    void aFullDiskLosesOnlyTheStepThatDidNotFit() throws Exception {
        Path disk = Files.createDirectories(folder.resolve("tiny"));
        Assumptions.assumeTrue(run("mount", "-t", "tmpfs", "-o", "size=900k", "tmpfs", disk.toString()), "a small disk cannot be mounted here");
        try {
            List<String> kept = new ArrayList<>();
            BookTrouble full = null;
            try (Logbook log = Logbook.open(disk.resolve("book.sqlite"))) {
                Tickets tickets = tickets(log);
                Tickets.Ticket ticket = begun(tickets);
                for (int i = 1; i < 400 && full == null; i++) {
                    String text = i + " " + "x".repeat(3000);
                    try {
                        ticket = tickets.act(ticket, Act.of(new ArrivalEvent.SymptomNoted(text)), List.of()).ticket();
                        kept.add(text);
                    } catch (BookTrouble e) {
                        full = e;
                    }
                }
                assertThat(full).isNotNull().hasMessageContaining("everything before it is safe");
                assertThat(log.story("T-1", 0).rows()).as("still readable on the full disk").hasSize(kept.size() + 1);
            }
            // Room is made: copied elsewhere, every kept step is there.
            Path copy = folder.resolve("copy.sqlite");
            Files.copy(disk.resolve("book.sqlite"), copy);
            Path wal = disk.resolve("book.sqlite-wal");
            if (Files.exists(wal)) {
                Files.copy(wal, folder.resolve("copy.sqlite-wal"));
            }
            try (Logbook log = Logbook.open(copy)) {
                assertThat(tickets(log).open("T-1").state().arrival().symptoms()).containsExactlyElementsOf(kept);
            }
        } finally {
            run("umount", disk.toString());
        }
    }

    private static boolean run(String... command) throws IOException, InterruptedException {
        try {
            Process p = new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
            return p.waitFor(20, TimeUnit.SECONDS) && p.exitValue() == 0;
        } catch (IOException noSuchCommand) {
            return false;
        }
    }

    /// A page limit makes the engine refuse as a full disk does; this runs everywhere.
    @Test
    void theSentenceForAFullDiskSaysWhatWasKept() {
        BookTrouble t = BookTrouble.of(Path.of("book.sqlite"), new RuntimeException("[SQLITE_FULL] Insertion failed because database is full"));

        assertThat(t).hasMessage("The disk is full: this last step was not kept in book.sqlite, everything before it is safe. Free some space and do it again.");
    }

    @Test
    void aLogbookOnAReadOnlyDiskIsReadAndLeftAsItIs() throws Exception {
        Path disk = Files.createDirectories(folder.resolve("ro"));
        Assumptions.assumeTrue(run("mount", "-t", "tmpfs", "-o", "size=9m", "tmpfs", disk.toString()), "a small disk cannot be mounted here");
        Path book = disk.resolve("book.sqlite");
        try {
            try (Logbook log = Logbook.open(book)) {
                begun(tickets(log));
            }
            byte[] before = Files.readAllBytes(book);
            assertThat(run("mount", "-o", "remount,ro", disk.toString())).isTrue();
            try (Logbook log = Logbook.open(book)) {
                assertThat(log.writable()).isFalse();
                assertThat(log.notes()).singleElement().asString().contains("book.sqlite may only be read");
                Tickets tickets = tickets(log);
                tickets.present();
                log.remember("last ticket", "T-1");
                Tickets.Ticket ticket = tickets.open("T-1");
                assertThat(ticket.state().tag().title()).isEqualTo("Brook");
                assertThatThrownBy(() -> tickets.act(ticket, Act.of(new ArrivalEvent.SymptomNoted("milky")), List.of())).isInstanceOf(BookTrouble.class).hasMessageContaining("nothing was noted");
                assertThat(log.list(0, 5)).hasSize(1);
            }
            assertThat(names(disk)).containsExactly("book.sqlite");
            assertThat(Files.readAllBytes(book)).isEqualTo(before);

            assertThat(run("mount", "-o", "remount,rw", disk.toString())).isTrue();
            try (Logbook log = Logbook.open(book)) {
                assertThat(log.notes()).isEmpty();
                Tickets tickets = tickets(log);
                assertThat(tickets.act(tickets.open("T-1"), Act.of(new ArrivalEvent.SymptomNoted("milky")), List.of()).accepted()).isTrue();
            }
        } finally {
            run("umount", disk.toString());
        }
    }

    /// Killed while at work, then its disk may only be read: what waits in the write-ahead file is shown too.
    @Test
    void whatWasNotedLastIsReadFromAReadOnlyDiskToo() throws Exception {
        Path disk = Files.createDirectories(folder.resolve("ro"));
        Assumptions.assumeTrue(run("mount", "-t", "tmpfs", "-o", "size=9m", "tmpfs", disk.toString()), "a small disk cannot be mounted here");
        Path book = disk.resolve("book.sqlite");
        try {
            Process child = child(book, "one");
            String shown;
            try (BufferedReader out = child.inputReader()) {
                shown = out.readLine();
                kill(child);
            }
            assertThat(run("mount", "-o", "remount,ro", disk.toString())).isTrue();
            List<String> files = names(disk);
            checked(book, Set.of(shown), 1);
            assertThat(names(disk)).isEqualTo(files);
        } finally {
            run("umount", disk.toString());
        }
    }

    private static List<String> names(Path folder) throws IOException {
        try (var files = Files.list(folder)) {
            return files.map(f -> f.getFileName().toString()).sorted().toList();
        }
    }
}
