package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import java.util.function.ToDoubleBiFunction;
import org.junit.jupiter.api.Test;
import stillglass.look.Lighting;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.Sight;

/// A glass before a card, its iris closed down: a card in the opening, black blades about it, all of it lit by the room as well.
class BeforeACardTest {
    private static final double CARD = 0.5;
    private static final double BLADES = 0.02;

    private static double iris(double x, double y) {
        return Math.hypot(x, y) < 0.5 ? CARD : BLADES;
    }

    private static List<Candidate> found(Sight sight, ToDoubleBiFunction<Double, Double> light) {
        return CandidateFinder.find(Glass.maps(Glass.photo(0.0004, 11, light), Lighting.BRIGHT), 0.5).stream().filter(c -> c.sight() == sight).toList();
    }

    private static double x(Candidate c) {
        double sum = 0;
        for (int at : c.pixels()) {
            sum += GlassFrame.x(at);
        }
        return sum / c.pixels().length;
    }

    @Test
    void aSpeckKeepsLightFromTheCardAndThrowsTheRoomsBeforeBlades() {
        List<Candidate> specks = found(Sight.FINE, (x, y) -> iris(x, y) - 0.2 * Glass.disc(x, y, -0.2, 0.1, 0.012) + 0.02 * Glass.disc(x, y, 0.75, 0.1, 0.012));

        assertThat(specks).hasSize(2).allSatisfy(c -> assertThat(c.features().get(Feature.POLARITY)).isGreaterThan(0.9));
        assertThat(specks).anySatisfy(c -> {
            assertThat(x(c)).isCloseTo(-0.2, within(0.01));
            assertThat(c.features().get(Feature.BLADES)).isZero();
        }).anySatisfy(c -> {
            assertThat(x(c)).isCloseTo(0.75, within(0.01));
            assertThat(c.features().get(Feature.BLADES)).isEqualTo(1);
        });
    }

    @Test
    void whatIsLighterThanTheCardOrDarkerThanBladesIsNoSpeck() {
        assertThat(found(Sight.FINE, (x, y) -> iris(x, y) + 0.2 * Glass.disc(x, y, -0.2, 0.1, 0.012) - 0.015 * Glass.disc(x, y, 0.75, 0.1, 0.012))).isEmpty();
    }

    /// Grain of the card, many times that of what is dark, hides nothing before blades.
    @Test
    void bladesAreMeasuredByTheirOwnScatter() {
        SplittableRandom grain = new SplittableRandom(5);
        List<Candidate> specks = found(Sight.FINE, (x, y) -> iris(x, y) + (Math.hypot(x, y) < 0.5 ? 0.03 * grain.nextGaussian() : 0) + 0.012 * Glass.disc(x, y, 0.1, -0.75, 0.012));

        assertThat(specks).singleElement().satisfies(c -> assertThat(c.features().get(Feature.BLADES)).isEqualTo(1));
    }

    /// The barrel behind a glass has steps, which a region that stands out of it may be.
    @Test
    void aRegionBeforeTheCardIsOneAndOneOfTheWallsIsNot() {
        assertThat(found(Sight.AREA, (x, y) -> iris(x, y) - 0.1 * Glass.disc(x, y, -0.1, 0.1, 0.12) + 0.03 * Glass.disc(x, y, 0.1, -0.75, 0.12)))
                .singleElement().satisfies(c -> assertThat(x(c)).isCloseTo(-0.1, within(0.01)));
    }

    @Test
    void againstTheLightNothingSaysWhatLiesBeforeBlades() {
        List<Candidate> all = CandidateFinder.find(Glass.maps(Glass.photo(0.0004, 11, (x, y) -> (Math.hypot(x, y) < 0.5 ? 0.01 : 0.03) + 0.2 * Glass.disc(x, y, 0.75, 0.1, 0.012)), Lighting.AGAINST), 0.05);

        assertThat(all).anySatisfy(c -> assertThat(c.sight()).isEqualTo(Sight.FINE));
        assertThat(all).filteredOn(c -> c.sight() == Sight.FINE).allSatisfy(c -> assertThat(c.features().get(Feature.BLADES)).isNaN());
    }

    /// Walls of a barrel, one part of them lit: no smooth surface fits them, and none has to.
    private static double walls(double x, double y) {
        return Math.hypot(x, y) < 0.4 ? CARD : x > 0.1 * y && y > -0.3 ? 0.06 : BLADES;
    }

    @Test
    void stepsOfWallsAreNothingAndASpeckBeforeEitherWallIsOne() {
        assertThat(found(Sight.FINE, BeforeACardTest::walls)).isEmpty();
        assertThat(found(Sight.FINE, (x, y) -> walls(x, y) + 0.02 * Glass.disc(x, y, 0.6, 0.4, 0.012) + 0.02 * Glass.disc(x, y, -0.6, -0.3, 0.012)))
                .hasSize(2).allSatisfy(c -> assertThat(c.features().get(Feature.BLADES)).isEqualTo(1));
    }

    /// A bright wall lies farther from the dark ones than from the card: parting light once takes the wall for part of the opening.
    @Test
    void anOpeningIsFoundAmongWallsOfManyLights() {
        List<Candidate> all = found(Sight.FINE, (x, y) -> (Math.hypot(x, y) < 0.3 ? 0.9 : Math.hypot(x - 0.2, y) < 0.7 && y > -0.2 ? 0.12 : 0.004)
                + (Math.abs(Math.hypot(x, y) - 0.85) < 0.03 && x > 0.4 ? 0.6 : 0) - 0.3 * Glass.disc(x, y, -0.1, 0.1, 0.012));

        assertThat(all).anySatisfy(c -> {
            assertThat(x(c)).isCloseTo(-0.1, within(0.01));
            assertThat(c.features().get(Feature.BLADES)).isZero();
        });
        assertThat(all).filteredOn(c -> Math.abs(x(c) + 0.1) > 0.05).allSatisfy(c -> assertThat(c.features().get(Feature.BLADES)).isEqualTo(1));
    }

    @Test
    void theSoftEdgeOfAnIrisOutOfFocusIsNothing() {
        assertThat(found(Sight.FINE, (x, y) -> BLADES + (CARD - BLADES) * Math.clamp((0.5 - Math.hypot(x, y)) / 0.07 + 0.5, 0, 1))).isEmpty();
    }
}
