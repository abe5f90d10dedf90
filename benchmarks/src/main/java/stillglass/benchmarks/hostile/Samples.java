package stillglass.benchmarks.hostile;

import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;

/// Whole files of every format, to be damaged.
final class Samples {
    private static final int RATE = 8000;
    private static final int RECORDED = 4000;
    private static final int WIDTH = 168;
    private static final int HEIGHT = 126;
    private static final int[] TYPES = {BufferedImage.TYPE_3BYTE_BGR, BufferedImage.TYPE_BYTE_GRAY, BufferedImage.TYPE_USHORT_GRAY, BufferedImage.TYPE_BYTE_INDEXED, BufferedImage.TYPE_BYTE_BINARY,
        BufferedImage.TYPE_4BYTE_ABGR};

    private Samples() {}

    static byte[] shipped(String path) {
        try (InputStream in = Objects.requireNonNull(Samples.class.getResourceAsStream("/stillglass/book/" + path), path)) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /// Short WAV files of two shots, of every kind of sample that is read.
    static List<byte[]> recordings() throws IOException {
        List<byte[]> all = new ArrayList<>();
        for (int bits : new int[] {8, 16, 24}) {
            for (int channels : new int[] {1, 2}) {
                int bytes = bits / 8;
                byte[] samples = new byte[RECORDED * bytes * channels];
                for (int i = 0; i < RECORDED; i++) {
                    int v = lit(i) * (1 << bits - 3) + (bits == 8 ? 128 : 0);
                    for (int k = 0; k < channels * bytes; k++) {
                        samples[i * channels * bytes + k] = (byte) (v >> 8 * (k % bytes));
                    }
                }
                AudioFormat format = new AudioFormat(RATE, bits, channels, bits > 8, false);
                ByteArrayOutputStream out = new ByteArrayOutputStream();
                AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(samples), format, RECORDED), AudioFileFormat.Type.WAVE, out);
                all.add(out.toByteArray());
            }
        }
        return all;
    }

    private static int lit(int frame) {
        return frame % (RECORDED / 2) > RECORDED / 6 && frame % (RECORDED / 2) < RECORDED / 5 ? 3 : 0;
    }

    /// A table with a head, as gauges and loggers write it.
    static byte[] table() {
        return IntStream.range(0, RECORDED / 8).mapToObj(i -> i * 8.0 / RATE + "," + lit(8 * i) + "." + i % 10).collect(Collectors.joining("\n", "t_s,v\n", "\n")).getBytes(StandardCharsets.UTF_8);
    }

    /// Pictures of every kind of pixel that a format takes, in one pass and in several.
    static List<byte[]> pictures(String format) {
        List<byte[]> all = new ArrayList<>();
        for (int type : TYPES) {
            for (boolean passes : new boolean[] {false, true}) {
                byte[] file = picture(format, type, passes);
                if (file.length > 0) {
                    all.add(file);
                }
            }
        }
        return all;
    }

    private static byte[] picture(String format, int type, boolean passes) {
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, type);
        Graphics2D g = image.createGraphics();
        g.setPaint(new GradientPaint(0, 0, Color.DARK_GRAY, WIDTH, HEIGHT, Color.ORANGE));
        g.fillRect(0, 0, WIDTH, HEIGHT);
        g.setColor(Color.WHITE);
        g.fillOval(40, 20, 90, 90);
        g.dispose();
        ImageWriter writer = ImageIO.getImageWritersByFormatName(format).next();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ImageOutputStream stream = ImageIO.createImageOutputStream(out)) {
            if (!writer.getOriginatingProvider().canEncodeImage(ImageTypeSpecifier.createFromRenderedImage(image))) {
                return new byte[0];
            }
            writer.setOutput(stream);
            ImageWriteParam param = writer.getDefaultWriteParam();
            if (passes && param.canWriteProgressive()) {
                param.setProgressiveMode(ImageWriteParam.MODE_DEFAULT);
            }
            writer.write(null, new IIOImage(image, null, null), param);
            stream.flush();
            return out.toByteArray();
        } catch (IOException e) {
            // A kind of pixel this format does not take.
            return new byte[0];
        } finally {
            writer.dispose();
        }
    }
}
