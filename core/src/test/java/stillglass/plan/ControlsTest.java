package stillglass.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.assembly.Side;
import stillglass.look.Progress;
import stillglass.say.Wording;

class ControlsTest {
    private static Joint joint(String id, String tool, Set<String> after, Map<String, String> with) {
        return new Joint(id, id, new Hold.Seat(), Side.FRONT, tool, 1, 0, Joint.Behind.of(after).with(with), List.of("part_" + id), Set.of(), Set.of(), Set.of(), Joint.Closing.PLAIN);
    }

    private static Instrument of(List<Joint> joints) {
        List<Part> parts = joints.stream().map(j -> new Part("part_" + j.id(), "part " + j.id(), Part.Kind.SMALL, Set.of(Material.STEEL), List.of(), Optional.empty(), Optional.empty(), false, Optional.empty())).toList();
        return new Instrument("t", "", "t", Instrument.Sort.LENS, Optional.empty(), Optional.empty(), Optional.empty(), parts, joints, List.of(), Optional.empty(), Optional.empty());
    }

    private static WayIn.Plan plan(Instrument i, String... parts) {
        List<Goal> goals = List.of(parts).stream().map(p -> ((Goal.Read.Known) Goal.read(p, i, Optional.empty())).goal()).toList();
        return WayIn.plan(new WayIn.Request(i, goals, Set.of(), Set.of(), Set.of(), WayIn.Hand.EMPTY, PlanCost.USUAL), Progress.SILENT).orElseThrow();
    }

    @Test
    void whatAControlUncoversIsTakenTogetherAndSaidOnce() {
        Instrument i = of(List.of(joint("a", "driver", Set.of(), Map.of("focus", "nearest")), joint("b", "driver", Set.of(), Map.of("focus", "infinity")), joint("c", "driver", Set.of(), Map.of("focus", "nearest")),
                joint("d", "driver", Set.of(), Map.of("focus", "infinity"))));
        WayIn.Plan p = plan(i, "part_a", "part_b", "part_c", "part_d");
        List<String> order = p.joints().stream().map(Joint::id).toList();
        assertThat(List.of(Set.copyOf(order.subList(0, 2)), Set.copyOf(order.subList(2, 4)))).containsExactlyInAnyOrder(Set.of("a", "c"), Set.of("b", "d"));
        assertThat(p.steps()).filteredOn(Step.Set.class::isInstance).hasSize(2).first().satisfies(s -> assertThat(Wording.core().sentence(((Step.Set) s).what())).startsWith("Set the focus to"));
    }

    /// Every order of a few joints, tried one by one by rules of the test's own.
    @Test
    void noOrderHasFewerChanges() {
        Random random = new Random(17);
        for (int round = 0; round < 60; round++) {
            List<Joint> joints = new ArrayList<>();
            for (int k = 0; k < 6; k++) {
                Set<String> after = new HashSet<>();
                for (int b = 0; b < k; b++) {
                    if (random.nextInt(4) == 0) {
                        after.add("j" + b);
                    }
                }
                Map<String, String> with = random.nextInt(3) == 0 ? Map.of() : Map.of("focus", random.nextBoolean() ? "near" : "far");
                joints.add(joint("j" + k, "tool " + random.nextInt(2), after, with));
            }
            Instrument i = of(joints);
            WayIn.Plan p = plan(i, joints.stream().map(j -> "part_" + j.id()).toArray(String[]::new));
            assertThat(p.cost()).as("round %d", round).isCloseTo(best(joints, new ArrayList<>(), 0, "", Map.of("", "start")), within(1e-9));
        }
    }

    /// Least cost of what is left: a minute each, half a minute whenever the tool or any control is another than before.
    private static double best(List<Joint> left, List<String> done, double cost, String tool, Map<String, String> controls) {
        if (left.isEmpty()) {
            return cost;
        }
        double least = Double.MAX_VALUE;
        for (Joint j : left) {
            if (done.containsAll(j.behind().all())) {
                boolean change = !j.tool().equals(tool) || !j.behind().with().equals(controls);
                List<Joint> rest = new ArrayList<>(left);
                rest.remove(j);
                List<String> more = new ArrayList<>(done);
                more.add(j.id());
                least = Math.min(least, best(rest, more, cost + 1 + (change ? 0.5 : 0), j.tool(), j.behind().with()));
            }
        }
        return least;
    }

    @Test
    void anInstrumentWithoutControlsCostsWhatItDid() {
        Joint j = joint("a", "driver", Set.of(), Map.of());
        assertThat(j.hand()).isEqualTo("driver");
        assertThat(joint("a", "driver", Set.of(), Map.of("focus", "near")).hand()).isNotEqualTo(joint("a", "driver", Set.of(), Map.of("focus", "far")).hand());
    }
}
