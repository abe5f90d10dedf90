package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.ToDoubleBiFunction;
import java.util.stream.IntStream;
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

/// A white card through glass with hairs on it, drawn here by rings and angles.
class WipedCirclesTest {
    private static final double CARD = 0.5;
    private static final double GRAIN = 0.004;
    private static final double X = 0.18;
    private static final double Y = -0.24;
    /// A hair is so wide, radii, and five times that from the next.
    private static final double HAIR = 0.005;
    private static final int OF = 5;
    private static final double DEEP = 0.025;

    private static List<int[]> hairs(ToDoubleBiFunction<Double, Double> light) {
        return WipedCircles.hairs(Glass.maps(Glass.photo(GRAIN, 11, light), Lighting.BRIGHT), Glass.RIM.meanRadius());
    }

    /// Arcs of 15 to 60 degrees about one centre, up to half a radius from it.
    private static double wiped(double x, double y, double depth) {
        return wiped(x, y, depth, OF);
    }

    private static double wiped(double x, double y, double depth, int of) {
        double r = Math.hypot(x - X, y - Y);
        int ring = (int) (r / HAIR);
        if (ring % of != 0 || r > 0.5) {
            return 0;
        }
        SplittableRandom own = new SplittableRandom(ring);
        double apart = 60 + 120 * own.nextDouble();
        double turned = Math.toDegrees(Math.atan2(y - Y, x - X)) + 360 * own.nextDouble() + 360;
        return turned % apart < apart / 3 ? depth : 0;
    }

    /// Degrees about the centre, from 0.
    private static double turn(double x, double y) {
        return Math.toDegrees(Math.atan2(y - Y, x - X)) + 180;
    }

    private static boolean ring(double x, double y, double cx, double cy, double r) {
        return Math.abs(Math.hypot(x - cx, y - cy) - r) < HAIR / 2;
    }

    /// A long arc farther out about the same centre is a rim and a short one a scratch, and neither one of them.
    @Test
    void hairsAboutOneCentreAreFound() {
        List<int[]> found = hairs((x, y) -> CARD - Math.max(wiped(x, y, DEEP), ring(x, y, X, Y, 0.7) && (turn(x, y) > 260 && turn(x, y) < 360 || turn(x, y) > 200 && turn(x, y) < 220) ? 2 * DEEP : 0));
        assertThat(found).hasSizeGreaterThan(30).allSatisfy(h -> {
            double[] m = GlassFrame.middle(h);
            assertThat(Math.hypot(m[0] - X, m[1] - Y)).as("away from the centre").isLessThan(0.53);
        });
        assertThat(hairs((x, y) -> CARD)).as("grain").isEmpty();
        assertThat(hairs((x, y) -> CARD - wiped(x, y, 0.001))).as("a quarter of the grain").isEmpty();
    }

    private static boolean row(double across) {
        return (int) ((across + 4) / HAIR) % OF == 0;
    }

    /// As many lines, but none about one centre: rows of the picture one over another, two ways across, from a middle outwards, and light ones, which no fault leaves on a card.
    @Test
    void otherLinesAreNot() {
        assertThat(hairs((x, y) -> CARD - (row(y) && Math.abs(x - 0.1) < 0.09 ? DEEP : 0))).as("rows").isEmpty();
        assertThat(hairs((x, y) -> CARD - ((((int) Math.floor(5 * x) + (int) Math.floor(5 * y)) % 2 == 0 ? row(x + y) : row(x - y)) ? DEEP : 0))).as("two ways across").isEmpty();
        assertThat(hairs((x, y) -> CARD - (Math.floorMod((int) Math.floor(Math.atan2(y, x) * 30), 5) == 0 ? DEEP : 0))).as("outwards").isEmpty();
        assertThat(hairs((x, y) -> CARD + wiped(x, y, DEEP))).as("light").isEmpty();
    }

