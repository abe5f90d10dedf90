package stillglass.look;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import stillglass.say.Said;

/// What a shop's corrections teach: of what was read as one kind, how often it was that kind and how often another, or nothing; and how much more or less severe things are than they look to the photo.
///
/// A finding's chances p become Σ p(read)·c(read → true). For the camera and lighting it was photographed with, c are the counts of that [setup](Taken) beside [#PRIOR] findings that are shared out as all other setups taught;
/// those in turn are the counts of the others beside [#PRIOR] that were read rightly. So a new camera begins with what the shop knows, and after eight findings of its own half the weight is its own.
/// Severity is shifted by the mean of what was said less what was read, shrunk the same way. Nothing else of the reading is changed, and taking the teaching away gives back what was read.
///
/// @param judged kinds that were judged
/// @param severities that were judged
public record ShopTeaching(List<Judged> judged, List<Severe> severities) {
    public static final ShopTeaching NONE = new ShopTeaching(List.of(), List.of());
    /// Findings read rightly that every kind starts with.
    public static final int PRIOR = 8;
    /// Judged findings below which nothing is taught.
    public static final int LEAST = 12;
    private static final String TAUGHT = "feature.taught";
    private static final String SHIFTED = "feature.taught.severity";
    private static final int MOST_SEVERE = 4;

    /// Which camera under which light.
    /// @param setup empty where nobody knows which camera it was: two unknown ones need not be one
    public record Taken(Optional<String> setup) {
        public static final Taken UNKNOWN = new Taken(Optional.empty());

        /// @param camera as it names itself in its files
        public static Taken with(Optional<String> camera, Lighting lighting) {
            return new Taken(camera.map(String::strip).filter(c -> !c.isEmpty()).map(c -> c + ", " + lighting.word()));
        }
    }

    /// Findings that were read as one kind and are another, or the same.
    /// @param truth `UNKNOWN` for no fault at all
    public record Judged(Taken taken, FindingKind read, FindingKind truth, int times) {
        public Judged {
            if (times < 0) {
                throw new IllegalArgumentException("a kind cannot have been corrected less than no times");
            }
        }
    }

    /// Findings that were read as so severe and are said to be otherwise, or the same.
    public record Severe(Taken taken, FindingKind kind, int read, int said, int times) {
        public Severe {
            if (times < 0 || read < 0 || read > MOST_SEVERE || said < 0 || said > MOST_SEVERE) {
                throw new IllegalArgumentException("severity " + read + " said to be " + said + " " + times + " times: give 0 to 4, and no less than no times");
            }
        }
    }

