package stillglass.app.pages;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import stillglass.app.desk.Corrections;
import stillglass.look.FindingKind;
import stillglass.look.ShopTeaching;

class TeachingLineTest {
    private static ShopTeaching.Judged judged(FindingKind read, FindingKind truth, int times) {
        return new ShopTeaching.Judged(ShopTeaching.Taken.UNKNOWN, read, truth, times);
    }

    private static Corrections.State state(boolean used, List<ShopTeaching.Severe> severities, ShopTeaching.Judged... kinds) {
        ShopTeaching t = new ShopTeaching(List.of(kinds), severities);
        return new Corrections.State(t.help(), t.severityHelp(), used);
    }

    @Test
    void fewCorrectionsSayHowManyAreNeeded() {
        assertThat(TeachingLine.words(state(true, List.of(), judged(FindingKind.OIL, FindingKind.HAZE, 3)))).contains("12").contains("3");
    }

    @Test
    void whatCorrectionsBringIsToldInFiguresWhetherUsedOrNot() {
        ShopTeaching.Judged[] all = {judged(FindingKind.OIL, FindingKind.HAZE, 15), judged(FindingKind.DUST, FindingKind.DUST, 5)};
        assertThat(TeachingLine.words(state(true, List.of(), all))).contains("are used").contains("25 %").contains("100 %").contains("20 findings");
        assertThat(TeachingLine.words(state(false, List.of(), all))).contains("not used");
    }

    @Test
    void correctionsThatBringNothingSaySo() {
        assertThat(TeachingLine.words(state(true, List.of(), judged(FindingKind.DUST, FindingKind.DUST, 20)))).contains("not make").doesNotContain("everit");
    }

    @Test
    void whatSeveritiesBringIsToldOnceEnoughWereJudged() {
        List<ShopTeaching.Severe> up = List.of(new ShopTeaching.Severe(ShopTeaching.Taken.UNKNOWN, FindingKind.FUNGUS, 1, 2, 30), new ShopTeaching.Severe(ShopTeaching.Taken.UNKNOWN, FindingKind.DUST, 1, 1, 10));
        ShopTeaching.Judged some = judged(FindingKind.DUST, FindingKind.DUST, 40);
        assertThat(TeachingLine.words(state(true, up, some))).contains("Severities are taught too: 25 %").contains("100 %").contains("40 findings");
        assertThat(state(true, up, some).worth()).isTrue();
        assertThat(TeachingLine.words(state(false, up, some))).contains("Severities are not taught");
        assertThat(TeachingLine.words(state(true, up.subList(1, 2), some))).doesNotContain("everit");
    }
}
