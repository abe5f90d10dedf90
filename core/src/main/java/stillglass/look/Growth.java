package stillglass.look;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;

/// How fast a finding grew between visits: colonies and separated cement creep outward at about the same speed all the time, so the radius of a disc of the same area is fitted against the day.
///
/// Weighted least squares of the radius; every photo's radius scatters by half of what areas scatter in the logarithm ([PhotoChange#LOG_AREA_SCATTER]) and is no better than the outline itself. The interval is that of the slope, from the stated
/// scatter and not from how well few points happen to lie on a line.
///
/// @param perMonth radius gained in 30 days, aperture radii
/// @param low lower end of its 95 % interval
/// @param high upper end
/// @param from first day
/// @param to last day
/// @param photos how many days were used
/// @param radius at the last day, as fitted
/// @param monthsToTell months after the last photo when one more would tell, if it goes on as it seems to; nothing where that is known already, or takes longer than two years
public record Growth(double perMonth, double low, double high, LocalDate from, LocalDate to, int photos, double radius, OptionalInt monthsToTell) {
    private static final double INTERVAL = 1.96;
    /// An outline is no better than this, aperture radii.
    private static final double OUTLINE = 0.006;
    private static final double MONTH = 30;
    /// Days that photos must lie apart to be visits of their own.
    public static final int APART_DAYS = 14;
    /// Creep below this is none that matters within years, aperture radii a month.
    private static final double STILL = 0.002;
    private static final int LATEST_MONTHS = 24;

    /// @param areaShare of the clear aperture
    public record Visit(LocalDate day, double areaShare) {
        public Visit {
            if (!(areaShare > 0 && areaShare <= 2)) {
                throw new IllegalArgumentException("a finding that covers " + areaShare + " of the glass cannot be measured");
            }
        }

        double radius() {
            return Math.sqrt(areaShare);
        }

        double sigma() {
            return Math.hypot(OUTLINE, radius() * PhotoChange.LOG_AREA_SCATTER / 2);
        }
    }

    /// What can be said of it.
    public enum Verdict {
        GROWS,
        STILL,
        SHRANK,
        /// The photos do not tell.
        OPEN
    }

    /// @return nothing while all photos are of one visit
    public static Optional<Growth> of(List<Visit> visits) {
        List<Visit> all = visits.stream().sorted(Comparator.comparing(Visit::day)).toList();
        if (all.size() < 2 || ChronoUnit.DAYS.between(all.getFirst().day, all.getLast().day) < APART_DAYS) {
            return Optional.empty();
        }
        Growth now = fitted(all, OptionalInt.empty());
        return Optional.of(now.verdict() == Verdict.OPEN ? fitted(all, now.toTell(all)) : now);
    }

    private static Growth fitted(List<Visit> all, OptionalInt monthsToTell) {
        LocalDate last = all.getLast().day;
        double w = 0;
        double wt = 0;
        double wr = 0;
        for (Visit v : all) {
            double weight = 1 / (v.sigma() * v.sigma());
            w += weight;
            wt += weight * months(v.day, last);
            wr += weight * v.radius();
        }
        double spread = 0;
        double slope = 0;
        for (Visit v : all) {
            double weight = 1 / (v.sigma() * v.sigma());
            double t = months(v.day, last) - wt / w;
            spread += weight * t * t;
            slope += weight * t * (v.radius() - wr / w);
        }
        slope /= spread;
        double half = INTERVAL / Math.sqrt(spread);
        return new Growth(slope, slope - half, slope + half, all.getFirst().day, last, all.size(), Math.max(0, wr / w - slope * wt / w), monthsToTell);
    }

    /// With one more photo that finds it where it would be by then.
    private OptionalInt toTell(List<Visit> all) {
        for (int m = 1; m <= LATEST_MONTHS; m++) {
            double then = Math.clamp(radius + perMonth * m, OUTLINE, 1);
            List<Visit> more = Stream.concat(all.stream(), Stream.of(new Visit(to.plusDays((long) (MONTH * m)), then * then))).toList();
            if (fitted(more, OptionalInt.empty()).verdict() != Verdict.OPEN) {
                return OptionalInt.of(m);
            }
        }
        return OptionalInt.empty();
    }

    /// Negative before the last day.
    private static double months(LocalDate day, LocalDate last) {
        return -ChronoUnit.DAYS.between(day, last) / MONTH;
    }

    public Verdict verdict() {
        return low > 0 ? Verdict.GROWS : high < 0 ? Verdict.SHRANK : high < STILL ? Verdict.STILL : Verdict.OPEN;
    }

    /// Months until it would cover a share of the glass if it grows as fast as it may.
    /// @return nothing where it does not get there within two years
    public OptionalInt monthsTo(double areaShare) {
        double way = Math.sqrt(areaShare) - radius;
        if (way <= 0) {
            return OptionalInt.of(0);
        }
        double months = high > 0 ? way / high : Double.POSITIVE_INFINITY;
        return months <= LATEST_MONTHS ? OptionalInt.of((int) Math.floor(months)) : OptionalInt.empty();
    }
}
