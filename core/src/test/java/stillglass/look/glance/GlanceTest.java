package stillglass.look.glance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class GlanceTest {
    private static final int COS = GlanceTrait.LINE_COS.ordinal();
    private static final int SIN = GlanceTrait.LINE_SIN.ordinal();

    @Test
    void valuesAreKeptToATwentieth() {
        Glance g = new Glance();
        g.set(GlanceTrait.AREA, 77, -1.23);
        g.set(GlanceTrait.AREA, 78, 99);
        g.set(GlanceTrait.AREA, 79, Double.NaN);
        assertThat(g.get(GlanceTrait.AREA.ordinal(), 77)).isCloseTo(-1.23f, within(0.026f));
        assertThat(g.get(GlanceTrait.AREA.ordinal(), 78)).isCloseTo(6.35f, within(1e-6f));
        assertThat(g.get(GlanceTrait.AREA.ordinal(), 79)).isZero();
        assertThat(g.get(GlanceTrait.RED.ordinal(), 77)).isZero();
    }

    @Test
    void partsLieWhereTheirPlacesAre() {
        int middle = Glance.PARTS / 2;
        assertThat(Glance.part(0.001, -0.001)).isEqualTo(middle * Glance.PARTS + middle);
        assertThat(Glance.part(-2, 2)).isZero();
        assertThat(Glance.part(2, -2)).isEqualTo(Glance.PARTS * Glance.PARTS - 1);
        // From the middle to a side are 34 parts, and 17/15 of a radius: a radius is 30 parts.
        assertThat(Glance.part(0.99, 0.001) % Glance.PARTS).isEqualTo(middle + 29);
        assertThat(Glance.part(0.001, 0.51) / Glance.PARTS).isEqualTo(middle - 16);
    }

    /// A line across the glass, its places and its direction turned by hand.
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3, 4, 5, 6, 7})
    void whatIsTurnedLiesAndRunsTheOtherWay(int way) {
        double angle = 0.4;
        int x = 31;
        int y = 90;
        Glance g = new Glance();
        g.set(GlanceTrait.LINE_COS, y * Glance.SIDE + x, 3 * Math.cos(2 * angle));
        g.set(GlanceTrait.LINE_SIN, y * Glance.SIDE + x, 3 * Math.sin(2 * angle));
        double[] place = {x - (Glance.SIDE - 1) / 2.0, (Glance.SIDE - 1) / 2.0 - y};
        double[] along = {Math.cos(angle), Math.sin(angle)};
        for (double[] v : new double[][] {place, along}) {
            v[0] = (way & 1) != 0 ? -v[0] : v[0];
            v[1] = (way & 2) != 0 ? -v[1] : v[1];
            if ((way & 4) != 0) {
                double old = v[0];
                v[0] = -v[1];
                v[1] = -old;
            }
        }
        int at = (int) Math.round((Glance.SIDE - 1) / 2.0 - place[1]) * Glance.SIDE + (int) Math.round(place[0] + (Glance.SIDE - 1) / 2.0);
        double turned = Math.atan2(along[1], along[0]);
        Glance out = g.turned(way);
        assertThat(out.get(COS, at)).isCloseTo((float) (3 * Math.cos(2 * turned)), within(0.03f));
        assertThat(out.get(SIN, at)).isCloseTo((float) (3 * Math.sin(2 * turned)), within(0.03f));
        assertThat(IntStream.range(0, Glance.SIDE * Glance.SIDE).filter(i -> out.get(COS, i) != 0).count()).isEqualTo(1);
    }
}
