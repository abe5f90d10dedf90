package stillglass.look;

import boofcv.alg.filter.blur.BlurImageOps;
import boofcv.alg.filter.blur.GBlurImageOps;
import boofcv.struct.image.GrayF32;
import boofcv.struct.image.GrayU8;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/// Reads one photograph: aperture, clean glass, veil, patches, kinds.
public final class PhotoGrading {
    /// A veil below this share is not told from a clean glass.
    private static final double LEAST_VEIL = 0.03;

    private PhotoGrading() {}

    /// What a photograph shows.
    /// @param aperture in pixels of the stored photo
    /// @param veilFraction scattered light in the aperture over the reference light, 0 to 1
    /// @param yellowing blue over red through the glass relative to the surroundings; bright field only
    /// @param sectorVeils veil in 32 sectors (4 rings of equal area, 8 directions from 12 clockwise), for comparisons
    /// @param maskWidth width of the working mask
    /// @param mask levels of [FindingKind#maskLevel], row-major, working scale
    /// @param diagnostics what was assumed or is not good enough
    public record Graded(
            Lighting lighting,
            Aperture aperture,
            List<Finding> findings,
            double veilFraction,
            List<Double> sectorVeils,
            OptionalDouble yellowing,
            int maskWidth,
            Mask mask,
            List<String> diagnostics) {
        public Graded {
            findings = List.copyOf(findings);
            sectorVeils = List.copyOf(sectorVeils);
            diagnostics = List.copyOf(diagnostics);
        }
    }

    /// The painted mask at working scale.
    public static final class Mask {
        private final byte[] levels;

        Mask(byte[] levels) {
            this.levels = levels;
        }

        public int level(int at) {
            return levels[at];
        }

        public int size() {
            return levels.length;
        }
    }

    /// Outcome: graded, or refused with a reason and a better way to take the photo.
    public sealed interface Outcome {
        record Seen(Graded graded) implements Outcome {}

        record Refused(String why) implements Outcome {}
    }

    /// What is known beforehand.
    /// @param lighting empty to choose from the photo
    /// @param aperture empty to find it; in pixels of the stored photo
    /// @param referenceLight linear light of the bare lamp at the same exposure, if a lamp frame was taken
    public record Given(Optional<Lighting> lighting, Optional<Aperture> aperture, OptionalDouble referenceLight) {
        public static final Given NOTHING = new Given(Optional.empty(), Optional.empty(), OptionalDouble.empty());
    }

