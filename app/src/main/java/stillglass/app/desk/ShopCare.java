package stillglass.app.desk;

import java.util.List;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import stillglass.book.log.Tickets;
import stillglass.care.CareTables;
import stillglass.care.Goods;

/// What holds for the whole shop when something is cleaned or greased: what it owns and lacks, in which order agents are tried, which habits need not be told again.
public final class ShopCare {
    private final Threads threads;
    private final Tickets tickets;
    private final CareTables shipped;
    private final Runnable changed;

    /// @param changed shows the open ticket by what holds now
    ShopCare(Threads threads, Tickets tickets, CareTables shipped, Runnable changed) {
        this.threads = threads;
        this.tickets = tickets;
        this.shipped = shipped;
        this.changed = changed;
    }

    /// @param went the goods there are, and how much of each went
    /// @param lacking agents there are none of
    /// @param known habits that are not told any more, by id
    public record State(List<Goods.Went> went, List<CareTables.Agent> lacking, Set<String> known) {
        public State {
            went = List.copyOf(went);
            lacking = List.copyOf(lacking);
            known = Set.copyOf(known);
        }
    }

    public CompletableFuture<State> state() {
        return threads.onBook(() -> {
            CareTables now = tickets.care();
            return new State(tickets.went(), shipped.agents().stream().filter(a -> now.lacking().contains(a.id())).toList(), now.knacks().known());
        });
    }

    /// What the shop owns from now on.
    public CompletableFuture<Void> keep(Goods goods) {
        return change(() -> tickets.keep(goods));
    }

    /// Whether there is any of an agent.
    public CompletableFuture<Void> has(String agent, boolean there) {
        return change(() -> tickets.has(agent, there));
    }

    /// Whether a habit of the hand need not be told again.
    public CompletableFuture<Void> knows(String knack, boolean known) {
        return change(() -> tickets.knows(knack, known));
    }

    /// Every habit of the hand is told again.
    public CompletableFuture<Void> tellAgain() {
        return change(tickets::forgetKnacks);
    }

    /// In which order agents are tried from now on.
    public CompletableFuture<Void> follow(CareTables.School school) {
        return change(() -> tickets.follow(school));
    }

    private CompletableFuture<Void> change(Runnable what) {
        return threads.onBook(() -> {
            what.run();
            changed.run();
            return null;
        });
    }
}
