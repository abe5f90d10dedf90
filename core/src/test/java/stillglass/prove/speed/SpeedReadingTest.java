package stillglass.prove.speed;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.say.Wording;

/// Shutters as rules of thumb have them, which share no physics with those the patterns were learned on: an exposure is the time of the ring, and the time that the retard adds.
class SpeedReadingTest {
    private static final double[] NEW_SERIES = {1, 1 / 2.0, 1 / 4.0, 1 / 8.0, 1 / 15.0, 1 / 30.0, 1 / 60.0, 1 / 125.0, 1 / 250.0, 1 / 500.0};
    private static final List<SpeedFault> SHOWN = Arrays.stream(SpeedFault.values()).filter(SpeedFault::inSpeeds).toList();
    private static final double[] OLD_SERIES = {1, 1 / 2.0, 1 / 5.0, 1 / 10.0, 1 / 25.0, 1 / 50.0, 1 / 100.0, 1 / 250.0};

    private static List<SpeedReading.Point> shutter(double[] series, SpeedFault fault, double a, Random random) {
        double ring = series[series.length - 1];
        int off = random.nextInt(series.length);
        List<SpeedReading.Point> out = new ArrayList<>();
        for (int i = 0; i < series.length; i++) {
            double n = series[i];
            double retard = n - ring;
            boolean pallet = n > 0.09;
            double t = switch (fault) {
                case NONE, ONE_SPEED, B_CATCH, TIMER_STANDS, TIMER_STAYS, COCK_CATCH -> n;
                case GUM -> ring * (1 + a) + retard * (1 + 0.35 * a * Math.pow(ring / n, 0.3));
                case ESCAPEMENT -> ring + retard * (1 + (pallet ? 0.8 : 0.35) * a);
                case WEAK_SPRING -> n * (1 + 0.6 * a);
                case RETARD_LATE -> ring + retard * (1 - 0.5 * a);
                case BLADES -> n + 0.5 * a * ring;
                case STRONG_SPRING -> n * (1 - 0.3 * a);
            };
            double ev = Math.log(t / n) / Math.log(2) + 0.05 * random.nextGaussian() + (fault == SpeedFault.ONE_SPEED && i == off ? (random.nextBoolean() ? 1 : -1) * (0.4 + 0.6 * a) : 0);
            out.add(new SpeedReading.Point(n, ev, 0.03));
        }
        return out;
    }

    @Test
    void patternsAreReadOnShuttersOfOtherRules() {
        Random random = new Random(8);
        Map<SpeedFault, int[]> right = new EnumMap<>(SpeedFault.class);
        int each = 60;
        for (SpeedFault f : SHOWN) {
            int[] r = right.computeIfAbsent(f, k -> new int[2]);
            for (int i = 0; i < each; i++) {
                List<SpeedReading.Likely> ranked = SpeedReading.of(shutter(i % 2 == 0 ? NEW_SERIES : OLD_SERIES, f, random.nextDouble(0.4, 1.2), random), SpeedModelText.shipped()).ranked();
                r[0] += ranked.getFirst().fault() == f ? 1 : 0;
                r[1] += ranked.stream().limit(3).anyMatch(l -> l.fault() == f) ? 1 : 0;
            }
        }
        double first = right.values().stream().mapToInt(r -> r[0]).sum() / (double) (each * right.size());
        double three = right.values().stream().mapToInt(r -> r[1]).sum() / (double) (each * right.size());
        String all = right.entrySet().stream().map(e -> e.getKey() + " " + e.getValue()[0] + "/" + e.getValue()[1]).toList().toString();
        assertThat(first).as(all).isGreaterThan(0.7);
        assertThat(three).as(all).isGreaterThan(0.92);
        assertThat(right.get(SpeedFault.NONE)[0]).as("a good shutter is called good").isGreaterThan(each * 85 / 100);
    }

    /// What is claimed of the first is as often right, with all speeds and with slow ones alone: shutters drawn as often as they are met.
    @ParameterizedTest
    @ValueSource(ints = {10, 4})
    void claimedIsRight(int speeds) {
        Random random = new Random(11);
        double claimed = 0;
        double right = 0;
        double all = 0;
        for (SpeedFault f : SHOWN) {
            for (int i = 0; i < 80; i++) {
                List<SpeedReading.Point> points = shutter(NEW_SERIES, f, random.nextDouble(0.1, 1.2), random).subList(0, speeds);
                SpeedReading.Likely first = SpeedReading.of(points, SpeedModelText.shipped()).ranked().getFirst();
                claimed += f.prior() * first.probability();
                right += f.prior() * (first.fault() == f ? 1 : 0);
                all += f.prior();
            }
        }
        assertThat(claimed / all).as("claimed, right is %.2f", right / all).isLessThan(right / all + 0.07);
    }

