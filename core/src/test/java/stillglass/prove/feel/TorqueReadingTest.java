package stillglass.prove.feel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import stillglass.say.Said;

class TorqueReadingTest {
    private static TorqueReading read(double way, double noise, long seed, DoubleUnaryOperator nmm) {
        Random random = new Random(seed);
        int n = (int) (2 * way);
        double[] deg = new double[n];
        double[] m = new double[n];
        for (int i = 0; i < n; i++) {
            deg[i] = 40 + 0.5 * i;
            m[i] = nmm.applyAsDouble(0.5 * i) + noise * random.nextGaussian();
        }
        return TorqueReading.of(deg, m);
    }

    @Test
    void meanStartWavesAndRoughnessComeBack() {
        TorqueReading r = read(360, 1, 1, d -> (d < 6 ? 90 : 40) + 8 * Math.cos(Math.toRadians(d - 120)) + 3 * Math.cos(Math.toRadians(3 * d)));
        assertThat(r.meanNmm()).isCloseTo(40, within(0.6));
        assertThat(r.breakawayNmm()).isCloseTo(88, within(5.0));
        assertThat(r.harmonics().get(0)).isCloseTo(8, within(0.4));
        assertThat(r.harmonics().get(2)).isCloseTo(3, within(0.4));
        assertThat(r.tightestDeg().orElseThrow()).isCloseTo(120, within(15.0));
        assertThat(r.roughShare()).isCloseTo(1 / 40.0, within(0.004));
        assertThat(r.diagnostics()).extracting(Said::key).contains("torque.sticks", "torque.uneven").doesNotContain("torque.binds");
    }

    @Test
    void aPlaceWhereItBindsIsFound() {
        TorqueReading r = read(200, 1, 2, d -> 50 + (Math.abs(d - 130) < 5 ? 25 : 0));
        assertThat(r.binds()).singleElement().satisfies(b -> {
            assertThat(b.atDeg()).isCloseTo(130, within(6.0));
            assertThat(b.wideDeg()).isCloseTo(10, within(4.0));
        });
    }

    @Test
    void theSignAndTheWayRoundDoNotMatter() {
        TorqueReading one = read(90, 0.5, 3, d -> 30);
        TorqueReading other = read(90, 0.5, 3, d -> -30);
        assertThat(other.meanNmm()).isCloseTo(one.meanNmm(), within(0.2));
        assertThat(one.harmonics()).as("a quarter turn tells no waves of a turn").isEmpty();
        assertThat(one.tightestDeg()).isEmpty();
    }

    @Test
    void theErrorOfTheMeanCoversForReadingsThatAreAlike() {
        int inside = 0;
        for (int k = 0; k < 200; k++) {
            Random random = new Random(k);
            double[] deg = new double[400];
            double[] m = new double[400];
            double slow = 0;
            for (int i = 0; i < 400; i++) {
                deg[i] = 0.4 * i;
                slow = 0.9 * slow + random.nextGaussian();
                m[i] = 40 + slow;
            }
            TorqueReading r = TorqueReading.of(deg, m);
            inside += Math.abs(r.meanNmm() - 40) < 2 * r.sigmaNmm() ? 1 : 0;
        }
        assertThat(inside).as("of 200 within two standard deviations").isBetween(170, 200);
    }

    @Test
    void whatIsTooShortIsRefused() {
        assertThatThrownBy(() -> TorqueReading.of(new double[5], new double[5])).hasMessageContaining("too few");
        assertThatThrownBy(() -> TorqueReading.of(new double[50], new double[50])).hasMessageContaining("turn the control by more");
    }
}
