package stillglass.look.closeup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Comparator;
import java.util.HashSet;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
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

    /// @param glass light within the rim
    private static CloseUp whole(double glass, double mount) {
        return seen(glass, mount).lightAlone();
    }

    private static CloseUp seen(double glass, double mount) {
        CloseUp out = new CloseUp(Sight.WHOLE, Lighting.AGAINST, 410.0 / 360, 0);
        for (int k = 0; k < CloseUp.SIDE * CloseUp.SIDE; k++) {
            double r = Math.hypot(k % CloseUp.SIDE - 15.5, k / CloseUp.SIDE - 15.5) * 820 / CloseUp.SIDE / 360;
            // Beyond the mount lies a lit room.
            out.set(CloseUpTrait.LIGHT, k, CloseUp.light(r < 1 ? glass : r < 1.25 ? mount : 1));
            out.set(CloseUpTrait.RADIUS, k, 2 * r);
            out.set(CloseUpTrait.FINE, k, 3);
        }
        return out;
    }

    /// The light of a whole glass is told over that of the mount about it, whatever the exposure; what else was seen is left out.
    @Test
    void theLightOfAWholeGlassIsThatOverItsMount() {
        int middle = 16 * CloseUp.SIDE + 16;
        int room = 0;
        CloseUp once = whole(0.1, 0.05);
        assertThat(once.get(CloseUpTrait.LIGHT, middle)).isCloseTo(Math.log(0.104 / 0.054), within(0.1));
        assertThat(once.get(CloseUpTrait.LIGHT, room)).isCloseTo(Math.log(1.004 / 0.054), within(0.1));
        assertThat(whole(0.4, 0.2).get(CloseUpTrait.LIGHT, middle)).isCloseTo(Math.log(2), within(0.1));
        assertThat(whole(0.05, 0.1).get(CloseUpTrait.LIGHT, middle)).isCloseTo(-Math.log(0.104 / 0.054), within(0.1));
        assertThat(once.get(CloseUpTrait.RADIUS, middle)).isCloseTo(0.1, within(0.06));
        assertThat(once.get(CloseUpTrait.FINE, middle)).isZero();
        assertThat(once.facts()).isEqualTo(whole(0.4, 0.2).facts());
    }

    /// However another camera takes it, what is lighter than the mount stays so and what is darker, too, at its distance from the middle; a spot to the right comes to lie in all four directions, and nothing is taken twice alike.
    @Test
    void takenOtherwiseAGlassStaysAsHazyAsItIs() {
        CloseUp hazy = seen(0.1, 0.05);
        CloseUp dark = seen(0.02, 0.05);
        hazy.set(CloseUpTrait.LIGHT, 16 * CloseUp.SIDE + 22, CloseUp.light(0.9));
        SplittableRandom random = new SplittableRandom(4);
        Set<Integer> spots = new HashSet<>();
        Set<Double> levels = new HashSet<>();
        for (int i = 0; i < 60; i++) {
            CloseUp h = hazy.lightAlone(random);
            CloseUp d = dark.lightAlone(random);
            int lightest = IntStream.range(0, CloseUp.SIDE * CloseUp.SIDE).filter(k -> h.get(CloseUpTrait.RADIUS, k) < 1.9).boxed().max(Comparator.comparingDouble(k -> h.get(CloseUpTrait.LIGHT, k))).orElseThrow();
            spots.add(lightest);
            int inside = 12 * CloseUp.SIDE + 12;
            levels.add(h.get(CloseUpTrait.LIGHT, inside));
            assertThat(h.get(CloseUpTrait.LIGHT, inside)).isPositive();
            assertThat(d.get(CloseUpTrait.LIGHT, inside)).isNegative();
            assertThat(h.get(CloseUpTrait.RADIUS, lightest)).isCloseTo(hazy.get(CloseUpTrait.RADIUS, 16 * CloseUp.SIDE + 22), within(0.06));
        }
        assertThat(spots).hasSize(8);
        assertThat(levels).hasSizeGreaterThan(8);
    }
}
