package stillglass.book.photo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.zip.Adler32;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.book.BadInput;

/// Photos made to cost time or memory, and damage a decoder would pass over.
class HostilePhotosTest {
    @TempDir
    Path folder;

    private static BufferedImage image(int w, int h) {
        BufferedImage image = new BufferedImage(w, h, BufferedImage.TYPE_3BYTE_BGR);
        Graphics2D g = image.createGraphics();
        g.setPaint(new GradientPaint(0, 0, Color.DARK_GRAY, w, h, Color.ORANGE));
        g.fillRect(0, 0, w, h);
        g.dispose();
        return image;
    }

    private static byte[] jpeg(int w, int h, boolean progressive) throws Exception {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (var stream = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(stream);
            ImageWriteParam param = writer.getDefaultWriteParam();
            param.setProgressiveMode(progressive ? ImageWriteParam.MODE_DEFAULT : ImageWriteParam.MODE_DISABLED);
            writer.write(null, new IIOImage(image(w, h), null, null), param);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
    }

    /// Zeros by the megabyte as zlib packs them (RFC 1950): each megabyte ends on a whole byte and refers to none before, so one is packed for all.
    private static byte[] zeros(int megabytes) throws Exception {
        byte[] megabyte = new byte[1_000_000];
        ByteArrayOutputStream one = new ByteArrayOutputStream();
        try (DeflaterOutputStream deflate = new DeflaterOutputStream(one, new Deflater(), 512, true)) {
            deflate.write(megabyte);
            deflate.flush();
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Adler32 sum = new Adler32();
        out.write(new byte[] {0x78, (byte) 0x9C});
        for (int i = 0; i < megabytes; i++) {
            // Between its two bytes of heading and the empty last block with the sum.
            out.write(one.toByteArray(), 2, one.size() - 2 - 6);
            sum.update(megabyte);
        }
        out.write(new byte[] {3, 0});
        out.write(ByteBuffer.allocate(4).putInt((int) sum.getValue()).array());
        return out.toByteArray();
    }

    /// The last pass over all pixels once more and once more.
    private static byte[] repeatedScans(byte[] progressive, int times) throws Exception {
        int last = progressive.length - 2;
        int start = last;
        while ((progressive[start] & 255) != 0xFF || (progressive[start + 1] & 255) != 0xDA) {
            start--;
        }
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        all.write(progressive, 0, last);
        for (int i = 0; i < times; i++) {
            all.write(progressive, start, last - start);
        }
        all.write(progressive, last, 2);
        return all.toByteArray();
    }

    @Test
    @Timeout(value = 60, unit = TimeUnit.SECONDS)
    void aPhotoThatGoesOverItsPixelsThousandsOfTimesIsRefusedBeforeOneIsDecoded() throws Exception {
        byte[] bomb = repeatedScans(jpeg(3000, 2000, true), 2000);
        assertThat(JpegMarks.count(bomb)).isGreaterThan(2000);
        assertThatThrownBy(() -> PhotoFiles.linear("passes.jpg", bomb)).isInstanceOf(BadInput.class).hasMessageContaining("passes.jpg: pixels: goes over 3000 x 2000 pixels 20");
        assertThat(PhotoFiles.linear("usual.jpg", jpeg(600, 400, true)).storedWidth()).isEqualTo(600);
    }

    /// A kilobyte for every megabyte of text it unfolds to.
    @Test
    @Timeout(value = 60, unit = TimeUnit.SECONDS)
    void textThatUnfoldsToGigabytesIsNotUnfolded() throws Exception {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(image(96, 80), "png", png);
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        packed.write("Comment\0\0".getBytes(StandardCharsets.ISO_8859_1));
        try (InflaterInputStream three = new InflaterInputStream(new ByteArrayInputStream(zeros(3)))) {
            assertThat(three.readAllBytes()).as("it does unfold").hasSize(3_000_000);
        }
        packed.write(zeros(3000));
        byte[] bomb = withChunk(png.toByteArray(), "zTXt", packed.toByteArray());
        assertThat(PhotoFiles.linear("text.png", bomb).storedWidth()).isEqualTo(96);
        assertThat(PhotoFiles.orientation(bomb)).isEqualTo(1);
        assertThat(PhotoFiles.taken(bomb)).isEmpty();
    }

    /// A PNG keeps what the camera says in a chunk of its own.
    @Test
    void aPngCanSayWhichWayItWasHeld() throws Exception {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(image(96, 80), "png", png);
        ByteBuffer tiff = ByteBuffer.allocate(26);
        tiff.put("MM\0*".getBytes(StandardCharsets.ISO_8859_1)).putInt(8).putShort((short) 1).putShort((short) 0x112).putShort((short) 3).putInt(1).putShort((short) 6).putShort((short) 0).putInt(0);
        byte[] turned = withChunk(png.toByteArray(), "eXIf", tiff.array());
        assertThat(PhotoFiles.orientation(turned)).isEqualTo(6);
        assertThat(PhotoFiles.picture("t.png", turned, 100)).satisfies(p -> assertThat(p.getHeight()).isGreaterThan(p.getWidth()));
    }

    /// Behind the header, before the pixels.
    private static byte[] withChunk(byte[] png, String type, byte[] data) {
        ByteBuffer chunk = ByteBuffer.allocate(12 + data.length).putInt(data.length).put(type.getBytes(StandardCharsets.ISO_8859_1)).put(data);
        CRC32 crc = new CRC32();
        crc.update(chunk.array(), 4, 4 + data.length);
        chunk.putInt((int) crc.getValue());
        int head = 8 + 25;
        return ByteBuffer.allocate(png.length + chunk.capacity()).put(png, 0, head).put(chunk.array()).put(png, head, png.length - head).array();
    }

    @ParameterizedTest
    @ValueSource(strings = {"/dev/zero", "/dev/random", "/dev/null"})
    @Timeout(value = 20, unit = TimeUnit.SECONDS)
    void whatNeedNotEndIsNotRead(String device) {
        Assumptions.assumeTrue(Files.exists(Path.of(device)));
        assertThatThrownBy(() -> PhotoFiles.bytes(Path.of(device))).isInstanceOf(BadInput.class).hasMessageContaining("device or a pipe");
    }

    @Test
    @Timeout(value = 20, unit = TimeUnit.SECONDS)
    void aPipeNobodyWritesToIsNotWaitedFor() throws Exception {
        Path pipe = folder.resolve("pipe.jpg");
        Assumptions.assumeTrue(new ProcessBuilder("mkfifo", pipe.toString()).start().waitFor() == 0);
        assertThatThrownBy(() -> PhotoFiles.bytes(pipe)).isInstanceOf(BadInput.class).hasMessageContaining("pipe.jpg: file: is a device or a pipe");
    }

    @ParameterizedTest
    @CsvSource({"Corrupt JPEG data: 12 extraneous bytes before marker 0xd9,true", "Corrupt JPEG data: 3 extraneous bytes before marker 0xe1,false", "Corrupt JPEG data: 3 extraneous bytes before marker 0xfe,false",
        "Corrupt JPEG data: bad Huffman code,true", "Inconsistent progression sequence for component 0 coefficient 0,true", "Invalid SOS parameters for sequential JPEG,true", "Ignoring metadata,false"})
    void aWarningThatTouchesPixelsIsToldFromOneThatDoesNot(String warning, boolean damage) {
        assertThat(DecoderWarning.ofDamage(warning)).isEqualTo(damage);
    }

    /// Shares of damaged photos that are taken although many of their pixels are not those of the camera. JPEG carries no check sum: some damage decodes.
    @Test
    void damageInPixelsAndTablesIsSaid() throws Exception {
        byte[] whole = jpeg(640, 480, false);
        int taken = 0;
        int wrong = 0;
        for (int i = 0; i < 200; i++) {
            byte[] damaged = whole.clone();
            int at = 700 + (whole.length - 800) * i / 200;
            for (int k = 0; k < 6; k++) {
                damaged[at + k] ^= (byte) (0x5A + 7 * i + k);
            }
            try {
                BufferedImage now = PhotoFiles.picture("d.jpg", damaged, 640);
                taken++;
                wrong += differs(now, PhotoFiles.picture("w.jpg", whole, 640)) ? 1 : 0;
            } catch (BadInput e) {
                assertThat(e).hasMessageContaining("copy it from the camera again");
            }
        }
        assertThat(wrong).as("taken with wrong pixels, of 200; %d taken", taken).isLessThan(16);
    }

    private static boolean differs(BufferedImage a, BufferedImage b) {
        int off = 0;
        for (int y = 0; y < a.getHeight(); y++) {
            for (int x = 0; x < a.getWidth(); x++) {
                off += Math.abs((a.getRGB(x, y) >> 8 & 255) - (b.getRGB(x, y) >> 8 & 255)) > 24 ? 1 : 0;
            }
        }
        return off > 0.05 * a.getWidth() * a.getHeight();
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 255})
    void aTableNoEncoderMakesIsSaid(int step) throws Exception {
        byte[] bytes = jpeg(320, 240, false);
        assertThat(JpegMarks.tablesMeant(bytes)).isTrue();
        int at = 2;
        while ((bytes[at + 1] & 255) != 0xDB) {
            at += 2 + ((bytes[at + 2] & 255) << 8 | bytes[at + 3] & 255);
        }
        bytes[at + 5 + 3] = (byte) step;
        assertThatThrownBy(() -> PhotoFiles.linear("t.jpg", bytes)).isInstanceOf(BadInput.class).hasMessageContaining("tables are damaged");
    }
}
