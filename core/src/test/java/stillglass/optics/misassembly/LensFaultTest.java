package stillglass.optics.misassembly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.optics.Paraxial;
import stillglass.say.Wording;

class LensFaultTest {
    private static LensSection apply(LensSection lens, LensFault.Seating seating, String... faults) {
        return LensFault.apply(lens, java.util.Arrays.stream(faults).map(LensFault::parse).toList(), seating).lens();
    }

    @Test
    void readsItsOwnWords() {
        assertThat(LensFault.parse("reverse:E3")).isEqualTo(new LensFault.Reversed(List.of("E3")));
        assertThat(Wording.core().say(LensFault.parse("reverse:E2+E3").said())).isEqualTo("E2 and E3 reversed");
        assertThat(Wording.core().say(LensFault.parse("swap:E1,E2+E3").said())).isEqualTo("E1 and E2+E3 swapped");
        assertThat(Wording.core().say(LensFault.parse("gap:4:-0.5").said())).isEqualTo("gap after surface 4 changed by -0.500 mm");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "reverse", "reverse:", "swap:E1", "gap:1", "gap:x:1", "gap:1:NaN", "turn:E1"})
    void refusesOtherWordsAndSaysWhatIsExpected(String text) {
        assertThatThrownBy(() -> LensFault.parse(text))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("write reverse:E3");
    }

    @ParameterizedTest
    @EnumSource(LensFault.Seating.class)
    void turningTwiceRestoresTheLens(LensFault.Seating seating) {
        LensSection lens = Lenses.triplet();
        LensSection twice = apply(lens, seating, "reverse:E2+E3", "reverse:E2+E3");

        for (int i = 0; i < lens.surfaces().size(); i++) {
            assertThat(twice.surfaces().get(i).radiusMm()).isEqualTo(lens.surfaces().get(i).radiusMm());
            assertThat(twice.surfaces().get(i).thicknessMm()).isCloseTo(lens.surfaces().get(i).thicknessMm(), within(1e-12));
            assertThat(twice.surfaces().get(i).after()).isEqualTo(lens.surfaces().get(i).after());
        }
    }

    @Test
    void reversedGlassKeepsItsPowerButNotItsBackFocus() {
        LensSection lens = Lenses.single(40, -90, 6, 1.6, 8);
        LensSection turned = apply(lens, LensFault.Seating.VERTEX, "reverse:E1");

        assertThat(Paraxial.of(turned).eflMm()).isCloseTo(Paraxial.of(lens).eflMm(), within(1e-9));
        assertThat(turned.surfaces().get(1).radiusMm()).isEqualTo(90);
        assertThat(turned.surfaces().get(2).radiusMm()).isEqualTo(-40);
        assertThat(Paraxial.of(turned).bfdMm()).isNotCloseTo(Paraxial.of(lens).bfdMm(), within(0.1));
    }

    @Test
    void rimSeatingKeepsTheDistanceFromRimToRim() {
        LensSection lens = Lenses.triplet();
        LensSection turned = apply(lens, LensFault.Seating.RIM, "reverse:E1");
        double seat = 12;
        // Rear rim of E1 to the iris plane behind it, before and after.
        double before = lens.surfaces().get(1).thicknessMm() - lens.surfaces().get(1).sagMm(seat);
        double after = turned.surfaces().get(1).thicknessMm() - turned.surfaces().get(1).sagMm(seat);

        assertThat(after).isCloseTo(before, within(1e-9));
        assertThat(turned.surfaces().get(1).thicknessMm()).isNotCloseTo(lens.surfaces().get(1).thicknessMm(), within(0.5));
    }

    @Test
    void vertexSeatingKeepsTheVertexGaps() {
        LensSection lens = Lenses.triplet();
        LensSection turned = apply(lens, LensFault.Seating.VERTEX, "reverse:E1");

        assertThat(turned.surfaces().get(1).thicknessMm()).isEqualTo(lens.surfaces().get(1).thicknessMm());
    }

    @Test
    void semiDiametersTravelWithTheirGlass() {
        LensSection turned = apply(Lenses.triplet(), LensFault.Seating.RIM, "reverse:E1");

        assertThat(turned.surfaces().get(0).semiDiameterMm()).isEqualTo(10);
        assertThat(turned.surfaces().get(1).semiDiameterMm()).isEqualTo(11);
    }

    @Test
    void swappedTwiceIsTheLensAgain() {
        LensSection lens = Lenses.triplet();
        LensSection twice = apply(lens, LensFault.Seating.RIM, "swap:E1,E2+E3", "swap:E1,E2+E3");

        assertThat(Paraxial.of(twice).eflMm()).isCloseTo(Paraxial.of(lens).eflMm(), within(1e-9));
        assertThat(Paraxial.of(twice).bfdMm()).isCloseTo(Paraxial.of(lens).bfdMm(), within(1e-9));
    }

    @Test
    void aChangedGapLengthensTheLens() {
        LensSection lens = Lenses.triplet();
        LensSection longer = apply(lens, LensFault.Seating.RIM, "gap:2:0.75");

        assertThat(longer.lengthMm()).isCloseTo(lens.lengthMm() + 0.75, within(1e-12));
    }

    @Test
    void overlapIsSaidNotHidden() {
        LensFault.Misassembled crossed = LensFault.apply(Lenses.triplet(), List.of(LensFault.parse("gap:3:-7")), LensFault.Seating.RIM);

        assertThat(crossed.diagnostics()).extracting(Wording.core()::say).anyMatch(d -> d.contains("overlap"));
    }

    @Test
    void halfOfACementedGroupIsRefusedWithTheWholeName() {
        assertThatThrownBy(() -> apply(Lenses.triplet(), LensFault.Seating.RIM, "reverse:E2"))
                .hasMessageContaining("cemented to E3")
                .hasMessageContaining("E2+E3");
    }

    @Test
    void aGlassThatIsNotThereIsNamed() {
        assertThatThrownBy(() -> apply(Lenses.triplet(), LensFault.Seating.RIM, "reverse:E9"))
                .hasMessageContaining("there is no E9")
                .hasMessageContaining("E1 to E3");
    }
}
