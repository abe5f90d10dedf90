package stillglass.benchmarks.look;

import java.util.Collection;
import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import stillglass.look.FindingKind;

/// Hits, false alarms and misses of kinds over photos.
final class Score {
    private final Map<FindingKind, int[]> counts = new EnumMap<>(FindingKind.class);

    void add(Set<FindingKind> truth, Set<FindingKind> found) {
        for (FindingKind k : FindingKind.values()) {
            if (k != FindingKind.UNKNOWN) {
                int[] c = counts.computeIfAbsent(k, x -> new int[3]);
                c[0] += truth.contains(k) && found.contains(k) ? 1 : 0;
                c[1] += !truth.contains(k) && found.contains(k) ? 1 : 0;
                c[2] += truth.contains(k) && !found.contains(k) ? 1 : 0;
            }
        }
    }

    static Score of(Collection<Trial> trials, Function<Trial, Set<FindingKind>> found) {
        Score s = new Score();
        trials.forEach(t -> s.add(t.truth(), found.apply(t)));
        return s;
    }

    private int[] of(FindingKind k) {
        return counts.getOrDefault(k, new int[3]);
    }

    int shown(FindingKind k) {
        return of(k)[0] + of(k)[2];
    }

    double precision(FindingKind k) {
        int[] c = of(k);
        return c[0] + c[1] == 0 ? Double.NaN : c[0] / (double) (c[0] + c[1]);
    }

    double recall(FindingKind k) {
        int[] c = of(k);
        return c[0] + c[2] == 0 ? Double.NaN : c[0] / (double) (c[0] + c[2]);
    }

    double f1(FindingKind k) {
        int[] c = of(k);
        int of = 2 * c[0] + c[1] + c[2];
        return of == 0 ? Double.NaN : 2.0 * c[0] / of;
    }

    /// Of all that is named the share that is there.
    double precision() {
        return counts.values().stream().mapToInt(c -> c[0]).sum() / (double) Math.max(1, counts.values().stream().mapToInt(c -> c[0] + c[1]).sum());
    }

    /// Of all that shows the share that is named.
    double recall() {
        return counts.values().stream().mapToInt(c -> c[0]).sum() / (double) Math.max(1, counts.values().stream().mapToInt(c -> c[0] + c[2]).sum());
    }

    /// Mean F1 over the kinds that occur.
    double macro() {
        return counts.keySet().stream().filter(k -> shown(k) > 0).mapToDouble(this::f1).average().orElse(Double.NaN);
    }
}
