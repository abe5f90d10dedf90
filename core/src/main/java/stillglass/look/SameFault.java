package stillglass.look;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// Whether findings of two photos are one fault, and what both photos together say about its kind.
public final class SameFault {
    /// Share of the smaller outline that must lie in the other.
    private static final double OVERLAPS = 0.25;
    /// Small faults are the same when this close, aperture radii: parallax of inner surfaces stays below it for a camera held square.
    private static final double CLOSE = 0.10;

    private SameFault() {}

    /// The finding of another photo from the same side that is most likely the same fault.
    public static Optional<Finding> in(List<Finding> others, Finding f) {
        return others.stream().filter(o -> same(o, f)).min(java.util.Comparator.comparingDouble(o -> apart(o, f)));
    }

    /// Both taken from the same side.
    public static boolean same(Finding a, Finding b) {
        if (!mayBeOneKind(a, b)) {
            return false;
        }
        boolean everywhere = a.kind() == b.kind() && switch (a.kind()) {
            case DUST, HAZE, CLEANING_MARKS, BUBBLE -> true;
            default -> false;
        };
        return everywhere || apart(a, b) < CLOSE && ratio(a, b) > 0.15 || !a.regions().isEmpty() && !b.regions().isEmpty() && Outlines.overlap(a, b) > OVERLAPS;
    }

    /// The same kind, or kinds that each photo holds for possible.
    private static boolean mayBeOneKind(Finding a, Finding b) {
        return a.kind() == b.kind()
                || a.chances().getOrDefault(b.kind(), a.kind() == FindingKind.UNKNOWN ? 1.0 : 0.0) > 0.1
                || b.chances().getOrDefault(a.kind(), b.kind() == FindingKind.UNKNOWN ? 1.0 : 0.0) > 0.1;
    }

    private static double apart(Finding a, Finding b) {
        return Math.hypot(a.x() - b.x(), a.y() - b.y());
    }

    private static double ratio(Finding a, Finding b) {
        double most = Math.max(a.areaShare(), b.areaShare());
        return most <= 0 ? 1 : Math.min(a.areaShare(), b.areaShare()) / most;
    }

    /// One finding of two: the clearer photo gives outline and reasons, both give the chances (their geometric mean, for two photos of one
    /// fault err together more often than by chance).
    public static Finding together(Finding a, Finding b) {
        Finding clearer = b.confidence() > a.confidence() && b.kind() != FindingKind.UNKNOWN || a.kind() == FindingKind.UNKNOWN ? b : a;
        if (a.chances().isEmpty() || b.chances().isEmpty()) {
            return clearer;
        }
        Map<FindingKind, Double> both = new EnumMap<>(FindingKind.class);
        double sum = 0;
        for (FindingKind k : FindingKind.values()) {
            double p = Math.sqrt(Math.max(1e-4, a.chances().getOrDefault(k, 0.0)) * Math.max(1e-4, b.chances().getOrDefault(k, 0.0)));
            both.put(k, p);
            sum += p;
        }
        double all = sum;
        both.replaceAll((k, p) -> p / all);
        FindingKind best = both.entrySet().stream().filter(e -> e.getKey() != FindingKind.UNKNOWN).max(Map.Entry.comparingByValue()).orElseThrow().getKey();
        FindingKind kind = both.getOrDefault(best, 0.0) >= 0.4 ? best : clearer.kind();
        return new Finding(kind, both.getOrDefault(kind, 0.0), clearer.regions(), clearer.areaShare(), Math.max(a.count(), b.count()), clearer.x(), clearer.y(),
                clearer.contrast(), Math.max(a.severity(), b.severity()), clearer.reasons(), both, clearer.sharpness());
    }
}
