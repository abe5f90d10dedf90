package stillglass.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class OutlinesTest {
    @Test
    void overlapsAreCountedOnce() {
        assertThat(Outlines.areaShare(List.of(Faults.circle(0, 0, 0.3), Faults.circle(0, 0, 0.3)))).isCloseTo(0.09, within(0.0003));
        assertThat(Outlines.areaShare(List.of(Faults.circle(-0.5, 0, 0.1), Faults.circle(0.5, 0, 0.2)))).isCloseTo(0.05, within(0.0002));
    }

    @Test
    void twoThatTouchBecomeOne() {
        assertThat(Outlines.merged(List.of(Faults.circle(0, 0, 0.2), Faults.circle(0.3, 0, 0.2)))).hasSize(1);
        assertThat(Outlines.merged(List.of(Faults.circle(0, 0, 0.1), Faults.circle(0.5, 0, 0.1)))).hasSize(2);
    }

    @Test
    void aPlaceIsInOrOut() {
        assertThat(Outlines.contain(List.of(Faults.circle(0.2, 0.1, 0.1)), 0.25, 0.1)).isTrue();
        assertThat(Outlines.contain(List.of(Faults.circle(0.2, 0.1, 0.1)), 0.35, 0.1)).isFalse();
    }

    @Test
    void overlapIsOfTheSmaller() {
        assertThat(Outlines.overlap(Faults.round(FindingKind.OIL, 0, 0, 0.4), Faults.round(FindingKind.OIL, 0.1, 0, 0.1))).isCloseTo(1, within(1e-6));
        assertThat(Outlines.overlap(Faults.round(FindingKind.OIL, 0, 0, 0.1), Faults.round(FindingKind.OIL, 0.5, 0, 0.1))).isZero();
    }

    @Test
    void aNewOutlineMovesTheFindingAndKeepsHowFullItIs() {
        // Threads that cover a third of their outline still do when the outline is drawn twice as wide.
        Finding threads = new Finding(FindingKind.FUNGUS, 0.9, List.of(Faults.circle(0, 0, 0.2)), 0.04 / 3, 1, 0, 0, 0.3, 2, List.of());
        Finding wider = threads.withRegions(List.of(Faults.circle(0.3, 0.1, 0.4)));

        assertThat(wider.x()).isCloseTo(0.3, within(1e-6));
        assertThat(wider.y()).isCloseTo(0.1, within(1e-6));
        assertThat(wider.areaShare()).isCloseTo(0.16 / 3, within(1e-4));
        assertThatThrownBy(() -> threads.withRegions(List.of())).hasMessageContaining("without any area");
    }

    @ParameterizedTest
    @ValueSource(longs = {3, 5, 8})
    void anOutlineThatCrossesItselfHasAnArea(long seed) {
        double s = 0.1 * seed;
        Finding.Region bow = new Finding.Region(List.of(new Finding.Point(-s, -s), new Finding.Point(s, s), new Finding.Point(s, -s), new Finding.Point(-s, s)));

        assertThat(Outlines.areaShare(List.of(bow))).as("a bow tie of size %.1f", s).isPositive().isLessThan(4 * s * s / Math.PI);
    }
}
