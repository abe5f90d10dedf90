package stillglass.benchmarks.look;

import java.awt.image.BufferedImage;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import stillglass.look.Progress;
import stillglass.look.kinds.KindModel;
import stillglass.look.reading.PhotoGrading;
import stillglass.say.Wording;

/// Pictures of other things: a page of text, a coin, noise, a wall with a gradient. They are to be refused with a reason.
final class NotLenses {
    private static final int W = 1000;
    private static final int H = 760;

    private NotLenses() {}

    static Map<String, BufferedImage> pictures(long seed) {
        Map<String, BufferedImage> out = new LinkedHashMap<>();
        out.put("a page of text", page(seed));
        out.put("a coin face on", coin(seed));
        out.put("noise", noise(seed));
        out.put("a wall", wall(seed));
        return out;
    }

    static String report(KindModel model) {
        StringBuilder out = new StringBuilder("| picture | refused | reason |\n|---|---|---|\n");
        Map<String, Integer> refused = new LinkedHashMap<>();
        Map<String, String> why = new LinkedHashMap<>();
        for (long seed = 0; seed < 12; seed++) {
            pictures(seed).forEach((name, picture) -> {
                var o = PhotoGrading.grade(Labels.linear(picture), PhotoGrading.Given.NOTHING, model, Progress.SILENT);
                refused.merge(name, o instanceof PhotoGrading.Outcome.Refused ? 1 : 0, Integer::sum);
                if (o instanceof PhotoGrading.Outcome.Refused r) {
                    why.put(name, Wording.core().say(r.why()));
                }
            });
        }
        refused.forEach((name, n) -> out.append(String.format(Locale.ROOT, "| %s | %d of 12 | %s |%n", name, n, why.getOrDefault(name, "–"))));
        return out.toString();
    }

    private static BufferedImage page(long seed) {
        SplittableRandom random = new SplittableRandom(seed + 11);
        BufferedImage out = filled(0xE8E4DC);
        var g = out.createGraphics();
        g.setColor(new java.awt.Color(0x202020));
        for (int y = 60; y < H - 60; y += 22) {
            for (int x = 70; x < W - 90; x += 9) {
                if (random.nextDouble() < 0.84) {
                    for (int s = 0; s < 3; s++) {
                        g.drawLine(x + random.nextInt(7), y + random.nextInt(13), x + random.nextInt(7), y + random.nextInt(13));
                    }
                }
            }
        }
        g.dispose();
        return out;
    }

    private static BufferedImage coin(long seed) {
        SplittableRandom random = new SplittableRandom(seed + 23);
        double[][] waves = new double[14][4];
        for (double[] w : waves) {
            w[0] = 0.02 + 0.16 * random.nextDouble();
            w[1] = 6.3 * random.nextDouble();
            w[2] = 6.3 * random.nextDouble();
            w[3] = 0.05 + 0.10 * random.nextDouble();
        }
        BufferedImage out = filled(0x30302C);
        double r = 250 + 60 * random.nextDouble();
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double u = Math.hypot(x - W / 2.0, y - H / 2.0);
                if (u < r) {
                    double v = 0.50 + (u > r * 0.93 ? 0.18 : 0);
                    for (double[] w : waves) {
                        v += w[3] * Math.tanh(3 * Math.sin(w[0] * (x * Math.cos(w[1]) + y * Math.sin(w[1])) + w[2]));
                    }
                    int g = (int) Math.clamp(255 * v + 3 * random.nextGaussian(), 0, 255);
                    out.setRGB(x, y, g << 16 | (int) (g * 0.94) << 8 | (int) (g * 0.8));
                }
            }
        }
        return out;
    }

    private static BufferedImage noise(long seed) {
        SplittableRandom random = new SplittableRandom(seed + 5);
        BufferedImage out = filled(0);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                out.setRGB(x, y, random.nextInt(0x1000000));
            }
        }
        return out;
    }

    private static BufferedImage wall(long seed) {
        SplittableRandom random = new SplittableRandom(seed + 7);
        BufferedImage out = filled(0);
        double turn = 6.3 * random.nextDouble();
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                int g = (int) Math.clamp(120 + 0.06 * (x * Math.cos(turn) + y * Math.sin(turn)) + 4 * random.nextGaussian(), 0, 255);
                out.setRGB(x, y, g << 16 | g << 8 | g);
            }
        }
        return out;
    }

    private static BufferedImage filled(int rgb) {
        BufferedImage out = new BufferedImage(W, H, BufferedImage.TYPE_3BYTE_BGR);
        var g = out.createGraphics();
        g.setColor(new java.awt.Color(rgb));
        g.fillRect(0, 0, W, H);
        g.dispose();
        return out;
    }
}
