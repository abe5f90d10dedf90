package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.function.ToDoubleBiFunction;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Lighting;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.Sight;

/// What is no fault is told from what is: rims of inner glasses, reflections, the step of the rim itself.
class InnerRimsTest {
    private static List<Candidate> fine(Lighting lighting, ToDoubleBiFunction<Double, Double> light) {
        return sights(lighting, Sight.FINE, light);
    }

    private static List<Candidate> sights(Lighting lighting, Sight sight, ToDoubleBiFunction<Double, Double> light) {
        return CandidateFinder.find(Glass.maps(Glass.photo(0.0005, 4, light), lighting), 0.05).stream().filter(c -> c.sight() == sight).toList();
    }

    private static double arc(double x, double y, double cx, double cy, double r, double from, double to) {
        double t = Math.toDegrees(Math.atan2(y - cy, x - cx));
        return t > from && t < to ? Glass.ring(x, y, cx, cy, r, 0.008) : 0;
    }

    @Test
    void theLitRimOfAnInnerGlassIsNoFault() {
        assertThat(fine(Lighting.AGAINST, (x, y) -> 0.02 + 0.1 * arc(x, y, 0.04, -0.03, 0.7, -60, 60))).isEmpty();
        assertThat(fine(Lighting.BRIGHT, (x, y) -> 0.6 * (1 - 0.2 * arc(x, y, 0.04, -0.03, 0.7, -60, 60)))).isEmpty();
    }

    @Test
    void severalRimsWithCentresOfTheirOwnAreTakenOut() {
        List<Candidate> left = fine(Lighting.AGAINST, (x, y) -> 0.02 + 0.1 * (arc(x, y, 0, 0, 0.86, -80, 20) + arc(x, y, 0.05, 0.02, 0.72, 100, 170)));
        double drawn = Math.toRadians(0.86 * 100 + 0.72 * 70) * 0.008 * GlassFrame.RADIUS * GlassFrame.RADIUS;

        assertThat(left.stream().mapToInt(c -> c.pixels().length).sum()).as("pixels left of both arcs").isLessThan((int) (0.1 * drawn));
    }

    /// What belongs to a rim that was found has no say in where the next has its centre.
    @Test
    void aShortRimIsTakenOutBesideALongOne() {
        List<Candidate> left = fine(Lighting.AGAINST, (x, y) -> 0.02 + 0.1 * Math.max(arc(x, y, 0, 0, 0.86, -170, 80), arc(x, y, 0.12, 0.08, 0.55, 100, 155)));

        assertThat(left.stream().mapToInt(c -> c.pixels().length).sum()).as("pixels left of both arcs").isLessThan((int) (0.1 * Math.toRadians(0.55 * 55) * 0.008 * GlassFrame.RADIUS * GlassFrame.RADIUS));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 35, 70, 90, 130})
    void aScratchRemainsHoweverItLies(double degrees) {
        double c = Math.cos(Math.toRadians(degrees));
        double s = Math.sin(Math.toRadians(degrees));
        List<Candidate> found = fine(Lighting.BRIGHT, (x, y) -> 0.8 * (1 - 0.25 * Glass.line(x, y, -0.25 - 0.13 * c, -0.13 * s, -0.25 + 0.13 * c, 0.13 * s, 0.006)));

        assertThat(found).singleElement().satisfies(f -> assertThat(Math.pow(10, f.features().get(Feature.EXTENT))).isCloseTo(0.26, within(0.03)));
    }

    @Test
    void whatTouchesAnInnerRimIsNotJoinedAlongIt() {
        List<Candidate> found = fine(Lighting.AGAINST, (x, y) -> 0.02 + 0.2 * Math.max(arc(x, y, 0, 0, 0.7, -70, 70), Glass.line(x, y, 0.45, 0, 0.66, 0.12, 0.01))
                + 0.3 * Glass.line(x, y, 0.5, 0.1, 0.72, 0.05, 0.01));

        assertThat(found).isNotEmpty();
        double reach = found.stream().mapToDouble(f -> Math.pow(10, f.features().get(Feature.EXTENT))).max().orElseThrow();
        assertThat(reach).as("the arc is 1.6 radii long, the threads 0.25").isLessThan(0.45);
    }

    @Test
    void aReflectionBeforeACardLeavesNoRing() {
        assertThat(fine(Lighting.BRIGHT, (x, y) -> 0.45 + 0.5 * Glass.disc(x, y, 0.3, 0.2, 0.05) + 0.08 * Math.exp(-Math.hypot(x - 0.3, y - 0.2) / 0.05))).isEmpty();
    }

    @Test
    void lostEdgePaintIsFoundWhereItIsThoughTheEllipseMissesByHalfAPercent() {
        // The drawn glass is a little egg-shaped: no ellipse follows it.
        ToDoubleBiFunction<Double, Double> light = (x, y) -> {
            double t = Math.atan2(y, x);
            double edge = 0.994 + 0.003 * Math.cos(3 * t);
            double u = Math.hypot(x, y);
            boolean bare = u > 0.972 && Math.toDegrees(t) > 30 && Math.toDegrees(t) < 55;
            return u > edge ? 0.01 : bare ? 0.3 : 0.5;
        };
        List<Candidate> rim = sights(Lighting.BRIGHT, Sight.RIM, light);

        assertThat(rim).isNotEmpty();
        int[] pixels = rim.stream().max(java.util.Comparator.comparingInt(c -> c.pixels().length)).orElseThrow().pixels();
        double in = Arrays.stream(pixels).filter(at -> {
            double t = Math.toDegrees(Math.atan2(GlassFrame.y(at), GlassFrame.x(at)));
            return t > 26 && t < 59;
        }).count() / (double) pixels.length;
        assertThat(in).isGreaterThan(0.95);
        assertThat(rim.stream().mapToInt(c -> c.pixels().length).sum()).as("hardly anything else").isLessThan((int) (1.3 * pixels.length));
    }

    @Test
    void anEvenRimHasNoArcs() {
        assertThat(sights(Lighting.AGAINST, Sight.RIM, (x, y) -> 0.02 + 0.01 * x)).isEmpty();
    }

    @Test
    void openingTakesOutWhatIsNarrowAndLeavesWideBordersInPlace() {
        float[] in = new float[GlassFrame.PIXELS];
        fill(in, 100, 100, 104, 300, 1);
        fill(in, 400, 400, 460, 470, 2);
        fill(in, 600, 600, 608, 609, 3);
        float[] out = Morphology.opened(in, 4);

        for (int y = 0; y < GlassFrame.SIDE; y += 3) {
            for (int x = 0; x < GlassFrame.SIDE; x += 3) {
                boolean wide = x >= 400 && x < 460 && y >= 400 && y < 470;
                assertThat(out[y * GlassFrame.SIDE + x]).as("%d, %d", x, y).isEqualTo(wide ? 2 : 0);
            }
        }
        assertThat(IntStream.range(0, out.length).allMatch(i -> out[i] <= in[i])).as("an opening adds nothing").isTrue();
        assertThat(Morphology.opened(out, 4)).as("done twice it is the same").isEqualTo(out);
    }

    private static void fill(float[] map, int x0, int y0, int x1, int y1, float v) {
        for (int y = y0; y < y1; y++) {
            Arrays.fill(map, y * GlassFrame.SIDE + x0, y * GlassFrame.SIDE + x1, v);
        }
    }
}
