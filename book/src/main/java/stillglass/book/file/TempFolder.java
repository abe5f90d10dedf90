package stillglass.book.file;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import stillglass.book.BookTrouble;

/// Folders for what is needed for a moment: in that of the system, or where that is missing, full or closed, in the person's own cache.
public final class TempFolder {
    private static final String OURS = "still-glass-";
    private static final Duration LEFT = Duration.ofDays(1);

    private TempFolder() {}

    /// Where to try, in order.
    public static List<Path> places() {
        Path system = Path.of(System.getProperty("java.io.tmpdir", "/tmp"));
        Path home = Path.of(System.getProperty("user.home", "."));
        return Files.isDirectory(home) ? List.of(system, home.resolve(".cache").resolve("still-glass")) : List.of(system);
    }

    /// @param what it is for, part of its name
    /// @throws BookTrouble when there is no place for one
    public static Path make(String what) {
        IOException last = new IOException("no place is known");
        for (Path place : places()) {
            try {
                if (!place.equals(places().getFirst())) {
                    Files.createDirectories(place);
                }
                return Files.createTempDirectory(place, OURS + what);
            } catch (IOException e) {
                last = e;
            }
        }
        throw new BookTrouble("No temporary folder can be made in " + words() + " (" + last.getMessage() + "): free some space, or name another with STILL_GLASS_JAVA=-Djava.io.tmpdir=FOLDER.", last);
    }

    /// The places in a sentence.
    public static String words() {
        return String.join(" or ", places().stream().map(Path::toString).toList());
    }

    /// Removes a folder with all that is in it, as far as that goes.
    public static void remove(Path folder) {
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path p : all.sorted(java.util.Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(p);
            }
        } catch (IOException e) {
            // The system clears what is left there.
        }
    }

    /// Removes what processes that were killed have left a day ago and longer.
    public static void sweep() {
        for (Path place : places()) {
            try (Stream<Path> all = Files.list(place)) {
                all.filter(p -> String.valueOf(p.getFileName()).startsWith(OURS) && old(p)).forEach(TempFolder::remove);
            } catch (IOException e) {
                // Nothing is there.
            }
        }
    }

    private static boolean old(Path folder) {
        try {
            return Files.isDirectory(folder) && Files.getLastModifiedTime(folder).toInstant().isBefore(Instant.now().minus(LEFT));
        } catch (IOException e) {
            return false;
        }
    }

    /// The first place that can be written to.
    public static Optional<Path> writable() {
        return places().stream().filter(Files::isDirectory).filter(Files::isWritable).findFirst();
    }
}
