package stillglass.prove.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// Clicks as ringing metal gives them: noise and two tones that die away.
class SoundReadingTest {
    private static final int RATE = 44_100;

    private static void click(float[] x, double atS, double size, double dieS, Random random) {
        for (int i = (int) (atS * RATE); i < x.length && i < (atS + 8 * dieS) * RATE; i++) {
            double t = (double) i / RATE - atS;
            x[i] += (float) (size * Math.exp(-t / dieS) * (0.5 * random.nextGaussian() + Math.sin(2 * Math.PI * 4300 * t) + 0.6 * Math.sin(2 * Math.PI * 7100 * t)));
        }
    }

    private static Recording sound(double exposure, double dieS, long seed) {
        Random random = new Random(seed);
        float[] x = new float[(int) ((exposure + 1) * 2 * RATE)];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.002 * random.nextGaussian() + 0.1 * Math.sin(2 * Math.PI * 50 * i / RATE));
        }
        for (double begin : new double[] {0.3, 1.2 + exposure}) {
            click(x, begin, 0.3, dieS, random);
            // The escapement buzzes between them.
            for (double t = begin + 0.2 * exposure; t < begin + 0.8 * exposure; t += 0.011) {
                click(x, t, 0.02, 0.001, random);
            }
            click(x, begin + exposure, 0.35, dieS, random);
        }
        return Recording.of("sound.wav", RATE, 1, x);
    }

    @ParameterizedTest
    @ValueSource(doubles = {1, 0.5, 0.27, 0.12, 0.06})
    void slowSpeedsAreHeard(double exposure) {
        SoundReading r = SoundReading.of(List.of(sound(exposure, 0.003, 3)), exposure * 1.2);
        assertThat(r.resolved()).isTrue();
        assertThat(r.shots()).hasSize(2);
        assertThat(r.effectiveS()).isCloseTo(exposure, within(0.001));
        assertThat(r.sigmaS()).isGreaterThan(0.0014);
    }

    @Test
    void fastOnesAreRefusedAndSaidWhatWouldDo() {
        SoundReading r = SoundReading.of(List.of(sound(0.004, 0.003, 4)), 1 / 250.0);
        assertThat(r.resolved()).isFalse();
        assertThat(r.diagnostics()).extracting(s -> s.key()).contains("sound.too-fast", "sound.instead");
    }

    @Test
    void aClickThatRingsOverTheNextIsRefused() {
        assertThat(SoundReading.of(List.of(sound(0.03, 0.06, 5)), 1 / 30.0).resolved()).isFalse();
    }

    @Test
    void silenceHasNoClicks() {
        SoundReading r = SoundReading.of(List.of(Recording.of("quiet.wav", RATE, 1, new float[RATE])), 0.5);
        assertThat(r.resolved()).isFalse();
        assertThat(r.diagnostics().getFirst().key()).isEqualTo("sound.no-pair");
    }
}
