package stillglass.care;

import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;

/// How yellow glass clears under ultraviolet light, from photos before, between and after: colour centres fade each by its own chance, so what blue light loses falls as A₀·exp(−t/τ), in stops (a logarithm of light, as absorption is).
///
/// A₀ and τ follow by weighted least squares; the 95 % interval of the hour at which it is clear is where chi squared, τ fitted anew, rises by less than 3.84. It knows nothing of yellow that never bleaches, of cement and coatings: where the last photos no longer fall, that is what is left.
///
/// @param tauH hours of light in which it falls to a third
/// @param clearAtH hours of light in all until it is clear
/// @param fromH start of the 95 % interval of that
/// @param toH its end; infinite while nothing bounds it
public record Bleaching(double tauH, double clearAtH, double fromH, double toH) {
    private static final double CHI = 3.84;
    private static final double SLOWEST = 1e4;
    private static final double QUICKEST = 50;

    /// A photo.
    /// @param hours of light before it
    /// @param stops of blue lost beyond red
    /// @param sigma one standard deviation
    public record Seen(double hours, double stops, double sigma) {
        public Seen {
            if (!(hours >= 0 && hours < 1e5) || !Double.isFinite(stops) || !(sigma > 0 && sigma < 10)) {
                throw new IllegalArgumentException(stops + " ± " + sigma + " stops after " + hours + " h are no reading");
            }
        }
    }

    private record Fit(double a, double tau, double chi) {}

    /// @param all in the order they were taken
    /// @param clear stops from which it is called clear
    /// @return nothing while fewer than two different doses were seen, or it does not fall
    public static Optional<Bleaching> of(List<Seen> all, double clear) {
        if (all.stream().mapToDouble(Seen::hours).distinct().count() < 2 || !(clear > 0)) {
            return Optional.empty();
        }
        double span = all.stream().mapToDouble(Seen::hours).max().orElseThrow() - all.stream().mapToDouble(Seen::hours).min().orElseThrow();
        Fit best = amplitude(all, Least.of(t -> amplitude(all, t).chi, span / QUICKEST, span * SLOWEST));
        if (best.tau >= span * SLOWEST * 0.9 || best.a <= clear) {
            return Optional.empty();
        }
        double at = best.tau * Math.log(best.a / clear);
        double allowed = best.chi + CHI;
        return Optional.of(new Bleaching(best.tau, at, edge(all, clear, at, -1, allowed, span), edge(all, clear, at, 1, allowed, span)));
    }

    private static Fit amplitude(List<Seen> all, double tau) {
        double ee = 0;
        double ey = 0;
        for (Seen s : all) {
            double e = Math.exp(-s.hours / tau);
            double w = 1 / (s.sigma * s.sigma);
            ee += w * e * e;
            ey += w * e * s.stops;
        }
        double a = ee > 0 ? ey / ee : 0;
        return new Fit(a, tau, chi(all, a, tau));
    }

    private static double chi(List<Seen> all, double a, double tau) {
        double sum = 0;
        for (Seen s : all) {
            sum += Math.pow((s.stops - a * Math.exp(-s.hours / tau)) / s.sigma, 2);
        }
        return sum;
    }

    /// Least chi squared where it is clear at a given hour.
    private static double chiAt(List<Seen> all, double clear, double at, double span) {
        DoubleUnaryOperator chi = tau -> chi(all, clear * Math.exp(Math.min(700, at / tau)), tau);
        return chi.applyAsDouble(Least.of(chi, span / QUICKEST, span * SLOWEST));
    }

    private static double edge(List<Seen> all, double clear, double at, int way, double allowed, double span) {
        double inside = at;
        double step = 0.05 * Math.max(at, span);
        double outside = at + way * step;
        while (chiAt(all, clear, outside, span) <= allowed) {
            inside = outside;
            step *= 1.5;
            outside += way * step;
            if (way < 0 && outside <= 0) {
                return 0;
            }
            if (outside > SLOWEST * span) {
                return Double.POSITIVE_INFINITY;
            }
        }
        for (int i = 0; i < 40; i++) {
            double middle = (inside + outside) / 2;
            if (chiAt(all, clear, middle, span) <= allowed) {
                inside = middle;
            } else {
                outside = middle;
            }
        }
        return inside;
    }
}
