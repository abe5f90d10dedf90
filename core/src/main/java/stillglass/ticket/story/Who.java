package stillglass.ticket.story;

import java.util.Set;

/// Who acts.
/// @param author name of the person, as far as it is known
/// @param bench window or program that acts
/// @param others windows and programs that work on the same book now; what they did is theirs to take back
public record Who(String author, String bench, Set<String> others) {
    public Who {
        others = Set.copyOf(others);
    }

    /// One with the book to itself.
    public static Who alone(String bench) {
        return new Who("", bench, Set.of());
    }

    boolean owns(String otherBench) {
        return otherBench.equals(bench) || !others.contains(otherBench);
    }
}
