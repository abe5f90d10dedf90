package stillglass.book.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// Files as another window leaves them at every moment of beginning a generation, and as other programs do.
class BookWatchTest {
    @TempDir
    Path folder;

    private Path file;
    private Path wal;
    private BookWatch watch;
    private final AtomicInteger stored = new AtomicInteger(1);
    private final AtomicInteger seen = new AtomicInteger(1);
    private int moment;

    @BeforeEach
    void book() throws IOException {
        file = Files.write(folder.resolve("a.sqlite"), new byte[10]);
        wal = Files.write(folder.resolve("a.sqlite-wal"), new byte[1000]);
        watch = new BookWatch(file, 1);
    }

    private BookWatch.State look() throws IOException {
        return watch.look(stored::get, seen::get);
    }

    /// The file itself is written to, which its time tells.
    private void written() throws IOException {
        Files.setLastModifiedTime(file, FileTime.from(Instant.ofEpochSecond(2_000_000_000L + moment++)));
    }

    private void beside(int bytes) throws IOException {
        Files.write(wal, new byte[bytes]);
    }

    @Test
    void anotherWindowMayBeginAGenerationWhileItIsLookedAt() throws IOException {
        // The new generation is seen first, then it is in the file, then what lies beside it is emptied; it is looked at in between, once and again.
        seen.set(2);
        assertThat(look()).isEqualTo(BookWatch.State.SAME);
        stored.set(2);
        written();
        assertThat(look()).isEqualTo(BookWatch.State.SAME);
        assertThat(look()).isEqualTo(BookWatch.State.SAME);
        beside(0);
        assertThat(look()).isEqualTo(BookWatch.State.SAME);
        beside(400);
        assertThat(look()).isEqualTo(BookWatch.State.SAME);
        beside(0);
        assertThat(look()).as("the same once more, and no generation has begun").isEqualTo(BookWatch.State.WAL_EMPTIED);
    }

    @Test
    void aGenerationThatBeganAndEndedBetweenTwoLooksIsNoLoss() throws IOException {
        for (int g = 2; g < 6; g++) {
            seen.set(g);
            stored.set(g);
            // The clock of the disk may be too coarse to tell.
            beside(100);
            assertThat(look()).as("generation %d", g).isEqualTo(BookWatch.State.SAME);
            beside(900);
            assertThat(look()).isEqualTo(BookWatch.State.SAME);
        }
    }

    @Test
    void whatOtherProgramsDoIsTold() throws IOException {
        beside(0);
        assertThat(look()).isEqualTo(BookWatch.State.WAL_EMPTIED);
        book();
        Files.delete(wal);
        assertThat(look()).isEqualTo(BookWatch.State.WAL_GONE);
        book();
        stored.set(99);
        written();
        assertThat(look()).isEqualTo(BookWatch.State.OVERWRITTEN);
        stored.set(1);
        book();
        Files.delete(file);
        assertThat(look()).isEqualTo(BookWatch.State.GONE);
    }
}
