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
        float[] row = new float[w];
        for (int y = 0; y < h; y++) {
            boolean any = false;
            for (int x = 0; x < w; x++) {
                float v = in[y * w + x];
                any |= v != 0;
                prefix[x + 1] = prefix[x] + v;
            }
            for (int d = 0; any && d <= reach; d++) {
                if (half[d + reach] >= 0) {
                    int above = d > 0 && y - d >= 0 ? y - d : -1;
                    int below = y + d < h ? y + d : -1;
                    if (above >= 0 || below >= 0) {
                        spread(prefix, w, half[d + reach], 1 / area, row);
                        add(out, above, w, row);
                        add(out, below, w, row);
                    }
                }
            }
        }
        return out;
    }

    /// A row of the picture spread along itself.
    private static void spread(double[] prefix, int w, double half, double share, float[] row) {
        int whole = (int) half;
        double rest = half - whole;
        int inner = Math.min(w, whole + 1);
        int last = Math.max(inner, w - whole - 1);
        for (int x = 0; x < inner; x++) {
            row[x] = (float) (near(prefix, w, whole, rest, x) * share);
        }
        // Away from both ends nothing has to be asked: most of the time goes here.
        for (int x = inner; x < last; x++) {
            int from = x - whole;
            int to = x + whole + 1;
            double sum = prefix[to] - prefix[from];
            sum += rest * (prefix[from] - prefix[from - 1]);
            sum += rest * (prefix[to + 1] - prefix[to]);
            row[x] = (float) (sum * share);
        }
        for (int x = last; x < w; x++) {
            row[x] = (float) (near(prefix, w, whole, rest, x) * share);
        }
    }

    private static double near(double[] prefix, int w, int whole, double rest, int x) {
        int from = Math.max(0, x - whole);
        int to = Math.min(w, x + whole + 1);
        double sum = prefix[to] - prefix[from];
        sum += from > 0 ? rest * (prefix[from] - prefix[from - 1]) : 0;
        return sum + (to < w ? rest * (prefix[to + 1] - prefix[to]) : 0);
    }

    private static void add(float[] out, int y, int w, float[] row) {
        for (int x = 0; y >= 0 && x < w; x++) {
            out[y * w + x] += row[x];
        }
    }
}