    /// Grades a photograph. Deterministic; about a second for 12 MP.
    /// @throws java.util.concurrent.CancellationException when `progress` asks to stop
    public static Outcome grade(LinearPhoto photo, Given given, Progress progress) {
        progress.at(0.05, "finding the clear aperture");
        int w = photo.width();
        int h = photo.height();
        float[] light = photo.luminance();
        Optional<Aperture> found = given.aperture()
                .map(a -> a.scaled(1 / photo.scale()))
                .or(() -> ApertureFinder.find(blurred(light, w, h, 1.2), w, h));
        if (found.isEmpty()) {
            return new Outcome.Refused("no round glass edge stands out in this photo: "
                    + "fill most of the frame with the lens, hold the camera square to it and light it from behind");
        }
        Aperture a = found.get();
        UnitFrame frame = new UnitFrame(a, w, h);
        double inside = mean(light, frame, 0, 0.9);
        double outside = mean(light, frame, 1.08, 9);
        Lighting lighting = given.lighting().orElse(inside > 0.22 && inside > 1.3 * outside || inside > 0.45
                ? Lighting.BRIGHT : Lighting.AGAINST);
        List<String> diagnostics = new ArrayList<>();
        progress.at(0.3, "flattening the lamp");
        CleanGlass clean = CleanGlass.fit(light, w, h, a, frame);
        float[] expected = clean.everywhere(frame);
        progress.at(0.5, "looking for specks and threads");
        double sign = lighting == Lighting.AGAINST ? 1 : -1;
        float[] departure = departure(light, expected, frame, sign);
        GrayU8 binary = detect(departure, w, h, a, frame);
        progress.at(0.7, "telling kinds apart");
        byte[] mask = new byte[w * h];
        List<Finding> findings = new ArrayList<>(classify(binary, departure, a, frame, mask));
        double reference = given.referenceLight().orElse(outside > 0.5 && lighting == Lighting.AGAINST ? outside : 1.0);
        double veil = veil(clean, lighting, reference, outside);
        if (lighting == Lighting.AGAINST) {
            haze(expected, frame, a, w, h, reference, mask).ifPresent(findings::add);
        }
        if (given.referenceLight().isEmpty()) {
            diagnostics.add("no lamp frame: the veil is relative to "
                    + (reference == 1.0 ? "full exposure" : "the surroundings"));
        }
        if (clipped(light, frame) > 0.05) {
            diagnostics.add("more than 5 % of the glass is overexposed: take it again at a shorter exposure");
        }
        findings.sort(Comparator.comparingInt(Finding::severity).thenComparingDouble(Finding::areaShare).reversed());
        progress.at(1, "done");
        OptionalDouble yellow = lighting == Lighting.BRIGHT ? yellowing(photo, frame) : OptionalDouble.empty();
        return new Outcome.Seen(new Graded(
                lighting, a.scaled(photo.scale()), findings, veil, sectors(light, frame, reference), yellow, w, new Mask(mask), diagnostics));
    }

    private static float[] blurred(float[] light, int w, int h, double sigma) {
        GrayF32 in = new GrayF32(w, h);
        System.arraycopy(light, 0, in.data, 0, light.length);
        return GBlurImageOps.gaussian(in, null, sigma, -1, null).data;
    }

    /// A wide blur by three running means, which come within 3 % of a Gaussian of that sigma at a fraction of its cost.
    /// Reference: W. M. Wells, IEEE PAMI 8 (1986).
    private static float[] widelyBlurred(float[] light, int w, int h, double sigma) {
        int radius = (int) Math.max(1, Math.round((Math.sqrt(4 * sigma * sigma + 1) - 1) / 2));
        GrayF32 in = new GrayF32(w, h);
        System.arraycopy(light, 0, in.data, 0, light.length);
        GrayF32 out = new GrayF32(w, h);
        GrayF32 between = new GrayF32(w, h);
        for (int pass = 0; pass < 3; pass++) {
            BlurImageOps.mean(in, out, radius, between, null);
            GrayF32 swap = in;
            in = out;
            out = swap;
        }
        return in.data;
    }

    private static double mean(float[] light, UnitFrame frame, double from, double to) {
        double sum = 0;
        long n = 0;
        for (int at = 0; at < light.length; at += 5) {
            if (frame.r[at] >= from && frame.r[at] < to) {
                sum += light[at];
                n++;
            }
        }
        return n == 0 ? 0 : sum / n;
    }

    private static double clipped(float[] light, UnitFrame frame) {
        long full = 0;
        long n = 0;
        for (int at = 0; at < light.length; at += 3) {
            if (frame.r[at] < 0.95) {
                n++;
                full += light[at] > 0.985 ? 1 : 0;
            }
        }
        return n == 0 ? 0 : full / (double) n;
    }

    private static float[] departure(float[] light, float[] expected, UnitFrame frame, double sign) {
        float[] out = new float[light.length];
        for (int at = 0; at < out.length; at++) {
            if (frame.r[at] < 0.975) {
                out[at] = (float) (sign * (light[at] - expected[at]));
            }
        }
        return out;
    }

