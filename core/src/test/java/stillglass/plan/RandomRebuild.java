package stillglass.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import stillglass.assembly.Hold;
import stillglass.assembly.Instrument;
import stillglass.assembly.Instruments;
import stillglass.assembly.Joint;
import stillglass.assembly.Side;

/// Instruments with every exception of the rebuild, and records of opening them in any possible order.
public final class RandomRebuild {
    private static final int JOINTS = 14;

    private RandomRebuild() {}

    public static Instrument instrument(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Joint> joints = new ArrayList<>();
        for (int k = 0; k < JOINTS; k++) {
            Set<String> all = new HashSet<>();
            List<Set<String>> oneOf = new ArrayList<>();
            for (int b = 0; b < k; b++) {
                if (random.nextDouble() < 0.18) {
                    all.add("j" + b);
                }
            }
            if (k > 2 && random.nextDouble() < 0.25) {
                oneOf.add(Set.of("j" + random.nextInt(k / 2), "j" + (k / 2 + random.nextInt(k - k / 2))));
            }
            Joint.Closing close = Joint.Closing.PLAIN;
            // Constraints point to earlier joints, which close later anyway unless nothing ties them: never a circle.
            if (k > 0 && random.nextDouble() < 0.2) {
                close = close.withBefore(Set.of("j" + random.nextInt(k)));
            }
            if (k > 0 && random.nextDouble() < 0.2) {
                close = close.withLooseUntil("j" + random.nextInt(k));
            }
            if (k > 0 && random.nextDouble() < 0.2) {
                close = close.withRefit("j" + random.nextInt(k));
            }
            if (random.nextDouble() < 0.1) {
                close = close.withZeroLast("zero");
            }
            joints.add(new Joint("j" + k, "joint " + k, new Hold.Seat(), Side.FRONT, "fingers", 1, 0, new Joint.Behind(all, oneOf, Optional.empty()), List.of(), Set.of(),
                    Set.of(), Set.of(), close));
        }
        return Instruments.with(joints);
    }

    /// Some of its joints in an order in which they can be opened.
    public static List<String> opened(Instrument instrument, long seed) {
        SplittableRandom random = new SplittableRandom(seed * 7919);
        List<String> opened = new ArrayList<>();
        int many = 3 + random.nextInt(JOINTS - 3);
        while (opened.size() < many) {
            List<Joint> free = instrument.joints().stream().filter(j -> !opened.contains(j.id()) && j.behind().open(Set.copyOf(opened))).toList();
            if (free.isEmpty()) {
                return opened;
            }
            opened.add(free.get(random.nextInt(free.size())).id());
        }
        return opened;
    }
}
