package stillglass.prove;

import boofcv.alg.transform.fft.GeneralPurposeFFT_F64_1D;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import stillglass.look.Aperture;
import stillglass.look.ApertureMap;
import stillglass.look.LinearPhoto;

/// How far a ring or glass is turned between two photos, by polar phase correlation.
///
/// Both photos are unrolled about their circle into rings of equal angle steps, in the logarithm of light, so that a stronger lamp changes nothing;
/// slow changes round the circle, which follow the lamp, are left out. For every frequency round the circle the cross spectra of all rings are added
/// and divided by the root of the sum of their magnitudes, half way between plain and phase correlation: the strongest frequencies do not drown the others,
/// and those that are noise do not count. Back in angles the strongest peak is the turn, refined by a parabola. A circle that is a little off would pull it, so
/// centre and radius of the later circle are moved until the peak is highest. The error comes from leaving out one sector of the ring after the other
/// (jackknife), for what is left of an error of the centre turns opposite sides oppositely. Peaks nearly as strong are told as well: a ring with `n` equal notches looks the same after every `n`th of a turn. The
/// height of the peak is the share of all that turns in both which agrees.
///
/// Reference: phase correlation, C. D. Kuglin, D. C. Hines, IEEE Conf. Cybernetics and Society (1975); jackknife, B. Efron, *SIAM* CBMS 38 (1982).
///
/// @param turnDeg how far the later photo is turned clockwise against the earlier, -180 to 180
/// @param sigmaDeg one standard deviation
/// @param likeness how much of what both show agrees at that turn, 0 to 1: 0.4 to 0.7 for two photos of one ring, under 0.2 for two rings
/// @param others other turns nearly as likely, strongest first
/// @param fold number of turns after which the ring looks the same, 1 when one turn stands out
public record Clocking(double turnDeg, double sigmaDeg, double likeness, List<Double> others, int fold) {
    /// Angle steps round the circle.
    private static final int STEPS = 1024;
    private static final int RINGS = 32;
    private static final int SECTORS = 8;
    /// Waves round the circle: fewer follow the lamp, more are noise.
    private static final int LEAST_WAVES = 6;
    private static final double MOST_WAVES = 220;
    /// Darkness below this share of the mean light says nothing.
    private static final double DARK = 0.05;
    /// Likeness below which the photos show different rings, or nothing that turns. Measured on drawn rings: the same ring under another lamp
    /// 0.43 to 0.67, two different name rings 0.13 to 0.15, blank rings 0.04.
    private static final double LEAST_LIKENESS = 0.25;
    /// Likeness from which a turn is sure; crests of threads seen askew reached 0.44 between photos under different lamps.
    private static final double SURE_LIKENESS = 0.5;
    /// How far centre and radius of the later circle are moved at first and at last, radii.
    private static final double FIRST_STEP = 0.008;
    private static final double LAST_STEP = 0.0008;
    /// Share of the highest peak from which another is nearly as likely.
    private static final double NEARLY = 0.7;
    private static final double APART_DEG = 2;
    /// Peaks of a ring with equal notches lie this close to equal distances, degrees.
    private static final double EQUAL_DEG = 0.7;
    /// A ring narrower than this shows too little, circle radii.
    private static final double LEAST_WIDTH = 0.04;
    /// Sectors agree better than photos do: measured on 24 pairs of hand-held photos, two such errors together scattered by 0.11°.
    private static final double LEAST_SIGMA_DEG = 0.08;
    /// An error above this means that sectors disagree: what was compared does not turn as one.
    private static final double MOST_SIGMA_DEG = 0.3;

    private static final double[] SIN = new double[STEPS];
    private static final double[] COS = new double[STEPS];

    static {
        for (int i = 0; i < STEPS; i++) {
            SIN[i] = Math.sin(2 * Math.PI * i / STEPS);
            COS[i] = Math.cos(2 * Math.PI * i / STEPS);
        }
    }