    /// Fine structure: a small blur less a wide one, beyond five times its own robust scatter.
    private static GrayU8 detect(float[] departure, int w, int h, Aperture a, UnitFrame frame) {
        double fineSigma = Math.max(0.7, a.meanRadius() / 500);
        float[] fine = blurred(departure, w, h, fineSigma);
        float[] wide = widelyBlurred(departure, w, h, Math.max(6, a.meanRadius() * 0.05));
        int n = 0;
        double[] sample = new double[w * h / 7 + 1];
        for (int i = 0; i < fine.length; i += 7) {
            if (frame.r[i] < 0.95) {
                sample[n++] = Math.abs(fine[i] - wide[i]);
            }
        }
        double scatter = Math.max(5e-4, 1.4826 * LeastSquares.median(java.util.Arrays.copyOf(sample, Math.max(1, n))));
        GrayU8 binary = new GrayU8(w, h);
        for (int i = 0; i < fine.length; i++) {
            boolean stands = fine[i] - wide[i] > 5.5 * scatter;
            binary.data[i] = (byte) (stands && frame.r[i] < 0.96 ? 1 : 0);
        }
        return binary;
    }

    private static List<Finding> classify(GrayU8 binary, float[] departure, Aperture a, UnitFrame frame, byte[] mask) {
        int least = (int) Math.max(3, a.areaPx() * 2.5e-6);
        List<Patch> specks = new ArrayList<>();
        List<Finding> findings = new ArrayList<>();
        double sureSpecks = 0;
        double area = a.areaPx();
        double fungusPixels = 0;
        List<Patch> fungus = new ArrayList<>();
        List<KindJudge.Verdict> verdicts = new ArrayList<>();
        for (Patch p : Patches.of(binary, departure, a, frame, 0.03)) {
            if (p.pixels().length < least || p.rimArc()) {
                continue;
            }
            KindJudge.Verdict v = KindJudge.judge(p);
            if (v.kind() == FindingKind.DUST) {
                specks.add(p);
                sureSpecks += v.confidence();
                paint(mask, p, FindingKind.DUST);
            } else if (v.kind() == FindingKind.FUNGUS) {
                fungus.add(p);
                verdicts.add(v);
                fungusPixels += p.pixels().length;
                paint(mask, p, FindingKind.FUNGUS);
            } else {
                int severity = v.kind() == FindingKind.SCRATCH ? Severity.ofScratch(p.lengthRadii()) : 0;
                findings.add(finding(p, v, severity, area));
                paint(mask, p, v.kind());
            }
        }
        int severity = Severity.ofFungus(fungusPixels / area);
        for (int i = 0; i < fungus.size(); i++) {
            findings.add(finding(fungus.get(i), verdicts.get(i), severity, area));
        }
        if (!specks.isEmpty()) {
            findings.add(dust(specks, sureSpecks / specks.size(), area));
        }
        return findings;
    }

    private static void paint(byte[] mask, Patch p, FindingKind kind) {
        for (int at : p.pixels()) {
            mask[at] = (byte) Math.max(mask[at], kind.maskLevel());
            if (kind == FindingKind.FUNGUS) {
                mask[at] = (byte) kind.maskLevel();
            }
        }
    }

    private static Finding finding(Patch p, KindJudge.Verdict v, int severity, double area) {
        return new Finding(v.kind(), v.confidence(), List.of(new Finding.Region(p.outline())),
                p.pixels().length / area, 1, p.x(), p.y(), p.contrast(), severity, v.reasons());
    }

    private static Finding dust(List<Patch> specks, double confidence, double area) {
        double pixels = 0;
        double x = 0;
        double y = 0;
        double contrast = 0;
        List<Finding.Region> regions = new ArrayList<>();
        for (Patch p : specks) {
            pixels += p.pixels().length;
            x += p.x();
            y += p.y();
            contrast += p.contrast();
            regions.add(new Finding.Region(p.outline()));
        }
        int n = specks.size();
        return new Finding(FindingKind.DUST, confidence, regions, pixels / area, n, x / n, y / n, contrast / n,
                Severity.ofDust(n), List.of(n + (n == 1 ? " compact speck" : " compact specks or short fibres")));
    }

