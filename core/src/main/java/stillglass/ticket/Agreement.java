package stillglass.ticket;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import stillglass.look.FindingKind;
import stillglass.look.ShopTeaching;
import stillglass.ticket.glass.Known;
import stillglass.ticket.story.Stage;

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

    /// A kind as it was computed, and as the technician has it.
    public record Pair(FindingKind computed, FindingKind technician) {}

    /// Findings of one ticket by how they were computed and left; none while its looking is not called done.
    public static Map<Pair, Integer> pairs(TicketState t) {
        Map<Pair, Integer> pairs = new LinkedHashMap<>();
        if (t.done(Stage.LOOK)) {
            t.glass().findings().stream().filter(k -> !byHand(k)).forEach(k -> pairs.merge(new Pair(read(k), k.finding().kind()), 1, Integer::sum));
            t.glass().dismissed().values().stream().filter(k -> !byHand(k))
                    .forEach(k -> pairs.merge(new Pair(read(k), FindingKind.UNKNOWN), 1, Integer::sum));
        }
        return pairs;
    }

    /// Findings of one ticket that were drawn by hand.
    public static int missed(TicketState t) {
        return t.done(Stage.LOOK) ? (int) t.glass().findings().stream().filter(Agreement::byHand).count() : 0;
    }

    /// Grades of one ticket that the technician set otherwise.
    public static int overruled(TicketState t) {
        return t.done(Stage.LOOK) ? (int) t.glass().findings().stream().filter(k -> k.overruled().isPresent()).count() : 0;
    }

    /// By the photo alone, before any teaching of the shop: what is taught must not teach itself.
    private static FindingKind read(Known k) {
        return ShopTeaching.read(k.finding(), k.computedKind().orElse(k.finding().kind()));
    }

    /// What all tickets together teach.
    public static ShopTeaching teaching(Map<Pair, Integer> pairs) {
        Map<FindingKind, Map<FindingKind, Integer>> counts = new EnumMap<>(FindingKind.class);
        pairs.forEach((p, n) -> counts.computeIfAbsent(p.computed, k -> new EnumMap<>(FindingKind.class)).merge(p.technician, n, Integer::sum));
        return new ShopTeaching(counts);
    }

    private static boolean byHand(Known k) {
        return k.id().contains("+");
    }

    public static Agreement of(List<TicketState> tickets) {
        Map<Pair, Integer> pairs = new LinkedHashMap<>();
        tickets.forEach(t -> pairs(t).forEach((p, n) -> pairs.merge(p, n, Integer::sum)));
        return of(pairs, tickets.stream().mapToInt(Agreement::missed).sum(), tickets.stream().mapToInt(Agreement::overruled).sum());
    }

    /// @param pairs of all tickets together
    public static Agreement of(Map<Pair, Integer> pairs, int missed, int gradesOverruled) {
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
        return new Agreement(all, same, kappa(pairs, all, same), missed, gradesOverruled, differences);
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
