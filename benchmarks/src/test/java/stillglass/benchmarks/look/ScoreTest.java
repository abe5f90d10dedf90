package stillglass.benchmarks.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.look.FindingKind;

class ScoreTest {
    @Test
    void hitsFalseAlarmsAndMissesMakePrecisionAndRecall() {
        Score s = new Score();
        s.add(Set.of(FindingKind.FUNGUS), Set.of(FindingKind.FUNGUS));
        s.add(Set.of(FindingKind.FUNGUS), Set.of(FindingKind.FUNGUS, FindingKind.OIL));
        s.add(Set.of(FindingKind.FUNGUS), Set.of());
        s.add(Set.of(FindingKind.OIL), Set.of(FindingKind.FUNGUS));

        assertThat(s.shown(FindingKind.FUNGUS)).isEqualTo(3);
        assertThat(s.precision(FindingKind.FUNGUS)).isCloseTo(2 / 3.0, within(1e-12));
        assertThat(s.recall(FindingKind.FUNGUS)).isCloseTo(2 / 3.0, within(1e-12));
        assertThat(s.f1(FindingKind.FUNGUS)).isCloseTo(2 / 3.0, within(1e-12));
        assertThat(s.f1(FindingKind.OIL)).as("one false alarm, one miss").isZero();
    }

    @Test
    void theMacroMeanIsOverKindsThatOccur() {
        Score s = new Score();
        s.add(Set.of(FindingKind.CHIP), Set.of(FindingKind.CHIP));
        s.add(Set.of(FindingKind.OIL), Set.of());
        s.add(Set.of(), Set.of(FindingKind.DUST));

        assertThat(s.macro()).as("chip 1, oil 0; dust never occurs").isCloseTo(0.5, within(1e-12));
        assertThat(s.recall(FindingKind.DUST)).isNaN();
        assertThat(new Score().macro()).isNaN();
    }

    @Test
    void whatIsUnknownCountsNeitherWay() {
        Score s = new Score();
        s.add(Set.of(), EnumSet.of(FindingKind.UNKNOWN));

        assertThat(s.shown(FindingKind.UNKNOWN)).isZero();
        assertThat(s.macro()).isNaN();
    }

    @Test
    void kappaAgreesWithCohensByHand() {
        // Twenty and fifteen agreements among fifty, half of them expected by chance: (0.7 - 0.5) / (1 - 0.5).
        assertThat(Steps.kappa(new double[][] {{20, 5}, {10, 15}})).isCloseTo(0.4, within(1e-12));
        assertThat(Steps.kappa(new double[][] {{3, 0, 0}, {0, 4, 0}, {0, 0, 5}})).isCloseTo(1, within(1e-12));
        assertThat(Steps.kappa(new double[][] {{1, 1}, {1, 1}})).as("no better than chance").isCloseTo(0, within(1e-12));
        assertThat(Steps.kappa(new double[][] {{5, 1, 0}, {0, 5, 0}, {0, 0, 5}}))
                .as("a step off weighs less than two").isGreaterThan(Steps.kappa(new double[][] {{5, 0, 1}, {0, 5, 0}, {0, 0, 5}}));
    }

    @Test
    void overAllKindsEveryNameCountsAlike() {
        Score s = new Score();
        s.add(Set.of(FindingKind.FUNGUS, FindingKind.OIL), Set.of(FindingKind.FUNGUS, FindingKind.CHIP));
        s.add(Set.of(FindingKind.FUNGUS), Set.of(FindingKind.FUNGUS));
        assertThat(s.precision()).isCloseTo(2 / 3.0, within(1e-12));
        assertThat(s.recall()).isCloseTo(2 / 3.0, within(1e-12));
    }

    /// Five pairs by hand: sum of squared rank differences 4, so 1 - 6 * 4 / (5 * 24).
    @Test
    void ranksAgreeWithSpearmanByHand() {
        assertThat(Ranks.correlation(new double[] {1, 2, 3, 4, 5}, new double[] {20, 10, 40, 30, 50})).isCloseTo(0.8, within(1e-12));
        assertThat(Ranks.correlation(new double[] {1, 2, 3}, new double[] {9, 4, 1})).isCloseTo(-1, within(1e-12));
        assertThat(Ranks.correlation(new double[] {1, 2, 2, 3}, new double[] {1, 3, 3, 8})).as("ties share their rank").isCloseTo(1, within(1e-12));
        assertThat(Ranks.correlation(new double[] {1, 2}, new double[] {1, 2})).isNaN();
    }
}
