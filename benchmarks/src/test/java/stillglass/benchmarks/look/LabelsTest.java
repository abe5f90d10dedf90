package stillglass.benchmarks.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.closeup.CloseUp;
import stillglass.look.closeup.CloseUpLearning;
import stillglass.look.closeup.CloseUpTrait;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.KindLearning;
import stillglass.look.kinds.Sight;
import stillglass.optics.LensSection;
import stillglass.sim.truth.HiddenTruth;
import stillglass.sim.photo.Pose;
import stillglass.sim.photo.RandomScene;
import stillglass.sim.photo.World;

class LabelsTest {
    private static RandomScene scene(FindingKind kind, double x, double y, double size, double amount) {
        LensSection lens = Seeds.lenses().getFirst();
        Pose pose = new Pose(900, 700, 0.5, 0.5, 0.42, 0, Lighting.AGAINST, 7);
        return new RandomScene(lens, new HiddenTruth(List.of(new HiddenTruth.GlassFault(kind, 0, x, y, size, amount, 11)), 0), pose, 1, World.TIDY);
    }

    private static Map<FindingKind, List<KindLearning.Example>> labelled(RandomScene scene, Sight sight) {
        return Labels.of(scene, true).stream().filter(e -> e.sight() == sight).collect(Collectors.groupingBy(KindLearning.Example::label));
    }

    @Test
    void whatLiesOnAFaultIsCalledIt() {
        Map<FindingKind, List<KindLearning.Example>> fine = labelled(scene(FindingKind.FUNGUS, 0.3, -0.2, 0.4, 0.8), Sight.FINE);

        assertThat(fine.keySet()).contains(FindingKind.FUNGUS).isSubsetOf(FindingKind.FUNGUS, FindingKind.UNKNOWN);
        KindLearning.Example largest = fine.get(FindingKind.FUNGUS).stream()
                .max(java.util.Comparator.comparingDouble(e -> e.features().get(Feature.AREA))).orElseThrow();
        assertThat(largest.features().get(Feature.RADIUS)).as("where it was grown").isBetween(0.15, 0.6);
        assertThat(largest.heldBack()).isTrue();
    }

    @Test
    void aPhotoSpeaksAboutAsLoudHoweverManyPiecesThereAre() {
        List<KindLearning.Example> dust = labelled(scene(FindingKind.DUST, 0, 0, 1, 120), Sight.FINE).get(FindingKind.DUST);

        assertThat(dust).hasSizeBetween(10, 24);
        assertThat(dust).allSatisfy(e -> assertThat(e.weight()).isEqualTo(Math.pow(dust.size(), -0.6)));
    }

    /// What is learned from close up are the same things, called the same and counting the same, each with something in its window.
    @Test
    void closeUpsAreOfTheSameThings() {
        List<KindLearning.Example> measured = Labels.ofAnyRoom(Seeds.CHOOSE, 3, s -> Labels.of(s, false).stream());
        List<CloseUpLearning.Example> seen = Labels.ofAnyRoom(Seeds.CHOOSE, 3, Labels::closeUps);

        assertThat(measured.stream().map(KindLearning.Example::photo).distinct().toList()).isEqualTo(LongStream.range(Seeds.CHOOSE, Seeds.CHOOSE + 3).mapToObj(s -> RandomScene.wide(s, Seeds.lenses()).pose().seed()).toList());
        assertThat(seen).extracting(CloseUpLearning.Example::label).isEqualTo(measured.stream().map(KindLearning.Example::label).toList());
        assertThat(seen).extracting(CloseUpLearning.Example::weight).isEqualTo(measured.stream().map(KindLearning.Example::weight).toList());
        assertThat(seen).allSatisfy(e -> assertThat(IntStream.range(0, CloseUp.SIDE * CloseUp.SIDE).filter(i -> e.thing().get(CloseUpTrait.SHAPE, i) > 0).count()).isPositive());
    }

    @Test
    void onlyTheWholeGlassOrARegionAsLargeIsHaze() {
        RandomScene hazy = scene(FindingKind.HAZE, 0, 0, 1, 0.2);

        assertThat(labelled(hazy, Sight.WHOLE).keySet()).containsExactly(FindingKind.HAZE);
        assertThat(labelled(hazy, Sight.FINE).keySet()).doesNotContain(FindingKind.HAZE);
        assertThat(labelled(scene(FindingKind.FUNGUS, 0.3, -0.2, 0.4, 0.8), Sight.WHOLE).keySet()).containsExactly(FindingKind.UNKNOWN);
    }

    /// A trace of haze that shows is haze in any room, and clear glass on the tidy bench, whose faults are plain ones.
    @Test
    void aTraceOfHazeIsHazeInAnyRoom() {
        HiddenTruth trace = new HiddenTruth(List.of(new HiddenTruth.GlassFault(FindingKind.HAZE, 0, 0, 0, 1, 0.02, 11)), 0);
        Pose pose = new Pose(600, 500, 0.5, 0.5, 0.42, 0, Lighting.AGAINST, 7);
        assertThat(Labels.wholes(new RandomScene(Seeds.lenses().getFirst(), trace, pose, 1, new World(true, 3, 1, 1, 0, 0))).map(CloseUpLearning.Example::label)).containsExactly(FindingKind.HAZE);
        assertThat(Labels.wholes(new RandomScene(Seeds.lenses().getFirst(), trace, pose, 1, World.TIDY)).map(CloseUpLearning.Example::label)).containsExactly(FindingKind.UNKNOWN);
    }

    @Test
    void faintKindsCountNeitherWay() {
        // Before a card burnt out by three stops nothing can be seen of a veil.
        RandomScene burnt = new RandomScene(Seeds.lenses().getFirst(), new HiddenTruth(List.of(
                new HiddenTruth.GlassFault(FindingKind.FUNGUS, 0, 0.1, 0.1, 0.4, 0.8, 11)), 0),
                new Pose(600, 500, 0.5, 0.5, 0.42, 0, Lighting.BRIGHT, 7).exposed(4), 1, World.TIDY);
        Trial t = Trial.of(burnt, stillglass.look.kinds.KindModel.shipped());

        assertThat(burnt.present(burnt.shoot())).containsExactly(FindingKind.FUNGUS);
        assertThat(t.truth()).isEmpty();
        assertThat(t.found()).doesNotContain(FindingKind.FUNGUS);
    }
}
