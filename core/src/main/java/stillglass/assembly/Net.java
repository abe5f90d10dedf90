package stillglass.assembly;

import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// An instrument unfolded: its six sides laid flat, with parts and screws where they are. On every side x runs to the right and y up as it is looked at, mm from
/// the middle of that side; the front edge of the top is its lower one, that of the bottom its upper one.
///
/// @param widthMm of the front
/// @param heightMm of the front
/// @param depthMm from front to rear
/// @param parts where parts are, by part id
/// @param screws where screws are on the side from which they are reached, by cell
public record Net(double widthMm, double heightMm, double depthMm, Map<String, Place> parts, Map<String, Spot> screws) {
    /// Sides that can be laid flat.
    public static final Set<Side> FLAT = Set.of(Side.FRONT, Side.REAR, Side.TOP, Side.BOTTOM, Side.LEFT, Side.RIGHT);

    /// Where a part is.
    /// @param x middle
    /// @param y middle
    /// @param round whether it is as good as round
    /// @param layer parts of a higher layer lie over those of a lower one, whatever the joints say; 0 for most
    /// @param under part that hides it while that is in its place
    public record Place(Side side, double x, double y, double widthMm, double heightMm, boolean round, int layer, Optional<String> under) {
        public Place {
            if (!FLAT.contains(side)) {
                throw new IllegalArgumentException("a part cannot lie \"" + side.word() + "\" on a net: give front, rear, top, bottom, left or right");
            }
            if (!(widthMm > 0 && heightMm > 0)) {
                throw new IllegalArgumentException("a part of " + widthMm + " x " + heightMm + " mm has no area");
            }
        }
    }

    public record Spot(double x, double y) {}

    public Net {
        if (!(widthMm > 0 && heightMm > 0 && depthMm > 0 && widthMm < 2000 && heightMm < 2000 && depthMm < 2000)) {
            throw new IllegalArgumentException("a net of " + widthMm + " x " + heightMm + " x " + depthMm + " mm is out of range");
        }
        parts = Map.copyOf(parts);
        screws = Map.copyOf(screws);
    }

    /// Width of a side as it is looked at.
    public double width(Side side) {
        return side == Side.LEFT || side == Side.RIGHT ? depthMm : widthMm;
    }

    /// Height of a side as it is looked at.
    public double height(Side side) {
        return side == Side.TOP || side == Side.BOTTOM ? depthMm : heightMm;
    }

    public Optional<Place> part(String id) {
        return Optional.ofNullable(parts.get(id));
    }

    public Optional<Spot> screw(String cell) {
        return Optional.ofNullable(screws.get(cell));
    }
}
