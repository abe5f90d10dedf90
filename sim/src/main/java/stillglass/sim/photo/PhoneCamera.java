package stillglass.sim.photo;

import java.awt.image.BufferedImage;
import java.util.Arrays;
import java.util.SplittableRandom;
import java.util.stream.IntStream;

/// What a phone makes of the light: falls off to the corners, a colour of light it judged wrongly, noise smoothed away, shadows opened by what lies about them, a curve, strong colours, sharpened edges, a small file.
final class PhoneCamera {
    private static final double[] LUMA = {0.2126, 0.7152, 0.0722};
    private static final double LEAST = 1e-4;
    private static final int TONES = 2048;

    private PhoneCamera() {}

    static BufferedImage take(Light light, double ev, SplittableRandom random) {
        int w = light.width;
        int h = light.height;
        float[][] planes = exposed(light, ev, random);
        smoothed(planes, w, h, random);
        float[] y = luma(planes);
        float[] told = opened(y, w, h, random);
        double steep = 1 + 0.5 * random.nextDouble();
        double pivot = 0.25 + 0.3 * random.nextDouble();
        double vivid = 0.9 + 0.5 * random.nextDouble();
        double black = random.nextDouble() < 0.3 ? 0.03 * random.nextDouble() : 0;
        double[] tone = new double[TONES + 1];
        for (int k = 0; k <= TONES; k++) {
            tone[k] = curve(encoded(Math.pow(k / (double) TONES, 2)), steep, pivot);
        }
        float[][] shown = new float[3][w * h];
        IntStream.range(0, h).parallel().forEach(row -> {
            for (int i = row * w; i < (row + 1) * w; i++) {
                double gain = told[i] / Math.max(LEAST, y[i]);
                double grey = told(tone, told[i]);
                for (int c = 0; c < 3; c++) {
                    double v = told(tone, planes[c][i] * gain);
                    shown[c][i] = (float) (black + (1 - black) * (grey + vivid * (v - grey)));
                }
            }
        });
        sharpened(shown, w, h, random);
        return Sensor.image(w, h, (c, at) -> (int) Math.round(255 * Math.clamp(shown[c][at], 0, 1)));
    }

    /// From a table over the root of light, whose steps are even to the eye.
    private static double told(double[] tone, double linear) {
        double at = TONES * Math.sqrt(Math.clamp(linear, 0, 1));
        int k = Math.min(TONES - 1, (int) at);
        return tone[k] + (at - k) * (tone[k + 1] - tone[k]);
    }

    private static float[][] exposed(Light light, double ev, SplittableRandom random) {
        int w = light.width;
        int h = light.height;
        double gain = Math.pow(2, ev);
        double warm = 0.22 * random.nextGaussian();
        double green = 1 + 0.05 * random.nextGaussian();
        double[] balance = {Math.exp(warm), green, Math.exp(-warm)};
        double corner = 0.45 * random.nextDouble();
        double shot = 0.004 + 0.016 * random.nextDouble();
        double read = 0.0005 + 0.0025 * random.nextDouble();
        double soft = 0.4 + 1.1 * random.nextDouble();
        float[][] planes = new float[3][];
        long[] seeds = random.longs(h).toArray();
        for (int c = 0; c < 3; c++) {
            int channel = c;
            float[] plane = Defocus.disc(light.planes[c], w, h, soft);
            float[] out = plane == light.planes[c] ? plane.clone() : plane;
            IntStream.range(0, h).parallel().forEach(y -> {
                SplittableRandom own = new SplittableRandom(seeds[y] + channel);
                for (int x = 0; x < w; x++) {
                    double r2 = (Math.pow(x / (double) w - 0.5, 2) + Math.pow((y - h / 2.0) / w, 2)) / 0.39;
                    double v = Math.max(0, out[y * w + x]) * gain * balance[channel] * (1 - corner * r2);
                    out[y * w + x] = (float) (v + Math.sqrt(shot * shot * v + read * read) * own.nextGaussian());
                }
            });
            planes[c] = out;
        }
        return planes;
    }

