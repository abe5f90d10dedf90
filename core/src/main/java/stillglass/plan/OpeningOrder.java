package stillglass.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Set;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;
import stillglass.look.Progress;

/// The order in which a set of joints is opened with the fewest changes of tool and side; a control that is set otherwise counts like another tool.
///
/// A* over (joints open, tool in hand, side up). Three facts keep it small: a step that needs no change is taken at once, for moving
/// it forward never adds a change; every tool and side is taken up at least as often as the chain of joints that wait for one another which
/// comes back to it most; and what has opened less with the same in hand at the same cost is not looked at. A beam finds a good order first, and whatever cannot beat
/// it is not looked at. Exact unless the limit of nodes or of effort is met; then the beam's order stands and the bound says how far it may be off.
/// References: Hart, Nilsson, Raphael, IEEE SSC 4 (1968); beam search, Lowerre (1976).
final class OpeningOrder {
    /// Nodes looked at, times joints.
    private static final int MOST_WORK = 2_400_000;
    private static final int BEAM = 60;
    /// What a node costs besides, in joints looked at.
    private static final int NODE = 150;
    /// Width when nothing may be spent any more and some order must still be found.
    private static final int SPENT_BEAM = 2;
    /// Width of the beam that is tried when the limit is met, times joints.
    private static final int WIDE_BEAM = 120_000;
    private static final int SIDES = Side.values().length;
    private static final double SAME = 1e-9;

    private final List<Joint> joints;
    private final PlanCost weights;
    private final Effort effort;
    private final Progress progress;
    private final State start;
    private final int[] tool;
    private final Side[] side;
    private final int tools;
    /// Joints that must all be open before, and sets of which one is enough; indices into the list.
    private final BitSet[] all;
    private final List<List<BitSet>> oneOf = new ArrayList<>();
    /// Joints of a tool and side, by tool times sides plus side.
    private final BitSet[] ofKind;
    /// Least number of times each tool is taken up, and each side turned up, for a joint and all that waits for it.
    private final Visits toolVisits;
    private final Visits sideVisits;

    /// @param cost minutes of changes
    /// @param bound no order has less
    /// @param proven whether every order was looked at, or ruled out
    record Result(List<Joint> order, double cost, double bound, boolean proven) {}

    private record State(BitSet done, int tool, Side side) {}

    private record Hand(int tool, Side side) {}

    private record Node(State state, int[] order, double cost, double estimate) {}

    private OpeningOrder(List<Joint> joints, Set<String> open, WayIn.Hand hand, PlanCost weights, Effort effort, Progress progress) {
        this.effort = effort;
        this.joints = joints;
        this.weights = weights;
        this.progress = progress;
        int n = joints.size();
        Map<String, Integer> index = new HashMap<>();
        Map<String, Integer> toolIndex = new HashMap<>();
        tool = new int[n];
        side = new Side[n];
        for (int i = 0; i < n; i++) {
            Joint j = joints.get(i);
            index.put(j.id(), i);
            tool[i] = toolIndex.computeIfAbsent(j.hand(), t -> toolIndex.size());
            side[i] = j.side();
        }
        tools = toolIndex.size();
        start = new State(new BitSet(), hand.tool().map(toolIndex::get).orElse(-1), hand.up());
        all = new BitSet[n];
        ofKind = new BitSet[tools * SIDES];
        Arrays.setAll(ofKind, k -> new BitSet(n));
        for (int i = 0; i < n; i++) {
            Joint.Behind behind = joints.get(i).behind();
            all[i] = bits(behind.all(), index);
            oneOf.add(behind.oneOf().stream().filter(s -> s.stream().noneMatch(open::contains)).map(s -> bits(s, index)).toList());
            ofKind[tool[i] * SIDES + side[i].ordinal()].set(i);
        }
        toolVisits = new Visits(tools, all, tool);
        sideVisits = new Visits(SIDES, all, Arrays.stream(side).mapToInt(x -> anySide(x) ? Visits.ANY : x.ordinal()).toArray());
    }

    /// @param joints all that are to be opened; everything they wait for is among them or open
    /// @param open joints that are open already
    /// @param hand what is in hand and up before the first
    static OpeningOrder of(List<Joint> joints, Set<String> open, WayIn.Hand hand, PlanCost weights, Effort effort, Progress progress) {
        return new OpeningOrder(joints, open, hand, weights, effort, progress);
    }

    /// A good order, at once.
    Result quick() {
        Node first = new Node(start, new int[0], 0, remaining(start));
        Node good = beam(first, BEAM);
        return result(good, first.estimate, good.cost <= first.estimate + SAME);
    }

