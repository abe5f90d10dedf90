package stillglass.prove.trace;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import stillglass.say.Said;

/// What is worth saying about recordings of a shutter.
final class ShutterNotes {
    private static final double LN2 = Math.log(2);
    /// A recording with less than this between light and noise is poor.
    private static final double POOR = 0.15;
    /// Shots that differ by more than this share, and by more than measuring explains.
    private static final double UNSTEADY = 0.05;
    private static final double LAMP_UNSTEADY = 0.04;
    /// A thirtieth of a stop is below what anyone sees.
    private static final double UNEVEN_EV = 0.1;
    private static final double TRAVELS_DIFFER = 0.04;

    private ShutterNotes() {}

    static void ofRecording(Recording r, Coarse coarse, List<LightSpans> seen, List<Said> notes) {
        for (int c = 0; c < seen.size(); c++) {
            LightSpans s = seen.get(c);
            if (s.sign() < 0) {
                notes.add(Said.of("shutter.inverted", "file", r.name(), "channel", c + 1));
            }
            if (!s.spans().isEmpty() && s.spans().getFirst().from() == 0) {
                notes.add(Said.of("shutter.begins-lit", "file", r.name()));
            }
            if (!s.spans().isEmpty() && s.spans().getLast().to() >= coarse.blocks()) {
                notes.add(Said.of("shutter.ends-lit", "file", r.name()));
            }
        }
    }

    static void about(List<ShutterReading.Shot> shots, ShutterReading.Kind kind, OptionalDouble spread, double mean, List<Said> notes) {
        List<Pulse> all = shots.stream().flatMap(s -> s.pulses().stream()).flatMap(Optional::stream).toList();
        if (all.stream().anyMatch(Pulse::clipped)) {
            notes.add(Said.of("shutter.clipped"));
        }
        all.stream().mapToInt(Pulse::humHz).filter(h -> h > 0).max().ifPresent(h -> notes.add(Said.of("shutter.hum", "hz", h)));
        if (all.stream().anyMatch(p -> p.flicker() >= 1)) {
            notes.add(Said.of("shutter.waves"));
        }
        all.stream().mapToDouble(Pulse::flicker).filter(f -> f > 0 && f < 1).max().ifPresent(f -> notes.add(Said.of("shutter.flicker", "percent", 100 * f)));
        if (all.stream().anyMatch(Pulse::restored)) {
            notes.add(Said.of("shutter.restored"));
        }
        if (all.stream().anyMatch(p -> p.noise() > POOR)) {
            notes.add(Said.of("shutter.noisy"));
        }
        long bounced = shots.stream().filter(ShutterReading.Shot::bounced).count();
        if (bounced > 0) {
            double most = all.stream().mapToDouble(p -> p.reboundS() / p.effectiveS()).max().orElseThrow();
            notes.add(Said.of("shutter.bounce", "shots", bounced, "of", shots.size(), "ev", Math.log1p(most) / LN2));
        }
        double measured = shots.stream().mapToDouble(ShutterReading.Shot::sigmaS).average().orElse(0);
        if (spread.orElse(0) > UNSTEADY * mean && spread.orElse(0) > 2 * measured) {
            notes.add(Said.of("shutter.unsteady", "percent", 100 * spread.getAsDouble() / mean, "shots", shots.size()));
        }
        int channels = shots.stream().mapToInt(s -> s.pulses().size()).max().orElse(0);
        int[] seen = IntStream.range(0, channels).filter(c -> shots.stream().anyMatch(s -> lit(s, c))).toArray();
        IntStream.range(0, channels).filter(c -> Arrays.stream(seen).noneMatch(k -> k == c)).forEach(c -> notes.add(Said.of("shutter.silent", "channel", c + 1)));
        long missing = shots.stream().filter(s -> Arrays.stream(seen).anyMatch(c -> !lit(s, c))).count();
        if (missing > 0) {
            notes.add(Said.of("shutter.capped", "shots", missing, "of", shots.size()));
        }
        lamp(shots, kind, notes);
    }

    private static boolean lit(ShutterReading.Shot s, int channel) {
        return channel < s.pulses().size() && s.pulses().get(channel).isPresent();
    }

    /// Full light that differs from shot to shot is not the shutter's doing.
    private static void lamp(List<ShutterReading.Shot> shots, ShutterReading.Kind kind, List<Said> notes) {
        if (kind == ShutterReading.Kind.FOCAL_PLANE || shots.size() < 2) {
            return;
        }
        for (String file : shots.stream().map(ShutterReading.Shot::recording).distinct().toList()) {
            double[] levels = shots.stream().filter(s -> s.recording().equals(file)).flatMap(s -> s.pulses().stream().limit(1)).flatMap(Optional::stream).mapToDouble(Pulse::level).toArray();
            double mean = Arrays.stream(levels).average().orElse(0);
            double spread = Math.sqrt(Arrays.stream(levels).map(l -> (l - mean) * (l - mean)).sum() / Math.max(1, levels.length - 1));
            double known = shots.stream().flatMap(s -> s.pulses().stream()).flatMap(Optional::stream).mapToDouble(Pulse::levelSigma).average().orElse(0);
            if (spread > LAMP_UNSTEADY * mean && spread > 3 * known) {
                notes.add(Said.of("shutter.lamp", "file", file, "percent", 100 * spread / mean));
            }
        }
    }

    static void alongTheFrame(double evennessEv, double sigmaEv, double firstS, double secondS, double share, List<Said> notes) {
        if (share > 0 && share < 1) {
            notes.add(Said.of("shutter.travel", "frame", 1000 * firstS / share, "second", 1000 * secondS / share));
        }
        if (Math.abs(evennessEv) > UNEVEN_EV && Math.abs(evennessEv) > 2 * sigmaEv) {
            notes.add(Said.of(evennessEv > 0 ? "shutter.opens-out" : "shutter.tapers", "ev", Math.abs(evennessEv)));
        }
        if (firstS > 0 && Math.abs(secondS / firstS - 1) > TRAVELS_DIFFER) {
            notes.add(Said.of(secondS > firstS ? "shutter.second-slower" : "shutter.second-faster", "percent", 100 * Math.abs(secondS / firstS - 1)));
        }
    }
}