    public Clocking {
        others = List.copyOf(others);
    }

    /// A ring in a photo.
    /// @param circle circle that turns with the ring, pixels of the stored photo
    /// @param inner inner edge of what is compared, circle radii
    /// @param outer outer edge, circle radii
    public record Ring(LinearPhoto photo, Aperture circle, double inner, double outer) {
        public Ring {
            if (!(inner >= 0 && outer > inner && outer < 20)) {
                throw new IllegalArgumentException("a ring from " + inner + " to " + outer + " radii has no width");
            }
        }
    }

    /// The same ring in two photos of one mount, as far out as both photos show it all the way round.
    /// @param inner inner edge, circle radii
    /// @param outer outer edge at most
    /// @return nothing when too little of it is in the pictures, or it tells nothing
    public static Optional<Clocking> between(LinearPhoto before, Aperture circleBefore, LinearPhoto after, Aperture circleAfter, double inner, double outer) {
        double reach = Math.min(outer, Math.min(reach(before, circleBefore), reach(after, circleAfter)));
        return reach < inner + LEAST_WIDTH ? Optional.empty() : between(new Ring(before, circleBefore, inner, reach), new Ring(after, circleAfter, inner, reach));
    }

    /// Radius of the largest circle about the same centre that lies in the picture, circle radii.
    private static double reach(LinearPhoto photo, Aperture a) {
        double out = Math.min(Math.min(a.cx(), photo.storedWidth() - 1 - a.cx()), Math.min(a.cy(), photo.storedHeight() - 1 - a.cy()));
        return (out / Math.max(a.rx(), a.ry())) - 2 * FIRST_STEP;
    }

    /// @return nothing when neither shows enough that turns with it
    public static Optional<Clocking> between(Ring before, Ring after) {
        Unrolled earlier = new Unrolled(before.photo);
        Unrolled later = new Unrolled(after.photo);
        double[][] a = earlier.spectra(before, before.circle);
        double[][] b = settled(a, later, after);
        double[] all = correlation(a, b);
        int best = highest(all, -1, 0);
        if (!(all[best] >= LEAST_LIKENESS)) {
            return Optional.empty();
        }
        double turn = refined(all, best);
        double square = 0;
        for (int sector = 0; sector < SECTORS; sector++) {
            double[] without = correlation(earlier.spectra(before, before.circle, sector), b);
            square += Math.pow(difference(refined(without, highest(without, best, (int) (APART_DEG / 360 * STEPS))), turn), 2);
        }
        double sigma = Math.max(LEAST_SIGMA_DEG, Math.sqrt(square * (SECTORS - 1) / SECTORS));
        List<Double> others = others(all, best);
        return Optional.of(new Clocking(turn, sigma, all[best], others, fold(turn, others)));
    }

    /// Smallest turn from `b` to `a`, degrees.
    public static double difference(double a, double b) {
        return Math.IEEEremainder(a - b, 360);
    }

    /// Spectra of the later ring with its circle where both agree best.
    private static double[][] settled(double[][] a, Unrolled later, Ring ring) {
        Aperture circle = ring.circle;
        double[][] best = later.spectra(ring, circle);
        double most = peak(a, best);
        for (double step = FIRST_STEP; step >= LAST_STEP; step /= 2) {
            boolean moved = true;
            for (int round = 0; moved && round < 4; round++) {
                moved = false;
                for (double[] way : new double[][] {{1, 0, 0}, {-1, 0, 0}, {0, 1, 0}, {0, -1, 0}, {0, 0, 1}, {0, 0, -1}}) {
                    double by = step * circle.meanRadius();
                    Aperture next = new Aperture(circle.cx() + way[0] * by, circle.cy() + way[1] * by, circle.rx() * (1 + way[2] * step),
                            circle.ry() * (1 + way[2] * step), circle.thetaRad());
                    double[][] tried = later.spectra(ring, next);
                    double height = peak(a, tried);
                    if (height > most) {
                        most = height;
                        circle = next;
                        best = tried;
                        moved = true;
                    }
                }
            }
        }
        return best;
    }

