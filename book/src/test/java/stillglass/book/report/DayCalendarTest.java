package stillglass.book.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import stillglass.assembly.Instrument;
import stillglass.book.BadInput;
import stillglass.book.data.Shelf;
import stillglass.book.log.Logbook;
import stillglass.book.log.OpenTickets;
import stillglass.book.log.Tickets;
import stillglass.look.Progress;
import stillglass.say.Said;
import stillglass.ticket.BenchDay;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.care.CareEvent;
import stillglass.ticket.story.Act;

class DayCalendarTest {
    private static final Instant NOW = Instant.parse("2026-11-24T08:00:00Z");

    @TempDir
    Path folder;

    /// Lines of a calendar as RFC 5545 has them: ended by CR LF, none longer than 75 bytes, those that go on begun with a space.
    private static List<String> unfolded(String calendar) {
        List<String> lines = new ArrayList<>();
        for (String line : calendar.split("\r\n", -1)) {
            assertThat(line).doesNotContain("\n").doesNotContain("\r");
            assertThat(line.getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(75 + 1);
            if (line.startsWith(" ")) {
                lines.add(lines.removeLast() + line.substring(1));
            } else {
                lines.add(line);
            }
        }
        return lines;
    }

    @Test
    void tasksAndClocksStandInItAtTheirTimesAndNoOwnerDoes() {
        try (Logbook log = Logbook.open(folder.resolve("day.sqlite"))) {
            Tickets tickets = new Tickets(log, new Shelf(), () -> NOW, "", "bench");
            String title = "Brook, the one; with a \\ in its name and a title so long that no line of a calendar can hold all of it";
            tickets.begin(Act.of(new ArrivalIntent.Begin(new Tag("T-1", title, "own-brook", Instrument.Sort.LENS, Optional.empty(), Optional.of("Mrs Reed"), Optional.of(LocalDate.of(2026, 12, 1))))));
            tickets.act(tickets.open("T-1"), Act.of(new CareEvent.TimerSet("own-glue", Said.text("the glue"), NOW.plusSeconds(90 * 60))), List.of());
            BenchDay day = new OpenTickets(tickets).read().day(t -> t.withWay(Progress.SILENT), NOW, ZoneId.of("Europe/Berlin"));
            List<String> lines = unfolded(DayCalendar.text(day, log.clocks()));
            // Nine in Berlin; the glue has set at half past ten, and a look takes its twenty minutes from then on.
            int look = lines.indexOf("UID:T-1-look@still-glass");
            assertThat(lines.subList(look, lines.subList(look, lines.size()).indexOf("END:VEVENT") + look)).contains("DTSTART:20261124T093000Z", "DTEND:20261124T095000Z", "SUMMARY:T-1 look: Brook\\, the one\\; with a \\\\ in its name and a title so long that no line of a calendar can hold all of it");
            int clock = lines.indexOf("UID:T-1-own-glue@still-glass");
            assertThat(lines.subList(clock, lines.size())).contains("SUMMARY:T-1: the glue", "DTSTART:20261124T093000Z", "BEGIN:VALARM", "ACTION:DISPLAY");
            assertThat(String.join("", lines)).doesNotContain("Reed");
            assertThat(lines.stream().filter("BEGIN:VEVENT"::equals).count()).as("six chores and a clock").isEqualTo(7);
            assertThatThrownBy(() -> DayCalendar.write(day, List.of(), folder.resolve("no/such/day.ics"))).isInstanceOf(BadInput.class).hasMessageContaining("day.ics");
        }
    }
}
