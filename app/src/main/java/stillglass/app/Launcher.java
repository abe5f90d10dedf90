package stillglass.app;

import java.nio.file.Path;
import java.time.Clock;
import java.util.logging.Level;
import java.util.logging.Logger;
import stillglass.app.practice.DemoBook;
import stillglass.app.screens.Screenshots;
import stillglass.book.BookTrouble;

/// Starts the window, or makes its pictures.
public final class Launcher {
    private Launcher() {}

    public static void main(String[] args) {
        Logger.getLogger("").setLevel(Level.SEVERE);
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

    private static String sentence(Throwable cause) {
        return switch (cause) {
            case BookTrouble t -> String.valueOf(t.getMessage());
            case UnsupportedOperationException u when String.valueOf(u.getMessage()).contains("GTK") ->
                "the window could not open: GTK 3 is missing. Install it (on Debian: libgtk-3-0), or unset DISPLAY to open off-screen";
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
