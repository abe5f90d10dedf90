package stillglass.benchmarks.look;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import stillglass.look.closeup.CloseUpLearning;
import stillglass.look.net.Told;

/// Makes a network of what things that stand out look like close by; one ships for each lighting.
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
        String net = CloseUpLearning.learn(Labels.ofAnyRoom(Seeds.CLOSE_UPS, wide, Labels::closeUps), System.err::println);
        Told told = CloseUpLearning.told(net, Labels.ofAnyRoom(Seeds.CHOOSE, CHECKED, Labels::closeUps));
        System.out.printf(Locale.ROOT, "%d photos that were not learned from: %.1f %% of what stands out told rightly, %.3f nats%n", CHECKED, 100 * told.right(), told.loss());
        Files.writeString(Path.of(args[1]), "# What things look like close by, learned on " + wide + " scenes of any room, seeds from " + Seeds.CLOSE_UPS + ", by LearnCloseUps; see docs/methods/look.md.\n" + net);
    }
}
