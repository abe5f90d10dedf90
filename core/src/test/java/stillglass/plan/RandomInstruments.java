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

/// Instruments whose joints wait for one another at random, by all of a set or by one of a set, with two doors to most goals.
final class RandomInstruments {
    private static final List<String> REFERENCES = List.of("mount-clock", "entry", "infinity");

    private RandomInstruments() {}

    /// @param many joints before the doors
    /// @param density chance that one waits for an earlier one, times how few there are
    static Instrument of(long seed, int many, double density) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Joint> joints = new ArrayList<>();
        for (int k = 0; k < many; k++) {
            joints.add(joint("j" + k, k, density, List.of(), Set.of(), random));
        }
        joints.add(joint("front-door", many, 2 * density, List.of("E1"), Set.of(3), random));
        joints.add(joint("back-door", many, 2 * density, random.nextBoolean() ? List.of("E1") : List.of(), Set.of(), random));
        joints.add(joint("side-door", many, density, List.of(), Set.of(3), random));
        return Instruments.with(joints);
    }

    private static Joint joint(String id, int earlier, double density, List<String> frees, Set<Integer> exposes, SplittableRandom random) {
        Set<String> all = new HashSet<>();
        List<Set<String>> oneOf = new ArrayList<>();
        for (int b = 0; b < earlier; b++) {
            if (random.nextDouble() < density) {
                all.add("j" + b);
            }
        }
        if (earlier > 1 && random.nextDouble() < 0.4) {
            oneOf.add(Set.of("j" + random.nextInt(earlier / 2), "j" + (earlier / 2 + random.nextInt(earlier - earlier / 2))));
        }
        Set<String> loses = random.nextDouble() < 0.2 ? Set.of(REFERENCES.get(random.nextInt(3))) : Set.of();
        return new Joint(id, id, new Hold.Seat(), Side.values()[random.nextInt(5)], "tool" + random.nextInt(3), 1 + random.nextInt(3), 0.01 * random.nextDouble(),
                new Joint.Behind(all, oneOf, Optional.empty()), frees, exposes, loses, Set.of(), Joint.Closing.PLAIN);
    }
}
