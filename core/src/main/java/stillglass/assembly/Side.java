package stillglass.assembly;

/// From where a joint is reached.
public enum Side {
    FRONT,
    REAR,
    /// Anywhere about the barrel, without turning it over.
    AROUND,
    TOP,
    BOTTOM,
    LEFT,
    RIGHT;

    public String word() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
