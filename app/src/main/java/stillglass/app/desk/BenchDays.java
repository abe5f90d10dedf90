package stillglass.app.desk;

import java.time.InstantSource;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import stillglass.book.log.OpenTickets;
import stillglass.book.log.Tickets;
import stillglass.day.Shop;
import stillglass.look.Progress;
import stillglass.plan.Alternatives;
import stillglass.plan.WayIn;
import stillglass.ticket.BenchDay;
import stillglass.ticket.Wanted;
import stillglass.ticket.story.World;

/// Plans the work of all open tickets over the hours of the shop.
public final class BenchDays {
    private final Threads threads;
    private final InstantSource clock;
    private final OpenTickets tickets;
    /// Owned by the computing thread.
    private final Map<String, Known> ways = new HashMap<>();

    private record Known(WayIn.Request request, Alternatives.Sort way, Optional<WayIn.Plan> plan) {}

    /// @param said whether the shop has said its hours, or they are the usual ones
    public record Planned(BenchDay day, boolean said) {}

    BenchDays(Threads threads, Tickets tickets, InstantSource clock) {
        this.threads = threads;
        this.clock = clock;
        this.tickets = new OpenTickets(tickets);
    }

    /// The day from now on, as the book stands.
    public CompletableFuture<Planned> plan() {
        return threads.onBook(tickets::read).thenCompose(read -> threads.compute(() -> new Planned(read.day(this::way, clock.instant(), ZoneId.systemDefault()), read.said())));
    }

    /// The rest of a ticket's way in, made anew only when what is asked for is new.
    private Optional<WayIn.Plan> way(OpenTickets.Ticket t) {
        World world = t.world();
        WayIn.Request request = Wanted.way(t.story().state(), world, Wanted.goals(t.story().state(), world));
        Alternatives.Sort sort = t.story().state().course().way();
        String number = t.story().state().tag().number();
        Known known = ways.get(number);
        if (known == null || !known.request.equals(request) || known.way != sort) {
            known = new Known(request, sort, t.way(Progress.SILENT));
            ways.put(number, known);
        }
        return known.plan;
    }

    /// A better plan of the same day, searched for.
    public CompletableFuture<BenchDay> search(BenchDay day, double seconds) {
        // Aside from the computing thread, on which tickets wait for their own results.
        return CompletableFuture.supplyAsync(() -> day.searched(seconds));
    }

    /// What the shop says from now on of its hours and things.
    public CompletableFuture<Void> keep(Shop shop) {
        return threads.onBook(() -> {
            tickets.keep(shop);
            return null;
        });
    }
}
