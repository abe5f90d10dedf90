package stillglass.book.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.assembly.Instrument;
import stillglass.assembly.Side;
import stillglass.book.data.Shelf;
import stillglass.day.Chore;
import stillglass.day.Durations;
import stillglass.day.Shop;
import stillglass.look.Progress;
import stillglass.ticket.BenchDay;
import stillglass.ticket.agenda.AgendaEvent;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.proof.ProofIntent;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Decision;
import stillglass.ticket.story.Intent;

/// A shop with work that is open and work that is done, its clock set by hand.
class OpenTicketsTest {
    private static final Instant NOON = Instant.parse("2026-11-24T12:00:00Z");

    @TempDir
    Path folder;

    private Instant now = NOON;
    private Logbook log;
    private Tickets tickets;

    @BeforeEach
    void open() {
        log = Logbook.open(folder.resolve("day.sqlite"));
        tickets = new Tickets(log, new Shelf(), () -> now, "", "bench");
    }

    @AfterEach
    void close() {
        log.close();
    }

    private void begin(String number, Optional<LocalDate> due) {
        assertThat(tickets.begin(Act.of(new ArrivalIntent.Begin(new Tag(number, "Brook " + number, "own-brook", Instrument.Sort.LENS, Optional.empty(), Optional.of("Mrs Reed"), due)))).accepted()).isTrue();
    }

    private void act(String number, Intent... intents) {
        assertThat(tickets.act(tickets.open(number), Act.of(intents), List.of()).decision()).isInstanceOf(Decision.Accepted.class);
    }

    private BenchDay day(OpenTickets.Read read) {
        return read.day(t -> t.withWay(Progress.SILENT), now, ZoneOffset.UTC);
    }

    private static JointIntent off(String name) {
        return new JointIntent.Find(name, Optional.empty(), Side.FRONT, Optional.empty(), List.of(name), true);
    }

    @Test
    void openTicketsArePlannedAndSignedOnesTeach() {
        begin("T-1", Optional.of(LocalDate.of(2026, 12, 1)));
        begin("T-2", Optional.empty());
        OpenTickets open = new OpenTickets(tickets);
        assertThat(day(open.read()).tickets()).extracting(BenchDay.Open::number).containsExactly("T-1", "T-2");
        assertThat(open.read().durations().of(Chore.OPEN, Optional.empty()).source()).isEqualTo(Durations.Source.USUAL);

        // Half an hour of opening, told at three moments; an hour lies between it and the signature.
        act("T-1", off("name ring"));
        now = now.plus(Duration.ofMinutes(14));
        act("T-1", off("front cell"));
        now = now.plus(Duration.ofMinutes(16));
        act("T-1", off("rear cell"));
        now = now.plus(Duration.ofHours(1));
        act("T-1", new ProofIntent.Sign("M. Rook", now, Optional.of("it stays in parts")));
        OpenTickets.Read read = open.read();
        assertThat(day(read).tickets()).extracting(BenchDay.Open::number).containsExactly("T-2");
        Durations.Estimate learned = read.durations().of(Chore.OPEN, Optional.empty());
        assertThat(learned.source()).isEqualTo(Durations.Source.BENCH);
        assertThat(learned.middle()).as("half way between what is usual and half an hour").isCloseTo(Math.sqrt(Chore.OPEN.usualMinutes() * 30), within(0.01));
        assertThat(new OpenTickets(tickets).read().durations().of(Chore.OPEN, Optional.empty())).as("the same in a new program").isEqualTo(learned);
    }

    @Test
    void whatHappensLaterIsSeen() {
        begin("T-1", Optional.empty());
        OpenTickets open = new OpenTickets(tickets);
        assertThat(day(open.read()).unfixed()).isEmpty();
        act("T-1", new AgendaEvent.TaskFixed("look", NOON.plus(Duration.ofHours(3))));
        assertThat(day(open.read()).first()).hasValueSatisfying(s -> assertThat(s.start()).isEqualTo(180));
    }

    @Test
    void theShopIsKeptAndWhatSomebodyWroteOverItIsNotTakenForOne() {
        OpenTickets open = new OpenTickets(tickets);
        assertThat(open.read().said()).isFalse();
        open.keep(Shop.parse("hands 2\nmonday 8-12"));
        assertThat(open.read().said()).isTrue();
        assertThat(new OpenTickets(tickets).read().shop().hands()).isEqualTo(2);
        log.remember("shop", "kettle 7");
        assertThat(open.read()).satisfies(r -> assertThat(r.said()).isFalse()).extracting(OpenTickets.Read::shop).isEqualTo(Shop.USUAL);
    }
}
