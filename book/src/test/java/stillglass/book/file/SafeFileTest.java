package stillglass.book.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.io.TempDir;
import stillglass.book.BadInput;
import stillglass.book.log.Logbook;

class SafeFileTest {
    @TempDir
    Path folder;

    @Test
    void aFolderThatIsMissingIsSaid() {
        assertThatThrownBy(() -> SafeFile.write(folder.resolve("no").resolve("where.pdf"), new byte[3])).isInstanceOf(BadInput.class).hasMessageContaining("no folder");
    }

    @Test
    void aLogbookIsNeverWrittenOver() throws Exception {
        Path book = folder.resolve("book.sqlite");
        try (Logbook log = Logbook.open(book)) {
            log.remember("a", "b");
        }
        byte[] before = Files.readAllBytes(book);
        assertThatThrownBy(() -> SafeFile.write(book, new byte[3])).isInstanceOf(BadInput.class).hasMessageContaining("book.sqlite").hasMessageContaining("logbook");
        assertThat(Files.readAllBytes(book)).isEqualTo(before);
        Path link = Files.createSymbolicLink(folder.resolve("report.pdf"), book);
        assertThatThrownBy(() -> SafeFile.write(link, new byte[3])).as("nor through a link").isInstanceOf(BadInput.class);
        assertThat(Files.readAllBytes(book)).isEqualTo(before);
    }

    @Test
    void whatAFileIsMadeFromIsNotReplacedByIt() throws Exception {
        Path map = Files.writeString(folder.resolve("map.json"), "{}");
        Path same = folder.resolve(".").resolve("map.json");
        assertThatThrownBy(() -> SafeFile.write(same, new byte[3], map)).isInstanceOf(BadInput.class).hasMessageContaining("made from");
        assertThat(Files.readString(map)).isEqualTo("{}");
    }

    @Test
    @EnabledOnOs(OS.LINUX)
    void devicesAndFoldersAreLeftAloneAndLinksAndModesKept() throws Exception {
        assertThatThrownBy(() -> SafeFile.write(Path.of("/dev/null"), new byte[3])).isInstanceOf(BadInput.class).hasMessageContaining("device");
        assertThatThrownBy(() -> SafeFile.write(Files.createDirectory(folder.resolve("inner")), new byte[3])).isInstanceOf(BadInput.class);
        Path real = Files.writeString(folder.resolve("real.txt"), "old");
        Files.setPosixFilePermissions(real, PosixFilePermissions.fromString("rw-r-----"));
        Path link = Files.createSymbolicLink(folder.resolve("link.txt"), real);
        SafeFile.write(link, "new".getBytes(StandardCharsets.UTF_8));
        assertThat(Files.isSymbolicLink(link)).isTrue();
        assertThat(Files.readString(real)).isEqualTo("new");
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(real))).isEqualTo("rw-r-----");
        Path plain = Files.createFile(folder.resolve("plain"));
        SafeFile.write(folder.resolve("fresh"), new byte[1]);
        assertThat(Files.getPosixFilePermissions(folder.resolve("fresh"))).as("the usual mode of the folder").isEqualTo(Files.getPosixFilePermissions(plain));
    }

    @Test
    void anOlderFileIsReplacedWhole() throws Exception {
        Path f = folder.resolve("a.txt");
        SafeFile.write(f, "old, and rather long".getBytes(StandardCharsets.UTF_8));
        SafeFile.write(f, "new".getBytes(StandardCharsets.UTF_8));

        assertThat(Files.readString(f)).isEqualTo("new");
        try (Stream<Path> left = Files.list(folder)) {
            assertThat(left).as("nothing is left beside it").hasSize(1);
        }
    }
}
