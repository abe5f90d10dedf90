package stillglass.benchmarks.look;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.LongStream;
import stillglass.look.rim.RimLearning;
import stillglass.optics.LensSection;
import stillglass.sim.photo.DrawnMount;
import stillglass.sim.photo.RandomScene;
import stillglass.sim.photo.Shot;

/// Makes the network of rims that ships: photographs scenes, follows the light from the middle outward, learns where the rim is.
///
/// `LearnRims TIDY WIDE DRAWN FILE`: so many scenes of the tidy bench, of any room, and mounts drawn ring by ring, seeds from 0; others, which are not learned from, tell how it went. About three quarters of an hour for 200, 3600 and 800 on two cores.
public final class LearnRims {
    private static final int CHECKED = 150;
    private static final int ONE_SIDED_EVERY = 6;

    private LearnRims() {}

    public static void main(String[] args) throws IOException {
        if (args.length != 4) {
            System.err.println("LearnRims TIDY WIDE DRAWN FILE");
            System.exit(2);
        }
        int drawn = Integer.parseInt(args[2]);
        Examples from = new Examples(Integer.parseInt(args[0]), Integer.parseInt(args[1]), Optional.empty());
        List<RimLearning.Example> learn = new ArrayList<>(from.all(s -> examples(s.number(), s.scene())));
        learn.addAll(LongStream.range(0, drawn).parallel().mapToObj(s -> example(DrawnMount.of(s))).toList());
        String model = RimLearning.learn(learn, System.err::println);
        List<LensSection> lenses = Seeds.lenses();
        tell("tidy bench", model, seeds().mapToObj(s -> example(RandomScene.of(s, lenses))).toList());
        tell("any room", model, seeds().mapToObj(s -> example(RandomScene.wide(s, lenses))).toList());
        tell("drawn ring by ring", model, seeds().mapToObj(s -> example(DrawnMount.of(s))).toList());
        Files.writeString(Path.of(args[3]), "# Which ring is the rim, learned on " + from.tidy() + " scenes of the tidy bench, " + from.wide() + " of any room and " + drawn + " mounts drawn ring by ring by LearnRims; see docs/methods/look.md.\n" + model);
    }

    private static LongStream seeds() {
        return LongStream.range(Seeds.CHOOSE, Seeds.CHOOSE + CHECKED).parallel();
    }

    /// Every sixth also as if its mount were lit from one side only.
    private static List<RimLearning.Example> examples(int number, RandomScene scene) {
        Shot shot = scene.shoot();
        RimLearning.Example plain = RimLearning.example(Labels.linear(shot.picture()), shot.aperture());
        return number % ONE_SIDED_EVERY != 0 ? List.of(plain) : List.of(plain, RimLearning.oneSided(Labels.linear(shot.picture()), shot.aperture(), number));
    }

    private static RimLearning.Example example(RandomScene scene) {
        Shot shot = scene.shoot();
        return RimLearning.example(Labels.linear(shot.picture()), shot.aperture());
    }

    private static RimLearning.Example example(DrawnMount mount) {
        return RimLearning.example(mount.photo(), mount.rim());
    }

    private static void tell(String what, String model, List<RimLearning.Example> of) {
        int[] n = RimLearning.ranks(model, of);
        int[] before = RimLearning.ranks(RimLearning.shipped(), of);
        double share = 100.0 / Math.max(1, of.size());
        System.out.printf(Locale.ROOT, "%s, %d photos that were not learned from: first %.1f, among three %.1f, among ten %.1f %%; with the network that ships first %.1f, among three %.1f %%%n", what, of.size(), share * n[0], share * n[1], share * n[2],
                share * before[0], share * before[1]);
    }
}
