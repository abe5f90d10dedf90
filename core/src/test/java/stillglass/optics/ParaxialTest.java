package stillglass.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ParaxialTest {
    /// Far below any mechanical tolerance; the sums have some ten terms in double precision.
    private static final double EXACT = 1e-9;

    @Test
    void thickLensFollowsTheLensmakersEquation() {
        double r1 = 40;
        double r2 = -60;
        double t = 5;
        double n = 1.6;
        LensSection lens = Lenses.single(r1, r2, t, n, 8);
        double power = (n - 1) * (1 / r1 - 1 / r2 + (n - 1) * t / (n * r1 * r2));
        double back = (1 - (n - 1) * t / (n * r1)) / power;

        assertThat(Paraxial.of(lens).eflMm()).isCloseTo(1 / power, within(EXACT));
        assertThat(Paraxial.of(lens).bfdMm()).isCloseTo(back, within(EXACT));
    }

    @Test
    void ballLensFocusesAtNOverFourTimesNMinusOneOfItsDiameter() {
        double diameter = 20;
        double n = 1.5;
        LensSection ball = Lenses.single(diameter / 2, -diameter / 2, diameter, n, 5);

        // f = nD / 4(n-1), measured from the centre of the ball.
        assertThat(Paraxial.of(ball).eflMm()).isCloseTo(n * diameter / (4 * (n - 1)), within(EXACT));
        assertThat(Paraxial.of(ball).bfdMm()).isCloseTo(n * diameter / (4 * (n - 1)) - diameter / 2, within(EXACT));
    }

    @Test
    void planePlateHasNoPowerAndShiftsTheDepthByItsIndex() {
        double inf = Double.POSITIVE_INFINITY;
        LensSection plate = Lenses.single(inf, inf, 9, 1.5, 8);

        assertThat(Paraxial.of(plate).eflMm()).isInfinite();
        // The rear face seen through the plate: 1 mm of air and 9 mm of glass that look like 6 mm.
        Paraxial.Apparent seen = Paraxial.of(plate).apparentFromFront(2);
        assertThat(seen.depthMm()).isCloseTo(1 + 9 / 1.5, within(EXACT));
        assertThat(seen.magnification()).isCloseTo(1, within(EXACT));
    }

    @Test
    void twoThinLensesCombine() {
        Paraxial p = Paraxial.of(Lenses.twoThin());

        assertThat(p.eflMm()).isCloseTo(100 * 100 / 180.0, within(1e-6));
        // Back focus = f2 (f1 - d) / (f1 + f2 - d).
        assertThat(p.bfdMm()).isCloseTo(100 * 80 / 180.0, within(1e-6));
    }

    @Test
    void entrancePupilIsTheIrisSeenThroughTheFrontLens() {
        // Iris 10 mm behind a lens of 100 mm: 1/s' = 1/10 - 1/100, seen 11.11 mm behind and 1.11 times as large.
        Paraxial.EntrancePupil pupil = Paraxial.of(Lenses.twoThin()).entrancePupil();

        assertThat(pupil.positionMm()).isCloseTo(100 / 9.0, within(1e-6));
        assertThat(pupil.diameterMm()).isCloseTo(20 * 10 / 9.0, within(1e-6));
    }

    @Test
    void apparentDepthOfTheFrontSurfaceIsItself() {
        Paraxial.Apparent seen = Paraxial.of(Lenses.triplet()).apparentFromFront(0);

        assertThat(seen.depthMm()).isCloseTo(0, within(EXACT));
        assertThat(seen.magnification()).isCloseTo(1, within(EXACT));
    }

    @Test
    void apparentDepthBehindOneSurfaceIsTheTextbookImage() {
        // Refraction at one spherical surface from glass to air: 1/d' = n/d - (n-1)/R for a point d behind the vertex.
        double r = 30;
        double n = 1.62;
        double d = 4;
        double depth = 1 / (n / d - (n - 1) / r);

        assertThat(Paraxial.of(Lenses.triplet()).apparentFromFront(1).depthMm()).isCloseTo(depth, within(EXACT));
    }

    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14})
    void scalingALensScalesItsFocalLengths(long seed) {
        double factor = 0.5 + 2 * new SplittableRandom(seed).nextDouble();
        LensSection lens = Lenses.triplet();
        List<Surface> scaled = new ArrayList<>();
        lens.surfaces().forEach(s -> scaled.add(new Surface(
                s.radiusMm() * factor, s.thicknessMm() * factor, s.after(), s.semiDiameterMm() * factor, s.stop())));
        LensSection larger = lens.withSurfaces(scaled, lens.elements());

        assertThat(Paraxial.of(larger).eflMm()).as("seed %d", seed).isCloseTo(factor * Paraxial.of(lens).eflMm(), within(1e-8));
        assertThat(Paraxial.of(larger).bfdMm()).isCloseTo(factor * Paraxial.of(lens).bfdMm(), within(1e-8));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5})
    void theClosedFormOfBfdPerGapAgreesWithFiniteDifferences(int gap) {
        LensSection lens = Lenses.triplet();
        double h = 1e-4;
        double finite = (Paraxial.of(moved(lens, gap, h)).bfdMm() - Paraxial.of(moved(lens, gap, -h)).bfdMm()) / (2 * h);

        assertThat(Paraxial.of(lens).bfdPerGap()[gap - 1]).isCloseTo(finite, within(1e-7));
        assertThat(Paraxial.of(lens).bfdPerGap()[5]).isZero();
    }

    private static LensSection moved(LensSection lens, int gap, double by) {
        Surface s = lens.surfaces().get(gap - 1);
        return Lenses.with(lens, gap - 1, s.withThickness(s.thicknessMm() + by));
    }

    @Test
    void seenFromBehindIsSeenFromTheFrontOfTheLensTurnedRound() {
        LensSection lens = Lenses.triplet();
        List<Surface> turned = new ArrayList<>();
        int n = lens.surfaces().size();
        for (int i = n - 1; i >= 0; i--) {
            Surface s = lens.surfaces().get(i);
            turned.add(new Surface(-s.radiusMm(), i > 0 ? lens.surfaces().get(i - 1).thicknessMm() : 0,
                    i > 0 ? lens.surfaces().get(i - 1).after() : new Medium.Air(), s.semiDiameterMm(), s.stop()));
        }
        LensSection back = lens.withSurfaces(turned, List.of());
        for (int k = 0; k < n; k++) {
            Paraxial.Apparent rear = Paraxial.of(lens).apparentFromRear(k);
            Paraxial.Apparent front = Paraxial.of(back).apparentFromFront(n - 1 - k);

            assertThat(rear.depthMm()).as("surface %d", k).isCloseTo(front.depthMm(), within(EXACT));
            assertThat(rear.magnification()).isCloseTo(front.magnification(), within(EXACT));
        }
    }

    @Test
    void aBubbleAtEitherFaceSeemsToLieOnThatFace() {
        Paraxial p = Paraxial.of(Lenses.triplet());

        assertThat(p.apparentInside(3, 1e-9, false).depthMm()).isCloseTo(p.apparentFromFront(3).depthMm(), within(1e-6));
        assertThat(p.apparentInside(3, 5 - 1e-9, false).depthMm()).isCloseTo(p.apparentFromFront(4).depthMm(), within(1e-6));
        assertThat(p.apparentInside(3, 2, true).depthMm()).isBetween(p.apparentFromRear(4).depthMm(), p.apparentFromRear(3).depthMm());
    }

    @Test
    void blueFocusesShorterThanRedInASingleGlass() {
        LensSection lens = Lenses.single(50, -50, 4, 1.5, 8);

        assertThat(Paraxial.of(lens, 486.1).eflMm()).isLessThan(Paraxial.of(lens, 656.3).eflMm());
    }
}
