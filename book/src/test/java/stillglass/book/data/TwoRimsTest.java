package stillglass.book.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.optics.Footprints;
import stillglass.optics.LensSection;
import stillglass.optics.Paraxial;
import stillglass.optics.measured.TwoPlane;

/// The stand-in of a closed lens beside rays traced through the whole of it, from the figures a technician would read off its outside.
class TwoRimsTest {
    private static final int AT_F8 = 8;
    private static final int POINTS = Footprints.CORNERS;

    @ParameterizedTest
    @ValueSource(strings = {"fell_52_f2", "rill_57_f14", "tarn_50_f35", "moraine_31_f35", "hawthorn_105_f28", "sedge_75_f45"})
    void beamsCrossTheOuterGlassesWhereTheyDoInTheWholeLens(String id) {
        LensSection lens = new Shelf().section(id);
        Paraxial p = Paraxial.of(lens);
        LensSection rims = TwoPlane.of(id, p.eflMm(), lens.fNumber(), lens.imageCircleMm(), new TwoPlane.Outside(2 * lens.surfaces().getFirst().semiDiameterMm(), p.entrancePupil().positionMm(),
                2 * lens.surfaces().getLast().semiDiameterMm(), p.bfdMm(), lens.lengthMm(), OptionalDouble.of(p.apparentFromRear(lens.stopIndex()).depthMm())));
        for (double slope : new double[] {0, 0.12}) {
            same(id + " front at " + slope, print(lens, 0, slope), print(rims, 0, slope));
            same(id + " rear at " + slope, print(lens, lens.surfaces().size() - 1, slope), print(rims, rims.surfaces().size() - 1, slope));
        }
    }

    /// Middle and width of the beam at f/8.
    private static double[] print(LensSection lens, int surface, double slope) {
        Footprints prints = Footprints.of(lens, () -> {});
        int stop = prints.stops().indexOf((double) AT_F8);
        double[] p = new double[2 * POINTS];
        assertThat(prints.outline(surface, stop, 0, slope, p)).isTrue();
        double sum = 0;
        double low = Double.MAX_VALUE;
        double high = -Double.MAX_VALUE;
        for (int i = 0; i < POINTS; i++) {
            double y = p[2 * i + 1];
            sum += y / POINTS;
            low = Math.min(low, y);
            high = Math.max(high, y);
        }
        return new double[] {sum, high - low};
    }

    private static void same(String what, double[] whole, double[] rims) {
        assertThat(rims[0]).as("%s: middle", what).isCloseTo(whole[0], within(0.03 * whole[1]));
        assertThat(rims[1]).as("%s: width", what).isCloseTo(whole[1], within(0.1 * whole[1]));
    }
}
