package stillglass.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;

class WayInTest {
    private static WayIn.Plan plan(Instrument i, Goal... goals) {
        return WayIn.plan(i, List.of(goals), Set.of(), Set.of(), PlanCost.USUAL).orElseThrow();
    }

    @Test
    void opensWhatMustComeFirstAndNothingElse() {
        WayIn.Plan plan = plan(Instruments.small(), new Goal.ReachPart("spacer"));

        assertThat(plan.joints()).extracting(Joint::id).containsExactly("ring-thread", "e1-seat", "spacer-seat");
        assertThat(plan.provenBest()).isTrue();
        assertThat(plan.turnOvers()).isZero();
        assertThat(plan.toolChanges()).isEqualTo(3);
        // 2 + 1 + 1 minutes of work and three tools at half a minute.
        assertThat(plan.minutes()).isCloseTo(5.5, within(1e-9));
        assertThat(plan.risk()).isCloseTo(1 - 0.99 * 0.99 * 0.998, within(1e-12));
    }

    @Test
    void aReferenceIsMarkedRightBeforeTheJointThatLosesIt() {
        List<Step> steps = plan(Instruments.small(), new Goal.ReachPart("helicoid")).steps();
        int mark = index(steps, s -> s instanceof Step.Mark m && m.reference().id().equals("entry"));
        int open = index(steps, s -> s instanceof Step.Open o && o.joint().id().equals("helicoid-thread"));

        assertThat(mark).isPositive().isEqualTo(open - 1);
        assertThat(steps).anyMatch(s -> s instanceof Step.Mark m && m.reference().id().equals("mount-clock"));
    }

    @Test
    void aSpringIsCaught() {
        Instrument i = Instruments.and(new Joint("lid", "lid", new Joint.Hold.Press(), Side.FRONT, "fingers", 1, 0,
                Set.of("ring-set"), List.of("cell"), Set.of(), Set.of(), Set.of(), Joint.Closing.PLAIN));
        List<Step> steps = plan(i, new Goal.ReachPart("cell")).steps();

        assertThat(steps).anyMatch(s -> s instanceof Step.Catch c && c.hazards().equals(List.of(Joint.Hazard.SPRING)));
    }

    private static int index(List<Step> steps, java.util.function.Predicate<Step> wanted) {
        for (int k = 0; k < steps.size(); k++) {
            if (wanted.test(steps.get(k))) {
                return k;
            }
        }
        return -1;
    }

    @Test
    void whatIsKeptOrOpenAlreadyIsLeftOut() {
        WayIn.Plan plan = WayIn.plan(Instruments.small(), List.of(new Goal.ReachPart("helicoid")), Set.of("mount-screws"),
                Set.of("entry"), PlanCost.USUAL).orElseThrow();

        assertThat(plan.joints()).extracting(Joint::id).containsExactly("ring-thread", "helicoid-thread");
        assertThat(plan.steps()).noneMatch(Step.Mark.class::isInstance);
    }

    @Test
    void aGoalWithoutADoorHasNoPlan() {
        assertThat(WayIn.plan(Instruments.small(), List.of(new Goal.ReachSurface(2)), Set.of(), Set.of(), PlanCost.USUAL)).isEmpty();
    }

    @Test
    void theCheaperOfTwoDoorsIsTaken() {
        Instrument i = Instruments.and(Instruments.joint("back-door", new Joint.Hold.Seat(), Side.REAR, "fingers", 0.5, 0, Set.of(), List.of(),
                Set.of(0), Set.of()));

        assertThat(plan(i, new Goal.ReachSurface(0)).joints()).extracting(Joint::id).containsExactly("back-door");
        assertThat(plan(i, new Goal.ReachSurface(1)).joints()).extracting(Joint::id).containsExactly("ring-thread", "e1-seat");
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void noOrderIsCheaperThanTheOneFound(long seed) {
        Instrument i = random(new SplittableRandom(seed), 7);
        WayIn.Plan plan = plan(i, new Goal.ReachPart("helicoid"));
        Set<String> needed = new LinkedHashSet<>(plan.joints().stream().map(Joint::id).toList());
        double cheapest = cheapest(i, needed, new ArrayList<>());
        double fixed = plan.joints().stream().mapToDouble(j -> j.minutes() + PlanCost.USUAL.perRisk() * j.risk()).sum();

        assertThat(plan.cost()).as("seed %d", seed).isCloseTo(fixed + cheapest, within(1e-9));
        assertThat(plan.provenBest()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(longs = {31, 32, 33, 34, 35, 36})
    void precedenceIsNeverBroken(long seed) {
        Instrument i = random(new SplittableRandom(seed), 40);
        Set<String> open = new HashSet<>();
        for (Joint j : plan(i, new Goal.ReachPart("helicoid")).joints()) {
            assertThat(open).as("seed %d before %s", seed, j.id()).containsAll(j.after());
            open.add(j.id());
        }
        assertThat(open).contains("goal");
    }

    /// A goal behind joints with random tools, sides and precedence.
    private static Instrument random(SplittableRandom random, int many) {
        List<Joint> joints = new ArrayList<>();
        Set<String> all = new LinkedHashSet<>();
        for (int k = 0; k < many; k++) {
            Set<String> after = new HashSet<>();
            for (int b = 0; b < k; b++) {
                if (random.nextDouble() < 1.2 / many) {
                    after.add("j" + b);
                }
            }
            Side side = Side.values()[random.nextInt(3)];
            joints.add(Instruments.joint("j" + k, new Joint.Hold.Seat(), side, "tool" + random.nextInt(3), 1 + random.nextInt(3), 0.01 * random.nextDouble(),
                    after, List.of(), Set.of(), Set.of()));
            all.add("j" + k);
        }
        joints.add(Instruments.joint("goal", new Joint.Hold.Seat(), Side.FRONT, "tool0", 1, 0, all, List.of("helicoid"), Set.of(), Set.of()));
        return Instruments.with(joints);
    }

    /// Changes of tool and side of the best order, by trying every order.
    private static double cheapest(Instrument i, Set<String> needed, List<Joint> taken) {
        if (taken.size() == needed.size()) {
            return changes(taken);
        }
        double best = Double.MAX_VALUE;
        for (Joint j : i.joints()) {
            boolean free = needed.contains(j.id()) && !taken.contains(j)
                    && taken.stream().map(Joint::id).toList().containsAll(j.after());
            if (free) {
                taken.add(j);
                best = Math.min(best, cheapest(i, needed, taken));
                taken.removeLast();
            }
        }
        return best;
    }

    private static double changes(List<Joint> order) {
        double cost = 0;
        String tool = "";
        Side side = Side.FRONT;
        for (Joint j : order) {
            Side next = j.side() == Side.AROUND ? side : j.side();
            cost += j.tool().equals(tool) ? 0 : PlanCost.USUAL.toolChange();
            cost += next == side ? 0 : PlanCost.USUAL.turnOver();
            tool = j.tool();
            side = next;
        }
        return cost;
    }

    @Test
    void goalsAreReadAsTheBenchNamesThem() {
        Instrument i = Instruments.small();

        assertThat(Goal.parse("E1", i, Optional.empty())).isEqualTo(new Goal.ReachPart("E1"));
        assertThat(Goal.parse(" s4 ", i, Optional.empty())).isEqualTo(new Goal.ReachSurface(3));
        assertThat(org.assertj.core.api.Assertions.catchThrowable(() -> Goal.parse("teapot", i, Optional.empty())))
                .hasMessageContaining("teapot").hasMessageContaining("ring");
    }
}
