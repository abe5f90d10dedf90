package stillglass.prove.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.IntStream;
import stillglass.say.Said;

/// What a shutter did at one setting, read from recordings of light through it.
///
/// The effective exposure of a shot is the light over time that came through, over full light: ∫v dt / v_max. It is taken from flanks fitted to the samples where these fit, and added
/// up where they do not. Along a focal plane each sensor has an exposure of its own; the exposure of the shot is their mean.
///
/// @param shots in order of time, by recording
/// @param kind of shutter they were read as
/// @param effectiveS mean effective exposure, s
/// @param sigmaS one standard deviation of that mean: of measuring, and of the shots among themselves
/// @param spreadS one standard deviation of single shots among themselves; empty for one shot
/// @param travelS of the first curtain between first and last sensor
/// @param evennessEv of last sensor over first, in the way the curtains run
/// @param evennessSigmaEv one standard deviation of it
/// @param diagnostics what was noticed
public record ShutterReading(List<Shot> shots, Kind kind, double effectiveS, double sigmaS, OptionalDouble spreadS, OptionalDouble travelS, OptionalDouble evennessEv,
        OptionalDouble evennessSigmaEv, List<Said> diagnostics) {
    /// A sensor sees a shot within this time of the first that does, s.
    private static final double SAME_SHOT_S = 0.1;
    private static final double DARK_S = 0.12;
    private static final int MOST_SAMPLES = 4_000_000;
    /// A sensor that gets less than this share of full light lies under a slit narrower than it is.
    private static final double NARROW = 0.9;
    /// Light of fewer standard deviations than this is none.
    private static final double SEEN = 3;
    /// Flanks as close as this in time are those of one place, s.
    private static final double SAME_PLACE_S = 0.0002;
    private static final double LN2 = Math.log(2);

    /// What is said when no light is in any recording.
    public static final Said DARK = Said.of("shutter.none");

    /// How a shutter works.
    public enum Kind {
        LEAF,
        FOCAL_PLANE
    }

    /// One shot.
    /// @param recording it is in
    /// @param pulses by sensor, in the order of the channels; empty where a sensor saw nothing
    /// @param effectiveS mean of the sensors
    public record Shot(String recording, List<Optional<Pulse>> pulses, double effectiveS, double sigmaS) {
        public Shot {
            pulses = List.copyOf(pulses);
        }

        public boolean bounced() {
            return pulses.stream().flatMap(Optional::stream).anyMatch(p -> p.reboundS() > 0);
        }

        public double openS() {
            return pulses.stream().flatMap(Optional::stream).mapToDouble(Pulse::openS).average().orElse(0);
        }

        public double efficiency() {
            return effectiveS / openS();
        }
    }

    public ShutterReading {
        shots = List.copyOf(shots);
        diagnostics = List.copyOf(diagnostics);
    }

    /// Exposure against what the setting says, EV: positive for too long.
    public double evError(double nominalS) {
        return Math.log(effectiveS / nominalS) / LN2;
    }

    /// One standard deviation of [#evError].
    public double evSigma() {
        return sigmaS / effectiveS / LN2;
    }

    /// @param sensors places of the channels as shares of the travel, in the order of the channels; empty for a leaf shutter
    /// @return nothing when no light is in any of them
    public static Optional<ShutterReading> of(List<Recording> recordings, Kind kind, List<Double> sensors) {
        List<Said> notes = new ArrayList<>();
        List<Shot> shots = new ArrayList<>();
        for (Recording r : recordings) {
            List<Shot> found = shots(r, kind, notes);
            if (found.isEmpty()) {
                notes.add(Said.of("shutter.dark", "file", r.name()));
            }
            shots.addAll(found);
        }
        if (shots.isEmpty()) {
            return Optional.empty();
        }
        int n = shots.size();
        double mean = shots.stream().mapToDouble(Shot::effectiveS).average().orElseThrow();
        double square = shots.stream().mapToDouble(s -> Math.pow(s.effectiveS - mean, 2)).sum();
        double measured = Math.sqrt(shots.stream().mapToDouble(s -> s.sigmaS * s.sigmaS).sum()) / n;
        OptionalDouble spread = n > 1 ? OptionalDouble.of(Math.sqrt(square / (n - 1))) : OptionalDouble.empty();
        double sigma = Math.max(measured, spread.orElse(0) / Math.sqrt(n));
        Along along = kind == Kind.FOCAL_PLANE ? Along.of(shots, sensors, notes) : Along.NONE;
        ShutterNotes.about(shots, kind, spread, mean, notes);
        return Optional.of(new ShutterReading(shots, kind, mean, sigma, spread, along.travelS, along.evennessEv, along.sigmaEv, notes));
    }

    /// What lies along the way of the curtains.
    private record Along(OptionalDouble travelS, OptionalDouble evennessEv, OptionalDouble sigmaEv) {
        private static final Along NONE = new Along(OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty());

        static Along of(List<Shot> shots, List<Double> sensors, List<Said> notes) {
            if (sensors.size() < 2) {
                return NONE;
            }
            int[] order = IntStream.range(0, sensors.size()).boxed().sorted(Comparator.comparing(sensors::get)).mapToInt(i -> i).toArray();
            int first = order[0];
            int last = order[order.length - 1];
            List<Shot> both = shots.stream().filter(s -> s.pulses.size() > Math.max(first, last) && s.pulses.get(first).isPresent() && s.pulses.get(last).isPresent()).toList();
            if (both.isEmpty()) {
                return NONE;
            }
            if (both.stream().allMatch(s -> Math.abs(at(s, last).openedS() - at(s, first).openedS()) < SAME_PLACE_S && Math.abs(at(s, last).closedS() - at(s, first).closedS()) < SAME_PLACE_S)) {
                // No curtain is so fast: a recorder wrote one sensor to both channels, or both lie behind one blade.
                notes.add(Said.of("shutter.one-place"));
                return NONE;
            }
            double travel = both.stream().mapToDouble(s -> at(s, last).openedS() - at(s, first).openedS()).average().orElseThrow();
            double second = both.stream().mapToDouble(s -> at(s, last).closedS() - at(s, first).closedS()).average().orElseThrow();
            boolean back = travel < 0;
            if (back) {
                notes.add(Said.of("shutter.swapped", "first", first + 1, "last", last + 1));
            }
            double even = both.stream().mapToDouble(s -> Math.log(at(s, last).effectiveS() / at(s, first).effectiveS()) / LN2).average().orElseThrow() * (back ? -1 : 1);
            double square = both.stream().mapToDouble(s -> relative(at(s, first)) + relative(at(s, last))).sum();
            double sigma = Math.sqrt(square) / both.size() / LN2;
            ShutterNotes.alongTheFrame(even, sigma, Math.abs(travel), Math.abs(second), Math.abs(sensors.get(last) - sensors.get(first)), notes);
            return new Along(OptionalDouble.of(Math.abs(travel)), OptionalDouble.of(even), OptionalDouble.of(sigma));
        }

        private static double relative(Pulse p) {
            return Math.pow(p.sigmaS() / p.effectiveS(), 2);
        }

        private static Pulse at(Shot s, int sensor) {
            return s.pulses.get(sensor).orElseThrow();
        }
    }

    private static List<Shot> shots(Recording r, Kind kind, List<Said> notes) {
        Coarse coarse = Coarse.of(r);
        List<LightSpans> seen = IntStream.range(0, r.channels()).mapToObj(c -> LightSpans.of(coarse, c)).toList();
        List<Map<Integer, Pulse>> pulses = groups(seen, coarse.seconds()).parallelStream().map(group -> {
            Map<Integer, Pulse> of = new TreeMap<>();
            group.forEach((c, span) -> of.put(c, span.waves() ? Pulse.ofWaves(span.from() * coarse.seconds(), span.to() * coarse.seconds(), seen.get(c))
                    : Pulse.of(window(r, coarse, c, span, seen.get(c)))));
            return of;
        }).toList();
        ShutterNotes.ofRecording(r, coarse, seen, notes);
        double[] full = new double[r.channels()];
        pulses.forEach(p -> p.forEach((c, pulse) -> full[c] = Math.max(full[c], pulse.level())));
        List<Shot> shots = new ArrayList<>();
        boolean narrow = false;
        for (Map<Integer, Pulse> p : pulses) {
            List<Optional<Pulse>> each = new ArrayList<>();
            for (int c = 0; c < r.channels(); c++) {
                Optional<Pulse> pulse = Optional.ofNullable(p.get(c));
                double most = full[c];
                boolean below = kind == Kind.FOCAL_PLANE && pulse.filter(x -> x.level() < NARROW * most).isPresent();
                narrow |= below;
                each.add(below ? pulse.map(x -> x.against(most)) : pulse);
            }
            List<Pulse> there = each.stream().flatMap(Optional::stream).filter(q -> q.effectiveS() > SEEN * q.sigmaS()).toList();
            if (!there.isEmpty()) {
                double sigma = Math.sqrt(there.stream().mapToDouble(q -> q.sigmaS() * q.sigmaS()).sum()) / there.size();
                shots.add(new Shot(r.name(), each, there.stream().mapToDouble(Pulse::effectiveS).average().orElseThrow(), sigma));
            }
        }
        if (narrow) {
            notes.add(Said.of("shutter.narrow", "file", r.name()));
        }
        return shots;
    }

    /// Spans of all channels that belong to one shot, one of each channel at most.
    private static List<Map<Integer, LightSpans.Span>> groups(List<LightSpans> seen, double seconds) {
        record At(int channel, LightSpans.Span span) {}
        List<At> all = new ArrayList<>();
        for (int c = 0; c < seen.size(); c++) {
            for (LightSpans.Span s : seen.get(c).spans()) {
                all.add(new At(c, s));
            }
        }
        all.sort(Comparator.comparingInt(a -> a.span.from()));
        List<Map<Integer, LightSpans.Span>> out = new ArrayList<>();
        int begun = 0;
        for (At a : all) {
            if (out.isEmpty() || out.getLast().containsKey(a.channel) || (a.span.from() - begun) * seconds > SAME_SHOT_S) {
                out.add(new TreeMap<>());
                begun = a.span.from();
            }
            out.getLast().put(a.channel, a.span);
        }
        return out;
    }

    private static Pulse.Window window(Recording r, Coarse coarse, int channel, LightSpans.Span span, LightSpans seen) {
        List<LightSpans.Span> all = seen.spans();
        int k = all.indexOf(span);
        int size = coarse.frames();
        long dark = Math.round(DARK_S * r.rateHz());
        int swing = span.under().isEmpty() ? span.end() : Math.max(span.end(), span.under().getLast());
        long before = k == 0 ? 0 : ((long) all.get(k - 1).end() + span.from()) * size / 2;
        long after = k + 1 < all.size() ? ((long) swing + Math.max(swing, all.get(k + 1).from())) * size / 2 : r.frames();
        long from = Math.max(before, (long) span.from() * size - dark);
        long to = Math.min(Math.min(after, r.frames()), (long) swing * size + dark);
        int thin = (int) Math.max(1, (to - from) / MOST_SAMPLES);
        double[] y = new double[(int) ((to - from) / thin)];
        long[] at = new long[1];
        r.play(from, to, (block, n) -> {
            for (int i = 0; i < n; i++, at[0]++) {
                int place = (int) (at[0] / thin);
                if (place < y.length) {
                    y[place] += block[channel][i] / thin;
                }
            }
        });
        return new Pulse.Window(y, thin / r.rateHz(), (from + (thin - 1) / 2.0) / r.rateHz(), index(span.from(), size, from, thin, y.length), index(span.to(), size, from, thin, y.length),
                index(span.end(), size, from, thin, y.length), span.under().isEmpty() ? -1 : index(swing, size, from, thin, y.length), seen.sign(), 0.9995 * r.fullScale());
    }

    private static int index(int block, int size, long from, int thin, int most) {
        return (int) Math.clamp(((long) block * size - from) / thin, 0, most);
    }
}