    /// Noise reduction: where little happens the mean of the neighbours is taken instead.
    private static void smoothed(float[][] planes, int w, int h, SplittableRandom random) {
        double share = random.nextDouble();
        double threshold = 0.01 + 0.05 * random.nextDouble();
        double reach = 1 + 1.5 * random.nextDouble();
        for (float[] p : planes) {
            float[] mean = Defocus.disc(p, w, h, reach);
            for (int i = 0; i < p.length; i++) {
                double off = Math.abs(p[i] - mean[i]) / (threshold * Math.sqrt(0.02 + Math.max(0, mean[i])));
                double keep = Math.clamp(off - 0.5, 1 - share, 1);
                p[i] = (float) (mean[i] + keep * (p[i] - mean[i]));
            }
        }
    }

    private static float[] luma(float[][] planes) {
        float[] y = new float[planes[0].length];
        for (int i = 0; i < y.length; i++) {
            y[i] = (float) Math.max(LEAST, LUMA[0] * planes[0][i] + LUMA[1] * planes[1][i] + LUMA[2] * planes[2][i]);
        }
        return y;
    }

    /// Shadows lifted and lights held back by the mean of a wide neighbourhood, as when several exposures are put together.
    private static float[] opened(float[] y, int w, int h, SplittableRandom random) {
        double power = random.nextDouble() < 0.35 ? 0 : 0.45 * random.nextDouble();
        double local = random.nextDouble() < 0.5 ? 0 : 0.4 * random.nextDouble();
        if (power == 0 && local == 0) {
            return y;
        }
        float[] log = new float[y.length];
        for (int i = 0; i < y.length; i++) {
            log[i] = (float) Math.log(y[i]);
        }
        float[] wide = quartered(log, w, h, 0.08 * h);
        float[] out = new float[y.length];
        for (int i = 0; i < y.length; i++) {
            out[i] = (float) Math.exp(log[i] + power * (Math.log(0.3) - wide[i]) * 0.6 + local * (log[i] - wide[i]) * 0.5);
        }
        return out;
    }

    /// A wide blur on a picture of a quarter of the size, edges held.
    private static float[] quartered(float[] in, int w, int h, double radius) {
        int sw = (w + 3) / 4;
        int sh = (h + 3) / 4;
        float[] small = new float[sw * sh];
        float[] one = new float[sw * sh];
        Arrays.fill(one, 1);
        for (int y = 0; y < sh; y++) {
            for (int x = 0; x < sw; x++) {
                small[y * sw + x] = in[Math.min(h - 1, 4 * y) * w + Math.min(w - 1, 4 * x)];
            }
        }
        float[] blurred = Defocus.disc(small, sw, sh, radius / 4);
        float[] weight = Defocus.disc(one, sw, sh, radius / 4);
        float[] out = new float[in.length];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int at = y / 4 * sw + x / 4;
                out[y * w + x] = blurred[at] / weight[at];
            }
        }
        return out;
    }

    private static double encoded(double linear) {
        double v = Math.clamp(linear, 0, 1);
        return v <= 0.0031308 ? 12.92 * v : 1.055 * Math.pow(v, 1 / 2.4) - 0.055;
    }

    /// Steeper in the middle, flat at the ends.
    private static double curve(double v, double steep, double pivot) {
        return v < pivot ? pivot * Math.pow(v / pivot, steep) : 1 - (1 - pivot) * Math.pow((1 - v) / (1 - pivot), steep);
    }

    private static void sharpened(float[][] shown, int w, int h, SplittableRandom random) {
        double amount = random.nextDouble() < 0.25 ? 0 : 1.6 * random.nextDouble();
        double reach = 0.8 + 2.2 * random.nextDouble();
        float[] grey = luma(shown);
        float[] mean = Defocus.disc(grey, w, h, reach);
        for (int i = 0; i < grey.length; i++) {
            float more = (float) Math.clamp(amount * (grey[i] - mean[i]), -0.15, 0.15);
            for (float[] p : shown) {
                p[i] += more;
            }
        }
    }
}
