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
///
/// A model that was on the bench before has figures of its own: its logarithms begin at the mean of what other models teach, which is worth [#PRIOR_MODEL_JOBS] of its jobs (models differ about as much as jobs on one model do), and its spread is that of jobs about the mean of their models.
public final class Durations {
    /// The prior is worth this many jobs.
    private static final double PRIOR_JOBS = 1;
    private static final double PRIOR_SHAPE = 2;
    /// Spread of the logarithm that is believed at first: two jobs in three take between 0.6 and 1.65 of what was expected.
    private static final double PRIOR_SPREAD = 0.5;
    private static final double PROMISED = 0.8;
    /// What all other models teach is worth this many jobs of one model.
    private static final double PRIOR_MODEL_JOBS = 1;
    /// Spread of the logarithm about a model that is believed at first: with as much between models it makes [#PRIOR_SPREAD].
    private static final double PRIOR_MODEL_SPREAD = 0.35;

    private final Map<Key, List<Seen>> logRatios = new HashMap<>();

    private record Key(Chore chore, boolean mapped) {}

    private record Seen(String model, double log) {}

    /// A chore that was done.
    /// @param minutes attended time
    /// @param expected minutes of the map for what was done, where there was a map
    /// @param model on what it was done
    public record Done(Chore chore, double minutes, Optional<Double> expected, String model) {}

    /// From where a figure comes.
    public enum Source {
        /// A usual figure of ours; nothing was measured.
        USUAL,
        /// Minutes of the map.
        MAP,
        /// Jobs of this bench.
        BENCH,
        /// Jobs on this model.
        MODEL,
        /// The technician.
        SAID
    }

    /// @param middle minutes it takes as often more as less
    /// @param promised minutes that are enough four times in five
    /// @param jobs how many finished jobs it is learned from: of the model where it comes from there
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
                logRatios.computeIfAbsent(new Key(d.chore, d.expected.isPresent()), k -> new ArrayList<>()).add(new Seen(d.model, Math.log(d.minutes / expected)));
            }
        }
    }

    /// On something of which nothing like was here.
    /// @param expected minutes of the map, where there is one
    public Estimate of(Chore chore, Optional<Double> expected) {
        return of(chore, expected, "");
    }

    /// @param expected minutes of the map, where there is one
    /// @param model on which it is to be done
    public Estimate of(Chore chore, Optional<Double> expected, String model) {
        List<Seen> seen = logRatios.getOrDefault(new Key(chore, expected.isPresent()), List.of());
        double base = expected.orElse(chore.usualMinutes());
        List<Double> own = seen.stream().filter(x -> x.model.equals(model)).map(Seen::log).toList();
        return own.isEmpty() ? ofShop(seen, base, expected.isPresent()) : ofModel(seen, own, model, base);
    }

    /// Of a model that was never here: as all jobs of the shop went.
    private static Estimate ofShop(List<Seen> seen, double base, boolean mapped) {
        Belief shop = Belief.of(0, PRIOR_JOBS, PRIOR_SHAPE, PRIOR_SHAPE * PRIOR_SPREAD * PRIOR_SPREAD, seen.stream().map(Seen::log).toList());
        return estimate(shop, base, !seen.isEmpty() ? Source.BENCH : mapped ? Source.MAP : Source.USUAL, seen.size());
    }

    private static Estimate ofModel(List<Seen> seen, List<Double> own, String model, double base) {
        List<Seen> others = seen.stream().filter(x -> !x.model.equals(model)).toList();
        double start = Belief.of(0, PRIOR_JOBS, PRIOR_SHAPE, 1, others.stream().map(Seen::log).toList()).middle;
        Map<String, List<Double>> models = new HashMap<>();
        others.forEach(x -> models.computeIfAbsent(x.model, m -> new ArrayList<>()).add(x.log));
        double rate = PRIOR_SHAPE * PRIOR_MODEL_SPREAD * PRIOR_MODEL_SPREAD + models.values().stream().mapToDouble(Belief::squares).sum() / 2;
        double shape = PRIOR_SHAPE + (others.size() - models.size()) / 2.0;
        return estimate(Belief.of(start, PRIOR_MODEL_JOBS, shape, rate, own), base, Source.MODEL, own.size());
    }

    private static Estimate estimate(Belief b, double base, Source source, int jobs) {
        return new Estimate(base * Math.exp(b.middle), base * Math.exp(b.middle + b.scale() * new TDistribution(2 * b.shape).inverseCumulativeProbability(PROMISED)), source, jobs);
    }

    /// Normal-inverse-gamma.
    /// @param jobs what its middle is worth
    private record Belief(double middle, double jobs, double shape, double rate) {
        static Belief of(double start, double worth, double shape, double rate, List<Double> seen) {
            int n = seen.size();
            double mean = mean(seen);
            double jobs = worth + n;
            return new Belief((worth * start + n * mean) / jobs, jobs, shape + n / 2.0, rate + squares(seen) / 2 + worth * n * (mean - start) * (mean - start) / (2 * jobs));
        }

        /// Of the next job.
        double scale() {
            return Math.sqrt(rate * (jobs + 1) / (shape * jobs));
        }

        private static double mean(List<Double> of) {
            return of.stream().mapToDouble(x -> x).average().orElse(0);
        }

        static double squares(List<Double> of) {
            double mean = mean(of);
            return of.stream().mapToDouble(x -> (x - mean) * (x - mean)).sum();
        }
    }
}
