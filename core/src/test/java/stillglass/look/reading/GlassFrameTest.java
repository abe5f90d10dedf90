package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Aperture;
import stillglass.look.Lighting;
import stillglass.look.LeastSquares;
import stillglass.look.LinearPhoto;

/// The frame, the clean glass in it, the iris and the robust fits under them.
class GlassFrameTest {
    @Test
    void placesAndPixelsOfTheFrameAreInverse() {
        for (double[] p : new double[][] {{0, 0}, {0.5, -0.3}, {-1, 1}, {0.97, 0.1}}) {
            int at = GlassFrame.at(p[0], p[1]);
            assertThat(GlassFrame.x(at)).isCloseTo(p[0], within(0.5 / GlassFrame.RADIUS + 1e-9));
            assertThat(GlassFrame.y(at)).isCloseTo(p[1], within(0.5 / GlassFrame.RADIUS + 1e-9));
        }
    }

    /// Whatever the photo's size, a place of the glass comes to the same place of the frame.
    @ParameterizedTest
    @CsvSource({"150,150,0", "300,300,0", "520,520,0", "400,350,0.5"})
    void theGlassIsBroughtUprightAndRound(double rx, double ry, double theta) {
        Aperture a = new Aperture(600, 560, rx, ry, theta);
        float[] light = new float[1200 * 1120];
        for (int i = 0; i < light.length; i++) {
            double x = a.unitX(i % 1200, i / 1200);
            double y = a.unitY(i % 1200, i / 1200);
            light[i] = (float) (0.3 + 0.2 * x - 0.1 * y);
        }
        GlassFrame f = new GlassFrame(new LinearPhoto(1200, 1120, light, light.clone(), light.clone(), 1200, 1120), a);

        assertThat(f.light[GlassFrame.at(0.5, 0.4)]).isCloseTo(0.36f, within(0.002f));
        assertThat(f.light[GlassFrame.at(-0.7, -0.2)]).isCloseTo(0.18f, within(0.002f));
        assertThat(f.inPhoto).isCloseTo(1, within(0.01));
    }

    @Test
    void whatThePhotoDoesNotHoldIsLeftOut() {
        LinearPhoto half = Glass.photo(0, 1, (x, y) -> 0.1);
        GlassFrame f = new GlassFrame(half, new Aperture(0, 400, 360, 360, 0));

        assertThat(f.inPhoto).isCloseTo(0.5, within(0.02));
        assertThat(f.r[GlassFrame.at(-0.5, 0)]).isGreaterThan(9);
        assertThat(f.r[GlassFrame.at(0.5, 0)]).isCloseTo(0.5f, within(0.01f));
    }

    /// A fourth-order surface is found exactly, whatever bright faults lie on a tenth of it.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void faultsHaveNoSayInTheCleanGlass(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double a = 0.03 * random.nextDouble();
        double b = 0.02 * random.nextDouble();
        LinearPhoto p = Glass.photo(0.0005, seed, (x, y) -> 0.08 + a * x - b * x * x * y + 0.02 * y * y * y * y + 0.5 * Glass.disc(x, y, 0.4, 0.2, 0.28));
        GlassFrame f = Glass.frame(p);
        float[] clean = CleanGlass.fit(f.light, f).everywhere(f);

        for (double[] at : new double[][] {{0, 0}, {0.4, 0.2}, {-0.6, 0.5}, {0.1, -0.8}}) {
            double truth = 0.08 + a * at[0] - b * at[0] * at[0] * at[1] + 0.02 * Math.pow(at[1], 4);
            assertThat(clean[GlassFrame.at(at[0], at[1])]).as("seed %d at %s", seed, java.util.Arrays.toString(at)).isCloseTo((float) truth, within(0.002f));
        }
    }

    @Test
    void aRobustLineIgnoresTheFewThatLie() {
        double[][] rows = new double[60][];
        double[] values = new double[60];
        for (int i = 0; i < 60; i++) {
            rows[i] = new double[] {1, i};
            values[i] = 2 + 0.5 * i + (i % 7 == 0 ? 40 : 0.01 * (i % 3 - 1));
        }
        LeastSquares.Robust fit = LeastSquares.robust(rows, values, 60, 4, 1e-4, 10);

        assertThat(fit.coefficients()[0]).isCloseTo(2, within(0.01));
        assertThat(fit.coefficients()[1]).isCloseTo(0.5, within(0.001));
        assertThat(fit.scatter()).isLessThan(0.05);
    }

    @ParameterizedTest
    @ValueSource(ints = {5, 7, 9})
    void theBladesOfAnIrisAreFittedApartBeforeABrightField(int corners) {
        LinearPhoto p = Glass.photo(0.003, corners, (x, y) -> {
            double turn = Math.floorMod((int) Math.floor((Math.atan2(y, x) + Math.PI) / (2 * Math.PI) * corners), corners);
            double mid = (turn + 0.5) / corners * 2 * Math.PI - Math.PI;
            boolean open = x * Math.cos(mid) + y * Math.sin(mid) < 0.45;
            return open ? 0.6 : 0.04;
        });
        GlassFrame frame = Glass.frame(p);
        IrisEdge.Found iris = IrisEdge.find(frame, Lighting.BRIGHT).orElseThrow();

        assertThat(iris.blades().data[GlassFrame.at(0, 0)]).isZero();
        assertThat(iris.blades().data[GlassFrame.at(0.8, 0.1)]).isOne();
        Maps maps = Glass.maps(p, Lighting.BRIGHT);
        assertThat(maps.expected[GlassFrame.at(0, 0)]).isCloseTo(0.6f, within(0.02f));
        assertThat(maps.expected[GlassFrame.at(0.75, 0.2)]).isCloseTo(0.04f, within(0.01f));
        assertThat(CandidateFinder.find(maps, 0.5)).filteredOn(c -> c.sight() == stillglass.look.kinds.Sight.FINE)
                .as("the edge of the opening is no fault").allMatch(c -> c.pixels().length < 60);
    }

    @Test
    void glassOfOneLevelHasNoIris() {
        assertThat(IrisEdge.find(Glass.frame(Glass.photo(0.003, 4, (x, y) -> 0.6 - 0.1 * (x * x + y * y))), Lighting.BRIGHT)).isEmpty();
        assertThat(IrisEdge.find(Glass.frame(Glass.photo(0.001, 4, (x, y) -> 0.02 + 0.3 * Glass.disc(x, y, 0.7, 0.2, 0.2))), Lighting.AGAINST))
                .as("a bright fault to the side").isEmpty();
    }

    @Test
    void pixelsThatAreLeftOutCountAsNotInThePhoto() {
        GlassFrame f = Glass.frame(Glass.photo(0, 1, (x, y) -> 0.1));
        byte[] out = new byte[GlassFrame.PIXELS];
        out[GlassFrame.at(0.2, 0.2)] = 1;
        f.leaveOut(out);

        assertThat(f.r[GlassFrame.at(0.2, 0.2)]).isGreaterThan(9);
        assertThat(f.r[GlassFrame.at(0.3, 0.2)]).isLessThan(1);
    }

    @Test
    void aPixelKnowsHowFarFromTheMiddleItLies() {
        assertThat(GlassFrame.away(GlassFrame.at(0.6, 0.8))).isCloseTo(1, within(2.0 / GlassFrame.RADIUS));
        assertThat(GlassFrame.away(GlassFrame.at(0, -0.5))).isCloseTo(0.5, within(2.0 / GlassFrame.RADIUS));
        assertThat(GlassFrame.away(GlassFrame.at(0, 0))).isLessThan(2.0 / GlassFrame.RADIUS);
    }
}
