package stillglass.ticket;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import stillglass.look.FindingKind;

/// How often the technician and the photo agree on what a fault is, over many tickets, and where they differ.
///
/// Counted are findings of tickets whose looking was called done: what was left as computed is agreed to, what was given another kind or
/// dismissed is not. Findings drawn by hand were not seen at all and are counted apart.
///
/// Reference: J. Cohen, *Educational and Psychological Measurement* 20 (1960), for kappa.
///
/// @param findings counted
/// @param same left as computed
/// @param kappa agreement beyond chance, -1 to 1; not a number below two findings or when only one kind ever occurs
/// @param missed drawn by hand
/// @param gradesOverruled grades the technician set otherwise
/// @param differences most frequent first
public record Agreement(int findings, int same, double kappa, int missed, int gradesOverruled, List<Difference> differences) {
    /// @param technician `UNKNOWN` when it was dismissed as no fault
    public record Difference(FindingKind computed, FindingKind technician, int times) {}

    public Agreement {
        differences = List.copyOf(differences);
    }

    private record Pair(FindingKind computed, FindingKind technician) {}

    public static Agreement of(List<TicketState> tickets) {
        Map<Pair, Integer> pairs = new LinkedHashMap<>();
        int missed = 0;
        int grades = 0;
        for (TicketState t : tickets) {
            if (!t.done(Stage.LOOK)) {
                continue;
            }
            for (Known k : t.findings()) {
                grades += k.overruled().isPresent() ? 1 : 0;
                if (k.id().contains("+")) {
                    missed++;
                } else {
                    pairs.merge(new Pair(k.computedKind().orElse(k.finding().kind()), k.finding().kind()), 1, Integer::sum);
                }
            }
            t.dismissed().stream().filter(k -> !k.id().contains("+"))
                    .forEach(k -> pairs.merge(new Pair(k.computedKind().orElse(k.finding().kind()), FindingKind.UNKNOWN), 1, Integer::sum));
        }
        int all = pairs.values().stream().mapToInt(n -> n).sum();
        int same = pairs.entrySet().stream().filter(e -> e.getKey().computed == e.getKey().technician && e.getKey().technician != FindingKind.UNKNOWN)
                .mapToInt(Map.Entry::getValue).sum();
        List<Difference> differences = new ArrayList<>();
        pairs.forEach((p, n) -> {
            if (p.computed != p.technician || p.technician == FindingKind.UNKNOWN) {
                differences.add(new Difference(p.computed, p.technician, n));
            }
        });
        differences.sort(Comparator.comparingInt(Difference::times).reversed().thenComparing(Difference::computed).thenComparing(Difference::technician));
        return new Agreement(all, same, kappa(pairs, all, same), missed, grades, differences);
    }

    private static double kappa(Map<Pair, Integer> pairs, int all, int same) {
        if (all < 2) {
            return Double.NaN;
        }
        double chance = 0;
        for (FindingKind k : FindingKind.values()) {
            double computed = pairs.entrySet().stream().filter(e -> e.getKey().computed == k).mapToInt(Map.Entry::getValue).sum();
            double technician = pairs.entrySet().stream().filter(e -> e.getKey().technician == k).mapToInt(Map.Entry::getValue).sum();
            chance += computed * technician / ((double) all * all);
        }
        return chance >= 1 ? Double.NaN : (same / (double) all - chance) / (1 - chance);
    }
}
