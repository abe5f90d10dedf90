package stillglass.prove.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/// Where light fell on a sensor, coarsely.
///
/// @param sign +1 when more light is a larger sample, -1 when the sensor is the other way round
/// @param spans in order
/// @param height of the highest above the dark
/// @param noise of a block, one standard deviation
record LightSpans(int sign, List<Span> spans, double height, double noise) {
    /// Share of the highest light above which a sensor is lit.
    private static final double LIT = 0.12;
    /// Standard deviations by which a lit block is above what noise reaches in all blocks of a recording together.
    private static final double NOISES = 1.5;
    /// What stays below this share of the highest light may be hum.
    private static final double DARK = 0.35;
    /// Hum and drift reach no higher than this above the dark, in their mean.
    private static final double HUMS = 2;
    /// The dark is followed with this time, s.
    private static final double FOLLOWS_S = 0.3;
    /// What comes this soon after a shot and is smaller than this share of it is a rebound.
    private static final double REBOUND_S = 0.015;
    private static final double REBOUND_SHARE = 0.4;
    /// A dip to this share of the light between two full openings parts them.
    private static final double PARTED = 0.5;
    private static final double PART_SHARE = 0.35;

    /// Blocks that are lit.
    /// @param from first block
    /// @param to block after the last
    /// @param area above the dark, blocks of height
    /// @param rebounds what opened again right after
    /// @param under first and last block of what swings below the dark after it, as an input that passes no constant light shows; empty for none
    /// @param waves whether the lamp went dark between its waves
    record Span(int from, int to, double area, List<Span> rebounds, List<Integer> under, boolean waves) {
        Span {
            rebounds = List.copyOf(rebounds);
            under = List.copyOf(under);
        }

        int end() {
            return rebounds.isEmpty() ? to : rebounds.getLast().to;
        }
    }

    private static final double SWING_SHARE = 0.2;
    private static final int FEWEST_WAVES = 4;

    LightSpans {
        spans = List.copyOf(spans);
    }

    static LightSpans of(Coarse coarse, int channel) {
        float[] x = coarse.mean()[channel];
        int n = x.length;
        if (n < 8) {
            return new LightSpans(1, List.of(), 0, 0);
        }
        int lead = Math.clamp((int) (0.02 / coarse.seconds()), 2, n / 4 + 1);
        double start = coarse.median(channel, 0, lead);
        int sign = firstSwing(x, start);
        float[] above = new float[n];
        double follows = coarse.seconds() / FOLLOWS_S;
        double highest = 0;
        for (float v : x) {
            highest = Math.max(highest, sign * (v - start));
        }
        double noise = spread(x);
        double dark = start;
        double darkSpread = noise;
        for (int i = 0; i < n; i++) {
            above[i] = (float) (sign * (x[i] - dark));
            if (Math.abs(above[i]) < DARK * highest) {
                dark += follows * (x[i] - dark);
                darkSpread += follows * (Math.abs(above[i]) * 1.25 - darkSpread);
            }
        }
        double limit = Math.max(LIT * highest, Math.max((Math.sqrt(2 * Math.log(n)) + NOISES) * noise, HUMS * darkSpread));
        if (!(highest > 0) || limit > 0.7 * highest) {
            return new LightSpans(sign, List.of(), highest, noise);
        }
        return new LightSpans(sign, rebounds(waves(parted(coupled(lit(above, limit, 1), lit(above, limit, -1)), above, noise), coarse.seconds()), coarse.seconds()), highest, noise);
    }

    /// Way of the first swing that reaches half the largest.
    private static int firstSwing(float[] x, double start) {
        double largest = 0;
        for (float v : x) {
            largest = Math.max(largest, Math.abs(v - start));
        }
        for (float v : x) {
            if (Math.abs(v - start) > largest / 2) {
                return v > start ? 1 : -1;
            }
        }
        return 1;
    }

    /// Noise from block to block, which neither light nor drift raises.
    private static double spread(float[] x) {
        float[] steps = new float[x.length - 1];
        for (int i = 0; i < steps.length; i++) {
            steps[i] = Math.abs(x[i + 1] - x[i]);
        }
        java.util.Arrays.sort(steps);
        return 1.4826 * steps[steps.length / 2] / Math.sqrt(2);
    }

    private static List<Span> lit(float[] above, double limit, int way) {
        List<Span> out = new ArrayList<>();
        int from = -1;
        double area = 0;
        for (int i = 0; i <= above.length; i++) {
            boolean lit = i < above.length && way * above[i] > limit;
            if (lit) {
                from = from < 0 ? i : from;
                area += above[i];
            } else if (from >= 0) {
                out.add(new Span(from, i, Math.abs(area), List.of(), List.of(), false));
                from = -1;
                area = 0;
            }
        }
        return out;
    }

