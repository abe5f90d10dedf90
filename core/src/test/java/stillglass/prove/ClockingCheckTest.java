package stillglass.prove;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.look.Aperture;
import stillglass.look.LinearPhoto;

/// A ring and the barrel about it, drawn from formulas: both turn by themselves.
class ClockingCheckTest {
    private static final int SIDE = 560;
    private static final double RADIUS = 150;

    /// @param ringDeg turn of what lies between 1.03 and 1.28 radii
    /// @param barrelDeg turn of what lies beyond
    /// @param notches equal notches on the ring, 0 for marks of its own
    private static LinearPhoto photo(double ringDeg, double barrelDeg, int notches, boolean blankBarrel, long noise) {
        float[] light = new float[SIDE * SIDE];
        SplittableRandom random = new SplittableRandom(noise);
        for (int y = 0; y < SIDE; y++) {
            for (int x = 0; x < SIDE; x++) {
                double dx = x - SIDE / 2.0;
                double dy = y - SIDE / 2.0;
                double r = Math.hypot(dx, dy) / RADIUS;
                double deg = Math.toDegrees(Math.atan2(dx, -dy));
                double v = r < 1.03 ? 0.02 : r < 1.28 ? (notches > 0 ? notched(deg - ringDeg, notches) : marks(deg - ringDeg, 5)) : blankBarrel ? 0.2 : marks(deg - barrelDeg, 9);
                light[y * SIDE + x] = (float) Math.max(0, v + 0.004 * random.nextGaussian());
            }
        }
        return new LinearPhoto(SIDE, SIDE, light, light.clone(), light.clone(), SIDE, SIDE);
    }

    private static double notched(double deg, int n) {
        return Math.floorMod((long) Math.floor(deg * 1000), 360_000 / n) < 360_000 / n * 0.4 ? 0.5 : 0.15;
    }

    /// Strokes of a degree or two at places of their own.
    private static double marks(double deg, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double at = Math.floorMod((long) Math.floor(deg * 1000), 360_000) / 1000.0;
        for (int i = 0; i < 34; i++) {
            if (Math.abs(at - 360 * random.nextDouble()) < 0.6 + 0.8 * random.nextDouble()) {
                return 0.6;
            }
        }
        return 0.15;
    }

    private static Optional<ClockingCheck> check(LinearPhoto then, LinearPhoto now) {
        Aperture circle = new Aperture(SIDE / 2.0, SIDE / 2.0, RADIUS, RADIUS, 0);
        return ClockingCheck.of(then, circle, now, circle, ClockingCheck.Zone.RING);
    }

    /// The camera was rolled by the barrel's turn; what is left is the ring's own.
    @ParameterizedTest
    @CsvSource({"0, 0", "7.5, 3", "0.5, -6", "-31, 12"})
    void theRingsOwnTurnIsWhatIsLeftAfterTheCamera(double ring, double camera) {
        ClockingCheck c = check(photo(0, 0, 0, false, 1), photo(ring + camera, camera, 0, false, 2)).orElseThrow();

        assertThat(c.turnDeg()).isCloseTo(ring, within(0.3));
        assertThat(c.camera().orElseThrow()).isCloseTo(camera, within(0.3));
        assertThat(c.agrees()).isEqualTo(Math.abs(ring) <= ClockingCheck.TOLERANCE_DEG);
        assertThat(c.tells()).isTrue();
    }

    @Test
    void withNothingAboutItTheCameraIsTakenToHaveStoodAsBefore() {
        ClockingCheck c = check(photo(0, 0, 0, true, 1), photo(4, 4, 0, true, 2)).orElseThrow();

        assertThat(c.camera()).isEmpty();
        assertThat(c.turnDeg()).isCloseTo(4, within(0.3));
    }

    /// Six notches, turned by one and half a degree: only the half degree can be seen.
    @Test
    void aNotchedRingIsHeldAgainstItsNearestPlace() {
        ClockingCheck c = check(photo(0, 0, 6, false, 1), photo(60.5, 0, 6, false, 2)).orElseThrow();

        assertThat(c.fold()).isEqualTo(6);
        assertThat(c.sure()).isFalse();
        assertThat(c.tells()).as("by how little it is off at least").isTrue();
        assertThat(c.leastTurnDeg()).isCloseTo(0.5, within(0.3));
        assertThat(c.agrees()).isTrue();
    }

    @Test
    void aRingHasAWidthAndGrowsWithinReason() {
        ClockingCheck.Zone ring = ClockingCheck.Zone.RING;

        assertThat(ring.wider(0.1).outer()).isCloseTo(1.38, within(1e-12));
        assertThat(ring.wider(1).around()).as("what stands about it lies beyond").isGreaterThan(ring.wider(1).outer());
        assertThat(ring.wider(-5).outer()).as("never to nothing").isGreaterThan(ring.inner());
        assertThatThrownBy(() -> new ClockingCheck.Zone(1.2, 1.1, 1.4)).hasMessageContaining("no width");
        assertThatThrownBy(() -> new ClockingCheck.Zone(Double.NaN, 1.1, 1.4)).hasMessageContaining("no width");
    }
}
