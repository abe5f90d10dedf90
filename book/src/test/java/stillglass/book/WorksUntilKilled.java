package stillglass.book;

import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import stillglass.assembly.Instrument;
import stillglass.book.data.Shelf;
import stillglass.ticket.Decision;
import stillglass.ticket.Intent;
import stillglass.ticket.Recorded;
import stillglass.ticket.TicketEvent;
import stillglass.ticket.TicketState;

/// A child process that goes on deciding, storing and then showing intents until it is killed.
final class WorksUntilKilled {
    static final String TICKET = "T-1";
    static final int EVENTS_EACH = 3;

    private WorksUntilKilled() {}

    public static void main(String[] args) {
        Shelf shelf = new Shelf();
        Instrument instrument = shelf.instrument("ostrel_52_f2");
        Decision.World world = new Decision.World(instrument, shelf.section("fell_52_f2"), shelf.care());
        Logbook log = Logbook.open(Path.of(args[0]));
        List<Recorded> story = new ArrayList<>(log.story(TICKET));
        if (story.isEmpty()) {
            story.addAll(log.append(TICKET, 1, Instant.EPOCH, List.of(new TicketEvent.Opened(TICKET, "", "ostrel_52_f2", "fell_52_f2", "", LocalDate.EPOCH)), List.of()));
        }
        while (true) {
            TicketState state = TicketState.of(story.subList(Math.max(0, story.size() - 60), story.size()));
            long number = story.getLast().intent() + 1;
            Intent intent = new Intent.Keep(List.of(new TicketEvent.SymptomNoted("a" + number), new TicketEvent.UseNoted("b" + number), new TicketEvent.LineKept("c" + number)));
            if (Decision.decide(state, intent, world) instanceof Decision.Accepted a) {
                story.addAll(log.append(TICKET, number, Instant.EPOCH, a.events(), List.of(new Logbook.PhotoBytes("p" + number, "p.png", new byte[2000]))));
                System.out.println(number);
                System.out.flush();
            }
        }
    }
}
