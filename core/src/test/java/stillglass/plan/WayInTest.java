package stillglass.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;
import stillglass.look.Progress;

class WayInTest {
    private static WayIn.Plan plan(Instrument i, Goal... goals) {
        return WayIn.plan(i, List.of(goals), Set.of(), Set.of(), PlanCost.USUAL).orElseThrow();
    }

    @Test
    void aFunctionToBeTriedAgainIsAGoal() {
        Instrument i = Instruments.with(List.of(Instruments.joint("cam", new stillglass.assembly.Hold.Seat(), stillglass.assembly.Side.FRONT, "fingers", 1, 0, Set.of(), List.of(), Set.of(), Set.of()),
                tested("iris", "Iris snaps at every stop")));

        assertThat(Goal.parse("test snaps", i, Optional.empty())).isEqualTo(new Goal.OpenJoint("iris"));
        assertThatThrownBy(() -> Goal.parse("test teapot", i, Optional.empty())).hasMessageContaining("there are: Iris snaps at every stop");
    }

    private static Joint tested(String id, String function) {
        Joint j = Instruments.joint(id, new stillglass.assembly.Hold.Seat(), stillglass.assembly.Side.FRONT, "fingers", 1, 0, Set.of(), List.of(), Set.of(), Set.of());
        return new Joint(j.id(), j.name(), j.hold(), j.side(), j.tool(), j.minutes(), j.risk(), j.behind(), j.frees(), j.exposes(), j.loses(), j.hazards(), j.close().withTest(function));
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
        Instrument i = Instruments.and(new Joint("lid", "lid", new Hold.Press(), Side.FRONT, "fingers", 1, 0,
                Joint.Behind.of(Set.of("ring-set")), List.of("cell"), Set.of(), Set.of(), Set.of(), Joint.Closing.PLAIN));
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
        Instrument i = Instruments.and(Instruments.joint("back-door", new Hold.Seat(), Side.REAR, "fingers", 0.5, 0, Set.of(), List.of(),
                Set.of(0), Set.of()));

        assertThat(plan(i, new Goal.ReachSurface(0)).joints()).extracting(Joint::id).containsExactly("back-door");
        assertThat(plan(i, new Goal.ReachSurface(1)).joints()).extracting(Joint::id).containsExactly("ring-thread", "e1-seat");
    }

