package stillglass.grade.example;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.grade.Lobe;
import stillglass.grade.Streak;
import stillglass.grade.Veiled;

class ExamplePictureTest {
    private static int green(int[] picture, double x, double y) {
        return picture[(int) ((1 - y) * ExamplePicture.HIGH) * ExamplePicture.WIDE + (int) (x * ExamplePicture.WIDE)] >> 8 & 255;
    }

    private static int[] veiled(double share, Lobe lobe) {
        return ExamplePicture.of(45, List.of(new ExamplePicture.Layer(Veiled.evenly(share), lobe)), 0);
    }

    @Test
    void aCleanLensTakesTheSceneAsItIs() {
        assertThat(veiled(0, Lobe.USUAL)).isEqualTo(ExamplePicture.of(45, List.of(), 0));
        assertThat(green(ExamplePicture.of(45, List.of(), 0), QuayScene.LAMP_X, QuayScene.LAMP_Y)).as("the lamp").isEqualTo(255);
    }

    @Test
    void aVeilGlowsAboutTheLampAndLessFarFromIt() {
        int[] clean = ExamplePicture.of(45, List.of(), 0);
        int[] hazy = veiled(0.1, Lobe.USUAL);
        double beside = green(hazy, QuayScene.LAMP_X + 0.05, 0.64) - green(clean, QuayScene.LAMP_X + 0.05, 0.64);
        double far = green(hazy, 0.05, 0.64) - green(clean, 0.05, 0.64);
        assertThat(beside).isGreaterThan(far + 5);
        assertThat(green(hazy, 0.02, 0.015)).as("what is dark is paler").isGreaterThan(green(clean, 0.02, 0.015));
    }

    /// Wide lobes lose light past the picture's edge and get as much from beyond; narrow ones keep nearly all where it was.
    @ParameterizedTest
    @ValueSource(doubles = {1, 3, 30, 300})
    void noMoreIsThrownThanThereIs(double structure) {
        double[] kernel = ExamplePicture.kernel(new Lobe(structure, 3), Math.toRadians(45) / 96);
        assertThat(Arrays.stream(kernel).sum()).isLessThanOrEqualTo(1 + 1e-9);
        assertThat(Arrays.stream(kernel).min().orElseThrow()).isNotNegative();
        if (structure >= 30) {
            assertThat(kernel[63 * 191 + 95]).as("specks throw light hardly aside").isGreaterThan(structure > 100 ? 0.8 : 0.09);
        }
    }

    /// A cell's share is the lobe's mean over its solid angle, here summed finely at some cells beside the middle.
    @Test
    void aCellGetsTheLobeOverItsSolidAngle() {
        double cell = Math.toRadians(45) / 96;
        Lobe lobe = new Lobe(3, 3);
        double[] kernel = ExamplePicture.kernel(lobe, cell);
        for (int[] at : new int[][] {{0, 0}, {1, 0}, {2, 2}, {6, 3}, {20, 10}}) {
            double sum = 0;
            int n = 40;
            for (int k = 0; k < n * n; k++) {
                sum += lobe.per(Math.hypot(at[0] + (k % n + 0.5) / n - 0.5, at[1] + (k / n + 0.5) / n - 0.5) * cell) * cell * cell / n / n;
            }
            assertThat(kernel[(63 + at[1]) * 191 + 95 + at[0]]).as("%d %d", at[0], at[1]).isCloseTo(sum, within(0.01 * sum));
        }
    }

    /// A scratch from side to side throws light up and down; one that rises to the right, seen from the front, rises to the left in the picture and streaks across that.
    @Test
    void aScratchThrowsLightAcrossItself() {
        double cell = Math.toRadians(45) / 96;
        double[] flat = ExamplePicture.kernel(new Lobe(8, 2), cell, List.of(new Streak(0, 1)));
        double[] rising = ExamplePicture.kernel(new Lobe(8, 2), cell, List.of(new Streak(Math.PI / 4, 1)));
        for (int d : new int[] {3, 10, 30}) {
            assertThat(at(flat, 0, d)).isCloseTo(at(flat, 0, -d), within(1e-12)).isGreaterThan(1e-4);
            assertThat(at(flat, d, 0)).isZero();
            assertThat(at(rising, d, -d)).as("right and up").isGreaterThan(1e-4);
            assertThat(at(rising, d, d)).as("right and down").isZero();
        }
        // What goes past the grid is no part of it: up and down it reaches 63 cells and a half of one.
        Lobe lobe = new Lobe(8, 2);
        assertThat(Arrays.stream(flat).sum()).isCloseTo(Math.atan(63.5 * cell / lobe.rollOff()) / Math.atan(Math.PI / 2 / lobe.rollOff()), within(0.01));
        int[] clean = ExamplePicture.of(45, List.of(), 0);
        int[] scratched = ExamplePicture.of(45, List.of(new ExamplePicture.Layer(Veiled.evenly(0.05), lobe, List.of(new Streak(Math.PI / 2, 1)))), 0);
        int beside = green(scratched, QuayScene.LAMP_X + 0.06, QuayScene.LAMP_Y) - green(clean, QuayScene.LAMP_X + 0.06, QuayScene.LAMP_Y);
        int above = green(scratched, QuayScene.LAMP_X, QuayScene.LAMP_Y - 0.09) - green(clean, QuayScene.LAMP_X, QuayScene.LAMP_Y - 0.09);
        assertThat(beside).as("an upright scratch streaks to the sides of the lamp").isGreaterThan(above + 5);
    }

    /// @param right columns
    /// @param down rows
    private static double at(double[] kernel, int right, int down) {
        return kernel[(63 + down) * 191 + 95 + right];
    }

    @Test
    void anglesThatNoPictureTakesInAreRefused() {
        assertThatThrownBy(() -> ExamplePicture.of(Double.NaN, List.of(), 0)).hasMessageContaining("NaN");
        assertThatThrownBy(() -> ExamplePicture.of(200, List.of(), 0)).hasMessageContaining("200");
        assertThat(ExamplePicture.widthDeg(36, 18)).isCloseTo(90, within(1e-9));
    }
}
