package stillglass.prove;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class ScaleTurnTest {
    /// Half life size is 4.5 focal lengths from the film and half a focal length of extension; life size four and one.
    @Test
    void extensionsAreThoseOfTheLensFormula() {
        assertThat(ScaleTurn.extension(0.225, 50)).isCloseTo(25, within(1e-9));
        assertThat(ScaleTurn.extension(0.2, 50)).isCloseTo(50, within(1e-6));
        // 50 mm at 1 m by Newton: object distance from the front focus x = f²/extension, D = x + 2f + extension.
        double e = ScaleTurn.extension(1, 50);
        assertThat(2500 / e + 100 + e).isCloseTo(1000, within(1e-9));
    }

    /// A ring that slipped by 6° on a lead of 15 mm reads every distance as if the lens stood a quarter of a millimetre elsewhere.
    @Test
    void aRingThatSlippedIsOffByOneAngleEverywhere() {
        double slipMm = 15 * 6 / 360.0;
        List<ScaleTurn.At> all = List.of(0.8, 1.2, 2.0).stream().map(says -> new ScaleTurn.At(says, distance(ScaleTurn.extension(says, 50) - slipMm, 50), 0.005)).toList();
        ScaleTurn t = ScaleTurn.of(all, 50, 15);
        assertThat(t.degrees()).isCloseTo(6, within(1e-6));
        assertThat(t.alike()).isTrue();
        assertThat(t.sigmaDegrees()).isPositive().isLessThan(1);
    }

    /// Sharp at 60 m when the scale says infinity: the lens stands as far out as 60 m wants it.
    @Test
    void infinityOnTheScaleTellsToo() {
        assertThat(ScaleTurn.of(List.of(new ScaleTurn.At(Double.POSITIVE_INFINITY, 60, 2)), 50, 15).degrees()).isCloseTo(-360 * (2500 / 59_900.0) / 15, within(0.002));
    }

    private static double distance(double extensionMm, double focalMm) {
        double m = extensionMm / focalMm;
        return focalMm * (2 + 1 / m + m) / 1000;
    }

    @Test
    void anglesThatDifferAreNotTheRings() {
        assertThat(ScaleTurn.of(List.of(new ScaleTurn.At(1, 1.2, 0.01), new ScaleTurn.At(3, 2.5, 0.02)), 50, 15).alike()).isFalse();
        assertThatThrownBy(() -> ScaleTurn.of(List.of(new ScaleTurn.At(0.1, 0.1, 0.01)), 50, 15)).hasMessageContaining("four focal lengths");
        assertThatThrownBy(() -> ScaleTurn.of(List.of(), 50, 15)).hasMessageContaining("needs a distance");
    }
}
