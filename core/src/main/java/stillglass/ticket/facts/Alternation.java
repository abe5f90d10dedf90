package stillglass.ticket.facts;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import stillglass.say.Said;

/// Which screws of a ring hold what, guessed from the first that came out: longer and shorter ones by turns usually hold the layer below and the part itself. A chance, never a fact.
///
/// @param pattern the likeliest
/// @param chance of it
/// @param longMm length of the longer sort, where two were measured
/// @param shortMm length of the shorter
/// @param nextLong whether the next out would be of the longer sort; empty where that cannot be told
public record Alternation(Pattern pattern, double chance, Optional<Double> longMm, Optional<Double> shortMm, Optional<Boolean> nextLong) {
    /// Fewer screws show no pattern.
    private static final int LEAST = 3;
    /// A screw read or put down wrongly, or replaced by an earlier hand.
    private static final double SLIP = 0.05;

    /// How screws of one ring differ.
    public enum Pattern {
        /// All hold the same.
        ALIKE(0.55),
        /// By turns.
        BY_TURNS(0.27),
        /// Every third is another.
        THIRDS(0.06),
        /// No order in it.
        MIXED(0.12);

        private final double before;

        /// @param before how many rings of screws are so, by what is usual
        Pattern(double before) {
            this.before = before;
        }
    }

    /// @param record facts of one joint; its screws in the order they came out, neighbour after neighbour
    /// @return nothing for fewer than three, or where all that differs is unknown
    public static Optional<Alternation> of(List<Fact> record) {
        List<Screw> screws = record.stream().filter(Screw.class::isInstance).map(Screw.class::cast).toList();
        if (screws.size() < LEAST) {
            return Optional.empty();
        }
        int[] sorts = sorts(screws);
        Map<Pattern, Double> weights = new EnumMap<>(Pattern.class);
        double all = 0;
        for (Pattern p : Pattern.values()) {
            double w = p.before * likelihood(p, sorts);
            weights.put(p, w);
            all += w;
        }
        Pattern best = weights.entrySet().stream().max(Map.Entry.comparingByValue()).orElseThrow().getKey();
        double sum = all;
        double[] means = means(screws, sorts);
        boolean measured = !Double.isNaN(means[0]) && !Double.isNaN(means[1]);
        Optional<Boolean> next = best == Pattern.BY_TURNS && measured ? Optional.of(means[sorts[screws.size() % 2]] > means[1 - sorts[screws.size() % 2]]) : Optional.empty();
        return Optional.of(new Alternation(best, weights.getOrDefault(best, 0.0) / sum, measured ? Optional.of(Math.max(means[0], means[1])) : Optional.empty(),
                measured ? Optional.of(Math.min(means[0], means[1])) : Optional.empty(), next));
    }

    /// The number of its sort for each screw: of one sort are those of which nothing that was said differs.
    private static int[] sorts(List<Screw> screws) {
        List<Screw> firsts = new ArrayList<>();
        int[] sorts = new int[screws.size()];
        for (int i = 0; i < sorts.length; i++) {
            Screw s = screws.get(i);
            int known = -1;
            for (int k = 0; k < firsts.size() && known < 0; k++) {
                known = firsts.get(k).fits(s) ? k : -1;
            }
            if (known < 0) {
                firsts.add(s);
                known = firsts.size() - 1;
            }
            sorts[i] = known;
        }
        return sorts;
    }

    /// Mean lengths of the first two sorts; not a number where nothing was measured.
    private static double[] means(List<Screw> screws, int[] sorts) {
        double[] means = new double[2];
        for (int k = 0; k < 2; k++) {
            int sort = k;
            means[k] = java.util.stream.IntStream.range(0, sorts.length).filter(i -> sorts[i] == sort && screws.get(i).lengthMm().isPresent())
                    .mapToDouble(i -> screws.get(i).lengthMm().orElse(0.0)).average().orElse(Double.NaN);
        }
        return means;
    }

    private static double likelihood(Pattern p, int[] sorts) {
        return switch (p) {
            case ALIKE -> periodic(sorts, new int[] {0});
            case BY_TURNS -> periodic(sorts, new int[] {0, 1});
            case THIRDS -> (periodic(sorts, new int[] {0, 0, 1}) + periodic(sorts, new int[] {0, 1, 0}) + periodic(sorts, new int[] {0, 1, 1})) / 3;
            case MIXED -> Math.pow(0.5, sorts.length - 1.0);
        };
    }

    private static double periodic(int[] sorts, int[] pattern) {
        double p = 1;
        for (int i = 1; i < sorts.length; i++) {
            p *= sorts[i] == pattern[i % pattern.length] ? 1 - SLIP : SLIP;
        }
        return p;
    }

    /// Nothing to say where all are alike.
    public Optional<Said> said() {
        return switch (pattern) {
            case ALIKE -> Optional.empty();
            case BY_TURNS -> Optional.of(nextLong.map(l -> Said.of(l ? "alternation.next.long" : "alternation.next.short", "percent", 100 * chance, "long", longMm.orElse(0.0), "short", shortMm.orElse(0.0)))
                    .orElseGet(() -> Said.of("alternation.turns", "percent", 100 * chance)));
            case THIRDS -> Optional.of(Said.of("alternation.thirds", "percent", 100 * chance));
            case MIXED -> Optional.of(Said.of("alternation.mixed", "percent", 100 * chance));
        };
    }
}
