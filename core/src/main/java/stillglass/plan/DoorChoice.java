package stillglass.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import stillglass.assembly.Joint;
import stillglass.look.Progress;

/// Which joints are opened at all, where goals and joints leave a choice.
///
/// Branch and bound over the choices: what is certain already (and all it waits for) has a price that no decision can lower; the
/// dearest parts of the tree are never entered once a cheaper complete set is known.
final class DoorChoice {
    private static final int MOST_SETS = 400;
    /// What looking at a joint of a set costs against looking at one in an order.
    private static final int EACH = 60;

    private final Map<String, Joint> byId;
    private final Set<String> open;
    private final Set<String> forbidden;
    private final ToDoubleFunction<Joint> own;
    private final ToDoubleFunction<Collection<Joint>> price;
    private final ToDoubleFunction<List<Joint>> whole;
    private final Set<Set<String>> seen = new HashSet<>();
    private int tried;
    private double bound = Double.MAX_VALUE;
    private double least = Double.MAX_VALUE;
    private Optional<List<Joint>> best = Optional.empty();
    private final Effort effort;
    private final Progress progress;

    /// @param open joints that are open already
    /// @param forbidden joints that are not to be used
    /// @param own what a joint adds to a set at least
    /// @param price what a set of joints costs at least
    /// @param effort that may be spent; once a set is known half of it
    /// @param whole what a complete set costs in a good order; need not be the best one
    DoorChoice(Map<String, Joint> byId, Set<String> open, Set<String> forbidden,
            ToDoubleFunction<Joint> own, ToDoubleFunction<Collection<Joint>> price, ToDoubleFunction<List<Joint>> whole, Effort effort, Progress progress) {
        this.effort = effort;
        this.progress = progress;
        this.byId = byId;
        this.open = open;
        this.forbidden = forbidden;
        this.own = own;
        this.price = price;
        this.whole = whole;
    }

    /// The cheapest set.
    /// @param goals for each goal the joints of which one must be opened
    /// @return empty when a goal cannot be reached
    Optional<List<Joint>> cheapest(List<Set<String>> goals) {
        branch(Set.of(), goals);
        return best;
    }

    /// No set that was not looked at costs less than this.
    double bound() {
        return bound;
    }

    private void branch(Set<String> chosen, List<Set<String>> goals) {
        if (!seen.add(chosen)) {
            return;
        }
        List<Joint> joints = chosen.stream().map(byId::get).toList();
        effort.spend(EACH * (joints.size() + goals.size() + 1L));
        List<Set<String>> questions = questions(joints, chosen, goals);
        double atLeast = price.applyAsDouble(joints) + answersAtLeast(questions);
        if (atLeast >= least) {
            return;
        }
        if (tried >= MOST_SETS || effort.halfGone() && best.isPresent()) {
            bound = Math.min(bound, atLeast);
            return;
        }
        progress.at(tried / (double) MOST_SETS, "");
        Optional<Set<String>> question = questions.stream().findFirst().or(() -> circle(joints, chosen));
        if (question.isEmpty()) {
            tried++;
            double cost = whole.applyAsDouble(joints);
            if (cost < least) {
                least = cost;
                best = Optional.of(joints);
            }
            return;
        }
        List<Set<String>> answers = new ArrayList<>();
        for (String door : new TreeSet<>(question.get())) {
            Set<String> with = new TreeSet<>(chosen);
            if (close(door, with)) {
                answers.add(with);
            }
        }
        answers.sort(Comparator.comparingDouble(a -> price.applyAsDouble(a.stream().map(byId::get).toList())));
        answers.forEach(a -> branch(a, goals));
    }

    /// Sets of joints of which one must be opened and none is chosen yet.
    private List<Set<String>> questions(List<Joint> joints, Set<String> chosen, List<Set<String>> goals) {
        return Stream.concat(goals.stream(), joints.stream().flatMap(j -> j.behind().oneOf().stream()))
                .filter(g -> g.stream().noneMatch(j -> chosen.contains(j) || open.contains(j))).toList();
    }

    /// What the answers will cost at least: questions that share no answer each take a joint of their own.
    private double answersAtLeast(List<Set<String>> questions) {
        Set<String> counted = new HashSet<>();
        double sum = 0;
        for (Set<String> q : questions) {
            if (q.stream().noneMatch(counted::contains)) {
                counted.addAll(q);
                sum += q.stream().filter(id -> !forbidden.contains(id)).map(byId::get).filter(Objects::nonNull).mapToDouble(own).min().orElse(Double.MAX_VALUE);
            }
        }
        return sum;
    }

    /// Joints that wait for one another in a circle need one more way in from outside.
    private Optional<Set<String>> circle(List<Joint> joints, Set<String> chosen) {
        Set<String> reached = new HashSet<>(open);
        List<Joint> left = new ArrayList<>(joints);
        while (left.removeIf(j -> j.behind().open(reached) && reached.add(j.id()))) {
            // Every round opens at least one more.
        }
        return left.stream().flatMap(j -> j.behind().oneOf().stream()).filter(g -> g.stream().noneMatch(reached::contains)).findFirst().map(g -> {
            Set<String> others = new TreeSet<>(g);
            others.removeAll(chosen);
            return others;
        });
    }

    /// Adds a joint and all that must be open before it.
    /// @return whether that is allowed
    private boolean close(String id, Set<String> into) {
        if (open.contains(id) || into.contains(id)) {
            return true;
        }
        Joint joint = byId.get(id);
        if (joint == null || forbidden.contains(id)) {
            return false;
        }
        into.add(id);
        return joint.behind().all().stream().allMatch(before -> close(before, into));
    }
}
