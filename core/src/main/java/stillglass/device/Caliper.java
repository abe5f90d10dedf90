package stillglass.device;

/// A digital caliper or micrometer that sends what it shows when its button is pressed.
@FunctionalInterface
public interface Caliper {
    /// @return reading, mm; may block until the button is pressed
    double readMm();
}
