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

    /// Probability by both photos from which a kind is named.
    private static final double NAMED = 0.4;

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

    /// Whether both are of the same kind, or of kinds that a photo holds for possible.
    public static boolean mayBeOneKind(Finding a, Finding b) {
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
        return judged(clearer(a, b), a, b);
    }

    /// One finding of two from opposite sides: outlines stay those of the first, kind and chances come from both.
    public static Finding fromBothSides(Finding a, Finding b) {
        Finding clearer = clearer(a, b);
        Finding kept = a.chances().isEmpty() && clearer != a ? a.told(b.kind(), Map.of(b.kind(), b.confidence())) : a;
        return judged(kept, a, b);
    }

    private static Finding clearer(Finding a, Finding b) {
        return b.confidence() > a.confidence() && b.kind() != FindingKind.UNKNOWN || a.kind() == FindingKind.UNKNOWN ? b : a;
    }

    /// @param shape gives all that is not judged by both
    private static Finding judged(Finding shape, Finding a, Finding b) {
        if (a.chances().isEmpty() || b.chances().isEmpty()) {
            return shape;
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
        FindingKind kind = both.getOrDefault(best, 0.0) >= NAMED ? best : shape.kind();
        return new Finding(kind, both.getOrDefault(kind, 0.0), shape.regions(), shape.areaShare(), Math.max(a.count(), b.count()), shape.x(), shape.y(),
                shape.contrast(), Math.max(a.severity(), b.severity()), shape.reasons(), both, shape.sharpness());
    }
}
