package stillglass.app.pages;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;
import stillglass.look.FindingKind;
import stillglass.look.ShopTeaching;

class TeachingLineTest {
    @Test
    void fewCorrectionsSayHowManyAreNeeded() {
        ShopTeaching few = new ShopTeaching(Map.of(FindingKind.OIL, Map.of(FindingKind.HAZE, 3)));
        assertThat(TeachingLine.words(few.help(), true)).contains("12").contains("3");
    }

    @Test
    void whatCorrectionsBringIsToldInFiguresWhetherUsedOrNot() {
        ShopTeaching.Help help = new ShopTeaching(Map.of(FindingKind.OIL, Map.of(FindingKind.HAZE, 15), FindingKind.DUST, Map.of(FindingKind.DUST, 5))).help();
        assertThat(TeachingLine.words(help, true)).contains("are used").contains("25 %").contains("100 %").contains("20 findings");
        assertThat(TeachingLine.words(help, false)).contains("not used");
    }

    @Test
    void correctionsThatBringNothingSaySo() {
        ShopTeaching.Help help = new ShopTeaching(Map.of(FindingKind.DUST, Map.of(FindingKind.DUST, 20))).help();
        assertThat(TeachingLine.words(help, true)).contains("not make");
    }
}
