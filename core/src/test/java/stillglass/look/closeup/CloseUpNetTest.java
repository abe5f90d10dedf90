package stillglass.look.closeup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.kinds.Sight;
import stillglass.look.net.Descent;
import stillglass.look.net.Grid;
import stillglass.look.net.Told;

class CloseUpNetTest {
    private static CloseUpNet any(long seed) {
        return CloseUpNet.begun(new float[CloseUpNet.TRAITS], ones(CloseUpNet.TRAITS), seed);
    }

    private static float[] ones(int count) {
        float[] out = new float[count];
        Arrays.fill(out, 1);
        return out;
    }

    private static CloseUp noise(long seed, Sight sight, double half) {
        SplittableRandom random = new SplittableRandom(seed);
        CloseUp out = new CloseUp(sight, Lighting.AGAINST, half, 0.4);
        for (CloseUpTrait t : CloseUpTrait.values()) {
            for (int i = 0; i < CloseUp.SIDE * CloseUp.SIDE; i++) {
                out.set(t, i, random.nextGaussian());
            }
        }
        return out;
    }

    private static List<CloseUp> noises(int count) {
        return IntStream.range(0, count).mapToObj(i -> noise(i, Sight.values()[i % 4], 0.05 * (1 + i))).toList();
    }

    @ParameterizedTest
    @EnumSource(Lighting.class)
    void whatIsWrittenIsReadBack(Lighting lighting) {
        CloseUpNet net = CloseUpNet.shipped(lighting);
        CloseUpNet again = CloseUpNet.parse(net.print().lines().toList());
        double[] one = net.look(noises(1)).getFirst();
        double[] other = again.look(noises(1)).getFirst();
        for (int k = 0; k < one.length; k++) {
            assertThat(other[k]).isCloseTo(one[k], within(1e-2));
        }
        assertThatThrownBy(() -> CloseUpNet.parse(List.of("mean 1"))).hasMessageContaining("mean");
    }

    /// Things that are looked at together know nothing of each other.
    @Test
    void eachThingIsToldByItself() {
        CloseUpNet net = any(3);
        List<CloseUp> things = noises(21);
        List<double[]> together = net.look(things);
        for (int i = 0; i < things.size(); i++) {
            double[] alone = net.look(List.of(things.get(i))).getFirst();
            assertThat(Arrays.stream(alone).sum()).isCloseTo(1, within(1e-6));
            for (int k = 0; k < alone.length; k++) {
                assertThat(together.get(i)[k]).isCloseTo(alone[k], within(1e-4));
            }
        }
        assertThat(together.get(0)[0]).isNotCloseTo(together.get(1)[0], within(1e-3));
        assertThat(net.look(List.of())).isEmpty();
    }

    /// How a thing stands out, before what, how large it is and where say something, too.
    @Test
    void factsAreHeard() {
        CloseUpNet net = any(5);
        double[] usual = net.look(List.of(new CloseUp(Sight.FINE, Lighting.AGAINST, 0.1, 0.4))).getFirst();
        for (CloseUp other : List.of(new CloseUp(Sight.AREA, Lighting.AGAINST, 0.1, 0.4), new CloseUp(Sight.FINE, Lighting.BRIGHT, 0.1, 0.4),
                new CloseUp(Sight.FINE, Lighting.AGAINST, 0.3, 0.4), new CloseUp(Sight.FINE, Lighting.AGAINST, 0.1, 0.9))) {
            assertThat(net.look(List.of(other)).getFirst()[2]).isNotCloseTo(usual[2], within(1e-6));
        }
    }

    /// Along the slope of all weights, and of the first layer's alone, which reach the scores through every other layer, the sum of the scores rises as steeply as that is long: from differences.
    @Test
    void theSlopeIsThatOfTheScores() {
        CloseUpNet net = any(7);
        List<CloseUp> things = noises(5);
        SplittableRandom random = new SplittableRandom(9);
        float[] heard = new float[things.size() * CloseUpNet.SUMS];
        for (int i = 0; i < heard.length; i++) {
            heard[i] = random.nextInt(4);
        }
        float[][] by = new float[things.size()][CloseUpNet.KINDS];
        for (float[] row : by) {
            for (int k = 0; k < row.length; k++) {
                row[k] = (float) random.nextGaussian();
            }
        }
        float[] slope = new float[CloseUpNet.size()];
        CloseUpNet.Pass pass = net.new Pass(things.size());
        pass.forward(things.stream().map(net::view).toList(), heard);
        pass.backward(by, slope);
        rises(net, slope, things, heard, by);
        Arrays.fill(slope, Grid.size(CloseUpNet.TRAITS, CloseUpNet.WIDTHS[0]), slope.length, 0);
        rises(net, slope, things, heard, by);
    }

