package stillglass.app.theme;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class CommandKeyTest {
    @Test
    void theCommandKeyIsCalledAsTheSystemCallsIt() {
        assertThat(Words.forSystem("Ctrl Z   Ctrl Shift Z", true)).isEqualTo("Cmd Z   Cmd Shift Z");
        assertThat(Words.forSystem("Ctrl Z", false)).isEqualTo("Ctrl Z");
        assertThat(Words.forSystem("nothing of the kind", true)).isEqualTo("nothing of the kind");
    }
}
