package stillglass.benchmarks.look;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import stillglass.look.reading.LightingLearning;
import stillglass.sim.photo.Shot;

/// Learns whether a lens stood before a bright field, and prints the weights that ship in `LightingChoice`.
///
/// `LearnLighting TIDY WIDE [EXAMPLES]`: so many scenes of the tidy bench and of any room, seeds from 0. What was measured is kept in EXAMPLES and read from there the next time.
public final class LearnLighting {
    private static final int HELD_BACK_EVERY = 4;

    private LearnLighting() {}

    public static void main(String[] args) throws IOException {
        if (args.length < 2) {
            System.err.println("LearnLighting TIDY WIDE [EXAMPLES]");
            System.exit(2);
        }
        List<LightingLearning.Example> all = Examples.of(args, 2).all(LightingLearning::example, LightingLearning::line, s -> {
            Shot shot = s.scene().shoot();
            return List.of(LightingLearning.example(Labels.linear(shot.picture()), shot.aperture(), s.scene().pose().lighting()));
        });
        List<LightingLearning.Example> back = IntStream.range(0, all.size()).filter(i -> i % HELD_BACK_EVERY == 0).mapToObj(all::get).toList();
        List<LightingLearning.Example> rest = IntStream.range(0, all.size()).filter(i -> i % HELD_BACK_EVERY != 0).mapToObj(all::get).toList();
        System.out.printf(Locale.ROOT, "held back, learned on the rest: right %.3f (%d)%n", LightingLearning.right(LightingLearning.learn(rest), back), back.size());
        double[] w = LightingLearning.learn(all);
        System.out.printf(Locale.ROOT, "all: right %.3f, with the weights that ship %.3f%n", LightingLearning.right(w, all), LightingLearning.right(LightingLearning.shipped(), all));
        System.out.println(Arrays.stream(w).mapToObj(v -> String.format(Locale.ROOT, "%.3f", v)).collect(Collectors.joining(", ", "{", "}")));
    }
}
