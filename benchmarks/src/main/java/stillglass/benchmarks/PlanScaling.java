package stillglass.benchmarks;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.assembly.Side;
import stillglass.look.Progress;
import stillglass.plan.Goal;
import stillglass.plan.WayIn;

/// How long a full strip of random instruments takes to plan, and how far it may be off: a table on standard output.
public final class PlanScaling {
    private static final int[] SIZES = {40, 60, 100, 200, 300};
    private static final int SEEDS = 4;

    private PlanScaling() {}

    public static void main(String[] args) {
        // Once for the compiler.
        strip(SIZES[0], 99);
        System.out.println("| joints | seed | cost, min | gap | s |\n|---|---|---|---|---|");
        for (int size : SIZES) {
            for (long seed = 1; seed <= SEEDS; seed++) {
                long start = System.nanoTime();
                WayIn.Plan p = strip(size, seed);
                System.out.printf(Locale.ROOT, "| %d | %d | %.1f | %.2f %% | %.2f |%n", size, seed, p.cost(), 100 * (p.cost() - p.bound()) / p.cost(), (System.nanoTime() - start) / 1e9);
            }
        }
    }

    private static WayIn.Plan strip(int size, long seed) {
        Instrument i = random(size, new SplittableRandom(seed));
        return WayIn.plan(WayIn.Request.of(i, i.joints().stream().map(j -> (Goal) new Goal.OpenJoint(j.id())).toList()), Progress.SILENT).orElseThrow();
    }

    /// Three tools, five sides; a joint waits for about six others, now and then for one of two.
    private static Instrument random(int size, SplittableRandom random) {
        List<Joint> joints = new ArrayList<>();
        for (int k = 0; k < size; k++) {
            Set<String> all = new HashSet<>();
            for (int b = 0; b < k; b++) {
                if (random.nextDouble() < Math.min(0.08, 6.0 / size)) {
                    all.add("j" + b);
                }
            }
            List<Set<String>> oneOf = k > 1 && random.nextDouble() < 0.2
                    ? List.of(Set.of("j" + random.nextInt(k / 2), "j" + (k / 2 + random.nextInt(k - k / 2))))
                    : List.of();
            joints.add(new Joint("j" + k, "joint " + k, new Hold.Seat(), Side.values()[random.nextInt(5)], "tool " + random.nextInt(3), 1 + random.nextInt(3),
                    0.01 * random.nextDouble(), new Joint.Behind(all, oneOf, Optional.empty()), List.of(), Set.of(), Set.of(), Set.of(), Joint.Closing.PLAIN));
        }
        Part part = new Part("p", "part", Part.Kind.SMALL, Set.of(Material.STEEL), List.of(), Optional.empty(), Optional.empty(), false, Optional.empty());
        return Instrument.unknown("random", "random", Instrument.Sort.LENS).with(List.of(part), joints);
    }
}
