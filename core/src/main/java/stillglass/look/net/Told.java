package stillglass.look.net;

import java.util.Arrays;

/// How well a network tells what it was not learned from.
/// @param right share of it that is told rightly, by weight
/// @param loss mean, nats
public record Told(double right, double loss) {
    /// Chances are taken for no smaller in a loss.
    private static final double LEAST = 1e-9;

    /// What a network gives away by a chance it gave to what was true, nats.
    public static double loss(double chance) {
        return -Math.log(Math.max(LEAST, chance));
    }

    /// Answers, gathered one by one or many at once.
    public static final class Tally {
        private double right;
        private double loss;
        private double weight;

        /// @param chances of all answers
        /// @param truth which of them is true
        /// @param counts how much it counts
        public Tally add(double[] chances, int truth, double counts) {
            right += chances[truth] >= Arrays.stream(chances).max().orElse(0) ? counts : 0;
            loss += counts * Told.loss(chances[truth]);
            weight += counts;
            return this;
        }

        public Tally add(Tally other) {
            right += other.right;
            loss += other.loss;
            weight += other.weight;
            return this;
        }

        /// Of nothing at all both are 0.
        public Told told() {
            return weight > 0 ? new Told(right / weight, loss / weight) : new Told(0, 0);
        }
    }
}
