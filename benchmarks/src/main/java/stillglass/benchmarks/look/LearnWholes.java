package stillglass.benchmarks.look;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import stillglass.look.closeup.CloseUpLearning;
import stillglass.look.net.Told;

/// Makes the network that tells a hazy glass from a clear one against the light.
///
/// `LearnWholes WIDE TIDY FILE`: so many scenes of any room and of the tidy bench, seeds from where those end that [LearnKinds] learns from; scenes for choosing, which are not learned from, tell how it went.
public final class LearnWholes {
    private static final int CHECKED = 400;

    private LearnWholes() {}

    public static void main(String[] args) throws IOException {
        if (args.length != 3) {
            System.err.println("LearnWholes WIDE TIDY FILE");
            System.exit(2);
        }
        int wide = Integer.parseInt(args[0]);
        int tidy = Integer.parseInt(args[1]);
        List<CloseUpLearning.Example> wholes = new ArrayList<>(Labels.ofAnyRoom(Seeds.CLOSE_UPS, wide, Labels::wholes));
        wholes.addAll(Labels.ofTheBench(Seeds.BENCH_WHOLES, tidy, Labels::wholes));
        String net = CloseUpLearning.learnWholes(wholes, System.err::println);
        Told told = CloseUpLearning.told(net, CloseUpLearning.lightAlone(Labels.ofAnyRoom(Seeds.CHOOSE, CHECKED, Labels::wholes)));
        System.out.printf(Locale.ROOT, "%d photos that were not learned from: %.1f %% of whole glasses told rightly, %.3f nats%n", CHECKED, 100 * told.right(), told.loss());
        Files.writeString(Path.of(args[2]), "# Which glasses look hazy against the light, learned on " + wide + " scenes of any room, seeds from " + Seeds.CLOSE_UPS + ", and " + tidy
                + " of the tidy bench, seeds from " + Seeds.BENCH_WHOLES + ", by LearnWholes; see docs/methods/look.md.\n" + net);
    }
}
