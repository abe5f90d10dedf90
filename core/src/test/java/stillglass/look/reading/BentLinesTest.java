package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.function.DoubleUnaryOperator;
import java.util.function.ToDoubleBiFunction;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Lighting;
import stillglass.look.kinds.Sight;

/// A scratch that is bent like the rim of an inner glass stays whole, and what only looks like one is taken out.
class BentLinesTest {
    private static final double X = 0.04;
    private static final double Y = -0.03;
    private static final double R = 0.6;
    private static final double WIDE = 0.012;
    /// Degrees over which the line lies on the circle.
    private static final double OVER = 48;

    private static double degrees(double x, double y) {
        return Math.toDegrees(Math.atan2(y - Y, x - X));
    }

    /// An arc about the right of the circle.
    private static double arc(double x, double y, double over, DoubleUnaryOperator strength) {
        double t = degrees(x, y);
        return Math.abs(t) < over / 2 ? strength.applyAsDouble(t) * Glass.ring(x, y, X, Y, R, WIDE) : 0;
    }

    /// On from the upper end of an arc, outwards by 25 degrees.
    private static double on(double x, double y, double over, double by) {
        double t = Math.toRadians(over / 2);
        double ex = X + R * Math.cos(t);
        double ey = Y + R * Math.sin(t);
        double way = t - Math.toRadians(25);
        return Glass.line(x, y, ex, ey, ex - by * Math.sin(way), ey + by * Math.cos(way), WIDE);
    }

    private static double scratch(double x, double y, double over, double by) {
        return Math.max(arc(x, y, over, t -> 1), Math.max(on(x, y, over, by), on(x, 2 * Y - y, over, by)));
    }

    /// Pixels that stand out and lie on the arc, over those drawn there.
    private static double left(Lighting lighting, ToDoubleBiFunction<Double, Double> drawn) {
        Maps maps = Glass.maps(Glass.photo(0.0005, 4, (x, y) -> lighting == Lighting.AGAINST ? 0.02 + 0.1 * drawn.applyAsDouble(x, y) : 0.6 * (1 - 0.25 * drawn.applyAsDouble(x, y))), lighting);
        int[] stands = CandidateFinder.find(maps, 0.05).stream().filter(c -> c.sight() == Sight.FINE).flatMapToInt(c -> Arrays.stream(c.pixels())).distinct().toArray();
        return Arrays.stream(stands).filter(BentLinesTest::onArc).count() / (double) IntStream.range(0, GlassFrame.PIXELS).filter(BentLinesTest::onArc).count();
    }

    private static boolean onArc(int at) {
        double x = GlassFrame.x(at);
        double y = GlassFrame.y(at);
        return Math.abs(degrees(x, y)) < OVER / 2 && Math.abs(Math.hypot(x - X, y - Y) - R) < WIDE / 2;
    }

    @ParameterizedTest
    @EnumSource(Lighting.class)
    void aScratchThatGoesOnOffTheCircleStaysWhole(Lighting lighting) {
        assertThat(left(lighting, (x, y) -> scratch(x, y, OVER, 0.35))).isGreaterThan(0.9);
    }

    /// A lamp lights a rim where it faces it.
    @Test
    void anArcThatFadesToItsEndsIsARimWhateverTouchesIt() {
        assertThat(left(Lighting.AGAINST, (x, y) -> Math.max(arc(x, y, OVER, t -> Math.max(0.1, Math.cos(Math.toRadians(t * 90 / 24)))), on(x, y, OVER - 6, 0.3)))).isLessThan(0.2);
    }

    @Test
    void anEvenArcThatIsFaintAtItsEndsIsARim() {
        assertThat(left(Lighting.AGAINST, (x, y) -> Math.max(arc(x, y, OVER, t -> Math.abs(t) > OVER / 2 - 1 ? 0.65 : 1), 0.65 * Math.max(on(x, y, OVER, 0.35), on(x, 2 * Y - y, OVER, 0.35))))).isLessThan(0.2);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.001, 0.04})
    void anArcOfWhichNothingLeavesTheCircleIsARim(double by) {
        assertThat(left(Lighting.AGAINST, (x, y) -> scratch(x, y, OVER, by))).isLessThan(0.2);
    }

    @Test
    void anArcOverAQuarterOfTheTurnIsARim() {
        assertThat(left(Lighting.AGAINST, (x, y) -> scratch(x, y, 90, 0.35))).isLessThan(0.2);
    }

    @Test
    void anUnevenArcIsARim() {
        assertThat(left(Lighting.AGAINST, (x, y) -> Math.max(arc(x, y, OVER, t -> 0.65 + 0.35 * Math.signum(Math.sin(t * 0.9))), Math.max(on(x, y, OVER, 0.35), on(x, 2 * Y - y, OVER, 0.35))))).isLessThan(0.2);
    }

    /// Hairs of a wiping, and rims that a ray of the lamp joins.
    @Test
    void ofSeveralArcsThatHangTogetherNoneIsAScratch() {
        assertThat(left(Lighting.AGAINST, (x, y) -> Math.max(Math.max(scratch(x, y, OVER, 0.35), Glass.line(x, y, X + R - 0.01, Y + 0.01, X + R + 0.09, Y + 0.03, WIDE)),
                Math.abs(degrees(x, y)) < OVER / 2 ? Glass.ring(x, y, X, Y, R + 0.08, WIDE) : 0))).isLessThan(0.2);
    }
}
