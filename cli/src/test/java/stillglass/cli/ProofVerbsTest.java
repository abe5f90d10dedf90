package stillglass.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static stillglass.cli.Ran.run;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/// The verbs that measure, on files written here.
class ProofVerbsTest {
    private static final int RATE = 48_000;

    @TempDir
    Path folder;

    /// Straight flanks of half a millisecond, sensors one behind the other.
    private Path wav(String name, double exposureS, double laterS, int channels) throws IOException {
        byte[] bytes = new byte[RATE * channels * 2];
        Random random = new Random(3);
        for (int i = 0; i < RATE; i++) {
            for (int c = 0; c < channels; c++) {
                double t = (double) i / RATE - 0.4 - c * laterS;
                double v = 0.5 * Math.min(Math.clamp(t / 0.0005 + 0.5, 0, 1), Math.clamp((exposureS - t) / 0.0005 + 0.5, 0, 1)) + 0.005 * random.nextGaussian();
                short s = (short) Math.round(32_767 * v);
                bytes[2 * (i * channels + c)] = (byte) s;
                bytes[2 * (i * channels + c) + 1] = (byte) (s >> 8);
            }
        }
        Path file = folder.resolve(name);
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(bytes), new AudioFormat(RATE, 16, channels, true, false), RATE), AudioFileFormat.Type.WAVE, file.toFile());
        return file;
    }

    @Test
    void shutterSaysWhatTheContractAsksFor() throws IOException {
        JsonNode j = run("shutter", wav("a.wav", 0.0085, 0, 1), "--nominal", "1/125", "--json").json();
        assertThat(j.get("effective_s").asDouble()).isCloseTo(0.0085, within(0.00003));
        assertThat(j.get("nominal_s").asDouble()).isEqualTo(0.008);
        assertThat(j.get("ev_error").asDouble()).isCloseTo(Math.log(8.5 / 8) / Math.log(2), within(0.006));
        assertThat(j.get("sigma_s").asDouble()).isPositive().isLessThan(0.00005);
        JsonNode shot = j.get("shots").get(0);
        assertThat(shot.get("file").asString()).isEqualTo("a.wav");
        assertThat(shot.get("open_s").asDouble()).isCloseTo(0.009, within(0.0001));
        assertThat(shot.get("efficiency").asDouble()).isCloseTo(8.5 / 9, within(0.02));
        assertThat(shot.get("bounce").asBoolean()).isFalse();
        assertThat(shot.get("per_sensor_s")).hasSize(1);
        assertThat(j.has("curtain_travel_s")).isFalse();
    }

    @Test
    void sensorsAlongTheCurtainsGiveTravelAndEvenness() throws IOException {
        Path file = wav("b.wav", 0.002, 0.0101, 2);
        JsonNode j = run("shutter", file, "--nominal", "1/500", "--kind", "focal-plane", "--sensors", "0.1,0.9", "--json").json();
        assertThat(j.get("curtain_travel_s").asDouble()).isCloseTo(0.0101, within(0.00005));
        assertThat(j.get("evenness_ev").asDouble()).isCloseTo(0, within(0.03));
        assertThat(run("shutter", file, "--nominal", "1/500", "--sensors", "0.1,0.5,0.9").err()).contains("b.wav: channels: are 2");
        assertThat(run("shutter", file, "--nominal", "1/500", "--sensors", "0.1,1.9").status()).isEqualTo(2);
    }

    @Test
    void aShutterThatIsDarkOrAFileThatIsWrongIsAnswered() throws IOException {
        Path dark = Files.writeString(folder.resolve("dark.csv"), IntStream.range(0, 500).mapToObj(i -> i * 0.001 + ",0.1").collect(Collectors.joining("\n")));
        assertThat(run("shutter", dark, "--nominal", "1/30", "--json")).satisfies(r -> {
            assertThat(r.status()).isEqualTo(1);
            assertThat(r.json().get("shots")).isEmpty();
            assertThat(r.json().has("effective_s")).isFalse();
        });
        Path nan = Files.writeString(folder.resolve("nan.csv"), "t_s,v\n0,0\n0.1,nan\n");
        assertThat(run("shutter", nan, "--nominal", "1/30")).satisfies(r -> {
            assertThat(r.status()).isEqualTo(2);
            assertThat(r.err()).startsWith("still-glass: nan.csv: line 3: ").hasLineCount(1);
        });
        assertThat(run("shutter", dark, "--nominal", "fast").err()).contains("--nominal");
    }

    @Test
    void aSoundOfAFastSpeedIsRefusedAndSaidWhatWouldDo() throws IOException {
        Ran r = run("shutter", wav("c.wav", 0.002, 0, 1), "--nominal", "1/500", "--sound", "--json");
        assertThat(r.status()).isEqualTo(1);
        assertThat(r.json().get("diagnostics").toString()).contains("light sensor");
    }

    private Path edge(String name, double deg) throws IOException {
        int n = 200;
        BufferedImage image = new BufferedImage(n, n, BufferedImage.TYPE_BYTE_GRAY);
        double wide = 4;
        for (int y = 0; y < n; y++) {
            for (int x = 0; x < n; x++) {
                double d = (x - 100.3) * Math.cos(Math.toRadians(deg)) + (y - 100) * Math.sin(Math.toRadians(deg));
                double light = 0.1 + 0.7 * Math.clamp(d / wide + 0.5, 0, 1);
                image.getRaster().setSample(x, y, 0, Math.round(255 * (1.055 * Math.pow(light, 1 / 2.4) - 0.055)));
            }
        }
        Path file = folder.resolve(name);
        ImageIO.write(image, "png", file.toFile());
        return file;
    }

    @Test
    void sharpnessSaysWhatTheContractAsksFor() throws IOException {
        Ran r = run("sharpness", edge("e.png", 7), "--json");
        assertThat(r.status()).isZero();
        JsonNode edge = r.json().get("edges").get(0);
        // sin(x)/x of a smear of four pixels is a half at 0.6034 / 4.
        assertThat(r.json().get("mtf50_cpp").asDouble()).isCloseTo(0.6034 / 4, within(0.003));
        assertThat(edge.get("mtf_cpp").get(0).get(0).asDouble()).isEqualTo(0.05);
        assertThat(edge.get("mtf_cpp").get(0).get(1).asDouble()).isCloseTo(Math.sin(0.2 * Math.PI) / (0.2 * Math.PI), within(0.02));
        assertThat(edge.get("angle_deg").asDouble()).isCloseTo(7, within(0.2));
        assertThat(run("sharpness", edge("u.png", 0), "--json").status()).isEqualTo(1);
        assertThat(run("sharpness", edge("e.png", 7), "--gamma", "much").status()).isEqualTo(2);
        assertThat(run("sharpness", Files.write(folder.resolve("no.png"), new byte[40])).err()).startsWith("still-glass: no.png: ");
    }
}
