package stillglass.benchmarks.look;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.awt.image.ConvolveOp;
import java.awt.image.Kernel;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.LongStream;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.look.Progress;
import stillglass.look.SameFault;
import stillglass.look.kinds.KindModel;
import stillglass.look.reading.PhotoGrading;
import stillglass.optics.LensSection;
import stillglass.sim.photo.RandomScene;
import stillglass.sim.photo.Sensor;

/// The same photo turned, scaled, recompressed, exposed otherwise, blurred and cut: how often that changes which kinds are named.
final class Robustness {
    private Robustness() {}

    static Map<String, UnaryOperator<BufferedImage>> changes() {
        Map<String, UnaryOperator<BufferedImage>> all = new LinkedHashMap<>();
        all.put("turned by 90°", p -> turned(p, Math.PI / 2));
        all.put("turned by 7°", p -> turned(p, Math.toRadians(7)));
        all.put("three quarters the size", p -> scaled(p, 0.75));
        all.put("JPEG 70", p -> Sensor.jpeg(p, 0.70));
        all.put("+1 EV", p -> exposed(p, 2));
        all.put("-1 EV", p -> exposed(p, 0.5));
        all.put("blurred by one pixel", Robustness::blurred);
        all.put("5 % cut off", p -> p.getSubimage(p.getWidth() / 40, p.getHeight() / 40, p.getWidth() * 19 / 20, p.getHeight() * 19 / 20));
        return all;
    }

    static String report(int scenes, long from, KindModel model) {
        StringBuilder out = new StringBuilder("| change (" + scenes + " photos) | kinds named differ | of 11 yes/no answers differ |\n|---|---|---|\n");
        List<LensSection> lenses = Seeds.lenses();
        for (Map.Entry<String, UnaryOperator<BufferedImage>> change : changes().entrySet()) {
            List<Integer> differing = LongStream.range(from, from + scenes).parallel().mapToObj(seed -> {
                BufferedImage photo = RandomScene.of(seed, lenses).shoot().picture();
                Set<FindingKind> before = named(photo, model);
                Set<FindingKind> after = named(change.getValue().apply(photo), model);
                return (int) java.util.Arrays.stream(FindingKind.values()).filter(k -> before.contains(k) != after.contains(k)).count();
            }).toList();
            double photos = differing.stream().filter(d -> d > 0).count() / (double) scenes;
            double answers = differing.stream().mapToInt(d -> d).sum() / (11.0 * scenes);
            out.append(String.format(Locale.ROOT, "| %s | %.0f %% | %.1f %% |%n", change.getKey(), 100 * photos, 100 * answers));
        }
        return out.toString();
    }

    /// Scatter of the logarithm of a finding's area between two photos of one scene that differ by what is accidental: noise, reflections, rims.
    static String areas(int scenes, long from, KindModel model) {
        List<LensSection> lenses = Seeds.lenses();
        double[] off = LongStream.range(from, from + scenes).parallel().boxed().flatMap(seed -> {
            RandomScene one = RandomScene.of(seed, lenses);
            RandomScene two = new RandomScene(one.lens(), one.truth(), one.pose().again(seed + 7), one.jpegQuality(), one.world());
            List<Finding> first = findings(one.shoot().picture(), model);
            List<Finding> second = findings(two.shoot().picture(), model);
            return first.stream().filter(f -> f.kind() != FindingKind.UNKNOWN && f.areaShare() > 0)
                    .flatMap(f -> SameFault.in(second.stream().filter(o -> o.kind() == f.kind()).toList(), f).stream()
                            .map(o -> Math.abs(Math.log(o.areaShare() / f.areaShare()))));
        }).mapToDouble(d -> d).sorted().toArray();
        return off.length == 0 ? "No finding was seen twice." : String.format(Locale.ROOT, "%d findings seen in two photos of the same scene: robust scatter of the "
                + "logarithm of the area in one photo %.2f.", off.length, 1.4826 * off[off.length / 2] / Math.sqrt(2));
    }

    private static List<Finding> findings(BufferedImage photo, KindModel model) {
        return PhotoGrading.grade(Labels.linear(photo), PhotoGrading.Given.NOTHING, model, Progress.SILENT) instanceof PhotoGrading.Outcome.Seen s
                ? s.graded().findings() : List.of();
    }

    private static Set<FindingKind> named(BufferedImage photo, KindModel model) {
        return Trial.named(findings(photo, model));
    }

    private static BufferedImage drawn(BufferedImage p, int w, int h, AffineTransform way) {
        BufferedImage out = new BufferedImage(w, h, BufferedImage.TYPE_3BYTE_BGR);
        Graphics2D g = out.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        g.drawImage(p, way, null);
        g.dispose();
        return out;
    }

    private static BufferedImage turned(BufferedImage p, double radians) {
        boolean quarter = radians > 1;
        int w = quarter ? p.getHeight() : p.getWidth();
        int h = quarter ? p.getWidth() : p.getHeight();
        AffineTransform way = AffineTransform.getTranslateInstance(w / 2.0, h / 2.0);
        way.rotate(radians);
        // A small turn leaves empty corners; the picture is drawn a little larger instead.
        way.scale(quarter ? 1 : 1.12, quarter ? 1 : 1.12);
        way.translate(-p.getWidth() / 2.0, -p.getHeight() / 2.0);
        return drawn(p, w, h, way);
    }

    private static BufferedImage scaled(BufferedImage p, double factor) {
        return drawn(p, (int) (p.getWidth() * factor), (int) (p.getHeight() * factor), AffineTransform.getScaleInstance(factor, factor));
    }

    private static BufferedImage exposed(BufferedImage p, double gain) {
        BufferedImage out = new BufferedImage(p.getWidth(), p.getHeight(), BufferedImage.TYPE_3BYTE_BGR);
        int[] table = new int[256];
        for (int i = 0; i < 256; i++) {
            double l = Math.min(1, gain * stillglass.look.LinearPhoto.linear(i / 255.0));
            table[i] = (int) Math.round(255 * (l <= 0.0031308 ? 12.92 * l : 1.055 * Math.pow(l, 1 / 2.4) - 0.055));
        }
        for (int y = 0; y < p.getHeight(); y++) {
            for (int x = 0; x < p.getWidth(); x++) {
                int v = p.getRGB(x, y);
                out.setRGB(x, y, table[v >> 16 & 255] << 16 | table[v >> 8 & 255] << 8 | table[v & 255]);
            }
        }
        return out;
    }

    private static BufferedImage blurred(BufferedImage p) {
        float[] k = {1 / 16f, 2 / 16f, 1 / 16f, 2 / 16f, 4 / 16f, 2 / 16f, 1 / 16f, 2 / 16f, 1 / 16f};
        BufferedImage plain = drawn(p, p.getWidth(), p.getHeight(), new AffineTransform());
        return new ConvolveOp(new Kernel(3, 3, k), ConvolveOp.EDGE_NO_OP, null).filter(plain, null);
    }
}
