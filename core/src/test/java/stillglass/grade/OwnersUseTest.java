package stillglass.grade;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.FindingKind;
import stillglass.look.Progress;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;
import stillglass.optics.Lenses;
import stillglass.say.Wording;

class OwnersUseTest {
    private static ShowThrough.Shown speck(LensSection lens) {
        Patch disc = new Patch(FindingKind.DUST, 5, List.of(Patch.disc(0, 0, 0.5)), 1, 0.5);
        return ShowThrough.of(Footprints.of(lens, () -> {}), disc, GradeTest.opaque(), Progress.SILENT);
    }

    @ParameterizedTest
    @CsvSource({"landscapes f/8 to f/16, 8, 16", "f/5.6–f/2, 2, 5.6", "always f 4, 4, 4"})
    void stopsAreReadInAnyOrder(String text, double from, double to) {
        OwnersUse use = OwnersUse.of(text);
        assertThat(use.widest()).hasValue(from);
        assertThat(use.narrowest()).hasValue(to);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "weddings", "f", "f/", "at 0 mm", "mm x mm", "99999x99999", "strictly speaking nothing", "f/9999999999999999999999999", "35 mm film", "with a 50 mm lens", "half 2 to 4 of the time", "6x9 roll film", "4x5 sheets", "6 x 6"})
    void whatIsNotUnderstoodChangesNothing(String text) {
        assertThat(OwnersUse.of(text)).isEqualTo(OwnersUse.ANY);
        assertThat(OwnersUse.of(text).said()).isEmpty();
    }

    @Test
    void distanceFrameAndStrictnessAreReadTogether() {
        OwnersUse use = OwnersUse.of("repro of prints at 0.4 m on 24x36, strict");
        assertThat(use.objectMm()).hasValue(400);
        assertThat(use.frameMm()).contains(List.of(24.0, 36.0));
        assertThat(use.strict()).isLessThan(1);
        assertThat(OwnersUse.of("56 x 56 mm").objectMm()).isEmpty();
        assertThat(OwnersUse.of("8 x 11 mm").frameMm()).contains(List.of(8.0, 11.0));
        assertThat(OwnersUse.of("a 52 mm at 1.5 m").objectMm()).hasValue(1500);
        assertThat(OwnersUse.of("insects 12 cm away").objectMm()).isEqualTo(OptionalDouble.of(120));
        assertThat(Wording.core().sentence(use.said().orElseThrow())).contains("0.4 m").contains("24 × 36");
    }

    /// A speck beside the film shows stopped down only: who never stops down has no reason to open for it.
    @Test
    void onlyStopsThatAreUsedCount() {
        LensSection lens = Lenses.triplet();
        ShowThrough.Shown all = speck(lens);
        int grade = Grader.of(all, GradeTest.opaque()).grade();
        int open = Grader.of(OwnersUse.of("portraits wide open").seen(all), GradeTest.opaque()).grade();
        assertThat(grade).isGreaterThan(open);
        assertThat(OwnersUse.of("f/8 to f/16").seen(all).effects()).allMatch(e -> e.stop() > 7.5 && e.stop() < 17);
        assertThat(OwnersUse.of("f/90 to f/128").seen(all).effects()).as("none of its stops: all count").hasSameSizeAs(all.effects());
    }

    @Test
    void thresholdsFollowHowHardSomebodyLooks() {
        GradeRules usual = GradeTest.opaque();
        assertThat(OwnersUse.of("exhibition prints").rules(usual).visibleShadow()).isCloseTo(usual.visibleShadow() / 2, within(1e-9));
        assertThat(OwnersUse.of("shelf piece").rules(usual).visibleShadow()).isCloseTo(usual.visibleShadow() * 2, within(1e-9));
        assertThat(OwnersUse.of("travel").rules(usual)).isSameAs(usual);
    }

    @Test
    void aDistanceWithinTheFrontFocusIsLeftOut() {
        LensSection lens = Lenses.triplet();
        assertThat(OwnersUse.of("at 3 mm").picture(lens)).isEqualTo(Footprints.Picture.distant(lens));
        assertThat(OwnersUse.of("at 0.3 m").picture(lens).objectMm()).isEqualTo(300);
        assertThat(OwnersUse.of("200x250").picture(lens)).as("the image circle does not reach").isEqualTo(Footprints.Picture.distant(lens));
    }
}
