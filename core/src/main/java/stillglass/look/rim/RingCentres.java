package stillglass.look.rim;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/// Where rings have their centre: every edge pixel votes along the direction in which light changes, and the edges of rim, threads and
/// barrel, which share one centre, agree.
///
/// Reference: radial symmetry voting, G. Loy, A. Zelinsky, IEEE PAMI 25 (2003). Differs: votes for all radii at once, on the logarithm of light.
final class RingCentres {
    private static final int MOST_SIDE = 280;
    private static final double EDGE_SHARE = 0.14;
    private static final int CELL = 2;

    private RingCentres() {}

    /// @param x column in the photo
    /// @param y row in the photo
    record Centre(double x, double y, double votes) {}

    /// The few best centres, best first.
    static List<Centre> find(float[] light, int width, int height) {
        double shrink = Math.max(1, Math.max(width, height) / (double) MOST_SIDE);
        int w = (int) (width / shrink);
        int h = (int) (height / shrink);
        float[] small = logShrunk(light, width, height, w, h);
        float[] gx = new float[w * h];
        float[] gy = new float[w * h];
        float[] size = new float[w * h];
        for (int y = 1; y < h - 1; y++) {
            for (int x = 1; x < w - 1; x++) {
                int at = y * w + x;
                gx[at] = small[at + 1] - small[at - 1] + 0.5f * (small[at + 1 + w] - small[at - 1 + w] + small[at + 1 - w] - small[at - 1 - w]);
                gy[at] = small[at + w] - small[at - w] + 0.5f * (small[at + w + 1] - small[at - w + 1] + small[at + w - 1] - small[at - w - 1]);
                size[at] = (float) Math.sqrt((double) gx[at] * gx[at] + (double) gy[at] * gy[at]);
            }
        }
        float[] sorted = size.clone();
        Arrays.sort(sorted);
        double least = Math.max(0.03, sorted[(int) (sorted.length * (1 - EDGE_SHARE))]);
        float[] votes = vote(gx, gy, size, least, w, h);
        return peaks(votes, w / CELL + 1, h / CELL + 1, shrink);
    }

    private static float[] vote(float[] gx, float[] gy, float[] size, double least, int w, int h) {
        int cw = w / CELL + 1;
        int ch = h / CELL + 1;
        float[] votes = new float[cw * ch];
        double near = Math.min(w, h) * 0.13;
        double far = Math.max(w, h) * 0.62;
        for (int y = 1; y < h - 1; y++) {
            for (int x = 1; x < w - 1; x++) {
                int at = y * w + x;
                if (size[at] < least) {
                    continue;
                }
                double ux = gx[at] / size[at];
                double uy = gy[at] / size[at];
                float weight = (float) Math.min(0.8, size[at]);
                for (int side = -1; side <= 1; side += 2) {
                    for (double d = near; d < far; d += CELL * 0.75) {
                        int cx = (int) ((x + side * d * ux) / CELL);
                        int cy = (int) ((y + side * d * uy) / CELL);
                        if (cx >= 0 && cy >= 0 && cx < cw && cy < ch) {
                            votes[cy * cw + cx] += weight;
                        }
                    }
                }
            }
        }
        return votes;
    }

    private static List<Centre> peaks(float[] votes, int cw, int ch, double shrink) {
        float[] smooth = new float[votes.length];
        for (int y = 2; y < ch - 2; y++) {
            for (int x = 2; x < cw - 2; x++) {
                float sum = 0;
                for (int dy = -2; dy <= 2; dy++) {
                    for (int dx = -2; dx <= 2; dx++) {
                        sum += votes[(y + dy) * cw + x + dx];
                    }
                }
                smooth[y * cw + x] = sum;
            }
        }
        List<Centre> out = new ArrayList<>();
        int apart = Math.max(4, Math.min(cw, ch) / 14);
        for (int k = 0; k < 4; k++) {
            int best = 0;
            for (int i = 1; i < smooth.length; i++) {
                best = smooth[i] > smooth[best] ? i : best;
            }
            if (smooth[best] <= 0 || k > 0 && smooth[best] < 0.5 * out.getFirst().votes) {
                break;
            }
            int bx = best % cw;
            int by = best / cw;
            out.add(new Centre((bx + 0.5) * CELL * shrink, (by + 0.5) * CELL * shrink, smooth[best]));
            for (int y = Math.max(0, by - apart); y <= Math.min(ch - 1, by + apart); y++) {
                for (int x = Math.max(0, bx - apart); x <= Math.min(cw - 1, bx + apart); x++) {
                    smooth[y * cw + x] = 0;
                }
            }
        }
        return out;
    }

    private static float[] logShrunk(float[] light, int width, int height, int w, int h) {
        float[] out = new float[w * h];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int x0 = x * width / w;
                int x1 = Math.max(x0 + 1, (x + 1) * width / w);
                int y0 = y * height / h;
                int y1 = Math.max(y0 + 1, (y + 1) * height / h);
                double sum = 0;
                for (int j = y0; j < y1; j++) {
                    for (int i = x0; i < x1; i++) {
                        sum += light[j * width + i];
                    }
                }
                out[y * w + x] = (float) Math.log(0.004 + sum / ((x1 - x0) * (y1 - y0)));
            }
        }
        return out;
    }
}