    private static double peak(double[][] a, double[][] b) {
        return java.util.Arrays.stream(correlation(a, b)).max().orElseThrow();
    }

    /// A photo ready to be unrolled about any circle.
    private static final class Unrolled {
        private final int width;
        private final int height;
        private final double scale;
        private final float[] log;
        private final GeneralPurposeFFT_F64_1D fft = new GeneralPurposeFFT_F64_1D(STEPS);

        Unrolled(LinearPhoto photo) {
            width = photo.width();
            height = photo.height();
            scale = photo.scale();
            log = photo.luminance();
            double mean = 0;
            for (float v : log) {
                mean += v / log.length;
            }
            double dark = Math.max(1e-6, DARK * mean);
            for (int i = 0; i < log.length; i++) {
                log[i] = (float) Math.log(Math.max(0, log[i]) + dark);
            }
        }

        /// Spectrum of every ring round the circle: real and imaginary parts in turn.
        double[][] spectra(Ring ring, Aperture circle) {
            return spectra(ring, circle, -1);
        }

        /// @param without sector that is left out, negative for none
        double[][] spectra(Ring ring, Aperture circle, int without) {
            ApertureMap map = circle.scaled(1 / scale).map();
            double[][] out = new double[RINGS][2 * STEPS];
            for (int k = 0; k < RINGS; k++) {
                double r = ring.inner + (ring.outer - ring.inner) * (k + 0.5) / RINGS;
                double[] row = out[k];
                boolean inside = true;
                for (int i = 0; i < STEPS && inside; i++) {
                    // Clockwise from 12, as it is looked at.
                    double ux = r * SIN[i];
                    double uy = r * COS[i];
                    row[2 * i] = at(log, width, height, map.pixelX(ux, uy), map.pixelY(ux, uy));
                    inside = !Double.isNaN(row[2 * i]);
                }
                if (inside) {
                    withoutSheen(row);
                    limit(row);
                    for (int i = without * STEPS / SECTORS; without >= 0 && i < (without + 1) * STEPS / SECTORS; i++) {
                        row[2 * i] = 0;
                    }
                    fft.complexForward(row);
                } else {
                    java.util.Arrays.fill(row, 0);
                }
            }
            return out;
        }

        /// Slow changes are taken out before anything is cut: a cut sheen would have edges that turn with the lamp.
        private void withoutSheen(double[] row) {
            fft.complexForward(row);
            for (int f = 0; f < STEPS; f++) {
                if (Math.min(f, STEPS - f) < LEAST_WAVES) {
                    row[2 * f] = 0;
                    row[2 * f + 1] = 0;
                }
            }
            fft.complexInverse(row, true);
            for (int i = 0; i < STEPS; i++) {
                row[2 * i + 1] = 0;
            }
        }
    }

    /// Light between pixels; NaN outside the photo.
    private static double at(float[] light, int w, int h, double x, double y) {
        int i = (int) Math.floor(x);
        int j = (int) Math.floor(y);
        if (i < 0 || j < 0 || i + 1 >= w || j + 1 >= h) {
            return Double.NaN;
        }
        double fx = x - i;
        double fy = y - j;
        int k = j * w + i;
        return (light[k] * (1 - fx) + light[k + 1] * fx) * (1 - fy) + (light[k + w] * (1 - fx) + light[k + w + 1] * fx) * fy;
    }

    /// A reflection of the lamp has no more say than a mark: departures from the mean of the ring are cut at three of their mean size.
    private static void limit(double[] row) {
        double mean = 0;
        for (int i = 0; i < STEPS; i++) {
            mean += row[2 * i] / STEPS;
        }
        double size = 0;
        for (int i = 0; i < STEPS; i++) {
            size += Math.abs(row[2 * i] - mean) / STEPS;
        }
        for (int i = 0; i < STEPS; i++) {
            row[2 * i] = Math.clamp(row[2 * i] - mean, -3 * size, 3 * size);
        }
    }

