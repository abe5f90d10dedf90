package stillglass.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ShopTeachingTest {
    private static Finding read(FindingKind kind, Map<FindingKind, Double> chances) {
        return new Finding(kind, chances.getOrDefault(kind, 1.0), List.of(), 0.01, 1, 0, 0, 0.1, 1, List.of(), chances, 0);
    }

    private static final ShopTeaching.Taken ANY = ShopTeaching.Taken.UNKNOWN;
    private static final ShopTeaching.Taken PHONE = ShopTeaching.Taken.with(Optional.of("Pellam P1"), Lighting.AGAINST);
    private static final ShopTeaching.Taken CAMERA = ShopTeaching.Taken.with(Optional.of("Corvane 7"), Lighting.AGAINST);

    private static ShopTeaching.Judged judged(ShopTeaching.Taken taken, FindingKind read, FindingKind truth, int times) {
        return new ShopTeaching.Judged(taken, read, truth, times);
    }

    private static ShopTeaching kinds(ShopTeaching.Judged... all) {
        return new ShopTeaching(List.of(all), List.of());
    }

    private static final ShopTeaching OIL_IS_HAZE = kinds(judged(ANY, FindingKind.OIL, FindingKind.HAZE, 20), judged(ANY, FindingKind.OIL, FindingKind.OIL, 2), judged(ANY, FindingKind.DUST, FindingKind.DUST, 10));

    @Test
    void whatWasAlwaysCorrectedIsToldAsItWasCorrected() {
        Finding told = OIL_IS_HAZE.taught(read(FindingKind.OIL, Map.of(FindingKind.OIL, 0.8, FindingKind.DUST, 0.2)), ANY);
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
        Finding told = OIL_IS_HAZE.taught(fungus, ANY);
        assertThat(told.kind()).isEqualTo(FindingKind.FUNGUS);
        assertThat(told.confidence()).isCloseTo(0.9, within(1e-9));
        assertThat(ShopTeaching.NONE.taught(fungus, ANY)).isSameAs(fungus);
    }

    @Test
    void whatWasTooUnsureToBeNamedIsNotNamedByTeaching() {
        Finding unsure = new Finding(FindingKind.UNKNOWN, 0.7, List.of(), 0.01, 1, 0, 0, 0.1, 1, List.of(), Map.of(FindingKind.OIL, 0.4, FindingKind.BUBBLE, 0.3, FindingKind.UNKNOWN, 0.3), 0);
        Finding told = OIL_IS_HAZE.taught(unsure, ANY);
        assertThat(told.kind()).isEqualTo(FindingKind.UNKNOWN);
        assertThat(told.confidence()).isEqualTo(0.7);
        assertThat(told.chances().getOrDefault(FindingKind.HAZE, 0.0)).as("what it may be follows").isGreaterThan(0.2);
    }

    @Test
    void whatMostlyWasNothingStaysAndIsLessSure() {
        ShopTeaching reflections = kinds(judged(ANY, FindingKind.BUBBLE, FindingKind.UNKNOWN, 30));
        Finding told = reflections.taught(read(FindingKind.BUBBLE, Map.of(FindingKind.BUBBLE, 1.0)), ANY);
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
        assertThat(kinds(judged(ANY, FindingKind.OIL, FindingKind.HAZE, 9)).help().after()).isZero();
        assertThat(ShopTeaching.NONE.help().worth()).isFalse();
    }

    /// A camera that takes half of all haze for oil, and another that does not: findings drawn from both, taught by the first half, are told rightly more often in the second, and as often as they say.
    @Test
    void aBiasOfOneCameraIsUnlearnedAndNotLaidToTheOther() {
        Random random = new Random(11);
        List<ShopTeaching.Judged> counts = new ArrayList<>();
        int[] right = new int[2];
        int[] others = new int[2];
        double claimed = 0;
        int n = 1000;
        for (int i = 0; i < 4 * n; i++) {
            boolean phone = i % 2 == 0;
            // Oil is rare here.
            FindingKind truth = random.nextInt(10) == 0 ? FindingKind.OIL : random.nextBoolean() ? FindingKind.DUST : FindingKind.HAZE;
            FindingKind as = phone && truth == FindingKind.HAZE && random.nextBoolean() ? FindingKind.OIL : truth;
            if (i < 2 * n) {
                counts.add(judged(phone ? PHONE : CAMERA, as, truth, 1));
            } else {
                int[] of = phone ? right : others;
                Finding told = summed(counts).taught(read(as, Map.of(as, 1.0)), phone ? PHONE : CAMERA);
                of[0] += as == truth ? 1 : 0;
                of[1] += told.kind() == truth ? 1 : 0;
                claimed += told.confidence();
            }
        }
        assertThat(right[1]).isGreaterThan(right[0] + n / 10);
        assertThat(others[1]).as("oil by the other camera stays oil").isEqualTo(others[0]).isEqualTo(n);
        assertThat(claimed / (2 * n)).isCloseTo((right[1] + others[1]) / (2.0 * n), within(0.03));
    }

    private static ShopTeaching summed(List<ShopTeaching.Judged> all) {
        Map<ShopTeaching.Judged, Integer> sum = new LinkedHashMap<>();
        all.forEach(j -> sum.merge(j, 1, Integer::sum));
        return new ShopTeaching(sum.entrySet().stream().map(e -> judged(e.getKey().taken(), e.getKey().read(), e.getKey().truth(), e.getValue())).toList(), List.of());
    }

    /// By hand: the phone's own 6 of 6 beside 8 shared out as the camera's 0 of 4 beside 8 that were right.
    @Test
    void aNewCameraBeginsWithWhatTheShopKnows() {
        ShopTeaching t = kinds(judged(CAMERA, FindingKind.OIL, FindingKind.HAZE, 12), judged(PHONE, FindingKind.OIL, FindingKind.OIL, 6));
        Map<FindingKind, Double> oil = Map.of(FindingKind.OIL, 1.0);
        assertThat(t.chances(oil, PHONE)).hasEntrySatisfying(FindingKind.HAZE, p -> assertThat(p).isCloseTo(8 * 12 / 20.0 / 14, within(1e-12)));
        assertThat(t.chances(oil, CAMERA)).hasEntrySatisfying(FindingKind.HAZE, p -> assertThat(p).isCloseTo(12.0 / 20, within(1e-12)));
        // A camera nobody knows is no camera's twin: all that were judged speak.
        assertThat(t.chances(oil, ANY)).hasEntrySatisfying(FindingKind.HAZE, p -> assertThat(p).isCloseTo(12.0 / 26, within(1e-12)));
        assertThat(ShopTeaching.Taken.with(Optional.of("  "), Lighting.BRIGHT)).isEqualTo(ANY);
        assertThat(ShopTeaching.Taken.with(Optional.of("Pellam P1"), Lighting.BRIGHT)).isNotEqualTo(PHONE);
    }

    private static ShopTeaching.Severe severe(ShopTeaching.Taken taken, int read, int said, int times) {
        return new ShopTeaching.Severe(taken, FindingKind.FUNGUS, read, said, times);
    }

    @Test
    void severityIsShiftedByWhatWasSaidAndCanBeTakenAway() {
        Finding slight = read(FindingKind.FUNGUS, Map.of(FindingKind.FUNGUS, 1.0)).severe(2);
        // Twelve of sixteen one step up: 12 / (16 + 8) is half a step, which is none yet; sixteen of sixteen is two thirds.
        assertThat(new ShopTeaching(List.of(), List.of(severe(PHONE, 1, 2, 12), severe(PHONE, 2, 2, 4))).taught(slight, PHONE).severity()).isEqualTo(2);
        ShopTeaching shifted = new ShopTeaching(List.of(), List.of(severe(PHONE, 1, 2, 12), severe(PHONE, 2, 3, 4)));
        Finding told = shifted.taught(slight, PHONE);
        assertThat(told.severity()).isEqualTo(3);
        assertThat(ShopTeaching.severity(told, told.severity())).as("as read").isEqualTo(2);
        assertThat(ShopTeaching.severity(slight, 2)).isEqualTo(2);
        assertThat(shifted.taught(slight.severe(4), PHONE).severity()).as("there is no more").isEqualTo(4);
        assertThat(shifted.taught(read(FindingKind.OIL, Map.of()).severe(2), PHONE).severity()).as("another kind").isEqualTo(2);
        // Of the other camera's it is worth eight findings shared out as the phone's: 8 · 16/24 / 8.
        assertThat(shifted.taught(slight, CAMERA).severity()).isEqualTo(3);
        ShopTeaching own = shifted.and(new ShopTeaching(List.of(), List.of(severe(CAMERA, 2, 2, 8))));
        assertThat(own.taught(slight, CAMERA).severity()).as("its own say nothing is to be shifted").isEqualTo(2);
    }

    @Test
    void whatSeveritiesBringIsToldWithEachLeftOutAndOnlyUsedWhereItHelps() {
        ShopTeaching up = new ShopTeaching(List.of(), List.of(severe(PHONE, 1, 2, 14), severe(PHONE, 2, 2, 3)));
        assertThat(up.severityHelp()).isEqualTo(new ShopTeaching.Help(17, 3 / 17.0, 14 / 17.0));
        assertThat(up.worthUsing().severities()).isEqualTo(up.severities());
        // Nine of nine: with one left out eight of sixteen are half a step, which is none yet.
        assertThat(new ShopTeaching(List.of(), List.of(severe(PHONE, 1, 2, 9))).severityHelp().after()).isZero();
        ShopTeaching either = new ShopTeaching(List.of(), List.of(severe(PHONE, 2, 3, 6), severe(PHONE, 2, 1, 6), severe(PHONE, 2, 2, 6)));
        assertThat(either.severityHelp().worth()).isFalse();
        assertThat(either.worthUsing().severities()).isEmpty();
        assertThatThrownBy(() -> severe(PHONE, 2, 5, 1)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("5");
    }

    @Test
    void negativeCountsAreRefused() {
        assertThatThrownBy(() -> judged(ANY, FindingKind.OIL, FindingKind.OIL, -1)).isInstanceOf(IllegalArgumentException.class);
    }
}
