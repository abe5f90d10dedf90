package stillglass.benchmarks.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.util.BitSet;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.BiPredicate;
import org.junit.jupiter.api.Test;
import stillglass.look.Aperture;
import stillglass.look.FindingKind;
import stillglass.sim.photo.Shot;

/// Truths drawn here by shapes whose size is known.
class TruthSeverityTest {
    private static final int SIDE = 400;
    private static final double RADIUS = 180;

    /// @param where it is painted, in radii from the middle
    private static int severity(FindingKind kind, BiPredicate<Double, Double> where) {
        byte[] mask = new byte[SIDE * SIDE];
        for (int i = 0; i < mask.length; i++) {
            mask[i] = (byte) (where.test((i % SIDE - SIDE / 2) / RADIUS, (i / SIDE - SIDE / 2) / RADIUS) ? kind.maskLevel() : 0);
        }
        Shot shot = new Shot(new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_INT_RGB), new Aperture(SIDE / 2.0, SIDE / 2.0, RADIUS, RADIUS, 0), mask, 0, Map.of());
        return TruthSeverity.of(shot, Set.of(kind)).get(kind);
    }

    private static BiPredicate<Double, Double> ring(double radius) {
        return (x, y) -> Math.abs(Math.hypot(x, y) - radius) < 0.01;
    }

    /// A ring of radius 0.5 holds 25 % of the glass, one of 0.7 49 %, one of 0.9 81 %; the hairs themselves are a few per cent. The table steps at 15, 35 and 65 %.
    @Test
    void marksOfCleaningAreAsLargeAsWhatWasRubbed() {
        assertThat(severity(FindingKind.CLEANING_MARKS, ring(0.3))).isEqualTo(1);
        assertThat(severity(FindingKind.CLEANING_MARKS, ring(0.5))).isEqualTo(2);
        assertThat(severity(FindingKind.CLEANING_MARKS, ring(0.7))).isEqualTo(3);
        assertThat(severity(FindingKind.CLEANING_MARKS, ring(0.9))).isEqualTo(4);
        assertThat(severity(FindingKind.CLEANING_MARKS, (x, y) -> Math.hypot(x, y) < 0.7)).as("painted whole").isEqualTo(3);
        assertThat(severity(FindingKind.CLEANING_MARKS, (x, y) -> false)).isZero();
    }

    /// What covers the glass is told by what it covers; the table of oil steps at 1, 4 and 12 %.
    @Test
    void oilIsAsLargeAsItIsPainted() {
        assertThat(severity(FindingKind.OIL, ring(0.5))).as("2 % on a ring that holds 25").isEqualTo(2);
        assertThat(severity(FindingKind.OIL, (x, y) -> Math.hypot(x, y) < 0.3)).as("9 %").isEqualTo(3);
    }

    /// The table of bare edge steps at 20, 60 and 140 degrees.
    @Test
    void bareEdgeIsToldInDegrees() {
        for (double[] c : new double[][] {{10, 1}, {40, 2}, {100, 3}, {200, 4}}) {
            assertThat(severity(FindingKind.EDGE_PAINT, (x, y) -> Math.hypot(x, y) > 0.95 && Math.hypot(x, y) < 1 && Math.abs(Math.toDegrees(Math.atan2(y, x))) < c[0] / 2)).isEqualTo((int) c[1]);
        }
    }

    /// What is out of focus is painted in crumbs, every other pixel; the tables step at 0.5, 1.5 and 3.5 radii of scratches, at 12, 40, 100 and 250 specks.
    @Test
    void crumbsOfOneLineOrSpeckAreOne() {
        BitSet left = new BitSet();
        SplittableRandom chance = new SplittableRandom(3);
        for (int i = 0; i < SIDE * SIDE; i++) {
            left.set(i, chance.nextInt(2) == 0);
        }
        BiPredicate<Double, Double> crumb = (x, y) -> left.get((int) Math.round(y * RADIUS + SIDE / 2.0) * SIDE + (int) Math.round(x * RADIUS + SIDE / 2.0));
        BiPredicate<Double, Double> line = (x, y) -> Math.abs(y - 0.4 * x) < 0.03 && Math.abs(x) < 0.46;
        assertThat(severity(FindingKind.SCRATCH, line)).as("1.0 radii long").isEqualTo(2);
        assertThat(severity(FindingKind.SCRATCH, line.and(crumb))).isEqualTo(2);
        // A speck at every fifth of a radius, 69 within 0.95.
        BiPredicate<Double, Double> specks = (x, y) -> Math.hypot(x, y) < 0.95 && Math.hypot(x - 0.2 * Math.rint(x / 0.2), y - 0.2 * Math.rint(y / 0.2)) < 0.02;
        assertThat(severity(FindingKind.DUST, specks)).isEqualTo(2);
        assertThat(severity(FindingKind.DUST, specks.and(crumb))).isEqualTo(2);
    }
}
