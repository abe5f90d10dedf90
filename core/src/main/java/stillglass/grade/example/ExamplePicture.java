package stillglass.grade.example;

import java.util.Arrays;
import java.util.List;
import stillglass.grade.Lobe;
import stillglass.grade.Shades;
import stillglass.grade.Streak;

/// A scene as a lens takes it: what lies on its faces shades every point of the picture as it was traced, and throws a share of the light aside as its kind does.
///
/// One layer behind the other, a point gets `passes · ((1 − v) · L + v · (L ∗ p))`: the scene, and the scene spread by the lobe p. Light from outside the picture is taken as bright as its mean. The spread is laid out on a coarse grid, the scene is sharp.
/// Angles are those in front of the lens; faces behind it spread the picture a little more or less. Both pictures of a pair have one exposure and one curve.
public final class ExamplePicture {
    public static final int WIDE = 480;
    public static final int HIGH = 320;
    private static final int COARSE_WIDE = 96;
    private static final int COARSE_HIGH = 64;
    private static final int BLOCK = WIDE / COARSE_WIDE;
    /// Parts of a side into which a cell is cut to take the mean of the lobe over it.
    private static final int PARTS = 9;
    /// Cells about the middle whose mean is taken in parts.
    private static final int NEAR = 2;
    private static final double EXPOSED = 2.6;
    private static final double STEEP = 1.35;

    private ExamplePicture() {}

    /// Angle that the picture's width takes in, degrees.
    /// @param widthMm of the frame
    public static double widthDeg(double widthMm, double focalMm) {
        return 2 * Math.toDegrees(Math.atan(widthMm / 2 / Math.abs(focalMm)));
    }

    /// What lies on one face.
    /// @param streaks of single scratches; none where light is thrown all round
    public record Layer(Shades shades, Lobe lobe, List<Streak> streaks) {
        public Layer(Shades shades, Lobe lobe) {
            this(shades, lobe, List.of());
        }

        public Layer {
            streaks = List.copyOf(streaks);
        }
    }

    /// @param widthDeg angle the picture's width takes in
    /// @param layers from the front to the rear; none for a clean lens
    /// @param stop index into the stops of the shades
    /// @return pixels of the picture, opaque ARGB, row by row from the top
    public static int[] of(double widthDeg, List<Layer> layers, int stop) {
        if (!(widthDeg > 0 && widthDeg < 180)) {
            throw new IllegalArgumentException("a picture that takes in " + widthDeg + "° cannot be drawn");
        }
        float[][] planes = Arrays.stream(Scene.PLANES).map(float[]::clone).toArray(float[][]::new);
        for (Layer layer : layers) {
            double cell = Math.toRadians(widthDeg) / COARSE_WIDE;
            double[] kernel = layer.streaks.isEmpty() ? kernel(layer.lobe, cell) : kernel(layer.lobe, cell, layer.streaks);
            Arrays.stream(planes).parallel().forEach(plane -> through(plane, layer.shades, stop, kernel));
        }
        int[] out = new int[WIDE * HIGH];
        for (int i = 0; i < out.length; i++) {
            out[i] = 0xff << 24 | value(planes[0][i]) << 16 | value(planes[1][i]) << 8 | value(planes[2][i]);
        }
        return out;
    }

    /// The scene, drawn once.
    private static final class Scene {
        static final float[][] PLANES = scene();
    }

    static float[][] scene() {
        float[][] planes = new float[3][WIDE * HIGH];
        for (int c = 0; c < 3; c++) {
            for (int y = 0; y < HIGH; y++) {
                for (int x = 0; x < WIDE; x++) {
                    double sum = 0;
                    for (int k = 0; k < 4; k++) {
                        sum += QuayScene.light((x + 0.25 + 0.5 * (k % 2)) / WIDE, 1 - (y + 0.25 + 0.5 * (k / 2)) / HIGH, c);
                    }
                    planes[c][y * WIDE + x] = (float) (sum / 4);
                }
            }
        }
        return planes;
    }

