package stillglass.plan;

import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Set;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;

/// The cheapest way in by trying every order of every set of joints: Dijkstra over single steps, with no knowledge of sets or batches.
final class AllWays {
    private AllWays() {}

    private record State(Set<String> open, String tool, Side side) {}

    private record Reached(State state, double cost) {}

    static double cheapest(Instrument instrument, List<Goal> goals, Set<String> marked, PlanCost weights) {
        return cheapest(instrument, goals, marked, "", Side.FRONT, weights);
    }

    /// @param tool in hand before the first step
    /// @param up side that is up
    static double cheapest(Instrument instrument, List<Goal> goals, Set<String> marked, String tool, Side up, PlanCost weights) {
        PriorityQueue<Reached> queue = new PriorityQueue<>(Comparator.comparingDouble(Reached::cost));
        Map<State, Double> least = new HashMap<>();
        queue.add(new Reached(new State(Set.of(), tool, up), 0));
        while (!queue.isEmpty()) {
            Reached r = queue.remove();
            if (goals.stream().allMatch(g -> g.doors(instrument).stream().anyMatch(d -> r.state.open.contains(d.id())))) {
                return r.cost;
            }
            for (Joint j : instrument.joints()) {
                if (!r.state.open.contains(j.id()) && j.behind().open(r.state.open)) {
                    Reached next = step(instrument, r, j, marked, weights);
                    if (next.cost < least.getOrDefault(next.state, Double.MAX_VALUE)) {
                        least.put(next.state, next.cost);
                        queue.add(next);
                    }
                }
            }
        }
        return Double.NaN;
    }

    private static Reached step(Instrument instrument, Reached from, Joint j, Set<String> marked, PlanCost weights) {
        Side side = j.side() == Side.AROUND ? from.state.side : j.side();
        Set<String> lost = new HashSet<>(j.loses());
        lost.removeAll(marked);
        instrument.joints().stream().filter(o -> from.state.open.contains(o.id())).forEach(o -> lost.removeAll(o.loses()));
        double cost = from.cost + j.minutes() + weights.perRisk() * j.risk() + weights.perReference() * lost.size()
                + (j.tool().equals(from.state.tool) ? 0 : weights.toolChange()) + (side == from.state.side ? 0 : weights.turnOver());
        Set<String> open = new HashSet<>(from.state.open);
        open.add(j.id());
        return new Reached(new State(open, j.tool(), side), cost);
    }
}
