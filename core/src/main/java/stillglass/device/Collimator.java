package stillglass.device;

/// Shows a reticle at infinity through the lens and reads where its image lies.
@FunctionalInterface
public interface Collimator {
    /// @param errorMm image of infinity minus film plane, positive behind the film
    /// @param sigmaMm standard deviation of `errorMm`, from repeated readings
    record Reading(double errorMm, double sigmaMm) {}

    /// Takes a set of readings; may block for as long as the device needs.
    Reading read();
}
