package stillglass.grade;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.look.FindingKind;
import stillglass.look.Progress;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Paraxial;

/// Light of near things, and how large a speck must be to show, beside rays sent out from a point and counted.
class NearLightTest {
    @ParameterizedTest
    @CsvSource({"0, 1, -2, 2, 300", "1, 0, 3, 1.5, 300", "3, -1, 2, 1.5, 600", "5, 0, 3, 1.5, 300"})
    void aDiscTakesItsShareOfTheLightOfANearThing(int surface, double x, double y, double radius, double objectMm) {
        LensSection lens = Lenses.triplet();
        Footprints.Picture near = Footprints.Picture.distant(lens).at(objectMm);
        Patch disc = new Patch(FindingKind.DUST, surface, List.of(Patch.disc(x, y, radius)), 1, 0.5);
        Shades shades = ShowThrough.of(Footprints.of(lens, near, () -> {}), disc, GradeTest.opaque(), Progress.SILENT).shades();
        // Conjugates by first order of the whole lens: the picture of the point, and how far off the axis the point is for a place on the film.
        double f = lens.nominalFocalLengthMm();
        double wide = 1.2 * lens.surfaces().getFirst().semiDiameterMm();
        double magnification = f / (objectMm - Paraxial.of(lens).frontFocusMm());
        for (int[] at : new int[][] {{10, 10}, {3, 10}, {10, 17}, {17, 4}}) {
            double filmX = Shades.place(at[0]) * near.widthMm() / 2;
            double filmY = Shades.place(at[1]) * near.heightMm() / 2;
            // The upright picture's right lies to the left of the axis in front of the lens as seen from the front, and its light travels to the right.
            double truth = CountedRays.share(lens, surface, x, y, radius, wide, (px, py) -> new double[] {(px + filmX / magnification) / objectMm, (py - filmY / magnification) / objectMm});
            assertThat(1 - shades.passes(0, at[0], at[1])).as("point %d %d", at[0], at[1]).isCloseTo(truth, within(0.003 + 0.03 * truth));
        }
    }

    @Test
    void aNearThingsLightCrossesTheFrontInAnotherPlaceThanADistantOnes() {
        LensSection lens = Lenses.triplet();
        double[] far = new double[2 * Footprints.CORNERS];
        double[] near = new double[2 * Footprints.CORNERS];
        Footprints distant = Footprints.of(lens, () -> {});
        Footprints close = Footprints.of(lens, Footprints.Picture.distant(lens).at(150), () -> {});
        distant.outline(0, 0, 0, 0, far);
        close.outline(0, 0, 0, 0, near);
        // On the axis the beam of a near point is narrower on the front by the way to the entrance pupil, (1 + p/D) to one.
        double pupil = Paraxial.of(lens).entrancePupil().positionMm();
        assertThat(Math.hypot(near[0], near[1]) * (1 + pupil / 150)).isCloseTo(Math.hypot(far[0], far[1]), within(0.02 * Math.hypot(far[0], far[1])));
    }

    @Test
    void nothingIsThrownOfWhatLiesWithinTheFrontFocus() {
        LensSection lens = Lenses.triplet();
        assertThat(Footprints.reaches(lens, 10)).isFalse();
        assertThatThrownBy(() -> Footprints.of(lens, Footprints.Picture.distant(lens).at(10), () -> {})).hasMessageContaining("10.0 mm");
        assertThatThrownBy(() -> Footprints.Picture.distant(lens).at(Double.NaN)).isInstanceOf(IllegalArgumentException.class);
    }

    /// The closed form beside a search: discs of many places and sizes, each traced in full, the smallest that reaches the share.
    @ParameterizedTest
    @CsvSource({"0, 0", "1, 1", "3, 2", "5, 3"})
    void theSmallestSpeckThatShowsIsFoundBySearchingToo(int surface, int stop) {
        LensSection lens = Lenses.triplet();
        Footprints prints = Footprints.of(lens, () -> {});
        double visible = 0.02;
        double told = SmallestSpeck.of(prints, visible).diametersMm().get(surface).get(stop);
        double rim = lens.surfaces().get(surface).semiDiameterMm();
        double deepest = 0;
        for (double x = 0; x < rim; x += told / 2) {
            Patch disc = new Patch(FindingKind.DUST, surface, List.of(Patch.disc(0, x, told / 2)), 1, 0.5);
            Shades shades = ShowThrough.of(prints, disc, GradeTest.opaque(), Progress.SILENT).shades();
            for (int j = 0; j < Shades.GRID; j++) {
                for (int i = 0; i < Shades.GRID; i++) {
                    deepest = Math.max(deepest, 1 - shades.passes(stop, i, j));
                }
            }
        }
        assertThat(deepest).as("the disc of %.2f mm", told).isCloseTo(visible, within(0.12 * visible));
    }

    @Test
    void aSpeckMustBeLargerAtTheFrontThanBesideTheFilm() {
        SmallestSpeck all = SmallestSpeck.of(Footprints.of(Lenses.triplet(), () -> {}), 0.02);
        int last = all.stops().size() - 1;
        assertThat(all.diametersMm().get(0).get(0)).as("wide open more is needed").isGreaterThan(2 * all.diametersMm().get(0).get(last));
        assertThat(all.worstStop(5)).isEqualTo(last);
        assertThatThrownBy(() -> SmallestSpeck.of(Footprints.of(Lenses.triplet(), () -> {}), 0)).isInstanceOf(IllegalArgumentException.class);
    }

    /// Over everything a lens is used for no speck shows that is smaller than the smallest of any one use.
    @Test
    void whatShowsNowhereIsNoReasonToOpen() {
        LensSection lens = Lenses.triplet();
        SpeckMap map = SpeckMap.of(java.util.Map.of("", lens), 0, 0, 0.02);
        assertThat(map.cells()).as("distant, 3 m, 1 m, 50 cm, 30 cm").hasSize(5);
        for (int s : new int[] {0, 2, 5}) {
            int surface = s;
            double least = map.cells().stream().flatMap(c -> c.specks().diametersMm().get(surface).stream()).mapToDouble(d -> d).min().orElseThrow();
            assertThat(map.least(s).diameterMm()).isEqualTo(least);
        }
        // In front the beam of a near point is narrower by (1 + p/D): a smaller speck takes as much of it, at the smallest stop most.
        double pupil = Paraxial.of(lens).entrancePupil().positionMm();
        SmallestSpeck far = SmallestSpeck.of(Footprints.of(lens, () -> {}), 0.02);
        int last = far.stops().size() - 1;
        assertThat(map.least(0).cell().objectMm()).isEqualTo(300);
        assertThat(map.least(0).diameterMm()).isCloseTo(far.diametersMm().get(0).get(last) / (1 + pupil / 300), within(0.04 * map.least(0).diameterMm()));
        assertThatThrownBy(() -> SpeckMap.of(java.util.Map.of(), 0, 0, 0.02)).hasMessageContaining("nothing that can be photographed");
    }
}
