package stillglass.prove.trace;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import stillglass.say.Said;

/// What the sound of a shutter tells of a slow speed: the time from the click of its opening to the click of its closing.
///
/// The energy of what is above about 2 kHz is followed in steps of a quarter of a millisecond. A click is a rise of it by ten decibels and more within two milliseconds. The first click of
/// a shot is taken for the opening and the loudest of those near the stated speed, the nearer the likelier, for the closing. Blades hit their stops before or after the light passes its half, and clicks of a
/// mechanism lie close together: how much that is no sound tells, so it is stated as uncertainty. Where a click dies away too slowly, or this uncertainty is more than a share
/// of the time, the answer is refused.
///
/// @param shots that could be told
/// @param effectiveS mean time between the clicks
/// @param sigmaS one standard deviation, what blades do between click and light among it
/// @param resolved whether any shot could be told
public record SoundReading(List<Shot> shots, double effectiveS, double sigmaS, boolean resolved, List<Said> diagnostics) {
    private static final double STEP_S = 0.00025;
    /// Energy over the quiet at which anything is a click at all.
    private static final double OVER_QUIET = 16;
    private static final double RISE = 10;
    private static final double RISE_S = 0.002;
    /// From a click to the half of the light, one standard deviation of the difference of opening and closing, s.
    private static final double BLADES_S = 0.0015;
    private static final double MOST_SHARE = 0.12;
    /// How far from the stated speed the closing may be, as a factor.
    private static final double WITHIN = 2.5;
    private static final double LEAST_S = 0.012;

    /// @param openedS when the opening was heard, s from the begin
    /// @param seconds to the closing
    public record Shot(String recording, double openedS, double seconds) {}

    public SoundReading {
        shots = List.copyOf(shots);
        diagnostics = List.copyOf(diagnostics);
    }

    /// @param atS s from the begin
    private record Click(int at, double atS, double energy) {}

    /// @param nominalS what the setting says
    public static SoundReading of(List<Recording> recordings, double nominalS) {
        if (BLADES_S > MOST_SHARE * nominalS) {
            return refused("sound.too-fast");
        }
        List<Shot> shots = new ArrayList<>();
        List<Said> notes = new ArrayList<>();
        for (Recording r : recordings) {
            float[] energy = energy(r);
            List<Shot> found = shots(r.name(), clicks(energy, size(r) / r.rateHz()), energy, nominalS);
            if (found.isEmpty()) {
                notes.add(Said.of("sound.no-pair", "file", r.name(), "nominal", Speed.text(nominalS)));
            }
            shots.addAll(found);
        }
        if (shots.isEmpty()) {
            notes.add(Said.of("sound.instead"));
            return new SoundReading(List.of(), 0, 0, false, notes);
        }
        double mean = shots.stream().mapToDouble(Shot::seconds).average().orElseThrow();
        double square = shots.stream().mapToDouble(s -> Math.pow(s.seconds - mean, 2)).sum();
        double scatter = shots.size() > 1 ? Math.sqrt(square / (shots.size() - 1) / shots.size()) : 0;
        double sigma = Math.sqrt(BLADES_S * BLADES_S + STEP_S * STEP_S / 6 + scatter * scatter);
        if (sigma > MOST_SHARE * mean) {
            return refused("sound.too-fast");
        }
        notes.add(Said.of("sound.blades", "ms", 1000 * BLADES_S));
        return new SoundReading(shots, mean, sigma, true, notes);
    }

    private static SoundReading refused(String why) {
        return new SoundReading(List.of(), 0, 0, false, List.of(Said.of(why), Said.of("sound.instead")));
    }

    private static int size(Recording r) {
        return Math.max(1, (int) Math.round(r.rateHz() * STEP_S));
    }

    /// Mean square of what is high in the first channel, by steps.
    private static float[] energy(Recording r) {
        int size = size(r);
        float[] out = new float[(int) Math.min(Integer.MAX_VALUE - 8, r.frames() / size)];
        // Two poles above 2 kHz: what is low, hum and steps among it, is left out.
        double a = Math.exp(-2 * Math.PI * Math.min(2000, 0.2 * r.rateHz()) / r.rateHz());
        double[] state = new double[4];
        long[] at = new long[1];
        double[] sum = new double[1];
        r.play(0, r.frames(), (block, n) -> {
            for (int i = 0; i < n; i++, at[0]++) {
                double x = block[0][i];
                double one = a * (state[1] + x - state[0]);
                state[0] = x;
                double two = a * (state[3] + one - state[2]);
                state[2] = one;
                state[1] = one;
                state[3] = two;
                sum[0] += two * two;
                if ((at[0] + 1) % size == 0) {
                    int b = (int) (at[0] / size);
                    if (b < out.length) {
                        out[b] = (float) (sum[0] / size);
                    }
                    sum[0] = 0;
                }
            }
        });
        return out;
    }

    private static List<Click> clicks(float[] e, double step) {
        float[] sorted = e.clone();
        Arrays.sort(sorted);
        double quiet = sorted.length == 0 ? 0 : Math.max(sorted[sorted.length / 4], 1e-14);
        int back = (int) Math.round(RISE_S / STEP_S);
        List<Click> out = new ArrayList<>();
        int deaf = 0;
        for (int i = 1; i < e.length; i++) {
            double before = 0;
            int from = Math.max(0, i - back);
            for (int k = from; k < i; k++) {
                before += e[k] / (i - from);
            }
            if (i >= deaf && e[i] > OVER_QUIET * quiet && e[i] > RISE * before) {
                double top = e[i];
                int end = Math.min(e.length, i + back * 2);
                for (int k = i; k < end; k++) {
                    top = Math.max(top, e[k]);
                }
                out.add(new Click(i, i * step, top));
                deaf = i + back;
            }
        }
        return out;
    }

    private static List<Shot> shots(String name, List<Click> clicks, float[] e, double nominalS) {
        double loudest = clicks.stream().mapToDouble(Click::energy).max().orElse(0);
        List<Click> loud = clicks.stream().filter(c -> c.energy > 0.01 * loudest).toList();
        List<Shot> out = new ArrayList<>();
        int i = 0;
        while (i < loud.size()) {
            Click open = loud.get(i);
            int close = -1;
            double best = Double.NEGATIVE_INFINITY;
            for (int k = i + 1; k < loud.size(); k++) {
                double s = loud.get(k).atS - open.atS;
                double likely = Math.log(loud.get(k).energy) - 2 * Math.pow(Math.log(s / nominalS) / Math.log(2), 2);
                if (s >= Math.max(LEAST_S, nominalS / WITHIN) && s <= WITHIN * nominalS && likely > best) {
                    best = likely;
                    close = k;
                }
            }
            if (close >= 0 && diedAway(e, open, loud.get(close))) {
                out.add(new Shot(name, open.atS, loud.get(close).atS - open.atS));
                i = close + 1;
            } else {
                i++;
            }
        }
        return out;
    }

    /// Whether the opening had died away before the closing was heard.
    private static boolean diedAway(float[] e, Click open, Click close) {
        double least = Double.MAX_VALUE;
        for (int k = open.at; k < close.at; k++) {
            least = Math.min(least, e[k]);
        }
        return least < 0.1 * Math.min(open.energy, close.energy);
    }
}
