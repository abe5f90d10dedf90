package stillglass.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ShopTeachingTest {
    private static Finding read(FindingKind kind, Map<FindingKind, Double> chances) {
        return new Finding(kind, chances.getOrDefault(kind, 1.0), List.of(), 0.01, 1, 0, 0, 0.1, 1, List.of(), chances, 0);
    }

    private static final ShopTeaching OIL_IS_HAZE = new ShopTeaching(Map.of(FindingKind.OIL, Map.of(FindingKind.HAZE, 20, FindingKind.OIL, 2), FindingKind.DUST, Map.of(FindingKind.DUST, 10)));

    @Test
    void whatWasAlwaysCorrectedIsToldAsItWasCorrected() {
        Finding told = OIL_IS_HAZE.taught(read(FindingKind.OIL, Map.of(FindingKind.OIL, 0.8, FindingKind.DUST, 0.2)));
        assertThat(told.kind()).isEqualTo(FindingKind.HAZE);
        // 0.8 × 20 of 22 + 8.
        assertThat(told.confidence()).isCloseTo(0.8 * 20 / 30, within(1e-9));
        assertThat(told.chances().values().stream().mapToDouble(v -> v).sum()).isCloseTo(1, within(1e-9));
        assertThat(ShopTeaching.read(told, told.kind())).isEqualTo(FindingKind.OIL);
        assertThat(ShopTeaching.read(told.withKind(FindingKind.FUNGUS), FindingKind.HAZE)).as("corrected again: it was still read as oil").isEqualTo(FindingKind.OIL);
    }

    @Test
    void kindsNobodyCorrectedStayAsTheyWereRead() {
        Finding fungus = read(FindingKind.FUNGUS, Map.of(FindingKind.FUNGUS, 0.9, FindingKind.SCRATCH, 0.1));
        Finding told = OIL_IS_HAZE.taught(fungus);
        assertThat(told.kind()).isEqualTo(FindingKind.FUNGUS);
        assertThat(told.confidence()).isCloseTo(0.9, within(1e-9));
        assertThat(ShopTeaching.NONE.taught(fungus)).isSameAs(fungus);
    }

    @Test
    void whatWasTooUnsureToBeNamedIsNotNamedByTeaching() {
        Finding unsure = new Finding(FindingKind.UNKNOWN, 0.7, List.of(), 0.01, 1, 0, 0, 0.1, 1, List.of(), Map.of(FindingKind.OIL, 0.4, FindingKind.BUBBLE, 0.3, FindingKind.UNKNOWN, 0.3), 0);
        Finding told = OIL_IS_HAZE.taught(unsure);
        assertThat(told.kind()).isEqualTo(FindingKind.UNKNOWN);
        assertThat(told.confidence()).isEqualTo(0.7);
        assertThat(told.chances().getOrDefault(FindingKind.HAZE, 0.0)).as("what it may be follows").isGreaterThan(0.2);
    }

    @Test
    void whatMostlyWasNothingStaysAndIsLessSure() {
        ShopTeaching reflections = new ShopTeaching(Map.of(FindingKind.BUBBLE, Map.of(FindingKind.UNKNOWN, 30)));
        Finding told = reflections.taught(read(FindingKind.BUBBLE, Map.of(FindingKind.BUBBLE, 1.0)));
        assertThat(told.kind()).isEqualTo(FindingKind.BUBBLE);
        assertThat(told.confidence()).isCloseTo(8.0 / 38, within(1e-9));
    }

    @Test
    void howMuchItHelpsIsToldWithEveryFindingLeftOutInTurn() {
        ShopTeaching.Help help = OIL_IS_HAZE.help();
        assertThat(help.findings()).isEqualTo(32);
        assertThat(help.before()).isCloseTo(12.0 / 32, within(1e-9));
        assertThat(help.after()).isCloseTo(30.0 / 32, within(1e-9));
        assertThat(help.worth()).isTrue();
        // Eight of nine corrections are as many as are taken for granted: with one left out they do not outweigh them.
        assertThat(new ShopTeaching(Map.of(FindingKind.OIL, Map.of(FindingKind.HAZE, 9))).help().after()).isZero();
        assertThat(ShopTeaching.NONE.help().worth()).isFalse();
    }

    /// A camera that takes half of all haze for oil: findings drawn from it, taught by the first half, are told rightly more often in the second, and as often as they say.
    @Test
    void aBiasOfTheCameraIsUnlearned() {
        Random random = new Random(11);
        FindingKind[] kinds = {FindingKind.DUST, FindingKind.HAZE, FindingKind.OIL, FindingKind.COATING};
        Map<FindingKind, Map<FindingKind, Integer>> counts = new EnumMap<>(FindingKind.class);
        int[] right = new int[2];
        double claimed = 0;
        int n = 2000;
        for (int i = 0; i < 2 * n; i++) {
            // Oil is rare here.
            FindingKind truth = random.nextInt(10) == 0 ? FindingKind.OIL : kinds[random.nextInt(2)];
            FindingKind as = truth == FindingKind.HAZE && random.nextBoolean() ? FindingKind.OIL : truth;
            if (i < n) {
                counts.computeIfAbsent(as, k -> new EnumMap<>(FindingKind.class)).merge(truth, 1, Integer::sum);
            } else {
                Finding told = new ShopTeaching(counts).taught(read(as, Map.of(as, 1.0)));
                right[0] += as == truth ? 1 : 0;
                right[1] += told.kind() == truth ? 1 : 0;
                claimed += told.confidence();
            }
        }
        assertThat(right[1]).isGreaterThan(right[0] + n / 20);
        assertThat(claimed / n).isCloseTo(right[1] / (double) n, within(0.03));
    }

    @Test
    void negativeCountsAreRefused() {
        assertThatThrownBy(() -> new ShopTeaching(Map.of(FindingKind.OIL, Map.of(FindingKind.OIL, -1)))).isInstanceOf(IllegalArgumentException.class);
    }
}
