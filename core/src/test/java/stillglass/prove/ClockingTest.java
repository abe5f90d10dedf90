package stillglass.prove;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.DoubleBinaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Aperture;
import stillglass.look.LinearPhoto;

/// Rings drawn from formulas: reflectance turns with the ring, the sheen stays with the lamp.
class ClockingTest {
    private static final int W = 420;
    private static final int H = 400;

    /// How a photo was taken.
    private record Take(double turnDeg, double lampDeg, double exposure, double radius, double noise, int blur, double offX, long seed) {
        static Take plain(double turnDeg, long seed) {
            return new Take(turnDeg, 30, 1, 120, 0.004, 0, 0, seed);
        }
    }

    /// @param paint reflectance at a radius in circle radii and degrees clockwise from 12 on the ring
    private static Clocking.Ring photo(DoubleBinaryOperator paint, Take t) {
        float[] light = new float[W * H];
        SplittableRandom random = new SplittableRandom(t.seed);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double sum = 0;
                double far = Math.hypot(x - W / 2.0, y - H / 2.0) / t.radius;
                if (far < 0.7 || far > 1.3) {
                    continue;
                }
                for (int s = 0; s < 4; s++) {
                    double dx = x + (s % 2) / 2.0 - 0.25 - W / 2.0;
                    double dy = y + (s / 2) / 2.0 - 0.25 - H / 2.0;
                    double r = Math.hypot(dx, dy) / t.radius;
                    double clockwise = Math.toDegrees(Math.atan2(dx, -dy));
                    double sheen = Math.pow(0.5 + 0.5 * Math.cos(Math.toRadians(clockwise - t.lampDeg)), 6);
                    sum += (0.15 + 0.5 * sheen) * paint.applyAsDouble(r, Math.floorMod((long) Math.floor((clockwise - t.turnDeg) * 1000), 360_000) / 1000.0) / 4;
                }
                light[y * W + x] = (float) Math.max(0, t.exposure * sum + t.noise * random.nextGaussian());
            }
        }
        for (int pass = 0; pass < t.blur; pass++) {
            light = smoothed(light);
        }
        LinearPhoto p = new LinearPhoto(W, H, light, light.clone(), light.clone(), W, H);
        return new Clocking.Ring(p, new Aperture(W / 2.0 + t.offX, H / 2.0, t.radius, t.radius, 0), 0.75, 1.25);
    }

    private static float[] smoothed(float[] in) {
        float[] out = in.clone();
        for (int y = 1; y < H - 1; y++) {
            for (int x = 1; x < W - 1; x++) {
                int k = y * W + x;
                out[k] = (4 * in[k] + in[k - 1] + in[k + 1] + in[k - W] + in[k + W]) / 8;
            }
        }
        return out;
    }

    /// A name ring: strokes at places of their own.
    private static DoubleBinaryOperator engraved(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<double[]> strokes = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            strokes.add(new double[] {170 * random.nextDouble(), 0.6 + 1.6 * random.nextDouble(), 0.85 + 0.2 * random.nextDouble(), 0.03 + 0.1 * random.nextDouble()});
        }
        return (r, deg) -> {
            for (double[] s : strokes) {
                if (Math.abs(deg - s[0]) < s[1] / 2 && Math.abs(r - s[2]) < s[3] / 2) {
                    return 0.9;
                }
            }
            return 0.2;
        };
    }

    private static DoubleBinaryOperator notched(int n) {
        return (r, deg) -> deg * n / 360 % 1 < 0.4 ? 0.7 : 0.2;
    }

    @ParameterizedTest
    @CsvSource({"0", "0.7", "-121.5", "179.6"})
    void theTurnIsFoundWithinItsFloor(double turn) {
        DoubleBinaryOperator ring = engraved(7);
        Clocking c = Clocking.between(photo(ring, Take.plain(0, 1)), photo(ring, Take.plain(turn, 2))).orElseThrow();

        assertThat(Clocking.difference(c.turnDeg(), turn)).isCloseTo(0, within(0.15));
        assertThat(c.sure()).isTrue();
        assertThat(c.fold()).isEqualTo(1);
    }

    /// Another lamp, exposure, distance, noise, blur, and a centre that is off by a hundredth of the radius.
    @ParameterizedTest
    @ValueSource(longs = {11, 13, 14, 16})
    void anotherLampDistanceBlurAndNoiseDoNotMoveIt(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double turn = 360 * random.nextDouble() - 180;
        DoubleBinaryOperator ring = engraved(seed);
        Clocking c = Clocking.between(photo(ring, Take.plain(0, seed)),
                photo(ring, new Take(turn, 360 * random.nextDouble(), 0.5 + random.nextDouble(), 105 + 30 * random.nextDouble(), 0.01,
                        (int) (4 * random.nextDouble()), 1.2, seed + 1))).orElseThrow();

        assertThat(Clocking.difference(c.turnDeg(), turn)).isCloseTo(0, within(0.3));
        assertThat(Math.abs(Clocking.difference(c.turnDeg(), turn))).as("the stated error is honest").isLessThan(5 * c.sigmaDeg() + 0.05);
    }

    @ParameterizedTest
    @ValueSource(ints = {6, 8, 30})
    void aRingWithEqualNotchesIsReportedNotGuessed(int n) {
        Clocking c = Clocking.between(photo(notched(n), Take.plain(0, 1)), photo(notched(n), Take.plain(4, 2))).orElseThrow();

        assertThat(c.sure()).isFalse();
        assertThat(c.fold()).isEqualTo(n);
        assertThat(c.others()).hasSize(n - 1);
        assertThat(Math.IEEEremainder(c.turnDeg() - 4, 360.0 / n)).isCloseTo(0, within(0.3));
    }

    @Test
    void oneMarkMakesANotchedRingCertain() {
        DoubleBinaryOperator notches = notched(6);
        DoubleBinaryOperator marks = engraved(3);
        DoubleBinaryOperator both = (r, deg) -> r > 1.05 ? notches.applyAsDouble(r, deg) : marks.applyAsDouble(r, deg);
        Clocking c = Clocking.between(photo(both, Take.plain(0, 1)), photo(both, Take.plain(-100, 2))).orElseThrow();

        assertThat(c.turnDeg()).isCloseTo(-100, within(0.3));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void aBlankRingAndTwoDifferentRingsTellNothing(long seed) {
        DoubleBinaryOperator blank = (r, deg) -> 0.4;
        assertThat(Clocking.between(photo(blank, Take.plain(0, seed)), photo(blank, new Take(20, 200, 1, 118, 0.01, 0, 0, seed + 50)))).isEmpty();
        assertThat(Clocking.between(photo(engraved(seed), Take.plain(0, 1)), photo(engraved(seed + 90), Take.plain(20, 2)))).isEmpty();
    }

    @Test
    void aRingOutsideThePhotoOrWithoutWidthIsRefusedOrSilent() {
        DoubleBinaryOperator ring = engraved(7);
        Clocking.Ring a = photo(ring, Take.plain(0, 1));
        Clocking.Ring outside = new Clocking.Ring(a.photo(), a.circle(), 3, 4);

        assertThat(Clocking.between(outside, outside)).isEmpty();
        assertThatThrownBy(() -> new Clocking.Ring(a.photo(), a.circle(), 1.2, 1.1)).hasMessageContaining("no width");
    }
}
