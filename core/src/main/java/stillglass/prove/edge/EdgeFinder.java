package stillglass.prove.edge;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/// Straight edges of a photo, coarsely: places where light changes steeply, grown together while their direction stays the same.
final class EdgeFinder {
    private static final int LONGEST_SIDE = 1400;
    /// Change across two pixels, in the root of light, from which anything is an edge.
    private static final double LEAST_STEP = 0.02;
    private static final double OVER_NOISE = 6;
    private static final double SAME_WAY = Math.cos(Math.toRadians(22));
    private static final int FEWEST = 24;
    /// Shortest edge that is measured, pixels.
    private static final double SHORTEST = 24;
    private static final int MOST = 400;
    /// Middles of a straight edge lie this close to a line, as a share of its length, beyond half a pixel.
    private static final double STRAIGHT = 0.012;

    private EdgeFinder() {}

    /// A stretch of an edge.
    /// @param x middle, pixels
    /// @param nx unit vector towards the light
    /// @param length pixels
    record Stretch(double x, double y, double nx, double ny, double length) {}

    /// @return the longest first
    static List<Stretch> in(LightPlane photo) {
        int by = Math.max(1, (int) Math.ceil(Math.max(photo.width(), photo.height()) / (double) LONGEST_SIDE));
        LightPlane small = photo.reduced(by);
        int w = small.width();
        int h = small.height();
        float[] v = smooth(small);
        float[] gx = new float[w * h];
        float[] gy = new float[w * h];
        float[] size = new float[w * h];
        for (int y = 1; y < h - 1; y++) {
            for (int x = 1; x < w - 1; x++) {
                int i = y * w + x;
                gx[i] = (v[i + 1] - v[i - 1]) / 2;
                gy[i] = (v[i + w] - v[i - w]) / 2;
                size[i] = (float) Math.hypot(gx[i], gy[i]);
            }
        }
        float[] sorted = size.clone();
        Arrays.sort(sorted);
        double limit = Math.max(LEAST_STEP, OVER_NOISE * sorted[sorted.length / 2]);
        if (limit > 0.5 * sorted[sorted.length - 1]) {
            limit = Math.max(LEAST_STEP, 0.25 * sorted[sorted.length - 1]);
        }
        List<Stretch> out = new ArrayList<>();
        boolean[] used = new boolean[w * h];
        for (int i : strongest(size, limit)) {
            if (!used[i]) {
                region(i, w, gx, gy, size, limit, used, by, out);
            }
        }
        // By length alone: a choice of the steepest would be one of the sharpest.
        out.sort(Comparator.comparingDouble(s -> -s.length));
        return out.subList(0, Math.min(MOST, out.size()));
    }

    private static int[] strongest(float[] size, double limit) {
        return java.util.stream.IntStream.range(0, size.length).filter(i -> size[i] > limit).boxed().sorted(Comparator.comparingDouble(i -> -size[i])).mapToInt(i -> i).toArray();
    }

    private static void region(int seed, int w, float[] gx, float[] gy, float[] size, double limit, boolean[] used, int by, List<Stretch> out) {
        List<Integer> cells = new ArrayList<>();
        cells.add(seed);
        used[seed] = true;
        double sx = gx[seed];
        double sy = gy[seed];
        for (int k = 0; k < cells.size(); k++) {
            int at = cells.get(k);
            for (int dy = -w; dy <= w; dy += w) {
                for (int dx = -1; dx <= 1; dx++) {
                    int n = at + dy + dx;
                    if (n < 0 || n >= size.length || used[n] || !(size[n] > limit)) {
                        continue;
                    }
                    double along = (gx[n] * sx + gy[n] * sy) / (size[n] * Math.hypot(sx, sy));
                    if (along > SAME_WAY) {
                        used[n] = true;
                        cells.add(n);
                        sx += gx[n];
                        sy += gy[n];
                    }
                }
            }
        }
        if (cells.size() >= FEWEST) {
            stretch(cells, w, size, sx, sy, by, out);
        }
    }

