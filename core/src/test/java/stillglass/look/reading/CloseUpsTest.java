package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleBiFunction;
import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.closeup.CloseUp;
import stillglass.look.closeup.CloseUpTrait;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.Sight;

/// What is cut out of drawn glass, against what was drawn.
class CloseUpsTest {
    private static final int MIDDLE = 16 * CloseUp.SIDE + 16;

    private record Cut(CloseUp closeUp, Candidate of) {
        double get(CloseUpTrait t, int right, int up) {
            return closeUp.get(t, MIDDLE + right - up * CloseUp.SIDE);
        }
    }

    /// The largest thing of a sort that stands out.
    private static Cut largest(Sight sight, Lighting lighting, ToDoubleBiFunction<Double, Double> red, ToDoubleBiFunction<Double, Double> other) {
        Maps maps = Glass.maps(Glass.photo(0.0005, 3, red, other, other), lighting);
        Candidate c = CandidateFinder.find(maps, 0.05).stream().filter(s -> s.sight() == sight).max(Comparator.comparingInt(s -> s.pixels().length)).orElseThrow();
        return new Cut(new CloseUps(maps).of(c), c);
    }

    /// A patch a third of a radius wide fills two thirds of the window wherever it lies; the rim lies outward, up.
    @ParameterizedTest
    @ValueSource(doubles = {0, 40, 90, 200, 315})
    void aPatchIsAsLargeAsItsWindowAndOutwardLiesUp(double degrees) {
        double x = 0.75 * Math.cos(Math.toRadians(degrees));
        double y = 0.75 * Math.sin(Math.toRadians(degrees));
        Cut cut = largest(Sight.AREA, Lighting.AGAINST, (u, v) -> 0.02 + 0.06 * Glass.disc(u, v, x, y, 0.17), (u, v) -> 0.02 + 0.03 * Glass.disc(u, v, x, y, 0.17));
        assertThat(cut.get(CloseUpTrait.SHAPE, 0, 0)).isCloseTo(3, within(0.1));
        assertThat(cut.get(CloseUpTrait.SHAPE, -9, 0)).isCloseTo(3, within(0.6));
        assertThat(cut.get(CloseUpTrait.SHAPE, -13, 0)).isZero();
        assertThat(cut.get(CloseUpTrait.SHAPE, 0, -13)).isZero();
        assertThat(cut.get(CloseUpTrait.RADIUS, 0, 0)).isCloseTo(1.5, within(0.06));
        assertThat(cut.get(CloseUpTrait.RADIUS, 0, 12)).isCloseTo(1.5 + 2 * 12 * 0.255 / 16, within(0.08));
        assertThat(cut.get(CloseUpTrait.RADIUS, 0, -12)).isCloseTo(1.5 - 2 * 12 * 0.255 / 16, within(0.08));
        assertThat(cut.get(CloseUpTrait.AREA, 0, 0)).isGreaterThan(1);
        assertThat(cut.get(CloseUpTrait.AREA, -13, -5)).isLessThan(0.7);
        assertThat(cut.get(CloseUpTrait.RED, 0, 0)).isGreaterThan(cut.get(CloseUpTrait.RED, -13, -5) + 1);
        assertThat(cut.get(CloseUpTrait.BLUE, 0, 0)).isCloseTo(cut.get(CloseUpTrait.BLUE, -13, -5), within(0.5));
        double lit = 0.2126 * 0.08 + 0.7874 * 0.05;
        assertThat(cut.get(CloseUpTrait.LIGHT, 0, 0)).isCloseTo(Math.log(lit + 0.01) + 2, within(0.06));
        assertThat(cut.get(CloseUpTrait.LEVEL, 0, 0)).isGreaterThan(1.2);
    }

    /// Left and right: seen with outward up, a mark counterclockwise of a patch lies left.
    @Test
    void whatLiesCounterclockwiseLiesLeft() {
        ToDoubleBiFunction<Double, Double> glass = (u, v) -> 0.02 + 0.06 * Glass.disc(u, v, 0.6, 0, 0.16) + 0.3 * Glass.disc(u, v, 0.6, 0.21, 0.012);
        Cut cut = largest(Sight.AREA, Lighting.AGAINST, glass, glass);
        double left = 0;
        double right = 0;
        for (int i = 14; i < 16; i++) {
            left = Math.max(left, cut.get(CloseUpTrait.FINE, -i, 0));
            right = Math.max(right, cut.get(CloseUpTrait.FINE, i - 1, 0));
        }
        assertThat(left).isGreaterThan(2);
        assertThat(right).isLessThan(1);
    }

