package stillglass.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import stillglass.app.theme.Words;
import stillglass.ticket.story.Stage;

class KeysSheetTest {
    private static List<String> keys(Optional<Stage> stage) {
        return KeysSheet.groups(stage).stream().flatMap(g -> g.keys().stream()).toList();
    }

    @ParameterizedTest
    @EnumSource(Stage.class)
    void theKeysOfTheStageComeFirstAndNoneIsLostOrTwice(Stage stage) {
        List<String> all = keys(Optional.of(stage));
        assertThat(all).doesNotHaveDuplicates();
        Set<String> any = new HashSet<>(keys(Optional.empty()));
        assertThat(new HashSet<>(all)).isEqualTo(any);
        assertThat(all).allSatisfy(k -> assertThat(Words.of("keys." + k + ".does")).isNotBlank());
        if (stage == Stage.OPEN) {
            assertThat(KeysSheet.groups(Optional.of(stage)).getFirst().keys()).startsWith("open");
            assertThat(KeysSheet.groups(Optional.of(stage)).getFirst().heading()).contains("Open");
        }
    }

    @Test
    void withoutATicketThoseThatWorkEverywhereComeFirst() {
        assertThat(keys(Optional.empty())).startsWith("stages", "say");
    }
}
