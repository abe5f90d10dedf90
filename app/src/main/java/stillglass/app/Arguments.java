package stillglass.app;

import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import stillglass.ticket.story.Stage;

/// What the launcher was asked for.
///
/// @param verb demo, run, screenshots or prepare
/// @param at stage the demo stands in
/// @param seconds end by itself after so long
/// @param path logbook, folder for pictures, or folder that keeps the demo
record Arguments(String verb, Stage at, OptionalInt seconds, Optional<Path> path) {

    /// @throws IllegalArgumentException with one sentence about what is wrong
    static Arguments parse(String... args) {
        String verb = args.length == 0 ? "run" : args[0];
        Stage at = Stage.OPEN;
        OptionalInt seconds = OptionalInt.empty();
        Optional<Path> path = Optional.empty();
        for (int i = 1; i < args.length; i++) {
            switch (args[i]) {
                case "--at" -> at = stage(value(args, i++));
                case "--seconds" -> seconds = OptionalInt.of(number(value(args, i++)));
                case "--keep", "--book" -> path = Optional.of(Path.of(value(args, i++)));
                default -> {
                    if (args[i].startsWith("-")) {
                        throw new IllegalArgumentException(args[i] + ": is not known; use --at STAGE, --seconds N, --keep DIR or --book FILE");
                    }
                    path = Optional.of(Path.of(args[i]));
                }
            }
        }
        if (verb.equals("screenshots") && path.isEmpty()) {
            throw new IllegalArgumentException("screenshots: needs a folder to write to");
        }
        return new Arguments(verb, at, seconds, path);
    }

    private static String value(String[] args, int i) {
        if (i + 1 >= args.length) {
            throw new IllegalArgumentException(args[i] + ": needs a value");
        }
        return args[i + 1];
    }

    private static Stage stage(String word) {
        for (Stage s : Stage.values()) {
            if (s.name().equals(word.toUpperCase(Locale.ROOT))) {
                return s;
            }
        }
        throw new IllegalArgumentException("--at: \"" + word + "\" is no stage; write arrive, look, decide, open, clean, close or prove");
    }

    private static int number(String text) {
        try {
            int n = Integer.parseInt(text);
            if (n > 0) {
                return n;
            }
        } catch (NumberFormatException e) {
            // the one message below says it
        }
        throw new IllegalArgumentException("--seconds: \"" + text + "\" is not a positive number");
    }
}
