package stillglass.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import stillglass.prove.speed.SpeedFault;
import stillglass.prove.speed.SpeedLearning;
import stillglass.prove.speed.SpeedModel;
import stillglass.prove.speed.SpeedModelText;
import stillglass.prove.speed.SpeedReading;
import stillglass.sim.shutter.ShutterMechanism;

/// Makes the table of speed patterns that ships, and says how often it is right on mechanisms it was not learned on.
///
/// `LearnSpeeds MECHANISMS FILE`
public final class LearnSpeeds {
    private static final double MEASURED_EV = 0.03;

    private LearnSpeeds() {}

    public static void main(String[] args) throws IOException {
        if (args.length < 2) {
            System.err.println("LearnSpeeds MECHANISMS FILE");
            System.exit(2);
        }
        int n = Integer.parseInt(args[0]);
        SpeedModel model = SpeedLearning.learn(examples(n, 1));
        Files.writeString(Path.of(args[1]), "# Departures of shutters over their speeds, learned on " + n + " simulated mechanisms of each fault by LearnSpeeds; see docs/methods/proof.md.\n" + SpeedModelText.print(model));
        report(model, examples(200, 1_000_003));
    }

    private static List<SpeedLearning.Example> examples(int each, long seed) {
        List<SpeedLearning.Example> out = new ArrayList<>();
        SplittableRandom strength = new SplittableRandom(seed);
        for (SpeedFault f : Arrays.stream(SpeedFault.values()).filter(SpeedFault::inSpeeds).toList()) {
            for (int i = 0; i < each; i++) {
                out.add(new SpeedLearning.Example(f, new ShutterMechanism(seed + 31L * i + 7919L * f.ordinal()).departures(f, strength.nextDouble(), SpeedModel.NODES)));
            }
        }
        return out;
    }

    private static void report(SpeedModel model, List<SpeedLearning.Example> examples) {
        SplittableRandom noise = new SplittableRandom(5);
        for (SpeedFault f : Arrays.stream(SpeedFault.values()).filter(SpeedFault::inSpeeds).toList()) {
            int first = 0;
            int three = 0;
            int all = 0;
            double claimed = 0;
            for (SpeedLearning.Example e : examples) {
                if (e.fault() != f) {
                    continue;
                }
                List<SpeedReading.Point> points = new ArrayList<>();
                for (int i = 0; i < e.ev().length; i++) {
                    if (Double.isFinite(e.ev()[i])) {
                        points.add(new SpeedReading.Point(SpeedModel.nominal(i), e.ev()[i] + MEASURED_EV * noise.nextGaussian(), MEASURED_EV));
                    }
                }
                List<SpeedReading.Likely> ranked = SpeedReading.of(points, model).ranked();
                all++;
                first += ranked.getFirst().fault() == f ? 1 : 0;
                three += ranked.stream().limit(3).anyMatch(l -> l.fault() == f) ? 1 : 0;
                claimed += ranked.getFirst().probability();
            }
            System.out.printf("%-14s first %3d %%  in three %3d %%  claimed of the first %.0f %%%n", f, 100 * first / all, 100 * three / all, 100 * claimed / all);
        }
    }
}
