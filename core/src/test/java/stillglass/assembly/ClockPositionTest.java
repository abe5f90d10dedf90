package stillglass.assembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ClockPositionTest {
    @ParameterizedTest
    @CsvSource({"0,1,0", "1,0,3", "0,-1,6", "-1,0,9", "1,1,1.5"})
    void twelveIsUpAndThreeIsRight(double x, double y, double hours) {
        assertThat(ClockPosition.at(x, y).hours()).isCloseTo(hours, within(1e-12));
    }

    @ParameterizedTest
    @CsvSource({"0,12", "4,4", "1.5,1:30", "11.999,12", "0.25,12:15"})
    void isSaidAsOnTheBench(double hours, String said) {
        assertThat(ClockPosition.of(hours)).hasToString(said);
    }

    @Test
    void distanceGoesTheShortWayRound() {
        assertThat(ClockPosition.of(11).apartHours(ClockPosition.of(1))).isEqualTo(2);
        assertThat(ClockPosition.of(3).apartHours(ClockPosition.of(9))).isEqualTo(6);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void anyNumberOfHoursFoldsOntoTheDial(long seed) {
        double hours = 200 * (new SplittableRandom(seed).nextDouble() - 0.5);
        ClockPosition p = ClockPosition.of(hours);

        assertThat(p.hours()).as("seed %d", seed).isBetween(0.0, 12.0);
        assertThat(ClockPosition.of(hours + 24)).satisfies(q -> assertThat(q.apartHours(p)).isLessThan(1e-9));
        assertThat(Math.sin(p.radians())).isCloseTo(Math.sin(hours * Math.PI / 6), within(1e-9));
    }

    @Test
    void nonsenseIsRefused() {
        assertThatThrownBy(() -> new ClockPosition(Double.NaN)).hasMessageContaining("clock position");
        assertThatThrownBy(() -> new ClockPosition(12)).hasMessageContaining("below 12");
    }
}
