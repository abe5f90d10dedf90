package stillglass.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import stillglass.book.BadInput;
import stillglass.book.trace.TraceFiles;
import stillglass.prove.trace.Pulse;
import stillglass.prove.trace.Recording;
import stillglass.prove.trace.ShutterReading;
import stillglass.prove.trace.SoundReading;
import stillglass.prove.trace.Speed;
import stillglass.say.Said;
import stillglass.say.Wording;

/// `shutter FILE…`: effective exposure from light traces, or the time between two clicks from a sound.
@CommandLine.Command(name = "shutter", description = "Measures a shutter speed from recordings of a light sensor, or of its sound.", mixinStandardHelpOptions = true)
final class ShutterVerb extends Verb {
    private static final int MOST_SENSORS = 8;

    @CommandLine.Parameters(arity = "1..*", paramLabel = "FILE", description = "WAV, or CSV of time in seconds and samples; several shots each")
    private List<Path> files = new ArrayList<>();

    @CommandLine.Option(names = "--nominal", required = true, paramLabel = "SPEED", description = "what the setting says, as 1/125 or 0.5, in seconds")
    private String nominal = "";

    @CommandLine.Option(names = "--kind", paramLabel = "KIND", description = "leaf or focal-plane; without it focal-plane when there are several sensors")
    private @Nullable String kind;

    @CommandLine.Option(names = "--sensors", paramLabel = "S,S…", description = "where the sensor of each channel is, as a share of the curtains' way (0.1,0.9)")
    private @Nullable String sensors;

    @CommandLine.Option(names = "--sound", description = "the files are recordings of a microphone")
    private boolean sound;

    @Override
    public Integer call() {
        PrintWriter out = out();
        double seconds = Speed.parse(nominal).orElseThrow(() -> new BadInput("command line", "--nominal", "is \"" + nominal + "\": give the speed as 1/125 or as seconds, up to an hour"));
        List<Recording> recordings = files.stream().map(TraceFiles::open).toList();
        return sound ? bySound(recordings, seconds, out) : byLight(recordings, seconds, out);
    }

    private int byLight(List<Recording> recordings, double seconds, PrintWriter out) {
        List<Double> places = places(recordings);
        ShutterReading.Kind read = kind(places);
        Optional<ShutterReading> found = ShutterReading.of(recordings, read, places);
        if (found.isEmpty()) {
            refuse(out, seconds, List.of(ShutterReading.DARK));
            return 1;
        }
        ShutterReading r = found.get();
        if (!json()) {
            print(out, r, seconds);
            return 0;
        }
        Answer answer = new Answer().put("shots", r.shots().stream().map(ShutterVerb::shot).toList()).number("nominal_s", seconds).number("effective_s", r.effectiveS())
                .number("sigma_s", r.sigmaS()).number("spread_s", r.spreadS()).number("ev_error", r.evError(seconds)).number("ev_sigma", r.evSigma())
                .number("curtain_travel_s", r.travelS()).number("evenness_ev", r.evennessEv()).number("evenness_sigma_ev", r.evennessSigmaEv());
        out.println(answer.put("kind", word(r.kind())).put("diagnostics", said(r.diagnostics())).json());
        return 0;
    }

    private static String word(ShutterReading.Kind kind) {
        return kind == ShutterReading.Kind.LEAF ? "leaf" : "focal-plane";
    }

    private static Map<String, Object> shot(ShutterReading.Shot s) {
        List<Pulse> pulses = s.pulses().stream().flatMap(Optional::stream).toList();
        Answer a = new Answer().put("file", s.recording()).number("at_s", pulses.getFirst().openedS()).number("effective_s", s.effectiveS()).number("sigma_s", s.sigmaS()).number("open_s", s.openS())
                .number("efficiency", s.efficiency()).put("bounce", s.bounced()).put("per_sensor_s", s.pulses().stream().map(p -> p.map(Pulse::effectiveS).orElse(0.0)).toList());
        if (s.bounced()) {
            a.number("bounce_s", pulses.stream().mapToDouble(Pulse::reboundS).max().orElse(0));
        }
        return a.fields();
    }

    private static List<String> said(List<Said> notes) {
        return notes.stream().map(Wording.core()::say).toList();
    }

