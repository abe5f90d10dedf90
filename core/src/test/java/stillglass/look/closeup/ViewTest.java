package stillglass.look.closeup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import stillglass.look.Lighting;
import stillglass.look.kinds.Sight;

class ViewTest {
    private static final int SIDE = CloseUp.SIDE;

    private static View spot(int x, int y) {
        CloseUp c = new CloseUp(Sight.AREA, Lighting.AGAINST, 0.2, 0.5);
        for (CloseUpTrait t : CloseUpTrait.values()) {
            for (int k = 0; k < SIDE * SIDE; k++) {
                c.set(t, k, 3 * Math.exp(-0.5 * (Math.pow(k % SIDE - x, 2) + Math.pow(k / SIDE - y, 2)) / 9));
            }
        }
        float[] scale = new float[CloseUpNet.TRAITS];
        Arrays.fill(scale, 1);
        return View.of(c, new float[CloseUpNet.TRAITS], scale);
    }

    private static int peak(float[] plane) {
        int best = 0;
        for (int i = 1; i < plane.length; i++) {
            best = plane[i] > plane[best] ? i : best;
        }
        return best;
    }

    @Test
    void traitsAreBroughtToTheMeanAndCutShort() {
        CloseUp c = new CloseUp(Sight.AREA, Lighting.AGAINST, 0.2, 0.5);
        c.set(CloseUpTrait.LIGHT, 3, 2);
        c.set(CloseUpTrait.LIGHT, 4, -6);
        float[] mean = new float[CloseUpNet.TRAITS];
        float[] scale = new float[CloseUpNet.TRAITS];
        Arrays.fill(mean, 1);
        Arrays.fill(scale, 0.5f);
        float[] plane = View.of(c, mean, scale).planes()[0];
        assertThat(plane[3]).isEqualTo(2);
        assertThat(plane[4]).isEqualTo(-5);
        assertThat(plane[5]).isEqualTo(-2);
    }

    @Test
    void mirroredIsTheOtherWayRound() {
        View v = spot(5, 9);
        assertThat(peak(v.mirrored().planes()[4])).isEqualTo(9 * SIDE + SIDE - 6);
        assertThat(v.mirrored().facts()).isEqualTo(v.facts());
    }

    /// Another time the thing is about where it was, on the left as often as on the right, stronger or weaker, and still a spot.
    @Test
    void anotherTimeItIsStillTheSameThing() {
        View v = spot(8, 16);
        SplittableRandom random = new SplittableRandom(4);
        int left = 0;
        int seen = 0;
        double most = 0;
        double least = 9;
        double half = 0;
        double off = 0;
        for (int k = 0; k < 400; k++) {
            View other = v.another(random);
            float[] plane = other.planes()[0];
            int at = peak(plane);
            double mean = 0;
            for (float p : plane) {
                assertThat(Math.abs(p)).isLessThanOrEqualTo(5);
                mean += p / plane.length;
            }
            half += Math.abs(other.facts()[CloseUp.MEASURED] - v.facts()[CloseUp.MEASURED]) / 400;
            assertThat(Arrays.copyOf(other.facts(), CloseUp.MEASURED)).isEqualTo(Arrays.copyOf(v.facts(), CloseUp.MEASURED));
            double height = plane[at] - mean;
            if (height > 1) {
                seen++;
                left += at % SIDE < 16 ? 1 : 0;
                most = Math.max(most, height);
                least = Math.min(least, height);
                off += Math.hypot(Math.abs(at % SIDE - 15.5) - 7.5, at / SIDE - 16);
            }
        }
        assertThat(seen).as("left out in a seventh").isBetween(280, 380);
        assertThat(off / seen).as("cells away from where it was").isBetween(1.0, 4.0);
        assertThat(left / (double) seen).isCloseTo(0.5, within(0.12));
        assertThat(most).isGreaterThan(1.8 * least);
        assertThat(half).isCloseTo(0.16, within(0.04));
        assertThat(v.planes()[0][peak(v.planes()[0])]).as("what it is made from stays").isEqualTo(3);
    }
}