    /// Share of the scattered light of a cell that goes into the cell so many columns and rows away, both counted from one less than the grid's size below zero.
    static double[] kernel(Lobe lobe, double cellRad) {
        int w = 2 * COARSE_WIDE - 1;
        int h = 2 * COARSE_HIGH - 1;
        double[] out = new double[w * h];
        double fine = cellRad / PARTS / 4;
        double[] table = lobe.table(fine, (int) (2.5 * COARSE_WIDE * cellRad / fine));
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int dx = x - COARSE_WIDE + 1;
                int dy = y - COARSE_HIGH + 1;
                int parts = Math.abs(dx) <= NEAR && Math.abs(dy) <= NEAR ? PARTS : 1;
                double sum = 0;
                for (int p = 0; p < parts * parts; p++) {
                    double a = dx + (p % parts + 0.5) / parts - 0.5;
                    double b = dy + (p / parts + 0.5) / parts - 0.5;
                    sum += table[Math.min(table.length - 1, (int) (Math.hypot(a, b) * cellRad / fine))];
                }
                out[y * w + x] = sum / (parts * parts) * cellRad * cellRad;
            }
        }
        // A lobe narrower than a part is not resolved: what it holds more stays in the middle.
        double all = Arrays.stream(out).sum();
        if (all > 1) {
            out[(COARSE_HIGH - 1) * w + COARSE_WIDE - 1] -= Math.min(out[(COARSE_HIGH - 1) * w + COARSE_WIDE - 1], all - 1);
        }
        return out;
    }

    /// The same of single scratches, each throwing light across itself. Seen from behind, as the picture is, right and left change.
    static double[] kernel(Lobe lobe, double cellRad, List<Streak> streaks) {
        int w = 2 * COARSE_WIDE - 1;
        int h = 2 * COARSE_HIGH - 1;
        double[] out = new double[w * h];
        double[] side = lobe.across(cellRad / PARTS, 2 * COARSE_WIDE * PARTS);
        for (Streak s : streaks) {
            double right = Math.sin(s.alongRad());
            double down = -Math.cos(s.alongRad());
            for (int way = -1; way <= 1; way += 2) {
                for (int i = 0; i < side.length; i++) {
                    double r = way * (i + 0.5) / PARTS;
                    lay(out, w, h, COARSE_WIDE - 1 + r * right, COARSE_HIGH - 1 + r * down, s.share() * side[i]);
                }
            }
        }
        return out;
    }

    /// Shared out among the four cells about a point.
    private static void lay(double[] out, int w, int h, double x, double y, double amount) {
        int x0 = (int) Math.floor(x);
        int y0 = (int) Math.floor(y);
        for (int k = 0; k < 4; k++) {
            int cx = x0 + k % 2;
            int cy = y0 + k / 2;
            if (cx >= 0 && cx < w && cy >= 0 && cy < h) {
                out[cy * w + cx] += amount * (1 - Math.abs(x - cx)) * (1 - Math.abs(y - cy));
            }
        }
    }

    private static void through(float[] plane, Shades shades, int stop, double[] kernel) {
        double[] coarse = new double[COARSE_WIDE * COARSE_HIGH];
        double mean = 0;
        for (int i = 0; i < plane.length; i++) {
            coarse[i / WIDE / BLOCK * COARSE_WIDE + i % WIDE / BLOCK] += plane[i] / (BLOCK * BLOCK);
            mean += Math.min(1, plane[i]) / plane.length;
        }
        double[] thrown = spread(coarse, mean, kernel);
        for (int y = 0; y < HIGH; y++) {
            for (int x = 0; x < WIDE; x++) {
                double across = (x + 0.5) / WIDE;
                double up = 1 - (y + 0.5) / HIGH;
                double v = shades.between(stop, across, up, true);
                int at = y * WIDE + x;
                plane[at] = (float) (shades.between(stop, across, up, false) * ((1 - v) * plane[at] + v * between(thrown, across, 1 - up)));
            }
        }
    }

    private static double[] spread(double[] coarse, double mean, double[] kernel) {
        int w = 2 * COARSE_WIDE - 1;
        double[] out = new double[coarse.length];
        for (int y = 0; y < COARSE_HIGH; y++) {
            for (int x = 0; x < COARSE_WIDE; x++) {
                double sum = 0;
                double within = 0;
                for (int j = 0; j < COARSE_HIGH; j++) {
                    int row = (y - j + COARSE_HIGH - 1) * w + x + COARSE_WIDE - 1;
                    for (int i = 0; i < COARSE_WIDE; i++) {
                        double k = kernel[row - i];
                        sum += k * coarse[j * COARSE_WIDE + i];
                        within += k;
                    }
                }
                out[y * COARSE_WIDE + x] = sum + Math.max(0, 1 - within) * mean;
            }
        }
        return out;
    }

    private static double between(double[] coarse, double across, double down) {
        double x = Math.clamp(across * COARSE_WIDE - 0.5, 0, COARSE_WIDE - 1.001);
        double y = Math.clamp(down * COARSE_HIGH - 0.5, 0, COARSE_HIGH - 1.001);
        int at = (int) y * COARSE_WIDE + (int) x;
        double fx = x - (int) x;
        double fy = y - (int) y;
        return (coarse[at] * (1 - fx) + coarse[at + 1] * fx) * (1 - fy) + (coarse[at + COARSE_WIDE] * (1 - fx) + coarse[at + COARSE_WIDE + 1] * fx) * fy;
    }

    private static int value(double light) {
        double v = Math.pow(1 - Math.exp(-EXPOSED * Math.max(0, light)), STEEP);
        double s = v <= 0.0031308 ? 12.92 * v : 1.055 * Math.pow(v, 1 / 2.4) - 0.055;
        return (int) Math.round(255 * s);
    }
}
