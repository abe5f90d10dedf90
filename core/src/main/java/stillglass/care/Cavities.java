package stillglass.care;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import stillglass.say.Said;

/// In which order the cavities of something wet are opened: what corrodes fastest soonest, against how long it takes to get there.
///
/// What is lost is, for every cavity, its rate times the minutes until it is open. Where each lies behind at most one other, the order that loses least is found by joining the cavity with the most rate for a minute to the one before it, again and again, until nothing is left to be joined
/// (W. A. Horn, *SIAM Journal on Applied Mathematics* 23 (1972)).
///
/// @param order all of them, first one first
/// @param firm whether the first stays the first when any one rate is taken for half or for twice as much
public record Cavities(List<Cavity> order, boolean firm) {
    private static final int MOST = 40;

    /// What is in a cavity, by how fast it is lost once it is wet. The rates are the trade's sense of what goes first, not measured: a board goes within the hour, a spring pits overnight, brass takes weeks.
    public enum Holds {
        CIRCUIT(10, "circuit", "circuits", "board", "boards", "electronics", "sensor", "display"),
        CELL(8, "cell", "cells", "battery", "batteries"),
        CONTACT(4, "contact", "contacts", "switch", "switches", "connector", "connectors"),
        SPRING(3, "spring", "springs", "steel", "screws", "shutter", "escapement"),
        GLASS(2, "glass", "glasses", "prism", "mirror", "finder", "lens"),
        METAL(1, "metal", "brass", "aluminium", "nothing");

        private final double rate;
        private final List<String> words;

        Holds(double rate, String... words) {
            this.rate = rate;
            this.words = List.of(words);
        }

        public double rate() {
            return rate;
        }

        /// What a technician may call it.
        public List<String> words() {
            return words;
        }

        public Said said() {
            return Said.of("cavity." + name().toLowerCase(Locale.ROOT));
        }
    }

    /// @param minutes to get it open once what lies before it is
    /// @param holds the worst that is in it
    /// @param behind the cavity or cover that must be open before; empty for none
    public record Cavity(String name, double minutes, Holds holds, Optional<String> behind) {
        private static final double MOST_MINUTES = 600;

        public Cavity {
            if (name.isBlank() || !possible(minutes)) {
                throw new IllegalArgumentException("cavity “" + name + "” in " + minutes + " minutes: give a name and more than 0 and at most " + MOST_MINUTES + " minutes");
            }
        }

        /// Whether it can take so long.
        public static boolean possible(double minutes) {
            return minutes > 0 && minutes <= MOST_MINUTES;
        }
    }

    public Cavities {
        order = List.copyOf(order);
    }

    /// @param cavities what lies behind one that is not among them, lies open
    /// @throws IllegalArgumentException where they lie behind each other in a circle
    public static Cavities of(List<Cavity> cavities) {
        if (cavities.size() > MOST) {
            throw new IllegalArgumentException(cavities.size() + " cavities: give at most " + MOST);
        }
        double[] rates = cavities.stream().mapToDouble(c -> c.holds.rate).toArray();
        List<Cavity> best = order(cavities, rates);
        boolean firm = true;
        for (int i = 0; i < rates.length; i++) {
            for (double by : new double[] {0.5, 2}) {
                double[] other = rates.clone();
                other[i] *= by;
                firm &= order(cavities, other).getFirst().equals(best.getFirst());
            }
        }
        return new Cavities(best, firm);
    }

    /// Some cavities in a row, opened one right after the other.
    private record Row(List<Integer> at, double rate, double minutes) {}

    private static List<Cavity> order(List<Cavity> cavities, double[] rates) {
        int n = cavities.size();
        int[] before = new int[n];
        Arrays.fill(before, -1);
        Map<String, Integer> names = new HashMap<>();
        for (int i = 0; i < n; i++) {
            names.put(cavities.get(i).name.toLowerCase(Locale.ROOT), i);
        }
        for (int i = 0; i < n; i++) {
            before[i] = cavities.get(i).behind.map(b -> names.getOrDefault(b.toLowerCase(Locale.ROOT), -1)).orElse(-1);
        }
        Map<Integer, Row> rows = new LinkedHashMap<>();
        int[] rowOf = new int[n];
        for (int i = 0; i < n; i++) {
            rows.put(i, new Row(List.of(i), rates[i], cavities.get(i).minutes));
            rowOf[i] = i;
        }
        List<Cavity> order = new ArrayList<>();
        while (!rows.isEmpty()) {
            int best = -1;
            for (Map.Entry<Integer, Row> e : rows.entrySet()) {
                Row b = best < 0 ? e.getValue() : rows.getOrDefault(best, e.getValue());
                if (best < 0 || e.getValue().rate * b.minutes > b.rate * e.getValue().minutes) {
                    best = e.getKey();
                }
            }
            Row row = Optional.ofNullable(rows.remove(best)).orElseThrow();
            int needed = before[row.at.getFirst()];
            Optional<Row> earlier = needed < 0 ? Optional.empty() : Optional.ofNullable(rows.get(rowOf[needed]));
            if (earlier.isEmpty()) {
                if (needed >= 0 && rowOf[needed] == best) {
                    throw new IllegalArgumentException("“" + cavities.get(row.at.getFirst()).name + "” lies behind itself");
                }
                row.at.forEach(i -> order.add(cavities.get(i)));
                continue;
            }
            List<Integer> joined = new ArrayList<>(earlier.get().at);
            joined.addAll(row.at);
            row.at.forEach(i -> rowOf[i] = rowOf[needed]);
            rows.put(rowOf[needed], new Row(joined, earlier.get().rate + row.rate, earlier.get().minutes + row.minutes));
        }
        return order;
    }

    /// The worst that is in a cavity, or behind it.
    private Holds worst(Cavity c) {
        Holds worst = c.holds;
        for (Cavity o : order) {
            if (o.behind.filter(c.name::equalsIgnoreCase).isPresent()) {
                Holds there = worst(o);
                worst = there.rate > worst.rate ? there : worst;
            }
        }
        return worst;
    }

    /// What is opened next, why, and what follows.
    public Said said() {
        Cavity first = order.getFirst();
        Said next = Said.of("cavities.next", "cavity", first.name, "minutes", first.minutes, "holds", worst(first).said());
        Said all = order.size() == 1 ? next : Said.of("cavities.then", "next", next, "others", order.stream().skip(1).map(Cavity::name).toList());
        return firm ? all : Said.of("cavities.close", "all", all);
    }
}
