package stillglass.benchmarks.look;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import stillglass.look.Progress;
import stillglass.look.kinds.KindModel;
import stillglass.look.reading.PhotoGrading;
import stillglass.say.Wording;

/// Pictures of other things, drawn: a page of text, a coin, noise, a wall with a gradient, leaves that lie over one another (whose edges and contrasts are those of natural photographs: A. B. Lee, D. Mumford, J. Huang, *International Journal of Computer Vision* 41 (2001)), clouds, a clock, a wheel.
final class NotLenses {
    private static final int W = 1000;
    private static final int H = 760;
    private static final int SEEDS = 12;

    private NotLenses() {}

    /// What is to be refused with a reason.
    static Map<String, BufferedImage> pictures(long seed) {
        Map<String, BufferedImage> out = new LinkedHashMap<>();
        out.put("a page of text", page(seed));
        out.put("a coin face on", coin(seed));
        out.put("noise", noise(seed));
        out.put("a wall", wall(seed));
        out.put("clouds", clouds(seed));
        return out;
    }

    /// What may be taken for a lens: then it is told what is named in it.
    static Map<String, BufferedImage> others(long seed) {
        Map<String, BufferedImage> out = new LinkedHashMap<>();
        out.put("leaves", leaves(seed));
        out.put("a clock", clock(seed));
        out.put("a wheel", wheel(seed));
        return out;
    }

    static String report(KindModel model) {
        Map<String, List<BufferedImage>> drawn = new LinkedHashMap<>();
        for (long seed = 0; seed < SEEDS; seed++) {
            Map<String, BufferedImage> all = new LinkedHashMap<>(pictures(seed));
            all.putAll(others(seed));
            all.forEach((name, picture) -> drawn.computeIfAbsent(name, n -> new ArrayList<>()).add(picture));
        }
        return HEAD + drawn.entrySet().stream().map(e -> Tried.of(e.getValue(), model).row(e.getKey())).collect(Collectors.joining());
    }

    static final String HEAD = "| picture | refused | kinds named in one that was not | reason |\n|---|---|---|---|\n";

    /// What was made of pictures.
    /// @param named kinds named in those that were not refused, all together
    /// @param why the reason of the last one refused
    record Tried(int pictures, int refused, int named, String why) {
        static final Tried NONE = new Tried(0, 0, 0, "–");

        static Tried of(List<BufferedImage> pictures, KindModel model) {
            int refused = 0;
            int named = 0;
            String why = "–";
            for (BufferedImage picture : pictures) {
                switch (PhotoGrading.grade(Labels.linear(picture), PhotoGrading.Given.NOTHING, model, Progress.SILENT)) {
                    case PhotoGrading.Outcome.Refused r -> {
                        refused++;
                        why = Wording.core().say(r.why());
                    }
                    case PhotoGrading.Outcome.Seen seen -> named += Trial.named(seen.graded().findings()).size();
                }
            }
            return new Tried(pictures.size(), refused, named, why);
        }

        /// Both together, each refused for its own reasons.
        Tried and(Tried more) {
            return new Tried(pictures + more.pictures, refused + more.refused, named + more.named, NONE.why);
        }

        String row(String name) {
            int seen = pictures - refused;
            return String.format(Locale.ROOT, "| %s | %d of %d | %s | %s |%n", name, refused, pictures, seen == 0 ? "–" : String.format(Locale.ROOT, "%.1f", named / (double) seen), why);
        }
    }

