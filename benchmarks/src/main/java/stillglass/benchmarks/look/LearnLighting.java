package stillglass.benchmarks.look;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import stillglass.look.reading.LightingChoice;
import stillglass.optics.LensSection;
import stillglass.sim.photo.RandomScene;
import stillglass.sim.photo.Shot;

/// Learns whether a lens stood before a bright field, and prints the weights that ship in `LightingChoice`.
///
/// `LearnLighting TIDY WIDE [EXAMPLES]`: so many scenes of the tidy bench and of any room, seeds from 0. What was measured is kept in EXAMPLES and read from there the next time.
public final class LearnLighting {
    private static final int HELD_BACK_EVERY = 4;

    private LearnLighting() {}

    public static void main(String[] args) throws IOException {
        int tidy = Integer.parseInt(args[0]);
        int wide = Integer.parseInt(args[1]);
        List<LightingChoice.Example> all;
        if (args.length > 2 && Files.exists(Path.of(args[2]))) {
            all = Files.readAllLines(Path.of(args[2])).stream().map(LearnLighting::read).toList();
        } else {
            List<LensSection> lenses = Seeds.lenses();
            all = LongStream.range(0, tidy + (long) wide).parallel().mapToObj(i -> {
                RandomScene scene = i < tidy ? RandomScene.of(i, lenses) : RandomScene.wide(i - tidy, lenses);
                Shot shot = scene.shoot();
                return LightingChoice.example(Labels.linear(shot.picture()), shot.aperture(), scene.pose().lighting());
            }).toList();
            if (args.length > 2) {
                Files.write(Path.of(args[2]), all.stream().map(e -> (e.bright() ? "1 " : "0 ") + Arrays.stream(e.traits()).mapToObj(v -> String.format(Locale.ROOT, "%.5f", v)).collect(Collectors.joining(" "))).toList());
            }
        }
        List<LightingChoice.Example> back = IntStream.range(0, all.size()).filter(i -> i % HELD_BACK_EVERY == 0).mapToObj(all::get).toList();
        List<LightingChoice.Example> rest = IntStream.range(0, all.size()).filter(i -> i % HELD_BACK_EVERY != 0).mapToObj(all::get).toList();
        System.out.printf(Locale.ROOT, "held back, learned on the rest: right %.3f (%d)%n", LightingChoice.right(LightingChoice.learn(rest), back), back.size());
        double[] w = LightingChoice.learn(all);
        System.out.printf(Locale.ROOT, "all: right %.3f, with the weights that ship %.3f%n", LightingChoice.right(w, all), LightingChoice.right(LightingChoice.shipped(), all));
        System.out.println(Arrays.stream(w).mapToObj(v -> String.format(Locale.ROOT, "%.3f", v)).collect(Collectors.joining(", ", "{", "}")));
    }

    private static LightingChoice.Example read(String line) {
        double[] v = Arrays.stream(line.split(" ")).mapToDouble(Double::parseDouble).toArray();
        return new LightingChoice.Example(v[0] > 0, Arrays.copyOfRange(v, 1, v.length));
    }
}
