package stillglass.app.prove;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import stillglass.app.desk.Asker;
import stillglass.app.desk.Devices;
import stillglass.app.desk.Work;
import stillglass.app.theme.Words;
import stillglass.book.BadInput;
import stillglass.book.photo.PhotoFiles;
import stillglass.book.photo.VeilPhotos;
import stillglass.book.trace.TraceFiles;
import stillglass.device.PhotoCamera;
import stillglass.device.Source;
import stillglass.device.TorqueGauge;
import stillglass.look.Progress;
import stillglass.prove.edge.LightPlane;
import stillglass.prove.edge.SharpnessReading;
import stillglass.prove.iris.IrisReading;
import stillglass.prove.measure.Quantity;
import stillglass.prove.trace.Recording;
import stillglass.ticket.story.Phase;

/// How each quantity is measured from files or by a device, and what has to be typed first: a speed, stops, a control.
final class Measuring {
    /// Speeds a device goes through by itself, the slowest first.
    private static final List<String> SPEEDS = List.of("1", "1/2", "1/4", "1/8", "1/15", "1/30", "1/60", "1/125", "1/250", "1/500");
    private static final Pattern SOUND = Pattern.compile("(?<at>.*?)\\s+(?:sound|by ear|microphone)");
    private static final Pattern PIXELS = Pattern.compile("(?:f\\s*/?\\s*(?<stop>\\d+(?:[.,]\\d+)?)\\s+)?(?<um>\\d+(?:[.,]\\d+)?)\\s*(?:µm|um|μm|micron)?");
    private static final double MOST_UM = 200;

    private Measuring() {}

    /// What can be done with a quantity.
    sealed interface Way {
        /// Files are chosen and read.
        record Files(Asker.Several what, BiFunction<List<Path>, Progress, FromFiles> read) implements Way {}

        /// A device is read.
        record Device(Function<Progress, FromFiles> read) implements Way {}

        /// Something has to be typed first.
        /// @param key of the sentence
        record Wanted(String key) implements Way {}

        /// It is typed only.
        record None() implements Way {}
    }

    /// What the button that reads files of it is called; empty for what is typed only.
    static Optional<String> button(Quantity q) {
        return switch (q) {
            case SPEED, EVENNESS, CLOSING -> Optional.of("figures.recording");
            case OPENING, SHARPNESS, VEIL -> Optional.of("figures.photos");
            case TORQUE, BREAKAWAY -> Optional.of("figures.gauge");
            default -> Optional.empty();
        };
    }

    /// Reading files of a quantity.
    /// @param typed what stands in the field
    static Way files(Quantity q, String typed, Phase phase) {
        FromFiles.Of of = new FromFiles.Of(phase, Source.FILE);
        return switch (q) {
            case SPEED, EVENNESS -> {
                Matcher sound = SOUND.matcher(typed);
                boolean heard = sound.matches();
                yield Quantity.SPEED.at(heard ? sound.group("at") : typed).map(speed -> (Way) new Way.Files(Asker.Several.RECORDINGS,
                        (files, p) -> heard ? FromFiles.sound(open(files, p), speed, of) : FromFiles.light(open(files, p), speed, of))).orElse(new Way.Wanted("figures.recording.speed"));
            }
            case CLOSING -> Quantity.CLOSING.at(typed).map(stop -> (Way) new Way.Files(Asker.Several.RECORDINGS, (files, p) -> FromFiles.closing(open(files, p), stop, of))).orElse(new Way.Wanted("figures.closing.stop"));
            case OPENING -> {
                List<String> stops = stops(typed);
                yield stops.size() < 2 ? new Way.Wanted("figures.photos.stops") : new Way.Files(Asker.Several.PHOTOS, (files, p) -> FromFiles.iris(taken(files, stops, p), of));
            }
            case VEIL -> new Way.Files(Asker.Several.PHOTOS, (files, p) -> FromFiles.veil(VeilPhotos.taken(files), of));
            case SHARPNESS -> pixels(typed).map(x -> (Way) new Way.Files(Asker.Several.PHOTOS, (files, p) -> sharpness(files, x, of, p))).orElse(new Way.Wanted("figures.photos.pixels"));
            case TORQUE, BREAKAWAY -> new Way.Files(Asker.Several.TABLES, (files, p) -> FromFiles.all(files.stream().map(f -> table(f, typed.toLowerCase(Locale.ROOT), of)).toList()));
            default -> new Way.None();
        };
    }

