package stillglass.look.rim;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.Consumer;
import stillglass.look.Aperture;
import stillglass.look.ApertureMap;
import stillglass.look.LinearPhoto;
import stillglass.look.net.Descent;
import stillglass.look.net.Spread;

/// Learns which of the rings on a photo is the rim: [RimNet] by gradient descent on photos whose rim is known.
public final class RimLearning {
    private static final int ROUNDS = 12;
    private static final int BATCH = 16;
    private static final double LEAST_VARIANCE = 1e-6;
    /// Error of centre or radius, whichever is larger, up to which a ring is the rim, radii.
    private static final double RIGHT = 0.015;
    /// Error of a row from which it is taught as no rim at all, radii.
    private static final double TAUGHT = 0.0125;
    /// Within that rows are taught by a bell of this width.
    private static final double BELL = 0.004;
    /// How much the contrast of a photo is changed each time it is shown, and how much lighter or darker it is made, logarithms: no two phones are alike.
    private static final double CONTRAST = 0.25;
    private static final double EXPOSURE = 0.4;

    private RimLearning() {}

    /// One photo: the rings about each of its centres.
    public record Example(List<Rings> profiles) {
        public Example {
            profiles = List.copyOf(profiles);
        }

        private boolean teaches() {
            return profiles.stream().anyMatch(p -> p.nearest() < TAUGHT / 2);
        }
    }

    /// The rings about one centre and how far off the rim each of them lies.
    public static final class Rings {
        private final RingProfile profile;
        private final float[] off;

        Rings(RingProfile profile, float[] off) {
            this.profile = profile;
            this.off = off;
        }

        private double nearest() {
            double least = Double.POSITIVE_INFINITY;
            for (float v : off) {
                least = Math.min(least, v);
            }
            return least;
        }
    }

    /// @param truth in pixels of the stored photo
    public static Example example(LinearPhoto photo, Aperture truth) {
        return example(EdgePhoto.of(photo), truth.scaled(1 / photo.scale()));
    }

    /// The same with the mount lit from one side only, nearly black on the other: as lenses of black metal are.
    /// @param seed of the side and of how narrow the light is
    public static Example oneSided(LinearPhoto photo, Aperture truth, long seed) {
        Aperture t = truth.scaled(1 / photo.scale());
        return example(oneSided(EdgePhoto.of(photo), t, new SplittableRandom(seed)), t);
    }

    static EdgePhoto oneSided(EdgePhoto all, Aperture rim, SplittableRandom random) {
        double way = 2 * Math.PI * random.nextDouble();
        double dark = 0.01 + 0.2 * random.nextDouble();
        double bright = 1 + 5 * random.nextDouble();
        double lobe = 1 + 9 * random.nextDouble();
        ApertureMap map = rim.map();
        float[] light = all.light.clone();
        for (int i = 0; i < light.length; i++) {
            double ux = map.unitX(i % all.width, i / all.width);
            double uy = map.unitY(i % all.width, i / all.width);
            if (ux * ux + uy * uy > 1) {
                light[i] *= (float) (dark + bright * Math.pow(0.5 + 0.5 * Math.cos(Math.atan2(uy, ux) - way), lobe));
            }
        }
        return new EdgePhoto(light, all.width, all.height);
    }

    static Example example(EdgePhoto photo, Aperture truth) {
        return new Example(ApertureFinder.profiles(photo).stream().map(p -> {
            float[] off = new float[RingProfile.RADII];
            for (int i = 0; i < off.length; i++) {
                Aperture a = p.ring(i);
                off[i] = (float) (Math.max(Math.hypot(a.cx() - truth.cx(), a.cy() - truth.cy()), Math.abs(a.meanRadius() - truth.meanRadius())) / truth.meanRadius());
            }
            return new Rings(p, off);
        }).toList());
    }

    /// Learns from photos on which the rim is about one of the centres.
    /// @param told after each round: which one, and the mean loss in nats
    /// @return the network as text
    public static String learn(List<Example> examples, Consumer<String> told) {
        List<Example> use = examples.stream().filter(Example::teaches).toList();
        RimNet net = begun(use);
        SplittableRandom random = new SplittableRandom(1);
        new Descent.Rounds(ROUNDS, BATCH, told).through(net.weights, use, random, e -> new Shown(e, Math.exp(CONTRAST * random.nextGaussian()), EXPOSURE * random.nextGaussian()),
                (shown, into, share) -> shown.into(net, into, share));
        return net.print();
    }

    /// How many have the rim first, among three, among ten, under a network; all photos.
    public static int[] ranks(String model, List<Example> examples) {
        RimNet net = RimNet.parse(model.lines().toList());
        int[] out = new int[3];
        for (Example e : examples) {
            List<RimRanking.Ranked> ranked = RimRanking.of(net, e.profiles.stream().map(r -> r.profile).toList());
            int rank = 0;
            while (rank < ranked.size() && e.profiles.get(ranked.get(rank).profile()).off[ranked.get(rank).row()] >= RIGHT) {
                rank++;
            }
            out[0] += rank == 0 && !ranked.isEmpty() ? 1 : 0;
            out[1] += rank < Math.min(3, ranked.size()) ? 1 : 0;
            out[2] += rank < Math.min(10, ranked.size()) ? 1 : 0;
        }
        return out;
    }

    /// The network that ships, as text.
    public static String shipped() {
        return RimNet.shipped().print();
    }

    /// Channels brought to the same mean and scatter, weights as chance has it.
    private static RimNet begun(List<Example> use) {
        Spread spread = new Spread(RingProfile.CHANNELS, LEAST_VARIANCE);
        for (int c = 0; c < RingProfile.CHANNELS; c++) {
            for (Example e : use) {
                for (Rings r : e.profiles) {
                    for (float v : r.profile.channels[c]) {
                        spread.add(c, v);
                    }
                }
            }
        }
        return RimNet.begun(spread.mean(), spread.scale(), 5);
    }

    /// A photo as another camera would have taken it.
    private record Shown(Example photo, double contrast, double exposure) {
        /// Adds the slope of its loss.
        /// @param share of the photo in its batch
        /// @return the loss
        double into(RimNet net, float[] slope, double share) {
            List<RimNet.Pass> passes = new ArrayList<>();
            List<float[]> scores = new ArrayList<>();
            for (Rings r : photo.profiles) {
                RimNet.Pass pass = net.new Pass();
                passes.add(pass);
                scores.add(pass.forward(r.profile.taken(contrast, exposure)));
            }
            double[][] chance = RimNet.chances(scores);
            double[][] target = target(photo);
            double loss = 0;
            for (int f = 0; f < chance.length; f++) {
                float[] off = new float[RingProfile.RADII];
                for (int i = 0; i < off.length; i++) {
                    off[i] = (float) ((chance[f][i] - target[f][i]) * share);
                    loss -= target[f][i] > 0 ? target[f][i] * Math.log(Math.max(1e-12, chance[f][i])) : 0;
                }
                passes.get(f).backward(off, slope);
            }
            return loss;
        }
    }

    private static double[][] target(Example e) {
        double[][] out = new double[e.profiles.size()][RingProfile.RADII];
        double sum = 0;
        for (int f = 0; f < out.length; f++) {
            for (int i = 0; i < out[f].length; i++) {
                double off = e.profiles.get(f).off[i];
                out[f][i] = off < TAUGHT ? Math.exp(-0.5 * off * off / BELL / BELL) : 0;
                sum += out[f][i];
            }
        }
        for (double[] row : out) {
            for (int i = 0; i < row.length; i++) {
                row[i] /= sum;
            }
        }
        return out;
    }
}
