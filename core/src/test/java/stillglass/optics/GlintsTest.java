package stillglass.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class GlintsTest {
    private static final Glints.Stand STAND = new Glints.Stand(400, 20, 500);

    private static double share(LensSection lens, int surface) {
        return Glints.of(lens, STAND).stream().filter(g -> g.surface() == surface).findFirst().orElseThrow().share();
    }

    private static LensSection faced(double first, double second) {
        return Lenses.section("one", 8, List.of(new Surface(first, 4, Lenses.GLASS, 20, false), new Surface(second, 2, new Medium.Air(), 20, false), new Surface(Double.POSITIVE_INFINITY, 40, new Medium.Air(), 8, true)),
                List.of(Lenses.element("E1", 0, 1, 20, "G1", List.of())));
    }

    /// In a plane mirror the lamp stands as far behind as it is in front: seen from 500 mm it crosses the plane at h·D/(D + L).
    @Test
    void aPlaneFaceMirrorsTheLampWhereItIs() {
        assertThat(share(faced(Double.POSITIVE_INFINITY, -60), 0)).isCloseTo(20 * 500.0 / 900 / 20, within(1e-12));
    }

    /// A bulging mirror of radius R has its focus R/2 behind it: 1/b = 1/L + 2/R, the image h·b/L high, seen through the plane at D/(D + b) of that.
    @Test
    void aBulgingFaceMakesItSmallAndUpright() {
        double r = 60;
        double b = 1 / (1.0 / 400 + 2 / r);
        assertThat(share(faced(r, -60), 0)).isCloseTo(20 * b / 400 * 500 / (500 + b) / 20, within(1e-12));
    }

    /// A hollow one turns it over: the image stands in front of it, on the other side.
    @Test
    void aHollowFaceTurnsItOver() {
        double b = 1 / (2.0 / 60 - 1.0 / 400);
        assertThat(share(faced(-60, 60), 0)).isCloseTo(-20 * b / 400 * 500 / (500 - b) / 20, within(1e-12));
    }

    /// The rear of a plate mirrors as if it lay at its thickness over the index: d/n deeper, both ways.
    @Test
    void theRearOfAPlateLiesAtItsReducedDepth() {
        double deeper = 2 * 4 / 1.5;
        double seen = 20.0 * (500 + 4 / 1.5) / (900 + deeper) ;
        double atFront = seen * 500 / (500 + 4 / 1.5);
        assertThat(share(faced(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY), 1)).isCloseTo(atFront / 20, within(1e-9));
    }

    /// Whatever can be kept on a ticket can be traced.
    @Test
    void whatIsKeptCanBeTraced() {
        assertThat(Glints.of(Lenses.triplet(), new Glints.Stand(0.25, 0.25, 0.25))).isNotNull();
        assertThat(Glints.Stand.possible(0.25, 0.25, 0.25)).isTrue();
        assertThat(Glints.Stand.possible(Double.NaN, 1, 1)).isFalse();
        assertThat(Glints.Stand.possible(300, 1e4, 300)).isFalse();
    }

    @Test
    void cementSendsBackLittleAndTheIrisNothing() {
        List<Glints.Glint> all = Glints.of(Lenses.triplet(), new Glints.Stand(300, 20, 250));
        assertThat(all).extracting(Glints.Glint::surface).doesNotContain(Lenses.triplet().stopIndex());
        all.stream().filter(g -> g.surface() == 4).forEach(g -> assertThat(g.light()).isLessThan(0.002));
        assertThat(all.getFirst().light()).isCloseTo(Math.pow(0.62 / 2.62, 2), within(1e-3));
        assertThatThrownBy(() -> new Glints.Stand(300, 0, 250)).hasMessageContaining("off the axis");
    }
}
