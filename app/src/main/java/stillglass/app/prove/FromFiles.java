package stillglass.app.prove;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import stillglass.app.theme.Words;
import stillglass.book.BadInput;
import stillglass.book.Edge;
import stillglass.device.Source;
import stillglass.prove.edge.SharpnessReading;
import stillglass.prove.edge.SlantedEdge;
import stillglass.prove.feel.TorqueReading;
import stillglass.prove.iris.ClosingTrace;
import stillglass.prove.iris.CouplingReading;
import stillglass.prove.iris.IrisReading;
import stillglass.prove.measure.Quantity;
import stillglass.prove.trace.Recording;
import stillglass.prove.trace.ShutterReading;
import stillglass.prove.trace.SoundReading;
import stillglass.prove.veil.VeilReading;
import stillglass.say.Said;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;

/// What recordings, photos and tables tell of a quantity, ready to be kept.
/// @param notes what was noticed
record FromFiles(List<ReadingEvent> events, List<String> notes) {
    /// Of edges this near to the middle the centre is told, of those beyond the corners; shares of the half diagonal.
    private static final double CENTRE = 0.3;
    private static final double CORNER = 0.6;
    private static final double UM_PER_MM = 1000;

    FromFiles {
        events = List.copyOf(events);
        notes = List.copyOf(notes);
    }

    /// When and from what a figure is taken.
    record Of(Phase phase, Source source) {
        ReadingEvent.Measured measured(Quantity q, String at, double value, double sigma, String from) {
            return new ReadingEvent.Measured(phase, q, at, value, sigma, Optional.of(source), Optional.of(from));
        }
    }

    private static String names(List<Recording> recordings) {
        return recordings.stream().map(Recording::name).collect(Collectors.joining(", "));
    }

    private static void say(List<Said> said, List<String> notes) {
        said.forEach(d -> notes.add(Words.sentence(d)));
    }

    /// A light sensor behind the shutter.
    /// @param at speed as the shutter has it
    /// @throws BadInput when there is no light in them, or they cannot be read
    static FromFiles light(List<Recording> recordings, String at, Of of) {
        String names = names(recordings);
        int channels = recordings.stream().mapToInt(Recording::channels).max().orElse(1);
        // Two sensors and more lie along the way of the curtains; where, nobody said, so nothing is told of the way beyond them.
        List<Double> places = new ArrayList<>();
        for (int i = 0; channels > 1 && i < channels; i++) {
            places.add((double) i / (channels - 1));
        }
        ShutterReading r = ShutterReading.of(recordings, channels > 1 ? ShutterReading.Kind.FOCAL_PLANE : ShutterReading.Kind.LEAF, places)
                .orElseThrow(() -> new BadInput(names, "light", Words.say(ShutterReading.DARK)));
        List<ReadingEvent> events = new ArrayList<>();
        events.add(of.measured(Quantity.SPEED, at, r.effectiveS(), r.sigmaS(), names));
        r.evennessEv().ifPresent(e -> events.add(of.measured(Quantity.EVENNESS, at, e, r.evennessSigmaEv().orElse(0), names)));
        List<String> notes = new ArrayList<>();
        notes.add(Words.of("figures.trace", r.shots().size(), 100 * r.shots().stream().mapToDouble(ShutterReading.Shot::efficiency).average().orElse(0)));
        say(r.diagnostics(), notes);
        return new FromFiles(events, notes);
    }

    /// A microphone beside the shutter.
    static FromFiles sound(List<Recording> recordings, String at, Of of) {
        String names = names(recordings);
        SoundReading r = SoundReading.of(recordings, Quantity.SPEED.nominal(at).orElseThrow());
        List<String> notes = new ArrayList<>();
        say(r.diagnostics(), notes);
        if (!r.resolved()) {
            throw new BadInput(names, "sound", String.join(" ", notes));
        }
        notes.addFirst(Words.of("figures.sound", r.shots().size()));
        return new FromFiles(List.of(of.measured(Quantity.SPEED, at, r.effectiveS(), r.sigmaS(), names)), notes);
    }

    /// A sensor behind a lens whose iris closes.
    /// @param at stop it closes to
    static FromFiles closing(List<Recording> recordings, String at, Of of) {
        List<ReadingEvent> events = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        for (Recording recording : recordings) {
            ClosingTrace r = ClosingTrace.of(recording).orElseThrow(() -> new BadInput(recording.name(), "light", Words.say(ClosingTrace.NONE)));
            events.add(of.measured(Quantity.CLOSING, at, r.meanS(), r.sigmaS(), recording.name()));
            notes.add(Words.of("figures.closing", r.events().size(), r.evClosed()));
            say(r.diagnostics(), notes);
        }
        return new FromFiles(events, notes);
    }

