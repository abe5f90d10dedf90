package stillglass.benchmarks.look;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.LongStream;
import stillglass.look.glance.GlanceLearning;
import stillglass.optics.LensSection;
import stillglass.sim.photo.RandomScene;

/// Makes the network that ships of what parts of a glass look like with all that lies about them.
///
/// `LearnGlances WIDE FILE`: so many scenes of any room, seeds from where those end that [LearnKinds] learns from; scenes for choosing, which are not learned from, tell how it went.
public final class LearnGlances {
    private static final int CHECKED = 100;

    private LearnGlances() {}

    public static void main(String[] args) throws IOException {
        if (args.length != 2) {
            System.err.println("LearnGlances WIDE FILE");
            System.exit(2);
        }
        int wide = Integer.parseInt(args[0]);
        String net = GlanceLearning.learn(photos(Seeds.GLANCES, wide), System.err::println);
        GlanceLearning.Told told = GlanceLearning.told(net, photos(Seeds.CHOOSE, CHECKED));
        System.out.printf(Locale.ROOT, "%d photos that were not learned from: %.1f %% of what stands out told rightly, %.3f nats%n", CHECKED, 100 * told.right(), told.loss());
        Files.writeString(Path.of(args[1]), "# What parts of a glass look like, learned on " + wide + " scenes of any room, seeds from " + Seeds.GLANCES + ", by LearnGlances; see docs/methods/look.md.\n" + net);
    }

    private static List<GlanceLearning.Example> photos(long from, int count) {
        List<LensSection> lenses = Seeds.lenses();
        AtomicInteger done = new AtomicInteger();
        return LongStream.range(from, from + count).parallel().mapToObj(s -> {
            Optional<GlanceLearning.Example> e = Labels.glance(RandomScene.wide(s, lenses));
            if (done.incrementAndGet() % 100 == 0) {
                System.err.println(done.get() + " of " + count);
            }
            return e;
        }).flatMap(Optional::stream).toList();
    }
}
