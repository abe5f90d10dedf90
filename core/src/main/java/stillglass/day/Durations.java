package stillglass.day;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hipparchus.distribution.continuous.TDistribution;

/// How long chores take here.
///
/// Minutes are lognormal. What a chore is expected to take (the minutes of the map, or a usual figure where there is no map) is the middle of what is believed before anything is known; every finished job moves it: normal logarithms with unknown mean and variance
/// under the conjugate normal-inverse-gamma prior, whose prediction is Student's t (A. Gelman et al., *Bayesian Data Analysis*, 3rd ed., section 3.3). What was expected with a map and without one is learned apart.
public final class Durations {
    /// The prior is worth this many jobs.
    private static final double PRIOR_JOBS = 1;
    private static final double PRIOR_SHAPE = 2;
    /// Spread of the logarithm that is believed at first: two jobs in three take between 0.6 and 1.65 of what was expected.
    private static final double PRIOR_SPREAD = 0.5;
    private static final double PROMISED = 0.8;

    private final Map<Key, List<Double>> logRatios = new HashMap<>();

    private record Key(Chore chore, boolean mapped) {}

    /// A chore that was done.
    /// @param minutes attended time
    /// @param expected minutes of the map for what was done, where there was a map
    public record Done(Chore chore, double minutes, Optional<Double> expected) {}

    /// From where a figure comes.
    public enum Source {
        /// A usual figure of ours; nothing was measured.
        USUAL,
        /// Minutes of the map.
        MAP,
        /// Jobs of this bench.
        BENCH,
        /// The technician.
        SAID
    }

    /// @param middle minutes it takes as often more as less
    /// @param promised minutes that are enough four times in five
    /// @param jobs how many finished jobs it is learned from
    public record Estimate(double middle, double promised, Source source, int jobs) {
        private static final double Z80 = 0.8416212335729143;

        /// What somebody said is taken as said.
        public static Estimate said(double minutes) {
            return new Estimate(minutes, minutes, Source.SAID, 0);
        }

        /// Spread of the logarithm that goes with the two figures.
        public double spread() {
            return Math.log(promised / middle) / Z80;
        }

        /// The same of which some minutes have been worked; a fifth is always thought left.
        public Estimate less(double minutes) {
            double share = Math.max(0.2, 1 - minutes / middle);
            return new Estimate(middle * share, promised * share, source, jobs);
        }
    }

    /// Nothing was done here yet.
    public Durations() {
        this(List.of());
    }

    public Durations(List<Done> jobs) {
        for (Done d : jobs) {
            double expected = d.expected.orElse(d.chore.usualMinutes());
            if (d.minutes > 0 && expected > 0) {
                logRatios.computeIfAbsent(new Key(d.chore, d.expected.isPresent()), k -> new ArrayList<>()).add(Math.log(d.minutes / expected));
            }
        }
    }

    /// @param expected minutes of the map, where there is one
    public Estimate of(Chore chore, Optional<Double> expected) {
        List<Double> seen = logRatios.getOrDefault(new Key(chore, expected.isPresent()), List.of());
        int n = seen.size();
        double mean = seen.stream().mapToDouble(x -> x).average().orElse(0);
        double squares = seen.stream().mapToDouble(x -> (x - mean) * (x - mean)).sum();
        double jobs = PRIOR_JOBS + n;
        double shape = PRIOR_SHAPE + n / 2.0;
        double rate = PRIOR_SHAPE * PRIOR_SPREAD * PRIOR_SPREAD + squares / 2 + PRIOR_JOBS * n * mean * mean / (2 * jobs);
        double middle = n * mean / jobs;
        double scale = Math.sqrt(rate * (jobs + 1) / (shape * jobs));
        double base = expected.orElse(chore.usualMinutes());
        return new Estimate(base * Math.exp(middle), base * Math.exp(middle + scale * new TDistribution(2 * shape).inverseCumulativeProbability(PROMISED)),
                n > 0 ? Source.BENCH : expected.isPresent() ? Source.MAP : Source.USUAL, n);
    }
}
