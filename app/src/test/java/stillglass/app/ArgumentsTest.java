package stillglass.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import stillglass.ticket.story.Stage;

class ArgumentsTest {
    @Test
    void theDemoStandsInOpenUnlessAskedOtherwise() {
        assertThat(Arguments.parse("demo").at()).isEqualTo(Stage.OPEN);
        assertThat(Arguments.parse("demo", "--at", "prove", "--seconds", "5").at()).isEqualTo(Stage.PROVE);
        assertThat(Arguments.parse("demo", "--seconds", "5").seconds()).isEqualTo(OptionalInt.of(5));
        assertThat(Arguments.parse("run", "--book", "b.sqlite").path()).contains(Path.of("b.sqlite"));
        assertThat(Arguments.parse().verb()).isEqualTo("run");
    }

    @Test
    void whatItDoesNotKnowIsNamed() {
        assertThatThrownBy(() -> Arguments.parse("demo", "--at", "lunch")).hasMessageContaining("lunch").hasMessageContaining("arrive, look");
        assertThatThrownBy(() -> Arguments.parse("demo", "--at")).hasMessageContaining("--at: needs a value");
        assertThatThrownBy(() -> Arguments.parse("demo", "--seconds", "-3")).hasMessageContaining("not a positive number");
        assertThatThrownBy(() -> Arguments.parse("demo", "--seconds", "soon")).hasMessageContaining("soon");
        assertThatThrownBy(() -> Arguments.parse("demo", "--loud")).hasMessageContaining("--loud");
        assertThatThrownBy(() -> Arguments.parse("screenshots")).hasMessageContaining("folder");
    }
}
