package stillglass.grade;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.look.FindingKind;
import stillglass.look.Progress;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Surface;

/// How much of a point's light a disc takes, beside rays laid evenly over the parallel beam in front of the lens and counted: no aiming, no outline, no area on any surface.
class LightShareTest {
    /// A meniscus, an iris and a cemented pair with rims out of the way, opened to f/2.2: it draws the light of oblique beams together on one side.
    private static LensSection fast() {
        LensSection out = Lenses.triplet();
        for (int i = 0; i < out.surfaces().size(); i++) {
            Surface s = out.surfaces().get(i);
            out = Lenses.with(out, i, new Surface(s.radiusMm(), s.thicknessMm(), s.after(), s.stop() ? 8.5 : 16, s.stop()));
        }
        return out;
    }

    @ParameterizedTest
    @CsvSource({"0, 0, 2, 2", "1, 3, -4, 2", "3, -2, 3, 2", "5, 0, 4, 2.5", "5, 5, -3, 2", "2, 0, 0, 2"})
    void aDiscTakesItsShareOfTheLight(int surface, double x, double y, double radius) {
        LensSection lens = fast();
        Patch disc = new Patch(FindingKind.DUST, surface, List.of(Patch.disc(x, y, radius)), 1, 0.5);
        Shades shades = ShowThrough.of(Footprints.of(lens, () -> {}), disc, GradeTest.opaque(), Progress.SILENT).shades();
        double halfWidth = lens.imageCircleMm() / 2 * 3 / Math.sqrt(13);
        double halfHeight = lens.imageCircleMm() / 2 * 2 / Math.sqrt(13);
        for (int[] at : new int[][] {{10, 10}, {3, 10}, {10, 18}, {2, 3}, {18, 17}}) {
            double wx = Shades.place(at[0]) * halfWidth / lens.nominalFocalLengthMm();
            double wy = -Shades.place(at[1]) * halfHeight / lens.nominalFocalLengthMm();
            double truth = CountedRays.share(lens, surface, x, y, radius, 22, (px, py) -> new double[] {wx, wy});
            assertThat(1 - shades.passes(0, at[0], at[1])).as("surface %d, point %d %d", surface, at[0], at[1]).isCloseTo(truth, within(0.0015 + 0.03 * truth));
        }
    }
}
