package stillglass.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;

class ElapsedClockTest {
    private final Instant morning = Instant.parse("2026-11-27T09:00:00Z");
    private final AtomicReference<Instant> wall = new AtomicReference<>(morning);
    private final AtomicLong passed = new AtomicLong(77);
    private final ElapsedClock clock = new ElapsedClock(wall::get, passed::get);

    @Test
    void aSoakTakesAsLongAsItTakesWhateverTheClockIsSetTo() {
        passed.addAndGet(60_000_000_000L);
        wall.set(morning.plusSeconds(7260));
        assertThat(clock.instant()).isEqualTo(morning.plusSeconds(60));
        wall.set(morning.minusSeconds(7260));
        assertThat(clock.instant()).isEqualTo(morning.plusSeconds(60));
    }

    @Test
    void theTimeOfDayIsTakenAgainWhenNothingIsWaitedFor() {
        wall.set(morning.plusSeconds(3600));
        clock.settle();
        passed.addAndGet(5_000_000_000L);
        assertThat(clock.instant()).isEqualTo(morning.plusSeconds(3605));
    }

    @Test
    void thatOfTheSystemGoesWithTheSystem() {
        assertThat(ElapsedClock.ofSystem().instant()).isCloseTo(Instant.now(), within(2, ChronoUnit.SECONDS));
    }
}
