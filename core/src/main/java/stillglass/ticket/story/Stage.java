package stillglass.ticket.story;

import java.util.Locale;

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
        return name().charAt(0) + name().substring(1).toLowerCase(Locale.ROOT);
    }
}
