package stillglass.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import stillglass.care.Flushing.Cycle;
import stillglass.care.Flushing.Verdict;

class FlushingTest {
    private static Cycle timed(double ms, Boolean shows) {
        return new Cycle(Optional.ofNullable(shows), Optional.of(ms));
    }

    private static Cycle seen(boolean shows) {
        return new Cycle(Optional.of(shows), Optional.empty());
    }

    /// 40 ms of the mechanism and 60 ms of oil of which each cycle leaves 0.6: the sixth cycle still gains 2.8 ms, the eighth one ms.
    private static List<Cycle> falling(int cycles, Boolean shows) {
        List<Cycle> all = new ArrayList<>();
        for (int n = 0; n < cycles; n++) {
            all.add(timed(40 + 60 * Math.pow(0.6, n), shows));
        }
        return all;
    }

    @Test
    void itGoesOnWhileItGetsQuickerAndStopsWhenItDoesNot() {
        assertThat(Flushing.of(falling(3, false)).verdict()).isEqualTo(Verdict.GO_ON);
        assertThat(Flushing.of(falling(5, false)).verdict()).isEqualTo(Verdict.GO_ON);
        Flushing done = Flushing.of(falling(9, false));
        assertThat(done.verdict()).isEqualTo(Verdict.DRY);
        assertThat(done.settledMs().orElseThrow()).isCloseTo(40, within(0.5));
        assertThat(done.gainMs().orElseThrow()).isCloseTo(60 * Math.pow(0.6, 8) * 0.4, within(0.1));
    }

    @Test
    void oilThatStillShowsAtTheEndComesFromElsewhereAndUnknownIsAsked() {
        assertThat(Flushing.of(falling(9, true)).verdict()).isEqualTo(Verdict.NO_BETTER);
        assertThat(Flushing.of(falling(9, null)).verdict()).isEqualTo(Verdict.LOOK);
    }

    /// One dry look may be luck; two are asked for.
    @Test
    void withoutTimesTwoDryCyclesInARowAreAskedFor() {
        assertThat(Flushing.of(List.of()).verdict()).isEqualTo(Verdict.GO_ON);
        assertThat(Flushing.of(List.of(seen(true), seen(false))).verdict()).isEqualTo(Verdict.GO_ON);
        assertThat(Flushing.of(List.of(seen(false), seen(true), seen(false))).verdict()).isEqualTo(Verdict.GO_ON);
        assertThat(Flushing.of(List.of(seen(true), seen(false), seen(false))).verdict()).isEqualTo(Verdict.DRY);
        assertThat(Flushing.of(List.of(seen(true), seen(false), new Cycle(Optional.empty(), Optional.empty()))).verdict()).isEqualTo(Verdict.GO_ON);
    }

    /// Times scatter by three per cent: what they come down to is found within a tenth in nine of ten, and it is not called done while much is to be gained.
    @Test
    void scatteredTimesStillTellWhatTheyComeDownTo() {
        SplittableRandom random = new SplittableRandom(17);
        int near = 0;
        int early = 0;
        for (int run = 0; run < 200; run++) {
            double settled = 20 + 60 * random.nextDouble();
            double oil = settled * (0.5 + 2 * random.nextDouble());
            double q = 0.3 + 0.4 * random.nextDouble();
            List<Cycle> all = new ArrayList<>();
            for (int n = 0; n < 10; n++) {
                double t = settled + oil * Math.pow(q, n);
                all.add(timed(t * (1 + 0.03 * random.nextGaussian()), false));
                if (n >= 2 && oil * Math.pow(q, n) * (1 - q) > 0.15 * t && Flushing.of(all).verdict() == Verdict.DRY) {
                    early++;
                }
            }
            near += Math.abs(Flushing.of(all).settledMs().orElseThrow() - settled) < 0.1 * settled ? 1 : 0;
        }
        assertThat(near).isGreaterThan(180);
        assertThat(early).isLessThan(4);
    }

    @Test
    void noMoreIsBroughtOnThanTheBladesHold() {
        // A ring of 40 to 20 mm has 942 mm²; gaps of 0.02 mm hold 18.8 µl.
        assertThat(Flushing.budgetMicrolitres(40, 20, 0.02)).isCloseTo(18.85, within(0.01));
        assertThatThrownBy(() -> Flushing.budgetMicrolitres(20, 40, 0.02)).hasMessageContaining("40");
        assertThatThrownBy(() -> Flushing.budgetMicrolitres(Double.NaN, 1, 0.02)).isInstanceOf(IllegalArgumentException.class);
    }
}
