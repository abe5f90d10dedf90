package stillglass.prove;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ProveTest {
    private static final List<Double> STOCK = List.of(0.02, 0.03, 0.05, 0.1, 0.2);

    @Test
    void anImageBehindTheFilmWantsMoreShim() {
        InfinityShims.Stack s = InfinityShims.choose(0.12, 0.3, STOCK, 0.005).orElseThrow();

        assertThat(s.totalMm()).isCloseTo(0.42, within(0.005));
        assertThat(s.leftMm()).isCloseTo(0, within(0.005));
    }

    @Test
    void theFewestPiecesAreChosen() {
        // 0.30 = 0.2 + 0.1, not three times 0.1.
        assertThat(InfinityShims.choose(0, 0.30, STOCK, 0.001).orElseThrow().pieces()).containsExactly(0.2, 0.1);
    }

    @Test
    void noShimAtAllIsAnAnswer() {
        assertThat(InfinityShims.choose(-0.1, 0.1, STOCK, 0.005).orElseThrow().pieces()).isEmpty();
    }

    @Test
    void lessThanNothingCannotBeFitted() {
        assertThat(InfinityShims.choose(-0.3, 0.1, STOCK, 0.01)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void agreesWithTryingEveryStack(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double error = 0.5 * random.nextDouble();
        double tolerance = 0.004;
        List<Double> stock = List.of(0.03, 0.05 + 0.01 * random.nextInt(3), 0.1);
        Optional<InfinityShims.Stack> found = InfinityShims.choose(error, 0, stock, tolerance);
        int fewest = fewest(error, stock, tolerance);

        assertThat(found.map(s -> s.pieces().size()).orElse(-1)).as("seed %d", seed).isEqualTo(fewest);
        found.ifPresent(s -> assertThat(Math.abs(error - s.totalMm())).isLessThanOrEqualTo(tolerance + 1e-9));
    }

    /// Counts of each of three thicknesses, five pieces at most, by plain enumeration.
    private static int fewest(double wanted, List<Double> stock, double tolerance) {
        int best = -1;
        for (int a = 0; a <= 5; a++) {
            for (int b = 0; a + b <= 5; b++) {
                for (int c = 0; a + b + c <= 5; c++) {
                    double sum = a * stock.get(0) + b * stock.get(1) + c * stock.get(2);
                    if (Math.abs(sum - wanted) <= tolerance && (best < 0 || a + b + c < best)) {
                        best = a + b + c;
                    }
                }
            }
        }
        return best;
    }

    @Test
    void depthOfFocusIsStopTimesCircle() {
        assertThat(InfinityShims.hiddenMm(2, 0.03)).isCloseTo(0.06, within(1e-12));
    }

    @Test
    void veilChangeIsThePairedMean() {
        List<Double> before = Collections.nCopies(32, 0.08);
        List<Double> after = Collections.nCopies(32, 0.02);
        VeilChange v = VeilChange.of(before, after, 0, 0);

        assertThat(v.change()).isCloseTo(-0.06, within(1e-12));
        assertThat(v.halfWidth()).isCloseTo(0, within(1e-12));
        assertThat(v.clearer()).isTrue();
    }

    @Test
    void scatterWidensTheInterval() {
        // Differences of ±0.01 about −0.06: s = 0.01016, half width = 2.04 · s / √32 = 0.00366.
        List<Double> before = Collections.nCopies(32, 0.08);
        List<Double> after = new ArrayList<>();
        for (int i = 0; i < 32; i++) {
            after.add(0.02 + (i % 2 == 0 ? 0.01 : -0.01));
        }
        VeilChange v = VeilChange.of(before, after, 0, 0);

        assertThat(v.change()).isCloseTo(-0.06, within(1e-12));
        assertThat(v.halfWidth()).isCloseTo(0.00366, within(0.00002));
    }

    /// What is common to all sectors of a photo is not told by how they differ.
    @Test
    void exposuresAndStrayLightWidenTheIntervalOfEvenGlass() {
        VeilChange v = VeilChange.of(Collections.nCopies(32, 0.30), Collections.nCopies(32, 0.40), 0.1, 0.015);

        // √(0.015² + 0.1²·(0.3² + 0.4²)) = √(0.000225 + 0.0025)
        assertThat(v.halfWidth()).isCloseTo(0.0522, within(0.0001));
        assertThat(VeilChange.of(Collections.nCopies(32, 0.02), Collections.nCopies(32, 0.01), 0.1, 0.015).clearer()).as("a point of light may be the room's").isFalse();
    }

    @ParameterizedTest
    @ValueSource(longs = {100, 200, 300})
    void theIntervalHoldsTheTruthAboutNineteenTimesInTwenty(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int inside = 0;
        int trials = 400;
        for (int t = 0; t < trials; t++) {
            List<Double> before = new ArrayList<>();
            List<Double> after = new ArrayList<>();
            for (int i = 0; i < 32; i++) {
                double glass = 0.05 + 0.02 * random.nextDouble();
                before.add(glass + 0.004 * random.nextGaussian());
                after.add(glass - 0.03 + 0.004 * random.nextGaussian());
            }
            VeilChange v = VeilChange.of(before, after, 0, 0);
            inside += Math.abs(v.change() + 0.03) <= v.halfWidth() ? 1 : 0;
        }
        // 95 % with a binomial standard deviation of 1.1 %: four of them either way.
        assertThat(inside / (double) trials).as("seed %d", seed).isBetween(0.906, 0.994);
    }

    @Test
    void unequalSectorsAreRefused() {
        assertThatThrownBy(() -> VeilChange.of(Collections.nCopies(8, 0.1), Collections.nCopies(9, 0.1), 0, 0)).hasMessageContaining("equal numbers");
        assertThatThrownBy(() -> VeilChange.of(List.of(0.1), List.of(0.1), 0, 0)).hasMessageContaining("at least 8");
    }
}
