package stillglass.look.net;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class ToldTest {
    @Test
    void answersCountByTheirWeight() {
        Told.Tally right = new Told.Tally().add(new double[] {0.5, 0.25, 0.25}, 0, 3);
        Told told = new Told.Tally().add(new double[] {0.5, 0.25, 0.25}, 1, 1).add(right).told();

        assertThat(told.right()).isCloseTo(0.75, within(1e-12));
        assertThat(told.loss()).isCloseTo((3 * Math.log(2) + Math.log(4)) / 4, within(1e-12));
        assertThat(Told.loss(0)).as("what was thought impossible costs much, not everything").isCloseTo(9 * Math.log(10), within(1e-6));
        assertThat(new Told.Tally().told()).isEqualTo(new Told(0, 0));
    }
}
