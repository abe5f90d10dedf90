package stillglass.prove.edge;

import java.util.Optional;
import java.util.stream.IntStream;

/// From the pixels about an edge to its modulation: spread in bins of a quarter of a pixel, derivative, window, Fourier transform. What bins and differences take from
/// high frequencies is put back, and what noise adds is taken off. The error comes from leaving out one stretch of the edge after the other.
final class EdgeSpread {
    private static final double BIN = 0.25;
    private static final int FEWEST_IN_BIN = 2;
    private static final double EMPTY = 0.03;
    /// The window is flat over this many widths of the change and ends at as many more.
    private static final double FLAT_WIDTHS = 1.7;
    private static final double END_WIDTHS = 2.6;
    /// Beyond so many widths from the edge its light side tells how the lighting falls off.
    private static final double EVEN_WIDTHS = 1.3;
    private static final double LEAST_FLAT = 4;
    private static final double LEAST_END = 7;
    private static final double LEAST_CONTRAST = 0.05;
    private static final double STEP_OVER_NOISE = 4;
    private static final double WHITE = 0.995;
    /// Widths and bins are never quite right: one standard deviation of what that does.
    private static final double OWN_ERROR = 0.0015;

    /// Bins in which the lowest frequency goes round once.
    private static final int PERIOD = (int) Math.round(1 / (BIN * SlantedEdge.STEP_CPP));
    private static final double[] COS = IntStream.range(0, PERIOD).mapToDouble(i -> Math.cos(2 * Math.PI * i / PERIOD)).toArray();

    private EdgeSpread() {}

    static Optional<SlantedEdge> measure(EdgeStrip uneven, EdgeFinder.Stretch stretch) {
        EdgeStrip s = Spread.of(uneven, -1).map(w -> uneven.evened(EVEN_WIDTHS * w.width)).orElse(uneven);
        Optional<Spread> whole = Spread.of(s, -1);
        if (whole.isEmpty()) {
            return Optional.empty();
        }
        Spread spread = whole.get();
        double step = s.bright() - s.dark();
        double contrast = step / Math.max(1e-9, s.bright() + s.dark());
        if (contrast < LEAST_CONTRAST || step < STEP_OVER_NOISE * spread.noise || spread.width > s.reach() * 0.8) {
            return Optional.empty();
        }
        double[] mtf = spread.mtf(spread.width);
        double mtf50 = half(mtf);
        double[] square = new double[SlantedEdge.STEPS];
        double square50 = 0;
        double squareOver = 0;
        double over = spread.overshoot(s);
        int without = 0;
        for (int b = 0; b < EdgeStrip.BLOCKS; b++) {
            Optional<Spread> part = Spread.of(s, b);
            if (part.isEmpty()) {
                continue;
            }
            without++;
            double[] m = part.get().mtf(spread.width);
            for (int i = 0; i < m.length; i++) {
                square[i] += (m[i] - mtf[i]) * (m[i] - mtf[i]);
            }
            square50 += Math.pow(half(m) - mtf50, 2);
            squareOver += Math.pow(part.get().overshoot(s) - over, 2);
        }
        if (without < 4) {
            return Optional.empty();
        }
        double factor = (without - 1.0) / without;
        double[] noise = spread.noise(spread.width);
        double[] sigma = IntStream.range(0, mtf.length).mapToDouble(i -> Math.hypot(Math.max(Math.sqrt(factor * square[i]), noise[i]), OWN_ERROR * i * SlantedEdge.STEP_CPP)).toArray();
        double sigma50 = Math.hypot(Math.sqrt(factor * square50), OWN_ERROR * mtf50);
        long white = IntStream.range(0, s.light().length).filter(i -> s.distance()[i] > 0.5 * s.reach() && s.light()[i] >= WHITE).count();
        long bright = IntStream.range(0, s.light().length).filter(i -> s.distance()[i] > 0.5 * s.reach()).count();
        return Optional.of(new SlantedEdge(s.x(), s.y(), Math.toDegrees(s.normalRad()), stretch.length(), mtf, sigma, mtf50, sigma50, over, Math.sqrt(factor * squareOver), contrast, 2 * white > bright));
    }

    /// Frequency at half modulation; NaN when it stays above.
    private static double half(double[] mtf) {
        for (int i = 1; i < mtf.length; i++) {
            if (mtf[i] < 0.5) {
                return SlantedEdge.STEP_CPP * (i - 1 + (mtf[i - 1] - 0.5) / (mtf[i - 1] - mtf[i]));
            }
        }
        return Double.NaN;
    }

