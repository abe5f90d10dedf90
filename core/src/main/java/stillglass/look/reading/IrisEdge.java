package stillglass.look.reading;

import boofcv.alg.filter.binary.BinaryImageOps;
import boofcv.struct.image.GrayU8;
import java.util.Arrays;
import java.util.Optional;
import stillglass.look.Lighting;

/// The blades of an iris that is closed down: the glass then has two levels of light, which no smooth surface fits.
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
    private static final int BAND = 7;

    private IrisEdge() {}

    /// @param blades 1 on the blades, for every pixel of the frame
    /// @param band 1 along the edge of the opening, where nothing can be judged
    record Found(GrayU8 blades, GrayU8 band) {}

    static Optional<Found> find(GlassFrame frame, Lighting lighting) {
        float[] light = Maps.gaussian(frame.light, 3);
        double threshold = threshold(light, frame);
        boolean bright = lighting == Lighting.BRIGHT;
        GrayU8 opening = new GrayU8(GlassFrame.SIDE, GlassFrame.SIDE);
        double[] sum = new double[2];
        int[] count = new int[2];
        for (int i = 0; i < light.length; i++) {
            if (frame.r[i] < 0.97) {
                boolean open = Math.log(light[i] + 0.004) > threshold == bright;
                opening.data[i] = (byte) (open ? 1 : 0);
                sum[open ? 1 : 0] += light[i];
                count[open ? 1 : 0]++;
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
        GrayU8 closed = BinaryImageOps.erode8(BinaryImageOps.dilate8(opening, 6, null), 6, null);
        GrayU8 wide = BinaryImageOps.dilate8(closed, BAND, null);
        GrayU8 narrow = BinaryImageOps.erode8(closed, BAND, null);
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

    private static double threshold(float[] light, GlassFrame frame) {
        double[] log = new double[light.length / 11 + 1];
        int n = 0;
        for (int i = 0; i < light.length; i += 11) {
            if (frame.r[i] < 0.97) {
                log[n++] = Math.log(light[i] + 0.004);
            }
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
            double above = n - below;
            if (below > 0 && above > 0) {
                double apart = belowSum / below - (total - belowSum) / above;
                double between = below * above * apart * apart;
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
        double x = 0;
        double y = 0;
        int n = 0;
        for (int i = 0; i < opening.data.length; i++) {
            if (opening.data[i] != 0) {
                x += GlassFrame.x(i);
                y += GlassFrame.y(i);
                n++;
            }
        }
        double cx = x / n;
        double cy = y / n;
        double r2 = n / (Math.PI * GlassFrame.RADIUS * GlassFrame.RADIUS);
        int within = 0;
        for (int i = 0; i < opening.data.length; i++) {
            if (opening.data[i] != 0) {
                double dx = GlassFrame.x(i) - cx;
                double dy = GlassFrame.y(i) - cy;
                within += dx * dx + dy * dy < r2 ? 1 : 0;
            }
        }
        return Math.hypot(cx, cy) < 0.35 && within > COMPACT * n;
    }
}
