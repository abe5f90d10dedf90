package stillglass.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.CancellationException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;

class BothTest {
    private static boolean met(CountDownLatch here, CountDownLatch there) {
        here.countDown();
        try {
            return there.await(60, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void bothAreWorkedOutAtTheSameTime() {
        CountDownLatch one = new CountDownLatch(1);
        CountDownLatch other = new CountDownLatch(1);
        Both<Boolean, String> both = Both.of(() -> met(one, other), () -> met(other, one) ? "met" : "alone");

        assertThat(both).isEqualTo(new Both<>(true, "met"));
    }

    @Test
    void whatOneOfThemThrowsIsThrown() {
        Supplier<String> stopped = () -> {
            throw new CancellationException("asked to stop");
        };
        assertThatThrownBy(() -> Both.of(stopped, () -> "done")).isInstanceOf(CancellationException.class).hasMessage("asked to stop");
        assertThatThrownBy(() -> Both.of(() -> "done", () -> {
            throw new IllegalArgumentException("too few pixels");
        })).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("too few pixels");
    }

    /// As where a photo is read beside another.
    @Test
    void oneMayStandInAnother() {
        Supplier<Both<Integer, Integer>> inner = () -> Both.of(() -> 1, () -> 2);

        assertThat(Both.of(inner, inner)).isEqualTo(new Both<>(new Both<>(1, 2), new Both<>(1, 2)));
    }
}
