package stillglass.look.glance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class GridTest {
    private static final int SIDE = 12;
    private static final Grid GRID = new Grid(SIDE, 4);
    private final SplittableRandom random = new SplittableRandom(5);

    private float[][] planes(int count) {
        float[][] out = GRID.blank(count);
        for (float[] plane : out) {
            for (int i = 0; i < SIDE * SIDE; i++) {
                plane[GRID.place(i)] = (float) random.nextGaussian();
            }
        }
        return out;
    }

    private float[] weights(int ins, int outs) {
        float[] out = new float[Grid.size(ins, outs)];
        for (int i = 0; i < out.length; i++) {
            out[i] = (float) random.nextGaussian();
        }
        return out;
    }

    /// Neighbour by neighbour, nothing beyond the border.
    private static double plain(float[][] from, float[] weights, int out, int cell, int apart) {
        int each = from.length * Grid.TAPS + 1;
        double sum = weights[(out + 1) * each - 1];
        for (int c = 0; c < from.length; c++) {
            for (int t = 0; t < Grid.TAPS; t++) {
                int x = cell % SIDE + (t % 3 - 1) * apart;
                int y = cell / SIDE + (t / 3 - 1) * apart;
                boolean in = x >= 0 && y >= 0 && x < SIDE && y < SIDE;
                sum += in ? weights[out * each + c * Grid.TAPS + t] * from[c][GRID.place(y * SIDE + x)] : 0;
            }
        }
        return sum;
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 4})
    void eachCellIsConvolvedWithItsNeighbours(int apart) {
        float[][] from = planes(3);
        float[] w = weights(3, 2);
        float[][] to = GRID.bent(from, 2, w, 0, apart);
        for (int o = 0; o < 2; o++) {
            for (int i = 0; i < SIDE * SIDE; i++) {
                assertThat(to[o][GRID.place(i)]).isCloseTo((float) Math.max(0, plain(from, w, o, i, apart)), within(1e-4f));
            }
        }
    }

    @Test
    void theBorderStaysEmpty() {
        float[][] to = GRID.bent(planes(2), 1, weights(2, 1), 0, 2);
        double inside = 0;
        double all = 0;
        for (float v : to[0]) {
            all += v;
        }
        for (int i = 0; i < SIDE * SIDE; i++) {
            inside += to[0][GRID.place(i)];
        }
        assertThat(inside).isPositive().isCloseTo(all, within(1e-9));
    }

    /// How a sum over what comes out changes with a weight, and with what goes in: once by differences of the plain sum.
    @ParameterizedTest
    @ValueSource(ints = {1, 4})
    void slopesAreThoseOfThePlainSum(int apart) {
        float[][] from = planes(2);
        float[] w = weights(2, 3);
        float[][] slope = planes(3);
        float[] byWeight = new float[w.length];
        GRID.slopes(from, slope, byWeight, 0, apart);
        float[][] byInput = GRID.blank(2);
        GRID.back(slope, byInput, w, 0, apart);
        for (int k = 0; k < w.length; k++) {
            float old = w[k];
            w[k] = old + 1;
            double more = sum(from, w, slope, apart);
            w[k] = old;
            assertThat(byWeight[k]).isCloseTo((float) (more - sum(from, w, slope, apart)), within(1e-3f));
        }
        for (int i : new int[] {0, 5, 60, SIDE * SIDE - 1}) {
            int at = GRID.place(i);
            double before = sum(from, w, slope, apart);
            from[1][at] += 1;
            assertThat(byInput[1][at]).isCloseTo((float) (sum(from, w, slope, apart) - before), within(1e-3f));
        }
    }

    private static double sum(float[][] from, float[] w, float[][] slope, int apart) {
        double sum = 0;
        for (int o = 0; o < slope.length; o++) {
            for (int i = 0; i < SIDE * SIDE; i++) {
                sum += slope[o][GRID.place(i)] * plain(from, w, o, i, apart);
            }
        }
        return sum;
    }
}
