package stillglass.app.prove;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import stillglass.app.theme.Words;
import stillglass.book.BadInput;
import stillglass.book.Edge;
import stillglass.book.photo.PhotoFiles;
import stillglass.book.trace.TraceFiles;
import stillglass.device.Source;
import stillglass.prove.feel.TorqueReading;
import stillglass.prove.iris.IrisReading;
import stillglass.prove.measure.Quantity;
import stillglass.prove.trace.Recording;
import stillglass.prove.trace.ShutterReading;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;

/// What files of a sensor, a camera or a gauge tell of a quantity, ready to be kept.
/// @param notes what was noticed
record FromFiles(List<ReadingEvent> events, List<String> notes) {
    FromFiles {
        events = List.copyOf(events);
        notes = List.copyOf(notes);
    }

    /// A light sensor behind the shutter.
    /// @param at speed as the shutter has it
    /// @throws BadInput when there is no light in them, or they cannot be read
    static FromFiles light(List<Path> files, String at, Phase phase) {
        List<Recording> recordings = files.stream().map(TraceFiles::open).toList();
        String names = recordings.stream().map(Recording::name).collect(Collectors.joining(", "));
        int channels = recordings.stream().mapToInt(Recording::channels).max().orElse(1);
        // Two sensors and more lie along the way of the curtains; where, nobody said, so nothing is told of the way beyond them.
        List<Double> places = new ArrayList<>();
        for (int i = 0; channels > 1 && i < channels; i++) {
            places.add((double) i / (channels - 1));
        }
        ShutterReading r = ShutterReading.of(recordings, channels > 1 ? ShutterReading.Kind.FOCAL_PLANE : ShutterReading.Kind.LEAF, places)
                .orElseThrow(() -> new BadInput(names, "light", Words.say(ShutterReading.DARK)));
        List<ReadingEvent> events = new ArrayList<>();
        Optional<Source> source = Optional.of(Source.FILE);
        events.add(new ReadingEvent.Measured(phase, Quantity.SPEED, at, r.effectiveS(), r.sigmaS(), source, Optional.of(names)));
        r.evennessEv().ifPresent(e -> events.add(new ReadingEvent.Measured(phase, Quantity.EVENNESS, at, e, r.evennessSigmaEv().orElse(0), source, Optional.of(names))));
        List<String> notes = new ArrayList<>();
        notes.add(Words.of("figures.trace", r.shots().size(), 100 * r.shots().stream().mapToDouble(ShutterReading.Shot::efficiency).average().orElse(0)));
        r.diagnostics().forEach(d -> notes.add(Words.sentence(d)));
        return new FromFiles(events, notes);
    }

    /// Photos through an iris, one for each stop in the order of their names.
    /// @param stops f-numbers, the widest first
    static FromFiles iris(List<Path> photos, List<String> stops, Phase phase) {
        List<Path> sorted = photos.stream().sorted(Comparator.comparing(p -> String.valueOf(p.getFileName()))).toList();
        if (sorted.size() != stops.size()) {
            throw new BadInput("photos", "count", "are " + sorted.size() + " for " + stops.size() + " stops: choose one for each, named in that order");
        }
        List<IrisReading.Taken> taken = new ArrayList<>();
        for (int i = 0; i < sorted.size(); i++) {
            String name = String.valueOf(sorted.get(i).getFileName());
            taken.add(new IrisReading.Taken(name, Double.parseDouble(stops.get(i)), PhotoFiles.plane(name, PhotoFiles.bytes(sorted.get(i)), OptionalDouble.empty())));
        }
        IrisReading r = IrisReading.of(taken);
        List<ReadingEvent> events = new ArrayList<>();
        for (IrisReading.Stop s : r.stops()) {
            // The widest is the measure of the others and says nothing of itself.
            if (s.sigmaEv() > 0) {
                events.add(new ReadingEvent.Measured(phase, Quantity.OPENING, Quantity.OPENING.at(Double.toString(s.fNumber())).orElseThrow(), s.errorEv(), s.sigmaEv(), Optional.of(Source.FILE), Optional.of(s.photo())));
            }
        }
        List<String> notes = new ArrayList<>();
        r.stops().stream().filter(s -> s.blades() > 0).findFirst().ifPresent(s -> notes.add(Words.of("figures.iris", s.blades(), Words.number(r.stops().getFirst().fNumber()))));
        r.diagnostics().forEach(d -> notes.add(Words.sentence(d)));
        return new FromFiles(events, notes);
    }

    /// Readings of a gauge over the angle, one file or several in turn.
    /// @param control that was turned
    static FromFiles torque(List<Path> files, String control, Phase phase) {
        List<ReadingEvent> events = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        for (Path file : files) {
            String name = String.valueOf(file.getFileName());
            List<double[]> columns = TraceFiles.table(file);
            TorqueReading r = Edge.read(name, "readings", "take them again over more of the way", () -> TorqueReading.of(columns.get(0), columns.get(1)));
            events.add(new ReadingEvent.Measured(phase, Quantity.TORQUE, control, r.meanNmm(), r.sigmaNmm(), Optional.of(Source.FILE), Optional.of(name)));
            events.add(new ReadingEvent.Measured(phase, Quantity.BREAKAWAY, control, Math.max(0, r.breakawayNmm()), r.breakawaySigmaNmm(), Optional.of(Source.FILE), Optional.of(name)));
            notes.add(Words.of("figures.torque", 100 * r.unevenShare(), 100 * r.roughShare()));
            r.diagnostics().forEach(d -> notes.add(Words.sentence(d)));
        }
        return new FromFiles(events, notes);
    }
}
