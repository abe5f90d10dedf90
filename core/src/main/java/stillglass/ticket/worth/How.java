package stillglass.ticket.worth;

import java.util.Locale;
import stillglass.say.Said;

/// Ways of destroying something, each with what to beware of.
public enum How {
    DRILL,
    CUT,
    FILE,
    BREAK;

    /// What a technician begins the line with.
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public Said said() {
        return Said.of("worth.how." + word());
    }

    /// Shown where the act is.
    public Said caution() {
        return Said.of("worth.how." + word() + ".caution");
    }
}
