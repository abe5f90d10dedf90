package stillglass.look.rim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import stillglass.look.Aperture;

/// What is told of rings that were drawn, against what was drawn.
class RingProfileTest {
    private static final int W = 900;
    private static final int H = 800;
    private static final double FLOOR = 0.004;

    private static EdgePhoto drawn(double cx, double cy, double r, DoubleUnaryOperator light) {
        float[] out = new float[W * H];
        for (int i = 0; i < out.length; i++) {
            out[i] = (float) light.applyAsDouble(Math.hypot(i % W - cx, i / W - cy) / r);
        }
        return new EdgePhoto(out, W, H);
    }

    private static double mount(double u) {
        return u < 0.7 ? 0.2 : u < 1 ? 0.06 : u < 1.1 ? 0.006 : 0.09;
    }

    private static int row(RingProfile p, double radius) {
        return IntStream.range(0, RingProfile.RADII).boxed().min((a, b) -> Double.compare(Math.abs(p.ring(a).meanRadius() - radius), Math.abs(p.ring(b).meanRadius() - radius))).orElseThrow();
    }

    private static double of(RingProfile p, RingTrait trait, int row) {
        return p.channels[trait.ordinal()][row];
    }

    @Test
    void anEdgeHasItsStepAndNothingElseHasOne() {
        RingProfile p = RingProfile.of(drawn(450, 400, 200, RingProfileTest::mount), new Aperture(450, 400, 150, 150, 0));
        int rim = row(p, 200);
        double step = Math.log((0.006 + FLOOR) / (0.06 + FLOOR));
        assertThat(of(p, RingTrait.STEP, rim)).isCloseTo(step, within(0.02));
        assertThat(of(p, RingTrait.AGREEMENT, rim)).isLessThan(-0.95);
        assertThat(of(p, RingTrait.STEP, row(p, 220))).isCloseTo(Math.log((0.09 + FLOOR) / (0.006 + FLOOR)), within(0.02));
        assertThat(of(p, RingTrait.STEP, row(p, 170))).isCloseTo(0, within(1e-6));
        assertThat(of(p, RingTrait.LIGHT, row(p, 100)) - of(p, RingTrait.LIGHT, row(p, 180))).isCloseTo(Math.log((0.2 + FLOOR) / (0.06 + FLOOR)), within(1e-4));
    }

    /// A ring of which a tenth is dark, a fifth half light and the rest evenly lighter all round.
    @Test
    void quartersAndMiddleAreThoseOfTheLightInOrder() {
        float[] light = new float[W * H];
        for (int i = 0; i < light.length; i++) {
            double turn = Math.atan2(i / W - 400, i % W - 450) / (2 * Math.PI) + 0.5;
            light[i] = (float) (turn < 0.1 ? 0.01 : turn < 0.3 ? 0.05 : 0.1 + 0.5 * turn);
        }
        RingProfile p = RingProfile.of(new EdgePhoto(light, W, H), new Aperture(450, 400, 150, 150, 0));
        int row = row(p, 180);
        double middle = Math.log(0.1 + 0.5 * 0.5 + FLOOR);
        assertThat(of(p, RingTrait.EXPOSURE, row)).isCloseTo(middle, within(0.01));
        assertThat(of(p, RingTrait.LOWER, row)).isCloseTo(Math.log(0.05 + FLOOR) - middle, within(0.01));
        assertThat(of(p, RingTrait.UPPER, row)).isCloseTo(Math.log(0.1 + 0.5 * 0.75 + FLOOR) - middle, within(0.01));
        assertThat(of(p, RingTrait.SEEN, row)).isEqualTo(1);
    }

    @Test
    void whereLightChangesThereAreEdges() {
        RingProfile p = RingProfile.of(drawn(450, 400, 200, RingProfileTest::mount), new Aperture(450, 400, 150, 150, 0));
        boolean[] edges = p.edges();
        for (double radius : new double[] {140, 200, 220}) {
            int at = row(p, radius);
            assertThat(IntStream.rangeClosed(at - 1, at + 1).anyMatch(i -> edges[i])).as("edge of radius %.0f", radius).isTrue();
        }
        assertThat(IntStream.range(0, edges.length).filter(i -> edges[i]).count()).isLessThan(7);
        assertThat(IntStream.range(row(p, 150), row(p, 190)).noneMatch(i -> edges[i])).isTrue();
    }

