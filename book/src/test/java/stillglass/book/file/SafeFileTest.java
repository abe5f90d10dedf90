package stillglass.book.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.book.BadInput;

class SafeFileTest {
    @TempDir
    Path folder;

    @Test
    void aFolderThatIsMissingIsSaid() {
        assertThatThrownBy(() -> SafeFile.write(folder.resolve("no").resolve("where.pdf"), new byte[3])).isInstanceOf(BadInput.class).hasMessageContaining("no folder");
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