    private static void stretch(List<Integer> cells, int w, float[] size, double sx, double sy, int by, List<Stretch> out) {
        double nx = sx / Math.hypot(sx, sy);
        double ny = sy / Math.hypot(sx, sy);
        double sum = 0;
        double mx = 0;
        double my = 0;
        for (int c : cells) {
            sum += size[c];
            mx += size[c] * (c % w);
            my += size[c] * (c / w);
        }
        mx /= sum;
        my /= sum;
        double from = Double.MAX_VALUE;
        double to = -Double.MAX_VALUE;
        for (int c : cells) {
            double t = along(c, w, mx, my, nx, ny);
            from = Math.min(from, t);
            to = Math.max(to, t);
        }
        int bins = Math.max(3, (int) ((to - from) / 2));
        double[] weight = new double[bins];
        double[] across = new double[bins];
        for (int c : cells) {
            int b = Math.min(bins - 1, (int) ((along(c, w, mx, my, nx, ny) - from) / (to - from + 1e-9) * bins));
            weight[b] += size[c];
            across[b] += size[c] * ((c % w - mx) * nx + (c / w - my) * ny);
        }
        double[] line = line(weight, across, bins);
        double length = to - from;
        if (length * by < SHORTEST || line[2] > 0.5 + STRAIGHT * length) {
            return;
        }
        // The line through the middles turns the direction a little.
        double slope = line[1] * bins / length;
        double norm = Math.hypot(1, slope);
        double rx = (nx + slope * ny) / norm;
        double ry = (ny - slope * nx) / norm;
        double middle = (from + to) / 2;
        double off = line[0] + line[1] * (bins - 1) / 2;
        double x = mx - ny * middle + nx * off;
        double y = my + nx * middle + ny * off;
        out.add(new Stretch((x + 0.5) * by - 0.5, (y + 0.5) * by - 0.5, rx, ry, length * by));
    }

    private static double along(int cell, int w, double mx, double my, double nx, double ny) {
        return (cell % w - mx) * -ny + (cell / w - my) * nx;
    }

    /// Line through the middles: offset, slope for a bin, and root mean square of what is left.
    private static double[] line(double[] weight, double[] across, int bins) {
        double n = 0;
        double sb = 0;
        double sa = 0;
        double sbb = 0;
        double sba = 0;
        for (int b = 0; b < bins; b++) {
            if (weight[b] > 0) {
                double a = across[b] / weight[b];
                n++;
                sb += b;
                sa += a;
                sbb += (double) b * b;
                sba += b * a;
            }
        }
        double det = n * sbb - sb * sb;
        double slope = det > 0 ? (n * sba - sb * sa) / det : 0;
        double offset = (sa - slope * sb) / Math.max(1, n);
        double left = 0;
        for (int b = 0; b < bins; b++) {
            if (weight[b] > 0) {
                left += Math.pow(across[b] / weight[b] - offset - slope * b, 2);
            }
        }
        return new double[] {offset, slope, Math.sqrt(left / Math.max(1, n))};
    }

    /// The root of light, smoothed by a small bell.
    private static float[] smooth(LightPlane p) {
        int w = p.width();
        int h = p.height();
        float[] k = {0.061f, 0.245f, 0.388f, 0.245f, 0.061f};
        float[] row = new float[w * h];
        float[] out = new float[w * h];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                float sum = 0;
                for (int d = -2; d <= 2; d++) {
                    sum += k[d + 2] * (float) Math.sqrt(Math.max(0, p.light()[y * w + Math.clamp(x + d, 0, w - 1)]));
                }
                row[y * w + x] = sum;
            }
        }
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                float sum = 0;
                for (int d = -2; d <= 2; d++) {
                    sum += k[d + 2] * row[Math.clamp(y + d, 0, h - 1) * w + x];
                }
                out[y * w + x] = sum;
            }
        }
        return out;
    }
}
