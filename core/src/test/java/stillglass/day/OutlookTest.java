package stillglass.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import org.hipparchus.distribution.continuous.LogNormalDistribution;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OutlookTest {
    private static Durations.Estimate chore(double middle, double promised) {
        return new Durations.Estimate(middle, promised, Durations.Source.BENCH, 5);
    }

    private static Outlook.Stake stake(double worth, double chance, double outlay, double hour) {
        return new Outlook.Stake(worth, chance, outlay, hour);
    }

    /// One chore: the share of a lognormal below what pays, by the closed form.
    @ParameterizedTest
    @CsvSource({"120, 45", "60, 45", "240, 45", "90, 30"})
    void howLikelyOneChoreIsShortEnoughIsItsDistribution(double worth, double hour) {
        Durations.Estimate e = chore(100, 150);
        double pays = worth / hour * 60;
        double share = new LogNormalDistribution(Math.log(100), e.spread()).cumulativeProbability(pays);
        Outlook o = Outlook.of(List.of(e), stake(worth, 1, 0, hour));
        assertThat(o.chance()).isCloseTo(share, within(0.025));
        assertThat(o.leftHours()).isCloseTo(new LogNormalDistribution(Math.log(100), e.spread()).getNumericalMean() / 60, within(1e-9));
    }

    /// Sixty alike add up to something normal, by their mean and variance.
    @Test
    void manyChoresAddUp() {
        Durations.Estimate e = chore(10, 12);
        LogNormalDistribution one = new LogNormalDistribution(Math.log(10), e.spread());
        double mean = 60 * one.getNumericalMean();
        double deviation = Math.sqrt(60 * one.getNumericalVariance());
        double pays = mean + 0.5 * deviation;
        assertThat(Outlook.of(Collections.nCopies(60, e), stake(pays / 60 * 40, 1, 0, 40)).chance()).isCloseTo(new NormalDistribution().cumulativeProbability(0.5), within(0.03));
    }

    @Test
    void whatItMayBringAndCostMovesTheHourItPaysTo() {
        assertThat(Outlook.of(List.of(chore(60, 80)), stake(120, 0.5, 15, 45)).paysHours()).isCloseTo((60 - 15) / 45.0, within(1e-12));
        assertThat(Outlook.of(List.of(chore(60, 80)), stake(120, 1, 0, 30)).verdict()).as("four hours pay").isEqualTo(Outlook.Verdict.GO_ON);
        assertThat(Outlook.of(List.of(chore(60, 80)), stake(30, 1, 0, 30)).verdict()).as("one hour pays, and it takes one").isEqualTo(Outlook.Verdict.SET_AN_END);
        assertThat(Outlook.of(List.of(chore(60, 80)), stake(10, 1, 0, 30)).verdict()).isEqualTo(Outlook.Verdict.STOP);
        assertThat(Outlook.of(List.of(chore(60, 80)), stake(10, 1, 40, 30)).paysHours()).as("not even the outlay").isNegative();
        assertThat(Outlook.of(List.of(), stake(10, 1, 0, 30)).chance()).as("nothing is left to be done").isEqualTo(1);
    }

    @Test
    void whatCannotBeWeighedIsRefused() {
        assertThatThrownBy(() -> stake(Double.NaN, 1, 0, 30)).hasMessageContaining("NaN");
        assertThatThrownBy(() -> stake(10, 0, 0, 30)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> stake(10, 1, -1, 30)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> stake(10, 1, 0, 0)).isInstanceOf(IllegalArgumentException.class);
    }
}
