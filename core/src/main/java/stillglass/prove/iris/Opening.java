package stillglass.prove.iris;

import java.util.Arrays;
import java.util.Optional;
import stillglass.prove.edge.LightPlane;

/// The bright opening in a photo: distance of its edge from its middle in every direction, to fractions of a pixel.
///
/// @param cx middle, pixels
/// @param cy the same
/// @param radius distance of the edge in [#DIRECTIONS] directions, the first upwards, clockwise; pixels
/// @param saturated whether the opening is cut at white, so that it looks larger
@SuppressWarnings("ArrayRecordComponent")
public record Opening(double cx, double cy, double[] radius, boolean saturated) {
    static final int DIRECTIONS = 720;
    private static final double LEAST_PIXELS = 200;
    private static final double LEAST_CONTRAST = 0.1;
    private static final double WHITE = 0.99;
    private static final int ROUNDS = 3;

    /// @return nothing when no bright opening lies whole in the photo
    public static Optional<Opening> in(LightPlane photo) {
        double[] levels = levels(photo);
        double dark = levels[0];
        double bright = levels[1];
        if (!(bright - dark > LEAST_CONTRAST * bright)) {
            return Optional.empty();
        }
        Blob blob = Blob.largest(photo, (dark + bright) / 2);
        if (blob.pixels() < LEAST_PIXELS) {
            return Optional.empty();
        }
        double cx = blob.x();
        double cy = blob.y();
        double[] r = new double[DIRECTIONS];
        for (int round = 0; round < ROUNDS; round++) {
            for (int i = 0; i < DIRECTIONS; i++) {
                r[i] = edge(photo, blob, cx, cy, 2 * Math.PI * i / DIRECTIONS, dark);
                if (Double.isNaN(r[i])) {
                    return Optional.empty();
                }
            }
            double[] c = centroid(r);
            cx += c[0];
            cy += c[1];
        }
        return Optional.of(new Opening(cx, cy, r, bright >= WHITE));
    }

    public double area() {
        return Arrays.stream(radius).map(v -> v * v).sum() * Math.PI / DIRECTIONS;
    }

    public double meanRadius() {
        return Math.sqrt(area() / Math.PI);
    }

    /// Distance of the edge that is farthest out, pixels.
    public double longest() {
        return Arrays.stream(radius).max().orElse(0);
    }

    /// Distance from the middle as a share of that of the edge in the same direction: below 1 inside.
    public double share(double x, double y) {
        double turn = Math.atan2(x - cx, cy - y) / (2 * Math.PI);
        return Math.hypot(x - cx, y - cy) / radius[Math.floorMod((int) Math.round(turn * DIRECTIONS), DIRECTIONS)];
    }

    /// Two levels that part the pixels best (N. Otsu, IEEE Trans. SMC 9, 1979).
    private static double[] levels(LightPlane p) {
        int[] count = new int[256];
        for (float v : p.light()) {
            count[(int) Math.clamp(Math.sqrt(Math.max(0, v)) * 255, 0, 255)]++;
        }
        double all = p.light().length;
        double sum = 0;
        for (int i = 0; i < 256; i++) {
            sum += (double) i * count[i];
        }
        double below = 0;
        double sumBelow = 0;
        double best = -1;
        int cut = 128;
        for (int i = 0; i < 255; i++) {
            below += count[i];
            sumBelow += (double) i * count[i];
            if (below > 0 && below < all) {
                double apart = sumBelow / below - (sum - sumBelow) / (all - below);
                double between = below * (all - below) * apart * apart;
                if (between > best) {
                    best = between;
                    cut = i;
                }
            }
        }
        double limit = Math.pow((cut + 0.5) / 255, 2);
        float[] low = filtered(p.light(), limit, true);
        float[] high = filtered(p.light(), limit, false);
        return new double[] {low.length == 0 ? 0 : low[low.length / 2], high.length == 0 ? 0 : high[high.length / 2]};
    }

    private static float[] filtered(float[] light, double limit, boolean below) {
        float[] out = new float[light.length];
        int n = 0;
        for (float v : light) {
            if (v < limit == below) {
                out[n++] = v;
            }
        }
        float[] sorted = Arrays.copyOf(out, n);
        Arrays.sort(sorted);
        return sorted;
    }

    /// Where light falls to half of what it is just inside, from outside in: specks of dust inside do not count.
    private static double edge(LightPlane p, Blob blob, double cx, double cy, double angle, double dark) {
        double mean = Math.sqrt(blob.pixels() / Math.PI);
        double dx = Math.sin(angle);
        double dy = -Math.cos(angle);
        double step = 0.25;
        double out = 2.2 * mean;
        double inside = 0;
        int count = 0;
        for (double r = 0.4 * mean; r < 0.75 * mean; r += 1) {
            double v = p.between(cx + r * dx, cy + r * dy);
            inside += Double.isNaN(v) ? 0 : v;
            count++;
        }
        double half = (inside / Math.max(1, count) + dark) / 2;
        double before = Double.NaN;
        for (double r = out; r > 0.2 * mean; r -= step) {
            double v = p.between(cx + r * dx, cy + r * dy);
            if (Double.isNaN(v)) {
                continue;
            }
            // A bright lever or screw outside of it is none of its edge.
            if (v >= half && !Double.isNaN(before) && before < half && blob.near(cx + r * dx, cy + r * dy)) {
                return r + step * (v - half) / Math.max(1e-12, v - before);
            }
            before = v;
        }
        return Double.NaN;
    }

    /// How far the middle of the area is from where the distances were taken.
    private static double[] centroid(double[] r) {
        double area = 0;
        double x = 0;
        double y = 0;
        for (int i = 0; i < r.length; i++) {
            double a = 2 * Math.PI * i / r.length;
            area += r[i] * r[i] / 2;
            x += Math.pow(r[i], 3) / 3 * Math.sin(a);
            y -= Math.pow(r[i], 3) / 3 * Math.cos(a);
        }
        return new double[] {x / area, y / area};
    }
}
