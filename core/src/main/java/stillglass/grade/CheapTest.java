package stillglass.grade;

import java.util.Map;
import stillglass.look.FindingKind;

/// Something cheap that can be done to find out what a fault is, with how often each kind answers yes.
///
/// @param id as written in files and events
/// @param question asked of the technician, answered by yes or no
/// @param minutes it takes, lens in hand
/// @param risk chance of doing harm, 0 to 1
/// @param touches whether the glass has to be reached by hand first
/// @param caution shown with the question, empty where there is none
/// @param yes probability of a yes for each kind
public record CheapTest(
        String id, String question, double minutes, double risk, boolean touches, String caution, Map<FindingKind, Double> yes) {
    /// Answers to a test.
    public enum Answer {
        YES,
        NO,
        UNSURE
    }

    public CheapTest {
        yes = Map.copyOf(yes);
        if (!(minutes > 0) || !(risk >= 0 && risk < 1)) {
            throw new IllegalArgumentException("test " + id + " with " + minutes + " min and risk " + risk + " is out of range");
        }
        for (Map.Entry<FindingKind, Double> e : yes.entrySet()) {
            if (!(e.getValue() > 0 && e.getValue() < 1)) {
                throw new IllegalArgumentException("test " + id + ": a yes for " + e.getKey().word() + " has probability " + e.getValue()
                        + ": nothing is certain, give more than 0 and less than 1");
            }
        }
    }

    /// Probability of an answer if the fault is of a kind; an unsure answer tells nothing.
    public double likelihood(FindingKind kind, Answer answer) {
        double y = yes.getOrDefault(kind, 0.5);
        return switch (answer) {
            case YES -> y;
            case NO -> 1 - y;
            case UNSURE -> 1;
        };
    }
}
