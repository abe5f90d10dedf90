package stillglass.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;
import stillglass.look.Progress;

/// The cheapest set of joints that reaches some goals, and the best order to open them.
///
/// Which joints: [DoorChoice], where a goal has several doors or a joint several ways to it. In which order: [OpeningOrder], for the set
/// fixes time, risk and references lost, and the order decides tool changes and turn-overs. Both are exact unless their limits are
/// met, and then the gap is stated.
public final class WayIn {
    private WayIn() {}

    /// What is asked for.
    /// @param open joints already open
    /// @param marked references already kept
    /// @param forbidden joints that are not to be used: broken, or left alone on purpose
    public record Request(
            Instrument instrument, List<Goal> goals, Set<String> open, Set<String> marked, Set<String> forbidden, PlanCost weights) {
        public Request {
            goals = List.copyOf(goals);
            open = Set.copyOf(open);
            marked = Set.copyOf(marked);
            forbidden = Set.copyOf(forbidden);
        }

        /// From a closed instrument, with the usual weights.
        public static Request of(Instrument instrument, List<Goal> goals) {
            return new Request(instrument, goals, Set.of(), Set.of(), Set.of(), PlanCost.USUAL);
        }

        public Request without(Set<String> joints) {
            Set<String> all = new TreeSet<>(forbidden);
            all.addAll(joints);
            return new Request(instrument, goals, open, marked, all, weights);
        }
    }

    /// Steps in order, with their cost and what was lost and needed on the way.
    /// @param steps marks, protections, catches and joints in order
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

        /// References that have to be marked.
        public List<Instrument.Reference> marks() {
            return steps.stream().filter(Step.Mark.class::isInstance).map(s -> ((Step.Mark) s).reference()).toList();
        }

        /// Tools in the order they are first taken up.
        public List<String> tools() {
            return joints().stream().map(Joint::tool).distinct().toList();
        }
    }

    /// The same from the state the instrument is in, nobody listening.
    public static Optional<Plan> plan(Instrument instrument, List<Goal> goals, Set<String> open, Set<String> marked, PlanCost weights) {
        return plan(new Request(instrument, goals, open, marked, Set.of(), weights), Progress.SILENT);
    }

    /// @return empty when a goal has no door that may be used
    /// @throws java.util.concurrent.CancellationException when `progress` asks to stop
    public static Optional<Plan> plan(Request request, Progress progress) {
        Map<String, Joint> byId = new LinkedHashMap<>();
        request.instrument().joints().forEach(j -> byId.put(j.id(), j));
        Map<List<Joint>, OpeningOrder.Result> orders = new HashMap<>();
        DoorChoice choice = new DoorChoice(byId, request.open(), request.forbidden(), joints -> fixed(joints, request) + tools(joints) * request.weights().toolChange(),
                joints -> fixed(joints, request) + orders.computeIfAbsent(joints,
                        set -> OpeningOrder.best(set, request.open(), request.weights(), progress)).cost());
        List<Set<String>> doors = request.goals().stream()
                .map(g -> g.doors(request.instrument()).stream().map(Joint::id).collect(Collectors.toCollection(TreeSet::new)))
                .map(s -> (Set<String>) s).toList();
        return choice.cheapest(doors).map(joints -> {
            OpeningOrder.Result order = orders.get(joints);
            if (order == null) {
                throw new IllegalStateException("the cheapest set was never put in order");
            }
            // Another set whose order was not proven may still be the cheaper one: the least bound of all counts.
            double bound = orders.entrySet().stream().mapToDouble(e -> fixed(e.getKey(), request) + e.getValue().bound()).min().orElse(0);
            return finish(order.order(), request, Math.min(choice.bound(), bound), fixed(joints, request) + order.cost());
        });
    }

    /// The same joints in another order, which the technician prefers.
    /// @param best the plan they come from
    /// @return empty when the order is not one of all its joints or something in it waits for what comes later
    public static Optional<Plan> inOrder(Request request, Plan best, List<String> order) {
        Map<String, Joint> byId = new LinkedHashMap<>();
        best.joints().forEach(j -> byId.put(j.id(), j));
        Set<String> open = new LinkedHashSet<>(request.open());
        List<Joint> joints = new ArrayList<>();
        for (String id : order) {
            Joint j = byId.remove(id);
            if (j != null) {
                if (!j.behind().open(open)) {
                    return Optional.empty();
                }
                open.add(id);
                joints.add(j);
            }
        }
        if (!byId.isEmpty()) {
            return Optional.empty();
        }
        double changes = 0;
        String tool = "";
        Side side = Side.FRONT;
        for (Joint j : joints) {
            Side up = OpeningOrder.up(side, j.side());
            changes += (j.tool().equals(tool) ? 0 : request.weights().toolChange()) + (up == side ? 0 : request.weights().turnOver());
            tool = j.tool();
            side = up;
        }
        return Optional.of(finish(joints, request, best.bound(), fixed(joints, request) + changes));
    }

    private static int tools(Collection<Joint> joints) {
        return (int) joints.stream().map(Joint::tool).distinct().count();
    }

    /// What a set costs in any order: time, risk, references.
    private static double fixed(Collection<Joint> joints, Request request) {
        Set<String> lost = new TreeSet<>();
        double sum = 0;
        for (Joint j : joints) {
            sum += j.minutes() + request.weights().perRisk() * j.risk();
            lost.addAll(j.loses());
        }
        lost.removeAll(request.marked());
        return sum + request.weights().perReference() * lost.size();
    }

    private static Plan finish(List<Joint> order, Request request, double bound, double cost) {
        List<Step> steps = new ArrayList<>();
        Set<String> kept = new LinkedHashSet<>(request.marked());
        Precautions precautions = new Precautions(request.instrument(), request.open());
        steps.addAll(precautions.before(order));
        String tool = "";
        Side side = Side.FRONT;
        int tools = 0;
        int turns = 0;
        double safe = 1;
        double minutes = 0;
        for (Joint j : order) {
            for (String lost : j.loses().stream().sorted().toList()) {
                if (kept.add(lost)) {
                    request.instrument().reference(lost).ifPresent(r -> steps.add(new Step.Mark(r, j)));
                }
            }
            steps.addAll(precautions.at(j));
            if (!j.hazards().isEmpty()) {
                steps.add(new Step.Catch(j.hazards().stream().sorted().toList(), j));
            }
            boolean newTool = !j.tool().equals(tool);
            Side up = OpeningOrder.up(side, j.side());
            boolean turnOver = up != side;
            steps.add(new Step.Open(j, newTool, turnOver));
            tools += newTool ? 1 : 0;
            turns += turnOver ? 1 : 0;
            tool = j.tool();
            side = up;
            safe *= 1 - j.risk();
            minutes += j.minutes();
        }
        minutes += tools * request.weights().toolChange() + turns * request.weights().turnOver();
        return new Plan(steps, minutes, 1 - safe, tools, turns, Math.min(bound, cost), cost);
    }
}
