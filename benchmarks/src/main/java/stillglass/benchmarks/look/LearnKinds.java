package stillglass.benchmarks.look;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.LongStream;
import stillglass.look.kinds.KindLearning;
import stillglass.look.kinds.KindModel;
import stillglass.optics.LensSection;
import stillglass.sim.photo.RandomScene;

/// Makes the model that ships: photographs scenes, measures what stands out, learns.
///
/// `LearnKinds SCENES FILE [EXAMPLES]`: seeds 0 to SCENES-1, every fifth held back for the temperature. What was measured is kept in
/// EXAMPLES and read from there the next time, so that the learning itself can be tried without taking the photos again.
public final class LearnKinds {
    private LearnKinds() {}

    public static void main(String[] args) throws IOException {
        if (args.length < 2) {
            System.err.println("LearnKinds SCENES FILE [EXAMPLES]");
            System.exit(2);
        }
        int scenes = Integer.parseInt(args[0]);
        List<KindLearning.Example> examples;
        if (args.length > 2 && Files.exists(Path.of(args[2]))) {
            examples = Files.readAllLines(Path.of(args[2])).stream().map(KindLearning::example).toList();
        } else {
            examples = examples(scenes);
            if (args.length > 2) {
                Files.write(Path.of(args[2]), examples.stream().map(KindLearning::line).toList());
            }
        }
        KindModel model = KindLearning.learn(examples, Set.of());
        Files.writeString(Path.of(args[1]), "# Evidence curves for kinds of faults, learned on " + scenes
                + " scenes of the virtual bench by LearnKinds; see docs/methods/look.md.\n" + KindLearning.print(model));
    }

    static List<KindLearning.Example> examples(int scenes) {
        List<LensSection> lenses = Seeds.lenses();
        AtomicInteger done = new AtomicInteger();
        return LongStream.range(0, scenes).parallel().boxed().flatMap(seed -> {
            List<KindLearning.Example> of = Labels.of(RandomScene.of(seed, lenses), seed % KindLearning.HELD_BACK_EVERY == 0);
            if (done.incrementAndGet() % 100 == 0) {
                System.err.println(done.get() + " of " + scenes);
            }
            return of.stream();
        }).toList();
    }
}
