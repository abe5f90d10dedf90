package stillglass.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SameFaultTest {
    @Test
    void oneFaultInTwoPhotosIsFound() {
        Finding first = Faults.round(FindingKind.FUNGUS, 0.5, 0.4, 0.2);
        Finding again = Faults.round(FindingKind.FUNGUS, 0.53, 0.38, 0.19);
        Finding other = Faults.round(FindingKind.FUNGUS, -0.5, 0.4, 0.2);

        assertThat(SameFault.in(List.of(other, again), first)).contains(again);
        assertThat(SameFault.in(List.of(other), first)).isEmpty();
    }

    @Test
    void anotherKindIsTheSameOnlyWhereAPhotoHeldItForPossible() {
        Finding oil = Faults.round(FindingKind.OIL, 0.3, 0, 0.2);
        Finding perhaps = Faults.round(FindingKind.SEPARATION, 0.31, 0, 0.2, 0.5, Map.of(FindingKind.SEPARATION, 0.5, FindingKind.OIL, 0.4));
        Finding surely = Faults.round(FindingKind.SEPARATION, 0.31, 0, 0.2, 0.99, Map.of(FindingKind.SEPARATION, 0.99, FindingKind.OIL, 0.01));

        assertThat(SameFault.same(oil, perhaps)).isTrue();
        assertThat(SameFault.same(oil, surely)).isFalse();
    }

    @Test
    void bothPhotosSpeakForTheKind() {
        Finding a = Faults.round(FindingKind.OIL, 0.3, 0, 0.2, 0.5, Map.of(FindingKind.OIL, 0.5, FindingKind.SEPARATION, 0.45));
        Finding b = Faults.round(FindingKind.SEPARATION, 0.3, 0, 0.2, 0.8, Map.of(FindingKind.OIL, 0.15, FindingKind.SEPARATION, 0.8));
        Finding both = SameFault.together(a, b);

        // Geometric means: oil sqrt(0.5*0.15), separation sqrt(0.45*0.8).
        assertThat(both.kind()).isEqualTo(FindingKind.SEPARATION);
        assertThat(both.chances().get(FindingKind.SEPARATION) / both.chances().get(FindingKind.OIL)).isCloseTo(Math.sqrt(0.36 / 0.075), within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"0,4.0", "1,7.5", "2,11.0"})
    void theSharpestSettingIsTheDepth(long seed, double truth) {
        SplittableRandom random = new SplittableRandom(seed);
        List<FocusStack.Sight> sights = java.util.stream.IntStream.range(0, 6).mapToObj(i -> {
            double z = 2 + 2.2 * i;
            double blur = Math.hypot(0.4, 0.35 * (z - truth));
            return new FocusStack.Sight(z, 1 / blur * Math.exp(0.05 * random.nextGaussian()));
        }).toList();
        FocusStack found = FocusStack.of(sights).orElseThrow();

        assertThat(found.depthMm()).as("seed %d", seed).isCloseTo(truth, within(3 * found.sigmaMm() + 0.2));
        assertThat(found.sigmaMm()).isLessThan(1.5);
    }

    @Test
    void withoutThreeSettingsOrAPeakNothingIsSaid() {
        assertThat(FocusStack.of(List.of(new FocusStack.Sight(1, 2), new FocusStack.Sight(5, 3)))).isEmpty();
        assertThat(FocusStack.of(List.of(new FocusStack.Sight(1, 2), new FocusStack.Sight(5, 2), new FocusStack.Sight(9, 2)))).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 12, 45, -90, 171})
    void aTurnBetweenTwoPhotosIsFoundAndTurnedBack(int turn) {
        List<Finding> before = List.of(Faults.round(FindingKind.FUNGUS, 0.6, 0.3, 0.15), Faults.round(FindingKind.SCRATCH, -0.2, 0.5, 0.1),
                Faults.round(FindingKind.CHIP, -0.9, -0.2, 0.06));
        List<Finding> after = before.stream().skip(1).map(f -> PhotoChange.turned(f, turn)).toList();
        PhotoChange c = PhotoChange.of(before, after);

        assertThat(Math.abs(Math.IEEEremainder(c.turnDeg() - turn, 360))).isLessThanOrEqualTo(3);
        assertThat(c.turnKnown()).isTrue();
        assertThat(c.changes()).extracting(PhotoChange.Change::outcome).containsExactly(PhotoChange.Change.Outcome.GONE,
                PhotoChange.Change.Outcome.ABOUT_THE_SAME, PhotoChange.Change.Outcome.ABOUT_THE_SAME);
    }

    @Test
    void lessIsOnlySaidBeyondTheError() {
        Finding before = Faults.round(FindingKind.OIL, 0.4, 0, 0.3);
        assertThat(PhotoChange.of(List.of(before), List.of(Faults.round(FindingKind.OIL, 0.4, 0, 0.1))).changes().getFirst().outcome())
                .isEqualTo(PhotoChange.Change.Outcome.LESS);
        assertThat(PhotoChange.of(List.of(before), List.of(Faults.round(FindingKind.OIL, 0.4, 0, 0.27))).changes().getFirst().outcome())
                .isEqualTo(PhotoChange.Change.Outcome.ABOUT_THE_SAME);
        PhotoChange clean = PhotoChange.of(List.of(before), List.of());
        assertThat(clean.changes().getFirst().outcome()).isEqualTo(PhotoChange.Change.Outcome.GONE);
        assertThat(clean.turnKnown()).as("nothing is left to turn by").isFalse();
        assertThat(PhotoChange.of(List.of(), List.of(before)).changes().getFirst().outcome()).isEqualTo(PhotoChange.Change.Outcome.NEW);
    }
}
