package stillglass.device;

import java.util.List;

/// A gauge on a control that tells the turning moment over the angle.
@FunctionalInterface
public interface TorqueGauge {
    /// A reading on the way.
    /// @param deg from where it began
    record Turned(double deg, double nmm) {}

    /// Turns the control from end to end; may block for as long as that takes.
    List<Turned> turn();
}
