package stillglass.app.pages;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import stillglass.fault.OrderFinder;
import stillglass.look.Progress;

/// A triplet typed as its glasses came out of a bag: rear first, the front one lying the wrong way.
class LooseSheetTest {
    private static Map<String, String> bag() {
        Map<String, String> f = new LinkedHashMap<>(Map.of("focal", "38.94", "f", "5", "back", "30.08"));
        glass(f, 1, "141.25", "17.285", "1.691", "12", "6");
        glass(f, 2, "158.65", "21.25", "1.691", "12", "4.75");
        glass(f, 3, "-20.25", "-19.3", "1.616", "10", "");
        return f;
    }

    private static void glass(Map<String, String> f, int row, String front, String rear, String nd, String diameter, String gap) {
        f.put("E" + row + ".front", front);
        f.put("E" + row + ".rear", rear);
        f.put("E" + row + ".thick", "2");
        f.put("E" + row + ".diameter", diameter);
        f.put("E" + row + ".index", nd);
        f.put("E" + row + ".gap", gap);
    }

    @Test
    void theBagIsSortedAndTheSheetShowsIt() {
        LooseSheet sheet = LooseSheet.of(bag(), false);
        OrderFinder found = OrderFinder.of(sheet.glasses(), sheet.wanted(), Progress.SILENT);
        OrderFinder.Arrangement right = found.arrangements().stream().limit(3).filter(a -> a.places().equals(List.of("E2", "E3", "E1"))).findFirst().orElseThrow();
        assertThat(right.turned()).containsExactly(true, false, false);
        assertThat(LooseSheet.said(right)).isEqualTo("E2 turned, E3, E1");
        Map<String, String> now = sheet.arranged(bag(), right);
        // Turned, the glass shows its other face first; gaps stay with their places.
        assertThat(now).containsEntry("E1.front", "21.25").containsEntry("E1.rear", "158.65").containsEntry("E1.gap", "6").containsEntry("E2.front", "-20.25").containsEntry("E2.gap", "4.75").containsEntry("E3.front", "141.25").containsEntry("E3.gap", "");
    }

    @Test
    void cementedGlassesGoTogether() {
        Map<String, String> f = bag();
        f.put("E2.gap", "0");
        LooseSheet sheet = LooseSheet.of(f, false);
        assertThat(sheet.glasses()).extracting(g -> g.id()).containsExactly("E1", "E2+E3");
        OrderFinder.Arrangement a = new OrderFinder.Arrangement(List.of("E2+E3", "E1"), List.of(true, false), 1, 40, 30, OptionalDouble.empty());
        Map<String, String> now = sheet.arranged(f, a);
        assertThat(now).containsEntry("E1.front", "-19.3").containsEntry("E1.gap", "0").containsEntry("E2.front", "21.25").containsEntry("E2.gap", "6").containsEntry("E3.front", "141.25");
    }

    @Test
    void anIndexNobodyTypedIsSaidToBeAssumed() {
        Map<String, String> f = bag();
        assertThat(LooseSheet.of(f, false).assumed()).isEmpty();
        f.put("E2.index", "");
        assertThat(LooseSheet.of(f, false).assumed()).containsExactly("E2");
        f.put("E2.focal", "27.28");
        assertThat(LooseSheet.of(f, false).assumed()).isEmpty();
    }

    @Test
    void whatIsMissingIsNamed() {
        Map<String, String> f = bag();
        f.put("E1.gap", "");
        assertThatThrownBy(() -> LooseSheet.of(f, false)).hasMessageContaining("gap behind of E1");
        assertThatThrownBy(() -> LooseSheet.of(Map.of("focal", "50", "f", "4"), false)).hasMessageContaining("at least two glasses");
    }
}
