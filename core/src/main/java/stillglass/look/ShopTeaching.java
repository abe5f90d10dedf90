package stillglass.look;

import java.util.EnumMap;
import java.util.Map;
import stillglass.say.Said;

/// What a shop's corrections teach about its camera and lamp: of what was read as one kind, how often it was that kind and how often another, or nothing.
///
/// A finding's chances p become Σ p(read)·c(read → true), with c the shop's counts beside [#PRIOR] findings that were read rightly: with eight corrected ones half the weight is the shop's. Nothing else of the reading is changed, and taking
/// the teaching away gives back what was read.
///
/// @param counts for every kind as read, how often it was which; `UNKNOWN` for no fault at all
public record ShopTeaching(Map<FindingKind, Map<FindingKind, Integer>> counts) {
    public static final ShopTeaching NONE = new ShopTeaching(Map.of());
    /// Findings read rightly that every kind starts with.
    public static final int PRIOR = 8;
    /// Judged findings below which nothing is taught.
    public static final int LEAST = 12;
    private static final String TAUGHT = "feature.taught";

    public ShopTeaching {
        Map<FindingKind, Map<FindingKind, Integer>> copy = new EnumMap<>(FindingKind.class);
        counts.forEach((k, of) -> {
            if (of.values().stream().anyMatch(n -> n < 0)) {
                throw new IllegalArgumentException("a kind cannot have been corrected less than no times");
            }
            copy.put(k, Map.copyOf(of));
        });
        counts = Map.copyOf(copy);
    }

    /// How much it helps, every judged finding told by the others only.
    /// @param findings judged
    /// @param before share read rightly
    /// @param after share told rightly
    public record Help(int findings, double before, double after) {
        /// Whether it is to be used.
        public boolean worth() {
            return findings >= LEAST && after > before;
        }
    }

    private int times(FindingKind read, FindingKind truth) {
        return counts.getOrDefault(read, Map.of()).getOrDefault(truth, 0);
    }

    private int judged(FindingKind read) {
        return counts.getOrDefault(read, Map.of()).values().stream().mapToInt(n -> n).sum();
    }

    private double share(FindingKind read, FindingKind truth) {
        return (times(read, truth) + (read == truth ? PRIOR : 0)) / (double) (judged(read) + PRIOR);
    }

    public Help help() {
        int all = 0;
        int right = 0;
        int told = 0;
        for (FindingKind read : FindingKind.values()) {
            for (FindingKind truth : FindingKind.values()) {
                int n = times(read, truth);
                all += n;
                right += read == truth ? n : 0;
                told += n > 0 && likeliest(read, truth) == truth ? n : 0;
            }
        }
        return new Help(all, all == 0 ? Double.NaN : right / (double) all, all == 0 ? Double.NaN : told / (double) all);
    }

    /// What is told of a finding read as one kind when one that was the other is left out.
    private FindingKind likeliest(FindingKind read, FindingKind without) {
        FindingKind best = read;
        double most = -1;
        for (FindingKind k : FindingKind.values()) {
            double n = times(read, k) - (k == without ? 1 : 0) + (k == read ? PRIOR : 0);
            if (n > most || n == most && k == read) {
                most = n;
                best = k;
            }
        }
        return best;
    }

    /// Chances as the shop has taught them.
    /// @param read by the photo alone; none where nothing is known of other kinds
    public Map<FindingKind, Double> chances(Map<FindingKind, Double> read) {
        Map<FindingKind, Double> out = new EnumMap<>(FindingKind.class);
        read.forEach((r, p) -> {
            for (FindingKind truth : FindingKind.values()) {
                double share = share(r, truth);
                if (share > 0) {
                    out.merge(truth, p * share, Double::sum);
                }
            }
        });
        return out;
    }

    /// A finding as it is told after the teaching. What mostly was nothing stays what it was read as, less sure; what was not sure enough to be named stays unnamed.
    public Finding taught(Finding read) {
        if (counts.isEmpty() || read.chances().isEmpty()) {
            return read;
        }
        Map<FindingKind, Double> now = chances(read.chances());
        if (read.kind() == FindingKind.UNKNOWN) {
            return read.told(FindingKind.UNKNOWN, now).sure(read.confidence());
        }
        FindingKind best = read.kind();
        for (Map.Entry<FindingKind, Double> e : now.entrySet()) {
            boolean other = e.getKey() != FindingKind.UNKNOWN && e.getValue() > now.getOrDefault(best, 0.0);
            best = other ? e.getKey() : best;
        }
        Finding told = read.told(best, now);
        return best == read.kind() ? told : told.because(Said.of(TAUGHT, "from", read.kind().word(), "times", times(read.kind(), best)));
    }

    /// The kind a finding was read as by the photo alone, before any teaching.
    public static FindingKind read(Finding told, FindingKind computed) {
        return told.reasons().stream().filter(r -> r.key().equals(TAUGHT)).findFirst()
                .map(r -> FindingKind.valueOf(String.valueOf(r.with().get("from")).toUpperCase(java.util.Locale.ROOT).replace('-', '_'))).orElse(computed);
    }
}
