package stillglass.book.log;

import java.nio.file.Path;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import stillglass.assembly.Instrument;
import stillglass.book.data.Shelf;
import stillglass.device.Source;
import stillglass.ticket.arrival.ArrivalEvent;
import stillglass.ticket.arrival.ArrivalIntent;
import stillglass.ticket.arrival.Tag;
import stillglass.ticket.glass.GlassEvent;
import stillglass.ticket.story.Act;
import stillglass.ticket.story.Phase;

/// A child process that goes on deciding, storing and then showing acts until it is killed.
final class WorksUntilKilled {
    static final String TICKET = "T-1";
    static final int EVENTS_EACH = 3;

    private WorksUntilKilled() {}

    /// @param args logbook, and the name of this bench
    public static void main(String[] args) {
        Logbook log = Logbook.open(Path.of(args[0]));
        Tickets tickets = new Tickets(log, new Shelf(), InstantSource.system(), "", args[1]);
        Tickets.Ticket ticket = tickets.open(TICKET);
        if (!ticket.state().tag().begun()) {
            tickets.begin(Act.of(new ArrivalIntent.Begin(new Tag(TICKET, "Brook", "own-brook", Instrument.Sort.LENS, Optional.empty(), Optional.empty(), Optional.empty()))));
            ticket = tickets.open(TICKET);
        }
        while (true) {
            String photo = args[1] + "-" + ticket.state().history().version();
            Act act = Act.of(new ArrivalEvent.SymptomNoted("a " + photo), new ArrivalEvent.UseNoted("b " + photo), new GlassEvent.PhotoKept(photo, Phase.BEFORE, false, "c", Source.FILE));
            Tickets.Outcome outcome = tickets.act(ticket, act, List.of(new Logbook.PhotoBytes(photo, "p.png", new byte[2000])));
            ticket = outcome.ticket();
            if (outcome.accepted()) {
                System.out.println(photo);
                System.out.flush();
            }
        }
    }
}
