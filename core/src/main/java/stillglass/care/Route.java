package stillglass.care;

import java.util.Locale;
import stillglass.say.Said;

/// Where a part goes when it comes off.
public enum Route {
    /// Wiped, one at a time.
    HAND,
    /// Soaked in a tin of spirit with a lid, then the tank or a rinse.
    TIN,
    /// Warm soap in a bath or an ultrasonic tank.
    TANK,
    /// Stays with its joint, in a tin of its own.
    STAYS,
    NEVER_WET,
    /// Put down and left, unless something is wrong with it.
    ALONE;

    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public Said said() {
        return Said.of("route." + word());
    }
}
