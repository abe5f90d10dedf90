package stillglass.benchmarks.look;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.LongStream;
import stillglass.look.closeup.CloseUpLearning;
import stillglass.optics.LensSection;
import stillglass.sim.photo.RandomScene;

/// Makes the network that ships of what things that stand out look like close by.
///
/// `LearnCloseUps WIDE FILE`: so many scenes of any room, seeds from where those end that [LearnKinds] learns from; scenes for choosing, which are not learned from, tell how it went.
public final class LearnCloseUps {
    private static final int CHECKED = 100;

    private LearnCloseUps() {}

    public static void main(String[] args) throws IOException {
        if (args.length != 2) {
            System.err.println("LearnCloseUps WIDE FILE");
            System.exit(2);
        }
        int wide = Integer.parseInt(args[0]);
        String net = CloseUpLearning.learn(things(Seeds.CLOSE_UPS, wide), System.err::println);
        CloseUpLearning.Told told = CloseUpLearning.told(net, things(Seeds.CHOOSE, CHECKED));
        System.out.printf(Locale.ROOT, "%d photos that were not learned from: %.1f %% of what stands out told rightly, %.3f nats%n", CHECKED, 100 * told.right(), told.loss());
        Files.writeString(Path.of(args[1]), "# What things look like close by, learned on " + wide + " scenes of any room, seeds from " + Seeds.CLOSE_UPS + ", by LearnCloseUps; see docs/methods/look.md.\n" + net);
    }

    private static List<CloseUpLearning.Example> things(long from, int count) {
        List<LensSection> lenses = Seeds.lenses();
        AtomicInteger done = new AtomicInteger();
        return LongStream.range(from, from + count).parallel().mapToObj(s -> {
            List<CloseUpLearning.Example> e = Labels.closeUps(RandomScene.wide(s, lenses));
            if (done.incrementAndGet() % 100 == 0) {
                System.err.println(done.get() + " of " + count);
            }
            return e;
        }).flatMap(List::stream).toList();
    }
}
