package stillglass.look.net;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class DescentTest {
    /// A bowl a thousand times as steep one way as the other: every weight has a step of its own.
    @Test
    void theWayGoesDownToWhereItErrsLeast() {
        float[] at = {1, 1};
        Descent descent = new Descent(at, 6000);
        double first = 0;
        double last = 0;
        for (int i = 0; i < 6000; i++) {
            last = descent.step(List.of(0.5, 0.5), (half, into, share) -> {
                into[0] += (float) (share * 2000 * (at[0] - 0.3));
                into[1] += (float) (share * 2 * (at[1] + 0.2));
                return half * (1000 * Math.pow(at[0] - 0.3, 2) + Math.pow(at[1] + 0.2, 2));
            });
            first = i == 0 ? last : first;
        }
        assertThat(first).isCloseTo(491.44, within(0.1));
        assertThat(last).isLessThan(first / 10_000);
        assertThat(at[0]).isCloseTo(0.3f, within(0.01f));
        assertThat(at[1]).isCloseTo(-0.2f, within(0.02f));
    }
}
