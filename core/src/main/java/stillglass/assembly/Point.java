package stillglass.assembly;

import java.util.Locale;
import java.util.Optional;

/// A point of contact that takes something that slides before its joint is closed, or must stay dry.
///
/// @param name what the bench calls it
/// @param wants what belongs there
/// @param with the agent by its name, where the map names one
/// @param why what goes wrong otherwise
/// @param at where it is on the net, where that is known
public record Point(String name, Wants wants, Optional<String> with, String why, Optional<At> at) {
    private static final int LONGEST = 80;

    /// What belongs on a point.
    public enum Wants {
        PASTE,
        GREASE,
        OIL,
        DRY;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /// @param x to the right and
    /// @param y up, mm from the middle of the side
    public record At(Side side, double x, double y) {
        public At {
            if (!Net.FLAT.contains(side) || !Double.isFinite(x) || !Double.isFinite(y)) {
                throw new IllegalArgumentException("a point \"" + side.word() + "\" at " + x + ", " + y + " lies on no side of a net");
            }
        }
    }

    public Point {
        if (name.isBlank() || name.length() > LONGEST) {
            throw new IllegalArgumentException("a point called “" + name + "”: give it a name of at most " + LONGEST + " letters");
        }
    }

    /// The same on a model of which nobody knows where it is.
    public Point elsewhere() {
        return new Point(name, wants, with, why, Optional.empty());
    }
}
