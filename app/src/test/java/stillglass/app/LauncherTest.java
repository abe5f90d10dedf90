package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import stillglass.book.BookTrouble;

class LauncherTest {
    @Test
    void whatKeepsTheWindowFromOpeningIsToldWithWhatToDo() {
        assertThat(Launcher.sentence(new UnsupportedOperationException("Unable to open DISPLAY"))).contains("does not answer", "unset it to open off-screen");
        assertThat(Launcher.sentence(new UnsupportedOperationException("Unable to load glass GTK library."))).contains("GTK 3 is missing", "libgtk-3-0");
        assertThat(Launcher.sentence(new BookTrouble("the logbook is locked"))).isEqualTo("the logbook is locked");
        assertThat(Launcher.sentence(new IllegalStateException("why"))).isEqualTo("the window could not open: java.lang.IllegalStateException: why");
    }
}