    @Test
    void theExamplesOfTheTradeAreRead() {
        assertThat(first(new double[] {0.9, 0.9, 0.85, 0.8, 0.6, 0.4, 0.15, 0.05, 0, 0.1})).isEqualTo(SpeedFault.ESCAPEMENT);
        assertThat(first(new double[] {0, 0.02, -0.03, 0.05, 0.85, 0, 0.03, -0.05, 0.02, 0.1})).isEqualTo(SpeedFault.ONE_SPEED);
        assertThat(first(new double[] {-0.6, -0.62, -0.6, -0.6, -0.61, -0.58, -0.5, -0.3, -0.05, 0.1})).isEqualTo(SpeedFault.RETARD_LATE);
        assertThat(first(new double[] {0.02, 0, -0.04, 0.03, 0.05, -0.02, 0, 0.04, -0.03, 0.1})).isEqualTo(SpeedFault.NONE);
    }

    private static SpeedFault first(double[] ev) {
        List<SpeedReading.Point> points = new ArrayList<>();
        for (int i = 0; i < ev.length; i++) {
            points.add(new SpeedReading.Point(SpeedModel.nominal(i), ev[i], 0.03));
        }
        return SpeedReading.of(points, SpeedModelText.shipped()).ranked().getFirst().fault();
    }

    @Test
    void twoSpeedsTellNothingAndProbabilitiesAddUp() {
        List<SpeedReading.Point> two = List.of(new SpeedReading.Point(1, 0.9, 0.05), new SpeedReading.Point(0.5, 0.9, 0.05));
        for (SpeedReading.Likely l : SpeedReading.of(two, SpeedModelText.shipped()).ranked()) {
            assertThat(l.probability()).as(l.fault().name()).isCloseTo(l.fault().prior(), within(1e-9));
        }
        List<SpeedReading.Point> wide = List.of(new SpeedReading.Point(1, 0.9, 3), new SpeedReading.Point(0.5, 0.9, 3), new SpeedReading.Point(0.25, 0.9, 3));
        SpeedReading unsure = SpeedReading.of(wide, SpeedModelText.shipped());
        assertThat(unsure.ranked().stream().mapToDouble(SpeedReading.Likely::probability).sum()).isCloseTo(1, within(1e-9));
        assertThat(unsure.ranked().getFirst().probability()).as("figures that tell nothing leave it open").isLessThan(0.45);
    }

    /// Faults that no speed shows are told by what was tried, and only where it was.
    @Test
    void functionsThatWereTriedTellWhatSpeedsDoNot() {
        List<SpeedReading.Point> good = shutter(NEW_SERIES, SpeedFault.NONE, 0, new Random(3));
        assertThat(first(good, "B", "closes at once")).isEqualTo(SpeedFault.B_CATCH);
        assertThat(first(good, "self-timer", "does not start")).isEqualTo(SpeedFault.TIMER_STANDS);
        assertThat(first(good, "self-timer", "stops on the way")).isEqualTo(SpeedFault.TIMER_STAYS);
        assertThat(first(good, "cocking", "fires before it is cocked")).isEqualTo(SpeedFault.COCK_CATCH);
        assertThat(SpeedReading.of(good, SpeedModelText.shipped()).ranked()).extracting(SpeedReading.Likely::fault).doesNotContain(SpeedFault.B_CATCH, SpeedFault.TIMER_STANDS);
        // Without a speed the functions alone tell it.
        assertThat(first(List.of(), "B", "lets go")).isEqualTo(SpeedFault.B_CATCH);
        // A timer that stands in a shutter full of oil is the oil.
        assertThat(first(shutter(NEW_SERIES, SpeedFault.GUM, 1, new Random(4)), "self-timer", "slow")).isEqualTo(SpeedFault.GUM);
        assertThat(ShutterSign.of("B", "fine", true)).contains(ShutterSign.B_HOLDS);
        assertThat(ShutterSign.of("wind", "free", true)).isEmpty();
    }

    private static SpeedFault first(List<SpeedReading.Point> points, String function, String found) {
        return SpeedReading.of(points, SpeedModelText.shipped(), Set.of(ShutterSign.of(function, found, false).orElseThrow())).ranked().getFirst().fault();
    }

    @Test
    void aModelIsReadAsItWasPrinted() {
        SpeedModel shipped = SpeedModelText.shipped();
        assertThat(SpeedModelText.print(SpeedModelText.parse(SpeedModelText.print(shipped).lines().toList()))).isEqualTo(SpeedModelText.print(shipped));
        assertThat(shipped.bells()).hasSize(19);
    }

    @Test
    void everyFaultSaysWhatSettlesItAndWhatToReach() {
        for (SpeedFault f : SpeedFault.values()) {
            assertThat(Wording.core().say(f.said())).isNotBlank();
            assertThat(Wording.core().say(f.settles())).isNotBlank();
            assertThat(Wording.core().say(f.reach())).isNotBlank();
        }
    }
}
