package stillglass.prove.veil;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.prove.edge.LightPlane;
import stillglass.say.Said;

/// A black patch before a wall lit from one side, seen through a lens that spreads a known share of the light, by a camera with a tone of its own, stored in 8 bits.
class VeilReadingTest {
    private static final int W = 360;
    private static final int H = 240;

    /// @param veil share of the wall's light that lies over the patch
    /// @param exposure stops against one that shows the wall at 0.5
    /// @param power tone of the camera over sRGB
    private static LightPlane photo(double veil, double exposure, double power, double side, long seed) {
        Random random = new Random(seed);
        float[] out = new float[W * H];
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                boolean patch = Math.abs(x - 171) < 17 && Math.abs(y - 122) < 15;
                double wall = 1 + side * (x - 171) / W;
                double light = 0.5 * Math.pow(2, exposure) * ((patch ? 0 : wall) + veil) / (1 + veil);
                light = Math.max(0, light + 0.001 * Math.sqrt(1 + 4 * light) * random.nextGaussian());
                out[y * W + x] = linear(Math.round(255 * srgb(Math.min(1, Math.pow(light, power)))) / 255.0);
            }
        }
        return new LightPlane(W, H, out);
    }

    /// IEC 61966-2-1.
    private static double srgb(double v) {
        return v <= 0.0031308 ? 12.92 * v : 1.055 * Math.pow(v, 1 / 2.4) - 0.055;
    }

    private static float linear(double v) {
        return (float) (v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4));
    }

    private static VeilReading.Taken taken(double veil, double exposure, double power, long seed) {
        return new VeilReading.Taken("at " + exposure, photo(veil, exposure, power, 0.1, seed), OptionalDouble.of(Math.pow(2, exposure)));
    }

    private static VeilReading read(VeilReading.Taken... taken) {
        return ((VeilReading.Answer.Read) VeilReading.of(List.of(taken), VeilReading.Black.UNKNOWN)).reading();
    }

    private static double share(double veil) {
        return veil / (1 + veil);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.006, 0.02, 0.05, 0.12})
    void onePhotoHoldsTheTruthAndTwoNarrowIt(double veil) {
        VeilReading one = read(taken(veil, 0.4, 1, 1));
        VeilReading two = read(taken(veil, 0.4, 1, 1), taken(veil, 3.4, 1, 2));
        assertThat(one.share()).isCloseTo(share(veil), within(2 * one.sigma()));
        assertThat(two.share()).isCloseTo(share(veil), within(2 * two.sigma()));
        assertThat(two.sigma()).isLessThan(0.75 * one.sigma());
        // What is nearly black in the short exposure tells no tone.
        assertThat(two.diagnostics()).extracting(Said::key).contains(veil < 0.02 ? "veil.tone.assumed" : "veil.tone");
        assertThat(two.brightShare()).isBetween(0.9, 1.0);
        assertThat(two.patchShare()).isCloseTo(2 * Math.sqrt(33 * 29 / Math.PI) / H, within(0.01));
    }

    @Test
    void theToneOfACameraIsMeasuredAndUndone() {
        // Read as sRGB this camera would show a third more.
        VeilReading wrong = read(taken(0.05, 0.4, 0.85, 1));
        VeilReading right = read(taken(0.05, 0.4, 0.85, 1), taken(0.05, 3.4, 0.85, 2));
        assertThat(wrong.share()).isGreaterThan(1.3 * share(0.05));
        assertThat(right.share()).isCloseTo(share(0.05), within(0.08 * share(0.05)));
        ToneCurve tone = ToneCurve.of(taken(0.05, 0.4, 0.85, 1).photo(), taken(0.05, 1.4, 0.85, 2).photo(), 2).orElseThrow();
        assertThat(tone.power()).isCloseTo(0.85, within(0.01));
        assertThat(tone.bent()).isFalse();
    }

    @Test
    void exposureChangesNothing() {
        double usual = read(taken(0.04, 0, 1, 3)).share();
        for (double ev : new double[] {-1, 0.5, 0.9}) {
            VeilReading other = read(taken(0.04, ev, 1, 4));
            assertThat(other.share()).as("%.1f EV", ev).isCloseTo(usual, within(0.03 * usual));
        }
    }

    @Test
    void ofAGlassThatWasNotTouchedNoChangeIsTold() {
        int told = 0;
        int within = 0;
        Random random = new Random(11);
        for (int i = 0; i < 120; i++) {
            double veil = 0.01 + 0.08 * random.nextDouble();
            double tone = 1 + 0.05 * random.nextGaussian();
            // Exposures are what cameras write, not quite what they make.
            VeilReading before = read(taken(veil, 0.3 + 0.04 * random.nextGaussian(), tone, 2 * i));
            VeilReading after = read(taken(veil, 0.3 + 0.04 * random.nextGaussian(), tone, 2 * i + 1));
            told += before.to(after, true).telling() ? 1 : 0;
            within += Math.abs(before.share() - share(veil)) < 2 * before.sigma() ? 1 : 0;
        }
        assertThat(told).as("false changes of 120").isLessThanOrEqualTo(10);
        assertThat(within).as("of 120 within two deviations").isGreaterThanOrEqualTo(110);
    }

    @Test
    void aVeilThatWasHalvedIsTold() {
        VeilReading.Change c = read(taken(0.06, 0.3, 1, 1)).to(read(taken(0.03, 0.3, 1, 2)), true);
        assertThat(c.telling()).isTrue();
        assertThat(c.value()).isCloseTo(share(0.03) - share(0.06), within(2 * c.sigma()));
    }

    @Test
    void whatCannotBeReadIsSaid() {
        assertThat(refusal(new VeilReading.Taken("white", photo(0.02, 2, 1, 0, 1), OptionalDouble.empty()))).isEqualTo("veil.white");
        float[] grey = new float[W * H];
        Arrays.fill(grey, 0.4f);
        assertThat(refusal(new VeilReading.Taken("grey", new LightPlane(W, H, grey), OptionalDouble.empty()))).isEqualTo("veil.no-patch");
        assertThat(refusal(new VeilReading.Taken("a", photo(0.02, 0, 1, 0, 1), OptionalDouble.empty()), taken(0.02, 3, 1, 2))).isEqualTo("veil.no-exposure");
        VeilReading lost = read(new VeilReading.Taken("dark", photo(0.0003, -2, 1, 0, 1), OptionalDouble.empty()));
        assertThat(lost.atMost()).isTrue();
        assertThat(lost.diagnostics()).extracting(Said::key).contains("veil.lost");
    }

    private static String refusal(VeilReading.Taken... taken) {
        return ((VeilReading.Answer.Refused) VeilReading.of(List.of(taken), VeilReading.Black.UNKNOWN)).why().key();
    }
}