    /// Photos through an iris, one for each stop. Where a lever is seen to turn between the first and the last, what that says.
    static FromFiles iris(List<IrisReading.Taken> taken, Of of) {
        IrisReading r = IrisReading.of(taken);
        List<ReadingEvent> events = new ArrayList<>();
        for (IrisReading.Stop s : r.stops()) {
            // The widest is the measure of the others and says nothing of itself.
            if (s.sigmaEv() > 0) {
                events.add(of.measured(Quantity.OPENING, Quantity.OPENING.at(Double.toString(s.fNumber())).orElseThrow(), s.errorEv(), s.sigmaEv(), s.photo()));
            }
        }
        List<String> notes = new ArrayList<>();
        r.stops().stream().filter(s -> s.blades() > 0).findFirst().ifPresent(s -> notes.add(Words.of("figures.iris", s.blades(), Words.number(r.stops().getFirst().fNumber()))));
        List<IrisReading.Taken> sorted = taken.stream().sorted(Comparator.comparingDouble(IrisReading.Taken::fNumber)).toList();
        CouplingReading.of(sorted.getFirst(), sorted.getLast()).filter(c -> c.leverDeg().isPresent()).ifPresent(c -> notes.add(Words.sentence(c.said())));
        say(r.diagnostics(), notes);
        return new FromFiles(events, notes);
    }

    /// Readings of a gauge over the angle.
    /// @param control that was turned
    static FromFiles torque(String name, double[] deg, double[] nmm, String control, Of of) {
        List<ReadingEvent> events = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        TorqueReading r = Edge.read(name, "readings", "take them again over more of the way", () -> TorqueReading.of(deg, nmm));
        events.add(of.measured(Quantity.TORQUE, control, r.meanNmm(), r.sigmaNmm(), name));
        events.add(of.measured(Quantity.BREAKAWAY, control, Math.max(0, r.breakawayNmm()), r.breakawaySigmaNmm(), name));
        notes.add(Words.of("figures.torque", 100 * r.unevenShare(), 100 * r.roughShare()));
        say(r.diagnostics(), notes);
        return new FromFiles(events, notes);
    }

    /// A black patch in a bright surround.
    static FromFiles veil(List<VeilReading.Taken> taken, Of of) {
        String names = taken.stream().map(VeilReading.Taken::name).collect(Collectors.joining(", "));
        VeilReading r = switch (VeilReading.of(taken, VeilReading.Black.UNKNOWN)) {
            case VeilReading.Answer.Read read -> read.reading();
            case VeilReading.Answer.Refused refused -> throw new BadInput(names, "patch", Words.say(refused.why()));
        };
        List<String> notes = new ArrayList<>();
        notes.add(Words.of("figures.veil", 100 * r.patchShare(), 100 * r.brightShare()));
        say(r.diagnostics(), notes);
        return new FromFiles(List.of(of.measured(Quantity.VEIL, "black patch", r.share(), r.sigma(), names)), notes);
    }

    /// A photo of a chart or of any straight edges.
    /// @param width of the photo, pixels
    /// @param stop it was taken at, empty when nobody said
    /// @param pixelUm pitch of the pixels
    static FromFiles sharpness(String name, SharpnessReading r, int width, int height, Optional<String> stop, double pixelUm, Of of) {
        List<String> notes = new ArrayList<>();
        say(r.diagnostics(), notes);
        Map<String, List<SlantedEdge>> places = new LinkedHashMap<>();
        double half = Math.hypot(width, height) / 2;
        for (SlantedEdge e : r.edges()) {
            double x = e.x() - (width - 1) / 2.0;
            double y = e.y() - (height - 1) / 2.0;
            double far = Math.hypot(x, y) / half;
            if (Double.isFinite(e.mtf50Cpp()) && (far < CENTRE || far > CORNER)) {
                places.computeIfAbsent(far < CENTRE ? FramePlace.CENTRE.word() : FramePlace.corner(x, y).word(), k -> new ArrayList<>()).add(e);
            }
        }
        List<ReadingEvent> events = new ArrayList<>();
        double perMm = UM_PER_MM / pixelUm;
        places.forEach((place, edges) -> {
            double mean = edges.stream().mapToDouble(SlantedEdge::mtf50Cpp).average().orElseThrow();
            double spread = edges.size() < 2 ? 0 : Math.sqrt(edges.stream().mapToDouble(e -> (e.mtf50Cpp() - mean) * (e.mtf50Cpp() - mean)).sum() / (edges.size() - 1) / edges.size());
            double own = Math.sqrt(edges.stream().mapToDouble(e -> e.mtf50Sigma() * e.mtf50Sigma()).sum()) / edges.size();
            events.add(of.measured(Quantity.SHARPNESS, stop.map(s -> place + " f/" + s).orElse(place), perMm * mean, perMm * Math.max(own, spread), name));
        });
        if (events.isEmpty()) {
            throw new BadInput(name, "edges", notes.isEmpty() ? Words.of("figures.no-corners") : String.join(" ", notes));
        }
        notes.addFirst(Words.of("figures.edges", r.edges().size(), pixelUm));
        return new FromFiles(events, notes);
    }

    /// All of several together.
    static FromFiles all(List<FromFiles> parts) {
        return new FromFiles(parts.stream().flatMap(p -> p.events.stream()).toList(), parts.stream().flatMap(p -> p.notes.stream()).toList());
    }
}
