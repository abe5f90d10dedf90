package stillglass.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class GrowthTest {
    private static final LocalDate FIRST = LocalDate.of(2026, 1, 10);

    private static Growth.Visit visit(int days, double radius) {
        return new Growth.Visit(FIRST.plusDays(days), radius * radius);
    }

    @Test
    void aColonyThatCreepsOutwardEvenlyIsReadBack() {
        Growth g = Growth.of(List.of(visit(0, 0.10), visit(90, 0.16), visit(180, 0.22))).orElseThrow();
        assertThat(g.perMonth()).isCloseTo(0.02, within(1e-9));
        assertThat(g.radius()).isCloseTo(0.22, within(1e-9));
        assertThat(g.verdict()).isEqualTo(Growth.Verdict.GROWS);
        assertThat(g.monthsToTell()).isEmpty();
        assertThat(g.monthsTo(0.22 * 0.22)).hasValue(0);
        assertThat(g.monthsTo(0.5).orElseThrow()).as("0.49 more at 0.02 to 0.04 a month").isBetween(12, 24);
        assertThat(g.monthsTo(1)).as("not within two years").isEmpty();
    }

    @Test
    void photosOfOneWeekTellNothingOfGrowth() {
        assertThat(Growth.of(List.of(visit(0, 0.1), visit(6, 0.2)))).isEmpty();
        assertThat(Growth.of(List.of(visit(0, 0.1)))).isEmpty();
    }

    @Test
    void whatIsNotKnownYetSaysWhenToLookAgain() {
        Growth g = Growth.of(List.of(visit(0, 0.20), visit(30, 0.21))).orElseThrow();
        assertThat(g.verdict()).isEqualTo(Growth.Verdict.OPEN);
        assertThat(g.low()).isNegative();
        int months = g.monthsToTell().orElseThrow();
        // It goes on as it seemed to: then the photos tell.
        Growth then = Growth.of(List.of(visit(0, 0.20), visit(30, 0.21), visit(30 + 30 * months, 0.21 + 0.01 * months))).orElseThrow();
        assertThat(then.verdict()).isEqualTo(Growth.Verdict.GROWS);
    }

    @Test
    void nothingHappenedInTenYears() {
        Growth g = Growth.of(List.of(visit(0, 0.2), visit(1800, 0.2), visit(3600, 0.2))).orElseThrow();
        assertThat(g.verdict()).isEqualTo(Growth.Verdict.STILL);
        assertThat(Growth.of(List.of(visit(0, 0.4), visit(60, 0.05))).orElseThrow().verdict()).isEqualTo(Growth.Verdict.SHRANK);
    }

    /// Areas drawn with the stated scatter about a known speed: the intervals cover it as often as they say.
    @Test
    void theIntervalCoversTheTrueSpeed() {
        Random random = new Random(7);
        int covered = 0;
        int all = 3000;
        for (int i = 0; i < all; i++) {
            double speed = 0.03 * random.nextDouble();
            double start = 0.1 + 0.2 * random.nextDouble();
            List<Growth.Visit> visits = new ArrayList<>();
            for (int day : new int[] {0, 40, 150, 200}) {
                double r = start + speed * day / 30;
                visits.add(new Growth.Visit(FIRST.plusDays(day), r * r * Math.exp(PhotoChange.LOG_AREA_SCATTER * random.nextGaussian())));
            }
            Growth g = Growth.of(visits).orElseThrow();
            covered += g.low() <= speed && speed <= g.high() ? 1 : 0;
        }
        assertThat(covered / (double) all).isBetween(0.93, 0.97);
    }

    @Test
    void noAreaIsNoVisit() {
        for (double bad : new double[] {0, -1, Double.NaN, 3}) {
            assertThatThrownBy(() -> new Growth.Visit(FIRST, bad)).isInstanceOf(IllegalArgumentException.class);
        }
    }
}
