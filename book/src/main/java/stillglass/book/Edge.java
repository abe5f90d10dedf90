package stillglass.book;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.function.Supplier;

/// The one edge every reader has: whatever is thrown behind it, by our code or by a library, by a wrong file or by the machine, leaves as a sentence
/// that names file, field and what to do.
public final class Edge {
    private Edge() {}

    /// @param name of the file
    /// @param field what is being read of it
    /// @param remedy what to do, without a full stop
    /// @throws BadInput for everything that goes wrong
    public static <T> T read(String name, String field, String remedy, Supplier<T> work) {
        try {
            return work.get();
        } catch (BadInput | BookTrouble | java.util.concurrent.CancellationException e) {
            throw e;
        } catch (OutOfMemoryError e) {
            throw new BadInput(name, field, "needs more memory than there is: " + remedy, e);
        } catch (StackOverflowError e) {
            throw new BadInput(name, field, "is nested too deep: " + remedy, e);
        } catch (RuntimeException | LinkageError | AssertionError e) {
            throw new BadInput(name, field, "cannot be read (" + why(e) + "): " + remedy, e);
        }
    }

    /// A file that is none, a device or a pipe, need not end and is not read. One that is not there is left to whoever opens it.
    /// @param what to name instead
    public static void ends(Path file, String name, String what) {
        if (Files.exists(file) && !Files.isRegularFile(file)) {
            throw new BadInput(name, "file", Files.isDirectory(file) ? "is a folder: name " + what : "is a device or a pipe, which need not end: name " + what);
        }
    }

    private static String why(Throwable e) {
        String said = e.getMessage();
        String line = said == null ? "" : said.lines().findFirst().orElse("").strip();
        return line.isEmpty() ? e.getClass().getSimpleName().replaceAll("(Exception|Error)$", "").replaceAll("(?<=[a-z])(?=[A-Z])", " ").toLowerCase(Locale.ROOT) : line;
    }
}
