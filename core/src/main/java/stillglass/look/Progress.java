package stillglass.look;

import java.util.concurrent.CancellationException;

/// Hears how far a long calculation is, and can stop it.
@FunctionalInterface
public interface Progress {
    /// Called between steps.
    /// @param share done, 0 to 1
    /// @param doing what comes next, in words
    /// @throws CancellationException to stop
    void at(double share, String doing);

    /// Nobody listens.
    Progress SILENT = (share, doing) -> {};
}
