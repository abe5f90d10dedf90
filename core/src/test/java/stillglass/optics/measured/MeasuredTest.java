package stillglass.optics.measured;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;
import stillglass.optics.Element;
import stillglass.optics.Lenses;
import stillglass.optics.Medium;
import stillglass.optics.Paraxial;
import stillglass.optics.Surface;
import stillglass.say.Wording;

class MeasuredTest {
    private static final Spherometer FEET = new Spherometer(15, 1.5);

    @Test
    void sharpFeetGiveTheSchoolFormula() {
        // 30 mm radius on a ring of 15 mm: s = 30 − √(900 − 225) = 4.0192 mm.
        assertThat(new Spherometer(15, 0).radius(4.019238, 0).radiusMm()).isCloseTo(30, within(1e-5));
    }

    /// Truth by geometry: the ball centre stands one ball radius off the glass, on the ring.
    @ParameterizedTest
    @ValueSource(doubles = {20, 45, 300, -20, -45, -300})
    void ballFeetAreCorrectedOnBothKindsOfFace(double radius) {
        double centre = Math.abs(radius) + (radius > 0 ? 1.5 : -1.5);
        double sag = centre - Math.sqrt(centre * centre - 225);
        // The plunger is a ball, too: against a plane both stand 1.5 mm off, so the offsets cancel in the middle.
        assertThat(FEET.radius(Math.copySign(sag, radius), 0).radiusMm()).isCloseTo(radius, within(1e-9));
        assertThat(FEET.sagMm(radius)).isCloseTo(Math.copySign(sag, radius), within(1e-12));
    }

    @Test
    void theStatedErrorIsTheScatterOfManyReadings() {
        SplittableRandom random = new SplittableRandom(3);
        Spherometer feet = new Spherometer(15, 1.5, 0);
        double sigma = 0.002;
        double sum = 0;
        double squares = 0;
        for (int i = 0; i < 4000; i++) {
            double noise = Math.sqrt(-2 * Math.log(1 - random.nextDouble())) * Math.cos(2 * Math.PI * random.nextDouble());
            double r = feet.radius(feet.sagMm(60) + sigma * noise, 0).radiusMm();
            sum += r;
            squares += r * r;
        }
        double scatter = Math.sqrt(squares / 4000 - sum / 4000 * (sum / 4000));

        assertThat(feet.radius(feet.sagMm(60), sigma).sigmaMm()).isCloseTo(scatter, within(0.05 * scatter));
    }

    @Test
    void aRingThatIsNotWellKnownMakesTheRadiusUncertain() {
        // The same reading on rings 0.1 mm apart: what one deviation of the ring does.
        double sag = FEET.sagMm(60);
        double apart = (new Spherometer(15.05, 1.5, 0).radius(sag, 0).radiusMm() - new Spherometer(14.95, 1.5, 0).radius(sag, 0).radiusMm()) / 0.1;
        assertThat(new Spherometer(15, 1.5, 0.05).radius(sag, 0).sigmaMm()).isCloseTo(0.05 * apart, within(1e-3));
        assertThatThrownBy(() -> new Spherometer(15, 1.5, Double.NaN)).hasMessageContaining("out of range");
    }

    @Test
    void aThickMeniscusMayBeOfTwoGlasses() {
        MeasuredGlass m = new MeasuredGlass("E1", 30, 24, 9.23, 30, OptionalDouble.empty(), OptionalDouble.of(Paraxial.of(Lenses.single(30, 24, 9.23, 1.6, 8)).eflMm()), 0);
        assertThat(m.indices()).hasSize(2);
        for (double n : m.indices()) {
            assertThat(Paraxial.of(Lenses.single(30, 24, 9.23, n, 8)).eflMm()).isCloseTo(m.focalLengthMm().orElseThrow(), withinPercentage(1e-6));
        }
        assertThat(m.indices().getFirst()).isCloseTo(1.6, within(1e-9));
        assertThat(m.indexFromFocalLength().orElseThrow()).isCloseTo(1.6, within(1e-9));
    }

