package stillglass.book.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.book.BookTrouble;

class TempFolderTest {
    private final String system = System.getProperty("java.io.tmpdir");
    private final String home = System.getProperty("user.home");

    @TempDir
    Path folder;

    @BeforeEach
    void ownPlaces() throws Exception {
        System.setProperty("java.io.tmpdir", Files.createDirectories(folder.resolve("tmp")).toString());
        System.setProperty("user.home", Files.createDirectories(folder.resolve("home")).toString());
    }

    @AfterEach
    void back() {
        System.setProperty("java.io.tmpdir", system);
        System.setProperty("user.home", home);
    }

    @Test
    void whatAKilledProcessLeftIsSweptAfterADayAndNothingElse() throws Exception {
        Path left = TempFolder.make("demo");
        Files.writeString(left.resolve("demo.sqlite"), "x");
        Path now = TempFolder.make("demo");
        Path other = Files.createDirectories(folder.resolve("tmp/another-program"));
        for (Path p : new Path[] {left, other}) {
            Files.setLastModifiedTime(p, FileTime.from(Instant.now().minus(Duration.ofDays(2))));
        }
        TempFolder.sweep();
        assertThat(left).doesNotExist();
        assertThat(now).exists();
        assertThat(other).exists();
        TempFolder.remove(now);
        assertThat(now).doesNotExist();
        TempFolder.remove(now);
    }

    @Test
    void withoutTheFolderOfTheSystemTheOwnCacheServes() throws Exception {
        System.setProperty("java.io.tmpdir", folder.resolve("none").toString());
        assertThat(TempFolder.make("reading")).startsWith(folder.resolve("home/.cache/still-glass")).isDirectory();
        assertThat(TempFolder.writable()).contains(folder.resolve("home/.cache/still-glass"));
    }

    @Test
    void withoutAnyPlaceTheSentenceNamesThem() {
        System.setProperty("java.io.tmpdir", folder.resolve("none").toString());
        System.setProperty("user.home", folder.resolve("no home").toString());
        assertThatThrownBy(() -> TempFolder.make("reading")).isInstanceOf(BookTrouble.class).hasMessageContaining("No temporary folder can be made in " + folder.resolve("none"));
    }

    @Test
    void aFileThatIsHeldIsKnownUnderEveryNameItHas() throws Exception {
        Path file = Files.createFile(folder.resolve("book.sqlite"));
        Path link = Files.createSymbolicLink(folder.resolve("link.sqlite"), file);
        try (OpenFiles.Hold hold = OpenFiles.hold(file); OpenFiles.Hold again = OpenFiles.hold(file)) {
            assertThat(OpenFiles.held(link)).isTrue();
            again.close();
            assertThat(OpenFiles.held(file)).as("held twice").isTrue();
            assertThat(OpenFiles.held(folder.resolve("another"))).isFalse();
            hold.close();
        }
        assertThat(OpenFiles.held(file)).isFalse();
    }
}
