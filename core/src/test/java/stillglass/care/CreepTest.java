package stillglass.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.care.Creep.Range;
import stillglass.care.Creep.Summer;

/// Fronts are held against films laid out in small steps and followed through time by the equations of thin films, which know nothing of the laws.
class CreepTest {
    private static final double G = 9810;

    /// Down a wall: what passes a place is g·h³/(3ν) a second and mm of width; upwind, so that nothing runs uphill.
    @ParameterizedTest
    @CsvSource({"0.02, 100, 20000", "0.05, 400, 40000"})
    void aFilmRunsDownAsTheEquationsSay(double area, double viscosity, double seconds) {
        double front = Creep.down(area, viscosity, seconds);
        int n = 400;
        double dx = 1.6 * front / n;
        double[] h = new double[n];
        int first = Math.max(1, (int) (0.02 * front / dx));
        Arrays.fill(h, 0, first, area / (first * dx));
        double t = 0;
        while (t < seconds) {
            double fastest = 0;
            for (double x : h) {
                fastest = Math.max(fastest, G * x * x / viscosity);
            }
            double dt = Math.min(seconds - t, 0.4 * dx / fastest);
            double in = 0;
            for (int i = 0; i < n; i++) {
                double out = G * h[i] * h[i] * h[i] / (3 * viscosity);
                h[i] += dt / dx * (in - out);
                in = out;
            }
            t += dt;
        }
        assertThat(frontOf(h, dx)).isCloseTo(front, within(0.04 * front));
    }

    /// Behind the front of such a film its thickness is √(ν·x/(g·t)), which is what runs there at just that speed: up to the front all of the oil must lie in it.
    @Test
    void allOfItLiesBehindTheFront() {
        double front = Creep.down(0.03, 200, 30_000);
        double lies = 0;
        int n = 100_000;
        for (int i = 0; i < n; i++) {
            lies += Math.sqrt(200 * (i + 0.5) * front / n / (G * 30_000)) * front / n;
        }
        assertThat(lies).isCloseTo(0.03, within(1e-6));
    }

    /// On a level plate: what passes is −g·h³/(3ν)·∂h/∂x.
    @ParameterizedTest
    @CsvSource({"0.02, 100, 2000", "0.3, 400, 500"})
    void aFilmSpreadsLevelAsTheEquationsSay(double area, double viscosity, double seconds) {
        double front = Creep.level(area, viscosity, seconds);
        int n = 120;
        double dx = 1.5 * front / n;
        double[] h = new double[n];
        int first = (int) (0.25 * front / dx);
        Arrays.fill(h, 0, first, area / (first * dx));
        double t = 0;
        while (t < seconds) {
            double most = 0;
            for (double x : h) {
                most = Math.max(most, G * x * x * x / (3 * viscosity));
            }
            double dt = Math.min(seconds - t, 0.2 * dx * dx / most);
            double in = 0;
            for (int i = 0; i < n; i++) {
                double next = i + 1 < n ? h[i + 1] : 0;
                double mid = (h[i] * h[i] * h[i] + next * next * next) / 2;
                double out = G * mid / (3 * viscosity) * (h[i] - next) / dx;
                h[i] += dt / dx * (in - out);
                in = out;
            }
            t += dt;
        }
        assertThat(frontOf(h, dx)).isCloseTo(front, within(0.05 * front));
    }

    /// Where the film ends: the last place that is not as good as dry.
    private static double frontOf(double[] h, double dx) {
        double top = 0;
        for (double x : h) {
            top = Math.max(top, x);
        }
        for (int i = h.length - 1; i >= 0; i--) {
            if (h[i] > 0.05 * top) {
                return (i + 1) * dx;
            }
        }
        return 0;
    }

    @Test
    void moreGreaseRunsFartherAndRoughMetalHoldsThinFilms() {
        Creep little = Creep.of(10, 48, Summer.USUAL).orElseThrow();
        Creep much = Creep.of(100, 48, Summer.USUAL).orElseThrow();
        assertThat(much.standing().high()).isGreaterThan(little.standing().high());
        assertThat(much.standing().low()).isGreaterThan(little.standing().low());
        assertThat(much.lying().high()).as("level it does not get as far").isLessThan(much.standing().high());
        // 15 mg of oil on 151 mm of circumference are a band of 0.114 mm², which at half a thousandth of a mm is 229 mm long at most.
        assertThat(Creep.of(100, 48, new Summer(new Range(0.15, 0.15), new Range(1, 1), 3600)).orElseThrow().standing().high()).isCloseTo(15 / 0.87 / (Math.PI * 48) / 0.0005, within(1e-9));
    }

    @Test
    void whatIsHarmlessDoesNotReachAndALittleMoreDoes() {
        double mg = Creep.harmlessMg(12, 48, Summer.USUAL);
        assertThat(Creep.of(mg, 48, Summer.USUAL).orElseThrow().standing().high()).isCloseTo(12, within(1e-6));
        assertThat(Creep.of(1.1 * mg, 48, Summer.USUAL).orElseThrow().standing().high()).isGreaterThan(12);
    }

    @Test
    void withoutSurplusNothingCreepsAndNonsenseIsRefused() {
        assertThat(Creep.of(0, 48, Summer.USUAL)).isEmpty();
        assertThat(Creep.of(-5, 48, Summer.USUAL)).isEmpty();
        assertThat(Creep.of(Double.NaN, 48, Summer.USUAL)).isEmpty();
        assertThatThrownBy(() -> Creep.of(5, Double.NaN, Summer.USUAL)).hasMessageContaining("NaN");
        assertThatThrownBy(() -> new Range(2, 1)).hasMessageContaining("lower first");
        assertThatThrownBy(() -> new Summer(new Range(0.5, 1.5), Creep.USUAL_OIL, 90)).hasMessageContaining("100 %");
    }
}
