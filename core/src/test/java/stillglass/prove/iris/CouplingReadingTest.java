package stillglass.prove.iris;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import stillglass.prove.edge.LightPlane;

/// The rear of a lens drawn: a round opening, a mount with screws that stay, a lever that turns.
class CouplingReadingTest {
    private static final int SIZE = 440;
    private static final double CX = 221.4;
    private static final double CY = 216.8;

    /// @param leverDeg clockwise from the top; NaN for none
    private static IrisReading.Taken photo(double fNumber, double radius, double leverDeg, long seed) {
        Random random = new Random(seed);
        float[] light = new float[SIZE * SIZE];
        for (int y = 0; y < SIZE; y++) {
            for (int x = 0; x < SIZE; x++) {
                double r = Math.hypot(x - CX, y - CY);
                double a = Math.toDegrees(Math.atan2(x - CX, CY - y));
                double v = 0.12 + 0.05 * Math.sin(r / 4) + 0.02 * Math.cos(Math.toRadians(a));
                for (int s = 0; s < 5; s++) {
                    double sx = CX + 175 * Math.sin(Math.toRadians(20 + 72 * s));
                    double sy = CY - 175 * Math.cos(Math.toRadians(20 + 72 * s));
                    v = Math.hypot(x - sx, y - sy) < 11 ? 0.3 : v;
                }
                double off = Math.IEEEremainder(a - leverDeg, 360);
                double across = Math.toRadians(off) * r;
                if (r > 120 && r < 160 && Math.abs(across) < 9) {
                    v = across > 3 ? 0.42 : 0.3;
                }
                v = v * (1 - in(r, radius)) + 0.75 * in(r, radius);
                light[y * SIZE + x] = (float) (v + 0.006 * random.nextGaussian());
            }
        }
        return new IrisReading.Taken("f/" + fNumber, fNumber, new LightPlane(SIZE, SIZE, light));
    }

    private static double in(double r, double radius) {
        return Math.clamp(radius - r + 0.5, 0, 1);
    }

    @ParameterizedTest
    @CsvSource({"10,41.3", "-20,-33.7", "170,12.4", "90,-71"})
    void theLeverIsFollowedAndTheOpeningJudged(double from, double turn) {
        CouplingReading r = CouplingReading.of(photo(2.8, 96, from, 1), photo(5.6, 48, from + turn, 2)).orElseThrow();
        assertThat(r.leverDeg().orElseThrow()).isCloseTo(turn, within(Math.max(0.25, 2 * r.leverSigmaDeg())));
        assertThat(r.evChange()).isCloseTo(-2, within(0.02));
        assertThat(r.errorEv()).isCloseTo(0, within(0.02));
        assertThat(r.meets()).isEqualTo(CouplingReading.Meets.MEETS);
    }

    @Test
    void forkAndPinThatMissedEachOtherAndThoseAToothOff() {
        assertThat(CouplingReading.of(photo(2.8, 96, 10, 1), photo(5.6, 96, 40, 2)).orElseThrow().meets()).isEqualTo(CouplingReading.Meets.APART);
        CouplingReading off = CouplingReading.of(photo(2.8, 96, 10, 1), photo(5.6, 60, 40, 2)).orElseThrow();
        assertThat(off.meets()).isEqualTo(CouplingReading.Meets.OFF);
        assertThat(off.errorEv()).isCloseTo(2 + 2 * Math.log(60 / 96.0) / Math.log(2), within(0.03));
        assertThat(CouplingReading.of(photo(2.8, 96, 10, 1), photo(5.6, 48, 10, 2)).orElseThrow().meets()).isEqualTo(CouplingReading.Meets.NO_LEVER);
        assertThat(CouplingReading.of(photo(2.8, 96, 10, 1), photo(5.6, 96, 10, 2)).orElseThrow().meets()).isEqualTo(CouplingReading.Meets.STILL);
    }
}
