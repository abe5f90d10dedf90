package stillglass.assembly;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/// A generic construction: what is usually met in instruments built so, in an order that works, each with a chance. An expectation and never a map: nothing of it
/// is on record until somebody has met it.
///
/// @param expected parts, joints, references and what differs when they close
/// @param chances of each joint by its identifier, 0 to 1
/// @param variants what a joint may be instead, in words
/// @param asks how it is told from others: what the front, the focus and the rear look like, in words
public record Build(Instrument expected, Map<String, Double> chances, Map<String, String> variants, Asks asks) {
    /// How an instrument built so looks before anything is opened.
    public record Asks(String front, String focus, String rear) {}

    public Build {
        chances = Map.copyOf(chances);
        variants = Map.copyOf(variants);
        for (Joint j : expected.joints()) {
            Double chance = chances.get(j.id());
            if (chance == null || !(chance > 0 && chance <= 1)) {
                throw new IllegalArgumentException("joint " + j.id() + " has a chance of " + chance + ": give one above 0 and up to 1");
            }
        }
    }

    public String id() {
        return expected.id();
    }

    public String name() {
        return expected.name();
    }

    public double chance(String joint) {
        return chances.getOrDefault(joint, 0.0);
    }

    public Optional<String> variant(String joint) {
        return Optional.ofNullable(variants.get(joint));
    }

    /// The expected joint of that name, whatever its spelling.
    public Optional<Joint> named(String name) {
        return expected.joints().stream().filter(j -> j.name().equalsIgnoreCase(name.strip())).findFirst();
    }

    /// Those of a sort.
    public static List<Build> of(List<Build> all, Instrument.Sort sort) {
        return all.stream().filter(b -> b.expected.sort() == sort).toList();
    }
}
