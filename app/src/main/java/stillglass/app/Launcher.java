package stillglass.app;

import java.nio.file.Path;
import java.time.Clock;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Application;
import stillglass.app.desk.DemoBook;
import stillglass.app.screens.Screenshots;
import stillglass.book.BookTrouble;

/// Starts the window. Not an [Application] itself, so that it runs from the class path.
public final class Launcher {
    private Launcher() {}

    public static void main(String[] args) {
        Logger.getLogger("").setLevel(Level.WARNING);
        Logger.getLogger("javafx").setLevel(Level.SEVERE);
        try {
            Arguments arguments = Arguments.parse(args);
            switch (arguments.verb()) {
                case "demo", "run" -> Application.launch(StillGlassApp.class, args);
                case "screenshots" -> Screenshots.make(arguments.path().orElseThrow());
                case "prepare" -> DemoBook.prepare(arguments.path().orElse(Path.of("demo.sqlite")), Clock.systemUTC(), arguments.at());
                default -> throw new IllegalArgumentException(arguments.verb() + ": is no verb; use demo, run, test or screenshots DIR");
            }
        } catch (IllegalArgumentException e) {
            fail(String.valueOf(e.getMessage()));
        } catch (RuntimeException e) {
            fail(cause(e) instanceof BookTrouble t ? String.valueOf(t.getMessage()) : "the window could not open: " + cause(e));
        }
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
