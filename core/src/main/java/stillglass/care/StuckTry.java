package stillglass.care;

import java.util.Locale;
import java.util.Set;
import stillglass.assembly.Material;

/// Something that may be tried on a joint that will not open. Data of the shop, in the order of trying.
///
/// @param holds kinds of hold it is for, in their words
/// @param means what it is done with; for a solvent the agent's identifier; empty for the tool of the joint
/// @param waitMinutes before the next turn of the tool
/// @param why reason or caution
/// @param spoils materials near which it is left
/// @param nearGlass whether it may be done beside glass
public record StuckTry(Set<String> holds, Sort how, String means, double waitMinutes, String why, Set<Material> spoils, boolean nearGlass) {
    /// Sorts of try.
    public enum Sort {
        /// The exact tool, the exact way.
        TOOL,
        WARMTH,
        /// A drop of something that creeps.
        SOLVENT,
        /// Taps on a block of wood.
        SHOCK,
        /// Leave it to whoever is equipped for it.
        REFER;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public StuckTry {
        holds = Set.copyOf(holds);
        spoils = Set.copyOf(spoils);
        if (!(waitMinutes >= 0 && waitMinutes <= 10_000)) {
            throw new IllegalArgumentException("a try waits " + waitMinutes + " minutes: give 0 to 10000");
        }
    }
}
