package stillglass.prove.iris;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.prove.edge.LightPlane;
import stillglass.say.Said;

/// Openings drawn as what lies inside of all blades, under uneven light, with noise and dust. Areas by the formula of a regular polygon.
class IrisReadingTest {
    private static final int SIZE = 420;

    /// @param sides distance of each blade's edge from the middle
    private static LightPlane photo(double[] sides, double turnDeg, double rim, long seed) {
        return photo(sides, new double[sides.length], turnDeg, rim, seed);
    }

    /// @param bows by which the middle of each edge lies farther out than its ends at 30 pixels to either side
    private static LightPlane photo(double[] sides, double[] bows, double turnDeg, double rim, long seed) {
        Random random = new Random(seed);
        double[] cos = turns(sides.length, turnDeg, Math::cos);
        double[] sin = turns(sides.length, turnDeg, Math::sin);
        float[] v = new float[SIZE * SIZE];
        double cx = 205.3;
        double cy = 212.7;
        for (int y = 0; y < SIZE; y++) {
            for (int x = 0; x < SIZE; x++) {
                int in = 0;
                for (int k = 0; k < 16; k++) {
                    in += inside(x - cx + (k % 4 - 1.5) / 4, y - cy + (k / 4 - 1.5) / 4, sides, bows, cos, sin, rim) ? 1 : 0;
                }
                double light = 0.55 + 0.15 * (x - cx) / SIZE + 0.1 * (y - cy) / SIZE;
                v[y * SIZE + x] = (float) (0.02 + light * in / 16 + 0.006 * random.nextGaussian());
            }
        }
        for (int d = 0; d < 6; d++) {
            // Dust inside the opening.
            int at = (int) (cy + random.nextInt(-20, 20)) * SIZE + (int) (cx + random.nextInt(-20, 20));
            v[at] = 0.1f;
            v[at + 1] = 0.1f;
        }
        return new LightPlane(SIZE, SIZE, v);
    }

    private static double[] turns(int sides, double turnDeg, DoubleUnaryOperator of) {
        return IntStream.range(0, sides).mapToDouble(k -> of.applyAsDouble(Math.toRadians(turnDeg + 360.0 * k / sides))).toArray();
    }

    private static boolean inside(double x, double y, double[] sides, double[] bows, double[] cos, double[] sin, double rim) {
        if (x * x + y * y > rim * rim) {
            return false;
        }
        for (int s = 0; s < sides.length; s++) {
            double along = x * cos[s] + y * sin[s];
            if (x * sin[s] - y * cos[s] > sides[s] - bows[s] * along * along / 900) {
                return false;
            }
        }
        return true;
    }

    private static double[] even(int blades, double distance) {
        double[] out = new double[blades];
        Arrays.fill(out, distance);
        return out;
    }

    private static double area(int blades, double distance) {
        return blades * distance * distance * Math.tan(Math.PI / blades);
    }

    @ParameterizedTest
    @CsvSource({"5,3", "6,20", "7,11", "8,0", "9,5", "10,17"})
    void areasAndBladesOfEvenPolygons(int blades, double turn) {
        double rim = 170;
        List<IrisReading.Taken> taken = new ArrayList<>(List.of(new IrisReading.Taken("wide", 2, photo(new double[0], 0, rim, 1))));
        double[] distances = {110, 76, 52, 36};
        double[] stops = {2.8, 4, 5.6, 8};
        for (int i = 0; i < stops.length; i++) {
            taken.add(new IrisReading.Taken("at " + stops[i], stops[i], photo(even(blades, distances[i]), turn, rim, i + 2)));
        }
        IrisReading r = IrisReading.of(taken);
        assertThat(r.stops()).hasSize(5);
        assertThat(r.stops().getFirst().blades()).as("the rim is round").isZero();
        for (int i = 0; i < stops.length; i++) {
            IrisReading.Stop s = r.stops().get(i + 1);
            double ev = Math.log(area(blades, distances[i]) / (Math.PI * rim * rim)) / Math.log(2);
            assertThat(s.ev()).as("f/%.1f", stops[i]).isCloseTo(ev, within(Math.max(0.01, 2 * s.sigmaEv())));
            assertThat(s.errorEv()).isCloseTo(ev + 2 * Math.log(stops[i] / 2) / Math.log(2), within(Math.max(0.01, 2 * s.sigmaEv())));
            assertThat(s.blades()).as("f/%.1f", stops[i]).isEqualTo(blades);
            assertThat(s.departures()).allSatisfy(d -> assertThat(d).isCloseTo(0, within(0.02)));
        }
    }

