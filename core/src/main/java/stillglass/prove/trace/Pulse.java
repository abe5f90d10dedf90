package stillglass.prove.trace;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.ejml.simple.SimpleMatrix;
import org.jspecify.annotations.Nullable;

/// Light that one sensor saw of one shot.
///
/// @param openedS when the rising flank passed half light, s from the begin of the recording
/// @param closedS when the falling flank did
/// @param momentSigmaS one standard deviation of either
/// @param effectiveS effective exposure: light over time, over full light, without a rebound
/// @param sigmaS one standard deviation of it
/// @param openS from the first light to the last, without a rebound
/// @param level full light above the dark, in units of the recording
/// @param levelSigma one standard deviation of it
/// @param reboundS effective exposure of what opened again, 0 for nothing
/// @param clipped whether full light was cut at the limit of the recorder
/// @param humHz of the hum that was taken away, 0 for none
/// @param flicker effective share of the light's own waves, taken out; 0 for none seen
/// @param restored whether the constant light, which the input does not pass, was put back
/// @param noise of a sample over the level
public record Pulse(double openedS, double closedS, double momentSigmaS, double effectiveS, double sigmaS, double openS, double level, double levelSigma, double reboundS,
        boolean clipped, int humHz, double flicker, boolean restored, double noise) {
    /// Most of what is known about flanks of which the top was cut.
    private static final double CUT_SHARE = 0.25;
    /// Samples of dark before and after that take part in a fit.
    private static final int DARK_SAMPLES = 12;
    private static final double DARK_WAVE_S = 0.005;
    /// The lamp's waves are taken out from this share of the light.
    private static final double LEAST_FLICKER = 0.01;
    private static final double FLICKER_WORTH = 0.3;
    /// No flank is quite of either shape: one standard deviation of what that does, as a share of both flanks. Measured on openings of blades of other shapes.
    private static final double SHAPE = 0.003;
    /// A rebound has this share of full light at least.
    private static final double LEAST_REBOUND = 0.02;

    /// Samples about one shot.
    /// @param y samples, taken over
    /// @param step of time, s
    /// @param startS time of the first, s
    /// @param on first sample that is clearly lit
    /// @param off sample after the last that is, without rebounds
    /// @param end sample after the last of all rebounds
    /// @param swing last sample of what swings below the dark, -1 for none
    /// @param sign of more light
    /// @param limit magnitude at which samples are cut
    @SuppressWarnings("ArrayRecordComponent")
    record Window(double[] y, double step, double startS, int on, int off, int end, int swing, int sign, double limit) {}

    static Pulse of(Window w) {
        double[] y = w.y;
        int lit = Math.max(1, w.off - w.on);
        boolean clipped = IntStream.range(w.on, w.off).filter(i -> Math.abs(y[i]) >= w.limit).count() > Math.max(2, lit / 20);
        for (int i = 0; i < y.length; i++) {
            y[i] *= w.sign;
        }
        int guard = (int) Math.ceil(Math.clamp(0.25 * lit * w.step, 0.0004, 0.008) / w.step);
        int darkTo = Math.max(0, w.on - guard);
        boolean restored = w.swing >= 0 && restore(y, w.step, darkTo, w.off + guard);
        DarkLevel dark = DarkLevel.remove(y, w.step, darkTo, Math.min(y.length, w.end + guard));
        int to = Math.min(y.length, w.end > w.off ? w.off + rebound(y, w.off, w.end) : w.off + guard);
        Shapes shapes = fitted(y, darkTo, to, w, dark);
        double flicker = 0;
        Steady lamp = lamp(y, w.step, shapes.best());
        if (lamp != null) {
            flicker = lamp.waves() / lamp.level();
            double[] light = lamp.at(y.length, w.step);
            for (int i = 0; i < y.length; i++) {
                y[i] *= lamp.level() / Math.max(0.2 * lamp.level(), light[i]);
            }
            shapes = fitted(y, darkTo, to, w, dark);
        }
        Flanks fit = shapes.best();
        Length length = length(y, darkTo, to, shapes, dark);
        double level = length.level;
        double sigma = Math.hypot(length.sigma, clipped ? CUT_SHARE * (fit.rise() + fit.fall()) : 0);
        double moment = dark.noise() * Math.sqrt(dark.together() * Math.clamp(fit.misfit(), 1, 25)) * fit.openedSigma();
        return new Pulse(w.startS + fit.opened() * w.step, w.startS + fit.closed() * w.step, Math.hypot(moment, 0.05) * w.step, length.samples * w.step, sigma * w.step,
                (fit.end() - fit.start()) * w.step, level, length.levelSigma, reboundLight(y, to, w.end + guard, level, dark.noise()) * w.step, clipped, dark.humHz(), flicker, restored,
                dark.noise() / level);
    }

    /// Light of a lamp that goes dark between its waves: when it was first and last lit is all there is, and half a wave may be missing at both ends.
    static Pulse ofWaves(double fromS, double toS, LightSpans seen) {
        double sigma = DARK_WAVE_S / Math.sqrt(6);
        double length = toS - fromS + DARK_WAVE_S;
        return new Pulse(fromS, toS, sigma, length, sigma, length, seen.height(), seen.noise(), 0, false, 0, 1, false, seen.noise() / seen.height());
    }

    /// The same light against more than this sensor got: what a slit narrower than the sensor lets through.
    Pulse against(double full) {
        double share = level / full;
        return new Pulse(openedS, closedS, momentSigmaS, effectiveS * share, sigmaS * share, openS, full, levelSigma, reboundS * share, clipped, humHz, flicker, restored, noise * share);
    }

    /// All shapes of flanks, the best first.
    private record Shapes(List<Flanks> all) {
        Flanks best() {
            return all.getFirst();
        }

        /// Length over all shapes, each as likely as what it leaves tells; and how far they are apart.
        /// @param variance of the noise
        double[] length(double variance) {
            double sum = 0;
            double mean = 0;
            double square = 0;
            for (Flanks f : all) {
                double w = variance > 0 ? Math.exp(-(f.left() - best().left()) / (2 * variance)) : f == best() ? 1 : 0;
                sum += w;
                mean += w * f.length();
                square += w * f.length() * f.length();
            }
            return new double[] {mean / sum, Math.sqrt(Math.max(0, square / sum - mean * mean / (sum * sum)))};
        }
    }

    /// Effective length in samples.
    private record Length(double samples, double sigma, double level, double levelSigma) {}

    private static Shapes fitted(double[] y, int from, int to, Window w, DarkLevel dark) {
        double[] first = first(y, from, to, w);
        int a = Math.max(from, (int) (first[1] - 2 * first[2]) - DARK_SAMPLES);
        int b = Math.min(to, (int) (first[3] + 2 * first[4]) + DARK_SAMPLES);
        return new Shapes(Arrays.stream(Flanks.Shape.values()).map(shape -> Flanks.fit(y, a, b, first, dark.noise(), shape)).sorted(Comparator.comparingDouble(Flanks::left)).toList());
    }

    /// Level, opened, rise, closed, fall as a smoothed trace shows them.
    private static double[] first(double[] y, int from, int to, Window w) {
        int wide = Math.max(1, Math.min(16, (w.off - w.on) / 8));
        double[] smooth = new double[to - from];
        for (int i = from; i < to; i++) {
            int a = Math.max(from, i - wide / 2);
            int b = Math.min(to, a + wide);
            smooth[i - from] = Arrays.stream(y, a, b).sum() / (b - a);
        }
        int every = Math.max(1, (w.off - w.on) / 2000);
        double[] sorted = IntStream.range(w.on, Math.max(w.on + 1, w.off)).filter(i -> (i - w.on) % every == 0).mapToDouble(i -> y[i]).sorted().toArray();
        double level = Math.max(sorted[(int) (0.85 * (sorted.length - 1))], 1e-12);
        double[] up = new double[2];
        double[] down = new double[2];
        double[] shares = {0.2, 0.8};
        for (int k = 0; k < 2; k++) {
            int i = 0;
            while (i < smooth.length - 1 && smooth[i] < shares[k] * level) {
                i++;
            }
            int j = smooth.length - 1;
            while (j > 0 && smooth[j] < shares[k] * level) {
                j--;
            }
            up[k] = i + from;
            down[k] = j + from;
        }
        return new double[] {level, (up[0] + up[1]) / 2, Math.max(1, (up[1] - up[0]) / 0.6), (down[0] + down[1]) / 2, Math.max(1, (down[0] - down[1]) / 0.6)};
    }

    /// The waves of the lamp, where the flat part is long enough to show them.
    private static @Nullable Steady lamp(double[] y, double step, Flanks f) {
        int a = (int) Math.ceil(f.opened() + f.rise() * 0.75);
        int b = (int) Math.floor(f.closed() - f.fall() * 0.75);
        if ((b - a) * step < 0.022 || a < 0 || b > y.length) {
            return null;
        }
        Steady lamp = Steady.best(Steady.Points.of(y, step, a, b), y.length * step, true, (b - a) * step, FLICKER_WORTH);
        return lamp.hz() > 0 && lamp.waves() > LEAST_FLICKER * lamp.level() ? lamp : null;
    }

    private static Length length(double[] y, int from, int to, Shapes shapes, DarkLevel dark) {
        Flanks f = shapes.best();
        double noise = dark.noise() * Math.sqrt(dark.together());
        // A wrong dark moves the flanks and what lies outside half light, not the flat part.
        double atFlanks = Math.hypot(dark.levelSigma() / f.level(), SHAPE) * (f.rise() + f.fall());
        if (f.fits()) {
            double[] all = shapes.length(noise * noise);
            return new Length(all[0], Math.hypot(Math.hypot(noise * f.lengthSigma(), atFlanks), all[1]), f.level(), noise * f.levelSigma());
        }
        int a = Math.clamp((int) Math.floor(f.start() - 0.5 * f.rise()), from, to);
        int b = Math.clamp((int) Math.ceil(f.end() + 0.5 * f.fall()), a, to);
        double sum = Arrays.stream(y, a, b).sum();
        double[] top = top(y, f);
        double samples = sum / top[0];
        double flanks = b - a - Math.max(0, f.closed() - f.opened() - (f.rise() + f.fall()) / 2);
        double sigma = Math.hypot(noise * Math.sqrt(Math.max(1, flanks)) / top[0], Math.hypot(noise * top[1] / top[0] * flanks, atFlanks));
        return new Length(samples, Math.hypot(sigma, Math.abs(samples - f.length()) / 4), top[0], noise * top[1]);
    }

    /// Full light and its deviation for noise of 1: of the flat part where there is one, else the top of a parabola.
    private static double[] top(double[] y, Flanks f) {
        int a = Math.max(0, (int) Math.ceil(f.opened() + 0.6 * f.rise()));
        int b = Math.min(y.length, (int) Math.floor(f.closed() - 0.6 * f.fall()));
        if (b - a >= 3 && b - a > 0.1 * f.length()) {
            double[] flat = Arrays.stream(y, a, b).sorted().toArray();
            return new double[] {(flat[flat.length / 2] + flat[(flat.length - 1) / 2]) / 2, 1.25 / Math.sqrt(b - a)};
        }
        double middle = (f.start() + f.end()) / 2;
        double half = Math.max(1.6, (f.end() - f.start()) / 6);
        double[] sums = new double[5];
        double[] right = new double[3];
        for (int i = Math.max(0, (int) Math.ceil(middle - half)); i <= Math.min(y.length - 1, (int) Math.floor(middle + half)); i++) {
            double u = (i - middle) / half;
            double p = 1;
            for (int k = 0; k < 5; k++, p *= u) {
                sums[k] += p;
                if (k < 3) {
                    right[k] += p * y[i];
                }
            }
        }
        if (sums[0] < right.length) {
            // The flanks ran away from what was recorded: the highest sample is all there is, and as uncertain as itself.
            double most = Arrays.stream(y).max().orElse(0);
            return new double[] {Math.max(1e-9, most), 1};
        }
        var x = new SimpleMatrix(new double[][] {{sums[0], sums[1], sums[2]}, {sums[1], sums[2], sums[3]}, {sums[2], sums[3], sums[4] + 1e-12}})
                .solve(new SimpleMatrix(3, 1, true, right));
        double bend = x.get(2);
        double at = bend < 0 ? Math.clamp(-x.get(1) / (2 * bend), -1, 1) : 0;
        double highest = x.get(0) + x.get(1) * at + bend * at * at;
        return new double[] {highest > 0 ? highest : Math.max(1e-9, Arrays.stream(y).max().orElse(0)), 1.5 / Math.sqrt(Math.max(1, sums[0]))};
    }

    /// Samples until light is least between an opening and its rebound.
    private static int rebound(double[] y, int off, int end) {
        int least = off;
        for (int i = off; i < end; i++) {
            if (y[i] < y[least] || y[i] <= 0) {
                least = i;
                if (y[i] <= 0) {
                    break;
                }
            }
        }
        return Math.max(2, least - off);
    }

    /// Light after closing, in samples of full light; what noise alone could be counts as none.
    private static double reboundLight(double[] y, int from, int to, double level, double noise) {
        double sum = 0;
        double highest = 0;
        int wide = 4;
        for (int i = from; i < Math.min(y.length - wide, to); i++) {
            sum += Math.max(0, y[i]) > 2 * noise ? y[i] : 0;
            highest = Math.max(highest, Arrays.stream(y, i, i + wide).sum() / wide);
        }
        return highest > Math.max(LEAST_REBOUND * level, 5 * noise / Math.sqrt(wide)) ? sum / level : 0;
    }

    /// Puts back the constant light that an input with a capacitor does not pass: what it swings below the dark after closing is in proportion to the light
    /// that has been, which gives its time constant.
    private static boolean restore(double[] y, double step, int darkTo, int after) {
        if (darkTo < 8 || after + 8 > y.length) {
            return false;
        }
        double dark = Arrays.stream(y, 0, darkTo).average().orElse(0);
        double sum = 0;
        double product = 0;
        double square = 0;
        double[] light = new double[y.length];
        for (int i = 0; i < y.length; i++) {
            sum += (y[i] - dark) * step;
            light[i] = sum;
            if (i >= after) {
                product -= (y[i] - dark) * sum;
                square += sum * sum;
            }
        }
        double rate = square > 0 ? product / square : 0;
        if (!(rate > 0)) {
            return false;
        }
        for (int i = 0; i < y.length; i++) {
            y[i] = y[i] - dark + rate * light[i];
        }
        return true;
    }
}
