package stillglass.app.desk;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.util.function.LongSupplier;

/// The time of day when it was last settled, plus what has passed since: a soak takes as long as it takes, whatever somebody sets the clock of the computer to.
public final class ElapsedClock implements InstantSource {
    /// Counts while the computer sleeps, too, which the clock of the Java machine does not.
    private static final Path UPTIME = Path.of("/proc/uptime");

    private final InstantSource wall;
    private final LongSupplier passedNanos;
    private Instant settled;
    private long settledAt;

    /// @param wall the time of day
    /// @param passedNanos nanoseconds since some moment, never set back or forth
    ElapsedClock(InstantSource wall, LongSupplier passedNanos) {
        this.wall = wall;
        this.passedNanos = passedNanos;
        settled = wall.instant();
        settledAt = passedNanos.getAsLong();
    }

    public static ElapsedClock ofSystem() {
        return new ElapsedClock(InstantSource.system(), Files.isReadable(UPTIME) ? ElapsedClock::sinceStart : System::nanoTime);
    }

    private static long sinceStart() {
        try {
            String text = Files.readString(UPTIME, StandardCharsets.US_ASCII);
            return Math.round(Double.parseDouble(text.substring(0, text.indexOf(' '))) * 1e9);
        } catch (IOException | RuntimeException e) {
            throw new IllegalStateException("the time since this computer was started cannot be read", e);
        }
    }

    @Override
    public synchronized Instant instant() {
        return settled.plusNanos(passedNanos.getAsLong() - settledAt);
    }

    /// Takes the time of day again: when nothing is being waited for.
    public synchronized void settle() {
        settled = wall.instant();
        settledAt = passedNanos.getAsLong();
    }
}
