package stillglass.look.reading;

import boofcv.alg.filter.binary.BinaryImageOps;
import boofcv.struct.ConnectRule;
import boofcv.struct.image.GrayS32;
import boofcv.struct.image.GrayU8;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Optional;
import java.util.stream.IntStream;
import stillglass.look.LeastSquares;
import stillglass.look.Lighting;

/// The blades of an iris that is closed down, and before a card whatever else leaves an opening: the glass then has two levels of light or more, which no smooth surface fits.
///
/// Reference: N. Otsu, IEEE SMC 9 (1979), for the threshold, here on the logarithm of light. What it divides is taken for an iris when the
/// inner part is compact about the middle and as bright or dark against the outer as blades are in that lighting.
final class IrisEdge {
    private static final int BINS = 64;
    private static final double LEAST_SHARE = 0.015;
    /// Share of the glass on either side of the edge that a smooth surface can be fitted to.
    private static final double LEAST_CLEAR = 0.025;
    /// Light through the opening over light of the blades before a bright field, at least.
    private static final double BRIGHT_RATIO = 2.2;
    /// Light of the blades over light of the dark opening against the light, at least.
    private static final double AGAINST_RATIO = 1.5;
    private static final double COMPACT = 0.88;
    private static final double SURROUNDED = 0.8;
    /// Half the width of the edge of an opening at least and at most, pixels.
    private static final int BAND = 7;
    private static final int MOST_BAND = 24;
    /// Directions in which the edge is looked at.
    private static final int RAYS = 90;
    /// How often light before a card is parted at most.
    private static final int MOST_PARTS = 3;

    private IrisEdge() {}

    /// @param blades 1 on the blades, for every pixel of the frame
    /// @param band 1 along the edge of the opening, where nothing can be judged
    record Found(GrayU8 blades, GrayU8 band) {}

