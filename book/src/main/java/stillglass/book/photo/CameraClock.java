package stillglass.book.photo;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;

/// How far a camera's clock is off, from when its pictures arrive. A picture that is put into a folder as it is taken arrives a little later than it says; a clock that is
/// an hour off shows as an hour in all of them.
///
/// Not safe for use by several threads.
public final class CameraClock {
    /// Putting a picture across takes less than this; what differs by more is the clock.
    private static final Duration USUAL = Duration.ofMinutes(10);
    private static final int MOST = 40;

    private final ZoneId zone;
    private final List<Duration> late = new ArrayList<>();

    public CameraClock(ZoneId zone) {
        this.zone = zone;
    }

    /// A picture arrived.
    /// @param taken by the camera's clock
    public void saw(LocalDateTime taken, Instant arrived) {
        late.add(Duration.between(taken.atZone(zone).toInstant(), arrived));
        if (late.size() > MOST) {
            late.removeFirst();
        }
    }

    /// By how much it is taken to be slow; zero while the pictures arrive as pictures do. The least late one tells best: others may have waited.
    public Duration slowBy() {
        Duration least = late.stream().min(Duration::compareTo).orElse(Duration.ZERO);
        return least.abs().compareTo(USUAL) > 0 ? least : Duration.ZERO;
    }

    /// When a picture was taken by the clock of this machine.
    public Instant corrected(LocalDateTime taken) {
        return taken.atZone(zone).toInstant().plus(slowBy());
    }
}
