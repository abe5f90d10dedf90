package stillglass.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.ArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import stillglass.book.BookTrouble;

class ThreadsTest {
    private final List<String> said = Collections.synchronizedList(new ArrayList<>());

    @Test
    void whatGoesWrongAgainAndAgainIsSaidOnceUntilItWentWellOrSomethingElseDoes() throws Exception {
        AtomicInteger turn = new AtomicInteger();
        CountDownLatch done = new CountDownLatch(9);
        Threads threads = new Threads(said::add);
        threads.every(1, () -> {
            done.countDown();
            int n = turn.getAndIncrement();
            switch (n) {
                case 0, 1, 2, 6 -> throw new BookTrouble("gone");
                case 3, 4 -> throw new BookTrouble("locked");
                default -> {}
            }
        });
        assertThat(done.await(20, TimeUnit.SECONDS)).isTrue();
        threads.close();
        assertThat(said).containsExactly("gone", "locked", "gone");
    }
}
