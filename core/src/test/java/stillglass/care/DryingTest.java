package stillglass.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DryingTest {
    private static List<Drying.Weighing> drawn(double settled, double water, double tau, double every, int count, double resolution, Random noise) {
        List<Drying.Weighing> out = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            double t = i * every;
            double m = settled + water * Math.exp(-t / tau) + (noise == null ? 0 : 0.5 * resolution * noise.nextGaussian());
            out.add(new Drying.Weighing(t, noise == null ? m : Math.rint(m / resolution) * resolution));
        }
        return out;
    }

    /// Without noise the curve is the curve: ready when 12 g·exp(−t/5 h) is a hundredth of a gram, at 5·ln 1200 h.
    @Test
    void aCleanCurveIsReadOff() {
        Drying d = Drying.of(drawn(480, 12, 5, 2, 8, 0.01, null), 0.01);
        assertThat(d.settledG()).isCloseTo(480, within(1e-4));
        assertThat(d.tauH()).isCloseTo(5, within(1e-4));
        assertThat(d.readyAtH()).isCloseTo(5 * Math.log(1200), within(1e-2));
        assertThat(d.waterLeftG()).isCloseTo(12 * Math.exp(-14 / 5.0), within(1e-3));
        assertThat(d.nextH()).isBetween(14.0, 14 + 4 * 5.0 + 0.1);
        assertThat(d.readyAtH()).isBetween(d.fromH(), d.toH());
    }

    /// The interval holds the true moment about as often as it says, on weighings of a balance that rounds and a hand that is not still.
    @ParameterizedTest
    @CsvSource({"6, 2, 9", "6, 3, 7", "12, 2, 12", "4, 1.5, 5"})
    void theIntervalCovers(double tau, double every, int count) {
        Random noise = new Random(17);
        int held = 0;
        int all = 0;
        for (int i = 0; i < 300; i++) {
            double water = 5 + 15 * noise.nextDouble();
            double resolution = 0.05;
            Drying d = Drying.of(drawn(500, water, tau, every, count, resolution, noise), resolution);
            double truth = tau * Math.log(water / resolution);
            held += truth >= d.fromH() && truth <= d.toH() ? 1 : 0;
            all++;
        }
        assertThat(held / (double) all).as("of 300 intervals at 95 %%").isBetween(0.92, 0.985);
    }

    @Test
    void whatTellsNothingIsRefused() {
        assertThatThrownBy(() -> Drying.of(drawn(480, 12, 5, 2, 2, 0.01, null), 0.01)).hasMessageContaining("three weighings");
        assertThatThrownBy(() -> Drying.of(List.of(new Drying.Weighing(0, 500), new Drying.Weighing(1, 500), new Drying.Weighing(2, 500)), 0.01)).hasMessageContaining("it is dry, or it does not dry");
        assertThatThrownBy(() -> Drying.of(List.of(new Drying.Weighing(0, 500), new Drying.Weighing(0, 499), new Drying.Weighing(2, 498)), 0.01)).hasMessageContaining("not after");
        assertThatThrownBy(() -> new Drying.Weighing(1, Double.NaN)).hasMessageContaining("grams above 0");
        assertThatThrownBy(() -> Drying.of(drawn(480, 12, 5, 2, 4, 0.01, null), 0)).hasMessageContaining("balance");
    }
}