    @Test
    void aBladeThatStandsOffIsFoundWithItsDirection() {
        double[] sides = even(6, 80);
        sides[2] = 90;
        IrisReading r = IrisReading.of(List.of(new IrisReading.Taken("w", 2, photo(new double[0], 0, 170, 1)), new IrisReading.Taken("odd", 4, photo(sides, 10, 170, 3))));
        IrisReading.Stop s = r.stops().get(1);
        int worst = 0;
        for (int i = 0; i < s.blades(); i++) {
            worst = s.departures().get(i) > s.departures().get(worst) ? i : worst;
        }
        assertThat(s.departures().get(worst)).isCloseTo(0.125, within(0.03));
        assertThat(s.towardsDeg().get(worst)).isCloseTo(130, within(6.0));
        assertThat(keys(r)).contains("iris.blade.out");
    }

    /// Six blades with rounded edges, one of them laid in upside down; straight ones tell nothing of the kind.
    @Test
    void aBladeThatLiesUpsideDownBowsTheOtherWay() {
        double[] bows = even(6, 1.4);
        IrisReading.Taken wide = new IrisReading.Taken("w", 2, photo(new double[0], 0, 170, 1));
        assertThat(keys(IrisReading.of(List.of(wide, new IrisReading.Taken("all", 4, photo(even(6, 80), bows, 10, 170, 3)))))).doesNotContain("iris.reversed");
        bows[2] = -1.4;
        IrisReading r = IrisReading.of(List.of(wide, new IrisReading.Taken("one", 4, photo(even(6, 80), bows, 10, 170, 4))));
        assertThat(r.diagnostics().stream().filter(d -> d.key().equals("iris.reversed"))).singleElement().satisfies(d -> assertThat(d.with()).containsEntry("clock", 4));
        assertThat(keys(IrisReading.of(List.of(wide, new IrisReading.Taken("straight", 4, photo(even(6, 80), 10, 170, 5)))))).doesNotContain("iris.reversed");
    }

    @Test
    void aMissingBladeIsSaid() {
        double[] sides = even(7, 70);
        sides[4] = 170;
        IrisReading r = IrisReading.of(List.of(new IrisReading.Taken("w", 2, photo(new double[0], 0, 150, 1)), new IrisReading.Taken("gap", 4, photo(sides, 0, 150, 3))));
        assertThat(keys(r)).contains("iris.missing");
    }

    @Test
    void closingAndOpeningAreCompared() {
        IrisReading r = IrisReading.of(List.of(new IrisReading.Taken("w", 2, photo(new double[0], 0, 150, 1)), new IrisReading.Taken("down", 8, photo(even(6, 40), 0, 150, 2)),
                new IrisReading.Taken("up", 8, photo(even(6, 44), 0, 150, 3))));
        assertThat(r.hysteresisEv().orElseThrow()).isCloseTo(2 * Math.log(1.1) / Math.log(2), within(0.02));
        assertThat(keys(r)).contains("iris.hysteresis");
    }

    @Test
    void whereNoOpeningLiesWholeThatIsSaid() {
        float[] dark = new float[SIZE * SIZE];
        IrisReading none = IrisReading.of(List.of(new IrisReading.Taken("dark", 2, new LightPlane(SIZE, SIZE, dark))));
        assertThat(none.stops()).isEmpty();
        assertThat(keys(none)).containsExactly("iris.none");
        float[] half = new float[SIZE * SIZE];
        Arrays.fill(half, 0, half.length / 2, 0.7f);
        assertThat(IrisReading.of(List.of(new IrisReading.Taken("cut", 2, new LightPlane(SIZE, SIZE, half)))).stops()).isEmpty();
    }

    private static List<String> keys(IrisReading r) {
        return r.diagnostics().stream().map(Said::key).toList();
    }
}
