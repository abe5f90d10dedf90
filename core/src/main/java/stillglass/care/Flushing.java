package stillglass.care;

import java.util.List;
import java.util.Optional;

/// When flushing blades in place has done what it can.
///
/// Each cycle takes a share of the oil that is left, so closing times fall towards what the mechanism itself takes: t = t∞ + a·qⁿ, fitted by least squares over q. It has done what it can when another cycle would gain less than a twentieth, and
/// no oil shows. Where times were not measured only what shows tells, and two cycles in a row without oil are asked for, for one dry look between two wet pivots is common.
///
/// @param verdict what to do next
/// @param settledMs what closing will come down to; empty while fewer than three times were measured
/// @param gainMs what one more cycle would gain
public record Flushing(Verdict verdict, Optional<Double> settledMs, Optional<Double> gainMs) {
    private static final int FEWEST = 3;
    /// Times told by a hand or a sound scatter by about as much.
    private static final double SMALL = 0.05;
    private static final int CLEAN_ENOUGH = 2;
    private static final int STEPS = 190;

    /// What to do next.
    public enum Verdict {
        /// Oil shows, or it still gets quicker.
        GO_ON,
        /// No oil shows and it gets no quicker: let it dry before it is closed in.
        DRY,
        /// It gets no quicker: whether oil still shows was not said.
        LOOK,
        /// It gets no quicker, and oil still shows: it comes from elsewhere. Look for its source, or strip.
        NO_BETTER
    }

    /// @param shows whether oil still showed; empty where nobody said
    /// @param closeMs where it was measured
    public record Cycle(Optional<Boolean> shows, Optional<Double> closeMs) {}

    /// @param cycles in order
    public static Flushing of(List<Cycle> cycles) {
        List<Double> times = cycles.stream().flatMap(c -> c.closeMs.stream()).toList();
        boolean dry = cycles.size() >= CLEAN_ENOUGH && cycles.subList(cycles.size() - CLEAN_ENOUGH, cycles.size()).stream().allMatch(c -> c.shows.isPresent() && !c.shows.get());
        if (times.size() < FEWEST) {
            return new Flushing(dry ? Verdict.DRY : Verdict.GO_ON, Optional.empty(), Optional.empty());
        }
        Fit f = fit(times);
        double gain = f.a * Math.pow(f.q, times.size() - 1) * (1 - f.q);
        boolean settled = gain < SMALL * times.getLast();
        Verdict done = cycles.getLast().shows.map(shows -> shows ? Verdict.NO_BETTER : Verdict.DRY).orElse(Verdict.LOOK);
        return new Flushing(settled ? done : Verdict.GO_ON, Optional.of(f.settled), Optional.of(Math.max(0, gain)));
    }

    private record Fit(double settled, double a, double q, double squares) {}

    /// For every q a straight line in qⁿ; it can only fall.
    private static Fit fit(List<Double> times) {
        double mean = times.stream().mapToDouble(t -> t).average().orElseThrow();
        Fit best = new Fit(mean, 0, 0.5, squares(times, mean, 0, 0.5));
        for (int s = 1; s < STEPS; s++) {
            double q = s / 200.0;
            double x = 0;
            double xx = 0;
            double xy = 0;
            for (int n = 0; n < times.size(); n++) {
                double e = Math.pow(q, n);
                x += e / times.size();
                xx += e * e;
                xy += e * times.get(n);
            }
            double a = Math.max(0, (xy - x * mean * times.size()) / (xx - x * x * times.size()));
            double settled = Math.max(0, mean - a * x);
            double squares = squares(times, settled, a, q);
            if (squares < best.squares) {
                best = new Fit(settled, a, q, squares);
            }
        }
        return best;
    }

    private static double squares(List<Double> times, double settled, double a, double q) {
        double sum = 0;
        for (int n = 0; n < times.size(); n++) {
            sum += Math.pow(times.get(n) - settled - a * Math.pow(q, n), 2);
        }
        return sum;
    }

    /// How much may be brought on at once: what the stack of blades holds by capillarity, and no drop more, or it runs into threads, felt and cement.
    /// @param outerMm diameter of the ring of blades
    /// @param innerMm diameter of the opening while it is wide open
    /// @param gapMm between neighbouring blades, all gaps together
    /// @return µl
    public static double budgetMicrolitres(double outerMm, double innerMm, double gapMm) {
        if (!(outerMm > innerMm && innerMm >= 0 && outerMm < 500 && gapMm > 0 && gapMm < 10)) {
            throw new IllegalArgumentException("blades from " + innerMm + " to " + outerMm + " mm across with gaps of " + gapMm + " mm hold nothing that could be reckoned");
        }
        return Math.PI / 4 * (outerMm * outerMm - innerMm * innerMm) * gapMm;
    }
}
