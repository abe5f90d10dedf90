package stillglass.look.glance;

import java.util.List;
import java.util.SplittableRandom;
import java.util.function.Consumer;
import stillglass.look.FindingKind;
import stillglass.look.net.Descent;
import stillglass.look.net.Spread;
import stillglass.look.net.Told;

/// Learns what parts of a glass look like, from photos on which it is known what stands out.
public final class GlanceLearning {
    private static final int ROUNDS = 8;
    private static final int BATCH = 16;
    /// How much each trait is made stronger or weaker each time a photo is shown, logarithm: no two phones are alike.
    private static final double GAIN = 0.25;
    /// How often a trait is left out, so that none is relied on alone.
    private static final double LEFT_OUT = 0.08;
    private static final double LEAST_VARIANCE = 1e-4;
    /// Of so many cells one is looked at for mean and scatter.
    private static final int EVERY = 3;

    private GlanceLearning() {}

    /// Something that stands out.
    public static final class Standing {
        private final Region region;
        private final FindingKind label;
        private final double weight;

        /// @param places a part of the glance for each place of it
        /// @param label what it is; `UNKNOWN` when it is no fault
        /// @param weight how much it counts
        public Standing(int[] places, FindingKind label, double weight) {
            region = Region.of(places);
            this.label = label;
            this.weight = weight;
        }
    }

    /// A photo.
    public record Example(Glance glance, List<Standing> standing) {
        public Example {
            standing = List.copyOf(standing);
        }
    }

    /// @param told after each round: which one, and the mean loss of a photo in nats
    /// @return the network as text
    public static String learn(List<Example> examples, Consumer<String> told) {
        return learn(examples, new Descent.Rounds(ROUNDS, BATCH, told)).print();
    }

    /// How a network tells photos.
    public static Told told(String network, List<Example> photos) {
        GlanceNet net = GlanceNet.parse(network.lines().toList());
        return photos.parallelStream().map(e -> told(net.look(e.glance), e)).collect(Told.Tally::new, Told.Tally::add, Told.Tally::add).told();
    }

    private static Told.Tally told(GlanceNet.Seen seen, Example photo) {
        Told.Tally out = new Told.Tally();
        photo.standing.forEach(s -> out.add(seen.chances(s.region), s.label.ordinal(), s.weight));
        return out;
    }

    static GlanceNet learn(List<Example> examples, Descent.Rounds rounds) {
        GlanceNet net = begun(examples);
        SplittableRandom random = new SplittableRandom(2);
        rounds.through(net.weights, examples, random, e -> shown(e, random), (shown, into, share) -> shown.into(net, into, share));
        return net;
    }

    /// Turned, mirrored and with other strengths.
    private static Shown shown(Example e, SplittableRandom random) {
        float[] gain = new float[GlanceNet.TRAITS];
        for (int t = 0; t < gain.length; t++) {
            gain[t] = random.nextDouble() < LEFT_OUT ? 0 : (float) Math.exp(GAIN * random.nextGaussian());
        }
        return new Shown(e, random.nextInt(8), gain);
    }

    /// Traits brought to the same mean and scatter, weights as chance has it.
    private static GlanceNet begun(List<Example> use) {
        Spread spread = new Spread(GlanceNet.TRAITS, LEAST_VARIANCE);
        for (int t = 0; t < GlanceNet.TRAITS; t++) {
            for (Example e : use) {
                for (int i = 0; i < Glance.SIDE * Glance.SIDE; i += EVERY) {
                    spread.add(t, e.glance.get(t, i));
                }
            }
        }
        return GlanceNet.begun(spread.mean(), spread.scale(), 7);
    }

    /// A photo as another camera would have taken it.
    private record Shown(Example photo, int way, float[] gain) {
        /// Adds the slope of its loss.
        /// @param share of the photo in its batch
        /// @return the loss
        double into(GlanceNet net, float[] slope, double share) {
            GlanceNet.Pass pass = net.new Pass();
            float[][] scores = pass.forward(photo.glance.turned(way), gain);
            float[][] off = new float[GlanceNet.KINDS][Glance.PARTS * Glance.PARTS];
            double loss = 0;
            GlanceNet.Seen seen = new GlanceNet.Seen(scores);
            for (Standing s : photo.standing) {
                Region r = s.region.turned(way);
                double[] p = seen.chances(r);
                loss += s.weight * Told.loss(p[s.label.ordinal()]);
                for (int k = 0; k < p.length; k++) {
                    double d = s.weight * share * (p[k] - (k == s.label.ordinal() ? 1 : 0));
                    for (int i = 0; i < r.parts.length; i++) {
                        off[k][r.parts[i]] += (float) (d * r.shares[i]);
                    }
                }
            }
            pass.backward(off, slope);
            return loss;
        }
    }
}
