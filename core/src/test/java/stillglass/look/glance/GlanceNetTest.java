package stillglass.look.glance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import stillglass.look.FindingKind;
import stillglass.look.net.Descent;
import stillglass.look.net.Grid;
import stillglass.look.net.Told;

class GlanceNetTest {
    private static final int PARTS = Glance.PARTS * Glance.PARTS;
    private static final float[] PLAIN = plain();

    private static float[] plain() {
        float[] out = new float[GlanceNet.TRAITS];
        Arrays.fill(out, 1);
        return out;
    }

    private static GlanceNet any(long seed) {
        return GlanceNet.begun(new float[GlanceNet.TRAITS], PLAIN, seed);
    }

    private static Glance noise(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Glance out = new Glance();
        for (GlanceTrait t : GlanceTrait.values()) {
            for (int i = 0; i < Glance.SIDE * Glance.SIDE; i++) {
                out.set(t, i, random.nextGaussian());
            }
        }
        return out;
    }

    @Test
    void whatIsWrittenIsReadBack() {
        GlanceNet net = GlanceNet.shipped();
        GlanceNet again = GlanceNet.parse(net.print().lines().toList());
        int[] place = {Glance.part(0.3, 0.2), Glance.part(0.3, 0.25)};
        double[] one = net.look(noise(1)).chances(place);
        double[] other = again.look(noise(1)).chances(place);
        for (int k = 0; k < one.length; k++) {
            assertThat(other[k]).isCloseTo(one[k], within(1e-2));
        }
        assertThatThrownBy(() -> GlanceNet.parse(List.of("mean 1"))).hasMessageContaining("mean");
    }

    /// A fault elsewhere on the glass is told the same, but for what is told of its place.
    @Test
    void theSameIsSaidAtEveryPlace() {
        GlanceNet net = any(3);
        SplittableRandom random = new SplittableRandom(4);
        Glance here = new Glance();
        Glance there = new Glance();
        for (int y = 0; y < 8; y++) {
            for (int x = 0; x < 8; x++) {
                double v = 2 * random.nextGaussian();
                here.set(GlanceTrait.FINE_MOST, (50 + y) * Glance.SIDE + 48 + x, v);
                there.set(GlanceTrait.FINE_MOST, (70 + y) * Glance.SIDE + 80 + x, v);
            }
        }
        float[][] one = net.new Pass().forward(here, PLAIN);
        float[][] other = net.new Pass().forward(there, PLAIN);
        int from = 26 * Glance.PARTS + 25;
        int to = 36 * Glance.PARTS + 41;
        for (int k = 0; k < one.length; k++) {
            assertThat(other[k][to]).isCloseTo(one[k][from], within(1e-4f));
        }
        assertThat(one[0][from]).isNotCloseTo(one[0][to], within(1e-4f));
    }

    /// Along the slope of the first layer's weights, which reach the scores through every other layer, the sum of the scores rises as steeply as that is long: from differences, whatever the bends do.
    @Test
    void theSlopeIsThatOfTheScores() {
        GlanceNet net = any(7);
        Glance glance = noise(8);
        SplittableRandom random = new SplittableRandom(9);
        float[][] by = new float[GlanceNet.KINDS][PARTS];
        for (int i = 0; i < 300; i++) {
            by[random.nextInt(GlanceNet.KINDS)][random.nextInt(PARTS)] = (float) random.nextGaussian();
        }
        float[] slope = new float[GlanceNet.size()];
        GlanceNet.Pass pass = net.new Pass();
        pass.forward(glance, PLAIN);
        pass.backward(by, slope);
        rises(net, slope, glance, by);
        Arrays.fill(slope, Grid.size(GlanceNet.TRAITS, GlanceNet.NARROW), slope.length, 0);
        rises(net, slope, glance, by);
    }

    private static void rises(GlanceNet net, float[] slope, Glance glance, float[][] by) {
        double length = Math.sqrt(IntStream.range(0, slope.length).mapToDouble(i -> (double) slope[i] * slope[i]).sum());
        double step = 2e-3;
        double rise = (along(net, slope, step / length, glance, by) - along(net, slope, -step / length, glance, by)) / (2 * step);
        assertThat(rise / length).isCloseTo(1, within(0.01));
    }

    private static double along(GlanceNet net, float[] direction, double far, Glance glance, float[][] by) {
        float[] moved = net.weights.clone();
        for (int i = 0; i < moved.length; i++) {
            moved[i] += (float) (far * direction[i]);
        }
        float[][] out = new GlanceNet(net.mean, net.scale, moved).new Pass().forward(glance, PLAIN);
        return IntStream.range(0, out.length).mapToDouble(k -> IntStream.range(0, PARTS).mapToDouble(i -> (double) out[k][i] * by[k][i]).sum()).sum();
    }

    /// Scores of the parts are weighed by how much of it lies on each.
    @Test
    void chancesAreThoseOfTheMeanScore() {
        float[][] scores = new float[GlanceNet.KINDS][PARTS];
        scores[FindingKind.OIL.ordinal()][10] = 4;
        scores[FindingKind.OIL.ordinal()][11] = 1;
        double[] p = new GlanceNet.Seen(scores).chances(new int[] {10, 11, 10});
        assertThat(Arrays.stream(p).sum()).isCloseTo(1, within(1e-9));
        assertThat(p[FindingKind.OIL.ordinal()] / p[FindingKind.CHIP.ordinal()]).isCloseTo(Math.exp(3), within(1e-4));
    }

    /// A speck is dust or fungus by what stands a good way off, left or above or elsewhere; learned on some glasses, told on others.
    @Test
    void whatLiesAboutIsLearned() {
        List<GlanceLearning.Example> check = IntStream.range(1000, 1012).mapToObj(GlanceNetTest::glass).toList();
        List<String> told = new ArrayList<>();
        GlanceNet net = GlanceLearning.learn(IntStream.range(0, 48).mapToObj(GlanceNetTest::glass).toList(), new Descent.Rounds(3, 1, told::add));
        assertThat(told).hasSize(3);
        Told how = GlanceLearning.told(net.print(), check);
        assertThat(how.right()).isGreaterThan(0.9);
        assertThat(how.loss()).isLessThan(0.5);
        assertThat(GlanceLearning.told(any(2).print(), check).loss()).as("what has not learned").isGreaterThan(1.5);
    }

    private static GlanceLearning.Example glass(int seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Glance out = new Glance();
        List<GlanceLearning.Standing> standing = new ArrayList<>();
        boolean stained = random.nextBoolean();
        for (int k = 0; k < 6; k++) {
            int x = 30 + random.nextInt(76);
            int y = 30 + random.nextInt(76);
            out.set(GlanceTrait.FINE_MOST, y * Glance.SIDE + x, 4);
            for (int i = 0; stained && i < 9; i++) {
                out.set(GlanceTrait.RED, (y - 4 + i / 3) * Glance.SIDE + x + 6 + i % 3, 4);
            }
            standing.add(new GlanceLearning.Standing(new int[] {y / 2 * Glance.PARTS + x / 2}, stained ? FindingKind.FUNGUS : FindingKind.DUST, 1));
        }
        return new GlanceLearning.Example(out, standing);
    }
}