    @Test
    void aFasterLensOfTheSameFormKeepsEdgesOnItsGlasses() {
        LensSection fast = FormGuess.of(Lenses.triplet(), "fast", 50, 0.9, 43.2);
        for (Element e : fast.elements()) {
            double rim = e.diameterMm() / 2;
            double edge = e.centreThicknessMm() + fast.surfaces().get(e.lastSurface()).sagMm(rim) - fast.surfaces().get(e.firstSurface()).sagMm(rim);
            assertThat(edge).as(e.name()).isGreaterThanOrEqualTo(0.29).isCloseTo(e.edgeThicknessMm(), within(1e-9));
            assertThat(fast.surfaces().get(e.firstSurface()).semiDiameterMm()).isLessThan(rim);
        }
    }

    @Test
    void aFaceWithinTheReadingErrorIsAPlane() {
        assertThat(FEET.radius(0.003, 0.002).plane()).isTrue();
        assertThat(FEET.radius(0, 0).plane()).isTrue();
        assertThatThrownBy(() -> FEET.radius(15, 0.01)).hasMessageContaining("hemisphere");
        assertThatThrownBy(() -> new Spherometer(1, 2)).hasMessageContaining("out of range");
    }

    private static MeasuredGlass glass(String name, double r1, double r2, double t, double n, double gap) {
        return new MeasuredGlass(name, r1, r2, t, 24, OptionalDouble.of(n), OptionalDouble.empty(), gap);
    }

    @ParameterizedTest
    @ValueSource(doubles = {1.49, 1.62, 1.8})
    void theIndexComesBackFromTheFocalLength(double n) {
        for (double[] shape : new double[][] {{40, -60, 5}, {-35, 50, 1.5}, {30, 80, 4}, {Double.POSITIVE_INFINITY, -40, 3}}) {
            double f = Paraxial.of(Lenses.single(shape[0], shape[1], shape[2], n, 8)).eflMm();
            MeasuredGlass g = new MeasuredGlass("E1", shape[0], shape[1], shape[2], 24, OptionalDouble.empty(), OptionalDouble.of(f), 1);

            assertThat(g.indexFromFocalLength().orElseThrow()).isCloseTo(n, within(1e-9));
        }
    }

    @Test
    void aFocalLengthThatNoGlassGivesIsRefused() {
        MeasuredGlass g = new MeasuredGlass("E1", 40, -60, 5, 24, OptionalDouble.empty(), OptionalDouble.of(-40), 1);

        assertThat(g.indexFromFocalLength()).isEmpty();
        assertThatThrownBy(() -> MeasuredSection.of(new MeasuredSection.Whole("x", 40, 4, 43.2, 0, 1), List.of(g)))
                .hasMessageContaining("E1").hasMessageContaining("signs");
    }

    @Test
    void measuredGlassesMakeTheLensTheyCameFrom() {
        LensSection truth = Lenses.triplet();
        List<Surface> s = truth.surfaces();
        List<MeasuredGlass> glasses = List.of(
                glass("E1", s.get(0).radiusMm(), s.get(1).radiusMm(), 4, 1.62, 11),
                glass("E2", s.get(3).radiusMm(), s.get(4).radiusMm(), 5, 1.62, 0),
                glass("E3", s.get(4).radiusMm(), s.get(5).radiusMm(), 1.5, 1.70, 0));
        double efl = Paraxial.of(truth).eflMm();
        MeasuredSection made = MeasuredSection.of(new MeasuredSection.Whole("found", efl, 4, 43.2, 1, 6), glasses);

        assertThat(Paraxial.of(made.section()).eflMm()).isCloseTo(efl, within(1e-9));
        assertThat(Paraxial.of(made.section()).bfdMm()).isCloseTo(Paraxial.of(truth).bfdMm(), within(1e-9));
        assertThat(made.section().stopIndex()).isEqualTo(2);
        assertThat(made.section().cemented(4)).isTrue();
        assertThat(made.section().basis().estimate()).isTrue();
        assertThat(Paraxial.of(made.section()).entrancePupil().diameterMm()).isCloseTo(efl / 4, within(1e-9));
        assertThat(made.remarks()).extracting(Wording.core()::say).anyMatch(r -> r.startsWith("focal length from the glasses"));
    }

