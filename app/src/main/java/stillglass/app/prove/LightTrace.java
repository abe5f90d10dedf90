package stillglass.app.prove;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import stillglass.app.theme.Words;
import stillglass.book.BadInput;
import stillglass.book.trace.TraceFiles;
import stillglass.device.Source;
import stillglass.prove.measure.Quantity;
import stillglass.prove.trace.Recording;
import stillglass.prove.trace.ShutterReading;
import stillglass.ticket.readings.ReadingEvent;
import stillglass.ticket.story.Phase;

/// What files of a light sensor tell of a speed, ready to be kept.
/// @param notes what was noticed
record LightTrace(List<ReadingEvent> events, List<String> notes) {
    LightTrace {
        events = List.copyOf(events);
        notes = List.copyOf(notes);
    }

    /// @param at speed as the shutter has it
    /// @throws BadInput when there is no light in them, or they cannot be read
    static LightTrace read(List<Path> files, String at, Phase phase) {
        List<Recording> recordings = files.stream().map(TraceFiles::open).toList();
        String names = recordings.stream().map(Recording::name).collect(Collectors.joining(", "));
        int channels = recordings.stream().mapToInt(Recording::channels).max().orElse(1);
        // Two sensors and more lie along the way of the curtains, evenly apart.
        List<Double> places = new ArrayList<>();
        for (int i = 0; channels > 1 && i < channels; i++) {
            places.add(0.1 + 0.8 * i / (channels - 1));
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
        return new LightTrace(events, notes);
    }
}
