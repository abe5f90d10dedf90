package stillglass.look.closeup;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.Consumer;
import stillglass.look.FindingKind;
import stillglass.look.net.Descent;
import stillglass.look.net.Softmax;
import stillglass.look.net.Spread;
import stillglass.look.net.Told;

/// Learns what things look like close by, from close-ups of which it is known what they show.
public final class CloseUpLearning {
    private static final int ROUNDS = 20;
    /// Close-ups that are weighed together.
    private static final int BATCH = 128;
    /// Whole glasses are few, so each is shown more often.
    private static final int ROUNDS_OF_WHOLES = 45;
    private static final int BATCH_OF_WHOLES = 64;
    /// How often a sum is left out.
    private static final double SUM_LEFT_OUT = 0.15;
    private static final double LEAST_VARIANCE = 1e-2;
    /// Of so many cells one is looked at for mean and scatter.
    private static final int EVERY = 7;

    private CloseUpLearning() {}

    /// A thing that stands out.
    /// @param label what it is; `UNKNOWN` when it is no fault
    /// @param weight how much it counts
    public record Example(CloseUp thing, FindingKind label, double weight) {}

    /// As what something is shown to a network that learns.
    private interface Shown {
        View as(CloseUpNet net, CloseUp thing, SplittableRandom random);
    }

    /// @param told after each round: which one, and the mean loss in nats
    /// @return the network as text
    public static String learn(List<Example> examples, Consumer<String> told) {
        return learn(examples, new Descent.Rounds(ROUNDS, BATCH, told)).print();
    }

    /// The same for glasses seen as a whole by their light alone, from close-ups of wholes.
    public static String learnWholes(List<Example> examples, Consumer<String> told) {
        return learnWholes(examples, new Descent.Rounds(ROUNDS_OF_WHOLES, BATCH_OF_WHOLES, told)).print();
    }

    static CloseUpNet learnWholes(List<Example> examples, Descent.Rounds how) {
        return learn(begun(lightAlone(examples)), examples, (net, whole, random) -> net.view(whole.lightAlone(random)), how);
    }

    /// Wholes as the network of them is shown them.
    public static List<Example> lightAlone(List<Example> wholes) {
        return wholes.stream().map(e -> new Example(e.thing.lightAlone(), e.label, e.weight)).toList();
    }

    /// How a network tells things.
    public static Told told(String network, List<Example> things) {
        List<double[]> chances = CloseUpNet.parse(network.lines().toList()).look(things.stream().map(Example::thing).toList());
        Told.Tally out = new Told.Tally();
        for (int i = 0; i < things.size(); i++) {
            out.add(chances.get(i), things.get(i).label.ordinal(), things.get(i).weight);
        }
        return out.told();
    }

    static CloseUpNet learn(List<Example> examples, Descent.Rounds how) {
        return learn(begun(examples), examples, (net, thing, random) -> net.view(thing).another(random), how);
    }

    private static CloseUpNet learn(CloseUpNet net, List<Example> examples, Shown shown, Descent.Rounds how) {
        SplittableRandom random = new SplittableRandom(2);
        double usual = examples.stream().mapToDouble(Example::weight).average().orElse(1);
        how.inBatches(net.weights, examples, random, batch -> sheets(batch, shown, random), (sheet, into, share) -> sheet.into(net, into, share / CloseUpNet.TOGETHER / usual) / usual);
        return net;
    }

    private static List<Sheet> sheets(List<Example> batch, Shown shown, SplittableRandom random) {
        List<Sheet> out = new ArrayList<>();
        for (int at = 0; at < batch.size(); at += CloseUpNet.TOGETHER) {
            out.add(new Sheet(List.copyOf(batch.subList(at, Math.min(batch.size(), at + CloseUpNet.TOGETHER))), shown, random.split()));
        }
        return out;
    }

    /// Traits brought to the same mean and scatter, weights as chance has it.
    private static CloseUpNet begun(List<Example> use) {
        Spread spread = new Spread(CloseUpNet.TRAITS, LEAST_VARIANCE);
        for (Example e : use) {
            for (int t = 0; t < CloseUpNet.TRAITS; t++) {
                for (int i = 0; i < CloseUp.SIDE * CloseUp.SIDE; i += EVERY) {
                    spread.add(t, e.thing.get(t, i));
                }
            }
        }
        return CloseUpNet.begun(spread.mean(), spread.scale(), 7);
    }

    /// Some close-ups as they might look another time.
    private record Sheet(List<Example> examples, Shown shown, SplittableRandom random) {
        /// Adds the slope of the loss.
        /// @param share of a close-up of weight 1
        /// @return the loss
        double into(CloseUpNet net, float[] slope, double share) {
            List<View> views = examples.stream().map(e -> shown.as(net, e.thing, random)).toList();
            float[] heard = new float[examples.size() * CloseUpNet.SUMS];
            for (int i = 0; i < heard.length; i++) {
                heard[i] = random.nextDouble() < SUM_LEFT_OUT ? 0 : (float) (1 / (1 - SUM_LEFT_OUT));
            }
            CloseUpNet.Pass pass = net.new Pass(views.size());
            double[][] scores = pass.forward(views, heard);
            double loss = 0;
            float[][] off = new float[scores.length][CloseUpNet.KINDS];
            for (int i = 0; i < scores.length; i++) {
                Example e = examples.get(i);
                double[] p = Softmax.of(scores[i]);
                loss += e.weight * Told.loss(p[e.label.ordinal()]);
                for (int k = 0; k < p.length; k++) {
                    off[i][k] = (float) (e.weight * share * (p[k] - (k == e.label.ordinal() ? 1 : 0)));
                }
            }
            pass.backward(off, slope);
            return loss;
        }
    }
}
