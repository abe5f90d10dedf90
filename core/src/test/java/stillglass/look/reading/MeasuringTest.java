package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.look.Lighting;
import stillglass.look.LinearPhoto;
import stillglass.look.kinds.Feature;
import stillglass.look.kinds.Features;
import stillglass.look.kinds.Sight;

/// What stands out of drawn glass, and the measures taken of it, against what was drawn.
class MeasuringTest {
    private static List<Candidate> found(LinearPhoto p, Lighting lighting) {
        return CandidateFinder.find(Glass.maps(p, lighting), 0.05);
    }

    private static Features largest(LinearPhoto p, Lighting lighting, Sight sight) {
        return found(p, lighting).stream().filter(c -> c.sight() == sight).max(Comparator.comparingInt(c -> c.pixels().length)).orElseThrow().features();
    }

    private static double plain(Features f, Feature feature) {
        return Math.pow(10, f.get(feature));
    }

    @Test
    void aStraightLineIsLongSlenderAndStraight() {
        Features f = largest(Glass.photo(0.0005, 1, (x, y) -> 0.02 + 0.3 * Glass.line(x, y, -0.3, -0.2, 0.4, 0.1, 0.008)), Lighting.AGAINST, Sight.FINE);
        double length = Math.hypot(0.7, 0.3);

        assertThat(plain(f, Feature.EXTENT)).isCloseTo(length, within(0.03));
        // A skeleton counts pixels: a slanted line is up to 1/cos 45° longer than its pixels, which 1.1 makes up for on the mean.
        assertThat(plain(f, Feature.LENGTH)).isCloseTo(length, within(0.1));
        assertThat(f.get(Feature.STRAIGHTNESS)).isGreaterThan(0.9);
        assertThat(plain(f, Feature.ELONGATION)).isGreaterThan(15);
        assertThat(f.get(Feature.PARALLEL)).isGreaterThan(0.85);
        // A stair of the slanted skeleton may count as a junction or two; a tree has dozens a radius.
        assertThat(plain(f, Feature.JUNCTIONS) - 1).isLessThan(4);
        assertThat(f.get(Feature.POLARITY)).isCloseTo(1, within(0.01));
    }

    @Test
    void aTreeHasJunctionsAndEnds() {
        LinearPhoto tree = Glass.photo(0.0005, 2, (x, y) -> {
            double v = Glass.line(x, y, 0, -0.4, 0, 0.4, 0.01);
            for (int k = 0; k < 6; k++) {
                double at = -0.3 + 0.11 * k;
                v = Math.max(v, Glass.line(x, y, 0, at, (k % 2 == 0 ? 1 : -1) * 0.25, at + 0.15, 0.01));
            }
            return 0.02 + 0.3 * v;
        });
        Features f = largest(tree, Lighting.AGAINST, Sight.FINE);
        double length = plain(f, Feature.LENGTH);

        // A skeleton loses half a line's width at each of eight ends and six joins, and where branches leave at sharp angles.
        assertThat(length).isCloseTo(0.8 + 6 * Math.hypot(0.25, 0.15), within(0.4));
        assertThat((plain(f, Feature.JUNCTIONS) - 1) * length).as("six drawn, each some skeleton pixels").isBetween(5.0, 40.0);
        assertThat((plain(f, Feature.ENDS) - 1) * length).as("eight drawn, and a few spurs of thick lines").isBetween(6.0, 14.0);
        assertThat(f.get(Feature.SOLIDITY)).isLessThan(0.3);
    }

