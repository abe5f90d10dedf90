package stillglass.look.closeup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import stillglass.look.Lighting;
import stillglass.look.kinds.Sight;

class CloseUpTest {
    @Test
    void valuesAreKeptToATwentieth() {
        CloseUp c = new CloseUp(Sight.AREA, Lighting.BRIGHT, 0.2, 0.5);
        c.set(CloseUpTrait.RED, 5, -1.234);
        c.set(CloseUpTrait.RED, 6, 100);
        c.set(CloseUpTrait.RED, 7, Double.NaN);
        assertThat(c.get(CloseUpTrait.RED, 5)).isCloseTo(-1.234, within(0.026));
        assertThat(c.get(CloseUpTrait.RED, 6)).isCloseTo(6.35, within(0.01));
        assertThat(c.get(CloseUpTrait.RED, 7)).isZero();
        assertThat(c.get(CloseUpTrait.BLUE, 5)).isZero();
    }
}
