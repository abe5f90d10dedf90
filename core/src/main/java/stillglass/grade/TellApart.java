package stillglass.grade;

import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import stillglass.look.Finding;
import stillglass.look.FindingKind;
import stillglass.optics.LensSection;
import stillglass.say.Said;

/// What a fault is, from the photo, the structure of the lens and the answers to cheap tests; and which test to do next.
///
/// Bayes' rule over the kinds: the photo's probabilities, nothing for kinds that the section rules out, times the likelihood of every
/// answer. Tests are taken as independent given the kind. The next test is the one with the largest expected gain of information per
/// minute, risk counted as minutes.
///
/// @param chances probability of every kind that is possible, summing to one
/// @param ruledOut kinds that the section rules out, with the reason
/// @param next the most informative test, empty when none would tell enough
/// @param gainBits expected gain of that test
public record TellApart(Map<FindingKind, Double> chances, Map<FindingKind, Said> ruledOut, Optional<CheapTest> next, double gainBits) {
    /// Minutes that a certain harm weighs: the photo's and the test's cost are compared in one unit.
    private static final double HARM_MINUTES = 240;
    /// Even what the photo thinks impossible keeps this chance: photos err.
    private static final double PHOTO_ERRS = 0.01;
    /// Doubt below which no question is asked, bits.
    private static final double SETTLED_BITS = 0.45;
    private static final double LEAST_GAIN_BITS = 0.06;

    public TellApart {
        chances = Map.copyOf(chances);
        ruledOut = Map.copyOf(ruledOut);
    }

    /// An answer that was given.
    public record Answered(String test, CheapTest.Answer answer) {}

    /// @param finding whose kind is in doubt; one without chances is taken as sure as its confidence says
    /// @param surface where it lies, if that is known
    /// @param lens where its section is known; nothing is ruled out where it is not
    /// @param answered in any order; a test that is not in the table is passed over
    public static TellApart of(Finding finding, Optional<Integer> surface, Optional<LensSection> lens, List<CheapTest> table, List<Answered> answered) {
        Map<FindingKind, Double> p = new EnumMap<>(FindingKind.class);
        Map<FindingKind, Said> not = new EnumMap<>(FindingKind.class);
        for (FindingKind k : FindingKind.values()) {
            if (k == FindingKind.UNKNOWN) {
                continue;
            }
            Optional<Said> why = lens.flatMap(l -> MayLie.nowhere(k, l).or(() -> surface.flatMap(s -> MayLie.notOn(k, l, s))));
            if (why.isPresent()) {
                not.put(k, why.get());
            } else {
                p.put(k, prior(finding, k));
            }
        }
        for (Answered a : answered) {
            table.stream().filter(t -> t.id().equals(a.test())).forEach(t -> p.replaceAll((k, v) -> v * t.likelihood(k, a.answer())));
        }
        normalise(p);
        Set<String> asked = new java.util.HashSet<>(answered.stream().map(Answered::test).toList());
        Optional<CheapTest> next = entropy(p) < SETTLED_BITS ? Optional.empty()
                : table.stream().filter(t -> !asked.contains(t.id()) && gain(p, t) > LEAST_GAIN_BITS)
                        .max(Comparator.comparingDouble(t -> gain(p, t) / (t.minutes() + HARM_MINUTES * t.risk())));
        return new TellApart(p, not, next, next.map(t -> gain(p, t)).orElse(0.0));
    }

    private static double prior(Finding f, FindingKind k) {
        int others = FindingKind.values().length - 2;
        double photo = f.chances().isEmpty()
                ? (k == f.kind() ? f.confidence() : (1 - f.confidence()) / others)
                : f.chances().getOrDefault(k, 0.0);
        return PHOTO_ERRS / (others + 1) + (1 - PHOTO_ERRS) * photo;
    }

    private static void normalise(Map<FindingKind, Double> p) {
        double sum = p.values().stream().mapToDouble(Double::doubleValue).sum();
        p.replaceAll((k, v) -> v / sum);
    }

    /// Doubt in bits.
    static double entropy(Map<FindingKind, Double> p) {
        return p.values().stream().filter(v -> v > 0).mapToDouble(v -> -v * Math.log(v) / Math.log(2)).sum();
    }

    /// Expected fall of the doubt by a test, bits.
    static double gain(Map<FindingKind, Double> p, CheapTest t) {
        double after = 0;
        for (CheapTest.Answer a : List.of(CheapTest.Answer.YES, CheapTest.Answer.NO)) {
            Map<FindingKind, Double> q = new EnumMap<>(FindingKind.class);
            p.forEach((k, v) -> q.put(k, v * t.likelihood(k, a)));
            double chance = q.values().stream().mapToDouble(Double::doubleValue).sum();
            if (chance > 0) {
                normalise(q);
                after += chance * entropy(q);
            }
        }
        return entropy(p) - after;
    }

    /// Kinds from the likeliest on.
    public List<FindingKind> ranked() {
        return chances.entrySet().stream().sorted(Map.Entry.<FindingKind, Double>comparingByValue().reversed().thenComparing(Map.Entry.comparingByKey()))
                .map(Map.Entry::getKey).toList();
    }

    public FindingKind likeliest() {
        return ranked().getFirst();
    }
}
