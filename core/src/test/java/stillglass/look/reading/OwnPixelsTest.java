package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.function.ToDoubleBiFunction;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Aperture;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.Progress;
import stillglass.look.StoredLight;
import stillglass.look.kinds.Sight;

/// Threads and specks of known size, their light spread by the normal integral that a blurred edge is.
class OwnPixelsTest {
    private static final int W = 1980;
    private static final int H = 1800;
    private static final int FINER = 3;
    private static final double R = 840;
    /// Blur of the picture, stored pixels.
    private static final double BLUR = 0.9;
    private static final double LONG = 0.8;

    private static final class Stored implements StoredLight {
        private final float[] light = new float[W * H];

        Stored(double glass, double noise, long seed, ToDoubleBiFunction<Double, Double> fault) {
            SplittableRandom random = new SplittableRandom(seed);
            for (int i = 0; i < light.length; i++) {
                double x = (i % W - (W - 1) / 2.0) / R;
                double y = ((H - 1) / 2.0 - i / W) / R;
                double r = Math.hypot(x, y);
                double around = r < 1.08 ? 0.004 : 0.05;
                light[i] = (float) ((r < 1 ? glass + fault.applyAsDouble(x, y) : around) + noise * random.nextGaussian());
            }
        }

        @Override
        public int width() {
            return W;
        }

        @Override
        public int height() {
            return H;
        }

        @Override
        public float light(int x, int y) {
            return light[y * W + x];
        }

        /// The working photo, and these pixels with it or not.
        LinearPhoto photo(boolean with) {
            int w = W / FINER;
            int h = H / FINER;
            float[] mean = new float[w * h];
            for (int i = 0; i < light.length; i++) {
                mean[i / W / FINER * w + i % W / FINER] += light[i] / (FINER * FINER);
            }
            return new LinearPhoto(w, h, mean, mean.clone(), mean.clone(), W, H, with ? Optional.of(this) : Optional.empty());
        }
    }

    /// Share of the light on one side of an edge that far off, radii.
    private static double edge(double off) {
        double t = off * R / BLUR;
        // Logistic for the normal integral: off by at most 0.01 (Bowling and others 2009).
        return 1 / (1 + Math.exp(-1.702 * t));
    }

    private static double thread(double x, double y, double width) {
        double turned = 0.8 * x + 0.6 * y;
        double across = 0.8 * y - 0.6 * x - 0.11;
        return (edge(across + width / 2) - edge(across - width / 2)) * (edge(turned + LONG / 2) - edge(turned - LONG / 2));
    }

    private record Areas(double own, double frame) {}

    private static Areas areas(LinearPhoto photo, Lighting lighting) {
        Aperture rim = new Aperture((W - 1) / 2.0, (H - 1) / 2.0, R, R, 0);
        Survey s = Survey.of(photo, new PhotoGrading.Given(Optional.of(lighting), Optional.of(rim), OptionalDouble.empty()), Progress.SILENT).orElseThrow();
        OwnPixels own = new OwnPixels(photo, s.aperture, s.maps);
        List<Candidate> fine = s.candidates.stream().filter(c -> c.sight() == Sight.FINE).toList();
        double glass = Math.PI * GlassFrame.RADIUS * GlassFrame.RADIUS;
        return new Areas(fine.stream().mapToDouble(c -> own.area(c.pixels())).sum() / glass, fine.stream().mapToDouble(c -> c.pixels().length).sum() / glass);
    }

    @ParameterizedTest
    @CsvSource({"AGAINST, 0.03, 0.06, 0.003", "AGAINST, 0.03, 0.5, 0.003", "AGAINST, 0.03, 0.9, 0.012", "BRIGHT, 0.6, -0.1, 0.004", "BRIGHT, 0.6, -0.5, 0.008"})
    void aThreadIsAsWideAsItIsHoweverMuchLightItHas(Lighting lighting, double glass, double contrast, double width) {
        Areas a = areas(new Stored(glass, 0.003, 5, (x, y) -> contrast * thread(x, y, width)).photo(true), lighting);

        double truth = width * LONG / Math.PI;
        assertThat(a.own / truth).isCloseTo(1, within(0.15));
        assertThat(a.frame / truth).as("what it is for").isGreaterThan(1.5);
    }

    @Test
    void aThreadNarrowerThanTheBlurIsAtMostAsWideAsThat() {
        double width = 0.5 / R;
        Areas a = areas(new Stored(0.03, 0.003, 7, (x, y) -> 0.9 * thread(x, y, width)).photo(true), Lighting.AGAINST);

        // Full width at half height of a Gaussian: 2.355 sigma.
        double blurred = 2.355 * BLUR / R * LONG / Math.PI;
        assertThat(a.own / blurred).isBetween(0.9, 1.45);
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void specksAreAsLargeAsTheyAreByTheFilesPixelsAndAtMostALittleLargerByTheWorkingOnes(boolean stored) {
        int specks = 12;
        double radius = 0.005;
        Areas a = areas(new Stored(0.03, 0.003, 6, (x, y) -> IntStream.range(0, specks).mapToDouble(k -> 0.5 * edge(radius - Math.hypot(x - place(k) * Math.cos(k), y - place(k) * Math.sin(k)))).sum()).photo(stored),
                Lighting.AGAINST);

        double truth = specks * radius * radius;
        assertThat(a.own / truth).isCloseTo(1, within(stored ? 0.1 : 0.2));
        assertThat(a.frame / truth).as("what it is for").isGreaterThan(3);
    }

    /// Before a card, but before the black blades of an iris: specks are lighter than those there.
    @Test
    void specksBeforeBladesAreAsLargeAsTheyAre() {
        double radius = 0.006;
        ToDoubleBiFunction<Double, Double> card = (x, y) -> 0.5 * edge(0.3 - Math.hypot(x, y));
        ToDoubleBiFunction<Double, Double> specks = (x, y) -> IntStream.range(0, 8).mapToDouble(k -> 0.1 * edge(radius - Math.hypot(x - 0.7 * Math.cos(k), y - 0.7 * Math.sin(k)))).sum();
        Areas a = areas(new Stored(0.02, 0.001, 9, (x, y) -> card.applyAsDouble(x, y) + specks.applyAsDouble(x, y)).photo(true), Lighting.BRIGHT);

        assertThat(a.own / (8 * radius * radius)).isCloseTo(1, within(0.12));
    }

    private static double place(int k) {
        return 0.7 * (k + 3) / 15;
    }
}
