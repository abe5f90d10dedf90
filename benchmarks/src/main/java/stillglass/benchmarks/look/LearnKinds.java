package stillglass.benchmarks.look;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import stillglass.look.kinds.KindLearning;
import stillglass.look.kinds.KindModel;

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
        Examples from = Examples.of(args, 3);
        KindModel model = KindLearning.learn(examples(from), Set.of());
        Files.writeString(Path.of(args[2]), "# Evidence curves for kinds of faults, learned on " + from.tidy() + " scenes of the tidy bench and " + from.wide()
                + " of any room by LearnKinds; see docs/methods/look.md.\n" + KindLearning.print(model));
    }

    /// The tidy bench and any room count alike, however many scenes there are of each.
    static List<KindLearning.Example> examples(Examples from) throws IOException {
        double tidy = from.tidy() > 0 && from.wide() > 0 ? from.wide() / (double) from.tidy() : 1;
        return from.all(KindLearning::example, KindLearning::line, s -> Labels.of(s.scene(), s.number() % KindLearning.HELD_BACK_EVERY == 0).stream()
                .map(e -> s.number() < from.tidy() ? e.counting(tidy * e.weight()) : e).toList());
    }
}
