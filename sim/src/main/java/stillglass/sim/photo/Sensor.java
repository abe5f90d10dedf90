package stillglass.sim.photo;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.SplittableRandom;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.MemoryCacheImageOutputStream;

/// What the camera makes of the light: its own softness, exposure, white balance, noise, hot pixels, clipping, picture values.
public final class Sensor {
    private Sensor() {}

    static BufferedImage expose(Light light, double ev, SplittableRandom random) {
        int w = light.width;
        int h = light.height;
        double gain = Math.pow(2, ev);
        double[] balance = {1 + 0.04 * random.nextGaussian(), 1, 1 + 0.04 * random.nextGaussian()};
        double shotNoise = 0.003 + 0.006 * random.nextDouble();
        double readNoise = 0.0004 + 0.0010 * random.nextDouble();
        double soft = 0.5 + 0.5 * random.nextDouble();
        float[][] planes = new float[3][];
        for (int c = 0; c < 3; c++) {
            planes[c] = Defocus.disc(light.planes[c], w, h, soft);
        }
        BufferedImage out = image(w, h, (c, at) -> {
            double l = Math.max(0, planes[c][at]) * gain * balance[c];
            double noise = Math.sqrt(shotNoise * shotNoise * l + readNoise * readNoise);
            return PictureCode.of(l + noise * random.nextGaussian());
        });
        for (int k = 0; k < w * h / 200_000; k++) {
            out.setRGB(random.nextInt(w), random.nextInt(h), 0xFF << 8 * random.nextInt(3) | 0x404040);
        }
        return out;
    }

    /// Value of a colour channel of a pixel, 0 to 255.
    interface Value {
        int of(int channel, int at);
    }

    /// A picture, row by row, each pixel red, green, blue.
    static BufferedImage image(int w, int h, Value value) {
        BufferedImage out = new BufferedImage(w, h, BufferedImage.TYPE_3BYTE_BGR);
        int[] row = new int[w];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int p = 0;
                for (int c = 0; c < 3; c++) {
                    p = p << 8 | value.of(c, y * w + x);
                }
                row[x] = p;
            }
            out.setRGB(0, y, w, 1, row, 0, w);
        }
        return out;
    }

    /// The picture as it comes back from a JPEG file.
    /// @param quality 0 to 1
    public static BufferedImage jpeg(BufferedImage picture, double quality) {
        try {
            return ImageIO.read(new ByteArrayInputStream(jpegBytes(picture, quality)));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /// A JPEG file of the picture.
    /// @param quality 0 to 1
    public static byte[] jpegBytes(BufferedImage picture, double quality) {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (MemoryCacheImageOutputStream out = new MemoryCacheImageOutputStream(bytes)) {
            ImageWriteParam param = writer.getDefaultWriteParam();
            param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            param.setCompressionQuality((float) quality);
            writer.setOutput(out);
            writer.write(null, new IIOImage(picture, null, null), param);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
        return bytes.toByteArray();
    }

    /// Picture values between two amounts of light, of 255.
    static double levelsApart(double a, double b) {
        return Math.abs(PictureCode.of(a) - PictureCode.of(b));
    }
}
