package stillglass.grade;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.look.FindingKind;
import stillglass.look.Progress;
import stillglass.optics.ExactTrace;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.RayBundle;
import stillglass.optics.Surface;

/// How much of a point's light a disc takes, beside rays laid evenly over the parallel beam in front of the lens and counted: no aiming, no outline, no area on any surface.
class LightShareTest {
    private static final int ACROSS = 360;

    /// A meniscus, an iris and a cemented pair with rims out of the way, opened to f/2.2: it draws the light of oblique beams together on one side.
    private static LensSection fast() {
        LensSection out = Lenses.triplet();
        for (int i = 0; i < out.surfaces().size(); i++) {
            Surface s = out.surfaces().get(i);
            out = Lenses.with(out, i, new Surface(s.radiusMm(), s.thicknessMm(), s.after(), s.stop() ? 8.5 : 16, s.stop()));
        }
        return out;
    }

    /// Share of the rays of one picture point that go through a disc on a surface.
    private static double counted(LensSection lens, int surface, double x, double y, double radius, double slopeX, double slopeY) {
        double wide = 22;
        ExactTrace trace = new ExactTrace(lens, lens.wavelengthsNm().get(lens.wavelengthsNm().size() / 2));
        double length = Math.sqrt(1 + slopeX * slopeX + slopeY * slopeY);
        RayBundle rays = new RayBundle(ACROSS * ACROSS);
        for (int j = 0; j < ACROSS; j++) {
            for (int i = 0; i < ACROSS; i++) {
                rays.launch(j * ACROSS + i, wide * (2 * (i + 0.5) / ACROSS - 1), wide * (2 * (j + 0.5) / ACROSS - 1), slopeX / length, slopeY / length);
            }
        }
        boolean[] hit = new boolean[rays.size()];
        for (int s = 0; s < trace.surfaces(); s++) {
            trace.next(s, rays);
            for (int r = 0; s == surface && r < hit.length; r++) {
                hit[r] = Math.hypot(rays.xMm(r) - x, rays.yMm(r) - y) < radius;
            }
        }
        double all = 0;
        double taken = 0;
        for (int r = 0; r < hit.length; r++) {
            if (rays.passes(r)) {
                all++;
                taken += hit[r] ? 1 : 0;
            }
        }
        return taken / all;
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
            double truth = counted(lens, surface, x, y, radius, wx, wy);
            assertThat(1 - shades.passes(0, at[0], at[1])).as("surface %d, point %d %d", surface, at[0], at[1]).isCloseTo(truth, within(0.0015 + 0.03 * truth));
        }
    }
}
