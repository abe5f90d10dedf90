package stillglass.benchmarks.look;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import stillglass.look.glance.GlanceLearning;
import stillglass.look.net.Told;

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
        String net = GlanceLearning.learn(Labels.ofAnyRoom(Seeds.GLANCES, wide, Labels::glance), System.err::println);
        Told told = GlanceLearning.told(net, Labels.ofAnyRoom(Seeds.CHOOSE, CHECKED, Labels::glance));
        System.out.printf(Locale.ROOT, "%d photos that were not learned from: %.1f %% of what stands out told rightly, %.3f nats%n", CHECKED, 100 * told.right(), told.loss());
        Files.writeString(Path.of(args[1]), "# What parts of a glass look like, learned on " + wide + " scenes of any room, seeds from " + Seeds.GLANCES + ", by LearnGlances; see docs/methods/look.md.\n" + net);
    }
}
