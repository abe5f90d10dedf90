package stillglass.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.look.FindingKind;
import stillglass.look.GlassVeil;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.Progress;
import stillglass.look.ThroughColour;
import stillglass.look.reading.PhotoGrading;
import stillglass.optics.LensSection;
import stillglass.prove.VeilChange;
import stillglass.sim.photo.InspectionCamera;
import stillglass.sim.photo.Pose;
import stillglass.sim.photo.Shot;
import stillglass.sim.truth.HiddenTruth;

/// One glass, photographed more than once.
class SameGlassTest {
    private static final LensSection LENS = VirtualBenchTest.lens();

    private static PhotoGrading.Graded graded(Shot shot, Lighting lighting) {
        LinearPhoto photo = LinearPhoto.ofSrgb(shot.picture().getWidth(), shot.picture().getHeight(), shot.picture().getRGB(0, 0, shot.picture().getWidth(), shot.picture().getHeight(), null, 0, shot.picture().getWidth()));
        return PhotoGrading.grade(photo, new PhotoGrading.Given(Optional.of(lighting), Optional.of(shot.aperture()), OptionalDouble.empty()), Progress.SILENT) instanceof PhotoGrading.Outcome.Seen s
                ? s.graded() : org.junit.jupiter.api.Assertions.fail("refused");
    }

    private static List<Double> against(PhotoGrading.Graded g, double card) {
        return g.sectorVeils().stream().map(v -> v * g.light().reference() / card).toList();
    }

    /// Whether two photos of a hazy glass that nobody cleaned, exposed differently and held a little otherwise, are told to differ.
    private static boolean said(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int surface = (LENS.stopIndex() + 1 + random.nextInt(LENS.surfaces().size() - 1)) % LENS.surfaces().size();
        HiddenTruth truth = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.HAZE, surface, 0, 0, 1, 0.02 + 0.3 * random.nextDouble(), seed)), 0);
        List<List<Double>> both = LongStream.range(0, 2).mapToObj(i -> {
            double ev = -1 + 2.5 * random.nextDouble();
            Pose pose = new Pose(400, 320, 0.46 + 0.08 * random.nextDouble(), 0.46 + 0.08 * random.nextDouble(), 0.34 + 0.08 * random.nextDouble(), 6, Lighting.AGAINST, seed).again(7 * seed + i).exposed(ev);
            return against(graded(InspectionCamera.photograph(LENS, truth, pose), Lighting.AGAINST), pose.lampStrength() * Math.pow(2, ev));
        }).toList();
        VeilChange c = VeilChange.of(both.get(0), both.get(1), GlassVeil.RATIO, GlassVeil.STRAY);
        return Math.abs(c.change()) > c.halfWidth();
    }

    @Test
    void anUncleanedGlassIsNotSaidToHaveChangedInNineteenOfTwentyPairs() {
        long wrong = LongStream.range(8000, 8030).parallel().filter(SameGlassTest::said).count();

        assertThat(wrong).as("of 30 pairs").isLessThanOrEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({"1, 11", "0.8, 12", "0.55, 13", "0.35, 14"})
    void yellowGlassIsToldInStopsHoweverItWasExposed(double blue, long seed) {
        for (double ev : new double[] {-1.2, 0}) {
            Pose pose = new Pose(700, 560, 0.5, 0.48, 0.36, 6, Lighting.BRIGHT, seed).exposed(ev);
            ThroughColour t = graded(InspectionCamera.photograph(LENS, new HiddenTruth(List.of(), 0, blue), pose), Lighting.BRIGHT).light().through().orElseThrow();
            // The bench's coatings keep two hundredths of a stop of blue, too.
            assertThat(t.yellow()).as("%.1f EV", ev).isCloseTo(-Math.log(blue) / Math.log(2), within(t.error()));
            assertThat(t.green() - t.red()).isCloseTo(-Math.log(blue) / Math.log(2) / 2, within(t.error()));
        }
    }
}
