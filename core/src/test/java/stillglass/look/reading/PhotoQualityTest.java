package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;

import boofcv.alg.filter.blur.GBlurImageOps;
import boofcv.struct.image.GrayF32;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.function.ToDoubleBiFunction;
import org.junit.jupiter.api.Test;
import stillglass.look.Aperture;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.Progress;
import stillglass.look.rim.ApertureFinder;
import stillglass.say.Wording;

/// Photos that are not good enough, each in one way, and what is said about them.
class PhotoQualityTest {
    private static Survey survey(LinearPhoto p, Aperture rim) {
        return Survey.of(p, new PhotoGrading.Given(Optional.of(Lighting.AGAINST), Optional.of(rim), OptionalDouble.empty()), Progress.SILENT).orElseThrow();
    }

    private static List<String> remarks(LinearPhoto p, Aperture rim) {
        return PhotoQuality.remarks(survey(p, rim), p).stream().map(Wording.core()::say).toList();
    }

    private static LinearPhoto glass(ToDoubleBiFunction<Double, Double> light) {
        return Glass.photo(0.0005, 5, light);
    }

    @Test
    void aGoodPhotoHasNoRemarks() {
        LinearPhoto p = glass((x, y) -> 0.03);

        assertThat(remarks(p, Glass.RIM)).isEmpty();
        assertThat(PhotoQuality.refusal(survey(p, Glass.RIM), false)).isEmpty();
    }

    @Test
    void overAndUnderexposureAreToldApart() {
        assertThat(remarks(glass((x, y) -> x > 0.3 ? 1.0 : 0.05), Glass.RIM)).anyMatch(r -> r.contains("overexposed") && r.contains("shorter"));
        assertThat(remarks(Glass.photo(0, 5, (x, y) -> 0.0005), Glass.RIM)).anyMatch(r -> r.contains("black") && r.contains("longer"));
    }

    @Test
    void aSoftRimAsksForFocus() {
        LinearPhoto sharp = glass((x, y) -> 0.2);
        GrayF32 light = new GrayF32(Glass.W, Glass.H);
        System.arraycopy(sharp.luminance(), 0, light.data, 0, light.data.length);
        float[] soft = GBlurImageOps.gaussian(light, null, 22, -1, null).data;
        LinearPhoto p = new LinearPhoto(Glass.W, Glass.H, soft, soft.clone(), soft.clone(), Glass.W, Glass.H);

        assertThat(remarks(p, Glass.RIM)).anyMatch(r -> r.contains("focus on the glass"));
        assertThat(remarks(sharp, Glass.RIM)).noneMatch(r -> r.contains("focus"));
    }

    @Test
    void aRimThatMayAsWellBeAnotherIsToldOf() {
        LinearPhoto p = glass((x, y) -> 0.03);

        assertThat(remarks(p, 0.31)).anyMatch(r -> r.contains("31 %") && r.contains("R takes the next"));
        assertThat(remarks(p, 0.62)).noneMatch(r -> r.contains("not sure"));
    }

    @Test
    void whereNoRingLiesAsARimDoesNothingIsRead() {
        LinearPhoto p = glass((x, y) -> 0.03);

        assertThat(PhotoQuality.refusal(survey(p, 0.11), false)).hasValueSatisfying(r -> assertThat(Wording.core().say(r)).contains("11 %").contains("draw the rim"));
        assertThat(PhotoQuality.refusal(survey(p, 0.24), false)).isEmpty();
        assertThat(PhotoQuality.refusal(survey(p, 0.11, 0.6), false)).as("the next ring of a photo that has a likely one").isEmpty();
    }

    private static Survey survey(LinearPhoto p, double chance) {
        return survey(p, chance, chance);
    }

    private static Survey survey(LinearPhoto p, double chance, double lens) {
        return Survey.within(p, new ApertureFinder.Ring(Glass.RIM, chance), lens, new PhotoGrading.Given(Optional.of(Lighting.AGAINST), Optional.empty(), OptionalDouble.empty()), Progress.SILENT);
    }

    private static List<String> remarks(LinearPhoto p, double chance) {
        return PhotoQuality.remarks(survey(p, chance), p).stream().map(Wording.core()::say).toList();
    }

    @Test
    void aLeaningCameraIsToldByHowMuch() {
        LinearPhoto p = glass((x, y) -> 0.03);
        double lean = 28;

        assertThat(remarks(p, new Aperture(450, 400, 300, 300 * Math.cos(Math.toRadians(lean)), 0.4)))
                .anyMatch(r -> r.contains("leans by about 28°"));
    }

    @Test
    void aSmallOrCutGlassIsToldOf() {
        LinearPhoto p = glass((x, y) -> 0.03);

        assertThat(remarks(p, new Aperture(450, 400, 120, 120, 0))).anyMatch(r -> r.contains("go closer"));
        assertThat(remarks(p, new Aperture(130, 400, 300, 300, 0))).anyMatch(r -> r.contains("lies outside the photo"));
        assertThat(PhotoQuality.refusal(survey(p, new Aperture(-150, 400, 300, 300, 0)), false)).hasValueSatisfying(r -> assertThat(Wording.core().say(r)).contains("step back"));
    }

    /// Glass in the dark that is specked and rubbed all over is as textured for its light as cloth, and is read all the same.
    @Test
    void aDarkGlassInABadStateIsReadAndAskedAbout() {
        SplittableRandom random = new SplittableRandom(8);
        LinearPhoto p = glass((x, y) -> 0.03 + 0.028 * Math.signum(Math.sin(160 * x) * Math.sin(170 * y)) * random.nextDouble());
        Survey s = survey(p, Glass.RIM);

        assertThat(PhotoQuality.texture(s)).isGreaterThan(0.1);
        assertThat(PhotoQuality.doubtful(s)).as("another ring is tried first").isTrue();
        assertThat(PhotoQuality.refusal(s, false)).isEmpty();
        assertThat(remarks(p, Glass.RIM)).anyMatch(r -> r.contains("bad state or no glass"));
    }

    @Test
    void whatIsTexturedAllOverIsNoGlassUnlessSomebodyDrewItsRim() {
        SplittableRandom random = new SplittableRandom(8);
        LinearPhoto p = glass((x, y) -> 0.2 + 0.15 * Math.signum(Math.sin(160 * x) * Math.sin(170 * y)) * random.nextDouble());

        assertThat(PhotoQuality.refusal(survey(p, Glass.RIM), false)).hasValueSatisfying(r -> assertThat(Wording.core().say(r)).contains("textured all over").contains("by hand"));
        assertThat(PhotoQuality.refusal(survey(p, Glass.RIM), true)).isEmpty();
    }

    @Test
    void aClosedIrisIsToBeOpened() {
        LinearPhoto p = Glass.photo(0.001, 5, (x, y) -> Math.hypot(x, y) < 0.6 ? 0.6 : 0.04);
        Survey s = Survey.of(p, new PhotoGrading.Given(Optional.of(Lighting.BRIGHT), Optional.of(Glass.RIM), OptionalDouble.empty()), Progress.SILENT).orElseThrow();

        assertThat(PhotoQuality.remarks(s, p)).extracting(Wording.core()::say).filteredOn(r -> r.contains("lie blades or walls of the barrel")).singleElement()
                .satisfies(r -> assertThat(Integer.parseInt(r.replaceAll("\\D+(\\d+) %.*", "$1"))).as("1 - 0.6² of the glass").isBetween(58, 68));
    }
}
