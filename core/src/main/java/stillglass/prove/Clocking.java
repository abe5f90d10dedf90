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
/// Both photos are unrolled about their circle into rows of equal angle steps, in the logarithm of light, so that a stronger lamp changes nothing ([RingPhoto]). For every frequency round the circle the
/// cross spectra of all rows are added and divided by the root of the sum of their magnitudes, half way between plain and phase correlation: the strongest frequencies do not drown the others,
/// and those that are noise do not count. The highest peaks, of fine marks and of coarse ones, are each laid over by least squares, with where the circle really lies ([RingAlignment]), and the one that then agrees best counts. Peaks
/// nearly as strong are told as well: a ring with `n` equal notches looks the same after every `n`th of a turn. The height of the peak is the share of all that turns in both which agrees.
///
/// Reference: phase correlation, C. D. Kuglin, D. C. Hines, IEEE Conf. Cybernetics and Society (1975); jackknife, B. Efron, *SIAM* CBMS 38 (1982).
///
/// @param turnDeg how far the later photo is turned clockwise against the earlier, -180 to 180
/// @param sigmaDeg one standard deviation
/// @param likeness how much of what both show agrees at that turn, 0 to 1: 0.4 to 0.7 for two photos of one ring, under 0.2 for two rings
/// @param others other turns nearly as likely, strongest first
/// @param fold number of turns after which the ring looks the same, 1 when one turn stands out
public record Clocking(double turnDeg, double sigmaDeg, double likeness, List<Double> others, int fold) {
    private static final int STEPS = RingPhoto.STEPS;
    /// Waves round the circle: fewer follow the lamp, more are noise.
    private static final int LEAST_WAVES = 6;
    private static final double MOST_WAVES = 220;
    private static final double COARSE_WAVES = 45;
    private static final int TRIED = 3;
    /// Likeness below which the photos show different rings, or nothing that turns. Measured on drawn rings: the same ring under another lamp
    /// 0.43 to 0.67, two different name rings 0.13 to 0.15, blank rings 0.04.
    private static final double LEAST_LIKENESS = 0.25;
    /// Likeness from which a turn is sure; crests of threads seen askew reached 0.44 between photos under different lamps.
    private static final double SURE_LIKENESS = 0.5;
    /// Share of the highest peak from which another is nearly as likely.
    private static final double NEARLY = 0.7;
    private static final double APART_DEG = 2;
    /// Peaks of a ring with equal notches lie this close to equal distances, degrees.
    private static final double EQUAL_DEG = 0.7;
    /// A ring narrower than this shows too little, circle radii.
    private static final double LEAST_WIDTH = 0.04;
    /// Beyond the circle the picture must go on by so much for it to be moved, radii.
    private static final double MARGIN = 0.016;
    /// Stretches agree better than photos do: measured on 24 pairs of hand-held photos, two such errors together scattered by 0.11°.
    private static final double LEAST_SIGMA_DEG = 0.08;
    /// An error above this means that stretches disagree: what was compared does not turn as one.
    private static final double MOST_SIGMA_DEG = 0.3;

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
        return (out / Math.max(a.rx(), a.ry())) - MARGIN;
    }

    /// @return nothing when neither shows enough that turns with it
    public static Optional<Clocking> between(Ring before, Ring after) {
        RingPhoto earlier = new RingPhoto(before);
        RingPhoto later = new RingPhoto(after);
        double[][] rows = earlier.rows(RingPhoto.Warp.NONE, 0, false);
        double[][] a = earlier.spectra(earlier.rows(RingPhoto.Warp.NONE, 0, true));
        double[][] first = later.spectra(later.rows(RingPhoto.Warp.NONE, 0, true));
        Found best = null;
        for (double turn : candidates(a, first)) {
            RingAlignment laid = RingAlignment.roughly(rows, later, turn);
            double[] all = correlation(a, later.spectra(later.rows(laid.warp(), 0, true)), MOST_WAVES);
            int at = highest(all, Math.floorMod((int) Math.rint(laid.turnSteps()), STEPS), 4);
            if (best == null || all[at] > best.all[best.at]) {
                best = new Found(laid, all, at);
            }
        }
        if (best == null || !(best.all[best.at] >= LEAST_LIKENESS)) {
            return Optional.empty();
        }
        RingAlignment laid = best.laid.exactly(rows, later);
        // A hundred-thousandth of a degree is nothing, in either direction.
        double turn = Math.rint(1e5 * difference(360 * laid.turnSteps() / STEPS, 0)) / 1e5 + 0.0;
        double sigma = Math.max(LEAST_SIGMA_DEG, 360 * laid.sigmaSteps() / STEPS);
        List<Double> others = others(best.all, best.at);
        return Optional.of(new Clocking(turn, sigma, best.all[best.at], others, fold(turn, others)));
    }

    private record Found(RingAlignment laid, double[] all, int at) {}

    /// Turns worth trying: the highest peaks of fine and of coarse marks. Seen askew, fine marks lie beside each other until the circle is laid right.
    private static List<Double> candidates(double[][] a, double[][] b) {
        List<Double> out = new ArrayList<>();
        for (double waves : new double[] {MOST_WAVES, COARSE_WAVES}) {
            double[] c = correlation(a, b, waves);
            int reach = (int) (APART_DEG / 360 * STEPS);
            int begun = out.size();
            while (out.size() < begun + TRIED) {
                int top = highest(c, -1, 0);
                double at = top;
                if (out.stream().noneMatch(o -> Math.abs(Math.IEEEremainder(o - at, STEPS)) < reach)) {
                    out.add(at);
                } else {
                    begun--;
                }
                for (int i = -reach; i <= reach; i++) {
                    c[Math.floorMod(top + i, STEPS)] = -1;
                }
            }
        }
        return out;
    }

    /// Smallest turn from `b` to `a`, degrees.
    public static double difference(double a, double b) {
        return Math.IEEEremainder(a - b, 360);
    }

    /// Correlation over the turn; 1 where all frequencies of all rings agree.
    private static double[] correlation(double[][] a, double[][] b, double mostWaves) {
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
            for (int k = 0; k < RingPhoto.ROWS; k++) {
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
            double gain = size <= 0 ? 0 : Math.exp(-0.5 * Math.pow(waves / mostWaves, 2)) / Math.sqrt(size);
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
