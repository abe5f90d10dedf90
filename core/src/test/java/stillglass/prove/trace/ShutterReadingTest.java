package stillglass.prove.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.say.Said;

/// Openings drawn from formulas that the reading knows nothing of; their exposures are integrals done by hand.
class ShutterReadingTest {
    private static final int RATE = 48_000;
    private static final double LIGHT = 0.4;
    /// Rise of light that grows as the integral of a bell: half a flank each side of its middle, so that the exposure is the time between the middles.
    private static final DoubleUnaryOperator BELL = u -> u <= 0 ? 0 : u >= 1 ? 1 : u * u * u * (10 - 15 * u + 6 * u * u);

    private static ShutterReading leaf(Recording r) {
        return ShutterReading.of(List.of(r), ShutterReading.Kind.LEAF, List.of()).orElseThrow();
    }

    private static float[] light(int rate, double seconds, DoubleUnaryOperator at) {
        int fine = 8;
        float[] out = new float[(int) (seconds * rate)];
        for (int i = 0; i < out.length; i++) {
            double sum = 0;
            for (int k = 0; k < fine; k++) {
                sum += at.applyAsDouble((i + (k + 0.5) / fine) / rate);
            }
            out[i] = (float) (LIGHT * sum / fine);
        }
        return out;
    }

    private static DoubleUnaryOperator shot(double begin, double exposure, double flank) {
        return t -> Math.min(BELL.applyAsDouble((t - begin) / flank), BELL.applyAsDouble((begin + exposure + flank - t) / flank));
    }

    private static float[] noisy(float[] x, double db, long seed) {
        Random random = new Random(seed);
        double sigma = LIGHT * Math.pow(10, -db / 20);
        for (int i = 0; i < x.length; i++) {
            x[i] += (float) (sigma * random.nextGaussian());
        }
        return x;
    }

    private static Recording recorded(float[]... x) {
        return Recording.of("trace.wav", RATE, 1, x);
    }

