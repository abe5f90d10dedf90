package stillglass.plan;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import stillglass.assembly.Instrument;
import stillglass.assembly.Joint;

/// What lies over what, all the way up: whether closing one joint would bury another.
public final class Cover {
    private final Map<String, Joint> joints;
    private final Map<String, Set<String>> over = new HashMap<>();

    public Cover(Instrument instrument) {
        joints = instrument.joints().stream().collect(Collectors.toMap(Joint::id, Function.identity()));
    }

    /// Joints that must be open on every way to one, whatever lies between.
    public Set<String> over(String joint) {
        Set<String> known = over.get(joint);
        if (known != null) {
            return known;
        }
        // A joint that waits for itself has nothing more over it than what is found on the way.
        over.put(joint, Set.of());
        Set<String> all = new LinkedHashSet<>();
        Optional.ofNullable(joints.get(joint)).ifPresent(j -> {
            j.behind().all().forEach(b -> {
                all.add(b);
                all.addAll(over(b));
            });
            j.behind().oneOf().forEach(set -> all.addAll(common(set)));
        });
        over.put(joint, Set.copyOf(all));
        return all;
    }

    private Set<String> common(Set<String> alternatives) {
        Optional<Set<String>> common = Optional.empty();
        for (String a : alternatives) {
            Set<String> way = new HashSet<>(over(a));
            way.add(a);
            common.ifPresent(way::retainAll);
            common = Optional.of(way);
        }
        return common.orElse(Set.of());
    }

    /// Whether hands could get at a joint: what lies over it is open, and so on up.
    /// @param open joints that are open
    public boolean bare(String joint, Set<String> open) {
        return bare(joint, open, new HashSet<>());
    }

    private boolean bare(String joint, Set<String> open, Set<String> asked) {
        if (!asked.add(joint)) {
            return true;
        }
        Joint j = joints.get(joint);
        return j == null || j.behind().open(open) && j.behind().all().stream().allMatch(b -> bare(b, open, asked))
                && j.behind().oneOf().stream().allMatch(set -> set.stream().filter(open::contains).anyMatch(b -> bare(b, open, asked)));
    }

    /// Whether closing one joint puts another out of reach, or farther out of it.
    /// @param open joints that are open, the closing one among them
    public boolean buries(String closing, String other, Set<String> open) {
        if (closing.equals(other)) {
            return false;
        }
        if (over(other).contains(closing)) {
            return true;
        }
        Set<String> after = new HashSet<>(open);
        after.remove(closing);
        return bare(other, open) && !bare(other, after);
    }
}
