package stillglass.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.util.WaitForAsyncUtils;
import stillglass.assembly.Instrument;
import stillglass.book.BookTrouble;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Decision;

/// What the window says and shows when the logbook under it gives trouble.
class DeskTroubleTest {
    @TempDir
    Path folder;

    private final ExecutorService ui = Executors.newSingleThreadExecutor();
    private final List<String> complaints = Collections.synchronizedList(new ArrayList<>());
    private Desk desk;

    @BeforeEach
    void open() throws Exception {
        desk = new Desk(Logbook.open(folder.resolve("book.sqlite")), new Shelf(), InstantSource.fixed(Told.WHEN), ui);
        desk.complain(complaints::add);
        begin("T-1", "tarn_50_f35");
    }

    @AfterEach
    void close() {
        desk.close();
        ui.shutdown();
    }

    private void begin(String number, String section) throws Exception {
        get(desk.begin(Act.of(new ArrivalIntent.Begin(new Tag(number, "Tarn 50 mm f/3.5", section, Instrument.Sort.LENS, Optional.of(section), Optional.empty(), Optional.empty())))));
        settle();
    }

    private static <T> T get(CompletableFuture<T> f) throws Exception {
        return f.get(60, TimeUnit.SECONDS);
    }

    private void settle() throws Exception {
        Told.settled(desk, ui);
    }

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
