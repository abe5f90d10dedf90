package stillglass.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.TreeMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;
import stillglass.look.Progress;
import stillglass.say.Said;

/// The cheapest set of joints that reaches some goals, and the best order to open them, from the tool in hand and the side that is up.
///
/// Which joints: [DoorChoice], where a goal has several doors or a joint several ways to it. In which order: [OpeningOrder], for the set
/// fixes time, risk and references lost, and the order decides tool changes and turn-overs. Both are exact unless their limits are
/// met, and then the gap is stated.
public final class WayIn {
    /// Sets whose order is made the best there is.
    private static final int MOST_SEARCHES = 40;
    private static final double SAME = 1e-9;

    private WayIn() {}

    /// What is in hand before the first step.
    /// @param tool that is held, if one is
    /// @param up side that is up
    public record Hand(Optional<String> tool, Side up) {
        /// Nothing is held; the front is up.
        public static final Hand EMPTY = new Hand(Optional.empty(), Side.FRONT);

        /// What is in hand after joints were opened in an order.
        public static Hand after(Instrument instrument, List<String> opened) {
            Hand hand = EMPTY;
            for (String id : opened) {
                Optional<Joint> j = instrument.joint(id);
                if (j.isPresent()) {
                    hand = new Hand(Optional.of(j.get().hand()).filter(t -> !t.isEmpty()), OpeningOrder.up(hand.up, j.get().side()));
                }
            }
            return hand;
        }
    }

    /// What is asked for.
    /// @param open joints already open
    /// @param marked references already kept
    /// @param forbidden joints that are not to be used: broken, or left alone on purpose
    /// @param hand from which the changes are counted
    public record Request(
            Instrument instrument, List<Goal> goals, Set<String> open, Set<String> marked, Set<String> forbidden, Hand hand, PlanCost weights) {
        public Request {
            goals = List.copyOf(goals);
            open = Set.copyOf(open);
            marked = Set.copyOf(marked);
            forbidden = Set.copyOf(forbidden);
        }

        /// From a closed instrument, with the usual weights.
        public static Request of(Instrument instrument, List<Goal> goals) {
            return new Request(instrument, goals, Set.of(), Set.of(), Set.of(), Hand.EMPTY, PlanCost.USUAL);
        }

        public Request without(Set<String> joints) {
            Set<String> all = new TreeSet<>(forbidden);
            all.addAll(joints);
            return new Request(instrument, goals, open, marked, all, hand, weights);
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
        return plan(new Request(instrument, goals, open, marked, Set.of(), Hand.EMPTY, weights), Progress.SILENT);
    }

    /// @return empty when a goal has no door that may be used
    /// @throws java.util.concurrent.CancellationException when `progress` asks to stop
    public static Optional<Plan> plan(Request request, Progress progress) {
        Map<String, Joint> byId = new LinkedHashMap<>();
        request.instrument().joints().forEach(j -> byId.put(j.id(), j));
        List<Candidate> found = new ArrayList<>();
        Effort effort = Effort.usual();
        DoorChoice choice = new DoorChoice(byId, request.open(), request.forbidden(), j -> own(j, request), joints -> fixed(joints, request) + tools(joints, request) * request.weights().toolChange(),
                joints -> {
                    OpeningOrder order = OpeningOrder.of(joints, request.open(), request.hand(), request.weights(), effort, progress);
                    Candidate c = new Candidate(order, fixed(joints, request), order.quick());
                    found.add(c);
                    return c.cost();
                }, effort, progress);
        List<Set<String>> doors = request.goals().stream()
                .map(g -> g.doors(request.instrument()).stream().map(Joint::id).collect(Collectors.toCollection(TreeSet::new)))
                .map(s -> (Set<String>) s).toList();
        return choice.cheapest(doors).map(joints -> cheapest(found, choice.bound(), request));
    }

    /// A set of joints that reaches the goals, in a good order.
    private record Candidate(OpeningOrder search, double fixed, OpeningOrder.Result order) {
        double cost() {
            return fixed + order.cost();
        }

        double bound() {
            return fixed + order.bound();
        }
    }

    /// Orders of the most promising sets are made the best there are, until no other set can be cheaper.
    /// @param unseen no set that was not looked at costs less
    private static Plan cheapest(List<Candidate> found, double unseen, Request request) {
        PriorityQueue<Candidate> open = new PriorityQueue<>(Comparator.comparingDouble(Candidate::bound).thenComparingDouble(Candidate::cost));
        open.addAll(found);
        Candidate best = found.stream().min(Comparator.comparingDouble(Candidate::cost)).orElseThrow();
        double bound = unseen;
        int searches = 0;
        for (Candidate c = open.poll(); c != null && c.bound() < best.cost() - SAME; c = open.poll()) {
            if (c.order.proven() || searches == MOST_SEARCHES) {
                bound = Math.min(bound, c.bound());
            } else {
                searches++;
                Candidate better = new Candidate(c.search, c.fixed, c.search.best());
                best = better.cost() < best.cost() - SAME ? better : best;
                bound = better.order.proven() ? bound : Math.min(bound, better.bound());
            }
        }
        return finish(best.order.order(), request, Math.min(bound, best.cost()), best.cost());
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
        String tool = request.hand().tool().orElse("");
        Side side = request.hand().up();
        for (Joint j : joints) {
            Side up = OpeningOrder.up(side, j.side());
            changes += (j.hand().equals(tool) ? 0 : request.weights().toolChange()) + (up == side ? 0 : request.weights().turnOver());
            tool = j.hand();
            side = up;
        }
        return Optional.of(finish(joints, request, best.bound(), fixed(joints, request) + changes));
    }

    /// Tools that must be taken up at least once.
    private static int tools(Collection<Joint> joints, Request request) {
        return (int) joints.stream().map(Joint::hand).filter(t -> request.hand().tool().filter(t::equals).isEmpty()).distinct().count();
    }

    /// What a joint costs in any company.
    private static double own(Joint j, Request request) {
        return j.minutes() + request.weights().perRisk() * j.risk();
    }

    /// What a set costs in any order: time, risk, references.
    private static double fixed(Collection<Joint> joints, Request request) {
        Set<String> lost = new TreeSet<>();
        double sum = 0;
        for (Joint j : joints) {
            sum += own(j, request);
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
        String tool = request.hand().tool().orElse("");
        Side side = request.hand().up();
        Map<String, String> controls = new HashMap<>();
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
            boolean newTool = !j.hand().equals(tool);
            for (Map.Entry<String, String> c : new TreeMap<>(j.behind().with()).entrySet()) {
                if (!c.getValue().equals(controls.put(c.getKey(), c.getValue()))) {
                    steps.add(new Step.Set(Said.of("plan.control", "control", c.getKey(), "at", c.getValue()), Said.of("plan.control.why", "joint", j.name()), j));
                }
            }
            Side up = OpeningOrder.up(side, j.side());
            boolean turnOver = up != side;
            steps.add(new Step.Open(j, newTool, turnOver));
            tools += newTool ? 1 : 0;
            turns += turnOver ? 1 : 0;
            tool = j.hand();
            side = up;
            safe *= 1 - j.risk();
            minutes += j.minutes();
        }
        minutes += tools * request.weights().toolChange() + turns * request.weights().turnOver();
        return new Plan(steps, minutes, 1 - safe, tools, turns, Math.min(bound, cost), cost);
    }
}
