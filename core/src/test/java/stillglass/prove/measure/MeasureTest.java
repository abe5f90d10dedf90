package stillglass.prove.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MeasureTest {
    @Test
    void theDensityOfABellIsTheSlopeOfItsShare() {
        for (double off : new double[] {-2, 0, 0.7, 1.9}) {
            double slope = (Bell.below((off + 0.01) / 1.5) - Bell.below((off - 0.01) / 1.5)) / 0.02;
            assertThat(Bell.density(off, 1.5)).as("at %.1f", off).isCloseTo(slope, within(3e-5));
        }
    }

    @Test
    void placesAreKeptOneWay() {
        assertThat(Quantity.SPEED.at("1/125")).contains("1/125");
        assertThat(Quantity.SPEED.at("0.008 s")).contains("1/125");
        assertThat(Quantity.SPEED.at("1")).contains("1");
        assertThat(Quantity.SPEED.at("fast")).isEmpty();
        assertThat(Quantity.OPENING.at("f/2.80")).contains("2.8");
        assertThat(Quantity.FINDER.at("∞")).contains("Infinity");
        assertThat(Quantity.SCALE.at("3 m")).contains("3");
        assertThat(Quantity.INFINITY.at("near")).isEmpty();
        assertThat(Quantity.TORQUE.at(" Focus ")).contains("focus");
    }

    @Test
    void departuresAreJudgedInTheMeasureOfTheTrade() {
        assertThat(Quantity.SPEED.departure("1/125", 0.016).orElseThrow()).isCloseTo(1, within(1e-9));
        assertThat(Quantity.SCALE.departure("2", 2.1).orElseThrow()).isCloseTo(0.05, within(1e-9));
        // At infinity a finder that shows 100 m in one is at the limit, one at 40 m is beyond it, as a twentieth of the distance is near by.
        assertThat(Quantity.FINDER.departure("Infinity", 100).orElseThrow()).isCloseTo(0.05, within(1e-9));
        assertThat(Quantity.FINDER.departureSigma("Infinity", 100, 10)).isCloseTo(0.005, within(1e-9));
        assertThat(Quantity.TORQUE.departure("focus", 40)).isEmpty();
        // A hundredth of the time is 0.0144 of a doubling.
        assertThat(Quantity.SPEED.departureSigma("1/125", 0.008, 0.00008)).isCloseTo(0.01443, within(1e-5));
    }

    @ParameterizedTest
    @CsvSource({"0.1, 0.05, HOLDS", "0.5, 0.05, FAILS", "0.32, 0.05, OPEN", "0, 3, OPEN", "0.29, 0, HOLDS", "-0.5, 0, FAILS"})
    void aVerdictKnowsItsError(double departure, double sigma, Verdict verdict) {
        assertThat(Verdict.of(departure, sigma, 0.3)).isEqualTo(verdict);
    }

    /// The probability against drawn errors.
    @Test
    void theProbabilityInsideIsThatOfDrawnErrors() {
        Random random = new Random(4);
        for (double departure : new double[] {0, 0.2, 0.3, 0.7}) {
            int in = 0;
            for (int i = 0; i < 40_000; i++) {
                in += Math.abs(departure + 0.2 * random.nextGaussian()) <= 0.3 ? 1 : 0;
            }
            assertThat(Verdict.inside(departure, 0.2, 0.3)).isCloseTo(in / 40_000.0, within(0.01));
        }
    }

    /// Faults with drawn frequencies that showed as often: of those still there, no more than one in twenty passes as many good tries.
    @ParameterizedTest
    @CsvSource({"3, 10", "1, 5", "5, 20"})
    void aStreakProvesAFaultGone(int failed, int of) {
        Streak streak = new Streak(failed, of);
        int needed = streak.needed();
        assertThat(streak.chance(needed)).isLessThanOrEqualTo(0.05);
        assertThat(streak.chance(needed - 1)).isGreaterThan(0.05);
        Random random = new Random(5);
        int there = 0;
        int passed = 0;
        while (there < 4000) {
            // Frequencies as the prior has them: the arc sine law.
            double p = Math.pow(Math.sin(Math.PI / 2 * random.nextDouble()), 2);
            if (failures(random, p, of) == failed) {
                there++;
                passed += failures(random, p, needed) == 0 ? 1 : 0;
            }
        }
        assertThat(passed / 4000.0).isBetween(0.02, 0.058);
    }

    private static int failures(Random random, double p, int tries) {
        int k = 0;
        for (int i = 0; i < tries; i++) {
            k += random.nextDouble() < p ? 1 : 0;
        }
        return k;
    }

    @Test
    void triesThatCannotBeAreRefused() {
        assertThatThrownBy(() -> new Streak(3, 2)).hasMessageContaining("3 failures of 2");
        assertThat(Quantity.SPEED.possible(-1, 0.1)).isFalse();
        assertThat(Quantity.SPEED.possible(Double.NaN, 0.1)).isFalse();
        assertThat(Quantity.OPENING.possible(-0.5, 0.1)).isTrue();
    }
}
