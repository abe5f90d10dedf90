package stillglass.ticket.facts;

import stillglass.say.Said;
import stillglass.ticket.line.Cursor;

/// What a measure may be at all.
final class Limits {
    private static final double MOST = 1e4;

    private Limits() {}

    /// @throws IllegalArgumentException for what cannot be measured
    static void positive(double value, String what) {
        if (!(value > 0 && value < MOST)) {
            throw new IllegalArgumentException(what + " is " + value + ": give a positive number");
        }
    }

    /// The same of something typed: objects instead.
    static boolean checked(Cursor line, double value, String what) {
        boolean fits = value > 0 && value < MOST;
        if (!fits) {
            line.object(Said.of("line.positive", "what", what, "number", value));
        }
        return fits;
    }

    static boolean close(double a, double b, double tolerance) {
        return Math.abs(a - b) <= tolerance + 1e-9;
    }
}
