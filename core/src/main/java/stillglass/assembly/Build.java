package stillglass.assembly;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/// A generic construction: what is usually met in instruments built so, in an order that works, each with a chance. An expectation and never a map: nothing of it
/// is on record until somebody has met it.
///
/// @param expected parts, joints, references and what differs when they close
/// @param chances of each joint by its identifier, 0 to 1
/// @param parts chances of parts that need not be there though their joint is, by identifier
/// @param variants what a joint may be instead, in words
/// @param asks how it is told from others: what the front, the focus and the rear look like, in words
public record Build(Instrument expected, Map<String, Double> chances, Map<String, Double> parts, Map<String, String> variants, Asks asks) {
    /// How an instrument built so looks before anything is opened.
    public record Asks(String front, String focus, String rear) {
        public String answer(Ask ask) {
            return switch (ask) {
                case FRONT -> front;
                case FOCUS -> focus;
                case REAR -> rear;
            };
        }
    }

    /// What constructions are told apart by from outside.
    public enum Ask {
        FRONT,
        FOCUS,
        REAR
    }

    /// Those that look as was answered.
    /// @param answers to some of the questions
    public static List<Build> fitting(List<Build> all, Map<Ask, String> answers) {
        return all.stream().filter(b -> answers.entrySet().stream().allMatch(a -> b.asks.answer(a.getKey()).equals(a.getValue()))).toList();
    }

    /// What could be answered to a question: nothing where all look the same.
    public static List<String> answers(List<Build> all, Ask ask) {
        List<String> distinct = all.stream().map(b -> b.asks.answer(ask)).filter(a -> !a.isEmpty()).distinct().toList();
        return distinct.size() > 1 ? distinct : List.of();
    }

    public Build {
        chances = Map.copyOf(chances);
        parts = Map.copyOf(parts);
        variants = Map.copyOf(variants);
        parts.forEach((part, chance) -> {
            if (expected.part(part).isEmpty() || !(chance > 0 && chance <= 1)) {
                throw new IllegalArgumentException("part " + part + " has a chance of " + chance + ": name a part that is there and give one above 0 and up to 1");
            }
        });
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

    /// Chance that a part is there once its joint is.
    public double partChance(String part) {
        return parts.getOrDefault(part, 1.0);
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
