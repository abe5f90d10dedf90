package stillglass.sim.shutter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.prove.speed.SpeedFault;

class ShutterMechanismTest {
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void aHealthyOneRunsTrueAndIllsShowWhereTheyMust(long seed) {
        double[] good = new ShutterMechanism(seed).departures(SpeedFault.NONE, 0, 8);
        assertThat(Arrays.stream(good).limit(6)).allSatisfy(ev -> assertThat(ev).isCloseTo(0, within(0.3)));
        double[] sticky = new ShutterMechanism(seed).departures(SpeedFault.ESCAPEMENT, 1, 8);
        assertThat(sticky[0]).isGreaterThan(0.3);
        assertThat(sticky[0]).isGreaterThan(sticky[7] + 0.2);
        double[] late = new ShutterMechanism(seed).departures(SpeedFault.RETARD_LATE, 0.6, 8);
        assertThat(late[0]).isLessThan(-0.3);
        assertThat(new ShutterMechanism(seed).departures(SpeedFault.NONE, 0, 8)).isEqualTo(good);
    }
}
