package stillglass.book.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.assembly.Instrument;
import stillglass.assembly.Side;
import stillglass.book.data.Shelf;
import stillglass.care.CareOutcomes;
import stillglass.care.CareTables;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.joints.JointIntent;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Intent;
import stillglass.ticket.story.Redo;
import stillglass.ticket.story.Undo;

/// What became of passes on this bench moves the chances of the next ticket, whatever instrument it is.
class CleaningLearnedTest {
    private static final InstantSource CLOCK = InstantSource.fixed(Instant.parse("2026-11-28T09:00:00Z"));

    @TempDir
    Path folder;

    private static Tickets tickets(Logbook log) {
        return new Tickets(log, new Shelf(), CLOCK, "", "bench");
    }

    private static void begin(Tickets tickets, String number) {
        tickets.begin(Act.of(new ArrivalIntent.Begin(new Tag(number, "Brook", "own-brook", Instrument.Sort.LENS, Optional.empty(), Optional.empty(), Optional.empty()))));
    }

    private static void act(Tickets tickets, String number, Intent... intents) {
        assertThat(tickets.act(tickets.open(number), Act.of(intents), List.of()).accepted()).isTrue();
    }

    private static CareEvent.PartCleaned pass(boolean gone) {
        return new CareEvent.PartCleaned("front_ring", "oil", "naphtha", gone);
    }

    private static CareTables care(Tickets tickets, String number) {
        return tickets.world(tickets.open(number)).care();
    }

    private static CareOutcomes.Count counted(Tickets tickets, String number) {
        return care(tickets, number).outcomes().of("oil", "naphtha");
    }

    @Test
    void passesOfOneTicketCountForTheNextAndWhatWasTakenBackDoesNot() {
        try (Logbook log = Logbook.open(folder.resolve("care.sqlite"))) {
            Tickets tickets = tickets(log);
            begin(tickets, "T-1");
            act(tickets, "T-1", new JointIntent.Find("front ring", Optional.empty(), Side.FRONT, Optional.empty(), List.of("front ring"), true));
            begin(tickets, "T-2");
            assertThat(counted(tickets, "T-2").passes()).isZero();
            act(tickets, "T-1", pass(false));
            act(tickets, "T-1", pass(false));
            act(tickets, "T-1", pass(true));
            assertThat(counted(tickets, "T-2")).isEqualTo(new CareOutcomes.Count(1, 3));
            act(tickets, "T-1", new Undo());
            assertThat(counted(tickets, "T-2")).isEqualTo(new CareOutcomes.Count(0, 2));
            act(tickets, "T-1", new Redo());
            assertThat(counted(tickets, "T-2")).isEqualTo(new CareOutcomes.Count(1, 3));
            CareTables.Soil oil = care(tickets, "T-2").soil("oil").orElseThrow();
            double table = oil.removedBy().get("naphtha");
            assertThat(care(tickets, "T-2").removes(oil, care(tickets, "T-2").agent("naphtha").orElseThrow())).isEqualTo((CareOutcomes.PRIOR * table + 1) / (CareOutcomes.PRIOR + 3));
        }
        // The same from another program, later.
        try (Logbook log = Logbook.open(folder.resolve("care.sqlite"))) {
            assertThat(counted(tickets(log), "T-2")).isEqualTo(new CareOutcomes.Count(1, 3));
        }
    }

    @Test
    void theSchoolOfTheShopIsRemembered() {
        try (Logbook log = Logbook.open(folder.resolve("school.sqlite"))) {
            Tickets tickets = tickets(log);
            begin(tickets, "T-1");
            assertThat(care(tickets, "T-1").school()).isEqualTo(CareTables.School.LEAST_EFFORT);
            tickets.follow(CareTables.School.GENTLEST_FIRST);
            assertThat(care(tickets, "T-1").school()).isEqualTo(CareTables.School.GENTLEST_FIRST);
        }
        try (Logbook log = Logbook.open(folder.resolve("school.sqlite"))) {
            assertThat(care(tickets(log), "T-1").school()).isEqualTo(CareTables.School.GENTLEST_FIRST);
            log.remember("care school", "whatever");
            assertThat(care(tickets(log), "T-1").school()).as("words nobody knows are the usual").isEqualTo(CareTables.School.LEAST_EFFORT);
        }
    }
}
