package stillglass.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DurationsTest {
    private static final Optional<Double> NO_MAP = Optional.empty();

    private static List<Durations.Done> jobs(Chore chore, double... minutes) {
        return Arrays.stream(minutes).mapToObj(m -> new Durations.Done(chore, m, NO_MAP)).toList();
    }

    @Test
    void beforeAnythingWasDoneItIsTheUsualFigureOrTheMaps() {
        Durations none = new Durations();
        assertThat(none.of(Chore.LOOK, NO_MAP)).satisfies(e -> {
            assertThat(e.middle()).isCloseTo(20, within(1e-9));
            assertThat(e.promised()).isBetween(30.0, 45.0);
            assertThat(e.source()).isEqualTo(Durations.Source.USUAL);
        });
        assertThat(none.of(Chore.OPEN, Optional.of(80.0))).satisfies(e -> assertThat(e.middle()).isCloseTo(80, within(1e-9))).extracting(Durations.Estimate::source).isEqualTo(Durations.Source.MAP);
    }

    /// With one job the middle lies half way, on the scale of logarithms, between what was believed and what was seen; with many it is theirs.
    @Test
    void jobsMoveTheMiddle() {
        assertThat(new Durations(jobs(Chore.CLOSE, 240)).of(Chore.CLOSE, NO_MAP)).satisfies(e -> {
            assertThat(e.middle()).isCloseTo(60 * Math.sqrt(240 / 60.0), within(1e-9));
            assertThat(e.source()).isEqualTo(Durations.Source.BENCH);
            assertThat(e.jobs()).isEqualTo(1);
        });
        double[] many = IntStream.range(0, 200).mapToDouble(i -> 100).toArray();
        Durations.Estimate sure = new Durations(jobs(Chore.CLOSE, many)).of(Chore.CLOSE, NO_MAP);
        assertThat(sure.middle()).isCloseTo(100, within(1.0));
        assertThat(sure.promised()).isLessThan(110);
        assertThat(new Durations(jobs(Chore.CLOSE, many)).of(Chore.PROVE, NO_MAP).jobs()).as("another chore learns nothing from it").isZero();
        assertThat(new Durations(jobs(Chore.CLOSE, many)).of(Chore.CLOSE, Optional.of(50.0)).jobs()).as("nor does what a map foretells").isZero();
    }

    /// What is promised is enough in four jobs of five, whatever the pace and the evenness of a bench, from few jobs and from many.
    @ParameterizedTest
    @ValueSource(ints = {3, 8, 30})
    void promisesAreKeptInFourJobsOfFive(int seen) {
        SplittableRandom random = new SplittableRandom(7 + seen);
        int kept = 0;
        int all = 4000;
        for (int i = 0; i < all; i++) {
            double pace = 0.4 * random.nextGaussian();
            double unevenness = 0.25 + 0.45 * random.nextDouble();
            List<Durations.Done> jobs = Stream.generate(() -> new Durations.Done(Chore.CLOSE, 60 * Math.exp(pace + unevenness * random.nextGaussian()), NO_MAP)).limit(seen).toList();
            kept += 60 * Math.exp(pace + unevenness * random.nextGaussian()) <= new Durations(jobs).of(Chore.CLOSE, NO_MAP).promised() ? 1 : 0;
        }
        assertThat(kept / (double) all).isBetween(0.77, 0.84);
    }

    @Test
    void whatWasWorkedIsTakenOffAndSomethingIsAlwaysLeft() {
        Durations.Estimate e = Durations.Estimate.said(60);
        assertThat(e.spread()).isZero();
        assertThat(e.less(45).middle()).isCloseTo(15, within(1e-9));
        assertThat(e.less(500).middle()).isCloseTo(12, within(1e-9));
    }
}