    private static void print(PrintWriter out, ShutterReading r, double seconds) {
        out.printf(Locale.ROOT, "%s, %d shot%s: %s ± %.2g ms, %+.2f ± %.2f EV against %s%n", word(r.kind()), r.shots().size(), r.shots().size() == 1 ? "" : "s", Speed.millis(r.effectiveS()), 2000 * r.sigmaS(),
                r.evError(seconds), 2 * r.evSigma(), Speed.text(seconds));
        for (ShutterReading.Shot s : r.shots()) {
            out.printf(Locale.ROOT, "  %-24s %s, open %s ms, efficiency %.0f %%%s%n", s.recording(), String.join(" / ", s.pulses().stream().map(p -> p.map(q -> Speed.millis(q.effectiveS()) + " ms").orElse("dark")).toList()),
                    Speed.millis(s.openS()), 100 * s.efficiency(), s.bounced() ? ", opens again" : "");
        }
        r.travelS().ifPresent(t -> out.printf(Locale.ROOT, "first curtain from first to last sensor %.2f ms%n", 1000 * t));
        r.evennessEv().ifPresent(e -> out.printf(Locale.ROOT, "last sensor against first %+.2f ± %.2f EV%n", e, 2 * r.evennessSigmaEv().orElse(0)));
        said(r.diagnostics()).forEach(d -> out.println("note: " + d));
    }

    private int bySound(List<Recording> recordings, double seconds, PrintWriter out) {
        SoundReading r = SoundReading.of(recordings, seconds);
        if (!r.resolved()) {
            refuse(out, seconds, r.diagnostics());
            return 1;
        }
        if (json()) {
            out.println(new Answer().put("shots", r.shots().stream().map(s -> new Answer().put("file", s.recording()).number("at_s", s.openedS()).number("effective_s", s.seconds()).fields()).toList())
                    .number("nominal_s", seconds).number("effective_s", r.effectiveS()).number("sigma_s", r.sigmaS()).number("ev_error", Math.log(r.effectiveS() / seconds) / Math.log(2))
                    .put("by", "sound").put("diagnostics", said(r.diagnostics())).json());
        } else {
            out.printf(Locale.ROOT, "by its sound, %d shots: %s ± %.2g ms between opening and closing against %s%n", r.shots().size(), Speed.millis(r.effectiveS()), 2000 * r.sigmaS(), Speed.text(seconds));
            said(r.diagnostics()).forEach(d -> out.println("note: " + d));
        }
        return 0;
    }

    private void refuse(PrintWriter out, double seconds, List<Said> why) {
        if (json()) {
            out.println(new Answer().put("shots", List.of()).number("nominal_s", seconds).put("diagnostics", said(why)).json());
        } else {
            said(why).forEach(out::println);
        }
    }

    private ShutterReading.Kind kind(List<Double> places) {
        if (kind == null) {
            return places.isEmpty() ? ShutterReading.Kind.LEAF : ShutterReading.Kind.FOCAL_PLANE;
        }
        return switch (kind.toLowerCase(Locale.ROOT)) {
            case "leaf" -> ShutterReading.Kind.LEAF;
            case "focal-plane" -> ShutterReading.Kind.FOCAL_PLANE;
            default -> throw new BadInput("command line", "--kind", "is \"" + kind + "\": give leaf or focal-plane");
        };
    }

    /// Places of the sensors. Where none are stated they are first and last of what is told: nothing is said of the way beyond them.
    private List<Double> places(List<Recording> recordings) {
        int channels = recordings.stream().mapToInt(Recording::channels).max().orElse(1);
        if (sensors == null) {
            return channels < 2 || "leaf".equalsIgnoreCase(kind) ? List.of() : java.util.stream.IntStream.range(0, channels).mapToObj(i -> (double) i / (channels - 1)).toList();
        }
        List<Double> places = new ArrayList<>();
        for (String word : sensors.split(",")) {
            try {
                double place = Double.parseDouble(word.strip());
                if (!(place >= 0 && place <= 1)) {
                    throw new NumberFormatException();
                }
                places.add(place);
            } catch (NumberFormatException e) {
                throw new BadInput("command line", "--sensors", "is \"" + sensors + "\": give the place of every sensor as a share of the way, as 0.1,0.9", e);
            }
        }
        for (Recording r : recordings) {
            if (r.channels() != places.size()) {
                throw new BadInput(r.name(), "channels", "are " + r.channels() + ", and --sensors tells of " + places.size() + ": give one place for each channel");
            }
        }
        if (places.size() > MOST_SENSORS || places.stream().distinct().count() < places.size()) {
            throw new BadInput("command line", "--sensors", "is \"" + sensors + "\": no two sensors can be at one place, and no more than 8 fit");
        }
        return places;
    }
}
