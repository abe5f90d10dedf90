package stillglass.grade;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.operation.union.UnaryUnionOp;

class CoverTest {
    private static final GeometryFactory GEOMETRY = new GeometryFactory();
    private static final int CORNERS = 40;

    private static double[] circle(double x, double y, double radius) {
        double[] p = new double[2 * CORNERS];
        for (int a = 0; a < CORNERS; a++) {
            p[2 * a] = x + radius * Math.cos(2 * Math.PI * (a + 0.5) / CORNERS);
            p[2 * a + 1] = y + radius * Math.sin(2 * Math.PI * (a + 0.5) / CORNERS);
        }
        return p;
    }

    private static Geometry polygon(double[] p) {
        Coordinate[] ring = new Coordinate[CORNERS + 1];
        for (int a = 0; a <= CORNERS; a++) {
            ring[a] = new Coordinate(p[2 * (a % CORNERS)], p[2 * (a % CORNERS) + 1]);
        }
        return GEOMETRY.createPolygon(ring);
    }

    /// A ragged star, as an outline of a colony is.
    private static Geometry star(SplittableRandom random, double x, double y, double size) {
        int points = 60;
        Coordinate[] ring = new Coordinate[points + 1];
        for (int i = 0; i < points; i++) {
            double r = size * (0.35 + 0.65 * random.nextDouble());
            ring[i] = new Coordinate(x + r * Math.cos(2 * Math.PI * i / points), y + r * Math.sin(2 * Math.PI * i / points));
        }
        ring[points] = ring[0];
        return GEOMETRY.createPolygon(ring).buffer(0);
    }

    /// The second method is the geometry library's intersection of polygons.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void agreesWithIntersectingPolygonsWithinOnePercentOfTheBeam(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Geometry> colony = new ArrayList<>();
        for (int i = 0; i < 7; i++) {
            colony.add(star(random, 6 * random.nextDouble(), 6 * random.nextDouble(), 0.5 + 2 * random.nextDouble()));
        }
        Cover cover = Cover.of(colony);
        Geometry union = UnaryUnionOp.union(colony);
        for (int i = 0; i < 25; i++) {
            double[] beam = circle(8 * random.nextDouble() - 1, 8 * random.nextDouble() - 1, 0.8 + 6 * random.nextDouble());
            Geometry exact = polygon(beam);

            assertThat(cover.areaWithin(beam, CORNERS, new Cover.Rows())).as("seed %d, beam %d", seed, i)
                    .isCloseTo(exact.intersection(union).getArea(), within(0.01 * exact.getArea()));
        }
    }

    @Test
    void aHoleInAPatchLetsLightThrough() {
        Geometry ring = Patch.disc(0, 0, 3).difference(Patch.disc(0, 0, 1));

        assertThat(Cover.of(List.of(ring)).areaWithin(circle(0, 0, 0.9), CORNERS, new Cover.Rows())).isZero();
        assertThat(Cover.of(List.of(ring)).areaWithin(circle(0, 0, 4), CORNERS, new Cover.Rows())).isCloseTo(Math.PI * 8, within(0.1));
    }

    @Test
    void nothingCoversNothing() {
        assertThat(Cover.of(List.of()).areaWithin(circle(0, 0, 1), CORNERS, new Cover.Rows())).isZero();
        assertThat(Cover.of(List.of(Patch.disc(0, 0, 1))).areaWithin(circle(5, 5, 1), CORNERS, new Cover.Rows())).isZero();
    }
}