    /// The shape of a lopsided thing lies where its light does: two discs, the smaller one counterclockwise of the larger.
    @ParameterizedTest
    @ValueSource(doubles = {0, 70, 160, 290})
    void theShapeOfAThingIsNoMirrorImageOfIt(double degrees) {
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        ToDoubleBiFunction<Double, Double> glass = (u, v) -> 0.02 + 0.06 * Math.max(Glass.disc(u, v, 0.6 * cos, 0.6 * sin, 0.13), Glass.disc(u, v, 0.6 * cos - 0.18 * sin, 0.6 * sin + 0.18 * cos, 0.07));
        Cut cut = largest(Sight.AREA, Lighting.AGAINST, glass, glass);
        double apart = 0;
        for (int up = -12; up <= 12; up++) {
            for (int right = -12; right <= 12; right++) {
                boolean lit = cut.get(CloseUpTrait.LEVEL, right, up) > 1.2;
                apart += lit == cut.get(CloseUpTrait.SHAPE, right, up) > 1 ? 0 : 1 / 625.0;
            }
        }
        assertThat(apart).isLessThan(0.06);
    }

    /// However far it is reduced, a thread stays: the strongest of its cells is kept.
    @Test
    void aLongThreadDoesNotFade() {
        ToDoubleBiFunction<Double, Double> glass = (u, v) -> 0.02 + 0.03 * Glass.line(u, v, -0.7, 0.01, 0.7, 0.02, 0.008);
        Cut cut = largest(Sight.FINE, Lighting.AGAINST, glass, glass);
        double along = 0;
        for (int i = -9; i <= 9; i++) {
            double most = 0;
            for (int j = -3; j <= 3; j++) {
                most = Math.max(most, Math.max(cut.get(CloseUpTrait.FINE, i, j), cut.get(CloseUpTrait.FINE, j, i)));
            }
            along += most / 19;
        }
        assertThat(along).isGreaterThan(2.3);
        assertThat(cut.get(CloseUpTrait.FINE, 9, 9)).isLessThan(1);
    }

    /// The glass as a whole is seen whole, rim and mount and all.
    @Test
    void theWholeGlassIsSeenWhole() {
        ToDoubleBiFunction<Double, Double> glass = (u, v) -> 0.1 - 0.08 * Glass.disc(u, v, 0.3, 0.2, 0.012);
        Cut cut = largest(Sight.WHOLE, Lighting.AGAINST, glass, glass);
        assertThat(cut.get(CloseUpTrait.RADIUS, 0, 0)).isLessThan(0.15);
        assertThat(cut.get(CloseUpTrait.RADIUS, 0, -15)).isCloseTo(2 * 410.0 / 360 * 15.5 / 16, within(0.1));
        assertThat(cut.get(CloseUpTrait.LIGHT, 0, -15)).isLessThan(cut.get(CloseUpTrait.LIGHT, 0, 0));
        assertThat(cut.get(CloseUpTrait.LEVEL, 0, -15)).isCloseTo(0, within(0.1));
        double darkest = 0;
        for (int i = 2; i < 7; i++) {
            for (int j = 1; j < 6; j++) {
                darkest = Math.max(darkest, cut.get(CloseUpTrait.OTHER, i, j));
            }
        }
        assertThat(darkest).isGreaterThan(cut.get(CloseUpTrait.OTHER, -5, 5) + 0.2);
    }

    /// Every candidate is told what it looks like, chances that add up; the glass as a whole is not a thing to look at close by.
    @Test
    void whatStandsOutIsToldWhatItLooksLike() {
        List<Candidate> found = CandidateFinder.find(Glass.maps(Glass.photo(0.0005, 5, (x, y) -> 0.02 + 0.3 * Glass.line(x, y, -0.3, -0.2, 0.4, 0.1, 0.008)), Lighting.AGAINST), 0.05);
        assertThat(found).extracting(Candidate::sight).contains(Sight.FINE, Sight.WHOLE);
        assertThat(found).allSatisfy(c -> {
            double sum = Arrays.stream(FindingKind.values()).mapToDouble(k -> Math.pow(10, c.features().get(Feature.closeUp(k)))).sum();
            if (c.sight() == Sight.WHOLE) {
                assertThat(sum).isNaN();
            } else {
                assertThat(sum).isCloseTo(1, within(2e-3));
            }
        });
    }

    /// A veil over black glass looks hazier the thicker it is; before a card nobody asks.
    @Test
    void aVeilOverBlackGlassLooksHazy() {
        double[] hazy = DoubleStream.of(0.0, 0.02, 0.08).map(veil -> whole(Lighting.AGAINST, (x, y) -> 0.004 + veil * (1 + 0.3 * x))).toArray();
        assertThat(hazy[0]).isLessThan(0.3);
        assertThat(hazy[1]).isGreaterThan(hazy[0]);
        assertThat(hazy[2]).isGreaterThan(0.6);
        assertThat(whole(Lighting.BRIGHT, (x, y) -> 0.8)).isNaN();
    }

    private static double whole(Lighting lighting, ToDoubleBiFunction<Double, Double> glass) {
        Candidate whole = CandidateFinder.find(Glass.maps(Glass.photo(0.0005, 5, glass), lighting), 0.05).stream().filter(c -> c.sight() == Sight.WHOLE).findFirst().orElseThrow();
        return Math.pow(10, whole.features().get(Feature.closeUp(FindingKind.HAZE)));
    }
}
