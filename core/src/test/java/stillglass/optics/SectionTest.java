package stillglass.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class SectionTest {
    @Test
    void sagIsTheHeightOfTheSphere() {
        Surface s = new Surface(50, 1, Lenses.GLASS, 20, false);

        assertThat(s.sagMm(20)).isCloseTo(50 - Math.sqrt(50 * 50 - 20 * 20), within(1e-12));
        assertThat(new Surface(-50, 1, Lenses.GLASS, 20, false).sagMm(20)).isCloseTo(-s.sagMm(20), within(1e-12));
        assertThat(new Surface(Double.POSITIVE_INFINITY, 1, Lenses.GLASS, 20, false).sagMm(20)).isZero();
    }

    @Test
    void glassHasItsIndexAtTheDLineAndItsAbbeNumber() {
        Medium.Glass g = new Medium.Glass(1.62, 60.3, "620603");

        assertThat(g.index(587.6)).isCloseTo(1.62, within(1e-12));
        assertThat((g.index(587.6) - 1) / (g.index(486.1) - g.index(656.3))).isCloseTo(60.3, within(1e-9));
        assertThat(new Medium.Air().index(500)).isEqualTo(1);
    }

    @Test
    void surfacesAreNamedAsOnTheBench() {
        LensSection lens = Lenses.triplet();

        assertThat(lens.surfaceName(0)).isEqualTo("front of E1");
        assertThat(lens.surfaceName(1)).isEqualTo("rear of E1");
        assertThat(lens.surfaceName(2)).isEqualTo("iris");
        assertThat(lens.surfaceName(4)).isEqualTo("cement of E2 and E3");
        assertThat(lens.cemented(4)).isTrue();
        assertThat(lens.cemented(3)).isFalse();
    }

    @Test
    void verticesAddUp() {
        LensSection lens = Lenses.triplet();

        assertThat(lens.vertexMm(0)).isZero();
        assertThat(lens.vertexMm(3)).isEqualTo(15);
        assertThat(lens.lengthMm()).isEqualTo(21.5);
        assertThat(lens.imagePlaneMm()).isEqualTo(61.5);
    }

    @Test
    void stopsBeginWithTheWidest() {
        assertThat(Lenses.twoThin().stops()).first().isEqualTo(2.5);
        assertThat(Lenses.twoThin().stops()).isSorted().contains(8.0, 16.0).doesNotContain(2.0);
    }

    @Test
    void impossibleSectionsAreRefusedInWords() {
        LensSection good = Lenses.triplet();

        assertThatThrownBy(() -> new Surface(Double.NaN, 1, Lenses.GLASS, 5, false)).hasMessageContaining("radius is NaN");
        assertThatThrownBy(() -> new Surface(10, Double.NaN, Lenses.GLASS, 5, false)).hasMessageContaining("thickness");
        assertThatThrownBy(() -> new Surface(10, 1, Lenses.GLASS, -5, false)).hasMessageContaining("semi-diameter");
        assertThatThrownBy(() -> new Medium.Glass(0.9, 60, "")).hasMessageContaining("between 1.2 and 2.6");
        assertThatThrownBy(() -> new Medium.Glass(1.5, Double.NaN, "")).hasMessageContaining("vd");
        assertThatThrownBy(() -> good.withSurfaces(good.surfaces().subList(0, 2), List.of())).hasMessageContaining("stop");
        assertThatThrownBy(() -> new Element("E1", 2, 2, 10, "G1", 1, 1, List.of())).hasMessageContaining("rear must follow");
        assertThatThrownBy(() -> new Element("E1", 0, 1, Double.NaN, "G1", 1, 1, List.of())).hasMessageContaining("diameter");
    }
}