    private static BitSet bits(Set<String> ids, Map<String, Integer> index) {
        BitSet out = new BitSet();
        ids.forEach(id -> {
            Integer at = index.get(id);
            if (at != null) {
                out.set(at);
            }
        });
        return out;
    }

    /// Work around the barrel does not turn the instrument over, and of a side nobody has named no turn is known.
    static Side up(Side now, Side wanted) {
        return anySide(wanted) ? now : wanted;
    }

    private static boolean anySide(Side side) {
        return side == Side.AROUND || side == Side.UNKNOWN;
    }

    /// The best order, unless the limit of nodes is met.
    Result best() {
        Node first = new Node(start, new int[0], 0, remaining(start));
        Node best = beam(first, BEAM);
        if (best.cost <= first.estimate + SAME) {
            return result(best, first.estimate, true);
        }
        Map<State, Double> seen = new HashMap<>();
        PriorityQueue<Node> queue = new PriorityQueue<>(Comparator.comparingDouble(Node::estimate).thenComparing(k -> -k.order.length));
        queue.add(first);
        Map<Hand, List<Node>> looked = new HashMap<>();
        int mostNodes = MOST_WORK / Math.max(1, joints.size());
        int nodes = 0;
        while (!queue.isEmpty()) {
            Node node = queue.remove();
            if (node.estimate >= best.cost - SAME) {
                return result(best, best.cost, true);
            }
            if (node.order.length == joints.size()) {
                return result(node, node.cost, true);
            }
            if (effort.gone()) {
                return result(best, node.estimate, false);
            }
            if (++nodes > mostNodes) {
                Node wide = beam(first, WIDE_BEAM / joints.size());
                return result(wide.cost < best.cost ? wide : best, node.estimate, false);
            }
            if (nodes % 128 == 0) {
                progress.at(nodes / (double) mostNodes, "");
            }
            List<Node> alike = looked.computeIfAbsent(new Hand(node.state.tool, node.state.side), h -> new ArrayList<>());
            effort.spend(2L * alike.size());
            if (alike.stream().anyMatch(o -> o.cost <= node.cost + SAME && contains(o.state.done, node.state.done))) {
                continue;
            }
            alike.add(node);
            for (Node next : expand(node)) {
                if (next.estimate < best.cost - SAME && next.cost < seen.getOrDefault(next.state, Double.MAX_VALUE) - SAME) {
                    seen.put(next.state, next.cost);
                    queue.add(next);
                }
            }
        }
        return result(best, best.cost, true);
    }

    private Result result(Node node, double bound, boolean proven) {
        return new Result(Arrays.stream(node.order).mapToObj(joints::get).toList(), node.cost, Math.min(bound, node.cost), proven);
    }

    /// The most promising orders are carried on side by side, batch by batch.
    private Node beam(Node start, int width) {
        List<Node> now = List.of(start);
        Node best = start;
        double least = Double.MAX_VALUE;
        while (!now.isEmpty()) {
            Map<State, Node> next = new HashMap<>();
            int carried = 0;
            for (Node node : now) {
                if (++carried % 128 == 0) {
                    progress.at(0, "");
                }
                if (node.order.length == joints.size()) {
                    if (node.cost < least) {
                        least = node.cost;
                        best = node;
                    }
                } else {
                    expand(node).forEach(e -> next.merge(e.state, e, (a, b) -> a.cost <= b.cost ? a : b));
                }
            }
            progress.at(0, "");
            double limit = least;
            now = next.values().stream().filter(e -> e.estimate < limit - SAME)
                    .sorted(Comparator.comparingDouble(Node::estimate).thenComparing(e -> -e.order.length).thenComparing(e -> e.order, Arrays::compare))
                    .limit(effort.gone() ? SPENT_BEAM : width).toList();
        }
        return best;
    }

    private List<Node> expand(Node node) {
        effort.spend(joints.size() + NODE);
        Set<Integer> kinds = new LinkedHashSet<>();
        for (int i = node.state.done.nextClearBit(0); i < joints.size(); i = node.state.done.nextClearBit(i + 1)) {
            if (free(i, node.state.done)) {
                kinds.add(tool[i] * SIDES + side[i].ordinal());
            }
        }
        List<Node> out = new ArrayList<>();
        for (int kind : kinds) {
            int hand = kind / SIDES;
            Side up = up(node.state.side, Side.values()[kind % SIDES]);
            BitSet done = (BitSet) node.state.done.clone();
            int[] order = take(done, node.order, hand, up);
            State state = new State(done, hand, up);
            double cost = node.cost + (hand == node.state.tool ? 0 : weights.toolChange()) + (up == node.state.side ? 0 : weights.turnOver());
            out.add(new Node(state, order, cost, cost + remaining(state)));
        }
        return out;
    }

