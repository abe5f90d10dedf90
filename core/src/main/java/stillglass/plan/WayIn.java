package stillglass.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.TreeSet;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;

/// The cheapest set of joints that reaches a goal, and the best order to open them.
///
/// For each combination of doors the closure under "after" is fixed, so its time and risk are; what the order decides is
/// tool changes and turn-overs. The order is found by A* over (open joints, tool, side), with two facts that keep it
/// small: a step that needs no change is taken at once (moving it forward never adds a change), and every tool and
/// side still wanted costs at least one change. Exact unless the limit of nodes is met, and then the gap is stated.
public final class WayIn {
    private static final int MOST_NODES = 400_000;

    private WayIn() {}

    /// Steps in order, with their cost and what was lost and needed on the way.
    /// @param steps marks, catches and joints in order
    /// @param minutes attended time, changes included
    /// @param risk chance that something is damaged, joints taken as independent
    /// @param toolChanges taking up of another tool, the first included
    /// @param turnOvers turns to another side
    /// @param bound no plan can cost less than this, minutes with risk
    /// @param cost cost of this plan on the same scale; equal to the bound when proven best
    public record Plan(
            List<Step> steps,
            double minutes,
            double risk,
            int toolChanges,
            int turnOvers,
            double bound,
            double cost) {
        public Plan {
            steps = List.copyOf(steps);
        }

        public List<Joint> joints() {
            return steps.stream()
                    .filter(Step.Open.class::isInstance)
                    .map(s -> ((Step.Open) s).joint())
                    .toList();
        }

        public boolean provenBest() {
            return cost - bound < 1e-9;
        }
    }

    /// Plans from the state the instrument is in.
    /// @param open joints already open
    /// @param marked references already kept
    /// @return empty when a goal has no door
    public static Optional<Plan> plan(
            Instrument instrument, List<Goal> goals, Set<String> open, Set<String> marked, PlanCost weights) {
        Map<String, Joint> byId = new LinkedHashMap<>();
        instrument.joints().forEach(j -> byId.put(j.id(), j));
        List<Set<String>> needs = List.of(Set.of());
        for (Goal goal : goals) {
            List<Joint> doors = goal.doors(instrument);
            if (doors.isEmpty()) {
                return Optional.empty();
            }
            List<Set<String>> widened = new ArrayList<>();
            for (Set<String> need : needs) {
                for (Joint door : doors) {
                    Set<String> all = new TreeSet<>(need);
                    close(door, byId, open, all);
                    widened.add(all);
                }
            }
            needs = widened.stream().distinct().limit(64).toList();
        }
        return needs.stream()
                .map(need -> order(need.stream().map(byId::get).toList(), open, marked, instrument, weights))
                .min(Comparator.comparingDouble(Plan::cost));
    }

    private static void close(Joint joint, Map<String, Joint> byId, Set<String> open, Set<String> into) {
        if (open.contains(joint.id()) || !into.add(joint.id())) {
            return;
        }
        for (String before : joint.after()) {
            Joint other = byId.get(before);
            if (other != null) {
                close(other, byId, open, into);
            }
        }
    }

    private record State(Set<String> done, String tool, Side side) {}

    private record Node(State state, List<Joint> order, double cost, double estimate) {}

    private static Plan order(
            List<Joint> joints, Set<String> open, Set<String> marked, Instrument instrument, PlanCost weights) {
        double fixed = joints.stream()
                .mapToDouble(j -> j.minutes() + weights.perRisk() * j.risk())
                .sum();
        Map<State, Double> best = new HashMap<>();
        PriorityQueue<Node> queue = new PriorityQueue<>(Comparator.comparingDouble(Node::estimate)
                .thenComparing(n -> -n.order.size()));
        State start = new State(Set.copyOf(open), "", Side.FRONT);
        queue.add(new Node(start, List.of(), 0, remaining(joints, start, weights)));
        int nodes = 0;
        double bound = 0;
        while (true) {
            Node node = queue.remove();
            if (++nodes <= MOST_NODES) {
                bound = Math.max(bound, node.estimate);
            }
            if (node.order.size() == joints.size()) {
                return finish(node.order, marked, instrument, weights, fixed + bound, fixed + node.cost);
            }
            if (nodes > MOST_NODES) {
                // Depth first from the most promising node: feasible, and its distance from the bound is stated.
                queue.clear();
            }
            for (Node next : expand(node, joints, weights)) {
                Double known = best.get(next.state);
                if (known == null || known > next.cost + 1e-12) {
                    best.put(next.state, next.cost);
                    queue.add(next);
                }
            }
        }
    }