    private static List<String> keys(ShutterReading r) {
        return r.diagnostics().stream().map(Said::key).toList();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 4, 15, 60, 125, 250, 500})
    void withinOnePercentAtTwentyDecibels(int denominator) {
        double exposure = 1.0 / denominator;
        List<Recording> shots = IntStream.range(0, 12).mapToObj(i -> recorded(noisy(light(RATE, exposure + 0.3, shot(0.15 + i * 3.1e-6, exposure, Math.min(0.001, 0.4 * exposure))), 20, 100L * denominator + i))).toList();
        ShutterReading r = ShutterReading.of(shots, ShutterReading.Kind.LEAF, List.of()).orElseThrow();
        assertThat(r.shots()).hasSize(12);
        assertThat(r.effectiveS() / exposure).isCloseTo(1, within(0.01));
        assertThat(r.evError(exposure)).isCloseTo(0, within(0.015));
    }

    @Test
    void theStatedErrorCovers() {
        Random random = new Random(77);
        int inside = 0;
        int all = 0;
        for (double db : new double[] {20, 26, 34}) {
            for (int i = 0; i < 80; i++) {
                double exposure = Math.pow(2, -random.nextDouble(3, 10));
                double flank = Math.min(random.nextDouble(0.0006, 0.0015), 0.8 * exposure);
                Pulse p = leaf(recorded(noisy(light(RATE, exposure + 0.25, shot(0.1 + random.nextDouble(0.001), exposure, flank)), db, random.nextLong()))).shots().getFirst().pulses().getFirst().orElseThrow();
                inside += Math.abs(p.effectiveS() - exposure) < 2 * p.sigmaS() ? 1 : 0;
                all++;
            }
        }
        assertThat(100.0 * inside / all).as("percent within two standard deviations").isBetween(91.0, 99.5);
    }

    @Test
    void noFigureDependsOnLevelRateOrOffset() {
        double exposure = 1 / 60.0;
        DoubleUnaryOperator shot = shot(0.12, exposure, 0.0012);
        for (int rate : new int[] {8000, 22_050, 48_000, 96_000, 192_000}) {
            for (float level : new float[] {0.01f, 1, 40}) {
                float[] x = noisy(light(rate, 0.3, shot), 45, rate);
                for (int i = 0; i < x.length; i++) {
                    x[i] = level * (x[i] - 0.3f);
                }
                ShutterReading r = leaf(Recording.of("x", rate, Double.POSITIVE_INFINITY, x));
                assertThat(r.effectiveS()).as("%d Hz at %f", rate, level).isCloseTo(exposure, within(0.002 * exposure));
            }
        }
    }

    @Test
    void humDriftAndATurnedSensorAreTakenAway() {
        double exposure = 1 / 60.0;
        float[] x = noisy(light(RATE, 2, shot(0.9, exposure, 0.001)), 32, 4);
        for (int i = 0; i < x.length; i++) {
            double t = (double) i / RATE;
            x[i] = (float) (0.2 - x[i] + 0.08 * Math.sin(2 * Math.PI * 49.97 * t) + 0.02 * Math.cos(2 * Math.PI * 150 * t) + 0.05 * t);
        }
        ShutterReading r = leaf(recorded(x));
        assertThat(r.effectiveS()).isCloseTo(exposure, within(0.01 * exposure));
        assertThat(keys(r)).contains("shutter.hum", "shutter.inverted");
    }

    @Test
    void aFlickeringLampIsDividedOutWhereItShowsAndSaidWhereItDoesNot() {
        DoubleUnaryOperator lamp = t -> 1 + 0.2 * Math.cos(2 * Math.PI * 100 * t + 1);
        DoubleUnaryOperator slow = shot(0.2, 0.125, 0.001);
        ShutterReading r = leaf(recorded(noisy(light(RATE, 0.6, t -> slow.applyAsDouble(t) * lamp.applyAsDouble(t)), 36, 5)));
        assertThat(r.effectiveS()).isCloseTo(0.125, within(0.0004));
        assertThat(keys(r)).contains("shutter.flicker");
        DoubleUnaryOperator fast = t -> Math.max(shot(0.2, 0.004, 0.0008).applyAsDouble(t), Math.max(shot(0.6037, 0.004, 0.0008).applyAsDouble(t), shot(1.0011, 0.004, 0.0008).applyAsDouble(t)));
        assertThat(keys(leaf(recorded(noisy(light(RATE, 1.4, t -> fast.applyAsDouble(t) * lamp.applyAsDouble(t)), 36, 6))))).contains("shutter.lamp");
        DoubleUnaryOperator dark = t -> Math.cos(2 * Math.PI * 100 * t + 1) > 0 ? 1 : 0;
        ShutterReading waves = leaf(recorded(noisy(light(RATE, 0.6, t -> slow.applyAsDouble(t) * dark.applyAsDouble(t)), 36, 7)));
        assertThat(waves.shots()).hasSize(1);
        assertThat(Math.abs(waves.effectiveS() - 0.125)).isLessThan(2.5 * waves.sigmaS());
        assertThat(keys(waves)).contains("shutter.waves");
    }

    @ParameterizedTest
    @ValueSource(doubles = {1 / 60.0, 0.5})
    void anInputThatPassesNoConstantLightIsRestored(double exposure) {
        float[] x = light(RATE, exposure + 1.2, shot(0.3, exposure, 0.0012));
        double keep = Math.exp(-1 / (0.05 * RATE));
        double out = 0;
        double before = 0;
        for (int i = 0; i < x.length; i++) {
            out = keep * (out + x[i] - before);
            before = x[i];
            x[i] = (float) out;
        }
        ShutterReading r = leaf(recorded(noisy(x, 40, 8)));
        assertThat(r.effectiveS()).isCloseTo(exposure, within(0.003 * exposure));
        assertThat(keys(r)).contains("shutter.restored");
    }

    @Test
    void aReboundIsLeftOutAndTwoShotsThatTouchAreTwo() {
        DoubleUnaryOperator rebound = t -> shot(0.2, 0.008, 0.001).applyAsDouble(t) + 0.4 * shot(0.2136, 0.0008, 0.0006).applyAsDouble(t);
        ShutterReading bounced = leaf(recorded(noisy(light(RATE, 0.5, rebound), 34, 9)));
        assertThat(bounced.shots()).singleElement().satisfies(s -> assertThat(s.bounced()).isTrue());
        assertThat(bounced.effectiveS()).isCloseTo(0.008, within(0.00006));
        assertThat(bounced.shots().getFirst().pulses().getFirst().orElseThrow().reboundS()).isCloseTo(0.4 * 0.0008, within(0.00012));
        DoubleUnaryOperator touching = t -> Math.max(shot(0.2, 0.008, 0.001).applyAsDouble(t), shot(0.2102, 0.008, 0.001).applyAsDouble(t));
        ShutterReading two = leaf(recorded(noisy(light(RATE, 0.5, touching), 34, 10)));
        assertThat(two.shots()).hasSize(2).allSatisfy(s -> {
            assertThat(s.effectiveS()).isCloseTo(0.008, within(0.0001));
            assertThat(s.bounced()).isFalse();
        });
    }

    @Test
    void clippedLightIsKnownLessWell() {
        float[] whole = light(RATE, 0.4, shot(0.2, 0.004, 0.0015));
        float[] cut = whole.clone();
        for (int i = 0; i < cut.length; i++) {
            cut[i] = Math.min(1, cut[i] * 4);
        }
        ShutterReading r = leaf(recorded(cut));
        assertThat(keys(r)).contains("shutter.clipped");
        assertThat(Math.abs(r.effectiveS() - 0.004)).isLessThan(2 * r.sigmaS());
        assertThat(r.sigmaS()).isGreaterThan(10 * leaf(recorded(noisy(whole, 50, 1))).sigmaS());
    }

    /// Two sensors under a slit: each is lit from the passing of the first curtain to that of the second.
    private static Recording slit(double travelS, double exposureS, double laterEv, double sensorS, double db, boolean swapped) {
        List<float[]> channels = new ArrayList<>();
        for (int k = 0; k < 2; k++) {
            double open = 0.3 + (k == 0 ? 0 : travelS);
            double e = exposureS * (k == 0 ? 1 : Math.pow(2, laterEv));
            channels.add(noisy(light(RATE, 0.8, t -> Math.clamp((t - open) / sensorS + 0.5, 0, 1) - Math.clamp((t - open - e) / sensorS + 0.5, 0, 1)), db, 20 + k));
        }
        return recorded(swapped ? channels.reversed().toArray(float[][]::new) : channels.toArray(float[][]::new));
    }

    @Test
    void travelAndEvennessAlongTheCurtains() {
        for (boolean swapped : new boolean[] {false, true}) {
            ShutterReading r = ShutterReading.of(List.of(slit(0.0096, 0.001, -0.3, 0.0002, 26, swapped)), ShutterReading.Kind.FOCAL_PLANE, List.of(0.1, 0.9)).orElseThrow();
            assertThat(r.travelS().orElseThrow()).isCloseTo(0.0096, within(0.00005));
            assertThat(r.evennessEv().orElseThrow()).isCloseTo(-0.3, within(0.05));
            assertThat(r.shots().getFirst().pulses().get(swapped ? 1 : 0).orElseThrow().effectiveS()).isCloseTo(0.001, within(0.00003));
            assertThat(keys(r)).contains("shutter.tapers");
            assertThat(keys(r).contains("shutter.swapped")).isEqualTo(swapped);
        }
    }

    @Test
    void aSlitNarrowerThanTheSensorIsTakenAgainstTheLightOfSlowerShots() {
        float[] slow = light(RATE, 0.5, t -> Math.clamp((t - 0.2) / 0.0008 + 0.5, 0, 1) - Math.clamp((t - 0.21) / 0.0008 + 0.5, 0, 1));
        float[] fast = light(RATE, 0.5, t -> Math.clamp((t - 0.2) / 0.0008 + 0.5, 0, 1) - Math.clamp((t - 0.2005) / 0.0008 + 0.5, 0, 1));
        float[] both = new float[slow.length + fast.length];
        System.arraycopy(slow, 0, both, 0, slow.length);
        System.arraycopy(fast, 0, both, slow.length, fast.length);
        ShutterReading r = ShutterReading.of(List.of(recorded(noisy(both, 34, 3))), ShutterReading.Kind.FOCAL_PLANE, List.of()).orElseThrow();
        assertThat(r.shots().get(1).effectiveS()).isCloseTo(0.0005, within(0.000015));
        assertThat(keys(r)).contains("shutter.narrow");
    }

    private static float[][] channels(Recording r) {
        float[][] out = new float[r.channels()][];
        r.play(0, r.frames(), (block, n) -> {
            for (int c = 0; c < out.length; c++) {
                out[c] = block[c].clone();
            }
        });
        return out;
    }

    private static ShutterReading alongTheGate(Recording... all) {
        return ShutterReading.of(List.of(all), ShutterReading.Kind.FOCAL_PLANE, List.of(0.1, 0.9)).orElseThrow();
    }

    @Test
    void aSensorThatSeesNothingIsSaid() {
        Recording whole = slit(0.0096, 0.001, 0, 0.0002, 26, false);
        Recording half = recorded(channels(whole)[0], noisy(new float[(int) whole.frames()], 26, 31));
        ShutterReading never = alongTheGate(half);
        assertThat(keys(never)).contains("shutter.silent").doesNotContain("shutter.capped");
        assertThat(never.evennessEv()).isEmpty();
        assertThat(keys(alongTheGate(whole, half))).as("a sensor that sees some shots").contains("shutter.capped").doesNotContain("shutter.silent");
    }

    /// A recorder that writes one plug to both sides.
    @Test
    void oneSensorOnTwoChannelsTellsNoEvenness() {
        Recording r = slit(0.0096, 0.004, 0, 0.0002, 30, false);
        float[] one = channels(r)[0];
        ShutterReading read = alongTheGate(recorded(one, one.clone()));
        assertThat(keys(read)).contains("shutter.one-place");
        assertThat(read.evennessEv()).isEmpty();
        assertThat(read.travelS()).isEmpty();
        assertThat(read.effectiveS()).isCloseTo(0.004, within(0.00004));
    }

    @Test
    void inTheDarkThereIsNoShot() {
        assertThat(ShutterReading.of(List.of(recorded(noisy(new float[20 * RATE], 20, 11))), ShutterReading.Kind.LEAF, List.of())).isEmpty();
        assertThat(ShutterReading.of(List.of(recorded(new float[RATE])), ShutterReading.Kind.LEAF, List.of())).isEmpty();
        assertThat(ShutterReading.of(List.of(recorded(new float[3])), ShutterReading.Kind.LEAF, List.of())).isEmpty();
    }

    @Test
    void shotsThatScatterMoreThanMeasuringExplainsAreSaid() {
        List<Recording> shots = IntStream.range(0, 5).mapToObj(i -> recorded(noisy(light(RATE, 0.5, shot(0.2, 0.03 * (1 + 0.1 * (i % 3)), 0.001)), 34, i))).toList();
        ShutterReading r = ShutterReading.of(shots, ShutterReading.Kind.LEAF, List.of()).orElseThrow();
        assertThat(keys(r)).contains("shutter.unsteady");
        assertThat(r.spreadS().orElseThrow()).isCloseTo(0.0025, within(0.0003));
    }

    @Test
    void speedsAreReadAsTheyStandOnAShutter() {
        assertThat(Speed.parse("1/125").orElseThrow()).isEqualTo(0.008);
        assertThat(Speed.parse(" 0.5 s").orElseThrow()).isEqualTo(0.5);
        assertThat(Speed.parse("2").orElseThrow()).isEqualTo(2);
        assertThat(List.of("B", "", "-1", "1/0", "0", "1/1000000", "nan", "5000", "s")).allMatch(s -> Speed.parse(s).isEmpty());
        assertThat(Speed.text(0.008)).isEqualTo("1/125 s");
        assertThat(Speed.text(0.5)).isEqualTo("0.5 s");
        assertThat(Speed.millis(0.0012344)).isEqualTo("1.234");
    }
}