    private boolean free(int i, BitSet done) {
        if (!contains(done, all[i])) {
            return false;
        }
        for (BitSet one : oneOf.get(i)) {
            if (!one.isEmpty() && !one.intersects(done)) {
                return false;
            }
        }
        return true;
    }

    private static boolean contains(BitSet done, BitSet wanted) {
        for (int i = wanted.nextSetBit(0); i >= 0; i = wanted.nextSetBit(i + 1)) {
            if (!done.get(i)) {
                return false;
            }
        }
        return true;
    }

    /// Opens all that the tool in hand can, from the side that is up and around.
    private int[] take(BitSet done, int[] before, int hand, Side up) {
        int[] order = Arrays.copyOf(before, joints.size());
        int n = before.length;
        BitSet mine = (BitSet) ofKind[hand * SIDES + up.ordinal()].clone();
        mine.or(ofKind[hand * SIDES + Side.AROUND.ordinal()]);
        mine.or(ofKind[hand * SIDES + Side.UNKNOWN.ordinal()]);
        mine.andNot(done);
        boolean took = true;
        while (took) {
            took = false;
            for (int i = mine.nextSetBit(0); i >= 0; i = mine.nextSetBit(i + 1)) {
                if (free(i, done)) {
                    done.set(i);
                    mine.clear(i);
                    order[n++] = i;
                    took = true;
                }
            }
        }
        return Arrays.copyOf(order, n);
    }

    /// Changes that no order can do without.
    private double remaining(State state) {
        effort.spend(2L * joints.size() + NODE);
        int[] hands = new int[tools];
        int[] sides = new int[SIDES];
        for (int i = state.done.nextClearBit(0); i < joints.size(); i = state.done.nextClearBit(i + 1)) {
            if (contains(state.done, all[i])) {
                toolVisits.atLeast(i, state.tool, hands);
                sideVisits.atLeast(i, state.side.ordinal(), sides);
            }
        }
        return Arrays.stream(hands).sum() * weights.toolChange() + Arrays.stream(sides).sum() * weights.turnOver();
    }

    /// How often each of some sorts must be come back to along the chains of joints that wait for one another: between two of a sort with
    /// another between, it is left and taken up again. Visits to different sorts are different changes, so they add up.
    private static final class Visits {
        /// Sort of a joint that is at home with every other.
        static final int ANY = -1;

        private final int sorts;
        /// Visits begun along the best chain from a joint, by joint and sort: coming from another sort, and coming from the same.
        private final int[][] fromOther;
        private final int[][] fromSame;

        Visits(int sorts, BitSet[] before, int[] sort) {
            this.sorts = sorts;
            int n = sort.length;
            fromOther = new int[n][];
            fromSame = new int[n][];
            List<List<Integer>> after = new ArrayList<>();
            for (int i = 0; i < n; i++) {
                after.add(new ArrayList<>());
            }
            for (int i = 0; i < n; i++) {
                int later = i;
                before[i].stream().forEach(b -> after.get(b).add(later));
            }
            boolean[] known = new boolean[n];
            for (int i = 0; i < n; i++) {
                chain(i, after, sort, known);
            }
        }

        private void chain(int i, List<List<Integer>> after, int[] sort, boolean[] known) {
            if (known[i]) {
                return;
            }
            known[i] = true;
            int[] other = new int[sorts];
            int[] same = new int[sorts];
            for (int next : after.get(i)) {
                chain(next, after, sort, known);
                for (int t = 0; t < sorts; t++) {
                    other[t] = Math.max(other[t], fromOther[next][t]);
                    same[t] = Math.max(same[t], fromSame[next][t]);
                }
            }
            fromOther[i] = other;
            fromSame[i] = same;
            if (sort[i] != ANY) {
                fromSame[i] = other.clone();
                fromSame[i][sort[i]] = same[sort[i]];
                other[sort[i]] = 1 + same[sort[i]];
            }
        }

        /// Raises the visits still to come to what the chains from a joint need.
        void atLeast(int joint, int now, int[] visits) {
            for (int t = 0; t < sorts; t++) {
                visits[t] = Math.max(visits[t], t == now ? fromSame[joint][t] : fromOther[joint][t]);
            }
        }
    }
}
