package stillglass.benchmarks.hostile;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.logging.Level;
import java.util.logging.Logger;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.book.BadInput;
import stillglass.book.BookTrouble;
import stillglass.book.data.InstrumentGraph;
import stillglass.book.data.InstrumentJson;
import stillglass.book.data.LensJson;
import stillglass.book.data.RulesJson;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.book.photo.PhotoFiles;
import stillglass.book.report.MatFiles;
import stillglass.book.say.SaySession;
import stillglass.book.trace.TraceFiles;
import stillglass.look.Progress;
import stillglass.optics.LensSection;
import stillglass.optics.sharpness.LensReport;
import stillglass.plan.Goal;
import stillglass.plan.TrayMat;
import stillglass.plan.WayIn;
import stillglass.prove.iris.ClosingTrace;
import stillglass.prove.trace.Recording;
import stillglass.prove.trace.ShutterReading;
import stillglass.prove.trace.SoundReading;

/// Feeds every reader with damaged files of its format. What it answers must be the thing itself or one sentence that names the file; anything else is a
/// fault of the reader, and so is taking long.
///
/// `java -cp benchmarks/target/benchmarks.jar stillglass.benchmarks.hostile.Hostile [SEED [FILES]]`
public final class Hostile {
    private static final int USUAL = 12_000;
    private static final double SLOW_SECONDS = 10;
    private static final int MOST_SHOWN = 5;

    private Hostile() {}

    /// A reader under fire.
    /// @param share of all files
    private record Format(String name, double share, List<byte[]> wholes, boolean tree, Reader reader) {}

    /// Reads a file and does with it what the program would; throws whatever comes out.
    @FunctionalInterface
    private interface Reader {
        void read(Path file, int round) throws IOException;
    }

    /// What came of one format.
    /// @param broken what was thrown past the reader, or said in more than a line
    record Outcome(String format, int files, int accepted, int refused, double slowestSeconds, List<String> broken) {
        Outcome {
            broken = List.copyOf(broken);
        }

        boolean held() {
            return broken.isEmpty() && slowestSeconds < SLOW_SECONDS;
        }
    }

    public static void main(String[] args) throws IOException {
        Logger.getLogger("").setLevel(Level.OFF);
        long seed = args.length > 0 ? Long.parseLong(args[0]) : 1;
        int files = args.length > 1 ? Integer.parseInt(args[1]) : USUAL;
        List<Outcome> all = run(seed, files);
        print(all, System.out);
        System.exit(all.stream().allMatch(Outcome::held) ? 0 : 1);
    }

