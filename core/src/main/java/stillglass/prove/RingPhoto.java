package stillglass.prove;

import java.util.Arrays;
import boofcv.alg.transform.fft.GeneralPurposeFFT_F64_1D;
import stillglass.look.Aperture;
import stillglass.look.ApertureMap;
import stillglass.look.LinearPhoto;
import stillglass.prove.edge.LightPlane;

/// A photo of a ring, ready to be unrolled about any circle: rows of equal radius in equal steps of angle, in the logarithm of light, without what follows the lamp.
final class RingPhoto {
    /// Angle steps round the circle.
    static final int STEPS = 1024;
    static final int ROWS = 32;
    /// Waves round the circle: fewer follow the lamp.
    private static final int LEAST_WAVES = 6;
    /// Darkness below this share of the mean light says nothing.
    private static final double DARK = 0.05;
    private static final double MOST_MEAN_SIZES = 3;
    private static final double[] SIN = new double[STEPS];
    private static final double[] COS = new double[STEPS];

    static {
        for (int i = 0; i < STEPS; i++) {
            SIN[i] = Math.sin(2 * Math.PI * i / STEPS);
            COS[i] = Math.cos(2 * Math.PI * i / STEPS);
        }
    }

    private final LightPlane log;
    private final Clocking.Ring ring;
    private final ApertureMap map;
    private final GeneralPurposeFFT_F64_1D fft = new GeneralPurposeFFT_F64_1D(STEPS);

    /// How the circle that was given lies on the ring that is there: moved, larger, stretched, and seen askew, in circle radii, x to the right, y up.
    record Warp(double dx, double dy, double larger, double stretchX, double stretchXy, double askewX, double askewY) {
        static final Warp NONE = new Warp(0, 0, 0, 0, 0, 0, 0);

        Warp plus(double[] d) {
            return new Warp(dx + d[0], dy + d[1], larger + d[2], stretchX + d[3], stretchXy + d[4], askewX + d[5], askewY + d[6]);
        }
    }

    RingPhoto(Clocking.Ring ring) {
        LinearPhoto photo = ring.photo();
        this.ring = ring;
        float[] light = photo.luminance();
        Aperture circle = ring.circle().scaled(1 / photo.scale());
        map = circle.map();
        double mean = 0;
        for (float v : light) {
            mean += v / light.length;
        }
        double dark = Math.max(1e-6, DARK * mean);
        for (int i = 0; i < light.length; i++) {
            light[i] = (float) Math.log(Math.max(0, light[i]) + dark);
        }
        softened(light, photo.width(), photo.height());
        softened(light, photo.width(), photo.height());
        log = new LightPlane(photo.width(), photo.height(), light);
    }

    /// Hard edges fall between samples one way in one photo and another in the next: a bell of one pixel makes them alike.
    private static void softened(float[] v, int w, int h) {
        float[] row = new float[v.length];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int i = y * w + x;
                row[i] = (v[y * w + Math.max(0, x - 1)] + 2 * v[i] + v[y * w + Math.min(w - 1, x + 1)]) / 4;
            }
        }
        for (int y = 0; y < h; y++) {
            int above = Math.max(0, y - 1) * w;
            int below = Math.min(h - 1, y + 1) * w;
            for (int x = 0; x < w; x++) {
                v[y * w + x] = (row[above + x] + 2 * row[y * w + x] + row[below + x]) / 4;
            }
        }
    }

    /// Radius of the circle, pixels of the working photo.
    double radiusPx() {
        return ring.circle().meanRadius() / ring.photo().scale();
    }

    double radius(int row) {
        return ring.inner() + (ring.outer() - ring.inner()) * (row + 0.5) / ROWS;
    }

    /// Distance of two rows, circle radii.
    double rowStep() {
        return (ring.outer() - ring.inner()) / ROWS;
    }

    /// The ring from an angle on. Rows that lie partly outside of the photo are zero.
    /// @param turnSteps where it begins, steps clockwise from 12
    /// @param cut whether a reflection of the lamp is cut to the size of a mark
    double[][] rows(Warp w, double turnSteps, boolean cut) {
        double[][] out = new double[ROWS][];
        double c = Math.cos(2 * Math.PI * turnSteps / STEPS);
        double s = Math.sin(2 * Math.PI * turnSteps / STEPS);
        for (int k = 0; k < ROWS; k++) {
            double r = radius(k);
            double[] row = new double[2 * STEPS];
            boolean inside = true;
            for (int i = 0; i < STEPS && inside; i++) {
                double x = r * (SIN[i] * c + COS[i] * s);
                double y = r * (COS[i] * c - SIN[i] * s);
                double q = 1 + w.askewX * x + w.askewY * y;
                double ux = ((1 + w.larger + w.stretchX) * x + w.stretchXy * y + w.dx) / q;
                double uy = ((1 + w.larger - w.stretchX) * y + w.stretchXy * x + w.dy) / q;
                row[2 * i] = log.between(map.pixelX(ux, uy), map.pixelY(ux, uy));
                inside = !Double.isNaN(row[2 * i]);
            }
            out[k] = inside ? withoutSheen(row, cut) : new double[STEPS];
        }
        return out;
    }

    /// Slow changes are taken out before anything is cut: a cut sheen would have edges that turn with the lamp. A reflection of the lamp then has no more say than a mark.
    private double[] withoutSheen(double[] row, boolean cut) {
        fft.complexForward(row);
        for (int f = 0; f < STEPS; f++) {
            if (Math.min(f, STEPS - f) < LEAST_WAVES) {
                row[2 * f] = 0;
                row[2 * f + 1] = 0;
            }
        }
        fft.complexInverse(row, true);
        double size = 0;
        for (int i = 0; i < STEPS; i++) {
            size += Math.abs(row[2 * i]) / STEPS;
        }
        double[] out = new double[STEPS];
        for (int i = 0; i < STEPS; i++) {
            out[i] = cut ? Math.clamp(row[2 * i], -MOST_MEAN_SIZES * size, MOST_MEAN_SIZES * size) : row[2 * i];
        }
        return out;
    }

    /// Spectrum of every row round the circle: real and imaginary parts in turn.
    double[][] spectra(double[][] rows) {
        return Arrays.stream(rows).map(row -> {
            double[] out = new double[2 * STEPS];
            for (int i = 0; i < STEPS; i++) {
                out[2 * i] = row[i];
            }
            fft.complexForward(out);
            return out;
        }).toArray(double[][]::new);
    }
}
