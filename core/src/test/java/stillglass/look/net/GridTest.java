package stillglass.look.net;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
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

    /// Squares one below the other are each convolved as if they were alone.
    @Test
    void squaresKnowNothingOfEachOther() {
        Grid three = new Grid(SIDE, 4, 3);
        float[][] apart = new float[3][];
        float[][] together = three.blank(2);
        float[] w = weights(2, 1);
        float[] slopes = new float[w.length];
        float[] sum = new float[w.length];
        float[][] by = three.blank(1);
        float[][] back = three.blank(2);
        List<float[][]> backs = new ArrayList<>();
        for (int k = 0; k < 3; k++) {
            float[][] one = planes(2);
            float[][] slope = planes(1);
            apart[k] = GRID.bent(one, 1, w, 0, 4)[0];
            GRID.slopes(one, slope, sum, 0, 4);
            backs.add(GRID.blank(2));
            GRID.back(slope, backs.get(k), w, 0, 4);
            for (int i = 0; i < SIDE * SIDE; i++) {
                int at = three.place(k * SIDE * SIDE + i);
                together[0][at] = one[0][GRID.place(i)];
                together[1][at] = one[1][GRID.place(i)];
                by[0][at] = slope[0][GRID.place(i)];
            }
        }
        float[] out = three.bent(together, 1, w, 0, 4)[0];
        three.slopes(together, by, slopes, 0, 4);
        three.back(by, back, w, 0, 4);
        assertThat(three.cells()).isEqualTo(3 * SIDE * SIDE);
        for (int i = 0; i < three.cells(); i++) {
            int k = i / (SIDE * SIDE);
            int at = GRID.place(i % (SIDE * SIDE));
            assertThat(out[three.place(i)]).isCloseTo(apart[k][at], within(1e-4f));
            assertThat(back[1][three.place(i)]).isCloseTo(backs.get(k)[1][at], within(1e-4f));
        }
        for (int k = 0; k < w.length; k++) {
            assertThat(slopes[k]).isCloseTo(sum[k], within(2e-3f));
        }
        float all = 0;
        for (float v : out) {
            all += v;
        }
        float inside = 0;
        for (int i = 0; i < three.cells(); i++) {
            inside += out[three.place(i)];
        }
        assertThat(inside).as("the border stays empty").isCloseTo(all, within(1e-2f));
    }

    /// Of every four the strongest, and the slope goes back to it alone.
    @Test
    void theStrongestOfFourIsKept() {
        Grid cells = new Grid(4, 1, 2);
        Grid half = new Grid(2, 1, 2);
        float[] plane = cells.blank(1)[0];
        for (int i = 0; i < cells.cells(); i++) {
            plane[cells.place(i)] = i * 7 % 32;
        }
        int[] where = new int[half.cells()];
        float[] kept = cells.pooled(plane, half, where);
        float[] slope = half.blank(1)[0];
        for (int p = 0; p < half.cells(); p++) {
            int corner = p / 4 * 16 + p % 4 / 2 * 8 + p % 2 * 2;
            float most = 0;
            for (int k : new int[] {0, 1, 4, 5}) {
                most = Math.max(most, (corner + k) * 7 % 32);
            }
            assertThat(kept[half.place(p)]).isEqualTo(most);
            slope[half.place(p)] = p + 1;
        }
        float[] back = cells.unpooled(slope, plane, half, where);
        double sum = 0;
        for (int i = 0; i < cells.cells(); i++) {
            sum += back[cells.place(i)] * plane[cells.place(i)];
        }
        double expected = 0;
        for (int p = 0; p < half.cells(); p++) {
            expected += (p + 1) * kept[half.place(p)];
        }
        assertThat(sum).isCloseTo(expected, within(1e-3));
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
