package stillglass.day;

import java.util.List;
import java.util.SplittableRandom;

/// Whether going on with a job pays: what it is worth when it is done against the hours that are left. Hours already worked are gone whichever way it is decided, and do not count.
///
/// It pays as long as hours left × rate + outlay stays below chance × worth. Hours left are the sum of lognormal chores ([Durations]); how likely they are few enough is counted over drawn sums.
///
/// @param leftHours expected
/// @param paysHours how many more hours pay at most; below 0 where not even the outlay does
/// @param chance that what is left takes no longer
public record Outlook(double leftHours, double paysHours, double chance) {
    private static final int DRAWS = 4000;
    private static final long SEED = 20261128;
    private static final double SURE = 0.8;

    /// What follows.
    public enum Verdict {
        GO_ON,
        /// It may come out either way: set an hour at which it is asked again.
        SET_AN_END,
        STOP
    }

    /// What a job may bring and cost.
    /// @param worth of the thing when it is done
    /// @param chance that it comes out well
    /// @param outlay on parts, and what is destroyed on the way
    /// @param hour what an hour at the bench costs
    public record Stake(double worth, double chance, double outlay, double hour) {
        public Stake {
            if (!(worth >= 0 && worth < 1e9) || !(chance > 0 && chance <= 1) || !(outlay >= 0 && outlay < 1e9) || !(hour > 0 && hour < 1e6)) {
                throw new IllegalArgumentException("a job worth " + worth + " with a chance of " + chance + ", an outlay of " + outlay + " and " + hour + " an hour cannot be weighed");
            }
        }
    }

    /// @param left attended chores that are left
    public static Outlook of(List<Durations.Estimate> left, Stake stake) {
        double pays = (stake.chance * stake.worth - stake.outlay) / stake.hour;
        double mean = left.stream().mapToDouble(e -> e.middle() * Math.exp(e.spread() * e.spread() / 2)).sum() / 60;
        SplittableRandom random = new SplittableRandom(SEED);
        int few = 0;
        for (int i = 0; i < DRAWS; i++) {
            double minutes = 0;
            for (Durations.Estimate e : left) {
                minutes += e.middle() * Math.exp(e.spread() * random.nextGaussian());
            }
            few += minutes / 60 <= pays ? 1 : 0;
        }
        return new Outlook(mean, pays, few / (double) DRAWS);
    }

    public Verdict verdict() {
        return chance >= SURE ? Verdict.GO_ON : chance > 1 - SURE ? Verdict.SET_AN_END : Verdict.STOP;
    }
}
