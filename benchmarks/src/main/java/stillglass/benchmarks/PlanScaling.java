package stillglass.benchmarks;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.CancellationException;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;
import stillglass.assembly.Material;
import stillglass.assembly.Part;
import stillglass.assembly.Side;
import stillglass.look.Progress;
import stillglass.plan.Goal;
import stillglass.plan.WayIn;

/// How long plans take, how far they may be off, and how soon one lets itself be stopped: tables on standard output.
public final class PlanScaling {
    private static final int[] SIZES = {40, 60, 100, 200, 300};
    private static final int SEEDS = 4;
    private static final int MOST_WAYS = 15;

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
        System.out.println("\n| ways behind one door | cost, min | gap | s | stopped after, ms |\n|---|---|---|---|---|");
        for (int ways = MOST_WAYS - 3; ways <= MOST_WAYS; ways++) {
            WayIn.Request request = manyWays(ways);
            long start = System.nanoTime();
            WayIn.Plan p = WayIn.plan(request, Progress.SILENT).orElseThrow();
            double seconds = (System.nanoTime() - start) / 1e9;
            System.out.printf(Locale.ROOT, "| %d | %.1f | %.2f %% | %.2f | %.1f |%n", ways, p.cost(), 100 * (p.cost() - p.bound()) / p.cost(), seconds, stopped(request, seconds / 2));
        }
        WayIn.Request large = request(random(SIZES[SIZES.length - 1], new SplittableRandom(1)));
        System.out.printf(Locale.ROOT, "%nA full strip of %d joints, asked to stop after a second, stopped within %.1f ms.%n", SIZES[SIZES.length - 1], stopped(large, 1));
    }

    /// How long a plan goes on after it was asked to stop, ms.
    private static double stopped(WayIn.Request request, double afterSeconds) {
        long start = System.nanoTime();
        long[] asked = {0};
        try {
            WayIn.plan(request, (share, doing) -> {
                long now = System.nanoTime();
                // What lies between two looks at the progress is what a wish to stop may have to wait for.
                if (now - start > afterSeconds * 1e9) {
                    throw new CancellationException();
                }
                asked[0] = now;
            });
            return 0;
        } catch (CancellationException stopped) {
            return (System.nanoTime() - asked[0]) / 1e6;
        }
    }

    /// One door, and in front of it so many pairs of joints of which one of each is enough.
    private static WayIn.Request manyWays(int ways) {
        SplittableRandom random = new SplittableRandom(ways);
        List<Joint> joints = new ArrayList<>();
        List<Set<String>> oneOf = new ArrayList<>();
        for (int k = 0; k < ways; k++) {
            joints.add(joint("a" + k, random, Set.of(), List.of()));
            joints.add(joint("b" + k, random, Set.of(), List.of()));
            oneOf.add(Set.of("a" + k, "b" + k));
        }
        joints.add(joint("door", random, Set.of(), oneOf));
        Instrument i = Instrument.unknown("ways", "ways", Instrument.Sort.LENS).with(List.of(), joints);
        return WayIn.Request.of(i, List.of(new Goal.OpenJoint("door")));
    }

    private static Joint joint(String id, SplittableRandom random, Set<String> all, List<Set<String>> oneOf) {
        return new Joint(id, "joint " + id, new Hold.Seat(), Side.values()[random.nextInt(5)], "tool " + random.nextInt(3), 1 + random.nextInt(3),
                0.01 * random.nextDouble(), new Joint.Behind(all, oneOf, Optional.empty()), List.of(), Set.of(), Set.of(), Set.of(), Joint.Closing.PLAIN);
    }

    private static WayIn.Plan strip(int size, long seed) {
        Instrument i = random(size, new SplittableRandom(seed));
        return WayIn.plan(request(i), Progress.SILENT).orElseThrow();
    }

    private static WayIn.Request request(Instrument i) {
        return WayIn.Request.of(i, i.joints().stream().map(j -> (Goal) new Goal.OpenJoint(j.id())).toList());
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
            joints.add(joint("j" + k, random, all, oneOf));
        }
        Part part = new Part("p", "part", Part.Kind.SMALL, Set.of(Material.STEEL), List.of(), Optional.empty(), Optional.empty(), false, Optional.empty());
        return Instrument.unknown("random", "random", Instrument.Sort.LENS).with(List.of(part), joints);
    }
}
