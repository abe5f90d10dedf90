package stillglass.prove.edge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.say.Said;

/// Edges whose spread is a formula with a known transform.
class SharpnessReadingTest {
    private static final double DARK = 0.15;
    private static final double STEP = 0.6;

    private static LightPlane edge(int size, double deg, double shift, DoubleUnaryOperator spread, double db, long seed) {
        Random random = new Random(seed);
        double sigma = STEP * Math.pow(10, -db / 20);
        float[] v = new float[size * size];
        double a = Math.toRadians(deg);
        for (int y = 0; y < size; y++) {
            for (int x = 0; x < size; x++) {
                double d = (x - size / 2.0 - shift) * Math.cos(a) + (y - size / 2.0) * Math.sin(a);
                v[y * size + x] = (float) (DARK + STEP * spread.applyAsDouble(d) + sigma * random.nextGaussian());
            }
        }
        return new LightPlane(size, size, v);
    }

    /// Integral of a bell: transform exp(-2 π² σ² f²), half at √(ln 2 / 2) / (π σ).
    private static DoubleUnaryOperator bell(double sigma) {
        return d -> 0.5 * (1 + erf(d / (sigma * Math.sqrt(2))));
    }

    /// Abramowitz and Stegun, 7.1.26, error below 1.5e-7.
    private static double erf(double x) {
        double t = 1 / (1 + 0.3275911 * Math.abs(x));
        double y = 1 - ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t * Math.exp(-x * x);
        return x < 0 ? -y : y;
    }

    private static double halfOfBell(double sigma) {
        return Math.sqrt(Math.log(2) / 2) / Math.PI / sigma;
    }

    private static SlantedEdge only(LightPlane p) {
        List<SlantedEdge> edges = SharpnessReading.of(p).edges();
        assertThat(edges).hasSize(1);
        return edges.getFirst();
    }

    @ParameterizedTest
    @CsvSource({"0.6,5", "0.9,-4", "1.3,12", "1.3,86", "2,184", "2,40", "3.2,7"})
    void agreesWithTheTransformOfABellWithinTwoPercent(double sigma, double deg) {
        SlantedEdge e = only(edge(160, deg, 1.7, bell(sigma), 40, 3));
        assertThat(e.mtf50Cpp() / halfOfBell(sigma)).isCloseTo(1, within(0.02));
        for (double f : new double[] {0.05, 0.1, 0.2, 0.3}) {
            double m = Math.exp(-2 * Math.pow(Math.PI * sigma * f, 2));
            assertThat(e.at(f)).as("at %.2f", f).isCloseTo(m, within(0.02));
        }
        assertThat(Math.abs(Math.IEEEremainder(e.angleDeg() - deg, 360))).isLessThan(0.1);
    }

    @Test
    void agreesWithTheTransformOfASmear() {
        double wide = 4;
        SlantedEdge e = only(edge(200, 6, 0.3, d -> Math.clamp(d / wide + 0.5, 0, 1), 45, 4));
        for (double f : new double[] {0.05, 0.1, 0.15, 0.2, 0.35}) {
            double m = Math.abs(Math.sin(Math.PI * f * wide) / (Math.PI * f * wide));
            assertThat(e.at(f)).as("at %.2f", f).isCloseTo(m, within(0.02));
        }
    }

    @Test
    void theStatedErrorCovers() {
        Random random = new Random(5);
        int inside = 0;
        int all = 0;
        for (int i = 0; i < 90; i++) {
            double sigma = random.nextDouble(0.6, 2.5);
            SlantedEdge e = only(edge(120, random.nextDouble(3, 20), random.nextDouble(-3, 3), bell(sigma), random.nextDouble(30, 44), random.nextLong()));
            inside += Math.abs(e.mtf50Cpp() - halfOfBell(sigma)) < 2 * e.mtf50Sigma() ? 1 : 0;
            all++;
        }
        assertThat(100.0 * inside / all).as("percent within two standard deviations").isBetween(91.0, 99.5);
    }

