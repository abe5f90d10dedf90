package stillglass.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;
import stillglass.book.BookTrouble;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.story.Decision;

/// What the window says and shows when the logbook under it gives trouble.
class DeskTroubleTest extends DeskBench {
    @Test
    void aBookThatIsRemovedWhileItIsOpenIsSaidAndShowsNoAct() throws Exception {
        Files.delete(folder.resolve("book.sqlite"));
        assertThatThrownBy(() -> get(desk.submit(new ArrivalEvent.SymptomNoted("lost")))).hasRootCauseInstanceOf(BookTrouble.class);
        assertThat(desk.shown().orElseThrow().state().arrival().symptoms()).isEmpty();
        WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, () -> !complaints.isEmpty());
        assertThat(complaints).isNotEmpty().allSatisfy(c -> assertThat(c).contains("removed, moved or replaced").contains("rescued"));
    }

    @Test
    void aTicketThatIsGoneIsSaidAndTheOneThatIsOpenStays() throws Exception {
        assertThatThrownBy(() -> get(desk.open("T-404"))).hasMessageContaining("T-404").hasMessageContaining("no such ticket");
        WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, () -> !complaints.isEmpty());
        assertThat(complaints).singleElement().asString().contains("no such ticket in this logbook");
        assertThat(desk.shown().orElseThrow().state().tag().number()).isEqualTo("T-1");
    }

    @Test
    void aTicketWithARowThatMakesNoSenseSaysItAndTheNextOneWorks() throws Exception {
        begin("T-2", "tarn_50_f35");
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("book.sqlite")); Statement s = c.createStatement()) {
            s.execute("INSERT INTO happened (ticket, seq, act, author, bench, at, name, version, body) SELECT 'T-1', max(seq) + 1, max(act) + 1, '', '', '2026-11-24T12:00:00Z', 'finding-placed', 1,"
                    + " '{\"findingId\":\"p#1\",\"surface\":99}' FROM happened WHERE ticket = 'T-1'");
        }
        get(desk.open("T-1"));
        settle();
        assertThat(complaints).anyMatch(s -> s.contains("of ticket T-1 speaks of surface 100"));
        assertThat(get(desk.submit(new ArrivalEvent.SymptomNoted("x")))).isInstanceOf(Decision.Refused.class);
        get(desk.open("T-2"));
        assertThat(get(desk.submit(new ArrivalEvent.SymptomNoted("milky")))).isInstanceOf(Decision.Accepted.class);
    }
}
