package stillglass.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import stillglass.care.Bleaching.Seen;

class BleachingTest {
    private static final double CLEAR = 0.1;

    private static List<Seen> falling(double a, double tau, double sigma, SplittableRandom random, double... hours) {
        List<Seen> all = new ArrayList<>();
        for (double h : hours) {
            all.add(new Seen(h, a * Math.exp(-h / tau) + sigma * random.nextGaussian(), sigma));
        }
        return all;
    }

    /// 1.1 stops that fall to a third in 40 h are clear at 40·ln 11 = 95.9 h.
    @Test
    void twoPhotosTellHowManyHoursAreToGo() {
        Bleaching b = Bleaching.of(List.of(new Seen(0, 1.1, 0.02), new Seen(40, 1.1 / Math.E, 0.02)), CLEAR).orElseThrow();
        assertThat(b.tauH()).isCloseTo(40, within(1.0));
        assertThat(b.clearAtH()).isCloseTo(95.9, within(2.0));
        assertThat(b.fromH()).isLessThan(b.clearAtH());
        assertThat(b.toH()).isGreaterThan(b.clearAtH()).isLessThan(130);
    }

    @Test
    void whatDoesNotFallOrWasSeenOnceTellsNothing() {
        assertThat(Bleaching.of(List.of(), CLEAR)).isEmpty();
        assertThat(Bleaching.of(List.of(new Seen(0, 1, 0.02), new Seen(0, 1.01, 0.02)), CLEAR)).isEmpty();
        assertThat(Bleaching.of(List.of(new Seen(0, 0.8, 0.02), new Seen(48, 0.81, 0.02)), CLEAR)).isEmpty();
        assertThat(Bleaching.of(List.of(new Seen(0, 0.05, 0.02), new Seen(48, 0.02, 0.02)), CLEAR)).as("it was clear before").isEmpty();
        assertThatThrownBy(() -> new Seen(0, Double.NaN, 0.1)).hasMessageContaining("NaN");
    }

    /// A fall within the error bounds nothing above.
    @Test
    void aFallThatMayBeNoneBoundsNothing() {
        Bleaching b = Bleaching.of(List.of(new Seen(0, 1.0, 0.1), new Seen(10, 0.9, 0.1)), CLEAR).orElseThrow();
        assertThat(b.toH()).isInfinite();
    }

    /// On photos drawn from known curves the interval holds the true hour in 95 %.
    @Test
    void theIntervalCovers() {
        SplittableRandom random = new SplittableRandom(23);
        int held = 0;
        int told = 0;
        for (int run = 0; run < 400; run++) {
            double a = 0.6 + random.nextDouble();
            double tau = 20 + 60 * random.nextDouble();
            double truth = tau * Math.log(a / CLEAR);
            var b = Bleaching.of(falling(a, tau, 0.03, random, 0, 24, 48, 72), CLEAR);
            if (b.isPresent()) {
                told++;
                held += b.get().fromH() <= truth && truth <= b.get().toH() ? 1 : 0;
            }
        }
        assertThat(told).isGreaterThan(390);
        assertThat(held / (double) told).isBetween(0.925, 0.975);
    }
}