    /// Rims of inner glasses, of which the lamp lights two arcs each, lie about a centre of their own between those that are tried.
    @Test
    void rimsAreNot() {
        assertThat(hairs((x, y) -> CARD - (IntStream.range(0, 9).anyMatch(k -> ring(x, y, 0.025, 0.025, 0.46 + 0.055 * k)) && turn(x, y) % 100 < 80 ? 2 * DEEP : 0))).isEmpty();
    }

    /// On one side of the centre alone they are arcs of something larger.
    @Test
    void arcsOnOneSideAreNot() {
        assertThat(hairs((x, y) -> {
            int ring = (int) (Math.hypot(x - X, y - Y) / HAIR);
            double from = 185 + 140 * new SplittableRandom(ring).nextDouble();
            return CARD - (ring % OF == 0 && ring < 140 && turn(x, y) > from && turn(x, y) < from + 30 ? DEEP : 0);
        })).isEmpty();
    }

    @Test
    void bySmallOpeningsAndOnSmallPhotosNothingIsTold() {
        assertThat(WipedCircles.hairs(Glass.maps(Glass.photo(GRAIN, 11, (x, y) -> CARD - wiped(x, y, DEEP)), Lighting.BRIGHT), 150)).as("a photo too small for them").isEmpty();
        assertThat(hairs((x, y) -> Math.hypot(x - X, y - Y) < 0.45 ? CARD - wiped(x, y, DEEP, 3) : 0.01)).as("a fifth of the glass").isNotEmpty();
        assertThat(hairs((x, y) -> Math.hypot(x - X, y - Y) < 0.36 ? CARD - wiped(x, y, DEEP, 3) : 0.01)).as("an eighth of it").isEmpty();
    }

    private static List<Finding> findings(KindModel model, ToDoubleBiFunction<Double, Double> light) {
        PhotoGrading.Given given = new PhotoGrading.Given(Optional.of(Lighting.BRIGHT), Optional.of(Glass.RIM), OptionalDouble.empty());
        return ((PhotoGrading.Outcome.Seen) PhotoGrading.grade(Glass.photo(GRAIN, 11, light), given, model, Progress.SILENT)).graded().findings();
    }

    /// The marks are one finding as large as what lies within all that was drawn (0.207 of the glass, by its hull), and no hair of theirs is called by another name.
    @Test
    void theyAreOneFinding() {
        List<Finding> found = findings(KindModel.shipped(), (x, y) -> CARD - wiped(x, y, DEEP));
        assertThat(found).filteredOn(f -> f.kind() == FindingKind.CLEANING_MARKS).singleElement().satisfies(f -> {
            assertThat(f.areaShare()).isCloseTo(0.207, within(0.01));
            assertThat(f.x()).isCloseTo(X, within(0.04));
            assertThat(f.y()).isCloseTo(Y, within(0.04));
        });
        assertThat(findings(KindModel.shipped(), (x, y) -> CARD)).filteredOn(f -> f.kind() == FindingKind.CLEANING_MARKS).isEmpty();

        // To one that knows scratches only every line is one: the hairs are none, a line beside them is.
        List<KindLearning.Example> lines = new ArrayList<>();
        for (Sight sight : Sight.values()) {
            for (int i = 0; i < 60; i++) {
                lines.add(new KindLearning.Example(Lighting.BRIGHT, sight, new Features().set(Feature.RADIUS, 0.01 * i), sight == Sight.FINE ? FindingKind.SCRATCH : FindingKind.UNKNOWN, 1, i % 5 == 0));
            }
        }
        List<Finding> told = findings(KindLearning.learn(lines, Set.of()), (x, y) -> CARD - Math.max(Math.hypot(x - X, y - Y) < 0.1 ? 0 : wiped(x, y, 2 * DEEP), Glass.line(x, y, -0.7, 0.5, -0.4, 0.25, 0.012) * 4 * DEEP));
        assertThat(told).filteredOn(f -> f.kind() == FindingKind.CLEANING_MARKS).hasSize(1);
        assertThat(told).filteredOn(f -> f.kind() == FindingKind.SCRATCH).singleElement().satisfies(f -> assertThat(f.x()).isCloseTo(-0.55, within(0.02)));
    }
}
