package stillglass.optics.misassembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Medium;
import stillglass.optics.Paraxial;
import stillglass.optics.Surface;

class SpacingTest {
    /// Two biconvex glasses of 50 mm radius and 24 mm rim, and a meniscus behind, all 6 mm apart.
    private static LensSection three() {
        Medium g = Lenses.GLASS;
        Medium air = new Medium.Air();
        return Lenses.section("three", 8, List.of(
                new Surface(Double.POSITIVE_INFINITY, 1, air, 8, true),
                new Surface(50, 4, g, 11, false), new Surface(-50, 6, air, 11, false),
                new Surface(50, 4, g, 11, false), new Surface(-50, 7, air, 11, false),
                new Surface(-40, 2, g, 9, false), new Surface(-60, 40, air, 9, false)),
                List.of(Lenses.element("E1", 1, 2, 12, "G1", List.of()), Lenses.element("E2", 3, 4, 12, "G2", List.of()),
                        Lenses.element("E3", 5, 6, 10, "G3", List.of())));
    }

    private static LensSection with(String fault) {
        return LensFault.apply(three(), List.of(LensFault.parse(fault)), LensFault.Seating.RIM).lens();
    }

    private static double gap(LensSection lens, int number) {
        return lens.surfaces().get(number - 1).thicknessMm();
    }

    private static double sag(double radius, double height) {
        return radius - Math.copySign(Math.sqrt(radius * radius - height * height), radius);
    }

    @Test
    void bulgingNeighboursTouchInTheMiddle() {
        assertThat(gap(with("spacer-missing:3"), 3)).isCloseTo(0, within(1e-12));
    }

    @Test
    void aHollowBehindABulgeOfLessRadiusTouchesInTheMiddleAndTheOtherWayRoundAtTheRim() {
        // Behind −50 stands −40: the hollow is the stronger curve, so its rim comes forward first.
        double touch = sag(-50, 10) - sag(-40, 10);

        assertThat(touch).isPositive();
        assertThat(gap(with("spacer-missing:5"), 5)).isCloseTo(touch, within(1e-9));
    }

    @Test
    void aReversedSpacerChangesTheGapBySagsAtItsSeats() {
        // Seats of 22 and 16 mm: length L = t + sag(50, 8) − sag(−50, 11); turned, t' = L + sag(−50, 8) − sag(50, 11).
        double length = 6 + sag(50, 8) - sag(-50, 11);
        double turned = length + sag(-50, 8) - sag(50, 11);

        assertThat(gap(with("spacer-reversed:3:22:16"), 3)).isCloseTo(turned, within(1e-12));
        assertThat(gap(with("spacer-reversed:3:20:20"), 3)).as("equal seats change nothing").isCloseTo(6, within(1e-12));
    }

    @Test
    void swappedSpacersKeepTheWholeLength() {
        LensSection swapped = with("spacers-swapped:3,5");
        double one = 6 + sag(50, 12) - sag(-50, 12);
        double other = 7 + sag(-40, 10) - sag(-50, 12);

        assertThat(gap(swapped, 3)).isCloseTo(6 + other - one, within(1e-12));
        assertThat(swapped.lengthMm()).isCloseTo(three().lengthMm(), within(1e-12));
    }

    @Test
    void shimsChangeTheirGapByTheirThickness() {
        assertThat(gap(with("shim-missing:3:0.05"), 3)).isCloseTo(5.95, within(1e-12));
        assertThat(gap(with("shim-doubled:7:0.1"), 7)).as("under the mount").isCloseTo(40.1, within(1e-12));
    }

    @Test
    void aGroupOffItsSeatMovesAwayFromTheIris() {
        LensSection off = with("unseated:E2:0.3:0");

        assertThat(gap(off, 3)).isCloseTo(6.3, within(1e-12));
        assertThat(gap(off, 5)).isCloseTo(6.7, within(1e-12));
        assertThat(off.tilts()).isEmpty();
        assertThat(with("unseated:E2:0:0.5").tilts()).singleElement().satisfies(t -> assertThat(Math.toDegrees(t.angleRad())).isCloseTo(0.5, within(1e-12)));
    }

    @Test
    void aFrontCellAtAnotherEntryStandsOffByLeadOverStarts() {
        LensSection lens = new LensSection("folding", "", 50, 4, 43.2, List.of(587.6), three().surfaces(), three().elements(),
                new LensSection.Focusing("front-cell", List.of("G1")));
        LensSection off = LensFault.apply(lens, List.of(LensFault.parse("entry:-2:9:6")), LensFault.Seating.RIM).lens();

        assertThat(gap(off, 3)).isCloseTo(6 - 3, within(1e-12));
        assertThatThrownBy(() -> with("entry:1:9:6")).hasMessageContaining("does not focus by its front cell");
    }

    @Test
    void aTiltLeavesFirstOrderFiguresAndSwappingCarriesItAlong() {
        assertThat(Paraxial.of(with("unseated:E3:0:1")).bfdMm()).isCloseTo(Paraxial.of(three()).bfdMm(), within(1e-12));
        LensSection both = LensFault.apply(Lenses.triplet(), List.of(LensFault.parse("unseated:E2+E3:0:1"), LensFault.parse("reverse:E1")), LensFault.Seating.RIM).lens();
        assertThat(both.tilts()).hasSize(1);
    }

    @ParameterizedTest
    @ValueSource(strings = {"spacer-missing:2", "spacer-missing:9", "spacer-reversed:2:20:20", "spacers-swapped:3,2", "gap:7:1", "unseated:E9:0.1:0", "shim-missing:9:0.1"})
    void whereNoSpacerLiesNoneCanBeWrong(String fault) {
        assertThatThrownBy(() -> with(fault)).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"reverse:E3", "reverse:E4+E5", "swap:E1,E6", "gap:4:-0.5", "spacer-missing:4", "spacer-reversed:4:16.0:14.0", "spacers-swapped:2,4",
        "shim-missing:11:0.05", "shim-doubled:11:0.05", "unseated:E1:0.1:0.3:12.0", "entry:-1:9.0:6"})
    void everyFaultReadsItsOwnShortForm(String text) {
        LensFault fault = LensFault.parse(text);

        assertThat(fault.shortForm()).isEqualTo(text);
        assertThat(LensFault.parse(fault.shortForm())).isEqualTo(fault);
        assertThat(fault.toString()).isNotBlank().doesNotContain("LensFault");
    }

    @ParameterizedTest
    @ValueSource(strings = {"shim-missing:3:-1", "unseated:E1:0.1:45", "unseated:E1:0.1:NaN", "entry:1:0:6", "spacer-reversed:3:1", "spacers-swapped:3", "entry:x:1:1"})
    void impossibleFaultsAreRefusedWithWords(String text) {
        assertThatThrownBy(() -> LensFault.parse(text)).isInstanceOf(IllegalArgumentException.class).hasMessageMatching(".*(out of range|is not a fault).*");
    }
}
