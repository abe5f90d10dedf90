package stillglass.book.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.book.BadInput;
import stillglass.prove.trace.Recording;

/// Files written by the platform's own writer, and by hand as recorders leave them.
class TraceFilesTest {
    @TempDir
    Path folder;

    private static float[][] all(Recording r) {
        float[][] out = new float[r.channels()][(int) r.frames()];
        int[] at = new int[1];
        r.play(0, r.frames(), (block, n) -> {
            for (int c = 0; c < out.length; c++) {
                System.arraycopy(block[c], 0, out[c], at[0], n);
            }
            at[0] += n;
        });
        return out;
    }

    private Path wav(int bits, boolean real, int channels, float rate, int frames) throws IOException {
        ByteBuffer b = ByteBuffer.allocate(frames * channels * bits / 8).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < frames; i++) {
            for (int c = 0; c < channels; c++) {
                double v = value(i, c);
                switch (real ? 0 : bits) {
                    case 0 -> b.putFloat((float) v);
                    case 8 -> b.put((byte) Math.round(v * 127 + 128));
                    case 16 -> b.putShort((short) Math.round(v * 32_767));
                    case 24 -> {
                        int x = (int) Math.round(v * 8_388_607);
                        b.put((byte) x).put((byte) (x >> 8)).put((byte) (x >> 16));
                    }
                    default -> b.putInt((int) Math.round(v * 2_147_483_647.0));
                }
            }
        }
        AudioFormat.Encoding kind = real ? AudioFormat.Encoding.PCM_FLOAT : bits == 8 ? AudioFormat.Encoding.PCM_UNSIGNED : AudioFormat.Encoding.PCM_SIGNED;
        AudioFormat format = new AudioFormat(kind, rate, bits, channels, channels * bits / 8, rate, false);
        Path file = folder.resolve("a.wav");
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(b.array()), format, frames), AudioFileFormat.Type.WAVE, file.toFile());
        return file;
    }

    private static double value(int frame, int channel) {
        return 0.9 * Math.sin(0.01 * frame + channel) * (channel == 1 ? -0.5 : 1);
    }

    @ParameterizedTest
    @CsvSource({"8,false,8000,0.012", "16,false,44100,0.00005", "24,false,96000,0.000001", "32,false,192000,0.000001", "32,true,48000,0.000001"})
    void everyKindOfWavIsRead(int bits, boolean real, float rate, double close) throws IOException {
        Recording r = TraceFiles.open(wav(bits, real, 2, rate, 70_000));
        assertThat(r.rateHz()).isEqualTo(rate);
        assertThat(r.frames()).isEqualTo(70_000);
        float[][] x = all(r);
        for (int i = 0; i < 70_000; i += 997) {
            assertThat(x[0][i]).isCloseTo((float) value(i, 0), within((float) close));
            assertThat(x[1][i]).isCloseTo((float) value(i, 1), within((float) close));
        }
    }

    @Test
    void aHeadThatLiesAboutTheLengthIsNotBelieved() throws IOException {
        byte[] whole = Files.readAllBytes(wav(16, false, 1, 48_000, 1000));
        for (int lie : new int[] {0, -1, 123_456_789}) {
            byte[] large = rf64(whole);
            assertThat(TraceFiles.open(Files.write(folder.resolve("large.wav"), large)).frames()).as("what follows the samples is none").isEqualTo(1000);
            byte[] lying = whole.clone();
            ByteBuffer.wrap(lying).order(ByteOrder.LITTLE_ENDIAN).putInt(4, lie).putInt(40, lie);
            assertThat(TraceFiles.open(Files.write(folder.resolve("b.wav"), lying)).frames()).isEqualTo(1000);
        }
        assertThat(TraceFiles.open(Files.write(folder.resolve("half.wav"), java.util.Arrays.copyOf(whole, 1044))).frames()).isEqualTo(500);
    }

    @Test
    void whatIsNoRecordingIsToldWithItsPlace() throws IOException {
        refused("none.wav", new byte[0], "file: is empty");
        refused("short.wav", new byte[] {'R', 'I'}, "no recording");
        byte[] whole = Files.readAllBytes(wav(16, false, 1, 48_000, 1000));
        refused("head.wav", java.util.Arrays.copyOf(whole, 44), "holds no samples");
        refused("chunk.wav", java.util.Arrays.copyOf(whole, 30), "no samples in it");
        byte[] slow = whole.clone();
        ByteBuffer.wrap(slow).order(ByteOrder.LITTLE_ENDIAN).putInt(24, 2000);
        refused("slow.wav", slow, "rate: is 2000 Hz");
        byte[] packed = whole.clone();
        packed[20] = 17;
        refused("packed.wav", packed, "fmt");
        byte[] binary = {(byte) 0xff, (byte) 0xfe, 0, 1, 2, 3, 4, 5};
        refused("binary.csv", binary, "neither WAV nor text");
        refused("nan.csv", table(100, i -> i == 40 ? "NaN" : "0.1"), "line 42: column 2 is \"NaN\"");
        refused("back.csv", "t_s,v\n0,1\n0.1,2\n0.05,3\n".concat("1,1\n".repeat(20)).getBytes(StandardCharsets.UTF_8), "times must rise");
        refused("ragged.csv", (new String(table(50, i -> "1"), StandardCharsets.UTF_8) + "9,1,2\n").getBytes(StandardCharsets.UTF_8), "line 52: has 3 columns");
        refused("few.csv", table(4, i -> "1"), "rows: are 4");
        assertThatThrownBy(() -> TraceFiles.open(folder.resolve("gone.wav"))).isInstanceOf(BadInput.class).hasMessageContaining("there is no such file");
        assertThatThrownBy(() -> TraceFiles.open(folder)).isInstanceOf(BadInput.class).hasMessageContaining("is a folder");
    }

    private void refused(String name, byte[] bytes, String says) throws IOException {
        Path file = Files.write(folder.resolve(name), bytes);
        assertThatThrownBy(() -> TraceFiles.open(file)).as(name).isInstanceOf(BadInput.class).hasMessageStartingWith(name + ": ").hasMessageContaining(says);
    }

    private static byte[] table(int rows, IntFunction<String> value) {
        return IntStream.range(0, rows).mapToObj(i -> i * 0.0001 + "," + value.apply(i)).collect(Collectors.joining("\n", "t_s,v\n", "\n")).getBytes(StandardCharsets.UTF_8);
    }

    @ParameterizedTest
    @ValueSource(strings = {",", ";", "\t"})
    void tablesAreRead(String apart) throws IOException {
        String text = "# scope\ntime" + apart + "left" + apart + "right\n" + IntStream.range(0, 40).mapToObj(i -> i / 1000.0 + apart + i + apart + -2 * i).collect(Collectors.joining("\r\n"));
        Recording r = TraceFiles.open(Files.writeString(folder.resolve("t.csv"), text));
        assertThat(r.channels()).isEqualTo(2);
        assertThat(r.rateHz()).isCloseTo(1000, within(1e-6));
        assertThat(all(r)[1][39]).isEqualTo(-78);
    }

    @Test
    void decimalCommasAndUnequalTimesAreBroughtInOrder() throws IOException {
        String text = IntStream.range(0, 60).mapToObj(i -> String.format(Locale.ROOT, "%.4f;%.3f", t(i), 10 * t(i)).replace('.', ',')).collect(Collectors.joining("\n"));
        Recording r = TraceFiles.open(Files.writeString(folder.resolve("c.csv"), text));
        float[] x = all(r)[0];
        for (int i = 1; i < x.length - 1; i++) {
            assertThat(x[i] - x[i - 1]).as("straight at %d", i).isCloseTo((float) (10 / r.rateHz()), within(0.002f));
        }
    }

    @Test
    void timesThatWereRoundedAreEqualSteps() throws IOException {
        String text = IntStream.range(0, 4800).mapToObj(i -> String.format(Locale.ROOT, "%.5f,%d", i / 48_000.0, i % 7)).collect(Collectors.joining("\n"));
        Recording r = TraceFiles.open(Files.writeString(folder.resolve("r.csv"), text));
        assertThat(r.frames()).isEqualTo(4800);
        assertThat(r.rateHz()).isCloseTo(48_000, within(10.0));
    }

    private static double t(int i) {
        return 0.01 * i + (i % 3 == 0 ? 0.003 : 0);
    }

    /// The same samples as a file that could be beyond 4 GB: its lengths in a chunk of their own (EBU Tech 3306), and a chunk of words after the samples.
    private static byte[] rf64(byte[] wav) {
        ByteBuffer in = ByteBuffer.wrap(wav).order(ByteOrder.LITTLE_ENDIAN);
        int samples = in.getInt(40);
        ByteBuffer out = ByteBuffer.allocate(wav.length + 36 + 12).order(ByteOrder.LITTLE_ENDIAN);
        out.put("RF64".getBytes(StandardCharsets.ISO_8859_1)).putInt(-1).put("WAVEds64".getBytes(StandardCharsets.ISO_8859_1)).putInt(28).putLong(out.capacity() - 8).putLong(samples).putLong(0).putInt(0);
        out.put(wav, 12, 28).putInt(-1).put(wav, 44, wav.length - 44).put("LIST".getBytes(StandardCharsets.ISO_8859_1)).putInt(4).putInt(0);
        return out.array();
    }
}
