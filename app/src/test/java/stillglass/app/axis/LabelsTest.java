package stillglass.app.axis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LabelsTest {
    @Test
    void labelsWithRoomStayWhereTheyWantToBe() {
        assertThat(Labels.apart(new double[] {20, 60, 100}, 15, 0, 200)).containsExactly(20, 60, 100);
    }

    @Test
    void noLabelsNeedNoRoom() {
        assertThat(Labels.apart(new double[0], 15, 0, 200)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void labelsNeverCollideAndKeepTheirOrder(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double[] wanted = new double[1 + random.nextInt(12)];
        for (int i = 0; i < wanted.length; i++) {
            wanted[i] = 200 * random.nextDouble();
        }
        double[] at = Labels.apart(wanted, 15, 10, 190);
        double[] sorted = at.clone();
        Arrays.sort(sorted);
        for (int i = 1; i < sorted.length; i++) {
            assertThat(sorted[i] - sorted[i - 1]).as("seed %d", seed).isGreaterThanOrEqualTo(15 - 1e-9);
        }
        for (int i = 0; i < at.length; i++) {
            assertThat(at[i]).isBetween(10.0 - 1e-9, 190.0 + 1e-9);
            for (int k = 0; k < at.length; k++) {
                if (wanted[i] < wanted[k]) {
                    assertThat(at[i]).isLessThan(at[k]);
                }
            }
        }
    }

    @Test
    void tooManyLabelsShareTheRoomEvenly() {
        double[] wanted = new double[30];
        Arrays.fill(wanted, 50);
        double[] at = Labels.apart(wanted, 15, 0, 100);
        Arrays.sort(at);

        assertThat(at[0]).isCloseTo(0, within(1e-9));
        assertThat(at[29]).isCloseTo(100, within(1e-9));
        assertThat(at[1] - at[0]).isCloseTo(100 / 29.0, within(1e-9));
    }
}
