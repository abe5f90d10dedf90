package stillglass.sim.photo;

/// Defocus: every point becomes an even disc, as behind a camera's round entrance pupil.
final class Defocus {
    private Defocus() {}

    /// @param radiusPx of the circle of confusion; below 0.4 the picture stays as it is
    /// @return the light spread out, its sum kept but for what leaves the picture
    static float[] disc(float[] in, int w, int h, double radiusPx) {
        if (radiusPx < 0.4) {
            return in;
        }
        int reach = (int) Math.ceil(radiusPx);
        double[] half = new double[2 * reach + 1];
        double area = 0;
        for (int d = -reach; d <= reach; d++) {
            // Half the chord of the disc in this row; rows at the ends count by what of them the disc covers.
            half[d + reach] = Math.sqrt(Math.max(0, (radiusPx + 0.5) * (radiusPx + 0.5) - d * d)) - 0.5;
            area += half[d + reach] < 0 ? 0 : 2 * half[d + reach] + 1;
        }
        float[] out = new float[in.length];
        double[] prefix = new double[w + 1];
        for (int y = 0; y < h; y++) {
            boolean any = false;
            for (int x = 0; x < w; x++) {
                float v = in[y * w + x];
                any |= v != 0;
                prefix[x + 1] = prefix[x] + v;
            }
            for (int d = -reach; any && d <= reach; d++) {
                if (y + d >= 0 && y + d < h && half[d + reach] >= 0) {
                    addRow(out, (y + d) * w, prefix, w, half[d + reach], 1 / area);
                }
            }
        }
        return out;
    }

    private static void addRow(float[] out, int start, double[] prefix, int w, double half, double share) {
        int whole = (int) half;
        double rest = half - whole;
        for (int x = 0; x < w; x++) {
            int from = Math.max(0, x - whole);
            int to = Math.min(w, x + whole + 1);
            double sum = prefix[to] - prefix[from];
            if (rest > 0) {
                sum += from > 0 ? rest * (prefix[from] - prefix[from - 1]) : 0;
                sum += to < w ? rest * (prefix[to + 1] - prefix[to]) : 0;
            }
            out[start + x] += (float) (sum * share);
        }
    }
}
