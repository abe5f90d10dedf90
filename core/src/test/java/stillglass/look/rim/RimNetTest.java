package stillglass.look.rim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import stillglass.look.Aperture;

class RimNetTest {
    private static final int ROWS = RingProfile.RADII;

    private static RimNet any(long seed) {
        float[] mean = new float[RingProfile.CHANNELS];
        float[] scale = new float[RingProfile.CHANNELS];
        Arrays.fill(scale, 1);
        return RimNet.begun(mean, scale, seed);
    }

    private static float[][] noise(long seed) {
        Random r = new Random(seed);
        float[][] out = new float[RingProfile.CHANNELS][ROWS];
        for (float[] row : out) {
            for (int i = 0; i < ROWS; i++) {
                row[i] = (float) r.nextGaussian();
            }
        }
        return out;
    }

    @Test
    void whatIsWrittenIsReadBack() {
        RimNet net = RimNet.shipped();
        RimNet again = RimNet.parse(net.print().lines().toList());
        float[] one = net.new Pass().forward(noise(1));
        float[] other = again.new Pass().forward(noise(1));
        for (int i = 0; i < ROWS; i++) {
            assertThat(other[i]).isCloseTo(one[i], within(1e-2f));
        }
    }

    /// A lens twice as large is the same profile moved along: what is said of it moves along, too.
    @Test
    void theSameIsSaidAtEveryRadius() {
        RimNet net = any(3);
        float[][] here = new float[RingProfile.CHANNELS][ROWS];
        float[][] there = new float[RingProfile.CHANNELS][ROWS];
        float[][] seen = noise(4);
        for (int c = 0; c < here.length; c++) {
            System.arraycopy(seen[c], 0, here[c], 170, 20);
            System.arraycopy(seen[c], 0, there[c], 230, 20);
        }
        float[] one = net.new Pass().forward(here);
        float[] other = net.new Pass().forward(there);
        for (int i = 150; i < 210; i++) {
            assertThat(other[i + 60]).isCloseTo(one[i], within(1e-4f));
        }
        assertThat(one[180]).isNotCloseTo(one[20], within(1e-3f));
    }

    /// Along its own direction the loss rises as steeply as the slope is long: from differences, whatever the bends do.
    @Test
    void theSlopeIsThatOfTheScores() {
        RimNet net = any(7);
        float[][] profile = noise(8);
        float[] by = noise(9)[0];
        float[] slope = new float[RimNet.size()];
        RimNet.Pass pass = net.new Pass();
        pass.forward(profile);
        pass.backward(by, slope);
        double length = Math.sqrt(IntStream.range(0, slope.length).mapToDouble(i -> (double) slope[i] * slope[i]).sum());
        double step = 2e-3;
        double rise = (along(net, slope, step / length, profile, by) - along(net, slope, -step / length, profile, by)) / (2 * step);
        assertThat(rise / length).isCloseTo(1, within(0.03));
    }

    private static double along(RimNet net, float[] direction, double by, float[][] profile, float[] weigh) {
        float[] moved = net.weights.clone();
        for (int i = 0; i < moved.length; i++) {
            moved[i] += (float) (by * direction[i]);
        }
        float[] out = new RimNet(net.mean, net.scale, moved).new Pass().forward(profile);
        return IntStream.range(0, out.length).mapToDouble(i -> (double) out[i] * weigh[i]).sum();
    }

    @Test
    void chancesOfAllRowsTogetherAreOne() {
        double[][] p = RimNet.chances(List.of(noise(1)[0], noise(2)[0]));
        assertThat(Arrays.stream(p).flatMapToDouble(Arrays::stream).sum()).isCloseTo(1, within(1e-9));
        assertThat(p[0][5] / p[1][7]).isCloseTo(Math.exp(noise(1)[0][5] - noise(2)[0][7]), within(1e-3));
    }

