package stillglass.look.reading;

import static org.assertj.core.api.Assertions.assertThat;

import boofcv.alg.filter.binary.BinaryImageOps;
import boofcv.struct.image.GrayU8;
import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// Regions made wider and narrower, against as many dilations and erosions pixel by pixel.
class MorphologyTest {
    private static final int SIDE = GlassFrame.SIDE;

    /// Discs and specks, some of them cut by the border of the frame.
    private static GrayU8 regions(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        GrayU8 out = new GrayU8(SIDE, SIDE);
        for (int n = 0; n < 40; n++) {
            int cx = random.nextInt(SIDE);
            int cy = n % 3 == 0 ? random.nextInt(4) : random.nextInt(SIDE);
            int r = random.nextInt(n % 2 == 0 ? 3 : 60);
            for (int at = 0; at < out.data.length; at++) {
                if (Math.hypot(at % SIDE - cx, at / SIDE - cy) <= r) {
                    out.data[at] = 1;
                }
            }
        }
        return out;
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 6, 17})
    void widerAndNarrowerAreManySmallSteps(int by) {
        GrayU8 in = regions(by);
        assertThat(Arrays.equals(Morphology.wider(in, by).data, BinaryImageOps.dilate8(in, by, null).data)).as("wider").isTrue();
        assertThat(Arrays.equals(Morphology.narrower(in, by).data, BinaryImageOps.erode8(in, by, null).data)).as("narrower").isTrue();
    }
}
