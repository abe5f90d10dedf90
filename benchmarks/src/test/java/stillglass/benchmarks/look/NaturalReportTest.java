package stillglass.benchmarks.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.look.kinds.KindModel;

/// The report on photographs of other things counts what was refused and says what could not be read.
class NaturalReportTest {
    @TempDir
    private Path folder;

    @Test
    void photographsAreCountedAndOtherFilesNamed() throws IOException {
        ImageIO.write(NotLenses.pictures(3).get("a wall"), "png", folder.resolve("wall.png").toFile());
        ImageIO.write(NotLenses.others(3).get("a clock"), "png", folder.resolve("clock.png").toFile());
        Files.writeString(folder.resolve("notes.txt"), "no photograph");
        String report = NaturalReport.report(folder, KindModel.shipped());

        assertThat(report.lines()).as("head, two rows a photograph, one for the notes, two for all").hasSize(2 + 4 + 1 + 2);
        assertThat(report).contains("| wall.png | 1 of 1 | – | no round glass edge").contains("| clock.png | 0 of 1 |").contains("| notes.txt | | | no photograph that can be read |").contains("| **all as they are** | 1 of 2 |")
                .containsPattern("\\*\\*all quarters\\*\\* \\| \\d of 8 \\|");
    }

    @Test
    void anEmptyFolderIsToldAsOne() throws IOException {
        assertThat(NaturalReport.report(folder, KindModel.shipped())).endsWith("| **all quarters** | 0 of 0 | – | – |\n");
    }
}
