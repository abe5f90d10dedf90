package stillglass.book.say;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
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

    private void refused(String line, String... because) {
        SaySession.Answer a = session.say(line);
        assertThat(a.status()).as(line).isEqualTo(SaySession.Status.REFUSED);
        assertThat(a.why()).contains(because);
    }

    /// A leaf shutter nobody has a map of: what points one way is asked, a blade the wrong way round is caught before it is closed over, and what failed on arrival must work.
    @Test
    void aLeafShutterWithABladeTheWrongWayRound() {
        for (String line : new String[] {
            "begin leaf shutter, Corvane one, slow speeds stick", "check slow speeds: stuck below 1/10", "check B: 8 of 10", "build leaf shutter with front", "stage open", "as expected",
            "mark infinity of the focus ring at 12", "as expected", "as expected", "mark front cell entry at 7", "as expected", "turns 5 1/4, lets go 7", "off shutter cover ring, thread, front, spanner",
            "washer ledge down", "off blade cover, screws, front, screwdriver", "blade 1 long pin into the housing", "blade 2 long pin into the housing", "spring 0.4 x 3.2 x 9", "washer paper 0.2", "stage close"
        }) {
            kept(line);
        }
        assertThat(session.say("next").asks()).as("all of it is asked, and the answers are not given away").anyMatch(q -> q.contains("Blade 1 long pin")).noneMatch(q -> q.contains("housing"));
        kept("blade 1 long pin into the housing");
        kept("blade 2 long pin up");
        kept("spring 0.4 x 3.2 x 9");
        kept("washer paper 0.2");
        refused("done", "on record is blade 2 long pin into housing", "everything since comes off again");
        kept("blade 2 long pin into the housing");
        kept("done");
        kept("washer ledge down");
        kept("done");
        refused("done", "mark front cell entry");
        kept("mark front cell entry at 7");
        refused("done", "turns");
        kept("turns 5 1/4, lets go 7");
        refused("done", "Grease the front cell");
        kept("greased light damping grease");
        kept("done");
        SaySession.Answer a = session.say("next");
        for (int i = 0; i < 6 && !a.next().startsWith("Zero"); i++) {
            a = kept(a.asks().isEmpty() ? "done" : "marks meet");
        }
        kept("zeroed");
        assertThat(kept("ledger").open()).isZero();
        kept("stage prove");
        refused("sign M. Rook", "slow speeds");
        kept("check slow speeds: run at every setting");
        kept("check B: 9 of 10");
        refused("sign M. Rook", "B is 9 of 10");
        kept("check B: 10 of 10");
        refused("sign M. Rook", "B failed 2 of 10 times on arrival: 10 good tries in a row of 22");
        kept("check B: 12 of 12");
        kept("sign M. Rook");
    }

    /// What the first job found the second starts from: its joints need no describing any more.
    @Test
    void theSecondJobOnAModelIsQuicker() {
        String[] first = {"off grip, seat, around, fingers", "off name ring, thread, front, friction cup", "off front cell, thread, front, spanner", "off E1, retaining ring, front, spanner"};
        String[] second = {"off grip", "off name ring", "off front cell", "off E1"};
        kept("begin lens, Brook 35 mm f/2.8");
        for (String line : first) {
            kept(line);
        }
        kept("begin lens, Brook 35 mm f/2.8");
        kept("reach E1");
        kept("stage open");
        for (String line : second) {
            assertThat(session.say("next").next()).as("planned from what the first job found").contains(line.substring(4));
            kept(line);
        }
        assertThat(String.join("", second)).hasSizeLessThan(String.join("", first).length() / 2);
    }

    @ParameterizedTest
    @CsvSource({"prime, lens", "zoom lens, zoom", "folding camera, camera", "leaf shutter, shutter", "large format pair, pair", "reflex body, body", "digital body, body", "range finder, finder", "self-timer, part", "escapement, part"})
    void anySortOfInstrumentIsBegunByWhatItIsCalled(String called, String sort) {
        assertThat(kept("begin " + called + ", Brook one").reads()).endsWith(sort);
    }
}
