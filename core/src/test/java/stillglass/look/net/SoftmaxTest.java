package stillglass.look.net;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;

class SoftmaxTest {
    @Test
    void chancesStandAsEToTheScores() {
        double[] scores = {1000, 1001, 998};
        double[] p = Softmax.of(scores);
        assertThat(Arrays.stream(p).sum()).isCloseTo(1, within(1e-12));
        assertThat(p[1] / p[0]).isCloseTo(Math.E, within(1e-9));
        assertThat(p[0] / p[2]).isCloseTo(Math.E * Math.E, within(1e-9));
        assertThat(scores).containsExactly(1000, 1001, 998);
    }
}
