package stillglass.book.say;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.Tickets;

/// A job told line by line, as without a window.
class SaySessionTest {
    private static final InstantSource CLOCK = InstantSource.fixed(Instant.parse("2026-11-28T09:00:00Z"));
    private static final Shelf SHELF = new Shelf();

    private final Logbook log;
    private SaySession session;

    SaySessionTest(@TempDir Path folder) {
        log = Logbook.open(folder.resolve("book.sqlite"));
        session = session();
    }

    private SaySession session() {
        return new SaySession(new Tickets(log, SHELF, CLOCK, "", "test"), SHELF, CLOCK);
    }

    @AfterEach
    void close() {
        log.close();
    }

    private SaySession.Answer kept(String line) {
        SaySession.Answer a = session.say(line);
        assertThat(a.status()).as("%s: %s", line, a.why()).isEqualTo(SaySession.Status.KEPT);
        return a;
    }

    @Test
    void aWholeJobOnSomethingNobodyKnows() {
        assertThat(kept("begin lens, Brook 35 mm f/2.8, stiff focus").reads()).contains("T-0101").contains("Brook 35 mm f/2.8");
        assertThat(kept("off name ring, thread, front, friction cup").off()).containsExactly("name-ring");
        kept("turns 3.5, lets go 4");
        kept("off E1");
        assertThat(kept("front up").left()).anyMatch(l -> l.contains("2 joints"));
        SaySession.Answer closing = kept("stage close");
        assertThat(closing.asks()).singleElement().asString().contains("E1");

        SaySession.Answer early = session.say("done");
        assertThat(early.status()).isEqualTo(SaySession.Status.REFUSED);
        assertThat(early.why()).contains("E1");
        kept("rear up");
        assertThat(session.say("done").why()).contains("Wrong way round");
        kept("front up");
        kept("done");
        assertThat(kept("turns 3.5, lets go 4").asks()).isEmpty();
        SaySession.Answer home = kept("done");
        assertThat(home.open()).isZero();
        assertThat(home.off()).isEmpty();
    }

    @Test
    void whatIsRefusedOrNotUnderstoodIsNotRecorded() {
        assertThat(session.say("off ring").status()).as("nothing was begun").isEqualTo(SaySession.Status.REFUSED);
        assertThat(session.say("begin Nothing of that name").status()).isEqualTo(SaySession.Status.UNCLEAR);
        kept("begin body, Brook reflex");
        assertThat(session.say("off ring, thread, front, tool, too much").why()).contains("too much");
        assertThat(session.say("xyzzy").status()).isEqualTo(SaySession.Status.UNCLEAR);
        assertThat(log.story("T-0101", 0).rows()).hasSize(1);
    }

    @Test
    void oneLineIsOneActAndOneUndo() {
        kept("begin lens, Brook 35 mm");
        kept("off mount, screws, rear");
        kept("3 screws, slot, 4.2 mm, note the long ones sit below");
        kept("undo");
        assertThat(session.say("stage close").asks()).isEmpty();
        kept("redo");
        assertThat(session.say("ledger").reads()).contains("1 joint");
        assertThat(session.say("next").asks()).hasSize(3);
    }

    @Test
    void aTicketIsGoneOnWithWhereItStood() {
        kept("begin lens, Brook 35 mm");
        kept("off ring, thread");
        session = session();
        assertThat(session.open("T-0404")).isFalse();
        assertThat(session.open("T-0101")).isTrue();
        assertThat(kept("turns 2").off()).containsExactly("ring");
        assertThat(log.numbers()).containsExactly("T-0101");
    }

    @Test
    void aModelOfTheShelfIsBegunByItsName() {
        assertThat(kept("begin Ostrel 52 mm f/2, haze").reads()).contains("Ostrel 52 mm f/2");
        kept("reach E1");
        assertThat(kept("stage open").next()).isNotBlank();
    }
}
