package stillglass.grade;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Surface;

class FlareTest {
    /// The integral of the lobe over the half-space by throwing directions, evenly over the sphere.
    @ParameterizedTest
    @CsvSource({"3, 3", "1, 2", "6, 3", "2, 2.5"})
    void allThatIsScatteredGoesSomewhere(double structure, double fall) {
        Lobe lobe = new Lobe(structure, fall);
        SplittableRandom random = new SplittableRandom(4);
        double sum = 0;
        int n = 400_000;
        // Half of the directions within a cone that holds the roll-off, the other half outside of it.
        double cone = Math.cos(0.5);
        for (int i = 0; i < n; i++) {
            double near = cone + (1 - cone) * random.nextDouble();
            double far = cone * random.nextDouble();
            sum += lobe.per(Math.acos(near)) * 2 * Math.PI * (1 - cone) / n + lobe.per(Math.acos(far)) * 2 * Math.PI * cone / n;
        }
        assertThat(sum).isCloseTo(1, within(0.02));
    }

    /// In closed form for small angles and g = 3: A = 1 / (2π θ₀² · 2π / (3√3)).
    @Test
    void aNarrowLobeHasItsHeightInClosedForm() {
        Lobe dust = new Lobe(30, 3);
        assertThat(dust.rollOff()).isCloseTo(0.55 / 60, within(1e-12));
        assertThat(dust.ahead()).isCloseTo(1 / (2 * Math.PI * Math.pow(0.55 / 60, 2) * 2 * Math.PI / (3 * Math.sqrt(3))), within(12.0));
        assertThat(dust.per(dust.rollOff())).isCloseTo(dust.ahead() / 2, within(1e-9));
        assertThatThrownBy(() -> new Lobe(Double.NaN, 3)).hasMessageContaining("NaN");
        assertThatThrownBy(() -> new Lobe(3, 1)).hasMessageContaining("1.0");
    }

    @Test
    void contrastIsLostToWhatIsThrownOverIt() {
        Flare f = Flare.of(0.25, FindingKind.HAZE, GradeTest.opaque(), 1);
        // A quarter over the whole: 0.25 / 1.25; four times as much beside a lamp: 1 / 2.
        assertThat(f.average()).isCloseTo(0.2, within(1e-12));
        assertThat(f.lamp()).isCloseTo(0.5, within(1e-9));
        assertThat(Flare.of(0.25, FindingKind.HAZE, GradeTest.opaque(), 0).sun()).as("a sun that does not get there").isZero();
        Flare both = Flare.together(List.of(f, f));
        assertThat(both.average()).isCloseTo(1 - 0.8 * 0.8, within(1e-12));
        assertThat(Flare.together(List.of())).isEqualTo(new Flare(0, 0, 0));
    }

    /// A stack of plane rims in air, one behind the other: how much of an oblique beam gets through two equal circles set apart is the area of their lens-shaped overlap.
    @Test
    void aDeepSurfaceIsShadedByTheBarrelAsCirclesOverlap() {
        LensSection lens = Lenses.triplet();
        LensSection flat = lens;
        for (int i = 0; i < lens.surfaces().size(); i++) {
            Surface s = lens.surfaces().get(i);
            flat = Lenses.with(flat, i, new Surface(Double.POSITIVE_INFINITY, 2, new stillglass.optics.Medium.Air(), 10, s.stop()));
        }
        for (int surface : new int[] {0, 2, 4}) {
            double d = 2 * surface * Math.tan(Math.toRadians(30)) / 20;
            double overlap = 2 / Math.PI * (Math.acos(d) - d * Math.sqrt(1 - d * d));
            assertThat(Flare.reaches(flat, surface)).as("surface %d", surface).isCloseTo(overlap * Math.cos(Math.toRadians(30)), within(0.02));
        }
    }
}
