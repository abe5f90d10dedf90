package stillglass.book.log;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import stillglass.day.Durations;
import stillglass.day.Shop;
import stillglass.look.Progress;
import stillglass.ticket.BenchDay;
import stillglass.ticket.Card;
import stillglass.ticket.Spent;
import stillglass.ticket.Story;
import stillglass.ticket.Wanted;
import stillglass.ticket.story.World;

/// Reads what a day is planned from: the hours of the shop, the tickets that are open, and what finished ones teach about how long things take. Keeps what it has read. On the book's thread.
public final class OpenTickets {
    private static final String SHOP = "shop";
    private static final int MOST_OPEN = 60;
    /// The last finished ones say most about how fast this bench is now.
    private static final int MOST_FINISHED = 60;

    private final Tickets tickets;
    private final Map<String, Known> known = new HashMap<>();
    private final Map<Finished, List<Durations.Done>> taught = new HashMap<>();

    /// A ticket and what was made of it, which holds while nothing has happened to it.
    private record Known(Tickets.Ticket ticket, Ticket read) {}

    private record Finished(String number, Instant changed) {}

    /// @param shop as the shop said, or as is usual
    /// @param said whether the shop has said it
    /// @param open tickets with work left, each with what is known of its model
    /// @param left how many more are open
    public record Read(Shop shop, boolean said, List<Ticket> open, int left, Durations durations) {
        public Read {
            open = List.copyOf(open);
        }

        /// The day planned from it. Computes for a while: not on the book's thread.
        /// @param withWay a ticket with the rest of its way in
        public BenchDay day(Function<Ticket, BenchDay.Read> withWay, Instant now, ZoneId zone) {
            return BenchDay.of(shop, open.stream().map(withWay).toList(), durations, now, zone);
        }
    }

    /// A ticket as it stands.
    public record Ticket(Story story, World world) {
        /// With the rest of its way in, as it was chosen, in a shop that has every tool.
        public BenchDay.Read withWay(Progress watch) {
            return new BenchDay.Read(story, world, Wanted.plan(story.state(), world, watch));
        }
    }

    public OpenTickets(Tickets tickets) {
        this.tickets = tickets;
    }

    public Read read() {
        List<Card> cards = tickets.log().list(0, MOST_OPEN + MOST_FINISHED).stream().map(Logbook.Listed::card).toList();
        List<Card> unsigned = cards.stream().filter(c -> !c.signed()).toList();
        List<Ticket> open = new ArrayList<>();
        for (Card c : unsigned.stream().limit(MOST_OPEN).toList()) {
            Optional<Known> before = Optional.ofNullable(known.get(c.number()));
            Tickets.Ticket t = before.map(k -> tickets.refreshed(k.ticket)).orElseGet(() -> tickets.open(c.number()));
            Ticket read = before.filter(k -> k.ticket == t).map(Known::read).orElseGet(() -> new Ticket(t.story(), tickets.world(t)));
            known.put(c.number(), new Known(t, read));
            open.add(read);
        }
        List<Durations.Done> jobs = new ArrayList<>();
        for (Card c : cards.stream().filter(Card::signed).limit(MOST_FINISHED).toList()) {
            known.remove(c.number());
            jobs.addAll(taught.computeIfAbsent(new Finished(c.number(), c.changed()), f -> {
                Tickets.Ticket t = tickets.open(f.number);
                return Spent.taught(t.story(), tickets.world(t).instrument());
            }));
        }
        Optional<Shop> said = shop();
        return new Read(said.orElse(Shop.USUAL), said.isPresent(), open, unsigned.size() - open.size(), new Durations(jobs));
    }

    /// Whether the shop has said its hours.
    public boolean said() {
        return shop().isPresent();
    }

    /// What the shop has said; nothing where it has not, or what is written there is nothing of a shop.
    private Optional<Shop> shop() {
        return tickets.log().setting(SHOP).flatMap(text -> {
            try {
                return Optional.of(Shop.parse(text));
            } catch (IllegalArgumentException edited) {
                return Optional.empty();
            }
        });
    }

    /// What the shop says from now on.
    public void keep(Shop shop) {
        tickets.log().remember(SHOP, shop.text());
    }
}