    @Test
    void aLensTwiceAsLargeIsTheSameMovedAlong() {
        RingProfile small = RingProfile.of(drawn(450, 400, 120, RingProfileTest::mount), new Aperture(450, 400, 120, 120, 0));
        RingProfile large = RingProfile.of(drawn(450, 400, 240, RingProfileTest::mount), new Aperture(450, 400, 240, 240, 0));
        int by = (int) Math.round(Math.log(2) / RingProfile.STEP);
        for (double radius : new double[] {100, 127, 160}) {
            int i = row(small, radius);
            assertThat(of(large, RingTrait.LIGHT, i + by) - of(large, RingTrait.LIGHT, row(large, 180))).isCloseTo(of(small, RingTrait.LIGHT, i) - of(small, RingTrait.LIGHT, row(small, 90)), within(0.02));
        }
    }

    /// An edge about another centre, as a rim deeper in a lens that leans: light goes up and down once round.
    @Test
    void anEdgeAboutAnotherCentreGoesRoundOnce() {
        EdgePhoto photo = drawn(450, 400, 200, u -> u < 1 ? 0.2 : 0.02);
        RingProfile own = RingProfile.of(photo, new Aperture(450, 400, 200, 200, 0));
        RingProfile other = RingProfile.of(photo, new Aperture(458, 400, 200, 200, 0));
        int rim = row(own, 200);
        assertThat(of(own, RingTrait.ONCE, rim)).isLessThan(0.2);
        assertThat(of(other, RingTrait.ONCE, rim)).as("first harmonic of what is 1 on one half and 0 on the other").isCloseTo(2 / Math.PI, within(0.03));
        assertThat(Math.abs(of(other, RingTrait.AGREEMENT, rim))).isLessThan(0.5);
    }

    /// Ribs of a focus ring and engraved marks: light goes up and down many times along a ring.
    @Test
    void ribsAreMarks() {
        float[] light = new float[W * H];
        for (int i = 0; i < light.length; i++) {
            double u = Math.hypot(i % W - 450, i / W - 400) / 200;
            boolean rib = Math.sin(40 * Math.atan2(i / W - 400, i % W - 450)) > 0;
            light[i] = u < 1 ? 0.2f : u < 1.3 || rib ? 0.02f : 0.1f;
        }
        RingProfile p = RingProfile.of(new EdgePhoto(light, W, H), new Aperture(450, 400, 200, 200, 0));
        assertThat(of(p, RingTrait.MARKS, row(p, 300))).isGreaterThan(0.05);
        assertThat(of(p, RingTrait.MARKS, row(p, 230))).isCloseTo(0, within(1e-6));
    }

    @Test
    void whatLiesBeyondThePhotoIsUnseen() {
        RingProfile p = RingProfile.of(drawn(450, 400, 200, RingProfileTest::mount), new Aperture(450, 400, 200, 200, 0));
        int last = RingProfile.RADII - 1;
        assertThat(p.ring(last).meanRadius()).isGreaterThan(600);
        assertThat(of(p, RingTrait.UNSEEN, last)).isEqualTo(1);
        assertThat(of(p, RingTrait.UNSEEN, row(p, 200))).isZero();
        assertThat(of(p, RingTrait.SEEN, row(p, 420))).isBetween(0.3, 0.95);
    }

    /// Another camera's contrast stretches what is told of light and leaves the rest.
    @Test
    void anotherCameraShowsTheSameRings() {
        RingProfile p = RingProfile.of(drawn(450, 400, 200, RingProfileTest::mount), new Aperture(450, 400, 200, 200, 0));
        float[][] taken = p.taken(1.5, 0.2);
        int rim = row(p, 200);
        assertThat(taken[RingTrait.STEP.ordinal()][rim]).isCloseTo((float) (1.5 * of(p, RingTrait.STEP, rim)), within(1e-5f));
        assertThat(taken[RingTrait.EXPOSURE.ordinal()][rim]).isCloseTo((float) (1.5 * of(p, RingTrait.EXPOSURE, rim) + 0.2), within(1e-5f));
        assertThat(taken[RingTrait.AGREEMENT.ordinal()][rim]).isEqualTo((float) of(p, RingTrait.AGREEMENT, rim));
    }
}
