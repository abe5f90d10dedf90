package stillglass.look;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// What became of every finding between two photos of one glass from the same side: before and after the work.
///
/// Positions are compared in aperture units, which takes out shift, scale and tilt; how far the lens was turned between the photos is found
/// by the marks of the mount ([stillglass.prove.Clocking]), or else by turning one set of findings against the other. Where nothing is left to turn by,
/// no turn is assumed and that is said.
///
/// @param turnDeg how far the later photo is turned clockwise against the earlier
/// @param turnKnown whether findings of both photos agree on that
/// @param changes one for every finding before, then those that are new
public record PhotoChange(double turnDeg, boolean turnKnown, List<Change> changes) {
    /// Scatter of the logarithm of a finding's area between photos of one fault, measured on the virtual bench; see docs/methods/look.md.
    public static final double LOG_AREA_SCATTER = 0.25;
    private static final double INTERVAL = 1.96;

    /// @param before empty when it is new
    /// @param after empty when it is gone
    /// @param lowShare area after over area before, lower end of its 95 % interval
    /// @param highShare upper end
    public record Change(Optional<Finding> before, Optional<Finding> after, double lowShare, double highShare) {
        public enum Outcome {
            GONE,
            LESS,
            ABOUT_THE_SAME,
            MORE,
            NEW
        }

        public Outcome outcome() {
            if (after.isEmpty()) {
                return Outcome.GONE;
            }
            if (before.isEmpty()) {
                return Outcome.NEW;
            }
            return highShare < 1 ? Outcome.LESS : lowShare > 1 ? Outcome.MORE : Outcome.ABOUT_THE_SAME;
        }
    }

    public PhotoChange {
        changes = List.copyOf(changes);
    }

    /// The turn is known from elsewhere.
    /// @param turnDeg how far the later photo is turned clockwise
    public static PhotoChange turned(List<Finding> before, List<Finding> after, double turnDeg) {
        return of(before, after, turnDeg, true);
    }

    /// The turn is sought in the findings.
    public static PhotoChange of(List<Finding> before, List<Finding> after) {
        double best = 0;
        double most = agreement(before, after, 0);
        double second = 0;
        for (int deg = -180; deg < 180; deg += 3) {
            double a = agreement(before, after, deg);
            if (a > most + 1e-9) {
                most = a;
                best = deg;
            }
        }
        for (int deg = -180; deg < 180; deg += 3) {
            if (Math.abs(Math.IEEEremainder(deg - best, 360)) > 15) {
                second = Math.max(second, agreement(before, after, deg));
            }
        }
        boolean known = most > 0 && most > 1.25 * second + 0.2;
        return of(before, after, known ? best : 0, known);
    }

    private static PhotoChange of(List<Finding> before, List<Finding> after, double turn, boolean known) {
        List<Finding> left = new ArrayList<>(after.stream().map(f -> turned(f, -turn)).toList());
        List<Change> changes = new ArrayList<>();
        for (Finding b : before) {
            Optional<Finding> now = SameFault.in(left, b);
            now.ifPresent(left::remove);
            double ratio = now.map(f -> f.areaShare() / Math.max(1e-9, b.areaShare())).orElse(0.0);
            double spread = Math.exp(INTERVAL * LOG_AREA_SCATTER * Math.sqrt(2));
            changes.add(new Change(Optional.of(b), now, ratio / spread, ratio * spread));
        }
        left.forEach(f -> changes.add(new Change(Optional.empty(), Optional.of(f), 1, 1)));
        return new PhotoChange(turn, known, changes);
    }

    /// How many localised findings lie where the other photo has one of their kind, when it is turned back.
    private static double agreement(List<Finding> before, List<Finding> after, double deg) {
        double sum = 0;
        for (Finding f : after) {
            Finding t = turned(f, -deg);
            for (Finding b : before) {
                double r = Math.hypot(b.x(), b.y());
                if (b.kind() == f.kind() && r > 0.15 && b.kind() != FindingKind.HAZE && b.kind() != FindingKind.DUST) {
                    double d = Math.hypot(t.x() - b.x(), t.y() - b.y());
                    sum += Math.exp(-d * d / (2 * 0.06 * 0.06));
                }
            }
        }
        return sum + specks(before, after, deg);
    }

    private static double specks(List<Finding> before, List<Finding> after, double deg) {
        Optional<Finding> a = before.stream().filter(f -> f.kind() == FindingKind.DUST).findFirst();
        Optional<Finding> b = after.stream().filter(f -> f.kind() == FindingKind.DUST).findFirst();
        if (a.isEmpty() || b.isEmpty()) {
            return 0;
        }
        List<Finding.Point> ours = a.get().regions().stream().map(PhotoChange::middle).toList();
        double hits = 0;
        for (Finding.Region r : turned(b.get(), -deg).regions()) {
            Finding.Point m = middle(r);
            hits += ours.stream().anyMatch(p -> Math.hypot(p.x() - m.x(), p.y() - m.y()) < 0.03) ? 1 : 0;
        }
        return 3 * hits / Math.max(4, b.get().regions().size());
    }

    private static Finding.Point middle(Finding.Region r) {
        return new Finding.Point(r.outline().stream().mapToDouble(Finding.Point::x).average().orElse(0),
                r.outline().stream().mapToDouble(Finding.Point::y).average().orElse(0));
    }

    /// The finding turned clockwise about the middle of the glass.
    static Finding turned(Finding f, double clockwiseDeg) {
        double c = Math.cos(Math.toRadians(clockwiseDeg));
        double s = Math.sin(Math.toRadians(clockwiseDeg));
        List<Finding.Region> regions = f.regions().stream().map(r -> new Finding.Region(r.outline().stream()
                .map(p -> new Finding.Point(c * p.x() + s * p.y(), -s * p.x() + c * p.y())).toList())).toList();
        return new Finding(f.kind(), f.confidence(), regions, f.areaShare(), f.count(), c * f.x() + s * f.y(), -s * f.x() + c * f.y(),
                f.contrast(), f.severity(), f.reasons(), f.chances(), f.sharpness());
    }
}
