package stillglass.look.net;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class SpreadTest {
    @Test
    void meanAndScatterOfEveryChannel() {
        Spread s = new Spread(3, 1e-4);
        for (float v : new float[] {1, 2, 3, 4, 5}) {
            s.add(0, v);
            s.add(1, 7);
        }
        assertThat(s.mean()).containsExactly(3, 7, 0);
        assertThat(s.scale()[0]).isCloseTo((float) Math.sqrt(2), within(1e-6f));
        assertThat(s.scale()[1]).as("what never changes").isCloseTo(0.01f, within(1e-6f));
    }
}
