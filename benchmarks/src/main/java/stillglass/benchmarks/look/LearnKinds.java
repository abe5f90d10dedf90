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
/// `LearnKinds TIDY WIDE FILE [EXAMPLES]`: so many scenes of the tidy bench and of any room, seeds from 0, every fifth held back for the temperature. What was measured is kept in
/// EXAMPLES and read from there the next time, so that the learning itself can be tried without taking the photos again.
public final class LearnKinds {
    private LearnKinds() {}

    public static void main(String[] args) throws IOException {
        if (args.length < 3) {
            System.err.println("LearnKinds TIDY WIDE FILE [EXAMPLES]");
            System.exit(2);
        }
        int tidy = Integer.parseInt(args[0]);
        int wide = Integer.parseInt(args[1]);
        List<KindLearning.Example> examples;
        if (args.length > 3 && Files.exists(Path.of(args[3]))) {
            examples = Files.readAllLines(Path.of(args[3])).stream().map(KindLearning::example).toList();
        } else {
            examples = examples(tidy, wide);
            if (args.length > 3) {
                Files.write(Path.of(args[3]), examples.stream().map(KindLearning::line).toList());
            }
        }
        KindModel model = KindLearning.learn(examples, Set.of());
        Files.writeString(Path.of(args[2]), "# Evidence curves for kinds of faults, learned on " + tidy + " scenes of the tidy bench and " + wide
                + " of any room by LearnKinds; see docs/methods/look.md.\n" + KindLearning.print(model));
    }

    static List<KindLearning.Example> examples(int tidy, int wide) {
        List<LensSection> lenses = Seeds.lenses();
        AtomicInteger done = new AtomicInteger();
        return LongStream.range(0, tidy + (long) wide).parallel().boxed().flatMap(i -> {
            RandomScene scene = i < tidy ? RandomScene.of(i, lenses) : RandomScene.wide(i - tidy, lenses);
            List<KindLearning.Example> of = Labels.of(scene, i % KindLearning.HELD_BACK_EVERY == 0);
            if (done.incrementAndGet() % 100 == 0) {
                System.err.println(done.get() + " of " + (tidy + wide));
            }
            return of.stream();
        }).toList();
    }
}