    private static BufferedImage page(long seed) {
        SplittableRandom random = new SplittableRandom(seed + 11);
        BufferedImage out = filled(0xE8E4DC);
        var g = out.createGraphics();
        g.setColor(new Color(0x202020));
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

    /// Discs of any size, the numbers of which fall with the cube of it, over one another.
    private static BufferedImage leaves(long seed) {
        SplittableRandom random = new SplittableRandom(seed + 31);
        BufferedImage out = filled(0x404838);
        Graphics2D g = smooth(out);
        for (int i = 0; i < 5000; i++) {
            // The largest lie below; radii from 4 to 300 with density r^-3.
            double u = random.nextDouble();
            double r = 1 / Math.sqrt(1 / 16.0 - u * (1 / 16.0 - 1 / 90_000.0));
            float light = (float) Math.min(1, 0.15 + 0.85 * random.nextDouble());
            g.setColor(Color.getHSBColor((float) (0.08 + 0.3 * random.nextDouble()), 0.5f, light));
            double flat = 0.5 + 0.5 * random.nextDouble();
            g.rotate(6.3 * random.nextDouble(), W / 2.0, H / 2.0);
            g.fill(new Ellipse2D.Double(W * (1.6 * random.nextDouble() - 0.3) - r, H * (1.6 * random.nextDouble() - 0.3) - r * flat, 2 * r, 2 * r * flat));
            g.setTransform(new AffineTransform());
        }
        g.dispose();
        return out;
    }

    /// Waves of every length, as strong as they are long.
    private static BufferedImage clouds(long seed) {
        SplittableRandom random = new SplittableRandom(seed + 37);
        double[][] waves = new double[90][4];
        for (double[] w : waves) {
            double length = 20 * Math.pow(50, random.nextDouble());
            w[0] = 2 * Math.PI / length;
            w[1] = 6.3 * random.nextDouble();
            w[2] = 6.3 * random.nextDouble();
            w[3] = length / 1000;
        }
        BufferedImage out = filled(0);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double v = 0.5;
                for (double[] w : waves) {
                    v += 0.12 * w[3] * Math.sin(w[0] * (x * Math.cos(w[1]) + y * Math.sin(w[1])) + w[2]);
                }
                int g = (int) Math.clamp(255 * v + 2 * random.nextGaussian(), 0, 255);
                out.setRGB(x, y, (int) (0.8 * g) << 16 | (int) (0.9 * g) << 8 | g);
            }
        }
        return out;
    }

    private static BufferedImage clock(long seed) {
        SplittableRandom random = new SplittableRandom(seed + 41);
        BufferedImage out = filled(0x6A5A48);
        Graphics2D g = smooth(out);
        double r = 240 + 90 * random.nextDouble();
        g.setColor(new Color(0x2A241E));
        g.fill(new Ellipse2D.Double(W / 2.0 - 1.1 * r, H / 2.0 - 1.1 * r, 2.2 * r, 2.2 * r));
        g.setColor(new Color(0xEDE6D6));
        g.fill(new Ellipse2D.Double(W / 2.0 - r, H / 2.0 - r, 2 * r, 2 * r));
        g.setColor(new Color(0x1C1C1C));
        for (int m = 0; m < 60; m++) {
            ray(g, m * Math.PI / 30, m % 5 == 0 ? 0.8 * r : 0.88 * r, 0.94 * r, m % 5 == 0 ? 7 : 2);
        }
        ray(g, 6.3 * random.nextDouble(), -0.1 * r, 0.55 * r, 12);
        ray(g, 6.3 * random.nextDouble(), -0.15 * r, 0.85 * r, 7);
        g.dispose();
        return out;
    }

    private static BufferedImage wheel(long seed) {
        SplittableRandom random = new SplittableRandom(seed + 43);
        BufferedImage out = filled(0x8C9078);
        Graphics2D g = smooth(out);
        double r = 240 + 90 * random.nextDouble();
        g.setColor(new Color(0x202020));
        g.setStroke(new BasicStroke((float) (0.14 * r)));
        g.draw(new Ellipse2D.Double(W / 2.0 - r, H / 2.0 - r, 2 * r, 2 * r));
        g.setColor(new Color(0xB0B0AC));
        int spokes = 12 + random.nextInt(24);
        for (int k = 0; k < spokes; k++) {
            ray(g, 2 * Math.PI * k / spokes, 0.08 * r, 0.94 * r, 3);
        }
        g.fill(new Ellipse2D.Double(W / 2.0 - 0.1 * r, H / 2.0 - 0.1 * r, 0.2 * r, 0.2 * r));
        g.dispose();
        return out;
    }

    private static void ray(Graphics2D g, double way, double from, double to, float wide) {
        g.setStroke(new BasicStroke(wide));
        g.draw(new Line2D.Double(W / 2.0 + from * Math.sin(way), H / 2.0 - from * Math.cos(way), W / 2.0 + to * Math.sin(way), H / 2.0 - to * Math.cos(way)));
    }

    private static Graphics2D smooth(BufferedImage on) {
        Graphics2D g = on.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        return g;
    }

    private static BufferedImage filled(int rgb) {
        BufferedImage out = new BufferedImage(W, H, BufferedImage.TYPE_3BYTE_BGR);
        var g = out.createGraphics();
        g.setColor(new Color(rgb));
        g.fillRect(0, 0, W, H);
        g.dispose();
        return out;
    }
}
