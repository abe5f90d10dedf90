package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.ToDoubleBiFunction;
import org.junit.jupiter.api.Test;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.Progress;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.Features;
import stillglass.look.kinds.KindLearning;
import stillglass.look.kinds.KindModel;
import stillglass.look.kinds.Sight;
import stillglass.say.Said;

/// How large a finding is made of what a model calls by one kind, whatever it is.
class SizesTest {
    private static KindModel all(FindingKind kind) {
        List<KindLearning.Example> all = new ArrayList<>();
        for (Sight sight : Sight.values()) {
            for (int i = 0; i < 60; i++) {
                all.add(new KindLearning.Example(Lighting.AGAINST, sight, new Features().set(Feature.RADIUS, 0.01 * i), sight == Sight.WHOLE ? FindingKind.UNKNOWN : kind, 1, i % 5 == 0));
            }
        }
        return KindLearning.learn(all, Set.of());
    }

    private static List<Finding> findings(FindingKind kind, ToDoubleBiFunction<Double, Double> light) {
        PhotoGrading.Given given = new PhotoGrading.Given(Optional.of(Lighting.AGAINST), Optional.of(Glass.RIM), OptionalDouble.empty());
        return ((PhotoGrading.Outcome.Seen) PhotoGrading.grade(Glass.photo(0.0005, 1, light), given, all(kind), Progress.SILENT)).graded().findings().stream().filter(f -> f.kind() == kind).toList();
    }

    /// Of a pool with a bright border and a dim inside the border alone stands out; the pool is as large as its border is wide.
    @Test
    void aPoolIsAsLargeAsItsBorderIsWide() {
        double radius = 0.15;
        ToDoubleBiFunction<Double, Double> pool = (x, y) -> 0.02 + (Math.abs(Math.hypot(x - 0.2, y - 0.1) - radius) < 0.008 ? 0.3 : 0);
        assertThat(findings(FindingKind.OIL, pool)).singleElement().satisfies(f -> assertThat(f.areaShare()).isCloseTo(radius * radius, within(0.3 * radius * radius)));
        assertThat(findings(FindingKind.FUNGUS, pool)).as("threads cover what they cover").singleElement().satisfies(f -> assertThat(f.areaShare()).isLessThan(0.3 * radius * radius));
    }

    /// Forty degrees of bare edge are forty, by however many ways of standing out they were found.
    @Test
    void bareEdgeIsCountedOnce() {
        List<Finding> bare = findings(FindingKind.EDGE_PAINT, (x, y) -> 0.02 + (Math.hypot(x, y) > 0.955 && Math.abs(Math.toDegrees(Math.atan2(y, x))) < 20 ? 0.3 : 0));
        assertThat(bare).isNotEmpty().allSatisfy(f -> assertThat(f.severity()).isEqualTo(2));
    }

    /// Hairs of eight degrees at every fifteenth, about (0.1, 0) at half a radius: what was rubbed is a quarter of the glass, though the hairs cover a hundredth.
    @Test
    void cleaningMarksAreAsLargeAsWhatWasRubbed() {
        ToDoubleBiFunction<Double, Double> hairs = (x, y) -> 0.02 + (Math.abs(Math.hypot(x - 0.1, y) - 0.5) < 0.006 && Math.floorMod(Math.round(Math.toDegrees(Math.atan2(y, x - 0.1))), 15) < 8 ? 0.3 : 0);
        assertThat(findings(FindingKind.CLEANING_MARKS, hairs)).singleElement().satisfies(f -> {
            assertThat(f.areaShare()).isCloseTo(0.25, within(0.02));
            assertThat(f.severity()).isEqualTo(2);
            assertThat(f.x()).isCloseTo(0.1, within(0.02));
        });
    }

    /// The table steps at half a radius and at one and a half: two lines of 0.9 that cross and hang together are 1.8, one of them is 0.9, and a hook 0.47 wide is 0.66.
    @Test
    void scratchesAreAsLongAsTheirLines() {
        assertThat(findings(FindingKind.SCRATCH, (x, y) -> 0.02 + 0.3 * Math.max(Glass.line(x, y, -0.45, 0.1, 0.45, 0.1, 0.012), Glass.line(x, y, 0.1, -0.4, 0.1, 0.5, 0.012)))).isNotEmpty().allSatisfy(f -> assertThat(f.severity()).isEqualTo(3));
        assertThat(findings(FindingKind.SCRATCH, (x, y) -> 0.02 + 0.3 * Glass.line(x, y, -0.45, 0.1, 0.45, 0.1, 0.012))).isNotEmpty().allSatisfy(f -> assertThat(f.severity()).isEqualTo(2));
        assertThat(findings(FindingKind.SCRATCH, (x, y) -> 0.02 + 0.3 * Math.max(Glass.line(x, y, -0.3, 0.2, -0.3, -0.13, 0.012), Glass.line(x, y, -0.3, -0.13, 0.03, -0.13, 0.012)))).isNotEmpty().allSatisfy(f -> assertThat(f.severity()).isEqualTo(2));
    }

    /// A broad scuff stands out as a region, which has no bones.
    @Test
    void aScuffIsAsLongAsItReaches() {
        assertThat(findings(FindingKind.SCRATCH, (x, y) -> 0.02 + (Math.abs(x) < 0.4 && Math.abs(y - 0.1) < 0.09 ? 0.1 : 0))).isNotEmpty().allSatisfy(f -> assertThat(f.severity()).isGreaterThan(1));
    }

    /// 37 specks that are seen stand for half as many again and some; the table steps at 40 and 100.
    @Test
    void dustIsMoreThanTheSpecksThatAreSeen() {
        ToDoubleBiFunction<Double, Double> specks = (x, y) -> 0.02 + (Math.hypot(x, y) < 0.8 && Math.hypot(x - 0.25 * Math.rint(x / 0.25), y - 0.25 * Math.rint(y / 0.25)) < 0.012 ? 0.3 : 0);
        assertThat(findings(FindingKind.DUST, specks)).singleElement().satisfies(f -> {
            assertThat(f.count()).isBetween(35, 38);
            assertThat(f.severity()).isEqualTo(2);
            assertThat(f.reasons().get(1)).isEqualTo(Said.of("found.more-specks", "all", 1.6 * f.count()));
        });
        assertThat(findings(FindingKind.DUST, (x, y) -> x > 0.1 && Math.abs(y) < 0.4 ? specks.applyAsDouble(x, y) : 0.02)).as("the few that any glass has").singleElement().satisfies(f -> {
            assertThat(f.count()).isEqualTo(9);
            assertThat(f.severity()).isZero();
            assertThat(f.reasons()).doesNotContain(Said.of("found.more-specks", "all", 1.6 * f.count()));
        });
    }
}
