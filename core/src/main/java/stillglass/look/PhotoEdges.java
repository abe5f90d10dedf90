package stillglass.look;

import java.util.Optional;

/// How sharp the edges of a lens are in a photo: one over the share of the rim's radius over which light changes, where that can be told. Among photos of one lens they rise and fall with the focus as faults at their depth do.
///
/// @param rim of the clear aperture
/// @param blades of the iris, where it is closed down far enough to be seen
public record PhotoEdges(Optional<Double> rim, Optional<Double> blades) {
    /// Of photos that were read before it was kept.
    public static final PhotoEdges UNKNOWN = new PhotoEdges(Optional.empty(), Optional.empty());
}
