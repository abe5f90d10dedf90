package stillglass.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.BufferedReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.ticket.TicketEvent;

/// Killed processes, full disks and read-only files.
class HardTimesTest {
    private static final int KILLS = 20;

    @TempDir
    Path folder;

    /// A child process works as the window does: decide, store, then show (here: print). It is killed while it works, twenty
    /// times on the same logbook; whatever it had shown must be there, whole intents only.
    @Test
    void nothingThatWasShownIsLostWhenTheProcessIsKilled() throws Exception {
        Path book = folder.resolve("killed.sqlite");
        Logbook.open(book).close();
        long shownSoFar = 0;
        for (int kill = 0; kill < KILLS; kill++) {
            Process child = new ProcessBuilder(
                            Path.of(System.getProperty("java.home"), "bin", "java").toString(), "--enable-native-access=ALL-UNNAMED",
                            "-XX:TieredStopAtLevel=1", "-cp", System.getProperty("java.class.path"), WorksUntilKilled.class.getName(), book.toString())
                    .redirectError(ProcessBuilder.Redirect.DISCARD)
                    .start();
            long shown = shownSoFar;
            try (BufferedReader out = child.inputReader()) {
                // Different points of its work: after 1, 4, 7 … shown intents, then at once in the middle of the next.
                for (int line = 0; line < 1 + kill % 7 * 3; line++) {
                    String said = out.readLine();
                    assertThat(said).as("kill %d: the child works", kill).isNotNull();
                    shown = Long.parseLong(said);
                }
                assertThat(run("kill", "-9", Long.toString(child.pid()))).isTrue();
                for (String said = out.readLine(); said != null; said = out.readLine()) {
                    shown = Long.parseLong(said);
                }
            }
            assertThat(child.waitFor(20, TimeUnit.SECONDS)).isTrue();
            shownSoFar = checked(book, shown, kill);
        }
        assertThat(shownSoFar).isGreaterThan(KILLS);
    }

    /// @return the newest intent in the book
    private static long checked(Path book, long shown, int kill) {
        try (Logbook log = Logbook.open(book)) {
            var story = log.story(WorksUntilKilled.TICKET);
            long newest = story.getLast().intent();
            assertThat(newest).as("kill %d: everything shown is kept", kill).isGreaterThanOrEqualTo(shown);
            for (long intent = 2; intent <= newest; intent++) {
                long number = intent;
                assertThat(story.stream().filter(r -> r.intent() == number).count()).as("kill %d intent %d is whole", kill, intent)
                        .isEqualTo(WorksUntilKilled.EVENTS_EACH);
            }
            return newest;
        }
    }

    @Test
    void aFullDiskLosesOnlyTheStepThatDidNotFit() throws Exception {
        Path disk = Files.createDirectories(folder.resolve("tiny"));
        Assumptions.assumeTrue(run("mount", "-t", "tmpfs", "-o", "size=400k", "tmpfs", disk.toString()), "a small disk cannot be mounted here");
        try {
            List<String> kept = new ArrayList<>();
            BookTrouble full = null;
            try (Logbook log = Logbook.open(disk.resolve("book.sqlite"))) {
                for (int i = 1; i < 400 && full == null; i++) {
                    String text = i + " " + "x".repeat(3000);
                    try {
                        log.append("T-1", i, Instant.EPOCH, List.of(new TicketEvent.UseNoted(text)), List.of());
                        kept.add(text);
                    } catch (BookTrouble e) {
                        full = e;
                    }
                }
                assertThat(full).isNotNull().hasMessageContaining("everything before it is safe");
                assertThat(log.story("T-1")).as("still readable on the full disk").hasSize(kept.size());
            }
            // Room is made: copied elsewhere, every kept step is there.
            Path copy = folder.resolve("copy.sqlite");
            Files.copy(disk.resolve("book.sqlite"), copy);
            Path wal = disk.resolve("book.sqlite-wal");
            if (Files.exists(wal)) {
                Files.copy(wal, folder.resolve("copy.sqlite-wal"));
            }
            try (Logbook log = Logbook.open(copy)) {
                assertThat(log.story("T-1")).extracting(r -> ((TicketEvent.UseNoted) r.event()).text()).containsExactlyElementsOf(kept);
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
    void aReadOnlyLogbookIsSaidAndNotTouched() throws Exception {
        Path book = folder.resolve("sealed/book.sqlite");
        try (Logbook log = Logbook.open(book)) {
            log.append("T-1", 1, Instant.EPOCH, List.of(new TicketEvent.UseNoted("kept")), List.of());
        }
        byte[] before = Files.readAllBytes(book);
        Files.setPosixFilePermissions(book, PosixFilePermissions.fromString("r--r--r--"));
        Files.setPosixFilePermissions(book.getParent(), PosixFilePermissions.fromString("r-xr-xr-x"));
        try {
            // The superuser writes in spite of permissions: then only the sentence can be checked, below.
            boolean bound = !Files.isWritable(book);
            if (bound) {
                assertThatThrownBy(() -> Logbook.open(book)).isInstanceOf(BookTrouble.class).hasMessageContaining("read-only").hasMessageContaining("Nothing was changed");
                assertThat(Files.readAllBytes(book)).isEqualTo(before);
            }
        } finally {
            Files.setPosixFilePermissions(book.getParent(), PosixFilePermissions.fromString("rwxr-xr-x"));
        }
        assertThat(BookTrouble.of(book, new RuntimeException("[SQLITE_READONLY] Attempt to write a readonly database"))).hasMessageContaining("read-only");
    }

    @Test
    void aLogbookOnAReadOnlyDiskIsRefusedInWords() throws Exception {
        Path disk = Files.createDirectories(folder.resolve("ro"));
        Assumptions.assumeTrue(run("mount", "-t", "tmpfs", "-o", "size=2m", "tmpfs", disk.toString()), "a small disk cannot be mounted here");
        try {
            Logbook.open(disk.resolve("book.sqlite")).close();
            assertThat(run("mount", "-o", "remount,ro", disk.toString())).isTrue();

            assertThatThrownBy(() -> Logbook.open(disk.resolve("book.sqlite"))).isInstanceOf(BookTrouble.class).hasMessageContaining("read-only");
        } finally {
            run("umount", disk.toString());
        }
    }
}