    @Test
    void whatCannotBeIsNamed() {
        MeasuredSection.Whole w = new MeasuredSection.Whole("x", 50, 4, 43.2, 1, 6);
        assertThatThrownBy(() -> MeasuredSection.of(w, List.of())).hasMessageContaining("at least one");
        assertThatThrownBy(() -> MeasuredSection.of(w, List.of(glass("E1", 30, 80, 4, 1.6, 3), glass("E2", 60, -40, 4, 1.6, 0))))
                .hasMessageContaining("only 3.00 mm away");
        assertThatThrownBy(() -> MeasuredSection.of(w, List.of(glass("E1", 30, 80, 4, 1.6, 11), glass("E2", 60, -25, 4, 1.6, 0), glass("E3", 20, -25, 4, 1.6, 0))))
                .hasMessageContaining("E2 and E3 do not fit");
        assertThatThrownBy(() -> MeasuredSection.of(w, List.of(glass("E1", -30, 30, 2, 1.6, 11)))).hasMessageContaining("do not form an image");
        assertThatThrownBy(() -> glass("E1", Double.NaN, 3, 4, 1.6, 0)).hasMessageContaining("E1");
        assertThatThrownBy(() -> glass("E1", 30, 80, 4, 3, 0)).hasMessageContaining("no optical glass");
    }

    @Test
    void aGuessedFormHasTheEngravedFigures() {
        LensSection guess = FormGuess.of(Lenses.triplet(), "unknown 90", 90, 6.3, 60);

        assertThat(guess.basis()).isEqualTo(LensSection.Basis.GUESS);
        assertThat(Paraxial.of(guess).eflMm()).isCloseTo(Paraxial.of(Lenses.triplet()).eflMm() * 90 / 50, within(1e-9));
        assertThat(guess.form()).contains("triplet");
        assertThat(FormGuess.of(Lenses.triplet(), "fast", 50, 2, 43).surfaces().getFirst().semiDiameterMm())
                .isGreaterThan(Lenses.triplet().surfaces().getFirst().semiDiameterMm());
        assertThatThrownBy(() -> FormGuess.of(Lenses.triplet(), "x", -5, 2, 43)).hasMessageContaining("focal length");
    }

    /// A thin lens of 50 mm with its iris in it, 20 mm behind the front rim and 10 mm before the rear one, gives p = 20, B = 40: the figures a technician would read off it. In front of the lens a
    /// parallel beam of 25 mm, shifted by 20 mm times the slope; behind it the cone to the film has shrunk by 10/50.
    @Test
    void twoRimsPlaceTheBeamAsAThinLensBetweenThemWould() {
        LensSection two = TwoPlane.of("box", 50, 2, 43.2, new TwoPlane.Outside(80, 20, 80, 40, 30, OptionalDouble.empty()));
        Footprints prints = Footprints.of(two, () -> {});
        double[] p = new double[2 * Footprints.CORNERS];

        assertThat(prints.outline(0, 0, 0, 0.2, p)).isTrue();
        assertThat(middle(p)).isCloseTo(-20 * 0.2, within(0.15));
        assertThat(width(p)).isCloseTo(25, within(0.3));
        assertThat(prints.outline(8, 0, 0, 0, p)).isTrue();
        assertThat(width(p)).isCloseTo(25 * 0.8, within(0.4));
        assertThat(two.surfaceName(0)).isEqualTo("front rim");
        assertThat(two.surfaceName(8)).isEqualTo("rear rim");
        assertThat(Paraxial.of(two).eflMm()).isCloseTo(50, within(1e-9));
        assertThat(Paraxial.of(two).bfdMm()).isCloseTo(40, within(1e-9));
        assertThat(Paraxial.of(two).entrancePupil().positionMm()).isCloseTo(20, within(1e-9));
        assertThatThrownBy(() -> new TwoPlane.Outside(0, 20, 20, 40, 30, OptionalDouble.empty())).hasMessageContaining("front diameter");
        assertThatThrownBy(() -> TwoPlane.of("x", 50, 2, 43, new TwoPlane.Outside(30, 60, 20, 40, 30, OptionalDouble.empty()))).hasMessageContaining("the rear rim is at 30.0 mm");
    }

    private static double middle(double[] p) {
        double sum = 0;
        for (int a = 0; a < Footprints.CORNERS; a++) {
            sum += p[2 * a + 1] / Footprints.CORNERS;
        }
        return sum;
    }

    private static double width(double[] p) {
        List<Double> x = new ArrayList<>();
        for (int a = 0; a < Footprints.CORNERS; a++) {
            x.add(p[2 * a]);
        }
        return x.stream().max(Double::compare).orElseThrow() - x.stream().min(Double::compare).orElseThrow();
    }
}
