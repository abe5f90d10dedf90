package stillglass.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Part;
import stillglass.assembly.Side;
import stillglass.look.Progress;

/// Maps far larger than any instrument: an answer comes, is a way in, and says how far it may be from the best.
class EffortTest {
    private static final Side[] SIDES = {Side.FRONT, Side.REAR, Side.TOP, Side.BOTTOM};

    private static Instrument large(int joints, long seed) {
        Random r = new Random(seed);
        List<Part> parts = new ArrayList<>();
        List<Joint> all = new ArrayList<>();
        int layer = 12;
        for (int i = 0; i < joints; i++) {
            parts.add(new Part("p" + i, "Part " + i, Part.Kind.RING, Set.of(), List.of(), java.util.Optional.empty(), java.util.Optional.empty(), false, java.util.Optional.empty()));
            int from = (i / layer - 1) * layer;
            Set<String> before = new HashSet<>();
            List<Set<String>> oneOf = new ArrayList<>();
            if (from >= 0) {
                before.add("j" + (from + r.nextInt(layer)));
                if (r.nextInt(5) < 3) {
                    oneOf.add(Set.of("j" + (from + r.nextInt(4)), "j" + (from + 4 + r.nextInt(4)), "j" + (from + 8 + r.nextInt(4))));
                }
            }
            all.add(new Joint("j" + i, "Joint " + i, new Hold.Press(), SIDES[r.nextInt(SIDES.length)], "tool " + r.nextInt(14), 0.5 + r.nextInt(40) / 10.0, 0.001 + r.nextInt(20) / 1000.0,
                    new Joint.Behind(before, oneOf, java.util.Optional.empty(), java.util.Map.of()), List.of("p" + i), Set.of(), Set.of(), Set.of(), Joint.Closing.PLAIN));
        }
        return Instrument.unopened("large", "Large", Instrument.Sort.BODY, "", 0, parts).with(parts, all);
    }

    @ParameterizedTest
    @ValueSource(ints = {150, 400})
    void aLargeMapIsPlannedWithBoundedEffort(int joints) {
        Instrument map = large(joints, joints);
        AtomicInteger looks = new AtomicInteger();
        WayIn.Plan plan = WayIn.plan(WayIn.Request.of(map, List.of(new Goal.OpenJoint("j" + (joints - 1)))), (share, doing) -> looks.incrementAndGet()).orElseThrow();
        Set<String> open = new HashSet<>();
        for (Joint j : plan.joints()) {
            assertThat(j.behind().open(open)).as(j.id()).isTrue();
            open.add(j.id());
        }
        assertThat(open).contains("j" + (joints - 1));
        assertThat(plan.bound()).isLessThanOrEqualTo(plan.cost() + 1e-9);
        assertThat(looks.get()).as("somebody who wants to stop it is heard").isGreaterThan(10);
    }

    @Test
    void itCanBeStopped() {
        AtomicInteger left = new AtomicInteger(5);
        Progress stop = (share, doing) -> {
            if (left.decrementAndGet() == 0) {
                throw new CancellationException();
            }
        };
        WayIn.Request request = WayIn.Request.of(large(200, 3), List.of(new Goal.OpenJoint("j199")));
        assertThatThrownBy(() -> WayIn.plan(request, stop)).isInstanceOf(CancellationException.class);
    }

    @Test
    void whatIsSpentIsGone() {
        Effort effort = Effort.usual();
        assertThat(effort.halfGone()).isFalse();
        effort.spend(250_000_000);
        assertThat(effort.halfGone()).isTrue();
        assertThat(effort.gone()).isFalse();
        effort.spend(250_000_000);
        assertThat(effort.gone()).isTrue();
    }
}
