package stillglass.look;

/// How the glass was lit.
public enum Lighting {
    /// A lamp from behind at an angle: faults glow on dark glass.
    AGAINST,
    /// In front of an even bright field: faults are dark on bright glass.
    BRIGHT;

    public String word() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