    /// An input that passes no constant light shows the opening as a swing up that dies away and the closing as a swing down: both belong to one span.
    private static List<Span> coupled(List<Span> up, List<Span> down) {
        List<Span> out = new ArrayList<>();
        int next = 0;
        for (Span d : down) {
            List<Span> between = new ArrayList<>();
            while (next < up.size() && up.get(next).from < d.from) {
                between.add(up.get(next++));
            }
            double largest = between.stream().mapToDouble(Span::area).max().orElse(0);
            // What is small after it is the swing dying away in the noise.
            int opening = IntStream.range(0, between.size()).filter(i -> between.get(i).area > SWING_SHARE * largest).reduce((a, b) -> b).orElse(-1);
            if (opening >= 0) {
                out.addAll(between.subList(0, opening));
                Span s = between.get(opening);
                out.add(new Span(s.from, d.from, s.area, List.of(), List.of(d.from, d.to), false));
            } else if (!out.isEmpty() && !out.getLast().under.isEmpty()) {
                Span s = out.removeLast();
                out.add(new Span(s.from, s.to, s.area, List.of(), List.of(s.under.getFirst(), d.to), false));
            }
        }
        out.addAll(up.subList(next, up.size()));
        return out;
    }

    /// A lamp that goes dark between its waves shows one opening as many, as far apart as the waves of the mains.
    private static List<Span> waves(List<Span> spans, double seconds) {
        List<Span> out = new ArrayList<>();
        int i = 0;
        while (i < spans.size()) {
            int end = i + 1;
            while (end < spans.size() && isWave((spans.get(end).from - spans.get(end - 1).from) * seconds, end - i == 1 || end == spans.size() - 1)) {
                end++;
            }
            if (end - i >= FEWEST_WAVES) {
                double area = spans.subList(i, end).stream().mapToDouble(Span::area).sum();
                out.add(new Span(spans.get(i).from, spans.get(end - 1).to, area, List.of(), List.of(), true));
            } else {
                out.addAll(spans.subList(i, end));
            }
            i = end;
        }
        return out;
    }

    /// @param atAnEnd whether one of the two waves is the first or the last, which the shutter may have cut
    private static boolean isWave(double apartS, boolean atAnEnd) {
        for (double hz : new double[] {100, 120, 50, 60}) {
            double period = 1 / hz;
            if (Math.abs(apartS - period) < 0.04 * period + 0.0003 || atAnEnd && apartS < period && apartS > 0.5 * period) {
                return true;
            }
        }
        return false;
    }

    /// Two openings that touch are two.
    private static List<Span> parted(List<Span> spans, float[] above, double noise) {
        List<Span> out = new ArrayList<>();
        for (Span s : spans) {
            int low = lowest(s, above);
            if (low < 0) {
                out.add(s);
                continue;
            }
            double left = area(above, s.from, low);
            double right = area(above, low, s.to);
            double top = Math.min(highest(above, s.from, low), highest(above, low, s.to));
            if (Math.min(left, right) > PART_SHARE * Math.max(left, right) && above[low] < PARTED * top - 3 * noise && s.under.isEmpty()) {
                out.addAll(parted(List.of(new Span(s.from, low, left, List.of(), List.of(), false)), above, noise));
                out.addAll(parted(List.of(new Span(low, s.to, right, List.of(), List.of(), false)), above, noise));
            } else {
                out.add(s);
            }
        }
        return out;
    }

    /// The deepest block that has higher ones on both sides; -1 for none.
    private static int lowest(Span s, float[] above) {
        int best = -1;
        double depth = 0;
        double[] right = new double[s.to - s.from + 1];
        for (int i = s.to - 1; i >= s.from; i--) {
            right[i - s.from] = Math.max(right[i - s.from + 1], above[i]);
        }
        double left = 0;
        for (int i = s.from; i < s.to; i++) {
            double d = Math.min(left, right[i - s.from + 1]) - above[i];
            if (d > depth) {
                depth = d;
                best = i;
            }
            left = Math.max(left, above[i]);
        }
        return best;
    }

    private static double area(float[] above, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += above[i];
        }
        return sum;
    }

    private static double highest(float[] above, int from, int to) {
        double top = 0;
        for (int i = from; i < to; i++) {
            top = Math.max(top, above[i]);
        }
        return top;
    }

    private static List<Span> rebounds(List<Span> spans, double seconds) {
        List<Span> out = new ArrayList<>();
        for (Span s : spans) {
            Span last = out.isEmpty() ? null : out.getLast();
            if (last != null && (s.from - last.end()) * seconds < REBOUND_S && s.area < REBOUND_SHARE * last.area) {
                List<Span> with = new ArrayList<>(last.rebounds);
                with.add(s);
                out.set(out.size() - 1, new Span(last.from, last.to, last.area, with, last.under, last.waves));
            } else {
                out.add(s);
            }
        }
        return out;
    }
}
