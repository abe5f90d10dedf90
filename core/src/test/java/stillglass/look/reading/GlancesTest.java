package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import stillglass.look.FindingKind;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.glance.Glance;
import stillglass.look.glance.GlanceTrait;
import stillglass.look.kinds.Feature;

/// What is gathered of drawn glass, against what was drawn.
class GlancesTest {
    /// Cells in a radius.
    private static final double RADIUS = Glance.SIDE / 2.0 / Glance.REACH;

    private static int cell(double x, double y) {
        return (int) (Glance.SIDE / 2.0 - y * RADIUS) * Glance.SIDE + (int) (Glance.SIDE / 2.0 + x * RADIUS);
    }

    private static Glance glance(LinearPhoto p, Lighting lighting) {
        Maps maps = Glass.maps(p, lighting);
        return Glances.of(maps, new RimArcs(maps));
    }

    @Test
    void aLineAndAPatchStandWhereTheyWereDrawn() {
        LinearPhoto p = Glass.photo(0.0005, 3, (x, y) -> 0.02 + 0.3 * Glass.line(x, y, -0.6, 0.4, 0.2, 0.4, 0.008) + 0.04 * Glass.disc(x, y, 0.3, -0.3, 0.2),
                (x, y) -> 0.02 + 0.3 * Glass.line(x, y, -0.6, 0.4, 0.2, 0.4, 0.008) + 0.02 * Glass.disc(x, y, 0.3, -0.3, 0.2),
                (x, y) -> 0.02 + 0.3 * Glass.line(x, y, -0.6, 0.4, 0.2, 0.4, 0.008) + 0.01 * Glass.disc(x, y, 0.3, -0.3, 0.2));
        Glance g = glance(p, Lighting.AGAINST);
        int line = cell(-0.2, 0.4);
        int patch = cell(0.3, -0.3);
        int clear = cell(-0.5, -0.3);
        assertThat(g.get(GlanceTrait.FINE_MOST, line)).isGreaterThan(2);
        assertThat(g.get(GlanceTrait.FINE_MOST, clear)).isLessThan(1);
        assertThat(g.get(GlanceTrait.LINE_COS, line)).as("a line from left to right").isGreaterThan(0.3);
        assertThat(g.get(GlanceTrait.LINE_SIN, line)).isCloseTo(0, within(0.15));
        assertThat(g.get(GlanceTrait.AREA, patch)).isGreaterThan(1);
        assertThat(g.get(GlanceTrait.AREA, clear)).isLessThan(0.7);
        assertThat(g.get(GlanceTrait.RED, patch)).isGreaterThan(g.get(GlanceTrait.RED, clear) + 1);
        assertThat(g.get(GlanceTrait.BLUE, patch)).isLessThan(g.get(GlanceTrait.BLUE, clear) - 1);
        assertThat(g.get(GlanceTrait.LIGHT, patch) - g.get(GlanceTrait.LIGHT, clear)).isGreaterThan(0.4);
        assertThat(g.get(GlanceTrait.BRIGHT, clear)).isZero();
    }

    @Test
    void theRimIsARadiusFromTheMiddle() {
        Glance g = glance(Glass.photo(0.002, 4, (x, y) -> 0.5), Lighting.BRIGHT);
        assertThat(g.get(GlanceTrait.RADIUS, cell(0.6, -0.3))).isCloseTo(2 * Math.hypot(0.6, 0.3), within(0.08));
        assertThat(g.get(GlanceTrait.OUTSIDE, cell(0.97, 0))).isZero();
        assertThat(g.get(GlanceTrait.OUTSIDE, cell(0, 1.04))).isEqualTo(1);
        assertThat(g.get(GlanceTrait.BRIGHT, cell(0, 0))).isEqualTo(1);
        assertThat(g.get(GlanceTrait.LIGHT, cell(0, 0)) - g.get(GlanceTrait.LIGHT, cell(0, 1.12))).isCloseTo(Math.log((0.5 + 0.01) / (0.05 + 0.01)), within(0.1));
    }

    @Test
    void whatIsDarkerThanTheGlassIsOfTheOtherSign() {
        Glance g = glance(Glass.photo(0.0005, 6, (x, y) -> 0.1 - 0.08 * Glass.disc(x, y, 0.3, 0.2, 0.012)), Lighting.AGAINST);
        // What is of no fault's sign is cut short at four scatters, which is 0.9 here.
        assertThat(g.get(GlanceTrait.FINE_OTHER, cell(0.3, 0.2))).isCloseTo(0.95, within(0.1));
        assertThat(g.get(GlanceTrait.FINE_OTHER, cell(-0.3, 0.2))).isLessThan(0.7);
    }

    @Test
    void bladesAreWhereAnIrisIsClosedDown() {
        Glance g = glance(Glass.photo(0.002, 7, (x, y) -> Math.hypot(x, y) < 0.4 ? 0.5 : 0.02), Lighting.BRIGHT);
        assertThat(g.get(GlanceTrait.BLADES, cell(0.6, 0.3))).isEqualTo(1);
        assertThat(g.get(GlanceTrait.BLADES, cell(0.1, 0.1))).isZero();
    }

    @Test
    void anArcAlongTheRimStandsOutOfItsRing() {
        Glance g = glance(Glass.photo(0.0005, 8, (x, y) -> Math.hypot(x, y) > 0.96 && x > 0.8 ? 0.3 : 0.02), Lighting.AGAINST);
        assertThat(g.get(GlanceTrait.RIM, cell(0.975, 0.01))).isGreaterThan(0.8);
        assertThat(g.get(GlanceTrait.RIM, cell(-0.975, 0.01))).isCloseTo(0, within(0.3));
    }

    /// Every candidate is told what it looks like: chances that add up.
    @Test
    void whatStandsOutIsToldWhatItLooksLike() {
        List<Candidate> found = CandidateFinder.find(Glass.maps(Glass.photo(0.0005, 5, (x, y) -> 0.02 + 0.3 * Glass.line(x, y, -0.3, -0.2, 0.4, 0.1, 0.008)), Lighting.AGAINST), 0.05);
        assertThat(found).isNotEmpty().allSatisfy(c -> assertThat(Arrays.stream(FindingKind.values()).mapToDouble(k -> Math.pow(10, c.features().get(Feature.glance(k)))).sum()).isCloseTo(1, within(2e-3)));
    }
}
