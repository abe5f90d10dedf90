package stillglass.care;

import java.util.List;
import java.util.Locale;
import stillglass.say.Said;

/// Where a part goes when it comes off.
public enum Route {
    /// Wiped, one at a time.
    HAND("by hand", "hand"),
    /// Soaked in a tin of spirit with a lid, then the tank or a rinse.
    TIN("tin"),
    /// Warm soap in a bath or an ultrasonic tank.
    TANK("tank", "bath"),
    /// Stays with its joint, in a tin of its own.
    STAYS("stays", "stays with its joint"),
    NEVER_WET("never wet", "dry"),
    /// Put down and left, unless something is wrong with it.
    ALONE("alone", "leave alone");

    private final List<String> words;

    Route(String... words) {
        this.words = List.of(words);
    }

    /// What a technician may call it.
    public List<String> words() {
        return words;
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public Said said() {
        return Said.of("route." + word());
    }
}