    /// Correlation over the turn; 1 where all frequencies of all rings agree.
    private static double[] correlation(double[][] a, double[][] b) {
        double[] sum = new double[2 * STEPS];
        double possible = 1e-12;
        for (int f = 0; f < STEPS; f++) {
            int waves = Math.min(f, STEPS - f);
            if (waves < LEAST_WAVES) {
                continue;
            }
            double re = 0;
            double im = 0;
            double size = 0;
            for (int k = 0; k < RINGS; k++) {
                double ar = a[k][2 * f];
                double ai = a[k][2 * f + 1];
                double br = b[k][2 * f];
                double bi = b[k][2 * f + 1];
                double r = br * ar + bi * ai;
                double i = bi * ar - br * ai;
                re += r;
                im += i;
                size += Math.hypot(r, i);
            }
            double gain = size <= 0 ? 0 : Math.exp(-0.5 * Math.pow(waves / MOST_WAVES, 2)) / Math.sqrt(size);
            possible += gain * size;
            sum[2 * f] = re * gain;
            sum[2 * f + 1] = im * gain;
        }
        new GeneralPurposeFFT_F64_1D(STEPS).complexInverse(sum, true);
        double[] out = new double[STEPS];
        for (int i = 0; i < STEPS; i++) {
            out[i] = sum[2 * i] * STEPS / possible;
        }
        return out;
    }

    /// Index of the highest value, of all or within a reach of a place.
    private static int highest(double[] c, int near, int reach) {
        int best = near < 0 ? 0 : near;
        for (int i = 0; i < STEPS; i++) {
            int d = Math.floorMod(i - near, STEPS);
            if ((near < 0 || Math.min(d, STEPS - d) <= reach) && c[i] > c[best]) {
                best = i;
            }
        }
        return best;
    }

    /// Top of the parabola through a peak and its neighbours, degrees.
    private static double refined(double[] c, int at) {
        double left = c[Math.floorMod(at - 1, STEPS)];
        double right = c[Math.floorMod(at + 1, STEPS)];
        double bend = left - 2 * c[at] + right;
        double off = bend < 0 ? Math.clamp((left - right) / (2 * bend), -0.5, 0.5) : 0;
        return difference(360 * (at + off) / STEPS, 0);
    }

    private static List<Double> others(double[] c, int best) {
        record Peak(double deg, double height) {}
        List<Peak> peaks = new ArrayList<>();
        int reach = (int) (APART_DEG / 360 * STEPS);
        for (int i = 0; i < STEPS; i++) {
            int d = Math.floorMod(i - best, STEPS);
            if (c[i] >= NEARLY * c[best] && Math.min(d, STEPS - d) > reach && highest(c, i, reach) == i) {
                peaks.add(new Peak(refined(c, i), c[i]));
            }
        }
        return peaks.stream().sorted(Comparator.comparingDouble(Peak::height).reversed()).map(Peak::deg).toList();
    }

    /// Number of equal parts of a turn at which all peaks lie, 1 when they do not.
    private static int fold(double turn, List<Double> others) {
        if (others.isEmpty()) {
            return 1;
        }
        double least = others.stream().mapToDouble(o -> Math.abs(difference(o, turn))).min().orElseThrow();
        int n = (int) Math.round(360 / least);
        boolean equal = others.stream().allMatch(o -> {
            double parts = difference(o, turn) / (360.0 / n);
            return Math.abs(parts - Math.round(parts)) * 360 / n < EQUAL_DEG;
        });
        return equal && others.size() >= n / 2 ? n : 1;
    }

    /// Whether one turn stands out, is known to a fraction of a degree, and most of what is compared agrees.
    public boolean sure() {
        return others.isEmpty() && sigmaDeg < MOST_SIGMA_DEG && likeness >= SURE_LIKENESS;
    }
}