    @Test
    void noWayIsCheaperThanTheOneFound() {
        for (long seed = 1; seed <= 400; seed++) {
            Instrument i = RandomInstruments.of(seed, 7, 0.35);
            List<Goal> goals = List.of(new Goal.ReachPart("E1"), new Goal.ReachSurface(3));
            Optional<WayIn.Plan> plan = WayIn.plan(i, goals, Set.of(), Set.of("mount-clock"), PlanCost.USUAL);
            double cheapest = AllWays.cheapest(i, goals, Set.of("mount-clock"), PlanCost.USUAL);

            assertThat(plan).as("seed %d", seed).isPresent();
            assertThat(plan.orElseThrow().cost()).as("seed %d", seed).isCloseTo(cheapest, within(1e-9));
            assertThat(plan.orElseThrow().provenBest()).as("seed %d", seed).isTrue();
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {31, 32, 33, 34, 35, 36})
    void whatLiesOverAJointIsAlwaysOpenBefore(long seed) {
        Instrument i = RandomInstruments.of(seed, 60, 0.15);
        Set<String> open = new HashSet<>();
        WayIn.Plan plan = plan(i, new Goal.ReachPart("E1"));
        for (Joint j : plan.joints()) {
            assertThat(j.behind().open(open)).as("seed %d before %s", seed, j.id()).isTrue();
            open.add(j.id());
        }
        assertThat(open).containsAnyOf("front-door", "back-door");
        assertThat(plan.provenBest()).as("seed %d", seed).isTrue();
    }

    @Test
    void oneOfSeveralWaysIsEnough() {
        Instrument i = Instruments.with(List.of(
                Instruments.joint("plate", new Hold.Seat(), Side.BOTTOM, "fingers", 5, 0, Set.of(), List.of(), Set.of(), Set.of()),
                Instruments.joint("cover", new Hold.Seat(), Side.TOP, "fingers", 2, 0, Set.of(), List.of(), Set.of(), Set.of()),
                new Joint("deep", "deep", new Hold.Seat(), Side.TOP, "fingers", 1, 0, new Joint.Behind(Set.of(), List.of(Set.of("plate", "cover")), Optional.of("the leather")),
                        List.of("helicoid"), Set.of(), Set.of(), Set.of(), Joint.Closing.PLAIN)));

        assertThat(plan(i, new Goal.ReachPart("helicoid")).joints()).extracting(Joint::id).containsExactly("cover", "deep");
        WayIn.Request barred = WayIn.Request.of(i, List.of(new Goal.ReachPart("helicoid"))).without(Set.of("cover"));
        WayIn.Plan around = WayIn.plan(barred, Progress.SILENT).orElseThrow();
        assertThat(around.joints()).extracting(Joint::id).containsExactly("plate", "deep");
        assertThat(around.steps()).anyMatch(s -> s instanceof Step.Protect p && p.what().contains("the leather"));
        assertThat(WayIn.plan(barred.without(Set.of("plate")), Progress.SILENT)).isEmpty();
    }

    @Test
    void waysThatDifferInKindStandSideBySide() {
        Instrument i = Instruments.and(Instruments.joint("back-door", new Hold.Seat(), Side.REAR, "fingers", 0.5, 0, Set.of(), List.of(),
                Set.of(0), Set.of()));
        Alternatives a = Alternatives.of(WayIn.Request.of(i, List.of(new Goal.ReachSurface(0))), Progress.SILENT);

        assertThat(a.ways()).extracting(Alternatives.Way::sort).containsExactly(Alternatives.Sort.BEST, Alternatives.Sort.FROM_FRONT, Alternatives.Sort.FROM_REAR,
                Alternatives.Sort.FULL_STRIP);
        assertThat(a.ways().get(1).plan().joints()).extracting(Joint::id).containsExactly("ring-thread", "e1-seat");
        assertThat(a.ways().get(2).plan().joints()).extracting(Joint::id).containsExactly("back-door");
        assertThat(a.ways().get(3).plan().joints()).hasSize(8);
    }

    @Test
    void anotherOrderIsTakenAndPriced() {
        WayIn.Request request = WayIn.Request.of(Instruments.small(), List.of(new Goal.ReachPart("helicoid"), new Goal.ReachPart("E1")));
        WayIn.Plan best = WayIn.plan(request, Progress.SILENT).orElseThrow();
        WayIn.Plan other = WayIn.inOrder(request, best, List.of("ring-thread", "mount-screws", "e1-seat", "helicoid-thread")).orElseThrow();

        assertThat(other.joints()).extracting(Joint::id).containsExactly("ring-thread", "mount-screws", "e1-seat", "helicoid-thread");
        assertThat(other.cost()).isGreaterThanOrEqualTo(best.cost());
        assertThat(other.bound()).isEqualTo(best.bound());
        assertThat(WayIn.inOrder(request, best, List.of("e1-seat", "ring-thread", "mount-screws", "helicoid-thread"))).as("E1 waits for the ring").isEmpty();
        assertThat(WayIn.inOrder(request, best, List.of("ring-thread"))).as("not all of it").isEmpty();
    }

    @Test
    void planningStopsWhenAsked() {
        assertThatThrownBy(() -> WayIn.plan(WayIn.Request.of(RandomInstruments.of(5, 120, 0.05), List.of(new Goal.ReachPart("E1"))), (share, doing) -> {
            throw new CancellationException("enough");
        })).isInstanceOf(CancellationException.class);
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
