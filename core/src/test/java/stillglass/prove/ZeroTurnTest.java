package stillglass.prove;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ZeroTurnTest {
    /// Worked out by hand: 0.12 mm on 24 mm a turn is 1.8 degrees.
    @Test
    void anErrorIsAShareOfATurn() {
        ZeroTurn t = ZeroTurn.of(0.12, 0.01, 24, 0);
        assertThat(t.degrees()).isCloseTo(1.8, within(1e-12));
        assertThat(t.sigmaDegrees()).isCloseTo(0.15, within(1e-12));
        assertThat(t.towardsNear()).isTrue();
        assertThat(ZeroTurn.of(-0.12, 0.01, 24, 0).towardsNear()).isFalse();
    }

    /// The interval it states holds the turn that would have been right, 95 times of a hundred.
    @Test
    void itsIntervalCovers() {
        Random random = new Random(31);
        int rounds = 4000;
        int covered = 0;
        for (int i = 0; i < rounds; i++) {
            double lead = 8 + 30 * random.nextDouble();
            double error = 0.6 * random.nextDouble() + 0.05;
            ZeroTurn t = ZeroTurn.of(error + 0.015 * random.nextGaussian(), 0.015, lead * (1 + 0.03 * random.nextGaussian()), 0.03 * lead);
            covered += Math.abs(t.degrees() - 360 * error / lead) <= 1.96 * t.sigmaDegrees() ? 1 : 0;
        }
        assertThat(covered / (double) rounds).isBetween(0.935, 0.965);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, -1, Double.NaN, Double.POSITIVE_INFINITY})
    void aLeadThatIsNoneIsRefused(double lead) {
        assertThatThrownBy(() -> ZeroTurn.of(0.1, 0.01, lead, 0)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("cannot be turned into degrees");
    }
}
