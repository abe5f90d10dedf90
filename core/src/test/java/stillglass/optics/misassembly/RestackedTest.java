package stillglass.optics.misassembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.optics.Element;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Medium;
import stillglass.optics.Surface;

class RestackedTest {
    private static LensSection apply(String fault, LensFault.Seating seating) {
        return LensFault.apply(Lenses.triplet(), List.of(LensFault.parse(fault)), seating).lens();
    }

    /// Reversed on its rims a glass moves by its sags: the gap before it grows by front plus rear sag at the seat.
    @Test
    void theGapBehindAReversedFrontGlassFollowsFromItsSags() {
        double seat = 12;
        double front = 30 - Math.sqrt(30 * 30 - seat * seat);
        double rear = 80 - Math.sqrt(80 * 80 - seat * seat);

        assertThat(apply("reverse:E1", LensFault.Seating.RIM).surfaces().get(1).thicknessMm()).isCloseTo(6 - (front + rear), within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"reverse:E1,E1", "reverse:E2+E3,E3"})
    void elementsKeepTheirNamesWhenTheyTurn(String fault, String first) {
        LensSection turned = apply(fault, LensFault.Seating.RIM);

        assertThat(turned.elements()).extracting(Element::name).containsExactlyInAnyOrder("E1", "E2", "E3");
        int start = fault.contains("E2") ? 3 : 0;
        assertThat(turned.elementsAt(start)).extracting(Element::name).containsExactly(first);
    }

    @Test
    void aTurnedPairStaysCementedInTheMiddle() {
        LensSection turned = apply("reverse:E2+E3", LensFault.Seating.VERTEX);

        assertThat(turned.cemented(4)).isTrue();
        assertThat(turned.surfaces().get(4).radiusMm()).isEqualTo(25);
        assertThat(turned.surfaces().get(3).after()).isEqualTo(new Medium.Glass(1.70, 30, "700300"));
        assertThat(turned.surfaces().get(5).after()).isInstanceOf(Medium.Air.class);
        assertThat(turned.surfaces().get(3).thicknessMm()).isEqualTo(1.5);
        assertThat(turned.surfaces().get(4).thicknessMm()).isEqualTo(5);
    }

    @Test
    void swappedGlassesTakeTheirSurfacesAlong() {
        LensSection swapped = apply("swap:E1,E2+E3", LensFault.Seating.RIM);

        assertThat(swapped.surfaces().get(0).radiusMm()).isEqualTo(60);
        assertThat(swapped.surfaces().get(1).radiusMm()).isEqualTo(-25);
        assertThat(swapped.surfaces().getLast().radiusMm()).isEqualTo(80);
        assertThat(swapped.surfaces()).filteredOn(Surface::stop).hasSize(1);
        assertThat(swapped.stopIndex()).as("the pair has one surface more").isEqualTo(3);
    }

    @Test
    void theIrisCannotBeTurnedAndGapsAreCountedFromOne() {
        assertThatThrownBy(() -> apply("gap:0:1", LensFault.Seating.RIM)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> apply("gap:6:1", LensFault.Seating.RIM)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> apply("gap:1:0.5", LensFault.Seating.RIM)).hasMessageContaining("gap 1 is the glass of E1");
        assertThatThrownBy(() -> apply("gap:2:1e9", LensFault.Seating.RIM)).hasMessageContaining("more than the lens itself");
        assertThat(apply("gap:2:0.5", LensFault.Seating.RIM).surfaces().get(1).thicknessMm()).isEqualTo(6.5);
    }

    @Test
    void theNominalLensIsNeverChanged() {
        LensSection lens = Lenses.triplet();
        LensSection copy = Lenses.triplet();
        LensFault.apply(lens, List.of(LensFault.parse("reverse:E1"), LensFault.parse("swap:E1,E2+E3")), LensFault.Seating.RIM);

        assertThat(lens).isEqualTo(copy);
    }
}
