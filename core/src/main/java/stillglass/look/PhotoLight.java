package stillglass.look;

import java.util.Optional;

/// What else a photo says of its light.
///
/// @param reference linear light its veil was taken relative to
/// @param exposure as its camera wrote it, relative: time × sensitivity / f-number²
/// @param through what the glass keeps of a bright field
public record PhotoLight(double reference, Optional<Double> exposure, Optional<ThroughColour> through) {
    /// Of photos that were read before it was kept.
    public static final PhotoLight UNKNOWN = new PhotoLight(1, Optional.empty(), Optional.empty());
}