    private static void rises(CloseUpNet net, float[] slope, List<CloseUp> things, float[] heard, float[][] by) {
        double length = Math.sqrt(IntStream.range(0, slope.length).mapToDouble(i -> (double) slope[i] * slope[i]).sum());
        double step = 2e-3;
        double rise = (along(net, slope, step / length, things, heard, by) - along(net, slope, -step / length, things, heard, by)) / (2 * step);
        assertThat(rise / length).isCloseTo(1, within(0.01));
    }

    private static double along(CloseUpNet net, float[] direction, double far, List<CloseUp> things, float[] heard, float[][] by) {
        float[] moved = net.weights.clone();
        for (int i = 0; i < moved.length; i++) {
            moved[i] += (float) (far * direction[i]);
        }
        double[][] out = new CloseUpNet(net.mean, net.scale, moved).new Pass(things.size()).forward(things.stream().map(net::view).toList(), heard);
        return IntStream.range(0, out.length).mapToDouble(i -> IntStream.range(0, CloseUpNet.KINDS).mapToDouble(k -> out[i][k] * by[i][k]).sum()).sum();
    }

    /// A ring is a bubble and a disc an oil drop, of any size and wherever in the window; learned on some, told on others.
    @Test
    void shapesAreLearned() {
        List<String> told = new ArrayList<>();
        CloseUpNet net = CloseUpLearning.learn(IntStream.range(0, 600).mapToObj(CloseUpNetTest::shape).toList(), new Descent.Rounds(6, 8, told::add));
        List<CloseUpLearning.Example> check = IntStream.range(10_000, 10_200).mapToObj(CloseUpNetTest::shape).toList();
        assertThat(told).hasSize(6);
        Told how = CloseUpLearning.told(net.print(), check);
        assertThat(how.right()).isGreaterThan(0.9);
        assertThat(how.loss()).isLessThan(0.4);
        assertThat(CloseUpLearning.told(any(2).print(), check).loss()).as("what has not learned").isGreaterThan(1.5);
    }

    private static CloseUpLearning.Example shape(int seed) {
        SplittableRandom random = new SplittableRandom(seed);
        boolean ring = random.nextBoolean();
        CloseUp out = new CloseUp(Sight.FINE, Lighting.AGAINST, 0.1, 0.5);
        double r = 5 + 6 * random.nextDouble();
        double x = 16 + 4 * (random.nextDouble() - 0.5);
        double y = 16 + 4 * (random.nextDouble() - 0.5);
        for (int i = 0; i < CloseUp.SIDE * CloseUp.SIDE; i++) {
            double d = Math.hypot(i % CloseUp.SIDE - x, i / CloseUp.SIDE - y);
            boolean on = ring ? Math.abs(d - r) < 1 : d < r;
            out.set(CloseUpTrait.FINE, i, (on ? 2 : 0) + 0.3 * random.nextGaussian());
        }
        return new CloseUpLearning.Example(out, ring ? FindingKind.BUBBLE : FindingKind.OIL, ring ? 2 : 1);
    }

    /// Glass lighter than its mount is hazy and glass darker than it is clear, in photos of any exposure: all that were learned from are dark when hazy and light when clear, those that are told the other way round.
    @Test
    void hazeIsLearnedWhateverTheExposure() {
        CloseUpNet net = CloseUpLearning.learnWholes(IntStream.range(0, 96).mapToObj(i -> glass(i, i % 2 == 0 ? 0.02 : 0.2)).toList(), new Descent.Rounds(10, 8, s -> {}));
        List<CloseUpLearning.Example> check = IntStream.range(500, 560).mapToObj(i -> glass(i, i % 2 == 0 ? 0.2 : 0.02)).toList();
        assertThat(CloseUpLearning.told(net.print(), CloseUpLearning.lightAlone(check)).right()).isGreaterThan(0.9);
    }

    /// @param seed even when it is hazy
    private static CloseUpLearning.Example glass(int seed, double mount) {
        SplittableRandom random = new SplittableRandom(seed);
        boolean hazy = seed % 2 == 0;
        double over = hazy ? 1.5 + random.nextDouble() : 0.2 + 0.3 * random.nextDouble();
        CloseUp out = new CloseUp(Sight.WHOLE, Lighting.AGAINST, 410.0 / 360, 0);
        for (int i = 0; i < CloseUp.SIDE * CloseUp.SIDE; i++) {
            double r = Math.hypot(i % CloseUp.SIDE - 15.5, i / CloseUp.SIDE - 15.5) * 820 / CloseUp.SIDE / 360;
            out.set(CloseUpTrait.LIGHT, i, CloseUp.light(mount * (r < 1 ? over : 1) * (1 + 0.1 * random.nextGaussian())));
            out.set(CloseUpTrait.RADIUS, i, 2 * r);
        }
        return new CloseUpLearning.Example(out, hazy ? FindingKind.HAZE : FindingKind.UNKNOWN, 1);
    }
}