    @Test
    void whatIsSaidCloseToARingCountsForTheNearest() {
        boolean[] ring = new boolean[ROWS];
        ring[100] = true;
        ring[103] = true;
        double[] said = new double[ROWS];
        said[98] = 0.1;
        said[101] = 0.2;
        said[102] = 0.3;
        said[110] = 0.4;
        double[] gathered = RimRanking.gathered(ring, said);
        assertThat(gathered[100]).isCloseTo(0.3, within(1e-12));
        assertThat(gathered[103]).isCloseTo(0.3, within(1e-12));
        assertThat(Arrays.stream(gathered).sum()).as("what is said far from any is lost").isCloseTo(0.6, within(1e-12));
    }

    /// Mounts drawn at random in which the rim is the inner border of the darkest ring; learned on some, told on others.
    @Test
    void whatTellsTheRimIsLearned() {
        List<RimLearning.Example> learn = IntStream.range(0, 60).mapToObj(RimNetTest::mount).toList();
        List<RimLearning.Example> check = IntStream.range(1000, 1040).mapToObj(RimNetTest::mount).toList();
        List<String> told = new ArrayList<>();
        int[] ranks = RimLearning.ranks(RimLearning.learn(learn, told::add), check);
        assertThat(told).isNotEmpty();
        assertThat(ranks[0]).isGreaterThan(28);
        assertThat(ranks[1]).isGreaterThan(34);
        assertThat(ranks[2]).isGreaterThanOrEqualTo(ranks[1]);
        assertThat(RimLearning.ranks(any(2).print(), check)[0]).as("what has not learned").isLessThan(12);
    }

    /// The glass stays as it is; the mount is bright on one side and nearly black on the other.
    @Test
    void aMountIsLitFromOneSide() {
        float[] light = new float[200 * 200];
        Arrays.fill(light, 0.1f);
        Aperture rim = new Aperture(100, 100, 60, 60, 0);
        for (long seed = 0; seed < 5; seed++) {
            EdgePhoto lit = RimLearning.oneSided(new EdgePhoto(light, 200, 200), rim, new SplittableRandom(seed));
            double least = 1;
            double most = 0;
            for (int k = 0; k < 360; k++) {
                double way = Math.toRadians(k);
                double out = lit.light[(int) Math.round(100 + 80 * Math.sin(way)) * 200 + (int) Math.round(100 + 80 * Math.cos(way))];
                least = Math.min(least, out);
                most = Math.max(most, out);
                assertThat(lit.light[(int) Math.round(100 + 50 * Math.sin(way)) * 200 + (int) Math.round(100 + 50 * Math.cos(way))]).isEqualTo(0.1f);
            }
            assertThat(least).isLessThan(0.022);
            assertThat(most).isGreaterThan(0.1);
        }
    }

    private static RimLearning.Example mount(int seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int w = 360;
        int h = 300;
        double cx = 180 + 20 * random.nextDouble();
        double cy = 150 + 10 * random.nextDouble();
        double r = 60 + 25 * random.nextDouble();
        double[] to = new double[6];
        double[] level = new double[6];
        double u = 0.5 + 0.2 * random.nextDouble();
        for (int k = 0; k < to.length; k++) {
            to[k] = k == 2 ? 1 : u;
            u = k == 2 ? 1.05 + 0.05 * random.nextDouble() : k == 1 ? 1 : to[k] + 0.06 + 0.1 * random.nextDouble();
            level[k] = 0.03 + 0.3 * random.nextDouble();
        }
        level[3] = 0.004;
        float[] light = new float[w * h];
        for (int i = 0; i < light.length; i++) {
            double away = Math.hypot(i % w - cx, i / w - cy) / r;
            int k = 0;
            while (k < to.length - 1 && away > to[k]) {
                k++;
            }
            light[i] = (float) Math.max(0, level[k] + 0.001 * random.nextGaussian());
        }
        return RimLearning.example(new EdgePhoto(EdgePhoto.blurred(light, w, h, 1.2), w, h), new Aperture(cx, cy, r, r, 0));
    }
}
