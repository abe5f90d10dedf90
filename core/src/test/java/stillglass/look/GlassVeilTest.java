package stillglass.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class GlassVeilTest {
    @Test
    void againstTheCardItIsAShareWithAnInterval() {
        GlassVeil v = GlassVeil.of(0.04, 0.5);

        assertThat(v.veil()).isCloseTo(0.08, within(1e-12));
        // √((0.1 · 0.08)² + 0.015²) = 0.017
        assertThat(v.high() - v.veil()).isCloseTo(0.017, within(1e-6));
        assertThat(v.low()).isCloseTo(0.063, within(1e-6));
        assertThat(GlassVeil.of(0.9, 0.5).veil()).as("no glass throws about more than there is").isEqualTo(1);
        assertThat(GlassVeil.of(0.002, 0.5).low()).isZero();
    }

    @Test
    void yellowIsSaidWhereItIsMoreThanTheError() {
        assertThat(new ThroughColour(0.2, 0.2, 0.29, 0.03).said()).isEqualTo(ThroughColour.Yellow.NONE);
        assertThat(new ThroughColour(0.2, 0.3, 0.45, 0.03).said()).isEqualTo(ThroughColour.Yellow.SLIGHT);
        assertThat(new ThroughColour(0.2, 0.3, 0.45, 0.3).said()).as("within the error").isEqualTo(ThroughColour.Yellow.NONE);
        assertThat(new ThroughColour(0.2, 0.4, 0.7, 0.03).said()).isEqualTo(ThroughColour.Yellow.CLEAR);
        assertThat(new ThroughColour(0.2, 0.6, 1.2, 0.03).said()).isEqualTo(ThroughColour.Yellow.STRONG);
        assertThat(new ThroughColour(-0.4, -0.4, -0.35, 0.03).lighterBehind()).isTrue();
        assertThat(new ThroughColour(-0.4, 0.1, 0.5, 0.03).lighterBehind()).isTrue();
        assertThat(new ThroughColour(0.1, 0.05, -0.02, 0.03).lighterBehind()).as("within the error").isFalse();
        assertThat(new ThroughColour(0.1, 0.6, 1.1, 0.03).blueOverRed()).isCloseTo(0.5, within(1e-12));
    }
}
