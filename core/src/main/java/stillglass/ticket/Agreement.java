package stillglass.ticket;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import stillglass.look.FindingKind;
import stillglass.look.ShopTeaching;
import stillglass.ticket.glass.Known;
import stillglass.ticket.glass.Photo;
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
    private record Pair(FindingKind computed, FindingKind technician) {}

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

    /// What one ticket teaches; nothing while its looking is not called done. Severities count where one was said at all: then those that were left are agreed to.
    public static ShopTeaching teaching(TicketState t) {
        if (!t.done(Stage.LOOK)) {
            return ShopTeaching.NONE;
        }
        List<ShopTeaching.Judged> judged = new ArrayList<>();
        List<ShopTeaching.Severe> severe = new ArrayList<>();
        List<Known> own = t.glass().findings().stream().filter(k -> !byHand(k)).toList();
        boolean said = own.stream().anyMatch(k -> k.computedSeverity().isPresent());
        for (Known k : own) {
            // What the lamp at another place made of a kind nobody said, and so it teaches nothing.
            Known left = t.glass().known().getOrDefault(k.id(), k);
            FindingKind read = read(left);
            judged.add(new ShopTeaching.Judged(taken(t, k), read, left.finding().kind(), 1));
            if (said && read == left.finding().kind()) {
                severe.add(new ShopTeaching.Severe(taken(t, k), read, ShopTeaching.severity(k.finding(), k.computedSeverity().orElse(k.finding().severity())), k.finding().severity(), 1));
            }
        }
        t.glass().dismissed().values().stream().filter(k -> !byHand(k)).forEach(k -> judged.add(new ShopTeaching.Judged(taken(t, k), read(k), FindingKind.UNKNOWN, 1)));
        return new ShopTeaching(judged, severe);
    }

    private static ShopTeaching.Taken taken(TicketState t, Known k) {
        return t.glass().photo(k.photoId()).map(Photo::taken).orElse(ShopTeaching.Taken.UNKNOWN);
    }

    private static boolean byHand(Known k) {
        return k.id().contains("+");
    }

    public static Agreement of(List<TicketState> tickets) {
        return of(tickets.stream().map(Agreement::teaching).reduce(ShopTeaching.NONE, ShopTeaching::and), tickets.stream().mapToInt(Agreement::missed).sum(), tickets.stream().mapToInt(Agreement::overruled).sum());
    }

    /// @param taught by all tickets together
    public static Agreement of(ShopTeaching taught, int missed, int gradesOverruled) {
        Map<Pair, Integer> pairs = new LinkedHashMap<>();
        taught.judged().forEach(j -> pairs.merge(new Pair(j.read(), j.truth()), j.times(), Integer::sum));
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