    private static List<Node> expand(Node node, List<Joint> joints, PlanCost weights) {
        Map<String, Joint> firstOfKind = new LinkedHashMap<>();
        for (Joint j : joints) {
            if (!node.state.done.contains(j.id()) && node.state.done.containsAll(j.after())) {
                firstOfKind.putIfAbsent(j.tool() + "|" + j.side(), j);
            }
        }
        List<Node> out = new ArrayList<>();
        for (Joint j : firstOfKind.values()) {
            Set<String> done = new LinkedHashSet<>(node.state.done);
            List<Joint> order = new ArrayList<>(node.order);
            done.add(j.id());
            order.add(j);
            takeFree(joints, done, order, j.tool(), sideAfter(node.state.side, j));
            State state = new State(Set.copyOf(done), j.tool(), sideAfter(node.state.side, j));
            double cost = node.cost + change(node.state, j, weights);
            out.add(new Node(state, order, cost, cost + remaining(joints, state, weights)));
        }
        return out;
    }

    private static void takeFree(List<Joint> joints, Set<String> done, List<Joint> order, String tool, Side side) {
        boolean took = true;
        while (took) {
            took = false;
            for (Joint j : joints) {
                boolean sameHand = j.tool().equals(tool) && (j.side() == side || j.side() == Side.AROUND);
                if (sameHand && !done.contains(j.id()) && done.containsAll(j.after())) {
                    done.add(j.id());
                    order.add(j);
                    took = true;
                }
            }
        }
    }

    /// Work around the barrel does not turn the instrument over.
    private static Side sideAfter(Side now, Joint j) {
        return j.side() == Side.AROUND ? now : j.side();
    }

    private static double change(State from, Joint j, PlanCost weights) {
        return (j.tool().equals(from.tool) ? 0 : weights.toolChange())
                + (sideAfter(from.side, j) == from.side ? 0 : weights.turnOver());
    }

    private static double remaining(List<Joint> joints, State state, PlanCost weights) {
        Set<String> tools = new LinkedHashSet<>();
        boolean otherSide = false;
        for (Joint j : joints) {
            if (!state.done.contains(j.id())) {
                tools.add(j.tool());
                otherSide |= sideAfter(state.side, j) != state.side;
            }
        }
        tools.remove(state.tool);
        return tools.size() * weights.toolChange() + (otherSide ? weights.turnOver() : 0);
    }

    private static Plan finish(
            List<Joint> order, Set<String> marked, Instrument instrument, PlanCost weights, double bound, double cost) {
        List<Step> steps = new ArrayList<>();
        Set<String> kept = new LinkedHashSet<>(marked);
        String tool = "";
        Side side = Side.FRONT;
        int tools = 0;
        int turns = 0;
        double safe = 1;
        double minutes = 0;
        for (Joint j : order) {
            for (String lost : j.loses().stream().sorted().toList()) {
                if (kept.add(lost)) {
                    instrument.reference(lost).ifPresent(r -> steps.add(new Step.Mark(r, j)));
                }
            }
            if (!j.hazards().isEmpty()) {
                steps.add(new Step.Catch(j.hazards().stream().sorted().toList(), j));
            }
            boolean newTool = !j.tool().equals(tool);
            boolean turnOver = sideAfter(side, j) != side;
            steps.add(new Step.Open(j, newTool, turnOver));
            tools += newTool ? 1 : 0;
            turns += turnOver ? 1 : 0;
            tool = j.tool();
            side = sideAfter(side, j);
            safe *= 1 - j.risk();
            minutes += j.minutes();
        }
        minutes += tools * weights.toolChange() + turns * weights.turnOver();
        return new Plan(steps, minutes, 1 - safe, tools, turns, Math.min(bound, cost), cost);
    }
}
