package stillglass.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;
import stillglass.book.say.SaySession;

/// How long a line of bench shorthand takes, read, decided, kept on the disk and answered, while a job grows: a table on standard output.
public final class SayScaling {
    private static final int[] JOINTS = {10, 30, 60};
    private static final int ROUNDS = 6;
    /// Jobs told before anything is counted, for the compiler.
    private static final int WARMING = 20;

    private SayScaling() {}

    public static void main(String[] args) throws IOException {
        for (int i = 0; i < WARMING; i++) {
            job(JOINTS[1]);
        }
        System.out.println("| joints of the job | lines | middle, ms | nine of ten within, ms | worst, ms |\n|---|---|---|---|---|");
        for (int joints : JOINTS) {
            List<Double> taken = new ArrayList<>();
            for (int round = 0; round < ROUNDS; round++) {
                taken.addAll(job(joints));
            }
            double[] ms = taken.stream().mapToDouble(t -> t).sorted().toArray();
            System.out.printf(Locale.ROOT, "| %d | %d | %.2f | %.2f | %.1f |%n", joints, ms.length, ms[ms.length / 2], ms[ms.length * 9 / 10], Arrays.stream(ms).max().orElse(0));
        }
    }

    /// A job on something nobody knows: opened, noted, closed.
    private static List<Double> job(int joints) throws IOException {
        List<String> lines = new ArrayList<>(List.of("begin lens, Brook 35 mm f/2.8, stiff focus"));
        for (int j = 1; j <= joints; j++) {
            lines.add("off ring number " + j + ", thread, front, friction cup");
            lines.add("turns 3.5, lets go 4");
        }
        lines.add("stage close");
        for (int j = joints; j >= 1; j--) {
            lines.add("turns 3.5, lets go 4");
            lines.add("done");
        }
        Path folder = Files.createTempDirectory("say-scaling");
        Path file = folder.resolve("book.sqlite");
        List<Double> taken = new ArrayList<>();
        try (Logbook log = Logbook.open(file)) {
            Shelf shelf = new Shelf();
            SaySession session = new SaySession(new Tickets(log, shelf, InstantSource.system(), "", "scaling"), shelf, InstantSource.system());
            for (String line : lines) {
                long start = System.nanoTime();
                SaySession.Answer a = session.say(line);
                taken.add((System.nanoTime() - start) / 1e6);
                if (a.status() != SaySession.Status.KEPT) {
                    throw new IllegalStateException(line + ": " + a.why());
                }
            }
        } finally {
            try (var files = Files.list(folder)) {
                for (Path f : files.toList()) {
                    Files.delete(f);
                }
            }
            Files.delete(folder);
        }
        return taken;
    }
}
