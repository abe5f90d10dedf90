package stillglass.app.desk;

import java.time.InstantSource;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.function.BooleanSupplier;
import stillglass.book.log.OpenTickets;
import stillglass.book.log.Tickets;
import stillglass.day.Shop;
import stillglass.look.Progress;
import stillglass.plan.Alternatives;
import stillglass.plan.WayIn;
import stillglass.ticket.BenchDay;
import stillglass.ticket.TicketState;
import stillglass.ticket.Wanted;
import stillglass.ticket.story.World;

/// Plans the work of all open tickets over the hours of the shop.
public final class BenchDays {
    private final Threads threads;
    private final Settings settings;
    private final InstantSource clock;
    private final OpenTickets tickets;
    /// Owned by the computing thread.
    private final Map<String, Known> ways = new HashMap<>();

    private record Known(WayIn.Request request, Alternatives.Sort sort, Set<String> lacking, Optional<WayIn.Plan> plan) {}

    /// @param said whether the shop has said its hours, or they are the usual ones
    public record Planned(BenchDay day, boolean said) {}

    BenchDays(Threads threads, Tickets tickets, Settings settings, InstantSource clock) {
        this.threads = threads;
        this.settings = settings;
        this.clock = clock;
        this.tickets = new OpenTickets(tickets);
    }

    private record Bench(OpenTickets.Read read, Set<String> lacking) {}

    /// The day from now on, as the book stands, with the tools there are.
    public CompletableFuture<Planned> plan() {
        return threads.onBook(() -> new Bench(tickets.read(), settings.lacking()))
                .thenCompose(b -> threads.compute(() -> new Planned(b.read.day(t -> withWay(t, b.lacking), clock.instant(), ZoneId.systemDefault()), b.read.said())));
    }

    /// With the rest of its way in, made anew only when what is asked for is new.
    private BenchDay.Read withWay(OpenTickets.Ticket t, Set<String> lacking) {
        Toolbox tools = Toolbox.of(lacking, t.world());
        World world = tools.fitted(t.world());
        TicketState state = t.story().state();
        WayIn.Request request = Wanted.way(state, world, Wanted.goals(state, world));
        Known known = ways.get(state.tag().number());
        if (known == null || !known.request.equals(request) || known.sort != state.course().way() || !known.lacking.equals(lacking)) {
            known = new Known(request, state.course().way(), lacking, Wanted.plan(request, state.course(), r -> tools.plan(r, Progress.SILENT)));
            ways.put(state.tag().number(), known);
        }
        return new BenchDay.Read(t.story(), world, known.plan);
    }

    /// Whether the shop has said its hours.
    public CompletableFuture<Boolean> said() {
        return threads.onBook(tickets::said);
    }

    /// A better plan of the same day, searched for.
    /// @param stopped asked again and again: the day is left as it is once it says so
    public CompletableFuture<BenchDay> search(BenchDay day, double seconds, BooleanSupplier stopped) {
        // Aside from the computing thread, on which tickets wait for their own results.
        return CompletableFuture.supplyAsync(() -> day.searched(seconds, stopped));
    }

    /// What the shop says from now on of its hours and things.
    public CompletableFuture<Void> keep(Shop shop) {
        return threads.onBook(() -> {
            tickets.keep(shop);
            return null;
        });
    }
}