    static Optional<Found> find(GlassFrame frame, Lighting lighting) {
        float[] light = Maps.gaussian(frame.light, 3);
        if (lighting == Lighting.AGAINST) {
            return divided(light, frame, parted(light, frame, threshold(light, frame, Double.NEGATIVE_INFINITY), false), false);
        }
        // Light and dark walls of the barrel may lie farther apart than the lighter ones and the card: what lies above is parted again.
        double threshold = Double.NEGATIVE_INFINITY;
        for (int part = 0; part < MOST_PARTS; part++) {
            threshold = threshold(light, frame, threshold);
            Optional<Found> found = largest(parted(light, frame, threshold, true)).flatMap(opening -> divided(light, frame, opening, true));
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    /// 1 where light lies on the side of the threshold on which an opening does in that lighting.
    private static GrayU8 parted(float[] light, GlassFrame frame, double threshold, boolean bright) {
        GrayU8 opening = new GrayU8(GlassFrame.SIDE, GlassFrame.SIDE);
        for (int i = 0; i < light.length; i++) {
            opening.data[i] = (byte) (frame.r[i] < 0.97 && Math.log(light[i] + 0.004) > threshold == bright ? 1 : 0);
        }
        return opening;
    }

    /// Before a card there is one opening; what else is as light is a reflection on the walls.
    private static Optional<GrayU8> largest(GrayU8 parts) {
        GrayS32 labels = new GrayS32(parts.width, parts.height);
        int[] size = new int[BinaryImageOps.contour(parts, ConnectRule.FOUR, labels).size() + 1];
        for (int label : labels.data) {
            size[label]++;
        }
        return IntStream.range(1, size.length).boxed().max(Comparator.comparingInt(k -> size[k])).map(k -> {
            GrayU8 out = new GrayU8(parts.width, parts.height);
            for (int i = 0; i < out.data.length; i++) {
                out.data[i] = (byte) (labels.data[i] == k ? 1 : 0);
            }
            return out;
        });
    }

    private static Optional<Found> divided(float[] light, GlassFrame frame, GrayU8 opening, boolean bright) {
        double[] sum = new double[2];
        int[] count = new int[2];
        for (int i = 0; i < light.length; i++) {
            if (frame.r[i] < 0.97) {
                sum[opening.data[i]] += light[i];
                count[opening.data[i]]++;
            }
        }
        int all = Math.max(1, count[0] + count[1]);
        if (count[0] < LEAST_SHARE * all || count[1] < LEAST_SHARE * all) {
            return Optional.empty();
        }
        double inner = sum[1] / count[1] + 0.002;
        double outer = sum[0] / count[0] + 0.002;
        if ((bright ? inner / outer : outer / inner) < (bright ? BRIGHT_RATIO : AGAINST_RATIO) || !compact(opening) || !surrounded(opening, frame)) {
            return Optional.empty();
        }
        GrayU8 closed = Morphology.narrower(Morphology.wider(opening, 6), 6);
        int half = bright ? band(light, closed, inner, outer) : BAND;
        GrayU8 wide = Morphology.wider(closed, half);
        GrayU8 narrow = Morphology.narrower(closed, half);
        GrayU8 blades = new GrayU8(GlassFrame.SIDE, GlassFrame.SIDE);
        GrayU8 band = new GrayU8(GlassFrame.SIDE, GlassFrame.SIDE);
        int within = 0;
        int without = 0;
        for (int i = 0; i < light.length; i++) {
            within += narrow.data[i] != 0 && frame.r[i] < 0.96 ? 1 : 0;
            without += wide.data[i] == 0 && frame.r[i] < 0.96 ? 1 : 0;
        }
        if (within < LEAST_CLEAR * all || without < LEAST_CLEAR * all) {
            return Optional.empty();
        }
        for (int i = 0; i < light.length; i++) {
            band.data[i] = (byte) (wide.data[i] != 0 && narrow.data[i] == 0 ? 1 : 0);
            blades.data[i] = (byte) (closed.data[i] == 0 ? 1 : 0);
        }
        return Optional.of(new Found(blades, band));
    }

    /// Half the width of what cannot be judged about the edge of an opening before a card: an iris out of focus has a soft one, as wide as what is neither card nor blades along most rays from its middle.
    private static int band(float[] light, GrayU8 opening, double inner, double outer) {
        double[] middle = middle(opening);
        double[] widths = new double[RAYS];
        for (int k = 0; k < RAYS; k++) {
            double cos = Math.cos(2 * Math.PI * k / RAYS) / GlassFrame.RADIUS;
            double sin = Math.sin(2 * Math.PI * k / RAYS) / GlassFrame.RADIUS;
            int edge = 0;
            for (int r = 0; r < GlassFrame.RADIUS; r++) {
                edge = opening.data[GlassFrame.at(middle[0] + r * cos, middle[1] + r * sin)] != 0 ? r : edge;
            }
            for (int r = Math.max(0, edge - MOST_BAND); r <= edge + MOST_BAND; r++) {
                double level = (light[GlassFrame.at(middle[0] + r * cos, middle[1] + r * sin)] - outer) / (inner - outer);
                widths[k] += level > 0.2 && level < 0.8 ? 1 : 0;
            }
        }
        return (int) Math.clamp(Math.round(LeastSquares.median(widths)), BAND, MOST_BAND);
    }

    private static double[] middle(GrayU8 opening) {
        double[] out = new double[2];
        int n = 0;
        for (int i = 0; i < opening.data.length; i++) {
            if (opening.data[i] != 0) {
                out[0] += GlassFrame.x(i);
                out[1] += GlassFrame.y(i);
                n++;
            }
        }
        out[0] /= Math.max(1, n);
        out[1] /= Math.max(1, n);
        return out;
    }

    /// @param above logarithm of light from which on it is parted
    private static double threshold(float[] light, GlassFrame frame, double above) {
        double[] log = new double[light.length / 11 + 1];
        int n = 0;
        for (int i = 0; i < light.length; i += 11) {
            double value = Math.log(light[i] + 0.004);
            if (frame.r[i] < 0.97 && value > above) {
                log[n++] = value;
            }
        }
        if (n == 0) {
            return above;
        }
        double[] sorted = Arrays.copyOf(log, n);
        Arrays.sort(sorted);
        double low = sorted[n / 100];
        double high = sorted[n - 1 - n / 100];
        int[] histogram = new int[BINS];
        for (double v : sorted) {
            histogram[(int) Math.clamp((v - low) / Math.max(1e-6, high - low) * BINS, 0, BINS - 1)]++;
        }
        double total = 0;
        for (int b = 0; b < BINS; b++) {
            total += b * (double) histogram[b];
        }
        double below = 0;
        double belowSum = 0;
        double best = -1;
        int at = BINS / 2;
        for (int b = 0; b < BINS - 1; b++) {
            below += histogram[b];
            belowSum += b * (double) histogram[b];
            double upper = n - below;
            if (below > 0 && upper > 0) {
                double apart = belowSum / below - (total - belowSum) / upper;
                double between = below * upper * apart * apart;
                if (between > best) {
                    best = between;
                    at = b;
                }
            }
        }
        return low + (at + 1.0) / BINS * (high - low);
    }

    /// Whether blades lie all along the rim: a bright fault to one side leaves a compact rest as well.
    private static boolean surrounded(GrayU8 opening, GlassFrame frame) {
        int rim = 0;
        int blades = 0;
        for (int i = 0; i < opening.data.length; i++) {
            if (frame.r[i] > 0.88 && frame.r[i] < 0.96) {
                rim++;
                blades += opening.data[i] == 0 ? 1 : 0;
            }
        }
        return blades > SURROUNDED * rim;
    }

    /// Whether most of the opening lies in the circle of its own area about its own middle, and that not far from the middle of the glass.
    private static boolean compact(GrayU8 opening) {
        double[] middle = middle(opening);
        int n = 0;
        for (byte open : opening.data) {
            n += open;
        }
        double r2 = n / (Math.PI * GlassFrame.RADIUS * GlassFrame.RADIUS);
        int within = 0;
        for (int i = 0; i < opening.data.length; i++) {
            if (opening.data[i] != 0) {
                double dx = GlassFrame.x(i) - middle[0];
                double dy = GlassFrame.y(i) - middle[1];
                within += dx * dx + dy * dy < r2 ? 1 : 0;
            }
        }
        return Math.hypot(middle[0], middle[1]) < 0.35 && within > COMPACT * n;
    }
}
