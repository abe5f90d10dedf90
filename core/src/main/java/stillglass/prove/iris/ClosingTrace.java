package stillglass.prove.iris;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import stillglass.prove.trace.Recording;
import stillglass.say.Said;

/// How long an iris takes to close to its stop, from light that falls through it on a sensor, or from the areas in a burst of frames.
///
/// The time is that from 95 % of the light between both levels to 5 %: what a body waits for before the shutter runs.
///
/// @param events in order
/// @param meanS of all
/// @param sigmaS one standard deviation of the mean: from how they differ, and from how finely time is told
/// @param evClosed light when closed against open, EV
public record ClosingTrace(List<Closing> events, double meanS, double sigmaS, double evClosed, List<Said> diagnostics) {
    private static final double STEP_S = 0.00025;
    private static final double HIGH = 0.95;
    private static final double LOW = 0.05;
    private static final double BOUNCE = 0.15;
    private static final double BOUNCE_S = 0.06;
    private static final double LEAST_FALL = 0.1;
    private static final double LONGEST_S = 3;
    private static final double SCATTER = 0.25;

    /// One closing.
    /// @param atS when it began, from the start of the recording
    /// @param bounce whether it opened again by more than 15 % right after
    public record Closing(double atS, double seconds, boolean bounce) {}

    /// What is said when the light never falls.
    public static final Said NONE = Said.of("closing.none");

    public ClosingTrace {
        events = List.copyOf(events);
        diagnostics = List.copyOf(diagnostics);
    }

    /// Of a sensor behind the lens, its first channel; opened and closed as often as wished.
    /// @return empty when the light never falls from one level to another
    public static Optional<ClosingTrace> of(Recording recording) {
        int size = Math.max(1, (int) Math.round(recording.rateHz() * STEP_S));
        List<Double> steps = new ArrayList<>();
        double[] sum = new double[2];
        recording.play(0, recording.frames(), (block, n) -> {
            for (int i = 0; i < n; i++) {
                sum[0] += block[0][i];
                if (++sum[1] == size) {
                    steps.add(sum[0] / size);
                    sum[0] = 0;
                    sum[1] = 0;
                }
            }
        });
        return of(steps.stream().mapToDouble(d -> d).toArray(), size / recording.rateHz());
    }

    /// Of areas or light at equal steps of time.
    /// @param light at each step
    /// @param stepS seconds a step
    public static Optional<ClosingTrace> of(double[] light, double stepS) {
        if (light.length < 6) {
            return Optional.empty();
        }
        double[] sorted = light.clone();
        Arrays.sort(sorted);
        double[] level = levels(sorted);
        double open = level[1];
        double closed = level[0];
        double noise = noise(light);
        if (!(open - closed > LEAST_FALL * Math.abs(open)) || open - closed < 8 * noise) {
            return Optional.empty();
        }
        List<Closing> events = new ArrayList<>();
        double high = closed + Math.max(HIGH * (open - closed), 0);
        double low = closed + LOW * (open - closed);
        // A threshold nearer to a level than its noise would be crossed by that alone.
        high = Math.min(high, open - 3 * noise);
        low = Math.max(low, closed + 3 * noise);
        int leftHigh = -1;
        for (int i = 1; i < light.length; i++) {
            if (light[i - 1] >= high && light[i] < high) {
                leftHigh = i;
            }
            if (leftHigh > 0 && light[i - 1] > low && light[i] <= low) {
                double from = leftHigh - 1 + (light[leftHigh - 1] - high) / (light[leftHigh - 1] - light[leftHigh]);
                double to = i - 1 + (light[i - 1] - low) / (light[i - 1] - light[i]);
                double seconds = (to - from) * stepS;
                if (seconds < LONGEST_S) {
                    events.add(new Closing(from * stepS, seconds, bounces(light, i, stepS, closed + BOUNCE * (open - closed), high)));
                }
                leftHigh = -1;
            }
        }
        return events.isEmpty() ? Optional.empty() : Optional.of(told(events, Math.hypot(stepS / Math.sqrt(6), noise / (high - low) * events.stream().mapToDouble(Closing::seconds).average().orElse(0)), Math.log(Math.max(1e-9, closed) / open) / Math.log(2)));
    }

    /// @param ownS one standard deviation of one of them: each end lies somewhere in a step, and noise shifts where a level is passed
    private static ClosingTrace told(List<Closing> events, double ownS, double ev) {
        double mean = events.stream().mapToDouble(Closing::seconds).average().orElseThrow();
        double spread = events.size() < 2 ? 0 : Math.sqrt(events.stream().mapToDouble(e -> (e.seconds - mean) * (e.seconds - mean)).sum() / (events.size() - 1));
        List<Said> notes = new ArrayList<>();
        long bounced = events.stream().filter(Closing::bounce).count();
        if (bounced > 0) {
            notes.add(Said.of("closing.bounce", "times", bounced, "of", events.size()));
        }
        if (spread > SCATTER * mean && events.size() > 2) {
            notes.add(Said.of("closing.scatters", "percent", 100 * spread / mean));
        }
        if (events.size() > 3 && slower(events)) {
            notes.add(Said.of("closing.slower"));
        }
        return new ClosingTrace(events, mean, Math.sqrt((spread * spread + ownS * ownS) / events.size()), ev, notes);
    }

    /// Whether the last ones take clearly longer than the first: oil that is drawn between the blades.
    private static boolean slower(List<Closing> events) {
        int half = events.size() / 2;
        double first = events.subList(0, half).stream().mapToDouble(Closing::seconds).max().orElse(0);
        double last = events.subList(events.size() - half, events.size()).stream().mapToDouble(Closing::seconds).min().orElse(0);
        return last > 1.1 * first;
    }

    private static boolean bounces(double[] light, int from, double stepS, double over, double high) {
        boolean up = false;
        for (int k = from; k < Math.min(light.length, from + (int) (BOUNCE_S / stepS)); k++) {
            if (light[k] > high) {
                // Opened for good.
                return false;
            }
            up |= light[k] > over;
        }
        return up;
    }

    /// Medians of what lies above and below the middle of the range; a range that single samples widen is cut.
    private static double[] levels(double[] sorted) {
        double middle = (sorted[sorted.length / 50] + sorted[sorted.length - 1 - sorted.length / 50]) / 2;
        for (int round = 0; round < 4; round++) {
            double cut = middle;
            double[] low = Arrays.stream(sorted).filter(v -> v < cut).toArray();
            double[] up = Arrays.stream(sorted).filter(v -> v >= cut).toArray();
            if (low.length == 0 || up.length == 0) {
                return new double[] {middle, middle};
            }
            middle = (low[low.length / 2] + up[up.length / 2]) / 2;
            if (round == 3) {
                return new double[] {low[low.length / 2], up[up.length / 2]};
            }
        }
        return new double[] {middle, middle};
    }

    /// Robust spread of the differences of neighbours.
    private static double noise(double[] light) {
        double[] d = new double[light.length - 1];
        for (int i = 0; i < d.length; i++) {
            d[i] = Math.abs(light[i + 1] - light[i]);
        }
        Arrays.sort(d);
        return 1.4826 * d[d.length / 2] / Math.sqrt(2);
    }
}
