package stillglass.app.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class RimPointsTest {
    @Test
    void threePointsAreARim() {
        RimPoints p = new RimPoints();
        p.begin(true);
        assertThat(p.add(400 + 300, 250)).isEmpty();
        assertThat(p.add(400, 250 - 300)).isEmpty();
        assertThat(p.add(400 - 300 * Math.cos(1), 250 + 300 * Math.sin(1))).hasValueSatisfying(a -> {
            assertThat(a.cx()).isCloseTo(400, within(1e-9));
            assertThat(a.cy()).isCloseTo(250, within(1e-9));
            assertThat(a.meanRadius()).isCloseTo(300, within(1e-9));
        });
        assertThat(p.wanted()).isFalse();
    }

    @Test
    void threePointsOnALineAreAskedForAgain() {
        RimPoints p = new RimPoints();
        p.begin(true);
        p.add(0, 0);
        p.add(100, 100);
        assertThat(p.add(200, 200.5)).isEmpty();
        assertThat(p.wanted()).isTrue();
        assertThat(p.so()).isEmpty();
    }
}