    static List<Outcome> run(long seed, int files) throws IOException {
        Path folder = Files.createTempDirectory("hostile");
        try {
            List<Outcome> all = new ArrayList<>();
            for (Format f : formats(folder)) {
                all.add(run(f, new Random(seed * 31 + f.name.hashCode()), Math.max(1, (int) (files * f.share)), folder));
            }
            return all;
        } finally {
            try (var left = Files.walk(folder)) {
                left.sorted(Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
            }
        }
    }

    private static Outcome run(Format format, Random random, int files, Path folder) throws IOException {
        int accepted = 0;
        int refused = 0;
        double slowest = 0;
        List<String> broken = new ArrayList<>();
        for (int i = 0; i < files; i++) {
            byte[] whole = format.wholes.get(random.nextInt(format.wholes.size()));
            byte[] damaged = format.tree ? Trees.damaged(whole, random) : Bytes.damaged(whole, random);
            Path file = folder.resolve(format.name.replace(' ', '-') + "-" + i);
            Files.write(file, damaged);
            long start = System.nanoTime();
            try {
                format.reader.read(file, i);
                accepted++;
            } catch (BadInput | BookTrouble e) {
                refused++;
                String said = String.valueOf(e.getMessage());
                if (said.codePoints().anyMatch(c -> Character.isISOControl(c) || c == 0x2028 || c == 0x202E) || said.length() > 1000 || said.contains("error of the program")) {
                    broken.add(i + ": says " + said);
                }
            } catch (RuntimeException | StackOverflowError | OutOfMemoryError | LinkageError | AssertionError e) {
                StackTraceElement[] trace = e.getStackTrace();
                broken.add(i + ": " + e + (trace.length > 0 ? " at " + trace[0] : ""));
            }
            slowest = Math.max(slowest, (System.nanoTime() - start) / 1e9);
            Files.deleteIfExists(file);
        }
        return new Outcome(format.name, files, accepted, refused, slowest, broken);
    }

    private static List<Format> formats(Path folder) throws IOException {
        List<byte[]> lenses = List.of(Samples.shipped("lenses/tarn_50_f35.json"), Samples.shipped("lenses/shoal_50_f5.json"), Samples.shipped("lenses/fell_52_f2.json"));
        List<byte[]> maps = List.of(Samples.shipped("instruments/pellam_folding_75.json"), Samples.shipped("instruments/ostrel_52_f2.json"), Samples.shipped("instruments/ostrel_reflex.json"));
        List<byte[]> rules = List.of(Samples.shipped("grade-rules.json"));
        List<Format> all = new ArrayList<>(List.of(
                new Format("lens trees", 0.14, lenses, true, Hostile::lens),
                new Format("lens bytes", 0.05, lenses, false, Hostile::lens),
                new Format("map trees", 0.14, maps, true, Hostile::map),
                new Format("map bytes", 0.05, maps, false, Hostile::map),
                new Format("rule trees", 0.04, rules, true, (file, i) -> RulesJson.grade(file)),
                new Format("rule bytes", 0.02, rules, false, (file, i) -> RulesJson.grade(file)),
                new Format("logbooks", 0.02, List.of(logbook(folder)), false, Hostile::logbook),
                new Format("lines", 0.06, List.of(LINES.getBytes(StandardCharsets.UTF_8)), false, lines(folder))));
        all.add(new Format("wav", 0.06, Samples.recordings(), false, Hostile::recording));
        all.add(new Format("csv traces", 0.06, List.of(Samples.table()), false, Hostile::recording));
        all.add(new Format("csv gauges", 0.03, List.of(Samples.table()), false, (file, i) -> TraceFiles.table(file)));
        for (String format : List.of("jpeg", "png", "tiff")) {
            all.add(new Format(format, 0.12, Samples.pictures(format), false, Hostile::photo));
        }
        return all;
    }

    private static void lens(Path file, int round) {
        LensSection lens = LensJson.read(file);
        if (round % 8 == 0) {
            LensReport.of(lens, lens);
        }
    }

    private static void map(Path file, int round) {
        Instrument map = InstrumentJson.read(file);
        InstrumentGraph.graphml(map);
        List<Goal> goals = map.joints().stream().limit(2).map(Joint::id).map(j -> (Goal) new Goal.OpenJoint(j)).toList();
        List<Joint> joints = WayIn.plan(WayIn.Request.of(map, goals), Progress.SILENT).map(WayIn.Plan::joints).orElse(List.of());
        if (round % 4 == 0) {
            MatFiles.write(TrayMat.of(map, joints), file.resolveSibling("mat.pdf"), file);
            MatFiles.write(TrayMat.of(map, joints), file.resolveSibling("mat.svg"), file);
        }
    }

    private static void photo(Path file, int round) {
        byte[] bytes = PhotoFiles.bytes(file);
        String name = String.valueOf(file.getFileName());
        PhotoFiles.taken(bytes);
        PhotoFiles.upright(name, bytes);
        PhotoFiles.picture(name, bytes, 64);
        PhotoFiles.uprightWidth(name, bytes);
    }

    private static void recording(Path file, int round) {
        Recording recording = TraceFiles.open(file);
        ShutterReading.of(List.of(recording), ShutterReading.Kind.LEAF, List.of());
        ClosingTrace.of(recording);
        SoundReading.of(List.of(recording), 0.125);
    }

    private static byte[] logbook(Path folder) throws IOException {
        Path file = folder.resolve("whole.sqlite");
        try (Logbook log = Logbook.open(file)) {
            SaySession session = session(log);
            LINES.lines().forEach(session::say);
        }
        return Files.readAllBytes(file);
    }

    private static void logbook(Path file, int round) {
        try (Logbook log = Logbook.open(file)) {
            Tickets tickets = new Tickets(log, new Shelf(), InstantSource.system(), "", "hostile");
            log.list(0, 50);
            log.clocks();
            log.numbers().forEach(tickets::open);
        }
    }

    private static SaySession session(Logbook log) {
        Shelf shelf = new Shelf();
        return new SaySession(new Tickets(log, shelf, InstantSource.system(), "", "hostile"), shelf, InstantSource.system());
    }

    private static final String LINES = """
            begin lens, Brook 35 mm f/2.8, stiff focus
            off name ring, thread, front, friction cup
            turns 3.5, lets go 4
            off front cell, 3 screws 1.4 x 3.0, cross 0
            mark ring at 7:30
            note cracked at 3 o'clock
            photo at zoom 80, f/8, near
            shims 0.05 0.1
            move 3 to 4
            soak 20 min
            stage close
            next
            left
            undo
            """;

    private static Reader lines(Path folder) throws IOException {
        SaySession[] session = {session(Logbook.open(folder.resolve("lines.sqlite")))};
        return (file, round) -> new String(Files.readAllBytes(file), StandardCharsets.UTF_8).lines().limit(20).forEach(line -> {
            SaySession.Answer a = session[0].say(line);
            if (a.why().lines().count() > 1) {
                throw new IllegalStateException("said in more than a line: " + a.why());
            }
        });
    }

    static void print(List<Outcome> all, PrintStream out) {
        out.println("| files | damaged | taken | refused in a sentence | broken | slowest, s |\n|---|---|---|---|---|---|");
        for (Outcome o : all) {
            out.printf(Locale.ROOT, "| %s | %d | %d | %d | %d | %.2f |%n", o.format, o.files, o.accepted, o.refused, o.broken.size(), o.slowestSeconds);
        }
        all.forEach(o -> o.broken.stream().limit(MOST_SHOWN).forEach(b -> out.println(o.format + " " + b)));
    }
}
