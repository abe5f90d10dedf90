package stillglass.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Circuits;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;
import stillglass.look.Progress;
import stillglass.say.Wording;

class WayInTest {
    private static WayIn.Plan plan(Instrument i, Goal... goals) {
        return WayIn.plan(i, List.of(goals), Set.of(), Set.of(), PlanCost.USUAL).orElseThrow();
    }

    @Test
    void aFunctionToBeTriedAgainIsAGoal() {
        Instrument i = Instruments.with(List.of(Instruments.joint("cam", new Hold.Seat(), Side.FRONT, "fingers", 1, 0, Set.of(), List.of(), Set.of(), Set.of()),
                tested("iris", "Iris snaps at every stop")));

        assertThat(Goal.parse("test snaps", i, Optional.empty())).isEqualTo(new Goal.OpenJoint("iris"));
        assertThatThrownBy(() -> Goal.parse("test teapot", i, Optional.empty())).hasMessageContaining("there are: Iris snaps at every stop");
    }

    private static Joint tested(String id, String function) {
        Joint j = Instruments.joint(id, new Hold.Seat(), Side.FRONT, "fingers", 1, 0, Set.of(), List.of(), Set.of(), Set.of());
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
        assertThat(around.steps()).anyMatch(s -> s instanceof Step.Protect p && Wording.core().say(p.what()).contains("the leather"));
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

    /// From the tool in hand and the side that is up, whichever they are.
    @Test
    void noWayIsCheaperFromWhatIsInHand() {
        for (long seed = 1; seed <= 150; seed++) {
            Instrument i = RandomInstruments.of(seed, 6, 0.35);
            List<Goal> goals = List.of(new Goal.ReachPart("E1"), new Goal.ReachSurface(3));
            WayIn.Hand hand = new WayIn.Hand(Optional.of("tool" + seed % 3), Side.values()[(int) (seed % 2)]);
            WayIn.Plan plan = WayIn.plan(new WayIn.Request(i, goals, Set.of(), Set.of(), Set.of(), hand, PlanCost.USUAL), Progress.SILENT).orElseThrow();

            assertThat(plan.cost()).as("seed %d", seed).isCloseTo(AllWays.cheapest(i, goals, Set.of(), hand.tool().orElseThrow(), hand.up(), PlanCost.USUAL), within(1e-9));
            assertThat(plan.provenBest()).as("seed %d", seed).isTrue();
        }
        Instrument small = Instruments.small();
        assertThat(WayIn.Hand.after(small, List.of("ring-thread", "mount-screws", "ring-set"))).isEqualTo(new WayIn.Hand(Optional.of("slot driver"), Side.REAR));
    }

    private static Joint choice(String id, int minutes, Set<String> all, List<Set<String>> oneOf, String... frees) {
        return new Joint(id, id, new Hold.Seat(), Side.FRONT, "tool " + minutes % 3, minutes, 0, new Joint.Behind(all, oneOf, Optional.empty()), List.of(frees), Set.of(), Set.of(), Set.of(), Joint.Closing.PLAIN);
    }

    /// Fifteen ways behind one door, each of several joints: the cheapest of all, found by trying each by itself.
    @Test
    void ofManyAlternativesTheCheapestIsTaken() {
        List<Joint> joints = new ArrayList<>();
        Set<String> ways = new TreeSet<>();
        for (int k = 0; k < 15; k++) {
            joints.add(choice("under" + k, 1 + k * 7 % 5, Set.of(), List.of()));
            joints.add(choice("way" + k, 1 + k * 11 % 6, Set.of("under" + k), List.of()));
            ways.add("way" + k);
        }
        joints.add(choice("door", 2, Set.of(), List.of(ways), "E1"));
        Instrument i = Instruments.with(joints);
        double least = Double.MAX_VALUE;
        for (String only : ways) {
            Set<String> others = new TreeSet<>(ways);
            others.remove(only);
            least = Math.min(least, WayIn.plan(WayIn.Request.of(i, List.of(new Goal.ReachPart("E1"))).without(others), Progress.SILENT).orElseThrow().cost());
        }

        assertThat(plan(i, new Goal.ReachPart("E1")).cost()).isCloseTo(least, within(1e-9));
        assertThat(plan(i, new Goal.ReachPart("E1")).provenBest()).isTrue();
    }

    /// Each of two joints can be reached by way of the other, or from outside: openable, and planned from outside.
    @Test
    void aCircleWithAWayInFromOutsideIsNone() {
        Instrument i = Instruments.with(List.of(choice("a", 1, Set.of(), List.of(Set.of("b", "outside")), "E1"), choice("b", 1, Set.of("a"), List.of()), choice("outside", 9, Set.of(), List.of())));

        assertThat(plan(i, new Goal.OpenJoint("b")).joints()).extracting(Joint::id).containsExactly("outside", "a", "b");
        assertThatThrownBy(() -> Instruments.with(List.of(choice("a", 1, Set.of(), List.of(Set.of("b"))), choice("b", 1, Set.of("a"), List.of())))).hasMessageContaining("can never be opened");
    }

    /// The order in which a map lists its joints, or a set gives them back, is no reason for a plan.
    @Test
    void thePlanDoesNotDependOnTheOrderOfTheMap() {
        for (long seed = 1; seed <= 20; seed++) {
            Instrument i = RandomInstruments.of(seed, 14, 0.25);
            List<Joint> shuffled = new ArrayList<>(i.joints());
            Collections.shuffle(shuffled, new Random(seed));
            List<Goal> goals = List.of(new Goal.ReachPart("E1"), new Goal.ReachSurface(3));

            assertThat(WayIn.plan(WayIn.Request.of(Instruments.with(shuffled), goals), Progress.SILENT).orElseThrow().joints()).as("seed %d", seed)
                    .isEqualTo(WayIn.plan(WayIn.Request.of(i, goals), Progress.SILENT).orElseThrow().joints());
        }
    }

    @Test
    void aCementedGlassLeavesWithItsPartnerAndItsCementIsNotTakenLightly() {
        Instrument i = Instruments.small();

        assertThat(plan(i, new Goal.ReachPart("E3")).joints()).extracting(Joint::id).containsExactly("mount-screws", "e2-seat");
        assertThat(Leaves.among(i, List.of(new Goal.ReachPart("E3"), new Goal.ReachPart("E1")))).singleElement()
                .satisfies(l -> assertThat(Wording.core().say(l.said())).isEqualTo("E3 leaves with E2, to which it is cemented"));
        Instrument parted = Instruments.and(Instruments.joint("cement", new Hold.Cement(), Side.REAR, "bath", 60, 0.2, Set.of("e2-seat"), List.of("E3"), Set.of(), Set.of()));
        assertThat(plan(parted, new Goal.ReachPart("E3")).steps()).anyMatch(s -> s instanceof Step.Protect p && Wording.core().say(p.why()).contains("heat cracks glass"));
    }

    /// Whatever touches a circuit waits for the battery, in every plan, and the charge of a capacitor is spoken of first.
    @Test
    void theBatteryComesOutBeforeAnyCircuitIsTouched() {
        Joint battery = hazard("battery", Joint.Hazard.CELL, new Hold.Seat());
        Joint lead = Instruments.joint("lead", new Hold.Solder(1), Side.TOP, "iron", 1, 0, Set.of(), List.of("helicoid"), Set.of(), Set.of());
        Joint flash = hazard("flash", Joint.Hazard.FLASH_CAPACITOR, new Hold.Solder(2));
        Instrument i = Circuits.batteryFirst(Instruments.with(List.of(lead, flash, battery)));
        WayIn.Plan plan = plan(i, new Goal.ReachPart("helicoid"));

        assertThat(plan.joints()).extracting(Joint::id).containsExactly("battery", "lead");
        assertThat(plan.steps().stream().filter(Step.MakeSafe.class::isInstance).map(s -> Wording.core().say(((Step.MakeSafe) s).what()))).as("the capacitor is on the map, not on the way")
                .anyMatch(w -> w.contains("capacitor"));
        assertThat(Circuits.batteryFirst(Instruments.with(List.of(lead)))).as("no cell, nothing to wait for").isEqualTo(Instruments.with(List.of(lead)));
        Joint wired = new Joint("battery", "battery", new Hold.Solder(1), Side.BOTTOM, "iron", 1, 0, Joint.Behind.of(Set.of("lead")), List.of(), Set.of(), Set.of(), Set.of(Joint.Hazard.CELL), Joint.Closing.PLAIN);
        assertThat(plan(Circuits.batteryFirst(Instruments.with(List.of(lead, wired))), new Goal.OpenJoint("battery")).joints()).as("what is on the way to the cell cannot wait for it")
                .extracting(Joint::id).containsExactly("lead", "battery");
    }

    private static Joint hazard(String id, Joint.Hazard hazard, Hold hold) {
        return new Joint(id, id, hold, Side.BOTTOM, "coin", 1, 0, Joint.Behind.NOTHING, List.of(), Set.of(), Set.of(), Set.of(hazard), Joint.Closing.PLAIN);
    }
}
