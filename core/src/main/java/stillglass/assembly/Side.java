package stillglass.assembly;

/// From where a joint is reached.
public enum Side {
    FRONT,
    REAR,
    AROUND;

    public String word() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