    public ShopTeaching {
        judged = List.copyOf(judged);
        severities = List.copyOf(severities);
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

    /// What is worth using of it.
    public ShopTeaching worthUsing() {
        return new ShopTeaching(help().worth() ? judged : List.of(), severityHelp().worth() ? severities : List.of());
    }

    /// Whether findings of a setup speak for one of another: an unknown camera is nobody's.
    private static boolean same(Taken a, Taken b) {
        return a.setup.isPresent() && a.setup.equals(b.setup);
    }

    private double times(FindingKind read, FindingKind truth, Taken taken, boolean own) {
        return judged.stream().filter(j -> j.read == read && j.truth == truth && same(j.taken, taken) == own).mapToInt(Judged::times).sum();
    }

    private double judged(FindingKind read, Taken taken, boolean own) {
        return judged.stream().filter(j -> j.read == read && same(j.taken, taken) == own).mapToInt(Judged::times).sum();
    }

    /// @param without one finding that is to be told by the others; empty for none
    private double share(FindingKind read, FindingKind truth, Taken taken, Optional<FindingKind> without) {
        boolean known = taken.setup.isPresent();
        double one = without.isPresent() ? 1 : 0;
        double it = without.filter(w -> w == truth).isPresent() ? 1 : 0;
        double shop = (times(read, truth, taken, false) - (known ? 0 : it) + (read == truth ? PRIOR : 0)) / (judged(read, taken, false) - (known ? 0 : one) + PRIOR);
        return known ? (times(read, truth, taken, true) - it + PRIOR * shop) / (judged(read, taken, true) - one + PRIOR) : shop;
    }

    public Help help() {
        int all = 0;
        int right = 0;
        int told = 0;
        for (Judged j : judged) {
            all += j.times;
            right += j.read == j.truth ? j.times : 0;
            told += j.times > 0 && likeliest(j) == j.truth ? j.times : 0;
        }
        return new Help(all, all == 0 ? Double.NaN : right / (double) all, all == 0 ? Double.NaN : told / (double) all);
    }

    /// What is told of one of these findings when it is left out itself.
    private FindingKind likeliest(Judged j) {
        FindingKind best = j.read;
        double most = share(j.read, j.read, j.taken, Optional.of(j.truth));
        for (FindingKind k : FindingKind.values()) {
            double s = share(j.read, k, j.taken, Optional.of(j.truth));
            if (s > most + 1e-12) {
                most = s;
                best = k;
            }
        }
        return best;
    }

    /// The same for severities: shares are of those that agree to the step.
    public Help severityHelp() {
        int all = 0;
        int right = 0;
        int told = 0;
        for (Severe s : severities) {
            all += s.times;
            right += s.read == s.said ? s.times : 0;
            told += s.times > 0 && shifted(s.read, shift(s.kind, s.taken, Optional.of(s))) == s.said ? s.times : 0;
        }
        return new Help(all, all == 0 ? Double.NaN : right / (double) all, all == 0 ? Double.NaN : told / (double) all);
    }

    /// @param without one of these is left out
    private double shift(FindingKind kind, Taken taken, Optional<Severe> without) {
        double others = PRIOR;
        double otherSum = 0;
        double own = PRIOR;
        double ownSum = 0;
        for (Severe s : severities) {
            int n = s.times - (without.filter(w -> w == s).isPresent() ? 1 : 0);
            if (s.kind == kind && same(s.taken, taken)) {
                own += n;
                ownSum += (double) n * (s.said - s.read);
            } else if (s.kind == kind) {
                others += n;
                otherSum += (double) n * (s.said - s.read);
            }
        }
        return (ownSum + PRIOR * otherSum / others) / own;
    }

    /// Half a step is none yet.
    private static int shifted(int read, double by) {
        return Math.clamp(read + (int) (Math.signum(by) * Math.ceil(Math.abs(by) - 0.5)), Math.min(read, 1), MOST_SEVERE);
    }

    /// Chances as the shop has taught them.
    /// @param read by the photo alone; none where nothing is known of other kinds
    public Map<FindingKind, Double> chances(Map<FindingKind, Double> read, Taken taken) {
        Map<FindingKind, Double> out = new EnumMap<>(FindingKind.class);
        read.forEach((r, p) -> {
            for (FindingKind truth : FindingKind.values()) {
                double share = share(r, truth, taken, Optional.empty());
                if (share > 0) {
                    out.merge(truth, p * share, Double::sum);
                }
            }
        });
        return out;
    }

    /// A finding as it is told after the teaching. What mostly was nothing stays what it was read as, less sure; what was not sure enough to be named stays unnamed.
    public Finding taught(Finding read, Taken taken) {
        return severity(kind(read, taken), taken);
    }

    private Finding kind(Finding read, Taken taken) {
        if (judged.isEmpty() || read.chances().isEmpty()) {
            return read;
        }
        Map<FindingKind, Double> now = chances(read.chances(), taken);
        if (read.kind() == FindingKind.UNKNOWN) {
            return read.told(FindingKind.UNKNOWN, now).sure(read.confidence());
        }
        FindingKind best = read.kind();
        for (Map.Entry<FindingKind, Double> e : now.entrySet()) {
            boolean other = e.getKey() != FindingKind.UNKNOWN && e.getValue() > now.getOrDefault(best, 0.0);
            best = other ? e.getKey() : best;
        }
        Finding told = read.told(best, now);
        int times = (int) (times(read.kind(), best, taken, true) + times(read.kind(), best, taken, false));
        return best == read.kind() ? told : told.because(Said.of(TAUGHT, "from", read.kind().word(), "times", times));
    }

    private Finding severity(Finding read, Taken taken) {
        int now = shifted(read.severity(), shift(read.kind(), taken, Optional.empty()));
        return now == read.severity() ? read : read.severe(now).because(Said.of(SHIFTED, "from", read.severity()));
    }

    private static Optional<Object> reason(Finding told, String key) {
        return told.reasons().stream().filter(r -> r.key().equals(key)).findFirst().map(r -> r.with().get("from"));
    }

    /// The kind a finding was read as by the photo alone, before any teaching.
    public static FindingKind read(Finding told, FindingKind computed) {
        return reason(told, TAUGHT).map(from -> FindingKind.valueOf(String.valueOf(from).toUpperCase(Locale.ROOT).replace('-', '_'))).orElse(computed);
    }

    /// The severity a finding was read as by the photo alone, before any teaching.
    public static int severity(Finding told, int computed) {
        return reason(told, SHIFTED).map(from -> from instanceof Number n ? n.intValue() : computed).orElse(computed);
    }

    /// Two shops' counts, or those of two tickets, together.
    public ShopTeaching and(ShopTeaching other) {
        List<Judged> kinds = new ArrayList<>(judged);
        kinds.addAll(other.judged);
        List<Severe> steps = new ArrayList<>(severities);
        steps.addAll(other.severities);
        return new ShopTeaching(kinds, steps);
    }
}