    @Test
    void aRingIsRoundAndEmptyInTheMiddleADiscIsNot() {
        Features ring = largest(Glass.photo(0.0005, 3, (x, y) -> 0.02 + 0.3 * Glass.ring(x, y, 0.2, 0.1, 0.03, 0.008)), Lighting.AGAINST, Sight.FINE);
        Features disc = largest(Glass.photo(0.0005, 3, (x, y) -> 0.02 + 0.3 * Glass.disc(x, y, 0.2, 0.1, 0.03)), Lighting.AGAINST, Sight.FINE);

        assertThat(ring.get(Feature.ROUNDNESS)).isGreaterThan(0.75);
        assertThat(plain(ring, Feature.HEART)).isLessThan(0.3);
        assertThat(plain(disc, Feature.HEART)).isGreaterThan(0.8);
        assertThat(ring.get(Feature.RADIUS)).isCloseTo(Math.hypot(0.2, 0.1), within(0.01));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.12, 0.2, 0.3})
    void aRegionHasItsAreaAndPlace(double r) {
        Features f = largest(Glass.photo(0.0005, 4, (x, y) -> 0.02 + 0.06 * Glass.disc(x, y, -0.3, 0.3, r)), Lighting.AGAINST, Sight.AREA);

        assertThat(plain(f, Feature.AREA)).isCloseTo(r * r, within(0.25 * r * r));
        assertThat(f.get(Feature.RADIUS)).isCloseTo(Math.hypot(0.3, 0.3), within(0.02));
        assertThat(f.get(Feature.ROUNDNESS)).isGreaterThan(0.8);
    }

    @Test
    void aCrispBorderIsCrisperThanASoftOne() {
        Features crisp = largest(Glass.photo(0.0003, 5, (x, y) -> 0.02 + 0.06 * Glass.disc(x, y, 0, 0.2, 0.25)), Lighting.AGAINST, Sight.AREA);
        Features soft = largest(Glass.photo(0.0003, 5, (x, y) -> 0.02 + 0.06 * Math.exp(-Math.pow(Math.hypot(x, y - 0.2) / 0.2, 2))), Lighting.AGAINST, Sight.AREA);

        assertThat(crisp.get(Feature.CRISP)).isGreaterThan(2 * soft.get(Feature.CRISP));
    }

    @Test
    void anotherTintIsSeenWhereTheLightIsTheSame() {
        LinearPhoto p = Glass.photo(0.002, 6, (x, y) -> 0.6 * (1 + 0.08 * Glass.disc(x, y, 0.3, 0, 0.2)), (x, y) -> 0.6 * (1 - 0.025 * Glass.disc(x, y, 0.3, 0, 0.2)),
                (x, y) -> 0.6 * (1 + 0.01 * Glass.disc(x, y, 0.3, 0, 0.2)));
        Features f = largest(p, Lighting.BRIGHT, Sight.AREA);

        assertThat(f.get(Feature.TINT)).isCloseTo(Math.log(1.08 / 0.975), within(0.035));
        assertThat(f.get(Feature.RADIUS)).isCloseTo(0.3, within(0.03));
    }

    @Test
    void anArcOfTheRimIsFoundWithItsSpan() {
        LinearPhoto p = Glass.photo(0.0005, 7, (x, y) -> {
            double t = Math.toDegrees(Math.atan2(y, x));
            return 0.02 + (Math.hypot(x, y) > 0.97 && t > 20 && t < 80 ? 0.2 : 0);
        });
        Features f = largest(p, Lighting.AGAINST, Sight.RIM);

        assertThat(f.get(Feature.SPAN)).isCloseTo(60, within(4.0));
        assertThat(f.get(Feature.POLARITY)).isGreaterThan(0.8);
        assertThat(found(Glass.photo(0.0005, 7, (x, y) -> 0.02), Lighting.AGAINST)).noneMatch(c -> c.sight() == Sight.RIM);
    }

    /// Rims of inner glasses are taken out, and what crosses them keeps its shape.
    @Test
    void theRimOfAnInnerGlassIsNoFaultAndCutsNone() {
        LinearPhoto p = Glass.photo(0.0005, 8, (x, y) -> 0.02 + 0.08 * Glass.ring(x, y, 0.06, -0.04, 0.7, 0.006) + 0.25 * Glass.line(x, y, 0.4, 0, 0.92, 0.1, 0.01));
        List<Candidate> fine = found(p, Lighting.AGAINST).stream().filter(c -> c.sight() == Sight.FINE).toList();
        Candidate line = fine.stream().max(Comparator.comparingInt(c -> c.pixels().length)).orElseThrow();

        assertThat(plain(line.features(), Feature.EXTENT)).as("the line alone, in one piece").isCloseTo(Math.hypot(0.52, 0.1), within(0.05));
        assertThat(fine.stream().filter(c -> c != line).mapToInt(c -> c.pixels().length).sum()).as("crumbs of the rim").isLessThan(150);
    }

    @Test
    void specksAreCountedWithTheirNeighbours() {
        LinearPhoto p = Glass.photo(0.0005, 9, (x, y) -> {
            double v = 0;
            for (int k = 0; k < 5; k++) {
                v = Math.max(v, Glass.disc(x, y, 0.06 * k, 0.3, 0.006));
            }
            return 0.02 + 0.4 * Math.max(v, Glass.disc(x, y, -0.6, -0.4, 0.006));
        });
        List<Candidate> fine = found(p, Lighting.AGAINST).stream().filter(c -> c.sight() == Sight.FINE).toList();

        assertThat(fine).hasSize(6);
        assertThat(fine).allSatisfy(c -> assertThat(plain(c.features(), Feature.CROWD)).isCloseTo(7, within(1e-6)));
        assertThat(fine).filteredOn(c -> GlassFrame.x(c.pixels()[0]) < -0.5).singleElement()
                .satisfies(c -> assertThat(plain(c.features(), Feature.NEIGHBOURS)).isCloseTo(1, within(1e-6)));
        assertThat(fine).filteredOn(c -> Math.abs(GlassFrame.x(c.pixels()[0]) - 0.12) < 0.03).singleElement()
                .satisfies(c -> assertThat(plain(c.features(), Feature.NEIGHBOURS)).as("two on either side within 0.12").isBetween(3.0, 6.0));
    }

    @Test
    void theWholeGlassIsMeasuredAgainstItsSurroundings() {
        Features f = largest(Glass.photo(0.0005, 10, (x, y) -> 0.10 + 0.06 * (x * x + y * y)), Lighting.AGAINST, Sight.WHOLE);

        // Mean of 0.10 + 0.06 r² over the disc to 0.97 radii.
        assertThat(plain(f, Feature.VEIL)).isCloseTo(0.10 + 0.03 * 0.97 * 0.97, within(0.002));
        assertThat(plain(f, Feature.BOWL)).isGreaterThan(1.3);
        assertThat(plain(f, Feature.AROUND)).isCloseTo(0.128 / 0.05, within(0.05));
    }
}