    private static List<Double> sectors(float[] light, UnitFrame frame, double reference) {
        double[] sum = new double[32];
        int[] n = new int[32];
        for (int at = 0; at < light.length; at += 3) {
            double r = frame.r[at];
            if (r < 0.95) {
                int ring = Math.min(3, (int) (4 * r * r / 0.9025));
                double turn = Math.atan2(frame.x[at], frame.y[at]) / (2 * Math.PI) + 1;
                int sector = ring * 8 + (int) (turn * 8) % 8;
                sum[sector] += light[at];
                n[sector]++;
            }
        }
        List<Double> veils = new ArrayList<>();
        for (int i = 0; i < sum.length; i++) {
            veils.add(n[i] == 0 ? 0.0 : Math.min(1, sum[i] / n[i] / reference));
        }
        return veils;
    }

    private static double veil(CleanGlass clean, Lighting lighting, double reference, double outside) {
        double sum = 0;
        int n = 0;
        for (double y = -0.95; y < 0.96; y += 0.05) {
            for (double x = -0.95; x < 0.96; x += 0.05) {
                if (x * x + y * y < 0.9) {
                    sum += clean.at(x, y);
                    n++;
                }
            }
        }
        double inside = sum / n;
        double share = lighting == Lighting.AGAINST
                ? inside / reference
                : outside > inside ? 1 - inside / outside : 0;
        return Math.max(0, Math.min(1, share));
    }

    /// Haze where the veil exceeds three percent and half its mean.
    private static Optional<Finding> haze(
            float[] expected, UnitFrame frame, Aperture a, int w, int h, double reference, byte[] mask) {
        double mean = mean(expected, frame, 0, 0.97) / reference;
        if (mean < LEAST_VEIL) {
            return Optional.empty();
        }
        GrayU8 region = new GrayU8(w, h);
        long pixels = 0;
        double weighted = 0;
        for (int at = 0; at < expected.length; at++) {
            double v = expected[at] / reference;
            if (frame.r[at] < 1 && v > LEAST_VEIL && v > mean / 2) {
                region.data[at] = 1;
                pixels++;
                weighted += v;
                if (mask[at] == 0) {
                    mask[at] = (byte) FindingKind.HAZE.maskLevel();
                }
            }
        }
        if (pixels == 0) {
            return Optional.empty();
        }
        List<Finding.Region> regions = boofcv.alg.filter.binary.BinaryImageOps
                .contour(region, boofcv.struct.ConnectRule.EIGHT, null).stream()
                .filter(c -> c.external.size() > 30)
                .map(c -> new Finding.Region(Patches.outline(c, a)))
                .toList();
        double confidence = 1 - Math.exp(-(mean - LEAST_VEIL / 2) / 0.03);
        return Optional.of(new Finding(FindingKind.HAZE, Math.min(0.99, confidence), regions, pixels / a.areaPx(), 1,
                0, 0, weighted / pixels * reference, Severity.ofHaze(mean), List.of(String.format(
                        Locale.ROOT, "smooth veil: %.1f %% of the light, over %.0f %% of the glass",
                        100 * mean, 100 * pixels / a.areaPx()))));
    }

    private static OptionalDouble yellowing(LinearPhoto photo, UnitFrame frame) {
        double[] sums = new double[4];
        for (int at = 0; at < frame.r.length; at += 3) {
            if (frame.r[at] < 0.8) {
                sums[0] += photo.blue(at);
                sums[1] += photo.red(at);
            } else if (frame.r[at] > 1.15) {
                sums[2] += photo.blue(at);
                sums[3] += photo.red(at);
            }
        }
        if (sums[1] <= 0 || sums[2] <= 0 || sums[3] <= 0) {
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(sums[0] / sums[1] / (sums[2] / sums[3]));
    }
}
