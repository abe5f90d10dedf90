package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.Logger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.app.desk.Threads;

class PlacesTest {
    @TempDir
    Path home;

    private Places of(String system, Map<String, String> environment) {
        return Places.of(system, home.toString(), environment);
    }

    @Test
    void eachSystemHasItsOwnPlace() {
        assertThat(of("Linux", Map.of())).isEqualTo(new Places(home.resolve(".local/share/still-glass"), home.resolve(".local/state/still-glass")));
        assertThat(of("Linux", Map.of("XDG_DATA_HOME", "/data", "XDG_STATE_HOME", "/state"))).isEqualTo(new Places(Path.of("/data/still-glass"), Path.of("/state/still-glass")));
        assertThat(of("Linux", Map.of("XDG_DATA_HOME", "relative/is/passed/over")).data()).isEqualTo(home.resolve(".local/share/still-glass"));
        assertThat(of("Mac OS X", Map.of("XDG_DATA_HOME", "/data"))).isEqualTo(new Places(home.resolve("Library/Application Support/Still Glass"), home.resolve("Library/Logs/Still Glass")));
        assertThat(of("Windows 11", Map.of("APPDATA", home + "/r", "LOCALAPPDATA", home + "/l"))).isEqualTo(new Places(home.resolve("r/Still Glass"), home.resolve("l/Still Glass/Logs")));
        assertThat(of("Windows 11", Map.of()).data()).isEqualTo(home.resolve("AppData/Roaming/Still Glass"));
    }

    @Test
    void aBookBegunElsewhereByAnEarlierVersionStaysWhereItIs() throws Exception {
        Places mac = of("Mac OS X", Map.of());
        assertThat(mac.book(home.toString())).isEqualTo(home.resolve("Library/Application Support/Still Glass/logbook.sqlite"));
        Path old = home.resolve(".local/share/still-glass/logbook.sqlite");
        Files.createDirectories(old.getParent());
        Files.createFile(old);
        assertThat(mac.book(home.toString())).isEqualTo(old);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "?", "/no/such/home"})
    void withoutAHomeFolderTheBookMustBeNamed(String none) {
        assertThatThrownBy(() -> Places.of("Linux", none, Map.of())).isInstanceOf(IllegalArgumentException.class).hasMessageStartingWith("--book: there is no home folder");
    }

    @Test
    void whatNobodyExpectedIsWrittenToAFileMadeOnlyThenAndSaidInASentence() throws Exception {
        Logger root = Logger.getLogger("");
        Handler[] before = root.getHandlers();
        Level level = root.getLevel();
        try {
            Path folder = LogFile.into(home.resolve("state"));
            assertThat(folder).doesNotExist();
            Threads.writtenTo(folder);
            Logger.getLogger("org.library").warning("chatter");
            assertThat(folder).doesNotExist();
            String sentence = Threads.unexpected(new IllegalStateException("spring\nflew"));
            assertThat(sentence).contains("spring flew").contains(folder.toString()).contains("safe");
            assertThat(sentence.lines()).hasSize(1);
            for (Handler h : root.getHandlers()) {
                h.close();
            }
            assertThat(Files.readString(folder.resolve("still-glass-0.log"))).contains("IllegalStateException").contains("PlacesTest");
        } finally {
            for (Handler h : root.getHandlers()) {
                root.removeHandler(h);
            }
            for (Handler h : before) {
                root.addHandler(h);
            }
            root.setLevel(level);
        }
    }
}