    /// Reading a device that is connected.
    static Way device(Quantity q, String typed, Phase phase, Devices devices, Work work) {
        FromFiles.Of of = new FromFiles.Of(phase, devices.source());
        return switch (q) {
            case SPEED, EVENNESS -> {
                Matcher sound = SOUND.matcher(typed);
                boolean heard = sound.matches();
                Optional<String> speed = typed.isEmpty() ? next(work, phase) : Quantity.SPEED.at(heard ? sound.group("at") : typed);
                yield speed.isEmpty() ? new Way.Wanted("figures.recording.speed")
                        : (heard ? devices.microphone(work) : devices.light(work)).map(r -> (Way) new Way.Device(p -> {
                            List<Recording> recorded = List.of(r.record(Quantity.SPEED.nominal(speed.get()).orElseThrow()));
                            return heard ? FromFiles.sound(recorded, speed.get(), of) : FromFiles.light(recorded, speed.get(), of);
                        })).orElse(new Way.None());
            }
            case OPENING -> {
                List<Double> stops = typed.isEmpty() ? work.section().map(l -> l.stops()).orElse(List.of()) : stops(typed).stream().map(Double::parseDouble).toList();
                yield stops.size() < 2 ? new Way.Wanted("figures.photos.stops") : devices.iris(work, stops.getFirst(), stops.getFirst()).isEmpty() ? new Way.None()
                        : new Way.Device(p -> FromFiles.iris(series(devices, work, stops, p), of));
            }
            case TORQUE, BREAKAWAY -> devices.torque(work).map(g -> (Way) new Way.Device(p -> {
                List<TorqueGauge.Turned> turned = g.turn();
                return FromFiles.torque(Words.of("figures.gauge.name"), turned.stream().mapToDouble(TorqueGauge.Turned::deg).toArray(), turned.stream().mapToDouble(TorqueGauge.Turned::nmm).toArray(),
                        typed.isEmpty() ? "focus" : typed.toLowerCase(Locale.ROOT), of);
            })).orElse(new Way.None());
            case SHARPNESS -> devices.chart(work).map(c -> (Way) new Way.Device(p -> {
                PhotoCamera.Picture picture = c.take();
                LightPlane plane = PhotoFiles.plane(picture.name(), picture.bytes(), OptionalDouble.empty());
                return FromFiles.sharpness(picture.name(), SharpnessReading.of(plane), plane.width(), plane.height(), work.section().flatMap(l -> Quantity.OPENING.at(Double.toString(l.fNumber()))),
                        devices.pixelUm().orElseThrow(), of);
            })).orElse(new Way.None());
            default -> new Way.None();
        };
    }

    /// The slowest of the usual speeds that was not measured yet in this phase.
    private static Optional<String> next(Work work, Phase phase) {
        return SPEEDS.stream().flatMap(s -> Quantity.SPEED.at(s).stream()).filter(s -> work.state().readings().last(phase, Quantity.SPEED, s).isEmpty()).findFirst();
    }

    private static List<IrisReading.Taken> series(Devices devices, Work work, List<Double> stops, Progress p) {
        List<IrisReading.Taken> taken = new ArrayList<>();
        for (double stop : stops) {
            p.at((double) taken.size() / stops.size(), "");
            PhotoCamera.Picture picture = devices.iris(work, stops.getFirst(), stop).orElseThrow().take();
            taken.add(new IrisReading.Taken(picture.name(), stop, PhotoFiles.plane(picture.name(), picture.bytes(), OptionalDouble.empty())));
        }
        return taken;
    }

    private static List<Recording> open(List<Path> files, Progress progress) {
        return files.stream().map(f -> (Recording) new Watched(TraceFiles.open(f), progress)).toList();
    }

    private static List<String> stops(String typed) {
        return Arrays.stream(typed.split("[\\s;]+")).flatMap(s -> Quantity.OPENING.at(s).stream()).toList();
    }

    private static List<Path> byName(List<Path> photos) {
        return photos.stream().sorted(Comparator.comparing(p -> String.valueOf(p.getFileName()))).toList();
    }

    private static List<IrisReading.Taken> taken(List<Path> photos, List<String> stops, Progress p) {
        List<Path> sorted = byName(photos);
        if (sorted.size() != stops.size()) {
            throw new BadInput("photos", "count", "are " + sorted.size() + " for " + stops.size() + " stops: choose one for each, named in that order");
        }
        List<IrisReading.Taken> taken = new ArrayList<>();
        for (int i = 0; i < sorted.size(); i++) {
            String name = String.valueOf(sorted.get(i).getFileName());
            p.at((double) i / sorted.size(), name);
            taken.add(new IrisReading.Taken(name, Double.parseDouble(stops.get(i)), PhotoFiles.plane(name, PhotoFiles.bytes(sorted.get(i)), OptionalDouble.empty())));
        }
        return taken;
    }

    /// @param um pitch of the pixels
    private record Pixels(Optional<String> stop, double um) {}

    private static Optional<Pixels> pixels(String typed) {
        Matcher m = PIXELS.matcher(typed.toLowerCase(Locale.ROOT));
        if (!m.matches()) {
            return Optional.empty();
        }
        double um = Double.parseDouble(m.group("um").replace(',', '.'));
        return um > 0 && um < MOST_UM ? Optional.of(new Pixels(Optional.ofNullable(m.group("stop")).flatMap(Quantity.OPENING::at), um)) : Optional.empty();
    }

    private static FromFiles sharpness(List<Path> photos, Pixels x, FromFiles.Of of, Progress p) {
        List<FromFiles> all = new ArrayList<>();
        for (Path photo : byName(photos)) {
            String name = String.valueOf(photo.getFileName());
            p.at((double) all.size() / photos.size(), name);
            LightPlane plane = PhotoFiles.plane(name, PhotoFiles.bytes(photo), OptionalDouble.empty());
            all.add(FromFiles.sharpness(name, SharpnessReading.of(plane), plane.width(), plane.height(), x.stop, x.um, of));
        }
        return FromFiles.all(all);
    }

    private static FromFiles table(Path file, String control, FromFiles.Of of) {
        List<double[]> columns = TraceFiles.table(file);
        return FromFiles.torque(String.valueOf(file.getFileName()), columns.get(0), columns.get(1), control, of);
    }
}
