package stillglass.sim.second;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Random;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;

/// What a phone makes of light: noise, noise reduction, lifted shadows, local contrast, a tone curve, saturation, sharpening, JPEG.
final class PhonePicture {
    private PhonePicture() {}

    /// @param light linear, three planes of w × h; changed
    static BufferedImage of(float[][] light, int w, int h, Random r) {
        double[] tint = {1 + 0.18 * r.nextGaussian() * 0.6, 1, 1 + 0.18 * r.nextGaussian() * 0.6};
        double exposure = Math.pow(2, 0.45 * r.nextGaussian());
        double noise = 0.002 + 0.01 * Math.pow(r.nextDouble(), 2);
        boolean smoothed = r.nextBoolean();
        double lift = r.nextInt(3) == 0 ? 0.12 + 0.2 * r.nextDouble() : 0.02 * r.nextDouble();
        double local = r.nextInt(2) == 0 ? 0.5 * r.nextDouble() : 0;
        double sharpen = r.nextInt(3) == 0 ? 0 : 0.3 + 0.9 * r.nextDouble();
        double saturation = 0.85 + 0.5 * r.nextDouble();
        double s = 0.5 * r.nextDouble();
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < w * h; i++) {
                double x = (i % w) / (double) w - 0.5;
                double y = (i / w) / (double) h - 0.5;
                double v = light[c][i] * tint[c] * exposure * (1 - 0.5 * (x * x + y * y));
                v += r.nextGaussian() * Math.sqrt(noise * noise + noise * 0.25 * Math.max(0, v));
                light[c][i] = (float) v;
            }
            if (smoothed) {
                light[c] = blurred(light[c], w, h, 1);
            }
        }
        float[][] tone = new float[3][w * h];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < w * h; i++) {
                double v = Math.clamp(light[c][i], 0, 1.4);
                v = v / (1 + 0.25 * v * v);
                double e = Math.pow(Math.clamp(v, 0, 1), 1 / 2.2);
                e = lift * 0.5 * Math.exp(-e * 6) + e;
                e = (1 - s) * e + s * e * e * (3 - 2 * e);
                tone[c][i] = (float) e;
            }
        }
        for (int i = 0; i < w * h; i++) {
            float grey = (tone[0][i] + tone[1][i] + tone[2][i]) / 3;
            for (int c = 0; c < 3; c++) {
                tone[c][i] = (float) (grey + saturation * (tone[c][i] - grey));
            }
        }
        BufferedImage out = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        float[][] fine = new float[3][];
        float[][] wide = new float[3][];
        for (int c = 0; c < 3; c++) {
            fine[c] = sharpen > 0 ? blurred(tone[c], w, h, 1) : tone[c];
            wide[c] = local > 0 ? blurred(tone[c], w, h, w / 24) : tone[c];
        }
        for (int i = 0; i < w * h; i++) {
            int rgb = 0;
            for (int c = 0; c < 3; c++) {
                double e = tone[c][i] + sharpen * (tone[c][i] - fine[c][i]) + local * (tone[c][i] - wide[c][i]);
                rgb = rgb << 8 | (int) Math.clamp(Math.round(255 * e), 0, 255);
            }
            out.setRGB(i % w, i / w, rgb);
        }
        return jpeg(out, 0.6f + 0.35f * r.nextFloat());
    }

    /// Box by box, twice.
    private static float[] blurred(float[] in, int w, int h, int reach) {
        float[] once = pass(pass(in, w, h, reach, true), w, h, reach, false);
        return reach > 3 ? pass(pass(once, w, h, reach, true), w, h, reach, false) : once;
    }

    private static float[] pass(float[] in, int w, int h, int reach, boolean across) {
        float[] out = new float[in.length];
        int length = across ? w : h;
        int step = across ? 1 : w;
        for (int line = 0; line < (across ? h : w); line++) {
            int start = across ? line * w : line;
            double sum = 0;
            int n = 0;
            for (int k = 0; k < Math.min(reach, length); k++) {
                sum += in[start + k * step];
                n++;
            }
            for (int k = 0; k < length; k++) {
                if (k + reach < length) {
                    sum += in[start + (k + reach) * step];
                    n++;
                }
                if (k - reach - 1 >= 0) {
                    sum -= in[start + (k - reach - 1) * step];
                    n--;
                }
                out[start + k * step] = (float) (sum / n);
            }
        }
        return out;
    }

    private static BufferedImage jpeg(BufferedImage in, float quality) {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        try (ByteArrayOutputStream bytes = new ByteArrayOutputStream(); var sink = ImageIO.createImageOutputStream(bytes)) {
            ImageWriteParam p = writer.getDefaultWriteParam();
            p.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            p.setCompressionQuality(quality);
            writer.setOutput(sink);
            writer.write(null, new IIOImage(in, null, null), p);
            sink.flush();
            return ImageIO.read(new ByteArrayInputStream(bytes.toByteArray()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
    }
}
