package stillglass.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.say.Said;

class BumpTest {
    private static final Instant THEN = Instant.parse("2026-01-10T10:00:00Z");
    private static final Instant NOW = Instant.parse("2026-11-10T10:00:00Z");

    private static Covering leather(Covering.State state) {
        return new Covering(Optional.of(Covering.Stuff.LEATHER), Optional.of(state), Optional.empty());
    }

    private static Bump.Seen seen(double height, double across) {
        return new Bump.Seen(height, across, false, NOW);
    }

    /// The arc laid out in a hundred thousand chords of a circle through the bump's rim and top, found by halving its radius.
    private static double laidOut(double h, double c) {
        double low = c / 2;
        double high = 1e6;
        for (int i = 0; i < 200; i++) {
            double r = (low + high) / 2;
            double top = r - Math.sqrt(r * r - c * c / 4);
            if (top > h) {
                low = r;
            } else {
                high = r;
            }
        }
        int n = 100_000;
        double sum = 0;
        double last = Math.sqrt(low * low - c * c / 4);
        for (int i = 1; i <= n; i++) {
            double x = -c / 2 + c * i / n;
            double y = Math.sqrt(Math.max(0, low * low - x * x));
            sum += Math.hypot(c / n, y - last);
            last = y;
        }
        return sum / c - 1;
    }

    @ParameterizedTest
    @CsvSource({"0.4, 8", "0.8, 8", "1.2, 6", "0.1, 20", "2, 6"})
    void whatLiesOverItIsStretchedToTheArc(double height, double across) {
        assertThat(Bump.stretch(height, across)).isCloseTo(laidOut(height, across), within(1e-4));
    }

    /// Half a circle is π/2 of its width; higher than that it bulges out, three quarters of a circle over its chord.
    @Test
    void aBumpHigherThanHalfItsWidthBulgesOut() {
        assertThat(Bump.stretch(4, 8)).isCloseTo(Math.PI / 2 - 1, within(1e-9));
        double r = 3;
        double chord = 2 * r * Math.sin(Math.PI / 4);
        assertThat(Bump.stretch(r + r * Math.cos(Math.PI / 4), chord)).isCloseTo(1.5 * Math.PI * r / chord - 1, within(1e-9));
    }

    /// By hand: for a flat bump the stretch is 8/3·(h/c)², so 0.4 on 8 mm is 0.67 %, 1 on 8 mm 4.2 %.
    @Test
    void aFlatBumpIsLeftAHighOneLiftedAndWhatWouldTearIsTheOwnersToDecide() {
        assertThat(Bump.of(List.of(seen(0.2, 8)), leather(Covering.State.DRY)).verdict()).isEqualTo(Bump.Verdict.LEAVE);
        assertThat(Bump.of(List.of(seen(0.4, 8)), leather(Covering.State.DRY)).verdict()).isEqualTo(Bump.Verdict.WATCH);
        assertThat(Bump.of(List.of(seen(1, 8)), leather(Covering.State.DRY)).verdict()).as("4.2 of 8 %").isEqualTo(Bump.Verdict.LIFT);
        assertThat(Bump.of(List.of(seen(1, 8)), leather(Covering.State.SUPPLE)).verdict()).as("4.2 of 20 %").isEqualTo(Bump.Verdict.WATCH);
        assertThat(Bump.of(List.of(seen(1, 8)), leather(Covering.State.BRITTLE)).verdict()).isEqualTo(Bump.Verdict.OWNER);
        assertThat(Bump.of(List.of(seen(1, 8)), Covering.UNKNOWN).verdict()).as("nobody bent a corner").isEqualTo(Bump.Verdict.OWNER);
        assertThat(Bump.of(List.of(new Bump.Seen(0.1, 8, true, NOW)), leather(Covering.State.SUPPLE)).verdict()).as("it is through already").isEqualTo(Bump.Verdict.LIFT);
    }

    /// Ten months of 0.05 mm each: in a year from 0.8 to 1.4 mm on 8, 8 %: more than half of what dry leather bears, and not half of what supple leather does.
    @Test
    void whatRisesIsReckonedAYearAhead() {
        List<Bump.Seen> risen = List.of(new Bump.Seen(0.3, 8, false, THEN), seen(0.8, 8));
        Bump dry = Bump.of(risen, leather(Covering.State.DRY));
        assertThat(dry.perMonth().orElseThrow()).isCloseTo(0.05, within(0.001));
        assertThat(dry.verdict()).isEqualTo(Bump.Verdict.LIFT);
        assertThat(Bump.of(risen.subList(1, 2), leather(Covering.State.DRY)).verdict()).as("without the first measurement").isEqualTo(Bump.Verdict.WATCH);
        assertThat(Bump.of(risen, leather(Covering.State.SUPPLE)).verdict()).isEqualTo(Bump.Verdict.WATCH);
        assertThat(Bump.of(List.of(new Bump.Seen(0.2, 8, false, THEN), seen(0.28, 8)), leather(Covering.State.DRY)).perMonth()).as("two readings scatter by as much").contains(0.0);
        assertThat(Bump.of(List.of(seen(0.2, 8), seen(0.6, 8)), leather(Covering.State.DRY)).perMonth()).as("the same day").isEmpty();
    }

    @Test
    void whereItIsTrappedIsSaidBeforeAnythingIsLifted() {
        Covering trapped = new Covering(Optional.of(Covering.Stuff.LEATHER), Optional.of(Covering.State.DRY), Optional.of("under the right lug"));
        assertThat(Bump.of(List.of(seen(1, 8)), trapped).said("front", trapped)).extracting(Said::key).containsExactly("bump.lift", "bump.how", "bump.trapped", "bump.glue");
        assertThat(Bump.of(List.of(seen(0.2, 8)), trapped).said("front", trapped)).extracting(Said::key).containsExactly("bump.leave");
    }

    @Test
    void whatIsNoBumpIsRefused() {
        for (double[] wrong : new double[][] {{0, 8}, {9, 8}, {Double.NaN, 8}, {0.4, Double.POSITIVE_INFINITY}, {0.4, 61}}) {
            assertThatThrownBy(() -> seen(wrong[0], wrong[1])).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("bump");
        }
    }
}
