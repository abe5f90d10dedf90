package stillglass.book.photo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.nio.file.Files;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.book.BadInput;
import stillglass.look.LinearPhoto;

class PhotoFilesTest {
    @TempDir
    Path folder;

    private static byte[] picture(String format, int w, int h, Color colour) throws Exception {
        BufferedImage image = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setColor(colour);
        g.fillRect(0, 0, w, h);
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        assertThat(ImageIO.write(image, format, out)).isTrue();
        return out.toByteArray();
    }

    /// A PNG whose header promises a size that its data do not have.
    static byte[] lyingHeader(int width, int height) throws Exception {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        all.write(new byte[] {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'});
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        DataOutputStream data = new DataOutputStream(body);
        data.writeBytes("IHDR");
        data.writeInt(width);
        data.writeInt(height);
        data.write(new byte[] {8, 2, 0, 0, 0});
        CRC32 crc = new CRC32();
        crc.update(body.toByteArray());
        DataOutputStream out = new DataOutputStream(all);
        out.writeInt(13);
        out.write(body.toByteArray());
        out.writeInt((int) crc.getValue());
        return all.toByteArray();
    }

    @ParameterizedTest
    @ValueSource(strings = {"png", "jpeg", "tiff"})
    void coloursBecomeLinearLight(String format) throws Exception {
        LinearPhoto p = PhotoFiles.linear("a." + format, picture(format, 200, 100, new Color(188, 188, 188)));

        // sRGB 188 is 0.5029 in linear light (IEC 61966-2-1).
        assertThat(p.luminance()[5000]).isCloseTo(0.503f, within(0.01f));
        assertThat(p.width()).isEqualTo(200);
        assertThat(p.megapixels()).isEqualTo(0.02);
    }

    @Test
    void aLargePhotoIsReducedByAreaAverage() throws Exception {
        LinearPhoto p = PhotoFiles.linear("big.png", picture("png", 3200, 2000, Color.WHITE));

        assertThat(p.width()).isEqualTo(1600);
        assertThat(p.scale()).isEqualTo(2);
        assertThat(p.storedWidth()).isEqualTo(3200);
        assertThat(p.red(12345)).isEqualTo(1f);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 8, 40, 300})
    void aTruncatedPngIsRefusedInWords(int keep) throws Exception {
        byte[] whole = picture("png", 400, 300, Color.ORANGE);
        byte[] cut = Arrays.copyOf(whole, Math.min(keep, whole.length / 2));

        assertThatThrownBy(() -> PhotoFiles.linear("cut.png", cut)).isInstanceOf(BadInput.class).hasMessageStartingWith("cut.png: ");
    }

    @Test
    void aTruncatedJpegIsRefusedInWords() throws Exception {
        BufferedImage noisy = new BufferedImage(600, 400, BufferedImage.TYPE_INT_RGB);
        java.util.SplittableRandom random = new java.util.SplittableRandom(1);
        for (int y = 0; y < 400; y++) {
            for (int x = 0; x < 600; x++) {
                noisy.setRGB(x, y, random.nextInt(1 << 24));
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(noisy, "jpeg", out);
        byte[] cut = Arrays.copyOf(out.toByteArray(), out.size() / 2);

        assertThatThrownBy(() -> PhotoFiles.linear("cut.jpg", cut)).isInstanceOf(BadInput.class).hasMessageContaining("copy it from the camera again");
    }

    @Test
    void aHeaderOfNineHundredMegapixelsCostsNothing() throws Exception {
        byte[] lying = lyingHeader(30_000, 30_000);

        assertThatThrownBy(() -> PhotoFiles.linear("huge.png", lying)).isInstanceOf(BadInput.class)
                .hasMessageContaining("30000 x 30000").hasMessageContaining("120 million");
    }

    @Test
    void aHeaderThatPromisesMoreThanItHasIsRefused() throws Exception {
        byte[] lying = lyingHeader(2000, 2000);

        assertThatThrownBy(() -> PhotoFiles.linear("short.png", lying)).isInstanceOf(BadInput.class).hasMessageContaining("damaged or cut off");
    }

    @Test
    void otherFilesAreNoPhotos() throws Exception {
        assertThatThrownBy(() -> PhotoFiles.linear("a.txt", "hello".getBytes(java.nio.charset.StandardCharsets.UTF_8))).hasMessageContaining("no PNG, JPEG or TIFF");
        assertThatThrownBy(() -> PhotoFiles.bytes(folder.resolve("none.png"))).isInstanceOf(BadInput.class).hasMessageContaining("no such file");
        assertThatThrownBy(() -> PhotoFiles.bytes(folder)).hasMessageContaining("is a folder");
        Path empty = Files.createFile(folder.resolve("empty.png"));
        assertThatThrownBy(() -> PhotoFiles.bytes(empty)).hasMessageContaining("is empty");
        assertThatThrownBy(() -> PhotoFiles.linear("tiny.png", picture("png", 20, 20, Color.RED))).isInstanceOf(BadInput.class).hasMessageContaining("64 x 64");
    }

    @Test
    void picturesForTheScreenAreReduced() throws Exception {
        byte[] bytes = picture("png", 800, 400, Color.BLUE);

        assertThat(PhotoFiles.picture("a.png", bytes, 200).getWidth()).isEqualTo(200);
        assertThat(PhotoFiles.picture("a.png", bytes, 200).getHeight()).isEqualTo(100);
        assertThat(PhotoFiles.uprightWidth("a.png", bytes)).isEqualTo(800);
        assertThat(PhotoFiles.orientation(bytes)).isEqualTo(1);
    }

    /// A JPEG whose camera noted how it was held.
    private static byte[] held(int orientation) throws Exception {
        BufferedImage image = new BufferedImage(96, 64, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 64; y++) {
            for (int x = 0; x < 96; x++) {
                // The upper left quarter of the sensor is bright.
                image.setRGB(x, y, x < 48 && y < 32 ? 0xffffff : 0x101010);
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpeg", out);
        byte[] plain = out.toByteArray();
        byte[] exif = {(byte) 0xff, (byte) 0xe1, 0, 34, 'E', 'x', 'i', 'f', 0, 0, 'M', 'M', 0, 42, 0, 0, 0, 8, 0, 1, 1, 18, 0, 3, 0, 0, 0, 1, 0, (byte) orientation, 0, 0, 0, 0, 0, 0};
        byte[] all = new byte[plain.length + exif.length];
        System.arraycopy(plain, 0, all, 0, 2);
        System.arraycopy(exif, 0, all, 2, exif.length);
        System.arraycopy(plain, 2, all, 2 + exif.length, plain.length - 2);
        return all;
    }

    /// A camera names itself in two texts of the first directory (EXIF 2.3, 4.6.4: tags 271 and 272).
    @Test
    void aCameraIsKnownByWhatItCallsItself() throws Exception {
        ByteBuffer exif = ByteBuffer.allocate(120).putShort((short) 0xFFE1).putShort((short) 118).put("Exif\0\0MM".getBytes(StandardCharsets.ISO_8859_1)).putShort((short) 42).putInt(8)
                .putShort((short) 2).putShort((short) 271).putShort((short) 2).putInt(8).putInt(38).putShort((short) 272).putShort((short) 2).putInt(9).putInt(46).putInt(0)
                .put("Pellam\n\0".getBytes(StandardCharsets.ISO_8859_1)).put(" P\u001b1  x\0\0".getBytes(StandardCharsets.ISO_8859_1));
        byte[] plain = held(1);
        byte[] named = ByteBuffer.allocate(plain.length + 120).put(plain, 0, 2).put(exif.array()).put(plain, 2, plain.length - 2).array();
        assertThat(PhotoFiles.camera(named)).as("on one line").contains("Pellam P 1 x");
        assertThat(PhotoFiles.camera(plain)).as("a file that does not say").isEmpty();
        assertThat(PhotoFiles.camera(new byte[] {(byte) 0xff, (byte) 0xd8, 3})).isEmpty();
    }

    /// Where the sensor's upper left corner is seen: EXIF 2.3, table of orientations.
    @ParameterizedTest
    @CsvSource({"1, left, upper", "2, right, upper", "3, right, lower", "4, left, lower", "5, left, upper", "6, right, upper", "7, right, lower", "8, left, lower"})
    void aPhotoIsLookedAtAsTheCameraWasHeld(int orientation, String side, String half) throws Exception {
        byte[] bytes = held(orientation);
        LinearPhoto p = PhotoFiles.upright("held.jpg", bytes);
        BufferedImage shown = PhotoFiles.picture("held.jpg", bytes, 200);
        boolean across = orientation >= 5;

        assertThat(PhotoFiles.orientation(bytes)).isEqualTo(orientation);
        assertThat(p.width()).isEqualTo(across ? 64 : 96);
        assertThat(p.storedWidth()).isEqualTo(p.width()).isEqualTo(PhotoFiles.uprightWidth("held.jpg", bytes)).isEqualTo(shown.getWidth());
        int x = side.equals("left") ? p.width() / 4 : 3 * p.width() / 4;
        int y = half.equals("upper") ? p.height() / 4 : 3 * p.height() / 4;
        assertThat(p.red(y * p.width() + x)).isGreaterThan(0.9f);
        assertThat(shown.getRGB(x, y) & 255).isGreaterThan(200);
        assertThat(p.red((p.height() - 1 - y) * p.width() + p.width() - 1 - x)).isLessThan(0.1f);
        assertThat(PhotoFiles.linear("held.jpg", bytes).width()).as("files keep the pixels as stored").isEqualTo(96);
    }

    /// A part is what the same place of the whole upright photo is, however the camera was held.
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void aPartOfAPhotoIsWhatIsThereInTheWhole(int orientation) throws Exception {
        byte[] bytes = held(orientation);
        BufferedImage whole = PhotoFiles.picture("held.jpg", bytes, 200);
        java.awt.Rectangle at = new java.awt.Rectangle(20, 10, 30, 40);
        BufferedImage part = PhotoFiles.part("held.jpg", bytes, at);

        assertThat(part.getWidth()).isEqualTo(30);
        assertThat(part.getHeight()).isEqualTo(40);
        for (int y = 0; y < 40; y += 3) {
            for (int x = 0; x < 30; x += 3) {
                assertThat(part.getRGB(x, y) & 255).as("%d %d", x, y).isCloseTo(whole.getRGB(20 + x, 10 + y) & 255, within(2));
            }
        }
        assertThat(PhotoFiles.part("held.jpg", bytes, new java.awt.Rectangle(-10, -10, 30, 30)).getWidth()).as("what lies outside is left out").isEqualTo(20);
        assertThatThrownBy(() -> PhotoFiles.part("held.jpg", bytes, new java.awt.Rectangle(500, 500, 9, 9))).hasMessageContaining("held.jpg").hasMessageContaining("lies in the photo");
    }

    /// A line one stored pixel wide, 1111 pixels from the sensor's left edge and from its upper edge down to 300: grey in the working photo, as bright as it is by the file's own pixels, wherever the camera's turn puts it.
    @ParameterizedTest
    @CsvSource({"5, 1", "5, 2", "5, 3", "5, 4", "5, 5", "5, 6", "5, 7", "5, 8", "10, 1", "13, 6"})
    void whatIsFinerThanTheWorkingPhotoIsAtHand(int type, int orientation) throws Exception {
        BufferedImage image = new BufferedImage(3200, 1000, type);
        Graphics2D g = image.createGraphics();
        g.setColor(Color.WHITE);
        g.drawLine(1111, 0, 1111, 300);
        g.dispose();
        LinearPhoto p = PhotoFiles.linear("line.png", file("png", image)).turned(orientation);

        assertThat(p.finer()).isEqualTo(2);
        boolean across = orientation >= 5;
        boolean fromRight = List.of(2, 3, 6, 7).contains(orientation);
        boolean fromBelow = List.of(3, 4, 7, 8).contains(orientation);
        // Along the line 200 from the end that was the sensor's top, across it 1111 from what was its left; a working pixel is two of these wide.
        double along = (200 + 0.5) / 2 - 0.5;
        double aside = (1111 + 0.5) / 2 - 0.5;
        double x = fromRight ? p.width() - 1 - (across ? along : aside) : across ? along : aside;
        double y = fromBelow ? p.height() - 1 - (across ? aside : along) : across ? aside : along;
        assertThat(p.finest(x, y)).isCloseTo(1, within(1e-6));
        assertThat(p.finest(across ? x : x + 1, across ? y + 1 : y)).as("beside it").isCloseTo(0, within(1e-6));
        assertThat(p.luminance()[(int) Math.round(y) * p.width() + (int) Math.round(x)]).as("of the working photo").isCloseTo(0.5f, within(0.01f));
    }

    @Test
    void aSmallPhotoIsAsFineAsItsWorkingPixels() throws Exception {
        LinearPhoto p = PhotoFiles.linear("small.png", picture("png", 200, 100, new Color(188, 188, 188)));
        assertThat(p.finer()).isEqualTo(1);
        assertThat(p.finest(40.3, 20.7)).isCloseTo(0.503, within(0.01));
        assertThat(p.finest(-9, 1e4)).as("its nearest edge").isCloseTo(0.503, within(0.01));
    }

    /// A smooth grey scene with an edge in it, as colours.
    private static BufferedImage scene() {
        BufferedImage image = new BufferedImage(96, 64, BufferedImage.TYPE_3BYTE_BGR);
        for (int y = 0; y < 64; y++) {
            for (int x = 0; x < 96; x++) {
                int v = x > 60 ? 12 : Math.min(255, 20 + 3 * y + x / 2);
                image.setRGB(x, y, v << 16 | v << 8 | v);
            }
        }
        return image;
    }

    /// The same samples in another layout.
    private static BufferedImage stored(int type) {
        BufferedImage from = scene();
        BufferedImage to = new BufferedImage(from.getWidth(), from.getHeight(), type);
        for (int y = 0; y < from.getHeight(); y++) {
            for (int x = 0; x < from.getWidth(); x++) {
                int v = from.getRGB(x, y) & 255;
                if (type == BufferedImage.TYPE_BYTE_GRAY || type == BufferedImage.TYPE_USHORT_GRAY) {
                    to.getRaster().setSample(x, y, 0, type == BufferedImage.TYPE_BYTE_GRAY ? v : v * 257);
                } else {
                    to.setRGB(x, y, from.getRGB(x, y));
                }
            }
        }
        return to;
    }

    private static byte[] file(String format, BufferedImage image) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        assertThat(ImageIO.write(image, format, out)).isTrue();
        return out.toByteArray();
    }

    /// Grey or colour, eight bits or sixteen, with a transparent layer or a table of colours: the light is the same.
    @ParameterizedTest
    @CsvSource({"png, 10, 1e-6", "png, 11, 1e-6", "png, 1, 1e-6", "png, 2, 1e-6", "jpeg, 10, 0.012", "tiff, 10, 1e-6", "tiff, 11, 1e-6"})
    void everyLayoutGivesTheLightOfItsColourTwin(String format, int type, double tolerance) throws Exception {
        LinearPhoto twin = PhotoFiles.linear("twin." + format, file(format, scene()));
        LinearPhoto photo = PhotoFiles.linear("photo." + format, file(format, stored(type)));
        double worst = 0;
        for (int y = 0; y < 64; y++) {
            for (int x = 0; x < 96; x++) {
                worst = Math.max(worst, Math.abs(twin.red(y * 96 + x) - photo.red(y * 96 + x)));
                worst = Math.max(worst, Math.abs(twin.blue(y * 96 + x) - photo.blue(y * 96 + x)));
            }
        }
        assertThat(worst).isLessThanOrEqualTo(tolerance);
        assertThat(PhotoFiles.picture("photo", file(format, stored(type)), 96).getRGB(20, 30) & 255).as("it is shown as bright as it is").isCloseTo(scene().getRGB(20, 30) & 255, within(3));
    }

    /// Bytes of a photo changed by chance: it is refused, or hardly any pixel is another.
    @Test
    void aDamagedPhotoSaysSoOrShowsWhatItShowed() throws Exception {
        byte[] whole = file("jpeg", scene());
        LinearPhoto was = PhotoFiles.linear("a.jpg", whole);
        java.util.Random random = new java.util.Random(4);
        int refused = 0;
        int quiet = 0;
        for (int i = 0; i < 300; i++) {
            byte[] hurt = whole.clone();
            int at = 200 + random.nextInt(whole.length - 202);
            hurt[at] ^= (byte) (1 + random.nextInt(255));
            try {
                LinearPhoto now = PhotoFiles.linear("a.jpg", hurt);
                int other = 0;
                for (int k = 0; k < 96 * 64 && now.width() == 96 && now.height() == 64; k++) {
                    other += Math.abs(now.red(k) - was.red(k)) > 0.1 ? 1 : 0;
                }
                quiet += other > 0.05 * 96 * 64 ? 1 : 0;
            } catch (BadInput e) {
                refused++;
            }
        }
        assertThat(refused).as("damage is heard").isGreaterThan(80);
        assertThat(quiet).as("of 300 damaged files, accepted with more than 5 % of their pixels wrong").isLessThanOrEqualTo(30);
    }
}
