package stillglass.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TwoLampsTest {
    private static Finding oil(double chance) {
        Map<FindingKind, Double> chances = Map.of(FindingKind.OIL, chance, FindingKind.SEPARATION, (1 - chance) / 3, FindingKind.UNKNOWN, 2 * (1 - chance) / 3);
        return new Finding(FindingKind.OIL, chance, List.of(), 0.01, 1, 0.1, 0.2, 0.3, 2, List.of(), chances, 1);
    }

    private static double sum(Finding f) {
        return f.chances().values().stream().mapToDouble(p -> p).sum();
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.41, 0.6, 0.75, 0.9, 0.99})
    void whatStandsAtBothIsSurerAndWhatStandsAtOneLessSo(double chance) {
        Finding both = TwoLamps.seen(oil(chance), true);
        Finding one = TwoLamps.seen(oil(chance), false);
        assertThat(both.kind()).isEqualTo(FindingKind.OIL);
        assertThat(both.confidence()).isBetween(chance, 1.0);
        assertThat(one.chances().get(FindingKind.OIL)).isLessThan(chance);
        assertThat(one.chances().get(FindingKind.UNKNOWN)).as("what it loses is nothing at all").isGreaterThan(oil(chance).chances().get(FindingKind.UNKNOWN));
        assertThat(one.chances().get(FindingKind.SEPARATION)).isLessThanOrEqualTo(oil(chance).chances().get(FindingKind.SEPARATION));
        assertThat(sum(both)).isCloseTo(1, within(1e-9));
        assertThat(sum(one)).isCloseTo(1, within(1e-9));
        assertThat(one.severity()).as("how severe it is, is another question").isEqualTo(2);
    }

    /// What one photo was all but certain of stays named, the rest is told as what it may be.
    @Test
    void onlyWhatOnePhotoWasSureOfKeepsItsName() {
        assertThat(TwoLamps.seen(oil(0.9), false).kind()).isEqualTo(FindingKind.OIL);
        Finding faint = TwoLamps.seen(oil(0.7), false);
        assertThat(faint.kind()).isEqualTo(FindingKind.UNKNOWN);
        assertThat(faint.confidence()).as("that it is a fault at all").isCloseTo(1 - faint.chances().get(FindingKind.UNKNOWN), within(1e-9));
        assertThat(TwoLamps.seen(oil(1), false).confidence()).isBetween(0.9, 1.0);
    }

    @Test
    void whatWasDrawnByHandIsNobodysGuess() {
        Finding drawn = new Finding(FindingKind.OIL, 1, List.of(), 0.01, 1, 0.1, 0.2, 0.3, 2, List.of(), Map.of(), 1);
        assertThat(TwoLamps.seen(drawn, false)).isEqualTo(drawn);
    }
}
