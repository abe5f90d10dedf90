package stillglass.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import stillglass.optics.sharpness.SpotSurvey;

/// Lines that bend, by the tracer that shares nothing with the one that is judged.
class DistortionTest {
    private static final LensSection LENS = Lenses.triplet();

    /// Height on the film of the ray that goes through the middle of the iris, found by halving.
    private static double height(double slope) {
        LensSection front = LENS.withSurfaces(LENS.surfaces().subList(0, LENS.stopIndex() + 1), List.of(LENS.elements().getFirst()));
        double low = -30;
        double high = 30;
        for (int i = 0; i < 60; i++) {
            double y = (low + high) / 2;
            boolean above = SecondTracer.trace(front, 587.6, 0, y, 0, slope).y() > 0;
            high = above ? y : high;
            low = above ? low : y;
        }
        SecondTracer.End end = SecondTracer.trace(LENS, 587.6, 0, low, 0, slope);
        return end.y() + LENS.surfaces().getLast().thicknessMm() * end.dy() / end.dz();
    }

    @Test
    void theRayThroughTheMiddleOfTheIrisEndsWhereASecondTracerHasIt() {
        double near = 1e-3;
        List<OptionalDouble> bent = SpotSurvey.of(LENS, LENS).distortionPercent();
        assertThat(bent.getFirst()).as("the axis bends nothing").isEmpty();
        double[] fields = {0, 0.7, 1};
        for (int f = 1; f < fields.length; f++) {
            double slope = fields[f] * LENS.imageCircleMm() / 2 / LENS.nominalFocalLengthMm();
            double percent = 100 * (height(slope) / (height(near) / near * slope) - 1);
            assertThat(bent.get(f).orElseThrow()).as("field %.1f", fields[f]).isCloseTo(percent, within(2e-3)).isNotCloseTo(0, within(0.005));
        }
    }
}
