package stillglass.care;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import stillglass.say.Said;

/// What something got wet with, and what is to be done first, at once, and why. Rules of the trade; local rules for cells and capacitors stand above them.
public enum Water {
    FRESH("fresh", "tap", "rain"),
    SALT("salt", "sea", "brackish"),
    /// A pool, a wash, anything with cleaning agents in it.
    TREATED("treated", "pool", "chlorinated", "soapy"),
    /// It leaves silt, or dries to something sticky: open water, sweet or fatty drinks.
    DIRTY("dirty", "muddy", "mud", "river", "lake", "canal", "pond", "coffee", "drink", "beer", "wine", "milk"),
    UNKNOWN("unknown", "something", "water");

    /// After so long in air most of what corrodes quickly has begun.
    private static final double HOURS_OLD = 48;

    private final List<String> words;

    Water(String... words) {
        this.words = List.of(words);
    }

    /// What a technician may call it.
    public List<String> words() {
        return words;
    }

    public Said said() {
        return Said.of("water." + name().toLowerCase(Locale.ROOT));
    }

    /// Whether it leaves behind what dries to salt, sugar or grit and goes on working when it is dry: then drying alone is no cure. Of water nobody knows it is taken to.
    public boolean leavesResidue() {
        return this != FRESH;
    }

    /// What to do, in order.
    /// @param hours since; empty where nobody knows
    /// @param on whether it was switched on; empty where nobody knows
    public List<Said> acts(OptionalDouble hours, Optional<Boolean> on) {
        List<Said> all = new ArrayList<>();
        all.add(Said.of(on.filter(o -> o).isPresent() ? "wet.power.on" : "wet.power"));
        all.add(Said.of("wet.capacitor"));
        if (leavesResidue()) {
            all.add(Said.of(this == SALT ? "wet.rinse.salt" : "wet.rinse"));
        }
        boolean old = hours.isPresent() && hours.getAsDouble() > HOURS_OLD;
        all.add(Said.of(old ? "wet.open.old" : leavesResidue() ? "wet.open.residue" : "wet.open.fresh"));
        all.add(Said.of("wet.dry"));
        all.add(Said.of("wet.last"));
        return all;
    }
}
