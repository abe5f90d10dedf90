package stillglass.assembly;

import java.util.Locale;

/// From where a joint is reached.
public enum Side {
    FRONT,
    REAR,
    /// Anywhere about the barrel, without turning it over.
    AROUND,
    TOP,
    BOTTOM,
    LEFT,
    RIGHT,
    /// Nobody has said.
    UNKNOWN;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