    /// Edge spread in bins.
    private record Spread(double[] mean, int[] count, double first, double noise, double width) {
        /// @param without stretch that is left out, negative for none
        static Optional<Spread> of(EdgeStrip s, int without) {
            int half = (int) Math.floor(s.reach() / BIN);
            int bins = 2 * half;
            double first = -half * BIN;
            double[] sum = new double[bins];
            double[] off = new double[bins];
            double[] square = new double[bins];
            int[] count = new int[bins];
            for (int i = 0; i < s.distance().length; i++) {
                int b = (int) Math.floor((s.distance()[i] - first) / BIN);
                if (b >= 0 && b < bins && s.block()[i] != without) {
                    sum[b] += s.light()[i];
                    square[b] += s.light()[i] * s.light()[i];
                    off[b] += s.distance()[i] - first - (b + 0.5) * BIN;
                    count[b]++;
                }
            }
            double[] mean = new double[bins];
            int empty = 0;
            for (int b = 0; b < bins; b++) {
                if (count[b] < FEWEST_IN_BIN) {
                    empty++;
                }
                mean[b] = count[b] > 0 ? sum[b] / count[b] : b > 0 ? mean[b - 1] : s.dark();
            }
            if (empty > EMPTY * bins) {
                // Along rows of pixels an edge is seen at a few distances only.
                return Optional.empty();
            }
            double[] centred = mean.clone();
            for (int b = 1; b < bins - 1; b++) {
                if (count[b] > 0) {
                    centred[b] -= (mean[b + 1] - mean[b - 1]) / (2 * BIN) * off[b] / count[b];
                }
            }
            double variance = 0;
            int samples = 0;
            for (int b = 0; b < bins; b++) {
                if (Math.abs(first + b * BIN) > 0.5 * s.reach() && count[b] > 1) {
                    variance += square[b] - sum[b] * sum[b] / count[b];
                    samples += count[b] - 1;
                }
            }
            return Optional.of(new Spread(centred, count, first, Math.sqrt(Math.max(0, variance / Math.max(1, samples))), width(centred, s)));
        }

        /// From a tenth to nine tenths of the step, pixels.
        private static double width(double[] mean, EdgeStrip s) {
            double step = s.bright() - s.dark();
            int low = mean.length - 1;
            while (low > 0 && mean[low] > s.dark() + 0.1 * step) {
                low--;
            }
            int high = 0;
            while (high < mean.length - 1 && mean[high] < s.dark() + 0.9 * step) {
                high++;
            }
            return Math.max(1, Math.abs(high - low) * BIN);
        }

        /// Share of a difference of bins that counts, by its distance from the edge.
        private double[] window(double wide) {
            double flat = Math.max(LEAST_FLAT, FLAT_WIDTHS * wide);
            double end = Math.max(LEAST_END, END_WIDTHS * wide);
            return IntStream.range(0, mean.length - 1).mapToDouble(i -> Math.abs(at(i)))
                    .map(d -> d <= flat ? 1 : d >= end ? 0 : 0.5 + 0.5 * Math.cos(Math.PI * (d - flat) / (end - flat))).toArray();
        }

        private double at(int i) {
            return first + (i + 1) * BIN;
        }

        double[] mtf(double wide) {
            double[] lsf = window(wide);
            for (int i = 0; i < lsf.length; i++) {
                lsf[i] *= mean[i + 1] - mean[i];
            }
            double whole = java.util.Arrays.stream(lsf).sum();
            double[] noise = noise(wide);
            double[] out = new double[SlantedEdge.STEPS];
            for (int k = 0; k < out.length; k++) {
                double re = 0;
                double im = 0;
                for (int i = 0; i < lsf.length; i++) {
                    int turn = Math.floorMod((i - lsf.length / 2) * k, PERIOD);
                    re += lsf[i] * COS[turn];
                    im += lsf[i] * COS[(turn + 3 * PERIOD / 4) % PERIOD];
                }
                double share = Math.hypot(re, im) / Math.abs(whole) / taken(k);
                out[k] = Math.sqrt(Math.max(0, share * share - 2 * noise[k] * noise[k]));
            }
            return out;
        }

        /// What the noise of pixels does to the modulation, one standard deviation of either of its parts. Differences of neighbours scatter more, the finer the frequency.
        double[] noise(double wide) {
            double[] window = window(wide);
            double scatter = 0;
            double whole = 0;
            for (int i = 0; i < window.length; i++) {
                scatter += window[i] * window[i] * noise * noise * (1.0 / Math.max(1, count[i]) + 1.0 / Math.max(1, count[i + 1])) / 2;
                whole += window[i] * (mean[i + 1] - mean[i]);
            }
            double root = Math.sqrt(scatter) / Math.abs(whole);
            return IntStream.range(0, SlantedEdge.STEPS).mapToDouble(k -> root * Math.sqrt(1 - Math.cos(2 * Math.PI * k * SlantedEdge.STEP_CPP * BIN)) / taken(k)).toArray();
        }

        /// Modulation that bins and differences leave of a frequency.
        private static double taken(int k) {
            double s = sinc(k * SlantedEdge.STEP_CPP * BIN);
            return s * s;
        }

        private static double sinc(double x) {
            return x == 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
        }

        /// Most that a pixel's width of the spread goes beyond either level, mean of both sides, as a share of the step.
        double overshoot(EdgeStrip s) {
            int wide = (int) Math.round(1 / BIN);
            double high = Double.NEGATIVE_INFINITY;
            double low = Double.POSITIVE_INFINITY;
            for (int i = 0; i + wide <= mean.length; i++) {
                double v = 0;
                for (int k = i; k < i + wide; k++) {
                    v += mean[k] / wide;
                }
                if (Math.abs(first + (i + wide / 2.0) * BIN) < 0.6 * s.reach()) {
                    high = Math.max(high, v);
                    low = Math.min(low, v);
                }
            }
            return (high - s.bright() + s.dark() - low) / 2 / (s.bright() - s.dark());
        }
    }
}
