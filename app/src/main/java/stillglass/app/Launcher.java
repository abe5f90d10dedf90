package stillglass.app;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import stillglass.app.desk.Threads;
import stillglass.app.practice.DemoBook;
import stillglass.app.screens.Screenshots;
import stillglass.book.BookTrouble;
import stillglass.book.file.TempFolder;

/// Starts the window, or makes its pictures.
public final class Launcher {
    private Launcher() {}

    public static void main(String[] args) {
        Threads.writtenTo(LogFile.into(log()));
        // The toolkit unpacks its libraries in the home folder, unless that may not be written to.
        if (!Files.isWritable(Path.of(System.getProperty("user.home", "")))) {
            TempFolder.writable().ifPresent(t -> System.setProperty("javafx.cachedir", t.resolve("still-glass-toolkit").toString()));
        }
        try {
            Arguments arguments = Arguments.parse(args);
            switch (arguments.verb()) {
                case "demo", "run" -> StillGlassApp.open(arguments, e -> fail(sentence(cause(e))));
                case "screenshots" -> Screenshots.make(arguments.path().orElseThrow());
                case "prepare" -> DemoBook.prepare(arguments.path().orElse(Path.of("demo.sqlite")), Clock.systemUTC(), arguments.at());
                default -> throw new IllegalArgumentException(arguments.verb() + ": is no verb; use demo, run, test or screenshots DIR");
            }
        } catch (IllegalArgumentException e) {
            fail(String.valueOf(e.getMessage()));
        } catch (RuntimeException e) {
            fail(sentence(cause(e)));
        }
    }

    /// Where there is no home folder it goes to that of temporary files.
    private static Path log() {
        try {
            return Places.ofSystem().log();
        } catch (IllegalArgumentException e) {
            return Path.of(System.getProperty("java.io.tmpdir", ".")).resolve("still-glass");
        }
    }

    /// What to say of what kept the window from opening.
    static String sentence(Throwable cause) {
        return switch (cause) {
            case BookTrouble t -> String.valueOf(t.getMessage());
            case IllegalArgumentException i when String.valueOf(i.getMessage()).startsWith("--book") -> String.valueOf(i.getMessage());
            case UnsupportedOperationException u when String.valueOf(u.getMessage()).contains("GTK") ->
                "the window could not open: GTK 3 is missing. Install it (on Debian: libgtk-3-0), or unset DISPLAY to open off-screen";
            case UnsupportedOperationException u when String.valueOf(u.getMessage()).contains("DISPLAY") ->
                "the window could not open: the display " + System.getenv("DISPLAY")
                    + " does not answer. Start this where a screen is, set DISPLAY to one that runs, or unset it to open off-screen";
            default -> "the window could not open: " + cause;
        };
    }

    private static Throwable cause(Throwable t) {
        Throwable now = t;
        while (now.getCause() != null && !(now instanceof BookTrouble)) {
            now = now.getCause();
        }
        return now;
    }

    private static void fail(String sentence) {
        System.err.println("still-glass: " + sentence);
        System.exit(2);
    }
}
