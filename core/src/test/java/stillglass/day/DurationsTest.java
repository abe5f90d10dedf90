package stillglass.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
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
        return Arrays.stream(minutes).mapToObj(m -> new Durations.Done(chore, m, NO_MAP, "any")).toList();
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
            List<Durations.Done> jobs = Stream.generate(() -> new Durations.Done(Chore.CLOSE, 60 * Math.exp(pace + unevenness * random.nextGaussian()), NO_MAP, "any")).limit(seen).toList();
            kept += 60 * Math.exp(pace + unevenness * random.nextGaussian()) <= new Durations(jobs).of(Chore.CLOSE, NO_MAP).promised() ? 1 : 0;
        }
        assertThat(kept / (double) all).isBetween(0.77, 0.84);
    }

    /// A model begins at what the others teach, which is worth one of its own jobs.
    @Test
    void aModelHasFiguresOfItsOwn() {
        List<Durations.Done> all = List.of(new Durations.Done(Chore.CLOSE, 120, NO_MAP, "other"), new Durations.Done(Chore.CLOSE, 120, NO_MAP, "other"), new Durations.Done(Chore.CLOSE, 240, NO_MAP, "this"));
        Durations.Estimate own = new Durations(all).of(Chore.CLOSE, NO_MAP, "this");
        assertThat(own.middle()).as("half way between 60·2^(2/3) and 240, in logarithms").isCloseTo(Math.sqrt(60 * Math.pow(2, 2 / 3.0) * 240), within(1e-9));
        assertThat(own.source()).isEqualTo(Durations.Source.MODEL);
        assertThat(own.jobs()).isEqualTo(1);
        assertThat(new Durations(all).of(Chore.CLOSE, NO_MAP, "never here").source()).isEqualTo(Durations.Source.BENCH);
        assertThat(new Durations(all).of(Chore.CLOSE, NO_MAP, "never here").jobs()).isEqualTo(3);
    }

    /// On drawn benches of models that differ: promises of a model are kept in about four of five, and its own figure is nearer than that of the shop.
    @ParameterizedTest
    @ValueSource(ints = {1, 3, 10})
    void promisesOfAModelAreKeptAndComeNearer(int own) {
        SplittableRandom random = new SplittableRandom(70 + own);
        int kept = 0;
        double byModel = 0;
        double byShop = 0;
        int all = 3000;
        for (int i = 0; i < all; i++) {
            double pace = 0.4 * random.nextGaussian();
            double between = 0.2 + 0.3 * random.nextDouble();
            double within = 0.2 + 0.3 * random.nextDouble();
            List<Durations.Done> jobs = new ArrayList<>();
            for (int m = 0; m < 4; m++) {
                double of = pace + between * random.nextGaussian();
                for (int k = 0; k < 3; k++) {
                    jobs.add(new Durations.Done(Chore.CLOSE, 60 * Math.exp(of + within * random.nextGaussian()), NO_MAP, "model " + m));
                }
            }
            double of = pace + between * random.nextGaussian();
            for (int k = 0; k < own; k++) {
                jobs.add(new Durations.Done(Chore.CLOSE, 60 * Math.exp(of + within * random.nextGaussian()), NO_MAP, "this"));
            }
            Durations here = new Durations(jobs);
            kept += 60 * Math.exp(of + within * random.nextGaussian()) <= here.of(Chore.CLOSE, NO_MAP, "this").promised() ? 1 : 0;
            byModel += Math.abs(Math.log(here.of(Chore.CLOSE, NO_MAP, "this").middle() / 60) - of);
            byShop += Math.abs(Math.log(here.of(Chore.CLOSE, NO_MAP).middle() / 60) - of);
        }
        assertThat(kept / (double) all).isBetween(0.77, 0.84);
        assertThat(byModel).isLessThan(0.9 * byShop);
    }

    @Test
    void whatWasWorkedIsTakenOffAndSomethingIsAlwaysLeft() {
        Durations.Estimate e = Durations.Estimate.said(60);
        assertThat(e.spread()).isZero();
        assertThat(e.less(45).middle()).isCloseTo(15, within(1e-9));
        assertThat(e.less(500).middle()).isCloseTo(12, within(1e-9));
    }
}
