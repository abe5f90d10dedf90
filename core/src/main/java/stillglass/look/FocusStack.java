package stillglass.look;

import java.util.List;
import java.util.Optional;

/// How deep a fault seems to lie, from how sharp it is in photos focused at different depths ([Sharpest]).
///
/// @param depthMm apparent depth behind the rim
/// @param sigmaMm one standard deviation
public record FocusStack(double depthMm, double sigmaMm) {
    /// @param focusMm sharp plane behind the rim
    /// @param sharpness of the fault there, any unit, positive
    public record Sight(double focusMm, double sharpness) {}

    /// @return nothing when fewer than three different settings show it, or none is clearly sharper than another
    public static Optional<FocusStack> of(List<Sight> sights) {
        return Sharpest.of(sights.stream().map(s -> new Sharpest.Sight(s.focusMm, s.sharpness)).toList()).map(s -> new FocusStack(s.at(), s.sigma()));
    }
}
