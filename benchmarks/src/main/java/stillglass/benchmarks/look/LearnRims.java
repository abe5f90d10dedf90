package stillglass.benchmarks.look;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import stillglass.look.reading.RimLearning;
import stillglass.sim.photo.Shot;

/// Makes the model of rims that ships: photographs scenes, measures their rings, learns which is the rim.
///
/// `LearnRims TIDY WIDE FILE [EXAMPLES]`: so many scenes of the tidy bench and of any room, seeds from 0; every fifth is held back and told how it went with. What was measured is kept in EXAMPLES and read from there the next time.
public final class LearnRims {
    private static final int HELD_BACK_EVERY = 5;

    private LearnRims() {}

    public static void main(String[] args) throws IOException {
        if (args.length < 3) {
            System.err.println("LearnRims TIDY WIDE FILE [EXAMPLES]");
            System.exit(2);
        }
        Examples from = Examples.of(args, 3);
        learn(from.all(RimLearning::example, RimLearning::line, s -> {
            Shot shot = s.scene().shoot();
            return List.of(RimLearning.example(Labels.linear(shot.picture()), shot.aperture()));
        }), from.tidy(), from.wide(), Path.of(args[2]));
    }

    private static void learn(List<RimLearning.Example> all, int tidy, int wide, Path file) throws IOException {
        List<RimLearning.Example> learn = new ArrayList<>();
        List<RimLearning.Example> tidyBack = new ArrayList<>();
        List<RimLearning.Example> wideBack = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            (i % HELD_BACK_EVERY != 0 ? learn : i < tidy ? tidyBack : wideBack).add(all.get(i));
        }
        String model = RimLearning.learn(learn);
        tell("tidy bench, held back", model, tidyBack);
        tell("any room, held back", model, wideBack);
        Files.writeString(file, "# Which ring is the rim, learned on " + tidy + " scenes of the tidy bench and " + wide + " of any room by LearnRims, every fifth held back; see docs/methods/look.md.\n" + model);
    }

    private static void tell(String what, String model, List<RimLearning.Example> of) {
        int[] n = RimLearning.ranks(model, of);
        int[] before = RimLearning.ranks(RimLearning.shipped(), of);
        double share = 100.0 / Math.max(1, of.size());
        System.out.printf(Locale.ROOT, "%s, %d photos: first %.1f, among three %.1f, among all %.1f %%; with the model that ships first %.1f, among three %.1f %%%n", what, of.size(), share * n[0], share * n[1], share * n[2],
                share * before[0], share * before[1]);
    }
}
