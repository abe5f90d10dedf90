package stillglass.ticket;

/// The seven stages, in the order of the work.
public enum Stage {
    ARRIVE,
    LOOK,
    DECIDE,
    OPEN,
    CLEAN,
    CLOSE,
    PROVE;

    public String word() {
        return name().charAt(0) + name().substring(1).toLowerCase(java.util.Locale.ROOT);
    }
}
