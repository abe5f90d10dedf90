package stillglass.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Instruments;
import stillglass.grade.DepthReading;
import stillglass.optics.Lenses;
import stillglass.optics.misassembly.LensFault;

class GlassWordsTest {
    private static Reading read(String line, Optional<String> finding) {
        return new Shorthand(Instruments.small(), Optional.empty(), false, Instant.EPOCH).with(Lenses.triplet(), finding).read(line);
    }

    private static Intent one(String line) {
        assertThat(read(line, Optional.of("p1#1"))).isInstanceOf(Reading.Understood.class);
        return ((Reading.Understood) read(line, Optional.of("p1#1"))).intents().getFirst();
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {
        "E1 reversed; reverse:E1", "e1 is turned round; reverse:E1", "E2 reversed; reverse:E2+E3", "E2+E3 wrong way round; reverse:E2+E3",
        "E1 and E3 swapped; swap:E1,E2+E3", "E1, E2+E3 swapped; swap:E1,E2+E3", "gap 2 -0.3; gap:2:-0.3", "gap 2 ,5 mm; gap:2:0.5",
        "E1 not seated 0.2, 0.5°; unseated:E1:0.2:0.5:12.0", "e1 is not seated; unseated:E1:0.1:0.0:12.0",
        "E1 not seated 0.1 mm, 1°, 3 o'clock; unseated:E1:0.1:1.0:3.0", "fault spacer-missing:2; spacer-missing:2", "fault reverse:e1; reverse:E1"})
    void saysHowTheGlassWasFound(String line, String shortForm) {
        assertThat(one(line)).isEqualTo(new Intent.FindAssembled(shortForm));
        assertThat(LensFault.parse(shortForm).shortForm()).isEqualTo(shortForm);
    }

    @Test
    void asDesignedTakesItAllBack() {
        assertThat(one("as designed")).isEqualTo(new Intent.AssembledRight());
    }

    @Test
    void depthsAreReadWithTheirErrors() {
        assertThat(one("focus 12.4 ±0.3")).isEqualTo(new Intent.ReadDepth("p1#1", DepthReading.focus(false, 12.4, 0.3)));
        assertThat(one("focus 3,2 mm +-0.1 rear")).isEqualTo(new Intent.ReadDepth("p1#1", DepthReading.focus(true, 3.2, 0.1)));
        assertThat(one("parallax 10° 1.8 ±0.2")).isEqualTo(new Intent.ReadDepth("p1#1", DepthReading.parallax(false, 10, 1.8, 0.2)));
        assertThat(((Intent.ReadDepth) one("parallax 10 deg 1.8 from the rear")).reading().fromRear()).isTrue();
        assertThat(((Intent.ReadDepth) one("focus 5")).reading().sigmaMm()).as("a usual error where none is stated").isPositive();
    }

    @Test
    void aDepthWithoutAFindingInHandAsksForOne() {
        assertThat(read("focus 3", Optional.empty())).isInstanceOf(Reading.NotYet.class)
                .extracting(r -> ((Reading.NotYet) r).hint()).asString().contains("Choose one in Look");
    }

    @ParameterizedTest
    @ValueSource(strings = {"E9 reversed", "gap 77 +1", "parallax 80° 2", "fault turn:E1", "E1 and E1 swapped", "fault spacer-missing:1"})
    void whatThisLensCannotHaveIsExplained(String line) {
        assertThat(read(line, Optional.of("p1#1"))).isInstanceOf(Reading.NotYet.class);
        assertThat(((Reading.NotYet) read(line, Optional.of("p1#1"))).hint()).isNotBlank();
    }

    @Test
    void whatWasFoundStaysUntilItIsPutRight() {
        Story story = Story.begun().accept(new Intent.FindAssembled("reverse:E1"));

        assertThat(story.state().assembly()).containsExactly("reverse:E1");
        assertThat(story.decide(new Intent.FindAssembled("reverse:E1"))).isInstanceOf(Decision.Refused.class);
        assertThat(story.decide(new Intent.FindAssembled("reverse:E7"))).isInstanceOf(Decision.Refused.class);
        assertThat(story.accept(new Intent.AssembledRight()).state().assembly()).isEmpty();
        assertThat(story.state().assemblyFound()).as("the report still tells of it").containsExactly("reverse:E1");
        assertThat(story.accept(new Intent.Undo()).state().assembly()).as("undo takes the putting right back").containsExactly("reverse:E1");
        assertThat(Story.begun().decide(new Intent.AssembledRight())).isInstanceOf(Decision.Refused.class);
    }

    @Test
    void anyGlassNamedBesideCementMeansItsGroup() {
        assertThat(((Reading.Understood) read("E3 reversed", Optional.empty())).say()).isEqualTo("as found: E2 and E3 reversed");
        assertThat(List.of(one("E3 reversed"))).containsExactly(new Intent.FindAssembled("reverse:E2+E3"));
    }
}
