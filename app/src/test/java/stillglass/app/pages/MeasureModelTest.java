package stillglass.app.pages;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.book.data.Shelf;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;

class MeasureModelTest {
    private static Map<String, String> typed(String... pairs) {
        Map<String, String> all = new LinkedHashMap<>(Map.of("name", "Pellam 50", "focal", "50", "f", "4", "circle", "43.3"));
        for (int i = 0; i < pairs.length; i += 2) {
            all.put(pairs[i], pairs[i + 1]);
        }
        return all;
    }

    private static MeasureModel glasses(Map<String, String> fields) {
        return MeasureModel.of(MeasureModel.Way.GLASSES, fields, false, Optional.empty());
    }

    /// One biconvex glass of 1.5: 1/f = 0.5·(1/50 + 1/50 − 0.5·4/(1.5·2500)), so f = 50.68 mm.
    private static Map<String, String> one() {
        return typed("E1.front", "50", "E1.rear", "50", "E1.thick", "4", "E1.diameter", "25", "E1.index", "1.5", "iris-behind", "0", "iris-after", "2");
    }

    @Test
    void bulgingFacesArePositiveOnBothSides() {
        LensSection s = glasses(one()).section().orElseThrow();

        assertThat(Paraxial.of(s).eflMm()).isCloseTo(1 / (0.5 * (2 / 50.0 - 0.5 * 4 / (1.5 * 2500))), within(1e-9));
        assertThat(glasses(one()).figures()).first().asString().startsWith("focal length 50.");
        assertThat(glasses(one()).shapes()).hasSize(1);
        assertThat(s.basis()).isEqualTo(LensSection.Basis.MEASURED);
    }

    @Test
    void spherometerReadingsBecomeRadii() {
        Map<String, String> fields = one();
        fields.putAll(Map.of("ring", "10", "ball", "1", "E1.front", "0.9907", "E1.rear", "0.9907"));
        MeasureModel m = MeasureModel.of(MeasureModel.Way.GLASSES, fields, true, Optional.empty());

        // s = 51 − √(51² − 100) = 0.9902 for a radius of 50 with feet of 1 mm.
        assertThat(m.section().orElseThrow().surfaces().get(1).radiusMm()).isCloseTo(50, within(0.05));
        assertThat(m.remarks()).anyMatch(r -> r.startsWith("E1: radius +") && r.contains("±"));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "E1.thick | | Still to come: thickness of E1.", "E1.diameter | wide | “wide” is no number: diameter of E1.", "f | | Still to come: f/.",
        "E1.index | 3 | E1: an index of 3.0 is no optical glass", "E1.thick | -4 | E1: a thickness of -4.0 mm is out of range", "iris-behind | 7 | The iris cannot stand behind glass 7",
        "iris-behind | 0.5 | “0.5” is no number: iris behind glass number", "iris-after | -3 | The iris cannot stand -3.0 mm behind a glass", "iris-after | NaN | The iris cannot stand NaN mm"})
    void whatIsMissingOrWrongIsNamed(String field, String value, String said) {
        Map<String, String> fields = one();
        fields.put(field, value == null ? "" : value);
        MeasureModel m = glasses(fields);

        assertThat(m.section()).isEmpty();
        assertThat(m.missing()).startsWith(said);
    }

    @Test
    void anEmptySheetAsksForTheFirstGlass() {
        assertThat(glasses(Map.of()).missing()).startsWith("Measure the first glass");
        assertThat(glasses(Map.of("E1.front", "30")).shapes()).hasSize(1).containsExactly(Optional.empty());
    }

    @Test
    void inchesAndCommasAreUnderstood() {
        Map<String, String> fields = one();
        fields.put("E1.thick", "0.157480315 in");
        fields.put("E1.diameter", "25,0");

        assertThat(glasses(fields).section().orElseThrow().surfaces().get(1).thicknessMm()).isCloseTo(4, within(1e-6));
    }

    @Test
    void aFormIsScaledAndMarkedAsAGuess() {
        MeasureModel none = MeasureModel.of(MeasureModel.Way.FORM, typed(), false, Optional.empty());
        MeasureModel m = MeasureModel.of(MeasureModel.Way.FORM, typed("focal", "58", "f", "2"), false, Optional.of(new Shelf().section("fell_52_f2")));

        assertThat(none.missing()).contains("Choose");
        assertThat(m.section().orElseThrow().basis()).isEqualTo(LensSection.Basis.GUESS);
        assertThat(m.remarks()).anyMatch(r -> r.contains("guesses"));
    }

    @Test
    void twoRimsAreEnoughForBeams() {
        MeasureModel m = MeasureModel.of(MeasureModel.Way.RIMS, typed("rim-front", "30", "iris-looks", "20", "rim-rear", "22", "back-focus", "38", "rims-apart", "32"), false, Optional.empty());

        assertThat(m.section().orElseThrow().basis()).isEqualTo(LensSection.Basis.TWO_PLANE);
        assertThat(MeasureModel.of(MeasureModel.Way.RIMS, typed("rim-front", "30"), false, Optional.empty()).missing()).contains("the iris appears");
    }
}
