package stillglass.look.net;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.Consumer;
import java.util.function.Function;

/// The way of a network's weights down to where it errs least, a batch of examples at a time.
///
/// Reference: D. Kingma, J. Ba, *Adam* (2015), the step falling as a cosine; I. Loshchilov, F. Hutter, *Decoupled weight decay* (2019).
public final class Descent {
    /// Steps until the rate is full.
    private static final int WARMING = 100;
    private static final double RATE = 2e-3;
    /// Share of every weight that is lost at each step, over the rate.
    private static final double DECAY = 1e-2;
    /// How much of the mean slope is kept at each step.
    private static final double FIRST = 0.9;
    /// The same of its mean square.
    private static final double SECOND = 0.999;

    private final float[] weights;
    private final long steps;
    private final float[] first;
    private final float[] second;
    private long step;

    /// @param weights are changed
    /// @param steps that will be taken
    public Descent(float[] weights, long steps) {
        this.weights = weights;
        this.steps = steps;
        first = new float[weights.length];
        second = new float[weights.length];
    }

    /// How the loss of an example rises with the weights.
    public interface Slope<E> {
        /// @param into the slope times `share` is added, at the same places as the weights
        /// @return the loss, nats
        double add(E example, float[] into, double share);
    }

    /// @return summed loss of the batch
    public <E> double step(List<E> batch, Slope<E> slope) {
        int n = weights.length;
        // The last number is the loss.
        float[] sum = batch.parallelStream().collect(() -> new float[n + 1], (into, e) -> into[n] += (float) slope.add(e, into, 1.0 / batch.size()), (a, b) -> {
            for (int i = 0; i <= n; i++) {
                a[i] += b[i];
            }
        });
        step++;
        double rate = RATE * 0.5 * (1 + Math.cos(Math.PI * Math.min(1, step / (double) steps))) * Math.min(1, step / (double) WARMING);
        double warm1 = 1 - Math.pow(FIRST, step);
        double warm2 = 1 - Math.pow(SECOND, step);
        for (int i = 0; i < n; i++) {
            first[i] = (float) (FIRST * first[i] + (1 - FIRST) * sum[i]);
            second[i] = (float) (SECOND * second[i] + (1 - SECOND) * sum[i] * sum[i]);
            weights[i] -= (float) (rate * (first[i] / warm1 / (Math.sqrt(second[i] / warm2) + 1e-8) + DECAY * weights[i]));
        }
        return sum[n];
    }

    /// Goes down through all examples, several times.
    /// @param rounds how often
    /// @param batch how many examples are weighed together
    /// @param told after each round: which one, and the mean loss of an example in nats
    public record Rounds(int rounds, int batch, Consumer<String> told) {
        /// @param random of their order, and of how each is shown
        /// @param shown how an example is shown this time
        public <E, S> void through(float[] weights, List<E> examples, SplittableRandom random, Function<E, S> shown, Slope<S> slope) {
            inBatches(weights, examples, random, all -> all.stream().map(shown).toList(), slope);
        }

        /// @param shown how the examples of a batch are shown this time, some together or each by itself
        public <E, S> void inBatches(float[] weights, List<E> examples, SplittableRandom random, Function<List<E>, List<S>> shown, Slope<S> slope) {
            List<E> order = new ArrayList<>(examples);
            Descent descent = new Descent(weights, (long) rounds * Math.max(1, order.size() / batch));
            for (int round = 1; round <= rounds; round++) {
                Collections.shuffle(order, random);
                double loss = 0;
                for (int at = 0; at < order.size(); at += batch) {
                    loss += descent.step(shown.apply(order.subList(at, Math.min(order.size(), at + batch))), slope);
                }
                told.accept("round %d of %d: %.3f".formatted(round, rounds, loss / Math.max(1, order.size())));
            }
        }
    }
}