    @Test
    void lightThatFallsOffAcrossTheChartIsNoBlur() {
        for (double slope : new double[] {-0.3, 0.3}) {
            for (double sigma : new double[] {0.8, 1.5}) {
                DoubleUnaryOperator bell = bell(sigma);
                SlantedEdge e = only(edge(200, 6, 0.3, d -> (1 + slope * d / 200) * bell.applyAsDouble(d), 45, 11));
                assertThat(e.mtf50Cpp()).as("slope %.1f, sigma %.1f", slope, sigma).isCloseTo(halfOfBell(sigma), withinPercentage(0.6));
            }
        }
    }

    @Test
    void whatIsNoSlantedEdgeIsSaid() {
        SharpnessReading flat = SharpnessReading.of(edge(120, 5, 0, d -> 0.4, 35, 6));
        assertThat(flat.edges()).isEmpty();
        assertThat(flat.diagnostics()).extracting(Said::key).containsExactly("sharp.no-edge");
        SharpnessReading upright = SharpnessReading.of(edge(120, 0, 0.2, bell(0.8), 50, 7));
        assertThat(upright.edges()).isEmpty();
        assertThat(upright.diagnostics()).extracting(Said::key).containsExactly("sharp.no-slant");
        float[] disc = new float[160 * 160];
        for (int i = 0; i < disc.length; i++) {
            disc[i] = Math.hypot(i % 160 - 80, i / 160.0 - 80) < 40 ? 0.7f : 0.1f;
        }
        assertThat(SharpnessReading.of(new LightPlane(160, 160, disc)).edges()).as("a rim is no straight edge").isEmpty();
    }

    @Test
    void sharpeningInACameraIsRecognised() {
        DoubleUnaryOperator plain = bell(1.2);
        DoubleUnaryOperator wider = bell(2.4);
        assertThat(SharpnessReading.of(edge(160, 5, 0, plain, 40, 8)).diagnostics()).isEmpty();
        SharpnessReading sharpened = SharpnessReading.of(edge(160, 5, 0, d -> plain.applyAsDouble(d) + 0.8 * (plain.applyAsDouble(d) - wider.applyAsDouble(d)), 40, 8));
        assertThat(sharpened.diagnostics()).extracting(Said::key).containsExactly("sharp.sharpened");
    }

    @Test
    void theSoftSideIsFound() {
        int w = 900;
        int h = 700;
        float[] v = new float[w * h];
        Random random = new Random(9);
        double c = Math.cos(Math.toRadians(5));
        double s = Math.sin(Math.toRadians(5));
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                // Squares, each blurred by a bell that widens towards 2 o'clock.
                double cx = 100 * Math.floor(x / 100.0) + 50;
                double cy = 100 * Math.floor(y / 100.0) + 50;
                double towards = ((cx - 450) * Math.sin(Math.toRadians(60)) - (cy - 350) * Math.cos(Math.toRadians(60))) / 450;
                DoubleUnaryOperator bell = bell(1.3 + 0.35 * towards);
                double a = (x - cx) * c + (y - cy) * s;
                double b = (y - cy) * c - (x - cx) * s;
                double in = bell.applyAsDouble(25 - Math.abs(a)) * bell.applyAsDouble(25 - Math.abs(b));
                v[y * w + x] = (float) (0.75 - 0.6 * in + 0.004 * random.nextGaussian());
            }
        }
        SharpnessReading r = SharpnessReading.of(new LightPlane(w, h, v));
        assertThat(r.edges()).hasSizeGreaterThan(100);
        SharpnessReading.Sides sides = r.sides().orElseThrow();
        assertThat(sides.telling()).isTrue();
        assertThat(sides.softDeg()).isCloseTo(60, within(8.0));
        assertThat(r.diagnostics()).extracting(Said::key).contains("sharp.one-side");
    }

    @Test
    void whiteThatIsCutIsSaid() {
        LightPlane p = edge(140, 5, 0, d -> Math.min(0.85 / STEP, 1.6 * bell(1).applyAsDouble(d)), 50, 10);
        float[] cut = p.light().clone();
        for (int i = 0; i < cut.length; i++) {
            cut[i] = Math.min(1, cut[i] * 1.05f);
        }
        assertThat(SharpnessReading.of(new LightPlane(140, 140, cut)).diagnostics()).extracting(Said::key).contains("sharp.saturated");
    }
}
